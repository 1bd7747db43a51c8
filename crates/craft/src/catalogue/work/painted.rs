//! What is painted or dusted on finished pieces.

crate::messages! {
    "painted";
    at_most(most: Count, there: Count) = "must be at most {most}; there are {there}";
    not_on_a_sheet() = "must be brushed, swiped, flecked or sprayed on; a sheet is painted before the chocolate";
    paint(verb: Words, label: Words) = "{verb} the {label} on the finished pieces";
    paint_how() = "The pieces at room temperature, the colour in its range and no warmer: it would melt their gloss. Little on the brush; practise on one that broke.";
    dust(name: Words) = "Brush the {name} on dry";
    dust_how() = "A soft, dry brush, little at a time, and blow nothing off: what is loose is tapped off over paper.";
    dust_mind() = "Only dust that is sold for eating: \"non-toxic\" is not edible. Not over a flame, and not to breathe in.";
    dry() = "the colour before it is dry";
    matt() = "What is painted on finished chocolate dries satin, not glossy: gloss comes only from a mould or a sheet.";
}
