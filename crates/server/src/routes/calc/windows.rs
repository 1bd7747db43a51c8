//! Temperature windows.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::Checker;
use craft::chocolate::Family;
use craft::plan::{BlendPart, OwnInputs};
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::figures::WindowsAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Which chocolate.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WindowsRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
}

/// The temperature windows of a chocolate.
#[utoipa::path(tag = "calc", request_body = WindowsRequest, responses((status = 200, body = WindowsAnswer), (status = 422, body = Problem)))]
#[post("/windows")]
pub async fn windows(
    state: Data<State>,
    Body(request): Body<WindowsRequest>,
) -> Answer<Json<WindowsAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    check.finish()?;
    Ok(Json((&chocolate).into()))
}
