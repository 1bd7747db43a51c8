//! One component as it is built: what was done when, and when the rest is due.

use std::collections::HashMap;

use chrono::{DateTime, TimeDelta, Utc};

use super::events::{Event, EventKind};
use crate::check;
use crate::plan::PlannedComponent;
use crate::units::{Time, in_seconds};
use crate::work::{Due, Task};

/// A moment to come, with its range.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) struct At {
    pub at: DateTime<Utc>,
    pub earliest: DateTime<Utc>,
    pub latest: DateTime<Utc>,
}

/// A component's tasks and when they were done.
pub(super) struct Timeline<'a> {
    pub component: &'a PlannedComponent,
    done: HashMap<&'a str, (DateTime<Utc>, bool)>,
}

pub(super) fn after(start: DateTime<Utc>, time: Time) -> DateTime<Utc> {
    let ms = (in_seconds(time) * 1_000.0).clamp(-1e14, 1e14);
    start.checked_add_signed(TimeDelta::milliseconds(ms as i64)).unwrap_or(start)
}

impl<'a> Timeline<'a> {
    /// What stands of the events for a component.
    pub fn new(component: &'a PlannedComponent, standing: &[&'a Event]) -> Self {
        let mut done = HashMap::new();
        for event in standing {
            if let EventKind::Done { component: of, task, just_now } = &event.kind
                && *of == component.key
            {
                done.entry(task.as_str()).or_insert((event.at, *just_now));
            }
        }
        Self { component, done }
    }

    /// When a task was done.
    pub fn done_at(&self, task: &str) -> Option<DateTime<Utc>> {
        self.done.get(task).map(|(at, _)| *at)
    }

    /// The first task that is not done: tasks go in order, and one that was passed
    /// over counts as done with the next.
    pub fn next(&self) -> Option<usize> {
        let tasks = &self.component.tasks;
        let last_done = tasks.iter().rposition(|task| self.done.contains_key(task.key.as_str()));
        let next = last_done.map_or(0, |i| i + 1);
        (next < tasks.len()).then_some(next)
    }

    /// How much slower it sets than was foretold, by the finger's check of this
    /// component, of what was poured with the task `since`; `None` where nobody said.
    pub fn pace(&self, since: &str) -> Option<f64> {
        let touch = self
            .component
            .tasks
            .iter()
            .find(|task| task.is_touch && task.since.as_deref() == Some(since))?;
        let (dry, just_now) = self.done.get(touch.key.as_str())?;
        let foretold = in_seconds(touch.from?.moment.typical);
        let took = (*dry - self.done_at(since)?).num_milliseconds() as f64 / 1_000.0;
        let pace = took / foretold;
        (*just_now && check::SETTING_PACE.contain(pace)).then_some(pace)
    }

    fn due(&self, since: Option<&str>, due: Due) -> Option<At> {
        let since = since?;
        let start = self.done_at(since)?;
        let pace = if due.sets { self.pace(since).unwrap_or(1.0) } else { 1.0 };
        let moment = due.moment * pace;
        Some(At {
            at: after(start, moment.typical),
            earliest: after(start, moment.earliest),
            latest: after(start, moment.latest),
        })
    }

    /// When a task opens; `None` where it is open as soon as the one before is done,
    /// or what it counts from is not done yet.
    pub fn opens(&self, task: &Task) -> Option<At> {
        self.due(task.since.as_deref(), task.from?)
    }

    /// When a task closes.
    pub fn closes(&self, task: &Task) -> Option<At> {
        self.due(task.since.as_deref(), task.until?)
    }
}
