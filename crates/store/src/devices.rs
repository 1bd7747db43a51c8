//! The maker's devices in the home network, and who was not let in.

use chrono::{DateTime, Utc};
use craft::bowl::Place;
use craft::time::WallTime;
use sqlx::MySqlExecutor;
use trust::Role;
use uuid::Uuid;

use crate::StoreError;
use crate::error::inserted;

/// So many refusals are kept.
const REFUSALS_KEPT: u32 = 200;
/// The same from the same address within so long is counted, min.
const COUNTED_WITHIN_MIN: u32 = 10;

/// A device that was let in.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct DeviceRow {
    /// Its id.
    pub id: Uuid,
    /// What the maker calls it.
    pub name: String,
    /// What it may do.
    pub role: Role,
    /// The bowl that a thermometer is lent to.
    pub bowl_id: Option<Uuid>,
    /// Where in that bowl it stands.
    pub place: Place,
    /// When it was let in.
    pub paired_at: WallTime,
    /// When it was last here.
    pub seen_at: Option<WallTime>,
    /// Where its token is worth something.
    pub address: String,
    /// By what it proves itself at another address: a point of P-256, 65 bytes.
    pub own_key: Option<Vec<u8>>,
    /// Whether it is a screen of this machine that signed in.
    pub by_passphrase: bool,
}

/// Somebody who was not let in.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct RefusalRow {
    /// When, the last time.
    pub at: WallTime,
    /// From which address.
    pub came_from: String,
    /// Why: a word.
    pub why: String,
    /// How often, one soon after the other.
    pub times: u32,
}

macro_rules! select_devices {
    ($rest:literal $(, $argument:expr)*) => {
        sqlx::query!(
            r#"SELECT id AS "id: Uuid", name, role, bowl_id AS "bowl_id: Uuid",
                      paired_at AS "paired_at: DateTime<Utc>", seen_at AS "seen_at: DateTime<Utc>",
                      address, own_key, at_edge AS "at_edge: bool",
                      by_passphrase AS "by_passphrase: bool"
               FROM devices "# + $rest
            $(, $argument)*
        )
        .map(|row| {
            // A role of a later release may do nothing here.
            Some(DeviceRow {
                role: Role::from_word(&row.role)?,
                id: row.id,
                name: row.name,
                bowl_id: row.bowl_id,
                place: Place::edge_if(row.at_edge),
                paired_at: WallTime(row.paired_at),
                seen_at: row.seen_at.map(WallTime),
                address: row.address,
                own_key: row.own_key,
                by_passphrase: row.by_passphrase,
            })
        })
    };
}

/// Lets a device in by the digest of its token.
///
/// # Errors
/// [`StoreError::NotFound`] where its bowl is not there.
pub async fn insert(
    database: impl MySqlExecutor<'_>,
    device: &DeviceRow,
    token: &[u8; 32],
) -> Result<(), StoreError> {
    let result = sqlx::query!(
        "INSERT INTO devices
             (id, name, role, bowl_id, token, paired_at, address, own_key, by_passphrase)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
        device.id,
        device.name,
        device.role.word(),
        device.bowl_id,
        token.as_slice(),
        device.paired_at.0.naive_utc(),
        device.address,
        device.own_key,
        device.by_passphrase
    )
    .execute(database)
    .await;
    inserted(result, "bowl").map(|_| ())
}

/// The device of a token, where it was let in and not sent away since.
///
/// # Errors
/// Where the database fails.
pub async fn of_token(
    database: impl MySqlExecutor<'_>,
    token: &[u8; 32],
) -> Result<Option<DeviceRow>, StoreError> {
    let found = select_devices!("WHERE token = ? AND left_at IS NULL", token.as_slice());
    Ok(found.fetch_optional(database).await?.flatten())
}

/// A device that is let in.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such device, or it was sent away.
pub async fn get(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<DeviceRow, StoreError> {
    let found = select_devices!("WHERE id = ? AND left_at IS NULL", id);
    found.fetch_optional(database).await?.flatten().ok_or(StoreError::NotFound("device"))
}

/// Names a device anew, and lends it to a bowl.
///
/// # Errors
/// [`StoreError::NotFound`] where its bowl is not there.
pub async fn edit(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    name: &str,
    (bowl_id, place): (Option<Uuid>, Place),
) -> Result<(), StoreError> {
    let result = sqlx::query!(
        "UPDATE devices SET name = ?, bowl_id = ?, at_edge = ? WHERE id = ?",
        name,
        bowl_id,
        place.is_edge(),
        id
    )
    .execute(database)
    .await;
    inserted(result, "bowl").map(|_| ())
}

/// A device has proved itself at another address: its token is worth something there from now on.
///
/// # Errors
/// Where the database fails.
pub async fn moved(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    address: &str,
) -> Result<(), StoreError> {
    sqlx::query!("UPDATE devices SET address = ? WHERE id = ?", address, id)
        .execute(database)
        .await?;
    Ok(())
}

/// All that are let in, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn list(database: impl MySqlExecutor<'_>) -> Result<Vec<DeviceRow>, StoreError> {
    let all = select_devices!("WHERE left_at IS NULL ORDER BY paired_at DESC, id LIMIT 200");
    Ok(all.fetch_all(database).await?.into_iter().flatten().collect())
}

/// Notes that a device is here, once a minute.
///
/// # Errors
/// Where the database fails.
pub async fn seen(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    now: WallTime,
) -> Result<(), StoreError> {
    sqlx::query!(
        "UPDATE devices SET seen_at = ? WHERE id = ? AND (seen_at IS NULL OR seen_at < ? - INTERVAL 1 MINUTE)",
        now.0.naive_utc(),
        id,
        now.0.naive_utc()
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Sends a device away: its token lets nobody in from now on.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such device, or it was sent away before.
pub async fn send_away(
    database: impl MySqlExecutor<'_>,
    id: Uuid,
    now: WallTime,
) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "UPDATE devices SET left_at = ? WHERE id = ? AND left_at IS NULL",
        now.0.naive_utc(),
        id
    )
    .execute(database)
    .await?;
    if done.rows_affected() == 0 { Err(StoreError::NotFound("device")) } else { Ok(()) }
}

/// Sends away every screen of this machine that signed in, but the one that stays.
///
/// # Errors
/// Where the database fails.
pub async fn sign_all_out(
    database: impl MySqlExecutor<'_>,
    stays: Option<Uuid>,
    now: WallTime,
) -> Result<(), StoreError> {
    sqlx::query!(
        "UPDATE devices SET left_at = ? WHERE by_passphrase AND left_at IS NULL AND NOT id <=> ?",
        now.0.naive_utc(),
        stays
    )
    .execute(database)
    .await?;
    Ok(())
}

/// Notes that somebody at an address was not let in for a reason, so many times; the latest few
/// hundred are kept. The same soon after is counted there.
///
/// # Errors
/// Where the database fails.
pub async fn refused(
    connection: &mut crate::Connection,
    now: WallTime,
    (came_from, why): (&str, &str),
    times: u32,
) -> Result<(), StoreError> {
    let counted = sqlx::query!(
        "UPDATE refusals SET times = times + ?, at = ?
         WHERE came_from = ? AND why = ? AND at > ? - INTERVAL ? MINUTE
         ORDER BY seq DESC LIMIT 1",
        times,
        now.0.naive_utc(),
        came_from,
        why,
        now.0.naive_utc(),
        COUNTED_WITHIN_MIN
    )
    .execute(&mut *connection)
    .await?;
    if counted.rows_affected() > 0 {
        return Ok(());
    }
    let kept = sqlx::query!(
        "INSERT INTO refusals (at, came_from, why, times) VALUES (?, ?, ?, ?)",
        now.0.naive_utc(),
        came_from,
        why,
        times
    )
    .execute(&mut *connection)
    .await?;
    sqlx::query!("DELETE FROM refusals WHERE seq + ? <= ?", REFUSALS_KEPT, kept.last_insert_id())
        .execute(connection)
        .await?;
    Ok(())
}

/// Who was not let in, the latest first.
///
/// # Errors
/// Where the database fails.
pub async fn refusals(database: impl MySqlExecutor<'_>) -> Result<Vec<RefusalRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT at AS "at: DateTime<Utc>", came_from, why, times
           FROM refusals ORDER BY at DESC, seq DESC"#
    )
    .fetch_all(database)
    .await?;
    let refusal = rows.into_iter().map(|row| RefusalRow {
        at: WallTime(row.at),
        came_from: row.came_from,
        why: row.why,
        times: row.times,
    });
    Ok(refusal.collect())
}
