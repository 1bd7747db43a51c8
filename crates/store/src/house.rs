//! What is known of the installation itself: a few words, each by its name.

use sqlx::MySqlExecutor;

use crate::StoreError;

/// The demo was loaded once in this database's life.
pub const DEMO: &str = "demo";
/// When the last copy was made.
pub const COPIED: &str = "copied";
/// The hash of the passphrase that this machine's own screen asks for, where there is one.
pub const PASSPHRASE: &str = "passphrase";

/// What is known by a name.
///
/// # Errors
/// Where the database fails.
pub async fn get(
    database: impl MySqlExecutor<'_>,
    name: &str,
) -> Result<Option<String>, StoreError> {
    Ok(sqlx::query_scalar!("SELECT value FROM house WHERE name = ?", name)
        .fetch_optional(database)
        .await?)
}

/// Notes it.
///
/// # Errors
/// Where the database fails.
pub async fn set(
    database: impl MySqlExecutor<'_>,
    name: &str,
    value: &str,
) -> Result<(), StoreError> {
    sqlx::query!("REPLACE INTO house (name, value) VALUES (?, ?)", name, value)
        .execute(database)
        .await?;
    Ok(())
}

/// Forgets it.
///
/// # Errors
/// Where the database fails.
pub async fn forget(database: impl MySqlExecutor<'_>, name: &str) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM house WHERE name = ?", name).execute(database).await?;
    Ok(())
}
