//! The shelf.

crate::messages! {
    "shelf";
    not_enough(left: Grams, needed: Grams, missing: Grams) = "{missing} short: {needed} needed, {left} in stock.";
    past_its_date(day: Words) = "Its best-before date was {day}. Look, smell and taste before you melt it; when in doubt, do not use it.";
    soon_past_its_date(day: Words) = "Best before {day}: use this bag first.";
    shows_too_far_off(range: Between, showed: Given) = "must be {range}; it is {showed}. One that is further off is not to be corrected but replaced";
    showed_needed() = "is needed: what it showed there";
    checked_in_needed() = "is needed: what it was checked in";
    not_a_chocolate() = "is not a chocolate on the shelf";
    not_a_mould() = "is not a mould on the shelf";
    not_a_bowl() = "is not a bowl on the shelf";
    not_a_heat_source() = "is not a heat source on the shelf";
    not_a_thermometer() = "is not a thermometer on the shelf";
    not_goods() = "is not among the goods on the shelf";
    goods_short(name: Words, missing: Nested, needed: Nested, left: Nested) = "{name}: {missing} short; {needed} needed, {left} in stock.";
    some_grams(mass: Grams) = "{mass}";
    some_millilitres(volume: Millilitres) = "{volume}";
    some_pieces(count: Count) = "{count}";
    cannot_count_ml(name: Words) = "{name}: say on the shelf what a millilitre weighs, and what is in stock can be counted.";
    cannot_count_pieces(name: Words) = "{name}: say on the shelf what one weighs, and what is in stock can be counted.";
    goods_past_date(name: Words, day: Words) = "The best-before date of {name} was {day}. Look, smell and taste before you use it; when in doubt, do not.";
    goods_soon_past(name: Words, day: Words) = "{name}: best before {day}. Use this pack first.";
    use_by(name: Words, day: Words) = "The date of {name} was {day}. Cream, milk and butter past it are not for fillings: take a fresh pack.";
    not_a_pigment() = "is not a pigment on the shelf";
}
