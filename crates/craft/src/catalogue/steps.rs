//! Weighing and tempering as steps.

crate::messages! {
    "steps";
    goods_how() = "Dry, at room temperature, within reach.";
    weigh_how() = "On the scale, in a dry bowl; chop what is coarse.";
    weigh_seed_how() = "On the scale, in a dry bowl; chop what is coarse, the seed like lentils: lumps do not melt in time.";
    temper_how() = "At the bench. It is ready when the bench says so, and over when it is poured.";
    temper_late() = "Its time has passed: check what it is for before you begin.";
    temper_colour_how() = "At the bench. It is ready when the bench says so, and over when it is put on.";
    temper(label: Words) = "Temper the {label}";
    temper_again(label: Words) = "Temper the {label} again";
    melt(label: Words) = "Melt the {label}";
    melt_again(label: Words) = "Melt the {label} again";
    soften(label: Words) = "Soften the {label}";
    soften_again(label: Words) = "Soften the {label} again";
    weigh_colour(butter: ToWeigh, powder: ToWeigh, label: Words) = "Weigh out {butter} of cocoa butter and {powder} of powder for the {label}";
    weigh(total: ToWeigh, label: Words) = "Weigh out {total} of {label}";
    weigh_with_seed(total: ToWeigh, label: Words, seed: ToWeigh) = "Weigh out {total} of {label}; set {seed} of it aside as seed";
    weigh_with_crystals(total: ToWeigh, label: Words, crystals: ToWeigh) = "Weigh out {total} of {label}, and {crystals} of ready crystals";
    weigh_and_fat(weigh: Nested, fat: ToWeigh, name: Words) = "{weigh}; and {fat} of {name}, stirred in as it melts";
    weigh_goods(goods: Nested) = "Weigh out {goods}";
    and_last(others: List, last: Nested) = "{others} and {last}";
    so_much_of(mass: ToWeigh, name: Words) = "{mass} of {name}";
    part(mass: ToWeigh, from: Words, label: Words) = "Take {mass} of the {from} for the {label}";
    part_again(from: Words, label: Words) = "Take some of the {from} again for the {label}";
    part_how() = "Once it is in temper, into a warm, dry bowl; the rest is held in its range.";
    colour_ready(amount: Nested, colour: Words, label: Words) = "Hold {amount} of the {colour} ready for the {label}";
    colour_ready_how() = "Fluid and in its range: colder it sets in lumps, hotter it costs the chocolate its temper.";
    tint(amount: Nested, colour: Words, label: Words) = "Stir {amount} of the {colour} into the {label}";
    tint_how() = "Both in their working ranges, a little at a time, until no streak is left. Test it again if that took long.";
    in_grams(mass: ToWeigh) = "{mass}";
    in_drops(drops: Count, mass: FineGrams) = "{drops} drops (about {mass})";
    in_teaspoons(mass: ToWeigh, spoons: Words) = "{mass} ({spoons})";
    as_before() = "as much as before";
}
