//! A whole plan.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::plan::PlanInputs;

use crate::answer::plan::PlanAnswer;
use crate::body::Body;
use crate::on_shelf::planned;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Everything that follows from a plan's inputs: what the plan screen asks while a
/// number is being dragged.
#[utoipa::path(tag = "calc", request_body = PlanInputs, responses((status = 200, body = PlanAnswer), (status = 422, body = Problem)))]
#[post("/plan")]
pub async fn plan(state: Data<State>, Body(inputs): Body<PlanInputs>) -> Answer<Json<PlanAnswer>> {
    let (_, plan) = planned(&state, &inputs).await?;
    Ok(Json(plan))
}
