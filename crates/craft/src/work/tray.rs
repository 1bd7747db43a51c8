//! What a slab is spread in, as the maker states it.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::catalogue::work::tray as say;
use crate::check::{self, Checker};
use crate::spread::Tray;
use crate::units::{Length, in_millimetres, millimetres, square_centimetres};

/// A tray, or any area to cover.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "shape", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TrayInputs {
    /// Straight sides.
    Rectangle {
        /// The longer side.
        length_mm: f64,
        /// The shorter side.
        width_mm: f64,
        /// How high its rim is.
        #[serde(default)]
        rim_mm: Option<f64>,
    },
    /// A round tin.
    Round {
        /// Its inner diameter.
        diameter_mm: f64,
        /// How high its rim is.
        #[serde(default)]
        rim_mm: Option<f64>,
    },
    /// A puddle or an odd shape.
    Area {
        /// Its area.
        area_cm2: f64,
    },
    /// One from the shelf.
    Saved {
        /// Which.
        tray_id: Uuid,
    },
}

/// Trays as they usually are: name, then length and width, or the diameter alone,
/// and rim, mm (*custom*).
pub const USUAL_TRAYS: [(&str, f64, Option<f64>, f64); 6] = [
    ("small baking tray", 300.0, Some(200.0), 15.0),
    ("oven tray", 400.0, Some(300.0), 20.0),
    ("square tin", 200.0, Some(200.0), 40.0),
    ("loaf tin", 250.0, Some(110.0), 60.0),
    ("round tin", 240.0, None, 40.0),
    ("small round tin", 180.0, None, 40.0),
];

impl TrayInputs {
    /// The tray, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> Tray {
        match *self {
            Self::Rectangle { length_mm, width_mm, .. } => Tray::Rectangle {
                length: millimetres(check.number(
                    format_args!("{field}.length_mm"),
                    length_mm,
                    check::TRAY_MM,
                )),
                width: millimetres(check.number(
                    format_args!("{field}.width_mm"),
                    width_mm,
                    check::TRAY_MM,
                )),
            },
            Self::Round { diameter_mm, .. } => Tray::Round {
                diameter: millimetres(check.number(
                    format_args!("{field}.diameter_mm"),
                    diameter_mm,
                    check::TRAY_MM,
                )),
            },
            Self::Area { area_cm2 } => Tray::Area(square_centimetres(check.number(
                format_args!("{field}.area_cm2"),
                area_cm2,
                check::TRAY_CM2,
            ))),
            Self::Saved { .. } => {
                check.fault(format!("{field}.tray_id"), say::not_on_the_shelf());
                Tray::Area(square_centimetres(1.0))
            }
        }
    }

    /// Notes a fault where its rim cannot be, or does not hold this much.
    pub fn holds(&self, field: &str, of: &str, thickness: Length, check: &mut Checker) {
        let (Self::Rectangle { rim_mm: Some(rim_mm), .. }
        | Self::Round { rim_mm: Some(rim_mm), .. }) = *self
        else {
            return;
        };
        check.number(format_args!("{field}.rim_mm"), rim_mm, check::RIM_MM);
        let mm = in_millimetres(thickness);
        if mm > rim_mm {
            check.fault(of, say::above_the_rim(millimetres(rim_mm), millimetres(mm)));
        }
    }
}
