//! A bowl's readings and actions, put in order.

use std::collections::{HashMap, HashSet};

use chrono::{DateTime, Utc};
use uuid::Uuid;

use super::event::{Action, ActionKind, Reading, Source};
use crate::units::{Temperature, TemperatureDifference};

/// Readings and actions in order of time, each once, without what was undone, and with
/// what was corrected since.
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
    /// Of the bowl's middle, sent or typed.
    readings: Vec<Reading>,
    /// Of its edge.
    at_edge: Vec<Reading>,
    /// Every entry, as it was made.
    entries: Vec<Action>,
    /// The actions that stand, with what was corrected.
    actions: Vec<Action>,
    /// Readings that were withdrawn, as they were sent.
    withdrawn: Vec<Reading>,
    offset: TemperatureDifference,
}

impl Record {
    /// Puts readings and actions in order.
    #[must_use]
    pub fn new(mut readings: Vec<Reading>, mut actions: Vec<Action>) -> Self {
        in_order_once(&mut readings, |r| (r.at, r.id));
        in_order_once(&mut actions, |a| (a.at, a.id));
        let (at_edge, readings) = readings.into_iter().partition(is_at_edge);
        let mut record = Self {
            readings,
            at_edge,
            entries: actions,
            actions: Vec::new(),
            withdrawn: Vec::new(),
            offset: TemperatureDifference::default(),
        };
        record.correct();
        record
    }

    /// Works out which entries stand. An undoing or a correction can be undone itself.
    fn correct(&mut self) {
        let undone: HashSet<Uuid> = self
            .entries
            .iter()
            .filter_map(|entry| match entry.kind {
                ActionKind::Undone { action } => Some(action),
                _ => None,
            })
            .collect();
        let stands = |entry: &&Action| !undone.contains(&entry.id);
        let mut weighed = HashMap::new();
        let mut withdrawn = HashSet::new();
        for entry in self.entries.iter().filter(stands) {
            match entry.kind {
                ActionKind::AmountCorrected { action, mass } => {
                    weighed.insert(action, mass);
                }
                ActionKind::ReadingWithdrawn { reading } => {
                    withdrawn.insert(reading);
                }
                _ => {}
            }
        }
        self.actions = self
            .entries
            .iter()
            .filter(stands)
            .filter(|entry| !entry.kind.is_about_the_record())
            .cloned()
            .map(|mut action| {
                if let Some(mass) = weighed.get(&action.id) {
                    action.kind.set_mass(*mass);
                }
                action
            })
            .collect();
        for reading in std::mem::take(&mut self.withdrawn) {
            add_in_order(self.list_of(&reading), reading, |r| (r.at, r.id));
        }
        if !withdrawn.is_empty() {
            for list in [&mut self.readings, &mut self.at_edge] {
                let (out, stay): (Vec<_>, _) =
                    std::mem::take(list).into_iter().partition(|r| withdrawn.contains(&r.id));
                *list = stay;
                self.withdrawn.extend(out);
            }
        }
    }

    fn list_of(&mut self, reading: &Reading) -> &mut Vec<Reading> {
        if is_at_edge(reading) { &mut self.at_edge } else { &mut self.readings }
    }

    /// The same with every reading, and each that is added, corrected by what the
    /// thermometer reads too little. A second one at the edge is another thermometer: what it is
    /// off by is not known here.
    #[must_use]
    pub fn corrected_by(mut self, offset: TemperatureDifference) -> Self {
        let withdrawn = self.withdrawn.iter_mut().filter(|reading| !is_at_edge(reading));
        for reading in self.readings.iter_mut().chain(withdrawn) {
            reading.temp = reading.temp - self.offset + offset;
        }
        self.offset = offset;
        self
    }

    /// One of its readings as the thermometer sent it.
    #[must_use]
    pub fn as_sent(&self, reading: &Reading) -> Reading {
        if is_at_edge(reading) {
            return *reading;
        }
        Reading { temp: reading.temp - self.offset, ..*reading }
    }

    /// Adds a reading as it was sent, wherever in time it belongs.
    pub fn add_reading(&mut self, mut reading: Reading) {
        if !is_at_edge(&reading) {
            reading.temp += self.offset;
        }
        let id = reading.id;
        add_in_order(self.list_of(&reading), reading, |r| (r.at, r.id));
        let withdraws = |entry: &Action| entry.kind == ActionKind::ReadingWithdrawn { reading: id };
        if self.entries.iter().any(withdraws) {
            self.correct();
        }
    }

    /// Adds an action, wherever in time it belongs.
    pub fn add_action(&mut self, action: Action) {
        add_in_order(&mut self.entries, action, |a| (a.at, a.id));
        self.correct();
    }

    /// Every entry as it was made, undoings and corrections among them.
    #[must_use]
    pub fn entries(&self) -> &[Action] {
        &self.entries
    }

    /// The readings that were withdrawn.
    #[must_use]
    pub fn withdrawn(&self) -> &[Reading] {
        &self.withdrawn
    }

    /// Every reading of the bowl's middle, corrected, trusted or not: what is gone by.
    #[must_use]
    pub fn readings(&self) -> &[Reading] {
        &self.readings
    }

    /// Every reading of a second thermometer at the bowl's edge, as it was sent.
    #[must_use]
    pub fn at_edge(&self) -> &[Reading] {
        &self.at_edge
    }

    /// The actions that stand, with what was corrected; neither undone nor undoings.
    pub fn actions(&self) -> impl DoubleEndedIterator<Item = &Action> {
        self.actions.iter()
    }

    /// When the melt was done.
    #[must_use]
    pub fn off_heat(&self) -> Option<DateTime<Utc>> {
        let off = self.actions().find(|action| matches!(action.kind, ActionKind::OffHeat));
        off.map(|action| action.at)
    }

    /// When it was first so cool after that.
    #[must_use]
    pub fn came_down_to(&self, temp: Temperature) -> Option<DateTime<Utc>> {
        let off = self.off_heat()?;
        self.readings().iter().find(|one| one.at >= off && one.temp <= temp).map(|one| one.at)
    }

    /// Whether an action was recorded, be it undone since.
    #[must_use]
    pub fn has_action(&self, id: Uuid) -> bool {
        self.entries.iter().any(|a| a.id == id)
    }

    /// Whether a reading was recorded, be it withdrawn since.
    #[must_use]
    pub fn has_reading(&self, id: Uuid) -> bool {
        self.readings.iter().chain(&self.at_edge).chain(&self.withdrawn).any(|r| r.id == id)
    }

    /// The latest action that stands: what "undo" takes back.
    #[must_use]
    pub fn last_action(&self) -> Option<&Action> {
        self.actions().next_back()
    }

    /// The latest reading that was typed: what "undo" takes back where nothing was done since.
    #[must_use]
    pub fn last_typed(&self) -> Option<&Reading> {
        self.readings.iter().rev().find(|reading| reading.source == Source::Hand)
    }

    /// When the latest thing happened.
    #[must_use]
    pub fn last_at(&self) -> Option<DateTime<Utc>> {
        let read = [self.readings.last(), self.at_edge.last()].into_iter().flatten();
        read.map(|r| r.at).max().max(self.entries.last().map(|a| a.at))
    }
}

fn is_at_edge(reading: &Reading) -> bool {
    reading.source.place().is_edge()
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
