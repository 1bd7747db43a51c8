//! Logs that thermometers' own programs append to: each watched for a bowl, from the moment the
//! maker says so.
//!
//! A log is looked at once a second, by its size and time: that works on any disk and any share,
//! where notices of changes do not.

mod file;
mod follow;

use std::collections::HashMap;
use std::path::PathBuf;
use std::sync::{Arc, Mutex, OnceLock};

use chrono::{DateTime, Utc};
use craft::bowl::Place;
use serde::Serialize;
use store::watched_logs::WatchedRow;
use tokio_util::task::AbortOnDropHandle;
use utoipa::ToSchema;
use uuid::Uuid;

pub use file::{File, listed, whole_lines};

use crate::ground::Ground;
use crate::live::Live;
use crate::problem::Problem;

/// How a watched log stands.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum LogStanding {
    /// Nothing was written since it is watched.
    #[default]
    Waiting,
    /// What is written is read.
    Measuring,
    /// What is written cannot be read, or may not be kept.
    Stopped,
}

/// What is known of a watched log.
#[derive(Clone, Debug, Default, PartialEq, Serialize, ToSchema)]
pub struct LogStands {
    /// How it stands.
    pub standing: LogStanding,
    /// What it said last, °C.
    pub temp_c: Option<f64>,
    /// When that was, on the bowl's clock.
    pub at: Option<DateTime<Utc>>,
    /// Lines that could not be read since this server watches it.
    pub unread: usize,
    /// What keeps it from being read.
    pub problem: Option<String>,
}

#[derive(Debug)]
struct Watching {
    row: WatchedRow,
    stands: Arc<Mutex<LogStands>>,
    task: AbortOnDropHandle<()>,
}

/// The logs that this server watches, one a place of a bowl at most.
#[derive(Debug, Default)]
pub struct WatchedLogs {
    /// Where they lie: nothing else of this machine is read.
    folder: OnceLock<PathBuf>,
    running: Mutex<HashMap<(Uuid, Place), Watching>>,
}

impl WatchedLogs {
    /// Says in which folder logs lie.
    pub fn lie_in(&self, folder: PathBuf) {
        // Said once, at start-up.
        let _ = self.folder.set(folder);
    }

    /// The folder in which logs lie; none where this server watches none.
    #[must_use]
    pub fn folder(&self) -> Option<&PathBuf> {
        self.folder.get()
    }

    /// Watches a log that is kept as watched, in place of the one before.
    pub fn start(&self, ground: &Ground, live: &Arc<Live>, row: WatchedRow) {
        let Some(folder) = self.folder.get() else { return };
        let stands = Arc::new(Mutex::new(LogStands::default()));
        let key = (row.bowl_id, row.place);
        let at = folder.join(&row.name);
        let following =
            follow::Following::new(ground.clone(), live.clone(), row.clone(), at, stands.clone());
        let task = AbortOnDropHandle::new(actix_web::rt::spawn(following.run()));
        if let Ok(mut running) = self.running.lock() {
            running.insert(key, Watching { row, stands, task });
        }
    }

    /// Lets go of a log.
    pub fn stop(&self, bowl_id: Uuid, place: Place) {
        if let Ok(mut running) = self.running.lock() {
            running.remove(&(bowl_id, place));
        }
    }

    /// Lets go of every log.
    pub fn stop_all(&self) {
        if let Ok(mut running) = self.running.lock() {
            running.clear();
        }
    }

    /// The logs of a bowl that are watched, with how they stand.
    #[must_use]
    pub fn of_bowl(&self, bowl_id: Uuid) -> Vec<(WatchedRow, LogStands)> {
        let Ok(running) = self.running.lock() else { return Vec::new() };
        let stands = |watching: &Watching| {
            watching.stands.lock().map(|stands| stands.clone()).unwrap_or_default()
        };
        let mut all: Vec<_> = running
            .values()
            .filter(|watching| watching.row.bowl_id == bowl_id && !watching.task.is_finished())
            .map(|watching| (watching.row.clone(), stands(watching)))
            .collect();
        all.sort_by_key(|(row, _)| row.place);
        all
    }
}

/// Takes up again what was watched when the server stopped.
///
/// # Errors
/// Where the store fails.
pub async fn resume(ground: &Ground, live: &Arc<Live>, logs: &WatchedLogs) -> Result<(), Problem> {
    for row in store::watched_logs::all(&ground.pool).await? {
        logs.start(ground, live, row);
    }
    Ok(())
}
