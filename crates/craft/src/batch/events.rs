//! What was done, and what was taken back.

use std::collections::{BTreeMap, BTreeSet, HashSet};

use chrono::{DateTime, Utc};
use uuid::Uuid;

use crate::steps::Line;

/// Something that happened in a batch.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Event {
    /// Made by the sender, so that sending twice is sending once.
    pub id: Uuid,
    /// When.
    pub at: DateTime<Utc>,
    /// What.
    pub kind: EventKind,
}

/// What happened.
#[derive(Clone, Debug, PartialEq, Eq)]
pub enum EventKind {
    /// A step was done.
    Done {
        /// The step's key.
        step: String,
        /// For the finger's check: that the surface has become dry just now. The
        /// times that follow go by it.
        just_now: bool,
    },
    /// An earlier event did not happen.
    Undone {
        /// Which.
        event: Uuid,
    },
    /// It was begun by mistake: what was done up to here does not count.
    StartedOver,
}

/// The events that stand: in order of time, each once, without what was undone or came
/// before a new start. A new start can be undone too.
pub(super) fn standing(events: &[Event]) -> Vec<&Event> {
    let undone: HashSet<Uuid> = events
        .iter()
        .filter_map(|e| match e.kind {
            EventKind::Undone { event } => Some(event),
            EventKind::Done { .. } | EventKind::StartedOver => None,
        })
        .collect();
    let stands = |e: &&Event| !undone.contains(&e.id);
    let over = events
        .iter()
        .rposition(|e| e.kind == EventKind::StartedOver && stands(&e))
        .map_or(0, |last| last + 1);
    let mut seen = HashSet::new();
    let mut standing: Vec<_> = events[over..]
        .iter()
        .filter(|e| matches!(e.kind, EventKind::Done { .. }))
        .filter(stands)
        .filter(|e| seen.insert(e.id))
        .collect();
    standing.sort_by_key(|e| e.at);
    standing
}

/// The components of which something was done, by key: what goes into them has left the shelf.
#[must_use]
pub fn begun<'l>(lines: &'l [Line], events: &[Event]) -> BTreeSet<&'l str> {
    let done: HashSet<&str> = standing(events)
        .into_iter()
        .filter_map(|event| match &event.kind {
            EventKind::Done { step, .. } => Some(step.as_str()),
            EventKind::Undone { .. } | EventKind::StartedOver => None,
        })
        .collect();
    let has_begun = |line: &&Line| line.steps.iter().any(|step| done.contains(step.key.as_str()));
    lines.iter().filter(has_begun).filter_map(Line::component).collect()
}

/// The event by which each step is done that is, by the step's key.
#[must_use]
pub fn done_by(events: &[Event]) -> BTreeMap<&str, Uuid> {
    let done = standing(events).into_iter().filter_map(|event| match &event.kind {
        EventKind::Done { step, .. } => Some((step.as_str(), event.id)),
        EventKind::Undone { .. } | EventKind::StartedOver => None,
    });
    done.collect()
}

/// Whether it was packed: boxes and bags have left the shelf. Counting comes before that.
#[must_use]
pub fn is_packed(lines: &[Line], events: &[Event]) -> bool {
    let Some(packing) = lines.iter().find(|line| line.is_packing()) else { return false };
    let counted = packing.steps.iter().take_while(|step| step.task() != "pack").count();
    let packs = &packing.steps[counted..];
    standing(events).into_iter().any(|event| match &event.kind {
        EventKind::Done { step, .. } => packs.iter().any(|known| known.key == *step),
        EventKind::Undone { .. } | EventKind::StartedOver => false,
    })
}

/// The latest event that stands: the one that can be taken back.
#[must_use]
pub fn last_standing(events: &[Event]) -> Option<Uuid> {
    let standing: HashSet<Uuid> = standing(events).iter().map(|e| e.id).collect();
    // As they arrived: two may have the same time.
    let done = events.iter().rev().find(|e| standing.contains(&e.id)).map(|e| e.id);
    done.or_else(|| {
        let undone = |id: Uuid| events.iter().any(|e| e.kind == EventKind::Undone { event: id });
        events
            .iter()
            .rev()
            .find(|e| e.kind == EventKind::StartedOver && !undone(e.id))
            .map(|e| e.id)
    })
}
