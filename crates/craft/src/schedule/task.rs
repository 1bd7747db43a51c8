//! What is to be done, and what it waits for.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use petgraph::algo::toposort;
use petgraph::graph::DiGraph;

use crate::catalogue::schedule as say;
use crate::check::{self, Checker};
use crate::steps::Anchor;
use crate::units::minutes;

/// The longest key of a task or of a thing it needs.
pub(super) const LONGEST_KEY: usize = 120;
/// So many tasks at the most.
pub const MOST_TASKS: usize = 1_000;

/// A wait for another task.
#[derive(Clone, Debug, PartialEq)]
pub struct After {
    /// That task's key.
    pub key: String,
    /// Which end of it the wait counts from.
    pub from: Anchor,
    /// At the least, minutes.
    pub least_min: f64,
    /// At the most, minutes; any time if left out.
    pub most_min: Option<f64>,
}

/// Something to do in one go.
#[derive(Clone, Debug, PartialEq)]
pub struct Task {
    /// Its key.
    pub key: String,
    /// How long it takes, minutes; nought is a moment.
    pub minutes: f64,
    /// How many pairs of hands are at it; none where it only takes time.
    pub hands: u32,
    /// What else it takes up while it lasts: a mould, the fridge.
    pub uses: Vec<String>,
    /// What it waits for.
    pub after: Vec<After>,
    /// Not before.
    pub from: Option<DateTime<Utc>>,
    /// Not after.
    pub until: Option<DateTime<Utc>>,
    /// Whether it is done at any hour: it was begun.
    pub any_hour: bool,
    /// Where nothing else decides, what has the lower number goes first.
    pub rank: i32,
}

impl Task {
    /// One that takes so long of one pair of hands, and waits for nothing.
    #[must_use]
    pub fn new(key: &str, minutes: f64) -> Self {
        Self {
            key: key.to_owned(),
            minutes,
            hands: 1,
            uses: Vec::new(),
            after: Vec::new(),
            from: None,
            until: None,
            any_hour: false,
            rank: 0,
        }
    }

    /// Whether it is done only in the hours in which the hands are free.
    pub(super) fn keeps_hours(&self) -> bool {
        self.hands > 0 && !self.any_hour
    }

    /// The same, not before another is done.
    #[must_use]
    pub fn after(mut self, key: &str, least_min: f64, most_min: Option<f64>) -> Self {
        let key = key.to_owned();
        self.after.push(After { key, from: Anchor::End, least_min, most_min });
        self
    }
}

/// Something that is taken up from one task to another: a mould from the pour until it is empty.
#[derive(Clone, Debug, PartialEq)]
pub struct Hold {
    /// What.
    pub what: String,
    /// The key of the task it is taken up with.
    pub from: String,
    /// So long after that is begun, minutes; before, where it is less than nought.
    pub after_begin_min: f64,
    /// The key of the task it is free with.
    pub to: String,
    /// So long before that is done, minutes; after, where it is less than nought.
    pub before_end_min: f64,
}

impl Hold {
    /// From the begin of the one to the end of the other.
    #[must_use]
    pub const fn whole(what: String, from: String, to: String) -> Self {
        Self { what, from, after_begin_min: 0.0, to, before_end_min: 0.0 }
    }
}

/// Notes what is wrong with tasks, under `tasks[i]`, and with holds, under `holds[i]`.
pub(super) fn check(tasks: &[Task], holds: &[Hold], hands: u32, check: &mut Checker) {
    if tasks.is_empty() {
        check.fault("tasks", say::nothing_to_do());
    }
    if tasks.len() > MOST_TASKS {
        check.fault("tasks", say::too_many_tasks(MOST_TASKS, tasks.len()));
        return;
    }
    let mut places: HashMap<&str, usize> = HashMap::with_capacity(tasks.len());
    for (i, task) in tasks.iter().enumerate() {
        check.text(format_args!("tasks[{i}].key"), &task.key, LONGEST_KEY);
        if let Some(first) = places.insert(&task.key, i) {
            check.fault(format!("tasks[{i}].key"), say::key_twice(&task.key, first + 1));
        }
        check.number(format_args!("tasks[{i}].minutes"), task.minutes, check::TASK_MIN);
        let stated = f64::from(task.hands);
        check.number(format_args!("tasks[{i}].hands"), stated, check::TASK_HANDS);
        if task.hands > hands {
            check.fault(format!("tasks[{i}].hands"), say::too_few_hands(hands, task.hands));
        }
        for (n, what) in task.uses.iter().enumerate() {
            check.text(format_args!("tasks[{i}].uses[{n}]"), what, LONGEST_KEY);
        }
    }
    let mut graph = DiGraph::<(), ()>::new();
    let nodes: Vec<_> = tasks.iter().map(|_| graph.add_node(())).collect();
    for (i, task) in tasks.iter().enumerate() {
        for (n, after) in task.after.iter().enumerate() {
            let field = format!("tasks[{i}].after[{n}]");
            let least =
                check.number(format_args!("{field}.least_min"), after.least_min, check::WAIT_MIN);
            if let Some(most) = after.most_min {
                check.number(format_args!("{field}.most_min"), most, check::WAIT_MIN);
                if most < least {
                    check.fault(
                        format!("{field}.most_min"),
                        say::most_under_least(minutes(least), minutes(most)),
                    );
                }
            }
            match places.get(after.key.as_str()) {
                Some(&of) => {
                    graph.add_edge(nodes[of], nodes[i], ());
                }
                None => check.fault(format!("{field}.key"), say::no_such_task(&after.key)),
            }
        }
    }
    if let Err(circle) = toposort(&graph, None) {
        let i = circle.node_id().index();
        check.fault(format!("tasks[{i}].after"), say::circle_of_waits(&tasks[i].key));
    }
    for (i, hold) in holds.iter().enumerate() {
        check.text(format_args!("holds[{i}].what"), &hold.what, LONGEST_KEY);
        for (name, key) in [("from", &hold.from), ("to", &hold.to)] {
            if !places.contains_key(key.as_str()) {
                check.fault(format!("holds[{i}].{name}"), say::no_such_task(key));
            }
        }
    }
}
