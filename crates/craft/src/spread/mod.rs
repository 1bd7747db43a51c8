//! Flat work: how much chocolate covers what, how thick.

pub mod slab;
mod tray;

pub use tray::Tray;
