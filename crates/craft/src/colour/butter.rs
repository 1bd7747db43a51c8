//! Coloured cocoa butter by weight: butter, and parts of pigment to a hundred of it.

use crate::catalogue::colour as say;
use crate::note::Note;
use crate::units::Mass;

/// For a tint, the usual, for cover (docs/craft.md, section 5).
const TINT_PARTS: f64 = 5.0;
const COVER_PARTS: f64 = 15.0;

/// Which of the two is known.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Wanted {
    /// The butter there is.
    Butter(Mass),
    /// What both are to weigh.
    Total(Mass),
    /// The pigment there is.
    Pigment(Mass),
}

/// What to weigh.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct ColourButter {
    /// Cocoa butter.
    pub butter: Mass,
    /// Pigment, all of them together.
    pub pigment: Mass,
    /// Both.
    pub total: Mass,
}

/// Pigment = butter · parts/100; total = both. The parts are more than none.
#[must_use]
pub fn colour_butter(wanted: Wanted, parts_per_100: f64) -> ColourButter {
    let butter = match wanted {
        Wanted::Butter(butter) => butter,
        Wanted::Total(total) => total / (1.0 + parts_per_100 / 100.0),
        Wanted::Pigment(pigment) => pigment / (parts_per_100 / 100.0),
    };
    let pigment = butter * (parts_per_100 / 100.0);
    ColourButter { butter, pigment, total: butter + pigment }
}

/// Parts to a hundred of butter, as a percentage of the total: 100·p/(100 + p).
#[must_use]
pub fn pct_of_total(parts_per_100: f64) -> f64 {
    100.0 * parts_per_100 / (100.0 + parts_per_100)
}

/// What so many parts come to.
#[must_use]
pub fn remarks(parts_per_100: f64) -> Vec<Note> {
    let mut notes = Vec::new();
    if parts_per_100 < TINT_PARTS {
        notes.push(Note::info("faint", say::faint()));
    }
    if parts_per_100 > COVER_PARTS {
        notes.push(Note::caution("thick-colour", say::thick_colour()));
    }
    notes
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::{grams, in_grams};

    #[test]
    fn ten_parts_to_a_hundred_is_not_ten_per_cent() {
        let by_butter = colour_butter(Wanted::Butter(grams(80.0)), 10.0);
        assert!((in_grams(by_butter.pigment) - 8.0).abs() < 1e-9);
        assert!((in_grams(by_butter.total) - 88.0).abs() < 1e-9);
        let by_total = colour_butter(Wanted::Total(grams(88.0)), 10.0);
        assert!((in_grams(by_total.butter) - 80.0).abs() < 1e-9);
        let by_pigment = colour_butter(Wanted::Pigment(grams(8.0)), 10.0);
        assert!((in_grams(by_pigment.total) - 88.0).abs() < 1e-9);
        assert!((pct_of_total(10.0) - 9.0909).abs() < 1e-4);
    }

    #[test]
    fn faint_and_thick_are_said() {
        let codes = |parts| remarks(parts).into_iter().map(|n| n.code).collect::<Vec<_>>();
        assert_eq!(codes(3.0), ["faint"]);
        assert!(codes(10.0).is_empty());
        assert_eq!(codes(18.0), ["thick-colour"]);
    }
}
