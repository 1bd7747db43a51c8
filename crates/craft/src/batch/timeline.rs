//! One line of steps as it is worked through: what was done when, and when the rest
//! is due.

use std::collections::HashMap;

use chrono::{DateTime, TimeDelta, Utc};

use super::bowls::{BowlState, BowlStatus, bowl_of};
use super::events::{Event, EventKind};
use crate::check;
use crate::steps::{Anchor, Due, Line, Step};
use crate::units::{Time, in_seconds, seconds};

/// A moment to come, with its range.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) struct At {
    pub at: DateTime<Utc>,
    pub earliest: DateTime<Utc>,
    pub latest: DateTime<Utc>,
}

#[derive(Clone, Copy)]
struct Done {
    at: DateTime<Utc>,
    just_now: bool,
}

/// A line's steps and when they were done.
pub(super) struct Timeline<'a> {
    pub line: &'a Line,
    done: HashMap<&'a str, Done>,
    /// Steps that poured what is not tempered: nobody can tell how that sets.
    untempered: Vec<&'a str>,
}

pub(super) fn after(start: DateTime<Utc>, time: Time) -> DateTime<Utc> {
    let ms = (in_seconds(time) * 1_000.0).clamp(-1e14, 1e14);
    start.checked_add_signed(TimeDelta::milliseconds(ms as i64)).unwrap_or(start)
}

/// Every line with what was done of it: by the maker's word, and by the bowls.
pub(super) fn timelines<'a>(
    lines: &'a [Line],
    standing: &[&Event],
    bowls: &[BowlState],
) -> Vec<Timeline<'a>> {
    let mut all: Vec<_> = lines.iter().map(|line| Timeline::new(line, standing)).collect();
    for tempering in lines {
        let Some((chocolate, nth)) = tempering.bowl() else { continue };
        let Some(bowl) = bowl_of(bowls, chocolate, nth) else { continue };
        poured_at_the_bench(&mut all, tempering, bowl);
        if bowl.not_tempered.is_some() {
            poured_untempered(&mut all, tempering);
        }
    }
    all
}

/// What the bench says of a tempering: it was weighed out when its bowl was opened, and is
/// over when it was poured. That is also when the first step was done that takes from it and
/// of which nobody had spoken before; whoever takes it for several says of the others when.
fn poured_at_the_bench<'a>(all: &mut [Timeline<'a>], tempering: &'a Line, bowl: &BowlState) {
    let poured = match bowl.status {
        BowlStatus::Poured { at } => Some(at),
        BowlStatus::Open | BowlStatus::Ready | BowlStatus::GivenUp => None,
    };
    let mut key = "";
    for step in &tempering.steps {
        let at = if step.task() == "temper" { poured } else { Some(bowl.opened_at) };
        if step.task() == "temper" {
            key = &step.key;
        }
        if let (Some(at), Some(line)) = (at, all.iter_mut().find(|l| l.line.key == tempering.key)) {
            line.done.entry(&step.key).or_insert(Done { at, just_now: false });
        }
    }
    let Some(at) = poured else { return };
    let from_it = all.iter().enumerate().flat_map(|(l, line)| {
        let steps = line.line.steps.iter();
        steps.filter(|step| step.tempered.as_deref() == Some(key)).map(move |step| (l, step))
    });
    let from_it: Vec<_> = from_it.collect();
    let said = |l: usize, step: &Step| all[l].done.get(step.key.as_str()).map(|done| done.at);
    // A pour that was ticked off in the guide is that one, and no other besides: it ends the bowl once
    // all that takes it is ticked. Where time stands still two things may have one moment.
    let all_said = from_it.iter().all(|(l, step)| said(*l, step).is_some());
    if all_said && from_it.iter().any(|(l, step)| said(*l, step) == Some(at)) {
        return;
    }
    let not_before = |(l, step): &&(usize, &Step)| said(*l, step).is_none_or(|said| said > at);
    let Some(&(l, step)) = from_it.iter().find(not_before) else { return };
    // A tick that comes later than the pour moves nothing that counts from it.
    let done = all[l].done.entry(&step.key).or_insert(Done { at, just_now: false });
    done.at = at;
}

/// Whatever takes a tempering that came to nothing has no windows of tempered chocolate.
fn poured_untempered(all: &mut [Timeline<'_>], tempering: &Line) {
    for line in all {
        let from_it = line.line.steps.iter().filter(|step| {
            let of = step.tempered.as_deref();
            of.is_some_and(|key| tempering.steps.iter().any(|step| step.key == key))
        });
        line.untempered.extend(from_it.map(|step| step.key.as_str()));
    }
}

impl<'a> Timeline<'a> {
    /// What stands of the events for a line.
    fn new(line: &'a Line, standing: &[&Event]) -> Self {
        let mut done = HashMap::new();
        for step in &line.steps {
            let said = standing.iter().find_map(|event| match &event.kind {
                EventKind::Done { step: key, just_now } if *key == step.key => {
                    Some(Done { at: event.at, just_now: *just_now })
                }
                _ => None,
            });
            if let Some(said) = said {
                done.insert(step.key.as_str(), said);
            }
        }
        Self { line, done, untempered: Vec::new() }
    }

    /// When a step was done.
    pub fn done_at(&self, step: &str) -> Option<DateTime<Utc>> {
        self.done.get(step).map(|done| done.at)
    }

    /// The first step that is not done: steps go in order, and one that was passed
    /// over counts as done with the next.
    pub fn next(&self) -> Option<usize> {
        let next = (0..self.line.steps.len()).rev().find(|i| self.is_done(*i)).map_or(0, |i| i + 1);
        (next < self.line.steps.len()).then_some(next)
    }

    fn is_done(&self, i: usize) -> bool {
        self.done.contains_key(self.line.steps[i].key.as_str())
    }

    /// Whether a step was done, or passed over.
    pub fn is_passed(&self, i: usize) -> bool {
        self.next().is_none_or(|next| i < next)
    }

    /// How much slower it sets than was foretold, by the finger's check of this line,
    /// of what was poured with the step `since`; `None` where nobody said.
    pub fn pace(&self, since: &str) -> Option<f64> {
        if self.untempered.contains(&since) {
            return None;
        }
        let counts = |step: &&Step| {
            step.is_touch && step.wait.as_ref().is_some_and(|wait| wait.step == since)
        };
        let touch = self.line.steps.iter().find(counts)?;
        let dry = self.done.get(touch.key.as_str())?;
        let took = (dry.at - self.done_at(since)?).num_milliseconds() as f64 / 1_000.0;
        let pace = took / touch.opens()?.typical_s;
        (dry.just_now && check::SETTING_PACE.contain(pace)).then_some(pace)
    }

    /// The pace that its finger's check gave, where it did.
    pub fn told_pace(&self) -> Option<f64> {
        let touches = self.line.steps.iter().filter(|step| step.is_touch);
        touches.filter_map(|step| step.wait.as_ref()).find_map(|wait| self.pace(&wait.step))
    }

    fn due(&self, step: &Step, due: &Due) -> Option<At> {
        let wait = step.wait.as_ref()?;
        if due.sets && self.untempered.contains(&wait.step.as_str()) {
            return None;
        }
        let end = self.done_at(&wait.step)?;
        let start = match wait.anchor {
            Anchor::End => end,
            Anchor::Begin => {
                let of = self.line.steps.iter().find(|other| other.key == wait.step)?;
                after(end, seconds(-of.takes.typical_s))
            }
        };
        let pace = if due.sets { self.pace(&wait.step).unwrap_or(1.0) } else { 1.0 };
        let moment = due.moment() * pace;
        Some(At {
            at: after(start, moment.typical),
            earliest: after(start, moment.earliest),
            latest: after(start, moment.latest),
        })
    }

    /// When a step opens; `None` where it is open as soon as the one before is done,
    /// or what it counts from is not done yet.
    pub fn opens(&self, step: &Step) -> Option<At> {
        self.due(step, step.opens()?)
    }

    /// When a step closes.
    pub fn closes(&self, step: &Step) -> Option<At> {
        self.due(step, step.closes()?)
    }
}
