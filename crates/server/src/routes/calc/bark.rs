//! A whole plan for a slab of bark.

use actix_web::{post, web::Json};
use craft::plan::BarkInputs;

use crate::answer::plan::PlanAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};

/// Everything that follows from a slab of bark's inputs: what the plan screen
/// asks while a number is being dragged.
#[utoipa::path(tag = "calc", request_body = BarkInputs, responses((status = 200, body = PlanAnswer), (status = 422, body = Problem)))]
#[post("/bark")]
pub async fn bark(Body(inputs): Body<BarkInputs>) -> Answer<Json<PlanAnswer>> {
    Ok(Json(craft::plan::bark(&inputs)?.into()))
}
