//! The eight things that are looked at in every batch. The list is fixed: whoever looks at enough
//! things finds one that seems to matter.

use crate::catalogue::logbook as say;
use crate::clinic::{Facts, Tested};
use crate::message::Message;
use crate::words::worded;

worded! {
    /// What may go with good and bad results.
    Factor {
        /// What it had when it was poured, above the middle of its range, °C.
        Poured = "poured",
        /// How close the melt came to the limit: below it, °C.
        Peak = "peak",
        /// Whether a temper test passed: 1, else 0.
        Test = "test",
        /// Seed that went in, as a share of what was planned.
        Seed = "seed",
        /// The longest pause in stirring, s.
        StirGap = "stir_gap",
        /// How long it was worked in temper, min.
        Worked = "worked",
        /// The room, °C.
        Room = "room",
        /// Its humidity, %.
        Humidity = "humidity",
    }
}

/// Two sides that batches are on.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Split {
    /// More than this is the one side, this and less the other.
    pub above: f64,
}

impl Factor {
    /// What is known of it.
    #[must_use]
    pub fn of(self, facts: &Facts) -> Option<f64> {
        match self {
            Self::Poured => {
                let middle = facts.work_c.map(|[lo, hi]| f64::midpoint(lo, hi))?;
                Some(facts.poured_c? - middle)
            }
            Self::Peak => Some(facts.limit_c? - facts.max_c?),
            Self::Test => facts.test.map(|test| f64::from(u8::from(test == Tested::Passed))),
            Self::Seed => {
                Some(facts.seed_share_pct? / facts.seed_planned_pct.filter(|p| *p > 0.0)?)
            }
            Self::StirGap => facts.stir_gap_s,
            Self::Worked => facts.worked_min,
            Self::Room => facts.room_c,
            Self::Humidity => facts.rh_pct,
        }
    }

    /// All of them, in order.
    #[must_use]
    pub fn all_of(facts: &Facts) -> [Option<f64>; 8] {
        let mut values = [None; 8];
        for (value, factor) in values.iter_mut().zip(Self::ALL) {
            *value = factor.of(facts);
        }
        values
    }

    /// Where makers draw the line (*custom*).
    pub(super) fn edge(self) -> f64 {
        match self {
            Self::Poured | Self::Test => 0.5,
            Self::Peak => 2.0,
            Self::Seed => 0.9,
            Self::StirGap => 120.0,
            Self::Worked => 20.0,
            Self::Room => 22.0,
            Self::Humidity => 60.0,
        }
    }

    /// As finely as it is told.
    pub(super) fn step(self) -> f64 {
        match self {
            Self::Poured | Self::Peak => 0.1,
            Self::Test => 0.5,
            Self::Seed => 0.05,
            Self::StirGap => 15.0,
            Self::Worked | Self::Humidity => 1.0,
            Self::Room => 0.5,
        }
    }

    /// A spread that every kitchen has: what lies within it stands out nowhere.
    pub(super) fn least_spread(self) -> f64 {
        match self {
            Self::Poured => 0.15,
            Self::Peak | Self::Room => 0.7,
            Self::Test => 0.25,
            Self::Seed => 0.07,
            Self::StirGap => 25.0,
            Self::Worked | Self::Humidity => 4.0,
        }
    }

    /// What it is called.
    #[must_use]
    pub fn name(self) -> Message {
        match self {
            Self::Poured => say::factor_poured(),
            Self::Peak => say::factor_peak(),
            Self::Test => say::factor_test(),
            Self::Seed => say::factor_seed(),
            Self::StirGap => say::factor_stir_gap(),
            Self::Worked => say::factor_worked(),
            Self::Room => say::factor_room(),
            Self::Humidity => say::factor_humidity(),
        }
    }
}

/// What is known of one thing that was made, and whether it came out with a fault.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Case {
    /// In the order of [`Factor::ALL`].
    pub values: [Option<f64>; 8],
    /// Whether any fault was seen.
    pub faulty: bool,
}

impl Case {
    /// What is known of one thing.
    #[must_use]
    pub fn value(&self, factor: Factor) -> Option<f64> {
        self.values[factor as usize]
    }
}
