//! What a label says.

crate::messages! {
    "label";
    colour(name: Words) = "colour: {name}";
    not_food(what: List) = "Not for eating: {what}. Say so on the label: small parts are a choking hazard for small children.";
    unread(what: List) = "Read these labels: {what}. Add their ingredients and allergens on the shelf; until then this label is incomplete.";
    check_country(what: List) = "{what}: banned from food in some countries. Check your local law before you sell it or give it away.";
    not_said(what: List) = "{what}: not marked as food. Check its label before you use it.";
    no_parts() = "must name at least one part";
    too_many(most: Count, given: Count) = "must be at most {most} parts; there are {given}";
}
