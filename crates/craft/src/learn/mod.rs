//! What earlier bowls teach about the maker's own gear.
//!
//! Some numbers differ from kitchen to kitchen: how fast a bowl cools, how much
//! of a microwave's heat arrives, how far a bowl carries over, what a short
//! warming does, be it by microwave, hair dryer, warm water or over simmering
//! water, and how long poured work takes to set. [`lesson`] reads all but the last
//! off one bowl's record, the build guide the last (`build::lesson`); [`tempering_pace`] how long
//! its maker took until it was in temper;
//! [`learned_value`] makes of many such lessons the number to use.

mod cooling;
mod learned;
mod lesson;
mod melt;
mod trace;
mod warming;

pub use learned::{Learned, learned_value, spread};
pub use lesson::{lesson, tempering_pace};

use serde::{Deserialize, Serialize};

use crate::bowl::Setup;
use crate::check::{self, Bounds, Checker};
use crate::heat::GentleHeat;
use crate::heat::microwave::EFFICIENCY;

/// The numbers that are learned; each only where there is something to go by.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GearNumbers {
    /// How fast the bowl loses heat, against what is usual for its load.
    pub cooling_ratio: Option<f64>,
    /// The share of the microwave's heat that melts chocolate.
    pub efficiency: Option<f64>,
    /// How far the bowl carries over off the heat.
    pub carry_over_c: Option<f64>,
    /// The share of the microwave's heat that shows after a short warming.
    pub burst_response: Option<f64>,
    /// How long it takes to set in this kitchen, against what is usual.
    pub setting_pace: Option<f64>,
    /// How long it takes until a bowl is in temper, against what is usual.
    pub tempering_pace: Option<f64>,
    /// What the hair dryer brings into a bowl.
    pub dryer_w: Option<f64>,
    /// How fast warm water warms the bowl, against what is usual.
    pub warm_water_ratio: Option<f64>,
    /// What a moment over barely simmering water brings into the bowl.
    pub bath_w: Option<f64>,
}

impl GearNumbers {
    /// The numbers themselves, with faults noted under `field` where one cannot
    /// be.
    #[must_use]
    pub fn check(self, field: &str, check: &mut Checker) -> Self {
        for number in Number::ALL {
            let name = format!("{field}.{}", number.key());
            check.optional(&name, number.of(&self), number.bounds());
        }
        self
    }

    /// Whether nothing was learned.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }
}

/// One of the numbers that are learned.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Number {
    /// How fast a bowl loses heat.
    Cooling,
    /// How much of a microwave's heat arrives.
    Efficiency,
    /// How far a bowl carries over.
    CarryOver,
    /// What a short warming does.
    BurstResponse,
    /// How long it takes to set.
    SettingPace,
    /// How long it takes until a bowl is in temper.
    TemperingPace,
    /// What the hair dryer brings.
    Dryer,
    /// How fast warm water warms a bowl.
    WarmWater,
    /// What a moment over simmering water brings.
    Bath,
}

impl Number {
    /// All of them.
    pub const ALL: [Self; 9] = [
        Self::Cooling,
        Self::Efficiency,
        Self::CarryOver,
        Self::BurstResponse,
        Self::SettingPace,
        Self::TemperingPace,
        Self::Dryer,
        Self::WarmWater,
        Self::Bath,
    ];

    /// Its name in [`GearNumbers`].
    #[must_use]
    pub fn key(self) -> &'static str {
        match self {
            Self::Cooling => "cooling_ratio",
            Self::Efficiency => "efficiency",
            Self::CarryOver => "carry_over_c",
            Self::BurstResponse => "burst_response",
            Self::SettingPace => "setting_pace",
            Self::TemperingPace => "tempering_pace",
            Self::Dryer => "dryer_w",
            Self::WarmWater => "warm_water_ratio",
            Self::Bath => "bath_w",
        }
    }

    /// What is used where nothing was learned.
    #[must_use]
    pub fn usual(self) -> f64 {
        match self {
            Self::Cooling | Self::SettingPace | Self::TemperingPace | Self::WarmWater => 1.0,
            Self::Efficiency | Self::BurstResponse => EFFICIENCY,
            Self::CarryOver => Setup::USUAL_CARRY_OVER_C,
            Self::Dryer => GentleHeat::DRYER_W,
            Self::Bath => GentleHeat::BATH_W,
        }
    }

    /// What it can be in a home kitchen; a lesson outside is no lesson (*custom*).
    #[must_use]
    pub fn bounds(self) -> Bounds {
        match self {
            Self::Cooling => check::COOLING_RATIO,
            Self::Efficiency | Self::BurstResponse => check::EFFICIENCY,
            Self::CarryOver => check::CARRY_OVER_C,
            Self::SettingPace => check::SETTING_PACE,
            Self::TemperingPace => check::TEMPERING_PACE,
            Self::Dryer => check::DRYER_W,
            Self::WarmWater => check::WARM_WATER_RATIO,
            Self::Bath => check::BATH_W,
        }
    }

    /// Its value among others.
    #[must_use]
    pub fn of(self, numbers: &GearNumbers) -> Option<f64> {
        match self {
            Self::Cooling => numbers.cooling_ratio,
            Self::Efficiency => numbers.efficiency,
            Self::CarryOver => numbers.carry_over_c,
            Self::BurstResponse => numbers.burst_response,
            Self::SettingPace => numbers.setting_pace,
            Self::TemperingPace => numbers.tempering_pace,
            Self::Dryer => numbers.dryer_w,
            Self::WarmWater => numbers.warm_water_ratio,
            Self::Bath => numbers.bath_w,
        }
    }
}
