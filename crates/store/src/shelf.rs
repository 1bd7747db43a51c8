//! The shelf: what stands on it, and what bowls taught about it.

use chrono::{DateTime, Utc};
use craft::learn::GearNumbers;
use craft::shelf::{Entry, Shelf, Taught, Thing};
use sqlx::types::Json;
use uuid::Uuid;

use crate::error::appended;
use crate::{Pool, StoreError};

/// A thing on the shelf, as it is kept.
#[derive(Clone, Debug, PartialEq)]
pub struct ShelfRow {
    /// Its id.
    pub id: Uuid,
    /// What it is.
    pub thing: Thing,
    /// Counts its edits.
    pub version: u32,
    /// Whether it was put away.
    pub put_away: bool,
    /// Bowls opened before this teach nothing about it.
    pub learns_from: Option<DateTime<Utc>>,
}

/// Everything on the shelf, put away or not, the oldest first.
///
/// # Errors
/// Where the database fails.
pub async fn list(pool: &Pool) -> Result<Vec<ShelfRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", thing AS "thing: Json<Thing>", version,
                  put_away AS "put_away: bool", learns_from AS "learns_from: DateTime<Utc>"
           FROM shelf ORDER BY created_at, id"#
    )
    .fetch_all(pool)
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| ShelfRow {
            id: row.id,
            thing: row.thing.0,
            version: row.version,
            put_away: row.put_away,
            learns_from: row.learns_from,
        })
        .collect())
}

/// A thing by its id.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn get(pool: &Pool, id: Uuid) -> Result<ShelfRow, StoreError> {
    let rows = list(pool).await?;
    rows.into_iter().find(|row| row.id == id).ok_or(StoreError::NotFound("thing on the shelf"))
}

/// The shelf as the rules see it.
///
/// # Errors
/// Where the database fails.
pub async fn read(pool: &Pool) -> Result<Shelf, StoreError> {
    as_ruled(&list(pool).await?, pool).await
}

/// The same, of things that were listed already.
///
/// # Errors
/// Where the database fails.
pub async fn as_ruled(rows: &[ShelfRow], pool: &Pool) -> Result<Shelf, StoreError> {
    let entry = |row: &ShelfRow| Entry { thing: row.thing.clone(), learns_from: row.learns_from };
    let entries = rows.iter().map(|row| (row.id, entry(row)));
    Ok(Shelf::new(entries, lessons(pool).await?))
}

/// Keeps a new thing; one that is kept already stays as it is.
///
/// # Errors
/// Where the database fails.
pub async fn insert(
    pool: &Pool,
    id: Uuid,
    thing: &Thing,
    now: DateTime<Utc>,
) -> Result<bool, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO shelf (id, thing, created_at) VALUES (?, ?, ?)",
        id,
        Json(thing),
        now
    )
    .execute(pool)
    .await;
    appended(result, "shelf")
}

/// Changes a thing, if it is still at the version that the change was made from.
///
/// # Errors
/// [`StoreError::Changed`] where it was edited in between.
pub async fn update(
    pool: &Pool,
    id: Uuid,
    from_version: u32,
    thing: &Thing,
) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "UPDATE shelf SET thing = ?, version = version + 1, put_away = FALSE
         WHERE id = ? AND version = ?",
        Json(thing),
        id,
        from_version
    )
    .execute(pool)
    .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::Changed { current: get(pool, id).await?.version });
    }
    Ok(())
}

/// Puts a thing away: it is no longer offered, and plans that name it still can.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn put_away(pool: &Pool, id: Uuid) -> Result<(), StoreError> {
    let done =
        sqlx::query!("UPDATE shelf SET put_away = TRUE WHERE id = ?", id).execute(pool).await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::NotFound("thing on the shelf"));
    }
    Ok(())
}

/// Forgets what was learned about a thing: bowls opened from now on teach anew.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn unlearn(pool: &Pool, id: Uuid, now: DateTime<Utc>) -> Result<(), StoreError> {
    let done = sqlx::query!("UPDATE shelf SET learns_from = ? WHERE id = ?", now, id)
        .execute(pool)
        .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::NotFound("thing on the shelf"));
    }
    Ok(())
}

/// Keeps what a bowl taught, in place of what it had taught before.
///
/// # Errors
/// Where the database fails.
pub async fn learn(pool: &Pool, bowl_id: Uuid, taught: &Taught) -> Result<(), StoreError> {
    sqlx::query!(
        "REPLACE INTO lessons (bowl_id, ware_id, heat_id, opened_at, taught) VALUES (?, ?, ?, ?, ?)",
        bowl_id,
        taught.ware_id,
        taught.heat_id,
        taught.opened,
        Json(&taught.numbers)
    )
    .execute(pool)
    .await?;
    Ok(())
}

/// Takes back what a bowl taught: its course has not ended after all.
///
/// # Errors
/// Where the database fails.
pub async fn unteach(pool: &Pool, bowl_id: Uuid) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM lessons WHERE bowl_id = ?", bowl_id).execute(pool).await?;
    Ok(())
}

async fn lessons(pool: &Pool) -> Result<Vec<Taught>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT ware_id AS "ware_id: Uuid", heat_id AS "heat_id: Uuid",
                  opened_at AS "opened_at: DateTime<Utc>", taught AS "taught: Json<GearNumbers>"
           FROM lessons ORDER BY opened_at DESC LIMIT 1000"#
    )
    .fetch_all(pool)
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Taught {
            opened: row.opened_at,
            ware_id: row.ware_id,
            heat_id: row.heat_id,
            numbers: row.taught.0,
        })
        .collect())
}
