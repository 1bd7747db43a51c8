//! A batch: one making of a plan.
//!
//! What is kept of it is the steps it was begun with, its bowls, and an append-only
//! list of what was done; where it stands, what is to be done next and what is
//! coming are a fold over those and the time. Steps of several lines are
//! interleaved by what binds first.

mod bowls;
mod events;
mod guide;
mod lesson;
mod stage;
#[cfg(test)]
mod tests;
mod timeline;
mod together;

pub use bowls::{BowlState, BowlStatus, bowl_of, use_of, used_for};
pub use events::{Event, EventKind, begun, done_by, is_packed, last_standing};
pub use guide::{Coming, Guide, Instruction, Progress, State, StepProgress, Untempered, guide};
pub use lesson::lesson;
pub use stage::{Stage, Standing, ToDo, ends_bowl, standing};
