//! The families of chocolate and their default numbers.

use std::fmt;

use serde::{Deserialize, Serialize};

use super::windows::{Band, Windows};
use crate::units::{
    AvailableEnergy, MassDensity, Ratio, SpecificHeatCapacity, celsius, grams_per_cubic_centimetre,
    joules_per_gram_degree, percent_of,
};

/// A kind of chocolate that shares its temperature windows.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Family {
    /// Dark couverture.
    Dark,
    /// Milk couverture.
    Milk,
    /// White couverture.
    White,
    /// Ruby couverture.
    Ruby,
    /// Caramelised white couverture.
    Blond,
    /// Cocoa butter, plain or coloured.
    CocoaButter,
    /// Compound coating: other fats, no temper.
    Coating,
}

/// One row of the table: melt, limit, cool, work, lost, thick (all °C), fat %,
/// solid density in g/cm³.
struct Row {
    melt: (f64, f64),
    limit: f64,
    cool: Option<(f64, f64)>,
    work: (f64, f64),
    lost: Option<f64>,
    thick: f64,
    fat: f64,
    density: f64,
}

impl Family {
    /// Every family, in the order in which they are shown.
    pub const ALL: [Self; 7] = [
        Self::Dark,
        Self::Milk,
        Self::White,
        Self::Ruby,
        Self::Blond,
        Self::CocoaButter,
        Self::Coating,
    ];

    /// What it is called on a label and in a sentence: "dark chocolate".
    #[must_use]
    pub const fn in_words(self) -> &'static str {
        match self {
            Self::Dark => "dark chocolate",
            Self::Milk => "milk chocolate",
            Self::White => "white chocolate",
            Self::Ruby => "ruby chocolate",
            Self::Blond => "blond chocolate",
            Self::CocoaButter => "cocoa butter",
            Self::Coating => "coating",
        }
    }

    /// The family of a chocolate that goes into a filling, by what recipes call it: "dark chocolate for
    /// the ganache".
    #[must_use]
    pub fn of_a_filling(name: &str) -> Option<Self> {
        let of = |family: &Self| {
            let rest = name.strip_prefix(family.in_words());
            rest.is_some_and(|rest| rest.starts_with(" for the "))
        };
        Self::ALL.into_iter().find(of)
    }

    /// Kitchen custom, gathered from practice; the gap between form IV
    /// (27.3 °C) and form V (33.8 °C) sets the working band, and milk fat
    /// lowers it (Wille & Lutton 1966 for the forms).
    #[rustfmt::skip]
    const fn row(self) -> Row {
        match self {
            Self::Dark => Row { melt: (45.0, 50.0), limit: 55.0, cool: Some((27.0, 28.0)), work: (31.0, 32.0), lost: Some(34.0), thick: 29.5, fat: 36.0, density: 1.29 },
            Self::Milk => Row { melt: (42.0, 45.0), limit: 50.0, cool: Some((26.0, 27.0)), work: (29.0, 30.0), lost: Some(32.5), thick: 28.0, fat: 35.0, density: 1.27 },
            Self::White => Row { melt: (40.0, 45.0), limit: 48.0, cool: Some((25.0, 26.0)), work: (28.0, 29.0), lost: Some(31.5), thick: 27.0, fat: 37.0, density: 1.26 },
            Self::Ruby => Row { melt: (40.0, 45.0), limit: 47.0, cool: Some((25.5, 26.5)), work: (28.5, 29.5), lost: Some(31.5), thick: 27.5, fat: 36.0, density: 1.27 },
            Self::Blond => Row { melt: (40.0, 45.0), limit: 48.0, cool: Some((25.5, 26.5)), work: (28.5, 29.5), lost: Some(31.5), thick: 27.5, fat: 37.0, density: 1.26 },
            Self::CocoaButter => Row { melt: (45.0, 50.0), limit: 60.0, cool: Some((26.0, 27.0)), work: (28.0, 30.5), lost: Some(32.5), thick: 26.5, fat: 100.0, density: 0.97 },
            Self::Coating => Row { melt: (40.0, 45.0), limit: 50.0, cool: None, work: (38.0, 42.0), lost: None, thick: 34.0, fat: 33.0, density: 1.25 },
        }
    }

    /// The family's default windows.
    #[must_use]
    pub fn windows(self) -> Windows {
        let row = self.row();
        let band = |(lo, hi)| Band { lo: celsius(lo), hi: celsius(hi) };
        Windows {
            melt: band(row.melt),
            limit: celsius(row.limit),
            cool: row.cool.map(band),
            work: band(row.work),
            lost: row.lost.map(celsius),
            thick: celsius(row.thick),
        }
    }

    /// Fat and solid density of the family.
    pub(super) fn make_up(self) -> (Ratio, MassDensity) {
        let row = self.row();
        (percent_of(row.fat), grams_per_cubic_centimetre(row.density))
    }

    /// Specific heat when melted: 1.6 J/(g·K), cocoa butter 2.0 (Beckett).
    #[must_use]
    pub fn heat_when_melted(self) -> SpecificHeatCapacity {
        joules_per_gram_degree(if self == Self::CocoaButter { 2.0 } else { 1.6 })
    }

    /// Specific heat when solid: 1.4 J/(g·K), cocoa butter 2.0 (Beckett).
    #[must_use]
    pub fn heat_when_solid(self) -> SpecificHeatCapacity {
        joules_per_gram_degree(if self == Self::CocoaButter { 2.0 } else { 1.4 })
    }

    /// Heat of melting per gram of *fat*: 125 J/g (Beckett).
    #[must_use]
    pub fn heat_of_melting_fat() -> AvailableEnergy {
        crate::units::joules_per_gram(125.0)
    }

    /// Whether it has crystals to temper at all.
    #[must_use]
    pub fn tempers(self) -> bool {
        self != Self::Coating
    }

    /// Where it is usually poured, °C, among those that set as dark does, only slower;
    /// `None` for dark itself and for what sets by laws of its own.
    #[must_use]
    pub fn sets_from_c(self) -> Option<f64> {
        match self {
            Self::Milk => Some(29.5),
            Self::White => Some(28.5),
            Self::Ruby | Self::Blond => Some(29.0),
            Self::Dark | Self::CocoaButter | Self::Coating => None,
        }
    }

    /// How much longer it takes to set than dark does (*custom*).
    #[must_use]
    pub fn setting_factor(self) -> f64 {
        match self {
            Self::Milk => 1.25,
            Self::White | Self::Blond | Self::Ruby => 1.35,
            Self::Dark | Self::CocoaButter | Self::Coating => 1.0,
        }
    }
}

impl fmt::Display for Family {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(match self {
            Self::Dark => "dark",
            Self::Milk => "milk",
            Self::White => "white",
            Self::Ruby => "ruby",
            Self::Blond => "blond",
            Self::CocoaButter => "cocoa butter",
            Self::Coating => "coating",
        })
    }
}
