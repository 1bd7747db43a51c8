//! What is to be done in the maker's hours: batches under way, then plans by when they are due.

use std::collections::HashMap;

use chrono::{DateTime, TimeDelta, Utc};
use chrono_tz::Tz;
use craft::check::Checker;
use craft::plan::{Plan, PlanInputs, WhenInputs};
use craft::schedule::{Around, AtHand, Days, Hours, days, zone};
use craft::shelf::{KitchenInputs, Shelf, Thing};
use craft::steps::{Line, lines};
use store::StoreError;
use uuid::Uuid;

use crate::clock::kitchen_time;
use crate::making::Making;
use crate::on_shelf::OnShelf;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A batch that was left alone for longer takes up no hours, and reminds of nothing.
pub const FORGOTTEN: TimeDelta = TimeDelta::days(14);
/// A plan that was due longer ago than this is no longer in anybody's way.
const PAST: TimeDelta = TimeDelta::days(1);

/// Who asks for the hours that are left.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Whose {
    /// A plan: after all batches under way and the plans that are due before it.
    Plan(Uuid),
    /// A batch: after those that were begun before it.
    Batch(Uuid),
}

/// A plan or a batch that takes up hours.
#[derive(Clone, Debug)]
pub struct Taking {
    /// Its id.
    pub id: Uuid,
    /// Whether it is a batch under way.
    pub batch: bool,
    /// The plan that is made, where it is one.
    pub plan_id: Option<Uuid>,
    /// What it is called.
    pub name: String,
    /// Its days; `None` where nothing is left to do, or nobody can tell.
    pub days: Option<Days>,
}

/// The maker's hours, and what takes them up.
#[derive(Debug)]
pub struct Agenda {
    /// The hours.
    pub hours: Hours,
    /// Now, by the wall.
    pub now: DateTime<Utc>,
    /// How many there are of the kitchen's things.
    pub at_hand: AtHand,
    /// What takes them up, in the order in which it was given its time.
    pub taking: Vec<Taking>,
}

/// The kitchen as it stands on the shelf.
fn kitchen(on_shelf: &OnShelf) -> KitchenInputs {
    let row = on_shelf.rows.iter().find(|row| row.id == Shelf::KITCHEN);
    match row.map(|row| &row.thing) {
        Some(Ok(Thing::Kitchen(kitchen))) => kitchen.clone(),
        _ => KitchenInputs::default(),
    }
}

impl Agenda {
    /// The maker's hours, by the kitchen's clock; by that of `device` where the kitchen has none.
    ///
    /// # Errors
    /// Where there is no such zone, or the store fails.
    pub async fn hours(state: &State, device: Option<&str>) -> Answer<Self> {
        let on_shelf = state.shelf.read(&state.pool).await?;
        let kitchen = kitchen(&on_shelf);
        let mut check = Checker::new();
        let zone = match device.or(kitchen.zone.as_deref()) {
            Some(name) => zone("zone", name, &mut check),
            None => Tz::UTC,
        };
        let hours = kitchen.free_hours(zone, &mut check);
        check.finish()?;
        let at_hand = on_shelf.shelf.at_hand();
        Ok(Self { hours, now: state.wall.now().0, at_hand, taking: Vec::new() })
    }

    /// All that takes up hours before something gets its own.
    ///
    /// # Errors
    /// Where there is no such zone, or the store fails.
    pub async fn before(state: &State, device: Option<&str>, whose: Whose) -> Answer<Self> {
        let mut agenda = Self::hours(state, device).await?;
        let wall = state.wall.now();
        for batch in store::batches::under_way_since(&state.pool, wall.after(-FORGOTTEN)).await? {
            if whose == Whose::Batch(batch.id) {
                break;
            }
            // What is tried out at another pace takes up nobody's hours, and a plan's own making not
            // those of the plan.
            let its_own = batch.plan_id.is_some_and(|plan| whose == Whose::Plan(plan));
            if !batch.real_time || its_own {
                continue;
            }
            let Ok(making) = Making::of(state, batch).await else { continue };
            let when = when_of(state, making.batch.id).await?;
            let days = agenda.rest_of(&making, &when, wall).unwrap_or(None);
            let (id, name) = (making.batch.id, making.batch.name.clone());
            agenda.taking.push(Taking {
                id,
                batch: true,
                plan_id: making.batch.plan_id,
                name,
                days,
            });
        }
        // What is under way comes before what is only planned.
        let Whose::Plan(plan) = whose else { return Ok(agenda) };
        let on_shelf = state.shelf.read(&state.pool).await?;
        for (id, name, inputs) in store::plans::due_after(&state.pool, agenda.now - PAST).await? {
            if id == plan {
                break;
            }
            let made = agenda.taking.iter().any(|other| other.plan_id == Some(id));
            let filled = inputs.ok().and_then(|inputs| on_shelf.shelf.fill(&inputs).ok());
            let Some(filled) = filled.filter(|_| !made) else { continue };
            let planned = Plan::of(&filled).ok();
            let days = planned.and_then(|planned| agenda.days_of(&filled, &planned).ok()?);
            agenda.taking.push(Taking { id, batch: false, plan_id: None, name, days });
        }
        Ok(agenda)
    }

    /// When the hands are at what was given its time already.
    fn busy(&self) -> Vec<(DateTime<Utc>, DateTime<Utc>)> {
        let days = self.taking.iter().filter_map(|taking| taking.days.as_ref());
        days.flat_map(|days| &days.slots).map(|slot| (slot.from, slot.to)).collect()
    }

    /// The days of a plan that is filled in, in the hours that are left.
    ///
    /// # Errors
    /// Where no hours are left.
    pub fn days_of(&self, filled: &PlanInputs, planned: &Plan) -> Result<Option<Days>, Problem> {
        let when = filled.when.clone().unwrap_or_default();
        self.put(&lines(planned), &when, &HashMap::new())
    }

    /// What is left of a batch, from what has happened.
    ///
    /// # Errors
    /// Where no hours are left.
    pub fn rest_of(
        &self,
        making: &Making,
        when: &WhenInputs,
        wall: craft::time::WallTime,
    ) -> Result<Option<Days>, Problem> {
        let now = kitchen_time(making.batch.clock, wall);
        let by_the_wall = |at| crate::clock::wall_time(making.batch.clock, at, wall).0;
        let done = making.done(now).map(|(step, at)| (step, by_the_wall(at)));
        self.put(&making.lines, when, &done.collect())
    }

    fn put(
        &self,
        lines: &[Line],
        when: &WhenInputs,
        done: &HashMap<String, DateTime<Utc>>,
    ) -> Result<Option<Days>, Problem> {
        let busy = self.busy();
        let (hours, at_hand) = (&self.hours, &self.at_hand);
        let around = Around { now: self.now, hours, busy: &busy, done, at_hand };
        Ok(days(lines, when, &around)?)
    }
}

/// When a batch was to be made, as its plan stated it.
///
/// # Errors
/// Where the store fails.
pub async fn when_of(state: &State, batch: Uuid) -> Result<WhenInputs, StoreError> {
    let begun = store::batches::begun_with(&state.pool, batch).await?;
    Ok(begun.stated.ok().and_then(|stated| stated.when).unwrap_or_default())
}
