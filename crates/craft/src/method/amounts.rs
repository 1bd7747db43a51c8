//! What a method asks to be weighed.

use crate::chocolate::Chocolate;
use crate::heat::Ware;
use crate::heat::seed::{Amount, SeedError, SeedInput, SeedPlan, StillAir};
use crate::note::{Note, Working};
use crate::units::{Mass, Temperature, grams, in_celsius, in_grams, rise};

/// What the maker wants, as a method's sums need it.
#[derive(Clone, Copy, Debug)]
pub struct Wish<'a> {
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
    pub ware: Option<Ware>,
    /// The loss to the room, where it is to be counted.
    pub still_air: Option<StillAir>,
    /// Ready crystals as a share of all, per cent.
    pub crystals_pct: f64,
    /// Where what lies on the stone is worked to.
    pub stone_to: Temperature,
}

/// Why there are no amounts.
#[derive(Clone, Copy, Debug, PartialEq, thiserror::Error)]
pub enum WishError {
    /// The seed sum has no answer.
    #[error(transparent)]
    Seed(#[from] SeedError),
    /// What is poured out cannot bring the rest to the target.
    #[error(
        "must be between {low_c:.1} °C, where the stone brings it, and {high_c:.1} °C, where the melt stops; it is {target_c:.1} °C"
    )]
    TargetOutsideSplit {
        /// Where the poured-out part ends, °C.
        low_c: f64,
        /// Where the melt stops, °C.
        high_c: f64,
        /// The target, °C.
        target_c: f64,
    },
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
    pub sum: Vec<Working>,
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
            sum: vec![Working::new("melt all of it", in_grams(total), "g")],
        }
    }

    /// Everything but the ready crystals, which are chocolate's own fat, melted.
    #[must_use]
    pub fn total(&self) -> Mass {
        self.melted + self.seed
    }
}

impl From<SeedPlan> for Amounts {
    fn from(plan: SeedPlan) -> Self {
        Self {
            melted: plan.melted,
            seed: plan.seed,
            notes: plan.notes,
            sum: plan.sum,
            ..Self::melt_all(plan.melted)
        }
    }
}

/// The seed that brings a wish's melted part to a target.
pub(super) fn seeded(wish: &Wish<'_>, target: Temperature) -> Result<Amounts, WishError> {
    let plan = SeedInput {
        chocolate: wish.chocolate,
        amount: Amount::Total(wish.total),
        melted: wish.melt_to,
        target,
        seed: wish.seed_temp,
        ware: wish.ware,
        still_air: wish.still_air,
    }
    .solve()?;
    Ok(plan.into())
}

/// How much to pour out on the stone so that the mix lands on the target:
/// x = (T_melted − T_target)/(T_melted − T_stone). All liquid to first order; the
/// crystals that form are ignored (docs/craft.md, section 2).
///
/// # Errors
/// Where the target does not lie between the two.
pub fn slab_split(
    total: Mass,
    melted: Temperature,
    stone: Temperature,
    target: Temperature,
) -> Result<Mass, WishError> {
    if !(stone < target && target < melted) {
        return Err(WishError::TargetOutsideSplit {
            low_c: in_celsius(stone),
            high_c: in_celsius(melted),
            target_c: in_celsius(target),
        });
    }
    Ok(total * (rise(target, melted) / rise(stone, melted)))
}
