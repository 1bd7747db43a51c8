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

/// A look at a smear.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Look {
    /// What was seen.
    pub seen: Seen,
    /// How old the smear was as it turned dull; where it is still wet or streaked, at the
    /// look.
    pub age: Time,
    /// Whether that age is known: nobody said when it turned dull, and it may have been
    /// well before the look.
    pub is_dated: bool,
}

impl Look {
    /// A look at an age, at what turned dull `dull_for` before it: just now where that is
    /// nothing, not known where nobody said.
    #[must_use]
    pub fn at(seen: Seen, age: Time, dull_for: Option<Time>) -> Self {
        let turned = age - dull_for.unwrap_or_default();
        Self { seen, age: turned.max(Time::default()), is_dated: dull_for.is_some() }
    }
}

/// The verdict on a look at a smear of a family.
///
/// What is even and satin has set in form V, whenever somebody looks: where nobody says
/// when it turned dull, a late look tells no more than that the temper may be weak.
#[must_use]
pub fn verdict(family: Family, look: &Look) -> Verdict {
    let times = TestTimes::of(family);
    let age = look.age;
    match look.seen {
        Seen::EvenSatin if age > times.too_slow && !look.is_dated => Verdict::Weak,
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
pub fn in_words(family: Family, verdict: Verdict, look: &Look) -> Message {
    let age = look.age;
    match (verdict, look.seen) {
        (Verdict::InTemper, Seen::SetsFromEdge) => say::sets_from_edge(age),
        (Verdict::InTemper, _) => say::even_and_satin(age),
        (Verdict::Weak, _) if !look.is_dated && age > TestTimes::of(family).too_slow => {
            say::seen_late(age)
        }
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
            let said = verdict(Family::Dark, &just_now(seen, min));
            assert_eq!(said, expected, "{seen:?} at {min} min");
        }
    }

    fn just_now(seen: Seen, min: f64) -> Look {
        Look::at(seen, minutes(min), Some(minutes(0.0)))
    }

    #[test]
    fn what_turned_dull_in_time_is_in_temper_whenever_it_was_looked_at() {
        let seen = |at: f64, ago: f64| {
            verdict(Family::Dark, &Look::at(Seen::EvenSatin, minutes(at), Some(minutes(ago))))
        };
        assert_eq!(seen(9.0, 5.0), Verdict::InTemper);
        assert_eq!(seen(7.0, 1.0), Verdict::Weak);
        assert_eq!(seen(12.0, 2.0), Verdict::NotInTemper);
        // Nobody said: it is even and satin, and that is what temper is.
        let late = Look::at(Seen::EvenSatin, minutes(20.0), None);
        assert_eq!(verdict(Family::Dark, &late), Verdict::Weak);
        let words = in_words(Family::Dark, Verdict::Weak, &late);
        assert!(words.text().contains("nobody saw when"), "{words}");
        // Streaks are streaks, whenever.
        let streaks = Look::at(Seen::Streaks, minutes(9.0), Some(minutes(5.0)));
        assert_eq!(verdict(Family::Dark, &streaks), Verdict::NotInTemper);
        // More than its age ago cannot be.
        assert_eq!(Look::at(Seen::EvenSatin, minutes(2.0), Some(minutes(5.0))).age, minutes(0.0));
    }

    #[test]
    fn milk_and_white_are_given_longer() {
        let at = |family, seen, min| verdict(family, &just_now(seen, min));
        assert_eq!(at(Family::Dark, Seen::StillWet, 6.0), Verdict::NotInTemper);
        assert_eq!(at(Family::White, Seen::StillWet, 6.0), Verdict::Wait);
        assert_eq!(at(Family::Dark, Seen::EvenSatin, 6.0), Verdict::Weak);
        assert_eq!(at(Family::Milk, Seen::EvenSatin, 6.0), Verdict::InTemper);
        let words = in_words(Family::White, Verdict::Wait, &just_now(Seen::StillWet, 6.0));
        assert!(words.text().ends_with("Check again at 7 min."), "{words}");
    }

    #[test]
    fn no_temper_is_said_plainly() {
        for seen in [Seen::Streaks, Seen::StillWet, Seen::EvenSatin] {
            let words = in_words(Family::Dark, Verdict::NotInTemper, &just_now(seen, 9.0));
            assert!(words.text().contains("Do not pour"), "{words}");
        }
    }
}
