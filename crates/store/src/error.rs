//! What can go wrong in the store.

use sqlx::mysql::MySqlDatabaseError;

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

/// The error for a row whose parent does not exist.
const NO_PARENT: u16 = 1452;

impl StoreError {
    /// Reads a failed insert: a missing parent means the parent is not found.
    pub(crate) fn inserting(parent: &'static str) -> impl FnOnce(sqlx::Error) -> Self {
        move |error| {
            let number = error
                .as_database_error()
                .and_then(|e| e.try_downcast_ref::<MySqlDatabaseError>())
                .map(MySqlDatabaseError::number);
            if number == Some(NO_PARENT) { Self::NotFound(parent) } else { error.into() }
        }
    }

    pub(crate) fn unreadable(what: &'static str, problem: impl ToString) -> Self {
        Self::Unreadable { what, problem: problem.to_string() }
    }
}
