//! A chocolate's own numbers.

crate::messages! {
    "chocolate";
    the_working_band() = "the working band";
    where_temper_is_lost() = "where temper is lost";
    the_melting_band() = "the melting band";
    the_limit() = "the limit";
    band_upside_down(low: StatedTemp, high: StatedTemp) = "must run upward; it runs from {low} to {high}";
    wrong_order(upper: Nested, at: StatedTemp, reaches: StatedTemp) = "must stay below {upper} at {at}; it reaches {reaches}";
    too_few_parts() = "must have two parts or more";
    not_whole(sum: FinePercent) = "must add up to 100 %; it adds up to {sum}";
    coating_with_chocolate(most: StatedPercent, share: StatedPercent) = "cannot have more than {most} of a coating in chocolate that is tempered, or of that in a coating: their fats do not set together; it is {share}";
    other_fat(share: StatedPercent) = "{share} of another fat in it: no more of it, coating and chocolate soften each other, and bloom sooner.";
    fat_added(name: Words, share: StatedPercent) = "With {share} of {name} in it, stirred in as it melts, it works cooler, sets slower and stays softer.";
    fat_soft(share: StatedPercent, name: Words) = "{share} of {name} makes couverture soft and slow: it fingerprints, and keeps for weeks, cool.";
    butter_water() = "Butter is a sixth water: it thickens chocolate and is for soft pieces and fillings, not for thin work. Melted gently, skimmed, and only the clear fat taken, it is safer; with it the piece keeps as butter does.";
    fats_soften() = "So much coconut fat and cocoa butter soften each other: it melts in the hand and blooms early. Less of it, or a coating.";
}
