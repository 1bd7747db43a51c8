//! Logs of thermometers' own programs: which there are, and which are watched for a bowl.

use actix_web::{HttpResponse, delete, get, put, web};
use craft::bowl::Place;
use craft::check::Checker;
use craft::logfile::Scale;
use serde::{Deserialize, Serialize};
use store::watched_logs::WatchedRow;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::watched_logs::{File, LogStands, listed, whole_lines};

/// The longest heading of a column.
const LONGEST_HEADING: usize = 100;

/// The logs that can be watched.
#[derive(Debug, Serialize, ToSchema)]
pub struct LogsAnswer {
    /// Where a thermometer's program is to write them, on the machine that serves.
    pub folder: String,
    /// Those that are there, the latest first.
    pub files: Vec<File>,
}

/// A log that is watched for a bowl.
#[derive(Debug, Serialize, ToSchema)]
pub struct WatchedLogAnswer {
    /// Its name.
    pub name: String,
    /// Where in the bowl its thermometer stands.
    pub place: Place,
    /// How it stands.
    #[serde(flatten)]
    pub stands: LogStands,
}

/// A log that is to be watched.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewWatchedLog {
    /// Its name.
    name: String,
    /// In which scale, where it does not say itself.
    unit: Option<Scale>,
    /// The heading of its times, where that cannot be told.
    time_column: Option<String>,
    /// The heading of its temperatures, where that cannot be told.
    temp_column: Option<String>,
}

/// The logs in the folder of logs.
#[utoipa::path(tag = "readings", operation_id = "list_logs", responses(
    (status = 200, body = LogsAnswer), (status = 409, body = Problem)))]
#[get("/logs")]
pub async fn list(state: web::Data<State>) -> Answer<web::Json<LogsAnswer>> {
    let folder = state.logs.folder().cloned().ok_or_else(none_watched)?;
    let told = folder.display().to_string();
    let files = tokio::task::spawn_blocking(move || listed(&folder)).await;
    let files = files.map_err(|_| Problem::internal())?;
    Ok(web::Json(LogsAnswer { folder: told, files }))
}

fn none_watched() -> Problem {
    Problem::conflict("This server watches no logs: it was started without a folder for them.")
}

/// The logs that are watched for a bowl.
#[utoipa::path(tag = "readings", operation_id = "list_watched_logs", responses(
    (status = 200, body = [WatchedLogAnswer]), (status = 404, body = Problem)))]
#[get("/bowls/{id}/logs")]
pub async fn of_bowl(
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<WatchedLogAnswer>>> {
    store::bowls::line(&state.pool, *id).await?;
    let answer = |(row, stands): (WatchedRow, LogStands)| WatchedLogAnswer {
        name: row.name,
        place: row.place,
        stands,
    };
    Ok(web::Json(state.logs.of_bowl(*id).into_iter().map(answer).collect()))
}

/// Watches a log for a place of a bowl, from its end on: what was there before is not taken.
#[utoipa::path(tag = "readings", operation_id = "watch_log", request_body = NewWatchedLog, responses(
    (status = 204), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 422, body = Problem)))]
#[put("/bowls/{id}/logs/{place}")]
pub async fn watch(
    state: web::Data<State>,
    at: web::Path<(Uuid, Place)>,
    Body(new): Body<NewWatchedLog>,
) -> Answer<HttpResponse> {
    let (bowl_id, place) = at.into_inner();
    let folder = state.logs.folder().cloned().ok_or_else(none_watched)?;
    let bowl = store::bowls::line(&state.pool, bowl_id).await?;
    if bowl.status.ended().is_some() {
        return Err(Problem::conflict("This bowl has ended: it is measured no more."));
    }
    let (_, clock) = state.clock_of_bowl(bowl_id).await?;
    #[allow(clippy::float_cmp)] // exactly one is what real time is
    if bowl.simulated || clock.rate != 1.0 {
        return Err(Problem::conflict(
            "This bowl is tried out with the simulated thermometer: a real one keeps real time.",
        ));
    }
    let mut check = Checker::new();
    for (field, heading) in [("time_column", &new.time_column), ("temp_column", &new.temp_column)] {
        if let Some(heading) = heading {
            check.text(field, heading, LONGEST_HEADING);
        }
    }
    check.finish()?;
    let row = WatchedRow {
        bowl_id,
        place,
        name: new.name,
        unit: new.unit,
        time_column: new.time_column,
        temp_column: new.temp_column,
        after_line: 0,
        slow_by_ms: None,
    };
    let for_it = row.clone();
    let lines = tokio::task::spawn_blocking(move || whole_lines(&folder, &for_it)).await;
    let lines = lines
        .map_err(|_| Problem::internal())?
        .map_err(|fault| Problem::bad_field(fault.field, fault.message))?;
    let row = WatchedRow { after_line: u32::try_from(lines).unwrap_or(u32::MAX), ..row };
    store::watched_logs::put(&state.pool, &row).await?;
    state.logs.start(&state, &state.live, row);
    Ok(HttpResponse::NoContent().finish())
}

/// Lets go of the log of a place.
#[utoipa::path(tag = "readings", operation_id = "let_go_of_log", responses(
    (status = 204), (status = 404, body = Problem)))]
#[delete("/bowls/{id}/logs/{place}")]
pub async fn let_go(state: web::Data<State>, at: web::Path<(Uuid, Place)>) -> Answer<HttpResponse> {
    let (bowl_id, place) = at.into_inner();
    store::bowls::line(&state.pool, bowl_id).await?;
    store::watched_logs::remove(&state.pool, bowl_id, place).await?;
    state.logs.stop(bowl_id, place);
    Ok(HttpResponse::NoContent().finish())
}
