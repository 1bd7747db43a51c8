//! Plans: what one intends to make, and what they stated before.

use chrono::{DateTime, Utc};
use craft::plan::PlanInputs;
use craft::time::WallTime;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::document::{Kept, read, written};
use crate::error::{again, inserted};
use crate::page::{Page, pattern};
use crate::{Sent, StoreError};

/// Earlier versions are kept for so many edits: to undo twenty, and to bring an edit together
/// with one that was made from a version a while ago.
const VERSIONS_KEPT: u32 = 60;

/// What a maker writes of a plan.
#[derive(Clone, Debug, PartialEq)]
pub struct PlanText {
    /// The maker's name for it.
    pub name: String,
    /// The maker's remarks.
    pub note: String,
    /// What it states.
    pub inputs: PlanInputs,
}

/// A plan.
#[derive(Clone, Debug, PartialEq)]
pub struct PlanRow {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// The maker's remarks.
    pub note: String,
    /// Counts its edits.
    pub version: u32,
    /// What it states.
    pub inputs: Kept<PlanInputs>,
    /// When it was made.
    pub created_at: WallTime,
    /// When anything happened to it last.
    pub changed_at: WallTime,
    /// When it was archived.
    pub archived_at: Option<WallTime>,
    /// When it was deleted.
    pub deleted_at: Option<WallTime>,
}

impl PlanRow {
    /// The same, where it is not deleted.
    ///
    /// # Errors
    /// [`StoreError::NotFound`] where it is.
    pub fn in_use(self) -> Result<Self, StoreError> {
        if self.deleted_at.is_some() { Err(StoreError::NotFound("plan")) } else { Ok(self) }
    }
}

/// What a plan stated at a version.
#[derive(Clone, Debug, PartialEq)]
pub struct PlanVersion {
    /// What the maker wrote.
    pub text: PlanText,
    /// The version that undoing it goes back to.
    pub undo_to: Option<u32>,
}

/// A plan as a list shows it.
#[derive(Clone, Debug, PartialEq)]
pub struct PlanLine {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// What it states.
    pub inputs: Kept<PlanInputs>,
    /// When anything happened to it last.
    pub changed_at: WallTime,
    /// Whether it is archived.
    pub archived: bool,
    /// When it was deleted.
    pub deleted_at: Option<WallTime>,
    /// How many batches were made of it.
    pub batches: u32,
}

/// Which plans a list shows.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub enum PlansOf {
    /// Those in use.
    #[default]
    InUse,
    /// Those that are archived.
    Archived,
    /// Those that were deleted, and can be had back.
    Deleted,
}

/// Keeps a new plan.
///
/// # Errors
/// [`StoreError::OtherContent`] where another was sent by this id.
pub async fn insert(
    connection: &mut MySqlConnection,
    id: Uuid,
    text: &PlanText,
    (words, digest): (&str, Uuid),
    now: WallTime,
) -> Result<Sent, StoreError> {
    let inputs = written(&text.inputs)?;
    let result = sqlx::query!(
        "INSERT INTO plans (id, name, note, inputs, words, digest, created_at, changed_at)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
        id,
        text.name,
        text.note,
        inputs,
        words,
        digest,
        now.0.naive_utc(),
        now.0.naive_utc()
    )
    .execute(&mut *connection)
    .await;
    if inserted(result, "plan")?.is_none() {
        let kept =
            sqlx::query_scalar!(r#"SELECT digest AS "digest: Uuid" FROM plans WHERE id = ?"#, id)
                .fetch_one(connection)
                .await?;
        return again(kept == Some(digest), "plan");
    }
    keep_version(connection, id, 1, text, &inputs, None).await?;
    Ok(Sent::New)
}

async fn keep_version(
    connection: &mut MySqlConnection,
    id: Uuid,
    version: u32,
    text: &PlanText,
    inputs: &str,
    undo_to: Option<u32>,
) -> Result<(), StoreError> {
    sqlx::query!(
        "INSERT INTO plan_versions (plan_id, version, name, note, inputs, undo_to)
         VALUES (?, ?, ?, ?, ?, ?)",
        id,
        version,
        text.name,
        text.note,
        inputs,
        undo_to
    )
    .execute(connection)
    .await?;
    Ok(())
}

macro_rules! select_plan {
    ($condition:literal, $id:expr) => {
        sqlx::query!(
            r#"SELECT id AS "id: Uuid", name, note, version, inputs AS "inputs: String",
                      created_at AS "created_at: DateTime<Utc>",
                      changed_at AS "changed_at: DateTime<Utc>",
                      archived_at AS "archived_at: DateTime<Utc>",
                      deleted_at AS "deleted_at: DateTime<Utc>"
               FROM plans WHERE id = ? "#
                + $condition,
            $id
        )
        .map(|row| PlanRow {
            id: row.id,
            name: row.name,
            note: row.note,
            version: row.version,
            inputs: read(&row.inputs),
            created_at: WallTime(row.created_at),
            changed_at: WallTime(row.changed_at),
            archived_at: row.archived_at.map(WallTime),
            deleted_at: row.deleted_at.map(WallTime),
        })
    };
}

/// A plan by its id, deleted or not.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn get(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<PlanRow, StoreError> {
    select_plan!("", id).fetch_optional(database).await?.ok_or(StoreError::NotFound("plan"))
}

/// The same, held until the transaction ends.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn lock(connection: &mut MySqlConnection, id: Uuid) -> Result<PlanRow, StoreError> {
    select_plan!("FOR UPDATE", id)
        .fetch_optional(connection)
        .await?
        .ok_or(StoreError::NotFound("plan"))
}

/// What is kept of a plan, as it is, whether it can be read or not.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn as_kept(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<String, StoreError> {
    sqlx::query_scalar!(r#"SELECT inputs AS "inputs: String" FROM plans WHERE id = ?"#, id)
        .fetch_optional(database)
        .await?
        .ok_or(StoreError::NotFound("plan"))
}

/// What a plan stated at a version; `None` where that is too long ago, or cannot be read.
///
/// # Errors
/// Where the database fails.
pub async fn version(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    version: u32,
) -> Result<Option<PlanVersion>, StoreError> {
    let row = sqlx::query!(
        r#"SELECT name, note, inputs AS "inputs: String", undo_to
           FROM plan_versions WHERE plan_id = ? AND version = ?"#,
        id,
        version
    )
    .fetch_optional(database)
    .await?;
    Ok(row.and_then(|row| {
        let inputs = read(&row.inputs).ok()?;
        let text = PlanText { name: row.name, note: row.note, inputs };
        Some(PlanVersion { text, undo_to: row.undo_to })
    }))
}

/// Changes a plan that is locked at a version. Undoing the change goes back to `undo_to`.
///
/// # Errors
/// Where the database fails.
pub async fn change(
    connection: &mut MySqlConnection,
    id: Uuid,
    from_version: u32,
    text: &PlanText,
    (words, undo_to): (&str, Option<u32>),
    now: WallTime,
) -> Result<u32, StoreError> {
    let version = from_version + 1;
    let inputs = written(&text.inputs)?;
    sqlx::query!(
        "UPDATE plans SET name = ?, note = ?, inputs = ?, words = ?, version = ?, changed_at = ?
         WHERE id = ?",
        text.name,
        text.note,
        inputs,
        words,
        version,
        now.0.naive_utc(),
        id
    )
    .execute(&mut *connection)
    .await?;
    keep_version(connection, id, version, text, &inputs, undo_to).await?;
    sqlx::query!(
        "DELETE FROM plan_versions WHERE plan_id = ? AND version + ? < ?",
        id,
        VERSIONS_KEPT,
        version
    )
    .execute(connection)
    .await?;
    Ok(version)
}

/// Notes that something happened to a plan: it was made.
///
/// # Errors
/// Where the database fails.
pub async fn touch(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    now: WallTime,
) -> Result<(), StoreError> {
    sqlx::query!(
        "UPDATE plans SET changed_at = GREATEST(changed_at, ?) WHERE id = ?",
        now.0.naive_utc(),
        id
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Archives a plan, or takes it into use again.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn set_archived(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    at: Option<WallTime>,
) -> Result<(), StoreError> {
    let at = at.map(|at| at.0.naive_utc());
    let done = sqlx::query!("UPDATE plans SET archived_at = ? WHERE id = ?", at, id)
        .execute(database)
        .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("plan")) } else { Ok(()) }
}

/// Deletes a plan, or takes that back.
///
/// # Errors
/// [`StoreError::NotFound`] where there is none.
pub async fn set_deleted(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    at: Option<WallTime>,
) -> Result<(), StoreError> {
    let at = at.map(|at| at.0.naive_utc());
    let done = sqlx::query!("UPDATE plans SET deleted_at = ? WHERE id = ?", at, id)
        .execute(database)
        .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("plan")) } else { Ok(()) }
}

/// Plans, those of the newest activity first, a page of them.
///
/// # Errors
/// Where the database fails.
pub async fn list(
    database: impl MySqlExecutor<'_>,
    of: PlansOf,
    search: Option<&str>,
    page: Page,
) -> Result<Vec<PlanLine>, StoreError> {
    let (archived, deleted) = (of == PlansOf::Archived, of == PlansOf::Deleted);
    let pattern = pattern(search);
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", name, inputs AS "inputs: String",
                  changed_at AS "changed_at: DateTime<Utc>",
                  archived_at IS NOT NULL AS "archived: bool",
                  deleted_at AS "deleted_at: DateTime<Utc>",
                  (SELECT COUNT(*) FROM batches b WHERE b.plan_id = plans.id AND b.deleted_at IS NULL)
                      AS "batches!: i64"
           FROM plans
           WHERE (deleted_at IS NOT NULL) = ? AND (? OR (archived_at IS NOT NULL) = ?)
             AND words LIKE ?
             AND changed_at <= ? AND (changed_at < ? OR id < ?)
           ORDER BY changed_at DESC, id DESC LIMIT ?"#,
        deleted,
        deleted,
        archived,
        pattern,
        page.before.0.0.naive_utc(),
        page.before.0.0.naive_utc(),
        page.before.1,
        page.most
    )
    .fetch_all(database)
    .await?;
    let line = rows.into_iter().map(|row| PlanLine {
        id: row.id,
        name: row.name,
        inputs: read(&row.inputs),
        changed_at: WallTime(row.changed_at),
        archived: row.archived,
        deleted_at: row.deleted_at.map(WallTime),
        batches: u32::try_from(row.batches).unwrap_or(u32::MAX),
    });
    Ok(line.collect())
}

/// Every plan that is not deleted: its id, name and what it states, for what is done to all of
/// them at once.
///
/// # Errors
/// Where the database fails.
pub async fn set_words(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    words: &str,
) -> Result<(), StoreError> {
    sqlx::query!("UPDATE plans SET words = ? WHERE id = ?", words, id).execute(database).await?;
    Ok(())
}

/// Plans that a search cannot find yet: those made before it was there.
///
/// # Errors
/// Where the database fails.
pub async fn without_words(database: impl MySqlExecutor<'_>) -> Result<Vec<Uuid>, StoreError> {
    Ok(sqlx::query_scalar!(r#"SELECT id AS "id: Uuid" FROM plans WHERE words = ''"#)
        .fetch_all(database)
        .await?)
}

/// So many plans at the most share the maker's hours.
const MOST_DUE: u32 = 50;

/// The plans in use that are to be ready, or begun, after a time: the soonest first.
///
/// # Errors
/// Where the database fails.
pub async fn due_after(
    database: impl MySqlExecutor<'_>,
    after: DateTime<Utc>,
) -> Result<Vec<(Uuid, String, Kept<PlanInputs>)>, StoreError> {
    let after = after.to_rfc3339_opts(chrono::SecondsFormat::Secs, true);
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", name, inputs AS "inputs: String" FROM plans
           WHERE due_at > ? AND deleted_at IS NULL AND archived_at IS NULL
           ORDER BY due_at, id LIMIT ?"#,
        after,
        MOST_DUE
    )
    .fetch_all(database)
    .await?;
    Ok(rows.into_iter().map(|row| (row.id, row.name, read(&row.inputs))).collect())
}
