//! The temper test: what a smear says about the bowl.
//!
//! In temper, a smear starts to set from the edges within a minute or two and
//! is touch dry by three to five, even and satin. Streaks, or still wet after
//! five minutes: not in temper.

use crate::bowl::event::Seen;
use crate::units::{Time, in_seconds, minutes};

/// When the first look is worth taking.
#[must_use]
pub fn first_look() -> Time {
    minutes(2.0)
}

/// When a smear in temper is dry.
#[must_use]
pub fn last_look() -> Time {
    minutes(5.0)
}

/// When a smear that only now sets says the temper is weak.
#[must_use]
pub fn too_slow() -> Time {
    minutes(8.0)
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

/// The verdict on a smear of a certain age.
#[must_use]
pub fn verdict(seen: Seen, age: Time) -> Verdict {
    match seen {
        Seen::SetsFromEdge | Seen::EvenSatin if age > too_slow() => Verdict::NotInTemper,
        Seen::SetsFromEdge | Seen::EvenSatin if age > last_look() => Verdict::Weak,
        Seen::SetsFromEdge | Seen::EvenSatin => Verdict::InTemper,
        Seen::Streaks => Verdict::NotInTemper,
        Seen::StillWet if age < last_look() => Verdict::Wait,
        Seen::StillWet => Verdict::NotInTemper,
    }
}

/// The verdict in words, for the maker.
#[must_use]
pub fn in_words(verdict: Verdict, seen: Seen, age: Time) -> String {
    let min = in_seconds(age) / 60.0;
    match (verdict, seen) {
        (Verdict::InTemper, Seen::SetsFromEdge) => {
            format!("Setting from the edge at {min:.1} min: in temper. Pour.")
        }
        (Verdict::InTemper, _) => format!("Even and satin at {min:.1} min: in temper. Pour."),
        (Verdict::Weak, _) => {
            format!(
                "Set, but it took {min:.1} min: weak temper. It will hold; stir well and pour at the lower end of the band."
            )
        }
        (Verdict::Wait, _) => {
            format!("Wet at {min:.1} min says nothing yet. Look again at 5 min.")
        }
        (Verdict::NotInTemper, Seen::Streaks) => "Streaks: not in temper. Do not pour.".to_owned(),
        (Verdict::NotInTemper, Seen::StillWet) => {
            format!("Still wet at {min:.0} min: not in temper. Do not pour.")
        }
        (Verdict::NotInTemper, _) => {
            format!("Set only after {min:.0} min: not in temper. Do not pour.")
        }
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
            assert_eq!(verdict(seen, minutes(min)), expected, "{seen:?} at {min} min");
        }
    }

    #[test]
    fn no_temper_is_said_plainly() {
        for seen in [Seen::Streaks, Seen::StillWet, Seen::EvenSatin] {
            let words = in_words(Verdict::NotInTemper, seen, minutes(9.0));
            assert!(words.contains("Do not pour"), "{words}");
        }
    }
}
