//! A bowl: one chocolate being tempered.
//!
//! What is kept of a bowl is its [`Setup`] and an append-only record of
//! [`Reading`]s and [`Action`]s. Everything else — phase, trend, forecast, what
//! to do next — is computed from those and the time, so a reload, a second
//! screen or a restart always shows the same bowl.

mod curve;
mod entry;
mod event;
mod finish;
mod fold;
mod forecast;
mod record;
mod settling;
mod setup;
pub mod temper_test;
pub mod trust;

pub use curve::{CurvePoint, curve};
pub use entry::{ActionName, Entry};
pub use event::{Action, ActionKind, Place, Reading, Seen, Source};
pub use finish::{Finish, finish};
pub use fold::{
    Bowl, ColourDone, Heat, Heating, Phase, Standing, Temper, TestRun, Thermometer, WentIn, fold,
};
pub(crate) use fold::{between, fluid_from, time_delta};
pub(crate) use forecast::SETTLING;
pub use forecast::{Ahead, Forecast, cool_water, forecast, look_ahead, trend};
pub use record::Record;
pub use settling::shake_due;
pub use setup::{Colouring, Course, Setup, UsedFor};
