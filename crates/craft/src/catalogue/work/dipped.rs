//! Dipped pieces.

crate::messages! {
    "dipped";
    swirl_lines() = "Fresh lines for each: zigzag, dip, twirl on the way out. The second chocolate goes a little into the first.";
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
