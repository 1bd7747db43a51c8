//! What components share: chocolates, trays, the fridge, one pair of hands.

use super::inputs::PlanInputs;
use super::keeping::packed_apart;
use super::known_goods::Known;
use super::planned::{PlannedBowl, PlannedComponent};
use crate::catalogue::plan as say;
use crate::message::{List, names};
use crate::note::Note;
use crate::units::Time;
use crate::work::{Task, TrayInputs};

/// So many chocolates can be held in temper at once by one maker (*custom*).
const HELD_AT_ONCE: usize = 3;

/// Remarks on all of a batch together.
pub(super) fn remarks(components: &[PlannedComponent], bowls: &[PlannedBowl]) -> Vec<Note> {
    let mut notes = Vec::new();
    let (with, without): (Vec<_>, Vec<_>) = components.iter().partition(has_nuts);
    if !with.is_empty() && !without.is_empty() {
        notes.push(Note::caution(
            "nut-free-first",
            say::nut_free_first(names_of(&without), names_of(&with)),
        ));
    }
    // Bottles of colour are held in a warm place; chocolates ask for hands.
    let planned = bowls.iter().filter_map(|bowl| bowl.plan.as_ref());
    let held = planned.filter(|plan| plan.colour.is_none()).count();
    if held > HELD_AT_ONCE {
        notes.push(Note::caution("many-bowls", say::many_bowls(held)));
    }
    let in_fridge = components.iter().filter(|c| c.fridge.is_some()).count();
    if in_fridge > 2 {
        notes.push(Note::info("fridge-shared", say::fridge_shared(in_fridge)));
    }
    notes.extend(packed_apart(components));
    notes
}

fn names_of(components: &[&PlannedComponent]) -> List {
    names(components.iter().map(|c| &c.name))
}

fn has_nuts(component: &&PlannedComponent) -> bool {
    component.draft.goods.iter().any(|goods| Known::by(&goods.name).nutty)
}

/// Trays from the shelf that more than one component is to be made in.
#[must_use]
pub fn shared_trays(inputs: &PlanInputs) -> Vec<Note> {
    let mut notes = Vec::new();
    let saved: Vec<_> = inputs
        .components
        .iter()
        .filter_map(|c| match c.work.tray() {
            Some(TrayInputs::Saved { tray_id }) => Some((tray_id, c.name.as_str())),
            _ => None,
        })
        .collect();
    for (i, (tray, name)) in saved.iter().enumerate() {
        if let Some((_, before)) = saved[..i].iter().rev().find(|(other, _)| other == tray) {
            notes.push(Note::caution("tray-shared", say::tray_shared(name, before)));
        }
    }
    notes
}

/// Tasks that the hands cannot do in the time that is left for them.
pub(super) fn too_slow(tasks: &[Task]) -> Vec<Note> {
    let mut notes = Vec::new();
    for (i, task) in tasks.iter().enumerate() {
        let (Some(until), Some(since)) =
            (task.until.as_ref().filter(|due| due.sets), task.since.as_ref())
        else {
            continue;
        };
        let Some(start) = tasks.iter().position(|other| &other.key == since) else { continue };
        // A window that opens late is not used up by what comes before it.
        let opens = task.from.as_ref().map_or(Time::default(), |due| due.moment.typical);
        let busy: Time = if task.from.is_some() {
            task.takes
        } else {
            tasks[start + 1..=i].iter().map(|t| t.takes).fold(Time::default(), |a, b| a + b)
        };
        let room = until.moment.typical - opens;
        if busy > room {
            notes.push(Note::caution(
                "hands-too-slow",
                say::hands_too_slow(task.text.clone(), busy, room),
            ));
        }
    }
    notes
}
