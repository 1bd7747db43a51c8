//! Goods that go in or on.

crate::messages! {
    "goods";
    too_many_parts(most: Number, parts: Number) = "must be at most {most} to one of chocolate, or it does not hold together; it is {parts}";
    too_many(most: Count, there: Count) = "must be at most {most} goods; there are {there}";
    bulk_needed() = "is needed to weigh cups and spoons: what a millilitre of it weighs as it is poured";
    shares_in_all(most: Percent, shares: Percent) = "all shares together must be at most {most}; they are {shares}";
    one_fills_up() = "another of them fills up to a total already: state this one by weight, cups or count";
    fills_up_weights() = "can be filled up to only where the others go by weight, cups or count";
    others_weigh(others: Grams, total: Grams) = "must be more than the {others} that the others weigh; it is {total}";
    no_room(dry: Grams) = "the {dry} of goods leave no room for chocolate: make it larger or fold in less";
    more_than_it_carries(covered: Percent) = "would cover {covered} with what else is on top: it carries no more than one layer";
    warm(name: Words, temp: WholeTemp) = "{name} at {temp}: let it cool to the room first, or it takes the temper of what it touches.";
    moist(name: Words) = "There is much water in {name}: dry first. Water thickens chocolate, and what lies in it turns grey and keeps for days only.";
    fatty(name: Words) = "Fat from {name} moves into the chocolate in time: it softens and blooms after some weeks.";
    scatter_next_how() = "Between the larger ones, from low, pressed so that they hold.";
}
