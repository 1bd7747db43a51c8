//! Ganache: chocolate and cream by ratio, and what comes of it.

use crate::catalogue::ganache as say;
use crate::chocolate::Family;
use crate::keeping::Lasts;
use crate::note::{Note, Working};
use crate::units::{
    Mass, MassDensity, Temperature, celsius, grams, grams_per_cubic_centimetre, in_grams,
};

/// Water in cream of about 35 % fat, and in butter (*custom*).
const WATER_IN_CREAM: f64 = 0.58;
const WATER_IN_BUTTER: f64 = 0.16;
/// Density of ganache, g/cm³ (*custom*).
const DENSITY: f64 = 1.18;
/// Butter goes in between these, °C (docs/craft.md, section 6).
pub const BUTTER_IN_C: [f64; 2] = [30.0, 34.0];
/// Piped no warmer than this, or it melts the shell, °C.
pub const PIPE_BELOW_C: f64 = 29.0;
/// Keeping, days: in a cool room, and sealed at 4–6 °C (*custom*: the label says so).
pub const KEEPS_DAYS: [u32; 2] = [10, 21];

/// Sealed in the cold: so cold, °C (*custom*).
pub const COLD_C: [f64; 2] = [4.0, 6.0];

/// Density of ganache.
#[must_use]
pub fn density() -> MassDensity {
    grams_per_cubic_centimetre(DENSITY)
}

/// How warm it may be piped at most.
#[must_use]
pub fn pipe_below() -> Temperature {
    celsius(PIPE_BELOW_C)
}

/// Chocolate to one of cream by which a family's ganache pipes, soft to firm
/// (docs/craft.md, section 6).
#[must_use]
pub fn usual_ratio(family: Family) -> [f64; 2] {
    match family {
        Family::Dark | Family::Coating => [1.0, 2.0],
        Family::Milk => [2.0, 2.5],
        Family::White | Family::Ruby | Family::Blond | Family::CocoaButter => [2.5, 3.0],
    }
}

/// A ganache.
#[derive(Clone, Debug, PartialEq)]
pub struct Ganache {
    /// Chocolate in it.
    pub chocolate: Mass,
    /// Cream.
    pub cream: Mass,
    /// Butter.
    pub butter: Mass,
    /// All of it.
    pub total: Mass,
    /// The share of water, 0 to 1: what makes it perish.
    pub water: f64,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// So much ganache, of so much chocolate to one of cream, with butter as a share of
/// both.
#[must_use]
pub fn ganache(family: Family, ratio: f64, butter_share: f64, total: Mass) -> Ganache {
    let base = total / (1.0 + butter_share);
    let cream = base / (1.0 + ratio);
    let chocolate = base - cream;
    let butter = total - base;
    let water =
        (in_grams(cream) * WATER_IN_CREAM + in_grams(butter) * WATER_IN_BUTTER) / in_grams(total);
    let mut working = vec![
        Working::new("chocolate to one of cream", ratio, "parts"),
        Working::new("chocolate", in_grams(chocolate), "g"),
        Working::new("cream", in_grams(cream), "g"),
    ];
    if butter > grams(0.0) {
        working.push(Working::new("butter", in_grams(butter), "g"));
    }
    working.push(Working::new("water in it", water * 100.0, "%"));
    Ganache {
        chocolate,
        cream,
        butter,
        total,
        water,
        notes: remarks(family, ratio, water),
        working,
    }
}

fn remarks(family: Family, ratio: f64, water: f64) -> Vec<Note> {
    let [soft, firm] = usual_ratio(family);
    let mut notes = Vec::new();
    if ratio < soft {
        notes.push(Note::caution("ganache-soft", say::ganache_soft(soft, &family)));
    }
    if ratio > firm {
        notes.push(Note::info("ganache-firm", say::ganache_firm(firm)));
    }
    notes.push(Note::info("ganache-order", say::ganache_order(BUTTER_IN_C, celsius(PIPE_BELOW_C))));
    notes.push(Note::caution("perishable", keeping(water).text));
    notes
}

/// How long a filling with cream keeps, and why no longer.
#[must_use]
pub fn keeping(water: f64) -> Lasts {
    let text = say::keeps(water * 100.0, &KEEPS_DAYS[0], &KEEPS_DAYS[1], COLD_C);
    Lasts::cold(f64::from(KEEPS_DAYS[0]), text)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_ratio_is_kept_and_what_is_in_it_adds_up() {
        let two_to_one = ganache(Family::Milk, 2.0, 0.0, grams(300.0));
        assert!((in_grams(two_to_one.chocolate) - 200.0).abs() < 1e-9);
        assert!((in_grams(two_to_one.cream) - 100.0).abs() < 1e-9);
        assert!((two_to_one.water - 0.58 / 3.0).abs() < 1e-9);
        let buttered = ganache(Family::Dark, 1.5, 0.1, grams(330.0));
        assert!((in_grams(buttered.butter) - 30.0).abs() < 1e-9);
        let parts = buttered.chocolate + buttered.cream + buttered.butter;
        assert!((in_grams(parts) - 330.0).abs() < 1e-9);
    }

    #[test]
    fn soft_and_firm_depend_on_the_family_and_all_of_it_perishes() {
        let codes = |family, ratio| {
            let made = ganache(family, ratio, 0.0, grams(100.0));
            made.notes.into_iter().map(|n| n.code.into_owned()).collect::<Vec<_>>()
        };
        assert!(codes(Family::White, 2.0).contains(&"ganache-soft".to_owned()));
        assert!(!codes(Family::Milk, 2.0).contains(&"ganache-soft".to_owned()));
        assert!(codes(Family::Dark, 2.5).contains(&"ganache-firm".to_owned()));
        for family in Family::ALL {
            assert!(codes(family, 2.0).contains(&"perishable".to_owned()));
        }
    }
}
