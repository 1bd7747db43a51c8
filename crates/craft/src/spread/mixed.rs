//! Dry goods folded into the chocolate: by ratio, up to what it can bind.
//!
//! With *p* parts of dry goods to one of chocolate, by mass, a slab of volume V
//! holds m = V / (1/ρ + p/ρ_dry) of chocolate and p·m of dry goods.

use super::Tray;
use super::slab::{FoldedIn, Size, Slab, slab};
use crate::chocolate::Chocolate;
use crate::note::{Note, Step};
use crate::units::{Length, Mass, MassDensity, in_grams, in_grams_per_cubic_centimetre};

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

/// Why it cannot be folded in.
#[derive(Clone, Copy, Debug, PartialEq, thiserror::Error)]
pub enum MixedInError {
    /// More than the chocolate can hold together.
    #[error(
        "must be at most {MOST_PARTS} to one of chocolate, or it does not hold together; it is {parts}"
    )]
    TooMuchToBind {
        /// Parts to one of chocolate.
        parts: f64,
    },
}

/// A slab with dry goods in it.
#[derive(Clone, Debug, PartialEq)]
pub struct Mixed {
    /// The slab: its chocolate, and what to weigh out.
    pub slab: Slab,
    /// The dry goods.
    pub dry: Mass,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Step>,
}

impl MixedIn {
    /// A slab of a thickness with dry goods folded in.
    ///
    /// # Errors
    /// Where it is more than the chocolate can bind.
    pub fn into_slab(
        self,
        chocolate: &Chocolate,
        tray: Tray,
        thickness: Length,
    ) -> Result<Mixed, MixedInError> {
        if self.parts > MOST_PARTS {
            return Err(MixedInError::TooMuchToBind { parts: self.parts });
        }
        let taken_up = chocolate.solid_density.recip() + self.density.recip() * self.parts;
        let chocolate_in_it: Mass = tray.area() * thickness / taken_up;
        let dry = chocolate_in_it * self.parts;
        let folded = FoldedIn { mass: dry, density: self.density };
        // There is room for the chocolate: its share of it is what is left.
        let slab = slab(chocolate, tray, Size::Thickness(thickness), &[folded])
            .map_err(|_| MixedInError::TooMuchToBind { parts: self.parts })?;
        Ok(Mixed {
            slab,
            dry,
            notes: vec![Note::info(
                "mixed-cold",
                "At room temperature, never warm from roasting: warm goods wreck the temper. Fold in \
                 gently, and name them on the label: nuts and the like are allergens.",
            )],
            sum: vec![
                Step::new("parts to one of chocolate", self.parts, ""),
                Step::new(
                    "a cubic centimetre of it weighs",
                    in_grams_per_cubic_centimetre(self.density),
                    "g",
                ),
                Step::new("chocolate round it", in_grams(chocolate_in_it), "g"),
                Step::new("mixed in", in_grams(dry), "g"),
            ],
        })
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::units::{grams_per_cubic_centimetre, millimetres, square_centimetres};

    fn mixed(parts: f64, density: f64) -> Result<Mixed, MixedInError> {
        let nuts = MixedIn { parts, density: grams_per_cubic_centimetre(density) };
        let dark = Chocolate::of(Family::Dark);
        nuts.into_slab(&dark, Tray::Area(square_centimetres(600.0)), millimetres(5.0))
    }

    #[test]
    fn the_volumes_add_up_and_the_ratio_holds() {
        let mixed = mixed(0.8, 1.05).expect("it binds");
        let (chocolate, dry) = (in_grams(mixed.slab.chocolate), in_grams(mixed.dry));
        assert!((dry / chocolate - 0.8).abs() < 1e-9, "{mixed:?}");
        assert!((chocolate / 1.29 + dry / 1.05 - 300.0).abs() < 1e-6, "{mixed:?}");
        assert!(mixed.slab.to_weigh > mixed.slab.chocolate);
    }

    #[test]
    fn light_goods_leave_less_room_for_chocolate() {
        let chocolate = |density| mixed(0.5, density).expect("it binds").slab.chocolate;
        assert!(chocolate(0.2) < chocolate(1.05));
    }

    #[test]
    fn more_than_it_binds_is_refused() {
        let error = mixed(1.5, 1.05).expect_err("too much");
        assert_eq!(
            error.to_string(),
            "must be at most 1.2 to one of chocolate, or it does not hold together; it is 1.5"
        );
    }
}
