//! How many, and for what.

crate::messages! {
    "boxes";
    box_of_nothing() = "must hold something: name at least one kind";
    too_many_kinds(most: Count, given: Count) = "must be at most {most} kinds; there are {given}";
    kind_twice(key: Words) = "must be named once; “{key}” is there already";
    whole_pieces() = "must be whole pieces";
    whole_boxes() = "must be whole boxes";
    pieces_or_grams() = "give either pieces or grams";
}
