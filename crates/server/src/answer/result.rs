//! What came out, as it is answered.

use craft::result::{Bloom, BloomTests, Look, LookAfter, Looks, Stored, Symptom, Taste};
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
    /// When it was looked at.
    pub looked_at: WallTime,
    /// What was looked at, by its key; `null` where all of it was.
    pub component: Option<String>,
    /// How it looks; `null` where what is kept cannot be read.
    pub looks: Option<Looks>,
    /// How it tastes.
    pub taste: Option<Taste>,
    /// How a veil behaved when it was rubbed and wetted.
    pub bloom: BloomTests,
    /// What the two tests tell.
    pub bloom_told: Bloom,
    /// How it was kept until then.
    pub stored: Stored,
    /// The faults that were seen, those that the looks are among them.
    pub seen: Vec<Symptom>,
    /// The maker's remarks.
    pub note: String,
}

impl From<ResultRow> for ResultAnswer {
    fn from(row: ResultRow) -> Self {
        let ResultRow { id, noted_at, looked_at, result } = row;
        match result {
            Ok(look) => {
                let (seen, bloom_told) = (look.faults().into_iter().collect(), look.bloom.told());
                let Look { component, looks, taste, bloom, stored, note, seen: _ } = look;
                let looks = Some(looks);
                Self {
                    id,
                    noted_at,
                    looked_at,
                    component,
                    looks,
                    taste,
                    bloom,
                    bloom_told,
                    stored,
                    seen,
                    note,
                }
            }
            Err(unreadable) => Self {
                id,
                noted_at,
                looked_at,
                component: None,
                looks: None,
                taste: None,
                bloom: BloomTests::default(),
                bloom_told: Bloom::NotTested,
                stored: Stored::default(),
                seen: Vec::new(),
                note: unreadable.to_string(),
            },
        }
    }
}

/// A look that it is time for, or that comes next.
#[derive(Clone, Copy, Debug, Serialize, ToSchema)]
pub struct LookDueAnswer {
    /// Which.
    pub after: LookAfter,
    /// From when.
    pub since: WallTime,
    /// Until when it is asked for.
    pub until: WallTime,
}

impl From<craft::result::Due> for LookDueAnswer {
    fn from(due: craft::result::Due) -> Self {
        Self { after: due.after, since: WallTime(due.since), until: WallTime(due.until) }
    }
}
