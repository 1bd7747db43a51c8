//! Fillings.

crate::messages! {
    "filling";
    more_than_room(most: FineGrams, each: StatedGrams) = "must be at most {most}: the hollow holds no more under its cap; it is {each}";
    keeps_perishable() = "It has water in it and perishes: keep it in the fridge, with a date in days from its own recipe.";
    keeps_as_filling() = "As long as its filling does: see its own label.";
    fill_ganache(below: StatedTemp) = "Pipe the ganache in, no warmer than {below}";
    fill(below: StatedTemp) = "Fill the shells, no warmer than {below}";
    make(name: Words) = "Make the {name}";
    make_emulsion() = "Warm what is watery with the sugars until it steams, pour it over the chocolate, wait a minute. Stir from the middle outward until it shines; butter, nut paste and spirits go in lukewarm. Film on its surface.";
    make_fatty() = "Melt the chocolate, let it cool until it is barely warm, stir in the rest. No water may come near it.";
    make_without() = "By its own recipe; film on its surface, and let it cool all the way.";
    steep(what: Words) = "Steep the {what}";
    steep_how() = "In what is watery, hot from the stove, covered. Then through a fine sieve, pressed out; weigh it again and top it up with the same.";
    steeped(what: Words) = "the {what} has given off its scent";
    make_mind() = "Hot sugar, cream and steam burn: long sleeves, a deep pan, nobody else near it. What is perishable goes into the cold if it stands longer than overnight.";
    fill_rested() = "the filling has rested";
    fill_rested_until(until: Until) = "the filling pipes smooth {until}";
    fill_rested_late() = "It has been standing for two days: smell and taste it before it goes in.";
    soft_for_open() = "So soft a filling runs: it needs a cap, and is piped cool.";
    firm_to_pipe() = "So firm a filling does not pipe: warm it a little, or roll or cut it and dip it instead.";
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
