//! What everything here stands on: the store, the time, the clocks of the batches in use.

use std::sync::Arc;
use std::time::Duration;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::Record;
use craft::units::degrees;
use store::batches::ClockRow;
use store::bowls::BowlRow;
use store::{Connection, Pool, StoreError};
use uuid::Uuid;

use crate::clock::{ClockAnswer, Clocks, WallClock, kitchen_time};
use crate::problem::Problem;

/// Who holds what one of several servers alone does says so this often.
pub const HOLD_EVERY: Duration = Duration::from_secs(2);
/// What nobody held for so long is free.
const HELD_FOR: TimeDelta = TimeDelta::seconds(7);

/// What everything here stands on.
#[derive(Clone, Debug)]
pub struct Ground {
    /// The store.
    pub pool: Pool,
    /// The time.
    pub wall: WallClock,
    /// This server, among several on one database.
    pub server: Uuid,
    /// The clocks of the batches in use.
    pub clocks: Arc<Clocks>,
}

impl Ground {
    /// A server's ground over a store.
    #[must_use]
    pub fn new(pool: Pool, wall: WallClock) -> Self {
        Self { pool, wall, server: Uuid::new_v4(), clocks: Arc::default() }
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

    /// Takes, or keeps, what one of several servers alone does: whether it is this one's.
    ///
    /// # Errors
    /// Where the database fails.
    pub async fn holds(&self, what: &str) -> Result<bool, Problem> {
        let now = self.wall.now();
        self.whole(async |tx: &mut Connection| {
            let until = now.after(HELD_FOR);
            Ok(store::leases::hold(tx, what, self.server, (now, until)).await?)
        })
        .await
    }

    /// The batch of a bowl, and its clock.
    ///
    /// # Errors
    /// Where there is no such bowl.
    pub async fn clock_of_bowl(&self, bowl_id: Uuid) -> Result<(Uuid, ClockRow), StoreError> {
        if let Some(known) = self.clocks.of_bowl(bowl_id) {
            return Ok(known);
        }
        let changes = self.clocks.changes();
        let batch_id = store::bowls::line(&self.pool, bowl_id).await?.batch_id;
        let clock = store::batches::get(&self.pool, batch_id).await?.clock;
        self.clocks.know(bowl_id, batch_id);
        self.clocks.was_read(batch_id, clock, changes);
        // Where one was set meanwhile, that is it.
        Ok(self.clocks.of_bowl(bowl_id).unwrap_or((batch_id, clock)))
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
