//! Piped lines.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::note::{Note, Working};
use craft::plan::{BlendPart, OwnInputs};
use craft::spread::piped;
use craft::units::millimetres;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::grams;
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What is piped.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PipedRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    /// The line of one piece, end to end.
    length_mm: f64,
    /// How wide it is.
    line_mm: f64,
    /// How many pieces.
    count: u32,
}

/// What piped pieces take.
#[derive(Debug, Serialize, ToSchema)]
pub struct PipedAnswer {
    /// Chocolate in all the pieces.
    chocolate_g: f64,
    /// Chocolate to weigh out, with what stays in the bag.
    to_weigh_g: f64,
    /// Remarks.
    notes: Vec<Note>,
    /// The working.
    sum: Vec<Working>,
}

/// The chocolate in pieces of piped line.
#[utoipa::path(tag = "calc", operation_id = "piped", request_body = PipedRequest, responses((status = 200, body = PipedAnswer), (status = 422, body = Problem)))]
#[post("/piped")]
pub async fn lines(
    state: Data<State>,
    Body(request): Body<PipedRequest>,
) -> Answer<Json<PipedAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let length = check.number("length_mm", request.length_mm, check::PIPED_MM);
    let line = check.number("line_mm", request.line_mm, check::LINE_MM);
    check.number("count", f64::from(request.count), check::PIECES);
    check.finish()?;
    let piped = piped::piped(&chocolate, millimetres(length), millimetres(line), request.count);
    Ok(Json(PipedAnswer {
        chocolate_g: grams(piped.chocolate),
        to_weigh_g: grams(piped.to_weigh),
        notes: piped.notes,
        sum: piped.working,
    }))
}
