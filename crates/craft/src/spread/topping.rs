//! What goes on top: how much, so that every piece gets some.
//!
//! Pieces of topping fall at random. Of a slab broken into pieces, a share e^(−λ)
//! gets none where λ fall on each on the average; so λ = −ln(0.05) = 3.0 leaves
//! 95 % with at least one (Poisson). A large one that lies across a break counts
//! for both, so a piece catches as if it were wider by one topping.

use crate::catalogue::spread as say;
use crate::note::{Note, Working};
use crate::units::{
    Area, Length, Mass, in_grams, in_millimetres, in_square_centimetres, square_centimetres,
};

/// The share of pieces that get at least one.
pub const PIECES_SERVED: f64 = 0.95;
/// Over this much of the slab, toppings lie on each other and fall off (*custom*).
pub const MOST_COVERED: f64 = 0.6;
/// Hard toppings below this are small enough to choke on, mm (*custom*).
const CHOKING_MM: f64 = 30.0;

/// One kind of topping.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Topping {
    /// How wide one of it is, on the average.
    pub across: Length,
    /// What one of it weighs.
    pub each: Mass,
}

/// How much of it is wanted.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Wish {
    /// So much of the slab is to be covered, from 0 to 1.
    Covering(f64),
    /// Pieces of this size are each to get some.
    OnEveryPiece(Area),
    /// They are to weigh so much in all.
    Weighing(Mass),
}

/// What goes on a slab.
#[derive(Clone, Debug, PartialEq)]
pub struct OnTop {
    /// How many of it.
    pub count: f64,
    /// What they weigh.
    pub mass: Mass,
    /// The share of the slab that they cover.
    pub covered: f64,
    /// How many pieces the slab breaks into, where their size is known.
    pub pieces: Option<f64>,
    /// The working.
    pub working: Vec<Working>,
}

impl Topping {
    /// What one of it covers, seen from above as a disc.
    fn covers(&self) -> Area {
        self.across * self.across * std::f64::consts::FRAC_PI_4
    }

    /// How much of it goes on a slab.
    ///
    /// ```
    /// use craft::spread::topping::{Topping, Wish};
    /// use craft::units::{grams, in_grams, millimetres, square_centimetres};
    ///
    /// // Hazelnuts of 14 mm and 1.1 g, on a tray of 600 cm² broken into pieces of 16 cm².
    /// let nuts = Topping { across: millimetres(14.0), each: grams(1.1) };
    /// let on_top = nuts.on(square_centimetres(600.0), Wish::OnEveryPiece(square_centimetres(16.0)));
    /// assert!((in_grams(on_top.mass) - 68.0).abs() < 1.0);
    /// ```
    #[must_use]
    pub fn on(&self, slab: Area, wish: Wish) -> OnTop {
        let one = self.covers();
        let (count, pieces, mut working) = match wish {
            Wish::Covering(share) => {
                let count = (slab * share / one).value;
                let working = vec![
                    Working::new("to be covered", in_square_centimetres(slab * share), "cm²"),
                    Working::new("one covers", in_square_centimetres(one), "cm²"),
                ];
                (count, None, working)
            }
            Wish::OnEveryPiece(piece) => {
                let side_mm = (in_square_centimetres(piece) * 100.0).sqrt();
                let wide_mm = side_mm + in_millimetres(self.across);
                let catches = square_centimetres(wide_mm * wide_mm / 100.0);
                let each_gets = -(1.0 - PIECES_SERVED).ln();
                let pieces = (slab / piece).value;
                let working = vec![
                    Working::new("pieces", pieces, ""),
                    Working::new("a piece catches those on", in_square_centimetres(catches), "cm²"),
                    Working::new("so many on each serve 95 %", each_gets, ""),
                ];
                ((slab / catches).value * each_gets, Some(pieces), working)
            }
            Wish::Weighing(mass) => {
                let working = vec![
                    Working::new("to weigh in all", in_grams(mass), "g"),
                    Working::new("one weighs", in_grams(self.each), "g"),
                ];
                ((mass / self.each).value, None, working)
            }
        };
        // A hair's breadth over a whole one is that one.
        let count = (count - 1e-9).ceil();
        let mass = self.each * count;
        let covered = (one * count / slab).value;
        working.push(Working::new("toppings", count, ""));
        working.push(Working::new("they weigh", in_grams(mass), "g"));
        working.push(Working::new("and cover", covered * 100.0, "%"));
        OnTop { count, mass, covered, pieces, working }
    }
}

/// What is said of toppings that cover so much of a slab together.
#[must_use]
pub fn remarks(toppings: &[Topping], covered: f64) -> Vec<Note> {
    let mut notes = Vec::new();
    if toppings.is_empty() {
        return notes;
    }
    if covered > MOST_COVERED {
        notes.push(Note::caution(
            "topping-crowded",
            say::topping_crowded(covered * 100.0, MOST_COVERED * 100.0),
        ));
    }
    notes.push(Note::info("topping-cold", say::topping_cold()));
    if toppings.iter().any(|topping| in_millimetres(topping.across) < CHOKING_MM) {
        notes.push(Note::info("topping-small", say::topping_small()));
    }
    notes
}

#[cfg(test)]
mod tests {
    use rand::{RngExt, SeedableRng};
    use rand_chacha::ChaCha8Rng;

    use super::*;
    use crate::units::{grams, millimetres};

    fn nuts(across_mm: f64) -> Topping {
        Topping { across: millimetres(across_mm), each: grams(1.0) }
    }

    /// The share of square pieces that some topping touches, thrown at random.
    fn served(topping: Topping, count: f64, slab_mm: f64, piece_mm: f64) -> f64 {
        let mut chance = ChaCha8Rng::seed_from_u64(11);
        let per_side = (slab_mm / piece_mm) as usize;
        let reach = in_millimetres(topping.across) / 2.0;
        let (mut hit, mut all) = (0, 0);
        for _ in 0..20 {
            let thrown: Vec<[f64; 2]> = (0..count as usize)
                .map(|_| [chance.random_range(0.0..slab_mm), chance.random_range(0.0..slab_mm)])
                .collect();
            for i in 0..per_side {
                for j in 0..per_side {
                    let [left, top] = [i as f64 * piece_mm, j as f64 * piece_mm];
                    let within =
                        |at: f64, from: f64| at > from - reach && at < from + piece_mm + reach;
                    all += 1;
                    hit += usize::from(
                        thrown.iter().any(|[x, y]| within(*x, left) && within(*y, top)),
                    );
                }
            }
        }
        hit as f64 / all as f64
    }

    #[test]
    fn thrown_at_random_nineteen_of_twenty_pieces_get_some() {
        for (across_mm, piece_mm) in [(5.0, 40.0), (14.0, 40.0), (10.0, 60.0)] {
            let slab_mm = 480.0;
            let cm2 = |mm: f64| square_centimetres(mm * mm / 100.0);
            let wish = Wish::OnEveryPiece(cm2(piece_mm));
            let on_top = nuts(across_mm).on(cm2(slab_mm), wish);
            let share = served(nuts(across_mm), on_top.count, slab_mm, piece_mm);
            assert!((0.925..0.975).contains(&share), "{across_mm} on {piece_mm} mm: {share:.3}");
        }
    }

    #[test]
    fn coverage_goes_by_area() {
        let on_top = nuts(10.0).on(square_centimetres(500.0), Wish::Covering(0.3));
        assert!((on_top.covered - 0.3).abs() < 0.005, "{on_top:?}");
        assert!((in_grams(on_top.mass) - on_top.count).abs() < 1e-9);
        assert_eq!(on_top.pieces, None);
    }

    #[test]
    fn a_crowd_is_said_and_small_ones_are_minded() {
        let codes = |topping: Topping, wish| {
            let on_top = topping.on(square_centimetres(500.0), wish);
            let notes = remarks(&[topping], on_top.covered);
            notes.into_iter().map(|note| note.code).collect::<Vec<_>>()
        };
        assert_eq!(
            codes(nuts(10.0), Wish::Covering(0.8)),
            ["topping-crowded", "topping-cold", "topping-small"]
        );
        assert_eq!(codes(nuts(35.0), Wish::Covering(0.3)), ["topping-cold"]);
    }
}
