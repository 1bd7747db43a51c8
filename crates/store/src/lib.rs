//! What Wide Sheen keeps, in MariaDB: one module for each stored thing, typed
//! rows in and out. No rules: what follows from what is kept is worked out in
//! `craft`.
//!
//! Every query is checked against the schema at build time; none is put
//! together from text.

pub mod actions;
pub mod batches;
pub mod bowls;
pub mod builds;
mod error;
pub mod outcomes;
pub mod photos;
pub mod readings;
pub mod shelf;
pub mod stock;

pub use error::StoreError;
pub use sqlx::MySqlPool as Pool;

use std::time::Duration;

use sqlx::mysql::MySqlPoolOptions;

/// Opens a pool and brings the schema up to date.
///
/// # Errors
/// Where the database does not answer or a migration fails.
pub async fn connect(url: &str) -> Result<Pool, StoreError> {
    let pool = MySqlPoolOptions::new()
        .max_connections(16)
        .acquire_timeout(Duration::from_secs(10))
        // A dropped connection is noticed by the query that uses it; asking
        // first would double the cost of the smallest statement.
        .test_before_acquire(false)
        .connect(url)
        .await?;
    sqlx::migrate!().run(&pool).await?;
    Ok(pool)
}

/// Makes an empty database beside the main one, as tests use them.
///
/// # Errors
/// Where the database does not answer.
pub async fn create_database(url: &str, name: uuid::Uuid) -> Result<String, StoreError> {
    let pool = MySqlPoolOptions::new().max_connections(1).connect(url).await?;
    let name = format!("test_{}", name.simple());
    // A name cannot be bound; this one is hexadecimal by its type.
    sqlx::query(sqlx::AssertSqlSafe(format!("CREATE DATABASE {name}"))).execute(&pool).await?;
    Ok(name)
}

/// Keeps a whole record of a bowl at once, all of it or nothing.
///
/// # Errors
/// Where the bowl does not exist or the database fails.
pub async fn append_record(
    pool: &Pool,
    bowl_id: uuid::Uuid,
    record: &craft::bowl::Record,
) -> Result<(), StoreError> {
    let actions: Vec<_> = record.actions().cloned().collect();
    append_all(pool, bowl_id, record.readings(), &actions).await
}

/// Keeps readings and actions of a bowl at once, all of them or nothing; those
/// that were kept before stay once.
///
/// # Errors
/// Where the bowl does not exist or the database fails.
pub async fn append_all(
    pool: &Pool,
    bowl_id: uuid::Uuid,
    readings: &[craft::bowl::Reading],
    actions: &[craft::bowl::Action],
) -> Result<(), StoreError> {
    let mut transaction = pool.begin().await?;
    append_in(&mut transaction, bowl_id, readings, actions).await?;
    transaction.commit().await?;
    Ok(())
}

async fn append_in(
    transaction: &mut sqlx::MySqlConnection,
    bowl_id: uuid::Uuid,
    readings: &[craft::bowl::Reading],
    actions: &[craft::bowl::Action],
) -> Result<(), StoreError> {
    for reading in readings {
        readings::append(&mut *transaction, bowl_id, reading).await?;
    }
    for action in actions {
        actions::append(&mut *transaction, bowl_id, action).await?;
    }
    Ok(())
}

/// Keeps a batch with one bowl and its whole record, all of it or nothing.
///
/// # Errors
/// Where the database fails.
pub async fn bring_in(
    pool: &Pool,
    batch: &batches::Batch,
    inputs: &craft::plan::PlanInputs,
    bowl: &bowls::BowlRow,
    (readings, actions): (&[craft::bowl::Reading], &[craft::bowl::Action]),
) -> Result<(), StoreError> {
    let mut transaction = pool.begin().await?;
    batches::insert(&mut transaction, batch, inputs).await?;
    bowls::insert(&mut *transaction, bowl).await?;
    append_in(&mut transaction, bowl.id, readings, actions).await?;
    transaction.commit().await?;
    Ok(())
}

/// Takes everything out of the database.
///
/// # Errors
/// Where the database does not answer.
pub async fn clear(pool: &Pool) -> Result<(), StoreError> {
    // All else hangs on batches and on the shelf. The kitchen stays, empty.
    sqlx::query!("DELETE FROM batches").execute(pool).await?;
    sqlx::query!("DELETE FROM lessons").execute(pool).await?;
    sqlx::query!("DELETE FROM shelf WHERE id <> ?", craft::shelf::Shelf::KITCHEN)
        .execute(pool)
        .await?;
    let kitchen = craft::shelf::Thing::Kitchen(craft::shelf::KitchenInputs::default());
    sqlx::query!(
        "UPDATE shelf SET thing = ?, version = 1, learns_from = NULL",
        sqlx::types::Json(&kitchen)
    )
    .execute(pool)
    .await?;
    Ok(())
}
