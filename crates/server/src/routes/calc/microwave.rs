//! Melting in bursts.

use actix_web::{post, web::Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::heat::microwave::bursts;
use craft::plan::{BlendPart, MicrowaveInputs, OwnInputs};
use craft::units::{celsius, grams};
use serde::Deserialize;
use utoipa::ToSchema;

use crate::answer::plan::MicrowaveAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};

/// What is melted, and in what.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MicrowaveRequest {
    /// The chocolate; or else `blend`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
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
pub async fn microwave(Body(request): Body<MicrowaveRequest>) -> Answer<Json<MicrowaveAnswer>> {
    let mut check = Checker::new();
    let chocolate =
        super::chocolate(request.family, request.blend.as_deref(), request.own, &mut check);
    let mass = grams(check.number("mass_g", request.mass_g, check::CHOCOLATE_G));
    let start = check.number("start_c", request.start_c, check::START_C);
    let target = check.number("target_c", request.target_c, check::MELTED_C);
    let microwave =
        MicrowaveInputs { watts: request.watts, power: request.power }.check("", &mut check);
    if target <= start {
        check.fault("target_c", format!("must be above the start of {start} °C; it is {target}"));
    }
    check.finish()?;
    let plan = bursts(&chocolate, mass, celsius(start), celsius(target), &microwave);
    Ok(Json(plan.into()))
}
