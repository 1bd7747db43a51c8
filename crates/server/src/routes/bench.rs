//! Every bowl at the bench, the one that needs hands first on top.

use std::time::Duration;

use actix_web::{get, web};
use actix_web_lab::sse::{Data, Event, Sse};
use tokio::sync::mpsc;
use tokio::sync::watch::Receiver;

use crate::answer::bench::BenchAnswer;
use crate::live::Told;
use crate::problem::Answer;
use crate::state::State;
use crate::who::Who;

/// A comment so often keeps a quiet connection open.
const KEEP_ALIVE: Duration = Duration::from_secs(10);

/// The bowls that are open, in the order in which they need hands.
#[utoipa::path(tag = "bench", operation_id = "read_bench", responses((status = 200, body = BenchAnswer)))]
#[get("/bench")]
pub async fn read(state: web::Data<State>) -> Answer<web::Json<BenchAnswer>> {
    let seated = state.live.seated(&state).await?;
    Ok(web::Json(state.live.bench(&state, &seated).await?))
}

/// The same, live: an event `bench` twice a second.
#[utoipa::path(tag = "bench", operation_id = "watch_bench", responses(
    (status = 200, description = "Events `bench`, each a BenchAnswer", content_type = "text/event-stream", body = BenchAnswer)))]
#[get("/bench/stream")]
pub async fn watch(state: web::Data<State>, who: Who) -> Answer<impl actix_web::Responder> {
    Ok(stream(&state, &who, state.live.watch_bench(&state).await?, "bench"))
}

/// What is told, as events: the whole where it changed, a beat where it did not. It ends where
/// whoever listens is sent away.
pub(super) fn stream(
    state: &State,
    who: &Who,
    told: Receiver<Told>,
    name: &'static str,
) -> impl actix_web::Responder + use<> {
    let (sender, receiver) = mpsc::channel(4);
    let (door, pool, device) = (state.door.clone(), state.pool.clone(), who.device_id());
    tokio::spawn(async move {
        tokio::select! {
            () = pass_on(told, sender, name) => {}
            () = door.sent_away(pool, device) => {}
        }
    });
    Sse::from_infallible_receiver(receiver).with_keep_alive(KEEP_ALIVE)
}

async fn pass_on(mut told: Receiver<Told>, sender: mpsc::Sender<Event>, name: &'static str) {
    let mut changes = 0;
    loop {
        let data = {
            let now = told.borrow_and_update();
            if now.changes == changes {
                Data::new(now.beat.to_string()).event("beat")
            } else {
                changes = now.changes;
                Data::new(now.whole.to_string()).event(name)
            }
        };
        if sender.send(Event::Data(data)).await.is_err() || told.changed().await.is_err() {
            return;
        }
    }
}
