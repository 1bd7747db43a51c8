//! A batch's guide, live: server-sent events.

use std::sync::Arc;
use std::time::Duration;

use actix_web::{get, web};
use tokio::sync::Notify;
use tokio::sync::watch::{Receiver, Sender, channel};
use tokio::time::Instant;
use uuid::Uuid;

use super::guide::answer;
use crate::answer::guide::GuideAnswer;
use crate::clock::ClockAnswer;
use crate::live::{Telling, Timed, Told};
use crate::making::Making;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::who::Who;

/// Windows open and close by themselves.
const TICK: Duration = Duration::from_secs(1);
/// However much is entered at once, screens are not told more often than this.
const NOT_MORE_OFTEN: Duration = Duration::from_millis(100);

/// A batch's steps as they stand, sent whole as an event `guide` whenever they are not as they
/// were; else, every second, a `beat` with its time.
#[utoipa::path(tag = "guide", operation_id = "watch_guide", responses(
    (status = 200, description = "Events `guide`, each a GuideAnswer, and `beat`, each a ClockAnswer", content_type = "text/event-stream", body = GuideAnswer),
    (status = 404, body = Problem), (status = 409, body = Problem)))]
#[get("/batches/{id}/guide/stream")]
pub async fn watch(
    state: web::Data<State>,
    who: Who,
    id: web::Path<Uuid>,
) -> Answer<impl actix_web::Responder> {
    let told = told(&state, *id).await?;
    Ok(super::bench::stream(&state, &who, told, "guide"))
}

/// What is told of a guide, from now on.
async fn told(state: &State, id: Uuid) -> Answer<Receiver<Told>> {
    if let Some(going) = state.live.guides.going(id) {
        return Ok(going);
    }
    let mut talk = Talk { state: state.clone(), id, telling: Telling::default() };
    let first = talk.told().await?;
    let (sender, receiver) = channel(first);
    match state.live.guides.begin(id, receiver.clone()) {
        Ok(happened) => {
            actix_web::rt::spawn(talk.run(sender, happened));
            Ok(receiver)
        }
        Err(going) => Ok(going),
    }
}

/// Says what there is to say of a guide, as long as anybody listens.
struct Talk {
    state: State,
    id: Uuid,
    telling: Telling<GuideAnswer>,
}

impl Timed for GuideAnswer {
    fn clock(&mut self) -> &mut ClockAnswer {
        &mut self.clock
    }
}

impl Talk {
    async fn run(mut self, sender: Sender<Told>, happened: Arc<Notify>) {
        loop {
            let told_at = Instant::now();
            tokio::select! {
                () = tokio::time::sleep_until(told_at + TICK) => {}
                () = happened.notified() => {
                    tokio::time::sleep_until(told_at + NOT_MORE_OFTEN).await;
                }
            }
            // The one that is kept for those who come later does not listen.
            if sender.receiver_count() <= 1 {
                return;
            }
            match self.told().await {
                Ok(told) => {
                    if sender.send(told).is_err() {
                        return;
                    }
                }
                // A database that is away for a moment ends nothing.
                Err(problem) if problem.is_passing() => {}
                Err(_) => return,
            }
        }
    }

    /// What there is to say now.
    async fn told(&mut self) -> Answer<Told> {
        let making = Making::read(&self.state, self.id).await?;
        self.telling.tell(answer(&self.state, &making).await?)
    }
}
