//! A whole plan for a slab of bark.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::plan::BarkInputs;

use crate::answer::plan::PlanAnswer;
use crate::body::Body;
use crate::on_shelf::planned;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Everything that follows from a slab of bark's inputs: what the plan screen
/// asks while a number is being dragged.
#[utoipa::path(tag = "calc", request_body = BarkInputs, responses((status = 200, body = PlanAnswer), (status = 422, body = Problem)))]
#[post("/bark")]
pub async fn bark(state: Data<State>, Body(inputs): Body<BarkInputs>) -> Answer<Json<PlanAnswer>> {
    let (_, plan) = planned(&state, &inputs).await?;
    Ok(Json(plan))
}
