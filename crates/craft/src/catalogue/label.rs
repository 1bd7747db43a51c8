//! What a label says.

crate::messages! {
    "label";
    no_parts() = "must name at least one part";
    too_many(most: Count, given: Count) = "must be at most {most} parts; there are {given}";
}
