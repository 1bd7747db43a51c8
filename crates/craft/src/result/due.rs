//! When it is worth looking again: after an hour, a day, a week, a month.
//!
//! Each is asked for while it still tells what it is for, and never again after that (*custom*): how it
//! came away, how gloss and snap settled, whether bloom comes, whether it lasts.

use chrono::{DateTime, TimeDelta, Utc};

use crate::words::worded;

worded! {
    /// A look, by how long after the pour it is taken.
    LookAfter {
        /// About an hour: how it came away.
        Hour = "hour",
        /// A day: gloss and snap are what they will be.
        Day = "day",
        /// A week: bloom begins to show.
        Week = "week",
        /// A month: how it lasts.
        Month = "month",
    }
}

impl LookAfter {
    /// From when after the pour it is asked for, and until when.
    #[must_use]
    pub fn window(self) -> (TimeDelta, TimeDelta) {
        match self {
            Self::Hour => (TimeDelta::hours(1), TimeDelta::hours(10)),
            Self::Day => (TimeDelta::hours(20), TimeDelta::days(4)),
            Self::Week => (TimeDelta::days(6), TimeDelta::days(14)),
            Self::Month => (TimeDelta::days(27), TimeDelta::days(50)),
        }
    }
}

/// A look that it is time for.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Due {
    /// Which.
    pub after: LookAfter,
    /// Since when.
    pub since: DateTime<Utc>,
    /// Until when it is asked for.
    pub until: DateTime<Utc>,
}

impl Due {
    fn of(after: LookAfter, poured: DateTime<Utc>) -> Self {
        let (from, to) = after.window();
        Self { after, since: poured + from, until: poured + to }
    }

    /// How it came away is seen once, however soon.
    fn is_had(&self, looked: &[DateTime<Utc>]) -> bool {
        self.after == LookAfter::Hour && !looked.is_empty()
    }
}

/// The look that it is time for: nobody has looked since it is due, and it was not `passed_over`.
#[must_use]
pub fn due(
    poured: DateTime<Utc>,
    looked: &[DateTime<Utc>],
    passed_over: Option<LookAfter>,
    now: DateTime<Utc>,
) -> Option<Due> {
    let all = LookAfter::ALL.iter().map(|after| Due::of(*after, poured));
    all.rev().find(|due| (due.since..due.until).contains(&now)).filter(|due| {
        passed_over.is_none_or(|passed| passed < due.after)
            && looked.iter().all(|at| *at < due.since)
            && !due.is_had(looked)
    })
}

/// The next look that is still to come.
#[must_use]
pub fn next(poured: DateTime<Utc>, looked: &[DateTime<Utc>], now: DateTime<Utc>) -> Option<Due> {
    let mut all = LookAfter::ALL.iter().map(|after| Due::of(*after, poured));
    all.find(|due| due.since > now && !due.is_had(looked))
}

#[cfg(test)]
mod tests {
    use super::*;

    fn at(hours: i64) -> DateTime<Utc> {
        DateTime::UNIX_EPOCH + TimeDelta::hours(hours)
    }

    fn asked(hours: i64, looked: &[i64], passed: Option<LookAfter>) -> Option<LookAfter> {
        let looked: Vec<_> = looked.iter().map(|hours| at(*hours)).collect();
        due(at(0), &looked, passed, at(hours)).map(|due| due.after)
    }

    #[test]
    fn each_look_is_asked_for_in_its_time_and_once() {
        let when = |hours| asked(hours, &[], None);
        assert_eq!([when(0), when(2), when(15)], [None, Some(LookAfter::Hour), None]);
        assert_eq!([when(24), when(24 * 7)], [Some(LookAfter::Day), Some(LookAfter::Week)]);
        assert_eq!([when(24 * 30), when(24 * 90)], [Some(LookAfter::Month), None]);
        assert_eq!(asked(24, &[2], None), Some(LookAfter::Day));
        assert_eq!(asked(30, &[2, 24], None), None);
        assert_eq!(asked(24 * 7, &[24], Some(LookAfter::Day)), Some(LookAfter::Week));
        assert_eq!(asked(24 * 8, &[24], Some(LookAfter::Week)), None);
    }

    #[test]
    fn windows_do_not_meet_and_the_next_look_is_told() {
        for pair in LookAfter::ALL.windows(2) {
            assert!(pair[0].window().1 <= pair[1].window().0, "{pair:?}");
        }
        let next_after = |hours| next(at(0), &[], at(hours)).map(|due| due.after);
        assert_eq!(next_after(0), Some(LookAfter::Hour));
        assert_eq!(next_after(2), Some(LookAfter::Day));
        let looked_at_once = next(at(0), &[at(0)], at(0)).map(|due| due.after);
        assert_eq!(looked_at_once, Some(LookAfter::Day));
        assert_eq!(asked(2, &[0], None), None);
        assert_eq!(next_after(24 * 60), None);
    }
}
