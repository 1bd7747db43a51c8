//! What was done of a batch's steps: append-only, an undoing is an event too.

use chrono::{DateTime, Utc};
use craft::batch::{Event, EventKind};
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// Keeps an event.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such batch; [`StoreError::OtherContent`] where
/// another was sent by this id.
pub async fn append(
    connection: &mut MySqlConnection,
    batch_id: Uuid,
    event: &Event,
) -> Result<Sent, StoreError> {
    let (kind, step, just_now, undoes) = match &event.kind {
        EventKind::Done { step, just_now } => ("done", Some(step.as_str()), *just_now, None),
        EventKind::Undone { event } => ("undone", None, false, Some(*event)),
        EventKind::StartedOver => ("started_over", None, false, None),
    };
    let result = sqlx::query!(
        "INSERT INTO step_events (batch_id, id, at, kind, step, just_now, undoes)
         VALUES (?, ?, ?, ?, ?, ?, ?)",
        batch_id,
        event.id,
        event.at.naive_utc(),
        kind,
        step,
        just_now,
        undoes
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "batch")? {
        return Ok(sent);
    }
    let kept = of_batch(connection, batch_id).await?;
    // Without a time of its own it is given one when it arrives: what was done counts.
    again(kept.iter().any(|known| known.id == event.id && known.kind == event.kind), "event")
}

/// A batch's events, in the order in which they arrived. One that cannot be read is left out:
/// it is of a later release, or was tampered with, and takes nothing else with it.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
) -> Result<Vec<Event>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", at AS "at: DateTime<Utc>", kind, step,
                  just_now AS "just_now: bool", undoes AS "undoes: Uuid"
           FROM step_events WHERE batch_id = ? ORDER BY seq"#,
        batch_id
    )
    .fetch_all(database)
    .await?;
    let event = rows.into_iter().filter_map(|row| {
        let kind = match (row.kind.as_str(), row.step, row.undoes) {
            ("done", Some(step), None) => EventKind::Done { step, just_now: row.just_now },
            ("undone", None, Some(event)) => EventKind::Undone { event },
            ("started_over", None, None) => EventKind::StartedOver,
            _ => return None,
        };
        Some(Event { id: row.id, at: row.at, kind })
    });
    Ok(event.collect())
}
