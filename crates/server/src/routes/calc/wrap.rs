//! A wrap round a cake.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::note::{Note, Working};
use craft::plan::{BlendPart, OwnInputs};
use craft::spread::wrap::{OVERLAP_MM, SPILL_PCT, WrapInput};
use craft::units::{in_millimetres, millimetres, percent_of};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::{grams, round};
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What it is to go round.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WrapRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    /// Over the icing.
    diameter_mm: f64,
    /// How high the strip is.
    height_mm: f64,
    /// How thick, once set.
    thickness_mm: f64,
    /// How far it overlaps; 25 mm if left out.
    overlap_mm: Option<f64>,
    /// What spreads over the edges; 15 % if left out.
    spill_pct: Option<f64>,
    /// How high the cake is, to check the strip against.
    cake_mm: Option<f64>,
}

/// A wrap's figures.
#[derive(Debug, Serialize, ToSchema)]
pub struct WrapAnswer {
    /// Length of the strip, overlap and all.
    length_mm: f64,
    /// Chocolate, with what spreads over the edges.
    chocolate_g: f64,
    /// Remarks.
    notes: Vec<Note>,
    /// The working.
    sum: Vec<Working>,
}

/// The strip that goes round a cake.
#[utoipa::path(tag = "calc", request_body = WrapRequest, responses((status = 200, body = WrapAnswer), (status = 422, body = Problem)))]
#[post("/wrap")]
pub async fn wrap(
    state: Data<State>,
    Body(request): Body<WrapRequest>,
) -> Answer<Json<WrapAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let diameter = check.number("diameter_mm", request.diameter_mm, check::CAKE_MM);
    let height = check.number("height_mm", request.height_mm, check::HEIGHT_MM);
    let thickness = check.number("thickness_mm", request.thickness_mm, check::SLAB_MM);
    let overlap = check.optional("overlap_mm", request.overlap_mm, check::OVERLAP_MM);
    let spill = check.optional("spill_pct", request.spill_pct, check::SPILL_PCT);
    let cake = check.optional("cake_mm", request.cake_mm, check::HEIGHT_MM);
    check.finish()?;
    let wrap = WrapInput {
        chocolate: &chocolate,
        diameter: millimetres(diameter),
        height: millimetres(height),
        thickness: millimetres(thickness),
        overlap: millimetres(overlap.unwrap_or(OVERLAP_MM)),
        spill: percent_of(spill.unwrap_or(SPILL_PCT)),
        cake: cake.map(millimetres),
    }
    .solve();
    Ok(Json(WrapAnswer {
        length_mm: round(in_millimetres(wrap.length), 2),
        chocolate_g: grams(wrap.chocolate),
        notes: wrap.notes,
        sum: wrap.working,
    }))
}
