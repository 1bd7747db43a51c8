//! How long what is made keeps, and how it is stored.

crate::messages! {
    "keeping";
    as_chocolate(weeks: Number, chocolate: Words) = "{weeks} weeks by custom, as plain {chocolate} does. The date on its bag comes first.";
    as_fruit_or_cereal(name: Words) = "3 weeks by custom, for the {name} in it. The date of that comes first.";
    as_moist(name: Words) = "Days, not weeks: the {name} is moist. In the fridge, with a date in days.";
    as_untempered() = "2 days by custom: it was not tempered, and dulls.";
    as_mixed_fats(weeks: Number) = "{weeks} weeks by custom, for coating and chocolate in one: they bloom sooner.";
    as_fat(weeks: Number, fat: Words) = "{weeks} weeks by custom, for the {fat} in it. The date of that comes first.";
    in_a_cool_room(cool: StatedTempRange) = "Airtight and dark at {cool}, away from smells. Not in the fridge.";
    in_the_fridge(cold: StatedTempRange) = "In the fridge at {cold}, in a closed box; left closed until it is as warm as the room.";
    above_all_dry() = "Airtight and dry, parchment between the pieces. Not in the fridge: it draws water and turns sticky.";
    apart_from_nut_free() = "Apart from what is given as free of nuts, in boxes of its own.";
    apart_from_crisp() = "Not in one box with wafers, cereal or boiled sugar: its moisture softens them.";
    apart_from_moist(what: List) = "Not beside anything moist: {what} goes soft.";
    sugar_apart_from_moist() = "Not beside anything moist, filled or fresh: it turns sticky.";
    apart_from_plain(what: List) = "Apart from plain pieces: the smell of {what} goes over.";
    faces_apart() = "Faces not against each other: shine rubs off.";
    pack_apart(moist: List, crisp: List) = "{moist} apart from {crisp}: what is moist softens what is crisp or boiled.";
    cold_until_served() = "Cold, in a closed box, until it is served: warm it is soft, and out of temper it dulls.";
}
