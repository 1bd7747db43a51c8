//! What is kept whole or not at all.

use sqlx::{Connection, MySqlConnection};

use crate::{Pool, StoreError};

/// So often a transaction is tried that others stand in the way of.
const TRIES: u32 = 6;

/// Does something in one transaction: all of it is kept, or nothing. Where another transaction
/// stood in the way it is done anew, so it must not leave anything behind elsewhere.
///
/// # Errors
/// What it failed with, or what the database did.
pub async fn whole<T, E: From<StoreError>>(
    pool: &Pool,
    mut work: impl AsyncFnMut(&mut MySqlConnection) -> Result<T, E>,
    in_the_way: impl Fn(&E) -> bool,
) -> Result<T, E> {
    let database = |error: sqlx::Error| E::from(StoreError::from(error));
    let mut tries = 0;
    loop {
        tries += 1;
        let mut connection = pool.acquire().await.map_err(database)?;
        let mut transaction = connection.begin().await.map_err(database)?;
        let done = match work(&mut transaction).await {
            Ok(value) => transaction.commit().await.map(|()| value).map_err(database),
            Err(error) => {
                // Where even that fails the connection is closed, and nothing was kept.
                let _ = transaction.rollback().await;
                Err(error)
            }
        };
        match done {
            Err(error) if tries < TRIES && in_the_way(&error) => {}
            done => return done,
        }
    }
}

/// Does something that is one statement, and so whole by itself. Where another transaction
/// stood in the way it is done anew.
///
/// # Errors
/// What it failed with, or what the database did.
pub async fn alone<T>(
    pool: &Pool,
    mut work: impl AsyncFnMut(&mut MySqlConnection) -> Result<T, StoreError>,
) -> Result<T, StoreError> {
    let mut tries = 0;
    loop {
        tries += 1;
        let mut connection = pool.acquire().await?;
        match work(&mut connection).await {
            Err(error) if tries < TRIES && error.is_in_the_way() => {}
            done => return done,
        }
    }
}
