//! What a slab is spread in.

use std::f64::consts::PI;

use crate::units::{Area, Length};

/// A tray, or any area to cover.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Tray {
    /// Straight sides.
    Rectangle {
        /// The longer side.
        length: Length,
        /// The shorter side.
        width: Length,
    },
    /// A round tin.
    Round {
        /// Its inner diameter.
        diameter: Length,
    },
    /// A puddle or an odd shape, by its area.
    Area(Area),
}

impl Tray {
    /// The area to cover.
    #[must_use]
    pub fn area(&self) -> Area {
        match *self {
            Self::Rectangle { length, width } => length * width,
            Self::Round { diameter } => diameter * diameter * (PI / 4.0),
            Self::Area(area) => area,
        }
    }
}
