//! The pantry: goods, sugars, dairy, spirits, sticks and packaging, beside the chocolates.
//!
//! Goods are counted in what they are bought in: grams, millilitres or pieces. A plan takes them
//! by mass; what a millilitre or a piece weighs says how many that is.

mod known;
mod usual;

pub use known::{GoodsNotes, Spooned};
pub use usual::{named, usual};

use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

use crate::allergens::LabelInputs;
use crate::check::{self, Bounds, Checker};
use crate::scale::whole_up;
use crate::units::{Mass, grams, in_grams};
use crate::words::worded;

/// The longest name.
const LONGEST_NAME: usize = 80;
/// The longest text of a label.
const LONGEST_LABEL: usize = 2_000;

worded! {
    /// What goods are counted in.
    CountedIn {
        /// Grams.
        Grams = "g",
        /// Millilitres.
        Millilitres = "ml",
        /// Pieces.
        Pieces = "piece",
    }
}

worded! {
    /// What sort of goods it is: where it stands in the pantry.
    Sort {
        /// Nuts and seeds.
        Nuts = "nuts",
        /// Fruit, dried or candied.
        Fruit = "fruit",
        /// What is baked or puffed.
        Crisp = "crisp",
        /// Spices, salt, and what is strewn for the look of it.
        Strewn = "strewn",
        /// Sugars and syrups.
        Sugar = "sugar",
        /// Dairy and fats.
        Dairy = "dairy",
        /// Juices, purées, spirits and flavours.
        Liquid = "liquid",
        /// Sticks, sheets and paper.
        Sticks = "sticks",
        /// What it is packed in.
        Packaging = "packaging",
        /// Anything else.
        Other = "other",
    }
}

impl CountedIn {
    /// What is still to be bought where so much is needed and so much is left: a gram, a millilitre,
    /// a piece at the least. Half a piece that is left is no piece, a sum's dust is not missing.
    pub(crate) fn missing(self, needed: f64, left: f64) -> f64 {
        match self {
            Self::Pieces => (needed - left.floor()).max(0.0),
            Self::Grams | Self::Millilitres if needed - left > 1e-6 => (needed - left).max(1.0),
            Self::Grams | Self::Millilitres => 0.0,
        }
    }
}

impl Sort {
    /// Whether it is eaten.
    #[must_use]
    pub const fn is_food(self) -> bool {
        !matches!(self, Self::Sticks | Self::Packaging)
    }
}

/// Goods in the pantry.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GoodsInputs {
    /// What the maker calls them.
    pub name: String,
    /// What they are counted in.
    pub unit: CountedIn,
    /// What sort they are.
    #[serde(default = "other")]
    pub sort: Sort,
    /// How much is in a pack, in what they are counted in.
    #[serde(default)]
    pub pack_size: Option<f64>,
    /// What a pack costs, in the maker's own money.
    #[serde(default)]
    pub pack_price: Option<f64>,
    /// How wide one of them is.
    #[serde(default)]
    pub across_mm: Option<f64>,
    /// What one of them weighs.
    #[serde(default)]
    pub each_g: Option<f64>,
    /// Their own density, without the air between them.
    #[serde(default)]
    pub density_g_cm3: Option<f64>,
    /// What else is known of them.
    #[serde(default)]
    pub known: GoodsNotes,
    /// The pack's best-before date.
    #[serde(default)]
    pub best_before: Option<NaiveDate>,
    /// What else the label says: ingredients.
    #[serde(default)]
    pub label: String,
    /// What it says of allergens, where the maker put that in.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub allergens: Option<LabelInputs>,
}

const fn other() -> Sort {
    Sort::Other
}

impl GoodsInputs {
    /// Goods of which no more is known than their name and what they are counted in.
    #[must_use]
    pub fn called(name: &str, unit: CountedIn) -> Self {
        Self {
            name: name.to_owned(),
            unit,
            sort: Sort::Other,
            pack_size: None,
            pack_price: None,
            across_mm: None,
            each_g: None,
            density_g_cm3: None,
            known: GoodsNotes::default(),
            best_before: None,
            label: String::new(),
            allergens: None,
        }
    }

    /// Notes what is wrong with them.
    pub fn check(&self, check: &mut Checker) {
        check.text("name", &self.name, LONGEST_NAME);
        check.remark("label", &self.label, LONGEST_LABEL);
        check.optional("pack_size", self.pack_size, check::PACK);
        check.optional("pack_price", self.pack_price, check::PACK_PRICE);
        check.optional("across_mm", self.across_mm, check::TOPPING_MM);
        check.optional("each_g", self.each_g, check::TOPPING_G);
        check.optional("density_g_cm3", self.density_g_cm3, check::DENSITY_G_CM3);
        self.known.check("known", check);
    }

    /// Between which values so much of them on the shelf is taken.
    #[must_use]
    pub const fn stock_bounds(unit: CountedIn) -> Bounds {
        match unit {
            CountedIn::Grams => check::STOCK_G,
            CountedIn::Millilitres => check::STOCK_ML,
            CountedIn::Pieces => check::STOCK_PIECES,
        }
    }

    /// How much of them weighs so much, in what they are counted in: whole pieces, begun ones
    /// too. `None` where it is not known what a millilitre or a piece weighs.
    ///
    /// ```
    /// use craft::pantry::{CountedIn, GoodsInputs, GoodsNotes};
    /// use craft::units::grams;
    ///
    /// let known = GoodsNotes { bulk_g_ml: Some(0.95), ..GoodsNotes::default() };
    /// let spirit = GoodsInputs { known, ..GoodsInputs::called("spirit", CountedIn::Millilitres) };
    /// assert_eq!(spirit.counted(grams(19.0)).map(f64::round), Some(20.0));
    ///
    /// let bags = GoodsInputs::called("bags", CountedIn::Pieces);
    /// assert_eq!(bags.counted(grams(19.0)), None);
    /// ```
    #[must_use]
    pub fn counted(&self, mass: Mass) -> Option<f64> {
        let mass_g = in_grams(mass);
        match self.unit {
            CountedIn::Grams => Some(mass_g),
            CountedIn::Millilitres => Some(mass_g / self.known.bulk_g_ml?),
            CountedIn::Pieces => Some(whole_up(mass_g / self.each_g?)),
        }
    }

    /// What so much of them weighs; `None` where it is not known what a millilitre or a piece does.
    #[must_use]
    pub fn weighing(&self, amount: f64) -> Option<Mass> {
        let each_g = match self.unit {
            CountedIn::Grams => 1.0,
            CountedIn::Millilitres => self.known.bulk_g_ml?,
            CountedIn::Pieces => self.each_g?,
        };
        Some(grams(amount * each_g))
    }

    /// What so much of them costs, by the pack; `None` where pack or price is not known.
    #[must_use]
    pub fn cost(&self, amount: f64) -> Option<f64> {
        Some(self.pack_price? * amount / self.pack_size?)
    }

    /// How many packs so much is: whole ones; `None` where it is not known what one holds.
    #[must_use]
    pub fn packs(&self, amount: f64) -> Option<f64> {
        Some(whole_up(amount / self.pack_size?))
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn goods_are_counted_in_what_they_are_bought_in() {
        let star =
            GoodsInputs { each_g: Some(0.06), ..GoodsInputs::called("stars", CountedIn::Pieces) };
        assert_eq!(star.counted(grams(6.0)), Some(100.0));
        assert_eq!(star.counted(grams(6.01)), Some(101.0), "a begun one is one");
        let flour = GoodsInputs::called("flour", CountedIn::Grams);
        assert_eq!(flour.counted(grams(6.0)).map(f64::round), Some(6.0));
        let cream = GoodsInputs::called("cream", CountedIn::Millilitres);
        assert_eq!(cream.counted(grams(6.0)), None, "nobody said what a millilitre weighs");
        assert_eq!(cream.weighing(6.0), None);
    }

    #[test]
    fn what_is_bought_is_whole_packs_and_what_is_used_costs_its_share() {
        let oil = GoodsInputs {
            pack_size: Some(250.0),
            pack_price: Some(4.0),
            ..GoodsInputs::called("oil", CountedIn::Millilitres)
        };
        assert_eq!(oil.packs(251.0), Some(2.0));
        assert_eq!(oil.packs(250.0), Some(1.0));
        assert_eq!(oil.cost(25.0), Some(0.4));
        assert_eq!(GoodsInputs::called("oil", CountedIn::Grams).packs(1.0), None);
    }

    #[test]
    fn what_cannot_be_is_refused_by_its_field() {
        let odd = GoodsInputs {
            name: String::new(),
            pack_size: Some(0.0),
            density_g_cm3: Some(0.0),
            across_mm: Some(-1.0),
            known: GoodsNotes { water_pct: Some(120.0), ..GoodsNotes::default() },
            ..GoodsInputs::called("odd", CountedIn::Grams)
        };
        let mut check = Checker::new();
        odd.check(&mut check);
        let faults = check.finish().expect_err("faults");
        let fields: Vec<_> = faults.iter().map(|fault| fault.field.as_str()).collect();
        assert_eq!(fields, ["name", "pack_size", "across_mm", "density_g_cm3", "known.water_pct"]);
    }
}
