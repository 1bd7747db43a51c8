//! Which task is the next one, and what is coming.

use chrono::{DateTime, TimeDelta, Utc};

use super::events::{Event, standing};
use super::timeline::{At, Timeline, after};
use crate::plan::BatchPlan;

/// A window that closes this soon is announced.
const CLOSING: TimeDelta = TimeDelta::seconds(60);
/// What takes as long as this is not done while chocolate waits in temper (*custom*).
const LONG: TimeDelta = TimeDelta::minutes(10);

/// How an instruction stands.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum State {
    /// To be done now.
    Do,
    /// To be done now; its window closes within a minute.
    Closing,
    /// Its window has closed.
    Missed,
    /// Not yet: its window opens later.
    Wait,
    /// Not yet: its chocolate is still being tempered.
    WaitForBowl,
}

/// The one thing to do now.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Instruction {
    /// The component's key.
    pub component: String,
    /// The component's name.
    pub name: String,
    /// The task's key.
    pub task: String,
    /// What to do.
    pub text: String,
    /// How, in a sentence; what to do instead, where its window was missed.
    pub detail: &'static str,
    /// What is to be minded while it is done; empty where nothing is.
    pub caution: &'static str,
    /// How it stands.
    pub state: State,
    /// Whether it is the finger's check that the surface is dry.
    pub is_touch: bool,
    /// When its window opens, where that is to come.
    pub opens: Option<Coming>,
    /// When its window closes.
    pub closes: Option<Coming>,
    /// The chocolate that it waits for.
    pub chocolate: Option<String>,
}

/// Something that is coming.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Coming {
    /// The component's key.
    pub component: String,
    /// The component's name.
    pub name: String,
    /// What it is.
    pub what: &'static str,
    /// Whether a window closes then.
    pub closes: bool,
    /// When, most likely.
    pub at: DateTime<Utc>,
    /// Not likely before.
    pub earliest: DateTime<Utc>,
    /// Not likely after.
    pub latest: DateTime<Utc>,
}

/// How far a component is.
#[derive(Clone, Debug, PartialEq)]
pub struct Progress {
    /// Its key.
    pub component: String,
    /// Its name.
    pub name: String,
    /// Its tasks, each with when it was done.
    pub tasks: Vec<(String, String, Option<DateTime<Utc>>)>,
    /// The key of the next task; `None` once it is finished.
    pub next: Option<String>,
    /// How much slower it sets than was foretold, where the maker said so.
    pub pace: Option<f64>,
}

/// A build as it stands.
#[derive(Clone, Debug, PartialEq)]
pub struct Guide {
    /// What to do now, or what is next; `None` once all is done.
    pub now: Option<Instruction>,
    /// What is coming, the soonest first.
    pub coming: Vec<Coming>,
    /// How far each component is.
    pub progress: Vec<Progress>,
}

/// One component's next task, as a candidate for the hands.
struct Candidate<'a> {
    line: &'a Timeline<'a>,
    index: usize,
    opens: Option<At>,
    closes: Option<At>,
    /// By when it must be begun so that what follows it is in time.
    deadline: Option<DateTime<Utc>>,
    ready: bool,
}

/// A build as it stands at a moment, where `ready` says which chocolates are in
/// temper.
#[must_use]
pub fn guide(
    plan: &BatchPlan,
    events: &[Event],
    now: DateTime<Utc>,
    ready: impl Fn(&str) -> bool,
) -> Guide {
    let standing = standing(events);
    let lines: Vec<_> =
        plan.components.iter().map(|component| Timeline::new(component, &standing)).collect();
    let candidates: Vec<_> = lines.iter().filter_map(|line| Candidate::of(line, &ready)).collect();
    let mut coming: Vec<_> = lines.iter().flat_map(|line| to_come(line, now)).collect();
    coming.sort_by_key(|coming| coming.at);
    Guide {
        now: choose(&candidates, now).map(|chosen| chosen.instruction(now)),
        coming,
        progress: lines.iter().map(progress).collect(),
    }
}

impl<'a> Candidate<'a> {
    fn of(line: &'a Timeline<'a>, ready: &impl Fn(&str) -> bool) -> Option<Self> {
        let index = line.next()?;
        let tasks = &line.component.tasks;
        let task = &tasks[index];
        // What follows in one go must be in time too: the latest moment to begin is
        // the earliest of their closings, less the work up to each.
        let mut work = TimeDelta::zero();
        let mut deadline: Option<DateTime<Utc>> = None;
        for (i, later) in tasks.iter().enumerate().skip(index) {
            if i > index && later.from.is_some() {
                break;
            }
            let takes = after(DateTime::UNIX_EPOCH, later.takes) - DateTime::UNIX_EPOCH;
            if let Some(closes) = line.closes(later) {
                let begin = closes.at - work - takes;
                deadline = Some(deadline.map_or(begin, |d| d.min(begin)));
            }
            work += takes;
        }
        Some(Self {
            opens: line.opens(task),
            closes: line.closes(task),
            deadline,
            ready: task.chocolate.as_deref().is_none_or(ready),
            line,
            index,
        })
    }

    fn is_open(&self, now: DateTime<Utc>) -> bool {
        self.opens.is_none_or(|opens| opens.at <= now)
    }

    /// Whether it needs no chocolate and is soon done: lining, cutting, spreading.
    fn makes_ready(&self) -> bool {
        self.line.component.tasks[self.index].chocolate.is_none() && self.takes() < LONG
    }

    fn takes(&self) -> TimeDelta {
        after(DateTime::UNIX_EPOCH, self.line.component.tasks[self.index].takes)
            - DateTime::UNIX_EPOCH
    }

    fn instruction(&self, now: DateTime<Utc>) -> Instruction {
        let task = &self.line.component.tasks[self.index];
        let missed = self.closes.is_some_and(|closes| closes.latest < now);
        let state = if !self.is_open(now) {
            State::Wait
        } else if !self.ready {
            State::WaitForBowl
        } else if missed {
            State::Missed
        } else if self.closes.is_some_and(|closes| closes.at - now < CLOSING) {
            State::Closing
        } else {
            State::Do
        };
        let detail = if missed && !task.missed.is_empty() { task.missed } else { task.detail };
        let opens = self.opens.filter(|opens| opens.at > now);
        Instruction {
            component: self.line.component.key.clone(),
            name: self.line.component.name.clone(),
            task: task.key.clone(),
            text: task.text.clone(),
            detail,
            caution: task.caution,
            state,
            is_touch: task.is_touch,
            opens: opens.and_then(|at| coming(self.line, task.from?.what, false, at)),
            closes: self.closes.and_then(|at| coming(self.line, task.until?.what, true, at)),
            chocolate: task.chocolate.clone(),
        }
    }
}

/// Which component has the hands: the one whose time runs out first. Where nothing
/// presses, what is quickly made ready comes before a pour, and what was begun before
/// what was not; but only what is done when the next window opens. Where nothing is
/// open, the first that will be.
fn choose<'c, 'a>(
    candidates: &'c [Candidate<'a>],
    now: DateTime<Utc>,
) -> Option<&'c Candidate<'a>> {
    let open = || candidates.iter().filter(|c| c.is_open(now) && c.ready);
    let pressed = open().filter(|c| c.deadline.is_some()).min_by_key(|c| c.deadline);
    // A window that closes again must not find the hands full.
    let next_window = candidates
        .iter()
        .filter(|c| !c.is_open(now) && c.closes.is_some())
        .filter_map(|c| c.opens.map(|opens| opens.at))
        .min();
    let fits = |c: &&Candidate<'_>| next_window.is_none_or(|opens| now + c.takes() <= opens);
    let soonest = || {
        let closed = candidates.iter().filter(|c| !c.is_open(now));
        closed.min_by_key(|c| c.opens.map(|opens| opens.at))
    };
    pressed
        .or_else(|| open().filter(fits).min_by_key(|c| (!c.makes_ready(), c.index == 0)))
        .or_else(soonest)
        .or_else(|| open().next())
        .or_else(|| candidates.first())
}

fn coming(line: &Timeline<'_>, what: &'static str, closes: bool, at: At) -> Option<Coming> {
    Some(Coming {
        component: line.component.key.clone(),
        name: line.component.name.clone(),
        what,
        closes,
        at: at.at,
        earliest: at.earliest,
        latest: at.latest,
    })
}

/// What is to come of a component: every window of a task that is not done, as far
/// as what it counts from is.
fn to_come(line: &Timeline<'_>, now: DateTime<Utc>) -> Vec<Coming> {
    let Some(next) = line.next() else { return Vec::new() };
    let mut all = Vec::new();
    for task in &line.component.tasks[next..] {
        if let (Some(at), Some(due)) = (line.opens(task), task.from)
            && at.at > now
        {
            all.extend(coming(line, due.what, false, at));
        }
        if let (Some(at), Some(due)) = (line.closes(task), task.until)
            && at.at > now
        {
            all.extend(coming(line, due.what, true, at));
        }
    }
    // Two tasks with the same window are one thing to watch.
    all.dedup_by(|b, a| a.at == b.at && a.what == b.what);
    all
}

fn progress(line: &Timeline<'_>) -> Progress {
    let tasks = &line.component.tasks;
    Progress {
        component: line.component.key.clone(),
        name: line.component.name.clone(),
        tasks: tasks
            .iter()
            .map(|task| (task.key.clone(), task.text.clone(), line.done_at(&task.key)))
            .collect(),
        next: line.next().map(|i| tasks[i].key.clone()),
        pace: tasks.iter().filter(|t| t.is_touch).find_map(|t| line.pace(t.since.as_deref()?)),
    }
}
