//! Calculations that are asked for by themselves.

craft::messages! {
    "calc";
    own_numbers() = "Your own numbers stand in for the family's where you gave them.";
    family_numbers() = "The family's usual numbers. The bag knows better: put its own in.";
    stir_after_each() = "Stir after each burst, even when it does not look melted. Stop while there are still lumps.";
    hot_bowl() = "The bowl comes out hot: use a cloth.";
    one_of_butter_total_pigment(given: Nested) = "give one of butter_g, total_g and pigment_g; {given}";
    value_or_text(given: Nested) = "give either value or text; {given}";
    melted_or_total(given: Nested) = "give either melted_g or total_g; {given}";
    thickness_or_mass(given: Nested) = "give either thickness_mm or mass_g; {given}";
    ratio_or_masses() = "give either ratio, or chocolate_g and cream_g";
    both_given() = "both are given";
    neither_given() = "neither is given";
    none_given() = "none is given";
    several_given() = "several are given";
    needed() = "is needed";
    at_most(most: Count, there: Count) = "must be at most {most}; there are {there}";
    one_at_least() = "must be one at least";
    one_of_the_films(films: Count) = "must be one of the {films} films, from 0";
    colour_such_as(given: Words) = "must be a colour such as #3b5bdb; it is {given}";
    unit_needed() = "is needed: the number has no unit";
    approximate() = "About so much: weighing is always better.";
    at_most_targets(most: Count) = "must be at most {most} targets";
    no_forecast(reason: Nested) = "No forecast: {reason}.";
    not_reached() = "A target at or below the room, or above the last reading, is not reached.";
    at_most_readings(most: Count) = "must be at most {most} readings";
    not_complete() = "is not complete";
    above_the_fridge(fridge: StatedTemp, start: StatedTemp) = "must be above the fridge's {fridge}; it is {start}";
    above_the_start(start: StatedTemp, target: StatedTemp) = "must be above the start of {start}; it is {target}";
    needed_with_ratio() = "is needed with ratio";
    no_chocolate() = "give family, blend or chocolate_id; none is given";
    one_chocolate() = "give only one of family, blend and chocolate_id";
    must_be_tempered() = "must be one that is tempered: a coating takes no crystals";
    gate_not_open(opens: Temp) = "Above {opens} the crystals melt and are lost: let it cool first.";
    gate_passed(closes: Temp) = "Below {closes} they spread badly: warm it a little first.";
    needed_with_minutes() = "is needed with minutes, to count the loss to the room";
    rule_of_thumb(spread: Percent) = "A model fitted to what makers report, give or take {spread}. Check by touch.";
    unconnected(parts: Count) = "It falls into {parts} parts as it is lifted. Join them with a bridge where they are marked.";
    thin_joints() = "Where it is marked lines only touch: bring them closer, or pipe a heavier line.";
    line_thin(least: StatedMm) = "Lines under {least} break when they are lifted.";
    open_ends() = "Lines that end in the open break off easily: end them on another line where you can.";
    left_out(what: List) = "Only paths are piped. Left out: {what}.";
    crystals_not_counted() = "The heat of the crystals that form on the stone is not counted: go by the thermometer.";
}
