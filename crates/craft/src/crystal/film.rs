//! Chocolate spread thin: one temperature throughout, losing heat to what is
//! around it while its fat sets.

use ode_solvers::{Dopri5, OutputType, System, Vector3};

use super::{Crystals, Kinetics};

/// Tolerances of the integration, relative and absolute (°C and shares).
const TOLERANCE: (f64, f64) = (1e-4, 1e-6);
/// A coating's fat starts to set below, °C; it needs no crystals to begin with.
const COATING_SETS_C: f64 = 36.0;
/// How fast it does, per second and degree.
const COATING_SETS: f64 = 0.0006;
/// How much of it sets.
const COATING_MOST: f64 = 0.8;

/// Chocolate spread thin. Bare numbers in one measure throughout: heat per
/// square metre for a smear, or of the whole for what lies on a stone.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Film {
    /// How its crystals behave; `None` for a coating.
    pub kinetics: Option<Kinetics>,
    /// Its temperature, °C.
    pub temp_c: f64,
    /// Its crystals.
    pub crystals: Crystals,
    /// The temperature around it, °C.
    pub around_c: f64,
    /// Heat it loses per second and degree.
    pub to_around: f64,
    /// Heat it holds per degree.
    pub heat_held: f64,
    /// Heat it gives off when all its fat sets.
    pub heat_of_setting: f64,
    /// From 0, left alone, to 1, worked well.
    pub stirring: f64,
    /// Where its crystals form, as a share of the way from its own temperature
    /// to the one around it.
    pub skin: f64,
}

impl Film {
    /// The film some seconds on.
    pub fn after(mut self, lasting_s: f64) -> Self {
        if let Some(end) = self.run(lasting_s).1.last() {
            self.temp_c = end[0];
            self.crystals = Crystals { unstable: end[1].max(0.0), stable: end[2].max(0.0) };
        }
        self
    }

    /// When its crystals first reach a share, s; `None` where they do not in
    /// time.
    pub fn first_time_at(&self, share: f64, within_s: f64) -> Option<f64> {
        let (times, states) = self.run(within_s);
        let reached = states.iter().position(|y| y[1] + y[2] >= share)?;
        times.get(reached).copied()
    }

    fn run(&self, lasting_s: f64) -> (Vec<f64>, Vec<Vector3<f64>>) {
        if lasting_s <= 0.0 {
            return (Vec::new(), Vec::new());
        }
        let start = Vector3::new(self.temp_c, self.crystals.unstable, self.crystals.stable);
        let (relative, absolute) = TOLERANCE;
        let mut solver = Dopri5::new(*self, 0.0, lasting_s, 1.0, start, relative, absolute);
        solver.set_output(OutputType::Sparse);
        // Every rate is bounded, so it cannot run away. Should a step fail all
        // the same, what was reached before it stands.
        let _ = solver.integrate();
        (solver.x_out().clone(), solver.y_out().clone())
    }
}

impl System<f64, Vector3<f64>> for Film {
    fn system(&self, _: f64, y: &Vector3<f64>, dy: &mut Vector3<f64>) {
        let now = Crystals { unstable: y[1], stable: y[2] };
        let change = match self.kinetics {
            Some(kinetics) => {
                let where_they_form_c = y[0] + self.skin * (self.around_c - y[0]);
                kinetics.change(now, where_they_form_c, self.stirring)
            }
            None => Crystals {
                unstable: 0.0,
                stable: COATING_SETS
                    * (COATING_SETS_C - y[0]).max(0.0)
                    * (COATING_MOST - y[2]).max(0.0),
            },
        };
        let set = self.heat_of_setting * change.all();
        dy[0] = (self.to_around * (self.around_c - y[0]) + set) / self.heat_held;
        dy[1] = change.unstable;
        dy[2] = change.stable;
    }
}
