//! Cups, ounces, inches: other measures than the kitchen scale's, and what they
//! come to.
//!
//! Between masses, volumes, lengths and temperatures the answer is exact. From a
//! volume to a mass it goes by how closely a dry good packs, and is marked as
//! approximate: weighing is always better (docs/craft.md, section 7).

mod typed;

pub use typed::{Typed, TypedError, read};

use crate::catalogue::measure as say;
use crate::message::{Message, spoken};
use serde::{Deserialize, Serialize};

/// A unit.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Unit {
    /// Degrees Celsius.
    #[serde(rename = "degC")]
    Celsius,
    /// Degrees Fahrenheit.
    #[serde(rename = "degF")]
    Fahrenheit,
    /// Grams.
    #[serde(rename = "g")]
    Gram,
    /// Kilograms.
    #[serde(rename = "kg")]
    Kilogram,
    /// Ounces.
    #[serde(rename = "oz")]
    Ounce,
    /// Pounds.
    #[serde(rename = "lb")]
    Pound,
    /// Millimetres.
    #[serde(rename = "mm")]
    Millimetre,
    /// Centimetres.
    #[serde(rename = "cm")]
    Centimetre,
    /// Inches.
    #[serde(rename = "in")]
    Inch,
    /// Millilitres.
    #[serde(rename = "ml")]
    Millilitre,
    /// US cups.
    #[serde(rename = "cup")]
    Cup,
    /// US tablespoons.
    #[serde(rename = "tbsp")]
    Tablespoon,
    /// US teaspoons.
    #[serde(rename = "tsp")]
    Teaspoon,
}

/// What a unit measures.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Dimension {
    /// How warm.
    Temperature,
    /// How heavy.
    Mass,
    /// How long.
    Length,
    /// How much room it takes.
    Volume,
}

impl Unit {
    /// What it measures.
    #[must_use]
    pub fn dimension(self) -> Dimension {
        match self {
            Self::Celsius | Self::Fahrenheit => Dimension::Temperature,
            Self::Gram | Self::Kilogram | Self::Ounce | Self::Pound => Dimension::Mass,
            Self::Millimetre | Self::Centimetre | Self::Inch => Dimension::Length,
            Self::Millilitre | Self::Cup | Self::Tablespoon | Self::Teaspoon => Dimension::Volume,
        }
    }

    /// How many °C, g, mm or ml one of it is.
    fn size(self) -> f64 {
        match self {
            Self::Celsius | Self::Gram | Self::Millimetre | Self::Millilitre => 1.0,
            Self::Fahrenheit => 1.0 / 1.8,
            Self::Kilogram => 1_000.0,
            Self::Ounce => 28.349_523_125,
            Self::Pound => 453.592_37,
            Self::Centimetre => 10.0,
            Self::Inch => 25.4,
            Self::Cup => 236.588_236_5,
            Self::Tablespoon => 14.786_764_781_25,
            Self::Teaspoon => 4.928_921_593_75,
        }
    }

    /// Where its zero lies, °C.
    fn zero_offset(self) -> f64 {
        if self == Self::Fahrenheit { -32.0 / 1.8 } else { 0.0 }
    }
}

/// A dry good, or oil, of which it is known how closely it packs.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Ingredient {
    /// Chocolate chips.
    Chips,
    /// Small drops.
    Drops,
    /// Melting wafers.
    Wafers,
    /// Grated cocoa butter.
    GratedCocoaButter,
    /// Cocoa butter powder.
    CocoaButterPowder,
    /// Chopped nuts.
    ChoppedNuts,
    /// Raisins.
    Raisins,
    /// Flake cereal.
    FlakeCereal,
    /// Puffed cereal.
    PuffedCereal,
    /// Mini marshmallow.
    MiniMarshmallow,
    /// Crushed hard sweets.
    CrushedSweets,
    /// Oil.
    Oil,
}

impl Ingredient {
    /// What a millilitre of it weighs as it is poured, g (*custom*).
    #[must_use]
    pub fn grams_per_millilitre(self) -> f64 {
        match self {
            Self::Chips => 0.72,
            Self::Drops => 0.70,
            Self::Wafers => 0.62,
            Self::GratedCocoaButter => 0.50,
            Self::CocoaButterPowder => 0.45,
            Self::ChoppedNuts => 0.48,
            Self::Raisins => 0.65,
            Self::FlakeCereal => 0.12,
            Self::PuffedCereal => 0.08,
            Self::MiniMarshmallow => 0.19,
            Self::CrushedSweets => 0.75,
            Self::Oil => 0.92,
        }
    }
}

/// A measure in another unit.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Converted {
    /// How many of the other unit.
    pub value: f64,
    /// Whether it goes by how closely the ingredient packs.
    pub approximate: bool,
}

/// Why there is no conversion.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum ConversionError {
    /// The two do not measure the same.
    OtherDimension,
    /// From a volume to a mass, or back, it must be known of what.
    NoIngredient,
}

impl ConversionError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::OtherDimension => say::other_dimension(),
            Self::NoIngredient => say::no_ingredient(),
        }
    }
}

spoken!(ConversionError);

/// A value of one unit in another.
///
/// ```
/// use craft::measure::{Ingredient, Unit, convert};
///
/// let cup = convert(1.0, Unit::Cup, Unit::Gram, Some(Ingredient::Chips))?;
/// assert!((cup.value - 170.3).abs() < 0.1 && cup.approximate);
/// let hot = convert(115.0, Unit::Fahrenheit, Unit::Celsius, None)?;
/// assert!((hot.value - 46.11).abs() < 0.01 && !hot.approximate);
/// # Ok::<(), craft::measure::ConversionError>(())
/// ```
///
/// # Errors
/// Where the units do not measure the same, or an ingredient is missing.
pub fn convert(
    value: f64,
    from: Unit,
    to: Unit,
    ingredient: Option<Ingredient>,
) -> Result<Converted, ConversionError> {
    let base = value * from.size() + from.zero_offset();
    let (base, approximate) = match (from.dimension(), to.dimension()) {
        (a, b) if a == b => (base, false),
        (Dimension::Volume, Dimension::Mass) => {
            let ingredient = ingredient.ok_or(ConversionError::NoIngredient)?;
            (base * ingredient.grams_per_millilitre(), true)
        }
        (Dimension::Mass, Dimension::Volume) => {
            let ingredient = ingredient.ok_or(ConversionError::NoIngredient)?;
            (base / ingredient.grams_per_millilitre(), true)
        }
        _ => return Err(ConversionError::OtherDimension),
    };
    Ok(Converted { value: (base - to.zero_offset()) / to.size(), approximate })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_cup_of_anything_weighs_less_than_solid_and_more_than_puffed_cereal() {
        let all = [
            (Ingredient::Chips, 170.0),
            (Ingredient::Drops, 165.6),
            (Ingredient::Wafers, 146.7),
            (Ingredient::GratedCocoaButter, 118.3),
            (Ingredient::CocoaButterPowder, 106.5),
            (Ingredient::ChoppedNuts, 113.6),
            (Ingredient::Raisins, 153.8),
            (Ingredient::FlakeCereal, 28.4),
            (Ingredient::PuffedCereal, 18.9),
            (Ingredient::MiniMarshmallow, 45.0),
            (Ingredient::CrushedSweets, 177.4),
            (Ingredient::Oil, 217.7),
        ];
        for (ingredient, g) in all {
            let cup = convert(1.0, Unit::Cup, Unit::Gram, Some(ingredient)).expect("a mass");
            assert!((cup.value - g).abs() < 0.5, "{ingredient:?}: {} g", cup.value);
            assert!(cup.approximate, "{ingredient:?}");
            let back = convert(cup.value, Unit::Gram, Unit::Cup, Some(ingredient)).expect("cups");
            assert!((back.value - 1.0).abs() < 1e-9, "{ingredient:?}");
        }
    }

    const ALL: [Unit; 13] = [
        Unit::Celsius,
        Unit::Fahrenheit,
        Unit::Gram,
        Unit::Kilogram,
        Unit::Ounce,
        Unit::Pound,
        Unit::Millimetre,
        Unit::Centimetre,
        Unit::Inch,
        Unit::Millilitre,
        Unit::Cup,
        Unit::Tablespoon,
        Unit::Teaspoon,
    ];

    fn value(value: f64, from: Unit, to: Unit) -> f64 {
        convert(value, from, to, None).expect("the same dimension").value
    }

    #[test]
    fn known_conversions() {
        for (ours, theirs) in [
            (value(31.5, Unit::Celsius, Unit::Fahrenheit), 88.7),
            (value(32.0, Unit::Fahrenheit, Unit::Celsius), 0.0),
            (value(1.0, Unit::Pound, Unit::Ounce), 16.0),
            (value(12.0, Unit::Inch, Unit::Centimetre), 30.48),
            (value(1.0, Unit::Cup, Unit::Tablespoon), 16.0),
            (value(1.0, Unit::Tablespoon, Unit::Teaspoon), 3.0),
            (value(2.5, Unit::Kilogram, Unit::Gram), 2_500.0),
        ] {
            assert!((ours - theirs).abs() < 1e-9, "{ours} against {theirs}");
        }
    }

    #[test]
    fn there_and_back_is_the_same_or_is_refused() {
        for from in ALL {
            for to in ALL {
                match convert(7.25, from, to, Some(Ingredient::Raisins)) {
                    Ok(there) => {
                        let back = convert(there.value, to, from, Some(Ingredient::Raisins));
                        let back = back.expect("it goes back").value;
                        assert!((back - 7.25).abs() < 1e-9, "{from:?} {to:?}: {back}");
                        assert_eq!(there.approximate, from.dimension() != to.dimension());
                    }
                    Err(error) => {
                        assert_eq!(error, ConversionError::OtherDimension, "{from:?} {to:?}");
                        assert_ne!(from.dimension(), to.dimension());
                    }
                }
            }
        }
    }

    #[test]
    fn a_cup_of_what_must_be_said() {
        let cup = convert(1.0, Unit::Cup, Unit::Gram, None);
        assert_eq!(cup, Err(ConversionError::NoIngredient));
        let puffed = convert(1.0, Unit::Cup, Unit::Gram, Some(Ingredient::PuffedCereal));
        assert!((puffed.expect("known").value - 18.93).abs() < 0.01);
    }
}
