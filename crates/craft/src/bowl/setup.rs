//! What a bowl sets out to be.

use chrono::{DateTime, Utc};

use crate::chocolate::Chocolate;
use crate::heat::Ware;
use crate::heat::microwave::Microwave;
use crate::heat::seed::ADDITIONS;
use crate::units::{Length, Mass, Temperature};

/// A bowl as it was planned: it does not change once the bowl is open.
#[derive(Clone, Debug, PartialEq)]
pub struct Setup {
    /// When it was taken to the bench.
    pub opened: DateTime<Utc>,
    /// The chocolate in it.
    pub chocolate: Chocolate,
    /// What is melted first.
    pub melted: Mass,
    /// What is held back.
    pub seed: Mass,
    /// Where seeding aims.
    pub target: Temperature,
    /// Where the melt is planned to stop.
    pub melt_to: Temperature,
    /// The room.
    pub room: Temperature,
    /// The seed's temperature.
    pub seed_temp: Temperature,
    /// The bowl itself, where it is known.
    pub ware: Option<Ware>,
    /// The microwave, where one is used.
    pub microwave: Option<Microwave>,
    /// Thickness of the slab it will become.
    pub thickness: Length,
}

impl Setup {
    /// The planned additions: half, a third, the rest.
    #[must_use]
    pub fn additions(&self) -> [Mass; 3] {
        let first = self.seed * ADDITIONS[0];
        let second = self.seed * ADDITIONS[1];
        [first, second, self.seed - first - second]
    }

    /// Melted and seed together.
    #[must_use]
    pub fn total(&self) -> Mass {
        self.melted + self.seed
    }
}
