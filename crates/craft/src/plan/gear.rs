//! What chocolate is melted in and by.

use serde::{Deserialize, Serialize};

use crate::check::{self, Checker};
use crate::heat::microwave::Microwave;
use crate::heat::{Material, Vessel};
use crate::units::{grams, percent_of, watts};

/// A bowl.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WareInputs {
    /// What it is made of.
    pub material: Material,
    /// Its empty mass.
    pub mass_g: f64,
}

impl WareInputs {
    /// The bowl, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> Vessel {
        let mass_g = check.number(format_args!("{field}.mass_g"), self.mass_g, check::BOWL_G);
        Vessel::usual(self.material, grams(mass_g))
    }
}

/// A microwave.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MicrowaveInputs {
    /// Rated output.
    pub watts: f64,
    /// Power setting, as a share of the output.
    pub power: f64,
}

impl MicrowaveInputs {
    /// The microwave, with faults noted under `field` (empty for none).
    pub fn check(&self, field: &str, check: &mut Checker) -> Microwave {
        let name = |leaf: &str| {
            if field.is_empty() { leaf.to_owned() } else { format!("{field}.{leaf}") }
        };
        let output = watts(check.number(name("watts"), self.watts, check::MICROWAVE_W));
        let power = check.number(name("power"), self.power, check::MICROWAVE_POWER);
        Microwave::usual(output, percent_of(power * 100.0))
    }
}
