//! A bowl's readings and actions, put in order.

use std::collections::HashSet;

use chrono::{DateTime, Utc};
use uuid::Uuid;

use super::event::{Action, ActionKind, Reading};
use crate::units::TemperatureDifference;

/// Readings and actions in order of time, each once, without what was undone.
///
/// It does not matter in what order, or how often, they arrived:
///
/// ```
/// use craft::bowl::{Reading, Record, Source};
/// use craft::units::celsius;
/// use uuid::Uuid;
///
/// let at = |s| chrono::DateTime::from_timestamp(s, 0).unwrap();
/// let early = Reading { id: Uuid::from_u128(1), at: at(10), temp: celsius(46.0), source: Source::Probe };
/// let late = Reading { id: Uuid::from_u128(2), at: at(20), temp: celsius(45.8), source: Source::Probe };
/// let clean = Record::new(vec![early, late], vec![]);
/// assert_eq!(clean, Record::new(vec![late, early, late], vec![]));
/// ```
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Record {
    readings: Vec<Reading>,
    actions: Vec<Action>,
    undone: HashSet<Uuid>,
    offset: TemperatureDifference,
}

impl Record {
    /// Puts readings and actions in order.
    #[must_use]
    pub fn new(mut readings: Vec<Reading>, mut actions: Vec<Action>) -> Self {
        in_order_once(&mut readings, |r| (r.at, r.id));
        in_order_once(&mut actions, |a| (a.at, a.id));
        let undone = actions
            .iter()
            .filter_map(|a| match a.kind {
                ActionKind::Undone { action } => Some(action),
                _ => None,
            })
            .collect();
        Self { readings, actions, undone, offset: TemperatureDifference::default() }
    }

    /// The same with every reading, and each that is added, corrected by what the
    /// thermometer reads too little.
    #[must_use]
    pub fn corrected_by(mut self, offset: TemperatureDifference) -> Self {
        for reading in &mut self.readings {
            reading.temp = reading.temp - self.offset + offset;
        }
        self.offset = offset;
        self
    }

    /// Adds a reading as it was sent, wherever in time it belongs.
    pub fn add_reading(&mut self, mut reading: Reading) {
        reading.temp += self.offset;
        add_in_order(&mut self.readings, reading, |r| (r.at, r.id));
    }

    /// Adds an action, wherever in time it belongs.
    pub fn add_action(&mut self, action: Action) {
        if let ActionKind::Undone { action } = action.kind {
            self.undone.insert(action);
        }
        add_in_order(&mut self.actions, action, |a| (a.at, a.id));
    }

    /// Every reading, corrected, trusted or not.
    #[must_use]
    pub fn readings(&self) -> &[Reading] {
        &self.readings
    }

    /// The actions that stand: neither undone nor undoings.
    pub fn actions(&self) -> impl DoubleEndedIterator<Item = &Action> {
        self.actions.iter().filter(|a| {
            !matches!(a.kind, ActionKind::Undone { .. }) && !self.undone.contains(&a.id)
        })
    }

    /// Whether an action was recorded, be it undone since.
    #[must_use]
    pub fn has_action(&self, id: Uuid) -> bool {
        self.actions.iter().any(|a| a.id == id)
    }

    /// The latest action that stands: what "undo" takes back.
    #[must_use]
    pub fn last_action(&self) -> Option<&Action> {
        self.actions().next_back()
    }

    /// When the latest thing happened.
    #[must_use]
    pub fn last_at(&self) -> Option<DateTime<Utc>> {
        self.readings.last().map(|r| r.at).max(self.actions.last().map(|a| a.at))
    }
}

/// Sorts only where needed: records mostly arrive in order.
fn in_order_once<T>(items: &mut Vec<T>, key: impl Fn(&T) -> (DateTime<Utc>, Uuid)) {
    if !items.is_sorted_by_key(&key) {
        items.sort_by_key(&key);
    }
    items.dedup_by_key(|item| key(item).1);
}

fn add_in_order<T>(items: &mut Vec<T>, item: T, key: impl Fn(&T) -> (DateTime<Utc>, Uuid)) {
    let place = items.partition_point(|other| key(other) < key(&item));
    if items.get(place).is_none_or(|other| key(other).1 != key(&item).1) {
        items.insert(place, item);
    }
}
