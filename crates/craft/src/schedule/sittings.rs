//! What is done in one go, and how long the waits between.
//!
//! Wherever a step waits longer than three quarters of an hour, the maker goes away and comes back:
//! what lies between two such waits is a sitting. A wait is at least so long, and at
//! most until its window closes.

use std::collections::HashSet;

use chrono_tz::Tz;

use crate::catalogue::room as say;
use crate::check::Checker;
use crate::message::Message;
use crate::steps::{APART_S, Line, Step, StepKind};
use crate::units::{Time, seconds};

/// Steps that are done in one go.
#[derive(Clone, Debug, PartialEq)]
pub struct Sitting {
    /// The component's key; empty for packing. Its casts follow each other: there is one mould.
    pub component: String,
    /// Whether it is packing: all else comes before it.
    pub packs: bool,
    /// The key of its line of steps.
    pub line: String,
    /// What the maker calls that.
    pub name: String,
    /// The key of its first step.
    pub step: String,
    /// What is done, in the words of its steps.
    pub texts: Vec<Message>,
    /// What is waited for before it; empty for the first.
    pub waits_for: Option<Message>,
    /// The wait before it, at the least, counted from the step `since`.
    pub least: Time,
    /// At the most.
    pub most: Option<Time>,
    /// The step that the wait counts from.
    pub since: Option<String>,
    /// How long it takes, with the short waits in it.
    pub lasts: Time,
    /// How long after its beginning each step is done that later sittings count from.
    pub(super) marks: Vec<(String, Time)>,
    /// Whether a chocolate is tempered in it.
    pub tempers: bool,
    /// Whether something of it is done already.
    pub begun: bool,
}

/// A time zone by its IANA name, UTC where there is none; faults are noted.
pub fn zone(field: &str, name: &str, check: &mut Checker) -> Tz {
    name.parse().unwrap_or_else(|_| {
        check.fault(field, say::must_be_a_zone(name));
        Tz::UTC
    })
}

fn wait(step: &Step) -> Option<Time> {
    let opens = step.opens()?;
    (opens.typical_s >= APART_S).then(|| seconds(opens.typical_s))
}

/// The sittings of each component, in order, each with the tempering it begins with, then packing.
/// What several share is tempered in the first one's.
#[must_use]
pub fn sittings(lines: &[Line]) -> Vec<Sitting> {
    let mut all = Vec::new();
    let mut tempered: HashSet<&str> = HashSet::new();
    for line in lines.iter().filter(|line| line.bowl().is_none()) {
        let mut open: Option<Sitting> = None;
        for step in &line.steps {
            let long = wait(step);
            if open.is_none() || long.is_some() {
                all.extend(open.take());
                open = Some(Sitting::beginning(line, step, long));
            }
            let Some(sitting) = &mut open else { continue };
            if let Some(key) = step.tempered.as_deref().filter(|key| tempered.insert(key)) {
                let of = lines.iter().filter(|l| l.steps.iter().any(|step| step.key == key));
                for step in of.flat_map(|line| &line.steps) {
                    sitting.does(step, Time::default());
                }
            }
            // Short waits count from an earlier step of this sitting.
            let opens = step.wait.as_ref().filter(|_| long.is_none()).and_then(|wait| {
                let (_, at) = sitting.marks.iter().find(|(key, _)| *key == wait.step)?;
                Some(*at + seconds(wait.opens.as_ref()?.typical_s))
            });
            sitting.does(step, opens.unwrap_or_default());
        }
        all.extend(open);
    }
    all
}

impl Sitting {
    /// One that begins with a step, after a long wait where there is one.
    fn beginning(line: &Line, step: &Step, long: Option<Time>) -> Self {
        let after_wait = || step.wait.as_ref().filter(|_| long.is_some());
        Self {
            component: line.component().unwrap_or_default().to_owned(),
            packs: line.is_packing(),
            line: line.key.clone(),
            name: line.name.clone(),
            step: step.key.clone(),
            texts: Vec::new(),
            waits_for: after_wait().and_then(|wait| Some(wait.opens.as_ref()?.what.clone())),
            least: long.unwrap_or_default(),
            most: after_wait().and_then(|wait| Some(seconds(wait.closes.as_ref()?.typical_s))),
            since: after_wait().map(|wait| wait.step.clone()),
            lasts: Time::default(),
            marks: Vec::new(),
            tempers: false,
            begun: false,
        }
    }

    /// Goes on with a step that opens so long after it was begun.
    fn does(&mut self, step: &Step, opens: Time) {
        self.texts.push(step.text.clone());
        self.tempers |= step.kind == StepKind::Tempering;
        self.lasts = self.lasts.max(opens) + seconds(step.takes.typical_s);
        self.marks.push((step.key.clone(), self.lasts));
    }
}

/// How long all of it takes, whatever the time of day.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Span {
    /// From the first touch to the last, with the waits between.
    pub over: Time,
    /// Of it, with the hands.
    pub hands: Time,
    /// In so many sittings.
    pub sittings: usize,
}

/// How long what these lines tell takes: one pair of hands, at any hour, one sitting as soon as it
/// may be after the other, the longest chain first.
#[must_use]
pub fn span(lines: &[Line]) -> Span {
    let all = sittings(lines);
    let mut placed: Vec<(&Sitting, Time)> = Vec::with_capacity(all.len());
    let mut left: Vec<&[Sitting]> = all.chunk_by(|a, b| a.component == b.component).collect();
    let mut free = Time::default();
    loop {
        let ready = left.iter().enumerate().filter_map(|(which, chain)| {
            let (first, rest) = chain.split_first()?;
            if first.packs && placed.len() + chain.len() < all.len() {
                return None;
            }
            Some((which, soonest(first, &placed).max(free), first, rest))
        });
        // The longest chain first where several could begin.
        let next =
            ready.min_by(|a, b| a.1.value.total_cmp(&b.1.value).then(b.3.len().cmp(&a.3.len())));
        let Some((which, from, sitting, rest)) = next else { break };
        left[which] = rest;
        free = from + sitting.lasts;
        placed.push((sitting, from));
    }
    let over = placed.iter().map(|(sitting, from)| *from + sitting.lasts);
    let steps = lines.iter().flat_map(|line| &line.steps);
    Span {
        over: over.fold(Time::default(), Time::max),
        hands: steps.map(|step| seconds(step.takes.typical_s)).sum(),
        sittings: all.len(),
    }
}

/// When a sitting may be begun, by what those of its component before it have done.
fn soonest(sitting: &Sitting, placed: &[(&Sitting, Time)]) -> Time {
    let mut before = placed.iter().rev().filter(|(of, _)| of.component == sitting.component);
    let counted = before.find_map(|(of, from)| {
        let (_, at) = of.marks.iter().find(|(key, _)| Some(key) == sitting.since.as_ref())?;
        Some(*from + *at + sitting.least)
    });
    counted.unwrap_or_default()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::kinds::kinds;
    use crate::plan::{BowlInputs, Plan, PlanInputs};
    use crate::steps::lines;
    use crate::units::{in_seconds, minutes};
    use crate::work::ComponentInputs;

    fn planned(name: &str) -> Vec<Line> {
        let kind = kinds().into_iter().find(|kind| kind.name == name).expect("such a kind");
        let mut bowls: Vec<_> = kind.families.iter().copied().map(BowlInputs::usual).collect();
        bowls.extend(kind.colours);
        let component = ComponentInputs { key: "it".into(), name: name.into(), work: kind.start };
        let usual = PlanInputs::usual(Family::Dark);
        let inputs =
            PlanInputs { fridge_c: Some(5.0), bowls, components: vec![component], ..usual };
        lines(&Plan::of(&inputs).expect("a plan"))
    }

    #[test]
    fn filled_shells_are_colour_shell_fill_and_cap_with_nights_between() {
        let all = sittings(&planned("Filled shells"));
        let firsts: Vec<_> = all.iter().map(|s| s.step.as_str()).collect();
        assert_eq!(firsts, ["it/polish", "it/pour", "it/fill", "it/cap"]);
        let tempers =
            |i: usize| all[i].texts.iter().filter(|t| t.text().starts_with("Temper the")).count();
        assert_eq!(
            (0..4).map(tempers).collect::<Vec<_>>(),
            [2, 1, 0, 1],
            "two colours, the shells, the caps"
        );
        let hours: Vec<_> = all.iter().map(|s| in_seconds(s.least) / 3_600.0).collect();
        assert_eq!(hours, [0.0, 6.0, 8.0, 4.0]);
    }

    #[test]
    fn what_it_takes_is_the_same_as_the_schedule_of_one_who_never_sleeps() {
        for kind in kinds() {
            let lines = planned(kind.name);
            let span = span(&lines);
            let all = sittings(&lines);
            assert_eq!(span.sittings, all.len(), "{}", kind.name);
            assert!(
                span.hands > minutes(3.0) && span.hands <= span.over,
                "{}: {span:?}",
                kind.name
            );
            let waits: Time = all.iter().map(|sitting| sitting.least).sum();
            let lasts: Time = all.iter().map(|sitting| sitting.lasts).sum();
            // A wait may count from a step before the last one.
            assert!(span.over <= waits + lasts + seconds(0.1), "{}: {span:?}", kind.name);
            assert!(span.over >= lasts - seconds(0.1), "{}: {span:?}", kind.name);
        }
        let filled = span(&planned("Filled shells"));
        assert!((3..=5).contains(&filled.sittings));
        assert!(filled.over > minutes(18.0 * 60.0) && filled.over < minutes(30.0 * 60.0));
        assert_eq!(span(&[]), Span { over: Time::default(), hands: Time::default(), sittings: 0 });
    }

    #[test]
    fn flat_work_is_one_sitting() {
        let all = sittings(&planned("Slab of bark"));
        assert_eq!(all.len(), 1);
        assert!(all[0].lasts > minutes(5.0) && all[0].lasts < minutes(120.0), "{:?}", all[0].lasts);
    }
}
