//! Where a batch stands as a whole, and what is still to do.

use serde::Serialize;

use super::bowls::{BowlState, BowlStatus, bowl_of};
use super::events::{Event, EventKind, standing as standing_events};
use super::timeline::{Timeline, timelines};
use crate::message::Message;
use crate::steps::{Line, StepKind};
use crate::words::worded;

worded! {
    /// Where a batch stands.
    Stage {
        /// Something in it is still to be made.
        UnderWay = "under_way",
        /// Everything in it is made: nothing waits for chocolate any more.
        Made = "made",
        /// Its bowls were given up before anything was made.
        Lost = "lost",
        /// The maker closed it with something left to make.
        Closed = "closed",
    }
}

/// Something that is still to do.
#[derive(Clone, Debug, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToDo {
    /// The line, by its key.
    pub line: String,
    /// What the maker calls it.
    pub name: String,
    /// Its next step, by key.
    pub step: String,
    /// What that is.
    pub text: Message,
    /// How many steps come after it.
    pub more: usize,
}

/// Where a batch stands, and what is still to do.
#[derive(Clone, Debug, PartialEq)]
pub struct Standing {
    /// Where it stands.
    pub stage: Stage,
    /// What is still to do of each component, in order; empty once all is.
    pub to_do: Vec<ToDo>,
}

/// Whether a line needs no more chocolate; what never did is made with its last step.
fn is_made(line: &Timeline<'_>) -> bool {
    let steps = &line.line.steps;
    let last = steps.iter().rposition(|step| step.tempered.is_some());
    last.or(steps.len().checked_sub(1)).is_none_or(|last| line.is_passed(last))
}

/// Whether anything of a line is made: chocolate was poured into it, or it was gone on with
/// after what is only prepared.
fn is_begun(line: &Timeline<'_>) -> bool {
    let made_ready = |kind| matches!(kind, StepKind::Preparing);
    line.line.steps.iter().enumerate().any(|(i, step)| !made_ready(step.kind) && line.is_passed(i))
}

/// Where a batch stands by its bowls and what was done; `closed` where the maker closed it.
#[must_use]
pub fn standing(lines: &[Line], events: &[Event], bowls: &[BowlState], closed: bool) -> Standing {
    let timelines = timelines(lines, &standing_events(events), bowls);
    let components: Vec<_> = timelines.iter().filter(|l| l.line.component().is_some()).collect();
    let to_do: Vec<ToDo> = timelines
        .iter()
        .filter(|line| line.line.bowl().is_none())
        .filter_map(|line| {
            let next = line.next()?;
            let step = &line.line.steps[next];
            Some(ToDo {
                line: line.line.key.clone(),
                name: line.line.name.clone(),
                step: step.key.clone(),
                text: step.text.clone(),
                more: line.line.steps.len() - next - 1,
            })
        })
        .collect();
    let made = !components.is_empty() && components.iter().all(|line| is_made(line));
    let given_up = !bowls.is_empty() && bowls.iter().all(|b| b.status == BowlStatus::GivenUp);
    let stage = if made {
        Stage::Made
    } else if closed {
        Stage::Closed
    } else if given_up && !components.iter().any(|line| is_begun(line)) {
        Stage::Lost
    } else {
        Stage::UnderWay
    };
    Standing { stage, to_do }
}

/// The chocolate whose open bowl is used up once `step` is done: every step that takes it
/// is done then. Its pour is told to the bench too, so that it counts once.
#[must_use]
pub fn ends_bowl<'a>(
    lines: &'a [Line],
    events: &[Event],
    bowls: &[BowlState],
    step: &str,
) -> Option<(&'a str, u32)> {
    let tempered = lines
        .iter()
        .flat_map(|line| &line.steps)
        .find(|known| known.key == step)?
        .tempered
        .as_deref()?;
    let tempering = lines.iter().find(|l| l.steps.iter().any(|known| known.key == tempered))?;
    let (chocolate, nth) = tempering.bowl()?;
    let open = bowl_of(bowls, chocolate, nth)
        .is_some_and(|bowl| matches!(bowl.status, BowlStatus::Open | BowlStatus::Ready));
    let said: Vec<&str> = standing_events(events)
        .iter()
        .filter_map(|event| match &event.kind {
            EventKind::Done { step, .. } => Some(step.as_str()),
            EventKind::Undone { .. } | EventKind::StartedOver => None,
        })
        .chain([step])
        .collect();
    let used_up = lines.iter().all(|line| {
        let last = line.steps.iter().rposition(|s| s.tempered.as_deref() == Some(tempered));
        let done = line.steps.iter().rposition(|s| said.contains(&s.key.as_str()));
        last.is_none_or(|last| done.is_some_and(|done| done >= last))
    });
    (open && used_up).then_some((chocolate, nth))
}
