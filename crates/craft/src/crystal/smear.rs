//! A smear: a thin film that sets at room temperature and shows the temper.

use super::film::Film;
use super::{Crystals, Kinetics};
use crate::bowl::Seen;
use crate::chocolate::{Chocolate, Family};
use crate::units::{
    Time, in_grams_per_cubic_centimetre, in_joules_per_gram, in_joules_per_gram_degree, in_percent,
    in_seconds, seconds,
};

/// Thickness of a smear on paper, mm (*custom*); cocoa butter runs thinner.
const THICK_MM: f64 = 0.6;
const THIN_MM: f64 = 0.25;
/// Density melted, as a share of solid.
const MELTED_LIGHTER: f64 = 0.97;
/// Heat given to the room by its free face and the paper, W/(m²·K).
const TO_ROOM: f64 = 26.0;
/// Share of the fat that is crystals once the edge has set.
const EDGE_SET: f64 = 0.09;
/// Share of the fat that is crystals once it is dry to the touch.
const DRY: f64 = 0.30;
/// Of its crystals, the share that must be form V for an even satin.
const EVEN: f64 = 0.75;
/// A smear is not watched longer, s.
const LONGEST_S: f64 = 3_600.0;
/// A smear as it was taken from a bowl.
#[derive(Clone, Copy, Debug)]
pub struct Smear(Film);

impl Smear {
    /// A smear of a chocolate at a temperature, with its crystals, in a room.
    #[must_use]
    pub fn of(chocolate: &Chocolate, crystals: Crystals, temp_c: f64, room_c: f64) -> Self {
        let thick_mm = if chocolate.family == Family::CocoaButter { THIN_MM } else { THICK_MM };
        let grams_per_m2 = 1_000.0
            * in_grams_per_cubic_centimetre(chocolate.solid_density * MELTED_LIGHTER)
            * thick_mm;
        Self(Film {
            kinetics: Kinetics::of(chocolate),
            temp_c,
            crystals,
            around_c: room_c,
            to_around: TO_ROOM,
            heat_held: grams_per_m2
                * in_joules_per_gram_degree(chocolate.family.heat_when_melted()),
            heat_of_setting: grams_per_m2
                * in_joules_per_gram(Family::heat_of_melting_fat())
                * in_percent(chocolate.fat)
                / 100.0,
            stirring: 0.0,
            skin: 0.0,
        })
    }

    /// What it looks like at an age.
    #[must_use]
    pub fn look(&self, age: Time) -> Seen {
        let crystals = self.0.after(in_seconds(age).clamp(0.0, LONGEST_S)).crystals;
        match crystals.all() {
            all if all < EDGE_SET => Seen::StillWet,
            _ if crystals.share_stable() < EVEN => Seen::Streaks,
            all if all < DRY => Seen::SetsFromEdge,
            _ => Seen::EvenSatin,
        }
    }

    /// When it is dry to the touch; `None` where it is still wet after an hour.
    #[must_use]
    pub fn dry_after(&self) -> Option<Time> {
        self.0.first_time_at(DRY, LONGEST_S).map(seconds)
    }
}
