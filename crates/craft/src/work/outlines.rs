//! Outlines to be piped, as the maker states them.

use serde::{Deserialize, Serialize};

use crate::catalogue::work::outlines as say;
use crate::check::{self, Checker};
use crate::drawn::import::import;
use crate::drawn::joins::joins;
use crate::drawn::letters::word;
use crate::drawn::outline::Outline;
use crate::drawn::piping::Wanted;
use crate::drawn::shapes;

/// Different outlines of one component at most.
const MOST_OUTLINES: usize = 12;

/// The shape of an outline.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "shape", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ShapeInputs {
    /// A star.
    Star {
        /// Its points.
        points: u32,
        /// How far out its inner corners lie.
        inner_pct: f64,
    },
    /// A moon: a crescent under a half, gibbous over it.
    Moon {
        /// How much of its width is lit.
        lit_pct: f64,
    },
    /// A ring.
    Ring {
        /// Spokes to its middle.
        spokes: u32,
    },
    /// A leaf.
    Leaf {
        /// Veins either side of its rib.
        veins: u32,
    },
    /// A lattice in a frame.
    Lattice {
        /// Bars either way.
        bars: u32,
        /// Its height, of its width.
        high_pct: f64,
    },
    /// Letters.
    Word {
        /// What they say.
        text: String,
        /// Whether a bar under them joins them.
        #[serde(default)]
        bar: bool,
    },
    /// The paths of an SVG file.
    Drawing {
        /// The file's text.
        svg: String,
    },
}

/// So many of an outline.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OutlineInputs {
    /// What it is.
    pub outline: ShapeInputs,
    /// How wide one is.
    pub width_mm: f64,
    /// How many.
    pub count: u32,
    /// Which of its lines are features, by their place, from 1: piped first, in the second colour.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub features: Vec<u32>,
    /// Whether short lines are added that hold its parts together.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub bridged: bool,
}

impl ShapeInputs {
    /// What it is called.
    #[must_use]
    pub fn name(&self) -> String {
        match self {
            Self::Star { points, .. } => format!("star with {points} points"),
            Self::Moon { .. } => "moon".to_owned(),
            Self::Ring { spokes: 0 } => "ring".to_owned(),
            Self::Ring { spokes } => format!("ring with {spokes} spokes"),
            Self::Leaf { .. } => "leaf".to_owned(),
            Self::Lattice { .. } => "lattice".to_owned(),
            Self::Word { text, .. } => format!("“{}”", text.trim()),
            Self::Drawing { .. } => "your own drawing".to_owned(),
        }
    }

    /// The outline, with faults noted under `field`, and the shapes of a drawing that
    /// were left out.
    pub fn outline(&self, field: &str, check: &mut Checker) -> Option<(Outline, Vec<String>)> {
        let whole = |name: &str, value: u32, bounds, check: &mut Checker| {
            check.number(format_args!("{field}.{name}"), f64::from(value), bounds);
        };
        let share = |name: &str, value: f64, bounds, check: &mut Checker| {
            check.number(format_args!("{field}.{name}"), value, bounds) / 100.0
        };
        let before = check.faults();
        let outline = match self {
            Self::Star { points, inner_pct } => {
                whole("points", *points, check::POINTS, check);
                let inner = share("inner_pct", *inner_pct, check::INNER_PCT, check);
                (check.faults() == before).then(|| shapes::star(*points, inner))
            }
            Self::Moon { lit_pct } => {
                let lit = share("lit_pct", *lit_pct, check::LIT_PCT, check);
                (check.faults() == before).then(|| shapes::moon(lit))
            }
            Self::Ring { spokes } => {
                whole("spokes", *spokes, check::SPOKES, check);
                (check.faults() == before).then(|| shapes::ring(*spokes))
            }
            Self::Leaf { veins } => {
                whole("veins", *veins, check::VEINS, check);
                (check.faults() == before).then(|| shapes::leaf(*veins))
            }
            Self::Lattice { bars, high_pct } => {
                whole("bars", *bars, check::BARS, check);
                let high = share("high_pct", *high_pct, check::HIGH_PCT, check);
                (check.faults() == before).then(|| shapes::lattice(*bars, high))
            }
            Self::Word { text, bar } => word(text, *bar)
                .map_err(|error| check.fault(format!("{field}.text"), error.message()))
                .ok(),
            Self::Drawing { svg } => {
                return import(svg)
                    .map_err(|error| check.fault(format!("{field}.svg"), error.message()))
                    .ok()
                    .map(|found| (found.outline, found.left_out));
            }
        };
        outline.map(|outline| (outline, Vec::new()))
    }
}

impl OutlineInputs {
    /// Its features, by the places of their lines from 0; a fault noted where there is no such
    /// line, or where nothing is left for the body.
    fn features(&self, outline: &Outline, field: &str, check: &mut Checker) -> Vec<usize> {
        if self.features.is_empty() {
            return Vec::new();
        }
        let lines = outline.lines().len();
        let mut places = Vec::new();
        for (i, line) in self.features.iter().enumerate() {
            let field = format!("{field}[{i}]");
            check.number(&field, f64::from(*line), check::OUTLINE_LINE);
            let place = *line as usize;
            if place > lines {
                check.fault(field, say::no_such_line(lines));
            }
            places.push(place);
        }
        places.sort_unstable();
        places.dedup();
        if places.first().is_some_and(|first| *first < 1)
            || places.last().is_some_and(|last| *last > lines)
        {
            return Vec::new();
        }
        if places.len() == lines {
            check.fault(field, say::nothing_left_for_the_body(lines));
        }
        places.into_iter().map(|line| line - 1).collect()
    }
}

/// How outlines are piped.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct PipedWith {
    /// How wide the line is.
    pub line_mm: f64,
    /// Whether their bodies are flooded, which holds what lies within.
    pub flooded: bool,
}

/// The outlines as large as they are to be, with faults noted under `field`, and the
/// shapes that were left out of each.
pub fn wanted(
    outlines: &[OutlineInputs],
    with: PipedWith,
    field: &str,
    check: &mut Checker,
) -> Vec<(Wanted, Vec<String>)> {
    if outlines.is_empty() || outlines.len() > MOST_OUTLINES {
        let there = outlines.len();
        check.fault(field, say::outlines(MOST_OUTLINES, there));
    }
    let mut all = Vec::new();
    for (i, one) in outlines.iter().enumerate() {
        let field = format!("{field}[{i}]");
        let width = check.number(format_args!("{field}.width_mm"), one.width_mm, check::OUTLINE_MM);
        check.number(format_args!("{field}.count"), f64::from(one.count), check::OUTLINES);
        if let Some((outline, left_out)) = one.outline.outline(&format!("{field}.outline"), check) {
            let outline = outline.as_wide_as(width.clamp(1.0, 1_000.0));
            let features = one.features(&outline, &format!("{field}.features"), check);
            let bridges = if one.bridged && !check.has_faults() {
                joins(&outline, with.line_mm, with.flooded).bridges
            } else {
                Vec::new()
            };
            let wanted = Wanted {
                outline: outline.with(&bridges),
                features,
                bridges: bridges.len(),
                count: one.count,
                name: one.outline.name(),
            };
            all.push((wanted, left_out));
        }
    }
    all
}
