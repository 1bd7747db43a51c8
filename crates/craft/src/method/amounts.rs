//! What a method asks to be weighed.

use crate::chocolate::Chocolate;
use crate::heat::Vessel;
use crate::heat::seed::{Amount, SeedError, SeedInput, SeedPlan, StillAir, weighed_additions};
use crate::heat::stone::OutsideSplit;
use crate::message::{Message, spoken};
use crate::note::{Note, Working};
use crate::scale::Scale;
use crate::units::{Mass, Temperature, grams, in_grams};

/// What the maker wants, as a method's sums need it.
#[derive(Clone, Copy, Debug)]
pub struct AmountsRequest<'a> {
    /// The chocolate.
    pub chocolate: &'a Chocolate,
    /// All there is to be.
    pub total: Mass,
    /// Where the melt stops.
    pub melt_to: Temperature,
    /// Where the cooling aims.
    pub target: Temperature,
    /// The temperature of what is held back.
    pub seed_temp: Temperature,
    /// The bowl, where its heat is to be counted.
    pub vessel: Option<Vessel>,
    /// The loss to the room, where it is to be counted.
    pub still_air: Option<StillAir>,
    /// Ready crystals as a share of all, per cent.
    pub crystals_pct: f64,
    /// Where what lies on the stone is worked to.
    pub stone_to: Temperature,
}

/// Why there are no amounts.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum AmountsError {
    /// The seed sum has no answer.
    Seed(SeedError),
    /// What is poured out cannot bring the rest to the target.
    Split(OutsideSplit),
}

impl AmountsError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::Seed(error) => error.message(),
            Self::Split(error) => error.message(),
        }
    }
}

spoken!(AmountsError);

impl From<SeedError> for AmountsError {
    fn from(error: SeedError) -> Self {
        Self::Seed(error)
    }
}

impl From<OutsideSplit> for AmountsError {
    fn from(error: OutsideSplit) -> Self {
        Self::Split(error)
    }
}

/// What to melt, hold back, add and pour out.
#[derive(Clone, Debug, PartialEq)]
pub struct Amounts {
    /// Melt this much.
    pub melted: Mass,
    /// Hold this much back, unmelted.
    pub seed: Mass,
    /// Add this much of ready crystals.
    pub crystals: Mass,
    /// Pour this much out on the stone.
    pub pour_out: Mass,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

impl Amounts {
    /// Everything melted, nothing held back.
    pub(super) fn melt_all(total: Mass) -> Self {
        Self {
            melted: total,
            seed: grams(0.0),
            crystals: grams(0.0),
            pour_out: grams(0.0),
            notes: Vec::new(),
            working: vec![Working::new("melt all of it", in_grams(total), "g")],
        }
    }

    /// Everything but the ready crystals, which are chocolate's own fat, melted.
    #[must_use]
    pub fn total(&self) -> Mass {
        self.melted + self.seed
    }
}

/// What is put on the scale: amounts as it shows them, which add up.
#[derive(Clone, Debug, PartialEq)]
pub struct WeighedOut {
    /// All of it.
    pub total: Mass,
    /// Melted first.
    pub melted: Mass,
    /// Held back, unmelted.
    pub seed: Mass,
    /// The seed in its additions; one where it is no more than a pinch.
    pub additions: Vec<Mass>,
    /// Ready crystals.
    pub crystals: Mass,
    /// Poured out on the stone, of what is melted.
    pub pour_out: Mass,
}

impl Amounts {
    /// On a scale.
    #[must_use]
    pub fn on(&self, scale: Scale) -> WeighedOut {
        let [melted, seed] = scale.parts(self.total(), [self.melted, self.seed]);
        WeighedOut {
            total: scale.shows(self.total()),
            melted,
            seed,
            additions: weighed_additions(seed, scale),
            crystals: scale.shows(self.crystals),
            pour_out: scale.parts(melted, [self.pour_out, self.melted - self.pour_out])[0],
        }
    }
}

impl From<SeedPlan> for Amounts {
    fn from(plan: SeedPlan) -> Self {
        Self {
            melted: plan.melted,
            seed: plan.seed,
            notes: plan.notes,
            working: plan.working,
            ..Self::melt_all(plan.melted)
        }
    }
}

/// The seed that brings a wish's melted part to a target.
pub(super) fn seeded(
    wish: &AmountsRequest<'_>,
    target: Temperature,
) -> Result<Amounts, AmountsError> {
    let plan = SeedInput {
        chocolate: wish.chocolate,
        amount: Amount::Total(wish.total),
        melted: wish.melt_to,
        target,
        seed: wish.seed_temp,
        vessel: wish.vessel,
        still_air: wish.still_air,
    }
    .solve()?;
    Ok(plan.into())
}
