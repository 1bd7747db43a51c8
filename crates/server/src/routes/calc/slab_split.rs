//! How much goes out on the stone.

use actix_web::{post, web::Json};
use craft::check::{self, Checker};
use craft::note::{Note, Working};
use craft::units::celsius;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::grams;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// A melted bowl and a stone.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SlabSplitRequest {
    total_g: f64,
    melted_c: f64,
    /// What the poured-out part is worked down to.
    slab_c: f64,
    /// What both together are to have.
    target_c: f64,
}

/// The two parts; they add up.
#[derive(Debug, Serialize, ToSchema)]
pub struct SlabSplitAnswer {
    /// Out on the stone.
    pour_out_g: f64,
    /// Stays in the bowl.
    keep_g: f64,
    /// Remarks.
    notes: Vec<Note>,
    /// The working.
    sum: Vec<Working>,
}

/// How much to pour out on the stone so that the mix lands on its target.
#[utoipa::path(tag = "calc", request_body = SlabSplitRequest, responses((status = 200, body = SlabSplitAnswer), (status = 422, body = Problem)))]
#[post("/slab-split")]
pub async fn slab_split(Body(request): Body<SlabSplitRequest>) -> Answer<Json<SlabSplitAnswer>> {
    let mut check = Checker::new();
    let total = check.number("total_g", request.total_g, check::CHOCOLATE_G);
    let melted = check.number("melted_c", request.melted_c, check::MELTED_C);
    let slab = check.number("slab_c", request.slab_c, check::WORKED_C);
    let target = check.number("target_c", request.target_c, check::MELTED_C);
    check.finish()?;
    let total_mass = craft::units::grams(total);
    let out =
        craft::heat::stone::split(total_mass, celsius(melted), celsius(slab), celsius(target))
            .map_err(|error| Problem::bad_field("target_c", error.message()))?;
    let (pour_out_g, keep_g) = (grams(out), grams(total_mass - out));
    Ok(Json(SlabSplitAnswer {
        pour_out_g,
        keep_g,
        notes: vec![Note::info("crystals-not-counted", say::crystals_not_counted())],
        sum: vec![
            Working::new("to fall", melted - target, "C°"),
            Working::new("the stone takes its part", melted - slab, "C°"),
            Working::new("pour out", pour_out_g, "g"),
            Working::new("keep", keep_g, "g"),
        ],
    }))
}
