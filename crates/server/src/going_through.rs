//! Who is working out what batches are found by, and what is known of all of them.

use std::sync::Arc;
use std::sync::atomic::{AtomicBool, Ordering};

use craft::logbook::Case;
use store::findings::{BowlFit, FoundOf, Looked};
use tokio::sync::Mutex;

/// Everything that was made and looked at, and how well forecasts fitted: of all batches together.
#[derive(Debug)]
pub struct OfAll {
    pub(crate) of: FoundOf,
    /// What was made and looked at, the first first.
    pub looked: Vec<Looked>,
    /// How well forecasts fitted, bowl by bowl.
    pub fits: Vec<BowlFit>,
}

impl OfAll {
    /// The cases that the log is compared by.
    pub fn cases(&self) -> Vec<Case> {
        self.looked.iter().map(|one| one.case).collect()
    }
}

/// Who is working out what batches are found by, and what is known of all of them.
#[derive(Debug, Default)]
pub struct GoingThrough {
    pub(crate) turn: Mutex<()>,
    behind: AtomicBool,
    pub(crate) of_all: Mutex<Option<Arc<OfAll>>>,
}

impl GoingThrough {
    /// Begins to go through it in the background; nothing where somebody is at it already.
    pub(crate) fn begin_behind(self: &Arc<Self>) -> Option<Behind> {
        let begun = !self.behind.swap(true, Ordering::AcqRel);
        begun.then(|| Behind(self.clone()))
    }
}

/// Somebody is at it in the background until this is dropped.
pub(crate) struct Behind(Arc<GoingThrough>);

impl Drop for Behind {
    fn drop(&mut self) {
        self.0.behind.store(false, Ordering::Release);
    }
}
