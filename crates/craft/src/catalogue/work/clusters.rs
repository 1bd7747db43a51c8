//! Clusters.

crate::messages! {
    "clusters";
    something_to_bind() = "needs something to bind: add dry goods";
    must_come_to(range: Between, mass: Grams) = "must come to {range} of chocolate; it comes to {mass}";
    clusters_quick() = "Shaped before it sets: work in small lots and fold the goods into only as much chocolate as you spoon at a time, or let two spoon.";
    line() = "Lay out parchment";
    line_how() = "With room between the mounds.";
    pour(label: Words) = "Fold the goods into the {label}";
    pour_how() = "At room temperature, gently, until every piece is coated.";
    spoon(count: Count, each: Grams) = "Spoon {count} mounds of {each}";
    spoon_how() = "Two spoons, pushed off with the second.";
    spoon_until(until: Until) = "it shapes {until}";
    spoon_late() = "It is setting: press what is left into a slab.";
    salt() = "Put a few flakes of salt on each";
    salt_how() = "While it is wet.";
    salt_until(until: Until) = "salt sticks {until}";
    salt_late() = "It no longer sticks: leave it.";
    check_coated() = "Every piece coated";
    check_shape() = "Mounds hold their shape";
    check_lift() = "They lift off clean";
}
