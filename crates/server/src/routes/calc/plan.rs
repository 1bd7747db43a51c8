//! A whole plan.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::edits::{Edit, Edited, edited};
use craft::plan::PlanInputs;
use serde::Deserialize;
use utoipa::ToSchema;

use crate::answer::plan::WholePlanAnswer;
use crate::body::Body;
use crate::planned::planned;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Everything that follows from a plan's inputs: what the plan screen asks while a
/// number is being dragged.
#[utoipa::path(tag = "calc", request_body = PlanInputs, responses((status = 200, body = WholePlanAnswer), (status = 422, body = Problem)))]
#[post("/plan")]
pub async fn plan(
    state: Data<State>,
    Body(inputs): Body<PlanInputs>,
) -> Answer<Json<WholePlanAnswer>> {
    let (_, plan) = planned(&state, &inputs).await?;
    Ok(Json(plan))
}

/// A plan, and an edit of it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct EditRequest {
    /// The plan as it is.
    inputs: PlanInputs,
    /// What is to be done.
    edit: Edit,
}

/// A plan after an edit that touches more than one place of it: something more is made, or a
/// chocolate or colour comes in. Nothing is kept. Numbers in it may be faulty: they stay, and are
/// told where it is worked out.
#[utoipa::path(tag = "calc", request_body = EditRequest, responses((status = 200, body = Edited), (status = 422, body = Problem)))]
#[post("/plan/edit")]
pub async fn edit(Body(EditRequest { inputs, edit }): Body<EditRequest>) -> Answer<Json<Edited>> {
    Ok(Json(edited(&inputs, edit).map_err(|fault| vec![fault])?))
}
