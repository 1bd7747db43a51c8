//! What every handler can reach.

use std::sync::{Arc, Mutex};

use chrono::{DateTime, Utc};
use craft::bowl::Record;
use craft::units::degrees;
use store::batches::ClockRow;
use store::bowls::BowlRow;
use store::{Connection, Pool, StoreError};
use tokio::sync::Semaphore;
use tokio::task::JoinHandle;
use uuid::Uuid;

use crate::answer::bowl::{ClockAnswer, Subject};
use crate::clock::{Clocks, WallClock, kitchen_time};
use crate::live::Live;
use crate::live::feed::Ended;
use crate::on_shelf::ShelfCache;
use crate::picture::AT_ONCE_MIB;
use crate::problem::Problem;
use crate::thermometer::Thermometers;

/// What every handler can reach.
#[derive(Clone, Debug)]
pub struct State {
    /// The store.
    pub pool: Pool,
    /// The time.
    pub wall: WallClock,
    /// This server, among several on one database.
    pub server: Uuid,
    /// What is watched, live.
    pub live: Arc<Live>,
    /// The clocks of the batches in use.
    pub clocks: Arc<Clocks>,
    /// What stands on the shelf.
    pub shelf: Arc<ShelfCache>,
    /// The simulated thermometers that run.
    pub thermometers: Arc<Thermometers>,
    /// Who may read a picture.
    pub pictures: Arc<Semaphore>,
    following: Arc<Mutex<Option<JoinHandle<Ended>>>>,
}

impl State {
    /// The state of a server over a store.
    #[must_use]
    pub fn new(pool: Pool, wall: WallClock) -> Self {
        Self {
            pool,
            wall,
            server: Uuid::new_v4(),
            live: Arc::default(),
            clocks: Arc::default(),
            shelf: Arc::default(),
            thermometers: Arc::default(),
            pictures: Arc::new(Semaphore::new(AT_ONCE_MIB as usize)),
            following: Arc::default(),
        }
    }

    /// Follows what other servers on the same database keep, from now on.
    pub fn follow(&self) {
        if let Ok(mut following) = self.following.lock() {
            *following = Some(tokio::spawn(crate::live::feed::follow(self.clone())));
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

    /// Does something in one transaction: all of it is kept, or nothing.
    ///
    /// # Errors
    /// What it failed with.
    pub async fn whole<T>(
        &self,
        work: impl AsyncFnMut(&mut Connection) -> Result<T, Problem>,
    ) -> Result<T, Problem> {
        store::whole(&self.pool, work, Problem::is_in_the_way).await
    }

    /// The batch of a bowl, and its clock.
    ///
    /// # Errors
    /// Where there is no such bowl.
    pub async fn clock_of_bowl(&self, bowl_id: Uuid) -> Result<(Uuid, ClockRow), StoreError> {
        if let Some(known) = self.clocks.of_bowl(bowl_id) {
            return Ok(known);
        }
        let batch_id = store::bowls::line(&self.pool, bowl_id).await?.batch_id;
        let clock = store::batches::get(&self.pool, batch_id).await?.clock;
        self.clocks.know(bowl_id, batch_id);
        self.clocks.set(batch_id, clock);
        Ok((batch_id, clock))
    }

    /// A bowl's own time now.
    ///
    /// # Errors
    /// Where there is no such bowl.
    pub async fn kitchen_now(&self, bowl_id: Uuid) -> Result<DateTime<Utc>, StoreError> {
        Ok(kitchen_time(self.clock_of_bowl(bowl_id).await?.1, self.wall.now()))
    }

    /// The record of a bowl, its readings corrected by what its thermometer is off
    /// by.
    ///
    /// # Errors
    /// Where the store fails.
    pub async fn record(&self, bowl: &BowlRow) -> Result<Record, StoreError> {
        let record = Record::new(
            store::readings::of_bowl(&self.pool, bowl.id).await?,
            store::actions::of_bowl(&self.pool, bowl.id).await?,
        );
        Ok(record.corrected_by(degrees(bowl.inputs()?.offset_c.unwrap_or_default())))
    }

    /// A batch's clock, as it is answered; for a bowl, whether the simulated thermometer
    /// measures it.
    #[must_use]
    pub fn clock_answer(&self, clock: ClockRow, simulated: bool) -> ClockAnswer {
        ClockAnswer { now: kitchen_time(clock, self.wall.now()), rate: clock.rate, simulated }
    }
}

/// What a bowl's answer is made from.
///
/// # Errors
/// Where what it was opened with cannot be read, or is no longer accepted.
pub fn subject(bowl: &BowlRow) -> Result<Subject, Problem> {
    let plan = craft::plan::bowl(bowl.inputs()?)?;
    Ok(Subject {
        id: bowl.id,
        batch_id: bowl.batch_id,
        chocolate: bowl.chocolate.clone(),
        run: plan.run(bowl.opened_at),
        colour: plan.colour.map(|colour| colour.looks),
    })
}
