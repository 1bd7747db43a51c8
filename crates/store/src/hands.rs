//! Steps that somebody has in hand.

use chrono::{DateTime, Utc};
use craft::time::WallTime;
use sqlx::MySqlExecutor;
use uuid::Uuid;

use crate::StoreError;
use crate::error::inserted;

/// A step in somebody's hands.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct HandRow {
    /// The step's key.
    pub step: String,
    /// Whose: a device's; none where it is the main screen.
    pub device_id: Option<Uuid>,
    /// What that is called.
    pub device: String,
    /// Since when.
    pub at: WallTime,
}

/// Notes that a step is in somebody's hands, in place of whose it was in before.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such batch.
pub async fn take(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
    hand: &HandRow,
) -> Result<(), StoreError> {
    let result = sqlx::query!(
        "INSERT INTO hands (batch_id, step, device_id, device, at) VALUES (?, ?, ?, ?, ?)
         ON DUPLICATE KEY UPDATE device_id = VALUES(device_id), device = VALUES(device),
                                 at = VALUES(at)",
        batch_id,
        hand.step,
        hand.device_id,
        hand.device,
        hand.at.0.naive_utc()
    )
    .execute(database)
    .await;
    inserted(result, "batch").map(|_| ())
}

/// Notes that nobody has a step in hand any more.
///
/// # Errors
/// Where the database fails.
pub async fn let_go(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
    step: &str,
) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM hands WHERE batch_id = ? AND step = ?", batch_id, step)
        .execute(database)
        .await?;
    Ok(())
}

/// The steps of a batch that somebody took in hand since a moment.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
    since: WallTime,
) -> Result<Vec<HandRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT step, device_id AS "device_id: Uuid", device, at AS "at: DateTime<Utc>"
           FROM hands WHERE batch_id = ? AND at > ? ORDER BY at, step"#,
        batch_id,
        since.0.naive_utc()
    )
    .fetch_all(database)
    .await?;
    let hand = rows.into_iter().map(|row| HandRow {
        step: row.step,
        device_id: row.device_id,
        device: row.device,
        at: WallTime(row.at),
    });
    Ok(hand.collect())
}
