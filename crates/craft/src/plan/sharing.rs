//! What components share: chocolates, trays, the fridge, one pair of hands.

use super::inputs::PlanInputs;
use super::planned::{PlannedBowl, PlannedComponent};
use crate::note::Note;
use crate::units::{Time, in_seconds};
use crate::work::{Task, TrayInputs};

/// Words by which nuts are known on a list of goods.
const NUTS: [&str; 10] = [
    "nut",
    "almond",
    "pecan",
    "pistachio",
    "macadamia",
    "praline",
    "marzipan",
    "gianduja",
    "cashew",
    "sesame",
];

/// So many chocolates can be held in temper at once by one maker (*custom*).
const HELD_AT_ONCE: usize = 3;

/// Remarks on all of a batch together.
pub(super) fn remarks(components: &[PlannedComponent], bowls: &[PlannedBowl]) -> Vec<Note> {
    let mut notes = Vec::new();
    let (with, without): (Vec<_>, Vec<_>) = components.iter().partition(has_nuts);
    if !with.is_empty() && !without.is_empty() {
        notes.push(Note::caution(
            "nut-free-first",
            format!(
                "{} before {}: what is free of nuts comes first, with clean bowls and spatulas. What was in \
                 touch with nuts says so on its label.",
                names(&without),
                names(&with)
            ),
        ));
    }
    // Bottles of colour are held in a warm place; chocolates ask for hands.
    let planned = bowls.iter().filter_map(|bowl| bowl.plan.as_ref());
    let held = planned.filter(|plan| plan.colour.is_none()).count();
    if held > HELD_AT_ONCE {
        notes.push(Note::caution(
            "many-bowls",
            format!(
                "{held} chocolates for one pair of hands: temper those that meet in one piece together, and \
                 the others after them."
            ),
        ));
    }
    let in_fridge = components.iter().filter(|c| c.fridge.is_some()).count();
    if in_fridge > 2 {
        notes.push(Note::info(
            "fridge-shared",
            format!(
                "{in_fridge} of them go into the same fridge: room for each, level, and the door shut between."
            ),
        ));
    }
    notes
}

fn names(components: &[&PlannedComponent]) -> String {
    components.iter().map(|c| c.name.as_str()).collect::<Vec<_>>().join(", ")
}

fn has_nuts(component: &&PlannedComponent) -> bool {
    component.draft.goods.iter().any(|goods| {
        let name = goods.name.to_lowercase();
        NUTS.iter().any(|nut| name.contains(nut))
    })
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
            notes.push(Note::caution(
                "tray-shared",
                format!("{name} goes in the same tray as {before}: only once that is out of it."),
            ));
        }
    }
    notes
}

/// Tasks that the hands cannot do in the time that is left for them.
pub(super) fn too_slow(tasks: &[Task]) -> Vec<Note> {
    let mut notes = Vec::new();
    for (i, task) in tasks.iter().enumerate() {
        let (Some(until), Some(since)) = (task.until.filter(|due| due.sets), task.since.as_ref())
        else {
            continue;
        };
        let Some(start) = tasks.iter().position(|other| &other.key == since) else { continue };
        // A window that opens late is not used up by what comes before it.
        let opens = task.from.map_or(Time::default(), |due| due.moment.typical);
        let busy: Time = if task.from.is_some() {
            task.takes
        } else {
            tasks[start + 1..=i].iter().map(|t| t.takes).fold(Time::default(), |a, b| a + b)
        };
        let room = until.moment.typical - opens;
        if busy > room {
            notes.push(Note::caution(
                "hands-too-slow",
                format!(
                    "{}: about {:.0} s of work, and only {:.0} s before it sets. Make it in smaller lots, or \
                     with a second pair of hands.",
                    task.text,
                    in_seconds(busy),
                    in_seconds(room)
                ),
            ));
        }
    }
    notes
}
