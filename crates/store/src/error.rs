//! What can go wrong in the store.

use sqlx::mysql::{MySqlDatabaseError, MySqlQueryResult};

use crate::document::Unreadable;

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
    /// Something else was sent by this id before.
    #[error("another {0} was sent by this id before")]
    OtherContent(&'static str),
    /// What is kept cannot be read back.
    #[error(transparent)]
    Unreadable(#[from] Unreadable),
    /// There is no room on the disk.
    #[error("the disk is full")]
    DiskFull,
    /// The database is of a later release.
    #[error("the database was made by a later release; start that one, or use another folder")]
    Newer,
    /// The database is not as it must be.
    #[error("the database cannot be used: {0}")]
    Unsuited(String),
    /// The database failed.
    #[error("the database: {0}")]
    Database(sqlx::Error),
    /// The schema could not be brought up to date.
    #[error("the database's schema: {0}")]
    Migration(#[from] sqlx::migrate::MigrateError),
}

/// MariaDB's number for a row whose parent does not exist.
const NO_PARENT: u16 = 1452;
/// MariaDB's number for a row that is there already.
const KEPT_ALREADY: u16 = 1062;
/// MariaDB's numbers where the disk is full: writing a file, a table, a record.
const DISK_FULL: [u16; 4] = [3, 1021, 1026, 1114];
/// MariaDB's numbers where two transactions stood in each other's way: a deadlock, a lock
/// that was waited for too long, a record that changed under a snapshot, and on a cluster a
/// commit that lost.
const IN_THE_WAY: [u16; 4] = [1213, 1205, 1020, 1180];

fn number(error: &sqlx::Error) -> Option<u16> {
    error
        .as_database_error()
        .and_then(|e| e.try_downcast_ref::<MySqlDatabaseError>())
        .map(MySqlDatabaseError::number)
}

impl From<sqlx::Error> for StoreError {
    fn from(error: sqlx::Error) -> Self {
        if number(&error).is_some_and(|number| DISK_FULL.contains(&number)) {
            Self::DiskFull
        } else {
            Self::Database(error)
        }
    }
}

impl StoreError {
    /// Reads a failed insert: a missing parent means the parent is not found.
    pub(crate) fn inserting(parent: &'static str) -> impl FnOnce(sqlx::Error) -> Self {
        move |error| {
            if number(&error) == Some(NO_PARENT) { Self::NotFound(parent) } else { error.into() }
        }
    }

    pub(crate) fn unreadable(what: &'static str, problem: impl ToString) -> Self {
        Self::Unreadable(Unreadable { what, problem: problem.to_string() })
    }

    /// Whether the same may succeed when it is tried again at once: two transactions stood in
    /// each other's way.
    #[must_use]
    pub fn is_in_the_way(&self) -> bool {
        matches!(self, Self::Database(error) if number(error).is_some_and(|n| IN_THE_WAY.contains(&n)))
    }
}

/// Whether something that was sent is new.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Sent {
    /// It was kept just now.
    New,
    /// It was kept before, the same.
    Again,
}

/// Reads the result of an insert whose sender may have sent it before: `None` where a row of
/// that id is there.
pub(crate) fn inserted(
    result: Result<MySqlQueryResult, sqlx::Error>,
    parent: &'static str,
) -> Result<Option<Sent>, StoreError> {
    match result {
        Ok(_) => Ok(Some(Sent::New)),
        Err(error) if number(&error) == Some(KEPT_ALREADY) => Ok(None),
        Err(error) => Err(StoreError::inserting(parent)(error)),
    }
}

/// What was sent again must be what is kept.
pub(crate) fn again(same: bool, what: &'static str) -> Result<Sent, StoreError> {
    if same { Ok(Sent::Again) } else { Err(StoreError::OtherContent(what)) }
}
