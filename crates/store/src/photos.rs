//! Photos of smears, of finished pieces, and of colours.

use chrono::{DateTime, Utc};
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// A photo without its picture.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct PhotoLine {
    /// Its id.
    pub id: Uuid,
    /// When it was taken, on the bowl's clock.
    pub taken_at: DateTime<Utc>,
    /// Width, pixels.
    pub width: u32,
    /// Height, pixels.
    pub height: u32,
}

/// What a photo is of.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum PhotoOf {
    /// A bowl's smear.
    Bowl(Uuid),
    /// A batch's finished pieces.
    Batch(Uuid),
    /// A thing on the shelf: a colour that was mixed by eye.
    Thing(Uuid),
}

/// Keeps a photo; the digest is that of the picture as it was sent.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl, or batch; [`StoreError::OtherContent`]
/// where another was sent by this id.
pub async fn append(
    connection: &mut MySqlConnection,
    of: PhotoOf,
    photo: &PhotoLine,
    jpeg: &[u8],
    digest: Uuid,
) -> Result<Sent, StoreError> {
    let (bowl_id, batch_id, thing_id, what) = match of {
        PhotoOf::Bowl(id) => (Some(id), None, None, "bowl"),
        PhotoOf::Batch(id) => (None, Some(id), None, "batch"),
        PhotoOf::Thing(id) => (None, None, Some(id), "thing on the shelf"),
    };
    let result = sqlx::query!(
        "INSERT INTO photos
             (id, bowl_id, batch_id, thing_id, taken_at, width, height, jpeg, digest)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
        photo.id,
        bowl_id,
        batch_id,
        thing_id,
        photo.taken_at.naive_utc(),
        photo.width,
        photo.height,
        jpeg,
        digest
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, what)? {
        return Ok(sent);
    }
    let kept = sqlx::query_scalar!(
        r#"SELECT digest AS "digest: Uuid" FROM photos WHERE id = ?"#,
        photo.id
    )
    .fetch_one(connection)
    .await?;
    again(kept == Some(digest), "photo")
}

/// A photo, without its picture.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn line(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<PhotoLine, StoreError> {
    sqlx::query_as!(
        PhotoLine,
        r#"SELECT id AS "id: Uuid", taken_at AS "taken_at: DateTime<Utc>", width, height
           FROM photos WHERE id = ?"#,
        id
    )
    .fetch_optional(database)
    .await?
    .ok_or(StoreError::NotFound("photo"))
}

/// A batch's photos, the first taken first.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
) -> Result<Vec<PhotoLine>, StoreError> {
    Ok(sqlx::query_as!(
        PhotoLine,
        r#"SELECT id AS "id: Uuid", taken_at AS "taken_at: DateTime<Utc>", width, height
           FROM photos WHERE batch_id = ? ORDER BY taken_at, id"#,
        batch_id
    )
    .fetch_all(database)
    .await?)
}

/// A bowl's photos, the first taken first.
///
/// # Errors
/// Where the database fails.
pub async fn of_bowl(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
) -> Result<Vec<PhotoLine>, StoreError> {
    Ok(sqlx::query_as!(
        PhotoLine,
        r#"SELECT id AS "id: Uuid", taken_at AS "taken_at: DateTime<Utc>", width, height
           FROM photos WHERE bowl_id = ? ORDER BY taken_at, id"#,
        bowl_id
    )
    .fetch_all(database)
    .await?)
}

/// The photos of a thing on the shelf, the first taken first.
///
/// # Errors
/// Where the database fails.
pub async fn of_thing(
    database: impl MySqlExecutor<'_>,
    thing_id: Uuid,
) -> Result<Vec<PhotoLine>, StoreError> {
    Ok(sqlx::query_as!(
        PhotoLine,
        r#"SELECT id AS "id: Uuid", taken_at AS "taken_at: DateTime<Utc>", width, height
           FROM photos WHERE thing_id = ? ORDER BY taken_at, id"#,
        thing_id
    )
    .fetch_all(database)
    .await?)
}

/// The picture of a photo, JPEG.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn picture(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<Vec<u8>, StoreError> {
    sqlx::query_scalar!("SELECT jpeg FROM photos WHERE id = ?", id)
        .fetch_optional(database)
        .await?
        .ok_or(StoreError::NotFound("photo"))
}

/// Forgets a photo.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn delete(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<(), StoreError> {
    let done = sqlx::query!("DELETE FROM photos WHERE id = ?", id).execute(database).await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("photo")) } else { Ok(()) }
}
