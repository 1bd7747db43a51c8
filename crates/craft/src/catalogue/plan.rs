//! A plan as a whole.

crate::messages! {
    "plan";
    must_be_kind(kinds: List, kind: Words) = "must be one of {kinds}; it is {kind}";
    needed_by_itself() = "must be given for a bowl that stands for itself";
    too_little_for_bursts() = "Even the shortest burst at this power overheats this little: melt it over warm, not boiling, water, or turn the power down.";
    need_probe() = "a thermometer";
    need_stone() = "a slab of stone, dry and cool";
    need_ready_crystals() = "ready crystals: cocoa butter that is all form V";
    need_tempered_pieces() = "pieces that are in temper as they come: shiny, with a snap";
    need_frozen_slab() = "a slab from the freezer";
    need_colour_bottle() = "a bottle of colour that is in temper";
    not_at_hand(what: Nested) = "This method needs {what}. It is not marked as at hand.";
    method_does_not_suit(family: Words, suiting: List) = "does not suit {family}; one that does: {suiting}";
    colour_goes_with_cocoa_butter(family: Words) = "goes with cocoa_butter; this is {family}: colour a chocolate by its tint";
    must_be_below_limit(limit: Temp) = "must be below the limit of {limit}";
    idea_bark(thickness: StatedMm, long: Count, wide: Centimetres) = "a free slab of {thickness}, about {long} by {wide}";
    idea_clusters(clusters: Count, each: StatedGrams, goods: Words) = "{clusters} clusters of {each} with {goods}";
    propose_tray() = "A slab over the whole tray";
    propose_free() = "A free slab, 4 mm";
    propose_mixed() = "Bark with nuts or fruit in it, 7 mm";
    propose_clusters() = "Clusters with nuts";
    propose_dipped() = "Truffles, dipped";
    propose_piped() = "Piped stars";
    propose_shells() = "Filled shells in this mould";
    too_little_for_anything(have: StatedGrams) = "is too little to make anything of: it is {have}";
    idea_stars(stars: Count) = "{stars} piped stars";
    must_be_one_to_pigments(most: Count, there: Count) = "must be 1 to {most} pigments; there are {there}";
    pigment_needed() = "is needed, or pigment_id of one from the shelf";
    too_many_parts(most: Number, there: Number) = "must come to at most {most} parts to 100 of butter together: more blocks and will not flow; they come to {there}";
    tint_in_temper(share_pct: FinePercent, colour: Words) = "{share_pct} of {colour} goes in once the chocolate is in temper, both in their working ranges, and is stirred through; then test again.";
    tint_strong() = "Over 5 % so much cocoa butter goes in that it flows thin, sets slower and softer, and its working range is no longer the bag's. A colour with more pigment, or with white in it, needs less.";
    tint_thins() = "Over 3 % the colour's butter thins the chocolate: a thinner shell, and softer to bite.";
    nut_free_first(without: List, with: List) = "{without} before {with}: what is free of nuts comes first, with clean bowls and spatulas. Label anything that touched nuts.";
    many_bowls(held: Count) = "{held} chocolates for one pair of hands: temper those that go into the same piece together, and the others after them.";
    fridge_shared(in_fridge: Count) = "{in_fridge} of them go into the same fridge: make level room for each, and keep the door shut in between.";
    tray_shared(name: Words, before: Words) = "{name} goes in the same tray as {before}: only once that is out.";
    hands_too_slow(step: Nested, busy: Seconds, room: Seconds) = "{step}: about {busy} of work, and only {room} before it sets. Work in smaller batches, or with a second pair of hands.";
    tint_goes_with_chocolate() = "goes with a chocolate; cocoa butter is coloured by its pigments";
    must_name_a_colour(colour: Words) = "must name a coloured cocoa butter of this batch; it is {colour}";
    must_be_at_most(most: Count, there: Count) = "must be at most {most}; there are {there}";
    must_be_its_own(key: Words) = "must be its own; {key} is there already";
    must_be_one_to(most: Count, there: Count) = "must be 1 to {most}; there are {there}";
    shock_set_in_a_room(what: Words) = "must be another method for {what}: shock-set chocolate sets on a slab from the freezer, and in a room it would stay soft and bloom";
    coating_with_couverture(hot: TempRange) = "Coating and couverture do not hold together: their fats soften each other and they part. Coating is worked at {hot}, which takes the temper from what it touches. Make all of it from one of the two. If both must be: let the coating set fully first, then the couverture over it, thin, in its working range, and eat it within days.";
    too_little(missing: Grams, wanted: Grams) = "{missing} short: it takes {wanted}, with what stays on bowl and spatula.";
    must_come_to(range: Between, total: Grams) = "must come to {range}; it comes to {total}";
}
