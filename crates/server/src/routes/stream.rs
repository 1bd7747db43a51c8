//! A bowl, live: server-sent events.

use std::time::Duration;

use actix_web::{get, web};
use actix_web_lab::sse::{Data, Event, Sse};
use craft::bowl::Record;
use tokio::sync::broadcast::Receiver;
use tokio::sync::broadcast::error::RecvError;
use tokio::sync::mpsc;
use tokio::time::Instant;
use uuid::Uuid;

use crate::answer::bowl::{BowlAnswer, Subject};
use crate::hub::Happening;
use crate::problem::{Answer, Problem};
use crate::state::{State, subject};

/// Time passes even when nothing happens: a burst ends, a smear comes due.
const TICK: Duration = Duration::from_secs(1);
/// However fast readings come, a screen is not told more often than this.
const NOT_MORE_OFTEN: Duration = Duration::from_millis(200);

/// A bowl as it stands, sent whole as an event `bowl` whenever it is not as it
/// was; else, every second, a `beat` with its time.
#[utoipa::path(tag = "bowls", operation_id = "watch_bowl", responses(
    (status = 200, description = "Events `bowl`, each a BowlAnswer, and `beat`, each a ClockAnswer", content_type = "text/event-stream", body = BowlAnswer),
    (status = 404, body = Problem)))]
#[get("/bowls/{id}/stream")]
pub async fn watch(
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Answer<impl actix_web::Responder> {
    // Watching starts before reading, so that nothing falls in between.
    let happenings = state.hub.watch(*id);
    let bowl = store::bowls::get(&state.pool, *id).await?;
    let watcher = Watcher {
        subject: subject(&bowl)?,
        record: state.record(&bowl).await?,
        state: state.get_ref().clone(),
        happenings,
    };
    let (sender, receiver) = mpsc::channel(4);
    actix_web::rt::spawn(watcher.run(sender));
    Ok(Sse::from_infallible_receiver(receiver).with_keep_alive(Duration::from_secs(10)))
}

struct Watcher {
    state: State,
    subject: Subject,
    record: Record,
    happenings: Receiver<Happening>,
}

impl Watcher {
    async fn run(mut self, sender: mpsc::Sender<Event>) {
        let mut told = None;
        loop {
            let sent_at = Instant::now();
            let Some(event) = self.event(&mut told).await else { return };
            if sender.send(event).await.is_err() {
                return;
            }
            if !self.wait(sent_at).await {
                return;
            }
        }
    }

    /// What there is to tell; `None` where the bowl is gone.
    async fn event(&self, told: &mut Option<BowlAnswer>) -> Option<Event> {
        let bowl = store::bowls::get(&self.state.pool, self.subject.id).await.ok()?;
        let clock = self.state.clock_answer(&bowl);
        let answer = self.subject.at(&self.record, clock.clone());
        let as_before = told.as_mut().is_some_and(|told| {
            let paced = told.clock.rate == clock.rate && told.clock.simulated == clock.simulated;
            told.clock = clock.clone();
            paced && *told == answer
        });
        let data = if as_before {
            Data::new_json(clock).ok()?.event("beat")
        } else {
            Data::new_json(told.insert(answer)).ok()?.event("bowl")
        };
        Some(Event::Data(data))
    }

    async fn fresh_record(&self) -> Result<Record, store::StoreError> {
        let bowl = store::bowls::get(&self.state.pool, self.subject.id).await?;
        self.state.record(&bowl).await
    }

    /// Waits until there is something new to say; `false` where there never
    /// will be.
    async fn wait(&mut self, sent_at: Instant) -> bool {
        let mut due = sent_at + TICK;
        loop {
            tokio::select! {
                () = tokio::time::sleep_until(due) => return true,
                happening = self.happenings.recv() => {
                    match happening {
                        Ok(Happening::Reading(reading)) => self.record.add_reading(reading),
                        Ok(Happening::Action(action)) => self.record.add_action(action),
                        Ok(Happening::Clock) => {}
                        Err(RecvError::Lagged(_)) => {
                            let Ok(fresh) = self.fresh_record().await else {
                                return false;
                            };
                            self.record = fresh;
                        }
                        Err(RecvError::Closed) => return false,
                    }
                    due = due.min((sent_at + NOT_MORE_OFTEN).max(Instant::now()));
                }
            }
        }
    }
}
