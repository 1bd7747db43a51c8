//! What is to be bought.

crate::messages! {
    "shopping";
    too_many(most: Count, given: Count) = "must be at most {most} entries; there are {given}";
    two_units(item: Words, first: Words, second: Words) = "must be one unit for {item}: {first} is stated before, and {second} here";
}
