//! Where to score a slab so that it parts into pieces of a size.
//!
//! Uneven: the slab is halved across its longer way by a slanted straight cut, each
//! part again, and so on; every cut leaves each side its share of the pieces, give or
//! take, so that all are about as large. Straight cuts are what a knife makes. Even:
//! straight lines both ways.

use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::polygon::{Cut, Polygon};
use crate::catalogue::drawn as say;
use crate::message::{Message, spoken};
use crate::spread::Tray;
use crate::units::{Area, in_millimetres, in_square_centimetres, square_centimetres};

/// How the marks run.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ShardPattern {
    /// Slanted and of uneven width.
    #[default]
    Uneven,
    /// Straight, into equal pieces.
    Even,
}

/// Pieces of one slab at most.
pub const MOST_PIECES: f64 = 1_000.0;
/// A cut slants by so much at most, either way, radians.
const SLANT: f64 = 0.5;
/// A side gets so much more or less than its share.
const UNEVEN: f64 = 0.12;

/// Where to score.
#[derive(Clone, Debug, PartialEq)]
pub struct ScoreMap {
    /// The slab, as wide and as high as `size`.
    pub outline: Polygon,
    /// Width and height, mm.
    pub size: [f64; 2],
    /// The cuts.
    pub cuts: Vec<Cut>,
    /// The pieces.
    pub pieces: Vec<Polygon>,
}

/// Why a slab cannot be scored so.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum ScoreError {
    /// A piece as large as the slab, or larger.
    TooLarge {
        /// The slab.
        slab_cm2: f64,
    },
    /// More pieces than can be told apart.
    TooSmall {
        /// How many it makes.
        pieces: f64,
    },
}

impl ScoreError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::TooLarge { slab_cm2 } => say::pieces_too_large(square_centimetres(*slab_cm2)),
            Self::TooSmall { pieces } => say::pieces_too_small(*pieces, MOST_PIECES),
        }
    }
}

spoken!(ScoreError);

/// The slab's outline and its extent.
#[must_use]
pub fn outline_of(tray: Tray) -> (Polygon, [f64; 2]) {
    match tray {
        Tray::Rectangle { length, width } => {
            let (a, b) = (in_millimetres(length), in_millimetres(width));
            let size = [a.max(b), a.min(b)];
            (Polygon::rectangle(size[0], size[1]), size)
        }
        Tray::Round { diameter } => {
            let d = in_millimetres(diameter);
            (Polygon::circle(d), [d, d])
        }
        Tray::Area(area) => {
            let d = (in_square_centimetres(area) * 400.0 / std::f64::consts::PI).sqrt();
            (Polygon::circle(d), [d, d])
        }
    }
}

/// Where to score a slab into pieces of a size; the same seed gives the same map.
///
/// # Errors
/// Where there would be fewer than two pieces, or too many.
pub fn score_map(
    tray: Tray,
    piece: Area,
    pattern: ShardPattern,
    seed: u64,
) -> Result<ScoreMap, ScoreError> {
    let (outline, size) = outline_of(tray);
    let count = (tray.area() / piece).value;
    if count < 2.0 - 1e-9 {
        return Err(ScoreError::TooLarge { slab_cm2: in_square_centimetres(tray.area()) });
    }
    if count > MOST_PIECES {
        return Err(ScoreError::TooSmall { pieces: count });
    }
    let mut map = ScoreMap { outline: outline.clone(), size, cuts: Vec::new(), pieces: Vec::new() };
    match pattern {
        ShardPattern::Uneven => {
            let mut chance = ChaCha8Rng::seed_from_u64(seed);
            map.part(outline, count.round() as u32, &mut chance);
        }
        ShardPattern::Even => map.rule(outline, count),
    }
    Ok(map)
}

impl ScoreMap {
    /// Halves a part until it is one piece.
    fn part(&mut self, part: Polygon, count: u32, chance: &mut ChaCha8Rng) {
        if count < 2 {
            self.pieces.push(part);
            return;
        }
        let [left, right] = part.reach([1.0, 0.0]);
        let [top, bottom] = part.reach([0.0, 1.0]);
        let across = if right - left >= bottom - top { 0.0 } else { std::f64::consts::FRAC_PI_2 };
        let turn = across + chance.random_range(-SLANT..=SLANT);
        let along = [turn.cos(), turn.sin()];
        let first = count / 2;
        let share =
            f64::from(first) / f64::from(count) * (1.0 + chance.random_range(-UNEVEN..=UNEVEN));
        let (near, far, cut) = part.split(along, part.at_share(along, share));
        self.cuts.extend(cut);
        self.part(near, first, chance);
        self.part(far, count - first, chance);
    }

    /// Straight lines both ways, into pieces as nearly square as they come.
    fn rule(&mut self, outline: Polygon, count: f64) {
        let [width, height] = self.size;
        let side = (width * height / count).sqrt();
        let across = (width / side).round().max(1.0);
        let down = (count / across).round().max(1.0);
        let mut parts = vec![outline.clone()];
        for (along, lines, length) in [([1.0, 0.0], across, width), ([0.0, 1.0], down, height)] {
            for i in 1..lines as u32 {
                let at = length * f64::from(i) / lines;
                self.cuts.extend(outline.split(along, at).2);
                let halves = parts.into_iter().flat_map(|part| {
                    let (near, far, _) = part.split(along, at);
                    [near, far]
                });
                parts = halves.filter(|part| part.area() > 1e-6).collect();
            }
        }
        self.pieces = parts;
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::{millimetres, square_centimetres};

    fn tray() -> Tray {
        Tray::Rectangle { length: millimetres(300.0), width: millimetres(200.0) }
    }

    fn map(pattern: ShardPattern, cm2: f64, seed: u64) -> ScoreMap {
        score_map(tray(), square_centimetres(cm2), pattern, seed).expect("it can be scored")
    }

    #[test]
    fn the_pieces_make_up_the_slab_and_are_about_as_large() {
        for seed in 0..20 {
            let map = map(ShardPattern::Uneven, 20.0, seed);
            assert_eq!((map.pieces.len(), map.cuts.len()), (30, 29));
            let areas: Vec<f64> = map.pieces.iter().map(|p| p.area() / 100.0).collect();
            assert!((areas.iter().sum::<f64>() - 600.0).abs() < 1e-6);
            assert!(areas.iter().all(|cm2| (9.0..40.0).contains(cm2)), "seed {seed}: {areas:?}");
        }
    }

    #[test]
    fn the_same_seed_is_the_same_map_and_another_another() {
        assert_eq!(map(ShardPattern::Uneven, 20.0, 4), map(ShardPattern::Uneven, 20.0, 4));
        assert_ne!(map(ShardPattern::Uneven, 20.0, 4), map(ShardPattern::Uneven, 20.0, 5));
    }

    #[test]
    fn even_pieces_of_a_rectangle_are_equal() {
        let map = map(ShardPattern::Even, 25.0, 0);
        assert_eq!(map.pieces.len(), 24);
        assert!(map.pieces.iter().all(|p| (p.area() / 100.0 - 25.0).abs() < 1e-6));
        let round = Tray::Round { diameter: millimetres(240.0) };
        let piece = square_centimetres(16.0);
        let map = score_map(round, piece, ShardPattern::Even, 0).expect("it can be scored");
        let all: f64 = map.pieces.iter().map(Polygon::area).sum();
        assert!((all - map.outline.area()).abs() < 1e-6);
    }

    #[test]
    fn a_piece_as_large_as_the_slab_or_a_crumb_is_refused() {
        let ask = |cm2| score_map(tray(), square_centimetres(cm2), ShardPattern::Even, 0);
        assert!(matches!(ask(400.0), Err(ScoreError::TooLarge { .. })));
        assert!(matches!(ask(0.5), Err(ScoreError::TooSmall { .. })));
    }
}
