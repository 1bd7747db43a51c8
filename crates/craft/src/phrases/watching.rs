//! What is watched for all the time: the limit, the thermometer, standing still,
//! stirring.

use chrono::TimeDelta;

use super::advice::{Advice, Alarm, Rule};
use super::context::{CoachContext, STALE_AFTER};
use crate::bowl::Heat;
use crate::bowl::trust::Doubt;
use crate::catalogue::bench as say;
use crate::message::Reading;
use crate::units::{
    Temperature, Time, celsius, degrees, in_celsius, in_degrees, in_seconds, minutes, rise, seconds,
};

/// This close under the limit the heat is called off, °C.
const NEAR_LIMIT_C: f64 = 2.0;
/// At a pace that brings it to the limit in this time, it is called off too, s.
const ALMOST_THERE_S: f64 = 40.0;
/// After a warming a bowl may still be as hot as a doubted reading says, for so long.
const STILL_HOT: TimeDelta = TimeDelta::seconds(45);
/// What was read is as expected when it is this close, °C.
const AS_EXPECTED_C: f64 = 6.0;
/// Unstirred for this long on the way down, a bowl has cold edges.
const UNSTIRRED: TimeDelta = TimeDelta::seconds(100);
/// Moving less than this a bowl stands still, °C/min.
const STANDS_STILL_C_PER_MIN: f64 = 0.12;
/// It can only stand still by itself while it is this far above the room, °C.
const ABOVE_ROOM_C: f64 = 5.0;
/// Seed that went in this recently may still be melting.
const SEED_STILL_MELTS: TimeDelta = TimeDelta::minutes(5);
/// So many doubted readings in a row are trouble.
const DOUBTED_IN_A_ROW: usize = 2;

impl CoachContext<'_> {
    /// The melt limit: near, or passed. Never left unsaid.
    pub(crate) fn limit(&self) -> Option<Advice> {
        if self.bowl.ended() {
            return None;
        }
        if let Some(advice) = self.doubted_limit() {
            return Some(advice);
        }
        let temp = self.latest()?;
        let shown = Reading::of(temp);
        let limit = self.setup.chocolate.windows.limit;
        if temp >= limit {
            let say = if self.bowl.heating.heat == Heat::Off {
                say::too_hot()
            } else {
                say::off_the_heat()
            };
            return Some(
                Advice::new(Rule::LimitPassed, say, say::limit_passed_why(shown, limit))
                    .stop()
                    .sounding(Alarm::Limit),
            );
        }
        let rising = self.ahead.trend.is_some_and(|trend| in_degrees(trend) > 0.5);
        let heated = self.bowl.heating.heat != Heat::Off;
        let near = temp >= limit - degrees(NEAR_LIMIT_C) && (rising || heated);
        (near || (heated && self.limit_within(temp, seconds(ALMOST_THERE_S)))).then(|| {
            Advice::new(Rule::LimitNear, say::off_the_heat(), say::limit_near_why(shown, limit))
                .caution()
                .sounding(Alarm::Limit)
        })
    }

    /// A reading that does not go with those before, and would be over the limit if it were
    /// true: nobody waits for a second one with the bowl on the heat.
    fn doubted_limit(&self) -> Option<Advice> {
        let newest = self.bowl.thermometer.newest?;
        let (at, doubt) = self.bowl.thermometer.newest_at?;
        let doubted = matches!(doubt, Some(Doubt::Jump | Doubt::OutOfRange));
        let limit = self.setup.chocolate.windows.limit;
        let fresh = self.now - at <= STALE_AFTER;
        let heating = &self.bowl.heating;
        let hot = heating.heat != Heat::Off
            || heating.last_heat.is_some_and(|last| self.now - last < STILL_HOT);
        (doubted && fresh && hot && newest >= limit).then(|| {
            let say =
                if heating.heat == Heat::Off { say::stir_and_check() } else { say::off_the_heat() };
            Advice::new(Rule::LimitPassed, say, say::limit_doubted_why(Reading::of(newest), limit))
                .stop()
                .sounding(Alarm::Limit)
        })
    }

    /// It rose by much, and nobody said that it is on the heat.
    pub(crate) fn rose_by_itself(&self) -> Option<Advice> {
        let (from, to, at) = self.bowl.thermometer.rose?;
        (self.now - at <= STALE_AFTER).then(|| {
            Advice::new(
                Rule::ProbeTrouble,
                say::is_it_on_the_heat(),
                say::is_it_on_the_heat_why(from, to),
            )
            .caution()
        })
    }

    /// Whether at its present pace it is at the limit within a time.
    pub(crate) fn limit_within(&self, temp: Temperature, time: Time) -> bool {
        let pace = self.ahead.trend.unwrap_or_default();
        temp + pace * (in_seconds(time) / 60.0) >= self.setup.chocolate.windows.limit
    }

    /// A thermometer that sends °F where °C are meant: what it sends makes sense
    /// only when it is read so.
    pub(crate) fn fahrenheit(&self) -> Option<Advice> {
        let newest = self.bowl.thermometer.newest?;
        let doubted = self.bowl.thermometer.doubts.last().is_some_and(Option::is_some);
        // Before anything was warmed it is as warm as it was.
        let cold = self.bowl.heating.heat == Heat::Off
            && in_seconds(self.bowl.heating.heated) <= 0.0
            && self.bowl.heating.calm_since.is_none();
        let expected = match self.bowl.thermometer.latest {
            Some(latest) if doubted => latest.temp,
            _ if cold => self.setup.seed_temp,
            _ => return None,
        };
        let meant = celsius((in_celsius(newest) - 32.0) / 1.8);
        let near = |temp| in_degrees(rise(expected, temp)).abs() < AS_EXPECTED_C;
        (near(meant) && !near(newest)).then(|| {
            Advice::new(
                Rule::ProbeTrouble,
                say::sends_fahrenheit(),
                say::sends_fahrenheit_why(newest, in_celsius(newest), meant),
            )
            .caution()
        })
    }

    /// A thermometer that jumps or has stopped says nothing to act on.
    pub(crate) fn probe_trouble(&self) -> Option<Advice> {
        let doubted =
            self.bowl.thermometer.doubts.iter().rev().take_while(|doubt| doubt.is_some()).count();
        if doubted >= DOUBTED_IN_A_ROW {
            return Some(
                Advice::new(Rule::ProbeTrouble, say::probe_jumps(), say::probe_jumps_why(doubted))
                    .caution(),
            );
        }
        self.bowl.thermometer.stuck.then(|| {
            Advice::new(Rule::ProbeTrouble, say::probe_stopped(), say::probe_stopped_why())
                .caution()
        })
    }

    /// It neither cools nor warms though it should: crystals take or give heat.
    pub(crate) fn plateau(&self, temp: Temperature) -> Option<Advice> {
        let trend = self.ahead.trend?;
        let seed = self.bowl.went_in.last_seed.or(self.bowl.went_in.returned)?;
        let still = in_degrees(trend).abs() < STANDS_STILL_C_PER_MIN;
        let should_move = in_degrees(rise(self.setup.room, temp)) > ABOVE_ROOM_C;
        let lately = self.now - seed < SEED_STILL_MELTS;
        (still && should_move && lately)
            .then(|| Advice::new(Rule::Plateau, say::plateau(), say::plateau_why(self.shown())))
    }

    /// It has not been stirred for long.
    pub(crate) fn stirring_missing(&self) -> Option<Advice> {
        let since = self.unstirred();
        (since > UNSTIRRED).then(|| {
            Advice::new(
                Rule::StirringMissing,
                say::stirring_missing(),
                say::stirring_missing_why(self.shown(), minutes(since.num_minutes() as f64)),
            )
        })
    }
}
