//! Dipped pieces.

crate::messages! {
    "dipped";
    swirl_lines() = "Fresh lines for each: zigzag, dip, twirl on the way out. The second chocolate goes a little into the first.";
    too_soft_to_roll() = "So soft a mixture does not roll: more chocolate to what is watery, or pipe it in drops and chill them.";
    too_soft_to_cut() = "So soft a mixture does not cut clean: more chocolate to what is watery, or roll it.";
    too_soft_to_pipe() = "So soft a mixture runs: more chocolate to what is watery.";
    too_firm_to_pipe() = "So firm a mixture does not pipe: less chocolate to what is watery, or roll or cut it.";
    rested() = "the mixture has rested";
    rested_until(until: Until) = "the mixture can be shaped {until}";
    rested_late() = "It has been standing for two days: smell and taste it before it is shaped.";
    roll(count: Count, each: StatedGrams) = "Roll {count} balls of {each}";
    roll_how() = "Cold hands, in gloves, a little cocoa powder. Then into the cold until they are firm; they come out before they are dipped.";
    cut(count: Count, each: StatedGrams) = "Cut {count} pieces of {each}";
    cut_how() = "From a sheet between two bars, its underside brushed thin with chocolate; a warm, dry knife. Apart from each other, until their sides are dry.";
    pipe(count: Count, each: StatedGrams) = "Pipe {count} drops of {each}";
    pipe_how() = "On parchment, then into the cold until they can be lifted.";
    check_centres() = "The centres are dry, firm and cold, not frozen";
    check_vessel() = "The vessel is deep enough to cover them whole";
    check_foot() = "No foot of chocolate round the base: hold longer to drip";
    keeps_fruit() = "24 hours by custom, in the fridge: fresh fruit weeps and spoils.";
    keeps_truffle(cold: StatedTempRange) = "With cream: 10 days in a cool room or 3 weeks sealed at {cold}, by custom. The centre's own date comes first.";
    keeps_biscuit() = "About 3 weeks by custom, airtight: the biscuit softens.";
    keeps_dry() = "About 6 weeks by custom. The centre's own date comes first.";
    fruit_dry() = "Bone dry, skin whole: one drop of juice and the vessel seizes. Eat it the same day.";
    perishable() = "Centres with cream or fresh fruit perish: keep them in the fridge, with a use-by date in days.";
    sticks_note() = "Sticks are a hazard for small children; take toothpicks out before you give it away.";
    set_up_the_stand() = "Set up the stand, or line a tray";
    line() = "Line a tray with parchment";
    line_how() = "Within reach of the vessel.";
    sticks(label: Words) = "Dip each stick in {label} and push it in";
    sticks_how() = "It holds once that has set.";
    fill_vessel(label: Words) = "Pour the {label} into the vessel";
    fill_vessel_how() = "Deep and narrow, warmed: a cold one thickens it.";
    pour_with_swirl(name: Words, label: Words) = "Dip the {name}: zigzag {label}, dip, twirl out, drip";
    pour_with_swirl_how() = "Fresh lines for each; hold to drip, flick, stand.";
    pour(name: Words) = "Dip the {name}";
    pour_how() = "Straight down, straight out; hold to drip, flick, stand.";
    pour_from() = "the sticks hold";
    take_off() = "Take them off the stand or the sheet";
    take_off_how() = "In gloves; trim what has run to a foot.";
}
