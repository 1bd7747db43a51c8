//! What it costs.

crate::messages! {
    "cost";
    too_many(most: Count, given: Count) = "must be at most {most} entries; there are {given}";
}
