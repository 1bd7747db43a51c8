//! Builds: what is done after the pour, one instruction at a time.

use std::collections::HashSet;

use actix_web::{HttpResponse, get, post, put, web};
use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{Phase, fold};
use craft::build::{Event, EventKind, Guide, guide};
use craft::check::{Bounds, Checker};
use craft::plan::Plan;
use serde::Deserialize;
use store::bowls::ClockRow;
use store::builds::BuildRow;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::afterwards::teach_setting;
use crate::answer::bowl::ClockAnswer;
use crate::answer::build::BuildAnswer;
use crate::body::Body;
use crate::clock::kitchen_time;
use crate::problem::{Answer, Problem};
use crate::state::{State, subject};

/// Three days go by in a minute or two: what rests overnight can be tried out.
const FASTEST: f64 = 3_600.0;
const RATE: Bounds = Bounds { min: 0.0, max: FASTEST, unit: "times real time" };
/// As far ahead as time is skipped at once: fillings and flavours rest for days, not months.
const FARTHEST: TimeDelta = TimeDelta::days(31);
/// The longest key of a component or a task.
const LONGEST_KEY: usize = 40;

/// Something that was done, or is taken back.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
pub enum NewEvent {
    /// A task was done.
    Done {
        /// Made by the sender, so that sending twice keeps one.
        id: Uuid,
        /// When; now, if left out.
        at: Option<DateTime<Utc>>,
        /// The component's key.
        component: String,
        /// The task's key.
        task: String,
        /// For the finger's check: it has become dry just now.
        #[serde(default)]
        just_now: bool,
    },
    /// An earlier event did not happen.
    Undone {
        /// Made by the sender, so that sending twice keeps one.
        id: Uuid,
        /// Which event.
        event: Uuid,
    },
}

/// How a build's time is to run.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BuildClock {
    /// Kitchen seconds per real second, 0 to 3600: 1 in a real kitchen.
    rate: f64,
    /// Moves on to this moment of the build's time, if it is still ahead; at most 31 days.
    skip_to: Option<DateTime<Utc>>,
}

fn replanned(build: &BuildRow) -> Answer<Plan> {
    Ok(Plan::of(&build.inputs)?)
}

/// The chocolates of a batch whose latest bowl is in temper or was poured: one that is
/// opened again, for caps on another day, is waited for again.
async fn ready(state: &State, batch_id: Uuid) -> Answer<HashSet<String>> {
    let mut ready = HashSet::new();
    for bowl in store::bowls::of_batch(&state.pool, batch_id).await?.into_iter().rev() {
        let record = state.record(&bowl).await?;
        let now = kitchen_time(bowl.clock, state.wall.now());
        let stands = fold(&subject(&bowl)?.setup, &record, now);
        if matches!(stands.phase, Phase::Working | Phase::Done) {
            ready.insert(bowl.chocolate);
        } else {
            ready.remove(&bowl.chocolate);
        }
    }
    Ok(ready)
}

/// Where a build stands at a time, by what was done.
pub(super) async fn stands(
    state: &State,
    build: &BuildRow,
    events: &[Event],
    now: DateTime<Utc>,
) -> Answer<Guide> {
    let ready = ready(state, build.batch_id).await?;
    Ok(guide(&replanned(build)?, events, now, |key| ready.contains(key)))
}

async fn answer(state: &State, build: &BuildRow) -> Answer<BuildAnswer> {
    let batch = store::batches::get(&state.pool, build.batch_id).await?;
    let events = store::builds::events(&state.pool, build.batch_id).await?;
    let now = kitchen_time(build.clock, state.wall.now());
    let guide = stands(state, build, &events, now).await?;
    let last = craft::build::last_standing(&events);
    let clock = ClockAnswer { now, rate: build.clock.rate, simulated: false };
    Ok(BuildAnswer::new((batch.id, batch.name), guide, last, clock))
}

/// Begins the build of a batch, by its plan as it is now; one that was begun goes on.
#[utoipa::path(tag = "builds", operation_id = "begin_build", responses(
    (status = 201, body = BuildAnswer), (status = 200, body = BuildAnswer),
    (status = 404, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/build")]
pub async fn begin(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let stated = store::batches::plan(&state.pool, *id).await?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    let inputs = on_shelf.shelf.fill(&stated.inputs)?;
    Plan::of(&inputs)?;
    let now = state.wall.now();
    let build = BuildRow {
        batch_id: *id,
        inputs,
        begun_at: now,
        clock: ClockRow { real: now, kitchen: now, rate: 1.0 },
    };
    let is_new = store::builds::begin(&state.pool, &build).await?;
    let build = store::builds::get(&state.pool, *id).await?;
    let mut response = if is_new { HttpResponse::Created() } else { HttpResponse::Ok() };
    Ok(response.json(answer(&state, &build).await?))
}

/// A build as it stands.
#[utoipa::path(tag = "builds", operation_id = "read_build", responses((status = 200, body = BuildAnswer), (status = 404, body = Problem)))]
#[get("/batches/{id}/build")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<web::Json<BuildAnswer>> {
    let build = store::builds::get(&state.pool, *id).await?;
    Ok(web::Json(answer(&state, &build).await?))
}

/// Sets the pace of a build's time, or skips to a moment ahead.
#[utoipa::path(tag = "builds", operation_id = "set_build_clock", request_body = BuildClock, responses(
    (status = 200, body = BuildAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[put("/batches/{id}/build/clock")]
pub async fn set_clock(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(setting): Body<BuildClock>,
) -> Answer<web::Json<BuildAnswer>> {
    let mut check = Checker::new();
    check.number("rate", setting.rate, RATE);
    let mut build = store::builds::get(&state.pool, *id).await?;
    let real = state.wall.now();
    let now = kitchen_time(build.clock, real);
    let kitchen = setting.skip_to.map_or(now, |to| to.max(now));
    if kitchen - now > FARTHEST {
        let days = FARTHEST.num_days();
        check.fault("skip_to", format!("must be at most {days} days ahead"));
    }
    check.finish()?;
    build.clock = ClockRow { real, kitchen, rate: setting.rate };
    store::builds::set_clock(&state.pool, *id, build.clock).await?;
    Ok(web::Json(answer(&state, &build).await?))
}

/// Keeps what was done; what was kept already stays once.
#[utoipa::path(tag = "builds", operation_id = "append_build_event", request_body = NewEvent, responses(
    (status = 201, body = BuildAnswer), (status = 200, body = BuildAnswer),
    (status = 404, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/build/events")]
pub async fn append(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(new): Body<NewEvent>,
) -> Answer<HttpResponse> {
    let build = store::builds::get(&state.pool, *id).await?;
    let now = kitchen_time(build.clock, state.wall.now());
    let plan = replanned(&build)?;
    let event = match new {
        NewEvent::Done { id, at, component, task, just_now } => {
            let mut check = Checker::new();
            let at = at.unwrap_or(now);
            super::readings::check_time(&mut check, at, now);
            check.text("component", &component, LONGEST_KEY);
            check.text("task", &task, LONGEST_KEY);
            match plan.components.iter().find(|c| c.key == component) {
                None => check.fault("component", "must be a component of this batch"),
                Some(c) if c.tasks.iter().all(|t| t.key != task) => {
                    let keys: Vec<_> = c.tasks.iter().map(|t| t.key.as_str()).collect();
                    check.fault("task", format!("must be one of {}", keys.join(", ")));
                }
                Some(_) => {}
            }
            check.finish()?;
            Event { id, at, kind: EventKind::Done { component, task, just_now } }
        }
        NewEvent::Undone { id, event } => {
            let events = store::builds::events(&state.pool, build.batch_id).await?;
            if events.iter().all(|e| e.id != event) {
                return Err(Problem::bad_field("event", "must be an event of this build"));
            }
            Event { id, at: now, kind: EventKind::Undone { event } }
        }
    };
    let is_new = store::builds::append(&state.pool, *id, &event).await?;
    teach_setting(&state, &build, &plan).await?;
    let mut response = if is_new { HttpResponse::Created() } else { HttpResponse::Ok() };
    Ok(response.json(answer(&state, &build).await?))
}
