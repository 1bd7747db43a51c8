//! What is watched, live: the bowls that screens look at, and the whole bench.
//!
//! However many screens watch a bowl, its record is in memory once, and what there is to say
//! of it is worked out once. What this server keeps is heard at once; what another server on
//! the same database keeps is found by [`crate::feed`] within half a second.

mod bench;
mod bowl;
mod guides;
mod telling;

pub use bench::Seated;
pub use bowl::{Heard, LiveBowl};
pub use telling::{Telling, Timed};

use std::collections::HashMap;
use std::sync::atomic::{AtomicBool, Ordering};
use std::sync::{Arc, Mutex};
use std::time::{Duration, Instant};

use chrono::TimeDelta;
use craft::bowl::Place;
use craft::time::WallTime;
use tokio::sync::watch;
use uuid::Uuid;

use crate::ground::Ground;
use crate::problem::Problem;

/// What nobody has asked for so long is let go of.
const IDLE: Duration = Duration::from_secs(300);

/// A thermometer says this often that it measures a bowl; well within the time after which
/// another may come.
const LATELY: TimeDelta = TimeDelta::seconds(10);

/// What a stream is to say next.
#[derive(Clone, Debug, Default)]
pub struct Told {
    /// All there is to say, as JSON.
    pub whole: Arc<str>,
    /// Counts how often that changed.
    pub changes: u64,
    /// What there is to say where nothing changed, as JSON.
    pub beat: Arc<str>,
}

/// What is watched, live.
#[derive(Debug, Default)]
pub struct Live {
    bowls: Mutex<HashMap<Uuid, (Arc<LiveBowl>, Instant)>>,
    bench: Mutex<Option<watch::Receiver<Told>>>,
    /// The guides that are watched.
    pub guides: guides::Guides,
    /// The thermometers that were heard lately, by bowl and where in it they stand.
    probes: Mutex<HashMap<(Uuid, Place), (String, WallTime)>>,
    /// Whether the database did not answer when it was asked last.
    away: AtomicBool,
}

impl Live {
    /// A bowl with its record in memory.
    ///
    /// # Errors
    /// Where there is no such bowl, or it cannot be read.
    pub async fn bowl(&self, ground: &Ground, id: Uuid) -> Result<Arc<LiveBowl>, Problem> {
        if let Some(known) = self.known(id) {
            return Ok(known);
        }
        let fresh = Arc::new(LiveBowl::read(ground, id).await?);
        let Ok(mut bowls) = self.bowls.lock() else { return Ok(fresh) };
        // Where two asked at once, both go on with the one that was there first.
        let (bowl, used) = bowls.entry(id).or_insert_with(|| (fresh, Instant::now()));
        *used = Instant::now();
        Ok(bowl.clone())
    }

    /// A bowl, if it is in memory.
    #[must_use]
    pub fn known(&self, id: Uuid) -> Option<Arc<LiveBowl>> {
        let mut bowls = self.bowls.lock().ok()?;
        let (bowl, used) = bowls.get_mut(&id)?;
        *used = Instant::now();
        Some(bowl.clone())
    }

    /// Tells a bowl's watchers what was kept of it.
    pub fn heard(&self, bowl_id: Uuid, heard: Heard) {
        if let Some((bowl, _)) = self.bowls.lock().ok().and_then(|b| b.get(&bowl_id).cloned()) {
            // A tick more or less is nothing to the steps; what is done is.
            let is_done = !matches!(heard, Heard::Reading(_));
            bowl.hear(heard);
            if is_done {
                self.guides.touch(bowl.batch_id());
            }
        }
    }

    /// Tells the watchers of a batch's bowls that its clock was set, or that it is gone.
    pub fn batch_changed(&self, batch_id: Uuid) {
        self.guides.touch(batch_id);
        for bowl in self.all() {
            if bowl.batch_id() == batch_id {
                bowl.hear(Heard::Batch);
            }
        }
    }

    /// Whether this thermometer was heard at a bowl so lately that nobody else can have come.
    #[must_use]
    pub fn heard_lately(&self, at: (Uuid, Place), probe: &str, now: WallTime) -> bool {
        self.probes.lock().is_ok_and(|probes| {
            probes.get(&at).is_some_and(|(name, at)| {
                name == probe && (TimeDelta::zero()..LATELY).contains(&now.since(*at))
            })
        })
    }

    /// Notes that a thermometer was heard at a bowl.
    pub fn hear_probe(&self, at: (Uuid, Place), probe: &str, now: WallTime) {
        if let Ok(mut probes) = self.probes.lock() {
            probes.retain(|_, (_, at)| now.since(*at) < LATELY);
            probes.insert(at, (probe.to_owned(), now));
        }
    }

    /// Whether the database did not answer when it was asked last: then nobody need wait for it.
    #[must_use]
    pub fn is_away(&self) -> bool {
        self.away.load(Ordering::Relaxed)
    }

    /// Says whether the database answered when it was asked last.
    pub fn is_away_now(&self, away: bool) {
        self.away.store(away, Ordering::Relaxed);
    }

    /// Every bowl that is in memory.
    pub(crate) fn all(&self) -> Vec<Arc<LiveBowl>> {
        let bowls = self.bowls.lock();
        bowls
            .map(|bowls| bowls.values().map(|(bowl, _)| bowl.clone()).collect())
            .unwrap_or_default()
    }

    /// Lets go of a bowl: it is read anew when it is asked for again.
    pub fn forget(&self, bowl_id: Uuid) {
        if let Ok(mut bowls) = self.bowls.lock() {
            bowls.remove(&bowl_id);
        }
    }

    /// Lets go of what nobody asked for lately.
    pub(crate) fn let_go_of_idle(&self) {
        if let Ok(mut bowls) = self.bowls.lock() {
            bowls.retain(|_, (bowl, used)| bowl.is_watched() || used.elapsed() < IDLE);
        }
    }
}
