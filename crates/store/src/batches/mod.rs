//! Batches: one making of a plan each, with what it was begun with.

mod list;

pub use list::{BatchLine, BatchesOf, Narrowed, list};

use chrono::{DateTime, Utc};
use craft::batch::Stage;
use craft::plan::PlanInputs;
use craft::result::LookAfter;
use craft::time::WallTime;
use serde::Serialize;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::document::{Computed, Kept, Summary, read, written};
use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// A batch's own time: `kitchen` at `real`, running `rate` times as fast.
#[derive(Clone, Copy, Debug, PartialEq, Serialize)]
pub struct ClockRow {
    /// Wall time of the anchor.
    pub real: WallTime,
    /// Kitchen time of the anchor.
    pub kitchen: DateTime<Utc>,
    /// Kitchen seconds per real second.
    pub rate: f64,
}

/// A batch, without its documents.
#[derive(Clone, Debug, PartialEq)]
pub struct BatchRow {
    /// Its id.
    pub id: Uuid,
    /// The plan it was made of; `None` once that is gone.
    pub plan_id: Option<Uuid>,
    /// What it is called.
    pub name: String,
    /// The maker's remarks.
    pub note: String,
    /// Counts the edits of name and note.
    pub version: u32,
    /// The release that worked out what was kept.
    pub made_by: String,
    /// When it was begun.
    pub begun_at: WallTime,
    /// When the maker closed it.
    pub closed_at: Option<WallTime>,
    /// When it was deleted.
    pub deleted_at: Option<WallTime>,
    /// Its time.
    pub clock: ClockRow,
    /// Whether its clock was the wall's from the beginning.
    pub real_time: bool,
    /// Where it stands.
    pub stage: Stage,
    /// When its last bowl ended.
    pub ended_at: Option<WallTime>,
    /// When anything happened to it last.
    pub last_at: WallTime,
    /// Whether the maker marked it.
    pub starred: bool,
    /// The last look at what came out that the maker passed over.
    pub passed_look: Option<LookAfter>,
}

impl BatchRow {
    /// The same, where it is not deleted.
    ///
    /// # Errors
    /// [`StoreError::NotFound`] where it is.
    pub fn in_use(self) -> Result<Self, StoreError> {
        if self.deleted_at.is_some() { Err(StoreError::NotFound("batch")) } else { Ok(self) }
    }
}

/// What a batch was begun with.
#[derive(Clone, Debug, PartialEq)]
pub struct BegunWith {
    /// What was stated, with what it named on the shelf filled in.
    pub stated: Kept<PlanInputs>,
    /// What followed; `None` for what was begun before that was kept, until it is worked out.
    pub computed: Option<Kept<Computed>>,
}

/// What a new batch is begun with.
#[derive(Clone, Debug)]
pub struct NewBatch<'a> {
    /// What was stated, filled in.
    pub stated: &'a PlanInputs,
    /// What follows from it.
    pub computed: &'a Computed,
    /// What lists show.
    pub summary: &'a Summary,
    /// What a search looks through.
    pub words: &'a str,
    /// What was sent.
    pub digest: Uuid,
}

/// Keeps a new batch.
///
/// # Errors
/// [`StoreError::OtherContent`] where another was sent by this id.
pub async fn insert(
    connection: &mut MySqlConnection,
    batch: &BatchRow,
    new: &NewBatch<'_>,
) -> Result<Sent, StoreError> {
    let (stated, computed) = (written(new.stated)?, written(new.computed)?);
    let summary = written(new.summary)?;
    let result = sqlx::query!(
        "INSERT INTO batches (id, plan_id, name, note, version, stated, computed, made_by, digest,
                              begun_at, closed_at, clock_real, clock_kitchen, clock_rate, real_time,
                              stage, summary, words, last_at)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
        batch.id,
        batch.plan_id,
        batch.name,
        batch.note,
        batch.version,
        stated,
        computed,
        batch.made_by,
        new.digest,
        batch.begun_at.0.naive_utc(),
        batch.closed_at.map(|at| at.0.naive_utc()),
        batch.clock.real.0.naive_utc(),
        batch.clock.kitchen.naive_utc(),
        batch.clock.rate,
        batch.real_time,
        batch.stage.word(),
        summary,
        new.words,
        batch.last_at.0.naive_utc()
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "plan")? {
        return Ok(sent);
    }
    let kept = sqlx::query_scalar!(
        r#"SELECT digest AS "digest: Uuid" FROM batches WHERE id = ?"#,
        batch.id
    )
    .fetch_one(connection)
    .await?;
    again(kept == Some(new.digest), "batch")
}

macro_rules! select_batches {
    ($rest:literal $(, $argument:expr)*) => {
        sqlx::query!(
            r#"SELECT id AS "id: Uuid", plan_id AS "plan_id: Uuid", name, note, version, made_by,
                      begun_at AS "begun_at: DateTime<Utc>", closed_at AS "closed_at: DateTime<Utc>",
                      deleted_at AS "deleted_at: DateTime<Utc>",
                      clock_real AS "real: DateTime<Utc>", clock_kitchen AS "kitchen: DateTime<Utc>",
                      clock_rate, real_time AS "real_time: bool", stage,
                      ended_at AS "ended_at: DateTime<Utc>", last_at AS "last_at: DateTime<Utc>",
                      starred AS "starred: bool", passed_look
               FROM batches "# + $rest
            $(, $argument)*
        )
        .map(|row| BatchRow {
            id: row.id,
            plan_id: row.plan_id,
            name: row.name,
            note: row.note,
            version: row.version,
            made_by: row.made_by,
            begun_at: WallTime(row.begun_at),
            closed_at: row.closed_at.map(WallTime),
            deleted_at: row.deleted_at.map(WallTime),
            clock: ClockRow { real: WallTime(row.real), kitchen: row.kitchen, rate: row.clock_rate },
            real_time: row.real_time,
            stage: Stage::from_word(&row.stage).unwrap_or(Stage::UnderWay),
            ended_at: row.ended_at.map(WallTime),
            last_at: WallTime(row.last_at),
            starred: row.starred,
            passed_look: row.passed_look.as_deref().and_then(LookAfter::from_word),
        })
    };
}

/// A batch by its id, deleted or not.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn get(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<BatchRow, StoreError> {
    select_batches!("WHERE id = ?", id)
        .fetch_optional(database)
        .await?
        .ok_or(StoreError::NotFound("batch"))
}

/// The same, held until the transaction ends: what happens to a batch happens one after the
/// other.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn lock(connection: &mut MySqlConnection, id: Uuid) -> Result<BatchRow, StoreError> {
    select_batches!("WHERE id = ? FOR UPDATE", id)
        .fetch_optional(connection)
        .await?
        .ok_or(StoreError::NotFound("batch"))
}

/// What a batch was begun with.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn begun_with(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
) -> Result<BegunWith, StoreError> {
    let row = sqlx::query!(
        r#"SELECT stated AS "stated: String", computed AS "computed: String" FROM batches WHERE id = ?"#,
        id
    )
    .fetch_optional(database)
    .await?
    .ok_or(StoreError::NotFound("batch"))?;
    Ok(BegunWith {
        stated: read(&row.stated),
        computed: row.computed.map(|computed| read(&computed)),
    })
}

/// What followed from what a batch was begun with: its plan as it was shown, and its steps.
///
/// # Errors
/// [`StoreError::Unreadable`] where it cannot be read.
pub async fn computed(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<Computed, StoreError> {
    let row = sqlx::query_scalar!(
        r#"SELECT computed AS "computed: String" FROM batches WHERE id = ?"#,
        id
    )
    .fetch_optional(database)
    .await?
    .ok_or(StoreError::NotFound("batch"))?;
    match row {
        Some(text) => Ok(read(&text)?),
        None => Err(StoreError::unreadable("what a batch was worked out to be", "it is not there")),
    }
}

/// What is kept of a batch, as it is, whether it can be read or not.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn as_kept(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
) -> Result<(String, Option<String>), StoreError> {
    let row = sqlx::query!(
        r#"SELECT stated AS "stated: String", computed AS "computed: String" FROM batches WHERE id = ?"#,
        id
    )
    .fetch_optional(database)
    .await?
    .ok_or(StoreError::NotFound("batch"))?;
    Ok((row.stated, row.computed))
}

/// Works into a batch that was begun before it was kept what follows from what it stated.
///
/// # Errors
/// Where the database fails.
pub async fn set_computed(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    new: &NewBatch<'_>,
) -> Result<(), StoreError> {
    let (stated, computed) = (written(new.stated)?, written(new.computed)?);
    let summary = written(new.summary)?;
    sqlx::query!(
        "UPDATE batches SET stated = ?, computed = ?, summary = ?, words = ? WHERE id = ?",
        stated,
        computed,
        summary,
        new.words,
        id
    )
    .execute(database)
    .await?;
    Ok(())
}

/// The batches of which what follows is still to be worked out.
///
/// # Errors
/// Where the database fails.
pub async fn not_computed(database: impl MySqlExecutor<'_>) -> Result<Vec<Uuid>, StoreError> {
    Ok(sqlx::query_scalar!(r#"SELECT id AS "id: Uuid" FROM batches WHERE computed IS NULL"#)
        .fetch_all(database)
        .await?)
}

/// Changes a batch's name and note, if it is still at the version that the change was made
/// from. Gives the new version.
///
/// # Errors
/// [`StoreError::Changed`] where it was edited in between.
pub async fn rename(
    connection: &mut MySqlConnection,
    id: Uuid,
    from_version: u32,
    (name, note, words): (&str, &str, &str),
    now: WallTime,
) -> Result<u32, StoreError> {
    let done = sqlx::query!(
        "UPDATE batches SET name = ?, note = ?, words = ?, version = version + 1, last_at = GREATEST(last_at, ?)
         WHERE id = ? AND version = ?",
        name,
        note,
        words,
        now.0.naive_utc(),
        id,
        from_version
    )
    .execute(&mut *connection)
    .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::Changed { current: get(connection, id).await?.version });
    }
    Ok(from_version + 1)
}

/// Keeps where a batch stands, with the event that changed it.
///
/// # Errors
/// Where the database fails.
pub async fn set_standing(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    (stage, unfinished): (Stage, bool),
    ended_at: Option<WallTime>,
    now: WallTime,
) -> Result<(), StoreError> {
    sqlx::query!(
        "UPDATE batches SET stage = ?, unfinished = ?, ended_at = ?, last_at = GREATEST(last_at, ?),
                changes = changes + 1 WHERE id = ?",
        stage.word(),
        unfinished,
        ended_at.map(|at| at.0.naive_utc()),
        now.0.naive_utc(),
        id
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Marks a batch, or takes that back.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn set_starred(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    starred: bool,
) -> Result<(), StoreError> {
    let done = sqlx::query!("UPDATE batches SET starred = ? WHERE id = ?", starred, id)
        .execute(database)
        .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("batch")) } else { Ok(()) }
}

/// Closes a batch with something left to make, or opens it again.
///
/// # Errors
/// Where the database fails.
pub async fn set_closed(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    at: Option<WallTime>,
) -> Result<(), StoreError> {
    sqlx::query!(
        "UPDATE batches SET closed_at = ? WHERE id = ?",
        at.map(|at| at.0.naive_utc()),
        id
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Deletes a batch, or takes that back.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn set_deleted(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    at: Option<WallTime>,
) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "UPDATE batches SET deleted_at = ? WHERE id = ?",
        at.map(|at| at.0.naive_utc()),
        id
    )
    .execute(database)
    .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("batch")) } else { Ok(()) }
}

/// Sets a batch's clock. One that did not keep the wall's time once never did.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn set_clock(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    clock: ClockRow,
    real_time: bool,
) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "UPDATE batches SET clock_real = ?, clock_kitchen = ?, clock_rate = ?, real_time = real_time AND ?
         WHERE id = ?",
        clock.real.0.naive_utc(),
        clock.kitchen.naive_utc(),
        clock.rate,
        real_time,
        id
    )
    .execute(database)
    .await?;
    // Rows are counted as found, not as changed: none means there is none.
    if done.rows_affected() == 0 { Err(StoreError::NotFound("batch")) } else { Ok(()) }
}

/// The batches of a plan, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn of_plan(
    database: impl MySqlExecutor<'_>,
    plan_id: Uuid,
) -> Result<Vec<BatchRow>, StoreError> {
    Ok(select_batches!(
        "WHERE plan_id = ? AND deleted_at IS NULL ORDER BY begun_at DESC, id LIMIT 200",
        plan_id
    )
    .fetch_all(database)
    .await?)
}

/// The batches under way that anything happened to since then, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn under_way_since(
    database: impl MySqlExecutor<'_>,
    since: WallTime,
) -> Result<Vec<BatchRow>, StoreError> {
    Ok(select_batches!(
        "WHERE stage = 'under_way' AND last_at > ? AND deleted_at IS NULL AND closed_at IS NULL
         ORDER BY last_at DESC LIMIT 100",
        since.0.naive_utc()
    )
    .fetch_all(database)
    .await?)
}
