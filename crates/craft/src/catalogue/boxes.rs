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
    too_few(name: Words, makes: Nested, wanted: Nested) = "{name}: the plan makes {makes}; {wanted} needed.";
    few_spares(name: Words, spare: Nested, make: Nested) = "{name}: only {spare} spare. Make {make} to allow for breakage.";
    holds_less(holds: StatedGrams, weighs: Grams) = "Each holds {holds}; what goes in weighs {weighs}.";
    nuts_in_the_box(with: List, without: List) = "{with} contain nuts and share a box with {without}: the whole box counts as containing nuts. Pack separate boxes for anyone who must avoid them.";
    packing() = "Packing";
    count() = "Count whole and broken pieces";
    count_how() = "Set the broken ones aside and note both numbers: they tell how many spares the next batch needs.";
    pack_boxes(count: Count, each: List) = "Pack {count} boxes: {each} in each";
    pack_bags(count: Count, each: List) = "Fill {count} bags: {each} in each";
    plate(count: Count, each: List) = "Lay out {count} servings: {each} on each";
    pack_how() = "Clean, dry hands; what is soft or scented in a cup of its own. Faces not against each other.";
    label() = "Put the labels on";
    label_how() = "Print them from the log of this batch, and check them against the labels of your ingredients.";
}
