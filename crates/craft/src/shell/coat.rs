//! How a shell gets its thickness: what runs out when a filled mould is turned
//! over, or coat upon coat with a brush.

use serde::{Deserialize, Serialize};

use crate::chocolate::Chocolate;
use crate::units::{
    Length, Temperature, Time, in_degrees, in_millimetres, in_seconds, millimetres, rise, seconds,
};

/// One brushed coat, mm (docs/craft.md, section 4).
pub const COAT_MM: f64 = 0.9;
/// What stays with no wait, mm, by flow grade 1 (thick) to 5 (thin).
const DRAINED_MM: [f64; 5] = [2.5, 2.0, 1.5, 1.1, 0.8];
/// What ten seconds of waiting add, mm (*custom*; relearned from weighed moulds).
const TEN_SECONDS_ADD_MM: f64 = 0.15;
/// A grade that is not known.
pub const USUAL_FLOW_GRADE: u8 = 3;
/// A wait where none is stated.
pub const USUAL_WAIT_S: f64 = 30.0;
/// Each degree below the middle of the band leaves so much more (*custom*).
const DEGREE_ADDS: f64 = 0.08;

/// How a mould is lined.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ShellWay {
    /// Filled, and the surplus dumped.
    #[default]
    Dump,
    /// Brushed in coats.
    Brush,
    /// So much of it spooned in, the two sides closed, and turned until it has coated them.
    Turn,
}

/// How a mould is filled and emptied.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Pouring<'a> {
    /// The chocolate.
    pub chocolate: &'a Chocolate,
    /// How freely it flows, 1 thick to 5 thin.
    pub flow_grade: u8,
    /// How warm it is poured; the middle of its band where that is not known.
    pub poured: Option<Temperature>,
    /// What weighed moulds have taught: the thickness there was against the sum's.
    pub learned: f64,
}

impl Pouring<'_> {
    /// What stays with no wait, and what a second adds, mm.
    fn film(&self) -> (f64, f64) {
        let grade = usize::from(self.flow_grade.clamp(1, 5)) - 1;
        let middle = self.chocolate.windows.work.middle();
        let cooler = self.poured.map_or(0.0, |poured| in_degrees(rise(poured, middle)));
        let factor = (1.0 + DEGREE_ADDS * cooler).clamp(0.5, 2.0) * self.learned;
        (DRAINED_MM[grade] * factor, TEN_SECONDS_ADD_MM / 10.0 * self.learned)
    }

    /// The shell that stays after a wait.
    #[must_use]
    pub fn stays(&self, wait: Time) -> Length {
        let (at_once, a_second) = self.film();
        millimetres(at_once + a_second * in_seconds(wait))
    }

    /// How long to wait for a shell; `None` where more than that stays at once.
    #[must_use]
    pub fn wait_for(&self, shell: Length) -> Option<Time> {
        let (at_once, a_second) = self.film();
        let wait = (in_millimetres(shell) - at_once) / a_second;
        (wait >= 0.0).then(|| seconds(wait))
    }
}

/// A shell as it comes about.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Coat {
    /// Filled, waited, dumped.
    Dumped {
        /// How long it waits; `None` where more than is wished stays at once.
        wait: Option<Time>,
    },
    /// Brushed.
    Brushed {
        /// How often.
        coats: u32,
    },
    /// Turned in a closed mould.
    Turned,
    /// Filled to the brim: solid.
    Filled,
}

/// Coats of a brushed shell.
#[must_use]
pub fn drained(way: ShellWay, shell: Length, pouring: &Pouring<'_>) -> Coat {
    match way {
        ShellWay::Dump => Coat::Dumped { wait: pouring.wait_for(shell) },
        ShellWay::Brush => {
            // A hair over a whole number of coats is that number.
            let coats = (in_millimetres(shell) / COAT_MM - 1e-9).ceil().max(1.0);
            Coat::Brushed { coats: coats as u32 }
        }
        ShellWay::Turn => Coat::Turned,
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::units::{celsius, in_millimetres};

    #[test]
    fn thin_chocolate_needs_a_wait_and_cool_chocolate_less() {
        let dark = Chocolate::of(Family::Dark);
        let grade =
            |flow_grade| Pouring { chocolate: &dark, flow_grade, poured: None, learned: 1.0 };
        assert!((in_millimetres(grade(4).stays(seconds(40.0))) - 1.7).abs() < 1e-9);
        let wait = grade(5).wait_for(millimetres(2.0)).expect("it must wait");
        assert!((in_seconds(wait) - 80.0).abs() < 1e-9);
        assert_eq!(grade(1).wait_for(millimetres(2.0)), None);
        let cool = Pouring { poured: Some(celsius(30.5)), ..grade(4) };
        assert!((in_millimetres(cool.stays(seconds(0.0))) - 1.1 * 1.08).abs() < 1e-9);
        let taught = Pouring { learned: 1.2, ..grade(4) };
        assert!((in_millimetres(taught.stays(seconds(40.0))) - 1.7 * 1.2).abs() < 1e-9);
    }

    #[test]
    fn a_brushed_shell_is_whole_coats() {
        let dark = Chocolate::of(Family::Dark);
        let pouring = Pouring { chocolate: &dark, flow_grade: 3, poured: None, learned: 1.0 };
        let coats = |mm| match drained(ShellWay::Brush, millimetres(mm), &pouring) {
            Coat::Brushed { coats } => coats,
            other => panic!("{other:?}"),
        };
        assert_eq!([coats(0.9), coats(1.0), coats(1.8), coats(2.6)], [1, 2, 2, 3]);
    }
}
