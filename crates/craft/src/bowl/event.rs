//! What happens to a bowl.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::units::{Mass, Temperature, Time};

/// Where a reading came from.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Source {
    /// Sent by a thermometer.
    Probe,
    /// Typed by the maker.
    Hand,
}

/// One look at the thermometer.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Reading {
    /// Made by the sender; a reading sent twice has the same one.
    pub id: Uuid,
    /// When it was read.
    pub at: DateTime<Utc>,
    /// What it said.
    pub temp: Temperature,
    /// Where it came from.
    pub source: Source,
}

/// What a temper test looks like.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Seen {
    /// It sets from the edge inward.
    SetsFromEdge,
    /// Dry, even, satin.
    EvenSatin,
    /// Streaks or swirls.
    Streaks,
    /// Still wet.
    StillWet,
}

/// What the maker did.
#[derive(Clone, Debug, PartialEq)]
pub enum ActionKind {
    /// Put on the heat: a burst of known length, or until taken off.
    Heat {
        /// Length of the burst; `None` for a water bath.
        lasting: Option<Time>,
    },
    /// Taken off the heat for good: the melt is done.
    OffHeat,
    /// Stirred.
    Stirred,
    /// Unmelted chocolate added.
    SeedAdded {
        /// How much.
        mass: Mass,
    },
    /// Ready crystals stirred in.
    CrystalsAdded {
        /// How much.
        mass: Mass,
    },
    /// A part poured out on the stone.
    OnStone {
        /// How much.
        mass: Mass,
    },
    /// What was on the stone returned to the bowl.
    OffStone,
    /// Powder of a colour worked in, until no grain shows.
    ColourIn,
    /// Strained through cloth.
    Strained,
    /// It thickens: the maker says so.
    TooThick,
    /// A smear was made to test the temper.
    TestStarted,
    /// What the smear looks like.
    TestSeen {
        /// The look of it.
        seen: Seen,
    },
    /// Poured out.
    Poured,
    /// The batch was given up.
    GivenUp {
        /// Why.
        reason: String,
    },
    /// An earlier action did not happen.
    Undone {
        /// Which.
        action: Uuid,
    },
}

impl ActionKind {
    /// Whether the bowl cools by another law from here on, so that a forecast
    /// must not look further back.
    #[must_use]
    pub fn disturbs_cooling(&self) -> bool {
        matches!(
            self,
            Self::Heat { .. }
                | Self::OffHeat
                | Self::SeedAdded { .. }
                | Self::OnStone { .. }
                | Self::OffStone
                | Self::Poured
        )
    }
}

/// Something the maker did, and when.
#[derive(Clone, Debug, PartialEq)]
pub struct Action {
    /// Made by the sender; an action sent twice has the same one.
    pub id: Uuid,
    /// When it was done.
    pub at: DateTime<Utc>,
    /// What was done.
    pub kind: ActionKind,
}
