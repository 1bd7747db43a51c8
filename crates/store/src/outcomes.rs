//! Outcomes: what came out of a batch, a row for each look.

use chrono::{DateTime, Utc};
use craft::outcome::{Gloss, Outcome, Released, Snap, Streaks};
use uuid::Uuid;

use crate::error::appended;
use crate::{Pool, StoreError};

/// One look at what came out.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct OutcomeRow {
    /// Made by the sender.
    pub id: Uuid,
    /// When it was noted.
    pub noted_at: DateTime<Utc>,
    /// What was seen.
    pub outcome: Outcome,
    /// The maker's remarks.
    pub note: String,
}

/// Keeps an outcome. Gives `false` where it was kept already.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such batch.
pub async fn append(pool: &Pool, batch_id: Uuid, row: &OutcomeRow) -> Result<bool, StoreError> {
    let result = sqlx::query!(
        "INSERT INTO outcomes (batch_id, id, noted_at, gloss, snap, released, streaks, note)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
        batch_id,
        row.id,
        row.noted_at,
        row.outcome.gloss.word(),
        row.outcome.snap.word(),
        row.outcome.released.word(),
        row.outcome.streaks.word(),
        row.note
    )
    .execute(pool)
    .await;
    appended(result, "batch")
}

/// A batch's outcomes, the first look first.
///
/// # Errors
/// [`StoreError::Unreadable`] where a row makes no sense.
pub async fn of_batch(pool: &Pool, batch_id: Uuid) -> Result<Vec<OutcomeRow>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", noted_at AS "noted_at: DateTime<Utc>",
                  gloss, snap, released, streaks, note
           FROM outcomes WHERE batch_id = ? ORDER BY noted_at, seq"#,
        batch_id
    )
    .fetch_all(pool)
    .await?;
    rows.into_iter()
        .map(|row| {
            let outcome = (|| {
                Some(Outcome {
                    gloss: Gloss::from_word(&row.gloss)?,
                    snap: Snap::from_word(&row.snap)?,
                    released: Released::from_word(&row.released)?,
                    streaks: Streaks::from_word(&row.streaks)?,
                })
            })()
            .ok_or_else(|| StoreError::unreadable("an outcome", row.id))?;
            Ok(OutcomeRow { id: row.id, noted_at: row.noted_at, outcome, note: row.note })
        })
        .collect()
}
