//! Tells everyone who watches a bowl that something happened to it.

use std::collections::HashMap;
use std::sync::Mutex;

use craft::bowl::{Action, Reading};
use tokio::sync::broadcast;
use uuid::Uuid;

/// How many happenings a slow watcher may lag behind before it reads the whole
/// record again.
const BACKLOG: usize = 256;

/// Something that happened to a bowl.
#[derive(Clone, Debug)]
pub enum Happening {
    /// A reading was kept.
    Reading(Reading),
    /// An action was kept.
    Action(Action),
    /// Its clock or thermometer was set.
    Clock,
}

/// The watchers of every bowl.
#[derive(Debug, Default)]
pub struct Hub(Mutex<HashMap<Uuid, broadcast::Sender<Happening>>>);

impl Hub {
    /// Watches a bowl from now on.
    pub fn watch(&self, bowl_id: Uuid) -> broadcast::Receiver<Happening> {
        let Ok(mut watched) = self.0.lock() else {
            // A poisoned lock means another thread died here; a closed channel
            // makes the watcher read anew.
            return broadcast::channel(1).1;
        };
        watched.retain(|_, sender| sender.receiver_count() > 0);
        watched.entry(bowl_id).or_insert_with(|| broadcast::channel(BACKLOG).0).subscribe()
    }

    /// Tells a bowl's watchers.
    pub fn tell(&self, bowl_id: Uuid, happening: Happening) {
        if let Ok(watched) = self.0.lock()
            && let Some(sender) = watched.get(&bowl_id)
        {
            // No one is listening any more: nothing to do.
            let _ = sender.send(happening);
        }
    }
}
