//! What can go wrong in the store.

use sqlx::mysql::{MySqlDatabaseError, MySqlQueryResult};

/// What can go wrong in the store.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// There is no such thing.
    #[error("there is no such {0}")]
    NotFound(&'static str),
    /// Somebody changed it in between.
    #[error("it was changed meanwhile: it is at version {current} now")]
    Changed {
        /// The version that is kept.
        current: u32,
    },
    /// What is kept cannot be read back.
    #[error("what is kept of {what} cannot be read: {problem}")]
    Unreadable {
        /// Which thing.
        what: &'static str,
        /// What is wrong with it.
        problem: String,
    },
    /// The database failed.
    #[error("the database: {0}")]
    Database(#[from] sqlx::Error),
    /// The schema could not be brought up to date.
    #[error("the database's schema: {0}")]
    Migration(#[from] sqlx::migrate::MigrateError),
}

/// MariaDB's number for a row whose parent does not exist.
const NO_PARENT: u16 = 1452;
/// MariaDB's number for a row that is there already.
const KEPT_ALREADY: u16 = 1062;

fn number(error: &sqlx::Error) -> Option<u16> {
    error
        .as_database_error()
        .and_then(|e| e.try_downcast_ref::<MySqlDatabaseError>())
        .map(MySqlDatabaseError::number)
}

impl StoreError {
    /// Reads a failed insert: a missing parent means the parent is not found.
    pub(crate) fn inserting(parent: &'static str) -> impl FnOnce(sqlx::Error) -> Self {
        move |error| {
            if number(&error) == Some(NO_PARENT) { Self::NotFound(parent) } else { error.into() }
        }
    }

    pub(crate) fn unreadable(what: &'static str, problem: impl ToString) -> Self {
        Self::Unreadable { what, problem: problem.to_string() }
    }
}

/// Reads the result of an append whose sender may have sent it before: `true`
/// where the row is new, `false` where it was kept already.
pub(crate) fn appended(
    result: Result<MySqlQueryResult, sqlx::Error>,
    parent: &'static str,
) -> Result<bool, StoreError> {
    match result {
        Ok(_) => Ok(true),
        Err(error) if number(&error) == Some(KEPT_ALREADY) => Ok(false),
        Err(error) => Err(StoreError::inserting(parent)(error)),
    }
}
