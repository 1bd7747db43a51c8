//! Thicknesses at which a kind of work succeeds.

use crate::note::Note;
use crate::units::{Length, in_millimetres};

/// A range of thickness, and what happens outside it (docs/craft.md, section 4;
/// *custom*).
#[derive(Clone, Copy, Debug)]
pub(crate) struct Guard {
    pub what: &'static str,
    pub mm: [f64; 2],
    pub thinner: &'static str,
    pub thicker: &'static str,
}

impl Guard {
    /// A remark where the thickness lies outside.
    pub fn remark(&self, thickness: Length) -> Option<Note> {
        let mm = in_millimetres(thickness);
        let [least, most] = self.mm;
        if mm < least - 1e-9 {
            let text = format!(
                "Thinner than {least} mm: {} {} {least}–{most} mm.",
                self.thinner, self.what
            );
            Some(Note::caution("too-thin", text))
        } else if mm > most + 1e-9 {
            let text = format!(
                "Thicker than {most} mm: {} {} {least}–{most} mm.",
                self.thicker, self.what
            );
            Some(Note::caution("too-thick", text))
        } else {
            None
        }
    }
}

/// Thickness at which bark breaks well, mm (*custom*).
pub const BARK_MM: [f64; 2] = [3.0, 8.0];

pub(crate) const BARK: Guard = Guard {
    what: "Bark is",
    mm: BARK_MM,
    thinner: "thin patches shatter.",
    thicker: "slow to set and hard to bite.",
};

pub(crate) const SHARDS: Guard = Guard {
    what: "Scored shards are",
    mm: [3.0, 5.0],
    thinner: "they break beside the marks.",
    thicker: "the knife does not reach far enough in, and they will not snap along the marks.",
};

pub(crate) const SHEET: Guard = Guard {
    what: "Sheet work is",
    mm: [1.0, 2.5],
    thinner: "it tears as it is lifted.",
    thicker: "it will neither curl nor cut clean.",
};

/// Minded wherever something is broken.
pub(crate) const SHARP: &str = "Hard pieces with sharp edges are nothing for small children.";
/// Minded wherever goods go in or on.
pub(crate) const ALLERGENS: &str =
    "Name what goes in on the label: nuts, milk, gluten, sesame and soya are allergens.";
/// Minded wherever there is colour.
pub(crate) const FOOD_COLOUR: &str =
    "Only colour sold for eating; some are barred from food in some countries: check yours.";

/// What must not be missing wherever there are hard pieces.
pub(crate) fn hard_pieces() -> Note {
    Note::info("hard-pieces", SHARP)
}
