//! What warms a bowl a little, where a burst of a microwave would be too much, and what keeps it
//! warm.

use super::loss_to_still_air;
use crate::units::{HeatCapacity, in_seconds};
use crate::units::{Mass, Power, Temperature, Time, celsius, in_degrees, rise, seconds, watts};

/// In water, dry inside and stirred, a bowl gives or takes heat this many times as fast as in still
/// air (*custom*: in cool water four to eight minutes where still air takes a quarter of an hour or
/// more).
pub const IN_WATER: f64 = 4.0;
/// The longest that it stands in warm water in one go, s.
const LONGEST_IN_WATER_S: f64 = 60.0;

/// How warm the water is that a bowl is stood in for a moment (*custom*: warm to the hand).
#[must_use]
pub fn warm_water() -> Temperature {
    celsius(40.0)
}

/// What is at hand to warm a bowl gently, and what was learned of it.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct GentleHeat {
    /// Whether there is a hair dryer.
    pub dryer: bool,
    /// What it brings into the bowl, on low and moving.
    pub dryer_gives: Power,
    /// How many times as fast as usual warm water warms this bowl.
    pub water_ratio: f64,
    /// What a moment over barely simmering water brings into it.
    pub bath_gives: Power,
    /// Whether there is a heating pad to stand it on.
    pub pad: bool,
}

impl GentleHeat {
    /// A hair dryer on low, moving, 15 cm off, brings this into the bowl, W (docs/craft.md,
    /// section 2).
    pub const DRYER_W: f64 = 25.0;
    /// A moment over barely simmering water brings this, W (*custom*).
    pub const BATH_W: f64 = 130.0;

    /// How long so much chocolate, with what its bowl holds of heat, stands in warm water until it
    /// has come from one temperature to another; a minute at the most.
    ///
    /// Newton's law with the loss to still air, [`IN_WATER`] times as fast.
    #[must_use]
    pub fn in_warm_water(
        &self,
        chocolate: Mass,
        held: HeatCapacity,
        [from, to]: [Temperature; 2],
    ) -> Time {
        let (under, left) =
            (in_degrees(rise(from, warm_water())), in_degrees(rise(to, warm_water())));
        if under <= 0.0 || left >= under {
            return seconds(0.0);
        }
        // Close to the water's own temperature it would take for ever.
        let logarithm = (under / left.max(under / 20.0)).ln();
        let takes = loss_to_still_air(chocolate) * IN_WATER * self.water_ratio;
        seconds(in_seconds(held / takes * logarithm).min(LONGEST_IN_WATER_S))
    }
}

impl Default for GentleHeat {
    /// A hair dryer as there is in most homes, and no pad.
    fn default() -> Self {
        Self {
            dryer: true,
            dryer_gives: watts(Self::DRYER_W),
            water_ratio: 1.0,
            bath_gives: watts(Self::BATH_W),
            pad: false,
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::units::grams;

    fn stands(from: f64, to: f64, water_ratio: f64) -> f64 {
        let gentle = GentleHeat { water_ratio, ..GentleHeat::default() };
        let mass = grams(300.0);
        let held = mass * Family::Dark.heat_when_melted();
        in_seconds(gentle.in_warm_water(mass, held, [celsius(from), celsius(to)]))
    }

    #[test]
    fn a_little_takes_seconds_and_nothing_more_than_a_minute() {
        let a_little = stands(30.0, 30.7, 1.0);
        assert!((10.0..40.0).contains(&a_little), "{a_little}");
        assert!((stands(30.0, 30.7, 2.0) - a_little / 2.0).abs() < 1e-9, "learned");
        assert!((stands(24.0, 39.0, 1.0) - 60.0).abs() < 1e-9);
        assert!((stands(24.0, 45.0, 1.0) - 60.0).abs() < 1e-9, "warmer than the water itself");
        assert!(stands(31.0, 31.0, 1.0).abs() < 1e-9);
        assert!(stands(45.0, 46.0, 1.0).abs() < 1e-9, "water takes heat from it there");
    }
}
