//! Measures that are typed and turned.

crate::messages! {
    "measure";
    empty() = "must be a number with its unit, like 10 1/2 in; it is empty";
    no_number(text: Words) = "must be a number with its unit, like 10 1/2 in or 10,5 cm; “{text}” is no number";
    no_unit(unit: Words) = "has a unit that is not known here: “{unit}”";
    other_dimension() = "must measure the same as from, or be a mass for a volume of an ingredient";
    no_ingredient() = "is needed: a cup weighs more of one thing than of another";
}
