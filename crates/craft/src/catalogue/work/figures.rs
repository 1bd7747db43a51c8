//! Two-tone figures.

crate::messages! {
    "figures";
    check_tones_set() = "Each tone is set, in the room, before the next goes in";
    check_no_air() = "No air in the narrow parts";
    check_cloudy() = "From below, the mould has gone cloudy before it is turned over";
    keeps() = "About 8 weeks by custom.";
    must_be_a_region(there: List, region: Words) = "must be a region of the mould ({there}); it is {region}";
    put_in(label: Words, region: Words) = "Put the {label} into the {region}";
    put_in_how() = "With a brush or a bag; press the air out of narrow parts with a stick.";
    touch_tone(region: Words) = "Touch the {region}";
    touch_tone_from() = "this tone has set, in the room";
    at_most_tones(most: Count, there: Count) = "must be at most {most}; there are {there}";
    has_no_regions() = "must be left out: the mould has no regions, so a tone lies on its whole face";
    thicker_than_the_mould(there: Mm, most: Mm) = "must leave something hollow: with what lies there before it and the wall it comes to {there}, and the mould has room for {most}";
    leaves_no_body() = "must be a part of the figure: a tone that fills it all leaves no body; make it as solid bars and pieces";
    fill_the_mould(mass: StatedGrams, holds: StatedGrams) = "must leave room for the body: together they weigh {mass} in one, and it holds {holds}";
    fill_region(label: Words, region: Words) = "Fill the {region} with the {label}";
    fill_region_how() = "From a bag, deepest first, and tap out the air; the mould propped so that it stands level there.";
    line_all_over(label: Words) = "Brush the {label} over the whole face";
    touch_lining() = "Touch the lining";
    keeps_as_inside() = "About 8 weeks by custom, or as long as what is inside.";
    must_fit(why: Words) = "must fit: {why}";
    nothing_goes_in() = "must be nothing: what is solid, or closes by itself, has no way in";
    no_foot() = "must be left out: what is solid, or closes by itself, has no foot to close";
    foot_open() = "What is inside falls out through the open foot: close it with a plate.";
    put_inside() = "Fill them through the foot";
    put_inside_how() = "Upside down in a cup; dry, and no warmer than the room. What would rattle goes in paper.";
    put_inside_mind() = "What goes inside goes on the label: name its allergens.";
    plate(label: Words, count: Count, thick: Mm) = "Spread the {label} {thick} thick on a smooth sheet, for {count} feet";
    plate_how() = "Once it has lost its wet shine, cut round each foot with room to spare; leave them on the sheet.";
    touch_plate() = "Touch the plates";
    touch_plate_from() = "the plates have set";
    close() = "Close the feet with the plates";
    close_how() = "Warm the rim of the foot for a second on a warm plate, press it on, hold; trim with a warm knife once it has set.";
}
