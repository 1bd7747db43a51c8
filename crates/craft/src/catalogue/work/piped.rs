//! Piped pieces.

crate::messages! {
    "piped";
    piped_trial() = "A trial line on spare paper first: the bag at 45°, a small tip.";
    piped_ice() = "Dry the ice with a cloth and work quickly; shake off what melts before it is served. Shock-set chocolate is not tempered: it dulls in a day or two.";
    check_joined() = "Every line joins another";
    check_width() = "Lines at least 3 mm wide";
    check_dry() = "Dry before it is moved";
    ice() = "Turn out the domes of ice and dry them";
    ice_how() = "From balloons or bowls, frozen through, wiped.";
    line() = "Lay the sheet under parchment";
    line_how() = "Taped down; the outline shows through.";
    trial() = "Pipe a trial line on spare paper";
    trial_how() = "The tip cut small, the bag at 45°.";
    features(label: Words) = "Pipe the features in {label}";
    features_how() = "They face the viewer once it is flipped.";
    pour_outlines(count: Count, label: Words) = "Pipe the {count} outlines in {label}";
    pour_lattices(count: Count, label: Words) = "Pipe the {count} lattices in {label}";
    pour_nests(count: Count, label: Words) = "Zigzag {count} nests in {label}";
    pour_bowls(label: Words) = "Zigzag {label} over the ice, and a foot";
    pour_how() = "Every line joins another.";
    pour_nests_how() = "A few at a time: each is gathered while it bends, before the next few are piped. Every line joins another.";
    features_dry() = "the features no longer smear";
    touch_features() = "Touch the features lightly";
    flooded_within_outlines() = "goes with outlines only";
    area_needed() = "is needed where no outlines are stated: how large the body of one is";
    nothing_to_flood() = "needs an outline that is closed: nothing in these would hold it";
    flood(label: Words, depth: Mm) = "Fill the outlines with {label}, {depth} deep";
    flood_how() = "A bag cut wider, from the edge inward; draw it into the corners with a needle, burst the bubbles, tap the sheet.";
    features_need_a_colour() = "need a second colour, or they are piped with the body";
    bodies_set() = "the bodies no longer smear";
    touch_bodies() = "Touch a body at its middle";
    back(label: Words, depth: Mm) = "Spread {label} over the backs, {depth} thick";
    back_how() = "Thin and even, up to the edge; over every seam between two colours, so that it holds them.";
    outlines_hold() = "the outlines hold";
    gather() = "Gather each into a nest";
    gather_how() = "While it bends, with both hands.";
    gather_from() = "it bends without sticking";
    gather_until(until: Until) = "it bends {until}";
    gather_late() = "It snaps now: leave the rest as lattices.";
    lift() = "Lift it off the ice";
    lift_how() = "As soon as it holds; stand it on its foot.";
    lift_from() = "it holds";
    frozen_goes_with() = "goes with nests, on a frozen stone, and with bowls, over ice";
    nests_on_stone(count: Count, label: Words) = "Zigzag {count} nests of {label} on the stone, one at a time, each gathered at once";
    nests_on_stone_how() = "To and fro in thin lines; as soon as they hold, loosen them with the offset, push them together and round them in the hands.";
    stone_how() = "Flat, at hand height; gloves, and a chilled plate beside it for what is finished.";
}
