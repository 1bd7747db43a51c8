//! Two-tone figures.

crate::messages! {
    "figures";
    check_tones_set() = "Each tone is set, in the room, before the next goes in";
    check_no_air() = "No air in the narrow parts";
    check_cloudy() = "From below, the mould has gone cloudy before it is turned over";
    keeps() = "About 8 weeks by custom.";
    two_regions() = "must be two at least: a tone for each";
    one_tone() = "must be one at least; the body is of the cast's chocolate";
    must_be_a_region(there: List, region: Words) = "must be a region of the mould ({there}); it is {region}";
    tone_of_its_own(region: Words) = "must be its own; {region} has a tone already";
    put_in(label: Words, region: Words) = "Put the {label} into the {region}";
    put_in_how() = "With a brush or a bag; press the air out of narrow parts with a stick.";
    touch_tone(region: Words) = "Touch the {region}";
    touch_tone_from() = "this tone has set, in the room";
}
