//! A simulated maker at a simulated pot: follows the coach, with human delay.
//!
//! Makes the records of the demo, and shows in tests that the advice leads to
//! where it says.

use chrono::{DateTime, TimeDelta, Utc};
use uuid::Uuid;

use super::{Pot, Probe};
use crate::bowl::coach::{Rule, advise};
use crate::bowl::{
    Action, ActionKind, Heat, Phase, Reading, Record, Seen, Setup, Source, fold, forecast,
};
use crate::units::{celsius, in_celsius, seconds};

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
}

/// How an evening goes.
#[derive(Clone, Debug, PartialEq)]
pub struct Evening {
    /// Makes ids, noise and delays its own.
    pub seed: u64,
    /// How often the thermometer is read, s.
    pub every_s: i64,
    /// What goes wrong, if anything.
    pub mishap: Option<Mishap>,
    /// Where to stop; at the end of the bowl's course if left out.
    pub stop_in: Option<Phase>,
}

/// The record of an evening.
///
/// Ends at the pour, or after two hours.
#[must_use]
pub fn evening(setup: &Setup, how: &Evening) -> Record {
    let mut maker = Maker::new(setup, how);
    for _ in 0..7_200 {
        if maker.second() {
            break;
        }
    }
    maker.record
}

struct Maker<'a> {
    setup: &'a Setup,
    how: &'a Evening,
    pot: Pot,
    probe: Probe,
    record: Record,
    now: DateTime<Utc>,
    /// What is about to be done, and when the hand gets there.
    meant: Option<(DateTime<Utc>, ActionKind)>,
    ids: u64,
    last_stir: DateTime<Utc>,
}

impl<'a> Maker<'a> {
    fn new(setup: &'a Setup, how: &'a Evening) -> Self {
        let pot = Pot::new(setup);
        Self {
            setup,
            how,
            probe: Probe::new(how.seed, pot.temperature()),
            pot,
            record: Record::default(),
            now: setup.opened,
            meant: None,
            ids: 0,
            last_stir: setup.opened,
        }
    }

    fn id(&mut self) -> Uuid {
        self.ids += 1;
        Uuid::from_u64_pair(self.how.seed, self.ids)
    }

    /// One second of the evening; `true` where it is over.
    fn second(&mut self) -> bool {
        self.now += TimeDelta::seconds(1);
        self.pot.wait(1.0);
        self.probe.settle(&self.pot, 1.0);
        let passed = (self.now - self.setup.opened).num_seconds();
        if passed % self.how.every_s == 0 {
            let reading = Reading {
                id: self.id(),
                at: self.now,
                temp: celsius(self.probe.says()),
                source: Source::Probe,
            };
            self.record.add_reading(reading);
        }
        if let Some((due, kind)) = self.meant.take_if(|(due, _)| *due <= self.now) {
            debug_assert!(due <= self.now);
            self.act(kind);
        }
        let bowl = fold(self.setup, &self.record, self.now);
        if bowl.ended() || self.how.stop_in == Some(bowl.phase) {
            return true;
        }
        if self.meant.is_none()
            && let Some(kind) = self.decide(&bowl)
        {
            // Between three and eight seconds until the hand gets there.
            let delay = 3 + (self.now.timestamp().unsigned_abs() + self.how.seed) % 6;
            self.meant = Some((self.now + TimeDelta::seconds(delay.cast_signed()), kind));
        }
        false
    }

    fn act(&mut self, kind: ActionKind) {
        if matches!(kind, ActionKind::Stirred | ActionKind::SeedAdded { .. }) {
            self.last_stir = self.now;
        }
        self.pot.act(&kind);
        let action = Action { id: self.id(), at: self.now, kind };
        self.record.add_action(action);
    }

    fn decide(&self, bowl: &crate::bowl::Bowl) -> Option<ActionKind> {
        if matches!(self.how.mishap, Some(Mishap::LongBurst { .. }))
            && matches!(bowl.heat, Heat::Burst { .. })
        {
            // Called away from the kitchen: that is the mishap.
            return None;
        }
        let ahead = forecast(self.setup, &self.record, bowl).ok();
        let advice = advise(self.setup, bowl, ahead.as_ref(), self.now);
        let stir =
            || (self.now - self.last_stir > TimeDelta::seconds(25)).then_some(ActionKind::Stirred);
        match advice.rule {
            Rule::Warm => match &self.how.mishap {
                Some(Mishap::LongBurst { seconds: s, .. })
                    if bowl.latest.is_some_and(|l| in_celsius(l.temp) > 30.0) =>
                {
                    Some(ActionKind::Heat { lasting: Some(seconds(*s)) })
                }
                _ => Some(ActionKind::Heat { lasting: advice.heat }),
            },
            Rule::NotYetMelted | Rule::Rewarm | Rule::Thickening | Rule::LeavingBand => {
                if bowl.phase == Phase::Working && advice.rule == Rule::LeavingBand {
                    Some(ActionKind::Poured)
                } else {
                    Some(ActionKind::Heat { lasting: advice.heat })
                }
            }
            Rule::StirAfterHeat => stir(),
            Rule::StopBeforeMelt => stir().or_else(|| {
                // Stirring has had its time and it is not there yet.
                (self.now - self.last_stir > TimeDelta::seconds(15))
                    .then_some(ActionKind::Heat { lasting: Some(seconds(5.0)) })
            }),
            Rule::Melted => Some(ActionKind::OffHeat),
            Rule::AddSeed | Rule::MoreSeed | Rule::NotInTemper | Rule::TemperLost => {
                advice.seed.map(|mass| ActionKind::SeedAdded { mass })
            }
            Rule::StirIn | Rule::StirDown | Rule::TooWarmToPour => stir(),
            Rule::TestNow => Some(ActionKind::TestStarted),
            Rule::WatchSmear | Rule::JudgeSmear => self.look(bowl).or_else(stir),
            Rule::Pour => Some(ActionKind::Poured),
            Rule::LimitPassed => match &self.how.mishap {
                Some(Mishap::LongBurst { reason, .. }) => {
                    Some(ActionKind::GivenUp { reason: reason.clone() })
                }
                _ => Some(ActionKind::OffHeat),
            },
            Rule::ReadThermometer
            | Rule::Heating
            | Rule::Top
            | Rule::LeaveToSet
            | Rule::Cut
            | Rule::LeaveToShrink
            | Rule::Release
            | Rule::DoesNotSet
            | Rule::GivenUp => None,
        }
    }

    fn look(&self, bowl: &crate::bowl::Bowl) -> Option<ActionKind> {
        let test = bowl.test?;
        let age = self.now - test.started;
        let tests_before =
            self.record.actions().filter(|a| matches!(a.kind, ActionKind::TestSeen { .. })).count();
        let streaks = self.how.mishap == Some(Mishap::FirstTestStreaks) && tests_before == 0;
        let due = TimeDelta::seconds(if streaks { 230 } else { 140 });
        (age > due).then_some(ActionKind::TestSeen {
            seen: if streaks { Seen::Streaks } else { Seen::SetsFromEdge },
        })
    }
}
