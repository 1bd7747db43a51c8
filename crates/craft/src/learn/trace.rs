//! A record's trusted readings beside its actions.

use chrono::{DateTime, TimeDelta, Utc};

use crate::bowl::{Action, ActionKind, Record, Setup, fold, time_delta};
use crate::units::{Mass, in_celsius, in_seconds};

/// A record of which more than this share is doubted teaches nothing.
const MOST_DOUBTED: f64 = 0.1;
/// A burst that is stirred in at once shows after this long.
const STIRRED_IN: TimeDelta = TimeDelta::seconds(8);
/// A burst is judged by readings up to this long before it…
pub(super) const BEFORE: TimeDelta = TimeDelta::seconds(25);
/// …and in this time after it, once it is stirred in.
pub(super) const AFTER: [TimeDelta; 2] = [TimeDelta::seconds(20), TimeDelta::seconds(60)];

/// A record's trusted readings beside its actions.
pub(super) struct Trace<'a> {
    pub(super) setup: &'a Setup,
    pub(super) readings: Vec<(DateTime<Utc>, f64)>,
    pub(super) actions: Vec<&'a Action>,
    /// Whatever is done from here on is done to molten chocolate; the number of
    /// the first such action.
    pub(super) melt_ends: usize,
}

impl<'a> Trace<'a> {
    pub(super) fn of(setup: &'a Setup, record: &'a Record, now: DateTime<Utc>) -> Option<Self> {
        let bowl = fold(setup, record, now);
        let readings: Vec<_> = record
            .readings()
            .iter()
            .zip(&bowl.thermometer.doubts)
            .filter(|(_, doubt)| doubt.is_none())
            .map(|(reading, _)| (reading.at, in_celsius(reading.temp)))
            .collect();
        #[allow(clippy::cast_precision_loss)] // a record never has 2^52 readings
        let doubted = 1.0 - readings.len() as f64 / record.readings().len().max(1) as f64;
        if readings.is_empty() || bowl.thermometer.stuck || doubted > MOST_DOUBTED {
            return None;
        }
        let actions: Vec<_> = record.actions().collect();
        let further = |action: &&Action| {
            matches!(
                action.kind,
                ActionKind::SeedAdded { .. }
                    | ActionKind::CrystalsAdded { .. }
                    | ActionKind::OnStone { .. }
                    | ActionKind::TestStarted
                    | ActionKind::Poured
                    | ActionKind::GivenUp { .. }
            )
        };
        let further = actions.iter().position(further).unwrap_or(actions.len());
        // The last time it was taken off the heat before that.
        let off = actions[..further].iter().rposition(|a| a.kind == ActionKind::OffHeat);
        let melt_ends = off.map_or(further, |off| off + 1);
        Some(Self { setup, readings, actions, melt_ends })
    }

    /// Trusted readings in a stretch of time.
    pub(super) fn between(
        &self,
        from: DateTime<Utc>,
        to: DateTime<Utc>,
    ) -> impl Iterator<Item = (DateTime<Utc>, f64)> + Clone {
        self.readings.iter().copied().filter(move |(at, _)| (from..=to).contains(at))
    }

    pub(super) fn mean(&self, from: DateTime<Utc>, to: DateTime<Utc>) -> Option<f64> {
        let (n, sum) = self
            .between(from, to)
            .fold((0.0, 0.0), |(n, sum), (_, temp_c)| (n + 1.0, sum + temp_c));
        (n > 0.0).then(|| sum / n)
    }

    /// What it evened out at after a burst; soon after it, where something else was
    /// done at once.
    pub(super) fn settled(&self, end: DateTime<Utc>, undisturbed: DateTime<Utc>) -> Option<f64> {
        let until = undisturbed.min(end + AFTER[1]);
        self.mean(end + AFTER[0], until).or_else(|| self.mean(end + STIRRED_IN, until))
    }

    /// The burst that an action is: its start, its end, its length in seconds.
    pub(super) fn burst(action: &Action) -> Option<(DateTime<Utc>, DateTime<Utc>, f64)> {
        let ActionKind::Heat { lasting: Some(lasting) } = action.kind else { return None };
        Some((action.at, action.at + time_delta(lasting), in_seconds(lasting)))
    }

    /// When the bowl is next disturbed after a time, by an action from a number on.
    pub(super) fn disturbed_after(&self, number: usize, at: DateTime<Utc>) -> DateTime<Utc> {
        let next = self.actions[number..]
            .iter()
            .find(|a| a.at > at && (a.kind.disturbs_cooling() || is_crystals(&a.kind)));
        let last = self.readings.last().map_or(at, |(last, _)| *last);
        next.map_or(last, |action| action.at)
    }

    /// What is in the bowl before an action.
    pub(super) fn mass_before(&self, number: usize) -> Mass {
        self.actions[..number].iter().fold(self.setup.melted, |mass, action| match action.kind {
            ActionKind::SeedAdded { mass: added } => mass + added,
            _ => mass,
        })
    }
}

pub(super) fn is_crystals(kind: &ActionKind) -> bool {
    matches!(kind, ActionKind::CrystalsAdded { .. })
}
