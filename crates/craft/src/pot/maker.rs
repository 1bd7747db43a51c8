//! A simulated maker at a simulated pot: follows the coach, with human delay.
//!
//! Makes the records of the demo, and shows in tests and in the coach's harness
//! that the advice leads to where it says.

use chrono::{DateTime, TimeDelta, Utc};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use uuid::Uuid;

use super::{Condition, Pot, Probe, Quirks};
use crate::bowl::temper_test::TestTimes;
use crate::bowl::{
    Action, ActionKind, Ahead, Bowl, Heat, Phase, Reading, Record, Seen, Setup, Source, Temper,
    fold, look_ahead, time_delta,
};
use crate::coach::{Advice, Alarm, Rule, advise, not_tempered};
use crate::crystal::Smear;
use crate::heat::stone::worked_to;
use crate::method::Run;
use crate::units::{Time, celsius, grams, in_celsius, seconds};

/// A smear is looked at this often, s, once the first look is due.
const LOOKS_EVERY_S: i64 = 20;
/// How often a maker at work stirs, s.
const STIRS_EVERY_S: i64 = 25;
/// From hearing the limit's alarm to being back at the bowl.
const HEARD_AND_BACK: TimeDelta = TimeDelta::seconds(10);
/// Nobody is away for longer while a bowl goes cold.
const ALONE: TimeDelta = TimeDelta::minutes(30);
/// An evening ends after this long, s.
const LONGEST_S: usize = 10_800;

/// Something that goes wrong.
#[derive(Clone, Debug, PartialEq)]
pub enum Mishap {
    /// One burst is far too long, and the batch is given up for the reason.
    LongBurst {
        /// Its length, s.
        seconds: f64,
        /// What the maker wrote.
        reason: String,
    },
    /// The first smear shows streaks.
    FirstTestStreaks,
    /// Once it is melted and this warm nobody is there, until it is so cold, or for half an
    /// hour; then it is tried on the knife as it is.
    LeftToGoCold {
        /// Left from here, °C.
        from_c: f64,
        /// Until here, °C.
        to_c: f64,
    },
    /// Poured once as it comes down to this, °C, without a test that has passed, and taken
    /// back at once.
    PouredTooSoon {
        /// How warm it is then, °C.
        at_c: f64,
    },
}

/// How an evening goes.
#[derive(Clone, Debug, PartialEq)]
pub struct Evening {
    /// Makes ids, noise and delays its own.
    pub seed: u64,
    /// How often the thermometer is read, s.
    pub every_s: i64,
    /// How much the thermometer flickers, °C (standard deviation).
    pub noise_c: f64,
    /// How long until the hand gets there, s: at least and at most.
    pub delay_s: (i64, i64),
    /// How often something advised is missed, from 0 to 1.
    pub misses: f64,
    /// How often any other button is touched in place of what is asked for, from 0 to 1.
    pub foolish: f64,
    /// The kitchen it happens in.
    pub quirks: Quirks,
    /// What goes wrong, if anything.
    pub mishap: Option<Mishap>,
    /// Where to stop; at the end of the bowl's course if left out.
    pub stop_in: Option<Phase>,
}

impl Evening {
    /// A calm evening: a good thermometer, three to eight seconds until the hand
    /// gets there, nothing missed.
    #[must_use]
    pub fn calm(seed: u64) -> Self {
        Self {
            seed,
            every_s: 5,
            noise_c: Probe::USUAL_NOISE_C,
            delay_s: (3, 8),
            misses: 0.0,
            foolish: 0.0,
            quirks: Quirks::default(),
            mishap: None,
            stop_in: None,
        }
    }
}

/// What became of an evening.
#[derive(Clone, Debug)]
pub struct Told {
    /// What was read and done.
    pub record: Record,
    /// The pot as it was at the end, before any pour cooled it.
    pub pot: Pot,
    /// When it ended.
    pub ended: DateTime<Utc>,
    /// What was poured too soon, where that was the mishap.
    pub too_soon: Option<TooSoon>,
}

/// What was poured without a test that had passed.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct TooSoon {
    /// Whether it was said that it is not tempered, or not known to be.
    pub said: bool,
    /// How it really was.
    pub condition: Condition,
}

/// The record of an evening.
///
/// Ends at the pour, or after three hours.
#[must_use]
pub fn evening(run: &Run, how: &Evening) -> Told {
    evening_watched(run, how, |_| {})
}

/// What stands at one moment of an evening, seen and unseen.
#[derive(Clone, Copy, Debug)]
pub struct Glance<'a> {
    /// When.
    pub now: DateTime<Utc>,
    /// What the coach says.
    pub advice: &'a Advice,
    /// What the record tells of the bowl.
    pub bowl: &'a Bowl,
    /// What the readings tell of what is to come.
    pub ahead: &'a Ahead,
    /// How it really is.
    pub pot: &'a Pot,
}

/// The same, with a look at every piece of advice as it is given.
pub fn evening_watched(run: &Run, how: &Evening, mut watch: impl FnMut(Glance<'_>)) -> Told {
    let mut maker = Maker::new(run, how);
    for _ in 0..LONGEST_S {
        if maker.second(&mut watch) {
            break;
        }
    }
    Told { record: maker.record, pot: maker.pot, ended: maker.now, too_soon: maker.too_soon }
}

struct Maker<'a> {
    run: &'a Run,
    setup: &'a Setup,
    how: &'a Evening,
    pot: Pot,
    probe: Probe,
    /// A stream whose numbers are the same everywhere and for good.
    chance: ChaCha8Rng,
    smear: Option<Smear>,
    record: Record,
    now: DateTime<Utc>,
    /// What is about to be done, and when the hand gets there.
    meant: Option<(DateTime<Utc>, ActionKind)>,
    /// Called away until then.
    away_until: DateTime<Utc>,
    ids: u64,
    last_stir: DateTime<Utc>,
    /// Since when nobody is there while it goes cold.
    alone_since: Option<DateTime<Utc>>,
    /// It has gone cold, and is looked after again.
    was_cold: bool,
    too_soon: Option<TooSoon>,
}

impl<'a> Maker<'a> {
    fn new(run: &'a Run, how: &'a Evening) -> Self {
        let setup = &run.setup;
        let pot = Pot::with_quirks(setup, &how.quirks);
        Self {
            run,
            setup,
            how,
            probe: Probe::new(how.seed, pot.temperature(), how.noise_c)
                .lagging(how.quirks.probe_lag_s),
            chance: ChaCha8Rng::seed_from_u64(how.seed ^ 0x5EED),
            pot,
            smear: None,
            record: Record::default(),
            now: setup.opened,
            meant: None,
            away_until: setup.opened,
            ids: 0,
            last_stir: setup.opened,
            alone_since: None,
            was_cold: false,
            too_soon: None,
        }
    }

    fn id(&mut self) -> Uuid {
        self.ids += 1;
        Uuid::from_u64_pair(self.how.seed, self.ids)
    }

    /// One second of the evening; `true` where it is over.
    fn second(&mut self, watch: &mut impl FnMut(Glance<'_>)) -> bool {
        self.now += TimeDelta::seconds(1);
        self.pot.wait(1.0);
        self.probe.settle(&self.pot, 1.0);
        let passed = (self.now - self.setup.opened).num_seconds();
        if passed % self.how.every_s == 0 {
            let said = self.probe.says();
            self.read(said, Source::Probe);
        }
        if let Some((_, kind)) = self.meant.take_if(|(due, _)| *due <= self.now)
            && self.act(kind)
        {
            return true;
        }
        if self.meant.is_some() && passed % self.how.every_s != 0 {
            return false;
        }
        let bowl = fold(self.setup, &self.record, self.now);
        if bowl.ended() || self.how.stop_in == Some(bowl.phase) {
            return true;
        }
        let ahead = look_ahead(self.setup, &self.record, &bowl);
        let advice = advise(self.run, &bowl, &ahead, self.now);
        let (now, pot) = (self.now, &self.pot);
        watch(Glance { now, advice: &advice, bowl: &bowl, ahead: &ahead, pot });
        if self.is_left_alone(&bowl) {
            return false;
        }
        self.pour_too_soon(&bowl);
        if advice.alarm == Some(Alarm::Limit) {
            // It is heard, wherever the maker was called to.
            self.away_until = self.away_until.min(self.now + HEARD_AND_BACK);
        }
        if self.meant.is_none()
            && self.now >= self.away_until
            && let Some(kind) = self.decide(&bowl, &advice).map(|asked| self.or_another(asked))
        {
            let (least, most) = self.how.delay_s;
            if self.chance.random_bool(self.how.misses) {
                self.away_until = self.now + TimeDelta::seconds(self.chance.random_range(20..=60));
            } else {
                let delay = self.chance.random_range(least..=most);
                self.meant = Some((self.now + TimeDelta::seconds(delay), kind));
            }
        }
        false
    }

    /// Whether nobody is at the bowl while it goes cold; who comes back tries it as it is.
    fn is_left_alone(&mut self, bowl: &Bowl) -> bool {
        let Some(Mishap::LeftToGoCold { from_c, to_c }) = self.how.mishap else { return false };
        let temp_c = in_celsius(self.pot.temperature());
        let begins = bowl.phase != Phase::Melting && temp_c <= from_c;
        if self.was_cold || !(begins || self.alone_since.is_some()) {
            return false;
        }
        let since = *self.alone_since.get_or_insert(self.now);
        if temp_c <= to_c || self.now - since >= ALONE {
            self.was_cold = true;
            let tested = self.setup.course.is_tested;
            self.meant = tested.then_some((self.now, ActionKind::TestStarted));
        }
        true
    }

    /// Pours before a test has passed, hears what is said of it, and takes it back.
    fn pour_too_soon(&mut self, bowl: &Bowl) {
        let Some(Mishap::PouredTooSoon { at_c }) = self.how.mishap else { return };
        let is_there = bowl.phase != Phase::Melting && in_celsius(self.pot.temperature()) <= at_c;
        if self.too_soon.is_some() || !is_there || matches!(bowl.temper, Temper::Shown { .. }) {
            return;
        }
        let poured = Action { id: self.id(), at: self.now, kind: ActionKind::Poured };
        let action = poured.id;
        self.record.add_action(poured);
        let after = fold(self.setup, &self.record, self.now);
        let said = not_tempered(self.setup, &after).is_some();
        self.too_soon = Some(TooSoon { said, condition: self.pot.condition() });
        let undone = ActionKind::Undone { action };
        let undone = Action { id: self.id(), at: self.now, kind: undone };
        self.record.add_action(undone);
    }

    fn read(&mut self, temp_c: f64, source: Source) {
        let reading = Reading { id: self.id(), at: self.now, temp: celsius(temp_c), source };
        self.record.add_reading(reading);
    }

    /// Does it; `true` where that ends the evening.
    fn act(&mut self, kind: ActionKind) -> bool {
        if matches!(
            kind,
            ActionKind::Stirred
                | ActionKind::SeedAdded { .. }
                | ActionKind::CrystalsAdded { .. }
                | ActionKind::OffStone
                | ActionKind::ColourIn
                | ActionKind::Strained
        ) {
            self.last_stir = self.now;
        }
        if kind == ActionKind::TestStarted {
            self.smear = Some(self.pot.smear());
        }
        let ends = matches!(kind, ActionKind::Poured | ActionKind::GivenUp { .. });
        if !ends {
            self.pot.act(&kind);
        }
        let action = Action { id: self.id(), at: self.now, kind };
        self.record.add_action(action);
        ends
    }

    /// What is asked for, or, now and then, any button that stands beside it.
    fn or_another(&mut self, asked: ActionKind) -> ActionKind {
        let ends = matches!(asked, ActionKind::Poured | ActionKind::GivenUp { .. });
        // Who never errs draws no lot: the same evening stays the same.
        if ends || self.how.foolish <= 0.0 || !self.chance.random_bool(self.how.foolish) {
            return asked;
        }
        let beside = [
            ActionKind::Stirred,
            ActionKind::OffHeat,
            ActionKind::Heat { lasting: Some(seconds(5.0)) },
            ActionKind::Heat { lasting: Some(seconds(15.0)) },
            ActionKind::TooThick,
            ActionKind::TestStarted,
            ActionKind::SeedAdded { mass: grams(10.0) },
        ];
        let offered = match self.setup.course.is_tested {
            true => beside.len(),
            false => 4,
        };
        beside[self.chance.random_range(0..offered)].clone()
    }

    fn stir(&self) -> Option<ActionKind> {
        let since = (self.now - self.last_stir).num_seconds();
        (since > STIRS_EVERY_S).then_some(ActionKind::Stirred)
    }

    fn decide(&mut self, bowl: &Bowl, advice: &Advice) -> Option<ActionKind> {
        if matches!(self.how.mishap, Some(Mishap::LongBurst { .. }))
            && matches!(bowl.heating.heat, Heat::Burst { .. })
        {
            // Called away from the kitchen: that is the mishap.
            return None;
        }
        match advice.rule {
            Rule::Warm => match &self.how.mishap {
                Some(Mishap::LongBurst { seconds: s, .. })
                    if bowl.thermometer.latest.is_some_and(|l| in_celsius(l.temp) > 30.0) =>
                {
                    Some(ActionKind::Heat { lasting: Some(seconds(*s)) })
                }
                _ => advice.asks.clone().or(Some(ActionKind::Heat { lasting: None })),
            },
            Rule::NotYetMelted
            | Rule::Rewarm
            | Rule::WarmColour
            | Rule::Thickening
            | Rule::WarmBack
            | Rule::OverSeeded => advice.asks.clone(),
            Rule::StopBeforeMelt => match bowl.heating.heat {
                Heat::On { .. } => Some(ActionKind::OffHeat),
                // Stirring has its time first.
                _ => self.stir().or_else(|| {
                    (bowl.last_stir >= bowl.heating.calm_since
                        && self.now - self.last_stir > TimeDelta::seconds(15))
                    .then_some(ActionKind::OffHeat)
                }),
            },
            Rule::Melted | Rule::LimitNear => Some(ActionKind::OffHeat),
            Rule::AddSeed | Rule::MoreSeed | Rule::NotInTemper | Rule::TemperLost => {
                advice.asks.clone().or_else(|| self.stir())
            }
            Rule::AddCrystals | Rule::PourOnStone | Rule::OutOfWater | Rule::OffPad => {
                advice.asks.clone()
            }
            Rule::WorkOnStone => self.work_on_stone(advice),
            Rule::StirringMissing => Some(ActionKind::Stirred),
            Rule::Soften => Some(ActionKind::Heat { lasting: None }),
            Rule::WorkInColour => Some(ActionKind::ColourIn),
            Rule::Strain => Some(ActionKind::Strained),
            Rule::StirIn
            | Rule::StirDown
            | Rule::StirAfterHeat
            | Rule::CoolToGate
            | Rule::Spread
            | Rule::Plateau
            | Rule::TooWarmToPour => self.stir(),
            Rule::TestNow => Some(ActionKind::TestStarted),
            Rule::WatchSmear | Rule::JudgeSmear => self.look(bowl).or_else(|| self.stir()),
            Rule::Pour | Rule::LeavingBand | Rule::UseNow => Some(ActionKind::Poured),
            Rule::LimitPassed => match &self.how.mishap {
                Some(Mishap::LongBurst { reason, .. }) => {
                    Some(ActionKind::GivenUp { reason: reason.clone() })
                }
                _ => Some(ActionKind::OffHeat),
            },
            Rule::ProbeTrouble => {
                // Looks at another thermometer, and types what it says.
                let said = in_celsius(self.pot.temperature());
                self.read((said * 10.0).round() / 10.0, Source::Hand);
                None
            }
            Rule::ReadThermometer | Rule::Heating | Rule::Poured | Rule::GivenUp => None,
        }
    }

    /// Feels when it thickens and drags, or goes by the clock.
    fn work_on_stone(&self, advice: &Advice) -> Option<ActionKind> {
        let to = worked_to(&self.setup.chocolate, self.setup.stone);
        let drags = self.pot.on_stone().is_none_or(|temp| temp <= to);
        (drags || advice.countdown.is_none()).then_some(ActionKind::OffStone)
    }

    /// What the smear looks like, once that says something.
    fn look(&self, bowl: &Bowl) -> Option<ActionKind> {
        let test = bowl.test?;
        let age = (self.now - test.started).num_seconds();
        let times = TestTimes::of(self.setup.chocolate.family);
        let [first_s, last_s] =
            [times.first_look, times.last_look].map(|time| time_delta(time).num_seconds());
        if age < first_s || age % LOOKS_EVERY_S >= self.how.every_s {
            return None;
        }
        let mut looks = self.record.actions().map(|action| &action.kind);
        if self.how.mishap == Some(Mishap::FirstTestStreaks)
            && !looks.any(|kind| matches!(kind, ActionKind::TestSeen { .. }))
        {
            return (age >= 2 * first_s)
                .then_some(ActionKind::TestSeen { seen: Seen::Streaks, dull_for: None });
        }
        #[allow(clippy::cast_precision_loss)] // minutes
        let seen = self.smear?.look(seconds(age as f64));
        // Whoever watches all the time sees it turn.
        (seen != Seen::StillWet || age >= last_s).then_some(ActionKind::TestSeen {
            seen,
            dull_for: (seen == Seen::EvenSatin).then(Time::default),
        })
    }
}
