//! What is spread, topped, piped, wrapped and dipped.

crate::messages! {
    "spread";
    diameter_alone_or_all() = "give it alone, or area_cm2, volume_ml and height_mm";
    needed_for_a_ball() = "is needed for a ball; or area_cm2, volume_ml and height_mm of anything else";
    narrower_vessel() = "Most of it only stands in the vessel and comes back: a deep, narrow one needs less.";
    centre_cold() = "A centre this cold swells as it warms and cracks the coat, and frost makes the chocolate seize. Firm and cold is enough.";
    centre_warm() = "A centre this warm softens in the chocolate: chill it first.";
    mixed_cold() = "At room temperature, never warm from roasting: warm goods keep it from setting well. Fold in gently, and name them on the label: nuts and the like are allergens.";
    line_thin(least: StatedMm) = "Lines under {least} break when they are lifted.";
    lines_join() = "Every line must join another, or the piece comes apart.";
    topping_crowded(covered: Percent, most: Percent) = "They would cover {covered} of the slab: over {most} they lie on each other and fall off. Make the pieces larger, or chop it finer.";
    topping_cold() = "At room temperature, never warm from roasting. The largest first, from low, pressed so that they hold.";
    topping_small() = "Small hard toppings are a choking hazard for small children. Name every topping on the label: nuts and the like are allergens.";
    wrap_thin(thin: StatedMm) = "Under {thin} it tears.";
    wrap_thick(thick: StatedMm) = "Over {thick} it will not bend, nor snap.";
    wrap_high(above: WholeMm, most: WholeMm) = "More than {above} above the cake it flops and breaks: {most} at most.";
    wrap_in_one() = "One generous coat, right over the edges: running short cannot be repaired.";
    too_thin(least: StatedMm, why: Nested, what: Nested, range: MmRange) = "Thinner than {least}: {why} {what} {range}.";
    too_thick(most: StatedMm, why: Nested, what: Nested, range: MmRange) = "Thicker than {most}: {why} {what} {range}.";
    bark_is() = "Bark is";
    bark_thinner() = "thin patches shatter.";
    bark_thicker() = "slow to set and hard to bite.";
    shards_are() = "Scored shards are";
    shards_thinner() = "they break beside the marks.";
    shards_thicker() = "the knife does not reach far enough in, and they will not snap along the marks.";
    sheet_is() = "Sheet work is";
    sheet_thinner() = "it tears as it is lifted.";
    sheet_thicker() = "it will neither curl nor cut clean.";
    vessel_too_narrow(least: WholeMm) = "must be wider than what is dipped: at least {least}";
    no_room_for_chocolate(dry: Millilitres, slab: Millilitres) = "the dry goods alone fill {dry}, all of the slab's {slab}: make it thicker or fold in less";
}
