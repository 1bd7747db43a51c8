//! What a line does before it uses a chocolate: takes its part of a bowl, stirs a colour into it.

use super::lay_out::APART_S;
use super::step::{Step, StepKind, Takes};
use crate::catalogue::steps as say;
use crate::colour::measured;
use crate::message::Message;
use crate::plan::{Plan, PlannedBowl, PlannedComponent, TakenPart, Tinted};
use crate::units::{Mass, seconds};

/// A part is taken out, and colour is stirred in, in so long, s (*custom*).
const PART_S: f64 = 30.0;
const TINT_S: f64 = 120.0;
const READY_S: f64 = 20.0;

/// The steps of a line, each chocolate that is taken from another bowl, or tinted, made ready before
/// it is used: at first, and again where a long wait lies between. From there on a part is of the
/// bowl that it is taken from.
pub(super) fn parted(
    steps: Vec<Step>,
    line: &str,
    component: &PlannedComponent,
    casts: u32,
    plan: &Plan,
) -> Vec<Step> {
    let mut all: Vec<Step> = Vec::with_capacity(steps.len());
    let mut made_ready: Vec<(String, u32)> = Vec::new();
    let mut sitting = 0;
    // Where the first chocolate of the sitting is taken, and the first of each bowl: colour is held
    // ready before the one, a part is taken before the other.
    let mut begins: Option<usize> = None;
    let mut first_of: Vec<(String, usize)> = Vec::new();
    for mut step in steps {
        if waits_long(&step) {
            sitting += 1;
            begins = None;
            first_of.clear();
        }
        let bowl =
            step.chocolate.as_ref().and_then(|key| plan.bowls.iter().find(|b| b.key == *key));
        if bowl.is_some() {
            begins.get_or_insert(all.len());
        }
        let whole = bowl.map(|bowl| bowl.taken.as_ref().map_or(&bowl.key, |taken| &taken.from));
        if let Some(whole) = whole
            && !first_of.iter().any(|(key, _)| key == whole)
        {
            first_of.push((whole.clone(), all.len()));
        }
        let Some(bowl) = bowl.filter(|bowl| bowl.taken.is_some() || bowl.tinted.is_some()) else {
            all.push(step);
            continue;
        };
        let is_ready = made_ready.iter().any(|(key, at)| *key == bowl.key && *at == sitting);
        if !is_ready {
            let nth = made_ready.iter().filter(|(key, _)| *key == bowl.key).count();
            made_ready.push((bowl.key.clone(), sitting));
            let portion = (nth == 0).then(|| share_of(bowl, component, casts, plan));
            let ready = Ready { bowl, line, nth, portion };
            let place = begins.unwrap_or(all.len());
            let (colour, taken) = (ready.colour_held(), ready.taken());
            let first = first_of.iter().find(|(key, _)| Some(key) == whole).map(|(_, at)| *at);
            let at = first.unwrap_or(all.len());
            // The later place first, so that the earlier one stays where it is.
            let moved = (usize::from(colour.is_some()), taken.len());
            all.splice(at..at, taken);
            all.splice(place..place, colour);
            for (_, other) in &mut first_of {
                *other += if *other >= place { moved.0 } else { 0 };
                *other += if *other > at { moved.1 } else { 0 };
            }
            // For what the sitting waits for hours, its first step waits.
            let first = all.get(place).map(|first| first.key.clone());
            let waits = all.iter_mut().skip(place).chain([&mut step]).find(|one| waits_long(one));
            let wait = waits.and_then(|one| Some((one.wait.take()?, one.missed.take())));
            if let (Some(first), Some((wait, missed))) = (first, wait)
                && let Some(first) = all.iter_mut().find(|one| one.key == first)
            {
                first.wait = Some(wait);
                first.missed = missed;
            }
        }
        if let Some(taken) = &bowl.taken {
            step.chocolate = Some(taken.from.clone());
        }
        all.push(step);
    }
    all
}

/// Whether chocolate is not held in temper for as long as it waits.
fn waits_long(step: &Step) -> bool {
    step.opens().is_some_and(|opens| opens.typical_s >= APART_S)
}

/// What one cast of a component takes of a bowl: its share of all that is made from it.
fn share_of(bowl: &PlannedBowl, component: &PlannedComponent, casts: u32, plan: &Plan) -> Mass {
    let of = |component: &PlannedComponent| {
        let takes = component.draft.takes.iter().filter(|one| one.chocolate == bowl.key);
        takes.fold(Mass::default(), |sum, one| sum + one.at_hand)
    };
    let all = plan.components.iter().fold(Mass::default(), |sum, one| sum + of(one));
    let taken = bowl.taken.as_ref().map(|taken| taken.mass);
    let total = taken.or_else(|| bowl.tinted.as_ref().map(|tinted| tinted.into)).unwrap_or(all);
    if all <= Mass::default() {
        return total;
    }
    total * (of(component) / all).value / f64::from(casts.max(1))
}

/// What is made ready of a bowl.
struct Ready<'r> {
    bowl: &'r PlannedBowl,
    line: &'r str,
    /// How often it was made ready in this line before.
    nth: usize,
    /// How much; not said where it is made ready again.
    portion: Option<Mass>,
}

impl Ready<'_> {
    /// Its colour is held ready, where it is tinted.
    fn colour_held(&self) -> Option<Step> {
        let tinted = self.bowl.tinted.as_ref()?;
        let text = say::colour_ready(self.colour(tinted), &tinted.label, &self.bowl.label);
        let (kind, how) = (StepKind::Applying, say::colour_ready_how());
        let chocolate = Some(tinted.colour.clone());
        Some(Step { chocolate, ..self.step("colour", kind, text, how, READY_S) })
    }

    /// It is taken from its bowl, and coloured.
    fn taken(&self) -> Vec<Step> {
        let mut steps = Vec::new();
        if let Some(taken) = &self.bowl.taken {
            let (kind, how) = (StepKind::Pouring, say::part_how());
            steps.push(Step {
                chocolate: Some(taken.from.clone()),
                ..self.step("part", kind, self.part(taken), how, PART_S)
            });
        }
        if let Some(tinted) = &self.bowl.tinted {
            let text = say::tint(self.colour(tinted), &tinted.label, &self.bowl.label);
            // Into the bowl itself it goes while that is in temper, as a part is taken.
            let whole = self.bowl.taken.is_none();
            let kind = if whole { StepKind::Pouring } else { StepKind::Preparing };
            steps.push(Step {
                chocolate: whole.then(|| self.bowl.key.clone()),
                ..self.step("tint", kind, text, say::tint_how(), TINT_S)
            });
        }
        steps
    }

    fn part(&self, taken: &TakenPart) -> Message {
        let (from, label) = (&taken.label, &self.bowl.label);
        match self.portion {
            Some(mass) => say::part(mass, from, label),
            None => say::part_again(from, label),
        }
    }

    fn colour(&self, tinted: &Tinted) -> Message {
        self.portion.map_or_else(say::as_before, |mass| measured(mass * tinted.share))
    }

    fn step(&self, key: &str, kind: StepKind, text: Message, how: Message, takes_s: f64) -> Step {
        let again = if self.nth == 0 { String::new() } else { format!("-{}", self.nth + 1) };
        Step {
            key: format!("{}/{key}-{}{again}", self.line, self.bowl.key),
            kind,
            text,
            detail: how,
            caution: None,
            missed: None,
            takes: Takes::about(seconds(takes_s)),
            chocolate: None,
            tempered: None,
            wait: None,
            is_touch: false,
            topic: None,
            learned: Vec::new(),
        }
    }
}
