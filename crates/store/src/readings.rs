//! Readings: append-only.

use chrono::{DateTime, Utc};
use craft::bowl::{Reading, Source};
use craft::units::{celsius, in_celsius};
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// Keeps a reading.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl; [`StoreError::OtherContent`] where
/// another was sent by this id.
pub async fn append(
    connection: &mut MySqlConnection,
    bowl_id: Uuid,
    reading: &Reading,
) -> Result<Sent, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO readings (bowl_id, id, at, temp_c, source) VALUES (?, ?, ?, ?, ?)",
        bowl_id,
        reading.id,
        reading.at.naive_utc(),
        in_celsius(reading.temp),
        reading.source.word()
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "bowl")? {
        return Ok(sent);
    }
    let kept = sqlx::query!(
        r#"SELECT temp_c, source FROM readings WHERE bowl_id = ? AND id = ?"#,
        bowl_id,
        reading.id
    )
    .fetch_one(connection)
    .await?;
    let same = (kept.temp_c - in_celsius(reading.temp)).abs() < 1e-6
        && kept.source == reading.source.word();
    again(same, "reading")
}

/// A bowl's readings, in the order in which they arrived.
///
/// # Errors
/// Where the database fails.
pub async fn of_bowl(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
) -> Result<Vec<Reading>, StoreError> {
    Ok(numbered(database, bowl_id, 0).await?.into_iter().map(|(_, reading)| reading).collect())
}

/// The same, each with its number, after a number.
///
/// # Errors
/// Where the database fails.
pub async fn numbered(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
    after: u64,
) -> Result<Vec<(u64, Reading)>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT seq, id AS "id: Uuid", at AS "at: DateTime<Utc>", temp_c, source
           FROM readings WHERE bowl_id = ? AND seq > ? ORDER BY seq"#,
        bowl_id,
        after
    )
    .fetch_all(database)
    .await?;
    let reading = rows.into_iter().map(|row| {
        let source = Source::from_word(&row.source).unwrap_or(Source::Probe);
        (row.seq, Reading { id: row.id, at: row.at, temp: celsius(row.temp_c), source })
    });
    Ok(reading.collect())
}

/// Whether a bowl has a reading.
///
/// # Errors
/// Where the database fails.
pub async fn is_kept(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
    id: Uuid,
) -> Result<bool, StoreError> {
    let found =
        sqlx::query_scalar!("SELECT seq FROM readings WHERE bowl_id = ? AND id = ?", bowl_id, id)
            .fetch_optional(database)
            .await?;
    Ok(found.is_some())
}
