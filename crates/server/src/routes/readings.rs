//! Readings: append-only.

use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::trust::{Doubt, doubts, plausible};
use craft::bowl::{Reading, Source};
use craft::check::{self, Checker};
use craft::time::Timestamp;
use craft::units::celsius;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::sent::sent_as;
use crate::body::Body;
use crate::catalogue::records as say;
use crate::measured::{self, LONGEST_PROBE, Measured};
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::who::Who;

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
    at: Option<Timestamp>,
    /// What the thermometer said.
    temp_c: f64,
    /// Where it came from; if left out, a probe in the middle, or where it was lent to.
    source: Option<Source>,
    /// The thermometer's name. Where it is given, a second one at the same place of the same
    /// bowl is refused.
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
    /// Whether the maker withdrew it: it was mistyped, and does not count.
    pub withdrawn: bool,
    /// On which device it was entered, or which sent it; `null` where it was the main screen.
    pub entered_on: Option<String>,
}

impl ReadingAnswer {
    fn new(reading: &Reading, doubt: Option<Doubt>) -> Self {
        Self {
            id: reading.id,
            at: reading.at,
            temp_c: crate::answer::celsius(reading.temp),
            source: reading.source,
            doubt,
            withdrawn: false,
            entered_on: None,
        }
    }
}

/// A sender's time, if it is near the bowl's own.
pub(super) fn check_time(check: &mut Checker, at: DateTime<Utc>, now: DateTime<Utc>) {
    if at > now + AHEAD || at < now - BACK {
        check.fault(
            "at",
            say::from_to(
                &(now - BACK).format("%FT%TZ"),
                &(now + AHEAD).format("%FT%TZ"),
                &at.format("%FT%TZ"),
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
    who: Who,
    Body(new): Body<NewReading>,
) -> Answer<HttpResponse> {
    let now = state.kitchen_now(*bowl_id).await?;
    let at = new.at.map_or(now, |at| at.0);
    let mut check = Checker::new();
    check.number("temp_c", new.temp_c, check::PROBE_C);
    check_time(&mut check, at, now);
    if let Some(name) = &new.probe {
        check.text("probe", name, LONGEST_PROBE);
    }
    check.finish()?;
    // A thermometer that is lent stands where the maker says, whatever its program knows of it.
    let sent_from = who.place().map(Source::sent_from);
    let reading = Reading {
        id: new.id.unwrap_or_else(Uuid::now_v7),
        at,
        temp: celsius(new.temp_c),
        source: new.source.or(sent_from).unwrap_or(Source::Probe),
    };
    let measured = Measured { reading, probe: new.probe.as_deref(), device: who.name() };
    let sent = measured::keep(&state, &state.live, *bowl_id, measured).await?;
    // Whether it jumped is told by the readings around it; see the bowl.
    let doubt = (!plausible(reading.temp)).then_some(Doubt::OutOfRange);
    Ok(sent_as(sent).json(ReadingAnswer::new(&reading, doubt)))
}

/// A bowl's readings as they were sent, in order of time, doubted ones marked.
#[utoipa::path(tag = "readings", operation_id = "list_readings", responses((status = 200, body = [ReadingAnswer]), (status = 404, body = Problem)))]
#[get("/bowls/{id}/readings")]
pub async fn list(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<ReadingAnswer>>> {
    let live = state.live.bowl(&state, *bowl_id).await?;
    let now = state.kitchen_now(*bowl_id).await?;
    let setup = &live.subject().run.setup;
    let mut answers: Vec<_> = live.with(|record| {
        let doubted = |readings: &[Reading]| {
            let doubts = doubts(readings, setup.opened, now);
            readings
                .iter()
                .zip(doubts)
                .map(|(reading, doubt)| ReadingAnswer::new(&record.as_sent(reading), doubt))
                .collect::<Vec<_>>()
        };
        let withdrawn = record.withdrawn().iter().map(|reading| ReadingAnswer {
            withdrawn: true,
            ..ReadingAnswer::new(&record.as_sent(reading), None)
        });
        let stand = [record.readings(), record.at_edge()].into_iter().flat_map(doubted);
        stand.chain(withdrawn).collect()
    });
    let batch_id = live.subject().batch_id;
    let entered_by = store::entered_by::of_batch(&state.pool, batch_id).await?;
    for answer in &mut answers {
        answer.entered_on = entered_by.get(&answer.id).cloned();
    }
    answers.sort_by_key(|reading| (reading.at, reading.id));
    Ok(web::Json(answers))
}
