//! Mass and thickness of a slab.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::plan::{BlendPart, OwnInputs};
use craft::spread::slab::{FoldedIn, Size};
use craft::units::{grams, grams_per_cubic_centimetre, millimetres};
use craft::work::TrayInputs;
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::figures::SlabAnswer;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Dry goods folded in.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FoldedInRequest {
    mass_g: f64,
    density_g_cm3: f64,
}

/// What is known.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SlabRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    tray: TrayInputs,
    /// Thickness once set; or else `mass_g`.
    thickness_mm: Option<f64>,
    /// Chocolate in the piece; or else `thickness_mm`.
    mass_g: Option<f64>,
    #[serde(default)]
    folded_in: Vec<FoldedInRequest>,
}

/// The chocolate that a slab takes, or the thickness that a mass gives.
#[utoipa::path(tag = "calc", request_body = SlabRequest, responses((status = 200, body = SlabAnswer), (status = 422, body = Problem)))]
#[post("/slab")]
pub async fn slab(
    state: Data<State>,
    Body(request): Body<SlabRequest>,
) -> Answer<Json<SlabAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let tray = request.tray.check("tray", &mut check);
    let size = match (request.thickness_mm, request.mass_g) {
        (Some(mm), None) => {
            Size::Thickness(millimetres(check.number("thickness_mm", mm, check::SLAB_MM)))
        }
        (None, Some(g)) => Size::Chocolate(grams(check.number("mass_g", g, check::CHOCOLATE_G))),
        (given, _) => {
            let given = if given.is_some() { say::both_given() } else { say::neither_given() };
            check.fault("thickness_mm", say::thickness_or_mass(given));
            Size::Chocolate(grams(1.0))
        }
    };
    let folded_in: Vec<_> = request
        .folded_in
        .iter()
        .enumerate()
        .map(|(i, f)| FoldedIn {
            mass: grams(check.number(
                format_args!("folded_in[{i}].mass_g"),
                f.mass_g,
                check::CHOCOLATE_G,
            )),
            density: grams_per_cubic_centimetre(check.number(
                format_args!("folded_in[{i}].density_g_cm3"),
                f.density_g_cm3,
                check::DENSITY_G_CM3,
            )),
        })
        .collect();
    check.finish()?;
    let slab = craft::spread::slab::slab(&chocolate, tray, size, &folded_in)
        .map_err(|error| Problem::bad_field("folded_in", error.message()))?;
    Ok(Json(slab.into()))
}
