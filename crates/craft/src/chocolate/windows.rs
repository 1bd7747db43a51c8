//! Temperature windows.

use crate::message::TempRange;
use crate::units::{Temperature, in_celsius, midpoint};

/// A stretch of the temperature scale, both ends included.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Band {
    /// Lower end.
    pub lo: Temperature,
    /// Upper end.
    pub hi: Temperature,
}

impl From<Band> for TempRange {
    fn from(band: Band) -> Self {
        [band.lo, band.hi].into()
    }
}

impl Band {
    /// Whether a temperature lies in the band.
    #[must_use]
    pub fn holds(&self, temp: Temperature) -> bool {
        self.lo <= temp && temp <= self.hi
    }

    /// Halfway between the ends.
    #[must_use]
    pub fn middle(&self) -> Temperature {
        midpoint(self.lo, self.hi)
    }

    /// Both ends in °C.
    #[must_use]
    pub fn in_celsius(&self) -> [f64; 2] {
        [in_celsius(self.lo), in_celsius(self.hi)]
    }
}

/// The temperatures that matter on one chocolate's way from block to mould.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Windows {
    /// Fully melted, every crystal erased.
    pub melt: Band,
    /// Never above: it scorches.
    pub limit: Temperature,
    /// The cool point of the two-step methods; coatings have none.
    pub cool: Option<Band>,
    /// The band to pour in.
    pub work: Band,
    /// Above it form V is gone and seeding must start again; coatings have none.
    pub lost: Option<Temperature>,
    /// Below it the bowl sets up.
    pub thick: Temperature,
}

impl Windows {
    /// Where seeding aims unless the maker says otherwise: half a degree under
    /// the top of the working band, so that the last lumps have room to melt.
    #[must_use]
    pub fn seed_target(&self) -> Temperature {
        self.work.hi - crate::units::degrees(0.5)
    }
}
