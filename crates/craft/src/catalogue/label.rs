//! What a label says.

crate::messages! {
    "label";
    colour(name: Words) = "colour: {name}";
    not_food(what: List) = "Not for eating: {what}. Say so on the label; small parts are a danger of choking for small children.";
    unread(what: List) = "Labels to be read: {what}. Put what they list in on the shelf: until then this label is not whole.";
    check_country(what: List) = "{what}: not allowed in food in some countries. Check the law of yours before you sell or give it.";
    not_said(what: List) = "{what}: nobody said that it is sold for eating. Read its label.";
    no_parts() = "must name at least one part";
    too_many(most: Count, given: Count) = "must be at most {most} parts; there are {given}";
}
