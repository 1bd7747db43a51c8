//! What a kind of work says of itself in words, and what its plan usually starts from.

use super::{
    CastInputs, CoatsSet, CoverInputs, MixedAmount, MixedInInputs, ToppingInputs, ToppingWish,
    TrayInputs, WallInputs,
};
use crate::chocolate::Family;
use crate::shell::{MouldInputs, ShellWay};

/// What kinds of work have in common, as they are looked for.
#[derive(Clone, Copy, Debug, PartialEq, Eq, serde::Serialize, serde::Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Group {
    /// Poured or spread out flat.
    Flat,
    /// Cast in a mould.
    Moulded,
    /// Dipped or coated.
    Dipped,
    /// Piped, wrapped or bent.
    Piped,
    /// Colours.
    Colour,
}

/// A kind of work in words, and where its plan starts.
#[derive(Clone, Debug, PartialEq)]
pub struct Starting<W> {
    /// Its name on screen.
    pub name: &'static str,
    /// Where it is looked for.
    pub group: Group,
    /// What else makers call it, or what comes of it: words it is found by.
    pub words: &'static str,
    /// What it is, in a sentence.
    pub how: &'static str,
    /// The chocolates that its start is made from; in `start` they go by their
    /// family's name.
    pub families: &'static [Family],
    /// The colours that its start is made with: what it calls each, and its usual pigment.
    pub colours: &'static [(&'static str, &'static str)],
    /// Where its plan starts.
    pub start: W,
}

impl<W> Starting<W> {
    /// The same, as one of all kinds of work.
    pub(super) fn map<V>(self, of: impl FnOnce(W) -> V) -> Starting<V> {
        Starting {
            name: self.name,
            group: self.group,
            words: self.words,
            how: self.how,
            families: self.families,
            colours: self.colours,
            start: of(self.start),
        }
    }
}

pub(super) const DARK: &[Family] = &[Family::Dark];
pub(super) const DARK_AND_WHITE: &[Family] = &[Family::Dark, Family::White];

pub(super) fn tray() -> TrayInputs {
    TrayInputs::Rectangle { length_mm: 300.0, width_mm: 200.0, rim_mm: None }
}

pub(super) fn cover(thickness_mm: f64) -> CoverInputs {
    CoverInputs::Thickness { tray: tray(), thickness_mm }
}

pub(super) fn dark() -> String {
    Family::Dark.to_string()
}

pub(super) fn white() -> String {
    Family::White.to_string()
}

/// Dry goods as they usually are, in a ratio that binds well.
pub(super) fn goods() -> MixedInInputs {
    MixedInInputs::usual("chopped nuts", MixedAmount::Parts { parts: 0.5 })
}

/// By custom about an eighth of the chocolate.
pub(super) fn topped() -> ToppingInputs {
    ToppingInputs::usual("chopped nuts", ToppingWish::Share { share_pct: 12.5 })
}

/// A mould filled and dumped once with dark, without colour.
pub(super) fn cast(mould: MouldInputs, shell_mm: f64) -> CastInputs {
    CastInputs {
        chocolate: dark(),
        mould_id: None,
        mould,
        casts: 1,
        wanted: None,
        colours: Vec::new(),
        colour_rest_h: None,
        smear: None,
        way: ShellWay::Dump,
        between: CoatsSet::Room,
        wall: WallInputs::Wished { shell_mm },
    }
}
