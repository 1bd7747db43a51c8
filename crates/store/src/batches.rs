//! Batches: one project each, from plan to log.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use craft::plan::PlanInputs;
use sqlx::types::Json;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::error::appended;
use crate::{Pool, StoreError};

/// A batch.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Batch {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// The maker's remarks.
    pub note: String,
    /// Counts its edits.
    pub version: u32,
    /// When it was begun.
    pub created_at: DateTime<Utc>,
    /// When it was last edited.
    pub updated_at: DateTime<Utc>,
}

/// What a batch states, and how often that was edited.
#[derive(Clone, Debug, PartialEq)]
pub struct PlanRow {
    /// What the maker states.
    pub inputs: PlanInputs,
    /// Counts its edits; those of the name are counted apart.
    pub version: u32,
}

/// A batch as a list shows it.
#[derive(Clone, Debug, PartialEq)]
pub struct BatchLine {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// When it was last edited.
    pub updated_at: DateTime<Utc>,
    /// What it states.
    pub inputs: PlanInputs,
    /// Its bowls, the latest first.
    pub bowls: Vec<BowlLine>,
    /// When its build was begun.
    pub build_begun_at: Option<DateTime<Utc>>,
    /// How many times the outcome was noted.
    pub outcomes: u32,
}

/// A bowl as a list shows it.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct BowlLine {
    /// Its id.
    pub id: Uuid,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
    /// When it was poured.
    pub poured_at: Option<DateTime<Utc>>,
    /// When it was given up, and why.
    pub given_up: Option<(DateTime<Utc>, String)>,
}

/// Keeps a new batch. One that is kept already stays as it is.
///
/// # Errors
/// Where the database fails.
pub async fn create(pool: &Pool, batch: &Batch, inputs: &PlanInputs) -> Result<(), StoreError> {
    let mut connection = pool.acquire().await?;
    insert(&mut connection, batch, inputs).await
}

/// The same, as a part of something larger.
pub(crate) async fn insert(
    connection: &mut MySqlConnection,
    batch: &Batch,
    inputs: &PlanInputs,
) -> Result<(), StoreError> {
    let result = sqlx::query!(
        "INSERT INTO batches (id, name, note, version, inputs, created_at, updated_at)
         VALUES (?, ?, ?, ?, ?, ?, ?)",
        batch.id,
        batch.name,
        batch.note,
        batch.version,
        Json(inputs),
        batch.created_at,
        batch.updated_at
    )
    .execute(connection)
    .await;
    appended(result, "batch")?;
    Ok(())
}

/// What a batch states.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn plan(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<PlanRow, StoreError> {
    let row = sqlx::query!(
        r#"SELECT inputs AS "inputs: Json<PlanInputs>", plan_version FROM batches WHERE id = ?"#,
        id
    )
    .fetch_optional(database)
    .await?
    .ok_or(StoreError::NotFound("batch"))?;
    Ok(PlanRow { inputs: row.inputs.0, version: row.plan_version })
}

/// Changes what a batch states, if it is still at the version that the change was
/// made from. Gives the new version.
///
/// # Errors
/// [`StoreError::Changed`] where it was edited in between.
pub async fn update_plan(
    pool: &Pool,
    id: Uuid,
    from_version: u32,
    inputs: &PlanInputs,
) -> Result<u32, StoreError> {
    let done = sqlx::query!(
        "UPDATE batches SET inputs = ?, plan_version = plan_version + 1
         WHERE id = ? AND plan_version = ?",
        Json(inputs),
        id,
        from_version
    )
    .execute(pool)
    .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::Changed { current: plan(pool, id).await?.version });
    }
    Ok(from_version + 1)
}

/// A batch by its id.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn get(pool: &Pool, id: Uuid) -> Result<Batch, StoreError> {
    sqlx::query_as!(
        Batch,
        r#"SELECT id AS "id: Uuid", name, note, version,
                  created_at AS "created_at: DateTime<Utc>",
                  updated_at AS "updated_at: DateTime<Utc>"
           FROM batches WHERE id = ?"#,
        id
    )
    .fetch_optional(pool)
    .await?
    .ok_or(StoreError::NotFound("batch"))
}

/// Changes a batch's name and note, if it is still at the version that the
/// change was made from. Gives the new version.
///
/// # Errors
/// [`StoreError::Changed`] where it was edited in between.
pub async fn update(
    pool: &Pool,
    id: Uuid,
    from_version: u32,
    name: &str,
    note: &str,
    now: DateTime<Utc>,
) -> Result<u32, StoreError> {
    let done = sqlx::query!(
        "UPDATE batches SET name = ?, note = ?, version = version + 1, updated_at = ?
         WHERE id = ? AND version = ?",
        name,
        note,
        now,
        id,
        from_version
    )
    .execute(pool)
    .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::Changed { current: get(pool, id).await?.version });
    }
    Ok(from_version + 1)
}

/// Forgets a batch and everything that hangs on it.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn delete(pool: &Pool, id: Uuid) -> Result<(), StoreError> {
    let done = sqlx::query!("DELETE FROM batches WHERE id = ?", id).execute(pool).await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("batch")) } else { Ok(()) }
}

/// The latest five hundred batches, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn list(pool: &Pool) -> Result<Vec<BatchLine>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT b.id AS "id: Uuid", b.name, b.updated_at AS "updated_at: DateTime<Utc>",
                  b.inputs AS "inputs: Json<PlanInputs>",
                  u.begun_at AS "build_begun_at?: DateTime<Utc>",
                  (SELECT COUNT(*) FROM outcomes o WHERE o.batch_id = b.id) AS "outcomes!: i64"
           FROM batches b LEFT JOIN builds u ON u.batch_id = b.id
           ORDER BY b.updated_at DESC
           LIMIT 500"#
    )
    .fetch_all(pool)
    .await?;
    let mut bowls = bowls_of_latest(pool).await?;
    Ok(rows
        .into_iter()
        .map(|row| BatchLine {
            bowls: bowls.remove(&row.id).unwrap_or_default(),
            id: row.id,
            name: row.name,
            updated_at: row.updated_at,
            inputs: row.inputs.0,
            build_begun_at: row.build_begun_at,
            outcomes: u32::try_from(row.outcomes).unwrap_or(u32::MAX),
        })
        .collect())
}

/// The bowls of the latest five hundred batches, by batch, the latest first.
async fn bowls_of_latest(pool: &Pool) -> Result<HashMap<Uuid, Vec<BowlLine>>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT w.id AS "id: Uuid", w.batch_id AS "batch_id: Uuid", w.chocolate,
                  (SELECT MAX(a.at) FROM actions a
                   WHERE a.bowl_id = w.id AND a.kind = 'poured'
                     AND NOT EXISTS (SELECT 1 FROM actions u WHERE u.bowl_id = w.id AND u.undoes = a.id)
                  ) AS "poured_at: DateTime<Utc>",
                  g.at AS "given_up_at?: DateTime<Utc>", g.reason AS "reason?"
           FROM bowls w
           JOIN (SELECT id FROM batches ORDER BY updated_at DESC LIMIT 500) b ON b.id = w.batch_id
           LEFT JOIN actions g ON g.bowl_id = w.id AND g.kind = 'given_up'
                AND NOT EXISTS (SELECT 1 FROM actions u WHERE u.bowl_id = w.id AND u.undoes = g.id)
           ORDER BY w.opened_at DESC"#
    )
    .fetch_all(pool)
    .await?;
    let mut by_batch: HashMap<Uuid, Vec<BowlLine>> = HashMap::new();
    for row in rows {
        by_batch.entry(row.batch_id).or_default().push(BowlLine {
            id: row.id,
            chocolate: row.chocolate,
            poured_at: row.poured_at,
            given_up: row.given_up_at.zip(row.reason),
        });
    }
    Ok(by_batch)
}
