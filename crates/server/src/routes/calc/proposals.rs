//! What can be made from what is at hand.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::message::Message;
use craft::plan::PlanInputs;
use craft::proposals::{HaveInputs, Proposal, proposals as proposed};
use serde::Serialize;
use utoipa::ToSchema;

use crate::answer::plan::WholePlanAnswer;
use crate::body::Body;
use crate::planned::planned;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Something that can be made.
#[derive(Debug, Serialize, ToSchema)]
pub struct ProposalAnswer {
    /// The kind of work.
    kind: String,
    /// What it is, in a few words.
    text: Message,
    /// A plan of it, as it is stated.
    inputs: PlanInputs,
    /// What follows from that.
    plan: WholePlanAnswer,
}

/// What can be made of one chocolate, so many grams, in a tray or a mould; each as a plan of its
/// own. Nothing is kept.
#[utoipa::path(tag = "calc", request_body = HaveInputs, responses((status = 200, body = [ProposalAnswer]), (status = 422, body = Problem)))]
#[post("/proposals")]
pub async fn proposals(
    state: Data<State>,
    Body(have): Body<HaveInputs>,
) -> Answer<Json<Vec<ProposalAnswer>>> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    let usual = on_shelf.shelf.usual_plan(have.family, |id| on_shelf.in_use(id));
    let mut answers = Vec::new();
    for Proposal { kind, text, inputs } in proposed(&have, &usual, &on_shelf.shelf)? {
        let (_, plan) = planned(&state, &inputs).await?;
        answers.push(ProposalAnswer { kind: kind.to_owned(), text, inputs, plan });
    }
    Ok(Json(answers))
}
