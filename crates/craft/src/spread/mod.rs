//! Flat work: how much chocolate covers what, how thick.

pub mod piped;
pub mod slab;
mod tray;
pub mod wrap;

pub use tray::Tray;
