//! What waits for the maker, over hours and days.

use std::cmp::Reverse;

use actix_web::{get, web};
use chrono::{DateTime, TimeDelta, Utc};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::answer::build::InstructionState;
use crate::clock::kitchen_time;
use crate::problem::Answer;
use crate::state::State;

/// A build was left alone for longer than this: it no longer reminds of itself.
const FORGOTTEN: TimeDelta = TimeDelta::days(14);

/// A build that goes on.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReminderAnswer {
    /// Its batch.
    batch_id: Uuid,
    /// Its batch's name.
    batch_name: String,
    /// What is next.
    text: String,
    /// How that stands.
    state: InstructionState,
    /// What is waited for; empty where nothing is.
    waits_for: String,
    /// When it may go on, by the wall's clock; `null` where it may now, or its time is
    /// held.
    opens_at: Option<DateTime<Utc>>,
    /// When it must have gone on, by the wall's clock.
    closes_at: Option<DateTime<Utc>>,
}

/// The builds that are not finished, the one that is due first before the others.
#[utoipa::path(tag = "builds", operation_id = "list_reminders", responses((status = 200, body = [ReminderAnswer])))]
#[get("/reminders")]
pub async fn list(state: web::Data<State>) -> Answer<web::Json<Vec<ReminderAnswer>>> {
    let wall = state.wall.now();
    let mut all = Vec::new();
    for build in store::builds::all(&state.pool).await? {
        let now = kitchen_time(build.clock, wall);
        let events = store::builds::events(&state.pool, build.batch_id).await?;
        let last = events.iter().map(|event| event.at).max().unwrap_or(now);
        if now - last > FORGOTTEN {
            continue;
        }
        let Some(next) = super::builds::stands(&state, &build, &events, now).await?.now else {
            continue;
        };
        let batch = store::batches::get(&state.pool, build.batch_id).await?;
        // By the wall's clock, at the pace at which the kitchen's time goes now.
        let on_the_wall = |at: DateTime<Utc>| {
            let left_ms = (at - now).num_milliseconds() as f64 / build.clock.rate;
            (build.clock.rate > 0.0).then(|| wall + TimeDelta::milliseconds(left_ms as i64))
        };
        let reminder = ReminderAnswer {
            batch_id: build.batch_id,
            batch_name: batch.name,
            text: next.text,
            state: next.state.into(),
            waits_for: next.opens.as_ref().map_or_else(String::new, |opens| opens.what.to_owned()),
            opens_at: next.opens.and_then(|opens| on_the_wall(opens.at)),
            closes_at: next.closes.and_then(|closes| on_the_wall(closes.at)),
        };
        all.push((reminder, last));
    }
    // Of those that can go on now, the one that was last worked at comes first.
    all.sort_by_key(|(one, last)| (one.opens_at, Reverse(*last)));
    Ok(web::Json(all.into_iter().map(|(one, _)| one).collect()))
}
