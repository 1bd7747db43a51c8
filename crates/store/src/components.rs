//! Components: one thing made in a batch.

use craft::plan::BarkInputs;
use sqlx::MySqlExecutor;
use sqlx::types::Json;
use uuid::Uuid;

use crate::{Pool, StoreError};

/// What a slab of bark is kept as.
pub const SLAB_BARK: &str = "slab-bark";

/// A component.
#[derive(Clone, Debug, PartialEq)]
pub struct Component {
    /// Its id.
    pub id: Uuid,
    /// Its batch.
    pub batch_id: Uuid,
    /// What is made: for now always [`SLAB_BARK`].
    pub kind: String,
    /// What the maker states.
    pub inputs: BarkInputs,
    /// Counts its edits.
    pub version: u32,
}

/// Keeps a new component.
///
/// # Errors
/// [`StoreError::NotFound`] where its batch does not exist.
pub async fn insert(
    database: impl MySqlExecutor<'_>,
    component: &Component,
) -> Result<(), StoreError> {
    sqlx::query!(
        "INSERT INTO components (id, batch_id, kind, inputs, version) VALUES (?, ?, ?, ?, ?)",
        component.id,
        component.batch_id,
        component.kind,
        Json(&component.inputs),
        component.version
    )
    .execute(database)
    .await
    .map_err(StoreError::inserting("batch"))?;
    Ok(())
}

/// A component by its id.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn get(pool: &Pool, id: Uuid) -> Result<Component, StoreError> {
    let row = sqlx::query!(
        r#"SELECT id AS "id: Uuid", batch_id AS "batch_id: Uuid", kind,
                  inputs AS "inputs: Json<BarkInputs>", version
           FROM components WHERE id = ?"#,
        id
    )
    .fetch_optional(pool)
    .await?
    .ok_or(StoreError::NotFound("component"))?;
    Ok(Component {
        id: row.id,
        batch_id: row.batch_id,
        kind: row.kind,
        inputs: row.inputs.0,
        version: row.version,
    })
}

/// The components of a batch.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(pool: &Pool, batch_id: Uuid) -> Result<Vec<Component>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", batch_id AS "batch_id: Uuid", kind,
                  inputs AS "inputs: Json<BarkInputs>", version
           FROM components WHERE batch_id = ? ORDER BY id"#,
        batch_id
    )
    .fetch_all(pool)
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Component {
            id: row.id,
            batch_id: row.batch_id,
            kind: row.kind,
            inputs: row.inputs.0,
            version: row.version,
        })
        .collect())
}

/// Changes what a component states, if it is still at the version that the
/// change was made from. Gives the new version.
///
/// # Errors
/// [`StoreError::Changed`] where it was edited in between.
pub async fn update(
    pool: &Pool,
    id: Uuid,
    from_version: u32,
    inputs: &BarkInputs,
) -> Result<u32, StoreError> {
    let done = sqlx::query!(
        "UPDATE components SET inputs = ?, version = version + 1 WHERE id = ? AND version = ?",
        Json(inputs),
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
