//! A batch's steps: what is to be done next, and what was done.

use actix_web::{HttpResponse, get, post, put, web};
use chrono::TimeDelta;
use craft::batch::{Event, EventKind, ends_bowl, guide};
use craft::bowl::{Action, ActionKind};
use craft::check::{Bounds, Checker};
use craft::message::names;
use craft::time::{Timestamp, WallTime};
use serde::Deserialize;
use store::batches::ClockRow;
use store::bowls::BowlStatus;
use store::hands::HandRow;
use store::{Connection, Sent};
use trust::Role;
use utoipa::ToSchema;
use uuid::Uuid;

use super::sent::sent_as;
use crate::answer::guide::{GuideAnswer, InHand, OfSteps};
use crate::body::Body;
use crate::catalogue::records as say;
use crate::clock::kitchen_time;
use crate::live::Heard;
use crate::making::{Making, at_bench, finalize_bowl, pour_of, teach_setting};
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::taking::take_goods;
use crate::who::Who;

/// Three days go by in a minute or two: what rests overnight can be tried out.
const FASTEST: f64 = 3_600.0;
const RATE: Bounds = Bounds { min: 0.0, max: FASTEST, unit: "times real time" };
/// As far ahead as time is skipped at once: fillings and flavours rest for days, not months.
const FARTHEST: TimeDelta = TimeDelta::days(31);
/// A step that was taken in hand and forgotten is free again.
const HELD_FOR: TimeDelta = TimeDelta::minutes(30);
/// What the screen of the machine that serves is called.
const MAIN_SCREEN: &str = "the main screen";
/// The longest key of a step.
const LONGEST_KEY: usize = 100;

/// Something that was done, or is taken back.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
pub enum NewEvent {
    /// A step was done.
    Done {
        /// Made by the sender, so that sending twice keeps one.
        id: Uuid,
        /// When; now, if left out.
        at: Option<Timestamp>,
        /// The step's key.
        step: String,
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
    /// It was begun by mistake: what was done up to here does not count.
    StartedOver {
        /// Made by the sender, so that sending twice keeps one.
        id: Uuid,
    },
}

/// A step, and whether it is in one's own hands.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Hand {
    /// The step's key.
    step: String,
    /// Whether it is taken in hand; else it is let go of.
    mine: bool,
    /// Whether it is taken out of another's hands, which only the maker may.
    #[serde(default)]
    take_over: bool,
}

/// How a batch's time is to run.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BatchClock {
    /// Kitchen seconds per real second, 0 to 3600: 1 in a real kitchen.
    rate: f64,
    /// Moves on to this moment of the batch's time, if it is still ahead; at most 31 days.
    skip_to: Option<Timestamp>,
}

pub(super) async fn answer(state: &State, making: &Making) -> Answer<GuideAnswer> {
    let bowls = making.bowl_states_at(&at_bench(state, making).await?);
    let clock = state.clock_answer(making.batch.clock, false);
    let guide = guide(&making.lines, &making.events, &bowls, clock.now);
    let last = craft::batch::last_standing(&making.events);
    let undo_for_helper = last.is_some_and(|event| is_for_a_helper(done_by(event, making), making));
    let last = (last, undo_for_helper);
    let of_steps = of_steps(state, making).await?;
    let stands = (&making.batch, making.standing());
    let bowl = |key: &str| making.open_bowl(key);
    Ok(GuideAnswer::new(stands, guide, last, clock, &of_steps, bowl))
}

/// Whose hands steps are in, and on which device they were ticked off.
async fn of_steps(state: &State, making: &Making) -> Answer<OfSteps> {
    let (batch_id, now) = (making.batch.id, state.wall.now());
    let hands = store::hands::of_batch(&state.pool, batch_id, now.after(-HELD_FOR)).await?;
    let entered_by = store::entered_by::of_steps(&state.pool, batch_id).await?;
    let done = craft::batch::done_by(&making.events).into_iter();
    let on = |(step, event): (&str, Uuid)| Some((step.to_owned(), entered_by.get(&event)?.clone()));
    let in_hand =
        |hand: HandRow| (hand.step, InHand { device_id: hand.device_id, device: hand.device });
    Ok(OfSteps {
        in_hand: hands.into_iter().map(in_hand).collect(),
        done_on: done.filter_map(on).collect(),
    })
}

/// What is to be done of a batch, and what was.
#[utoipa::path(tag = "guide", operation_id = "read_guide", responses(
    (status = 200, body = GuideAnswer), (status = 404, body = Problem), (status = 409, body = Problem)))]
#[get("/batches/{id}/guide")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<web::Json<GuideAnswer>> {
    let making = Making::read(&state, *id).await?;
    Ok(web::Json(answer(&state, &making).await?))
}

/// Sets the pace of a batch's time, or skips to a moment ahead: to try it out. While a bowl is
/// measured by a real thermometer its time is the wall's.
#[utoipa::path(tag = "guide", operation_id = "set_clock", request_body = BatchClock, responses(
    (status = 200, body = GuideAnswer), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 422, body = Problem)))]
#[put("/batches/{id}/clock")]
pub async fn set_clock(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(setting): Body<BatchClock>,
) -> Answer<web::Json<GuideAnswer>> {
    let mut check = Checker::new();
    check.number("rate", setting.rate, RATE);
    check.finish()?;
    let real = state.wall.now();
    let clock = state
        .whole(async |tx: &mut Connection| {
            let making = Making::lock(tx, *id).await?;
            let now = kitchen_time(making.batch.clock, real);
            let kitchen = setting.skip_to.map_or(now, |to| to.0.max(now));
            if kitchen - now > FARTHEST {
                let days = FARTHEST.num_days();
                return Err(Problem::bad_field("skip_to", say::at_most_days_ahead(days as f64)));
            }
            let clock = ClockRow { real, kitchen, rate: setting.rate };
            keep_clock(tx, &making, clock, kitchen > now).await?;
            Ok(clock)
        })
        .await?;
    state.clocks.set(*id, clock);
    state.live.batch_changed(*id);
    pace_thermometers(&state, *id).await?;
    let making = Making::read(&state, *id).await?;
    Ok(web::Json(answer(&state, &making).await?))
}

/// Keeps a clock, where no real bowl stands in its way.
pub(super) async fn keep_clock(
    tx: &mut Connection,
    making: &Making,
    clock: ClockRow,
    skips: bool,
) -> Answer<()> {
    #[allow(clippy::float_cmp)] // exactly one is what real time is
    let real_time = clock.rate == 1.0 && !skips;
    let rehearsed = making.bowls.iter().any(|bowl| bowl.simulated);
    let real_bowl = |b: &store::bowls::BowlLine| b.status == BowlStatus::Open && !b.simulated;
    if !real_time && making.bowls.iter().any(real_bowl) {
        return Err(Problem::conflict(
            "A bowl of this batch is at the bench with a real thermometer: real chocolate keeps real time.",
        ));
    }
    store::batches::set_clock(&mut *tx, making.batch.id, clock, real_time && !rehearsed).await?;
    let change = store::changes::Change::Batch(making.batch.id);
    Ok(store::changes::note(tx, change, clock.real).await?)
}

/// Starts the simulated thermometers of a batch anew, at its pace now.
pub(super) async fn pace_thermometers(state: &State, id: Uuid) -> Answer<()> {
    for bowl in store::bowls::of_batch(&state.pool, id).await? {
        if bowl.simulated && bowl.status == BowlStatus::Open {
            state.start_thermometer(bowl.id);
        } else {
            state.thermometers.stop(bowl.id);
        }
    }
    Ok(())
}

/// Keeps what was done: `201` where it is new, `200` where it was kept already.
#[utoipa::path(tag = "guide", operation_id = "append_step_event", request_body = NewEvent, responses(
    (status = 201, body = GuideAnswer), (status = 200, body = GuideAnswer), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/events")]
pub async fn append(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    who: Who,
    Body(new): Body<NewEvent>,
) -> Answer<HttpResponse> {
    let wall = state.wall.now();
    let on_shelf = state.shelf.read(&state.pool).await?;
    let (sent, poured) = state
        .whole(async |tx: &mut Connection| {
            let mut making = Making::lock(tx, *id).await?;
            let now = kitchen_time(making.batch.clock, wall);
            let event = event(&new, &making, now)?;
            if who.role() == Role::Helper {
                for_a_helper(&event, &making)?;
            }
            // What is sent once more, because its answer was lost, was checked before.
            let is_known = making.events.iter().any(|known| known.id == event.id);
            if let (EventKind::Done { step, .. }, false) = (&event.kind, is_known) {
                check_hands(tx, *id, step, (&who, wall)).await?;
            }
            let sent = store::steps::append(tx, *id, &event).await?;
            if let (Sent::New, Some(device)) = (sent, who.name()) {
                store::entered_by::note(&mut *tx, *id, event.id, device).await?;
            }
            let poured = if sent == Sent::New {
                let at_the_bench = at_the_bench(tx, &making, &event).await?;
                making.events.push(event);
                teach_setting(tx, &making, wall).await?;
                take_goods(tx, &making, &on_shelf, wall).await?;
                if let Some((bowl_id, action)) = &at_the_bench {
                    store::actions::append(tx, *bowl_id, action, wall).await?;
                    let bowl = store::bowls::get(&mut *tx, *bowl_id).await?;
                    finalize_bowl(tx, &bowl, making.batch.clock, wall).await?;
                } else {
                    making.keep_standing(tx, wall).await?;
                }
                at_the_bench
            } else {
                None
            };
            Ok((sent, poured))
        })
        .await?;
    if let Some((bowl_id, action)) = poured {
        state.live.heard(bowl_id, Heard::Action(action));
    }
    if sent == Sent::New {
        state.shelf.changed().await;
    }
    state.live.guides.touch(*id);
    let making = Making::read(&state, *id).await?;
    Ok(sent_as(sent).json(answer(&state, &making).await?))
}

/// Takes a step in hand, or lets go of it: while somebody has it, nobody else ticks it off.
#[utoipa::path(tag = "guide", operation_id = "take_in_hand", request_body = Hand, responses(
    (status = 200, body = GuideAnswer), (status = 403, body = Problem), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[put("/batches/{id}/hands")]
pub async fn take_in_hand(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    who: Who,
    Body(hand): Body<Hand>,
) -> Answer<web::Json<GuideAnswer>> {
    let wall = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            let making = Making::lock(tx, *id).await?;
            let mut check = Checker::new();
            check_step(&mut check, &making, &hand.step);
            check.finish()?;
            if who.role() == Role::Helper && !is_for_a_helper(Some(&hand.step), &making) {
                return Err(Problem::not_yours("This step is the maker's to do."));
            }
            let over = hand.take_over && who.role() == Role::Maker;
            if !over {
                check_others(tx, *id, &hand.step, (&who, wall)).await?;
            }
            if hand.mine {
                let (device_id, device) = (who.device_id(), who.name().unwrap_or(MAIN_SCREEN));
                let step = hand.step.clone();
                let row = HandRow { step, device_id, device: device.to_owned(), at: wall };
                store::hands::take(&mut *tx, *id, &row).await?;
            } else {
                store::hands::let_go(&mut *tx, *id, &hand.step).await?;
            }
            Ok(())
        })
        .await?;
    state.live.guides.touch(*id);
    let making = Making::read(&state, *id).await?;
    Ok(web::Json(answer(&state, &making).await?))
}

/// A step that somebody else has in hand is not taken too.
async fn check_others(
    tx: &mut Connection,
    batch_id: Uuid,
    step: &str,
    (who, now): (&Who, WallTime),
) -> Answer<()> {
    let hands = store::hands::of_batch(&mut *tx, batch_id, now.after(-HELD_FOR)).await?;
    match hands.iter().find(|hand| hand.step == step && hand.device_id != who.device_id()) {
        Some(other) => {
            Err(Problem::conflict(format!("{} has this step in hand.", capitalised(&other.device))))
        }
        None => Ok(()),
    }
}

/// The same of a step that was done; nobody has it in hand any more.
async fn check_hands(
    tx: &mut Connection,
    batch_id: Uuid,
    step: &str,
    whose: (&Who, WallTime),
) -> Answer<()> {
    check_others(tx, batch_id, step, whose).await?;
    Ok(store::hands::let_go(&mut *tx, batch_id, step).await?)
}

/// The same with a capital letter, at the beginning of a sentence.
fn capitalised(name: &str) -> String {
    let mut letters = name.chars();
    letters.next().map(|first| first.to_uppercase().chain(letters).collect()).unwrap_or_default()
}

/// A step is one of the batch's own.
fn check_step(check: &mut Checker, making: &Making, step: &str) {
    check.text("step", step, LONGEST_KEY);
    let known = || making.lines.iter().flat_map(|line| &line.steps);
    if !check.has_faults() && known().all(|known| known.key != step) {
        check.fault("step", say::one_of(names(known().map(|step| &step.key))));
    }
}

fn event(new: &NewEvent, making: &Making, now: chrono::DateTime<chrono::Utc>) -> Answer<Event> {
    match new {
        NewEvent::Done { id, at, step, just_now } => {
            let mut check = Checker::new();
            let at = at.map_or(now, |at| at.0);
            super::readings::check_time(&mut check, at, now);
            check_step(&mut check, making, step);
            let tempering = making.lines.iter().filter(|line| line.bowl().is_some());
            if tempering.flat_map(|l| &l.steps).any(|s| s.key == *step && s.task() == "temper") {
                check.fault("step", say::done_at_the_bench());
            }
            check.finish()?;
            let kind = EventKind::Done { step: step.clone(), just_now: *just_now };
            Ok(Event { id: *id, at, kind })
        }
        NewEvent::Undone { id, event } => {
            if making.events.iter().all(|e| e.id != *event) {
                return Err(Problem::bad_field("event", say::event_of_this_batch()));
            }
            Ok(Event { id: *id, at: now, kind: EventKind::Undone { event: *event } })
        }
        NewEvent::StartedOver { id } => {
            Ok(Event { id: *id, at: now, kind: EventKind::StartedOver })
        }
    }
}

/// The step that an event said was done.
fn done_by(event: Uuid, making: &Making) -> Option<&str> {
    making.events.iter().find(|e| e.id == event).and_then(|e| match &e.kind {
        EventKind::Done { step, .. } => Some(step.as_str()),
        EventKind::Undone { .. } | EventKind::StartedOver => None,
    })
}

/// Whether a step is one that a helper may do.
fn is_for_a_helper(step: Option<&str>, making: &Making) -> bool {
    let mut known = making.lines.iter().flat_map(|line| &line.steps);
    step.is_some_and(|key| known.any(|known| known.key == key && known.is_for_a_helper()))
}

/// A helper says of safe steps alone that they were done, or that they were not.
fn for_a_helper(event: &Event, making: &Making) -> Answer<()> {
    let step = match &event.kind {
        EventKind::Done { step, .. } => Some(step.as_str()),
        EventKind::Undone { event } => done_by(*event, making),
        EventKind::StartedOver => None,
    };
    if is_for_a_helper(step, making) {
        Ok(())
    } else {
        Err(Problem::not_yours("This step is the maker's to do."))
    }
}

/// What an event is at the bench: the last pour from a bowl ends that bowl, and taking it
/// back opens it again.
async fn at_the_bench(
    tx: &mut Connection,
    making: &Making,
    event: &Event,
) -> Answer<Option<(Uuid, Action)>> {
    match &event.kind {
        EventKind::Done { step, .. } => {
            // Whoever ticks a pour off has it in temper.
            let bowls = making.bowl_states(|_| true);
            let Some((chocolate, _)) = ends_bowl(&making.lines, &making.events, &bowls, step)
            else {
                return Ok(None);
            };
            Ok(making.open_bowl(chocolate).map(|bowl_id| {
                let action =
                    Action { id: pour_of(event.id), at: event.at, kind: ActionKind::Poured };
                (bowl_id, action)
            }))
        }
        EventKind::Undone { event: undone } => {
            let pour = pour_of(*undone);
            for bowl in &making.bowls {
                let actions = store::actions::of_bowl(&mut *tx, bowl.id).await?;
                let undone_before =
                    actions.iter().any(|a| a.kind == (ActionKind::Undone { action: pour }));
                if actions.iter().any(|a| a.id == pour) && !undone_before {
                    let kind = ActionKind::Undone { action: pour };
                    let action = Action { id: pour_of(event.id), at: event.at, kind };
                    return Ok(Some((bowl.id, action)));
                }
            }
            Ok(None)
        }
        EventKind::StartedOver => Ok(None),
    }
}
