//! Findings: what a batch is found and compared by, worked out from its record and kept until that
//! changes.

use chrono::{DateTime, Utc};
use craft::logbook::{Case, Fit};
use craft::time::WallTime;
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::{Pool, StoreError};

/// A batch whose findings are to be worked out.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Stale {
    /// The batch.
    pub batch_id: Uuid,
    /// How often it had changed when that was asked.
    pub changes: u32,
}

/// What was found of one thing that was made.
#[derive(Clone, Debug, PartialEq)]
pub struct Finding {
    /// The component, by its key.
    pub component: String,
    /// When it was made, by the wall.
    pub made_at: WallTime,
    /// Whether a fault was seen; `None` until somebody has looked.
    pub faulty: Option<bool>,
    /// What is known of how it was made, in the order of [`craft::logbook::Factor::ALL`].
    pub values: [Option<f64>; 8],
}

/// How well the forecasts of a bowl fitted.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct BowlFit {
    /// The bowl.
    pub bowl_id: Uuid,
    /// What it was made in.
    pub ware_id: Option<Uuid>,
    /// How well.
    pub fit: Fit,
}

/// All that was found of a batch.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Found {
    /// Of each thing that was made.
    pub findings: Vec<Finding>,
    /// Of each bowl.
    pub fits: Vec<BowlFit>,
    /// What it is found by.
    pub tags: Vec<String>,
}

/// The batches whose findings are to be worked out, those of the newest activity first.
///
/// # Errors
/// Where the database fails.
pub async fn stale(database: impl MySqlExecutor<'_>, most: u32) -> Result<Vec<Stale>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", changes FROM batches WHERE stale = TRUE
           ORDER BY last_at DESC LIMIT ?"#,
        most
    )
    .fetch_all(database)
    .await?;
    let stale = rows.into_iter().map(|row| Stale { batch_id: row.id, changes: row.changes });
    Ok(stale.collect())
}

/// How many those are.
///
/// # Errors
/// Where the database fails.
pub async fn count_stale(database: impl MySqlExecutor<'_>) -> Result<u64, StoreError> {
    let count = sqlx::query_scalar!("SELECT COUNT(*) FROM batches WHERE stale = TRUE")
        .fetch_one(database)
        .await?;
    Ok(u64::try_from(count).unwrap_or_default())
}

/// Keeps what was found of a batch in place of what was found before, all of it or nothing. What
/// changed meanwhile leaves it to be worked out again.
///
/// # Errors
/// Where the database fails, or another stands in the way.
pub async fn keep(pool: &Pool, stale: Stale, found: &Found) -> Result<(), StoreError> {
    let mut transaction = pool.begin().await?;
    replace(&mut transaction, stale, found).await?;
    Ok(transaction.commit().await?)
}

async fn replace(
    connection: &mut MySqlConnection,
    Stale { batch_id, changes }: Stale,
    found: &Found,
) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM findings WHERE batch_id = ?", batch_id)
        .execute(&mut *connection)
        .await?;
    sqlx::query!("DELETE FROM tags WHERE batch_id = ?", batch_id).execute(&mut *connection).await?;
    for one in &found.findings {
        let [poured, peak, test, seed, stir_gap, worked, room, humidity] = one.values;
        sqlx::query!(
            "INSERT INTO findings (batch_id, component, made_at, faulty, poured, peak, test, seed,
                                   stir_gap, worked, room, humidity)
             VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
            batch_id,
            one.component,
            one.made_at.0.naive_utc(),
            one.faulty,
            poured,
            peak,
            test,
            seed,
            stir_gap,
            worked,
            room,
            humidity
        )
        .execute(&mut *connection)
        .await?;
    }
    for BowlFit { bowl_id, ware_id, fit } in &found.fits {
        sqlx::query!(
            "REPLACE INTO fits (bowl_id, ware_id, compared, held, off_c) VALUES (?, ?, ?, ?, ?)",
            bowl_id,
            ware_id,
            u32::try_from(fit.compared).unwrap_or(u32::MAX),
            u32::try_from(fit.held).unwrap_or(u32::MAX),
            fit.off_c
        )
        .execute(&mut *connection)
        .await?;
    }
    for tag in &found.tags {
        sqlx::query!("INSERT IGNORE INTO tags (batch_id, tag) VALUES (?, ?)", batch_id, tag)
            .execute(&mut *connection)
            .await?;
    }
    sqlx::query!("UPDATE batches SET found = ? WHERE id = ?", changes, batch_id)
        .execute(connection)
        .await?;
    Ok(())
}

/// A case of the log: what is known of one thing that was made and looked at.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Looked {
    /// When it was made.
    pub made_at: WallTime,
    /// What is known of it.
    pub case: Case,
}

/// What all that was found was found of: where two are the same, so is everything that was found.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct FoundOf {
    batches: i64,
    which: u64,
    times: u64,
}

/// What all that is found now was found of.
///
/// # Errors
/// Where the database fails.
pub async fn found_of(database: impl MySqlExecutor<'_>) -> Result<FoundOf, StoreError> {
    let row = sqlx::query!(
        r#"SELECT COUNT(*) AS batches, BIT_XOR(CRC32(CONCAT(id, found))) AS "which!: u64",
                  CAST(COALESCE(SUM(found), 0) AS UNSIGNED) AS "times!: u64"
           FROM batches WHERE real_time = TRUE AND deleted_at IS NULL"#
    )
    .fetch_one(database)
    .await?;
    Ok(FoundOf { batches: row.batches, which: row.which, times: row.times })
}

/// Everything that was made and looked at, the first first.
///
/// # Errors
/// Where the database fails.
pub async fn looked(database: impl MySqlExecutor<'_>) -> Result<Vec<Looked>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT f.made_at AS "made_at: DateTime<Utc>", f.faulty AS "faulty: bool", f.poured, f.peak,
                  f.test, f.seed, f.stir_gap, f.worked, f.room, f.humidity
           FROM findings f JOIN batches b ON b.id = f.batch_id
           WHERE f.faulty IS NOT NULL AND b.deleted_at IS NULL AND b.real_time
           ORDER BY f.made_at"#
    )
    .fetch_all(database)
    .await?;
    let looked = rows.into_iter().map(|row| Looked {
        made_at: WallTime(row.made_at),
        case: Case {
            values: [
                row.poured,
                row.peak,
                row.test,
                row.seed,
                row.stir_gap,
                row.worked,
                row.room,
                row.humidity,
            ],
            faulty: row.faulty.unwrap_or_default(),
        },
    });
    Ok(looked.collect())
}

/// How well forecasts fitted, bowl by bowl.
///
/// # Errors
/// Where the database fails.
pub async fn fits(database: impl MySqlExecutor<'_>) -> Result<Vec<BowlFit>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT f.bowl_id AS "bowl_id: Uuid", f.ware_id AS "ware_id: Uuid", f.compared, f.held,
                  f.off_c
           FROM fits f JOIN bowls w ON w.id = f.bowl_id JOIN batches b ON b.id = w.batch_id
           WHERE b.deleted_at IS NULL AND b.real_time"#
    )
    .fetch_all(database)
    .await?;
    let fits = rows.into_iter().map(|row| BowlFit {
        bowl_id: row.bowl_id,
        ware_id: row.ware_id,
        fit: Fit { compared: row.compared as usize, held: row.held as usize, off_c: row.off_c },
    });
    Ok(fits.collect())
}
