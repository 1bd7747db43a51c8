//! Stones and domes of ice from the freezer: how much they set before they are too warm.
//!
//! Each pull gives them the heat of the melt and of the crystals that form. They are too warm when
//! they no longer set it at once: the number of pulls is what their store of cold holds between the
//! two (*custom*, from the heat sum).

use serde::{Deserialize, Serialize};

use super::drafting::Drafting;
use crate::catalogue::work::frozen as say;
use crate::check;
use crate::chocolate::{Chocolate, Family};
use crate::note::{Note, Working};
use crate::units::{
    Mass, Temperature, celsius, in_celsius, in_grams, in_joules_per_gram,
    in_joules_per_gram_degree, in_percent,
};

/// Above this a stone, and the face of ice, no longer set chocolate at once, °C (*custom*).
const STONE_TOO_WARM_C: f64 = -4.0;
const ICE_TOO_WARM_C: f64 = -1.0;
/// Heat that a stone holds, granite and marble alike, and ice, J/(g·K).
const STONE_HOLDS: f64 = 0.85;
const ICE_HOLDS: f64 = 2.05;
/// The share of its fat that sets before it is lifted (*custom*).
const SETS_AT_ONCE: f64 = 0.3;

/// What is cold.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Cold {
    Stone,
    Ice,
}

/// A stone, or a dome of ice, from the freezer.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FrozenInputs {
    /// What it weighs.
    pub weighs_kg: f64,
    /// How cold it comes from the freezer.
    pub cold_c: f64,
}

/// The same, checked.
pub(super) struct Frozen {
    of: Cold,
    weighs_kg: f64,
    cold_c: f64,
}

impl FrozenInputs {
    /// It, with faults noted under `field`.
    pub(super) fn check(self, field: &str, of: Cold, at: &mut Drafting<'_>) -> Frozen {
        let weighs_kg =
            at.number(format_args!("{field}.weighs_kg"), self.weighs_kg, check::STONE_KG);
        let cold_c = at.number(format_args!("{field}.cold_c"), self.cold_c, check::FROZEN_C);
        Frozen { of, weighs_kg, cold_c }
    }
}

impl Frozen {
    /// A stone by its numbers.
    pub(super) const fn stone(weighs_kg: f64, cold_c: f64) -> Self {
        Self { of: Cold::Stone, weighs_kg, cold_c }
    }

    /// How cold it is at first.
    pub(super) fn temp(&self) -> Temperature {
        celsius(self.cold_c)
    }

    /// What it holds for each degree, J/K.
    fn holds(&self) -> f64 {
        let each = match self.of {
            Cold::Stone => STONE_HOLDS,
            Cold::Ice => ICE_HOLDS,
        };
        self.weighs_kg * 1_000.0 * each
    }

    /// From here on it no longer sets chocolate at once, °C.
    fn too_warm_c(&self) -> f64 {
        match self.of {
            Cold::Stone => STONE_TOO_WARM_C,
            Cold::Ice => ICE_TOO_WARM_C,
        }
    }

    /// The heat of one pull, J.
    fn heat(&self, chocolate: &Chocolate, each: Mass) -> f64 {
        let falls = in_celsius(chocolate.windows.melt.lo) - self.too_warm_c();
        in_grams(each)
            * (in_joules_per_gram_degree(chocolate.family.heat_when_melted()) * falls
                + SETS_AT_ONCE
                    * in_joules_per_gram(Family::heat_of_melting_fat())
                    * in_percent(chocolate.fat)
                    / 100.0)
    }

    /// Pulls from one freezing: the cold in it over the heat of one.
    fn pulls(&self, chocolate: &Chocolate, each: Mass) -> f64 {
        let cold = self.holds() * (self.too_warm_c() - self.cold_c);
        (cold / self.heat(chocolate, each)).floor().max(0.0)
    }

    /// The working of so many pulls.
    pub(super) fn working(&self, chocolate: &Chocolate, each: Mass) -> [Working; 2] {
        let warms = self.heat(chocolate, each) / self.holds();
        [
            Working::new("pulls from one freezing, about", self.pulls(chocolate, each), ""),
            Working::new("each warms it by", warms, "°C"),
        ]
    }

    /// What is to be minded where so many pulls are more than it is good for.
    pub(super) fn remark(&self, chocolate: &Chocolate, each: Mass, wanted: f64) -> Option<Note> {
        let pulls = self.pulls(chocolate, each);
        let (cold, weighs) = (celsius(self.cold_c), self.weighs_kg);
        let text = match (self.of, pulls < 1.0) {
            _ if pulls >= wanted => return None,
            (Cold::Stone, true) => say::stone_too_warm(cold, weighs),
            (Cold::Stone, false) => say::stone_warms(weighs, cold, pulls),
            (Cold::Ice, true) => say::ice_too_warm(cold, weighs),
            (Cold::Ice, false) => say::ice_warms(weighs, cold, pulls),
        };
        Some(Note::caution("stone-warms", text))
    }
}
