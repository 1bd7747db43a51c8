//! Bowls: one chocolate being tempered each.

use chrono::{DateTime, Utc};
use craft::plan::BowlInputs;
use serde_json::Value;
use sqlx::MySqlExecutor;
use sqlx::types::Json;
use uuid::Uuid;

use crate::{Pool, StoreError};

/// A bowl's own time: `kitchen` at `real`, running `rate` times as fast.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct ClockRow {
    /// Real time of the anchor.
    pub real: DateTime<Utc>,
    /// Kitchen time of the anchor.
    pub kitchen: DateTime<Utc>,
    /// Kitchen seconds per real second.
    pub rate: f64,
}

/// A bowl.
#[derive(Clone, Debug, PartialEq)]
pub struct BowlRow {
    /// Its id.
    pub id: Uuid,
    /// The batch it was opened for.
    pub batch_id: Uuid,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
    /// What the plan stated when it was opened.
    pub inputs: BowlInputs,
    /// The plan it was opened by, as it was shown.
    pub plan: Value,
    /// When it was taken to the bench.
    pub opened_at: DateTime<Utc>,
    /// Its time.
    pub clock: ClockRow,
    /// Whether the simulated thermometer measures it.
    pub simulated: bool,
}

/// Keeps a new bowl.
///
/// # Errors
/// [`StoreError::NotFound`] where its batch does not exist.
pub async fn insert(database: impl MySqlExecutor<'_>, bowl: &BowlRow) -> Result<(), StoreError> {
    sqlx::query!(
        "INSERT INTO bowls (id, batch_id, chocolate, inputs, plan, opened_at,
                            clock_real, clock_kitchen, clock_rate, simulated)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
        bowl.id,
        bowl.batch_id,
        bowl.chocolate,
        Json(&bowl.inputs),
        Json(&bowl.plan),
        bowl.opened_at,
        bowl.clock.real,
        bowl.clock.kitchen,
        bowl.clock.rate,
        bowl.simulated
    )
    .execute(database)
    .await
    .map_err(StoreError::inserting("batch"))?;
    Ok(())
}

macro_rules! select_bowls {
    ($condition:literal $(, $argument:expr)*) => {
        sqlx::query!(
            r#"SELECT id AS "id: Uuid", batch_id AS "batch_id: Uuid", chocolate,
                      inputs AS "inputs: Json<BowlInputs>", plan AS "plan: Json<Value>",
                      opened_at AS "opened_at: DateTime<Utc>",
                      clock_real AS "real: DateTime<Utc>", clock_kitchen AS "kitchen: DateTime<Utc>",
                      clock_rate, simulated AS "simulated: bool"
               FROM bowls "# + $condition
            $(, $argument)*
        )
        .map(|row| BowlRow {
            id: row.id,
            batch_id: row.batch_id,
            chocolate: row.chocolate,
            inputs: row.inputs.0,
            plan: row.plan.0,
            opened_at: row.opened_at,
            clock: ClockRow { real: row.real, kitchen: row.kitchen, rate: row.clock_rate },
            simulated: row.simulated,
        })
    };
}

/// A bowl by its id.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn get(pool: &Pool, id: Uuid) -> Result<BowlRow, StoreError> {
    select_bowls!("WHERE id = ?", id)
        .fetch_optional(pool)
        .await?
        .ok_or(StoreError::NotFound("bowl"))
}

/// The bowls of a batch, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(pool: &Pool, batch_id: Uuid) -> Result<Vec<BowlRow>, StoreError> {
    Ok(select_bowls!("WHERE batch_id = ? ORDER BY opened_at DESC", batch_id)
        .fetch_all(pool)
        .await?)
}

/// The bowls that the simulated thermometer measures.
///
/// # Errors
/// Where the database fails.
pub async fn simulated(pool: &Pool) -> Result<Vec<BowlRow>, StoreError> {
    Ok(select_bowls!("WHERE simulated ORDER BY opened_at").fetch_all(pool).await?)
}

/// Sets a bowl's clock, and whether the simulated thermometer measures it.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl.
pub async fn set_clock(
    pool: &Pool,
    id: Uuid,
    clock: ClockRow,
    simulated: bool,
) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "UPDATE bowls SET clock_real = ?, clock_kitchen = ?, clock_rate = ?, simulated = ?
         WHERE id = ?",
        clock.real,
        clock.kitchen,
        clock.rate,
        simulated,
        id
    )
    .execute(pool)
    .await?;
    // Rows are counted as found, not as changed: none means there is none.
    if done.rows_affected() == 0 { Err(StoreError::NotFound("bowl")) } else { Ok(()) }
}
