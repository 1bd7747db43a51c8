//! How chocolate comes and goes: append-only, but for what a bowl took, which is
//! taken back with its pour.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use craft::shelf::stock::{Move, left};
use craft::units::{Mass, grams, in_grams};
use uuid::Uuid;

use crate::error::appended;
use crate::{Pool, StoreError};

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

fn word(kind: Move) -> &'static str {
    match kind {
        Move::Counted => "counted",
        Move::Bought => "bought",
        Move::Returned => "returned",
        Move::Taken => "taken",
        Move::Gone => "gone",
    }
}

fn kind(word: &str) -> Result<Move, StoreError> {
    let all = [Move::Counted, Move::Bought, Move::Returned, Move::Taken, Move::Gone];
    all.into_iter()
        .find(|kind| self::word(*kind) == word)
        .ok_or_else(|| StoreError::unreadable("a stock move", format!("kind {word}")))
}

/// Keeps a move: `true` where it is new, `false` where it was kept already.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such chocolate.
pub async fn append(pool: &Pool, moved: &MoveRow) -> Result<bool, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO stock_moves (chocolate_id, id, bowl_id, kind, grams, at)
         VALUES (?, ?, ?, ?, ?, ?)",
        moved.chocolate_id,
        moved.id,
        moved.bowl_id,
        word(moved.kind),
        in_grams(moved.mass),
        moved.at
    )
    .execute(pool)
    .await;
    appended(result, "chocolate on the shelf")
}

/// Notes what a bowl took, in place of what was noted of it before.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such chocolate.
pub async fn take(pool: &Pool, taken: &MoveRow) -> Result<(), StoreError> {
    // It keeps its place among the moves: a count that came later still stands.
    sqlx::query!(
        "INSERT INTO stock_moves (chocolate_id, id, bowl_id, kind, grams, at)
         VALUES (?, ?, ?, ?, ?, ?)
         ON DUPLICATE KEY UPDATE grams = VALUES(grams)",
        taken.chocolate_id,
        taken.id,
        taken.bowl_id,
        word(taken.kind),
        in_grams(taken.mass),
        taken.at
    )
    .execute(pool)
    .await
    .map_err(StoreError::inserting("chocolate on the shelf"))?;
    Ok(())
}

/// Takes back what a bowl took.
///
/// # Errors
/// Where the database fails.
pub async fn give_back(pool: &Pool, bowl_id: Uuid) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM stock_moves WHERE bowl_id = ? AND kind = 'taken'", bowl_id)
        .execute(pool)
        .await?;
    Ok(())
}

/// What is left of each chocolate of which that is known.
///
/// # Errors
/// Where the database fails.
pub async fn all_left(pool: &Pool) -> Result<HashMap<Uuid, Mass>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT chocolate_id AS "chocolate_id: Uuid", kind, grams
           FROM stock_moves ORDER BY seq"#
    )
    .fetch_all(pool)
    .await?;
    let mut moves: HashMap<Uuid, Vec<(Move, Mass)>> = HashMap::new();
    for row in rows {
        moves.entry(row.chocolate_id).or_default().push((kind(&row.kind)?, grams(row.grams)));
    }
    Ok(moves.into_iter().filter_map(|(id, moves)| Some((id, left(moves)?))).collect())
}

/// What a bowl took from the shelf and gave back, in the order in which it did.
///
/// # Errors
/// Where the database fails.
pub async fn of_bowl(pool: &Pool, bowl_id: Uuid) -> Result<Vec<MoveRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", chocolate_id AS "chocolate_id: Uuid",
                  bowl_id AS "bowl_id: Uuid", kind, grams, at AS "at: DateTime<Utc>"
           FROM stock_moves WHERE bowl_id = ? ORDER BY seq"#,
        bowl_id
    )
    .fetch_all(pool)
    .await?;
    rows.into_iter()
        .map(|row| {
            Ok(MoveRow {
                id: row.id,
                chocolate_id: row.chocolate_id,
                bowl_id: row.bowl_id,
                kind: kind(&row.kind)?,
                mass: grams(row.grams),
                at: row.at,
            })
        })
        .collect()
}
