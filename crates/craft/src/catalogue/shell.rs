//! Moulds and shells.

crate::messages! {
    "shell";
    needed_for_this_form(range: Between) = "is needed for this form: {range}";
    less_than_the_inside(inside: StatedArea, opening: StatedArea) = "must be less than the inside, {inside}; it is {opening}";
    inside_too_wide(name: Words, across: WholeMm, clear: WholeMm) = "{name} is {across} across, and the hollow only {clear}.";
    inside_too_much(taken: Millilitres, room: Millilitres) = "What goes inside takes up {taken}, with the air between; the hollow has {room}.";
    at_most_regions(most: Count, there: Count) = "must be at most {most}; there are {there}";
    must_be_its_own(name: Words) = "must be its own; {name} is there already";
    shares_add_up(sum: StatedPercent) = "must add up to 100 %; they come to {sum}";
    at_most_weighings(most: Count, there: Count) = "must be at most {most}, the latest; there are {there}";
    cannot_be_lined() = "cannot be: the shells would be more than twice as thick, or less than half as thick, as such chocolate leaves; weigh the mould empty and lined, both scraped clean";
    more_than_empty(empty: StatedGrams) = "must be more than the empty mould's {empty}";
    shell_thin(least: StatedMm) = "Thinner than {least}: it may not leave the mould whole, and thin spots leak.";
    shell_thick(most: StatedMm) = "Thicker than {most}: more chocolate than shell, and slow to set.";
    stays_thicker(stays: Mm) = "This chocolate leaves about {stays} however soon it is dumped: use one that flows more freely, pour it at the top of its range, or brush it.";
    wait_long() = "After this long the rim sets first and the wall is uneven: pour twice instead, or brush it.";
    thicker_than_radius(radius: Mm, shell: Mm) = "must be less than the cavity's radius of {radius}, or nothing stays hollow; it is {shell}";
    cap_fills_it(deep: Mm, cap: Mm) = "must be less than the hollow is deep, about {deep}; it is {cap}";
    solid_deep() = "So deep a piece warms itself as it sets: a fan over it, and into the fridge as soon as its back is dry, or its middle comes out dull and streaked.";
}
