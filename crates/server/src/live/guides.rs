//! The guides that are watched: one telling each, however many screens listen.

use std::collections::HashMap;
use std::sync::{Arc, Mutex};

use tokio::sync::{Notify, watch};
use uuid::Uuid;

use super::Told;

/// A guide that is watched.
#[derive(Debug)]
struct Watched {
    told: watch::Receiver<Told>,
    happened: Arc<Notify>,
}

/// The guides that are watched, by batch.
#[derive(Debug, Default)]
pub struct Guides(Mutex<HashMap<Uuid, Watched>>);

impl Guides {
    /// What is told of a batch's guide, where that goes on.
    #[must_use]
    pub fn going(&self, batch_id: Uuid) -> Option<watch::Receiver<Told>> {
        let mut watched = self.0.lock().ok()?;
        watched.retain(|_, one| one.told.has_changed().is_ok());
        watched.get(&batch_id).map(|one| one.told.clone())
    }

    /// Begins to tell; what is given back is said when something happens to the batch.
    pub fn begin(&self, batch_id: Uuid, told: watch::Receiver<Told>) -> Arc<Notify> {
        let happened = Arc::new(Notify::new());
        if let Ok(mut watched) = self.0.lock() {
            watched.insert(batch_id, Watched { told, happened: happened.clone() });
        }
        happened
    }

    /// Something happened to a batch.
    pub fn touch(&self, batch_id: Uuid) {
        if let Some(one) = self.0.lock().ok().as_ref().and_then(|watched| watched.get(&batch_id)) {
            one.happened.notify_one();
        }
    }
}
