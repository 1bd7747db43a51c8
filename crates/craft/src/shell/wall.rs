//! What shells take: in hand, kept, returned; room inside; caps.

use super::cavity::Cavity;
use super::coat::{Coat, Pouring, ShellWay, drained};
use crate::catalogue::shell as say;
use crate::chocolate::{Chocolate, Family};
use crate::message::{Message, spoken};
use crate::note::{Note, Working};
use crate::spread::mixed::MixedTogether;
use crate::spread::slab::with_allowance;
use crate::units::{
    Length, Mass, MassDensity, Volume, grams, in_grams, in_grams_per_cubic_centimetre,
    in_millilitres, in_millimetres, in_seconds, in_square_centimetres, millilitres, millimetres,
};

/// A cap, mm (docs/craft.md, section 4).
pub const CAP_MM: f64 = 1.8;
/// A shell that leaves its mould and holds a filling, mm (*custom*).
const SOUND_MM: [f64; 2] = [1.2, 4.0];
/// A solid piece that sets as a slab thicker than this gives off more heat than it gets rid of
/// in the room before its middle blooms, mm (*custom*).
const DEEP_MM: f64 = 8.0;
/// A mould that waits longer than this sets at its rim (*custom*).
const LONGEST_WAIT_S: f64 = 180.0;

/// Density while it is melted: couverture shrinks by about 3 % as it sets, cocoa
/// butter by 8 % (docs/craft.md, section 1).
#[must_use]
pub fn melted_density(chocolate: &Chocolate) -> MassDensity {
    chocolate.solid_density * if chocolate.family == Family::CocoaButter { 0.92 } else { 0.97 }
}

/// The thickness whose wall has this volume, by halving; `None` where the cavity
/// does not hold so much.
#[must_use]
pub fn wall_of(cavity: &Cavity, volume: Volume) -> Option<Length> {
    if volume <= Volume::default() || volume >= cavity.volume {
        return None;
    }
    let (mut lo, mut hi) = (0.0, in_millimetres(cavity.radius()));
    for _ in 0..50 {
        let mid = f64::midpoint(lo, hi);
        if cavity.wall(millimetres(mid)) < volume { lo = mid } else { hi = mid }
    }
    Some(millimetres(f64::midpoint(lo, hi)))
}

/// Why there is no shell.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum ShellsError {
    /// As thick as the cavity, or thicker.
    ThickerThanRadius {
        /// R_e, mm.
        radius_mm: f64,
        /// The shell, mm.
        shell_mm: f64,
    },
    /// A cap as deep as the hollow.
    CapFillsIt {
        /// How deep the hollow is, mm.
        deep_mm: f64,
        /// The cap, mm.
        cap_mm: f64,
    },
}

impl ShellsError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::ThickerThanRadius { radius_mm, shell_mm } => {
                say::thicker_than_radius(millimetres(*radius_mm), millimetres(*shell_mm))
            }
            Self::CapFillsIt { deep_mm, cap_mm } => {
                say::cap_fills_it(millimetres(*deep_mm), millimetres(*cap_mm))
            }
        }
    }
}

spoken!(ShellsError);

/// Shells that are to be made.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Shells<'a> {
    /// The cavity.
    pub cavity: Cavity,
    /// How many.
    pub count: u32,
    /// How thick the wall is.
    pub shell: Length,
    /// How the mould is lined.
    pub way: ShellWay,
    /// How thick the cap is, where there is one.
    pub cap: Option<Length>,
    /// How the chocolate is poured.
    pub pouring: Pouring<'a>,
}

/// What they take.
#[derive(Clone, Debug, PartialEq)]
pub struct ShellsAmount {
    /// One shell.
    pub shell: Mass,
    /// The room in it: V − V_shell.
    pub hollow: Volume,
    /// The room under the cap.
    pub filling: Volume,
    /// One cap.
    pub cap: Mass,
    /// What must be at hand for all of them, with what stays behind.
    pub in_hand: Mass,
    /// What the shells keep.
    pub kept: Mass,
    /// What comes back.
    pub returned: Mass,
    /// How the wall comes about.
    pub coat: Coat,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// What cavities take that are filled to the brim and left, with what is folded in: melted it
/// stands level with the rim, and shrinks as it sets (docs/craft.md, section 4).
#[must_use]
pub fn brimful(
    cavity: &Cavity,
    count: u32,
    chocolate: &Chocolate,
    mixed: Option<&MixedTogether>,
) -> ShellsAmount {
    let (all, density) = (f64::from(count.max(1)), melted_density(chocolate));
    let room: Volume = cavity.volume * all;
    let kept = mixed.map_or(room * density, |mixed| mixed.chocolate_in(room, density));
    let deep = cavity.radius() / 3.0;
    let slow =
        (deep > millimetres(DEEP_MM)).then(|| Note::caution("solid-deep", say::solid_deep()));
    ShellsAmount {
        shell: kept / all,
        hollow: Volume::default(),
        filling: Volume::default(),
        cap: Mass::default(),
        in_hand: with_allowance(kept),
        kept,
        returned: Mass::default(),
        coat: Coat::Filled,
        notes: slow.into_iter().collect(),
        working: vec![
            Working::new("cavity", in_millilitres(cavity.volume), "ml"),
            Working::new("chocolate in one", in_grams(kept / all), "g"),
            Working::new("kept", in_grams(kept), "g"),
        ],
    }
}

impl Shells<'_> {
    /// Fill and dump needs n·V·ρ_melted in hand and the allowance, and keeps
    /// n·V_shell·ρ; what is neither kept nor left on bowl and spatula comes back. A
    /// cap is the opening's area × its thickness (docs/craft.md, section 4).
    ///
    /// # Errors
    /// Where nothing would stay hollow.
    pub fn solve(&self) -> Result<ShellsAmount, ShellsError> {
        let Self { cavity, count, shell, .. } = *self;
        let radius = cavity.radius();
        if shell >= radius {
            return Err(ShellsError::ThickerThanRadius {
                radius_mm: in_millimetres(radius),
                shell_mm: in_millimetres(shell),
            });
        }
        let density = self.pouring.chocolate.solid_density;
        let wall = cavity.wall(shell);
        let each: Mass = wall * density;
        let hollow = cavity.volume - wall;
        let cap_mm = self.cap.map_or(0.0, in_millimetres);
        let open = 1.0 - in_millimetres(shell) / in_millimetres(radius);
        let mouth_cm2 = in_square_centimetres(cavity.opening) * open * open;
        let filling = millilitres(in_millilitres(hollow) - mouth_cm2 * cap_mm / 10.0);
        if filling <= Volume::default() {
            let deep_mm = in_millilitres(hollow) / mouth_cm2 * 10.0;
            return Err(ShellsError::CapFillsIt { deep_mm, cap_mm });
        }
        let cap = grams(
            in_square_centimetres(cavity.opening) * cap_mm / 10.0
                * in_grams_per_cubic_centimetre(density),
        );
        let all = f64::from(count);
        let kept = each * all;
        let poured: Mass = match self.way {
            // A wall that all but fills it weighs more than what was poured in melted.
            ShellWay::Dump => {
                (cavity.volume * melted_density(self.pouring.chocolate) * all).max(kept)
            }
            ShellWay::Brush | ShellWay::Turn => kept,
        };
        let in_hand = with_allowance(poured);
        let coat = drained(self.way, shell, &self.pouring);
        Ok(ShellsAmount {
            shell: each,
            hollow,
            filling,
            cap,
            in_hand,
            kept,
            returned: poured - kept,
            coat,
            notes: self.remarks(coat),
            working: vec![
                Working::new("cavity", in_millilitres(cavity.volume), "ml"),
                Working::new("wall", in_millilitres(wall), "ml"),
                Working::new("one shell", in_grams(each), "g"),
                Working::new("fills the moulds", in_grams(poured), "g"),
                Working::new("kept", in_grams(kept), "g"),
                Working::new("comes back", in_grams(poured - kept), "g"),
                Working::new("in hand, with what stays behind", in_grams(in_hand), "g"),
            ],
        })
    }

    fn remarks(&self, coat: Coat) -> Vec<Note> {
        let mut notes = Vec::new();
        let mm = in_millimetres(self.shell);
        let [least, most] = SOUND_MM;
        if mm < least {
            notes.push(Note::caution("shell-thin", say::shell_thin(millimetres(least))));
        }
        if mm > most {
            notes.push(Note::info("shell-thick", say::shell_thick(millimetres(most))));
        }
        match coat {
            Coat::Dumped { wait: None } => notes.push(Note::caution(
                "stays-thicker",
                say::stays_thicker(self.pouring.stays(crate::units::seconds(0.0))),
            )),
            Coat::Dumped { wait: Some(wait) } if in_seconds(wait) > LONGEST_WAIT_S => {
                notes.push(Note::caution("wait-long", say::wait_long()));
            }
            Coat::Dumped { .. } | Coat::Brushed { .. } | Coat::Turned | Coat::Filled => {}
        }
        notes
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::check::Checker;
    use crate::shell::CavityInputs;

    fn half_balls(family: Family, diameter_mm: f64, shell_mm: f64, count: u32) -> ShellsAmount {
        let chocolate = Chocolate::of(family);
        let pouring = Pouring { chocolate: &chocolate, flow_grade: 3, poured: None, learned: 1.0 };
        let cavity = CavityInputs::hemisphere(diameter_mm).check("", &mut Checker::new());
        let shells = Shells {
            cavity: cavity.expect("sound"),
            count,
            shell: millimetres(shell_mm),
            way: ShellWay::Dump,
            cap: Some(millimetres(CAP_MM)),
            pouring,
        };
        shells.solve().expect("hollow")
    }

    #[test]
    fn what_is_in_hand_is_kept_returned_or_left_behind() {
        let set = half_balls(Family::Dark, 26.0, 1.8, 24);
        let behind = in_grams(set.in_hand) - in_grams(set.kept) - in_grams(set.returned);
        assert!((behind - 15.0).abs() < 1e-9, "{behind}");
        // 24 · 4.601 ml · 1.29 · 0.97 = 138.2 g fills them.
        assert!((in_grams(set.in_hand) - 153.2).abs() < 0.1, "{:?}", set.in_hand);
        assert!(set.filling < set.hollow);
        // π·1.3² · 0.18 · 1.29
        assert!((in_grams(set.cap) - 1.2329).abs() < 1e-3);
    }

    #[test]
    fn a_wall_is_found_again_from_its_volume() {
        let cavity = CavityInputs::hemisphere(70.0).check("", &mut Checker::new()).expect("sound");
        for mm in [0.4, 2.0, 9.0, 30.0] {
            let wall = wall_of(&cavity, cavity.wall(millimetres(mm))).expect("there is one");
            assert!((in_millimetres(wall) - mm).abs() < 1e-6);
        }
        assert_eq!(wall_of(&cavity, cavity.volume), None);
    }

    #[test]
    fn nothing_that_fills_its_cavity_is_a_shell() {
        let chocolate = Chocolate::of(Family::Milk);
        let pouring = Pouring { chocolate: &chocolate, flow_grade: 3, poured: None, learned: 1.0 };
        let cavity = CavityInputs::hemisphere(20.0).check("", &mut Checker::new()).expect("sound");
        let shells = |shell_mm, cap_mm| Shells {
            cavity,
            count: 1,
            shell: millimetres(shell_mm),
            way: ShellWay::Brush,
            cap: Some(millimetres(cap_mm)),
            pouring,
        };
        let told = shells(10.0, 1.0).solve().expect_err("solid").to_string();
        assert!(told.starts_with("must be less than the cavity's radius of 10.0 mm"), "{told}");
        let told = shells(2.0, 6.0).solve().expect_err("no room").to_string();
        assert!(told.starts_with("must be less than the hollow is deep"), "{told}");
        let sound = shells(2.0, 1.0).solve().expect("hollow");
        assert_eq!(sound.returned, Mass::default());
        assert_eq!(sound.coat, Coat::Brushed { coats: 3 });
    }
}
