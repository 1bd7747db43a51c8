//! Oil, butter or coconut fat that is stirred into chocolate: it works cooler, sets slower and
//! stays softer.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::Chocolate;
use crate::catalogue::chocolate as say;
use crate::check::{self, Checker};
use crate::note::Note;
use crate::units::{Mass, degrees, in_percent, percent_of};

/// Per per cent of added fat, the working band, where temper is lost and where it gets thick go
/// down by so much, C° (*custom*).
const COOLER_C: f64 = 0.3;
/// And setting takes so much longer (*custom*).
const SLOWER: f64 = 0.06;
/// Above this couverture gets soft and slow, % (*custom*).
const SOFT_FROM_PCT: f64 = 3.0;
/// Above this coconut fat and cocoa butter soften each other and bloom early, % (*custom*).
const EUTECTIC_FROM_PCT: f64 = 5.0;

/// A fat that is stirred in.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum AddedFat {
    /// An oil without much taste.
    Oil,
    /// Butter: a sixth of it is water.
    Butter,
    /// Coconut fat.
    CoconutFat,
}

impl AddedFat {
    /// What it is called: as the goods of the pantry are.
    #[must_use]
    pub const fn name(self) -> &'static str {
        match self {
            Self::Oil => "sunflower oil",
            Self::Butter => "butter",
            Self::CoconutFat => "coconut fat",
        }
    }

    /// How much of it is fat.
    pub(crate) const fn fat(self) -> f64 {
        match self {
            Self::Oil | Self::CoconutFat => 1.0,
            Self::Butter => 0.82,
        }
    }
}

/// So much of a fat, of the whole.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AddedFatInputs {
    /// Which.
    pub fat: AddedFat,
    /// How much of it is in the whole.
    pub share_pct: f64,
    /// The goods on the shelf that it is taken from; those of its name, if left out, filled in from
    /// the shelf.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub goods_id: Option<Uuid>,
}

impl AddedFatInputs {
    /// Notes faults under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) {
        check.number(format_args!("{field}.share_pct"), self.share_pct, check::ADDED_FAT_PCT);
    }

    /// What of so much is fat that is stirred in.
    ///
    /// ```
    /// use craft::chocolate::{AddedFat, AddedFatInputs};
    /// use craft::units::{grams, in_grams};
    ///
    /// let oil = AddedFatInputs { fat: AddedFat::Oil, share_pct: 2.0, goods_id: None };
    /// assert!((in_grams(oil.of(grams(400.0))) - 8.0).abs() < 1e-9);
    /// ```
    #[must_use]
    pub fn of(&self, total: Mass) -> Mass {
        total * (self.share_pct / 100.0)
    }

    /// A chocolate with it stirred in. A coating has no temper to lose; it only sets slower.
    #[must_use]
    pub fn stirred_into(&self, chocolate: Chocolate) -> Chocolate {
        let share = self.share_pct / 100.0;
        let mut windows = chocolate.windows;
        if chocolate.family.tempers() {
            let cooler = degrees(COOLER_C * self.share_pct);
            windows.work.lo -= cooler;
            windows.work.hi -= cooler;
            windows.lost = windows.lost.map(|lost| lost - cooler);
            windows.thick -= cooler;
        }
        Chocolate {
            windows,
            fat: percent_of(
                in_percent(chocolate.fat) * (1.0 - share) + self.share_pct * self.fat.fat(),
            ),
            sets_slower: chocolate.sets_slower * (1.0 + SLOWER * self.share_pct),
            ..chocolate
        }
    }

    /// What is to be minded of it.
    #[must_use]
    pub fn remarks(&self, chocolate: &Chocolate) -> Vec<Note> {
        let name = self.fat.name();
        let mut notes = vec![Note::info("fat-added", say::fat_added(name, self.share_pct))];
        if chocolate.family.tempers() && self.share_pct > SOFT_FROM_PCT {
            notes.push(Note::caution("fat-soft", say::fat_soft(self.share_pct, name)));
        }
        match self.fat {
            AddedFat::Butter => notes.push(Note::caution("butter-water", say::butter_water())),
            AddedFat::CoconutFat
                if chocolate.family.tempers() && self.share_pct > EUTECTIC_FROM_PCT =>
            {
                notes.push(Note::caution("fats-soften", say::fats_soften()));
            }
            AddedFat::CoconutFat | AddedFat::Oil => {}
        }
        notes
    }
}

#[cfg(test)]
mod tests {
    use super::super::Family;
    use super::*;
    use crate::units::in_celsius;

    fn with(fat: AddedFat, share_pct: f64, family: Family) -> (Chocolate, Vec<String>) {
        let added = AddedFatInputs { fat, share_pct, goods_id: None };
        let chocolate = added.stirred_into(Chocolate::of(family));
        let codes =
            added.remarks(&chocolate).into_iter().map(|note| note.code.into_owned()).collect();
        (chocolate, codes)
    }

    #[test]
    fn each_per_cent_takes_three_tenths_off_every_bound_of_the_work() {
        let plain = Chocolate::of(Family::Dark);
        let (oiled, codes) = with(AddedFat::Oil, 2.0, Family::Dark);
        let by = |a, b| in_celsius(a) - in_celsius(b);
        assert!((by(plain.windows.work.hi, oiled.windows.work.hi) - 0.6).abs() < 1e-9);
        assert!((by(plain.windows.work.lo, oiled.windows.work.lo) - 0.6).abs() < 1e-9);
        assert!((by(plain.windows.thick, oiled.windows.thick) - 0.6).abs() < 1e-9);
        let lost = |of: &Chocolate| of.windows.lost.expect("it tempers");
        assert!((by(lost(&plain), lost(&oiled)) - 0.6).abs() < 1e-9);
        assert_eq!(
            (oiled.windows.melt, oiled.windows.limit),
            (plain.windows.melt, plain.windows.limit)
        );
        assert!((oiled.sets_slower - 1.12).abs() < 1e-9);
        assert!(in_percent(oiled.fat) > in_percent(plain.fat));
        assert_eq!(codes, ["fat-added"]);
    }

    #[test]
    fn what_softens_is_said_by_how_much_there_is_of_it() {
        let codes = |fat, pct, family| with(fat, pct, family).1.join(" ");
        assert!(codes(AddedFat::Oil, 4.0, Family::Dark).contains("fat-soft"));
        assert!(codes(AddedFat::Butter, 1.0, Family::Dark).contains("butter-water"));
        assert!(codes(AddedFat::CoconutFat, 6.0, Family::Milk).contains("fats-soften"));
        assert_eq!(codes(AddedFat::CoconutFat, 6.0, Family::Coating), "fat-added");
        let plain = Chocolate::of(Family::Coating);
        assert_eq!(with(AddedFat::Oil, 6.0, Family::Coating).0.windows, plain.windows);
    }
}
