//! The schedule of a plan: when the hands are needed, and how long the waits between.

use actix_web::http::header::{CONTENT_DISPOSITION, CONTENT_TYPE};
use actix_web::{HttpResponse, get, web};
use chrono::{DateTime, NaiveTime, TimeDelta, Utc};
use chrono_tz::Tz;
use craft::check::Checker;
use craft::message::Message;
use craft::plan::Plan;
use craft::schedule::{Day, Slot, sittings, slots, zone};
use craft::shelf::{Shelf, Thing};
use craft::steps::lines;
use craft::time::Timestamp;
use icalendar::{Alarm, Calendar, CalendarDateTime, Component, Event, EventLike, Trigger};
use serde::{Deserialize, Serialize};
use store::StoreError;
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use crate::catalogue::records as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

mod zones;

/// The hours in which most are up.
const UP: [&str; 2] = ["08:00", "22:00"];
/// A sitting that is over sooner is shown as this long in a calendar.
const LEAST: TimeDelta = TimeDelta::minutes(15);
/// A calendar reminds so long before a sitting.
const REMIND: TimeDelta = TimeDelta::minutes(10);

/// When it is begun, and when the maker is up.
#[derive(Debug, Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
#[serde(deny_unknown_fields)]
pub struct DaysAsked {
    /// When the first sitting may begin; now, if left out.
    #[param(value_type = Option<DateTime<Utc>>)]
    start: Option<Timestamp>,
    /// The day starts, by the clock on the wall: `08:00` if left out.
    up_from: Option<String>,
    /// The day ends: `22:00` if left out.
    up_to: Option<String>,
    /// The zone that clock is in, by its IANA name; the kitchen's, if left out.
    zone: Option<String>,
}

/// A sitting: what is done in one go.
#[derive(Debug, Serialize, ToSchema)]
pub struct SlotAnswer {
    /// The component's key.
    component: String,
    /// The key of its line of steps.
    line: String,
    /// What the maker calls that.
    name: String,
    /// The key of its first step.
    step: String,
    /// What is done.
    texts: Vec<Message>,
    /// What was waited for; empty for the first.
    waits_for: Option<Message>,
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
            line: slot.sitting.line,
            name: slot.sitting.name,
            step: slot.sitting.step,
            texts: slot.sitting.texts,
            waits_for: slot.sitting.waits_for,
            from: slot.from,
            to: slot.to,
            latest: slot.latest,
            in_the_night: slot.in_the_night,
        }
    }
}

impl DaysAsked {
    fn day(&self, kitchen: Option<&str>) -> Answer<Day> {
        let mut check = Checker::new();
        let mut hour = |name: &str, given: &Option<String>, usual: &str| {
            let text = given.as_deref().unwrap_or(usual);
            let time = NaiveTime::parse_from_str(text, "%H:%M");
            time.unwrap_or_else(|_| {
                check.fault(name, say::a_time_such_as(usual, text));
                NaiveTime::MIN
            })
        };
        let from = hour("up_from", &self.up_from, UP[0]);
        let to = hour("up_to", &self.up_to, UP[1]);
        if !check.has_faults() && from >= to {
            check.fault("up_to", say::later_than(from.format("%H:%M").to_string()));
        }
        let name = self.zone.as_deref().or(kitchen).unwrap_or("UTC");
        let zone = zone("zone", name, &mut check);
        check.finish()?;
        Ok(Day { from, to, zone })
    }
}

struct Scheduled {
    name: String,
    slots: Vec<Slot>,
    zone: Tz,
}

async fn scheduled(state: &State, id: Uuid, asked: &DaysAsked) -> Answer<Scheduled> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    let kitchen = on_shelf.rows.iter().find(|row| row.id == Shelf::KITCHEN);
    let zone = kitchen.and_then(|row| match &row.thing {
        Ok(Thing::Kitchen(kitchen)) => kitchen.zone.as_deref(),
        _ => None,
    });
    let day = asked.day(zone)?;
    let plan = super::plans::in_use(state, id).await?;
    let stated = plan.inputs.map_err(StoreError::from)?;
    let planned = Plan::of(&on_shelf.shelf.fill(&stated)?)?;
    let start = asked.start.map_or_else(|| state.wall.now().0, |start| start.0);
    let slots = slots(&sittings(&lines(&planned)), start, day);
    Ok(Scheduled { name: plan.name, slots, zone: day.zone })
}

/// The sittings of a plan, each as soon as it may be, in the hours in which the maker
/// is up.
#[utoipa::path(tag = "plans", operation_id = "read_days", params(DaysAsked), responses(
    (status = 200, body = [SlotAnswer]), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/plans/{id}/days")]
pub async fn read(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<web::Json<Vec<SlotAnswer>>> {
    let scheduled = scheduled(&state, *id, &asked).await?;
    Ok(web::Json(scheduled.slots.into_iter().map(Into::into).collect()))
}

/// The same as a calendar file (iCalendar, RFC 5545), with a reminder at each.
#[utoipa::path(tag = "plans", operation_id = "save_calendar", params(DaysAsked), responses(
    (status = 200, content_type = "text/calendar", body = String), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/plans/{id}/calendar")]
pub async fn calendar(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<HttpResponse> {
    let Scheduled { name, slots, zone } = scheduled(&state, *id, &asked).await?;
    let mut calendar = Calendar::empty();
    calendar.append_property(("VERSION", "2.0"));
    calendar.append_property(("PRODID", "-//Wide Sheen//schedule//EN"));
    calendar.name(&name);
    calendar.timezone(zone.name());
    let span = slots.first().map(|slot| slot.from).zip(slots.iter().map(|slot| slot.to).max());
    if let Some((from, to)) = span {
        calendar.extend(zones::described(zone, from, to));
    }
    let stamp = state.wall.now().0;
    for slot in &slots {
        calendar.push(event(*id, slot, stamp, zone));
    }
    Ok(HttpResponse::Ok()
        .insert_header((CONTENT_TYPE, "text/calendar; charset=utf-8"))
        .insert_header((CONTENT_DISPOSITION, "attachment; filename=\"wide-sheen-schedule.ics\""))
        .body(calendar.done().to_string()))
}

fn event(plan: Uuid, slot: &Slot, stamp: DateTime<Utc>, zone: Tz) -> Event {
    let sitting = &slot.sitting;
    let first = sitting.texts.first().map(Message::text).unwrap_or_default();
    let local = |at: DateTime<Utc>| CalendarDateTime::WithTimezone {
        date_time: at.with_timezone(&zone).naive_local(),
        tzid: zone.name().to_owned(),
    };
    let mut text: Vec<String> = Vec::new();
    if let Some(waits_for) = &sitting.waits_for {
        text.push(format!("Not before: {waits_for}."));
    }
    if let Some(latest) = slot.latest {
        let latest = latest.with_timezone(&zone).format("%Y-%m-%d %H:%M");
        text.push(format!("Begin by {latest} at the latest."));
    }
    text.extend(sitting.texts.iter().map(Message::to_string));
    // The same sitting brought in again takes the place of the first.
    let uid = Uuid::new_v5(&plan, sitting.step.as_bytes());
    let mut alarm = Alarm::display(&first, Trigger::before_start(REMIND));
    alarm.uid(&format!("alarm-{uid}"));
    Event::new()
        .uid(&format!("{uid}@wide-sheen"))
        .timestamp(stamp)
        .summary(&format!("{}: {first}", sitting.name))
        .description(&text.join("\n"))
        .starts(local(slot.from))
        .ends(local(slot.to.max(slot.from + LEAST)))
        .alarm(alarm)
        .done()
}
