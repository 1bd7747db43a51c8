//! What was learned, put into a plan one cause after the other.

use craft::check::{Checker, Fault};
use craft::clinic::apply;
use craft::message::Message;
use craft::plan::{Plan, PlanInputs, WatchFor};

use crate::catalogue::records as say;

/// So many causes are put in at once at most.
const MOST: usize = 24;

/// A plan with what was learned in it, and what is different of each; `fill` puts in what a plan names
/// on the shelf.
///
/// # Errors
/// Where the plan is refused, or something learned is of nothing that it makes.
pub fn with_learned(
    inputs: &PlanInputs,
    learned: &[WatchFor],
    fill: impl Fn(&PlanInputs) -> Result<PlanInputs, Vec<Fault>>,
) -> Result<(PlanInputs, Vec<Vec<Message>>), Vec<Fault>> {
    let mut check = Checker::new();
    if learned.len() > MOST {
        check.fault("learned", say::at_most_entries(MOST));
    }
    for (i, WatchFor { component, .. }) in learned.iter().enumerate() {
        if inputs.components.iter().all(|made| made.key != *component) {
            check.fault(format!("learned[{i}].component"), say::not_made_in_it(component));
        }
    }
    check.finish()?;
    let planned = |inputs: &PlanInputs| -> Result<Plan, Vec<Fault>> {
        let plan = fill(inputs).and_then(|filled| Plan::of(&filled));
        plan.map_err(|faults| faults.into_iter().map(|fault| fault.under("inputs")).collect())
    };
    let mut inputs = inputs.clone();
    let mut changes = Vec::new();
    for one in learned {
        let plan = planned(&inputs)?;
        let applied = apply(&inputs, &plan, one);
        inputs = applied.inputs;
        changes.push(applied.changes);
    }
    // What comes of it must be a plan.
    planned(&inputs)?;
    Ok((inputs, changes))
}
