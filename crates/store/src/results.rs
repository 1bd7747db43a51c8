//! Results: what came out of a batch, a row for each look.

use chrono::{DateTime, Utc};
use craft::result::{Look, LookAfter};
use craft::time::WallTime;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::document::{Kept, read, written};
use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// One look at what came out.
#[derive(Clone, Debug, PartialEq)]
pub struct ResultRow {
    /// Made by the sender.
    pub id: Uuid,
    /// When it was noted.
    pub noted_at: WallTime,
    /// When it was looked at.
    pub looked_at: WallTime,
    /// What was seen.
    pub result: Kept<Look>,
}

impl ResultRow {
    /// What was seen, where that can be read.
    #[must_use]
    pub fn look(&self) -> Option<&Look> {
        self.result.as_ref().ok()
    }
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
    (noted_at, looked_at): (WallTime, WallTime),
    document: &Look,
) -> Result<Sent, StoreError> {
    let text = written(document)?;
    let result = sqlx::query!(
        "INSERT INTO results (batch_id, id, noted_at, looked_at, document) VALUES (?, ?, ?, ?, ?)",
        batch_id,
        id,
        noted_at.0.naive_utc(),
        looked_at.0.naive_utc(),
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
                  looked_at AS "looked_at: DateTime<Utc>", document AS "document: String"
           FROM results WHERE batch_id = ? ORDER BY looked_at, seq"#,
        batch_id
    )
    .fetch_all(database)
    .await?;
    let result = rows.into_iter().map(|row| ResultRow {
        id: row.id,
        noted_at: WallTime(row.noted_at),
        looked_at: WallTime(row.looked_at),
        result: read(&row.document),
    });
    Ok(result.collect())
}

/// A batch that was poured, and how it was looked at since.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Poured {
    /// The batch.
    pub batch_id: Uuid,
    /// What it is called.
    pub name: String,
    /// When its last bowl was poured, by the wall.
    pub poured_at: WallTime,
    /// When it was looked at last.
    pub looked_at: Option<WallTime>,
    /// The last look that the maker passed over.
    pub passed_over: Option<LookAfter>,
}

/// The batches that were poured since then and are not given up, those of the newest activity first;
/// of the hundred that anything happened to last.
///
/// # Errors
/// Where the database fails.
pub async fn poured_since(
    database: impl MySqlExecutor<'_>,
    since: WallTime,
) -> Result<Vec<Poured>, StoreError> {
    // By what happened last, which the pour is no later than: lists have an index of it.
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", name, passed_look,
                  (SELECT MAX(w.ended_wall) FROM bowls w
                   WHERE w.batch_id = batches.id AND w.status = 'poured')
                      AS "poured_at: DateTime<Utc>",
                  (SELECT MAX(r.looked_at) FROM results r WHERE r.batch_id = batches.id)
                      AS "looked_at: DateTime<Utc>"
           FROM batches
           WHERE last_at >= ? AND deleted_at IS NULL AND stage <> 'lost'
           ORDER BY last_at DESC, id DESC LIMIT 100"#,
        since.0.naive_utc()
    )
    .fetch_all(database)
    .await?;
    let poured = rows.into_iter().filter_map(|row| {
        Some(Poured {
            batch_id: row.id,
            name: row.name,
            poured_at: row.poured_at.map(WallTime).filter(|at| *at >= since)?,
            looked_at: row.looked_at.map(WallTime),
            passed_over: row.passed_look.as_deref().and_then(LookAfter::from_word),
        })
    });
    Ok(poured.collect())
}

/// Notes that the maker passes over a look, and all before it.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such batch.
pub async fn pass_over(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
    look: LookAfter,
) -> Result<(), StoreError> {
    let word = look.word();
    let done = sqlx::query!("UPDATE batches SET passed_look = ? WHERE id = ?", word, batch_id)
        .execute(database)
        .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("batch")) } else { Ok(()) }
}
