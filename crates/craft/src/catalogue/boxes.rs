//! How many, and for what.

crate::messages! {
    "boxes";
    box_of_nothing() = "must hold something: name at least one kind";
    too_many_kinds(most: Count, given: Count) = "must be at most {most} kinds; there are {given}";
    kind_twice(key: Words) = "must be named once; “{key}” is there already";
    whole_pieces() = "must be whole pieces";
    whole_boxes() = "must be whole boxes";
    pieces_or_grams() = "give either pieces or grams";
    too_many_wrappings(most: Count, given: Count) = "must be at most {most} things; there are {given}";
    must_be_made(there: List, key: Words) = "must be something that the plan makes ({there}); it is {key}";
    not_by_the_piece(name: Words) = "must be grams: {name} is not cut into pieces";
    so_many(count: Count) = "{count}";
    so_much(mass: Grams) = "{mass}";
    of_kind(amount: Nested, name: Words) = "{amount} of {name}";
    too_few(name: Words, makes: Nested, wanted: Nested) = "{name}: the plan makes {makes}, and {wanted} are wanted.";
    few_spares(name: Words, spare: Nested, make: Nested) = "{name}: {spare} to spare. Make {make}, so that there is enough where some break.";
    holds_less(holds: StatedGrams, weighs: Grams) = "Each gets {weighs} and holds {holds}.";
    nuts_in_the_box(with: List, without: List) = "{with} with nuts in one box with {without}: the label names nuts for all of it. For who must not eat nuts, pack boxes without.";
    packing() = "Packing";
    count() = "Count what is whole";
    count_how() = "Put aside what broke, and note both in the log: what breaks tells how many spares the next batch wants.";
    pack_boxes(count: Count, each: List) = "Pack {count} boxes: {each} in each";
    pack_bags(count: Count, each: List) = "Fill {count} bags: {each} in each";
    plate(count: Count, each: List) = "Lay out {count} servings: {each} on each";
    pack_how() = "Clean, dry hands; what is soft or scented in a cup of its own. Faces not against each other.";
    label() = "Label them";
    label_how() = "The labels are in the log, with this batch: print them there, and check them against the labels of what went in.";
}
