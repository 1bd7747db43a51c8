//! Outcomes: what came out, a look at a time.

use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, Utc};
use craft::check::Checker;
use craft::outcome::{Gloss, Outcome, Released, Snap, Streaks};
use serde::{Deserialize, Serialize};
use store::outcomes::OutcomeRow;
use utoipa::ToSchema;
use uuid::Uuid;

use super::batches::LONGEST_NOTE;
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A look to be kept.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewOutcome {
    /// Made by the sender, so that sending twice keeps one.
    id: Option<Uuid>,
    gloss: Gloss,
    snap: Snap,
    released: Released,
    streaks: Streaks,
    #[serde(default)]
    note: String,
}

/// A look as it is kept.
#[derive(Debug, Serialize, ToSchema)]
pub struct OutcomeAnswer {
    /// Its id.
    pub id: Uuid,
    /// When it was noted.
    pub noted_at: DateTime<Utc>,
    /// How it shines.
    pub gloss: Gloss,
    /// How it breaks.
    pub snap: Snap,
    /// How it let go.
    pub released: Released,
    /// Streaks and bloom.
    pub streaks: Streaks,
    /// The maker's remarks.
    pub note: String,
}

impl From<OutcomeRow> for OutcomeAnswer {
    fn from(row: OutcomeRow) -> Self {
        Self {
            id: row.id,
            noted_at: row.noted_at,
            gloss: row.outcome.gloss,
            snap: row.outcome.snap,
            released: row.outcome.released,
            streaks: row.outcome.streaks,
            note: row.note,
        }
    }
}

/// Keeps a look at what came out: `201` where it is new, `200` where it was
/// kept already.
#[utoipa::path(tag = "outcomes", operation_id = "append_outcome", request_body = NewOutcome, responses(
    (status = 201, body = OutcomeAnswer), (status = 200, body = OutcomeAnswer),
    (status = 404, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/outcomes")]
pub async fn append(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    Body(new): Body<NewOutcome>,
) -> Answer<HttpResponse> {
    let mut check = Checker::new();
    check.remark("note", &new.note, LONGEST_NOTE);
    check.finish()?;
    let row = OutcomeRow {
        id: new.id.unwrap_or_else(Uuid::now_v7),
        noted_at: state.wall.now(),
        outcome: Outcome {
            gloss: new.gloss,
            snap: new.snap,
            released: new.released,
            streaks: new.streaks,
        },
        note: new.note,
    };
    let is_new = store::outcomes::append(&state.pool, *batch_id, &row).await?;
    let mut response = if is_new { HttpResponse::Created() } else { HttpResponse::Ok() };
    Ok(response.json(OutcomeAnswer::from(row)))
}

/// The looks at what came out, the first one first.
#[utoipa::path(tag = "outcomes", operation_id = "list_outcomes", responses((status = 200, body = [OutcomeAnswer]), (status = 404, body = Problem)))]
#[get("/batches/{id}/outcomes")]
pub async fn list(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<OutcomeAnswer>>> {
    store::batches::get(&state.pool, *batch_id).await?;
    let rows = store::outcomes::of_batch(&state.pool, *batch_id).await?;
    Ok(web::Json(rows.into_iter().map(Into::into).collect()))
}
