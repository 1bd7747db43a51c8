//! A poured slab as it gives off its heat: what the windows are read from.
//!
//! The slab is thin, so it has one temperature *T*. Of its fat the share *X* has
//! crystallised. Air, tray or stone carry heat off one side, the crystals give
//! heat:
//!
//! ```text
//! dX/dt = A·(T_m − T)⁵·(1 − X)
//! C·dT/dt = ρ·h·q·dX/dt − U·(T − T_place)
//! ```
//!
//! with C = ρ·h·c plus what the tray holds, q = 125 J per gram of fat, c = 1.6
//! J/(g·K) (Beckett). A, T_m and the shares at which each window opens and closes
//! are fitted to what makers report for tempered dark (docs/craft.md, section 3;
//! *custom*). A plateau near 28 °C comes about by itself: the colder the place,
//! the lower it lies.

use ode_solvers::{Rk4, SVector, System};

use super::Place;
use super::course::{Course, Moment};
use crate::chocolate::{Chocolate, Family};
use crate::units::{
    Length, Temperature, in_celsius, in_grams_per_cubic_centimetre, in_joules_per_gram,
    in_joules_per_gram_degree, in_millimetres, in_percent,
};

/// Crystals form below this, °C.
const SETS_BELOW_C: f64 = 32.6;
/// How readily, 1/(s·K⁵).
const READINESS: f64 = 2.58e-8;
/// How much more readily the colder it is.
const POWER: i32 = 5;
/// A slab that is not set after this long does not set, s.
const LONGEST_S: f64 = 21_600.0;
/// A step of the integration: at most so much of the time in which the slab answers to a change…
const OF_ITS_ANSWER: f64 = 1.5;
/// …and of what it warms or cools meanwhile, K. Together they put each window within half a per
/// cent of what far finer steps say.
const CHANGES_K: f64 = 1.5;
/// A course often has so many moments.
const OFTEN: usize = 48;
/// So many steps later it is looked again how fast it answers by then.
const STEPS: f64 = 8.0;

type State = SVector<f64, 2>;
const TEMP_C: usize = 0;
const CRYSTALS: usize = 1;

/// A slab in a place; all per square metre, in J, K and s.
#[derive(Clone, Copy, Debug)]
pub(super) struct Film {
    place_c: f64,
    carried_off: f64,
    heat_held: f64,
    heat_of_setting: f64,
}

impl Film {
    /// A slab of some thickness in a place.
    pub(super) fn new(chocolate: &Chocolate, thickness: Length, place: Place) -> Self {
        // g/cm³ times mm is kg/m²; a thousand of its grams hold so much.
        let grams = 1_000.0
            * in_grams_per_cubic_centimetre(chocolate.solid_density)
            * in_millimetres(thickness);
        let c = in_joules_per_gram_degree(chocolate.family.heat_when_melted());
        let q =
            in_joules_per_gram(Family::heat_of_melting_fat()) * in_percent(chocolate.fat) / 100.0;
        Self {
            place_c: in_celsius(place.temp()),
            carried_off: place.carries_off(),
            heat_held: grams * c + place.tray_holds(),
            heat_of_setting: grams * q,
        }
    }

    /// The course from a temperature and a share of crystals on, until another
    /// share has formed, or it is plain that it does not.
    pub(super) fn course(&self, from: Temperature, crystals: f64, until: f64) -> Course {
        let start = State::new(in_celsius(from), crystals);
        let mut moments = Vec::with_capacity(OFTEN);
        moments.push(self.moment(0.0, &start));
        while let Some(&last) = moments.last()
            && last.crystals < until
            && last.t_s < LONGEST_S
        {
            let step_s = self.step_s(&last);
            let system = Until { film: *self, crystals: until };
            let state = State::new(last.temp_c, last.crystals);
            let end_s = last.t_s + STEPS * step_s;
            let mut solver = Rk4::new(system, last.t_s, state, end_s, step_s);
            // Fixed steps of a smooth system: there is nothing that could fail.
            let _ = solver.integrate();
            let steps = solver.x_out().iter().zip(solver.y_out()).skip(1);
            moments.extend(steps.map(|(t_s, y)| self.moment(*t_s, y)));
        }
        Course::of(moments)
    }

    /// How far the next step goes.
    fn step_s(&self, now: &Moment) -> f64 {
        let below = (SETS_BELOW_C - now.temp_c).max(0.0);
        let forms_more = READINESS * f64::from(POWER) * below.powi(POWER - 1);
        let held_back = self.heat_of_setting * forms_more * (1.0 - now.crystals).max(0.0);
        let answers = (self.carried_off + held_back) / self.heat_held;
        (OF_ITS_ANSWER / answers).min(CHANGES_K / now.warms.abs())
    }

    fn moment(&self, t_s: f64, y: &State) -> Moment {
        let rate = self.rate(y);
        Moment {
            t_s,
            temp_c: y[TEMP_C],
            crystals: y[CRYSTALS],
            warms: rate[TEMP_C],
            forms: rate[CRYSTALS],
        }
    }

    fn rate(&self, y: &State) -> State {
        let below = (SETS_BELOW_C - y[TEMP_C]).max(0.0);
        let forms = READINESS * below.powi(POWER) * (1.0 - y[CRYSTALS]).max(0.0);
        let carried_off = self.carried_off * (y[TEMP_C] - self.place_c);
        State::new((self.heat_of_setting * forms - carried_off) / self.heat_held, forms)
    }
}

/// A slab whose course is followed until a share of its fat has crystallised.
struct Until {
    film: Film,
    crystals: f64,
}

impl System<f64, State> for Until {
    fn system(&self, _: f64, y: &State, dy: &mut State) {
        *dy = self.film.rate(y);
    }

    fn solout(&mut self, _: f64, y: &State, _: &State) -> bool {
        y[CRYSTALS] >= self.crystals
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::{celsius, millimetres};

    fn film(mm: f64, place: Place) -> Film {
        Film::new(&Chocolate::of(Family::Dark), millimetres(mm), place)
    }

    /// The same course in steps of a tenth of a second at most.
    fn finely(film: &Film, from_c: f64, until: f64) -> f64 {
        let mut y = State::new(from_c, 0.0);
        let (mut t_s, step_s) = (0.0, 0.02);
        while y[CRYSTALS] < until {
            y += film.rate(&y) * step_s;
            t_s += step_s;
        }
        t_s
    }

    #[test]
    fn coarse_steps_say_what_fine_ones_do() {
        for (mm, place) in [
            (2.0, Place::Room(celsius(19.0))),
            (6.0, Place::Room(celsius(23.0))),
            (4.0, Place::Fridge(celsius(5.0))),
            (1.5, Place::ColdSlab(celsius(-18.0))),
        ] {
            let film = film(mm, place);
            let course = film.course(celsius(31.5), 0.0, 0.77);
            for share in [0.016, 0.037, 0.09, 0.15, 0.77] {
                let ours = course.reaches(share).expect("it sets").t_s;
                let fine = finely(&film, 31.5, share);
                assert!((ours / fine - 1.0).abs() < 0.005, "{mm} mm, {share}: {ours} {fine}");
            }
        }
    }

    #[test]
    fn no_heat_is_lost_on_the_way() {
        let film = film(4.0, Place::Room(celsius(19.0)));
        let course = film.course(celsius(31.5), 0.0, 0.9);
        let end = course.last().expect("an end");
        let step_s = end.t_s / 1_000.0;
        let carried: f64 = (0..1_000_u32)
            .map(|i| course.at((f64::from(i) + 0.5) * step_s).expect("on its way"))
            .map(|moment| film.carried_off * (moment.temp_c - film.place_c) * step_s)
            .sum();
        let given = film.heat_of_setting * end.crystals + film.heat_held * (31.5 - end.temp_c);
        assert!((carried / given - 1.0).abs() < 0.005, "{carried} of {given}");
    }

    #[test]
    fn in_a_place_that_is_too_warm_the_course_ends_all_the_same() {
        let course = film(40.0, Place::Room(celsius(40.0))).course(celsius(60.0), 0.0, 0.77);
        assert_eq!(course.reaches(0.037), None);
        let end = course.last().expect("an end");
        assert!(end.t_s >= LONGEST_S, "{end:?}");
    }
}
