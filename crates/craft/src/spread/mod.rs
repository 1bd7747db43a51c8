//! Flat work: how much chocolate covers what, how thick.

pub(crate) mod guard;
pub mod mixed;
pub mod piped;
pub mod slab;
pub mod topping;
mod tray;
pub mod wrap;

pub use tray::Tray;
