//! What goods are, as far as the name that their maker gave them tells.

use std::borrow::Cow;

/// Words by which goods are known that go soft where anything is moist.
pub(super) const CRISP: [&str; 12] = [
    "cereal",
    "biscuit",
    "wafer",
    "pretzel",
    "popcorn",
    "oat",
    "cookie",
    "cracker",
    "toffee",
    "crisp",
    "brittle",
    "hard sweets",
];
/// Words by which dried fruit is known, and what keeps as it does.
pub(super) const FRUIT: [&str; 12] = [
    "raisin",
    "cherr",
    "cranberr",
    "apricot",
    "peel",
    "banana",
    "berr",
    "date",
    "fig",
    "fruit",
    "marshmallow",
    "candied",
];
/// Words by which goods are known whose smell goes over.
pub(super) const SCENTED: [&str; 12] = [
    "mint", "coffee", "chilli", "cinnamon", "ginger", "orange", "petal", "spice", "anise", "tea",
    "rum", "lavender",
];

/// Words by which nuts are known on a list of goods.
const NUTS: [&str; 10] = [
    "nut",
    "almond",
    "pecan",
    "pistachio",
    "macadamia",
    "praline",
    "marzipan",
    "gianduja",
    "cashew",
    "sesame",
];

/// Whether goods are known by one of some words, as their maker names them.
pub(super) fn known_by(name: &str, words: &[&str]) -> bool {
    let name = if name.chars().any(char::is_uppercase) {
        Cow::Owned(name.to_lowercase())
    } else {
        Cow::Borrowed(name)
    };
    words.iter().any(|word| name.contains(word))
}

/// Whether goods have nuts in them, by their name.
pub(super) fn is_nutty(name: &str) -> bool {
    known_by(name, &NUTS)
}
