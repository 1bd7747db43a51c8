//! What to do next at the bowl: one instruction at a time.
//!
//! A pure function of the setup, the folded bowl and the time. Each answer
//! names the rule that spoke, so that it can be shown, tested and questioned.

mod after_pour;
mod cooling;
mod melting;
mod ready;

use chrono::{DateTime, TimeDelta, Utc};
use serde::{Deserialize, Serialize};

use super::fold::{Bowl, Heat, Phase, between};
use super::forecast::Forecast;
use super::setup::Setup;
use crate::note::Level;
use crate::units::{Mass, Temperature, Time, degrees, in_celsius, in_seconds, rise, seconds};

/// A reading older than this says little about now.
pub const STALE_AFTER: TimeDelta = TimeDelta::seconds(120);
/// A thermometer needs this long to see a warming that was stirred in.
const SETTLING: TimeDelta = TimeDelta::seconds(8);
/// A boundary this close ahead is announced.
const SOON_S: f64 = 90.0;
/// The longest rewarming burst, seconds: more in one go may lose the temper.
const LONGEST_REWARM_S: f64 = 5.0;

/// The rule that spoke.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Rule {
    /// No reading, or none lately.
    ReadThermometer,
    /// At or over the limit.
    LimitPassed,
    /// Put it on the heat.
    Warm,
    /// On the heat now.
    Heating,
    /// Out of the heat, to be stirred.
    StirAfterHeat,
    /// Take it off before it is there.
    StopBeforeMelt,
    /// Melted through.
    Melted,
    /// Taken off too soon.
    NotYetMelted,
    /// The next addition of seed.
    AddSeed,
    /// Seed is still melting.
    StirIn,
    /// All seed is in; it is on its way down.
    StirDown,
    /// All seed is in and it is not getting there.
    MoreSeed,
    /// In the band: test.
    TestNow,
    /// The smear is too young to judge.
    WatchSmear,
    /// The smear is due.
    JudgeSmear,
    /// In temper and in the band.
    Pour,
    /// In temper, about to leave the band.
    LeavingBand,
    /// In temper, above the band.
    TooWarmToPour,
    /// Below the band.
    Rewarm,
    /// Far below the band.
    Thickening,
    /// Temper was there and is gone.
    TemperLost,
    /// The test did not show temper.
    NotInTemper,
    /// Poured: toppings.
    Top,
    /// Poured: wait.
    LeaveToSet,
    /// Poured: cut.
    Cut,
    /// Poured: let it shrink.
    LeaveToShrink,
    /// Poured: it lets go.
    Release,
    /// Poured where it does not set.
    DoesNotSet,
    /// Given up.
    GivenUp,
}

/// Something to be heard as well as seen.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Alarm {
    /// The melt limit is near or passed.
    Limit,
    /// The working band is being entered or left.
    Band,
    /// A time is up or a window is closing.
    Timer,
}

/// A time to count down to.
#[derive(Clone, Debug, PartialEq)]
pub struct Countdown {
    /// What happens then.
    pub what: &'static str,
    /// When it most likely is.
    pub at: DateTime<Utc>,
    /// Not likely before; the same as `at` where it is exact.
    pub earliest: DateTime<Utc>,
    /// Not likely after; `None` where it may never be.
    pub latest: Option<DateTime<Utc>>,
}

impl Countdown {
    fn exact(what: &'static str, at: DateTime<Utc>) -> Self {
        Self { what, at, earliest: at, latest: Some(at) }
    }
}

/// What the coach says.
#[derive(Clone, Debug, PartialEq)]
pub struct Advice {
    /// The rule that spoke.
    pub rule: Rule,
    /// How much it matters.
    pub level: Level,
    /// The instruction.
    pub say: String,
    /// The reason.
    pub why: String,
    /// The one time that matters now.
    pub countdown: Option<Countdown>,
    /// Whether to be heard.
    pub alarm: Option<Alarm>,
    /// The burst that is advised.
    pub heat: Option<Time>,
    /// The seed that is advised.
    pub seed: Option<Mass>,
}

impl Advice {
    fn new(rule: Rule, say: impl Into<String>, why: impl Into<String>) -> Self {
        Self {
            rule,
            level: Level::Info,
            say: say.into(),
            why: why.into(),
            countdown: None,
            alarm: None,
            heat: None,
            seed: None,
        }
    }

    fn caution(self) -> Self {
        Self { level: Level::Caution, ..self }
    }

    fn stop(self) -> Self {
        Self { level: Level::Stop, ..self }
    }

    fn sounding(self, alarm: Alarm) -> Self {
        Self { alarm: Some(alarm), ..self }
    }

    fn until(self, countdown: Option<Countdown>) -> Self {
        Self { countdown, ..self }
    }

    fn heating(self, lasting: Time) -> Self {
        Self { heat: Some(lasting), ..self }
    }

    fn seeding(self, mass: Mass) -> Self {
        Self { seed: Some(mass), ..self }
    }
}

/// What the rules look at.
struct Look<'a> {
    setup: &'a Setup,
    bowl: &'a Bowl,
    forecast: Option<&'a Forecast>,
    now: DateTime<Utc>,
}

impl Look<'_> {
    /// The latest trusted temperature, if it is fresh enough to act on.
    fn temp(&self) -> Option<Temperature> {
        self.bowl.latest.filter(|l| self.now - l.at <= STALE_AFTER).map(|l| l.temp)
    }

    /// When the forecast reaches a temperature.
    fn countdown_to(&self, what: &'static str, target: Temperature) -> Option<Countdown> {
        let forecast = self.forecast?;
        let eta = forecast.reach(target)?;
        let at = |t: Time| forecast.from + super::fold::time_delta(t);
        Some(Countdown {
            what,
            at: at(eta.typical),
            earliest: at(eta.earliest),
            latest: eta.latest.map(at),
        })
    }

    fn read_thermometer(&self) -> Advice {
        let why = match self.bowl.latest {
            None => "No reading yet. Type what your thermometer says, or start one that sends."
                .to_owned(),
            Some(latest) => format!(
                "The last reading is {:.0} min old.",
                (in_seconds(between(latest.at, self.now)) / 60.0).floor()
            ),
        };
        Advice::new(Rule::ReadThermometer, "Read the thermometer", why)
    }
}

/// How long until a countdown ends.
fn left(countdown: &Countdown, now: DateTime<Utc>) -> Time {
    between(now, countdown.at)
}

fn soon(countdown: &Countdown, now: DateTime<Utc>) -> bool {
    left(countdown, now) < seconds(SOON_S)
}

fn told(temp: Temperature) -> String {
    format!("{:.1} °C", in_celsius(temp))
}

/// The next instruction.
#[must_use]
pub fn advise(
    setup: &Setup,
    bowl: &Bowl,
    forecast: Option<&Forecast>,
    now: DateTime<Utc>,
) -> Advice {
    let look = Look { setup, bowl, forecast, now };
    let windows = &setup.chocolate.windows;
    if !bowl.ended()
        && let Some(temp) = look.temp()
        && temp >= windows.limit
    {
        return Advice::new(
            Rule::LimitPassed,
            "Off the heat now. Stir",
            format!(
                "{} is over the limit of {}. If it smells burnt or turns grainy it cannot be saved.",
                told(temp),
                told(windows.limit)
            ),
        )
        .stop()
        .sounding(Alarm::Limit);
    }
    match bowl.phase {
        Phase::Melting => melting::advise(&look),
        Phase::Cooling => cooling::advise(&look),
        Phase::Testing => ready::while_testing(&look),
        Phase::Working => ready::while_working(&look),
        Phase::Done => after_pour::advise(&look),
        Phase::Lost => Advice::new(
            Rule::GivenUp,
            "This bowl was given up",
            bowl.gave_up.clone().unwrap_or_default(),
        ),
    }
}

/// Below the band, or about to be: how to warm it back.
fn rewarm(look: &Look<'_>, temp: Temperature) -> Advice {
    let w = &look.setup.chocolate.windows;
    let (rule, word) = if temp < w.thick {
        (Rule::Thickening, "It is setting up in the bowl")
    } else {
        (Rule::Rewarm, "It is under the working band")
    };
    let burst = rewarming_burst(look, temp);
    Advice::new(
        rule,
        format!("Warm it for {:.0} s, stir, read again", in_seconds(burst)),
        format!(
            "{word}: {}, and the band starts at {}. Short warmings keep the temper; above {} it is lost.",
            told(temp),
            told(w.work.lo),
            told(w.lost.unwrap_or(w.limit))
        ),
    )
    .caution()
    .heating(burst)
}

/// A burst that brings the bowl to the middle of the band and no further, in
/// whole seconds, capped. Without a microwave, a hair dryer on low: the cap.
fn rewarming_burst(look: &Look<'_>, temp: Temperature) -> Time {
    let longest = seconds(LONGEST_REWARM_S);
    let Some(microwave) = look.setup.microwave else { return longest };
    let setup = look.setup;
    let held = (setup.melted + look.bowl.seeded) * setup.chocolate.family.heat_when_melted();
    let missing = held * rise(temp, setup.chocolate.windows.work.middle());
    let lasting = missing / microwave.into_chocolate();
    seconds(in_seconds(lasting.min(longest)).round().max(1.0))
}

/// During a short warming, and until it is stirred in and read.
fn short_warming(look: &Look<'_>) -> Option<Advice> {
    if let Heat::Burst { until } = look.bowl.heat {
        return Some(
            Advice::new(Rule::Heating, "Warm, then stir", "A short warming, stirred in at once.")
                .until(Some(Countdown::exact("burst ends", until))),
        );
    }
    stir_after_heat(look)
}

/// After a warming the thermometer says nothing until it is stirred in.
fn stir_after_heat(look: &Look<'_>) -> Option<Advice> {
    let calm = look.bowl.calm_since?;
    let stirred = look.bowl.last_stir.is_some_and(|stir| stir >= calm);
    let read = look.bowl.latest.is_some_and(|l| l.at >= calm + SETTLING);
    (look.bowl.warmed && !(stirred && read)).then(|| {
        Advice::new(
            Rule::StirAfterHeat,
            "Stir from the bottom, then read",
            "The edges are hotter than the middle until it is stirred.",
        )
    })
}

/// A temperature a little below another, in words.
fn short_of(temp: Temperature, by_c: f64) -> Temperature {
    temp - degrees(by_c)
}

/// The countdowns after a pour, in the order in which they bind; none before
/// the pour, or where the room is too warm for the slab to set.
#[must_use]
pub fn setting_windows(setup: &Setup, bowl: &Bowl, now: DateTime<Utc>) -> Vec<Countdown> {
    after_pour::windows(&Look { setup, bowl, forecast: None, now })
        .map(Vec::from)
        .unwrap_or_default()
}
