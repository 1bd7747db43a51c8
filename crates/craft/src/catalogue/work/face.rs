//! The coloured face of a mould.

crate::messages! {
    "face";
    at_most_films(most: Count, there: Count) = "must be at most {most} films; there are {there}";
    must_be_a_region(there: Nested) = "must be a region of the mould ({there})";
    upside_down(colour: Words, name: Words) = "Upside down: {colour} goes in before {name} and hides it. What goes in first is what is seen: {name} first, then {colour}.";
    not_seen(name: Words) = "{name} is not seen: what goes in before it covers it. It can be left out.";
    sinks_over_white(colour: Words, family: Words) = "{colour} sinks a little on {family} chocolate: the white behind it is thin. A second coat of white brings it out.";
    sinks(colour: Words, family: Words) = "{colour} sinks on {family} chocolate: it is transparent, and the dark behind it shows. White behind it brings it out.";
    colour(verb: Words, label: Words) = "{verb} the {label}";
    film_from() = "the colour before it is dry";
    pour_from() = "the colour has rested";
    pour_until(until: Until) = "the colour holds to the mould {until}";
    pour_late() = "It may have let go of the mould: hold it to the light, and touch up what is bare.";
    colour_region(verb: Words, label: Words, region: Words) = "{verb} the {label} on the {region}";
    no_regions() = "it has none";
    its_regions(names: List) = "{names}";
    mask() = "Tape off what is to stay bare";
    mask_how() = "Low-tack tape, pressed down at its edge with a fingernail; the face clean and dry.";
    unmask() = "Pull off the tape";
    unmask_how() = "Slowly, folded back on itself, while the colour is just dry: fully set it chips, wet it runs under.";
    unmask_from() = "the colour is just dry";
    masked() = "Tape is no food: count the strips on and off, and leave none in a mould.";
    rest_minutes(rest: WholeMinutes) = "After {rest} the colour is hardly set: the chocolate smears it, or lifts it off with it. Thin films alone, poured at the low end of the range; six hours are usual.";
    rest_hours(hours: Number) = "After {hours} hours thick strokes may still come off with the chocolate; six hours are usual, overnight is safe.";
}
