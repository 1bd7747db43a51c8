//! The order of tasks over hours and days.

use std::collections::BTreeMap;

use actix_web::post;
use actix_web::web::{Data, Json};
use chrono::{DateTime, Utc};
use craft::check::Checker;
use craft::note::{Note, Working};
use craft::schedule::{After, Asked, Exception, Hold, Hours, Schedule, Task, Weekly, What, zone};
use craft::steps::Anchor;
use craft::time::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::round;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A wait for another task.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct AfterRequest {
    /// That task's key.
    key: String,
    /// At the least, minutes; none, if left out.
    least_min: Option<f64>,
    /// At the most, minutes; any time, if left out.
    most_min: Option<f64>,
    /// Which end of it the wait counts from; its end, if left out.
    from: Option<Anchor>,
}

/// Something to do in one go.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TaskRequest {
    /// Its key.
    key: String,
    /// How long it takes, minutes.
    minutes: f64,
    /// Pairs of hands that are at it; one, if left out.
    hands: Option<u32>,
    /// What else it takes up while it lasts: `mould 1`.
    #[serde(default)]
    uses: Vec<String>,
    /// What it waits for.
    #[serde(default)]
    after: Vec<AfterRequest>,
}

/// Something that is taken up from the begin of one task to the end of another.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct HoldRequest {
    /// What.
    what: String,
    /// The key of the task it is taken up with.
    from: String,
    /// The key of the task it is free after.
    to: String,
}

/// A thing of which there is more than one.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct AtHandRequest {
    /// What.
    what: String,
    /// How many there are.
    count: u32,
}

/// What is to be put in order.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ScheduleRequest {
    tasks: Vec<TaskRequest>,
    /// What is taken up for longer than one task.
    #[serde(default)]
    holds: Vec<HoldRequest>,
    /// Things of which there is more than one, and how many.
    #[serde(default)]
    at_hand: Vec<AtHandRequest>,
    /// All of it is to be done by then; or else `begin`. With both it begins then.
    #[schema(value_type = Option<DateTime<Utc>>)]
    ready_by: Option<Timestamp>,
    /// Nothing is begun before.
    #[schema(value_type = Option<DateTime<Utc>>)]
    begin: Option<Timestamp>,
    /// The zone that the clock of `hours` is in, by its IANA name.
    zone: String,
    /// When the hands are free.
    hours: Vec<Weekly>,
    /// Days that are not as their weekday is.
    #[serde(default)]
    except: Vec<Exception>,
    /// Pairs of hands; one, if left out.
    hands: Option<u32>,
    /// Tasks that are put at a time, in the hours or not.
    #[serde(default)]
    #[schema(value_type = BTreeMap<String, DateTime<Utc>>)]
    pinned: BTreeMap<String, Timestamp>,
}

/// A task with its time.
#[derive(Debug, Serialize, ToSchema)]
pub struct TimeSlot {
    /// Its key.
    key: String,
    /// It is begun then.
    from: DateTime<Utc>,
    /// It is done then.
    to: DateTime<Utc>,
}

/// What cannot hold.
#[derive(Clone, Copy, Debug, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum BrokenWhat {
    /// A wait at the most: it is longer.
    MostWait,
    /// The hours: it is longer than any of them.
    Hours,
    /// The time it was put at: it cannot be done then.
    Pinned,
}

impl From<What> for BrokenWhat {
    fn from(what: What) -> Self {
        match what {
            What::MostWait | What::HeldInTemper | What::Keeps => Self::MostWait,
            What::Hours => Self::Hours,
            What::Pinned => Self::Pinned,
        }
    }
}

/// Something that cannot hold, and by how much.
#[derive(Debug, Serialize, ToSchema)]
pub struct BrokenAnswer {
    /// The task of which it is asked.
    key: String,
    /// The task it counts from; `null` where it is no wait.
    since: Option<String>,
    what: BrokenWhat,
    /// By so many minutes.
    by_min: f64,
}

/// Tasks in order.
#[derive(Debug, Serialize, ToSchema)]
pub struct ScheduleAnswer {
    /// Each with its time, the soonest first.
    slots: Vec<TimeSlot>,
    /// The first is begun then.
    begin: DateTime<Utc>,
    /// The last is done then.
    end: DateTime<Utc>,
    /// Begun then it is still ready in time; `null` where nobody said by when.
    latest_start: Option<DateTime<Utc>>,
    /// By so much it is late, minutes.
    late_min: f64,
    /// What does not hold.
    broken: Vec<BrokenAnswer>,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

impl From<TaskRequest> for Task {
    fn from(task: TaskRequest) -> Self {
        let after = task.after.into_iter().map(|after| After {
            key: after.key,
            from: after.from.unwrap_or(Anchor::End),
            least_min: after.least_min.unwrap_or(0.0),
            most_min: after.most_min,
        });
        Self {
            hands: task.hands.unwrap_or(1),
            uses: task.uses,
            after: after.collect(),
            ..Self::new(&task.key, task.minutes)
        }
    }
}

impl ScheduleRequest {
    fn asked(self) -> Answer<Asked> {
        let mut check = Checker::new();
        let zone = zone("zone", &self.zone, &mut check);
        let hours = Hours::of("hours", &self.hours, &self.except, zone, &mut check);
        check.finish()?;
        let holds = self
            .holds
            .into_iter()
            .map(|HoldRequest { what, from, to }| Hold::whole(what, from, to));
        Ok(Asked {
            tasks: self.tasks.into_iter().map(Into::into).collect(),
            holds: holds.collect(),
            at_hand: self.at_hand.into_iter().map(|one| (one.what, one.count)).collect(),
            hands: self.hands.unwrap_or(1),
            hours,
            busy: Vec::new(),
            begin: self.begin.map(|at| at.0),
            ready_by: self.ready_by.map(|at| at.0),
            pinned: self.pinned.into_iter().map(|(key, at)| (key, at.0)).collect(),
        })
    }
}

/// Puts tasks in order: forward from `begin`, or backward from `ready_by`, as late as may be.
#[utoipa::path(tag = "calc", request_body = ScheduleRequest, responses((status = 200, body = ScheduleAnswer), (status = 422, body = Problem)))]
#[post("/schedule")]
pub async fn ordered(
    state: Data<State>,
    Body(request): Body<ScheduleRequest>,
) -> Answer<Json<ScheduleAnswer>> {
    let asked = request.asked()?;
    let Schedule { placed, begin, end, latest_start, late_min, broken } = asked.schedule()?;
    let mut notes = Vec::new();
    if begin < state.wall.now().0 {
        notes.push(Note::caution("begins-in-the-past", say::begins_in_the_past()));
    }
    let work: f64 = asked.tasks.iter().filter(|t| t.hands > 0).map(|t| t.minutes).sum();
    let over = (end - begin).as_seconds_f64() / 60.0;
    let sum = [("with the hands", work), ("from the first to the last", over)];
    Ok(Json(ScheduleAnswer {
        slots: placed
            .into_iter()
            .map(|p| TimeSlot { key: p.key, from: p.from, to: p.to })
            .collect(),
        begin,
        end,
        latest_start,
        late_min: round(late_min, 1),
        broken: broken
            .into_iter()
            .map(|one| BrokenAnswer {
                key: one.key,
                since: one.since,
                what: one.what.into(),
                by_min: round(one.by_min, 1),
            })
            .collect(),
        notes,
        sum: sum.map(|(label, minutes)| Working::new(label, round(minutes, 1), "min")).into(),
    }))
}
