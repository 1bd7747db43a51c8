//! What goes in and what goes on top, as the maker states it.

use serde::{Deserialize, Serialize};

use crate::catalogue::work::goods as say;
use crate::check::{self, Checker};
use crate::spread::mixed::{MOST_PARTS, MixedIn};
use crate::spread::topping::{Topping, Wish};
use crate::units::{Mass, grams, grams_per_cubic_centimetre, millimetres, square_centimetres};

/// The longest name of what goes in or on top.
const LONGEST_NAME: usize = 80;

/// How much of a topping is wanted.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ToppingWish {
    /// So much of the slab is covered.
    Coverage {
        /// How much.
        coverage_pct: f64,
    },
    /// Every piece gets some.
    Pieces {
        /// How large the pieces are.
        piece_cm2: f64,
    },
    /// So much of the chocolate's weight.
    Share {
        /// How much.
        share_pct: f64,
    },
}

/// What goes on top.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToppingInputs {
    /// What it is.
    pub name: String,
    /// How wide one of it is.
    pub across_mm: f64,
    /// What one of it weighs.
    pub each_g: f64,
    /// How much of it.
    pub wish: ToppingWish,
}

impl ToppingInputs {
    /// The topping and how much of it goes on so much chocolate, with faults noted
    /// under `field`.
    pub fn check(&self, field: &str, chocolate: Mass, check: &mut Checker) -> (Topping, Wish) {
        check.text(&format!("{field}.name"), &self.name, LONGEST_NAME);
        let across = check.number(&format!("{field}.across_mm"), self.across_mm, check::TOPPING_MM);
        let each = check.number(&format!("{field}.each_g"), self.each_g, check::TOPPING_G);
        let wish = match self.wish {
            ToppingWish::Coverage { coverage_pct } => {
                let field = format!("{field}.wish.coverage_pct");
                Wish::Covering(check.number(&field, coverage_pct, check::COVERAGE_PCT) / 100.0)
            }
            ToppingWish::Pieces { piece_cm2 } => {
                let field = format!("{field}.wish.piece_cm2");
                let piece = check.number(&field, piece_cm2, check::PIECE_CM2);
                Wish::OnEveryPiece(square_centimetres(piece))
            }
            ToppingWish::Share { share_pct } => {
                let field = format!("{field}.wish.share_pct");
                let share = check.number(&field, share_pct, check::TOPPING_SHARE_PCT);
                Wish::Weighing(chocolate * share / 100.0)
            }
        };
        (Topping { across: millimetres(across), each: grams(each) }, wish)
    }
}

/// Dry goods folded into the chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MixedInInputs {
    /// What they are.
    pub name: String,
    /// Parts of them to one of chocolate, by mass.
    pub parts: f64,
    /// Their own density, without the air between them.
    pub density_g_cm3: f64,
}

impl MixedInInputs {
    /// The dry goods, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> MixedIn {
        check.text(&format!("{field}.name"), &self.name, LONGEST_NAME);
        let parts = check.number(&format!("{field}.parts"), self.parts, check::PARTS);
        if check::PARTS.contain(parts) && parts > MOST_PARTS {
            let message = say::too_many_parts(MOST_PARTS, parts);
            check.fault(format!("{field}.parts"), message);
        }
        let density = check.number(
            &format!("{field}.density_g_cm3"),
            self.density_g_cm3,
            check::DENSITY_G_CM3,
        );
        MixedIn { parts, density: grams_per_cubic_centimetre(density) }
    }
}
