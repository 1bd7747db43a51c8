//! Logs of thermometers' own programs that are watched for bowls.

use craft::bowl::Place;
use craft::logfile::Scale;
use sqlx::MySqlExecutor;
use uuid::Uuid;

use crate::StoreError;
use crate::error::inserted;

/// A log that is watched.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct WatchedRow {
    /// The bowl it is of.
    pub bowl_id: Uuid,
    /// Where in it the thermometer stands.
    pub place: Place,
    /// The file's name, without a folder.
    pub name: String,
    /// In which scale it is, where that was said.
    pub unit: Option<Scale>,
    /// The heading of its times, where that was said.
    pub time_column: Option<String>,
    /// The heading of its temperatures, where that was said.
    pub temp_column: Option<String>,
    /// So many lines were there before.
    pub after_line: u32,
    /// What its clock is slow by, ms, once that is known.
    pub slow_by_ms: Option<i64>,
}

/// Watches a log for a bowl, in place of the one that was watched there.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl.
pub async fn put(database: impl MySqlExecutor<'_>, row: &WatchedRow) -> Result<(), StoreError> {
    let result = sqlx::query!(
        "REPLACE INTO watched_logs
             (bowl_id, at_edge, name, unit, time_column, temp_column, after_line, slow_by_ms)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
        row.bowl_id,
        row.place.is_edge(),
        row.name,
        row.unit.map(Scale::word),
        row.time_column,
        row.temp_column,
        row.after_line,
        row.slow_by_ms
    )
    .execute(database)
    .await;
    inserted(result, "bowl").map(|_| ())
}

/// Notes where the file begins that is watched now, and what its clock is slow by.
///
/// # Errors
/// Where the database fails.
pub async fn aligned(database: impl MySqlExecutor<'_>, row: &WatchedRow) -> Result<(), StoreError> {
    sqlx::query!(
        "UPDATE watched_logs SET after_line = ?, slow_by_ms = ?
         WHERE bowl_id = ? AND at_edge = ? AND name = ?",
        row.after_line,
        row.slow_by_ms,
        row.bowl_id,
        row.place.is_edge(),
        row.name
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Watches a log no more.
///
/// # Errors
/// Where the database fails.
pub async fn remove(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
    place: Place,
) -> Result<(), StoreError> {
    let at_edge = place.is_edge();
    sqlx::query!("DELETE FROM watched_logs WHERE bowl_id = ? AND at_edge = ?", bowl_id, at_edge)
        .execute(database)
        .await?;
    Ok(())
}

/// Whether this log is watched still.
///
/// # Errors
/// Where the database fails.
pub async fn is_watched(
    database: impl MySqlExecutor<'_>,
    row: &WatchedRow,
) -> Result<bool, StoreError> {
    let found = sqlx::query_scalar!(
        "SELECT after_line FROM watched_logs WHERE bowl_id = ? AND at_edge = ? AND name = ?",
        row.bowl_id,
        row.place.is_edge(),
        row.name
    );
    Ok(found.fetch_optional(database).await?.is_some())
}

/// Every log that is watched.
///
/// # Errors
/// Where the database fails.
pub async fn all(database: impl MySqlExecutor<'_>) -> Result<Vec<WatchedRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT bowl_id AS "bowl_id: Uuid", at_edge AS "at_edge: bool", name, unit, time_column,
                  temp_column, after_line, slow_by_ms
           FROM watched_logs ORDER BY bowl_id, at_edge"#
    )
    .fetch_all(database)
    .await?;
    let row = rows.into_iter().map(|row| WatchedRow {
        bowl_id: row.bowl_id,
        place: Place::edge_if(row.at_edge),
        name: row.name,
        unit: row.unit.as_deref().and_then(Scale::from_word),
        time_column: row.time_column,
        temp_column: row.temp_column,
        after_line: row.after_line,
        slow_by_ms: row.slow_by_ms,
    });
    Ok(row.collect())
}
