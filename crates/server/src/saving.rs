//! How far an archive is that is being written.

use std::collections::VecDeque;
use std::sync::atomic::{AtomicU64, Ordering};
use std::sync::{Arc, Mutex, MutexGuard, OnceLock, PoisonError};

use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

/// So many are remembered, the latest.
const REMEMBERED: usize = 32;

/// How it ended.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Writing {
    /// It goes on.
    UnderWay,
    /// All of it is in the file.
    Finished,
    /// It broke off: the file is torn.
    BrokenOff,
}

/// How far one archive is.
#[derive(Debug, Default)]
pub struct Progress {
    rows: AtomicU64,
    of: AtomicU64,
    ended: OnceLock<bool>,
}

impl Progress {
    /// So many rows there are.
    pub fn expect(&self, rows: u64) {
        self.of.store(rows, Ordering::Relaxed);
    }

    /// One more row is written.
    pub fn step(&self) {
        self.rows.fetch_add(1, Ordering::Relaxed);
    }

    /// It ended, well or not.
    pub fn end(&self, well: bool) {
        // It ends once.
        let _ = self.ended.set(well);
    }

    /// As it is now.
    #[must_use]
    pub fn now(&self) -> (u64, u64, Writing) {
        let writing = match self.ended.get() {
            None => Writing::UnderWay,
            Some(true) => Writing::Finished,
            Some(false) => Writing::BrokenOff,
        };
        (self.rows.load(Ordering::Relaxed), self.of.load(Ordering::Relaxed), writing)
    }
}

/// The archives that are, or were lately, being written, by the ids they were asked for with.
#[derive(Debug, Default)]
pub struct Archives(Mutex<VecDeque<(Uuid, Arc<Progress>)>>);

impl Archives {
    /// One more begins.
    pub fn begin(&self, id: Uuid) -> Arc<Progress> {
        let progress = Arc::<Progress>::default();
        let mut all = self.all();
        all.retain(|(other, _)| *other != id);
        if all.len() >= REMEMBERED {
            all.pop_front();
        }
        all.push_back((id, progress.clone()));
        progress
    }

    /// The one that was asked for with an id.
    #[must_use]
    pub fn of(&self, id: Uuid) -> Option<Arc<Progress>> {
        self.all().iter().find(|(other, _)| *other == id).map(|(_, progress)| progress.clone())
    }

    fn all(&self) -> MutexGuard<'_, VecDeque<(Uuid, Arc<Progress>)>> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_latest_are_remembered_each_as_it_ended() {
        let archives = Archives::default();
        let first = Uuid::from_u128(0);
        let progress = archives.begin(first);
        progress.expect(2);
        progress.step();
        assert_eq!(archives.of(first).expect("there").now(), (1, 2, Writing::UnderWay));
        progress.step();
        progress.end(true);
        progress.end(false);
        assert_eq!(archives.of(first).expect("there").now(), (2, 2, Writing::Finished));
        for n in 1..=REMEMBERED {
            archives.begin(Uuid::from_u128(n as u128)).end(false);
        }
        assert!(archives.of(first).is_none());
        let last = archives.of(Uuid::from_u128(REMEMBERED as u128)).expect("there");
        assert_eq!(last.now().2, Writing::BrokenOff);
    }
}
