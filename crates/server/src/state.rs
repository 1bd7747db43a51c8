//! What every handler can reach.

use std::sync::Arc;

use chrono::{DateTime, Utc};
use craft::bowl::Record;
use craft::units::degrees;
use store::bowls::{BowlRow, ClockRow};
use store::{Pool, StoreError};
use uuid::Uuid;

use crate::answer::bowl::{ClockAnswer, Subject};
use crate::clock::{Clocks, WallClock, kitchen_time};
use crate::hub::Hub;
use crate::on_shelf::ShelfCache;
use crate::probes::Probes;
use crate::problem::Problem;
use crate::thermometer::Thermometers;

/// What every handler can reach.
#[derive(Clone, Debug)]
pub struct State {
    /// The store.
    pub pool: Pool,
    /// The time.
    pub wall: WallClock,
    /// Who watches which bowl.
    pub hub: Arc<Hub>,
    /// The clocks of the bowls in use.
    pub clocks: Arc<Clocks>,
    /// Which thermometer measures which bowl.
    pub probes: Arc<Probes>,
    /// What stands on the shelf.
    pub shelf: Arc<ShelfCache>,
    /// The simulated thermometers that run.
    pub thermometers: Arc<Thermometers>,
}

impl State {
    /// The state of a server over a store.
    #[must_use]
    pub fn new(pool: Pool, wall: WallClock) -> Self {
        Self {
            pool,
            wall,
            hub: Arc::default(),
            clocks: Arc::default(),
            probes: Arc::default(),
            shelf: Arc::default(),
            thermometers: Arc::default(),
        }
    }

    /// A bowl's own time now.
    ///
    /// # Errors
    /// Where there is no such bowl.
    pub async fn kitchen_now(&self, bowl_id: Uuid) -> Result<DateTime<Utc>, StoreError> {
        Ok(kitchen_time(self.clock(bowl_id).await?, self.wall.now()))
    }

    async fn clock(&self, bowl_id: Uuid) -> Result<ClockRow, StoreError> {
        if let Some(clock) = self.clocks.get(bowl_id) {
            return Ok(clock);
        }
        let clock = store::bowls::get(&self.pool, bowl_id).await?.clock;
        self.clocks.set(bowl_id, clock);
        Ok(clock)
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
        Ok(record.corrected_by(degrees(bowl.inputs.offset_c.unwrap_or_default())))
    }

    /// A bowl's clock, as it is answered.
    #[must_use]
    pub fn clock_answer(&self, bowl: &BowlRow) -> ClockAnswer {
        ClockAnswer {
            now: kitchen_time(bowl.clock, self.wall.now()),
            rate: bowl.clock.rate,
            simulated: bowl.simulated,
        }
    }
}

/// What a bowl's answer is made from.
///
/// # Errors
/// Where the frozen inputs are no longer accepted: the rules have changed.
pub fn subject(bowl: &BowlRow) -> Result<Subject, Problem> {
    let plan = craft::plan::bowl(&bowl.inputs)?;
    Ok(Subject {
        id: bowl.id,
        batch_id: bowl.batch_id,
        chocolate: bowl.chocolate.clone(),
        setup: plan.setup(bowl.opened_at),
        colour: plan.colour.map(|colour| colour.looks),
    })
}
