//! A bowl: one chocolate being tempered.
//!
//! What is kept of a bowl is its [`Setup`] and an append-only record of
//! [`Reading`]s and [`Action`]s. Everything else — phase, trend, forecast, what
//! to do next — is computed from those and the time, so a reload, a second
//! screen or a restart always shows the same bowl.

pub mod coach;
mod curve;
mod entry;
mod event;
mod finish;
mod fold;
mod forecast;
pub mod hands;
mod record;
mod settling;
mod setup;
pub mod temper_test;
pub mod trust;

pub use curve::{CurvePoint, curve};
pub use entry::{ActionName, Entry};
pub use event::{Action, ActionKind, Reading, Seen, Source};
pub use finish::{Finish, finish};
pub(crate) use fold::time_delta;
pub use fold::{Bowl, Heat, Phase, Standing, Temper, TestRun, fold};
pub use forecast::{Ahead, Forecast, forecast, look_ahead, trend};
pub use record::Record;
pub use settling::shake_due;
pub use setup::{Colouring, Setup};
