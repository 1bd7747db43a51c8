//! A bowl, live: server-sent events.

use actix_web::{get, web};
use uuid::Uuid;

use crate::answer::bowl::BowlAnswer;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::who::Who;

/// A bowl as it stands, sent whole as an event `bowl` whenever it is not as it
/// was; else, every second, a `beat` with its time.
#[utoipa::path(tag = "bowls", operation_id = "watch_bowl", responses(
    (status = 200, description = "Events `bowl`, each a BowlAnswer, and `beat`, each a ClockAnswer", content_type = "text/event-stream", body = BowlAnswer),
    (status = 404, body = Problem)))]
#[get("/bowls/{id}/stream")]
pub async fn watch(
    state: web::Data<State>,
    who: Who,
    id: web::Path<Uuid>,
) -> Answer<impl actix_web::Responder> {
    let bowl = state.live.bowl(&state, *id).await?;
    Ok(super::bench::stream(&state, &who, bowl.watch(&state).await?, "bowl"))
}
