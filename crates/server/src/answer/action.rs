//! What was done at a bowl.

use chrono::{DateTime, Utc};
use craft::bowl::{Action, ActionKind, Seen};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::{grams, seconds};

/// What an action was.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, serde::Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ActionName {
    /// Put on the heat: with `seconds` a burst, without until taken off.
    Heat,
    /// Taken off the heat: the melt is done.
    OffHeat,
    /// Stirred.
    Stirred,
    /// Seed added: `grams`.
    SeedAdded,
    /// Ready crystals stirred in: `grams`.
    CrystalsAdded,
    /// A part poured out on the stone: `grams`.
    OnStone,
    /// What was on the stone returned.
    OffStone,
    /// Powder of a colour worked in.
    ColourIn,
    /// Strained through cloth.
    Strained,
    /// It thickens: the maker says so.
    TooThick,
    /// A smear was made.
    TestStarted,
    /// The smear was looked at: `seen`.
    TestSeen,
    /// Poured.
    Poured,
    /// Given up: `reason`.
    GivenUp,
    /// An earlier action did not happen: `undoes`.
    Undone,
}

/// An action that stands.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ActionAnswer {
    /// Its id.
    pub id: Uuid,
    /// When it was done.
    pub at: DateTime<Utc>,
    /// What was done.
    pub kind: ActionName,
    /// Length of a burst.
    pub seconds: Option<f64>,
    /// Seed or crystals added, or what was poured out on the stone.
    pub grams: Option<f64>,
    /// Look of the smear.
    pub seen: Option<Seen>,
    /// Why it was given up.
    pub reason: Option<String>,
    /// What it undoes.
    pub undoes: Option<Uuid>,
}

impl From<&Action> for ActionAnswer {
    fn from(action: &Action) -> Self {
        let mut answer = Self {
            id: action.id,
            at: action.at,
            kind: ActionName::Stirred,
            seconds: None,
            grams: None,
            seen: None,
            reason: None,
            undoes: None,
        };
        answer.kind = match &action.kind {
            ActionKind::Heat { lasting } => {
                answer.seconds = lasting.map(seconds);
                ActionName::Heat
            }
            ActionKind::OffHeat => ActionName::OffHeat,
            ActionKind::Stirred => ActionName::Stirred,
            ActionKind::SeedAdded { mass } => {
                answer.grams = Some(grams(*mass));
                ActionName::SeedAdded
            }
            ActionKind::CrystalsAdded { mass } => {
                answer.grams = Some(grams(*mass));
                ActionName::CrystalsAdded
            }
            ActionKind::OnStone { mass } => {
                answer.grams = Some(grams(*mass));
                ActionName::OnStone
            }
            ActionKind::OffStone => ActionName::OffStone,
            ActionKind::ColourIn => ActionName::ColourIn,
            ActionKind::Strained => ActionName::Strained,
            ActionKind::TooThick => ActionName::TooThick,
            ActionKind::TestStarted => ActionName::TestStarted,
            ActionKind::TestSeen { seen } => {
                answer.seen = Some(*seen);
                ActionName::TestSeen
            }
            ActionKind::Poured => ActionName::Poured,
            ActionKind::GivenUp { reason } => {
                answer.reason = Some(reason.clone());
                ActionName::GivenUp
            }
            ActionKind::Undone { action } => {
                answer.undoes = Some(*action);
                ActionName::Undone
            }
        };
        answer
    }
}
