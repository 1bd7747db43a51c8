//! Readings: append-only.

use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::trust::{Doubt, plausible};
use craft::bowl::{Reading, Source, fold};
use craft::check::{self, Checker};
use craft::units::celsius;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::body::Body;
use crate::clock::kitchen_time;
use crate::hub::Happening;
use crate::probes::LONGEST_NAME;
use crate::problem::{Answer, Problem};
use crate::state::{State, subject};

/// How far ahead of the bowl's time a sender's clock may be.
const AHEAD: TimeDelta = TimeDelta::minutes(5);
/// How far back a record may reach.
const BACK: TimeDelta = TimeDelta::days(2);

/// A reading to be kept.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewReading {
    /// Made by the sender, so that sending twice keeps one.
    id: Option<Uuid>,
    /// When it was read; now, if left out.
    at: Option<DateTime<Utc>>,
    /// What the thermometer said.
    temp_c: f64,
    /// Where it came from; a probe, if left out.
    source: Option<Source>,
    /// The thermometer's name. Where it is given, a second one at the same bowl
    /// is refused.
    probe: Option<String>,
}

/// A reading as it is kept.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReadingAnswer {
    /// Its id.
    pub id: Uuid,
    /// When it was read, on the bowl's clock.
    pub at: DateTime<Utc>,
    /// What the thermometer said.
    pub temp_c: f64,
    /// Where it came from.
    pub source: Source,
    /// Why it is doubted, if it is. A doubted reading is kept, and left out of
    /// trend and forecast.
    pub doubt: Option<Doubt>,
}

impl ReadingAnswer {
    fn new(reading: &Reading, doubt: Option<Doubt>) -> Self {
        Self {
            id: reading.id,
            at: reading.at,
            temp_c: crate::answer::celsius(reading.temp),
            source: reading.source,
            doubt,
        }
    }
}

/// A sender's time, if it is near the bowl's own.
pub(super) fn check_time(check: &mut Checker, at: DateTime<Utc>, now: DateTime<Utc>) {
    if at > now + AHEAD || at < now - BACK {
        check.fault(
            "at",
            format!(
                "must be from {} to {}; it is {}. Check the sender's clock.",
                (now - BACK).format("%FT%TZ"),
                (now + AHEAD).format("%FT%TZ"),
                at.format("%FT%TZ")
            ),
        );
    }
}

/// Keeps a reading: `201` where it is new, `200` where it was kept already.
#[utoipa::path(tag = "readings", operation_id = "append_reading", request_body = NewReading, responses(
    (status = 201, body = ReadingAnswer), (status = 200, body = ReadingAnswer),
    (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/bowls/{id}/readings")]
pub async fn append(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
    Body(new): Body<NewReading>,
) -> Answer<HttpResponse> {
    let now = state.kitchen_now(*bowl_id).await?;
    let at = new.at.unwrap_or(now);
    let mut check = Checker::new();
    check.number("temp_c", new.temp_c, check::PROBE_C);
    check_time(&mut check, at, now);
    if let Some(name) = &new.probe {
        check.text("probe", name, LONGEST_NAME);
    }
    check.finish()?;
    if let Some(name) = &new.probe
        && let Err(other) = state.probes.hear(*bowl_id, name, state.wall.now())
    {
        return Err(Problem::conflict(format!(
            "This bowl is measured by \"{other}\", so \"{name}\" cannot measure it too: stop that \
             one, or wait two minutes."
        )));
    }
    let reading = Reading {
        id: new.id.unwrap_or_else(Uuid::now_v7),
        at,
        temp: celsius(new.temp_c),
        source: new.source.unwrap_or(Source::Probe),
    };
    let is_new = store::readings::append(&state.pool, *bowl_id, &reading).await?;
    if is_new {
        state.hub.tell(*bowl_id, Happening::Reading(reading));
    }
    // Whether it jumped is told by the readings around it; see the bowl.
    let doubt = (!plausible(reading.temp)).then_some(Doubt::OutOfRange);
    let mut response = if is_new { HttpResponse::Created() } else { HttpResponse::Ok() };
    Ok(response.json(ReadingAnswer::new(&reading, doubt)))
}

/// A bowl's readings as they were sent, in order of time, doubted ones marked.
#[utoipa::path(tag = "readings", operation_id = "list_readings", responses((status = 200, body = [ReadingAnswer]), (status = 404, body = Problem)))]
#[get("/bowls/{id}/readings")]
pub async fn list(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<ReadingAnswer>>> {
    let row = store::bowls::get(&state.pool, *bowl_id).await?;
    let record = state.record(&row).await?;
    let now = kitchen_time(row.clock, state.wall.now());
    let setup = subject(&row)?.setup;
    let bowl = fold(&setup, &record, now);
    let as_sent = record.readings().iter().map(|r| Reading { temp: r.temp - setup.offset, ..*r });
    let readings = as_sent.zip(bowl.doubts);
    Ok(web::Json(readings.map(|(reading, doubt)| ReadingAnswer::new(&reading, doubt)).collect()))
}
