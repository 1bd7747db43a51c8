//! A bowl's record out and in: CSV and JSON, and the logs that thermometers keep.

use std::collections::HashSet;

use actix_web::http::header::{ContentDisposition, DispositionParam, DispositionType};
use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, Utc};
use craft::bowl::{Action, Reading, Source};
use craft::check::{self, Checker};
use craft::logfile::{self, Asked, DateOrder, Scale};
use craft::plan::{BowlInputs, PlanInputs};
use craft::units::{celsius, in_celsius};
use serde::{Deserialize, Serialize};
use store::batches::Batch;
use store::bowls::{BowlRow, ClockRow};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::actions::NewAction;
use super::batches::under;
use super::bowls::{self, BowlWithPlan};
use crate::afterwards::settle;
use crate::answer::action::ActionAnswer;
use crate::answer::bowl_plan::BowlPlanAnswer;
use crate::body::Body;
use crate::clock::kitchen_time;
use crate::hub::Happening;
use crate::problem::{Answer, Problem};
use crate::record_csv;
use crate::saved_inputs::FIRST_FORMAT;
use crate::state::State;

/// What marks a bowl that was saved as JSON.
const FORMAT: &str = "wide-sheen-bowl-2";
/// Most readings and actions of a bowl that is brought in.
const MOST: usize = 200_000;

/// A reading as it was kept.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedReading {
    /// Its id.
    pub id: Uuid,
    /// When it was read.
    pub at: DateTime<Utc>,
    /// What it said.
    pub temp_c: f64,
    /// Where it came from.
    pub source: Source,
}

impl From<&Reading> for SavedReading {
    fn from(r: &Reading) -> Self {
        // To a thousandth: finer than any probe, and free of what arithmetic left.
        let temp_c = crate::answer::round(in_celsius(r.temp), 3);
        Self { id: r.id, at: r.at, temp_c, source: r.source }
    }
}

impl From<SavedReading> for Reading {
    fn from(r: SavedReading) -> Self {
        Self { id: r.id, at: r.at, temp: celsius(r.temp_c), source: r.source }
    }
}

/// A whole bowl: what it was planned as, and everything that happened to it.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedBowl {
    /// `wide-sheen-bowl-2`.
    pub format: String,
    /// The batch's name.
    pub name: String,
    /// The batch's note.
    #[serde(default)]
    pub note: String,
    /// When it was taken to the bench.
    pub opened_at: DateTime<Utc>,
    /// What the maker stated.
    #[serde(deserialize_with = "crate::saved_inputs::read")]
    pub inputs: BowlInputs,
    /// The readings, in order of time.
    pub readings: Vec<SavedReading>,
    /// What was done, in order of time, undoings included.
    #[schema(value_type = Vec<ActionAnswer>)]
    pub actions: Vec<NewAction>,
}

/// How a thermometer's log is to be read, where it does not say itself.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct LogSetting {
    /// The heading of the column of times.
    time_column: Option<String>,
    /// The heading of the column of temperatures.
    temp_column: Option<String>,
    /// `C` or `F`.
    #[param(inline)]
    unit: Option<Scale>,
    /// `day_first` or `month_first`.
    #[param(inline)]
    date_order: Option<DateOrder>,
    /// What the device's clock is ahead of UTC, minutes.
    #[serde(default)]
    utc_offset_min: i32,
    /// Added to each time, s.
    #[serde(default)]
    shift_s: f64,
}

/// What was taken from a log.
#[derive(Debug, Serialize, ToSchema)]
pub struct LogAnswer {
    /// Readings that are new.
    kept: usize,
    /// Readings that were there already.
    known: usize,
    /// Lines without a temperature.
    empty: usize,
    /// Actions that are new, from a record that was saved here.
    actions: usize,
    /// The scale that it was read in.
    unit: Scale,
    /// Time of the first.
    from: Option<DateTime<Utc>>,
    /// Time of the last.
    to: Option<DateTime<Utc>>,
}

async fn whole(state: &State, id: Uuid) -> Answer<(BowlRow, Vec<Reading>, Vec<Action>)> {
    let bowl = store::bowls::get(&state.pool, id).await?;
    let mut readings = store::readings::of_bowl(&state.pool, id).await?;
    let mut actions = store::actions::of_bowl(&state.pool, id).await?;
    readings.sort_by_key(|r| r.at);
    actions.sort_by_key(|a| a.at);
    Ok((bowl, readings, actions))
}

fn attached(kind: &str, name: &str, body: impl Into<Vec<u8>>) -> HttpResponse {
    HttpResponse::Ok()
        .content_type(kind)
        .insert_header(ContentDisposition {
            disposition: DispositionType::Attachment,
            parameters: vec![DispositionParam::Filename(name.to_owned())],
        })
        .body(body.into())
}

/// A bowl's readings and actions as a table.
#[utoipa::path(tag = "record", operation_id = "save_csv", responses(
    (status = 200, content_type = "text/csv", body = String), (status = 404, body = Problem)))]
#[get("/bowls/{id}/record.csv")]
pub async fn save_csv(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let (bowl, readings, actions) = whole(&state, *id).await?;
    let table = record_csv::write(&readings, &actions)?;
    let name = format!("bowl-{}.csv", bowl.opened_at.format("%Y-%m-%d-%H%M"));
    Ok(attached("text/csv; charset=utf-8", &name, table))
}

/// A bowl with its plan and its record, to be kept or brought in elsewhere.
#[utoipa::path(tag = "record", operation_id = "save_json", responses((status = 200, body = SavedBowl), (status = 404, body = Problem)))]
#[get("/bowls/{id}/record.json")]
pub async fn save_json(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let (bowl, readings, actions) = whole(&state, *id).await?;
    let batch = store::batches::get(&state.pool, bowl.batch_id).await?;
    let saved = SavedBowl {
        format: FORMAT.to_owned(),
        name: batch.name,
        note: batch.note,
        opened_at: bowl.opened_at,
        inputs: bowl.inputs,
        readings: readings.iter().map(Into::into).collect(),
        actions: actions.iter().map(|a| ActionAnswer::from(a).into()).collect(),
    };
    let name = format!("bowl-{}.json", bowl.opened_at.format("%Y-%m-%d-%H%M"));
    let body = serde_json::to_vec_pretty(&saved).map_err(|e| Problem::conflict(e.to_string()))?;
    Ok(attached("application/json", &name, body))
}

/// Brings in a bowl that was saved as JSON, as a batch of its own.
#[utoipa::path(tag = "record", operation_id = "bring_in_bowl", request_body = SavedBowl, responses(
    (status = 201, body = BowlWithPlan), (status = 422, body = Problem)))]
#[post("/bowls")]
pub async fn bring_in(
    state: web::Data<State>,
    Body(saved): Body<SavedBowl>,
) -> Answer<HttpResponse> {
    let mut check = Checker::new();
    if ![FORMAT, FIRST_FORMAT].contains(&saved.format.as_str()) {
        check.fault("format", format!("must be {FORMAT}; it is {}", saved.format));
    }
    check.text("name", &saved.name, super::batches::LONGEST_NAME);
    check.remark("note", &saved.note, super::batches::LONGEST_NOTE);
    if saved.readings.len() + saved.actions.len() > MOST {
        check.fault("readings", format!("must be at most {MOST} with the actions"));
    }
    for (i, reading) in saved.readings.iter().enumerate() {
        check.number(&format!("readings[{i}].temp_c"), reading.temp_c, check::PROBE_C);
    }
    let actions = all_actions(saved.actions, &mut check);
    check.finish()?;
    let plan = craft::plan::bowl(&saved.inputs).map_err(|faults| under("inputs", faults))?;
    let readings: Vec<_> = saved.readings.into_iter().map(Into::into).collect();
    let now = state.wall.now();
    let batch = Batch {
        id: Uuid::now_v7(),
        name: saved.name,
        note: saved.note,
        version: 1,
        created_at: saved.opened_at,
        updated_at: now,
    };
    // What it names stands on another shelf; the numbers came along.
    let inputs = saved.inputs.off_the_shelf();
    let bowl = BowlRow {
        id: Uuid::now_v7(),
        batch_id: batch.id,
        chocolate: inputs.key.clone(),
        inputs: inputs.clone(),
        plan: BowlPlanAnswer::from(plan).frozen().map_err(|e| Problem::conflict(e.to_string()))?,
        opened_at: saved.opened_at,
        clock: ClockRow { real: now, kitchen: now, rate: 1.0 },
        simulated: false,
    };
    store::bring_in(&state.pool, &batch, &PlanInputs::around(inputs), &bowl, (&readings, &actions))
        .await?;
    Ok(HttpResponse::Created().json(bowls::answer(&state, bowl).await?))
}

fn all_actions(saved: Vec<NewAction>, check: &mut Checker) -> Vec<Action> {
    saved
        .into_iter()
        .enumerate()
        .filter_map(|(i, action)| action.saved(&format!("actions[{i}]"), check))
        .collect()
}

/// Brings a log into a bowl: a thermometer's own, or a record saved here as CSV.
/// Either all of it is kept or nothing; what was there already stays once.
#[utoipa::path(tag = "record", operation_id = "bring_in_log", params(LogSetting), request_body(content = String, content_type = "text/csv"), responses(
    (status = 200, body = LogAnswer), (status = 404, body = Problem), (status = 413, body = Problem), (status = 422, body = Problem)))]
#[post("/bowls/{id}/log")]
pub async fn bring_in_log(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    setting: web::Query<LogSetting>,
    body: web::Bytes,
) -> Answer<web::Json<LogAnswer>> {
    let bowl = store::bowls::get(&state.pool, *id).await?;
    let (readings, actions, empty, unit) = if record_csv::is_ours(&body) {
        let mut check = Checker::new();
        let (readings, actions) = record_csv::read(&body, &mut check);
        check.finish()?;
        (readings, actions, 0, Scale::C)
    } else {
        let log = logfile::read(&body, &setting.asked(bowl.opened_at)?)?;
        in_its_evening(&log, &bowl, kitchen_time(bowl.clock, state.wall.now()))?;
        let readings = log.lines.iter().map(|line| as_reading(bowl.id, line)).collect();
        (readings, Vec::new(), log.empty, log.unit)
    };
    let before = state.record(&bowl).await?;
    let known: HashSet<_> = before.readings().iter().map(|r| r.id).collect();
    let new_readings: Vec<Reading> =
        readings.iter().filter(|r: &&Reading| !known.contains(&r.id)).copied().collect();
    let new_actions: Vec<_> = actions.into_iter().filter(|a| !before.has_action(a.id)).collect();
    store::append_all(&state.pool, bowl.id, &new_readings, &new_actions).await?;
    for reading in &new_readings {
        state.hub.tell(bowl.id, Happening::Reading(*reading));
    }
    for action in &new_actions {
        state.hub.tell(bowl.id, Happening::Action(action.clone()));
    }
    settle(&state, &bowl).await?;
    Ok(web::Json(LogAnswer {
        kept: new_readings.len(),
        known: readings.len() - new_readings.len(),
        empty,
        actions: new_actions.len(),
        unit,
        from: readings.iter().map(|r| r.at).min(),
        to: readings.iter().map(|r| r.at).max(),
    }))
}

impl LogSetting {
    fn asked(&self, start: DateTime<Utc>) -> Answer<Asked> {
        let mut check = Checker::new();
        let zone = f64::from(self.utc_offset_min);
        check.number("utc_offset_min", zone, check::UTC_OFFSET_MIN);
        check.number("shift_s", self.shift_s, check::SHIFT_S);
        check.finish()?;
        Ok(Asked {
            time_column: self.time_column.clone(),
            temp_column: self.temp_column.clone(),
            unit: self.unit,
            date_order: self.date_order,
            utc_offset_min: self.utc_offset_min,
            shift_s: self.shift_s,
            start,
        })
    }
}

/// A log of another evening is not this bowl's.
fn in_its_evening(log: &logfile::Log, bowl: &BowlRow, now: DateTime<Utc>) -> Answer<()> {
    let hour = chrono::TimeDelta::hours(1);
    let (from, to) = (bowl.opened_at - hour, now.max(bowl.opened_at) + hour);
    if log.lines.iter().any(|line| line.at >= from && line.at <= to) {
        return Ok(());
    }
    let told = |at: DateTime<Utc>| at.format("%F %H:%M:%S").to_string();
    let [first, last] = [log.lines.first(), log.lines.last()]
        .map(|line| line.map_or_else(String::new, |line| told(line.at)));
    Err(Problem::bad_field(
        "shift_s",
        format!(
            "none of its times is this bowl's: the log runs from {first} to {last} UTC, the bowl was \
             opened at {}. Say by how many seconds its clock is off, or its utc_offset_min",
            told(bowl.opened_at)
        ),
    ))
}

/// A log that is brought in twice is kept once: the id follows from the line.
fn as_reading(bowl_id: Uuid, line: &logfile::Line) -> Reading {
    let name = format!("{} {:.3}", line.at.timestamp_millis(), in_celsius(line.temp));
    let id = Uuid::new_v5(&bowl_id, name.as_bytes());
    Reading { id, at: line.at, temp: line.temp, source: Source::Probe }
}
