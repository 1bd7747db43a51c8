//! Counts: how many pieces of a batch are whole and how many broke, a row for each count. The latest
//! one stands; what was counted before it stays.

use chrono::{DateTime, Utc};
use craft::shelf::Counted;
use craft::time::WallTime;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::document::{CountDocument, Kept, read, written};
use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// The latest counts of so many batches are learned from.
const LEARNED_FROM: u32 = 400;

/// One count.
#[derive(Clone, Debug, PartialEq)]
pub struct CountRow {
    /// Made by the sender.
    pub id: Uuid,
    /// When it was noted.
    pub noted_at: WallTime,
    /// What was counted.
    pub count: Kept<CountDocument>,
}

/// Keeps a count.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such batch; [`StoreError::OtherContent`] where
/// another was sent by this id.
pub async fn append(
    connection: &mut MySqlConnection,
    batch_id: Uuid,
    id: Uuid,
    noted_at: WallTime,
    document: &CountDocument,
) -> Result<Sent, StoreError> {
    let text = written(document)?;
    let result = sqlx::query!(
        "INSERT INTO counts (batch_id, id, noted_at, document) VALUES (?, ?, ?, ?)",
        batch_id,
        id,
        noted_at.0.naive_utc(),
        text
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "batch")? {
        return Ok(sent);
    }
    let kept = sqlx::query_scalar!(
        r#"SELECT document AS "document: String" FROM counts WHERE batch_id = ? AND id = ?"#,
        batch_id,
        id
    )
    .fetch_one(connection)
    .await?;
    again(read::<CountDocument>(&kept).as_ref() == Ok(document), "count")
}

/// The latest count of a batch.
///
/// # Errors
/// Where the database fails.
pub async fn latest(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
) -> Result<Option<CountRow>, StoreError> {
    let row = sqlx::query!(
        r#"SELECT id AS "id: Uuid", noted_at AS "noted_at: DateTime<Utc>",
                  document AS "document: String"
           FROM counts WHERE batch_id = ? ORDER BY seq DESC LIMIT 1"#,
        batch_id
    )
    .fetch_optional(database)
    .await?;
    Ok(row.map(|row| CountRow {
        id: row.id,
        noted_at: WallTime(row.noted_at),
        count: read(&row.document),
    }))
}

/// What was counted last of each batch that was made in the wall's own time, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn learned(database: impl MySqlExecutor<'_>) -> Result<Vec<Counted>, StoreError> {
    let documents = sqlx::query_scalar!(
        r#"SELECT c.document AS "document: String"
           FROM counts c JOIN batches b ON b.id = c.batch_id
           WHERE b.real_time AND b.deleted_at IS NULL
             AND c.seq = (SELECT MAX(l.seq) FROM counts l WHERE l.batch_id = c.batch_id)
           ORDER BY c.seq DESC LIMIT ?"#,
        LEARNED_FROM
    )
    .fetch_all(database)
    .await?;
    let counts = documents.iter().filter_map(|text| read::<CountDocument>(text).ok());
    let made = counts.flat_map(|count| count.made).map(|one| Counted {
        kind: one.kind,
        made: one.whole + one.broken,
        broken: one.broken,
    });
    Ok(made.collect())
}
