//! How much of a chocolate or of goods is left, and whether it is enough.

use super::ChocolateInputs;
use crate::bowl::{Bowl, Setup};
use crate::catalogue::shelf as say;
use crate::note::Note;
use crate::units::{Mass, grams, in_grams};
use crate::words::worded;
use chrono::{NaiveDate, TimeDelta};

/// A best-before date this near is said.
const SOON: TimeDelta = TimeDelta::days(14);

worded! {
    /// How chocolate and goods come and go.
    Move {
        /// Weighed: this is what there is.
        Counted = "counted",
        /// Bought, on top of what there was.
        Bought = "bought",
        /// Left over from a bowl, and put back.
        Returned = "returned",
        /// Taken for a bowl, or for what is made.
        Taken = "taken",
        /// Thrown away, eaten, given away.
        Gone = "gone",
    }
}

/// What is left after some moves in order of time; `None` where it was never
/// known.
///
/// Nothing less than nothing is left: what was taken beyond that shows that the
/// count was wrong. Amounts are in what the thing is counted in: grams of a chocolate; grams,
/// millilitres or pieces of goods.
///
/// ```
/// use craft::shelf::stock::{Move, left};
///
/// let moves = [(Move::Counted, 900.0), (Move::Taken, 480.0), (Move::Returned, 60.0)];
/// assert_eq!(left(moves), Some(480.0));
/// ```
#[must_use]
pub fn left(moves: impl IntoIterator<Item = (Move, f64)>) -> Option<f64> {
    moves.into_iter().fold(None, |left: Option<f64>, (kind, amount)| match kind {
        Move::Counted => Some(amount),
        Move::Bought => Some(left.unwrap_or_default() + amount),
        Move::Returned => left.map(|left| left + amount),
        Move::Taken | Move::Gone => left.map(|left| (left - amount).max(0.0)),
    })
}

/// What a bowl took from the bag: what was melted, and the seed that went in.
#[must_use]
pub fn taken(setup: &Setup, bowl: &Bowl) -> Mass {
    setup.melted + bowl.went_in.seeded
}

/// What some of it costs, in the maker's own money.
#[must_use]
pub fn cost(chocolate: &ChocolateInputs, mass: Mass) -> Option<f64> {
    chocolate.price_per_kg.map(|price| price * in_grams(mass) / 1000.0)
}

/// A best-before date that is worth a word, as it is said.
pub(super) enum Dated {
    /// It has passed.
    Past(String),
    /// It is near.
    Soon(String),
}

impl Dated {
    /// What a date is today; nothing where there is none or it is far off.
    pub(super) fn of(best_before: Option<NaiveDate>, today: NaiveDate) -> Option<Self> {
        let best_before = best_before?;
        let day = best_before.format("%-d %B %Y").to_string();
        if best_before < today {
            Some(Self::Past(day))
        } else {
            (best_before - today <= SOON).then_some(Self::Soon(day))
        }
    }
}

/// What is still to be bought, where so much is left of what is needed: a gram at the least,
/// nothing where it is enough.
#[must_use]
pub fn short(left: Mass, needed: Mass) -> Mass {
    if left < needed { (needed - left).max(grams(1.0)) } else { Mass::default() }
}

/// What there is to say before this much of it is taken.
#[must_use]
pub fn remarks(
    chocolate: &ChocolateInputs,
    left: Option<Mass>,
    needed: Mass,
    today: NaiveDate,
) -> Vec<Note> {
    let mut notes = Vec::new();
    if let Some(left) = left
        && left < needed
    {
        notes.push(Note::caution("not-enough", say::not_enough(left, needed, short(left, needed))));
    }
    match Dated::of(chocolate.best_before, today) {
        Some(Dated::Past(day)) => {
            notes.push(Note::caution("past-its-date", say::past_its_date(&day)));
        }
        Some(Dated::Soon(day)) => {
            notes.push(Note::info("soon-past-its-date", say::soon_past_its_date(&day)));
        }
        None => {}
    }
    notes
}
