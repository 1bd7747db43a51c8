//! A slab of bark, from tray to bench.

use chrono::{DateTime, Utc};

use super::inputs::BarkInputs;
use crate::bowl::Setup;
use crate::check::Fault;
use crate::chocolate::Chocolate;
use crate::fridge::{Stay, stay};
use crate::heat::Ware;
use crate::heat::microwave::{self, BurstPlan, EFFICIENCY, Microwave};
use crate::heat::seed::{SeedError, StillAir};
use crate::learn::GearNumbers;
use crate::method::{Amounts, Case, Method, Need, Wish, WishError, worked_to};
use crate::note::Note;
use crate::room::Room;
use crate::setting::{self, Place, Setting};
use crate::spread::mixed::Mixed;
use crate::spread::slab::{Size, Slab, slab};
use crate::spread::topping::OnTop;
use crate::units::{Temperature, TemperatureDifference, degrees};

/// Everything that follows from what the maker stated.
#[derive(Clone, Debug, PartialEq)]
pub struct BarkPlan {
    /// The chocolate, with own numbers applied.
    pub chocolate: Chocolate,
    /// Chocolate to weigh out.
    pub slab: Slab,
    /// What is folded in.
    pub mixed_in: Option<Mixed>,
    /// What goes on top.
    pub topping: Option<OnTop>,
    /// How it is tempered.
    pub method: Method,
    /// The method to recommend, and why.
    pub recommended: (Method, &'static str),
    /// What to melt, hold back, add and pour out.
    pub amounts: Amounts,
    /// The melt in bursts, where a microwave is used.
    pub bursts: Option<BurstPlan>,
    /// The room.
    pub room: Room,
    /// What the room means for the work.
    pub room_notes: Vec<Note>,
    /// Windows after the pour; `None` where it does not set.
    pub setting: Option<Setting>,
    /// A stay in the fridge, once it is touch dry, where there is to be one.
    pub fridge: Option<Stay>,
    /// Where the melt stops.
    pub melt_to: Temperature,
    /// Where the cooling aims.
    pub target: Temperature,
    /// The temperature of what is held back.
    pub seed_temp: Temperature,
    stone: Temperature,
    ware: Option<Ware>,
    microwave: Option<Microwave>,
    learned: GearNumbers,
    offset: TemperatureDifference,
}

/// Plans a slab of bark.
///
/// # Errors
/// Every fault of the inputs, each with its field.
pub fn bark(inputs: &BarkInputs) -> Result<BarkPlan, Vec<Fault>> {
    let b = inputs.check()?;
    let mixed_in = b
        .mixed_in
        .map(|mixed| mixed.into_slab(&b.chocolate, b.tray, b.thickness))
        .transpose()
        .map_err(|e| vec![fault("mixed_in.parts", &e)])?;
    let slab = match &mixed_in {
        Some(mixed) => mixed.slab.clone(),
        None => slab(&b.chocolate, b.tray, Size::Thickness(b.thickness), &[])
            .map_err(|e| vec![fault("thickness_mm", &e)])?,
    };
    let topping = b.topping.map(|(topping, wish)| topping.on(slab.area, wish));
    let recommended = Method::recommended(&Case {
        family: b.chocolate.family,
        total: slab.to_weigh,
        kitchen: inputs.kitchen,
        in_bursts: b.microwave.is_some(),
    });
    let method = b.method.unwrap_or(recommended.0);
    let melt_to = b.melt_to.unwrap_or_else(|| method.melt_to(&b.chocolate));
    let target = b.target.unwrap_or_else(|| method.target(&b.chocolate));
    let mut amounts = method
        .amounts(&Wish {
            chocolate: &b.chocolate,
            total: slab.to_weigh,
            melt_to,
            target,
            seed_temp: b.seed_temp,
            ware: b.ware,
            still_air: b.cooling.map(|lasting| StillAir { room: b.room.temp, lasting }),
            crystals_pct: b.crystals_pct,
            stone_to: worked_to(&b.chocolate, b.stone),
        })
        .map_err(|error| vec![fault(field_of(&error, b.seed_field), &error)])?;
    let missing = method.needs().iter().filter(|need| !inputs.kitchen.has(**need));
    amounts.notes.extend(missing.map(|need| not_at_hand(*need)));
    let bursts = b.microwave.map(|m| {
        microwave::bursts(&b.chocolate, amounts.melted, [b.seed_temp, melt_to], &m, b.ware)
    });
    // What is poured at the using temperature sets from there.
    let poured = method.use_band(&b.chocolate).middle();
    let place = Place::Room(b.room.temp);
    let setting = setting::setting(&b.chocolate, b.thickness, poured, place);
    let fridge = b.fridge.and_then(|fridge| {
        let dry_at = setting?.dry_at;
        Some(stay(&b.chocolate, b.thickness, dry_at, fridge, &b.room))
    });
    let mut room_notes = b.room.verdict();
    if setting.is_none() {
        room_notes.push(setting::too_warm_to_set(b.room.temp));
    }
    Ok(BarkPlan {
        slab,
        mixed_in,
        topping,
        method,
        recommended,
        amounts,
        bursts,
        room_notes,
        room: b.room,
        setting,
        fridge,
        melt_to,
        target,
        seed_temp: b.seed_temp,
        stone: b.stone,
        ware: b.ware,
        microwave: b.microwave,
        learned: b.learned,
        offset: b.offset,
        chocolate: b.chocolate,
    })
}

fn fault(field: &str, error: &impl ToString) -> Fault {
    Fault { field: field.to_owned(), message: error.to_string() }
}

fn field_of(error: &WishError, seed_field: &'static str) -> &'static str {
    match error {
        WishError::Seed(SeedError::NothingToSeed) => "method",
        WishError::Seed(SeedError::MeltedNotAboveTarget { .. }) => "melt_to_c",
        WishError::Seed(SeedError::SeedNotBelowTarget { .. }) => seed_field,
        WishError::TargetOutsideSplit { .. } => "target_c",
    }
}

fn not_at_hand(need: Need) -> Note {
    let what = match need {
        Need::Probe => "a thermometer",
        Need::Stone => "a slab of stone, dry and cool",
        Need::ReadyCrystals => "ready crystals: cocoa butter that is all form V",
        Need::TemperedPieces => "pieces that are in temper as they come: shiny, with a snap",
        Need::FrozenSlab => "a slab from the freezer",
    };
    Note::caution("not-at-hand", format!("This method needs {what}. You did not say you have it."))
}

impl BarkPlan {
    /// The bowl that this plan sets out.
    #[must_use]
    pub fn setup(&self, opened: DateTime<Utc>) -> Setup {
        Setup {
            opened,
            chocolate: self.chocolate.clone(),
            method: self.method,
            melted: self.amounts.melted,
            seed: self.amounts.seed,
            crystals: self.amounts.crystals,
            target: self.target,
            melt_to: self.melt_to,
            room: self.room.temp,
            seed_temp: self.seed_temp,
            stone: self.stone,
            carry_over: degrees(self.learned.carry_over_c.unwrap_or(Setup::USUAL_CARRY_OVER_C)),
            offset: self.offset,
            burst_response: self.learned.burst_response.unwrap_or_else(|| {
                self.microwave.map_or(EFFICIENCY, |microwave| microwave.efficiency)
            }),
            ware: self.ware,
            microwave: self.microwave,
            thickness: self.slab.thickness,
        }
    }
}
