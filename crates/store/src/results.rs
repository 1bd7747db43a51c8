//! Results: what came out of a batch, a row for each look.

use chrono::{DateTime, Utc};
use craft::time::WallTime;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::document::{Kept, ResultDocument, read, written};
use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// One look at what came out.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct ResultRow {
    /// Made by the sender.
    pub id: Uuid,
    /// When it was noted.
    pub noted_at: WallTime,
    /// What was seen.
    pub result: Kept<ResultDocument>,
}

/// Keeps a result.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such batch; [`StoreError::OtherContent`] where
/// another was sent by this id.
pub async fn append(
    connection: &mut MySqlConnection,
    batch_id: Uuid,
    id: Uuid,
    noted_at: WallTime,
    document: &ResultDocument,
) -> Result<Sent, StoreError> {
    let text = written(document)?;
    let result = sqlx::query!(
        "INSERT INTO results (batch_id, id, noted_at, document) VALUES (?, ?, ?, ?)",
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
    let kept = of_batch(connection, batch_id).await?;
    let same = |row: &ResultRow| row.id == id && row.result.as_ref() == Ok(document);
    again(kept.iter().any(same), "result")
}

/// A batch's results, the first look first.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
) -> Result<Vec<ResultRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", noted_at AS "noted_at: DateTime<Utc>",
                  document AS "document: String"
           FROM results WHERE batch_id = ? ORDER BY noted_at, seq"#,
        batch_id
    )
    .fetch_all(database)
    .await?;
    let result = rows.into_iter().map(|row| ResultRow {
        id: row.id,
        noted_at: WallTime(row.noted_at),
        result: read(&row.document),
    });
    Ok(result.collect())
}
