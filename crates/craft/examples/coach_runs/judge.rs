//! What became of an evening, by the truth of the model.

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{ActionKind, Phase, Setup};
use craft::chocolate::Band;
use craft::coach::Rule;
use craft::heat::cooling::Eta;
use craft::method::{Method, Run};
use craft::pot::{Condition, Glance, Pot, Told, TooSoon, evening_watched};
use craft::units::{Temperature, degrees, in_celsius, in_seconds};

use crate::best;
use crate::scenario::Scenario;

/// A forecast is taken this often.
const FORECAST_EVERY: TimeDelta = TimeDelta::seconds(20);
/// What is nearer than this is no forecast any more.
const NEAR: TimeDelta = TimeDelta::seconds(20);

/// One evening, judged.
pub struct Judgement {
    /// It was poured in temper, in its band (untempered: as the method wants it).
    pub in_temper: bool,
    /// It was poured at all.
    pub poured: bool,
    /// How it stood at the end.
    pub condition: Condition,
    /// How warm it was then, °C.
    pub end_c: f64,
    /// How far it went over the limit, °C.
    pub over_limit: Option<f64>,
    /// The rules that raised a false alarm, once each time.
    pub false_alarms: Vec<Rule>,
    /// How long it was, h.
    pub hours: f64,
    /// From the first reading until it was in temper and in its band, s.
    pub ready_s: Option<f64>,
    /// The least that can take in the same model, s.
    pub best_s: Option<f64>,
    /// The forecasts that could be checked.
    pub forecasts: Vec<Checked>,
    /// How many times it was tested.
    pub tests: usize,
    /// What was advised though doing nothing would have been quicker.
    pub worse_than_nothing: Vec<Rule>,
    /// What was poured without a test that had passed.
    pub too_soon: Option<TooSoon>,
}

/// A forecast beside what happened.
#[derive(Clone, Copy)]
pub struct Checked {
    /// Whether the range held the truth.
    pub held: bool,
    /// Its width as a share of the time that was left.
    pub width: f64,
}

struct Pending {
    made: DateTime<Utc>,
    target: Temperature,
    earliest: DateTime<Utc>,
    latest: Option<DateTime<Utc>>,
}

/// Follows one evening.
struct Watch<'a> {
    setup: &'a Setup,
    method: Method,
    band: Band,
    hottest: Temperature,
    ready: Option<DateTime<Utc>>,
    spoke: Option<Rule>,
    false_alarms: Vec<Rule>,
    pending: Vec<Pending>,
    forecasts: Vec<Checked>,
    calm_since: Option<DateTime<Utc>>,
    worse_than_nothing: Vec<Rule>,
}

/// How long it is looked ahead whether doing nothing would have been quicker, s.
const LOOKED_AHEAD_S: f64 = 1_200.0;
/// So much later is later, s.
const LATER_S: f64 = 45.0;

/// From a pot as it stands until it is in temper and in its band, stirred; never, if not soon.
fn until_ready(mut pot: Pot, band: Band, tested: bool) -> f64 {
    let mut s = 0.0;
    while s < LOOKED_AHEAD_S && !best::is_ready(&pot, band, tested) {
        if s % 20.0 < 2.0 {
            pot.act(&ActionKind::Stirred);
        }
        pot.wait(2.0);
        s += 2.0;
    }
    if s < LOOKED_AHEAD_S { s } else { f64::INFINITY }
}

impl<'a> Watch<'a> {
    fn new(run: &'a Run) -> Self {
        let setup = &run.setup;
        Self {
            setup,
            method: run.method,
            band: setup.use_band(),
            hottest: setup.room,
            ready: None,
            spoke: None,
            false_alarms: Vec::new(),
            pending: Vec::new(),
            forecasts: Vec::new(),
            calm_since: None,
            worse_than_nothing: Vec::new(),
        }
    }

    fn look(&mut self, glance: Glance<'_>) {
        let temp = glance.pot.temperature();
        self.hottest = self.hottest.max(temp);
        if self.ready.is_none() && self.is_ready(&glance) {
            self.ready = Some(glance.now);
        }
        if self.spoke != Some(glance.advice.rule) {
            self.spoke = Some(glance.advice.rule);
            if self.is_false(&glance, temp) {
                self.false_alarms.push(glance.advice.rule);
            }
            if self.is_worse_than_nothing(&glance) {
                self.worse_than_nothing.push(glance.advice.rule);
            }
        }
        self.check_forecasts(&glance, temp);
    }

    /// Whether obeying makes it later in temper and in its band than stirring alone.
    fn is_worse_than_nothing(&self, glance: &Glance<'_>) -> bool {
        let by_the_cool_point = self.method.about().key == "seed_down_and_up";
        if glance.bowl.phase == Phase::Melting || by_the_cool_point {
            return false;
        }
        let Some(asks) = &glance.advice.asks else { return false };
        if !matches!(
            asks,
            ActionKind::Heat { .. }
                | ActionKind::Dryer { .. }
                | ActionKind::SeedAdded { .. }
                | ActionKind::CrystalsAdded { .. }
        ) {
            return false;
        }
        let tested = self.setup.course.is_tested;
        let nothing = until_ready(glance.pot.clone(), self.band, tested);
        let mut obeyed = glance.pot.clone();
        obeyed.act(asks);
        until_ready(obeyed, self.band, tested) > nothing + LATER_S
    }

    fn is_ready(&self, glance: &Glance<'_>) -> bool {
        // On its way up it passes through the band too, and so does what is to go
        // on down to the cool point.
        let by_the_cool_point = self.method.about().key == "seed_down_and_up";
        let cool = self.setup.chocolate.windows.cool.filter(|_| by_the_cool_point);
        glance.bowl.phase != Phase::Melting
            && cool.is_none_or(|cool| glance.bowl.thermometer.coolest.is_some_and(|c| c <= cool.hi))
            && best::is_ready(glance.pot, self.band, self.setup.course.is_tested)
    }

    /// Whether the coach warns of something that is not so.
    fn is_false(&self, glance: &Glance<'_>, temp: Temperature) -> bool {
        let limit = self.setup.chocolate.windows.limit;
        let margin = degrees(0.5);
        match glance.advice.rule {
            Rule::LimitNear | Rule::LimitPassed => temp < limit - degrees(2.0),
            Rule::StopBeforeMelt => temp < self.setup.melt_to - degrees(5.0),
            Rule::TestNow => temp > self.band.hi + margin || temp < self.band.lo - margin,
            Rule::LeavingBand => temp > self.band.lo + degrees(1.0),
            Rule::TooWarmToPour => temp < self.band.hi - margin,
            Rule::Rewarm | Rule::Thickening => temp > self.band.lo + margin,
            Rule::TemperLost => glance.pot.condition() != Condition::NotInTemper,
            Rule::OverSeeded => glance.pot.condition() != Condition::OverSeeded,
            // Nothing is wrong with these thermometers, and they send all the time.
            Rule::ProbeTrouble => true,
            Rule::ReadThermometer => glance.bowl.thermometer.latest.is_some(),
            _ => false,
        }
    }

    fn check_forecasts(&mut self, glance: &Glance<'_>, temp: Temperature) {
        if glance.bowl.heating.calm_since != self.calm_since {
            // It was disturbed: what was forecast can no longer be checked.
            self.calm_since = glance.bowl.heating.calm_since;
            self.pending.clear();
        }
        let now = glance.now;
        let forecasts = &mut self.forecasts;
        self.pending.retain(|p| {
            if temp > p.target {
                return true;
            }
            let share = |t: TimeDelta| t.as_seconds_f64() / (now - p.made).as_seconds_f64();
            forecasts.push(Checked {
                held: p.earliest <= now && p.latest.is_none_or(|latest| now <= latest),
                width: p.latest.map_or(f64::INFINITY, |latest| share(latest - p.earliest)),
            });
            false
        });
        let due = self.pending.last().is_none_or(|p| now - p.made >= FORECAST_EVERY);
        let Some(forecast) = glance.ahead.forecast.as_ref().filter(|_| due) else { return };
        let target = if temp > self.band.hi { self.band.hi } else { self.band.lo };
        // What is too wide to go by is not said.
        let Some(eta) = forecast.reach(target).filter(Eta::is_sharp) else { return };
        let at = |s: f64| forecast.from + TimeDelta::milliseconds((s * 1000.0) as i64);
        if at(in_seconds(eta.typical)) - now < NEAR {
            return;
        }
        self.pending.push(Pending {
            made: now,
            target,
            earliest: at(in_seconds(eta.earliest)),
            latest: eta.latest.map(|t| at(in_seconds(t))),
        });
    }
}

impl Judgement {
    /// Plays an evening and judges it.
    pub fn of(scenario: &Scenario) -> Self {
        let setup = &scenario.run.setup;
        let mut watch = Watch::new(&scenario.run);
        let told = evening_watched(&scenario.run, &scenario.how, |glance| watch.look(glance));
        let temp = told.pot.temperature();
        let poured = told.record.actions().last().is_some_and(|a| a.kind == ActionKind::Poured);
        let margin = degrees(0.7);
        // What has no temper to lose may be a little cooler, as long as it flows.
        let lowest = if setup.course.is_tested {
            watch.band.lo - margin
        } else {
            setup.chocolate.windows.thick - margin
        };
        let in_band = temp <= watch.band.hi + margin && temp >= lowest;
        let condition = told.pot.condition();
        let limit = setup.chocolate.windows.limit;
        let good = if setup.course.is_tested {
            matches!(condition, Condition::InTemper | Condition::OverSeeded)
        } else {
            condition != Condition::Scorched
        };
        Self {
            in_temper: poured && in_band && good,
            poured,
            condition,
            end_c: in_celsius(temp),
            over_limit: (watch.hottest > limit)
                .then(|| in_celsius(watch.hottest) - in_celsius(limit)),
            hours: (told.ended - setup.opened).as_seconds_f64() / 3600.0,
            ready_s: watch.ready.map(|at| (at - setup.opened).as_seconds_f64()),
            best_s: best::least(scenario),
            tests: tests(&told),
            false_alarms: watch.false_alarms,
            worse_than_nothing: watch.worse_than_nothing,
            forecasts: watch.forecasts,
            too_soon: told.too_soon,
        }
    }
}

fn tests(told: &Told) -> usize {
    told.record.actions().filter(|a| a.kind == ActionKind::TestStarted).count()
}
