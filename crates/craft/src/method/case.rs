//! What the maker has and makes: what a recommendation rests on.

use serde::{Deserialize, Serialize};

use crate::chocolate::Family;
use crate::scale::Scale;
use crate::units::Mass;

/// Something a method cannot do without.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Need {
    /// A thermometer.
    Probe,
    /// A slab of stone to work on.
    Stone,
    /// Cocoa butter that is all form V.
    ReadyCrystals,
    /// Pieces that are in temper as they come.
    TemperedPieces,
    /// A slab that comes from the freezer.
    FrozenSlab,
    /// A ready-made bottle of colour that is in temper.
    ColourBottle,
}

/// What is at hand. A thermometer always is: without one there is no tempering.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Kitchen {
    /// A slab of stone to work on.
    pub stone: bool,
    /// Cocoa butter that is all form V.
    pub ready_crystals: bool,
    /// The chocolate's pieces are in temper as they come: shiny, with a snap.
    pub tempered_pieces: bool,
    /// A slab that comes from the freezer.
    pub frozen_slab: bool,
    /// A ready-made bottle of colour that is in temper.
    pub colour_bottle: bool,
    /// A scale that shows tenths of a gram.
    pub fine_scale: bool,
    /// A hair dryer.
    pub dryer: bool,
    /// A heating pad to stand a bowl on.
    pub heating_pad: bool,
}

impl Default for Kitchen {
    /// A kitchen with none of the special gear, and a hair dryer in the house; chocolate from the bag is in
    /// temper unless it was kept warm.
    fn default() -> Self {
        Self {
            stone: false,
            ready_crystals: false,
            tempered_pieces: true,
            frozen_slab: false,
            colour_bottle: false,
            fine_scale: false,
            dryer: true,
            heating_pad: false,
        }
    }
}

impl Kitchen {
    /// Its scale.
    #[must_use]
    pub fn scale(&self) -> Scale {
        if self.fine_scale { Scale::Fine } else { Scale::Kitchen }
    }

    /// Whether something is at hand.
    #[must_use]
    pub fn has(&self, need: Need) -> bool {
        match need {
            Need::Probe => true,
            Need::Stone => self.stone,
            Need::ReadyCrystals => self.ready_crystals,
            Need::TemperedPieces => self.tempered_pieces,
            Need::FrozenSlab => self.frozen_slab,
            Need::ColourBottle => self.colour_bottle,
        }
    }
}

/// What the maker has and makes.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Case {
    /// The chocolate's family.
    pub family: Family,
    /// How much of it.
    pub total: Mass,
    /// What is at hand.
    pub kitchen: Kitchen,
    /// Whether it is warmed in bursts: a water bath is too slow to stop.
    pub in_bursts: bool,
    /// Whether powder is worked into it: then it must be melted through.
    pub coloured_here: bool,
}

/// How well a method fits a case.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Fit {
    /// The stronger, the better.
    pub strength: u8,
    /// Why, in a sentence that follows "because".
    pub because: &'static str,
}
