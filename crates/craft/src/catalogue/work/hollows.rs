//! Joined hollows.

crate::messages! {
    "hollows";
    two_halves() = "must give two halves at least: fill the mould twice";
    must_fit(why: Words, smallest: WholeMm) = "must fit: {why} A mould {smallest} across would do.";
    check_rims() = "The rims are flat all round before they are joined";
    check_dry() = "What goes inside is dry";
    check_seam() = "The seam is closed when it is held to the light";
    keeps_as_inside() = "About 8 weeks by custom, or as long as what is inside.";
    half_over() = "One half is left over: a lid, or a try-out.";
    drink_small(least: WholeMm) = "A drink bomb wants {least} across at least, or powder and marshmallows for one cup do not fit.";
    drink_milk() = "Hot milk burns: set it in the cup first and pour slowly, away from children.";
    ornament() = "A hook or ribbon is not food: make it removable, say so on the label, and take it out before eating.";
    join(pairs: Count) = "Close {pairs}, one at a time";
    join_how() = "Warm the rims of both halves for a second on a warm plate, with a small twist; press them together and hold. In gloves, by the edges.";
    join_filled_how() = "Fill one half, dry and no warmer than the room. Warm the rims of both for a second on a warm plate, with a small twist; press them together and hold. In gloves, by the edges.";
    join_mind() = "A plate that is too hot to rest a hand on is too hot.";
    join_filled_mind() = "A plate that is too hot to rest a hand on is too hot. What goes inside goes on the label: name its allergens.";
    rest() = "Take it out of the egg cup";
    rest_how() = "It has joined: try it with a light twist.";
    rest_from() = "the seam has set";
    seam() = "Hide the seam";
    seam_how() = "A piped line, and sprinkles or sugar while it is wet.";
    hook() = "Put the hook in, and label it";
    hook_how() = "Removable: a loop round the seam, or a clip, before the seam is hidden.";
    hook_mind() = "Not food: name it on the label, and keep it from small children.";
}
