//! Components.

use actix_web::{HttpResponse, get, put, web};
use craft::plan::BarkInputs;
use serde::Serialize;
use store::components::Component;
use utoipa::ToSchema;
use uuid::Uuid;

use super::version::{EditedFrom, with_etag};
use crate::answer::plan::PlanAnswer;
use crate::body::Body;
use crate::on_shelf::planned;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A component with what follows from it.
#[derive(Debug, Serialize, ToSchema)]
pub struct ComponentAnswer {
    /// Its id.
    pub id: Uuid,
    /// Its batch.
    pub batch_id: Uuid,
    /// What is made.
    pub kind: String,
    /// Counts its edits; the same as the `ETag`.
    pub version: u32,
    /// What the maker states.
    pub inputs: BarkInputs,
    /// What follows.
    pub plan: PlanAnswer,
}

async fn answer(state: &State, component: Component) -> Answer<ComponentAnswer> {
    let (_, plan) = planned(state, &component.inputs).await?;
    Ok(ComponentAnswer {
        id: component.id,
        batch_id: component.batch_id,
        kind: component.kind,
        version: component.version,
        inputs: component.inputs,
        plan,
    })
}

/// A component and its plan.
#[utoipa::path(tag = "components", operation_id = "read_component", responses((status = 200, body = ComponentAnswer), (status = 404, body = Problem)))]
#[get("/components/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let component = store::components::get(&state.pool, *id).await?;
    Ok(with_etag(component.version, &answer(&state, component).await?))
}

/// Changes what a component states.
#[utoipa::path(tag = "components", operation_id = "edit_component", params(("If-Match" = String, Header, description = "The ETag that was read")), request_body = BarkInputs, responses(
    (status = 200, body = ComponentAnswer), (status = 404, body = Problem), (status = 412, body = Problem),
    (status = 422, body = Problem), (status = 428, body = Problem)))]
#[put("/components/{id}")]
pub async fn edit(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    EditedFrom(version): EditedFrom,
    Body(inputs): Body<BarkInputs>,
) -> Answer<HttpResponse> {
    planned(&state, &inputs).await?;
    store::components::update(&state.pool, *id, version, &inputs).await?;
    let component = store::components::get(&state.pool, *id).await?;
    Ok(with_etag(component.version, &answer(&state, component).await?))
}
