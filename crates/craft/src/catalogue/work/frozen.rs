//! Stones and domes of ice from the freezer.

crate::messages! {
    "frozen";
    stone_too_warm(stone: WholeTemp, weighs: Kilograms) = "At {stone} a stone of {weighs} is too warm for even one pull.";
    stone_warms(weighs: Kilograms, stone: WholeTemp, pulls: Count) = "A stone of {weighs} at {stone} is good for about {pulls} pulls: freeze it again for the rest.";
    ice_too_warm(ice: WholeTemp, weighs: Kilograms) = "At {ice} a dome of ice of {weighs} melts under even one bowl: freeze it harder.";
    ice_warms(weighs: Kilograms, ice: WholeTemp, pulls: Count) = "A dome of {weighs} at {ice} is good for about {pulls}: then it melts and wets the chocolate. Freeze it again, or make a second one.";
}
