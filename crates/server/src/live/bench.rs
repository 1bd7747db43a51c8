//! The whole bench, told to everybody who watches it.

use std::sync::Arc;
use std::time::Duration;

use tokio::sync::watch;

use super::{Live, LiveBowl, Told};
use crate::answer::bench::{BenchAnswer, Seat};
use crate::ground::Ground;
use crate::problem::Problem;

/// How often it is told anew: what is heard here is read from across the room.
const TICK: Duration = Duration::from_millis(500);
/// Bowls that were opened or closed elsewhere are noticed this often, in ticks.
const LOOK_ROUND: u64 = 4;
/// A poured bowl stays at the bench this long, min: what is made of it goes on.
const AFTER_POUR_MIN: i64 = 90;

/// A bowl at the bench.
#[derive(Clone, Debug)]
pub struct Seated {
    seat: Seat,
    bowl: Arc<LiveBowl>,
}

impl Live {
    /// The bowls that are open, or were poured a short while ago. One that cannot be read
    /// is left out: it is told of in the list of batches.
    ///
    /// # Errors
    /// Where the store fails.
    pub async fn seated(&self, ground: &Ground) -> Result<Vec<Seated>, Problem> {
        let now = ground.wall.now();
        let since = now.after(-chrono::TimeDelta::minutes(AFTER_POUR_MIN));
        let mut seen = std::collections::HashSet::new();
        let mut seated = Vec::new();
        for line in store::bowls::at_bench(&ground.pool, since).await? {
            // Of a chocolate's bowls the latest counts.
            if !seen.insert((line.batch_id, line.chocolate.clone())) {
                continue;
            }
            let Ok(bowl) = self.bowl(ground, line.id).await else { continue };
            let seat = Seat {
                batch_id: line.batch_id,
                batch_name: line.batch_name,
                subject: bowl.subject().clone(),
            };
            seated.push(Seated { seat, bowl });
        }
        Ok(seated)
    }

    /// The bench as it stands.
    ///
    /// # Errors
    /// Where the store fails.
    pub async fn bench(&self, ground: &Ground, seated: &[Seated]) -> Result<BenchAnswer, Problem> {
        let mut seen = Vec::new();
        for Seated { seat, bowl } in seated {
            match bowl.standing(ground).await {
                Ok((clock, simulated)) => {
                    let clock = ground.clock_answer(clock, simulated);
                    seen.push(bowl.with(|record| seat.seen(record, clock)));
                }
                Err(problem) if problem.is_passing() => return Err(problem),
                // It is gone since.
                Err(_) => {}
            }
        }
        Ok(BenchAnswer::of(seen, ground.wall.now()))
    }

    /// What is said of the bench, from now on.
    ///
    /// # Errors
    /// Where the store fails.
    pub async fn watch_bench(
        self: &Arc<Self>,
        ground: &Ground,
    ) -> Result<watch::Receiver<Told>, Problem> {
        let going = self.bench.lock().ok().and_then(|bench| bench.clone());
        if let Some(going) = going.filter(|bench| bench.has_changed().is_ok()) {
            return Ok(going);
        }
        let seated = self.seated(ground).await?;
        let first = told(&self.bench(ground, &seated).await?, 1)?;
        let (sender, receiver) = watch::channel(first);
        if let Ok(mut bench) = self.bench.lock() {
            *bench = Some(receiver.clone());
        }
        tokio::spawn(run(self.clone(), ground.clone(), seated, sender));
        Ok(receiver)
    }
}

fn told(answer: &BenchAnswer, changes: u64) -> Result<Told, Problem> {
    let whole: Arc<str> = serde_json::to_string(answer).map_err(Problem::unwritable)?.into();
    Ok(Told { beat: whole.clone(), whole, changes })
}

async fn run(
    live: Arc<Live>,
    ground: Ground,
    mut seated: Vec<Seated>,
    sender: watch::Sender<Told>,
) {
    let mut ticks = tokio::time::interval(TICK);
    ticks.set_missed_tick_behavior(tokio::time::MissedTickBehavior::Delay);
    for count in 1_u64.. {
        ticks.tick().await;
        if sender.receiver_count() <= 1 {
            return;
        }
        if count.is_multiple_of(LOOK_ROUND) {
            // A database that is away for a moment ends nothing: it is told as it was.
            if let Ok(fresh) = live.seated(&ground).await {
                seated = fresh;
            }
        }
        let Ok(answer) = live.bench(&ground, &seated).await else { continue };
        let Ok(told) = told(&answer, count + 1) else { return };
        if sender.send(told).is_err() {
            return;
        }
    }
}
