//! When the hands are free.

/// Spans of time in which the hands are free, s since some moment: sorted, none touching another.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Free {
    spans: Vec<(i64, i64)>,
    longest: i64,
}

impl Free {
    /// Those spans, in any order; what overlaps or touches is one.
    #[must_use]
    pub fn new(mut spans: Vec<(i64, i64)>) -> Self {
        spans.retain(|(from, to)| from < to);
        spans.sort_unstable();
        let mut joined: Vec<(i64, i64)> = Vec::with_capacity(spans.len());
        for (from, to) in spans {
            match joined.last_mut() {
                Some(last) if from <= last.1 => last.1 = last.1.max(to),
                _ => joined.push((from, to)),
            }
        }
        let longest = joined.iter().map(|(from, to)| to - from).max().unwrap_or(0);
        Self { spans: joined, longest }
    }

    /// The same less what is taken up otherwise.
    #[must_use]
    pub fn without(&self, taken: &[(i64, i64)]) -> Self {
        let taken = Self::new(taken.to_vec());
        let mut left = Vec::with_capacity(self.spans.len() + taken.spans.len());
        let mut busy = taken.spans.iter().peekable();
        for &(from, to) in &self.spans {
            let mut at = from;
            while let Some(&&(begins, ends)) = busy.peek() {
                if ends <= at {
                    busy.next();
                    continue;
                }
                if begins >= to {
                    break;
                }
                left.push((at, begins));
                at = ends;
                if ends >= to {
                    break;
                }
            }
            left.push((at, to));
        }
        Self::new(left)
    }

    /// The spans, s since that moment, in order.
    #[must_use]
    pub fn spans(&self) -> &[(i64, i64)] {
        &self.spans
    }

    /// Whether there is none.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.spans.is_empty()
    }

    /// How much of it there is, s.
    #[must_use]
    pub fn total(&self) -> i64 {
        self.spans.iter().map(|(from, to)| to - from).sum()
    }

    /// The longest of them, s.
    #[must_use]
    pub fn longest(&self) -> i64 {
        self.longest
    }

    /// The soonest moment from then on at which so much can be begun and done in one go. What is
    /// longer than any span begins with one.
    #[must_use]
    pub fn soonest(&self, at: i64, lasts: i64) -> Option<i64> {
        let first = self.spans.partition_point(|(_, to)| *to < at);
        let mut rest = self.spans[first..].iter();
        if lasts > self.longest {
            return rest.find(|(from, _)| *from >= at).map(|(from, _)| *from);
        }
        rest.find(|(from, to)| at.max(*from) + lasts <= *to).map(|(from, _)| at.max(*from))
    }

    /// The latest moment at which so much can be begun so that it is done by then.
    #[must_use]
    pub fn latest(&self, done_by: i64, lasts: i64) -> Option<i64> {
        let mut rest =
            self.spans[..self.spans.partition_point(|(from, _)| *from <= done_by)].iter();
        if lasts > self.longest {
            return rest.rfind(|(from, _)| from + lasts <= done_by).map(|(from, _)| *from);
        }
        rest.rfind(|(from, to)| done_by.min(*to) - lasts >= *from)
            .map(|(_, to)| done_by.min(*to) - lasts)
    }
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::*;

    #[test]
    fn what_touches_is_one_span_and_what_is_taken_is_left_out() {
        let free = Free::new(vec![(50, 60), (0, 20), (20, 30), (25, 28), (9, 9)]);
        assert_eq!(free.spans, [(0, 30), (50, 60)]);
        assert_eq!(free.longest(), 30);
        assert_eq!(free.without(&[(10, 15), (28, 55)]).spans, [(0, 10), (15, 28), (55, 60)]);
        assert_eq!(free.without(&[(-5, 100)]).spans, []);
        assert_eq!(free.without(&[]).spans, free.spans);
        assert_eq!(free.without(&[(30, 50)]), free);
    }

    #[test]
    fn what_is_longer_than_any_span_begins_with_one() {
        let free = Free::new(vec![(0, 20), (50, 60)]);
        assert_eq!(free.soonest(1, 25), Some(50));
        assert_eq!(free.latest(70, 25), Some(0));
        assert_eq!(free.latest(75, 25), Some(50));
        assert_eq!(free.soonest(51, 25), None);
        assert_eq!(Free::default().soonest(0, 0), None);
    }

    proptest! {
        #[test]
        fn the_soonest_and_the_latest_fit_and_nothing_between_is_left_out(
            spans in proptest::collection::vec((0_i64..60, 1_i64..15), 1..6),
            at in 0_i64..70,
            lasts in 0_i64..15,
        ) {
            let free = Free::new(spans.into_iter().map(|(from, long)| (from, from + long)).collect());
            prop_assume!(lasts <= free.longest());
            let fits = |t: i64| free.spans.iter().any(|(from, to)| *from <= t && t + lasts <= *to);
            prop_assert_eq!(free.soonest(at, lasts), (at..200).find(|t| fits(*t)));
            prop_assert_eq!(free.latest(at, lasts), (-20..=at - lasts).rev().find(|t| fits(*t)));
        }
    }
}
