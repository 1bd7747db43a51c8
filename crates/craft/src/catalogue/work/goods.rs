//! Goods that go in or on.

crate::messages! {
    "goods";
    too_many_parts(most: Number, parts: Number) = "must be at most {most} to one of chocolate, or it does not hold together; it is {parts}";
}
