//! Actions: append-only.

use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, Utc};
use craft::bowl::{Action, ActionKind, Bowl, Phase, Record, Seen, fold};
use craft::check::{self, Bounds, Checker};
use craft::units::{grams, seconds};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::readings::check_time;
use crate::afterwards::settle;
use crate::answer::action::{ActionAnswer, ActionName};
use crate::body::Body;
use crate::clock::kitchen_time;
use crate::hub::Happening;
use crate::problem::{Answer, Problem};
use crate::state::{State, subject};

/// The longest reason.
const LONGEST_REASON: usize = 500;

/// Kinds of action that need a mass.
const WEIGHED: [ActionName; 3] =
    [ActionName::SeedAdded, ActionName::CrystalsAdded, ActionName::OnStone];

/// An action to be kept.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewAction {
    /// Made by the sender, so that sending twice keeps one.
    pub id: Option<Uuid>,
    /// When it was done; now, if left out.
    pub at: Option<DateTime<Utc>>,
    /// What was done.
    pub kind: ActionName,
    /// For `heat`: the length of a burst; without it, on until taken off.
    pub seconds: Option<f64>,
    /// For `seed_added`, `crystals_added` and `on_stone`.
    pub grams: Option<f64>,
    /// For `test_seen`.
    pub seen: Option<Seen>,
    /// For `given_up`.
    pub reason: Option<String>,
    /// For `undone`: the action that did not happen.
    pub undoes: Option<Uuid>,
}

impl From<ActionAnswer> for NewAction {
    fn from(a: ActionAnswer) -> Self {
        Self {
            id: Some(a.id),
            at: Some(a.at),
            kind: a.kind,
            seconds: a.seconds,
            grams: a.grams,
            seen: a.seen,
            reason: a.reason,
            undoes: a.undoes,
        }
    }
}

impl NewAction {
    /// An action of a record that was saved, with its own id and time; faults are
    /// noted under `field`.
    pub fn saved(self, field: &str, check: &mut Checker) -> Option<Action> {
        let mut faults = Checker::new();
        let id = needed("id", self.id, &mut faults);
        let at = needed("at", self.at, &mut faults);
        let kind = self.kind(&mut faults);
        check.take_under(field, faults);
        Some(Action { id: id?, at: at?, kind: kind? })
    }

    /// What was done, with everything that it needs; faults are noted.
    fn kind(self, check: &mut Checker) -> Option<ActionKind> {
        let mut belongs = |field: &str, given: bool, to: &[ActionName]| {
            if given && !to.contains(&self.kind) {
                let kinds: Vec<_> = to.iter().copied().map(word).collect();
                check.fault(
                    field,
                    format!("does not go with this kind; it goes with {}", kinds.join(", ")),
                );
            }
        };
        belongs("seconds", self.seconds.is_some(), &[ActionName::Heat]);
        belongs("grams", self.grams.is_some(), &WEIGHED);
        belongs("seen", self.seen.is_some(), &[ActionName::TestSeen]);
        belongs("reason", self.reason.is_some(), &[ActionName::GivenUp]);
        belongs("undoes", self.undoes.is_some(), &[ActionName::Undone]);
        let mass = if WEIGHED.contains(&self.kind) {
            let bounds = Bounds { min: 0.1, ..check::CHOCOLATE_G };
            needed("grams", self.grams, check).map(|g| grams(check.number("grams", g, bounds)))
        } else {
            None
        };
        match self.kind {
            ActionName::Heat => Some(ActionKind::Heat {
                lasting: check.optional("seconds", self.seconds, check::BURST_S).map(seconds),
            }),
            ActionName::OffHeat => Some(ActionKind::OffHeat),
            ActionName::Stirred => Some(ActionKind::Stirred),
            ActionName::SeedAdded => mass.map(|mass| ActionKind::SeedAdded { mass }),
            ActionName::CrystalsAdded => mass.map(|mass| ActionKind::CrystalsAdded { mass }),
            ActionName::OnStone => mass.map(|mass| ActionKind::OnStone { mass }),
            ActionName::OffStone => Some(ActionKind::OffStone),
            ActionName::ColourIn => Some(ActionKind::ColourIn),
            ActionName::Strained => Some(ActionKind::Strained),
            ActionName::TooThick => Some(ActionKind::TooThick),
            ActionName::TestStarted => Some(ActionKind::TestStarted),
            ActionName::TestSeen => {
                needed("seen", self.seen, check).map(|seen| ActionKind::TestSeen { seen })
            }
            ActionName::Poured => Some(ActionKind::Poured),
            ActionName::GivenUp => needed("reason", self.reason, check).map(|reason| {
                check.text("reason", &reason, LONGEST_REASON);
                ActionKind::GivenUp { reason }
            }),
            ActionName::Undone => {
                needed("undoes", self.undoes, check).map(|action| ActionKind::Undone { action })
            }
        }
    }
}

fn needed<T>(field: &str, value: Option<T>, check: &mut Checker) -> Option<T> {
    if value.is_none() {
        check.fault(field, "is needed for this kind of action");
    }
    value
}

fn word(name: ActionName) -> &'static str {
    match name {
        ActionName::Heat => "heat",
        ActionName::OffHeat => "off_heat",
        ActionName::Stirred => "stirred",
        ActionName::SeedAdded => "seed_added",
        ActionName::CrystalsAdded => "crystals_added",
        ActionName::OnStone => "on_stone",
        ActionName::OffStone => "off_stone",
        ActionName::ColourIn => "colour_in",
        ActionName::Strained => "strained",
        ActionName::TooThick => "too_thick",
        ActionName::TestStarted => "test_started",
        ActionName::TestSeen => "test_seen",
        ActionName::Poured => "poured",
        ActionName::GivenUp => "given_up",
        ActionName::Undone => "undone",
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
    Body(new): Body<NewAction>,
) -> Answer<HttpResponse> {
    let row = store::bowls::get(&state.pool, *bowl_id).await?;
    let now = kitchen_time(row.clock, state.wall.now());
    let mut check = Checker::new();
    let id = new.id.unwrap_or_else(Uuid::now_v7);
    let at = new.at.unwrap_or(now);
    check_time(&mut check, at, now);
    let kind = new.kind(&mut check);
    check.finish()?;
    let Some(kind) = kind else {
        return Err(Problem::bad_field("kind", "is not complete"));
    };
    let action = Action { id, at, kind };

    let record = state.record(&row).await?;
    if !record.has_action(id) {
        let bowl = fold(&subject(&row)?.setup, &record, now);
        fits(&record, &bowl, &action)?;
    }
    let is_new = store::actions::append(&state.pool, *bowl_id, &action).await?;
    if is_new {
        state.hub.tell(*bowl_id, Happening::Action(action.clone()));
    }
    // Sent twice it is settled twice, should the first time have failed on the way.
    if ends_or_undoes(&action.kind) {
        settle(&state, &row).await?;
    }
    let mut response = if is_new { HttpResponse::Created() } else { HttpResponse::Ok() };
    Ok(response.json(ActionAnswer::from(&action)))
}

fn ends_or_undoes(kind: &ActionKind) -> bool {
    matches!(kind, ActionKind::Poured | ActionKind::GivenUp { .. } | ActionKind::Undone { .. })
}

/// Whether an action goes with what has happened. Nothing that a maker can do
/// to chocolate is refused; what cannot have happened is.
fn fits(record: &Record, bowl: &Bowl, action: &Action) -> Answer<()> {
    match (&action.kind, bowl.phase) {
        (ActionKind::Undone { action }, _) => {
            if record.has_action(*action) {
                Ok(())
            } else {
                Err(Problem::bad_field("undoes", "must be an action of this bowl"))
            }
        }
        (_, Phase::Done) => Err(Problem::conflict("This bowl was poured. Undo that first.")),
        (_, Phase::Lost) => Err(Problem::conflict("This bowl was given up. Undo that first.")),
        (ActionKind::TestSeen { .. }, _) if bowl.test.is_none() => {
            Err(Problem::conflict("No test was started, so there is nothing to see."))
        }
        (ActionKind::OffStone, _) if bowl.on_stone.is_none() => {
            Err(Problem::conflict("Nothing lies on the stone, so nothing can be returned."))
        }
        _ => Ok(()),
    }
}

/// The actions that stand, in order of time.
#[utoipa::path(tag = "actions", operation_id = "list_actions", responses((status = 200, body = [ActionAnswer]), (status = 404, body = Problem)))]
#[get("/bowls/{id}/actions")]
pub async fn list(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<ActionAnswer>>> {
    store::bowls::get(&state.pool, *bowl_id).await?;
    let record = Record::new(Vec::new(), store::actions::of_bowl(&state.pool, *bowl_id).await?);
    Ok(web::Json(record.actions().map(Into::into).collect()))
}
