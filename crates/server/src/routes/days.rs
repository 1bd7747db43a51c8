//! The days of a plan and of a batch: when the hands are needed, in the maker's hours, beside all
//! else that takes those up.

use actix_web::http::header::{CONTENT_DISPOSITION, CONTENT_TYPE};
use actix_web::{HttpResponse, get, web};
use chrono::{DateTime, TimeDelta, Utc};
use chrono_tz::Tz;
use craft::message::Message;
use craft::note::Note;
use craft::plan::{Plan, PlanInputs};
use craft::schedule::{Broken, Days, Mend, Slot, What};
use craft::steps::Thing;
use craft::units::seconds;
use icalendar::{Alarm, Calendar, CalendarDateTime, Component, Event, EventLike, Trigger};
use serde::{Deserialize, Serialize};
use store::StoreError;
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use crate::agenda::{Agenda, Whose, when_of};
use crate::catalogue::records as say;
use crate::making::Making;
use crate::problem::{Answer, Problem};
use crate::state::State;

mod zones;

/// A sitting that is over sooner is shown as this long in a calendar.
const LEAST: TimeDelta = TimeDelta::minutes(15);
/// A calendar reminds so long before a sitting.
const REMIND: TimeDelta = TimeDelta::minutes(10);

/// By whose clock.
#[derive(Debug, Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
#[serde(deny_unknown_fields)]
pub struct DaysAsked {
    /// The zone of the device that asks, by its IANA name: the hours go by it where the kitchen
    /// has none of its own.
    pub(super) zone: Option<String>,
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
    /// It is over then, washing up with it.
    to: DateTime<Utc>,
    /// It must have been begun by then.
    latest: Option<DateTime<Utc>>,
    /// Whether the maker put it at that time.
    pinned: bool,
    /// Whether a chocolate is tempered in it.
    tempers: bool,
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
            tempers: slot.sitting.tempers,
            from: slot.from,
            to: slot.to,
            latest: slot.latest,
            pinned: slot.pinned,
        }
    }
}

/// What does not hold.
#[derive(Debug, Serialize, ToSchema)]
pub struct DoesNotHold {
    /// The sitting, by its first step.
    step: String,
    /// What, and by how much, in a sentence.
    text: Message,
    /// By so many minutes.
    by_min: f64,
}

/// What would mend it, by itself.
#[derive(Debug, Serialize, ToSchema)]
pub struct MendAnswer {
    /// What, in a sentence.
    text: Message,
    /// When that would be, where it is a beginning.
    at: Option<DateTime<Utc>>,
}

/// What else takes up the maker's hours.
#[derive(Debug, Serialize, ToSchema)]
pub struct TakenUp {
    /// The plan, or the batch.
    id: Uuid,
    /// Whether it is a batch under way.
    batch: bool,
    /// What it is called.
    name: String,
    /// From.
    from: DateTime<Utc>,
    /// To.
    to: DateTime<Utc>,
}

/// Hours in which the maker is free.
#[derive(Debug, Serialize, ToSchema)]
pub struct FreeHours {
    /// From.
    from: DateTime<Utc>,
    /// To.
    to: DateTime<Utc>,
}

/// A plan, or what is left of a batch, over days.
#[derive(Debug, Serialize, ToSchema)]
pub struct DaysAnswer {
    /// The sittings, the soonest first.
    slots: Vec<SlotAnswer>,
    /// The first is begun then; `null` where nothing is left to do.
    begin: Option<DateTime<Utc>>,
    /// The last is done then.
    end: Option<DateTime<Utc>>,
    /// All of it is to be ready by then.
    ready_by: Option<DateTime<Utc>>,
    /// Begun then it still is.
    latest_start: Option<DateTime<Utc>>,
    /// By so much it is late, minutes.
    late_min: f64,
    /// What does not hold.
    broken: Vec<DoesNotHold>,
    /// What would mend that.
    mends: Vec<MendAnswer>,
    /// Remarks.
    notes: Vec<Note>,
    /// When the maker is free, from the day of the first sitting to that of the last, or to when it
    /// must be ready.
    free: Vec<FreeHours>,
    /// What else takes up the hours from the first sitting to the last.
    others: Vec<TakenUp>,
    /// The zone that the hours are in.
    zone: String,
}

impl DaysAnswer {
    fn new(
        days: Option<Days>,
        ready_by: Option<DateTime<Utc>>,
        agenda: &Agenda,
        notes: Vec<Note>,
    ) -> Self {
        let zone = agenda.hours.zone().name().to_owned();
        let Some(days) = days else {
            return Self {
                slots: Vec::new(),
                begin: None,
                end: None,
                ready_by,
                latest_start: None,
                late_min: 0.0,
                broken: Vec::new(),
                mends: Vec::new(),
                notes,
                free: Vec::new(),
                others: Vec::new(),
                zone,
            };
        };
        let (begin, end) = (days.begin, days.end.max(ready_by.unwrap_or(days.end)));
        let others = agenda.taking.iter().flat_map(|taking| {
            let slots = taking.days.iter().flat_map(|days| &days.slots);
            let near = slots.filter(|slot| slot.to > begin && slot.from < end);
            near.map(|slot| TakenUp {
                id: taking.id,
                batch: taking.batch,
                name: taking.name.clone(),
                from: slot.from,
                to: slot.to,
            })
        });
        let others = others.collect();
        let broken = days.broken.iter().map(|broken| does_not_hold(broken, &days.slots)).collect();
        let mends = days.mends.iter().map(|mend| mended_by(mend, &days.slots)).collect();
        Self {
            begin: Some(days.begin),
            end: Some(days.end),
            ready_by,
            latest_start: days.latest_start,
            late_min: crate::answer::round(days.late_min, 1),
            broken,
            mends,
            notes,
            free: free_hours(agenda, begin, end),
            others,
            zone,
            slots: days.slots.into_iter().map(Into::into).collect(),
        }
    }
}

/// When the maker is free on the days from one moment to another.
fn free_hours(agenda: &Agenda, begin: DateTime<Utc>, end: DateTime<Utc>) -> Vec<FreeHours> {
    let day = TimeDelta::days(1);
    let free = agenda.hours.free(begin - day, end + day);
    let moment = |s| DateTime::from_timestamp(s, 0).unwrap_or(begin);
    free.spans()
        .iter()
        .map(|(from, to)| FreeHours { from: moment(*from), to: moment(*to) })
        .collect()
}

/// What a sitting is called: its line, and its first step.
fn called(slots: &[Slot], step: &str) -> Message {
    let slot = slots.iter().find(|slot| slot.sitting.step == step);
    let first = slot.and_then(|slot| slot.sitting.texts.first().cloned());
    match (slot, first) {
        (Some(slot), Some(first)) => say::sitting(&slot.sitting.name, first),
        _ => say::sitting(step, say::a_sitting()),
    }
}

/// A time as one says it.
fn how_long(time: TimeDelta) -> Message {
    let hours = time.as_seconds_f64() / 3_600.0;
    if hours < 1.5 {
        say::some_minutes(seconds(time.as_seconds_f64()))
    } else {
        say::some_hours(crate::answer::round(hours, 1))
    }
}

fn does_not_hold(broken: &Broken, slots: &[Slot]) -> DoesNotHold {
    let by = how_long(TimeDelta::seconds((broken.by_min * 60.0) as i64));
    let name = called(slots, &broken.key);
    let text = match broken.what {
        What::MostWait => say::waits_too_long(name, by),
        What::HeldInTemper => say::tempered_once_more(name, by),
        What::Keeps => say::keeps_too_short(name, by),
        What::Hours => say::longer_than_hours(name, by),
        What::Pinned => say::not_at_that_time(name, by),
    };
    DoesNotHold { step: broken.key.clone(), text, by_min: crate::answer::round(broken.by_min, 1) }
}

fn one_more(thing: &Thing, name: &str) -> Message {
    match thing {
        Thing::Mould(_) | Thing::MouldOf(_) => say::mend_second_mould(name),
        Thing::Tray(_) => say::mend_second_tray(name),
        Thing::Ware(_) => say::mend_second_bowl(name),
        Thing::Heat(_) => say::mend_second_heat(name),
        Thing::Stone => say::mend_second_stone(name),
        Thing::Fridge => say::mend_fridge(),
    }
}

fn mended_by(mend: &Mend, slots: &[Slot]) -> MendAnswer {
    let name = |component: &str| {
        let slot = slots.iter().find(|slot| slot.sitting.component == component);
        // Casts are numbered after a comma.
        let line = slot.map_or(component, |slot| slot.sitting.name.as_str());
        line.split(", cast ").next().unwrap_or(line).to_owned()
    };
    let (text, at) = match mend {
        Mend::BeginBy(at) => (say::mend_begin_by(), Some(*at)),
        Mend::SecondPair => (say::mend_second_pair(), None),
        Mend::OneMore(thing, of) => (one_more(thing, &name(of)), None),
        Mend::Without(of) => (say::mend_without(name(of)), None),
        Mend::Unpinned => (say::mend_unpinned(), None),
    };
    MendAnswer { text, at }
}

/// What there is to say of when it is made: times that have passed.
fn notes(filled: &PlanInputs, now: DateTime<Utc>) -> Vec<Note> {
    let Some(when) = &filled.when else { return Vec::new() };
    let mut notes = Vec::new();
    if when.ready_by.is_some_and(|at| at < now) {
        notes.push(Note::caution("ready-by-passed", say::ready_by_passed()));
    }
    if when.begin.is_some_and(|at| at < now) {
        notes.push(Note::info("begin-passed", say::begin_passed()));
    }
    notes
}

struct Scheduled {
    name: String,
    days: Option<Days>,
    agenda: Agenda,
    ready_by: Option<DateTime<Utc>>,
    notes: Vec<Note>,
}

async fn scheduled(state: &State, id: Uuid, asked: &DaysAsked) -> Answer<Scheduled> {
    let plan = super::plans::in_use(state, id).await?;
    let stated = plan.inputs.map_err(StoreError::from)?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    let filled = on_shelf.shelf.fill(&stated)?;
    let agenda = Agenda::before(state, asked.zone.as_deref(), Whose::Plan(id)).await?;
    let planned = Plan::of(&filled)?;
    let days = agenda.days_of(&filled, &planned)?;
    let notes = notes(&filled, agenda.now);
    let ready_by = stated.when.and_then(|when| when.ready_by);
    Ok(Scheduled { name: plan.name, days, agenda, ready_by, notes })
}

/// The days of a plan: its sittings in the maker's hours, beside what else takes those up.
#[utoipa::path(tag = "plans", operation_id = "read_days", params(DaysAsked), responses(
    (status = 200, body = DaysAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/plans/{id}/days")]
pub async fn read(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<web::Json<DaysAnswer>> {
    let of = scheduled(&state, *id, &asked).await?;
    Ok(web::Json(DaysAnswer::new(of.days, of.ready_by, &of.agenda, of.notes)))
}

/// What is left of a batch, from what has happened: its sittings in the maker's hours.
#[utoipa::path(tag = "guide", operation_id = "read_days_left", params(DaysAsked), responses(
    (status = 200, body = DaysAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/batches/{id}/days")]
pub async fn left(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<web::Json<DaysAnswer>> {
    let making = Making::read(&state, *id).await?;
    let agenda = Agenda::before(&state, asked.zone.as_deref(), Whose::Batch(*id)).await?;
    let when = when_of(&state, *id).await?;
    let days = agenda.rest_of(&making, &when, state.wall.now())?;
    Ok(web::Json(DaysAnswer::new(days, when.ready_by, &agenda, Vec::new())))
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
    let Scheduled { name, days, agenda, .. } = scheduled(&state, *id, &asked).await?;
    let zone = agenda.hours.zone();
    let slots = days.map_or_else(Vec::new, |days| days.slots);
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
