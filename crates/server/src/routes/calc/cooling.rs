//! A cooling record, fitted and forecast.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::heat::cooling::{CoolingFit, Point};
use craft::note::{Note, Working};
use craft::plan::{BlendPart, WareInputs};
use craft::units::{HeatCapacity, celsius, grams, in_watts_per_degree, seconds};
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::figures::{CoolingAnswer, EtaAnswer};
use crate::answer::round;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A day at one reading a second.
const MOST_READINGS: usize = 86_400;
const MOST_TARGETS: usize = 20;

/// One reading.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CoolingReading {
    /// Seconds from the start of the record.
    t_s: f64,
    temp_c: f64,
}

/// A record, and what is asked of it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CoolingRequest {
    room_c: f64,
    /// In any order; a time that occurs twice counts twice.
    readings: Vec<CoolingReading>,
    targets_c: Vec<f64>,
    /// With `mass_g`: gives `ua_w_k`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    /// With `family` or `blend`: the chocolate in the bowl.
    mass_g: Option<f64>,
    /// The bowl, where its heat is to be counted in `ua_w_k`.
    bowl: Option<WareInputs>,
}

/// When a cooling bowl reaches each target.
#[utoipa::path(tag = "calc", request_body = CoolingRequest, responses((status = 200, body = CoolingAnswer), (status = 422, body = Problem)))]
#[post("/cooling")]
pub async fn cooling(
    state: Data<State>,
    Body(request): Body<CoolingRequest>,
) -> Answer<Json<CoolingAnswer>> {
    let mut check = Checker::new();
    let room = celsius(check.number("room_c", request.room_c, check::ROOM_C));
    let points = points(&request.readings, &mut check);
    if request.targets_c.len() > MOST_TARGETS {
        check.fault("targets_c", say::at_most_targets(MOST_TARGETS));
    }
    for (i, target) in request.targets_c.iter().enumerate() {
        check.number(format_args!("targets_c[{i}]"), *target, check::PROBE_C);
    }
    let heat = heat_held(&state, &request, &mut check).await?;
    check.finish()?;

    let fit = CoolingFit::to(points.iter().copied(), room);
    let etas: Vec<_> = request
        .targets_c
        .iter()
        .map(|c| EtaAnswer::new(*c, fit.ok().and_then(|fit| fit.reach(celsius(*c)))))
        .collect();
    let mut notes = Vec::new();
    if let Err(reason) = fit {
        notes.push(Note::info("no-forecast", say::no_forecast(reason.message())));
    } else if etas.iter().any(|eta| eta.eta_s.is_none()) {
        notes.push(Note::info("not-reached", say::not_reached()));
    }
    let k = fit.ok().map(|fit| fit.k_per_min());
    Ok(Json(CoolingAnswer {
        k_per_min: k.map(|k| round(k, 5)),
        ua_w_k: fit.ok().zip(heat).map(|(fit, heat)| round(in_watts_per_degree(fit.ua(heat)), 4)),
        etas,
        notes,
        sum: k
            .map(|k| {
                vec![Working::new("share of the gap to the room lost each minute", k * 100.0, "%")]
            })
            .unwrap_or_default(),
    }))
}

fn points(readings: &[CoolingReading], check: &mut Checker) -> Vec<Point> {
    if readings.len() > MOST_READINGS {
        check.fault("readings", say::at_most_readings(MOST_READINGS));
        return Vec::new();
    }
    let mut points: Vec<_> = readings
        .iter()
        .enumerate()
        .map(|(i, reading)| {
            if !check::RECORD_S.contain(reading.t_s) {
                check.number(format_args!("readings[{i}].t_s"), reading.t_s, check::RECORD_S);
            }
            if !check::PROBE_C.contain(reading.temp_c) {
                check.number(format_args!("readings[{i}].temp_c"), reading.temp_c, check::PROBE_C);
            }
            Point { t: seconds(reading.t_s), temp: celsius(reading.temp_c) }
        })
        .collect();
    points.sort_by(|a, b| a.t.value.total_cmp(&b.t.value));
    points
}

async fn heat_held(
    state: &State,
    request: &CoolingRequest,
    check: &mut Checker,
) -> Answer<Option<HeatCapacity>> {
    let mass = check.optional("mass_g", request.mass_g, check::CHOCOLATE_G).map(grams);
    let ware = request.bowl.map(|bowl| bowl.check("bowl", check).wetted_heat());
    let which = Which::of(request.family, request.blend.as_deref(), request.chocolate_id, None);
    let (Some(mass), true) = (mass, which.is_given()) else { return Ok(None) };
    let chocolate = super::chocolate(state, which, check).await?;
    Ok(Some(mass * chocolate.family.heat_when_melted() + ware.unwrap_or_default()))
}
