//! What lies under it, and how it comes off.

crate::messages! {
    "parting";
    line_with_parchment() = "Line the tray with parchment";
    line_with_parchment_how() = "Flat into the corners, with a lip to lift it by.";
    lay_smooth_sheet() = "Lay the smooth sheet flat";
    lay_smooth_sheet_how() = "Wipe it with a dry cloth: every finger shows on the gloss.";
    lay_printed_sheet() = "Lay the printed sheet, print side up";
    lay_printed_sheet_how() = "The print marries to the chocolate. Only prints that are sold for food.";
    touch_how() = "Dry to the finger and still soft. Say when it is: the later times follow from it.";
    touch_dry() = "Touch it lightly";
    touch_dry_from() = "touch dry";
    fridge_in() = "Put it in the fridge";
    fridge_in_how() = "Uncovered, level, away from smells.";
    box_in() = "Put it in a closed box or bag, and in the fridge";
    box_in_how() = "Closed before it goes in: no condensation inside. Level, away from smells.";
    box_out() = "Take it out of the fridge, the box still closed";
    box_out_how() = "It has shrunk and releases at the edges. Condensation forms on the box, not inside.";
    unbox() = "Open the box";
    unbox_how() = "It is as warm as the room now: wipe the box dry first.";
    unbox_from() = "warm enough to open";
    fridge_out() = "Take it out of the fridge";
    fridge_out_how() = "It has shrunk and releases at the edges.";
    fridge_out_from() = "out of the fridge";
    fridge_out_until() = "condensation if it stays longer";
    fridge_out_late() = "Into a closed box until it is as warm as the room: then it stays dry.";
    peel() = "Peel off the sheet";
    peel_from() = "it releases";
    break_it() = "Break it";
    break_how() = "By hand, in gloves, held by the edges.";
    peel_coating_how() = "Turn it over and roll the sheet away.";
    peel_how() = "Turn it over and roll the sheet away. A clean release is the proof of temper.";
    polish_tin() = "Polish the bare tin";
    polish_tin_how() = "With cotton wool, bone dry, at room temperature. A scratched or ribbed tin holds on: line that.";
    lay_silicone() = "Lay out the silicone, dry";
    lay_silicone_how() = "On a flat board, so that it can be moved. It lets go by itself; its face is satin, not glossy.";
    lay_foil() = "Line the tray with foil, drawn smooth";
    lay_foil_how() = "Shiny side up, smoothed with a dry cloth over a straight edge: every fold shows.";
    crumple_foil() = "Crumple the foil, spread it out again and line the tray";
    crumple_foil_how() = "In soft folds without tears, so that it can be peeled off whole.";
    foil_mind() = "Look that no scrap of foil stays on a piece.";
    knock_out() = "Turn the tin over and knock it out";
    knock_out_how() = "A light twist, then a knock on a cloth. What holds on has not shrunk yet: give it a few more minutes.";
    flex_off() = "Turn it over and flex the silicone off";
    flex_off_how() = "Start at one corner, slowly: thin work breaks where it is bent sharply.";
}
