//! What is done to goods before they go in or on.

crate::messages! {
    "prepared";
    too_many(most: Count, there: Count) = "must be at most {most} preparations; there are {there}";
    toast(mass: ToWeigh, name: Words, oven: WholeTemp) = "Toast {mass} of {name} at {oven}";
    toast_how(time: StatedMinutes) = "In one layer, about {time}; turn them once, and smell them from half that time on. Tip them onto a cold tray: on the hot one they go on browning.";
    candy(mass: ToWeigh, name: Words, sugar: ToWeigh) = "Candy {mass} of {name} in {sugar} of sugar";
    candy_how(threads: WholeTemp) = "Boil the sugar with a third of its weight of water until it draws threads, at about {threads}. Stir the goods in, off the heat, until the sugar turns sandy; back on the heat until it shines, if they are to be clear. Apart on parchment at once.";
    boiled_sugar() = "Boiled sugar burns deep and sticks: long sleeves, a deep pan, no child near it, no tasting.";
    oven() = "Trays and goods from the oven burn: cloths, and a place to put them down.";
    chop(mass: ToWeigh, name: Words) = "Chop {mass} of {name}";
    chop_coarse() = "Into halves and quarters, on a dry board; shake the dust out in a sieve.";
    chop_medium() = "Like peppercorns, on a dry board; shake the dust out in a sieve.";
    chop_fine() = "Like coarse sugar, on a dry board; a sieve takes out what is too large.";
    dry(mass: ToWeigh, name: Words, oven: WholeTemp) = "Put {mass} of {name} into the oven at {oven} to dry";
    dry_how(time: WholeMinutes) = "In one layer, the door a finger open, about {time}. They are done when one, cold, snaps instead of bending.";
    melt(mass: ToWeigh, name: Words, to: WholeTemp) = "Melt {mass} of {name}, to {to} at most";
    melt_how() = "In small pieces, over warm water or in short bursts, stirred; stop while a last piece is still there. No lid: what drips off one is water.";
    hot_fat() = "Hot fat burns and spits where it is wet: a dry pan, low heat, a place to put it down.";
    it_is_lukewarm(name: Words) = "the {name} is lukewarm";
    feel_melted(name: Words) = "Feel the {name}: still liquid, and no warmer than your lip";
    feel_melted_how() = "Warmer, it melts the crystals that it meets; set again, it goes in as lumps: then warm it a little.";
    they_are_cold(name: Words) = "the {name} are cold";
    feel(name: Words) = "Feel the {name}: as cold as the room, and dry";
    feel_how() = "Warm goods take the temper of what they touch; moist ones thicken it.";
}
