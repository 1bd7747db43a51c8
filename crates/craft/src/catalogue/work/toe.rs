//! What is dipped of a piece that has come out of its mould.

crate::messages! {
    "toe";
    dip(label: Words, deep: WholeMm) = "Dip them {deep} deep in the {label}";
    dip_how() = "Straight in, straight out; hold to drip, draw the edge over the rim, and lay them on parchment.";
    dip_mind() = "The chocolate no warmer than its range, and the piece at room temperature: hotter melts it, colder cracks the coat.";
    touch() = "Touch what was dipped";
    touch_from() = "it has set";
}
