//! The days of a batch: when the hands are needed, and how long the waits between.

use actix_web::http::header::{CONTENT_DISPOSITION, CONTENT_TYPE};
use actix_web::{HttpResponse, get, web};
use chrono::{DateTime, FixedOffset, NaiveTime, Utc};
use craft::check::{self, Checker};
use craft::plan::{Day, Plan, Slot, sittings, slots};
use icalendar::{Alarm, Calendar, Component, Event, EventLike, Property, Trigger};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use crate::problem::{Answer, Problem};
use crate::state::State;

/// The hours in which most are up.
const UP: [&str; 2] = ["08:00", "22:00"];
/// A sitting that is over sooner is shown as this long in a calendar.
const LEAST: chrono::TimeDelta = chrono::TimeDelta::minutes(15);
/// A calendar reminds so long before a sitting.
const REMIND: chrono::TimeDelta = chrono::TimeDelta::minutes(10);

/// When it is begun, and when the maker is up.
#[derive(Debug, Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
#[serde(deny_unknown_fields)]
pub struct DaysAsked {
    /// When the first sitting may begin; now, if left out.
    start: Option<DateTime<Utc>>,
    /// Up from, by the clock on the wall: `08:00` if left out.
    up_from: Option<String>,
    /// Up until: `22:00` if left out.
    up_to: Option<String>,
    /// What that clock is ahead of UTC, in minutes.
    #[serde(default)]
    utc_offset_min: i32,
}

/// A sitting: what is done in one go.
#[derive(Debug, Serialize, ToSchema)]
pub struct SlotAnswer {
    /// The component's key.
    component: String,
    /// The component's name.
    name: String,
    /// The key of its first task.
    task: String,
    /// What is done.
    texts: Vec<String>,
    /// What was waited for; empty for the first.
    waits_for: String,
    /// The wait before it at the least, hours.
    least_h: f64,
    /// At the most, hours; `null` where any wait does.
    most_h: Option<f64>,
    /// It is begun then.
    from: DateTime<Utc>,
    /// It is over then.
    to: DateTime<Utc>,
    /// It must have been begun by then.
    latest: Option<DateTime<Utc>>,
    /// Whether it does not fit in the hours in which the maker is up.
    in_the_night: bool,
}

impl From<Slot> for SlotAnswer {
    fn from(slot: Slot) -> Self {
        let hours = |time| crate::answer::round(craft::units::in_seconds(time) / 3_600.0, 2);
        Self {
            least_h: hours(slot.sitting.least),
            most_h: slot.sitting.most.map(hours),
            component: slot.sitting.component,
            name: slot.sitting.name,
            task: slot.sitting.task,
            texts: slot.sitting.texts,
            waits_for: slot.sitting.waits_for.to_owned(),
            from: slot.from,
            to: slot.to,
            latest: slot.latest,
            in_the_night: slot.in_the_night,
        }
    }
}

impl DaysAsked {
    fn day(&self) -> Answer<Day> {
        let mut check = Checker::new();
        let mut hour = |name: &str, given: &Option<String>, usual: &str| {
            let text = given.as_deref().unwrap_or(usual);
            let time = NaiveTime::parse_from_str(text, "%H:%M");
            time.unwrap_or_else(|_| {
                check.fault(name, format!("must be a time such as {usual}; it is {text}"));
                NaiveTime::MIN
            })
        };
        let from = hour("up_from", &self.up_from, UP[0]);
        let to = hour("up_to", &self.up_to, UP[1]);
        if !check.has_faults() && from >= to {
            check.fault("up_to", format!("must be later than up_from, {}", from.format("%H:%M")));
        }
        let minutes =
            check.number("utc_offset_min", f64::from(self.utc_offset_min), check::UTC_OFFSET_MIN);
        check.finish()?;
        let ahead = FixedOffset::east_opt(minutes as i32 * 60);
        let ahead =
            ahead.ok_or_else(|| Problem::bad_field("utc_offset_min", "must be within a day"))?;
        Ok(Day { from, to, ahead })
    }
}

async fn planned(state: &State, id: Uuid, asked: &DaysAsked) -> Answer<Vec<Slot>> {
    let day = asked.day()?;
    let stated = store::batches::plan(&state.pool, id).await?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    let plan = Plan::of(&on_shelf.shelf.fill(&stated.inputs)?)?;
    let start = asked.start.unwrap_or_else(|| state.wall.now());
    Ok(slots(&sittings(&plan), start, day))
}

/// The sittings of a batch, each as soon as it may be, in the hours in which the maker
/// is up.
#[utoipa::path(tag = "plan", operation_id = "read_days", params(DaysAsked), responses(
    (status = 200, body = [SlotAnswer]), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/batches/{id}/days")]
pub async fn read(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<web::Json<Vec<SlotAnswer>>> {
    let slots = planned(&state, *id, &asked).await?;
    Ok(web::Json(slots.into_iter().map(Into::into).collect()))
}

/// The same as a calendar file (iCalendar, RFC 5545), with a reminder at each.
#[utoipa::path(tag = "plan", operation_id = "save_calendar", params(DaysAsked), responses(
    (status = 200, content_type = "text/calendar", body = String), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/batches/{id}/calendar")]
pub async fn calendar(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<HttpResponse> {
    let slots = planned(&state, *id, &asked).await?;
    let name = store::batches::get(&state.pool, *id).await?.name;
    let mut calendar = Calendar::new().name(&name).done();
    calendar.append_property(Property::new("PRODID", "-//Wide Sheen//batch//EN"));
    let stamp = state.wall.now();
    for slot in &slots {
        calendar.push(event(*id, slot, stamp));
    }
    Ok(HttpResponse::Ok()
        .insert_header((CONTENT_TYPE, "text/calendar; charset=utf-8"))
        .insert_header((CONTENT_DISPOSITION, "attachment; filename=\"wide-sheen-days.ics\""))
        .body(calendar.to_string()))
}

fn event(batch: Uuid, slot: &Slot, stamp: DateTime<Utc>) -> Event {
    let sitting = &slot.sitting;
    let first = sitting.texts.first().map_or("", String::as_str);
    let mut text: Vec<String> = Vec::new();
    if !sitting.waits_for.is_empty() {
        text.push(format!("Not before: {}.", sitting.waits_for));
    }
    if let Some(latest) = slot.latest {
        text.push(format!("Begin by {} UTC at the latest.", latest.format("%Y-%m-%d %H:%M")));
    }
    text.extend(sitting.texts.iter().cloned());
    // The same sitting brought in again takes the place of the first.
    let uid = format!("{batch}-{}-{}@wide-sheen", sitting.component, sitting.task);
    let mut alarm = Alarm::display(first, Trigger::before_start(REMIND));
    alarm.uid(&format!("alarm-{uid}"));
    Event::new()
        .uid(&uid)
        .timestamp(stamp)
        .summary(&format!("{}: {first}", sitting.name))
        .description(&text.join("\n"))
        .starts(slot.from)
        .ends(slot.to.max(slot.from + LEAST))
        .alarm(alarm)
        .done()
}
