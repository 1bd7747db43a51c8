//! How much colour a face takes, by the way it is put on.

use serde::{Deserialize, Serialize};

use crate::catalogue::cautions;
use crate::catalogue::colour as say;
use crate::message::Message;
use crate::note::{Note, Working};
use crate::units::{
    Area, Length, Mass, grams, in_grams, in_millimetres, in_square_centimetres, millimetres,
};

/// Density of coloured cocoa butter, g/cm³ (docs/craft.md, section 5).
const DENSITY: f64 = 0.97;

/// How it is put on.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Way {
    /// With a brush.
    Brush,
    /// Swiped with a finger: streaky.
    Finger,
    /// Flecked from a stiff brush.
    Fleck,
    /// Sprayed with an airbrush, in thin passes.
    Spray,
    /// Painted on a sheet.
    Sheet,
}

impl Way {
    /// Thickness of one coat or pass.
    #[must_use]
    pub fn thickness(self) -> Length {
        millimetres(match self {
            Self::Brush => 0.10,
            Self::Finger | Self::Sheet => 0.12,
            Self::Fleck => 0.03,
            Self::Spray => 0.05,
        })
    }

    /// The share that ends up on the face.
    fn yielding(self) -> f64 {
        match self {
            Self::Brush | Self::Sheet => 0.90,
            Self::Finger => 0.85,
            Self::Fleck => 0.60,
            Self::Spray => 0.55,
        }
    }

    /// The least with which the tool works at all: a cup that still draws, a brush
    /// that is wet through (*custom*).
    #[must_use]
    pub fn least(self) -> Mass {
        grams(match self {
            Self::Brush | Self::Finger => 5.0,
            Self::Fleck | Self::Sheet => 8.0,
            Self::Spray => 20.0,
        })
    }

    /// What the hands do, as an instruction begins.
    #[must_use]
    pub fn verb(self) -> &'static str {
        match self {
            Self::Brush => "Brush",
            Self::Finger => "Swipe",
            Self::Fleck => "Fleck",
            Self::Spray => "Spray",
            Self::Sheet => "Paint",
        }
    }

    /// How, in a sentence.
    #[must_use]
    pub fn how(self) -> Message {
        match self {
            Self::Brush => say::brush_how(),
            Self::Finger => say::finger_how(),
            Self::Fleck => say::fleck_how(),
            Self::Spray => say::spray_how(),
            Self::Sheet => say::sheet_how(),
        }
    }

    /// What is to be minded.
    #[must_use]
    pub fn caution(self) -> Message {
        match self {
            Self::Spray => say::spray_mind(),
            _ => cautions::food_colour(),
        }
    }
}

/// What a face takes.
#[derive(Clone, Debug, PartialEq)]
pub struct FilmAmount {
    /// What is used up, with what misses the face or stays in the tool.
    pub film: Mass,
    /// What to have ready at least, so that the tool works.
    pub to_prepare: Mass,
    /// How thick it lies.
    pub thickness: Length,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// m = A·t·0.97/η, over a share of an area, in so many passes (docs/craft.md,
/// section 5).
#[must_use]
pub fn film(area: Area, way: Way, passes: u32, share: f64) -> FilmAmount {
    let thickness = way.thickness() * f64::from(passes.max(1));
    let covered = area * share;
    let on_face_g = in_square_centimetres(covered) * in_millimetres(thickness) / 10.0 * DENSITY;
    let film = grams(on_face_g / way.yielding());
    let to_prepare = film.max(way.least());
    let mut notes = Vec::new();
    if to_prepare > film {
        notes.push(Note::info("tool-needs-more", say::tool_needs_more(film, way.least())));
    }
    FilmAmount {
        film,
        to_prepare,
        thickness,
        notes,
        working: vec![
            Working::new("covered", in_square_centimetres(covered), "cm²"),
            Working::new("film", in_millimetres(thickness), "mm"),
            Working::new("on the face", on_face_g, "g"),
            Working::new("ends up there", way.yielding() * 100.0, "%"),
            Working::new("used", in_grams(film), "g"),
        ],
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::square_centimetres;

    #[test]
    fn a_face_takes_little_and_the_tool_wants_more() {
        // 24 half balls of 30 mm: 24 · 2π·1.5² = 339.3 cm².
        let area = square_centimetres(339.292);
        let brushed = film(area, Way::Brush, 1, 1.0);
        assert!((in_grams(brushed.film) - 3.657).abs() < 0.001, "{:?}", brushed.film);
        assert!((in_grams(brushed.to_prepare) - 5.0).abs() < 1e-9);
        assert_eq!(brushed.notes.len(), 1);
        let sprayed = film(area * 10.0, Way::Spray, 3, 1.0);
        assert!((in_grams(sprayed.film) - 89.76).abs() < 0.01, "{:?}", sprayed.film);
        assert_eq!(sprayed.film, sprayed.to_prepare);
        let flecked = film(area, Way::Fleck, 1, 0.3);
        assert!((in_grams(flecked.film) - 339.292 * 0.3 * 0.003 * 0.97 / 0.6).abs() < 1e-6);
    }
}
