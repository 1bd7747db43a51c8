//! After the pour: one instruction at a time for all that is being built.
//!
//! What is kept of a build is the plan it was begun by and an append-only list of
//! what was done; everything here is a fold over those and the time. Tasks of
//! several components are interleaved by what binds first.

mod events;
mod guide;
mod lesson;
#[cfg(test)]
mod tests;
mod timeline;

pub use events::{Event, EventKind, last_standing};
pub use guide::{Coming, Guide, Instruction, Progress, State, guide};
pub use lesson::lesson;
