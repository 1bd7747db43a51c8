//! Dry goods folded into the chocolate: by ratio, up to what it can bind.
//!
//! With *p* parts of dry goods to one of chocolate, by mass, a slab of volume V
//! holds m = V / (1/ρ + p/ρ_dry) of chocolate and p·m of dry goods.

use crate::catalogue::spread as say;
use crate::note::{Note, Working};
use crate::units::{Mass, MassDensity, in_grams, in_grams_per_cubic_centimetre};

/// Chocolate binds about so many parts of dry goods to one of it (*custom*).
pub const MOST_PARTS: f64 = 1.2;

/// Dry goods as they usually are: name, and what a cubic centimetre of one of them
/// weighs, without the air between them (*custom*).
pub const USUAL: [(&str, f64); 7] = [
    ("chopped nuts", 1.05),
    ("raisins", 1.35),
    ("dried sour cherries", 1.3),
    ("flake cereal", 0.4),
    ("puffed cereal", 0.2),
    ("mini marshmallow", 0.35),
    ("biscuit bits", 0.7),
];

/// Dry goods to be folded in.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct MixedIn {
    /// Parts of it to one of chocolate, by mass.
    pub parts: f64,
    /// Its own density, without the air between the pieces.
    pub density: MassDensity,
}

/// Dry goods that are folded in.
#[derive(Clone, Debug, PartialEq)]
pub struct Mixed {
    /// How much of them.
    pub dry: Mass,
    /// The share of the room that they take up, 0 to 1.
    pub volume_share: f64,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

impl Mixed {
    /// What is folded into so much chocolate of a density.
    #[must_use]
    pub fn into_mass(goods: MixedIn, chocolate: Mass, density: MassDensity) -> Self {
        let dry = chocolate * goods.parts;
        let (of_dry, of_chocolate) = (dry / goods.density, chocolate / density);
        Self {
            dry,
            volume_share: (of_dry / (of_dry + of_chocolate)).value,
            notes: vec![Note::info("mixed-cold", say::mixed_cold())],
            working: vec![
                Working::new("parts to one of chocolate", goods.parts, ""),
                Working::new(
                    "a cubic centimetre of it weighs",
                    in_grams_per_cubic_centimetre(goods.density),
                    "g",
                ),
                Working::new("chocolate round it", in_grams(chocolate), "g"),
                Working::new("mixed in", in_grams(dry), "g"),
            ],
        }
    }
}
