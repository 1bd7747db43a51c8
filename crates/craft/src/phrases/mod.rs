//! The phrases of the bench: what can be said of a bowl, and what is seen of it.
//!
//! The methods ([`crate::method`]) and the coach ([`crate::coach`]) speak in these, so that one
//! instruction is worded once whoever gives it.

mod advice;
mod context;
mod on_the_way;
mod rewarming;
mod stone;
mod to_the_gate;
mod uneven;
mod watching;

pub use advice::{Advice, Alarm, Countdown, Grounds, Rule};
pub use context::{CoachContext, STALE_AFTER};
pub use on_the_way::Failure;
pub(crate) use rewarming::SPARE_C;
