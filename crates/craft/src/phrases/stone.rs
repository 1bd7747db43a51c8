//! Work on a stone.

use super::advice::{Advice, Alarm, Countdown, Rule};
use super::context::CoachContext;
use crate::bowl::time_delta;
use crate::catalogue::bench as say;
use crate::heat::stone::{split, worked_to};
use crate::units::{Temperature, grams, in_celsius, in_grams, seconds};

/// A few millimetres of chocolate, moved all the time, come this fast to the
/// stone's temperature, s (*custom*).
const TIME_CONSTANT_S: f64 = 130.0;
/// It may be done in this share of the time, or take this much longer.
const RANGE: (f64, f64) = (0.6, 1.6);
/// The least and the most that is poured out.
const SHARES: (f64, f64) = (0.33, 0.85);

impl CoachContext<'_> {
    /// Where what lies on the stone is worked to.
    fn stone_to(&self) -> Temperature {
        worked_to(&self.setup.chocolate, self.setup.stone)
    }

    /// Pour a part out, sized from what the thermometer says.
    pub(crate) fn pour_on_stone(&self, temp: Temperature) -> Advice {
        let all = self.in_the_bowl();
        let wanted = split(all, temp, self.stone_to(), self.setup.target).unwrap_or_default();
        let out = wanted.max(all * SHARES.0).min(all * SHARES.1);
        let out = grams(in_grams(out).round());
        Advice::new(
            Rule::PourOnStone,
            say::pour_on_stone(out),
            say::pour_on_stone_why(self.shown(), self.stone_to(), self.setup.target),
        )
        .pouring_out(out)
    }

    /// What is on the stone is being worked.
    pub(crate) fn work_on_stone(&self) -> Advice {
        let Some((since, _)) = self.bowl.went_in.on_stone else { return self.read_thermometer() };
        let from = self.bowl.thermometer.latest.map_or(self.setup.melt_to, |latest| latest.temp);
        let (from, to, stone) =
            (in_celsius(from), in_celsius(self.stone_to()), in_celsius(self.setup.stone));
        let takes = if to > stone && from > to {
            TIME_CONSTANT_S * ((from - stone) / (to - stone)).ln()
        } else {
            TIME_CONSTANT_S
        };
        let at = |share: f64| since + time_delta(seconds(takes * share));
        let back = Countdown {
            what: say::back_into_the_bowl(),
            at: at(1.0),
            earliest: at(RANGE.0),
            latest: Some(at(RANGE.1)),
        };
        if self.now >= at(RANGE.1) {
            return Advice::new(
                Rule::WorkOnStone,
                say::return_from_stone(),
                say::return_from_stone_why(),
            )
            .caution()
            .sounding(Alarm::Timer);
        }
        Advice::new(
            Rule::WorkOnStone,
            say::work_on_stone(self.stone_to()),
            say::work_on_stone_why(),
        )
        .until(Some(back))
    }
}
