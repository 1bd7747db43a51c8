//! The simulated thermometer: a stand-in for a probe that sends.
//!
//! It measures a [`Pot`] that follows what the maker enters, and does what a
//! real device would do: it posts each reading to the bowl's readings endpoint.

use std::collections::HashMap;
use std::sync::{Arc, Mutex};
use std::time::Duration;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{Record, Setup, fold};
use craft::pot::{Pot, Probe};
use store::Connection;
use store::batches::ClockRow;
use tokio::time::Instant;
use tokio_util::task::AbortOnDropHandle;
use uuid::Uuid;

use crate::clock::kitchen_time;
use crate::ground::{Ground, HOLD_EVERY};
use crate::live::Live;
use crate::problem::Problem;

/// The fastest that kitchen time can be run.
pub const FASTEST: f64 = 60.0;
/// How often it measures, kitchen time, as long as that is not too often.
const EVERY_KITCHEN: Duration = Duration::from_secs(1);
/// The most often that it sends, real time.
const EVERY_REAL: Duration = Duration::from_millis(125);

/// The simulated thermometers that run, one a bowl at most.
#[derive(Debug, Default)]
pub struct Thermometers {
    running: Mutex<HashMap<Uuid, AbortOnDropHandle<()>>>,
    /// Where readings are posted: this server's own address, once it listens.
    address: std::sync::OnceLock<String>,
}

impl Thermometers {
    /// Says where readings are to be posted.
    pub fn post_to(&self, address: String) {
        // Said once, at start-up.
        let _ = self.address.set(address);
    }

    /// Starts the thermometer of a bowl, in place of one that runs already. It shows a token of
    /// this server's own.
    pub fn start(&self, ground: &Ground, live: &Arc<Live>, bowl_id: Uuid, token: Option<String>) {
        let Some(address) = self.address.get().cloned() else { return };
        let to = (address, token.unwrap_or_default());
        let task = actix_web::rt::spawn(measure(ground.clone(), live.clone(), bowl_id, to));
        if let Ok(mut running) = self.running.lock() {
            running.insert(bowl_id, AbortOnDropHandle::new(task));
        }
    }

    /// Stops the thermometer of a bowl.
    pub fn stop(&self, bowl_id: Uuid) {
        if let Ok(mut running) = self.running.lock() {
            running.remove(&bowl_id);
        }
    }

    /// Stops every thermometer.
    pub fn stop_all(&self) {
        if let Ok(mut running) = self.running.lock() {
            running.clear();
        }
    }
}

/// Takes up again the bowls that were being measured when the server stopped,
/// at the kitchen time of the last thing that happened to them: a simulated
/// pot does not cool while nobody is there.
///
/// # Errors
/// Where the store fails.
pub async fn resume(
    ground: &Ground,
    live: &Arc<Live>,
    (thermometers, token): (&Thermometers, Option<String>),
) -> Result<(), Problem> {
    for bowl in store::bowls::simulated(&ground.pool).await? {
        // One that cannot be read is not measured; its row in the list says so.
        let Ok(known) = live.bowl(ground, bowl.id).await else { continue };
        let last = known.with(Record::last_at).unwrap_or(bowl.opened_at).max(bowl.opened_at);
        let real = ground.wall.now();
        let held = ground.holds(&lease(bowl.id)).await?;
        if held {
            ground
                .whole(async |tx: &mut Connection| {
                    let batch = store::batches::lock(tx, bowl.batch_id).await?;
                    let clock = ClockRow { real, kitchen: last, ..batch.clock };
                    Ok(store::batches::set_clock(&mut *tx, batch.id, clock, false).await?)
                })
                .await?;
        }
        ground.clocks.forget(bowl.batch_id);
        live.batch_changed(bowl.batch_id);
        thermometers.start(ground, live, bowl.id, token.clone());
    }
    Ok(())
}

/// Of several servers on one database one holds a bowl's thermometer.
fn lease(bowl_id: Uuid) -> String {
    format!("thermometer:{bowl_id}")
}

/// A pot replayed up to some moment of its record.
struct Replay {
    pot: Pot,
    probe: Probe,
    at: DateTime<Utc>,
    /// The actions that were done to it, by id: one that was undone, or came late, makes it anew.
    acted: Vec<Uuid>,
}

impl Replay {
    fn new(bowl_id: Uuid, setup: &Setup) -> Self {
        let pot = Pot::new(setup);
        // The low bits of the bowl's id make its noise its own, and repeatable.
        let seed = bowl_id.as_u64_pair().1;
        let probe = Probe::new(seed, pot.temperature(), Probe::USUAL_NOISE_C);
        Self { probe, pot, at: setup.opened, acted: Vec::new() }
    }

    /// Whether what was done to it is what the record says up to its moment.
    fn follows(&self, record: &Record) -> bool {
        let so_far = record.actions().take_while(|action| action.at <= self.at);
        so_far.map(|action| action.id).eq(self.acted.iter().copied())
    }

    fn advance(&mut self, record: &Record, until: DateTime<Utc>) {
        let next: Vec<_> = record
            .actions()
            .skip(self.acted.len())
            .take_while(|a| a.at <= until)
            .cloned()
            .collect();
        for action in next {
            self.wait(action.at);
            self.pot.act(&action.kind);
            self.acted.push(action.id);
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

async fn measure(ground: Ground, live: Arc<Live>, bowl_id: Uuid, to: (String, String)) {
    let (address, token) = to;
    let Ok(live) = live.bowl(&ground, bowl_id).await else { return };
    let setup = live.subject().run.setup.clone();
    let Ok((_, clock)) = ground.clock_of_bowl(bowl_id).await else { return };
    if clock.rate <= 0.0 {
        return;
    }
    let client = reqwest::Client::new();
    let url = format!("{address}/api/v1/bowls/{bowl_id}/readings");
    let mut replay = Replay::new(bowl_id, &setup);
    // It is off by what the shelf says of the thermometer it stands in for.
    let off_c = craft::units::in_degrees(setup.offset);
    let every = EVERY_KITCHEN.div_f64(clock.rate.max(0.01)).max(EVERY_REAL);
    let mut ticks = tokio::time::interval(every);
    ticks.set_missed_tick_behavior(tokio::time::MissedTickBehavior::Delay);
    let (mut held, mut asked) = (false, None::<Instant>);
    loop {
        ticks.tick().await;
        if asked.is_none_or(|asked| asked.elapsed() >= HOLD_EVERY) {
            // A database that is away for a moment: it is asked again.
            held = ground.holds(&lease(bowl_id)).await.unwrap_or(false);
            asked = Some(Instant::now());
        }
        if !held {
            continue;
        }
        let Ok((_, clock)) = ground.clock_of_bowl(bowl_id).await else { continue };
        let now = kitchen_time(clock, ground.wall.now());
        let (ended, says) = live.with(|record| {
            // What was undone, or entered late, changes its past.
            if !replay.follows(record) {
                replay = Replay::new(bowl_id, &setup);
            }
            replay.advance(record, now);
            (fold(&setup, record, now).ended(), replay.probe.says())
        });
        if ended {
            return;
        }
        let reading = serde_json::json!({
            "id": Uuid::now_v7(),
            "at": now,
            "temp_c": crate::answer::round(says - off_c, 2),
            "source": "probe",
            "probe": "simulated thermometer",
        });
        if let Err(error) = client.post(&url).bearer_auth(&token).json(&reading).send().await {
            tracing::warn!(%error, %bowl_id, "the simulated thermometer could not send");
        }
    }
}
