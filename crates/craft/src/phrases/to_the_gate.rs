//! Down to the gate of ready crystals: in still air, or faster in cool water.

use super::advice::{Advice, Rule};
use super::context::CoachContext;
use crate::bowl::cool_water;
use crate::catalogue::bench as say;
use crate::chocolate::Band;
use crate::heat::{IN_WATER, loss_to_still_air};
use crate::units::{Temperature, Time, degrees, in_degrees, in_seconds, minutes, rise};

/// How well such a time is known, without readings to go by: shares of it.
const RANGE: [f64; 2] = [0.75, 1.3];
/// What takes less than this in still air needs no water, min.
const WORTH_IT_MIN: f64 = 6.0;
/// Out of the water this far over the gate: what it has taken up comes through, °C.
const OUT_ABOVE_C: f64 = 1.0;

impl CoachContext<'_> {
    /// Down to where ready crystals go in.
    pub(crate) fn stir_down_to_gate(&self, temp: Temperature, gate: Band) -> Advice {
        if self.bowl.heating.in_water.is_some() && temp <= gate.hi + degrees(OUT_ABOVE_C) {
            return Advice::new(
                Rule::OutOfWater,
                say::out_of_the_water(),
                say::out_of_the_water_why(self.shown(), gate.hi),
            )
            .caution();
        }
        if let Some(advice) = self.stirring_missing() {
            return advice;
        }
        let to = gate.middle();
        let in_air = self.time_to(temp, to, self.setup.room, 1.0);
        let worth_it = in_air.is_some_and(|time| time > minutes(WORTH_IT_MIN));
        let in_water = self.time_to(temp, to, cool_water(), IN_WATER);
        let why = match (self.bowl.heating.in_water, in_air, in_water) {
            (Some(_), _, _) => say::cool_to_gate_in_water_why(self.shown()),
            (None, Some(air), Some(water)) if worth_it => {
                say::cool_to_gate_long_why(self.shown(), range(air), range(water), cool_water())
            }
            (None, ..) => say::cool_to_gate_why(self.shown()),
        };
        self.come_down(Rule::CoolToGate, say::crystals_go_in(), to, why)
    }

    /// How long it takes to come down in surroundings of a temperature; `None` where it never
    /// does.
    fn time_to(
        &self,
        from: Temperature,
        to: Temperature,
        around: Temperature,
        times_as_fast: f64,
    ) -> Option<Time> {
        let (over, left) = (in_degrees(rise(around, from)), in_degrees(rise(around, to)));
        if left <= 0.5 || over <= left {
            return None;
        }
        let vessel = self.setup.vessel;
        let held = self.in_the_bowl() * self.setup.chocolate.family.heat_when_melted()
            + vessel.map(|vessel| vessel.wetted_heat()).unwrap_or_default();
        let learned = vessel.map_or(1.0, |vessel| vessel.cooling_ratio);
        let lost = loss_to_still_air(self.in_the_bowl()) * learned * times_as_fast;
        Some(held / lost * (over / left).ln())
    }
}

/// A time with its range, in whole minutes.
fn range(time: Time) -> [f64; 2] {
    RANGE.map(|share| (in_seconds(time) * share / 60.0).round().max(1.0))
}
