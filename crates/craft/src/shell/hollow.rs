//! Two halves joined, and what fits between them.

use super::cavity::Cavity;
use crate::catalogue::shell as say;
use crate::note::{Note, Working};
use crate::units::{
    Length, Volume, in_millilitres, in_millimetres, in_square_centimetres, millilitres, millimetres,
};

/// Loose things leave so much of the room to the air between them (*custom*).
const LOOSE: f64 = 0.60;
/// A drink bomb's powder and marshmallows need this across, mm (docs/craft.md, section 9).
pub const DRINK_MM: f64 = 60.0;
/// Sizes are made in steps of this, mm.
const STEP_MM: f64 = 5.0;

/// Something that goes inside, each of it.
#[derive(Clone, Debug, PartialEq)]
pub struct Inside {
    /// What it is.
    pub name: String,
    /// The room that one takes up, solid; for a powder the room it takes up as it lies.
    pub volume: Volume,
    /// How many go in one hollow.
    pub count: u32,
    /// How far across the largest of it is.
    pub across: Length,
    /// Whether it lies as it falls, with air between: not a powder, not a single thing.
    pub loose: bool,
}

/// Whether it fits.
#[derive(Clone, Debug, PartialEq)]
pub struct Fits {
    /// The room in a joined hollow.
    pub room: Volume,
    /// The room that it takes up, with the air between.
    pub taken: Volume,
    /// How far across the hollow is.
    pub across: Length,
    /// Whether all of it goes in.
    pub fits: bool,
    /// The smallest half ball, across, in steps of 5 mm, in which it would.
    pub smallest: Length,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

fn taken(inside: &[Inside]) -> Volume {
    let ml: f64 = inside
        .iter()
        .map(|one| {
            let solid = in_millilitres(one.volume) * f64::from(one.count);
            if one.loose && one.count > 1 { solid / LOOSE } else { solid }
        })
        .sum();
    millilitres(ml)
}

/// The hollow of what is closed round something.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Hollow {
    /// The room in it.
    pub room: Volume,
    /// How far across it is.
    pub across: Length,
    /// How far across a thing may be to go in.
    pub clear: Length,
    /// The wall round it.
    pub wall: Length,
}

impl Hollow {
    /// The hollow of two such shells, joined.
    #[must_use]
    pub fn joined(cavity: &Cavity, wall: Length) -> Self {
        let hollow = cavity.volume - cavity.wall(wall);
        let room = hollow * 2.0;
        let wall_mm = in_millimetres(wall);
        let across = millimetres((in_millimetres(cavity.across()) - 2.0 * wall_mm).max(0.0));
        // As deep as it is: a flat cavity closes on a thing that its opening would let in.
        let open = (1.0 - wall_mm / in_millimetres(cavity.radius())).max(1e-3);
        let mouth_cm2 = in_square_centimetres(cavity.opening) * open * open;
        let deep_mm = in_millilitres(room) / mouth_cm2 * 10.0 * 1.5;
        Self { room, across, clear: across.min(millimetres(deep_mm)), wall }
    }

    /// The hollow of one that is open at its foot: what goes in goes through that.
    #[must_use]
    pub fn open(cavity: &Cavity, wall: Length) -> Self {
        let room = cavity.volume - cavity.wall(wall);
        let mouth = in_millimetres(cavity.across()) - 2.0 * in_millimetres(wall);
        let across = millimetres(mouth.max(0.0));
        Self { room, across, clear: across, wall }
    }

    /// Whether things fit in it: by room, and each by its size.
    #[must_use]
    pub fn fits(&self, inside: &[Inside]) -> Fits {
        let Self { room, across, clear, wall } = *self;
        let taken = taken(inside);
        let wall_mm = in_millimetres(wall);
        let mut notes = Vec::new();
        for one in inside.iter().filter(|one| one.across > clear) {
            notes.push(Note::stop(
                "inside-too-wide",
                say::inside_too_wide(&one.name, one.across, clear),
            ));
        }
        if taken > room {
            notes.push(Note::stop("inside-too-much", say::inside_too_much(taken, room)));
        }
        let widest = inside.iter().map(|one| in_millimetres(one.across)).fold(0.0, f64::max);
        let by_room =
            (3.0 * in_millilitres(taken) * 1_000.0 / (4.0 * std::f64::consts::PI)).cbrt() * 2.0;
        let smallest = ((widest.max(by_room) + 2.0 * wall_mm) / STEP_MM - 1e-9).ceil() * STEP_MM;
        Fits {
            room,
            taken,
            across,
            fits: notes.is_empty(),
            smallest: millimetres(smallest.max(STEP_MM)),
            notes,
            working: vec![
                Working::new("room inside", in_millilitres(room), "ml"),
                Working::new("taken up inside", in_millilitres(taken), "ml"),
                Working::new("smallest ball that would do, across", smallest, "mm"),
            ],
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::check::Checker;
    use crate::shell::CavityInputs;

    fn marshmallows(count: u32) -> Inside {
        let name = "mini marshmallows".to_owned();
        let (volume, across) = (millilitres(0.9), millimetres(12.0));
        Inside { name, volume, count, across, loose: true }
    }

    fn cocoa(ml: f64) -> Inside {
        let name = "cocoa powder".to_owned();
        Inside { name, volume: millilitres(ml), count: 1, across: millimetres(1.0), loose: false }
    }

    fn ball(diameter_mm: f64, inside: &[Inside]) -> Fits {
        let cavity = CavityInputs::hemisphere(diameter_mm).check("", &mut Checker::new());
        Hollow::joined(&cavity.expect("sound"), millimetres(2.5)).fits(inside)
    }

    #[test]
    fn a_drink_bomb_fits_in_six_centimetres_and_not_in_four() {
        let inside = [cocoa(25.0), marshmallows(20)];
        let six = ball(60.0, &inside);
        // 4/3·π·2.75³ = 87.1 ml; 25 + 20·0.9/0.6 = 55.
        assert!((in_millilitres(six.room) - 87.11).abs() < 0.01, "{:?}", six.room);
        assert!((in_millilitres(six.taken) - 55.0).abs() < 1e-9);
        assert!(six.fits);
        let four = ball(40.0, &inside);
        assert!(!four.fits);
        assert_eq!(four.notes[0].code, "inside-too-much");
        // The size it names is one in which it fits, and the one below is not.
        let named = in_millimetres(four.smallest);
        assert!(ball(named, &inside).fits && !ball(named - 5.0, &inside).fits, "{named}");
    }

    #[test]
    fn one_thing_that_is_too_wide_is_named() {
        let toy = Inside { across: millimetres(58.0), volume: millilitres(4.0), ..cocoa(1.0) };
        let told = ball(60.0, &[toy]);
        assert_eq!(told.notes[0].code, "inside-too-wide");
        assert!(!told.fits && in_millimetres(told.smallest) >= 63.0);
    }
}
