//! What Wide Sheen keeps, in MariaDB: one module for each stored thing, typed
//! rows in and out. No rules: what follows from what is kept is worked out in
//! `craft`.
//!
//! Every query on our tables is checked against the schema at build time; none is put
//! together from text. Times are bound as what a DATETIME column holds (`naive_utc`): bound
//! with their zone they would be taken for a TIMESTAMP, which ends in 2038.

pub mod actions;
pub mod archive;
pub mod batches;
pub mod bowls;
pub mod changes;
mod connect;
pub mod counts;
pub mod devices;
mod digest;
pub mod document;
pub mod entered_by;
mod error;
pub mod findings;
pub mod hands;
pub mod house;
pub mod leases;
mod page;
pub mod pairings;
pub mod photos;
pub mod plans;
pub mod readings;
pub mod results;
pub mod shelf;
pub mod steps;
pub mod stock;
pub mod watched_logs;
mod whole;

pub use connect::{
    Due, connect, create_database, due, known_version, migrate, open, schema_version,
};
pub use digest::{digest, digest_of_bytes};
pub use error::{Sent, StoreError};
pub use page::Page;
pub use sqlx::{MySqlConnection as Connection, MySqlExecutor as Executor, MySqlPool as Pool};
pub use whole::{alone, whole};

use craft::time::WallTime;

/// Keeps readings and actions of a bowl, as a part of something larger; those that were kept
/// before stay once.
///
/// # Errors
/// Where the bowl does not exist or the database fails.
pub async fn append_all(
    connection: &mut Connection,
    bowl_id: uuid::Uuid,
    readings: &[craft::bowl::Reading],
    actions: &[craft::bowl::Action],
    now: WallTime,
) -> Result<(), StoreError> {
    for reading in readings {
        readings::append(connection, bowl_id, reading).await?;
    }
    for action in actions {
        actions::append(connection, bowl_id, action, now).await?;
    }
    Ok(())
}

/// Takes everything out of the database.
///
/// # Errors
/// Where the database does not answer.
pub async fn clear(pool: &Pool) -> Result<(), StoreError> {
    // All else hangs on these. The kitchen stays, empty.
    sqlx::query!("DELETE FROM batches").execute(pool).await?;
    sqlx::query!("DELETE FROM plans").execute(pool).await?;
    sqlx::query!("DELETE FROM lessons").execute(pool).await?;
    sqlx::query!("DELETE FROM leases").execute(pool).await?;
    sqlx::query!("DELETE FROM devices").execute(pool).await?;
    sqlx::query!("DELETE FROM pairings").execute(pool).await?;
    sqlx::query!("DELETE FROM refusals").execute(pool).await?;
    sqlx::query!("DELETE FROM house").execute(pool).await?;
    sqlx::query!("DELETE FROM shelf WHERE id <> ?", craft::shelf::Shelf::KITCHEN)
        .execute(pool)
        .await?;
    let kitchen = craft::shelf::Thing::Kitchen(craft::shelf::KitchenInputs::default());
    let kitchen = document::written(&kitchen)?;
    sqlx::query!("UPDATE shelf SET thing = ?, version = version + 1, learns_from = NULL", kitchen)
        .execute(pool)
        .await?;
    Ok(())
}
