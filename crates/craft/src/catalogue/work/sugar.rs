//! Boiled sugar.

crate::messages! {
    "sugar";
    sugar_burns(boils_at: WholeTemp) = "Boiling sugar is {boils_at} and sticks to the skin: the hottest thing in this kitchen. Long sleeves, dry gloves, a bowl of cold water beside you, nobody else near the hob, no children.";
    sugar_altitude(altitude: Metres, boils_at: Temp, lower: StatedDegrees) = "At {altitude} it is at the hard crack at {boils_at}: {lower} lower for each 300 m.";
    sugar_flavour() = "Flavour goes in off the heat: it spits. Food-grade, and named on the label.";
    line() = "Oil the tray, or lay a heat-proof mat in it";
    line_how() = "Dry, level, on a heat-proof board.";
    boil(to: WholeTemp) = "Boil the syrup to {to}";
    boil_how() = "Do not stir once it boils; brush the walls down with water.";
    boil_mind() = "It sticks to the skin and burns: long sleeves, dry gloves, cold water beside you, no children at the hob.";
    flavour() = "Take it off the heat; flavour it when the bubbles are gone";
    flavour_how() = "It spits: at arm's length.";
    flavour_mind() = "Steam and spatter burn; the flavour goes on the label.";
    reserve(whitened: Grams) = "Keep {whitened} back and whiten it";
    reserve_how() = "A knife's tip of white, stirred in.";
    pour() = "Pour the clear syrup";
    pour_how() = "Slowly, from low, into the middle.";
    pour_mind(still_at: WholeTemp) = "Still at {still_at}: the tray grows hot too, carry it by its board.";
    marble() = "Draw the white through it at once";
    marble_how() = "Two or three strokes with a skewer.";
    marble_until(until: Until) = "it draws {until}";
    marble_late() = "It only pulls threads now: leave it.";
    score() = "Score it";
    score_how() = "Deep, with an oiled blade; it is still hot.";
    score_from() = "it takes a mark";
    score_until(until: Until) = "it scores {until}";
    score_late() = "It cracks now: break it at random once it is cold.";
    break_it() = "Break it along the marks";
    break_how() = "Tomorrow it is quite hard. In gloves: the edges are like glass.";
    break_from() = "cold enough to touch";
    into_box() = "Put it in an airtight box";
    box_how() = "It takes up damp from the room and turns sticky.";
    check_drop() = "A drop in cold water snaps and does not stick to the teeth";
    check_grain() = "No grain on the pan's wall";
    check_mark() = "It takes a mark and does not flow back";
}
