//! A plan: what the maker states, and what follows from it.

mod bark;
mod inputs;

pub use bark::{BarkPlan, bark};
pub use inputs::{
    BarkInputs, BlendPart, MicrowaveInputs, OwnInputs, TrayInputs, WareInputs, blended,
};
