//! The bowls of a batch, as its steps see them.

use chrono::{DateTime, Utc};

use super::together::{line_of, ready_with};
use crate::bowl::UsedFor;
use crate::message::Message;
use crate::steps::{Line, Step, tempering_key};

/// Where a bowl stands, in the batch's time.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum BowlStatus {
    /// At the bench, not in temper yet.
    Open,
    /// At the bench, in temper.
    Ready,
    /// Poured, or put on.
    Poured {
        /// When.
        at: DateTime<Utc>,
    },
    /// Given up.
    GivenUp,
}

/// A bowl of a batch.
#[derive(Clone, Debug, PartialEq)]
pub struct BowlState {
    /// Which chocolate it is, by key.
    pub chocolate: String,
    /// When it was opened.
    pub opened_at: DateTime<Utc>,
    /// Where it stands.
    pub status: BowlStatus,
    /// Where it was poured: why that is not tempered chocolate, or nobody knows.
    pub not_tempered: Option<Message>,
}

/// The bowl that a chocolate's nth tempering is: those that were given up do not count.
#[must_use]
pub fn bowl_of<'a>(bowls: &'a [BowlState], chocolate: &str, nth: u32) -> Option<&'a BowlState> {
    let mut of: Vec<_> = bowls
        .iter()
        .filter(|bowl| bowl.chocolate == chocolate && bowl.status != BowlStatus::GivenUp)
        .collect();
    of.sort_by_key(|bowl| bowl.opened_at);
    of.get(usize::try_from(nth).ok()?.checked_sub(1)?).copied()
}

/// What a bowl is tempered for, and what comes before it; see [`used_for`].
#[must_use]
pub fn use_of(
    lines: &[Line],
    bowls: &[BowlState],
    chocolate: &str,
    opened_at: DateTime<Utc>,
) -> Option<UsedFor> {
    let step = used_for(lines, bowls, chocolate, opened_at)?;
    let line = line_of(lines, &step.key)?;
    let index = line.steps.iter().position(|other| other.key == step.key)?;
    let with = ready_with(&line.steps, index, lines);
    let own = step.tempered.as_ref().and_then(|key| line_of(lines, key));
    let goes_before = |i: &usize| {
        let with = ready_with(&line.steps, *i, lines);
        with.iter().any(|tempering| own.is_some_and(|own| own.key == tempering.key))
    };
    Some(UsedFor {
        step: step.text.clone(),
        with: with.into_iter().map(|line| line.name.clone()).collect(),
        after: (0..index).rev().find(goes_before).map(|i| line.steps[i].text.clone()),
    })
}

/// The step that a bowl is tempered for: the first that takes its chocolate's nth tempering,
/// where it is the nth bowl of that chocolate, by when it was opened; those that were given up
/// do not count.
#[must_use]
pub fn used_for<'l>(
    lines: &'l [Line],
    bowls: &[BowlState],
    chocolate: &str,
    opened_at: DateTime<Utc>,
) -> Option<&'l Step> {
    let before = bowls
        .iter()
        .filter(|bowl| bowl.chocolate == chocolate && bowl.status != BowlStatus::GivenUp)
        .filter(|bowl| bowl.opened_at < opened_at)
        .count();
    let nth = u32::try_from(before).ok()? + 1;
    let tempering = tempering_key(chocolate, nth);
    lines
        .iter()
        .flat_map(|line| &line.steps)
        .find(|step| step.tempered.as_deref() == Some(tempering.as_str()))
}
