//! Dipped pieces.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::dip::{COAT_MM, DippedShape};
use craft::note::{Note, Working};
use craft::plan::{BlendPart, OwnInputs};
use craft::units::millimetres;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::{grams, round};
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What is dipped.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DipRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    /// One of them: a ball, or what was measured.
    shape: DippedShape,
    /// How many.
    count: u32,
    /// How thick the coat is; 1.3 mm if left out.
    coat_mm: Option<f64>,
    /// The vessel, inside, across.
    vessel_mm: f64,
}

/// What dipping takes.
#[derive(Debug, Serialize, ToSchema)]
pub struct DipAnswer {
    /// The coat of one.
    coat_g: f64,
    /// All coats.
    coat_total_g: f64,
    /// What must stand in the vessel to cover one, without the allowance.
    in_vessel_g: f64,
    /// What to weigh: all coats, what still covers the last one, and the allowance.
    to_weigh_g: f64,
    /// What is left in the vessel, and comes back.
    returned_g: f64,
    /// Remarks.
    notes: Vec<Note>,
    /// The working.
    sum: Vec<Working>,
}

/// The chocolate that dipping takes.
#[utoipa::path(tag = "calc", request_body = DipRequest, responses((status = 200, body = DipAnswer), (status = 422, body = Problem)))]
#[post("/dip")]
pub async fn dipped(
    state: Data<State>,
    Body(request): Body<DipRequest>,
) -> Answer<Json<DipAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let centre = request.shape.check("shape", &mut check);
    check.number("count", f64::from(request.count), check::PIECES);
    let coat = check.optional("coat_mm", request.coat_mm, check::COAT_MM).unwrap_or(COAT_MM);
    let vessel = check.number("vessel_mm", request.vessel_mm, check::VESSEL_MM);
    check.finish()?;
    let Some(centre) = centre else {
        return Err(Problem::bad_field("shape", say::not_complete()));
    };
    let dipped =
        craft::dip::dip(&chocolate, &centre, request.count, millimetres(coat), millimetres(vessel))
            .map_err(|error| Problem::bad_field("vessel_mm", error.message()))?;
    Ok(Json(DipAnswer {
        coat_g: round(craft::units::in_grams(dipped.coat), 3),
        coat_total_g: grams(dipped.coats),
        in_vessel_g: grams(dipped.in_vessel),
        to_weigh_g: grams(dipped.to_weigh),
        returned_g: grams(dipped.returned),
        notes: dipped.notes,
        sum: dipped.working,
    }))
}
