//! Coloured cocoa butter.

crate::messages! {
    "bottled";
    line() = "Warm a clean, bone-dry bottle in your hand";
    line_how() = "Water makes butter and powder part.";
    pour(colour: Words) = "Pour the {colour} into it";
    pour_how() = "In temper, stirred up from the bottom: the powder sinks.";
    name() = "Write on it: pigments, parts, today's date";
    name_how() = "And what each pigment's label says of eating.";
    away() = "Store it cool, dry and dark";
    away_how() = "Solid, it keeps; soften it by hand next time.";
    away_from() = "it is solid";
    check_grain() = "No grain shows against the glass";
    check_smear() = "A smear of it sets glossy";
    keeps() = "Like cocoa butter, cool, dry and dark; the dates on the butter and on each pigment come first.";
}
