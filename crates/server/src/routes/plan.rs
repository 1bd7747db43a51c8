//! What a batch states, and what follows from it.

use actix_web::{HttpResponse, get, put, web};
use craft::plan::PlanInputs;
use serde::Serialize;
use store::batches::PlanRow;
use utoipa::ToSchema;
use uuid::Uuid;

use super::version::{EditedFrom, with_etag};
use crate::answer::plan::PlanAnswer;
use crate::body::Body;
use crate::on_shelf::planned;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A batch's plan.
#[derive(Debug, Serialize, ToSchema)]
pub struct PlanOfBatch {
    /// Its batch.
    pub batch_id: Uuid,
    /// Counts its edits; the same as the `ETag`.
    pub version: u32,
    /// What the maker states.
    pub inputs: PlanInputs,
    /// What follows.
    pub plan: PlanAnswer,
}

async fn answer(state: &State, batch_id: Uuid, row: PlanRow) -> Answer<HttpResponse> {
    let (_, plan) = planned(state, &row.inputs).await?;
    let answer = PlanOfBatch { batch_id, version: row.version, inputs: row.inputs, plan };
    Ok(with_etag(row.version, &answer))
}

/// What a batch states, and what follows.
#[utoipa::path(tag = "plan", operation_id = "read_plan", responses((status = 200, body = PlanOfBatch), (status = 404, body = Problem)))]
#[get("/batches/{id}/plan")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let row = store::batches::plan(&state.pool, *id).await?;
    answer(&state, *id, row).await
}

/// Changes what a batch states.
#[utoipa::path(tag = "plan", operation_id = "edit_plan", params(("If-Match" = String, Header, description = "The ETag that was read")), request_body = PlanInputs, responses(
    (status = 200, body = PlanOfBatch), (status = 404, body = Problem), (status = 412, body = Problem),
    (status = 422, body = Problem), (status = 428, body = Problem)))]
#[put("/batches/{id}/plan")]
pub async fn edit(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    EditedFrom(version): EditedFrom,
    Body(inputs): Body<PlanInputs>,
) -> Answer<HttpResponse> {
    planned(&state, &inputs).await?;
    store::batches::update_plan(&state.pool, *id, version, &inputs).await?;
    let row = store::batches::plan(&state.pool, *id).await?;
    answer(&state, *id, row).await
}
