//! What a component names.

crate::messages! {
    "drafting";
    must_name_a_colour(there: Nested, key: Words) = "must name a coloured cocoa butter of this batch ({there}); it is {key}";
    must_name_a_chocolate(there: Nested, key: Words) = "must name a chocolate of this batch ({there}); it is {key}";
    none_there() = "none";
    those_there(keys: List) = "{keys}";
}
