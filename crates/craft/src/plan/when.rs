//! When a plan is made: ready by, or begun; by whose hands; and what the maker has put at a time.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};

use crate::catalogue::plan as say;
use crate::check::Checker;
use crate::time::is_in_range;

/// The longest key of a step.
const LONGEST_KEY: usize = 100;
/// So many sittings at the most are put at a time.
const MOST_PINNED: usize = 200;

/// Who works.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum HandsInputs {
    /// The maker.
    #[default]
    Alone,
    /// The maker, and somebody who does only what is safe for a child: no heat, no hot sugar, no
    /// chocolate in temper.
    WithHelper,
    /// Two makers.
    Two,
}

/// A sitting that the maker put at a time.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PinnedInputs {
    /// The key of its first step.
    pub key: String,
    /// When it is begun.
    pub at: DateTime<Utc>,
}

/// When it is made.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WhenInputs {
    /// All of it is to be done by then.
    pub ready_by: Option<DateTime<Utc>>,
    /// Nothing is begun before; where neither is stated, now.
    pub begin: Option<DateTime<Utc>>,
    /// Who works.
    pub hands: HandsInputs,
    /// Sittings that were put at a time.
    pub pinned: Vec<PinnedInputs>,
}

impl WhenInputs {
    /// Whether anything is stated.
    #[must_use]
    pub fn is_stated(&self) -> bool {
        self.ready_by.is_some() || self.begin.is_some()
    }

    /// Notes what is wrong with it, under `when`.
    pub(super) fn check(&self, check: &mut Checker) {
        let pinned = self.pinned.iter().enumerate();
        let pinned = pinned.map(|(i, pinned)| (format!("when.pinned[{i}].at"), Some(pinned.at)));
        let stated = [("when.ready_by", self.ready_by), ("when.begin", self.begin)];
        let stated = stated.into_iter().map(|(field, at)| (field.to_owned(), at));
        for (field, at) in stated.chain(pinned) {
            if at.is_some_and(|at| !is_in_range(at)) {
                check.fault(field, say::time_out_of_range());
            }
        }
        if self.pinned.len() > MOST_PINNED {
            check.fault("when.pinned", say::must_be_at_most(MOST_PINNED, self.pinned.len()));
        }
        for (i, pinned) in self.pinned.iter().enumerate().take(MOST_PINNED) {
            check.text(format_args!("when.pinned[{i}].key"), &pinned.key, LONGEST_KEY);
        }
    }
}
