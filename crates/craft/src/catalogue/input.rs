//! What any input can be refused for.

crate::messages! {
    "input";
    out_of_bounds(range: Between, given: Given) = "must be {range}; it is {given}";
    not_a_number(range: Between) = "must be {range}; it is not a number";
    empty_text(longest: Count) = "must be 1 to {longest} characters; it is empty";
    text_too_long(longest: Count, there: Count) = "must be 1 to {longest} characters; it has {there}";
    remark_too_long(longest: Count, there: Count) = "must be at most {longest} characters; it has {there}";
    one_plain_line() = "must be one line of plain text, without control characters or marks that turn its direction";
    plain_text() = "must be plain text, without control characters or marks that turn its direction";
    nothing_to_see() = "must have something to be seen in it";
}
