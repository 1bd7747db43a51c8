//! What a batch teaches about the kitchen it is made in.

use super::bowls::BowlState;
use super::events::{Event, standing};
use super::timeline::timelines;
use crate::learn::GearNumbers;
use crate::steps::Line;

/// What each component taught: how long it took to set against what is usual, where
/// the maker said when it was dry. `planned_pace` is the pace the plan was made with.
#[must_use]
pub fn lesson(
    lines: &[Line],
    events: &[Event],
    bowls: &[BowlState],
    planned_pace: f64,
) -> Vec<(String, GearNumbers)> {
    let lines = timelines(lines, &standing(events), bowls);
    let mut taught: Vec<(String, GearNumbers)> = Vec::new();
    for line in &lines {
        let (Some(component), Some(pace)) = (line.line.component(), line.told_pace()) else {
            continue;
        };
        // Of several casts the first one speaks.
        if taught.iter().any(|(known, _)| known == component) {
            continue;
        }
        let numbers =
            GearNumbers { setting_pace: Some(pace * planned_pace), ..GearNumbers::default() };
        taught.push((component.to_owned(), numbers));
    }
    taught
}
