//! Ready crystals for a mass.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::method::{READY_SHARE_PCT, crystals, gate};
use craft::note::{Note, Working};
use craft::plan::{BlendPart, OwnInputs};
use craft::units::{celsius, grams};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::{self, band};
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What is to be tempered.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ReadyCrystalsRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    mass_g: f64,
    /// Share of the mass; one per cent, if left out.
    share_pct: Option<f64>,
    /// How warm it is now, to tell whether they may go in.
    temp_c: Option<f64>,
}

/// How much, and where it goes in.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReadyCrystalsAnswer {
    /// Ready crystals to stir in.
    crystals_g: f64,
    /// Between these temperatures.
    #[schema(min_items = 2, max_items = 2)]
    gate_c: [f64; 2],
    /// Whether it is between them now; `null` where no temperature was given.
    gate_open: Option<bool>,
    /// Remarks.
    notes: Vec<Note>,
    /// The working.
    sum: Vec<Working>,
}

/// How much of ready crystals goes into a mass, and at what temperature.
#[utoipa::path(tag = "calc", request_body = ReadyCrystalsRequest, responses((status = 200, body = ReadyCrystalsAnswer), (status = 422, body = Problem)))]
#[post("/ready-crystals")]
pub async fn ready_crystals(
    state: Data<State>,
    Body(request): Body<ReadyCrystalsRequest>,
) -> Answer<Json<ReadyCrystalsAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let mass_g = check.number("mass_g", request.mass_g, check::CHOCOLATE_G);
    let share_pct = check
        .optional("share_pct", request.share_pct, check::CRYSTALS_PCT)
        .unwrap_or(READY_SHARE_PCT);
    let temp_c = check.optional("temp_c", request.temp_c, check::PROBE_C);
    let gate = gate(&chocolate).map(band);
    if gate.is_none() {
        check.fault("family", say::must_be_tempered());
    }
    check.finish()?;
    let gate_c @ [lo, hi] = gate.unwrap_or_default();
    let amounts = crystals(grams(mass_g), share_pct);
    let mut notes = amounts.notes;
    match temp_c {
        Some(temp) if temp > hi => {
            notes.push(Note::caution("gate-not-open", say::gate_not_open(celsius(hi))))
        }
        Some(temp) if temp < lo => {
            notes.push(Note::caution("gate-passed", say::gate_passed(celsius(lo))))
        }
        _ => {}
    }
    Ok(Json(ReadyCrystalsAnswer {
        crystals_g: answer::grams(amounts.crystals),
        gate_c,
        gate_open: temp_c.map(|temp| (lo..=hi).contains(&temp)),
        notes,
        sum: amounts.working,
    }))
}
