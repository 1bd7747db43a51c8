//! Short warmings: back into the band, and no further.

use chrono::TimeDelta;

use super::advice::{Advice, Alarm, Rule};
use super::context::CoachContext;
use crate::bowl::{Heat, Temper};
use crate::catalogue::bench as say;
use crate::heat::microwave::SHORTEST_S;
use crate::heat::warm_water;
use crate::message::Message;
use crate::units::{
    Energy, Power, Temperature, Time, degrees, in_degrees, in_seconds, rise, seconds,
};

/// The longest rewarming burst, s: more in one go may lose the temper. A large bowl takes as
/// long as warms it by so much, °C.
const LONGEST: (f64, f64) = (5.0, 0.8);
/// For a bowl at the cool point the way back is longer.
const LONGEST_BACK: (f64, f64) = (10.0, 1.6);
/// However much heat is missing, a burst must leave it this far under where
/// temper is lost, °C.
pub(crate) const SPARE_C: f64 = 0.7;
/// A bowl that thickens is warmed by this much at a time, °C.
const AT_A_TIME_C: f64 = 0.7;
/// "It thickens" is answered by warmth so often; after that by fewer crystals.
const WARMED_FOR_THICK: usize = 3;
/// And so often in all: then it is melted again.
const THINNED_FOR_THICK: usize = 6;
/// "It thickens" is answered for this long.
const THICK_ANSWERED: TimeDelta = TimeDelta::minutes(6);
/// A hair dryer is held on it no longer than this in one go, s.
const LONGEST_DRYER_S: f64 = 15.0;
/// This little under the band it is used as it is, °C…
const JUST_UNDER_C: f64 = 0.3;
/// …and after a warming this little, until that is so long ago: one warming in three
/// minutes is enough, unless it falls fast.
const STILL_UNDER_C: f64 = 0.4;
const WARMED_LATELY: TimeDelta = TimeDelta::minutes(3);
/// That is fast, °C/min.
const FALLS_FAST_C_PER_MIN: f64 = -0.5;

/// How a bowl is warmed a little.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) enum Warming {
    /// A burst of whatever it was melted with.
    Burst(Time),
    /// With a hair dryer on low: a burst would be too much.
    Dryer(Time),
    /// In warm water, where there is no hair dryer.
    WarmWater(Time),
}

impl CoachContext<'_> {
    /// While it is on the heat again, after its melt: until the middle of the band.
    pub(crate) fn warming_until_taken_off(&self) -> Option<Advice> {
        let Heat::On { .. } = self.bowl.heating.heat else { return None };
        let band = self.setup.use_band();
        let warm_enough = self.temp().is_some_and(|temp| temp >= band.middle());
        Some(if warm_enough {
            Advice::new(
                Rule::StopBeforeMelt,
                say::take_it_off(),
                say::take_it_off_why(self.shown(), band.middle()),
            )
            .caution()
            .sounding(Alarm::Band)
        } else {
            let why = say::take_it_off_at(self.shown(), band.middle());
            Advice::new(Rule::Heating, say::keep_stirring(), why)
        })
    }

    /// Below the band, or about to be: how to warm it back.
    pub(crate) fn rewarm(&self, temp: Temperature) -> Advice {
        if let Some(water) = self.setup.course.softened_in {
            let w = &self.setup.chocolate.windows;
            let why = say::never_past(self.shown(), self.setup.lost().unwrap_or(w.limit));
            return Advice::new(Rule::Soften, say::warm_the_bottle(water), why).caution();
        }
        let w = &self.setup.chocolate.windows;
        let (rule, what) = if temp < w.thick {
            (Rule::Thickening, say::setting_up())
        } else {
            (Rule::Rewarm, say::under_the_band())
        };
        let what = if self.was_tested_cold() { say::tested_cold() } else { what };
        self.warm_back(temp, rule, what).caution()
    }

    /// Whether all that a smear has shown of it is how it sets when it is too cold.
    pub(crate) fn was_tested_cold(&self) -> bool {
        let looked = self.bowl.test.is_some_and(|test| test.cold && test.look.is_some());
        looked && self.bowl.temper == Temper::Untested
    }

    /// Whether it is more than a little under the bottom of its band.
    pub(crate) fn is_well_under(&self, temp: Temperature, lo: Temperature) -> bool {
        temp < lo - degrees(JUST_UNDER_C)
    }

    /// Whether it is so far under the bottom of its band that it is to be warmed.
    pub(crate) fn needs_warming(&self, temp: Temperature, lo: Temperature) -> bool {
        let lately = self.bowl.heating.last_heat.is_some_and(|at| self.now - at < WARMED_LATELY);
        let falls_fast =
            self.ahead.trend.is_some_and(|trend| in_degrees(trend) < FALLS_FAST_C_PER_MIN);
        let enough = if lately && !falls_fast { STILL_UNDER_C } else { JUST_UNDER_C };
        temp < lo - degrees(enough)
    }

    /// A short warming toward the middle of the band.
    pub(crate) fn warm_back(&self, temp: Temperature, rule: Rule, what: Message) -> Advice {
        let w = &self.setup.chocolate.windows;
        let warming = self.rewarming(temp, w.work.middle());
        let why =
            say::rewarm_why(what, self.shown(), w.work.lo, self.setup.lost().unwrap_or(w.limit));
        let say = self.said_of(warming, say::rewarm, say::rewarm_gently);
        Advice::new(rule, say, why).warming(warming)
    }

    /// A warming in words: by a burst, or gently.
    pub(crate) fn said_of(
        &self,
        warming: Warming,
        burst: fn(Message) -> Message,
        gently: fn(Message) -> Message,
    ) -> Message {
        match warming {
            Warming::Burst(lasting) => burst(self.burst_of(lasting)),
            Warming::Dryer(lasting) => gently(say::with_a_dryer(lasting)),
            Warming::WarmWater(lasting) => gently(say::in_warm_water(warm_water(), lasting)),
        }
    }

    /// What brings the bowl to a temperature and no further. A burst, in whole seconds,
    /// capped; a hair dryer where the shortest burst would be too much.
    pub(crate) fn rewarming(&self, temp: Temperature, to: Temperature) -> Warming {
        let setup = self.setup;
        let w = &setup.chocolate.windows;
        let (longest_s, by_c) = if temp < w.thick { LONGEST_BACK } else { LONGEST };
        let ceiling = self.setup.lost().map_or(w.limit, |lost| lost - degrees(SPARE_C));
        let held = self.in_the_bowl() * setup.chocolate.family.heat_when_melted();
        let missing: Energy = held * rise(temp, to.max(temp));
        // Crystals take heat too, so a burst falls short rather than goes over; the
        // ceiling holds even where more of it shows than ever was seen to.
        let (usual, most) = self.powers();
        let wanted = in_seconds(missing / usual).round().max(SHORTEST_S);
        let up_to = |to: Temperature| in_seconds(held * rise(temp, to.max(temp)) / most).floor();
        let room = if to < w.work.hi { w.work.hi.min(ceiling) } else { ceiling };
        if up_to(room) < SHORTEST_S || in_seconds(missing / usual) < SHORTEST_S / 2.0 {
            return self.gently(temp, to);
        }
        let longest = longest_s.max(up_to(temp + degrees(by_c)));
        Warming::Burst(seconds(wanted.min(longest).min(up_to(ceiling))))
    }

    /// What of a burst's power shows in the bowl, usually and at the most.
    fn powers(&self) -> (Power, Power) {
        let setup = self.setup;
        match &setup.microwave {
            Some(microwave) => (
                microwave.rated() * setup.burst_response,
                microwave.rated() * setup.burst_response.max(microwave.efficiency),
            ),
            None => (setup.gentle.bath_gives, setup.gentle.bath_gives),
        }
    }

    /// With a hair dryer on low, or in warm water where there is none, toward a temperature.
    pub(crate) fn gently(&self, temp: Temperature, to: Temperature) -> Warming {
        let gentle = &self.setup.gentle;
        let held = self.in_the_bowl() * self.setup.chocolate.family.heat_when_melted();
        if gentle.dryer {
            let missing: Energy = held * rise(temp, to.max(temp));
            let s = in_seconds(missing / gentle.dryer_gives).round();
            return Warming::Dryer(seconds(s.clamp(SHORTEST_S, LONGEST_DRYER_S)));
        }
        let bowl = self.setup.vessel.map(|vessel| vessel.wetted_heat()).unwrap_or_default();
        let stands = gentle.in_warm_water(self.in_the_bowl(), held + bowl, [temp, to]);
        Warming::WarmWater(seconds(in_seconds(stands).round().max(SHORTEST_S)))
    }

    /// A warming for what has no temper to lose.
    pub(crate) fn warming(&self, temp: Temperature, to: Temperature) -> Warming {
        let setup = self.setup;
        let Some(microwave) = setup.microwave else {
            return Warming::Burst(seconds(LONGEST_BACK.0));
        };
        let held = self.in_the_bowl() * setup.chocolate.family.heat_when_melted();
        let missing: Energy = held * rise(temp, to);
        let spare = held * rise(temp, setup.chocolate.windows.limit - degrees(SPARE_C));
        let lasting = in_seconds(missing / microwave.into_chocolate()).round();
        if in_seconds(spare / microwave.into_chocolate()) < SHORTEST_S {
            return self.gently(temp, to);
        }
        let felt = in_seconds(held * degrees(LONGEST_BACK.1) / microwave.into_chocolate());
        let longest = LONGEST_BACK.0.max(felt.floor());
        Warming::Burst(seconds(lasting.clamp(SHORTEST_S, longest)))
    }

    /// The maker said that it thickens: too many crystals, and a little warmth
    /// takes some away.
    pub(crate) fn over_seeded(&self, temp: Temperature) -> Option<Advice> {
        let said = self.bowl.too_thick?;
        let lost = self.setup.lost()?;
        if self.now - said > THICK_ANSWERED {
            return None;
        }
        // Warmed since it was said, and it was said once: wait for the next word.
        if self.bowl.heating.warmed && self.bowl.heating.calm_since.is_some_and(|calm| calm > said)
        {
            return None;
        }
        let to = (temp + degrees(AT_A_TIME_C)).min(lost - degrees(SPARE_C));
        if self.bowl.too_thick_times > THINNED_FOR_THICK {
            return Some(
                Advice::new(
                    Rule::OverSeeded,
                    say::over_seeded_for_good(self.setup.melt_to),
                    say::over_seeded_for_good_why(),
                )
                .stop(),
            );
        }
        let warmed_in_vain = self.bowl.too_thick_times > WARMED_FOR_THICK;
        if warmed_in_vain || in_degrees(rise(temp, to)) < 0.2 {
            return Some(
                Advice::new(
                    Rule::OverSeeded,
                    say::over_seeded(),
                    say::over_seeded_why(self.shown(), lost - degrees(SPARE_C)),
                )
                .caution(),
            );
        }
        let warming = self.rewarming(temp, to);
        let say = self.said_of(warming, say::over_seeded_warm, say::over_seeded_gently);
        Some(
            Advice::new(
                Rule::OverSeeded,
                say,
                say::over_seeded_warm_why([degrees(0.5), degrees(1.0)], lost - degrees(SPARE_C)),
            )
            .caution()
            .warming(warming),
        )
    }
}
