//! Time, as a value.

use std::collections::HashMap;
use std::fmt;
use std::sync::atomic::{AtomicU64, Ordering};
use std::sync::{Arc, RwLock};

use chrono::{DateTime, TimeDelta, Utc};
use craft::time::WallTime;
use serde::Serialize;
use store::batches::ClockRow;
use utoipa::ToSchema;
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
    pub fn now(&self) -> WallTime {
        WallTime(craft::time::kept((self.0)()))
    }
}

impl fmt::Debug for WallClock {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str("WallClock")
    }
}

/// The clock of a batch that is begun: its time is the wall's.
#[must_use]
pub fn as_the_wall(now: WallTime) -> ClockRow {
    ClockRow { real: now, kitchen: now.0, rate: 1.0 }
}

/// A batch's own time at a moment of wall time. It runs with the wall unless it is tried
/// out, faster, or held.
#[must_use]
pub fn kitchen_time(clock: ClockRow, wall: WallTime) -> DateTime<Utc> {
    clock.kitchen + scaled(wall.since(clock.real), clock.rate)
}

/// When a moment of a batch's time is, or was, by the wall. What lies before its clock was
/// last set kept pace with the wall, as far as is known; a held clock reaches nothing new.
#[must_use]
pub fn wall_time(clock: ClockRow, kitchen: DateTime<Utc>, now: WallTime) -> WallTime {
    let ahead = kitchen - clock.kitchen;
    if ahead <= TimeDelta::zero() {
        return clock.real.after(ahead);
    }
    if clock.rate > 0.0 { clock.real.after(scaled(ahead, 1.0 / clock.rate)) } else { now }
}

fn scaled(time: TimeDelta, by: f64) -> TimeDelta {
    #[allow(clippy::cast_precision_loss, clippy::cast_possible_truncation)] // years fit
    let ms = (time.num_milliseconds() as f64 * by) as i64;
    TimeDelta::milliseconds(ms)
}

/// The clocks of the batches in use, and which bowl is of which batch, so that a reading
/// that arrives does not ask the database what time it is.
#[derive(Debug, Default)]
pub struct Clocks {
    of_batch: RwLock<HashMap<Uuid, ClockRow>>,
    batch_of: RwLock<HashMap<Uuid, Uuid>>,
    /// Counts what was set and forgotten.
    changes: AtomicU64,
}

impl Clocks {
    /// The batch of a bowl and its clock, if they were seen before.
    pub fn of_bowl(&self, bowl_id: Uuid) -> Option<(Uuid, ClockRow)> {
        let batch_id = *self.batch_of.read().ok()?.get(&bowl_id)?;
        Some((batch_id, *self.of_batch.read().ok()?.get(&batch_id)?))
    }

    /// Remembers whose bowl it is.
    pub fn know(&self, bowl_id: Uuid, batch_id: Uuid) {
        if let Ok(mut known) = self.batch_of.write() {
            known.insert(bowl_id, batch_id);
        }
    }

    /// Remembers a batch's clock that was set.
    pub fn set(&self, batch_id: Uuid, clock: ClockRow) {
        if let Ok(mut clocks) = self.of_batch.write() {
            self.changes.fetch_add(1, Ordering::Relaxed);
            clocks.insert(batch_id, clock);
        }
    }

    /// How often clocks were set so far: to be asked before one is read.
    pub fn changes(&self) -> u64 {
        self.changes.load(Ordering::Relaxed)
    }

    /// Remembers a batch's clock that was read, unless one was set while it was: that is newer.
    pub fn was_read(&self, batch_id: Uuid, clock: ClockRow, changes_before: u64) {
        if let Ok(mut clocks) = self.of_batch.write()
            && self.changes() == changes_before
        {
            clocks.insert(batch_id, clock);
        }
    }

    /// A batch's clock is to be read again.
    pub fn forget(&self, batch_id: Uuid) {
        if let Ok(mut clocks) = self.of_batch.write() {
            self.changes.fetch_add(1, Ordering::Relaxed);
            clocks.remove(&batch_id);
        }
    }
}

/// A bowl's own time.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ClockAnswer {
    /// Kitchen time when this was answered.
    pub now: DateTime<Utc>,
    /// Kitchen seconds per real second.
    pub rate: f64,
    /// Whether the simulated thermometer measures this bowl.
    pub simulated: bool,
}

#[cfg(test)]
mod tests {
    use super::*;

    fn clock(rate: f64) -> (ClockRow, WallTime) {
        let real = WallTime(DateTime::from_timestamp(1_790_000_000, 0).expect("in range"));
        (ClockRow { real, kitchen: real.0 - TimeDelta::hours(3), rate }, real)
    }

    #[test]
    fn a_batchs_time_runs_at_its_own_rate_from_its_anchor() {
        for (rate, passed) in [(1.0, 10), (60.0, 600), (0.0, 0)] {
            let (clock, real) = clock(rate);
            let later = real.after(TimeDelta::seconds(10));
            assert_eq!(kitchen_time(clock, later), clock.kitchen + TimeDelta::seconds(passed));
        }
    }

    #[test]
    fn what_was_read_before_a_clock_was_set_does_not_stand_in_its_place() {
        let clocks = Clocks::default();
        let (batch, bowl) = (Uuid::now_v7(), Uuid::now_v7());
        let ((held, _), (goes, _)) = (clock(0.0), clock(20.0));
        let before = clocks.changes();
        clocks.know(bowl, batch);
        clocks.set(batch, goes);
        clocks.was_read(batch, held, before);
        assert_eq!(clocks.of_bowl(bowl), Some((batch, goes)));
        clocks.forget(batch);
        clocks.was_read(batch, held, before);
        assert_eq!(clocks.of_bowl(bowl), None, "it was read before it was forgotten");
        clocks.was_read(batch, held, clocks.changes());
        assert_eq!(clocks.of_bowl(bowl), Some((batch, held)));
    }

    #[test]
    fn a_pour_at_sixty_times_the_pace_lies_in_no_future_of_the_wall() {
        for rate in [1.0, 60.0, 0.0] {
            let (clock, real) = clock(rate);
            let now = real.after(TimeDelta::seconds(10));
            let poured = kitchen_time(clock, now);
            let wall = wall_time(clock, poured, now);
            assert!(wall <= now, "{rate}: {wall} is after {now}");
            assert!(wall >= clock.real);
        }
        // What was before its clock was set is before that by the wall too.
        let (clock, real) = clock(60.0);
        assert!(wall_time(clock, clock.kitchen - TimeDelta::minutes(5), real) < real);
    }
}
