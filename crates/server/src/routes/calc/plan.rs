//! A whole plan.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::edits::{Edit, Edited, edited};
use craft::plan::{Enough, PlanInputs, enough};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::super::plans::{PlanEdit, both};
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

/// A plan that makes enough for what it is packed into.
#[derive(Debug, Serialize, ToSchema)]
pub struct EnoughAnswer {
    /// The plan.
    inputs: PlanInputs,
    /// What the maker must see to, by name: nothing of it says how much is made.
    by_hand: Vec<String>,
}

/// A plan of which so much of each kind is made that all that it is packed into can be filled, with
/// something to spare. Nothing is kept.
#[utoipa::path(tag = "calc", request_body = PlanInputs, responses((status = 200, body = EnoughAnswer), (status = 422, body = Problem)))]
#[post("/plan/enough")]
pub async fn make_enough(
    state: Data<State>,
    Body(inputs): Body<PlanInputs>,
) -> Answer<Json<EnoughAnswer>> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    let Enough { inputs, by_hand } = enough(&inputs, |inputs| on_shelf.shelf.fill(inputs))?;
    Ok(Json(EnoughAnswer { inputs, by_hand }))
}

/// Two edits of one text of a plan.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MergeRequest {
    /// What both began with.
    base: PlanEdit,
    /// One of them.
    mine: PlanEdit,
    /// The other.
    theirs: PlanEdit,
}

/// Two edits of one text of a plan, brought together field by field as a save does. Nothing is
/// kept. Where both changed one field to something else, both values are told.
#[utoipa::path(tag = "calc", request_body = MergeRequest, responses((status = 200, body = PlanEdit), (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/plan/merge")]
pub async fn merge(
    Body(MergeRequest { base, mine, theirs }): Body<MergeRequest>,
) -> Answer<Json<PlanEdit>> {
    both(&base, &mine, &theirs).map(Json).map_err(Problem::of_two_minds)
}
