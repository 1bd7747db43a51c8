//! Leases: what only one of several servers may do at a time.

use craft::time::WallTime;
use sqlx::MySqlConnection;
use uuid::Uuid;

use crate::StoreError;

/// Takes or prolongs a lease: `true` where it is held now.
///
/// # Errors
/// Where the database fails.
pub async fn hold(
    connection: &mut MySqlConnection,
    name: &str,
    holder: Uuid,
    (now, until): (WallTime, WallTime),
) -> Result<bool, StoreError> {
    sqlx::query!(
        "INSERT INTO leases (name, holder, until) VALUES (?, ?, ?)
         ON DUPLICATE KEY UPDATE
             holder = IF(holder = VALUES(holder) OR until <= ?, VALUES(holder), holder),
             until = IF(holder = VALUES(holder), VALUES(until), until)",
        name,
        holder,
        until.0.naive_utc(),
        now.0.naive_utc()
    )
    .execute(&mut *connection)
    .await?;
    let held =
        sqlx::query_scalar!(r#"SELECT holder AS "holder: Uuid" FROM leases WHERE name = ?"#, name)
            .fetch_optional(connection)
            .await?;
    Ok(held == Some(holder))
}

/// Gives a lease back.
///
/// # Errors
/// Where the database fails.
pub async fn give_back(
    connection: &mut MySqlConnection,
    name: &str,
    holder: Uuid,
) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM leases WHERE name = ? AND holder = ?", name, holder)
        .execute(connection)
        .await?;
    Ok(())
}
