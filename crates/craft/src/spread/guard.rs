//! Thicknesses at which a kind of work succeeds.

use crate::catalogue::{cautions, spread as say};
use crate::message::Message;
use crate::note::Note;
use crate::units::{Length, in_millimetres, millimetres};

/// A range of thickness, and what happens outside it (docs/craft.md, section 4;
/// *custom*).
#[derive(Clone, Copy, Debug)]
pub(crate) struct Guard {
    pub what: fn() -> Message,
    pub mm: [f64; 2],
    pub thinner: fn() -> Message,
    pub thicker: fn() -> Message,
}

impl Guard {
    /// A remark where the thickness lies outside.
    pub fn remark(&self, thickness: Length) -> Option<Note> {
        let mm = in_millimetres(thickness);
        let [least, most] = self.mm;
        let (what, range) = ((self.what)(), self.mm.map(millimetres));
        if mm < least - 1e-9 {
            Some(Note::caution("too-thin", say::too_thin(range[0], (self.thinner)(), what, range)))
        } else if mm > most + 1e-9 {
            Some(Note::caution(
                "too-thick",
                say::too_thick(range[1], (self.thicker)(), what, range),
            ))
        } else {
            None
        }
    }
}

/// Thickness at which bark breaks well, mm (*custom*).
pub const BARK_MM: [f64; 2] = [3.0, 8.0];

pub(crate) const BARK: Guard = Guard {
    what: say::bark_is,
    mm: BARK_MM,
    thinner: say::bark_thinner,
    thicker: say::bark_thicker,
};

pub(crate) const SHARDS: Guard = Guard {
    what: say::shards_are,
    mm: [3.0, 5.0],
    thinner: say::shards_thinner,
    thicker: say::shards_thicker,
};

pub(crate) const SHEET: Guard = Guard {
    what: say::sheet_is,
    mm: [1.0, 2.5],
    thinner: say::sheet_thinner,
    thicker: say::sheet_thicker,
};

/// What must not be missing wherever there are hard pieces.
pub(crate) fn hard_pieces() -> Note {
    Note::info("hard-pieces", cautions::sharp())
}
