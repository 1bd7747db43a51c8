//! Slabs.

crate::messages! {
    "slab";
    check_even() = "Even from edge to edge, no thin patches";
    check_dry() = "Dry to the finger before it is moved";
    check_release() = "It releases from the sheet by itself";
    smaller_than_slab() = "must be smaller than the slab";
    fold(label: Words) = "Fold the dry goods into the {label}";
    fold_how() = "At room temperature, gently, until all of it is coated.";
    pour(label: Words) = "Pour the {label}";
    pour_how() = "Into the middle, from low.";
    spread() = "Spread it even, right to the edges";
    spread_how() = "With the offset knife, from the middle outward; no thin patches.";
    tap() = "Tap the tray on the table";
    tap_how() = "It levels, and bubbles come up.";
    top(goods: Nested) = "Scatter {goods}";
    top_how() = "The largest first, from low, pressed so that they hold.";
    top_until(until: Until) = "toppings stick {until}";
    top_late() = "It no longer sticks by itself: melt a little chocolate and set each piece on a drop.";
}
