//! The heat in a chocolate at a temperature: what it takes to warm tempered pieces from
//! one temperature to another, melted through or not.
//!
//! ```text
//! H(T) = c_s·min(T, 32) + c_l·max(0, T − 32) + 125 J/g·fat·share(T)
//! ```
//!
//! `share` is how much of its fat has melted in what was tempered solid: the solid-fat
//! curve of dark and of cocoa butter; milk fat moves it 2 °C down. Constants after
//! Beckett, *Industrial Chocolate Manufacture and Use*; the curve is gathered from
//! solid-fat measurements of tempered chocolate.

use crate::chocolate::{Chocolate, Family};
use crate::units::{AvailableEnergy, Temperature, celsius, in_celsius, in_percent, rise};

/// Where the specific heat changes from solid to melted, °C.
const MELTING_POINT_C: f64 = 32.0;
/// How much of the fat has melted, of dark: °C and share.
const MELTED_AT: [(f64, f64); 8] = [
    (23.0, 0.0),
    (25.0, 0.13),
    (27.5, 0.23),
    (30.0, 0.46),
    (31.0, 0.64),
    (32.0, 0.84),
    (33.0, 0.94),
    (34.0, 1.0),
];
/// Milk fat moves the curve down by, °C.
const WITH_MILK_FAT_C: f64 = 2.0;

/// How much of a family's fat melts over how many degrees.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) struct MeltingCurve {
    lower_c: f64,
}

impl MeltingCurve {
    pub(crate) fn of(family: Family) -> Self {
        let lower_c = match family {
            Family::Milk | Family::White | Family::Ruby | Family::Blond => WITH_MILK_FAT_C,
            Family::Dark | Family::CocoaButter | Family::Coating => 0.0,
        };
        Self { lower_c }
    }

    /// The share of the fat that has melted at a temperature in °C, and how fast that
    /// share grows there, per degree.
    pub(crate) fn at(self, temp_c: f64) -> (f64, f64) {
        let temp_c = temp_c + self.lower_c;
        let stretch = MELTED_AT.windows(2).find(|two| temp_c >= two[0].0 && temp_c < two[1].0);
        match stretch {
            Some(&[(from_c, from), (to_c, to)]) => {
                let per_degree = (to - from) / (to_c - from_c);
                (from + per_degree * (temp_c - from_c), per_degree)
            }
            _ if temp_c < MELTED_AT[0].0 => (0.0, 0.0),
            _ => (1.0, 0.0),
        }
    }
}

/// The share of the fat that has melted in tempered pieces at a temperature, 0 to 1.
///
/// ```
/// use craft::chocolate::Family;
/// use craft::heat::melted_share;
/// use craft::units::celsius;
///
/// assert_eq!(melted_share(Family::Dark, celsius(20.0)), 0.0);
/// assert!((melted_share(Family::Dark, celsius(32.0)) - 0.84).abs() < 1e-9);
/// assert!((melted_share(Family::White, celsius(30.0)) - 0.84).abs() < 1e-9);
/// assert_eq!(melted_share(Family::Milk, celsius(45.0)), 1.0);
/// ```
#[must_use]
pub fn melted_share(family: Family, temp: Temperature) -> f64 {
    MeltingCurve::of(family).at(in_celsius(temp)).0
}

/// Where so much of the fat has melted in tempered pieces; `share` from 0 to 1.
#[must_use]
pub fn melted_to(family: Family, share: f64) -> Temperature {
    let lower_c = MeltingCurve::of(family).lower_c;
    let stretch = MELTED_AT.windows(2).find(|two| share >= two[0].1 && share < two[1].1);
    let (coldest, hottest) = (MELTED_AT[0].0, MELTED_AT[MELTED_AT.len() - 1].0);
    let temp_c = match stretch {
        Some(&[(from_c, from), (to_c, to)]) => {
            from_c + (to_c - from_c) * (share - from) / (to - from)
        }
        _ if share < 1.0 => coldest,
        _ => hottest,
    };
    celsius(temp_c - lower_c)
}

/// The heat that a gram takes from one temperature to a higher one, where it was tempered
/// solid to begin with; nothing where the second is not higher.
#[must_use]
pub fn heat_per_gram(chocolate: &Chocolate, from: Temperature, to: Temperature) -> AvailableEnergy {
    sensible_heat(chocolate, from, to) + latent_heat(chocolate, from, to)
}

/// The part of it that warms, without what melts.
#[must_use]
pub fn sensible_heat(chocolate: &Chocolate, from: Temperature, to: Temperature) -> AvailableEnergy {
    if to <= from {
        return AvailableEnergy::default();
    }
    let point = celsius(MELTING_POINT_C);
    let solid_until = to.min(point).max(from);
    let liquid_from = from.max(point).min(to);
    chocolate.family.heat_when_solid() * rise(from, solid_until)
        + chocolate.family.heat_when_melted() * rise(liquid_from, to)
}

/// The part of it that melts fat.
#[must_use]
pub fn latent_heat(chocolate: &Chocolate, from: Temperature, to: Temperature) -> AvailableEnergy {
    if to <= from {
        return AvailableEnergy::default();
    }
    let share = |temp| melted_share(chocolate.family, temp);
    let fat = in_percent(chocolate.fat) / 100.0;
    Family::heat_of_melting_fat() * (fat * (share(to) - share(from)))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::in_joules_per_gram;

    #[test]
    fn from_the_room_to_all_melted_it_is_warming_and_the_whole_heat_of_melting() {
        let dark = Chocolate::of(Family::Dark);
        let all = heat_per_gram(&dark, celsius(20.0), celsius(45.0));
        let told = 1.4 * 12.0 + 125.0 * 0.36 + 1.6 * 13.0;
        assert!((in_joules_per_gram(all) - told).abs() < 1e-9);
    }

    #[test]
    fn heat_is_continuous_in_start_and_target_and_adds_up() {
        for family in Family::ALL {
            let chocolate = Chocolate::of(family);
            let heat = |from: f64, to: f64| {
                in_joules_per_gram(heat_per_gram(&chocolate, celsius(from), celsius(to)))
            };
            for tenth in 0..300 {
                let at = 18.0 + f64::from(tenth) * 0.1;
                // A tenth of a degree is never worth more than a fifth of the fat's heat.
                let step = heat(18.0, at + 0.1) - heat(18.0, at);
                assert!(step > 0.0 && step < 0.1 * 30.0 + 1.0, "{family} at {at}: {step}");
                let parts = heat(18.0, at) + heat(at, 48.0);
                assert!((parts - heat(18.0, 48.0)).abs() < 1e-9, "{family} cut at {at}");
            }
        }
    }

    #[test]
    fn a_share_is_reached_where_it_is_told() {
        for family in Family::ALL {
            for share in [0.05, 0.3, 0.64, 0.9, 0.999] {
                assert!((melted_share(family, melted_to(family, share)) - share).abs() < 1e-9);
            }
        }
    }

    #[test]
    fn nothing_is_needed_for_what_is_warm_enough() {
        let white = Chocolate::of(Family::White);
        assert_eq!(heat_per_gram(&white, celsius(46.0), celsius(45.0)), AvailableEnergy::default());
    }
}
