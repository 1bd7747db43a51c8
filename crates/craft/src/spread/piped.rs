//! Piped lines: outlines, lattices, letters.

use super::slab::with_allowance;
use crate::catalogue::spread as say;
use crate::chocolate::Chocolate;
use crate::note::{Note, Working};
use crate::units::{Length, Mass, in_grams, in_millimetres, millimetres};

/// A line thinner than this breaks when it is lifted, mm (*custom*).
pub const LEAST_LINE_MM: f64 = 3.0;

/// Piped pieces' figures.
#[derive(Clone, Debug, PartialEq)]
pub struct Piped {
    /// Chocolate in all the pieces.
    pub chocolate: Mass,
    /// Chocolate to weigh out, with what stays in the bag.
    pub to_weigh: Mass,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// The chocolate in a number of pieces of piped line.
///
/// A line of width *w* is half round: its section is π·w²/8, its height half its
/// width (docs/craft.md, section 4).
#[must_use]
pub fn piped(chocolate: &Chocolate, length: Length, line: Length, count: u32) -> Piped {
    let section = line * line * (std::f64::consts::PI / 8.0);
    let each: Mass = section * length * chocolate.solid_density;
    let all = each * f64::from(count);
    let to_weigh = with_allowance(all);
    let mut notes = Vec::new();
    if in_millimetres(line) < LEAST_LINE_MM {
        notes.push(Note::caution("line-thin", say::line_thin(millimetres(LEAST_LINE_MM))));
    }
    notes.push(Note::info("lines-join", say::lines_join()));
    Piped {
        chocolate: all,
        to_weigh,
        notes,
        working: vec![
            Working::new("each line is high", in_millimetres(line) / 2.0, "mm"),
            Working::new("each piece", in_grams(each), "g"),
            Working::new("all of them", in_grams(all), "g"),
            Working::new("with what stays in the bag", in_grams(to_weigh), "g"),
        ],
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::units::millimetres;

    #[test]
    fn a_metre_of_four_millimetres_weighs_eight_grams() {
        let dark = Chocolate::of(Family::Dark);
        let one = piped(&dark, millimetres(1_000.0), millimetres(4.0), 1);
        assert!((in_grams(one.chocolate) - 8.105).abs() < 0.01, "{one:?}");
        assert!((in_grams(one.to_weigh) - 23.105).abs() < 0.01, "15 g at least stay behind");
        let many = piped(&dark, millimetres(1_000.0), millimetres(4.0), 50);
        assert!((in_grams(many.to_weigh) / in_grams(many.chocolate) - 1.05).abs() < 1e-9);
    }

    #[test]
    fn a_thin_line_is_said_to_break() {
        let dark = Chocolate::of(Family::Dark);
        let thin = piped(&dark, millimetres(300.0), millimetres(2.0), 3);
        assert_eq!(thin.notes[0].code, "line-thin");
    }
}
