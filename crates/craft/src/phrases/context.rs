//! What the rules look at.

use chrono::{DateTime, TimeDelta, Utc};

use super::advice::{Advice, Countdown, Grounds, Rule};
use crate::bowl::Setup;
use crate::bowl::{Ahead, SETTLING};
use crate::bowl::{Bowl, Heat, between, time_delta};
use crate::catalogue::bench as say;
use crate::heat::cooling::Eta;
use crate::message::{Message, Reading};
use crate::units::{Temperature, Time, celsius, in_celsius, in_seconds, minutes, seconds};

/// A reading older than this says little about now.
pub const STALE_AFTER: TimeDelta = TimeDelta::seconds(120);
/// A boundary this close ahead is announced.
const SOON_S: f64 = 90.0;

/// What the rules look at: the bowl, where it is going, and the time.
#[derive(Clone, Copy, Debug)]
pub struct CoachContext<'a> {
    /// What the bowl set out to be.
    pub setup: &'a Setup,
    /// What its record tells.
    pub bowl: &'a Bowl,
    /// Where it is going.
    pub ahead: &'a Ahead,
    /// The time.
    pub now: DateTime<Utc>,
}

impl CoachContext<'_> {
    /// Where it is now, if the latest trusted reading is fresh enough to act on.
    pub(crate) fn temp(&self) -> Option<Temperature> {
        // As it is told: what is compared with a boundary is what the maker reads.
        self.latest().map(|latest| to_a_tenth(self.ahead.level.unwrap_or(latest)))
    }

    /// The latest trusted reading, flicker and all.
    pub(crate) fn latest(&self) -> Option<Temperature> {
        self.bowl.thermometer.latest.filter(|l| self.now - l.at <= STALE_AFTER).map(|l| l.temp)
    }

    /// What there is to go by now.
    pub(crate) fn grounds(&self) -> Grounds {
        match (self.latest(), self.ahead.level) {
            _ if self.bowl.ended() => Grounds::Clock,
            (None, _) => Grounds::Clock,
            (Some(_), None) => Grounds::OneReading,
            (Some(_), Some(_)) => Grounds::Readings,
        }
    }

    /// What the thermometer shows, as the maker sees it; where its flicker lies on the other
    /// side of a boundary than what is decided by, that, so that no sentence contradicts
    /// itself.
    pub(crate) fn shown(&self) -> Reading {
        let (Some(latest), Some(evened)) = (self.latest(), self.temp()) else {
            return Reading::none(say::no_reading());
        };
        let latest = to_a_tenth(latest);
        let between = |bound: &Temperature| (latest < *bound) != (evened < *bound);
        let beyond = |bound: &Temperature| (latest > *bound) != (evened > *bound);
        let parted = self.bounds().iter().any(|bound| between(bound) || beyond(bound));
        Reading::of(if parted { evened } else { latest })
    }

    /// The boundaries that sentences compare with.
    fn bounds(&self) -> Vec<Temperature> {
        let w = &self.setup.chocolate.windows;
        let bands = [Some(self.setup.use_band()), Some(w.work), Some(w.melt), w.cool];
        let ends = bands.into_iter().flatten().flat_map(|band| [band.lo, band.hi]);
        ends.chain([w.thick, w.limit, self.setup.melted_from()]).chain(self.setup.lost()).collect()
    }

    /// A burst in words, with its power.
    pub(crate) fn burst_of(&self, lasting: Time) -> Message {
        match &self.setup.microwave {
            Some(microwave) => say::burst_of(lasting, microwave.setting_in_words()),
            None => say::burst_over_water(lasting),
        }
    }

    /// When the forecast reaches a temperature; nothing where that cannot be told
    /// to within the time that is left.
    pub(crate) fn countdown_to(&self, what: Message, target: Temperature) -> Option<Countdown> {
        let forecast = self.ahead.forecast.as_ref()?;
        let eta = forecast.reach(target).filter(Eta::is_sharp)?;
        let at = |t: Time| forecast.from + time_delta(t);
        Some(Countdown {
            what,
            at: at(eta.typical),
            earliest: at(eta.earliest),
            latest: eta.latest.map(at),
        })
    }

    /// How long until a countdown ends.
    pub(crate) fn left(&self, countdown: &Countdown) -> Time {
        between(self.now, countdown.at)
    }

    /// Whether a temperature is likely reached so soon that it is to be announced,
    /// however wide the range.
    pub(crate) fn soon(&self, target: Temperature) -> bool {
        self.ahead.forecast.as_ref().is_some_and(|forecast| {
            forecast.reach(target).is_some_and(|eta| {
                between(self.now, forecast.from + time_delta(eta.typical)) < seconds(SOON_S)
            })
        })
    }

    /// How long ago it was stirred.
    pub(crate) fn unstirred(&self) -> TimeDelta {
        self.now - self.bowl.last_stir.unwrap_or(self.bowl.since)
    }

    pub(crate) fn read_thermometer(&self) -> Advice {
        let why = match self.bowl.thermometer.latest {
            None => say::no_reading_yet(),
            Some(latest) => say::last_reading_old(full_minutes(between(latest.at, self.now))),
        };
        Advice::new(Rule::ReadThermometer, say::read_thermometer(), why)
    }

    /// During a short warming, and until it is stirred in and read.
    pub(crate) fn short_warming(&self) -> Option<Advice> {
        if let Some(advice) = self.warming_until_taken_off() {
            return Some(advice);
        }
        if let Heat::Burst { until } = self.bowl.heating.heat {
            return Some(
                Advice::new(Rule::Heating, say::short_warming(), say::short_warming_why())
                    .until(Some(Countdown::exact(say::burst_ends(), until))),
            );
        }
        self.stir_after_heat()
    }

    /// After a warming the thermometer says nothing until it is stirred in.
    pub(crate) fn stir_after_heat(&self) -> Option<Advice> {
        let calm = self.bowl.heating.calm_since?;
        let stirred = self.bowl.last_stir.is_some_and(|stir| stir >= calm);
        let read = self.bowl.thermometer.latest.is_some_and(|l| l.at >= calm + SETTLING);
        (self.bowl.heating.warmed && !(stirred && read)).then(|| {
            Advice::new(Rule::StirAfterHeat, say::stir_after_heat(), say::stir_after_heat_why())
        })
    }
}

/// As thermometers show it.
fn to_a_tenth(temp: Temperature) -> Temperature {
    celsius((in_celsius(temp) * 10.0).round() / 10.0)
}

/// A time less what is over a full minute: what is a minute and a half old is not yet two.
fn full_minutes(time: Time) -> Time {
    minutes((in_seconds(time) / 60.0).floor())
}
