//! The bowl itself, as a store of heat.

use serde::{Deserialize, Serialize};

use crate::units::{HeatCapacity, Mass, SpecificHeatCapacity, joules_per_gram_degree};

/// What a bowl is made of.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Material {
    /// Glass.
    Glass,
    /// Stainless steel.
    Steel,
    /// Plastic.
    Plastic,
    /// Ceramic or stoneware.
    Ceramic,
}

impl Material {
    /// Specific heat: glass 0.84, steel 0.50, plastic 1.90, ceramic 0.90 J/(g·K).
    #[must_use]
    pub fn specific_heat(self) -> SpecificHeatCapacity {
        joules_per_gram_degree(match self {
            Self::Glass => 0.84,
            Self::Steel => 0.50,
            Self::Plastic => 1.90,
            Self::Ceramic => 0.90,
        })
    }
}

/// A bowl: what it is made of and what it weighs empty.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Vessel {
    /// What it is made of.
    pub material: Material,
    /// Its empty mass.
    pub mass: Mass,
    /// How fast it loses heat, against what is usual for its load.
    pub cooling_ratio: f64,
}

impl Vessel {
    /// A bowl of which nothing was learned.
    #[must_use]
    pub fn usual(material: Material, mass: Mass) -> Self {
        Self { material, mass, cooling_ratio: 1.0 }
    }

    /// The share of a bowl that is at the chocolate's temperature: the wetted
    /// part (*custom*, relearned per bowl).
    pub const WETTED_SHARE: f64 = 0.5;

    /// Heat held per degree by the wetted part.
    #[must_use]
    pub fn wetted_heat(&self) -> HeatCapacity {
        self.mass * self.material.specific_heat() * Self::WETTED_SHARE
    }
}
