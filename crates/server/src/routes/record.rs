//! A bowl's record out and in: CSV and JSON, and the logs that thermometers keep.

mod saved;

pub use saved::{SavedBowl, SavedReading};

use std::collections::HashSet;

use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, Utc};
use craft::bowl::{Action, Reading, Source};
use craft::check::{self, Checker};
use craft::logfile::{self, Asked, DateOrder, Scale};
use craft::units::in_celsius;
use serde::{Deserialize, Serialize};
use store::Connection;
use store::bowls::BowlRow;
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::attached;
use super::bowls::{self, BowlWithPlan};
use crate::body::{Body, Raw};
use crate::catalogue::files as say;
use crate::clock::kitchen_time;
use crate::live::Heard;
use crate::making::finalize_bowl;
use crate::problem::{Answer, Problem};
use crate::record_csv;
use crate::state::State;

/// Most readings and actions of a bowl that is brought in.
const MOST: usize = 200_000;

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

/// A bowl with its plan and its record, its batch's results, photos and steps, and the gear it
/// was made with: to be kept, or brought in elsewhere.
#[utoipa::path(tag = "record", operation_id = "save_json", responses((status = 200, body = SavedBowl), (status = 404, body = Problem)))]
#[get("/bowls/{id}/record.json")]
pub async fn save_json(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let saved = saved::of(&state, *id).await?;
    let name = format!("bowl-{}.json", saved.opened_at().format("%Y-%m-%d-%H%M"));
    let body = serde_json::to_vec_pretty(&saved).map_err(Problem::unwritable)?;
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
    let id = saved::bring_in(&state, saved).await?;
    Ok(HttpResponse::Created().json(bowls::answer(&state, id).await?))
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
    Raw(body): Raw,
) -> Answer<web::Json<LogAnswer>> {
    let bowl = store::bowls::get(&state.pool, *id).await?;
    let (_, clock) = state.clock_of_bowl(*id).await?;
    let wall = state.wall.now();
    let (readings, actions, empty, unit) = if record_csv::is_ours(&body) {
        let mut check = Checker::new();
        let (readings, actions) = record_csv::read(&body, &mut check);
        check.finish()?;
        (readings, actions, 0, Scale::C)
    } else {
        let log = logfile::read(&body, &setting.asked(bowl.opened_at)?)?;
        in_its_evening(&log, &bowl, kitchen_time(clock, wall))?;
        let readings = log.lines.iter().map(|line| as_reading(bowl.id, line)).collect();
        (readings, Vec::new(), log.empty, log.unit)
    };
    if readings.len() + actions.len() > MOST {
        return Err(Problem::bad_field("file", say::at_most_lines(MOST)));
    }
    let before = state.record(&bowl).await?;
    let known: HashSet<_> =
        before.readings().iter().chain(before.at_edge()).map(|r| r.id).collect();
    let new_readings: Vec<Reading> =
        readings.iter().filter(|r: &&Reading| !known.contains(&r.id)).copied().collect();
    let new_actions: Vec<_> = actions.into_iter().filter(|a| !before.has_action(a.id)).collect();
    state
        .whole(async |tx: &mut Connection| {
            store::append_all(tx, bowl.id, &new_readings, &new_actions, wall).await?;
            finalize_bowl(tx, &bowl, clock, wall).await
        })
        .await?;
    for reading in &new_readings {
        state.live.heard(bowl.id, Heard::Reading(*reading));
    }
    for action in &new_actions {
        state.live.heard(bowl.id, Heard::Action(action.clone()));
    }
    state.shelf.changed().await;
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
    Err(Problem::bad_field("shift_s", say::none_of_its_times(&first, &last, told(bowl.opened_at))))
}

/// A log that is brought in twice is kept once: the id follows from the line.
fn as_reading(bowl_id: Uuid, line: &logfile::Line) -> Reading {
    let name = format!("{} {:.3}", line.at.timestamp_millis(), in_celsius(line.temp));
    let id = Uuid::new_v5(&bowl_id, name.as_bytes());
    Reading { id, at: line.at, temp: line.temp, source: Source::Probe }
}
