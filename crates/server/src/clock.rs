//! Time, as a value.

use std::collections::HashMap;
use std::fmt;
use std::sync::{Arc, RwLock};

use chrono::{DateTime, TimeDelta, Utc};
use store::bowls::ClockRow;
use uuid::Uuid;

/// What the wall clock says. Only `main` reads the system's; tests bring theirs.
#[derive(Clone)]
pub struct WallClock(Arc<dyn Fn() -> DateTime<Utc> + Send + Sync>);

impl WallClock {
    /// A clock that reads the time from a function.
    pub fn new(read: impl Fn() -> DateTime<Utc> + Send + Sync + 'static) -> Self {
        Self(Arc::new(read))
    }

    /// The time now, to the millisecond, as the store keeps it.
    #[must_use]
    pub fn now(&self) -> DateTime<Utc> {
        let now = (self.0)();
        DateTime::from_timestamp_millis(now.timestamp_millis()).unwrap_or(now)
    }
}

impl fmt::Debug for WallClock {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str("WallClock")
    }
}

/// A bowl's own time at a moment of real time. It runs with the wall unless a
/// simulated thermometer runs it faster, or holds it.
#[must_use]
pub fn kitchen_time(clock: ClockRow, real: DateTime<Utc>) -> DateTime<Utc> {
    #[allow(clippy::cast_precision_loss, clippy::cast_possible_truncation)] // years fit
    let passed = ((real - clock.real).num_milliseconds() as f64 * clock.rate) as i64;
    clock.kitchen + TimeDelta::milliseconds(passed)
}

/// The clocks of the bowls in use, so that a reading that arrives does not ask
/// the database what time it is.
#[derive(Debug, Default)]
pub struct Clocks(RwLock<HashMap<Uuid, ClockRow>>);

impl Clocks {
    /// The clock of a bowl, if it was seen before.
    pub fn get(&self, bowl_id: Uuid) -> Option<ClockRow> {
        self.0.read().ok()?.get(&bowl_id).copied()
    }

    /// Remembers a bowl's clock.
    pub fn set(&self, bowl_id: Uuid, clock: ClockRow) {
        if let Ok(mut clocks) = self.0.write() {
            clocks.insert(bowl_id, clock);
        }
    }

    /// Forgets every clock.
    pub fn clear(&self) {
        if let Ok(mut clocks) = self.0.write() {
            clocks.clear();
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_bowls_time_runs_at_its_own_rate_from_its_anchor() {
        let real = DateTime::from_timestamp(1_790_000_000, 0).expect("in range");
        let kitchen = real - TimeDelta::hours(3);
        let later = real + TimeDelta::seconds(10);
        for (rate, passed) in [(1.0, 10), (60.0, 600), (0.0, 0)] {
            let clock = ClockRow { real, kitchen, rate };
            assert_eq!(kitchen_time(clock, later), kitchen + TimeDelta::seconds(passed));
        }
    }
}
