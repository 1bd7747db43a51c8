//! What lies under it, and how it comes off.

crate::messages! {
    "parting";
    line_with_parchment() = "Line the tray with parchment";
    line_with_parchment_how() = "Flat into the corners, with a lip to lift it by.";
    lay_smooth_sheet() = "Lay the smooth sheet flat";
    lay_smooth_sheet_how() = "Wipe it with a dry cloth: every finger shows on the gloss.";
    lay_printed_sheet() = "Lay the printed sheet, print side up";
    lay_printed_sheet_how() = "The print marries to the chocolate. Only prints that are sold for food.";
    touch_how() = "Dry to the finger and still soft. Say so when it is: the rest follows from it.";
    touch_dry() = "Touch it lightly";
    touch_dry_from() = "touch dry";
    fridge_in() = "Into the fridge";
    fridge_in_how() = "Uncovered, level, away from smells.";
    box_in() = "Into a closed box or bag, and into the fridge";
    box_in_how() = "Closed before it goes in: no dew forms on what is inside. Level, away from smells.";
    box_out() = "Out of the fridge, the box still closed";
    box_out_how() = "It has shrunk and lets go at the edges. Dew forms on the box, not on it.";
    unbox() = "Open the box";
    unbox_how() = "It is as warm as the room now: wipe the box dry first.";
    unbox_from() = "warm enough to open";
    fridge_out() = "Out of the fridge";
    fridge_out_how() = "It has shrunk and lets go at the edges.";
    fridge_out_from() = "out of the fridge";
    fridge_out_until() = "dew forms on it if it stays";
    fridge_out_late() = "Into a closed box until it is as warm as the room: then no dew forms on it.";
    peel() = "Peel off the sheet";
    peel_from() = "lets go";
    break_it() = "Break it";
    break_how() = "By hand, in gloves, held by the edges.";
    peel_coating_how() = "Turn it over and roll the sheet away.";
    peel_how() = "Turn it over and roll the sheet away. A clean release is the proof of temper.";
}
