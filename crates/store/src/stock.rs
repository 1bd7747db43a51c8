//! How chocolate comes and goes: append-only, but for what a bowl took, which is
//! taken back with its pour.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use craft::shelf::stock::{Move, left};
use craft::units::{Mass, grams, in_grams};
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// Some chocolate that came or went.
#[derive(Clone, Debug, PartialEq)]
pub struct MoveRow {
    /// Made by the sender.
    pub id: Uuid,
    /// Which chocolate.
    pub chocolate_id: Uuid,
    /// The bowl it was for, if there was one.
    pub bowl_id: Option<Uuid>,
    /// How it moved.
    pub kind: Move,
    /// How much.
    pub mass: Mass,
    /// When.
    pub at: DateTime<Utc>,
}

impl MoveRow {
    /// The first count of a chocolate that is put on the shelf.
    #[must_use]
    pub fn first_count(chocolate_id: Uuid, mass: Mass, at: DateTime<Utc>) -> Self {
        // Its own id makes it the first, however often it is sent.
        Self { id: chocolate_id, chocolate_id, bowl_id: None, kind: Move::Counted, mass, at }
    }
}

/// Keeps a move.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such chocolate; [`StoreError::OtherContent`]
/// where another was sent by this id.
pub async fn append(connection: &mut MySqlConnection, moved: &MoveRow) -> Result<Sent, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO stock_moves (chocolate_id, id, bowl_id, kind, grams, at)
         VALUES (?, ?, ?, ?, ?, ?)",
        moved.chocolate_id,
        moved.id,
        moved.bowl_id,
        moved.kind.word(),
        in_grams(moved.mass),
        moved.at.naive_utc()
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "chocolate on the shelf")? {
        return Ok(sent);
    }
    let kept = sqlx::query!(
        "SELECT kind, grams FROM stock_moves WHERE chocolate_id = ? AND id = ?",
        moved.chocolate_id,
        moved.id
    )
    .fetch_one(connection)
    .await?;
    let same = kept.kind == moved.kind.word() && (kept.grams - in_grams(moved.mass)).abs() < 1e-6;
    again(same, "move")
}

/// Notes what a bowl took, in place of what was noted of it before.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such chocolate.
pub async fn take(database: impl MySqlExecutor<'_>, taken: &MoveRow) -> Result<(), StoreError> {
    // It keeps its place among the moves: a count that came later still stands.
    sqlx::query!(
        "INSERT INTO stock_moves (chocolate_id, id, bowl_id, kind, grams, at)
         VALUES (?, ?, ?, ?, ?, ?)
         ON DUPLICATE KEY UPDATE grams = VALUES(grams)",
        taken.chocolate_id,
        taken.id,
        taken.bowl_id,
        taken.kind.word(),
        in_grams(taken.mass),
        taken.at.naive_utc()
    )
    .execute(database)
    .await
    .map_err(StoreError::inserting("chocolate on the shelf"))?;
    Ok(())
}

/// Takes back what a bowl took.
///
/// # Errors
/// Where the database fails.
pub async fn give_back(database: impl MySqlExecutor<'_>, bowl_id: Uuid) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM stock_moves WHERE bowl_id = ? AND kind = 'taken'", bowl_id)
        .execute(database)
        .await?;
    Ok(())
}

/// What is left of each chocolate of which that is known.
///
/// # Errors
/// Where the database fails.
pub async fn all_left(database: impl MySqlExecutor<'_>) -> Result<HashMap<Uuid, Mass>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT chocolate_id AS "chocolate_id: Uuid", kind, grams
           FROM stock_moves ORDER BY seq"#
    )
    .fetch_all(database)
    .await?;
    let mut moves: HashMap<Uuid, Vec<(Move, Mass)>> = HashMap::new();
    for row in rows {
        // A kind of a later release, or one that was tampered with, takes nothing else with it.
        let Some(kind) = Move::from_word(&row.kind) else { continue };
        moves.entry(row.chocolate_id).or_default().push((kind, grams(row.grams)));
    }
    Ok(moves.into_iter().filter_map(|(id, moves)| Some((id, left(moves)?))).collect())
}

/// What a bowl took from the shelf and gave back, in the order in which it did.
///
/// # Errors
/// Where the database fails.
pub async fn of_bowl(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
) -> Result<Vec<MoveRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", chocolate_id AS "chocolate_id: Uuid",
                  bowl_id AS "bowl_id: Uuid", kind, grams, at AS "at: DateTime<Utc>"
           FROM stock_moves WHERE bowl_id = ? ORDER BY seq"#,
        bowl_id
    )
    .fetch_all(database)
    .await?;
    let moved = rows.into_iter().filter_map(|row| {
        Some(MoveRow {
            id: row.id,
            chocolate_id: row.chocolate_id,
            bowl_id: row.bowl_id,
            kind: Move::from_word(&row.kind)?,
            mass: grams(row.grams),
            at: row.at,
        })
    });
    Ok(moved.collect())
}
