//! The catalogue of what can be made: every kind of work in words, with a plan to start from.

use crate::chocolate::Family;
use crate::colour::{USUAL_PARTS, usual_pigments};
use crate::plan::BowlInputs;
use crate::work::{Group, Starting, WorkInputs};

/// A kind of work in words, with what its plan starts from.
#[derive(Clone, Debug, PartialEq)]
pub struct Kind {
    /// Its name on screen.
    pub name: &'static str,
    /// Where it is looked for.
    pub group: Group,
    /// What else makers call it: words it is found by.
    pub words: &'static str,
    /// What it is, in a sentence.
    pub how: &'static str,
    /// The chocolates that its start is made from; in `start` they go by their
    /// family's name.
    pub families: &'static [Family],
    /// The colours that its start is made with, as bowls of their own.
    pub colours: Vec<BowlInputs>,
    /// Where its plan starts.
    pub start: WorkInputs,
}

/// Every kind, in the order in which they are offered.
#[must_use]
pub fn kinds() -> Vec<Kind> {
    WorkInputs::kinds().into_iter().map(Kind::from).collect()
}

impl From<Starting<WorkInputs>> for Kind {
    fn from(of: Starting<WorkInputs>) -> Self {
        let Starting { name, group, words, how, families, colours, start } = of;
        let colours = colours.iter().map(|(key, pigment)| coloured(key, pigment)).collect();
        Self { name, group, words, how, families, colours, start }
    }
}

/// A usual pigment in cocoa butter, ten parts to a hundred.
fn coloured(key: &str, name: &str) -> BowlInputs {
    let pigment = usual_pigments().into_iter().find(|pigment| pigment.name == name);
    BowlInputs::coloured(key, pigment.expect("it is on the list"), USUAL_PARTS)
}
