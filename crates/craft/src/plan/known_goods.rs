//! What goods are, as far as the name that their maker gave them tells.

use std::sync::LazyLock;

use aho_corasick::AhoCorasick;

/// Words by which goods are known that go soft where anything is moist.
const CRISP: [&str; 12] = [
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
const FRUIT: [&str; 12] = [
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
const SCENTED: [&str; 12] = [
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

/// What goods are by their name, as far as it tells.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub(super) struct Known {
    /// Goes soft where anything is moist.
    pub crisp: bool,
    /// Is dried fruit, or keeps as it does.
    pub fruit: bool,
    /// Smells, and its smell goes over.
    pub scented: bool,
    /// Has nuts in it.
    pub nutty: bool,
}

/// All the words, found in one reading of a name; where each kind's end tells which it is of.
static WORDS: LazyLock<Option<AhoCorasick>> = LazyLock::new(|| {
    let words = [&CRISP[..], &FRUIT, &SCENTED, &NUTS].concat();
    // What could be refused is more words than fit into memory.
    AhoCorasick::builder().ascii_case_insensitive(true).build(words).ok()
});
const CRISP_END: usize = CRISP.len();
const FRUIT_END: usize = CRISP_END + FRUIT.len();
const SCENTED_END: usize = FRUIT_END + SCENTED.len();

impl Known {
    /// Of goods as their maker names them.
    pub(super) fn by(name: &str) -> Self {
        let mut known = Self::default();
        for found in WORDS.iter().flat_map(|words| words.find_overlapping_iter(name)) {
            match found.pattern().as_usize() {
                ..CRISP_END => known.crisp = true,
                CRISP_END..FRUIT_END => known.fruit = true,
                FRUIT_END..SCENTED_END => known.scented = true,
                _ => known.nutty = true,
            }
        }
        known
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_name_tells_all_that_goods_are_whatever_its_capitals() {
        let Known { crisp, fruit, scented, nutty } = Known::by("Candied Orange and Pecan brittle");
        assert!(crisp && fruit && scented && nutty);
        assert_eq!(Known::by("flaky salt"), Known::default());
        for (words, what) in [(&CRISP[..], 0), (&FRUIT, 1), (&SCENTED, 2), (&NUTS, 3)] {
            for word in words {
                let Known { crisp, fruit, scented, nutty } = Known::by(&word.to_uppercase());
                assert!([crisp, fruit, scented, nutty][what], "{word}");
            }
        }
    }
}
