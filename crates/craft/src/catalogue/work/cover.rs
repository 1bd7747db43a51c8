//! How a tray is covered.

crate::messages! {
    "cover";
    more_than_stays_behind(least: StatedGrams, in_hand: StatedGrams) = "must be more than the {least} that stay on bowl and spatula; it is {in_hand}";
    must_make_a_slab(range: Between, thickness: MeasuredMm) = "must make a slab of {range} on this tray; it makes one of {thickness}";
    must_cover(range: Between, area: SquareCentimetres) = "must make a slab of {range}; it makes one of {area}";
    no_more_than_on_top(each: StatedGrams, top: Grams) = "must be more than what lies on top of one, {top}; it is {each}";
    must_come_to(range: Between, mass: Grams) = "must come to {range} of chocolate; it comes to {mass}";
}
