//! Fillings of any ingredients.

crate::messages! {
    "filling";
    parts_of_a_filling(most: Count, there: Count) = "must be 1 to {most} ingredients; there are {there}";
    keeps_as_dry() = "About 8 weeks by custom, cool and airtight, or as long as its most perishable part.";
    more_than_all(sum: Percent) = "with water and fat must come to 100 % at most; they come to {sum}";
    keeps_months() = "So little of its water is free that by custom it keeps for months, sealed.";
    keeps_weeks() = "By custom it keeps five to six weeks, sealed and cool.";
    keeps_three_weeks() = "By custom it keeps about three weeks, sealed and cool.";
    keeps_days() = "So much of its water is free that it is perishable: in the fridge, for days.";
    no_activity(least: Percent) = "Under {least} water there is no estimate of how much of it is free: it keeps as its most perishable part does.";
    of_milk_or_fruit() = "Milk, cream, butter, juice and fruit perish whatever the figure says: the date on each comes first, and local law. An estimate, never a promise.";
    dips() = "Soft: to dip into, or under a cap.";
    pipes(below: StatedTemp) = "It pipes, once it has rested overnight; into shells at {below} at most.";
    rolls() = "It rolls, once it has rested overnight.";
    cuts() = "It sets firm enough to cut.";
}
