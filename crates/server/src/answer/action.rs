//! What was done at a bowl.

use chrono::{DateTime, Utc};
use craft::bowl::{Action, Entry};
use craft::time::WallTime;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

/// An action that stands.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ActionAnswer {
    /// Its id.
    pub id: Uuid,
    /// When it was done.
    pub at: DateTime<Utc>,
    /// What was done.
    #[serde(flatten)]
    pub entry: Entry,
}

impl From<&Action> for ActionAnswer {
    fn from(action: &Action) -> Self {
        Self { id: action.id, at: action.at, entry: (&action.kind).into() }
    }
}

/// An entry of the record as it was made.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct EntryAnswer {
    /// What was entered.
    #[serde(flatten)]
    pub action: ActionAnswer,
    /// When it was entered, by the clock on the wall; `null` in records from before that was kept.
    pub entered_at: Option<WallTime>,
    /// On which device it was entered; `null` where it was the main screen.
    pub entered_on: Option<String>,
    /// Whether it does not stand any more.
    pub undone: bool,
}
