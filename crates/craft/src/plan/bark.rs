//! A slab of bark, from tray to bench.

use chrono::{DateTime, Utc};

use super::inputs::BarkInputs;
use crate::bowl::Setup;
use crate::check::Fault;
use crate::chocolate::Chocolate;
use crate::heat::Ware;
use crate::heat::microwave::{self, BurstPlan, Microwave};
use crate::heat::seed::{Amount, SeedError, SeedInput, SeedPlan, StillAir};
use crate::note::Note;
use crate::room::Room;
use crate::setting::{self, Setting};
use crate::spread::slab::{Size, Slab, slab};
use crate::units::Temperature;

/// Everything that follows from what the maker stated.
#[derive(Clone, Debug, PartialEq)]
pub struct BarkPlan {
    /// The chocolate, with own numbers applied.
    pub chocolate: Chocolate,
    /// Chocolate to weigh out.
    pub slab: Slab,
    /// Melt this, hold this back.
    pub seed: SeedPlan,
    /// The melt in bursts, where a microwave is used.
    pub bursts: Option<BurstPlan>,
    /// The room.
    pub room: Room,
    /// What the room means for the work.
    pub room_notes: Vec<Note>,
    /// Windows after the pour; `None` where it does not set.
    pub setting: Option<Setting>,
    /// Where the melt stops.
    pub melt_to: Temperature,
    /// Where seeding aims.
    pub target: Temperature,
    /// The seed's temperature.
    pub seed_temp: Temperature,
    ware: Option<Ware>,
    microwave: Option<Microwave>,
}

/// Plans a slab of bark tempered by seeding.
///
/// # Errors
/// Every fault of the inputs, each with its field.
pub fn bark(inputs: &BarkInputs) -> Result<BarkPlan, Vec<Fault>> {
    let b = inputs.check()?;
    let slab = slab(&b.chocolate, b.tray, Size::Thickness(b.thickness), &[])
        .map_err(|e| vec![fault("thickness_mm", &e)])?;
    let seed = SeedInput {
        chocolate: &b.chocolate,
        amount: Amount::Total(slab.to_weigh),
        melted: b.melt_to,
        target: b.target,
        seed: b.seed_temp,
        ware: b.ware,
        still_air: b.cooling.map(|lasting| StillAir { room: b.room.temp, lasting }),
    }
    .solve()
    .map_err(|e| {
        let field = match e {
            SeedError::NothingToSeed => "family",
            SeedError::MeltedNotAboveTarget { .. } => "melt_to_c",
            SeedError::SeedNotBelowTarget { .. } => b.seed_field,
        };
        vec![fault(field, &e)]
    })?;
    let bursts = b
        .microwave
        .map(|m| microwave::bursts(&b.chocolate, seed.melted, b.seed_temp, b.melt_to, &m));
    let setting = setting::in_room(&b.chocolate, b.thickness, b.target, b.room.temp);
    let mut room_notes = b.room.verdict();
    if setting.is_none() {
        room_notes.push(setting::too_warm_to_set(b.room.temp));
    }
    Ok(BarkPlan {
        slab,
        seed,
        bursts,
        room_notes,
        room: b.room,
        setting,
        melt_to: b.melt_to,
        target: b.target,
        seed_temp: b.seed_temp,
        ware: b.ware,
        microwave: b.microwave,
        chocolate: b.chocolate,
    })
}

fn fault(field: &str, error: &impl ToString) -> Fault {
    Fault { field: field.to_owned(), message: error.to_string() }
}

impl BarkPlan {
    /// The bowl that this plan sets out.
    #[must_use]
    pub fn setup(&self, opened: DateTime<Utc>) -> Setup {
        Setup {
            opened,
            chocolate: self.chocolate.clone(),
            melted: self.seed.melted,
            seed: self.seed.seed,
            target: self.target,
            melt_to: self.melt_to,
            room: self.room.temp,
            seed_temp: self.seed_temp,
            ware: self.ware,
            microwave: self.microwave,
            thickness: self.slab.thickness,
        }
    }
}
