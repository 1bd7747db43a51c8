//! Actions: append-only.

use std::collections::BTreeMap;

use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, Utc};
use craft::batch::EventKind;
use craft::bowl::{Action, ActionKind, Entry, Record};
use craft::check::Checker;
use craft::time::{Timestamp, WallTime};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use store::bowls::BowlStatus;
use store::{Connection, Sent};
use utoipa::ToSchema;
use uuid::Uuid;

use super::readings::check_time;
use super::sent::sent_as;
use crate::answer::action::{ActionAnswer, EntryAnswer};
use crate::body::Body;
use crate::catalogue::records as say;
use crate::clock::kitchen_time;
use crate::live::Heard;
use crate::making::{Making, finalize_bowl, finalizes_bowl, pour_of};
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::who::Who;

/// An action to be kept.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
pub struct NewAction {
    /// Made by the sender, so that sending twice keeps one.
    pub id: Option<Uuid>,
    /// When it was done; now, if left out. What was forgotten can be entered late: from when
    /// its bowl was opened on.
    pub at: Option<Timestamp>,
    /// What was done.
    #[serde(flatten)]
    pub entry: Entry,
    /// What is none of these.
    #[serde(flatten)]
    #[schema(ignore)]
    rest: BTreeMap<String, Value>,
}

impl NewAction {
    /// An action as it was kept.
    #[must_use]
    pub fn kept(action: &Action) -> Self {
        Self {
            id: Some(action.id),
            at: Some(Timestamp(action.at)),
            entry: (&action.kind).into(),
            rest: BTreeMap::new(),
        }
    }

    /// What was done, with everything that it needs; faults are noted.
    fn check(self, check: &mut Checker) -> Option<ActionKind> {
        for name in self.rest.keys() {
            check.fault(name.clone(), say::not_a_field());
        }
        self.entry.check(check)
    }

    /// An action of a record that was saved, with its own id and time; faults are
    /// noted under `field`.
    pub fn saved(self, field: &str, check: &mut Checker) -> Option<Action> {
        let mut faults = Checker::new();
        let needed = |name: &str, given: bool, faults: &mut Checker| {
            if !given {
                faults.fault(name, say::needed_for_this_action());
            }
        };
        let (id, at) = (self.id, self.at);
        needed("id", id.is_some(), &mut faults);
        needed("at", at.is_some(), &mut faults);
        let kind = self.check(&mut faults);
        check.take_under(field, faults);
        Some(Action { id: id?, at: at?.0, kind: kind? })
    }
}

/// Keeps an action: `201` where it is new, `200` where it was kept already.
#[utoipa::path(tag = "actions", operation_id = "append_action", request_body = NewAction, responses(
    (status = 201, body = ActionAnswer), (status = 200, body = ActionAnswer),
    (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/bowls/{id}/actions")]
pub async fn append(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
    who: Who,
    Body(new): Body<NewAction>,
) -> Answer<HttpResponse> {
    let bowl = store::bowls::line(&state.pool, *bowl_id).await?;
    let (batch_id, clock) = state.clock_of_bowl(*bowl_id).await?;
    super::begin::in_use(&state, batch_id).await?;
    let wall = state.wall.now();
    let now = kitchen_time(clock, wall);
    let mut check = Checker::new();
    let id = new.id.unwrap_or_else(Uuid::now_v7);
    let said = new.at.map_or(now, |at| at.0);
    check_when(&mut check, said, bowl.opened_at, now);
    // A sender's clock that runs ahead does not put what was done before the next thing done.
    let at = said.min(now);
    let kind = new.check(&mut check);
    check.finish()?;
    let Some(kind) = kind else {
        return Err(Problem::bad_field("kind", say::not_complete()));
    };
    let action = Action { id, at, kind };
    let sent = state
        .whole(async |tx: &mut Connection| {
            // What changes where a bowl stands happens one after the other.
            if finalizes_bowl(&action.kind) {
                super::begin::lock_in_use(tx, batch_id).await?;
            }
            let record =
                Record::new(Vec::new(), store::actions::of_bowl(&mut *tx, *bowl_id).await?);
            if !record.has_action(id) {
                fits(tx, *bowl_id, &record, &action).await?;
            }
            let sent = store::actions::append(tx, *bowl_id, &action, wall).await?;
            if let (Sent::New, Some(device)) = (sent, who.name()) {
                store::entered_by::note(&mut *tx, batch_id, action.id, device).await?;
            }
            if sent == Sent::New && finalizes_bowl(&action.kind) {
                undo_its_step(tx, batch_id, &action, wall).await?;
                let row = store::bowls::get(&mut *tx, *bowl_id).await?;
                finalize_bowl(tx, &row, clock, wall).await?;
            }
            Ok(sent)
        })
        .await?;
    if sent == Sent::New {
        state.live.heard(*bowl_id, Heard::Action(action.clone()));
        if finalizes_bowl(&action.kind) {
            state.shelf.changed().await;
        }
    }
    Ok(sent_as(sent).json(ActionAnswer::from(&action)))
}

/// A sender's clock may be a little off; what was forgotten is entered late, but not before the
/// bowl was opened.
fn check_when(check: &mut Checker, at: DateTime<Utc>, opened: DateTime<Utc>, now: DateTime<Utc>) {
    if at < opened || at > now {
        check_time(check, at, now);
    }
}

/// A pour that was ticked off in the guide is taken back there too.
async fn undo_its_step(
    tx: &mut Connection,
    batch_id: Uuid,
    action: &Action,
    now: WallTime,
) -> Answer<()> {
    let ActionKind::Undone { action: undone } = action.kind else { return Ok(()) };
    let making = Making::lock(tx, batch_id).await?;
    let Some(step) = making.events.iter().find(|event| pour_of(event.id) == undone) else {
        return Ok(());
    };
    let kind = EventKind::Undone { event: step.id };
    if making.events.iter().any(|event| event.kind == kind) {
        return Ok(());
    }
    let at = kitchen_time(making.batch.clock, now);
    let event = craft::batch::Event { id: Uuid::new_v5(&action.id, b"undone"), at, kind };
    store::steps::append(tx, batch_id, &event).await?;
    Ok(())
}

/// Whether an action goes with what has happened. Nothing that a maker can do
/// to chocolate is refused; what cannot have happened is.
async fn fits(tx: &mut Connection, bowl_id: Uuid, record: &Record, action: &Action) -> Answer<()> {
    let has = |is: fn(&ActionKind) -> bool| record.actions().any(|a| is(&a.kind));
    match &action.kind {
        ActionKind::Undone { action } => {
            return if record.has_action(*action) {
                Ok(())
            } else {
                Err(Problem::bad_field("undoes", say::action_of_this_bowl()))
            };
        }
        ActionKind::AmountCorrected { action, .. } => {
            let weighed = record.actions().find(|a| a.id == *action);
            return match weighed.map(|a| a.kind.mass()) {
                Some(Some(_)) => Ok(()),
                Some(None) => Err(Problem::bad_field("corrects", say::action_with_a_weight())),
                None => Err(Problem::bad_field("corrects", say::action_that_stands())),
            };
        }
        ActionKind::ReadingWithdrawn { reading } => {
            return if store::readings::is_kept(tx, bowl_id, *reading).await? {
                Ok(())
            } else {
                Err(Problem::bad_field("reading", say::reading_of_this_bowl()))
            };
        }
        _ => {}
    }
    match BowlStatus::by(record.actions(), WallTime) {
        BowlStatus::Poured { .. } => {
            return Err(Problem::conflict("This bowl was poured. Undo that first."));
        }
        BowlStatus::GivenUp { .. } => {
            return Err(Problem::conflict("This bowl was given up. Undo that first."));
        }
        BowlStatus::Open => {}
    }
    match &action.kind {
        ActionKind::TestSeen { .. } if !has(|kind| *kind == ActionKind::TestStarted) => {
            Err(Problem::conflict("No test was started, so there is nothing to see."))
        }
        ActionKind::OffStone if !lies_on_stone(record) => {
            Err(Problem::conflict("Nothing lies on the stone, so nothing can be returned."))
        }
        _ => Ok(()),
    }
}

fn lies_on_stone(record: &Record) -> bool {
    record
        .actions()
        .rev()
        .find_map(|a| match a.kind {
            ActionKind::OnStone { .. } => Some(true),
            ActionKind::OffStone => Some(false),
            _ => None,
        })
        .unwrap_or(false)
}

/// The actions that stand, in order of time.
#[utoipa::path(tag = "actions", operation_id = "list_actions", responses((status = 200, body = [ActionAnswer]), (status = 404, body = Problem)))]
#[get("/bowls/{id}/actions")]
pub async fn list(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<ActionAnswer>>> {
    store::bowls::line(&state.pool, *bowl_id).await?;
    let record = Record::new(Vec::new(), store::actions::of_bowl(&state.pool, *bowl_id).await?);
    Ok(web::Json(record.actions().map(Into::into).collect()))
}

/// Every entry as it was made, undoings and corrections among them, in order of time.
#[utoipa::path(tag = "actions", operation_id = "list_entries", responses((status = 200, body = [EntryAnswer]), (status = 404, body = Problem)))]
#[get("/bowls/{id}/entries")]
pub async fn entries(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<EntryAnswer>>> {
    let batch_id = store::bowls::line(&state.pool, *bowl_id).await?.batch_id;
    let entered_by = store::entered_by::of_batch(&state.pool, batch_id).await?;
    let actions = store::actions::of_bowl(&state.pool, *bowl_id).await?;
    let entered: BTreeMap<Uuid, WallTime> =
        store::actions::entered(&state.pool, *bowl_id).await?.into_iter().collect();
    let record = Record::new(Vec::new(), actions);
    let undone = |id: Uuid| {
        record.entries().iter().any(|entry| entry.kind == ActionKind::Undone { action: id })
    };
    let entry = |action: &Action| EntryAnswer {
        action: action.into(),
        entered_at: entered.get(&action.id).copied(),
        entered_on: entered_by.get(&action.id).cloned(),
        undone: undone(action.id),
    };
    Ok(web::Json(record.entries().iter().map(entry).collect()))
}
