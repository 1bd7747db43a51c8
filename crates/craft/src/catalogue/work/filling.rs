//! Fillings.

crate::messages! {
    "filling";
    more_than_room(most: FineGrams, each: StatedGrams) = "must be at most {most}: the hollow holds no more under its cap; it is {each}";
    keeps_perishable() = "It has water in it and perishes: keep it in the fridge, with a date in days from its own recipe.";
    keeps_as_filling() = "As long as its filling does: see its own label.";
    fill_ganache(below: StatedTemp) = "Pipe the ganache in, no warmer than {below}";
    fill(below: StatedTemp) = "Fill the shells, no warmer than {below}";
    fill_how() = "Up to 1.5 to 2 mm below the rim, no air under it; tap it level.";
    fill_ganache_from() = "the ganache has rested";
    fill_ganache_until(until: Until) = "the ganache pipes smooth {until}";
    fill_ganache_late() = "It has been standing for two days: smell and taste it before it goes in.";
    fill_open_how() = "Level with the rim, no air under it; tap it level and wipe the rim clean.";
    shells_rest() = "They may be filled as soon as they have set. Left overnight first they shrink all the way: fewer cracks, and they fall out more easily.";
    ganache(butter_in: StatedTempRange) = "Make the ganache, the butter in at {butter_in}";
    ganache_how() = "Hot cream over the chocolate. Stir from the middle outward until it shines; film on its surface, and let it rest overnight.";
    ganache_mind() = "Hot cream and steam burn. With cream it is perishable: into the cold if it stands longer than overnight.";
    ganache_infused_how(infusion: Words) = "Steep the {infusion} in the hot cream, strain it out, pour it over the chocolate. Stir from the middle outward until it shines; film on its surface, and let it rest overnight.";
}
