//! Coloured cocoa butter, its pigments and how it goes on.

crate::messages! {
    "colour";
    faint() = "Under 5 parts to 100 it is a faint tint.";
    thick_colour() = "Over 15 parts to 100 it flows badly and blocks an airbrush: two thin films cover better.";
    brush_how() = "A soft, dry brush, warmed; one thin coat without puddles.";
    finger_how() = "A gloved finger dipped and swiped once: it is meant to be streaky.";
    fleck_how() = "A stiff brush, warmed so that the butter stays fluid, drawn over a knife's edge.";
    spray_how() = "Thin passes, the air off the mould, each dull before the next. Strained, or grit blocks the needle.";
    sheet_how() = "On the sheet taped flat, in thin strokes.";
    spray_mind() = "Mask on, window open, no flame near: mist of fat burns. Only colour sold for eating.";
    tool_needs_more(film: FineGrams, least: Grams) = "{film} would cover it, but with less than {least} the tool does not work. What is left keeps: label it with pigment and date.";
    must_disperse_in_fat() = "must be a powder that disperses in fat, or a colour in oil: water, and a gel is water, makes cocoa butter and chocolate grainy and thick";
    must_be_a_colour(srgb: Words) = "must be a colour such as #3b5bdb; it is {srgb}";
    must_be_srgb(looks: Words) = "must be a colour as #rrggbb; it is {looks}";
    must_be_food() = "must be sold for eating: \"non-toxic\" on a dust does not make it food";
    food_not_said(name: Words) = "{name}: read its label. Only colour that is sold for eating goes on food.";
    check_country(name: Words) = "{name}: barred from food in some countries. Check yours.";
}
