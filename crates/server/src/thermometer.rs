//! The simulated thermometer: a stand-in for a probe that sends.
//!
//! It measures a [`Pot`] that follows what the maker enters, and does what a
//! real device would do: it posts each reading to the bowl's readings endpoint.

use std::collections::HashMap;
use std::sync::Mutex;
use std::time::Duration;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{Record, fold};
use craft::pot::{Pot, Probe};
use tokio::sync::broadcast::error::RecvError;
use tokio::task::JoinHandle;
use uuid::Uuid;

use crate::clock::kitchen_time;
use crate::hub::Happening;
use crate::state::{State, subject};

/// The fastest that kitchen time can be run.
pub const FASTEST: f64 = 60.0;
/// How often it measures, kitchen time, as long as that is not too often.
const EVERY_KITCHEN: Duration = Duration::from_secs(1);
/// The most often that it sends, real time.
const EVERY_REAL: Duration = Duration::from_millis(125);

/// The simulated thermometers that run, one a bowl at most.
#[derive(Debug, Default)]
pub struct Thermometers {
    running: Mutex<HashMap<Uuid, JoinHandle<()>>>,
    /// Where readings are posted: this server's own address, once it listens.
    address: std::sync::OnceLock<String>,
}

impl Thermometers {
    /// Says where readings are to be posted.
    pub fn post_to(&self, address: String) {
        // Said once, at start-up.
        let _ = self.address.set(address);
    }

    /// Starts the thermometer of a bowl, in place of one that runs already.
    pub fn start(&self, state: &State, bowl_id: Uuid) {
        let Some(address) = self.address.get().cloned() else { return };
        let task = tokio::spawn(measure(state.clone(), bowl_id, address));
        if let Ok(mut running) = self.running.lock()
            && let Some(before) = running.insert(bowl_id, task)
        {
            before.abort();
        }
    }

    /// Stops the thermometer of a bowl.
    pub fn stop(&self, bowl_id: Uuid) {
        if let Ok(mut running) = self.running.lock()
            && let Some(task) = running.remove(&bowl_id)
        {
            task.abort();
        }
    }

    /// Stops every thermometer.
    pub fn stop_all(&self) {
        if let Ok(mut running) = self.running.lock() {
            running.drain().for_each(|(_, task)| task.abort());
        }
    }
}

/// Takes up again the bowls that were being measured when the server stopped,
/// at the kitchen time of the last thing that happened to them: a simulated
/// pot does not cool while nobody is there.
///
/// # Errors
/// Where the store fails.
pub async fn resume(state: &State) -> Result<(), store::StoreError> {
    for mut bowl in store::bowls::simulated(&state.pool).await? {
        let record = state.record(&bowl).await?;
        bowl.clock.kitchen = record.last_at().unwrap_or(bowl.opened_at).max(bowl.opened_at);
        bowl.clock.real = state.wall.now();
        store::bowls::set_clock(&state.pool, bowl.id, bowl.clock, true).await?;
        state.clocks.set(bowl.id, bowl.clock);
        if bowl.clock.rate > 0.0 {
            state.thermometers.start(state, bowl.id);
        }
    }
    Ok(())
}

/// A pot replayed up to some moment of its record.
struct Replay {
    pot: Pot,
    probe: Probe,
    at: DateTime<Utc>,
    acted: usize,
}

impl Replay {
    fn new(bowl: &store::bowls::BowlRow, setup: &craft::bowl::Setup) -> Self {
        let pot = Pot::new(setup);
        // The low bits of the bowl's id make its noise its own, and repeatable.
        let seed = bowl.id.as_u64_pair().1;
        let probe = Probe::new(seed, pot.temperature(), Probe::USUAL_NOISE_C);
        Self { probe, pot, at: bowl.opened_at, acted: 0 }
    }

    fn advance(&mut self, record: &Record, until: DateTime<Utc>) {
        for action in record.actions().skip(self.acted) {
            if action.at > until {
                break;
            }
            self.wait(action.at);
            self.pot.act(&action.kind);
            self.acted += 1;
        }
        self.wait(until);
    }

    fn wait(&mut self, until: DateTime<Utc>) {
        while self.at < until {
            let step = (until - self.at).min(TimeDelta::seconds(1));
            #[allow(clippy::cast_precision_loss)] // at most a thousand
            let s = step.num_milliseconds() as f64 / 1000.0;
            self.pot.wait(s);
            self.probe.settle(&self.pot, s);
            self.at += step;
        }
    }
}

async fn measure(state: State, bowl_id: Uuid, address: String) {
    let mut happenings = state.hub.watch(bowl_id);
    let Ok(bowl) = store::bowls::get(&state.pool, bowl_id).await else { return };
    let (Ok(subject), Ok(mut record)) = (subject(&bowl), state.record(&bowl).await) else {
        return;
    };
    let client = reqwest::Client::new();
    let url = format!("{address}/api/v1/bowls/{bowl_id}/readings");
    let mut replay = Replay::new(&bowl, &subject.setup);
    // It is off by what the shelf says of the thermometer it stands in for.
    let off_c = bowl.inputs.offset_c.unwrap_or_default();
    let every = EVERY_KITCHEN.div_f64(bowl.clock.rate.max(0.01)).max(EVERY_REAL);
    let mut ticks = tokio::time::interval(every);
    ticks.set_missed_tick_behavior(tokio::time::MissedTickBehavior::Delay);
    loop {
        tokio::select! {
            happening = happenings.recv() => match happening {
                Ok(Happening::Action(action)) => {
                    record.add_action(action);
                    // It may lie before what was replayed, or undo some of it.
                    replay = Replay::new(&bowl, &subject.setup);
                }
                Ok(Happening::Reading(_) | Happening::Clock) => {}
                Err(RecvError::Lagged(_)) => {
                    let Ok(fresh) = state.record(&bowl).await else { return };
                    record = fresh;
                    replay = Replay::new(&bowl, &subject.setup);
                }
                Err(RecvError::Closed) => return,
            },
            _ = ticks.tick() => {
                let now = kitchen_time(bowl.clock, state.wall.now());
                if fold(&subject.setup, &record, now).ended() {
                    return;
                }
                replay.advance(&record, now);
                let reading = serde_json::json!({
                    "id": Uuid::now_v7(),
                    "at": now,
                    "temp_c": crate::answer::round(replay.probe.says() - off_c, 2),
                    "source": "probe",
                    "probe": "simulated thermometer",
                });
                if let Err(error) = client.post(&url).json(&reading).send().await {
                    tracing::warn!(%error, %bowl_id, "the simulated thermometer could not send");
                }
            }
        }
    }
}
