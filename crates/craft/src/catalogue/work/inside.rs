//! What goes inside of what is hollow.

crate::messages! {
    "inside";
    at_most_inside(most: Count, there: Count) = "must be at most {most} things; there are {there}";
    not_food_inside(what: List) = "{what} is not food: wrap it so that it does not touch the chocolate and name it on the label. A choking hazard for small children. Some places forbid it: check yours.";
    made_here_is_food() = "must be food where it is made in this batch";
}
