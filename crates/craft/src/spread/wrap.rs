//! A wrap round a cake: a strip of chocolate, lifted while it bends.

use crate::catalogue::spread as say;
use crate::chocolate::Chocolate;
use crate::note::{Note, Working};
use crate::units::{
    Length, Mass, Ratio, in_grams, in_millimetres, in_percent, millimetres, percent_of,
};

/// The strip overlaps itself by this much, mm (*custom*).
pub const OVERLAP_MM: f64 = 25.0;
/// What spreads over the edges: running short cannot be repaired, % (*custom*).
pub const SPILL_PCT: f64 = 15.0;
/// Thickness at which a wrap bends and snaps, mm (*custom*).
pub const WRAP_MM: [f64; 2] = [1.5, 3.0];
/// It may stand this far above the cake, mm; higher flops and breaks (*custom*).
pub const ABOVE_CAKE_MM: f64 = 20.0;

/// What a wrap is to be.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct WrapInput<'a> {
    /// The chocolate.
    pub chocolate: &'a Chocolate,
    /// Over the icing.
    pub diameter: Length,
    /// How high the strip is.
    pub height: Length,
    /// How thick, once set.
    pub thickness: Length,
    /// How far it overlaps.
    pub overlap: Length,
    /// What spreads over the edges.
    pub spill: Ratio,
    /// How high the cake is, where that is known.
    pub cake: Option<Length>,
}

/// A wrap's figures.
#[derive(Clone, Debug, PartialEq)]
pub struct Wrap {
    /// Length of the strip, overlap and all.
    pub length: Length,
    /// Chocolate, with what spreads over the edges.
    pub chocolate: Mass,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

impl<'a> WrapInput<'a> {
    /// A wrap with the usual overlap and spill.
    #[must_use]
    pub fn usual(
        chocolate: &'a Chocolate,
        diameter: Length,
        height: Length,
        thickness: Length,
    ) -> Self {
        Self {
            chocolate,
            diameter,
            height,
            thickness,
            overlap: millimetres(OVERLAP_MM),
            spill: percent_of(SPILL_PCT),
            cake: None,
        }
    }

    /// Length π·D + overlap; mass L·H·t·ρ and what spreads over the edges
    /// (docs/craft.md, section 4).
    #[must_use]
    pub fn solve(&self) -> Wrap {
        let round = self.diameter * std::f64::consts::PI;
        let length = round + self.overlap;
        let strip: Mass = length * self.height * self.thickness * self.chocolate.solid_density;
        let chocolate = strip + strip * self.spill;
        Wrap {
            length,
            chocolate,
            notes: self.remarks(),
            working: vec![
                Working::new("round the cake", in_millimetres(round), "mm"),
                Working::new("with the overlap", in_millimetres(length), "mm"),
                Working::new("in the strip", in_grams(strip), "g"),
                Working::new("over the edges", in_percent(self.spill), "%"),
                Working::new("chocolate", in_grams(chocolate), "g"),
            ],
        }
    }

    fn remarks(&self) -> Vec<Note> {
        let mut notes = Vec::new();
        let [thin, thick] = WRAP_MM;
        let mm = in_millimetres(self.thickness);
        if mm < thin {
            notes.push(Note::caution("wrap-thin", say::wrap_thin(millimetres(thin))));
        } else if mm > thick {
            notes.push(Note::caution("wrap-thick", say::wrap_thick(millimetres(thick))));
        }
        if let Some(cake) = self.cake
            && self.height > cake + millimetres(ABOVE_CAKE_MM)
        {
            notes.push(Note::caution(
                "wrap-high",
                say::wrap_high(
                    millimetres(ABOVE_CAKE_MM),
                    millimetres(in_millimetres(cake) + ABOVE_CAKE_MM),
                ),
            ));
        }
        notes.push(Note::info("wrap-in-one", say::wrap_in_one()));
        notes
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;

    fn codes(mm: f64, height: f64, cake: Option<f64>) -> Vec<String> {
        let dark = Chocolate::of(Family::Dark);
        let wrap = WrapInput {
            cake: cake.map(millimetres),
            ..WrapInput::usual(&dark, millimetres(180.0), millimetres(height), millimetres(mm))
        };
        wrap.solve().notes.into_iter().map(|note| note.code.into_owned()).collect()
    }

    #[test]
    fn it_is_told_where_it_would_tear_not_bend_or_flop() {
        assert_eq!(codes(2.0, 110.0, Some(90.0)), ["wrap-in-one"]);
        assert_eq!(codes(1.0, 110.0, None), ["wrap-thin", "wrap-in-one"]);
        assert_eq!(codes(3.5, 110.0, None), ["wrap-thick", "wrap-in-one"]);
        assert_eq!(codes(2.0, 111.0, Some(90.0)), ["wrap-high", "wrap-in-one"]);
    }
}
