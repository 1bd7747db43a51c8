//! Joined hollows.

crate::messages! {
    "hollows";
    two_halves() = "must give two halves at least: fill the mould twice";
    must_fit(why: Words, smallest: WholeMm) = "must fit: {why} A mould {smallest} across would do.";
    check_rims() = "The rims are flat all round before they are joined";
    check_dry() = "What goes inside is dry";
    check_seam() = "The seam is closed when it is held to the light";
    keeps_as_inside() = "By custom about 8 weeks, or as long as what is inside.";
    at_most_inside(most: Count, there: Count) = "must be at most {most} things; there are {there}";
    half_over() = "One half is left over: a lid, or a try-out.";
    not_food_inside(what: List) = "{what} is not food: wrap it so that it does not touch the chocolate, name it on the label, and not for small children. Some places forbid it: check yours.";
    drink_small(least: WholeMm) = "A drink bomb wants {least} across at least, or powder and marshmallows for one cup do not fit.";
    drink_milk() = "Hot milk burns: set it in the cup first and pour slowly, away from children.";
    ornament() = "A hook or ribbon is not food: removable, said on the label, and taken out before it is eaten.";
    rims() = "Melt the rims for a second on a warm plate";
    rims_how() = "Warm, not hot, with a small twist: flat rims join.";
    rims_mind() = "A plate that is too hot to rest a hand on is too hot.";
    inside() = "Put in what goes inside";
    inside_how() = "Dry, and no warmer than the room.";
    join() = "Press the halves together and hold";
    join_how() = "In gloves, by the edges.";
    rest() = "Out of the egg cup";
    rest_how() = "It has joined: try it with a light twist.";
    rest_from() = "the seam has set";
    seam() = "Hide the seam";
    seam_how() = "A piped line, and sprinkles or sugar while it is wet.";
    hook() = "Put the hook in, and label it";
    hook_how() = "Removable: a loop round the seam, or a clip.";
    hook_mind() = "Not food: named on the label, kept from small children.";
}
