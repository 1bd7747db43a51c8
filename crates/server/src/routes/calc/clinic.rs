//! Why something came out as it did, without a batch.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::Checker;
use craft::clinic::{Facts, diagnose};
use craft::message::Message;
use craft::plan::{PlanInputs, WatchFor};
use craft::result::Symptom;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::clinic::ClinicAnswer;
use crate::body::Body;
use crate::learned::with_learned;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What was seen, and what is known.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ClinicRequest {
    /// The faults that were seen.
    seen: Vec<Symptom>,
    /// What is known of how it was made.
    #[serde(default)]
    facts: Facts,
}

/// The likely causes of what was seen, with what speaks for and against each.
#[utoipa::path(tag = "calc", request_body = ClinicRequest, responses((status = 200, body = ClinicAnswer), (status = 422, body = Problem)))]
#[post("/clinic")]
pub async fn told(Body(request): Body<ClinicRequest>) -> Answer<Json<ClinicAnswer>> {
    let mut check = Checker::new();
    request.facts.check("facts", &mut check);
    check.finish()?;
    Ok(Json(diagnose(&request.seen, &request.facts).into()))
}

/// A plan, and what was learned.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PutInRequest {
    /// The plan as it is.
    inputs: PlanInputs,
    /// What went wrong, with what that is made.
    learned: Vec<WatchFor>,
}

/// A plan with what was learned in it. Nothing is kept.
#[derive(Debug, Serialize, ToSchema)]
pub struct PutInAnswer {
    /// The plan.
    inputs: PlanInputs,
    /// What is different by each, in the order in which they were sent; nothing where it stands in
    /// the plan already.
    changes: Vec<Vec<Message>>,
}

/// A plan with what was learned in it: a number where the cause asks for one, and a note at the step
/// where it helps.
#[utoipa::path(tag = "calc", request_body = PutInRequest, responses((status = 200, body = PutInAnswer), (status = 422, body = Problem)))]
#[post("/learned")]
pub async fn learned(
    state: Data<State>,
    Body(PutInRequest { inputs, learned }): Body<PutInRequest>,
) -> Answer<Json<PutInAnswer>> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    let (inputs, changes) = with_learned(&inputs, &learned, |inputs| on_shelf.shelf.fill(inputs))?;
    Ok(Json(PutInAnswer { inputs, changes }))
}
