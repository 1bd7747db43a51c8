//! Batches: one project each, from plan to log.

use chrono::{DateTime, Utc};
use sqlx::MySqlConnection;
use uuid::Uuid;

use crate::components::{self, Component};
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

/// A batch as a list shows it.
#[derive(Clone, Debug, PartialEq)]
pub struct BatchLine {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// When it was last edited.
    pub updated_at: DateTime<Utc>,
    /// Its component.
    pub component_id: Uuid,
    /// What the component states.
    pub inputs: craft::plan::BarkInputs,
    /// Its latest bowl, once it was taken to the bench.
    pub bowl_id: Option<Uuid>,
    /// When that bowl was poured.
    pub poured_at: Option<DateTime<Utc>>,
    /// When that bowl was given up, and why.
    pub given_up: Option<(DateTime<Utc>, String)>,
    /// How many times the outcome was noted.
    pub outcomes: u32,
}

/// Keeps a new batch and its first component, both or neither. A batch that is
/// kept already stays as it is.
///
/// # Errors
/// Where the database fails.
pub async fn create(pool: &Pool, batch: &Batch, component: &Component) -> Result<(), StoreError> {
    let mut transaction = pool.begin().await?;
    insert(&mut transaction, batch, component).await?;
    transaction.commit().await?;
    Ok(())
}

/// The same, as a part of something larger.
pub(crate) async fn insert(
    transaction: &mut MySqlConnection,
    batch: &Batch,
    component: &Component,
) -> Result<(), StoreError> {
    let result = sqlx::query!(
        "INSERT INTO batches (id, name, note, version, created_at, updated_at)
         VALUES (?, ?, ?, ?, ?, ?)",
        batch.id,
        batch.name,
        batch.note,
        batch.version,
        batch.created_at,
        batch.updated_at
    )
    .execute(&mut *transaction)
    .await;
    if appended(result, "batch")? {
        components::insert(&mut *transaction, component).await?;
    }
    Ok(())
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
                  c.id AS "component_id: Uuid",
                  c.inputs AS "inputs: sqlx::types::Json<craft::plan::BarkInputs>",
                  w.id AS "bowl_id?: Uuid",
                  (SELECT MAX(a.at) FROM actions a
                   WHERE a.bowl_id = w.id AND a.kind = 'poured'
                     AND NOT EXISTS (SELECT 1 FROM actions u WHERE u.bowl_id = w.id AND u.undoes = a.id)
                  ) AS "poured_at: DateTime<Utc>",
                  g.at AS "given_up_at?: DateTime<Utc>", g.reason AS "reason?",
                  (SELECT COUNT(*) FROM outcomes o WHERE o.batch_id = b.id) AS "outcomes!: i64"
           FROM batches b
           JOIN components c ON c.batch_id = b.id
           LEFT JOIN bowls w ON w.component_id = c.id
                AND w.opened_at = (SELECT MAX(l.opened_at) FROM bowls l WHERE l.component_id = c.id)
           LEFT JOIN actions g ON g.bowl_id = w.id AND g.kind = 'given_up'
                AND NOT EXISTS (SELECT 1 FROM actions u WHERE u.bowl_id = w.id AND u.undoes = g.id)
           ORDER BY b.updated_at DESC
           LIMIT 500"#
    )
    .fetch_all(pool)
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| BatchLine {
            id: row.id,
            name: row.name,
            updated_at: row.updated_at,
            component_id: row.component_id,
            inputs: row.inputs.0,
            bowl_id: row.bowl_id,
            poured_at: row.poured_at,
            given_up: row.given_up_at.zip(row.reason),
            outcomes: u32::try_from(row.outcomes).unwrap_or(u32::MAX),
        })
        .collect())
}
