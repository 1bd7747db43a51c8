//! Heat sums: what seed takes up, what a bowl gives off, what a microwave puts
//! in.

pub mod cooling;
mod enthalpy;
mod gentle;
pub mod microwave;
pub mod seed;
pub mod stone;
mod vessel;

pub(crate) use enthalpy::MeltingCurve;
pub use enthalpy::{heat_per_gram, latent_heat, melted_share, melted_to, sensible_heat};
pub use gentle::{GentleHeat, IN_WATER, warm_water};
pub use vessel::{Material, Vessel};

use crate::units::{Mass, ThermalConductance, in_grams, watts_per_degree};

/// Heat loss of a stirred bowl of chocolate to still air: UA = 0.75 · m^(2/3)
/// W/K, with the mass *m* of chocolate in kilograms (*custom*; relearned from
/// a bowl's own cooling).
#[must_use]
pub fn loss_to_still_air(chocolate: Mass) -> ThermalConductance {
    watts_per_degree(0.75 * (in_grams(chocolate) / 1000.0).powf(2.0 / 3.0))
}
