//! Photos of smears and of finished pieces.

use chrono::{DateTime, Utc};
use uuid::Uuid;

use crate::error::appended;
use crate::{Pool, StoreError};

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
}

/// Keeps a photo. Gives `false` where it was kept already.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl, or batch.
pub async fn append(
    pool: &Pool,
    of: PhotoOf,
    photo: &PhotoLine,
    jpeg: &[u8],
) -> Result<bool, StoreError> {
    let (bowl_id, batch_id, what) = match of {
        PhotoOf::Bowl(id) => (Some(id), None, "bowl"),
        PhotoOf::Batch(id) => (None, Some(id), "batch"),
    };
    let result = sqlx::query!(
        "INSERT INTO photos (id, bowl_id, batch_id, taken_at, width, height, jpeg)
         VALUES (?, ?, ?, ?, ?, ?, ?)",
        photo.id,
        bowl_id,
        batch_id,
        photo.taken_at,
        photo.width,
        photo.height,
        jpeg
    )
    .execute(pool)
    .await;
    appended(result, what)
}

/// A batch's photos, the first taken first.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(pool: &Pool, batch_id: Uuid) -> Result<Vec<PhotoLine>, StoreError> {
    Ok(sqlx::query_as!(
        PhotoLine,
        r#"SELECT id AS "id: Uuid", taken_at AS "taken_at: DateTime<Utc>", width, height
           FROM photos WHERE batch_id = ? ORDER BY taken_at, id"#,
        batch_id
    )
    .fetch_all(pool)
    .await?)
}

/// A bowl's photos, the first taken first.
///
/// # Errors
/// Where the database fails.
pub async fn of_bowl(pool: &Pool, bowl_id: Uuid) -> Result<Vec<PhotoLine>, StoreError> {
    Ok(sqlx::query_as!(
        PhotoLine,
        r#"SELECT id AS "id: Uuid", taken_at AS "taken_at: DateTime<Utc>", width, height
           FROM photos WHERE bowl_id = ? ORDER BY taken_at, id"#,
        bowl_id
    )
    .fetch_all(pool)
    .await?)
}

/// The picture of a photo, JPEG.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn picture(pool: &Pool, id: Uuid) -> Result<Vec<u8>, StoreError> {
    sqlx::query_scalar!("SELECT jpeg FROM photos WHERE id = ?", id)
        .fetch_optional(pool)
        .await?
        .ok_or(StoreError::NotFound("photo"))
}

/// Forgets a photo.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn delete(pool: &Pool, id: Uuid) -> Result<(), StoreError> {
    let done = sqlx::query!("DELETE FROM photos WHERE id = ?", id).execute(pool).await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("photo")) } else { Ok(()) }
}
