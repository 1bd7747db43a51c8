//! The code that lets the next device in: one at a time.

use chrono::{DateTime, Utc};
use sqlx::{MySqlConnection, MySqlExecutor};
use trust::{Pairing, Role};
use uuid::Uuid;

use crate::StoreError;
use crate::error::inserted;

/// A code that was shown, and what it lets in.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct PairingRow {
    /// Its id.
    pub id: Uuid,
    /// What the device will be allowed.
    pub role: Role,
    /// The bowl that a thermometer will be lent to.
    pub bowl_id: Option<Uuid>,
    /// The code, and what became of it.
    pub pairing: Pairing,
}

/// Keeps a new code in place of the one before, which lets nobody in any more.
///
/// # Errors
/// [`StoreError::NotFound`] where its bowl is not there.
pub async fn replace(connection: &mut MySqlConnection, new: &PairingRow) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM pairings").execute(&mut *connection).await?;
    let Pairing { salt, digest, made_at, tries, used } = &new.pairing;
    let result = sqlx::query!(
        "INSERT INTO pairings (id, role, bowl_id, salt, digest, made_at, tries, used)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
        new.id,
        new.role.word(),
        new.bowl_id,
        salt.as_slice(),
        digest.as_slice(),
        made_at.naive_utc(),
        tries,
        used
    )
    .execute(connection)
    .await;
    inserted(result, "bowl").map(|_| ())
}

macro_rules! select_pairing {
    ($rest:literal) => {
        sqlx::query!(
            r#"SELECT id AS "id: Uuid", role, bowl_id AS "bowl_id: Uuid", salt, digest,
                      made_at AS "made_at: DateTime<Utc>", tries, used AS "used: bool"
               FROM pairings "#
                + $rest
        )
        .map(|row| {
            Some(PairingRow {
                id: row.id,
                role: Role::from_word(&row.role)?,
                bowl_id: row.bowl_id,
                pairing: Pairing {
                    salt: row.salt.try_into().ok()?,
                    digest: row.digest.try_into().ok()?,
                    made_at: row.made_at,
                    tries: row.tries,
                    used: row.used,
                },
            })
        })
    };
}

/// The latest code.
///
/// # Errors
/// Where the database fails.
pub async fn latest(database: impl MySqlExecutor<'_>) -> Result<Option<PairingRow>, StoreError> {
    let found = select_pairing!("ORDER BY made_at DESC LIMIT 1");
    Ok(found.fetch_optional(database).await?.flatten())
}

/// The same, held until the transaction ends: of two that try at once one goes first.
///
/// # Errors
/// Where the database fails.
pub async fn lock(connection: &mut MySqlConnection) -> Result<Option<PairingRow>, StoreError> {
    let found = select_pairing!("ORDER BY made_at DESC LIMIT 1 FOR UPDATE");
    Ok(found.fetch_optional(connection).await?.flatten())
}

/// Keeps what became of a code.
///
/// # Errors
/// Where the database fails.
pub async fn keep(
    database: impl MySqlExecutor<'_>,
    PairingRow { id, pairing, .. }: &PairingRow,
) -> Result<(), StoreError> {
    sqlx::query!(
        "UPDATE pairings SET tries = ?, used = ? WHERE id = ?",
        pairing.tries,
        pairing.used,
        id
    )
    .execute(database)
    .await?;
    Ok(())
}
