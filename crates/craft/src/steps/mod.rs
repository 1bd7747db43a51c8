//! The steps of a plan: one list for plan, card, bench, guide and schedule.
//!
//! A [`Line`] is a chocolate being tempered, or one cast of a component; its
//! [`Step`]s follow each other. Steps wait for moments of other steps, and those
//! that take chocolate name the tempering that must be ready. Every text and
//! every window that any screen shows comes from here.
//!
//! Steps are part of what a batch keeps from the moment it is begun, so they can
//! be written and read: times are in seconds, in numbers with the unit in the name.

mod gear;
mod helper;
mod lay_out;
mod learned;
mod packing;
mod parted;
mod shared;
mod step;
mod taken_up;
mod tempering;
#[cfg(test)]
mod tests;

pub use gear::Gear;
pub(crate) use lay_out::APART_S;
pub use lay_out::lines;
pub use step::{Anchor, Due, Line, LineOf, Step, StepKind, Takes, Wait};
pub use taken_up::{CLEANING_MIN, TakenUp, Thing, taken_up};
pub use tempering::{tempering_key, usual_time};
