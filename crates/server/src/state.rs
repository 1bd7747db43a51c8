//! What every handler can reach: the ground, and what is in memory over it.

use std::ops::Deref;
use std::sync::{Arc, Mutex};

use store::Pool;
use tokio::sync::Semaphore;
use tokio::task::JoinHandle;
use uuid::Uuid;

use crate::clock::WallClock;
use crate::door::Door;
use crate::feed::{Ended, follow};
use crate::going_through::GoingThrough;
use crate::ground::Ground;
use crate::live::Live;
use crate::on_shelf::ShelfCache;
use crate::picture::AT_ONCE_MIB;
use crate::saving::Archives;
use crate::thermometer::Thermometers;
use crate::watched_logs::WatchedLogs;

/// What every handler can reach.
#[derive(Clone, Debug)]
pub struct State {
    ground: Ground,
    /// What is watched, live.
    pub live: Arc<Live>,
    /// What stands on the shelf.
    pub shelf: Arc<ShelfCache>,
    /// The simulated thermometers that run.
    pub thermometers: Arc<Thermometers>,
    /// The logs of thermometers' own programs that are watched.
    pub logs: Arc<WatchedLogs>,
    /// The archives that are being written.
    pub archives: Arc<Archives>,
    /// Who may read a picture.
    pub pictures: Arc<Semaphore>,
    /// Who is working out what batches are found by.
    pub going_through: Arc<GoingThrough>,
    /// Who is let in.
    pub door: Arc<Door>,
    following: Arc<Mutex<Option<JoinHandle<Ended>>>>,
}

impl State {
    /// The state of a server over a store.
    #[must_use]
    pub fn new(pool: Pool, wall: WallClock) -> Self {
        Self {
            ground: Ground::new(pool, wall),
            live: Arc::default(),
            shelf: Arc::default(),
            thermometers: Arc::default(),
            logs: Arc::default(),
            archives: Arc::default(),
            pictures: Arc::new(Semaphore::new(AT_ONCE_MIB as usize)),
            going_through: Arc::default(),
            door: Arc::default(),
            following: Arc::default(),
        }
    }

    /// Follows what other servers on the same database keep, from now on.
    pub fn follow(&self) {
        if let Ok(mut following) = self.following.lock() {
            *following = Some(tokio::spawn(follow(
                self.ground.clone(),
                self.live.clone(),
                self.shelf.clone(),
                self.door.clone(),
            )));
        }
    }

    /// Waits until the database is of a later release: then this server must not go on.
    pub async fn is_outdated(&self) {
        let following = self.following.lock().ok().and_then(|mut following| following.take());
        match following {
            Some(following) => {
                if following.await.is_err() {
                    std::future::pending::<()>().await;
                }
            }
            None => std::future::pending().await,
        }
    }

    /// Starts the simulated thermometer of a bowl, in place of one that runs already.
    pub fn start_thermometer(&self, bowl_id: Uuid) {
        self.thermometers.start(self, &self.live, bowl_id, self.door.own());
    }
}

impl Deref for State {
    type Target = Ground;

    fn deref(&self) -> &Ground {
        &self.ground
    }
}
