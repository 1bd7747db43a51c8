//! A wrap round a cake.

crate::messages! {
    "wrap";
    check_cake() = "The cake is iced and in its place: the wrap cannot wait for it";
    check_coat() = "One coat, over every edge";
    check_bends() = "It bends without cracking and no longer runs";
    line(length: WholeMm, height: StatedMm) = "Cut a strip of {length} by {height} and lay it out";
    line_how() = "Parchment or acetate, taped down at the corners.";
    pattern(label: Words) = "Pipe the pattern in {label}";
    pattern_how() = "What is piped first faces outward.";
    pour(label: Words) = "Spread the {label} over the strip";
    pour_how() = "One generous coat, over the edges: running short cannot be repaired.";
    pour_from() = "the pattern no longer smears";
    lift() = "Lift the strip to a clean place";
    lift_how() = "By its ends; what ran over stays behind.";
    wrap() = "Lift it and wrap it round";
    wrap_how() = "Still wet inside, so that it holds to the icing. Paper outward, smoothed with the palm, the overlap last.";
    wrap_from() = "it no longer runs";
    wrap_until(until: Until) = "it bends {until}";
    wrap_late() = "It cracks as it bends now: break it into shards for the side.";
    paper() = "Peel off the paper";
    paper_how() = "Slowly, along the strip.";
    paper_from() = "the paper comes off";
    trim() = "Snap off the overlap";
    trim_how() = "Or with a hot knife.";
    no_pattern_on_ice() = "must be left out: on a frozen stone a pattern sets before anything is spread over it";
    template_how(height: StatedMm) = "A strip of card {height} wide lies ready as a template; the cake stands iced beside the stone.";
    pull(label: Words) = "Spread the {label} along the stone, lift it and lay it round the cake";
    pull_strips(strips: Count, label: Words) = "Spread the {label} along the stone in {strips} strips, one at a time, each round the cake at once";
    pull_how(bends: Seconds) = "In one movement, trimmed along the template with a knife's back, lifted as soon as it holds: it bends for about {bends}. Each strip laps over the one before.";
    trim_cold() = "Press the laps together and trim them";
}
