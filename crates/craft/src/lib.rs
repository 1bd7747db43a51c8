//! The rules of tempering chocolate at home.
//!
//! Everything here is pure: values in, values out. No clock, no files, no
//! network, no database. Quantities are typed (see [`units`]), so a mass cannot
//! be passed for a temperature and a temperature difference is not a
//! temperature.
//!
//! ```
//! use craft::chocolate::{Chocolate, Family};
//! use craft::heat::seed::{Amount, SeedInput};
//! use craft::units::{celsius, grams, in_grams};
//!
//! let dark = Chocolate::of(Family::Dark);
//! let plan = SeedInput {
//!     chocolate: &dark,
//!     amount: Amount::Total(grams(800.0)),
//!     melted: celsius(46.0),
//!     target: celsius(31.5),
//!     seed: celsius(20.0),
//!     vessel: None,
//!     still_air: None,
//! }
//! .solve()?;
//! assert!((in_grams(plan.seed) - 226.2).abs() < 1.0);
//! # Ok::<(), craft::heat::seed::SeedError>(())
//! ```

pub mod allergens;
pub mod batch;
pub mod bowl;
pub mod boxes;
mod catalogue;
pub mod cause;
pub mod check;
pub mod chocolate;
pub mod clinic;
pub mod coach;
pub mod colour;
pub mod cost;
pub mod crystal;
pub mod dip;
pub mod drawn;
pub mod edits;
pub mod filling;
pub mod fridge;
pub mod heat;
pub mod help;
pub mod keeping;
pub mod kinds;
pub mod label;
pub mod learn;
pub mod logbook;
pub mod logfile;
pub mod measure;
pub mod message;
pub mod method;
pub mod note;
pub mod pantry;
pub mod phrases;
pub mod plan;
pub mod pot;
pub mod proposals;
pub mod result;
pub mod room;
pub mod scale;
pub mod schedule;
pub mod setting;
pub mod shelf;
pub mod shell;
pub mod shopping;
pub mod spread;
pub mod steps;
pub mod time;
pub mod units;
mod wording;
mod words;
pub mod work;
