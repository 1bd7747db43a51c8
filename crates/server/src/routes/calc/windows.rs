//! Temperature windows.

use actix_web::{post, web::Json};
use craft::check::Checker;
use craft::chocolate::Family;
use craft::plan::{BlendPart, OwnInputs};
use serde::Deserialize;
use utoipa::ToSchema;

use crate::answer::plan::WindowsAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};

/// Which chocolate.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WindowsRequest {
    /// The chocolate; or else `blend`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    own: Option<OwnInputs>,
}

/// The temperature windows of a chocolate.
#[utoipa::path(tag = "calc", request_body = WindowsRequest, responses((status = 200, body = WindowsAnswer), (status = 422, body = Problem)))]
#[post("/windows")]
pub async fn windows(Body(request): Body<WindowsRequest>) -> Answer<Json<WindowsAnswer>> {
    let mut check = Checker::new();
    let chocolate =
        super::chocolate(request.family, request.blend.as_deref(), request.own, &mut check);
    check.finish()?;
    Ok(Json((&chocolate).into()))
}
