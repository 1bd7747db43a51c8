//! Opening the database: as we need it to be, whoever set it up.

use std::time::Duration;

use sqlx::migrate::{MigrateError, Migrator};
use sqlx::mysql::{MySqlConnectOptions, MySqlPoolOptions};
use sqlx::{AssertSqlSafe, Connection, Executor};

use crate::{Pool, StoreError};

static MIGRATIONS: Migrator = sqlx::migrate!();

/// What may not be kept is refused, not bent: no cut texts, no dates that are none.
const MODE: &str = "SET SESSION sql_mode = 'STRICT_ALL_TABLES,NO_ZERO_DATE,NO_ZERO_IN_DATE,\
                    ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'";
/// What a transaction reads is what is kept when it reads it: a batch that is locked is read
/// after whoever held it before.
const ISOLATION: &str = "SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED";

/// How long a request waits for a connection: somebody stands before the screen.
const PATIENCE: Duration = Duration::from_secs(2);

/// The same where nobody stands before it, on a machine that may do much else.
const LONG_PATIENCE: Duration = Duration::from_secs(30);

/// Opens a pool, without looking at what is in the database.
///
/// # Errors
/// Where the database does not answer.
pub async fn open(url: &str) -> Result<Pool, StoreError> {
    pool(url, PATIENCE).await
}

async fn pool(url: &str, patience: Duration) -> Result<Pool, StoreError> {
    let options: MySqlConnectOptions = url.parse::<MySqlConnectOptions>()?.charset("utf8mb4");
    // A pool says only that it waited too long; one connection says what is wrong.
    let mut first = sqlx::MySqlConnection::connect_with(&options).await?;
    first.execute(MODE).await?;
    first.execute(ISOLATION).await?;
    first.close().await?;
    let pool = MySqlPoolOptions::new()
        .max_connections(16)
        .acquire_timeout(patience)
        // A dropped connection is noticed by the query that uses it; asking
        // first would double the cost of the smallest statement.
        .test_before_acquire(false)
        .after_connect(|connection, _| {
            Box::pin(async move {
                connection.execute(MODE).await?;
                connection.execute(ISOLATION).await?;
                Ok(())
            })
        })
        .connect_with(options)
        .await?;
    Ok(pool)
}

/// Opens a pool and brings the schema up to date, with patience: as tests and benches do it.
///
/// # Errors
/// Where the database does not answer, is of a later release, or a migration fails.
pub async fn connect(url: &str) -> Result<Pool, StoreError> {
    let pool = pool(url, LONG_PATIENCE).await?;
    migrate(&pool).await?;
    Ok(pool)
}

/// What must be done before the database can be used.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Due {
    /// Nothing.
    Nothing,
    /// It is empty.
    Fresh,
    /// It is of an earlier release, with something in it.
    Upgrade,
}

/// The latest migration that the database has seen; `None` where it is empty.
///
/// # Errors
/// Where the database fails.
pub async fn schema_version(pool: &Pool) -> Result<Option<i64>, StoreError> {
    let known = sqlx::query_scalar::<_, i64>(
        "SELECT COUNT(*) FROM information_schema.tables
         WHERE table_schema = DATABASE() AND table_name = '_sqlx_migrations'",
    )
    .fetch_one(pool)
    .await?;
    if known == 0 {
        return Ok(None);
    }
    Ok(sqlx::query_scalar::<_, Option<i64>>("SELECT MAX(version) FROM _sqlx_migrations")
        .fetch_one(pool)
        .await?)
}

/// The latest migration that this release knows.
#[must_use]
pub fn known_version() -> i64 {
    MIGRATIONS.iter().map(|migration| migration.version).max().unwrap_or(0)
}

/// What must be done before the database can be used.
///
/// # Errors
/// [`StoreError::Newer`] where it is of a later release.
pub async fn due(pool: &Pool) -> Result<Due, StoreError> {
    match schema_version(pool).await? {
        None => Ok(Due::Fresh),
        Some(version) if version > known_version() => Err(StoreError::Newer),
        Some(version) if version == known_version() => Ok(Due::Nothing),
        Some(_) => Ok(Due::Upgrade),
    }
}

/// Brings the schema up to date, and the texts in it into one character set.
///
/// # Errors
/// [`StoreError::Newer`] where the database is of a later release; where a migration fails.
pub async fn migrate(pool: &Pool) -> Result<(), StoreError> {
    due(pool).await?;
    let mut connection = pool.acquire().await?;
    in_one_character_set(&mut connection).await?;
    match MIGRATIONS.run(&mut *connection).await {
        Ok(()) => {}
        Err(MigrateError::VersionMissing(_) | MigrateError::VersionTooNew(..)) => {
            return Err(StoreError::Newer);
        }
        Err(error) => return Err(error.into()),
    }
    // Migrations leave no trace of how they were made.
    connection.clear_cached_statements().await?;
    Ok(())
}

/// Tables are made in the database's own character set: it must hold any text. Those that
/// were made in another are turned.
async fn in_one_character_set(connection: &mut sqlx::MySqlConnection) -> Result<(), StoreError> {
    let default: String = sqlx::query_scalar(
        "SELECT default_character_set_name FROM information_schema.schemata
         WHERE schema_name = DATABASE()",
    )
    .fetch_one(&mut *connection)
    .await?;
    if default != "utf8mb4" {
        let altered = connection
            .execute("ALTER DATABASE CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci")
            .await;
        altered.map_err(|error| {
            StoreError::Unsuited(format!(
                "its character set is {default}, and it may not be changed to utf8mb4: {error}"
            ))
        })?;
    }
    let other: Vec<String> = sqlx::query_scalar(
        "SELECT DISTINCT table_name FROM information_schema.columns
         WHERE table_schema = DATABASE() AND character_set_name IS NOT NULL
           AND character_set_name <> 'utf8mb4'",
    )
    .fetch_all(&mut *connection)
    .await?;
    for table in other {
        // A name cannot be bound; this one is a table's own, in quotes.
        let table = table.replace('`', "``");
        let turn = format!(
            "ALTER TABLE `{table}` CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci"
        );
        connection.execute(AssertSqlSafe(turn)).await?;
    }
    Ok(())
}

/// Makes an empty database beside the main one, as tests use them.
///
/// # Errors
/// Where the database does not answer.
pub async fn create_database(url: &str, name: uuid::Uuid) -> Result<String, StoreError> {
    let pool = MySqlPoolOptions::new().max_connections(1).connect(url).await?;
    let name = format!("test_{}", name.simple());
    // A name cannot be bound; this one is hexadecimal by its type.
    sqlx::query(AssertSqlSafe(format!("CREATE DATABASE {name}"))).execute(&pool).await?;
    Ok(name)
}
