//! Actions: append-only.

use chrono::{DateTime, Utc};
use craft::bowl::{Action, ActionName, Entry, Seen};
use craft::check::Checker;
use craft::time::WallTime;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// Keeps an action, entered now.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl; [`StoreError::OtherContent`] where
/// another was sent by this id.
pub async fn append(
    connection: &mut MySqlConnection,
    bowl_id: Uuid,
    action: &Action,
    now: WallTime,
) -> Result<Sent, StoreError> {
    let entry = Entry::from(&action.kind);
    let result = sqlx::query!(
        "INSERT INTO actions (bowl_id, id, at, kind, seconds, grams, seen, reason, undoes, corrects, reading, kept_at)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
        bowl_id,
        action.id,
        action.at.naive_utc(),
        entry.kind.word(),
        entry.seconds,
        entry.grams,
        entry.seen.map(Seen::word),
        entry.reason,
        entry.undoes,
        entry.corrects,
        entry.reading,
        now.0.naive_utc()
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "bowl")? {
        return Ok(sent);
    }
    let kept = of_bowl(connection, bowl_id).await?;
    // Without a time of its own it is given one when it arrives: what was done counts.
    let same = |known: &Action| known.id == action.id && Entry::from(&known.kind) == entry;
    again(kept.iter().any(same), "action")
}

/// A bowl's actions, in the order in which they arrived. One that cannot be read is left out:
/// it is of a later release, or was tampered with, and takes nothing else with it.
///
/// # Errors
/// Where the database fails.
pub async fn of_bowl(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
) -> Result<Vec<Action>, StoreError> {
    Ok(numbered(database, bowl_id, 0).await?.into_iter().map(|(_, action)| action).collect())
}

/// The same, each with its number, after a number.
///
/// # Errors
/// Where the database fails.
pub async fn numbered(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
    after: u64,
) -> Result<Vec<(u64, Action)>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT seq, id AS "id: Uuid", at AS "at: DateTime<Utc>", kind, seconds, grams, seen, reason,
                  undoes AS "undoes: Uuid", corrects AS "corrects: Uuid", reading AS "reading: Uuid"
           FROM actions WHERE bowl_id = ? AND seq > ? ORDER BY seq"#,
        bowl_id,
        after
    )
    .fetch_all(database)
    .await?;
    let action = rows.into_iter().filter_map(|row| {
        let entry = Entry {
            kind: ActionName::from_word(&row.kind)?,
            seconds: row.seconds,
            grams: row.grams,
            seen: row.seen.as_deref().and_then(Seen::from_word),
            reason: row.reason,
            undoes: row.undoes,
            corrects: row.corrects,
            reading: row.reading,
        };
        // What was accepted once is not judged anew.
        let kind = entry.check(&mut Checker::new())?;
        Some((row.seq, Action { id: row.id, at: row.at, kind }))
    });
    Ok(action.collect())
}

/// When a bowl's actions were entered, by the wall.
///
/// # Errors
/// Where the database fails.
pub async fn entered(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
) -> Result<Vec<(Uuid, WallTime)>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", kept_at AS "kept_at: DateTime<Utc>"
           FROM actions WHERE bowl_id = ? AND kept_at IS NOT NULL"#,
        bowl_id
    )
    .fetch_all(database)
    .await?;
    Ok(rows.into_iter().filter_map(|row| Some((row.id, WallTime(row.kept_at?)))).collect())
}
