//! Melting in bursts.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::heat::microwave::bursts;
use craft::plan::{BlendPart, MicrowaveInputs, OwnInputs};
use craft::units::{celsius, grams};
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::figures::MicrowaveAnswer;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What is melted, and in what.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MicrowaveRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    mass_g: f64,
    start_c: f64,
    target_c: f64,
    /// Rated output.
    watts: f64,
    /// Power setting, 0–1.
    power: f64,
}

/// The bursts that melt a mass.
#[utoipa::path(tag = "calc", request_body = MicrowaveRequest, responses((status = 200, body = MicrowaveAnswer), (status = 422, body = Problem)))]
#[post("/microwave")]
pub async fn microwave(
    state: Data<State>,
    Body(request): Body<MicrowaveRequest>,
) -> Answer<Json<MicrowaveAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let mass = grams(check.number("mass_g", request.mass_g, check::CHOCOLATE_G));
    let start = check.number("start_c", request.start_c, check::START_C);
    let target = check.number("target_c", request.target_c, check::MELTED_C);
    let microwave =
        MicrowaveInputs { watts: request.watts, power: request.power }.check("", &mut check);
    if target <= start {
        check.fault("target_c", say::above_the_start(celsius(start), celsius(target)));
    }
    check.finish()?;
    let plan = bursts(&chocolate, mass, [celsius(start), celsius(target)], &microwave, None);
    Ok(Json(plan.into()))
}
