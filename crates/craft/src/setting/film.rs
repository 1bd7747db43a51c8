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
/// Steps of the integration in the time in which the slab answers to a change: one
/// puts each window within half a per cent of what finer steps say.
const STEPS: f64 = 1.0;
/// It is looked this many steps further at a time.
const LEAST_STRETCH: f64 = 16.0;

type State = SVector<f64, 2>;
const TEMP_C: usize = 0;
const CRYSTALS: usize = 1;

/// A slab at some moment.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(super) struct Moment {
    /// Seconds from the start.
    pub t_s: f64,
    /// Its temperature, °C.
    pub temp_c: f64,
    /// The share of its fat that has crystallised.
    pub crystals: f64,
}

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
    pub(super) fn course(&self, from: Temperature, crystals: f64, until: f64) -> Vec<Moment> {
        let start_c = in_celsius(from);
        let most_fall = (SETS_BELOW_C.max(start_c) - self.place_c).max(1.0);
        // How fast it answers: by what is carried off, and more by its crystals.
        let answers =
            self.carried_off / self.heat_held * (1.0 + f64::from(POWER) * most_fall / 3.0);
        let step_s = 1.0 / (STEPS * answers);
        // At first as long as all its heat would take at the greatest flow.
        let heat = self.heat_of_setting + self.heat_held * (start_c - self.place_c).max(0.0);
        let mut stretch_s = heat / (self.carried_off * most_fall) + step_s;
        let mut course = vec![Moment { t_s: 0.0, temp_c: start_c, crystals }];
        while let Some(last) = course.last().copied()
            && last.crystals < until
            && last.t_s < LONGEST_S
        {
            let state = State::new(last.temp_c, last.crystals);
            let mut solver = Rk4::new(*self, last.t_s, state, last.t_s + stretch_s, step_s);
            // Fixed steps of a smooth system: there is nothing that could fail.
            let _ = solver.integrate();
            let steps = solver.x_out().iter().zip(solver.y_out()).skip(1);
            course.extend(steps.map(|(t_s, y)| Moment {
                t_s: *t_s,
                temp_c: y[TEMP_C],
                crystals: y[CRYSTALS],
            }));
            stretch_s = (stretch_s * 0.5).max(LEAST_STRETCH * step_s);
        }
        course
    }
}

impl System<f64, State> for Film {
    fn system(&self, _: f64, y: &State, dy: &mut State) {
        let below = (SETS_BELOW_C - y[TEMP_C]).max(0.0);
        let forms = READINESS * below.powi(POWER) * (1.0 - y[CRYSTALS]).max(0.0);
        dy[CRYSTALS] = forms;
        let carried_off = self.carried_off * (y[TEMP_C] - self.place_c);
        dy[TEMP_C] = (self.heat_of_setting * forms - carried_off) / self.heat_held;
    }
}

/// How it stands at a time; `None` past the end of its course.
pub(super) fn at(course: &[Moment], t_s: f64) -> Option<Moment> {
    let after = course.iter().position(|m| m.t_s >= t_s)?;
    let Some(before) = after.checked_sub(1).map(|i| course[i]) else { return Some(course[0]) };
    let next = course[after];
    let share = (t_s - before.t_s) / (next.t_s - before.t_s);
    let between = |a: f64, b: f64| a + (b - a) * share;
    Some(Moment {
        t_s,
        temp_c: between(before.temp_c, next.temp_c),
        crystals: between(before.crystals, next.crystals),
    })
}

/// When a share has crystallised, and how warm it is then; `None` where the
/// course does not get there.
pub(super) fn reaches(course: &[Moment], crystals: f64) -> Option<Moment> {
    let after = course.iter().position(|m| m.crystals >= crystals)?;
    let Some(before) = after.checked_sub(1).map(|i| course[i]) else { return Some(course[0]) };
    let next = course[after];
    let share = (crystals - before.crystals) / (next.crystals - before.crystals);
    let between = |a: f64, b: f64| a + (b - a) * share;
    Some(Moment {
        t_s: between(before.t_s, next.t_s),
        temp_c: between(before.temp_c, next.temp_c),
        crystals,
    })
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
            let mut rate = State::zeros();
            film.system(t_s, &y, &mut rate);
            y += rate * step_s;
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
                let ours = reaches(&course, share).expect("it sets").t_s;
                let fine = finely(&film, 31.5, share);
                assert!((ours / fine - 1.0).abs() < 0.01, "{mm} mm, {share}: {ours} {fine}");
            }
        }
    }

    #[test]
    fn no_heat_is_lost_on_the_way() {
        let film = film(4.0, Place::Room(celsius(19.0)));
        let course = film.course(celsius(31.5), 0.0, 0.9);
        let carried: f64 = course
            .windows(2)
            .map(|w| {
                let mean = f64::midpoint(w[0].temp_c, w[1].temp_c) - film.place_c;
                film.carried_off * mean * (w[1].t_s - w[0].t_s)
            })
            .sum();
        let end = course.last().expect("an end");
        let given = film.heat_of_setting * end.crystals + film.heat_held * (31.5 - end.temp_c);
        assert!((carried / given - 1.0).abs() < 0.005, "{carried} of {given}");
    }

    #[test]
    fn in_a_place_that_is_too_warm_the_course_ends_all_the_same() {
        let course = film(40.0, Place::Room(celsius(40.0))).course(celsius(60.0), 0.0, 0.77);
        assert_eq!(reaches(&course, 0.037), None);
        assert!(course.len() < 5_000, "{}", course.len());
    }
}
