//! What fillings are made of, and what is in each: water, fat, and what is dissolved in the
//! water.

use serde::{Deserialize, Serialize};

use crate::check::{self, Checker};

/// What dissolves in a filling's water, and lowers its activity (Norrish's constant, and the
/// molar mass).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Solute {
    Sucrose,
    Lactose,
    Glucose,
    GlucoseSyrup,
    Sorbitol,
    Alcohol,
}

impl Solute {
    pub(super) const ALL: [Self; 6] = [
        Self::Sucrose,
        Self::Lactose,
        Self::Glucose,
        Self::GlucoseSyrup,
        Self::Sorbitol,
        Self::Alcohol,
    ];

    /// Norrish's *K* (published values; that of alcohol is rough).
    pub(super) const fn constant(self) -> f64 {
        match self {
            Self::Sucrose => 6.47,
            Self::Lactose => 10.2,
            Self::Glucose => 2.25,
            Self::GlucoseSyrup => 2.31,
            Self::Sorbitol => 1.65,
            Self::Alcohol => 0.9,
        }
    }

    /// g/mol; glucose syrup's is the mean for a DE of 42.
    pub(super) const fn molar_mass(self) -> f64 {
        match self {
            Self::Sucrose | Self::Lactose => 342.0,
            Self::Glucose => 180.0,
            Self::GlucoseSyrup => 430.0,
            Self::Sorbitol => 182.0,
            Self::Alcohol => 46.0,
        }
    }
}

/// What is in a hundred grams of something.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Composition {
    /// Water.
    pub water: f64,
    /// Fat.
    pub fat: f64,
    /// What is dissolved in the water, by its kind.
    pub(super) solutes: [Option<(Solute, f64)>; 2],
    /// Whether it is chocolate, and how far it sets a filling against as much dark.
    pub(super) sets: f64,
    /// Whether it is of milk or fruit, and spoils.
    pub(super) perishes: bool,
}

/// An ingredient whose composition is known.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
// What cups of are weighed has that name in the description of the API already.
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(as = FillingIngredient))]
pub enum Ingredient {
    /// Cream of 35 % fat.
    #[serde(rename = "cream_35")]
    Cream,
    /// Butter.
    Butter,
    /// Milk.
    Milk,
    /// Dark chocolate of 66 %.
    #[serde(rename = "dark_66")]
    Dark,
    /// Milk chocolate of 38 %.
    #[serde(rename = "milk_38")]
    MilkChocolate,
    /// White chocolate of 31 %.
    #[serde(rename = "white_31")]
    White,
    /// Fruit purée with sugar in it.
    PureeSweetened,
    /// Fruit purée without.
    Puree,
    /// Juice of lemons, oranges or limes.
    CitrusJuice,
    /// Glucose syrup.
    GlucoseSyrup,
    /// Invert syrup.
    InvertSyrup,
    /// Honey.
    Honey,
    /// Sorbitol powder.
    Sorbitol,
    /// Spirit of 40 % by volume.
    #[serde(rename = "spirit_40")]
    Spirit,
    /// A paste of nuts alone.
    NutPaste,
    /// Water.
    Water,
    /// Sugar.
    Sugar,
}

impl Ingredient {
    /// What it is called: as the goods of the pantry are, where they are the same.
    #[must_use]
    pub const fn usual_name(self) -> &'static str {
        match self {
            Self::Cream => "cream",
            Self::Butter => "butter",
            Self::Milk => "milk",
            Self::Dark => "dark chocolate for the filling",
            Self::MilkChocolate => "milk chocolate for the filling",
            Self::White => "white chocolate for the filling",
            Self::PureeSweetened => "sweetened fruit purée",
            Self::Puree => "fruit purée",
            Self::CitrusJuice => "lemon juice",
            Self::GlucoseSyrup => "glucose syrup",
            Self::InvertSyrup => "invert syrup",
            Self::Honey => "honey",
            Self::Sorbitol => "sorbitol powder",
            Self::Spirit => "spirit of 40 %",
            Self::NutPaste => "nut paste",
            Self::Water => "water",
            Self::Sugar => "sugar",
        }
    }

    /// What is in it (*custom*; labels differ).
    #[must_use]
    pub fn composition(self) -> Composition {
        use Solute as S;
        let (water, fat, solutes) = match self {
            Self::Cream => (58.0, 35.0, [Some((S::Lactose, 3.0)), None]),
            Self::Butter => (16.0, 82.0, [None, None]),
            Self::Milk => (87.0, 4.0, [Some((S::Lactose, 5.0)), None]),
            Self::Dark => (0.7, 40.0, [Some((S::Sucrose, 33.0)), None]),
            Self::MilkChocolate => (1.0, 36.0, [Some((S::Sucrose, 38.0)), Some((S::Lactose, 7.0))]),
            Self::White => (1.0, 38.0, [Some((S::Sucrose, 36.0)), Some((S::Lactose, 9.0))]),
            Self::PureeSweetened => (78.0, 0.0, [Some((S::Glucose, 17.0)), None]),
            Self::Puree => (87.0, 0.0, [Some((S::Glucose, 8.0)), None]),
            Self::CitrusJuice => (90.0, 0.0, [Some((S::Glucose, 4.0)), None]),
            Self::GlucoseSyrup => (20.0, 0.0, [Some((S::GlucoseSyrup, 80.0)), None]),
            Self::InvertSyrup => (22.0, 0.0, [Some((S::Glucose, 78.0)), None]),
            Self::Honey => (18.0, 0.0, [Some((S::Glucose, 80.0)), None]),
            Self::Sorbitol => (0.0, 0.0, [Some((S::Sorbitol, 100.0)), None]),
            Self::Spirit => (67.0, 0.0, [Some((S::Alcohol, 33.0)), None]),
            Self::NutPaste => (1.0, 60.0, [Some((S::Sucrose, 5.0)), None]),
            Self::Water => (100.0, 0.0, [None, None]),
            Self::Sugar => (0.0, 0.0, [Some((S::Sucrose, 100.0)), None]),
        };
        let sets = match self {
            Self::Dark => 1.0,
            Self::MilkChocolate => 0.65,
            Self::White => 0.55,
            _ => 0.0,
        };
        let perishes = matches!(
            self,
            Self::Cream
                | Self::Butter
                | Self::Milk
                | Self::PureeSweetened
                | Self::Puree
                | Self::CitrusJuice
        );
        Composition { water, fat, solutes, sets, perishes }
    }
}

/// An ingredient of the maker's own, by what its label says.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnComposition {
    /// Its water.
    pub water_pct: f64,
    /// Its fat.
    pub fat_pct: f64,
    /// Its sugars.
    pub sugar_pct: f64,
}

/// What is put in: one that is known, or the maker's own.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(untagged)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PartOf {
    /// One that is known.
    Known(Ingredient),
    /// The maker's own.
    Own(OwnComposition),
}

impl PartOf {
    /// What is in it, with faults noted under `field`.
    pub fn check(self, field: &str, check: &mut Checker) -> Composition {
        match self {
            Self::Known(known) => known.composition(),
            Self::Own(OwnComposition { water_pct, fat_pct, sugar_pct }) => {
                let mut number = |name: &str, value: f64| {
                    check.number(format_args!("{field}.{name}"), value, check::GOODS_PCT)
                };
                let water = number("water_pct", water_pct);
                let fat = number("fat_pct", fat_pct);
                let sugar = number("sugar_pct", sugar_pct);
                if !check.has_faults() && water + fat + sugar > 100.0 {
                    let message = crate::catalogue::filling::more_than_all(water + fat + sugar);
                    check.fault(format!("{field}.sugar_pct"), message);
                }
                Composition {
                    water,
                    fat,
                    solutes: [Some((Solute::Sucrose, sugar)), None],
                    sets: 0.0,
                    // What is not known may be of milk or fruit.
                    perishes: water > 0.0,
                }
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::AddedFat;
    use crate::pantry::named;

    #[test]
    fn the_pantry_and_added_fat_say_the_same_of_water_and_fat() {
        use Ingredient as I;
        let all = [
            I::Cream,
            I::Butter,
            I::Milk,
            I::Puree,
            I::CitrusJuice,
            I::GlucoseSyrup,
            I::InvertSyrup,
            I::Honey,
            I::Sorbitol,
            I::Spirit,
            I::NutPaste,
            I::Sugar,
        ];
        for ingredient in all {
            let name = ingredient.usual_name();
            let known = named(name).unwrap_or_else(|| panic!("{name} is a common thing")).known;
            let Composition { water, fat, .. } = ingredient.composition();
            assert_eq!((known.water_pct, known.fat_pct), (Some(water), Some(fat)), "{name}");
        }
        for fat in [AddedFat::Oil, AddedFat::Butter, AddedFat::CoconutFat] {
            let known = named(fat.name()).unwrap_or_else(|| panic!("{}", fat.name())).known;
            assert_eq!(known.fat_pct, Some(fat.fat() * 100.0), "{}", fat.name());
        }
    }
}
