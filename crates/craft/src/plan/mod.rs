//! A plan: what the maker states, and what follows from it.
//!
//! A [`Plan`] holds chocolates to be tempered, a [`bowl`] each, and the
//! components made from them. A bowl takes what its components need and what
//! stays behind; a component says how it is built and how long each step has.

mod blend;
mod bowl;
mod bowl_inputs;
pub(crate) mod bowl_names;
mod coatings;
mod division;
mod enough;
mod gear;
mod inputs;
mod keeping;
mod known_goods;
mod labels;
mod left_over;
mod merge;
mod needed;
mod own;
mod packing;
mod planned;
mod recipe;
mod sharing;
mod taken;
mod tints;
mod when;
mod whole;

pub(crate) use blend::family_or_blend;
pub use blend::{BlendPart, blended};
pub use bowl::{BowlPlan, bowl};
pub use bowl_inputs::BowlInputs;

pub use enough::{Enough, enough};
pub use gear::{MicrowaveInputs, WareInputs};
pub use inputs::{MadeIn, PlanInputs, TemperingPace, WatchFor};
pub use keeping::Keeping;
pub use labels::{BY_NAME, NamedLabel};
pub use left_over::{Idea, LeftOver};
pub use merge::{Clash, merge};
pub use own::OwnInputs;
pub use packing::{
    LearnedSpare, Packed, PackedAs, PackedKind, PackingInputs, WrappingInputs, so_much,
};
pub use planned::{PlannedBowl, PlannedComponent, TakenPart, Tinted, plan_of};
pub use recipe::{ColourPlan, Recipe, RecipeInputs, RecipePart, TintInputs};
pub use sharing::shared_trays;
pub(crate) use taken::FROM_THE_TAP;
pub use taken::{GoodsTaken, GoodsUse};
pub use when::{HandsInputs, PinnedInputs, WhenInputs};
pub use whole::Plan;

#[cfg(test)]
mod tests;
