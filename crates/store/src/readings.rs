//! Readings: append-only.

use chrono::{DateTime, Utc};
use craft::bowl::{Reading, Source};
use craft::units::{celsius, in_celsius};
use sqlx::MySqlExecutor;
use uuid::Uuid;

use crate::error::appended;
use crate::{Pool, StoreError};

/// Keeps a reading. Gives `false` where it was kept already.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl.
pub async fn append(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
    reading: &Reading,
) -> Result<bool, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO readings (bowl_id, id, at, temp_c, source) VALUES (?, ?, ?, ?, ?)",
        bowl_id,
        reading.id,
        reading.at,
        in_celsius(reading.temp),
        word(reading.source)
    )
    .execute(database)
    .await;
    appended(result, "bowl")
}

/// A bowl's readings, in the order in which they arrived.
///
/// # Errors
/// Where the database fails.
pub async fn of_bowl(pool: &Pool, bowl_id: Uuid) -> Result<Vec<Reading>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", at AS "at: DateTime<Utc>", temp_c, source
           FROM readings WHERE bowl_id = ? ORDER BY seq"#,
        bowl_id
    )
    .fetch_all(pool)
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Reading {
            id: row.id,
            at: row.at,
            temp: celsius(row.temp_c),
            source: if row.source == word(Source::Hand) { Source::Hand } else { Source::Probe },
        })
        .collect())
}

fn word(source: Source) -> &'static str {
    match source {
        Source::Probe => "probe",
        Source::Hand => "hand",
    }
}
