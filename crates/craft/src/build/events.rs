//! What was done, and what was taken back.

use std::collections::HashSet;

use chrono::{DateTime, Utc};
use uuid::Uuid;

/// Something that happened in a build.
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
    /// A task was done.
    Done {
        /// The component's key.
        component: String,
        /// The task's key.
        task: String,
        /// For the finger's check: that the surface has become dry just now. The
        /// times that follow go by it.
        just_now: bool,
    },
    /// An earlier event did not happen.
    Undone {
        /// Which.
        event: Uuid,
    },
}

/// The events that stand: in order of time, each once, without what was undone.
pub(super) fn standing(events: &[Event]) -> Vec<&Event> {
    let undone: HashSet<Uuid> = events
        .iter()
        .filter_map(|e| match e.kind {
            EventKind::Undone { event } => Some(event),
            EventKind::Done { .. } => None,
        })
        .collect();
    let mut seen = HashSet::new();
    let mut standing: Vec<_> = events
        .iter()
        .filter(|e| matches!(e.kind, EventKind::Done { .. }) && !undone.contains(&e.id))
        .filter(|e| seen.insert(e.id))
        .collect();
    standing.sort_by_key(|e| e.at);
    standing
}

/// The latest event that stands: the one that can be taken back.
#[must_use]
pub fn last_standing(events: &[Event]) -> Option<Uuid> {
    let standing: HashSet<Uuid> = standing(events).iter().map(|e| e.id).collect();
    // As they arrived: two may have the same time.
    events.iter().rev().find(|e| standing.contains(&e.id)).map(|e| e.id)
}
