//! Looks that it is time for: after an hour, a day, a week, a month.

use actix_web::{HttpResponse, get, put, web};
use craft::result::{LookAfter, due};
use serde::{Deserialize, Serialize};
use store::Connection;
use store::changes::Change;
use store::results::Poured;
use utoipa::ToSchema;
use uuid::Uuid;

use super::begin::in_use;
use crate::answer::result::LookDueAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A batch that it is time to look at.
#[derive(Debug, Serialize, ToSchema)]
pub struct ToLookAtAnswer {
    /// The batch.
    batch_id: Uuid,
    /// What it is called.
    name: String,
    /// The look.
    #[serde(flatten)]
    due: LookDueAnswer,
}

/// Which look is passed over.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PassedOver {
    after: LookAfter,
}

/// The batches that it is time to look at, the latest first.
#[utoipa::path(tag = "results", operation_id = "list_looks_due", responses((status = 200, body = [ToLookAtAnswer])))]
#[get("/looks")]
pub async fn list(state: web::Data<State>) -> Answer<web::Json<Vec<ToLookAtAnswer>>> {
    let now = state.wall.now();
    let (_, longest) = LookAfter::Month.window();
    let poured = store::results::poured_since(&state.pool, now.after(-longest)).await?;
    let asked = |one: Poured| {
        let looked: Vec<_> = one.looked_at.map(|at| at.0).into_iter().collect();
        let due = due(one.poured_at.0, &looked, one.passed_over, now.0)?;
        Some(ToLookAtAnswer { batch_id: one.batch_id, name: one.name, due: due.into() })
    };
    Ok(web::Json(poured.into_iter().filter_map(asked).collect()))
}

/// Passes over a look, and all before it: it is not asked for again.
#[utoipa::path(tag = "results", operation_id = "pass_over_look", request_body = PassedOver, responses(
    (status = 204), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[put("/batches/{id}/passed-look")]
pub async fn pass_over(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    Body(PassedOver { after }): Body<PassedOver>,
) -> Answer<HttpResponse> {
    in_use(&state, *batch_id).await?;
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::results::pass_over(&mut *tx, *batch_id, after).await?;
            Ok(store::changes::note(tx, Change::Batch(*batch_id), now).await?)
        })
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
