//! Outlines that are piped.

crate::messages! {
    "outlines";
    no_such_line(lines: Count) = "must name lines of this outline, 1 to {lines}";
    nothing_left_for_the_body(lines: Count) = "must leave a line for the body; all {lines} are features";
    outlines(most: Count, there: Count) = "must be 1 to {most} outlines; there are {there}";
}
