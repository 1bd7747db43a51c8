//! The temper test: what a smear says about the bowl.
//!
//! In temper, a smear starts to set from the edges within a minute or two and
//! is touch dry by three to five, even and satin. Streaks, or still wet after
//! that: not in temper. Those are the times of dark chocolate; milk and white set
//! more slowly in a smear as they do in a slab (docs/craft.md, section 3).

use crate::bowl::event::Seen;
use crate::catalogue::bowl as say;
use crate::chocolate::Family;
use crate::message::Message;
use crate::units::{Time, minutes};

/// When a smear of a family is to be looked at.
///
/// ```
/// use craft::bowl::temper_test::TestTimes;
/// use craft::chocolate::Family;
/// use craft::units::minutes;
///
/// assert_eq!(TestTimes::of(Family::Dark).last_look, minutes(5.0));
/// assert_eq!(TestTimes::of(Family::White).last_look, minutes(7.0));
/// ```
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct TestTimes {
    /// When the first look is worth taking.
    pub first_look: Time,
    /// When a smear in temper is dry.
    pub last_look: Time,
    /// When a smear that only now sets says there is no temper.
    pub too_slow: Time,
}

impl TestTimes {
    /// Those of a family, to the half minute.
    #[must_use]
    pub fn of(family: Family) -> Self {
        let for_family = |min: f64| minutes((min * family.setting_factor() * 2.0).round() / 2.0);
        Self { first_look: for_family(2.0), last_look: for_family(5.0), too_slow: for_family(8.0) }
    }
}

/// What a test says.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Verdict {
    /// In temper: pour.
    InTemper,
    /// In temper, but slow to show it.
    Weak,
    /// Too early to tell: keep watching the smear.
    Wait,
    /// Not in temper: do not pour.
    NotInTemper,
}

/// The verdict on a smear of a family at a certain age.
#[must_use]
pub fn verdict(family: Family, seen: Seen, age: Time) -> Verdict {
    let times = TestTimes::of(family);
    match seen {
        Seen::SetsFromEdge | Seen::EvenSatin if age > times.too_slow => Verdict::NotInTemper,
        Seen::SetsFromEdge | Seen::EvenSatin if age > times.last_look => Verdict::Weak,
        Seen::SetsFromEdge | Seen::EvenSatin => Verdict::InTemper,
        Seen::Streaks => Verdict::NotInTemper,
        Seen::StillWet if age < times.last_look => Verdict::Wait,
        Seen::StillWet => Verdict::NotInTemper,
    }
}

/// The verdict in words, for the maker.
#[must_use]
pub fn in_words(family: Family, verdict: Verdict, seen: Seen, age: Time) -> Message {
    match (verdict, seen) {
        (Verdict::InTemper, Seen::SetsFromEdge) => say::sets_from_edge(age),
        (Verdict::InTemper, _) => say::even_and_satin(age),
        (Verdict::Weak, _) => say::weak(age),
        (Verdict::Wait, _) => {
            let again = TestTimes::of(family).last_look;
            say::wet_too_soon(age, again)
        }
        (Verdict::NotInTemper, Seen::Streaks) => say::streaks(),
        (Verdict::NotInTemper, Seen::StillWet) => say::still_wet(age),
        (Verdict::NotInTemper, _) => say::set_too_late(age),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_verdict_depends_on_the_look_and_the_age() {
        let cases = [
            (Seen::SetsFromEdge, 1.5, Verdict::InTemper),
            (Seen::EvenSatin, 4.0, Verdict::InTemper),
            (Seen::EvenSatin, 6.5, Verdict::Weak),
            (Seen::EvenSatin, 9.0, Verdict::NotInTemper),
            (Seen::Streaks, 3.0, Verdict::NotInTemper),
            (Seen::StillWet, 2.0, Verdict::Wait),
            (Seen::StillWet, 5.0, Verdict::NotInTemper),
        ];
        for (seen, min, expected) in cases {
            let said = verdict(Family::Dark, seen, minutes(min));
            assert_eq!(said, expected, "{seen:?} at {min} min");
        }
    }

    #[test]
    fn milk_and_white_are_given_longer() {
        let six = minutes(6.0);
        assert_eq!(verdict(Family::Dark, Seen::StillWet, six), Verdict::NotInTemper);
        assert_eq!(verdict(Family::White, Seen::StillWet, six), Verdict::Wait);
        assert_eq!(verdict(Family::Dark, Seen::EvenSatin, six), Verdict::Weak);
        assert_eq!(verdict(Family::Milk, Seen::EvenSatin, six), Verdict::InTemper);
        let words = in_words(Family::White, Verdict::Wait, Seen::StillWet, six);
        assert!(words.text.ends_with("Look again at 7 min."), "{words}");
    }

    #[test]
    fn no_temper_is_said_plainly() {
        for seen in [Seen::Streaks, Seen::StillWet, Seen::EvenSatin] {
            let words = in_words(Family::Dark, Verdict::NotInTemper, seen, minutes(9.0));
            assert!(words.text.contains("Do not pour"), "{words}");
        }
    }
}
