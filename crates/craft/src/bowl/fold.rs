//! A bowl's state, folded from its record.

use chrono::{DateTime, TimeDelta, Utc};
use serde::{Deserialize, Serialize};

use super::event::{Action, ActionKind, Reading, Seen};
use super::record::Record;
use super::setup::Setup;
use super::temper_test::{Look, Verdict, verdict};
use super::trust::{Doubt, doubts, stuck};
use crate::units::{Mass, Temperature, Time, celsius, degrees, grams, in_seconds, seconds};

/// A bowl that nobody warms does not rise by more than this, °C…
const RISES_BY_ITSELF_C: f64 = 6.0;
/// …from one reading to another that is no later than this.
const ALL_AT_ONCE: TimeDelta = TimeDelta::seconds(90);
/// What a warming brought shows for so long after it.
const HEAT_SHOWS_FOR: TimeDelta = TimeDelta::seconds(90);

/// Where a bowl stands in its course.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Phase {
    /// On its way up: crystals are being erased.
    Melting,
    /// On its way down: seeds go in.
    Cooling,
    /// A smear is being watched.
    Testing,
    /// In temper: being poured.
    Working,
    /// Poured.
    Done,
    /// Given up.
    Lost,
}

/// The latest trusted reading.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Standing {
    /// What the thermometer said.
    pub temp: Temperature,
    /// When.
    pub at: DateTime<Utc>,
}

/// Whether the bowl is on the heat.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Heat {
    /// Not on the heat.
    Off,
    /// A burst that ends at a known time.
    Burst {
        /// Its end.
        until: DateTime<Utc>,
    },
    /// On until taken off.
    On {
        /// Since when.
        since: DateTime<Utc>,
    },
}

/// What is known of the temper.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Temper {
    /// Nothing yet.
    Untested,
    /// A test showed it.
    Shown {
        /// When.
        at: DateTime<Utc>,
        /// How clearly.
        verdict: Verdict,
    },
    /// A test did not show it.
    NotShown {
        /// When.
        at: DateTime<Utc>,
    },
    /// It was there, and was warmed away.
    Gone {
        /// When.
        at: DateTime<Utc>,
    },
}

/// A temper test.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct TestRun {
    /// When the smear was made.
    pub started: DateTime<Utc>,
    /// It was of a bowl that was setting up: there the wrong crystals set a smear too, and
    /// they melt when the bowl is warmed back.
    pub cold: bool,
    /// The latest look at it, and what that says.
    pub look: Option<(Look, Verdict)>,
}

/// What its thermometer said, and what is made of that.
#[derive(Clone, Debug, PartialEq)]
pub struct Thermometer {
    /// The latest trusted reading.
    pub latest: Option<Standing>,
    /// The newest reading, trusted or not.
    pub newest: Option<Temperature>,
    /// The doubt about each reading of the record, in its order.
    pub doubts: Vec<Option<Doubt>>,
    /// The newest reading with what is doubted of it, and when it was.
    pub newest_at: Option<(DateTime<Utc>, Option<Doubt>)>,
    /// A rise that no heat was entered for: from where to where, and when it was seen.
    pub rose: Option<(Temperature, Temperature, DateTime<Utc>)>,
    /// Whether the thermometer has shown the same to the digit for too long.
    pub stuck: bool,
    /// The latest trusted reading of the edge, where a second one is there.
    pub edge: Option<Standing>,
    /// Coolest trusted reading since the melt was done.
    pub coolest: Option<Temperature>,
    /// Hottest trusted reading.
    pub peak: Option<Temperature>,
    /// When it first passed the limit.
    pub over_limit: Option<DateTime<Utc>>,
}

/// What it was given of heat, and how it took it.
#[derive(Clone, Debug, PartialEq)]
pub struct Heating {
    /// Whether it is on the heat.
    pub heat: Heat,
    /// Bursts it was given while melting, together.
    pub heated: Time,
    /// Whether the maker said the melt is done.
    pub off_heat: bool,
    /// Whether a warming was the last thing that disturbed its cooling.
    pub warmed: bool,
    /// Since when it has cooled undisturbed.
    pub calm_since: Option<DateTime<Utc>>,
    /// When the latest warming ended, or began where nobody said how long it was.
    pub last_heat: Option<DateTime<Utc>>,
    /// Since when it stands in cool water.
    pub in_water: Option<DateTime<Utc>>,
    /// Since when it stands on a heating pad.
    pub on_pad: Option<DateTime<Utc>>,
}

/// What was put in or poured out on its way down.
#[derive(Clone, Debug, PartialEq)]
pub struct WentIn {
    /// Seed added so far.
    pub seeded: Mass,
    /// How many additions that was.
    pub additions: usize,
    /// When the last addition went in.
    pub last_seed: Option<DateTime<Utc>>,
    /// When ready crystals went in, and how warm it was if that is known.
    pub crystals_in: Option<(DateTime<Utc>, Option<Temperature>)>,
    /// Since when a part of it lies on the stone, and how much.
    pub on_stone: Option<(DateTime<Utc>, Mass)>,
    /// When it was returned from there.
    pub returned: Option<DateTime<Utc>>,
}

/// What was done to its colour, where it is one that is made here.
#[derive(Clone, Debug, PartialEq)]
pub struct ColourDone {
    /// When the powder of its colour was worked in.
    pub colour_in: Option<DateTime<Utc>>,
    /// Whether it was as fluid as water once more after that.
    pub fluid: bool,
    /// When it was strained.
    pub strained: Option<DateTime<Utc>>,
}

/// A bowl, as far as its record tells.
#[derive(Clone, Debug, PartialEq)]
pub struct Bowl {
    /// Where it stands.
    pub phase: Phase,
    /// Since when.
    pub since: DateTime<Utc>,
    /// What its thermometer said, and what is made of that.
    pub thermometer: Thermometer,
    /// What it was given of heat, and how it took it.
    pub heating: Heating,
    /// What was put in or poured out on its way down.
    pub went_in: WentIn,
    /// When it was last stirred; adding seed counts, it is stirred in.
    pub last_stir: Option<DateTime<Utc>>,
    /// What was done to its colour, where it is one that is made here.
    pub colour: ColourDone,
    /// When the maker last said that it thickens.
    pub too_thick: Option<DateTime<Utc>>,
    /// How often that was said.
    pub too_thick_times: usize,
    /// The latest test.
    pub test: Option<TestRun>,
    /// What is known of the temper.
    pub temper: Temper,
    /// When it was poured, and how warm it was if that is known.
    pub poured: Option<(DateTime<Utc>, Option<Temperature>)>,
    /// Whether it was warmed before the pour and not read since: how warm it was poured
    /// then, nobody knows.
    pub poured_unread: bool,
    /// Why it was given up.
    pub gave_up: Option<String>,
}

impl Bowl {
    fn opened(setup: &Setup) -> Self {
        Self {
            phase: Phase::Melting,
            since: setup.opened,
            thermometer: Thermometer {
                latest: None,
                newest: None,
                newest_at: None,
                rose: None,
                doubts: Vec::new(),
                stuck: false,
                edge: None,
                coolest: None,
                peak: None,
                over_limit: None,
            },
            heating: Heating {
                heat: Heat::Off,
                heated: seconds(0.0),
                off_heat: false,
                warmed: false,
                calm_since: None,
                last_heat: None,
                in_water: None,
                on_pad: None,
            },
            went_in: WentIn {
                seeded: grams(0.0),
                additions: 0,
                last_seed: None,
                crystals_in: None,
                on_stone: None,
                returned: None,
            },
            last_stir: None,
            colour: ColourDone { colour_in: None, fluid: false, strained: None },
            too_thick: None,
            too_thick_times: 0,
            test: None,
            temper: Temper::Untested,
            poured: None,
            poured_unread: false,
            gave_up: None,
        }
    }

    /// Whether the bowl's course has ended.
    #[must_use]
    pub fn ended(&self) -> bool {
        matches!(self.phase, Phase::Done | Phase::Lost)
    }

    fn enter(&mut self, phase: Phase, at: DateTime<Utc>) {
        if self.phase != phase {
            self.phase = phase;
            self.since = at;
        }
    }

    fn read(&mut self, setup: &Setup, reading: &Reading) {
        self.expire_burst(reading.at);
        let w = &setup.chocolate.windows;
        self.thermometer.rose = self.rises_by_itself(reading);
        self.thermometer.latest = Some(Standing { temp: reading.temp, at: reading.at });
        if self.ended() {
            return;
        }
        self.thermometer.peak =
            Some(self.thermometer.peak.map_or(reading.temp, |p| p.max(reading.temp)));
        if reading.temp >= w.limit && self.thermometer.over_limit.is_none() {
            self.thermometer.over_limit = Some(reading.at);
        }
        if self.phase == Phase::Melting {
            let said = self.heating.off_heat && self.melted_through(setup);
            // Or it was melted, is off the heat and falls: nobody need say so.
            let falls = self.heating.heat == Heat::Off && reading.temp < setup.melted_from();
            if said || (falls && self.was_melted(setup)) {
                self.enter(Phase::Cooling, reading.at);
            }
        }
        if self.colour.colour_in.is_some() && reading.temp >= fluid_from() {
            self.colour.fluid = true;
        }
        if self.phase == Phase::Cooling {
            self.thermometer.coolest =
                Some(self.thermometer.coolest.map_or(reading.temp, |c| c.min(reading.temp)));
            if !setup.course.is_tested && reading.temp <= setup.use_band().hi {
                self.enter(Phase::Working, reading.at);
            }
        }
        // What a smear shows is the bowl as it was: warmed too far meanwhile, it is gone too.
        let kept = matches!(self.temper, Temper::Shown { .. })
            || self.phase == Phase::Testing
            || (setup.course.keeps_crystals && self.temper == Temper::Untested);
        if let (true, Some(lost)) = (kept, setup.lost())
            && reading.temp > lost
        {
            self.temper = Temper::Gone { at: reading.at };
            self.thermometer.coolest = None;
            self.heating.heat = Heat::Off;
            self.enter(Phase::Cooling, reading.at);
        }
    }

    /// The rise that a reading shows and no heat accounts for: that of a bowl which nobody
    /// said is on the heat.
    fn rises_by_itself(
        &self,
        reading: &Reading,
    ) -> Option<(Temperature, Temperature, DateTime<Utc>)> {
        // What was asked stays asked until something is entered, or it has cooled again.
        let asked = self
            .thermometer
            .rose
            .filter(|(from, ..)| reading.temp > *from + degrees(RISES_BY_ITSELF_C));
        let before = self.thermometer.latest?;
        if reading.temp <= before.temp + degrees(RISES_BY_ITSELF_C) {
            return asked;
        }
        let warm = self.heating.heat != Heat::Off
            || self.heating.on_pad.is_some()
            || self.heating.last_heat.is_some_and(|last| reading.at - last < HEAT_SHOWS_FOR);
        let rises = reading.at - before.at < ALL_AT_ONCE && !warm && !self.ended();
        rises.then_some((before.temp, reading.temp, reading.at)).or(asked)
    }

    /// Whether the crystals are erased, or about to be by what heat is held.
    /// Without a thermometer the maker's word is taken.
    fn melted_through(&self, setup: &Setup) -> bool {
        let enough = setup.melted_from() - setup.carry_over;
        self.thermometer.peak.is_none_or(|peak| peak >= enough)
    }

    /// Whether it was read as warm as the melt is to be.
    fn was_melted(&self, setup: &Setup) -> bool {
        self.thermometer.peak.is_some_and(|peak| peak >= setup.melted_from())
    }

    fn act(&mut self, setup: &Setup, action: &Action) {
        if self.ended() {
            return;
        }
        let at = action.at;
        self.expire_burst(at);
        if action.kind.disturbs_cooling() {
            self.heating.calm_since = Some(at);
            self.heating.warmed = matches!(
                action.kind,
                ActionKind::Heat { lasting: Some(_) }
                    | ActionKind::Dryer { .. }
                    | ActionKind::InWarmWater { .. }
            );
        }
        self.thermometer.rose = None;
        match &action.kind {
            ActionKind::OnPad => {
                self.heating.on_pad = Some(at);
                self.heating.in_water = None;
            }
            ActionKind::OffPad => {
                self.heating.on_pad = None;
                self.heating.last_heat = Some(at);
            }
            ActionKind::Dryer { lasting } | ActionKind::InWarmWater { lasting } => {
                let until = at + time_delta(*lasting);
                self.heating.heat = Heat::Burst { until };
                self.heating.calm_since = Some(until);
                self.heating.last_heat = Some(until);
                self.heating.in_water = None;
            }
            ActionKind::OnCoolWater => {
                self.heating.in_water = Some(at);
                self.heating.on_pad = None;
            }
            ActionKind::OffCoolWater => self.heating.in_water = None,
            ActionKind::Heat { lasting } => {
                self.heating.off_heat = false;
                self.heating.in_water = None;
                self.heating.on_pad = None;
                self.heating.last_heat =
                    Some(lasting.map_or(at, |lasting| at + time_delta(lasting)));
                self.heating.heat = match lasting {
                    Some(lasting) => {
                        if self.phase == Phase::Melting {
                            self.heating.heated += *lasting;
                        }
                        let until = at + time_delta(*lasting);
                        self.heating.calm_since = Some(until);
                        Heat::Burst { until }
                    }
                    None => Heat::On { since: at },
                };
            }
            ActionKind::OffHeat => {
                if matches!(self.heating.heat, Heat::On { .. }) {
                    self.heating.last_heat = Some(at);
                }
                self.heating.heat = Heat::Off;
                self.heating.off_heat = true;
                if self.phase == Phase::Melting && self.melted_through(setup) {
                    self.enter(Phase::Cooling, at);
                }
            }
            ActionKind::Stirred => {
                self.last_stir = Some(at);
                if let Heat::Burst { until } = self.heating.heat {
                    // Nobody stirs in an oven: it was taken out.
                    self.heating.heat = Heat::Off;
                    if until > at {
                        if self.phase == Phase::Melting {
                            self.heating.heated -= between(at, until);
                        }
                        self.heating.calm_since = Some(at);
                        self.heating.last_heat = Some(at);
                    }
                }
                // "Take it off and stir" answered by stirring: it is off, and melted.
                let off = self.heating.heat == Heat::Off;
                if self.phase == Phase::Melting && off && self.was_melted(setup) {
                    self.heating.off_heat = true;
                    self.enter(Phase::Cooling, at);
                }
            }
            ActionKind::SeedAdded { mass } => {
                self.heating.heat = Heat::Off;
                self.went_in.seeded += *mass;
                self.went_in.additions += 1;
                self.went_in.last_seed = Some(at);
                self.last_stir = Some(at);
                if self.phase == Phase::Melting {
                    self.enter(Phase::Cooling, at);
                }
            }
            ActionKind::CrystalsAdded { .. } => {
                self.went_in.crystals_in = Some((at, self.thermometer.latest.map(|l| l.temp)));
                self.last_stir = Some(at);
            }
            ActionKind::OnStone { mass } => {
                self.went_in.on_stone = Some((at, *mass));
                self.went_in.returned = None;
                if self.phase == Phase::Melting {
                    self.enter(Phase::Cooling, at);
                }
            }
            ActionKind::OffStone => {
                self.went_in.on_stone = None;
                self.went_in.returned = Some(at);
                self.last_stir = Some(at);
            }
            ActionKind::ColourIn => {
                self.colour.colour_in = Some(at);
                self.last_stir = Some(at);
                self.colour.fluid =
                    self.thermometer.latest.is_some_and(|latest| latest.temp >= fluid_from());
                if self.phase == Phase::Melting {
                    self.enter(Phase::Cooling, at);
                }
            }
            ActionKind::Strained => {
                self.colour.strained = Some(at);
                self.last_stir = Some(at);
            }
            ActionKind::TooThick => {
                self.too_thick = Some(at);
                self.too_thick_times += 1;
            }
            ActionKind::TestStarted => {
                let thick = setup.chocolate.windows.thick;
                let cold = self.thermometer.latest.is_some_and(|l| l.temp < thick);
                self.test = Some(TestRun { started: at, cold, look: None });
                self.enter(Phase::Testing, at);
            }
            ActionKind::TestSeen { seen, dull_for } => self.look(setup, *seen, *dull_for, at),
            ActionKind::Poured => {
                let read = self.thermometer.latest;
                let heated = self.heating.last_heat.map(|last| last.min(at));
                let on = matches!(self.heating.heat, Heat::On { .. });
                self.poured_unread =
                    read.is_none_or(|read| on || heated.is_some_and(|heated| read.at < heated));
                self.poured = Some((at, read.map(|l| l.temp)));
                self.heating.heat = Heat::Off;
                self.heating.on_pad = None;
                self.enter(Phase::Done, at);
            }
            ActionKind::GivenUp { reason } => {
                self.gave_up = Some(reason.clone());
                self.heating.heat = Heat::Off;
                self.enter(Phase::Lost, at);
            }
            // The record has done as they say.
            ActionKind::Undone { .. }
            | ActionKind::AmountCorrected { .. }
            | ActionKind::ReadingWithdrawn { .. } => {}
        }
    }

    fn look(&mut self, setup: &Setup, seen: Seen, dull_for: Option<Time>, at: DateTime<Utc>) {
        let Some(test) = &mut self.test else { return };
        let look = Look::at(seen, between(test.started, at), dull_for);
        let said = verdict(setup.chocolate.family, &look);
        test.look = Some((look, said));
        match said {
            Verdict::InTemper | Verdict::Weak if test.cold => {
                self.temper = Temper::Untested;
                self.enter(Phase::Cooling, at);
            }
            Verdict::InTemper | Verdict::Weak => {
                self.temper = Temper::Shown { at, verdict: said };
                self.enter(Phase::Working, at);
            }
            Verdict::NotInTemper => {
                self.temper = Temper::NotShown { at };
                self.thermometer.coolest = None;
                self.enter(Phase::Cooling, at);
            }
            Verdict::Wait => {}
        }
    }

    fn expire_burst(&mut self, now: DateTime<Utc>) {
        if let Heat::Burst { until } = self.heating.heat
            && until <= now
        {
            self.heating.heat = Heat::Off;
        }
    }
}

/// From here up colour runs like water, and grain shows against the glass (*custom*).
pub(crate) fn fluid_from() -> Temperature {
    celsius(40.0)
}

/// The time from one moment to another.
#[must_use]
pub(crate) fn between(from: DateTime<Utc>, to: DateTime<Utc>) -> Time {
    #[allow(clippy::cast_precision_loss)] // milliseconds within days
    seconds((to - from).num_milliseconds() as f64 / 1000.0)
}

#[allow(clippy::cast_possible_truncation)] // bounded by the inputs' ranges
pub(crate) fn time_delta(time: Time) -> TimeDelta {
    TimeDelta::milliseconds((in_seconds(time) * 1000.0).round() as i64)
}

/// Folds a record into the bowl's state at a time.
///
/// Linear in the length of the record. What lies after `now` is not counted.
#[must_use]
pub fn fold(setup: &Setup, record: &Record, now: DateTime<Utc>) -> Bowl {
    let mut bowl = Bowl::opened(setup);
    let readings = record.readings();
    let doubts = doubts(readings, setup.opened, now);
    let mut trusted = readings
        .iter()
        .zip(&doubts)
        .filter(|(_, doubt)| doubt.is_none())
        .map(|(reading, _)| reading)
        .peekable();
    for action in record.actions().filter(|a| a.at <= now) {
        while let Some(reading) = trusted.next_if(|r| r.at <= action.at) {
            bowl.read(setup, reading);
        }
        bowl.act(setup, action);
    }
    for reading in trusted {
        bowl.read(setup, reading);
    }
    bowl.expire_burst(now);
    bowl.thermometer.edge = edge(setup, record, now);
    bowl.thermometer.stuck = stuck(readings, bowl.heating.calm_since);
    let newest = readings.iter().zip(&doubts).rev().find(|(r, _)| r.at <= now);
    bowl.thermometer.newest = newest.map(|(r, _)| r.temp);
    bowl.thermometer.newest_at = newest.map(|(r, doubt)| (r.at, *doubt));
    bowl.thermometer.doubts = doubts;
    bowl
}

/// The latest reading of the edge that is trusted.
fn edge(setup: &Setup, record: &Record, now: DateTime<Utc>) -> Option<Standing> {
    let readings = record.at_edge();
    let trusted = readings.iter().zip(doubts(readings, setup.opened, now)).rev();
    let mut trusted = trusted.filter(|(reading, doubt)| doubt.is_none() && reading.at <= now);
    trusted.next().map(|(reading, _)| Standing { temp: reading.temp, at: reading.at })
}
