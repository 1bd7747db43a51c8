//! The crystals in a bowl: how they form, change and melt.
//!
//! Cocoa butter sets in six forms (Wille & Lutton 1966). Two lumps are enough to
//! tell good temper from bad: *stable* is form V, which shines and snaps;
//! *unstable* is form IV and below, which sets dull and streaked. Shares are of
//! the fat.
//!
//! ```text
//!            below t_u, faster when stirred          stirred
//!   liquid ───────────────────────────────▶ unstable ───────▶ stable
//!      ▲  ◀─────────────────────────────── above t_u            │ grows below t_v
//!      └──────────────────────────────────────────── above t_v ─┘
//! ```
//!
//! What each can reach at a temperature, and how fast, is fitted to the outcomes
//! that makers know (kitchen custom; `tests/bench/crystals.rs` holds them all),
//! not to measurements of single crystals.

pub(crate) mod film;
mod kinetics;
mod smear;

pub use kinetics::{Crystals, Kinetics, ReadyFate};
pub use smear::Smear;
