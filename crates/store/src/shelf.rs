//! The shelf: what stands on it, and what bowls taught about it.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use craft::learn::GearNumbers;
use craft::shelf::{Entry, Shelf, Taught, Thing};
use craft::time::WallTime;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::document::{Kept, read as read_document, written};
use crate::error::{again, inserted};
use crate::{Pool, Sent, StoreError};

/// So many of the latest lessons of each piece of gear are looked at.
const LESSONS_OF_EACH: u32 = 100;

/// A thing on the shelf, as it is kept.
#[derive(Clone, Debug, PartialEq)]
pub struct ShelfRow {
    /// Its id.
    pub id: Uuid,
    /// What it is.
    pub thing: Kept<Thing>,
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
pub async fn list(database: impl MySqlExecutor<'_>) -> Result<Vec<ShelfRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", thing AS "thing: String", version,
                  put_away AS "put_away: bool", learns_from AS "learns_from: DateTime<Utc>"
           FROM shelf ORDER BY created_at, id"#
    )
    .fetch_all(database)
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| ShelfRow {
            id: row.id,
            thing: read_document(&row.thing),
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
pub async fn get(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<ShelfRow, StoreError> {
    let rows = list(database).await?;
    rows.into_iter().find(|row| row.id == id).ok_or(StoreError::NotFound("thing on the shelf"))
}

/// The shelf as the rules see it.
///
/// # Errors
/// Where the database fails.
pub async fn read(pool: &Pool) -> Result<Shelf, StoreError> {
    as_ruled(&list(pool).await?, pool).await
}

/// The same, of things that were listed already. What cannot be read is not there for the
/// rules.
///
/// # Errors
/// Where the database fails.
pub async fn as_ruled(rows: &[ShelfRow], pool: &Pool) -> Result<Shelf, StoreError> {
    let mut connection = pool.acquire().await?;
    as_ruled_in(rows, &mut connection).await
}

/// The same, as a part of something larger.
///
/// # Errors
/// Where the database fails.
pub async fn as_ruled_in(
    rows: &[ShelfRow],
    connection: &mut MySqlConnection,
) -> Result<Shelf, StoreError> {
    let entries = rows.iter().filter_map(|row| {
        let thing = row.thing.as_ref().ok()?.clone();
        let put_away = row.put_away;
        Some((row.id, Entry { thing, learns_from: row.learns_from, put_away }))
    });
    let lessons = lessons(rows, connection).await?;
    let counted = crate::counts::learned(&mut *connection).await?;
    Ok(Shelf::new(entries, lessons).counting(counted))
}

/// What is kept of a thing, as it is, whether it can be read or not.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn as_kept(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<String, StoreError> {
    sqlx::query_scalar!(r#"SELECT thing AS "thing: String" FROM shelf WHERE id = ?"#, id)
        .fetch_optional(database)
        .await?
        .ok_or(StoreError::NotFound("thing on the shelf"))
}

/// Keeps a new thing.
///
/// # Errors
/// [`StoreError::OtherContent`] where another was sent by this id.
pub async fn insert(
    connection: &mut MySqlConnection,
    id: Uuid,
    thing: &Thing,
    digest: Uuid,
    now: WallTime,
) -> Result<Sent, StoreError> {
    let thing = written(thing)?;
    let result = sqlx::query!(
        "INSERT INTO shelf (id, thing, digest, created_at) VALUES (?, ?, ?, ?)",
        id,
        thing,
        digest,
        now.0.naive_utc()
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "shelf")? {
        return Ok(sent);
    }
    let kept =
        sqlx::query_scalar!(r#"SELECT digest AS "digest: Uuid" FROM shelf WHERE id = ?"#, id)
            .fetch_one(connection)
            .await?;
    again(kept == Some(digest), "thing")
}

/// Changes a thing, if it is still at the version that the change was made from.
///
/// # Errors
/// [`StoreError::Changed`] where it was edited in between.
pub async fn update(
    connection: &mut MySqlConnection,
    id: Uuid,
    from_version: u32,
    thing: &Thing,
) -> Result<(), StoreError> {
    let thing = written(thing)?;
    let done = sqlx::query!(
        "UPDATE shelf SET thing = ?, version = version + 1, put_away = FALSE
         WHERE id = ? AND version = ?",
        thing,
        id,
        from_version
    )
    .execute(&mut *connection)
    .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::Changed { current: get(connection, id).await?.version });
    }
    Ok(())
}

/// Archives a thing: it is no longer offered, and plans that name it still can; or takes it
/// into use again.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn set_archived(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    archived: bool,
) -> Result<(), StoreError> {
    let done = sqlx::query!("UPDATE shelf SET put_away = ? WHERE id = ?", archived, id)
        .execute(database)
        .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::NotFound("thing on the shelf"));
    }
    Ok(())
}

/// Forgets what was learned about a thing: bowls opened from now on teach anew.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn unlearn(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    now: WallTime,
) -> Result<(), StoreError> {
    let done = sqlx::query!("UPDATE shelf SET learns_from = ? WHERE id = ?", now.0.naive_utc(), id)
        .execute(database)
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
pub async fn learn(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
    taught: &Taught,
) -> Result<(), StoreError> {
    let numbers = written(&taught.numbers)?;
    sqlx::query!(
        "REPLACE INTO lessons (bowl_id, ware_id, heat_id, opened_at, taught) VALUES (?, ?, ?, ?, ?)",
        bowl_id,
        taught.ware_id,
        taught.heat_id,
        taught.opened.naive_utc(),
        numbers
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Takes back what a bowl taught: its course has not ended after all.
///
/// # Errors
/// Where the database fails.
pub async fn unteach(database: impl MySqlExecutor<'_>, bowl_id: Uuid) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM lessons WHERE bowl_id = ?", bowl_id).execute(database).await?;
    Ok(())
}

macro_rules! select_lessons {
    ($database:expr, $condition:literal $(, $argument:expr)*) => {
        sqlx::query!(
            r#"SELECT bowl_id AS "bowl_id: Uuid", ware_id AS "ware_id: Uuid",
                      heat_id AS "heat_id: Uuid", opened_at AS "opened_at: DateTime<Utc>",
                      taught AS "taught: String"
               FROM lessons WHERE "# + $condition + " ORDER BY opened_at DESC LIMIT ?"
            $(, $argument)*, LESSONS_OF_EACH
        )
        .map(|row| {
            let numbers: GearNumbers = read_document(&row.taught).unwrap_or_default();
            let (opened, ware_id, heat_id) = (row.opened_at, row.ware_id, row.heat_id);
            (row.bowl_id, Taught { opened, ware_id, heat_id, numbers })
        })
        .fetch_all($database)
        .await?
    };
}

/// The latest lessons of each piece of gear and of the kitchen, the latest first. What taught
/// about two of them is there once; what cannot be read teaches nothing.
async fn lessons(
    rows: &[ShelfRow],
    connection: &mut MySqlConnection,
) -> Result<Vec<Taught>, StoreError> {
    let mut known = HashMap::new();
    known.extend(select_lessons!(&mut *connection, "ware_id IS NULL AND heat_id IS NULL"));
    for row in rows {
        match row.thing {
            Ok(Thing::Ware(_)) => {
                known.extend(select_lessons!(&mut *connection, "ware_id = ?", row.id))
            }
            Ok(Thing::Heat(_)) => {
                known.extend(select_lessons!(&mut *connection, "heat_id = ?", row.id))
            }
            _ => {}
        }
    }
    let mut lessons: Vec<Taught> = known.into_values().collect();
    lessons.sort_by_key(|taught| std::cmp::Reverse(taught.opened));
    Ok(lessons)
}
