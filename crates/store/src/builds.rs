//! Builds: what is built after the pour, and what was done of it.

use chrono::{DateTime, Utc};
use craft::build::{Event, EventKind};
use craft::plan::PlanInputs;
use sqlx::MySqlExecutor;
use sqlx::types::Json;
use uuid::Uuid;

use crate::bowls::ClockRow;
use crate::error::appended;
use crate::{Pool, StoreError};

/// A build.
#[derive(Clone, Debug, PartialEq)]
pub struct BuildRow {
    /// The batch that is built.
    pub batch_id: Uuid,
    /// What the plan stated when it was begun.
    pub inputs: PlanInputs,
    /// When it was begun, by the wall's clock.
    pub begun_at: DateTime<Utc>,
    /// Its time.
    pub clock: ClockRow,
}

/// Keeps a new build: `true` where it is new, `false` where the batch has one.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such batch.
pub async fn begin(database: impl MySqlExecutor<'_>, build: &BuildRow) -> Result<bool, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO builds (batch_id, inputs, begun_at, clock_real, clock_kitchen, clock_rate)
         VALUES (?, ?, ?, ?, ?, ?)",
        build.batch_id,
        Json(&build.inputs),
        build.begun_at,
        build.clock.real,
        build.clock.kitchen,
        build.clock.rate
    )
    .execute(database)
    .await;
    appended(result, "batch")
}

/// The build of a batch.
///
/// # Errors
/// [`StoreError::NotFound`] where it was not begun.
pub async fn get(pool: &Pool, batch_id: Uuid) -> Result<BuildRow, StoreError> {
    let row = sqlx::query!(
        r#"SELECT inputs AS "inputs: Json<PlanInputs>", begun_at AS "begun_at: DateTime<Utc>",
                  clock_real AS "real: DateTime<Utc>", clock_kitchen AS "kitchen: DateTime<Utc>",
                  clock_rate
           FROM builds WHERE batch_id = ?"#,
        batch_id
    )
    .fetch_optional(pool)
    .await?
    .ok_or(StoreError::NotFound("build"))?;
    Ok(BuildRow {
        batch_id,
        inputs: row.inputs.0,
        begun_at: row.begun_at,
        clock: ClockRow { real: row.real, kitchen: row.kitchen, rate: row.clock_rate },
    })
}

/// Every build, the latest begun first.
///
/// # Errors
/// Where the database fails.
pub async fn all(pool: &Pool) -> Result<Vec<BuildRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT batch_id AS "batch_id: Uuid", inputs AS "inputs: Json<PlanInputs>",
                  begun_at AS "begun_at: DateTime<Utc>", clock_real AS "real: DateTime<Utc>",
                  clock_kitchen AS "kitchen: DateTime<Utc>", clock_rate
           FROM builds ORDER BY begun_at DESC"#
    )
    .fetch_all(pool)
    .await?;
    let build = rows.into_iter().map(|row| BuildRow {
        batch_id: row.batch_id,
        inputs: row.inputs.0,
        begun_at: row.begun_at,
        clock: ClockRow { real: row.real, kitchen: row.kitchen, rate: row.clock_rate },
    });
    Ok(build.collect())
}

/// Sets a build's clock.
///
/// # Errors
/// [`StoreError::NotFound`] where it was not begun.
pub async fn set_clock(pool: &Pool, batch_id: Uuid, clock: ClockRow) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "UPDATE builds SET clock_real = ?, clock_kitchen = ?, clock_rate = ? WHERE batch_id = ?",
        clock.real,
        clock.kitchen,
        clock.rate,
        batch_id
    )
    .execute(pool)
    .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("build")) } else { Ok(()) }
}

/// Keeps an event: `true` where it is new, `false` where it was kept already.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such build.
pub async fn append(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
    event: &Event,
) -> Result<bool, StoreError> {
    let (component, task, just_now, undoes) = match &event.kind {
        EventKind::Done { component, task, just_now } => {
            (Some(component), Some(task), *just_now, None)
        }
        EventKind::Undone { event } => (None, None, false, Some(*event)),
    };
    let result = sqlx::query!(
        "INSERT INTO build_events (batch_id, id, at, component, task, just_now, undoes)
         VALUES (?, ?, ?, ?, ?, ?, ?)",
        batch_id,
        event.id,
        event.at,
        component,
        task,
        just_now,
        undoes
    )
    .execute(database)
    .await;
    appended(result, "build")
}

/// A build's events, in the order in which they arrived.
///
/// # Errors
/// [`StoreError::Unreadable`] where a row makes no sense.
pub async fn events(pool: &Pool, batch_id: Uuid) -> Result<Vec<Event>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", at AS "at: DateTime<Utc>", component, task,
                  just_now AS "just_now: bool", undoes AS "undoes: Uuid"
           FROM build_events WHERE batch_id = ? ORDER BY seq"#,
        batch_id
    )
    .fetch_all(pool)
    .await?;
    rows.into_iter()
        .map(|row| {
            let kind = match (row.component, row.task, row.undoes) {
                (Some(component), Some(task), None) => {
                    EventKind::Done { component, task, just_now: row.just_now }
                }
                (None, None, Some(event)) => EventKind::Undone { event },
                _ => return Err(StoreError::unreadable("an event of a build", row.id)),
            };
            Ok(Event { id: row.id, at: row.at, kind })
        })
        .collect()
}
