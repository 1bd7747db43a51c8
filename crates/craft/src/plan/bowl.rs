//! A bowl: from what is weighed out to what the bench sets out to do.

use chrono::{DateTime, Utc};

use super::bowl_inputs::{BowlInputs, Tempering, USUAL_ROOM_C};
use super::recipe::ColourPlan;
use crate::bowl::{Colouring, Setup};
use crate::catalogue::plan as say;
use crate::check::{Checker, Fault};
use crate::chocolate::{AddedFatInputs, Chocolate};
use crate::colour::Wanted;
use crate::heat::microwave::{self, BurstPlan, EFFICIENCY, Microwave, SHORTEST_S};
use crate::heat::seed::{SeedError, StillAir};
use crate::heat::stone::worked_to;
use crate::heat::{GentleHeat, Vessel};
use crate::learn::GearNumbers;
use crate::method::{
    Amounts, AmountsError, AmountsRequest, Case, Kitchen, Method, Need, Run, WeighedOut,
};
use crate::note::Note;
use crate::scale::Scale;
use crate::units::{
    Energy, Mass, Temperature, TemperatureDifference, degrees, grams, rise, seconds, watts,
};

/// Less than this is not melted in a microwave, g (*custom*).
const FEWEST_IN_BURSTS_G: f64 = 30.0;
/// A burst stays this clear of the limit, °C.
const CLEAR_OF_LIMIT_C: f64 = 2.0;

/// Everything that follows from what the maker stated of a bowl.
#[derive(Clone, Debug, PartialEq)]
pub struct BowlPlan {
    /// The chocolate, with own numbers applied.
    pub chocolate: Chocolate,
    /// What is weighed out.
    pub total: Mass,
    /// How it is tempered.
    pub method: Method,
    /// The method to recommend, and why.
    pub recommended: (Method, &'static str),
    /// What to melt, hold back, add and pour out.
    pub amounts: Amounts,
    /// The melt in bursts, where a microwave is used.
    pub bursts: Option<BurstPlan>,
    /// The room's temperature.
    pub room: Temperature,
    /// Where the melt stops.
    pub melt_to: Temperature,
    /// Where the cooling aims.
    pub target: Temperature,
    /// The temperature of what is held back.
    pub seed_temp: Temperature,
    /// What goes into it, where it is a colour.
    pub colour: Option<ColourPlan>,
    /// What it is weighed on.
    pub scale: Scale,
    stone: Temperature,
    vessel: Option<Vessel>,
    microwave: Option<Microwave>,
    learned: GearNumbers,
    kitchen: Kitchen,
    offset: TemperatureDifference,
    /// What is stirred into it as it melts.
    fat_added: Option<AddedFatInputs>,
    /// Whether it is a blend of coating and what is tempered.
    pub fats_mixed: bool,
}

/// Plans a bowl that stands for itself: it says how much it holds, and how warm
/// the room is.
///
/// # Errors
/// Every fault of the inputs, each with its field.
pub fn bowl(inputs: &BowlInputs) -> Result<BowlPlan, Vec<Fault>> {
    let mut check = Checker::new();
    let tempering = inputs.check("", USUAL_ROOM_C, &mut check);
    if inputs.room_c.is_none() {
        check.fault("room_c", say::needed_by_itself());
    }
    let Some(total) = tempering.total else {
        check.fault("total_g", say::needed_by_itself());
        return Err(check.into_faults());
    };
    check.finish()?;
    tempering.into_plan(total).map_err(|fault| vec![fault])
}

impl Tempering {
    /// What follows where so much is weighed out.
    ///
    /// # Errors
    /// Where the temperatures do not go with the method.
    pub(super) fn into_plan(self, total: Mass) -> Result<BowlPlan, Fault> {
        let microwave = self.microwave.filter(|microwave| {
            total >= grams(FEWEST_IN_BURSTS_G) && is_enough_for(microwave, &self.chocolate, total)
        });
        let recommended = Method::recommended(&Case {
            family: self.chocolate.family,
            total,
            kitchen: self.kitchen,
            in_bursts: microwave.is_some(),
            coloured_here: self.recipe.as_ref().is_some_and(|recipe| !recipe.is_ready()),
        });
        let method = self.method.unwrap_or(recommended.0);
        let melt_to = self.melt_to.unwrap_or_else(|| method.melt_to(&self.chocolate));
        let target = self.target.unwrap_or_else(|| method.target(&self.chocolate));
        let mut amounts = method
            .amounts(&AmountsRequest {
                chocolate: &self.chocolate,
                total,
                melt_to,
                target,
                seed_temp: self.seed_temp,
                vessel: self.ware,
                still_air: self.cooling.map(|lasting| StillAir { room: self.room, lasting }),
                crystals_pct: self.crystals_pct,
                stone_to: worked_to(&self.chocolate, self.stone),
            })
            .map_err(|error| Fault {
                field: field_of(&error, self.seed_field).to_owned(),
                message: error.message(),
            })?;
        let missing = method.needs().iter().filter(|need| !self.kitchen.has(**need));
        amounts.notes.extend(missing.map(|need| not_at_hand(*need)));
        if microwave.is_none() && self.microwave.is_some() {
            amounts.notes.push(Note::info("too-little-for-bursts", say::too_little_for_bursts()));
        }
        let bursts = microwave.map(|m| {
            let span = [self.seed_temp, melt_to];
            microwave::bursts(&self.chocolate, amounts.melted, span, &m, self.ware)
        });
        let colour = self.recipe.as_ref().map(|recipe| recipe.plan(Wanted::Total(total)));
        let scale = self.kitchen.scale();
        Ok(BowlPlan {
            colour,
            scale,
            total,
            method,
            recommended,
            amounts,
            bursts,
            room: self.room,
            melt_to,
            target,
            seed_temp: self.seed_temp,
            stone: self.stone,
            vessel: self.ware,
            microwave,
            learned: self.learned,
            kitchen: self.kitchen,
            offset: self.offset,
            fat_added: self.fat_added,
            fats_mixed: self.fats_mixed,
            chocolate: self.chocolate,
        })
    }
}

/// Whether the shortest burst leaves so much chocolate clear of its limit, once it is melted.
fn is_enough_for(microwave: &Microwave, chocolate: &Chocolate, mass: Mass) -> bool {
    let clear = chocolate.windows.limit - degrees(CLEAR_OF_LIMIT_C);
    let room = rise(chocolate.windows.melt.lo, clear);
    let takes: Energy = mass * chocolate.family.heat_when_melted() * room;
    takes >= microwave.rated() * microwave.efficiency.max(EFFICIENCY) * seconds(SHORTEST_S)
}

fn field_of(error: &AmountsError, seed_field: &'static str) -> &'static str {
    match error {
        AmountsError::Seed(SeedError::NothingToSeed) => "method",
        AmountsError::Seed(SeedError::MeltedNotAboveTarget { .. }) => "melt_to_c",
        AmountsError::Seed(SeedError::SeedNotBelowTarget { .. }) => seed_field,
        AmountsError::Split(_) => "target_c",
    }
}

fn not_at_hand(need: Need) -> Note {
    let what = match need {
        Need::Probe => say::need_probe(),
        Need::Stone => say::need_stone(),
        Need::ReadyCrystals => say::need_ready_crystals(),
        Need::TemperedPieces => say::need_tempered_pieces(),
        Need::FrozenSlab => say::need_frozen_slab(),
        Need::ColourBottle => say::need_colour_bottle(),
    };
    Note::caution("not-at-hand", say::not_at_hand(what))
}

impl BowlPlan {
    /// How warm it is poured: the middle of the band it is used in.
    #[must_use]
    pub fn poured_at(&self) -> Temperature {
        self.method.use_band(&self.chocolate).middle()
    }

    /// What is stirred into it as it melts, and how much of it there is in the whole.
    #[must_use]
    pub fn fat_added(&self) -> Option<(AddedFatInputs, Mass)> {
        let added = self.fat_added?;
        Some((added, self.scale.shows(added.of(self.total))))
    }

    /// How much chocolate is weighed out: all of it but what is stirred into it.
    #[must_use]
    pub fn chocolate_weighed(&self) -> Mass {
        self.weighed_out().total - self.fat_added().map_or_else(Mass::default, |(_, mass)| mass)
    }

    /// What is put on the scale.
    #[must_use]
    pub fn weighed_out(&self) -> WeighedOut {
        self.amounts.on(self.scale)
    }

    /// The bowl that this plan sets out, and the way it goes.
    #[must_use]
    pub fn run(&self, opened: DateTime<Utc>) -> Run {
        Run { setup: self.setup(opened), method: self.method }
    }

    /// What warms it a little, as far as that is at hand and was learned.
    fn gentle(&self) -> GentleHeat {
        let usual = GentleHeat::default();
        GentleHeat {
            dryer: self.kitchen.dryer,
            dryer_gives: self.learned.dryer_w.map_or(usual.dryer_gives, watts),
            water_ratio: self.learned.warm_water_ratio.unwrap_or(usual.water_ratio),
            bath_gives: self.learned.bath_w.map_or(usual.bath_gives, watts),
            pad: self.kitchen.heating_pad,
        }
    }

    /// The bowl that this plan sets out.
    #[must_use]
    pub fn setup(&self, opened: DateTime<Utc>) -> Setup {
        Setup {
            opened,
            chocolate: self.chocolate.clone(),
            course: self.method.course(&self.chocolate),
            melted: self.amounts.melted,
            seed: self.amounts.seed,
            crystals: self.amounts.crystals,
            target: self.target,
            melt_to: self.melt_to,
            room: self.room,
            seed_temp: self.seed_temp,
            stone: self.stone,
            carry_over: degrees(self.learned.carry_over_c.unwrap_or(Setup::USUAL_CARRY_OVER_C)),
            offset: self.offset,
            burst_response: self.learned.burst_response.unwrap_or_else(|| {
                self.microwave.map_or(EFFICIENCY, |microwave| microwave.efficiency)
            }),
            gentle: self.gentle(),
            vessel: self.vessel,
            microwave: self.microwave,
            scale: self.scale,
            colouring: self
                .colour
                .as_ref()
                // A bottle was coloured by who sold it.
                .filter(|colour| !self.method.keeps_crystals() && !colour.ready)
                .map(|c| Colouring { pigment: c.amounts.pigment, strained: c.strained }),
            used_for: None,
        }
    }
}
