//! Sheet work.

crate::messages! {
    "sheet";
    sheet_colour() = "What goes on the sheet first is what is seen. Only colour that is sold for eating, in cocoa butter; some are barred from food in some countries: check yours.";
    colours_need_a_finish() = "go with a painted or flecked sheet";
    check_colour_dry() = "The colour is dry to the finger before the chocolate goes on";
    check_spread() = "Spread 1 to 2 mm, out over the edges of the sheet";
    check_release() = "It releases by itself, shining";
    line() = "Lay the sheet flat";
    line_how() = "A drop of water under it holds it to the table; dry on top. Wiped: every finger shows.";
    lay_printed_sheet() = "Lay the printed sheet, print side up";
    paint() = "Paint the sheet";
    paint_how() = "Finest detail first, then the field, then white behind it.";
    fleck() = "Fleck the sheet";
    fleck_how() = "A stiff brush, warmed, drawn over the edge of a knife.";
    colour_dry() = "Touch the colour";
    colour_dry_how() = "It must be dry, all of it.";
    colour_dry_from() = "the colour is dry";
    pour(label: Words) = "Pour the {label}";
    pour_how() = "At the top of its range, no hotter.";
    spread() = "Spread it thin, out over the edges";
    spread_how() = "In long strokes with the offset knife.";
    lift() = "Lift the sheet by an edge to a clean place";
    lift_how() = "What ran over the edge stays behind.";
    cut_shapes() = "Cut the shapes";
    cut_shapes_how() = "With the back of a pointed knife, not through the sheet.";
    cut_shards() = "Cut the shards";
    cut_shards_how() = "Long and slanted, with the back of a knife, not through the sheet.";
    cut_strips() = "Cut strips";
    cut_strips_how() = "Side by side, with the back of a knife, not through the sheet.";
    cut_from() = "soft enough to cut";
    cut_until(until: Until) = "cuts clean {until}";
    cut_late() = "It cracks now: break it into shards instead.";
    shape_flat() = "Put parchment and a board on top";
    shape_flat_how() = "Under a weight it stays flat as it shrinks.";
    shape_shards() = "Leave it flat";
    shape_shards_how() = "It releases as it shrinks.";
    shape_curls() = "Roll or drape it, sheet outward";
    shape_curls_how() = "Round a pin or over a rail; left free it curls by itself.";
    shape_until(until: Until) = "it bends {until}";
    shape_late() = "Too stiff to bend: leave it as it lies.";
}
