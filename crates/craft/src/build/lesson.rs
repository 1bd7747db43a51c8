//! What a build teaches about the kitchen it is made in.

use super::events::{Event, standing};
use super::timeline::Timeline;
use crate::learn::GearNumbers;
use crate::plan::BatchPlan;

/// What each component taught: how long it took to set against what is usual, where
/// the maker said when it was dry. `planned_pace` is the pace the plan was made with.
#[must_use]
pub fn lesson(plan: &BatchPlan, events: &[Event], planned_pace: f64) -> Vec<(String, GearNumbers)> {
    let standing = standing(events);
    let taught = |line: &Timeline<'_>| {
        let tasks = &line.component.tasks;
        let pace =
            tasks.iter().filter(|t| t.is_touch).find_map(|t| line.pace(t.since.as_deref()?))?;
        let numbers =
            GearNumbers { setting_pace: Some(pace * planned_pace), ..GearNumbers::default() };
        Some((line.component.key.clone(), numbers))
    };
    plan.components.iter().filter_map(|c| taught(&Timeline::new(c, &standing))).collect()
}
