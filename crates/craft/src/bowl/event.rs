//! What happens to a bowl.

use chrono::{DateTime, Utc};
use uuid::Uuid;

use crate::units::{Mass, Temperature, Time};
use crate::words::worded;

worded! {
    /// Where a reading came from.
    Source {
        /// Sent by a thermometer.
        Probe = "probe",
        /// Typed by the maker.
        Hand = "hand",
        /// Sent by a second thermometer, whose tip is at the bowl's edge: it is compared with the
        /// middle, and nothing else goes by it.
        Edge = "edge",
    }
}

worded! {
    /// Where in a bowl a thermometer's tip is.
    Place {
        /// In the middle: the coach goes by it.
        Middle = "middle",
        /// At the edge, of a second one: it is compared with the middle.
        Edge = "edge",
    }
}

impl Place {
    /// Whether it is the edge.
    #[must_use]
    pub fn is_edge(self) -> bool {
        self == Self::Edge
    }

    /// The edge, or else the middle.
    #[must_use]
    pub fn edge_if(is_edge: bool) -> Self {
        if is_edge { Self::Edge } else { Self::Middle }
    }
}

impl Source {
    /// Where in the bowl it was read.
    #[must_use]
    pub fn place(self) -> Place {
        match self {
            Self::Edge => Place::Edge,
            Self::Probe | Self::Hand => Place::Middle,
        }
    }

    /// What a thermometer sends that stands at a place.
    #[must_use]
    pub fn sent_from(place: Place) -> Self {
        match place {
            Place::Middle => Self::Probe,
            Place::Edge => Self::Edge,
        }
    }
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

worded! {
    /// What a temper test looks like.
    Seen {
        /// It sets from the edge inward.
        SetsFromEdge = "sets_from_edge",
        /// Dry, even, satin.
        EvenSatin = "even_satin",
        /// Streaks or swirls.
        Streaks = "streaks",
        /// Still wet.
        StillWet = "still_wet",
    }
}

/// What the maker did, or says of what was recorded.
#[derive(Clone, Debug, PartialEq)]
pub enum ActionKind {
    /// Put on the heat: a burst of known length, or until taken off.
    Heat {
        /// Length of the burst; `None` for a water bath.
        lasting: Option<Time>,
    },
    /// Warmed with a hair dryer on low: what a microwave's shortest burst is too much for.
    Dryer {
        /// How long.
        lasting: Time,
    },
    /// Stood in warm water for a moment, in place of a hair dryer.
    InWarmWater {
        /// How long.
        lasting: Time,
    },
    /// Stood on a heating pad, which keeps it warm.
    OnPad,
    /// Taken off the heating pad.
    OffPad,
    /// Taken off the heat for good: the melt is done.
    OffHeat,
    /// Set in cool water, dry inside, to come down faster.
    OnCoolWater,
    /// Taken out of the cool water.
    OffCoolWater,
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
        /// How long ago it turned dull, where it was seen later than it happened.
        dull_for: Option<Time>,
    },
    /// Poured out.
    Poured,
    /// The bowl was given up.
    GivenUp {
        /// Why.
        reason: String,
    },
    /// An earlier action did not happen.
    Undone {
        /// Which.
        action: Uuid,
    },
    /// Correction: so much was weighed in an earlier action, not what was entered.
    AmountCorrected {
        /// Which action.
        action: Uuid,
        /// How much it was.
        mass: Mass,
    },
    /// Correction: a reading was mistyped, and does not count.
    ReadingWithdrawn {
        /// Which reading.
        reading: Uuid,
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
                | Self::Dryer { .. }
                | Self::InWarmWater { .. }
                | Self::OnPad
                | Self::OffPad
                | Self::OffHeat
                | Self::OnCoolWater
                | Self::OffCoolWater
                | Self::SeedAdded { .. }
                | Self::OnStone { .. }
                | Self::OffStone
                | Self::Poured
        )
    }

    /// What it says of another entry, rather than of the chocolate: an undoing or a
    /// correction.
    #[must_use]
    pub fn is_about_the_record(&self) -> bool {
        matches!(
            self,
            Self::Undone { .. } | Self::AmountCorrected { .. } | Self::ReadingWithdrawn { .. }
        )
    }

    /// What was weighed in it.
    #[must_use]
    pub fn mass(&self) -> Option<Mass> {
        match self {
            Self::SeedAdded { mass } | Self::CrystalsAdded { mass } | Self::OnStone { mass } => {
                Some(*mass)
            }
            _ => None,
        }
    }

    /// The same with so much weighed.
    pub(super) fn set_mass(&mut self, weighed: Mass) {
        if let Self::SeedAdded { mass } | Self::CrystalsAdded { mass } | Self::OnStone { mass } =
            self
        {
            *mass = weighed;
        }
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
