//! What a chocolate is: its family, its temperature windows, its fat and its
//! density.

mod added_fat;
mod blend;
mod family;
mod own_numbers;
mod windows;

pub use added_fat::{AddedFat, AddedFatInputs};
pub use blend::BlendError;
pub(crate) use blend::other_fat_pct;
pub use family::Family;
pub use own_numbers::{OwnNumbers, OwnNumbersError};
pub use windows::{Band, Windows};

use crate::units::{MassDensity, Ratio};

/// One chocolate as the sums need it: a family's defaults, or those with the
/// maker's own numbers over them.
#[derive(Clone, Debug, PartialEq)]
pub struct Chocolate {
    /// The family it belongs to.
    pub family: Family,
    /// Its temperature windows.
    pub windows: Windows,
    /// Fat, cocoa butter and milk fat together.
    pub fat: Ratio,
    /// Density once set. Melted couverture is about 3 % lighter, cocoa butter 8 %.
    pub solid_density: MassDensity,
    /// Whether any of these numbers is the maker's own.
    pub own: bool,
    /// How much slower it sets than its family does: by what was stirred into it.
    pub sets_slower: f64,
}

impl From<Family> for Chocolate {
    fn from(family: Family) -> Self {
        Self::of(family)
    }
}

impl Chocolate {
    /// The defaults of a family.
    #[must_use]
    pub fn of(family: Family) -> Self {
        let (fat, solid_density) = family.make_up();
        Self { family, windows: family.windows(), fat, solid_density, own: false, sets_slower: 1.0 }
    }
}
