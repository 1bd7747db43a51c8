//! Mass, thickness and allowance of a slab.
//!
//! m = ρ·A·h with the solid density and the thickness once set. Dry goods
//! folded in take up room: A·h = m_chocolate/ρ + Σ mᵢ/ρᵢ. Toppings scattered on
//! top do not change the thickness.

use super::Tray;
use super::guard::BARK;
use crate::catalogue::spread as say;
use crate::chocolate::Chocolate;
use crate::message::{Message, spoken};
use crate::note::{Note, Working};
use crate::units::{
    Area, Length, Mass, MassDensity, Volume, grams, in_grams, in_grams_per_cubic_centimetre,
    in_millimetres, in_square_centimetres, millilitres,
};

/// What stays on bowl, spatula and bag (*custom*).
pub const ALLOWANCE_SHARE: f64 = 0.05;
/// The least that stays behind, g (*custom*).
pub const LEAST_ALLOWANCE_G: f64 = 15.0;
/// Dry goods mixed into the chocolate.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct FoldedIn {
    /// How much of it.
    pub mass: Mass,
    /// Its own density, without the air between the pieces.
    pub density: MassDensity,
}

/// Which of the two the maker knows.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Size {
    /// The thickness once set.
    Thickness(Length),
    /// The chocolate in the piece, without the allowance.
    Chocolate(Mass),
}

/// Why a slab cannot be made.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum SlabError {
    /// The dry goods alone fill the slab.
    NoRoomForChocolate {
        /// Volume of the dry goods, ml.
        dry_ml: f64,
        /// Volume of the slab, ml.
        slab_ml: f64,
    },
}

impl SlabError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::NoRoomForChocolate { dry_ml, slab_ml } => {
                say::no_room_for_chocolate(millilitres(*dry_ml), millilitres(*slab_ml))
            }
        }
    }
}

spoken!(SlabError);

/// A slab's figures.
#[derive(Clone, Debug, PartialEq)]
pub struct Slab {
    /// Area covered.
    pub area: Area,
    /// Thickness once set.
    pub thickness: Length,
    /// Chocolate in the piece.
    pub chocolate: Mass,
    /// Chocolate to weigh out, with what stays behind.
    pub to_weigh: Mass,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// What to weigh out so that `needed` reaches the piece: 5 % more, at least 15 g.
#[must_use]
pub fn with_allowance(needed: Mass) -> Mass {
    needed + (needed * ALLOWANCE_SHARE).max(grams(LEAST_ALLOWANCE_G))
}

/// The chocolate a slab takes, or the thickness a mass gives.
///
/// # Errors
/// Where folded-in dry goods leave no room for chocolate.
pub fn slab(
    chocolate: &Chocolate,
    tray: Tray,
    size: Size,
    folded_in: &[FoldedIn],
) -> Result<Slab, SlabError> {
    let area = tray.area();
    let density = chocolate.solid_density;
    let dry: Volume =
        folded_in.iter().map(|f| f.mass / f.density).fold(Volume::default(), |a, b| a + b);
    let (thickness, mass) = match size {
        Size::Thickness(thickness) => {
            let room = area * thickness;
            if dry >= room {
                return Err(SlabError::NoRoomForChocolate {
                    dry_ml: dry.value * 1e6,
                    slab_ml: room.value * 1e6,
                });
            }
            (thickness, (room - dry) * density)
        }
        Size::Chocolate(mass) => ((mass / density + dry) / area, mass),
    };
    let to_weigh = with_allowance(mass);
    let mut working = vec![
        Working::new("area", in_square_centimetres(area), "cm²"),
        Working::new("thickness once set", in_millimetres(thickness), "mm"),
        Working::new("density once set", in_grams_per_cubic_centimetre(density), "g/cm³"),
    ];
    if !folded_in.is_empty() {
        working.push(Working::new("room taken by dry goods", dry.value * 1e6, "ml"));
    }
    working.push(Working::new("chocolate in the piece", in_grams(mass), "g"));
    working.push(Working::new("stays on bowl and spatula", in_grams(to_weigh - mass), "g"));
    working.push(Working::new("to weigh out", in_grams(to_weigh), "g"));
    Ok(Slab {
        area,
        thickness,
        chocolate: mass,
        to_weigh,
        notes: BARK.remark(thickness).into_iter().collect(),
        working,
    })
}
