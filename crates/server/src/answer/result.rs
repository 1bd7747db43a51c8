//! What came out, as it is answered.

use craft::result::{Looks, Symptom};
use craft::time::WallTime;
use serde::Serialize;
use store::results::ResultRow;
use utoipa::ToSchema;
use uuid::Uuid;

/// A look as it is kept.
#[derive(Debug, Serialize, ToSchema)]
pub struct ResultAnswer {
    /// Its id.
    pub id: Uuid,
    /// When it was noted.
    pub noted_at: WallTime,
    /// How it looks; `null` where what is kept cannot be read.
    pub looks: Option<Looks>,
    /// The faults that were seen, those that the looks are among them.
    pub seen: Vec<Symptom>,
    /// The maker's remarks.
    pub note: String,
}

impl From<ResultRow> for ResultAnswer {
    fn from(row: ResultRow) -> Self {
        let (looks, mut seen, note) = match row.result {
            Ok(kept) => (Some(kept.looks), kept.looks.symptoms(), (kept.seen, kept.note)),
            Err(unreadable) => (None, Default::default(), (Vec::new(), unreadable.to_string())),
        };
        seen.extend(note.0);
        Self {
            id: row.id,
            noted_at: row.noted_at,
            looks,
            seen: seen.into_iter().collect(),
            note: note.1,
        }
    }
}
