//! What was told last, so that what did not change is not told again.

use std::sync::Arc;

use serde::Serialize;

use super::Told;
use crate::clock::ClockAnswer;
use crate::problem::Problem;

/// Something that is told with its time, which goes on while nothing else changes.
pub trait Timed: PartialEq + Serialize {
    /// Its time.
    fn clock(&mut self) -> &mut ClockAnswer;
}

/// What was told last of a bowl or a guide.
#[derive(Debug)]
pub struct Telling<A> {
    last: Option<A>,
    whole: Arc<str>,
    changes: u64,
}

impl<A> Default for Telling<A> {
    fn default() -> Self {
        Self { last: None, whole: Arc::default(), changes: 0 }
    }
}

impl<A: Timed> Telling<A> {
    /// What there is to say now: the whole where it is not as it was or goes at another pace, else
    /// the time alone.
    ///
    /// # Errors
    /// Where it cannot be written.
    pub fn tell(&mut self, mut fresh: A) -> Result<Told, Problem> {
        let clock = fresh.clock().clone();
        let as_before = self.last.as_mut().is_some_and(|last| {
            let before = std::mem::replace(last.clock(), clock.clone());
            let paced = before.rate == clock.rate && before.simulated == clock.simulated;
            paced && *last == fresh
        });
        if !as_before {
            self.changes += 1;
            self.whole = serde_json::to_string(&fresh).map_err(Problem::unwritable)?.into();
            self.last = Some(fresh);
        }
        let beat = serde_json::to_string(&clock).map_err(Problem::unwritable)?.into();
        Ok(Told { whole: self.whole.clone(), changes: self.changes, beat })
    }
}
