//! Goods by cups and spoons, and what is known of them besides their name.

use std::fmt::Display;

use serde::{Deserialize, Serialize};

use crate::catalogue::work::goods as say;
use crate::check::{self, Checker};
use crate::measure::{Unit, convert};
use crate::note::Note;
use crate::units::{Mass, Temperature, celsius, grams, in_celsius};

/// Goods this much warmer than the room are warm from the oven, C° (*custom*).
const WARM_BY: f64 = 5.0;
/// Goods with more water than this are moist, % (*custom*: dried fruit that keeps has 15 to 18): sugar
/// bloom and a short life.
const MOIST_PCT: f64 = 20.0;
/// Goods with more fat than this give it to the chocolate in time, % (*custom*).
const FATTY_PCT: f64 = 40.0;

/// What dry goods are measured with.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Spooned {
    /// US cups.
    Cup,
    /// US tablespoons.
    Tablespoon,
    /// US teaspoons.
    Teaspoon,
}

impl Spooned {
    /// What so many weigh, of goods of which a millilitre weighs `bulk_g_ml`.
    pub(crate) fn weigh(self, count: f64, bulk_g_ml: f64) -> Mass {
        let unit = match self {
            Self::Cup => Unit::Cup,
            Self::Tablespoon => Unit::Tablespoon,
            Self::Teaspoon => Unit::Teaspoon,
        };
        // Volumes turn into volumes without knowing of what.
        let ml = convert(count, unit, Unit::Millilitre, None).map_or(0.0, |ml| ml.value);
        grams(ml * bulk_g_ml)
    }
}

/// What is known of goods besides their size, where it is.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GoodsNotes {
    /// What a millilitre of them weighs as they are poured: needed where cups or spoons are
    /// stated.
    pub bulk_g_ml: Option<f64>,
    /// How warm they are; as the room where it is not stated.
    pub temp_c: Option<f64>,
    /// Their water.
    pub water_pct: Option<f64>,
    /// Their fat.
    pub fat_pct: Option<f64>,
}

impl GoodsNotes {
    /// Whether they are moist: chocolate does not keep with them.
    #[must_use]
    pub fn are_moist(&self) -> bool {
        self.water_pct.is_some_and(|water| water > MOIST_PCT)
    }

    /// What is known here, and what is not known here from another.
    #[must_use]
    pub fn over(self, other: Self) -> Self {
        Self {
            bulk_g_ml: self.bulk_g_ml.or(other.bulk_g_ml),
            // How warm they are is a matter of the day, not of the shelf.
            temp_c: other.temp_c.or(self.temp_c),
            water_pct: self.water_pct.or(other.water_pct),
            fat_pct: self.fat_pct.or(other.fat_pct),
        }
    }

    /// Notes faults under `field`.
    pub(crate) fn check(&self, field: impl Display, check: &mut Checker) {
        for (name, value, bounds) in [
            ("bulk_g_ml", self.bulk_g_ml, check::BULK_G_ML),
            ("temp_c", self.temp_c, check::GOODS_C),
            ("water_pct", self.water_pct, check::GOODS_PCT),
            ("fat_pct", self.fat_pct, check::GOODS_PCT),
        ] {
            if let Some(value) = value {
                check.number(format_args!("{field}.{name}"), value, bounds);
            }
        }
    }

    /// What so many cups or spoons of them weigh, with a fault under `field` where it is not
    /// known.
    pub(crate) fn spooned(
        &self,
        field: impl Display,
        count: f64,
        of: Spooned,
        check: &mut Checker,
    ) -> Mass {
        let Some(bulk) = self.bulk_g_ml else {
            check.fault(format!("{field}.known.bulk_g_ml"), say::bulk_needed());
            return grams(count);
        };
        of.weigh(count, bulk)
    }

    /// How warm they are.
    pub(crate) fn temp(&self, room: Temperature) -> Temperature {
        self.temp_c.map_or(room, celsius)
    }

    /// What is to be minded of goods of this name.
    pub(crate) fn remarks(&self, name: &str, room: Temperature) -> Vec<Note> {
        let mut notes = Vec::new();
        let room_c = in_celsius(room);
        if let Some(temp_c) = self.temp_c.filter(|temp_c| *temp_c > room_c + WARM_BY) {
            notes.push(Note::caution("goods-warm", say::warm(name, celsius(temp_c))));
        }
        if self.water_pct.is_some_and(|water| water > MOIST_PCT) {
            notes.push(Note::caution("goods-moist", say::moist(name)));
        }
        if self.fat_pct.is_some_and(|fat| fat > FATTY_PCT) {
            notes.push(Note::info("goods-fatty", say::fatty(name)));
        }
        notes
    }
}
