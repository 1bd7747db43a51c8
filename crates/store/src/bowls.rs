//! Bowls: one chocolate being tempered each.

use chrono::{DateTime, Utc};
use craft::bowl::{Action, ActionKind, Place};
use craft::plan::BowlInputs;
use craft::time::WallTime;
use serde_json::Value;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::document::{Kept, ShownPlan, read, written};
use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// Where a bowl stands, as it is kept.
#[derive(Clone, Debug, PartialEq, Eq)]
pub enum BowlStatus {
    /// At the bench.
    Open,
    /// Poured, or put on.
    Poured {
        /// When, in its batch's time.
        at: DateTime<Utc>,
        /// When, by the wall.
        wall: WallTime,
    },
    /// Given up.
    GivenUp {
        /// When, in its batch's time.
        at: DateTime<Utc>,
        /// When, by the wall.
        wall: WallTime,
        /// Why.
        reason: String,
    },
}

impl BowlStatus {
    /// When it ended, by the wall.
    #[must_use]
    pub fn ended(&self) -> Option<WallTime> {
        match self {
            Self::Open => None,
            Self::Poured { wall, .. } | Self::GivenUp { wall, .. } => Some(*wall),
        }
    }

    /// Where a bowl with these actions stands; `wall` tells what a moment of its batch's time
    /// is by the wall.
    #[must_use]
    pub fn by<'a>(
        actions: impl DoubleEndedIterator<Item = &'a Action>,
        wall: impl Fn(DateTime<Utc>) -> WallTime,
    ) -> Self {
        actions
            .rev()
            .find_map(|action| match &action.kind {
                ActionKind::Poured => Some(Self::Poured { at: action.at, wall: wall(action.at) }),
                ActionKind::GivenUp { reason } => Some(Self::GivenUp {
                    at: action.at,
                    wall: wall(action.at),
                    reason: reason.clone(),
                }),
                _ => None,
            })
            .unwrap_or(Self::Open)
    }

    fn read(
        word: &str,
        at: Option<DateTime<Utc>>,
        wall: Option<DateTime<Utc>>,
        reason: Option<String>,
    ) -> Self {
        match (word, at, wall) {
            ("poured", Some(at), Some(wall)) => Self::Poured { at, wall: WallTime(wall) },
            ("given_up", Some(at), Some(wall)) => {
                Self::GivenUp { at, wall: WallTime(wall), reason: reason.unwrap_or_default() }
            }
            _ => Self::Open,
        }
    }
}

/// A bowl, without its documents.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct BowlLine {
    /// Its id.
    pub id: Uuid,
    /// Its batch.
    pub batch_id: Uuid,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
    /// When it was opened, in the batch's time.
    pub opened_at: DateTime<Utc>,
    /// Whether the simulated thermometer measures it.
    pub simulated: bool,
    /// Where it stands.
    pub status: BowlStatus,
}

impl BowlLine {
    /// When it was poured, by the wall.
    #[must_use]
    pub fn poured(&self) -> Option<WallTime> {
        match &self.status {
            BowlStatus::Poured { wall, .. } => Some(*wall),
            BowlStatus::Open | BowlStatus::GivenUp { .. } => None,
        }
    }
}

/// A bowl.
#[derive(Clone, Debug, PartialEq)]
pub struct BowlRow {
    /// What lists show of it.
    pub line: BowlLine,
    /// What was stated when it was opened.
    pub inputs: Kept<BowlInputs>,
    /// The plan it was opened by, as it was shown.
    pub plan: Kept<Value>,
}

impl BowlRow {
    /// What was stated when it was opened.
    ///
    /// # Errors
    /// [`StoreError::Unreadable`] where it cannot be read.
    pub fn inputs(&self) -> Result<&BowlInputs, StoreError> {
        self.inputs.as_ref().map_err(|unreadable| unreadable.clone().into())
    }
}

impl std::ops::Deref for BowlRow {
    type Target = BowlLine;

    fn deref(&self) -> &BowlLine {
        &self.line
    }
}

/// Keeps a new bowl.
///
/// # Errors
/// [`StoreError::NotFound`] where its batch does not exist; [`StoreError::OtherContent`] where
/// another was sent by this id.
pub async fn insert(
    connection: &mut MySqlConnection,
    bowl: &BowlLine,
    (inputs, plan): (&BowlInputs, &Value),
    digest: Uuid,
) -> Result<Sent, StoreError> {
    let plan = plan.as_object().cloned().unwrap_or_default();
    let (inputs, plan) = (written(inputs)?, written(&ShownPlan(plan))?);
    let result = sqlx::query!(
        "INSERT INTO bowls (id, batch_id, chocolate, inputs, plan, opened_at, simulated, digest)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
        bowl.id,
        bowl.batch_id,
        bowl.chocolate,
        inputs,
        plan,
        bowl.opened_at.naive_utc(),
        bowl.simulated,
        digest
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "batch")? {
        return Ok(sent);
    }
    let kept =
        sqlx::query_scalar!(r#"SELECT digest AS "digest: Uuid" FROM bowls WHERE id = ?"#, bowl.id)
            .fetch_one(connection)
            .await?;
    again(kept == Some(digest), "bowl")
}

/// A bowl by its id.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn get(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<BowlRow, StoreError> {
    let row = sqlx::query!(
        r#"SELECT id AS "id: Uuid", batch_id AS "batch_id: Uuid", chocolate,
                  inputs AS "inputs: String", plan AS "plan: String",
                  opened_at AS "opened_at: DateTime<Utc>", simulated AS "simulated: bool",
                  status, ended_at AS "ended_at: DateTime<Utc>",
                  ended_wall AS "ended_wall: DateTime<Utc>", gave_up
           FROM bowls WHERE id = ?"#,
        id
    )
    .fetch_optional(database)
    .await?
    .ok_or(StoreError::NotFound("bowl"))?;
    Ok(BowlRow {
        line: BowlLine {
            id: row.id,
            batch_id: row.batch_id,
            chocolate: row.chocolate,
            opened_at: row.opened_at,
            simulated: row.simulated,
            status: BowlStatus::read(&row.status, row.ended_at, row.ended_wall, row.gave_up),
        },
        inputs: read(&row.inputs),
        plan: read::<ShownPlan>(&row.plan).map(|plan| Value::Object(plan.0)),
    })
}

macro_rules! select_lines {
    ($rest:literal $(, $argument:expr)*) => {
        sqlx::query!(
            r#"SELECT w.id AS "id: Uuid", w.batch_id AS "batch_id: Uuid", w.chocolate,
                      w.opened_at AS "opened_at: DateTime<Utc>", w.simulated AS "simulated: bool",
                      w.status, w.ended_at AS "ended_at: DateTime<Utc>",
                      w.ended_wall AS "ended_wall: DateTime<Utc>", w.gave_up
               FROM bowls w "# + $rest
            $(, $argument)*
        )
        .map(|row| BowlLine {
            id: row.id,
            batch_id: row.batch_id,
            chocolate: row.chocolate,
            opened_at: row.opened_at,
            simulated: row.simulated,
            status: BowlStatus::read(&row.status, row.ended_at, row.ended_wall, row.gave_up),
        })
    };
}

/// What lists show of a bowl.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn line(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<BowlLine, StoreError> {
    select_lines!("WHERE w.id = ?", id)
        .fetch_optional(database)
        .await?
        .ok_or(StoreError::NotFound("bowl"))
}

/// The bowls of a batch, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
) -> Result<Vec<BowlLine>, StoreError> {
    Ok(select_lines!("WHERE w.batch_id = ? ORDER BY w.opened_at DESC, w.id DESC", batch_id)
        .fetch_all(database)
        .await?)
}

/// A bowl at the bench, and what its batch is called.
#[derive(Clone, Debug, PartialEq)]
pub struct AtBench {
    /// The bowl.
    pub id: Uuid,
    /// Its batch.
    pub batch_id: Uuid,
    /// What its batch is called.
    pub batch_name: String,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
}

/// The bowls at the bench: open, or poured since then; of batches that go on. The latest first.
///
/// # Errors
/// Where the database fails.
pub async fn at_bench(
    database: impl MySqlExecutor<'_>,
    poured_since: WallTime,
) -> Result<Vec<AtBench>, StoreError> {
    Ok(sqlx::query_as!(
        AtBench,
        r#"SELECT w.id AS "id: Uuid", w.batch_id AS "batch_id: Uuid", b.name AS batch_name,
                  w.chocolate
           FROM bowls w
           JOIN batches b ON b.id = w.batch_id AND b.deleted_at IS NULL AND b.closed_at IS NULL
           WHERE w.status = 'open' OR (w.status = 'poured' AND w.ended_wall > ?)
           ORDER BY w.opened_at DESC LIMIT 200"#,
        poured_since.0.naive_utc()
    )
    .fetch_all(database)
    .await?)
}

/// The open bowls that the simulated thermometer measures.
///
/// # Errors
/// Where the database fails.
pub async fn simulated(database: impl MySqlExecutor<'_>) -> Result<Vec<BowlLine>, StoreError> {
    Ok(select_lines!(
        "JOIN batches b ON b.id = w.batch_id AND b.deleted_at IS NULL
         WHERE w.simulated AND w.status = 'open' ORDER BY w.opened_at"
    )
    .fetch_all(database)
    .await?)
}

/// Keeps where a bowl stands, with the action that changed it.
///
/// # Errors
/// Where the database fails.
pub async fn set_status(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    status: &BowlStatus,
) -> Result<(), StoreError> {
    let (word, at, wall, reason) = match status {
        BowlStatus::Open => ("open", None, None, None),
        BowlStatus::Poured { at, wall } => ("poured", Some(*at), Some(wall.0.naive_utc()), None),
        BowlStatus::GivenUp { at, wall, reason } => {
            ("given_up", Some(*at), Some(wall.0.naive_utc()), Some(reason.as_str()))
        }
    };
    sqlx::query!(
        "UPDATE bowls SET status = ?, ended_at = ?, ended_wall = ?, gave_up = ? WHERE id = ?",
        word,
        at.map(|at| at.naive_utc()),
        wall,
        reason,
        id
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Sets whether the simulated thermometer measures a bowl.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl.
pub async fn set_simulated(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    simulated: bool,
) -> Result<(), StoreError> {
    let done = sqlx::query!("UPDATE bowls SET simulated = ? WHERE id = ?", simulated, id)
        .execute(database)
        .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("bowl")) } else { Ok(()) }
}

/// Says that a thermometer measures a bowl at a place. Gives the one that does, where that is
/// another and was heard since then.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl.
pub async fn hear_probe(
    connection: &mut MySqlConnection,
    id: Uuid,
    (probe, place): (&str, Place),
    (now, silent_since): (WallTime, WallTime),
) -> Result<Option<String>, StoreError> {
    let at_edge = place.is_edge();
    let heard = sqlx::query!(
        "INSERT INTO bowl_probes (bowl_id, at_edge, name, heard_at) VALUES (?, ?, ?, ?)
         ON DUPLICATE KEY UPDATE
             name = IF(name = VALUES(name) OR heard_at <= ?, VALUES(name), name),
             heard_at = IF(name = VALUES(name), VALUES(heard_at), heard_at)",
        id,
        at_edge,
        probe,
        now.0.naive_utc(),
        silent_since.0.naive_utc()
    )
    .execute(&mut *connection)
    .await;
    inserted(heard, "bowl")?;
    let measures = sqlx::query_scalar!(
        "SELECT name FROM bowl_probes WHERE bowl_id = ? AND at_edge = ?",
        id,
        at_edge
    )
    .fetch_optional(connection)
    .await?;
    Ok(measures.filter(|name| name != probe))
}
