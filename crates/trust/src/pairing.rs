//! A code that is shown, and what becomes of it.

use chrono::{DateTime, TimeDelta, Utc};

use crate::Code;

/// A code stands so long.
pub const STANDS: TimeDelta = TimeDelta::minutes(10);
/// So many may be tried in vain; then there must be a new one.
pub const TRIES: u8 = 5;

/// A code that was shown: one use, ten minutes, five tries.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Pairing {
    /// Goes into the digest.
    pub salt: [u8; 16],
    /// What is kept of the code.
    pub digest: [u8; 32],
    /// When it was made.
    pub made_at: DateTime<Utc>,
    /// How often another was tried.
    pub tries: u8,
    /// Whether it was used.
    pub used: bool,
}

/// Whether a code can still be used.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Standing {
    /// It can, until then, with so many tries left.
    Open {
        /// Until when.
        until: DateTime<Utc>,
        /// How many tries are left.
        left: u8,
    },
    /// It was used.
    Used,
    /// Its ten minutes are over.
    Expired,
    /// Too many were tried in vain.
    TriedOut,
}

/// What came of a try.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Tried {
    /// It is the one. It cannot be used again.
    Right,
    /// It is not; so many tries are left.
    Wrong {
        /// How many.
        left: u8,
    },
    /// Whatever was tried, there is no code to compare it with.
    Closed,
}

impl Pairing {
    /// What is kept of a code that is shown from now on.
    #[must_use]
    pub fn of(code: Code, salt: [u8; 16], now: DateTime<Utc>) -> Self {
        Self { salt, digest: code.digest(&salt), made_at: now, tries: 0, used: false }
    }

    /// Whether it can still be used.
    #[must_use]
    pub fn stands(&self, now: DateTime<Utc>) -> Standing {
        let until = self.made_at + STANDS;
        let left = TRIES.saturating_sub(self.tries);
        if self.used {
            Standing::Used
        } else if left == 0 {
            Standing::TriedOut
        } else if now >= until || now < self.made_at {
            // A clock that was set back makes no code younger.
            Standing::Expired
        } else {
            Standing::Open { until, left }
        }
    }

    /// Tries what was typed. A right one after the last try is as wrong as any.
    pub fn tried(&mut self, typed: &str, now: DateTime<Utc>) -> Tried {
        let Standing::Open { left, .. } = self.stands(now) else { return Tried::Closed };
        if Code::typed(typed).is_some_and(|code| code.digest(&self.salt) == self.digest) {
            self.used = true;
            return Tried::Right;
        }
        self.tries += 1;
        Tried::Wrong { left: left - 1 }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn shown() -> (Pairing, String, DateTime<Utc>) {
        let now = DateTime::UNIX_EPOCH + TimeDelta::days(20_000);
        let code = Code::typed("042118").expect("six digits");
        (Pairing::of(code, [3; 16], now), code.to_string(), now)
    }

    #[test]
    fn it_is_used_once() {
        let (mut pairing, code, now) = shown();
        assert_eq!(pairing.stands(now), Standing::Open { until: now + STANDS, left: 5 });
        assert_eq!(pairing.tried("042 119", now), Tried::Wrong { left: 4 });
        assert_eq!(pairing.tried(&code, now), Tried::Right);
        assert_eq!(pairing.stands(now), Standing::Used);
        assert_eq!(pairing.tried(&code, now), Tried::Closed);
    }

    #[test]
    fn after_five_in_vain_the_right_one_is_as_wrong_as_any() {
        let (mut pairing, code, now) = shown();
        for left in [4, 3, 2, 1, 0] {
            assert_eq!(pairing.tried("nonsense", now), Tried::Wrong { left });
        }
        assert_eq!(pairing.tried(&code, now), Tried::Closed);
        assert_eq!(pairing.stands(now), Standing::TriedOut);
    }

    #[test]
    fn it_stands_ten_minutes_and_no_clock_makes_it_younger() {
        let (pairing, code, now) = shown();
        let at = |later| pairing.clone().tried(&code, now + later);
        assert_eq!(at(STANDS - TimeDelta::seconds(1)), Tried::Right);
        assert_eq!(at(STANDS), Tried::Closed);
        assert_eq!(at(-TimeDelta::seconds(1)), Tried::Closed);
        assert_eq!(pairing.stands(now + STANDS), Standing::Expired);
    }

    #[test]
    fn ten_thousand_guesses_let_nobody_in() {
        let (mut pairing, _, now) = shown();
        let guesses = (100_000..110_000).map(|guess: u32| guess.to_string());
        let told: Vec<Tried> = guesses.map(|guess| pairing.tried(&guess, now)).collect();
        assert!(!told.contains(&Tried::Right));
        assert_eq!(told.iter().filter(|one| **one == Tried::Closed).count(), 10_000 - 5);
    }
}
