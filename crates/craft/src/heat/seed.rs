//! How much unmelted chocolate brings a melted bowl down to a target.
//!
//! The melted mass and its bowl give up heat; the seed takes it by warming and
//! by melting:
//!
//! ```text
//! Q = (m_melted·c_l + ½·m_bowl·c_bowl)·(T_melted − T_target) − loss
//! q = c_s·(T_target − T_seed) + (1 − r)·125 J/g·fat
//! m_seed = Q / q
//! ```
//!
//! with *r* = 0.05 of the seed meant to stay unmelted, and the loss UA·ΔT·t
//! counted only where the maker says how long the cooling usually takes.
//! Constants after Beckett, *Industrial Chocolate Manufacture and Use*.

use super::{Vessel, loss_to_still_air};
use crate::catalogue::heat as say;
use crate::chocolate::{Chocolate, Family};
use crate::message::{Message, spoken};
use crate::note::{Note, Working};
use crate::scale::Scale;
use crate::units::{
    AvailableEnergy, Energy, HeatCapacity, Mass, Ratio, Temperature, TemperatureDifference, Time,
    celsius, grams, in_celsius, in_degrees, in_grams, in_joules, in_joules_per_gram, in_percent,
    midpoint, rise,
};

/// The share of seed meant to stay unmelted, so that crystals of form V remain.
pub const UNMELTED_SHARE: f64 = 0.05;
/// Additions as shares of the seed: half, a third, the rest.
pub const ADDITIONS: [f64; 3] = [1.0 / 2.0, 1.0 / 3.0, 1.0 / 6.0];
/// Seed outside this share of the melted mass is out of the ordinary (*custom*).
pub const USUAL_SHARE_PCT: [f64; 2] = [15.0, 40.0];

/// Seed in its three additions; they add up.
#[must_use]
pub fn additions(seed: Mass) -> [Mass; 3] {
    let first = seed * ADDITIONS[0];
    let second = seed * ADDITIONS[1];
    [first, second, seed - first - second]
}

/// Less than this much for each of its additions is a pinch, put in at once, g (*custom*).
const PINCH_G: f64 = 1.0;

/// Seed in its additions as a scale shows them: half, a third, the rest; or all at once where
/// that is hardly to be weighed.
#[must_use]
pub fn weighed_additions(seed: Mass, scale: Scale) -> Vec<Mass> {
    if seed <= Mass::default() {
        return Vec::new();
    }
    let three = scale.parts(seed, additions(seed));
    if three.iter().any(|part| *part < grams(PINCH_G)) {
        return vec![scale.shows(seed)];
    }
    three.to_vec()
}

/// Which mass the maker knows.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Amount {
    /// What is melted already; the seed comes on top.
    Melted(Mass),
    /// All there is to be; the seed comes out of it.
    Total(Mass),
}

/// Heat lost to the room while the seed is stirred in.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct StillAir {
    /// The room's temperature.
    pub room: Temperature,
    /// How long the cooling usually takes.
    pub lasting: Time,
}

/// What the seed sum needs to know.
#[derive(Clone, Copy, Debug)]
pub struct SeedInput<'a> {
    /// The chocolate, seed and melted alike.
    pub chocolate: &'a Chocolate,
    /// The mass that is known.
    pub amount: Amount,
    /// Temperature of the melted part.
    pub melted: Temperature,
    /// Where the mix is to end.
    pub target: Temperature,
    /// Temperature of the seed.
    pub seed: Temperature,
    /// The bowl, where its heat is to be counted.
    pub vessel: Option<Vessel>,
    /// The loss to the room, where it is to be counted.
    pub still_air: Option<StillAir>,
}

/// Why there is no seed sum.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum SeedError {
    /// Compound coatings have no crystals to seed.
    NothingToSeed,
    /// The bowl is at or below the target already.
    MeltedNotAboveTarget {
        /// Temperature of the bowl, °C.
        melted_c: f64,
        /// The target, °C.
        target_c: f64,
    },
    /// Seed that is not cooler than the target takes up no heat.
    SeedNotBelowTarget {
        /// Temperature of the seed, °C.
        seed_c: f64,
        /// The target, °C.
        target_c: f64,
    },
}

impl SeedError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::NothingToSeed => say::nothing_to_seed(),
            Self::MeltedNotAboveTarget { melted_c, target_c } => {
                say::melted_not_above_target(celsius(*target_c), celsius(*melted_c))
            }
            Self::SeedNotBelowTarget { seed_c, target_c } => {
                say::seed_not_below_target(celsius(*target_c), celsius(*seed_c))
            }
        }
    }
}

spoken!(SeedError);

/// The seed, and how to add it.
#[derive(Clone, Debug, PartialEq)]
pub struct SeedPlan {
    /// Hold this much back, unmelted.
    pub seed: Mass,
    /// Melt this much.
    pub melted: Mass,
    /// Both together.
    pub total: Mass,
    /// Half, a third, the rest.
    pub additions: [Mass; 3],
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

impl SeedPlan {
    /// Seed as a share of the melted mass.
    #[must_use]
    pub fn share_of_melted(&self) -> Ratio {
        self.seed / self.melted
    }
}

/// The parts of the balance that do not depend on the masses.
struct Balance<'a> {
    input: &'a SeedInput<'a>,
    fall: TemperatureDifference,
    taken_per_gram: AvailableEnergy,
    vessel_heat: HeatCapacity,
}

impl Balance<'_> {
    fn held(&self, melted: Mass) -> Energy {
        (melted * self.input.chocolate.family.heat_when_melted() + self.vessel_heat) * self.fall
    }

    fn lost_to_air(&self, melted: Mass) -> Energy {
        let Some(air) = self.input.still_air else { return Energy::default() };
        let mean = midpoint(self.input.melted, self.input.target);
        let learned = self.input.vessel.map_or(1.0, |vessel| vessel.cooling_ratio);
        loss_to_still_air(melted) * learned * rise(air.room, mean) * air.lasting
    }

    fn seed_for(&self, melted: Mass) -> Mass {
        let given_up = self.held(melted) - self.lost_to_air(melted);
        (given_up / self.taken_per_gram).max(Mass::default())
    }

    /// Solves `seed = seed_for(total − seed)`.
    ///
    /// Without the loss the equation is linear and the first line is exact. The
    /// loss bends it a little; secant-like steps settle to a microgram in a few
    /// rounds, and the bounds keep them inside the bowl.
    fn seed_within(&self, total: Mass) -> Mass {
        let c = self.input.chocolate.family.heat_when_melted() * self.fall;
        let mut seed = (total * c + self.vessel_heat * self.fall) / (self.taken_per_gram + c);
        if self.input.still_air.is_none() {
            return seed.min(total);
        }
        let slope = 1.0 + (c / self.taken_per_gram).value;
        for _ in 0..40 {
            let gap = seed - self.seed_for(total - seed);
            seed = (seed - gap / slope).max(Mass::default()).min(total);
            if in_grams(gap).abs() < 1e-6 {
                break;
            }
        }
        seed
    }
}

impl SeedInput<'_> {
    /// Works out the seed.
    ///
    /// # Errors
    /// Where the temperatures are in an order in which seed cannot cool the
    /// bowl, or the chocolate is a coating.
    pub fn solve(&self) -> Result<SeedPlan, SeedError> {
        let family = self.chocolate.family;
        if !family.tempers() {
            return Err(SeedError::NothingToSeed);
        }
        let (melted_c, target_c, seed_c) =
            (in_celsius(self.melted), in_celsius(self.target), in_celsius(self.seed));
        if melted_c <= target_c {
            return Err(SeedError::MeltedNotAboveTarget { melted_c, target_c });
        }
        if seed_c >= target_c {
            return Err(SeedError::SeedNotBelowTarget { seed_c, target_c });
        }

        let warming = family.heat_when_solid() * rise(self.seed, self.target);
        let melting = Family::heat_of_melting_fat() * self.chocolate.fat * (1.0 - UNMELTED_SHARE);
        let balance = Balance {
            input: self,
            fall: rise(self.target, self.melted),
            taken_per_gram: warming + melting,
            vessel_heat: self.vessel.map(|w| w.wetted_heat()).unwrap_or_default(),
        };
        let (seed, melted) = match self.amount {
            Amount::Melted(melted) => (balance.seed_for(melted), melted),
            Amount::Total(total) => {
                let seed = balance.seed_within(total);
                (seed, total - seed)
            }
        };
        let mut plan = SeedPlan {
            seed,
            melted,
            total: seed + melted,
            additions: additions(seed),
            notes: Vec::new(),
            working: working(&balance, melted, seed, melting),
        };
        plan.notes = remarks(&plan);
        Ok(plan)
    }
}

fn working(
    balance: &Balance<'_>,
    melted: Mass,
    seed: Mass,
    melting: AvailableEnergy,
) -> Vec<Working> {
    let in_chocolate = melted * balance.input.chocolate.family.heat_when_melted() * balance.fall;
    let mut working = Vec::with_capacity(7);
    working.push(Working::new("to fall", in_degrees(balance.fall), "C°"));
    working.push(Working::new("heat in the melted chocolate", in_joules(in_chocolate), "J"));
    if balance.input.vessel.is_some() {
        working.push(Working::new(
            "heat in the bowl",
            in_joules(balance.vessel_heat * balance.fall),
            "J",
        ));
    }
    if balance.input.still_air.is_some() {
        working.push(Working::new("lost to the room", in_joules(balance.lost_to_air(melted)), "J"));
    }
    let warming = balance.taken_per_gram - melting;
    working.push(Working::new("each gram of seed takes to warm", in_joules_per_gram(warming), "J"));
    working.push(Working::new("and to melt", in_joules_per_gram(melting), "J"));
    working.push(Working::new("seed", in_grams(seed), "g"));
    working
}

fn remarks(plan: &SeedPlan) -> Vec<Note> {
    let share = in_percent(plan.share_of_melted());
    let [least, most] = USUAL_SHARE_PCT;
    if plan.seed <= grams(0.0) {
        vec![Note::info("no-seed-needed", say::no_seed_needed())]
    } else if share < least {
        vec![Note::caution("little-seed", say::little_seed(share, USUAL_SHARE_PCT))]
    } else if share > most {
        vec![Note::caution("much-seed", say::much_seed(share, USUAL_SHARE_PCT))]
    } else {
        Vec::new()
    }
}
