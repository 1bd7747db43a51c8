//! Layered bark.

crate::messages! {
    "layered";
    layers(least: Count, most: Count, there: Count) = "must be {least} to {most} layers; there are {there}";
    layer_grip() = "Pour the next while the one below is just set: dry to the finger, still soft. Too cold and shrunken, and they part when broken; too wet, and they smear.";
    check_below() = "The layer below is dry to the finger and still soft";
    check_upper() = "The upper chocolate is at the low end of its range, so that it does not melt the lower";
    check_topping() = "Topping pressed in gently, under film";
    pour_first_how() = "Into the middle, from low.";
    pour_next_how() = "At the low end of its range: hotter, it melts the one below.";
    spread() = "Spread it even, and tap";
    spread_how() = "Lightly: the knife must not touch what is below.";
    touch_dry() = "Touch the layer below lightly";
    touch_dry_from() = "dry enough for the next layer";
    touch_dry_until(until: Until) = "the next layer grips {until}";
    touch_dry_late() = "It may not grip any more: warm the surface with a breath of a hair dryer, then pour.";
    pour_first(label: Words) = "Pour the first layer: {label}";
    pour_second(label: Words) = "Pour the second layer: {label}";
    pour_third(label: Words) = "Pour the third layer: {label}";
    pour_fourth(label: Words) = "Pour the fourth layer: {label}";
}
