//! Outlines that are piped.

crate::messages! {
    "outlines";
    outlines(most: Count, there: Count) = "must be 1 to {most} outlines; there are {there}";
}
