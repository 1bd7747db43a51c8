//! Results: what came out, a look at a time.

use actix_web::{HttpResponse, get, post, web};
use craft::check::Checker;
use craft::result::{Gloss, Looks, Released, Snap, Streaks, Symptom};
use craft::time::WallTime;
use serde::{Deserialize, Serialize};
use store::Connection;
use store::changes::Change;
use store::document::ResultDocument;
use store::results::ResultRow;
use utoipa::ToSchema;
use uuid::Uuid;

use super::plans::{LONGEST_NOTE, sent_as};
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;

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

/// A look as it is kept.
#[derive(Debug, Serialize, ToSchema)]
pub struct ResultAnswer {
    /// Its id.
    pub id: Uuid,
    /// When it was noted.
    pub noted_at: WallTime,
    /// How it looks; `null` where what is kept cannot be read.
    pub looks: Option<Looks>,
    /// The faults that were seen, those that the looks are among them.
    pub seen: Vec<Symptom>,
    /// The maker's remarks.
    pub note: String,
}

impl From<ResultRow> for ResultAnswer {
    fn from(row: ResultRow) -> Self {
        let (looks, mut seen, note) = match row.result {
            Ok(kept) => (Some(kept.looks), kept.looks.symptoms(), (kept.seen, kept.note)),
            Err(unreadable) => (None, Default::default(), (Vec::new(), unreadable.to_string())),
        };
        seen.extend(note.0);
        Self {
            id: row.id,
            noted_at: row.noted_at,
            looks,
            seen: seen.into_iter().collect(),
            note: note.1,
        }
    }
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
    super::batches::in_use(&state, *batch_id).await?;
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
    super::batches::in_use(&state, *batch_id).await?;
    let rows = store::results::of_batch(&state.pool, *batch_id).await?;
    Ok(web::Json(rows.into_iter().map(Into::into).collect()))
}
