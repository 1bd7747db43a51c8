//! What a step is.

use serde::{Deserialize, Serialize};

use super::gear::Gear;
use crate::help::Topic;
use crate::message::Message;
use crate::setting::Moment;
use crate::units::{in_seconds, seconds};

/// What sort of work a step is.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum StepKind {
    /// Lining, polishing, weighing: what can be done before any chocolate is ready.
    Preparing,
    /// A chocolate is melted, brought into temper and tested, at the bench.
    Tempering,
    /// A colour is put on.
    Applying,
    /// Chocolate is poured, piped, dipped in.
    Pouring,
    /// Waiting until it has set, dried or rested; the hands only check.
    Waiting,
    /// Into the fridge, and out of it.
    Chilling,
    /// All that follows: spreading, topping, cutting, unmoulding, packing.
    Finishing,
}

/// Which end of another step a wait counts from.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Anchor {
    /// Its first piece: when it was begun.
    Begin,
    /// Its last piece: when it was done.
    End,
}

/// How long after its anchor a window opens or closes, s.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Due {
    /// Most likely.
    pub typical_s: f64,
    /// Not likely before.
    pub earliest_s: f64,
    /// Not likely after.
    pub latest_s: f64,
    /// Whether a slower or faster setting shifts it.
    pub sets: bool,
    /// What happens then.
    pub what: Message,
}

impl Due {
    /// The same, typed.
    #[must_use]
    pub fn moment(&self) -> Moment {
        Moment {
            typical: seconds(self.typical_s),
            earliest: seconds(self.earliest_s),
            latest: seconds(self.latest_s),
        }
    }
}

/// A wait for another step.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Wait {
    /// That step's key.
    pub step: String,
    /// Which end of it.
    pub anchor: Anchor,
    /// Not before; at once if left out.
    pub opens: Option<Due>,
    /// Not after; any time if left out.
    pub closes: Option<Due>,
}

/// How long the hands are at a step, s.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Takes {
    /// Most likely.
    pub typical_s: f64,
    /// Hardly less.
    pub least_s: f64,
    /// Hardly more.
    pub most_s: f64,
}

impl Takes {
    /// A time that hardly varies.
    #[must_use]
    pub fn about(time: crate::units::Time) -> Self {
        let s = in_seconds(time);
        Self { typical_s: s, least_s: s, most_s: s }
    }
}

/// One thing to do.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Step {
    /// Its key within the batch, `line/task`. It stays the same from release to release.
    pub key: String,
    /// What sort of work it is.
    pub kind: StepKind,
    /// What to do.
    pub text: Message,
    /// How, in a sentence.
    pub detail: Message,
    /// What is to be minded while it is done; nothing where nothing is.
    pub caution: Option<Message>,
    /// What is to be done where its window was missed; nothing where it has none.
    pub missed: Option<Message>,
    /// How long the hands are at it.
    pub takes: Takes,
    /// The chocolate it takes, by key.
    pub chocolate: Option<String>,
    /// The tempering that must be ready for it, by key.
    pub tempered: Option<String>,
    /// The step its window counts from.
    pub wait: Option<Wait>,
    /// Whether it is the finger's check that the surface is dry.
    pub is_touch: bool,
    /// What can be asked of it; none of a step that an earlier release wrote.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub topic: Option<Topic>,
    /// What was learned for it from how things came out before.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub learned: Vec<Message>,
}

impl Step {
    /// Its key within its line: `pour` of `slab/pour`.
    #[must_use]
    pub fn task(&self) -> &str {
        self.key.rsplit('/').next().unwrap_or(&self.key)
    }

    /// Whether a piece is out of its mould with it.
    #[must_use]
    pub fn unmoulds(&self) -> bool {
        self.task() == "peel"
    }

    /// Whether something is put into the fridge with it.
    pub(super) fn goes_into_the_fridge(&self) -> bool {
        self.task().starts_with("fridge-in") || self.task().starts_with("chill-")
    }

    /// When its window opens.
    #[must_use]
    pub fn opens(&self) -> Option<&Due> {
        self.wait.as_ref()?.opens.as_ref()
    }

    /// When its window closes.
    #[must_use]
    pub fn closes(&self) -> Option<&Due> {
        self.wait.as_ref()?.closes.as_ref()
    }
}

/// What a line is of.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(tag = "of", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LineOf {
    /// A chocolate or colour that is tempered.
    Bowl {
        /// Its key.
        bowl: String,
        /// Which time it is tempered, from 1.
        nth: u32,
    },
    /// A component.
    Component {
        /// Its key.
        component: String,
        /// Which cast of it, from 1.
        cast: u32,
        /// Of how many.
        casts: u32,
    },
    /// What is done once all is made: it is counted, packed and labelled.
    Packing {},
}

/// Steps that follow each other.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Line {
    /// Its key within the batch.
    pub key: String,
    /// What it is of.
    pub of: LineOf,
    /// What the maker calls it.
    pub name: String,
    /// What it is done with, of which there is only so much; nothing in what an earlier release
    /// wrote.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub gear: Vec<Gear>,
    /// So many days at the most it keeps, once its last step is done; nothing where only a date of
    /// its own tells, of temperings, and in what an earlier release wrote.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub keeps_days: Option<f64>,
    /// Its steps, in order.
    pub steps: Vec<Step>,
}

impl Line {
    /// The component it is a cast of; `None` for a tempering and for packing.
    #[must_use]
    pub fn component(&self) -> Option<&str> {
        match &self.of {
            LineOf::Component { component, .. } => Some(component),
            LineOf::Bowl { .. } | LineOf::Packing {} => None,
        }
    }

    /// Whether it is begun only once all else is done.
    #[must_use]
    pub const fn is_packing(&self) -> bool {
        matches!(self.of, LineOf::Packing {})
    }

    /// The chocolate that is tempered, and which time; `None` for all else.
    #[must_use]
    pub fn bowl(&self) -> Option<(&str, u32)> {
        match &self.of {
            LineOf::Bowl { bowl, nth } => Some((bowl, *nth)),
            LineOf::Component { .. } | LineOf::Packing {} => None,
        }
    }
}
