//! What changed: so that several servers on one database know of each other's doings.

use craft::time::WallTime;
use sqlx::MySqlExecutor;
use uuid::Uuid;

use crate::StoreError;

/// What changed.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash)]
pub enum Change {
    /// The shelf, what is in stock, or what was learned.
    Shelf,
    /// A batch: its clock, its steps, or that it is there at all.
    Batch(Uuid),
    /// A device was sent away, or a passphrase was set.
    Door,
}

impl Change {
    fn parts(self) -> (&'static str, Option<Uuid>) {
        match self {
            Self::Shelf => ("shelf", None),
            Self::Batch(id) => ("batch", Some(id)),
            Self::Door => ("door", None),
        }
    }
}

/// Notes a change, in the transaction that makes it.
///
/// # Errors
/// Where the database fails.
pub async fn note(
    database: impl MySqlExecutor<'_>,
    change: Change,
    now: WallTime,
) -> Result<(), StoreError> {
    let (what, id) = change.parts();
    sqlx::query!(
        "INSERT INTO changes (what, id, at) VALUES (?, ?, ?)",
        what,
        id,
        now.0.naive_utc()
    )
    .execute(database)
    .await?;
    Ok(())
}

/// The number of the latest change.
///
/// # Errors
/// Where the database fails.
pub async fn latest(database: impl MySqlExecutor<'_>) -> Result<u64, StoreError> {
    let seq = sqlx::query_scalar!("SELECT MAX(seq) FROM changes").fetch_one(database).await?;
    Ok(seq.unwrap_or(0))
}

/// The changes after a number, with theirs.
///
/// # Errors
/// Where the database fails.
pub async fn since(
    database: impl MySqlExecutor<'_>,
    seq: u64,
) -> Result<Vec<(u64, Change)>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT seq, what, id AS "id: Uuid" FROM changes WHERE seq > ? ORDER BY seq LIMIT 1000"#,
        seq
    )
    .fetch_all(database)
    .await?;
    let change = rows.into_iter().filter_map(|row| {
        let change = match (row.what.as_str(), row.id) {
            ("shelf", _) => Change::Shelf,
            ("batch", Some(id)) => Change::Batch(id),
            ("door", _) => Change::Door,
            _ => return None,
        };
        Some((row.seq, change))
    });
    Ok(change.collect())
}

/// Forgets changes that every server has heard of long since.
///
/// # Errors
/// Where the database fails.
pub async fn forget(database: impl MySqlExecutor<'_>, before: WallTime) -> Result<(), StoreError> {
    let before = before.0.naive_utc();
    sqlx::query!("DELETE FROM changes WHERE at < ?", before).execute(database).await?;
    Ok(())
}
