//! One log, followed.

use std::path::PathBuf;
use std::sync::{Arc, Mutex};
use std::time::Duration;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{Reading, Source, fold};
use craft::check::Fault;
use craft::logfile::{Appended, NewLine};
use craft::units::in_celsius;
use store::watched_logs::WatchedRow;
use tokio::time::Instant;
use uuid::Uuid;

use super::file::{Seen, read};
use super::{LogStanding, LogStands};
use crate::clock::kitchen_time;
use crate::ground::{Ground, HOLD_EVERY};
use crate::live::Live;
use crate::measured::{self, LONGEST_PROBE, Measured};
use crate::problem::Problem;

/// How often a log is looked at.
const EVERY: Duration = Duration::from_secs(1);
/// Of lines that lie closer together one is read: a bowl needs no more.
const APART: TimeDelta = TimeDelta::milliseconds(500);
/// A device's clock that runs off by more than this is set anew by when its file was written.
const OFF_BY: TimeDelta = TimeDelta::seconds(10);

pub(super) struct Following {
    ground: Ground,
    live: Arc<Live>,
    row: WatchedRow,
    path: PathBuf,
    stands: Arc<Mutex<LogStands>>,
    /// What of it was read so far.
    taken: usize,
    seen: Option<Seen>,
}

impl Following {
    pub fn new(
        ground: Ground,
        live: Arc<Live>,
        row: WatchedRow,
        path: PathBuf,
        stands: Arc<Mutex<LogStands>>,
    ) -> Self {
        let taken = row.after_line as usize;
        Self { ground, live, row, path, stands, taken, seen: None }
    }

    fn say(&self, change: impl FnOnce(&mut LogStands)) {
        if let Ok(mut stands) = self.stands.lock() {
            change(&mut stands);
        }
    }

    pub async fn run(mut self) {
        let lease = format!("log:{}:{}", self.row.bowl_id, self.row.place.word());
        let (mut held, mut asked) = (false, None::<Instant>);
        let mut ticks = tokio::time::interval(EVERY);
        ticks.set_missed_tick_behavior(tokio::time::MissedTickBehavior::Delay);
        loop {
            ticks.tick().await;
            if asked.is_none_or(|asked| asked.elapsed() >= HOLD_EVERY) {
                asked = Some(Instant::now());
                match self.has_ended().await {
                    Ok(true) => return,
                    Ok(false) => {}
                    Err(problem) => self.stopped(problem.detail.to_string()),
                }
                // Where the file is not, another server may have it. A database that is away for a
                // moment is asked again.
                held = Seen::of(&self.path).is_some()
                    && self.ground.holds(&lease).await.unwrap_or(false);
            }
            if held {
                self.look().await;
            }
        }
    }

    /// A bowl that was poured or given up is measured no more; nor is one that another server was
    /// told to let go of.
    async fn has_ended(&self) -> Result<bool, Problem> {
        let WatchedRow { bowl_id, place, .. } = self.row;
        if !store::watched_logs::is_watched(&self.ground.pool, &self.row).await? {
            return Ok(true);
        }
        let live = self.live.bowl(&self.ground, bowl_id).await?;
        let now = self.ground.kitchen_now(bowl_id).await?;
        let ended = live.with(|record| fold(&live.subject().run.setup, record, now).ended());
        if ended {
            store::watched_logs::remove(&self.ground.pool, bowl_id, place).await?;
        }
        Ok(ended)
    }

    fn stopped(&self, problem: String) {
        self.say(|stands| {
            stands.standing = LogStanding::Stopped;
            stands.problem = Some(problem);
        });
    }

    /// Looks whether something was written, and takes it.
    async fn look(&mut self) {
        let seen = Seen::of(&self.path);
        let Some(now) = seen.filter(|now| self.seen != Some(*now)) else { return };
        let (path, row, after) = (self.path.clone(), self.row.clone(), self.taken);
        let done = tokio::task::spawn_blocking(move || read(&path, &row, after)).await;
        let Ok(read) = done else { return };
        self.seen = seen;
        match read {
            Ok(read) if read.whole < self.taken => {
                // It was begun anew: all of it is new, and is read at the next look.
                self.row = WatchedRow { after_line: 0, slow_by_ms: None, ..self.row.clone() };
                (self.taken, self.seen) = (0, None);
                self.keep_aligned().await;
            }
            Ok(read) => self.take(read, now).await,
            Err(Fault { field, message }) => self.stopped(format!("{field} {message}")),
        }
    }

    async fn take(&mut self, read: Appended, written: Seen) {
        if let Err(problem) = self.keep(&read, written).await {
            // It is tried again at the next look.
            self.seen = None;
            self.stopped(problem.detail.to_string());
            return;
        }
        self.say(|stands| stands.unread += read.unread);
        self.taken = read.whole;
    }

    async fn keep(&mut self, read: &Appended, written: Seen) -> Result<(), Problem> {
        let bowl_id = self.row.bowl_id;
        let bowl = self.live.bowl(&self.ground, bowl_id).await?;
        // After a restart it is read from where it began.
        let is_new = |line: &&NewLine| {
            let id = self.id_of(line);
            !bowl.with(|record| record.has_reading(id))
        };
        let new: Vec<_> = read.lines.iter().filter(is_new).copied().collect();
        let Some(last) = new.last() else { return Ok(()) };
        let (slow_by, written_at) = self.slow_by(last, written).await?;
        let mut before = None::<DateTime<Utc>>;
        let name: String = self.row.name.chars().take(LONGEST_PROBE).collect();
        for line in &new {
            // Nothing was read after it was written.
            let at = (line.at + slow_by).min(written_at);
            if before.is_some_and(|before| (TimeDelta::zero()..APART).contains(&(at - before))) {
                continue;
            }
            before = Some(at);
            let source = Source::sent_from(self.row.place);
            let reading = Reading { id: self.id_of(line), at, temp: line.temp, source };
            let measured = Measured { reading, probe: Some(&name), device: Some(&name) };
            measured::keep(&self.ground, &self.live, bowl_id, measured).await?;
            self.say(|stands| {
                stands.standing = LogStanding::Measuring;
                stands.temp_c = Some(crate::answer::celsius(line.temp));
                stands.at = Some(at);
                stands.problem = None;
            });
        }
        Ok(())
    }

    /// What the device's clock is slow by, and when its file was written on the bowl's clock: its
    /// last line was read then.
    async fn slow_by(
        &mut self,
        last: &NewLine,
        written: Seen,
    ) -> Result<(TimeDelta, DateTime<Utc>), Problem> {
        let (_, clock) = self.ground.clock_of_bowl(self.row.bowl_id).await?;
        let age = TimeDelta::from_std(written.age()).unwrap_or_default();
        let written_at = kitchen_time(clock, self.ground.wall.now().after(-age));
        let known = self.row.slow_by_ms.map(TimeDelta::milliseconds);
        if let Some(known) = known
            && (written_at - (last.at + known)).abs() <= OFF_BY
        {
            return Ok((known, written_at));
        }
        let slow_by = written_at - last.at;
        self.row.slow_by_ms = Some(slow_by.num_milliseconds());
        self.keep_aligned().await;
        Ok((slow_by, written_at))
    }

    async fn keep_aligned(&self) {
        // Where it cannot be kept, it is found again after a restart.
        if let Err(error) = store::watched_logs::aligned(&self.ground.pool, &self.row).await {
            tracing::warn!(%error, "how far a watched log was read could not be written down");
        }
    }

    /// The same line is kept once, whenever it is read.
    fn id_of(&self, line: &NewLine) -> Uuid {
        let WatchedRow { bowl_id, place, name, .. } = &self.row;
        let (place, at) = (place.word(), line.at.timestamp_millis());
        let told = format!("{place} {name} {} {at} {:.3}", line.number, in_celsius(line.temp));
        Uuid::new_v5(bowl_id, told.as_bytes())
    }
}
