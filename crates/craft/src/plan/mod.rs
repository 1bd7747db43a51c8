//! A plan: what the maker states, and what follows from it.

mod bark;
mod inputs;

pub use bark::{BarkPlan, bark};
pub(crate) use inputs::family_or_blend;
pub use inputs::{
    BarkInputs, BlendPart, MicrowaveInputs, MixedInInputs, OwnInputs, ToppingInputs, ToppingWish,
    TrayInputs, WareInputs, blended,
};
