//! How chocolate and goods come and go: append-only, but for what a bowl or what is made took,
//! which is taken back with it. Amounts are in what the thing is counted in.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use craft::shelf::stock::{Move, left};
use sqlx::{MySqlConnection, MySqlExecutor};
use uuid::Uuid;

use crate::error::{again, inserted};
use crate::{Sent, StoreError};

/// Some chocolate, or some goods, that came or went.
#[derive(Clone, Debug, PartialEq)]
pub struct MoveRow {
    /// Made by the sender.
    pub id: Uuid,
    /// Which.
    pub thing_id: Uuid,
    /// The bowl it was for, if there was one.
    pub bowl_id: Option<Uuid>,
    /// How it moved.
    pub kind: Move,
    /// How much, in what it is counted in.
    pub amount: f64,
    /// When.
    pub at: DateTime<Utc>,
}

impl MoveRow {
    /// The first count of what is put on the shelf.
    #[must_use]
    pub fn first_count(thing_id: Uuid, amount: f64, at: DateTime<Utc>) -> Self {
        // Its own id makes it the first, however often it is sent.
        Self { id: thing_id, thing_id, bowl_id: None, kind: Move::Counted, amount, at }
    }
}

/// Keeps a move.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such thing; [`StoreError::OtherContent`]
/// where another was sent by this id.
pub async fn append(connection: &mut MySqlConnection, moved: &MoveRow) -> Result<Sent, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO stock_moves (thing_id, id, bowl_id, kind, amount, at)
         VALUES (?, ?, ?, ?, ?, ?)",
        moved.thing_id,
        moved.id,
        moved.bowl_id,
        moved.kind.word(),
        moved.amount,
        moved.at.naive_utc()
    )
    .execute(&mut *connection)
    .await;
    if let Some(sent) = inserted(result, "thing on the shelf")? {
        return Ok(sent);
    }
    let kept = sqlx::query!(
        "SELECT kind, amount FROM stock_moves WHERE thing_id = ? AND id = ?",
        moved.thing_id,
        moved.id
    )
    .fetch_one(connection)
    .await?;
    let same = kept.kind == moved.kind.word() && (kept.amount - moved.amount).abs() < 1e-6;
    again(same, "move")
}

/// Notes what a bowl, or what is made, took; in place of what was noted of it before.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such thing.
pub async fn take(database: impl MySqlExecutor<'_>, taken: &MoveRow) -> Result<(), StoreError> {
    // It keeps its place among the moves: a count that came later still stands.
    sqlx::query!(
        "INSERT INTO stock_moves (thing_id, id, bowl_id, kind, amount, at)
         VALUES (?, ?, ?, ?, ?, ?)
         ON DUPLICATE KEY UPDATE amount = VALUES(amount)",
        taken.thing_id,
        taken.id,
        taken.bowl_id,
        taken.kind.word(),
        taken.amount,
        taken.at.naive_utc()
    )
    .execute(database)
    .await
    .map_err(StoreError::inserting("thing on the shelf"))?;
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

/// Takes back one move, whatever it was of: what it was for has not happened after all.
///
/// # Errors
/// Where the database fails.
pub async fn take_back(database: impl MySqlExecutor<'_>, id: Uuid) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM stock_moves WHERE id = ? AND kind = 'taken'", id)
        .execute(database)
        .await?;
    Ok(())
}

/// Takes back a move that the maker entered: it was a mistake. The first count stays.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such move.
pub async fn take_back_entered(
    database: impl MySqlExecutor<'_>,
    thing_id: Uuid,
    id: Uuid,
) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "DELETE FROM stock_moves WHERE thing_id = ? AND id = ? AND id <> thing_id AND kind <> 'taken'",
        thing_id,
        id
    )
    .execute(database)
    .await?;
    if done.rows_affected() == 0 {
        return Err(StoreError::NotFound("move"));
    }
    Ok(())
}

/// What is left of everything of which that is known, in what it is counted in.
///
/// # Errors
/// Where the database fails.
pub async fn all_left(database: impl MySqlExecutor<'_>) -> Result<HashMap<Uuid, f64>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT thing_id AS "thing_id: Uuid", kind, amount
           FROM stock_moves ORDER BY seq"#
    )
    .fetch_all(database)
    .await?;
    let mut moves: HashMap<Uuid, Vec<(Move, f64)>> = HashMap::new();
    for row in rows {
        // A kind of a later release, or one that was tampered with, takes nothing else with it.
        let Some(kind) = Move::from_word(&row.kind) else { continue };
        moves.entry(row.thing_id).or_default().push((kind, row.amount));
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
        r#"SELECT id AS "id: Uuid", thing_id AS "thing_id: Uuid",
                  bowl_id AS "bowl_id: Uuid", kind, amount, at AS "at: DateTime<Utc>"
           FROM stock_moves WHERE bowl_id = ? ORDER BY seq"#,
        bowl_id
    )
    .fetch_all(database)
    .await?;
    let moved = rows.into_iter().filter_map(|row| {
        Some(MoveRow {
            id: row.id,
            thing_id: row.thing_id,
            bowl_id: row.bowl_id,
            kind: Move::from_word(&row.kind)?,
            amount: row.amount,
            at: row.at,
        })
    });
    Ok(moved.collect())
}
