//! Results: what came out, a look at a time.

use actix_web::{HttpResponse, get, post, web};
use craft::check::Checker;
use craft::result::{Gloss, Looks, Released, Snap, Streaks, Symptom};
use serde::Deserialize;
use store::Connection;
use store::changes::Change;
use store::document::ResultDocument;
use utoipa::ToSchema;
use uuid::Uuid;

use super::sent::sent_as;
use crate::answer::result::ResultAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::texts::LONGEST_NOTE;

/// A look to be kept.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewResult {
    /// Made by the sender, so that sending twice keeps one.
    id: Option<Uuid>,
    gloss: Gloss,
    snap: Snap,
    released: Released,
    streaks: Streaks,
    /// Faults that were seen besides those that the looks are.
    #[serde(default)]
    seen: Vec<Symptom>,
    #[serde(default)]
    note: String,
}

/// Keeps a look at what came out: `201` where it is new, `200` where it was
/// kept already.
#[utoipa::path(tag = "results", operation_id = "append_result", request_body = NewResult, responses(
    (status = 201, body = ResultAnswer), (status = 200, body = ResultAnswer), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/results")]
pub async fn append(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    Body(new): Body<NewResult>,
) -> Answer<HttpResponse> {
    let mut check = Checker::new();
    check.remark("note", &new.note, LONGEST_NOTE);
    check.finish()?;
    super::begin::in_use(&state, *batch_id).await?;
    let id = new.id.unwrap_or_else(Uuid::now_v7);
    let NewResult { gloss, snap, released, streaks, .. } = new;
    let looks = Looks { gloss, snap, released, streaks };
    let mut seen = new.seen;
    seen.sort();
    seen.dedup();
    let document = ResultDocument { looks, seen, note: new.note };
    let now = state.wall.now();
    let sent = state
        .whole(async |tx: &mut Connection| {
            let batch = store::batches::lock(tx, *batch_id).await?;
            let sent = store::results::append(tx, *batch_id, id, now, &document).await?;
            let making = crate::making::Making::lock(tx, batch.id).await;
            match making {
                Ok(making) => making.keep_standing(tx, now).await?,
                // A result can be noted of what cannot be read any more.
                Err(_) => store::changes::note(tx, Change::Batch(batch.id), now).await?,
            }
            Ok(sent)
        })
        .await?;
    let kept = store::results::of_batch(&state.pool, *batch_id).await?;
    let row = kept.into_iter().find(|row| row.id == id);
    let row = row.ok_or(store::StoreError::NotFound("result"))?;
    Ok(sent_as(sent).json(ResultAnswer::from(row)))
}

/// The looks at what came out, the first one first.
#[utoipa::path(tag = "results", operation_id = "list_results", responses((status = 200, body = [ResultAnswer]), (status = 404, body = Problem)))]
#[get("/batches/{id}/results")]
pub async fn list(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<ResultAnswer>>> {
    super::begin::in_use(&state, *batch_id).await?;
    let rows = store::results::of_batch(&state.pool, *batch_id).await?;
    Ok(web::Json(rows.into_iter().map(Into::into).collect()))
}
