//! A batch as it goes on: what to do now, what is coming, how far it is.

use std::collections::BTreeMap;

use chrono::{DateTime, Utc};
use craft::batch::{
    Coming, Guide, Instruction, Progress, Stage, State, StepProgress, ToDo, Untempered,
};
use craft::help::Topic;
use craft::message::Message;
use craft::steps::StepKind;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::round;
use crate::clock::ClockAnswer;

/// How an instruction stands.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum InstructionState {
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

impl From<State> for InstructionState {
    fn from(state: State) -> Self {
        match state {
            State::Do => Self::Do,
            State::Closing => Self::Closing,
            State::Missed => Self::Missed,
            State::Wait => Self::Wait,
            State::WaitForBowl => Self::WaitForBowl,
        }
    }
}

/// Something that is coming.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ComingAnswer {
    /// The key of its line of steps.
    pub line: String,
    /// What the maker calls that.
    pub name: String,
    /// What it is.
    pub what: Message,
    /// Whether a window closes then.
    pub closes: bool,
    /// When, most likely, in the batch's time.
    pub at: DateTime<Utc>,
    /// Not likely before.
    pub earliest: DateTime<Utc>,
    /// Not likely after.
    pub latest: DateTime<Utc>,
}

impl From<Coming> for ComingAnswer {
    fn from(coming: Coming) -> Self {
        Self {
            line: coming.line,
            name: coming.name,
            what: coming.what,
            closes: coming.closes,
            at: coming.at,
            earliest: coming.earliest,
            latest: coming.latest,
        }
    }
}

/// Whose hands a step is in.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, ToSchema)]
pub struct InHand {
    /// The device; `null` where it is the main screen.
    pub device_id: Option<Uuid>,
    /// What it is called.
    pub device: String,
}

/// What else is known of steps: whose hands they are in, and on which device they were done.
#[derive(Debug, Default)]
pub struct OfSteps {
    /// Whose hands a step is in, by its key.
    pub in_hand: BTreeMap<String, InHand>,
    /// On which device a step was ticked off, by its key.
    pub done_on: BTreeMap<String, String>,
}

/// Something to do.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct InstructionAnswer {
    /// The key of its line of steps.
    pub line: String,
    /// What the maker calls that.
    pub name: String,
    /// The step's key.
    pub step: String,
    /// What sort of work it is.
    pub kind: StepKind,
    /// What to do.
    pub text: Message,
    /// How; what to do instead, where its window was missed.
    pub detail: Message,
    /// What is to be minded while it is done; empty where nothing is.
    pub caution: Option<Message>,
    /// How it stands.
    pub state: InstructionState,
    /// Whether it is the finger's check that the surface is dry.
    pub is_touch: bool,
    /// Whether a helper may do it: no heat, no sugar, nothing to be minded.
    pub for_helper: bool,
    /// What can be asked of it.
    pub topic: Option<Topic>,
    /// What was learned for it from how things came out before.
    pub learned: Vec<Message>,
    /// When its window opens, where that is to come.
    pub opens: Option<ComingAnswer>,
    /// When its window closes.
    pub closes: Option<ComingAnswer>,
    /// The chocolate that is to be tempered for it, or that it waits for.
    pub chocolate: Option<String>,
    /// The bowl it waits for, or is poured from, where that is at the bench.
    pub bowl_id: Option<Uuid>,
    /// Whose hands it is in, where somebody took it.
    pub in_hand: Option<InHand>,
}

impl InstructionAnswer {
    fn new(i: Instruction, bowl_id: Option<Uuid>, of_steps: &OfSteps) -> Self {
        Self {
            in_hand: of_steps.in_hand.get(&i.step).cloned(),
            line: i.line,
            name: i.name,
            step: i.step,
            kind: i.kind,
            text: i.text,
            detail: i.detail,
            caution: i.caution,
            state: i.state.into(),
            is_touch: i.is_touch,
            for_helper: i.for_helper,
            topic: i.topic,
            learned: i.learned,
            opens: i.opens.map(Into::into),
            closes: i.closes.map(Into::into),
            chocolate: i.chocolate,
            bowl_id,
        }
    }
}

/// A step, and when it was done.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct StepProgressAnswer {
    /// Its key.
    pub key: String,
    /// What it is.
    pub text: Message,
    /// Whether a helper may do it.
    pub for_helper: bool,
    /// When it was done, in the batch's time.
    pub done_at: Option<DateTime<Utc>>,
    /// On which device that was entered; `null` where it was on the main screen.
    pub done_on: Option<String>,
}

impl StepProgressAnswer {
    fn new(step: StepProgress, of_steps: &OfSteps) -> Self {
        let done_on = of_steps.done_on.get(&step.key).cloned();
        let StepProgress { key, text, for_helper, done_at } = step;
        Self { key, text, for_helper, done_at, done_on }
    }
}

/// How far a line of steps is.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ProgressAnswer {
    /// Its key.
    pub line: String,
    /// What the maker calls it.
    pub name: String,
    /// Its steps.
    pub steps: Vec<StepProgressAnswer>,
    /// The key of the next step; `null` once it is finished.
    pub next: Option<String>,
    /// How long it takes to set against what was foretold, where the maker said so.
    pub pace: Option<f64>,
}

impl ProgressAnswer {
    fn new(progress: Progress, of_steps: &OfSteps) -> Self {
        let step = |step: StepProgress| StepProgressAnswer::new(step, of_steps);
        Self {
            line: progress.line,
            name: progress.name,
            steps: progress.steps.into_iter().map(step).collect(),
            next: progress.next,
            pace: progress.pace.map(|pace| round(pace, 3)),
        }
    }
}

/// A bowl that was poured without being tempered.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct UntemperedAnswer {
    /// Which chocolate it is, by key.
    pub chocolate: String,
    /// Why.
    pub why: Message,
    /// What to do about it.
    pub instead: Message,
}

impl From<Untempered> for UntemperedAnswer {
    fn from(poured: Untempered) -> Self {
        Self {
            chocolate: poured.chocolate,
            why: poured.why,
            instead: craft::coach::not_tempered_instead(),
        }
    }
}

/// A batch as it goes on.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct GuideAnswer {
    /// The batch.
    pub batch_id: Uuid,
    /// What it is called.
    pub batch_name: String,
    /// The plan it is made of; `null` once that is gone.
    pub plan_id: Option<Uuid>,
    /// Where it stands as a whole.
    pub stage: Stage,
    /// What was poured without being tempered: its windows are not told.
    pub untempered: Vec<UntemperedAnswer>,
    /// What to do now, or what is next; `null` once all is done.
    pub now: Option<InstructionAnswer>,
    /// What a second pair of hands can do at the same time, what presses most first.
    pub also: Vec<InstructionAnswer>,
    /// What is coming, the soonest first.
    pub coming: Vec<ComingAnswer>,
    /// How far each line of steps is.
    pub progress: Vec<ProgressAnswer>,
    /// What is still to do, a line each.
    pub to_do: Vec<ToDo>,
    /// The latest event that can be taken back.
    pub last_event: Option<Uuid>,
    /// Whether a helper may take that back: it is of a step that a helper may do.
    pub undo_for_helper: bool,
    /// Its time.
    pub clock: ClockAnswer,
}

impl GuideAnswer {
    /// The answer for a batch; `bowl` says which open bowl is of a chocolate.
    #[must_use]
    pub fn new(
        (batch, standing): (&store::batches::BatchRow, craft::batch::Standing),
        guide: Guide,
        (last_event, undo_for_helper): (Option<Uuid>, bool),
        clock: ClockAnswer,
        of_steps: &OfSteps,
        bowl: impl Fn(&str) -> Option<Uuid>,
    ) -> Self {
        let instruction = |to_do: Instruction| {
            let bowl_id = to_do.chocolate.as_deref().and_then(&bowl);
            InstructionAnswer::new(to_do, bowl_id, of_steps)
        };
        Self {
            batch_id: batch.id,
            batch_name: batch.name.clone(),
            plan_id: batch.plan_id,
            stage: standing.stage,
            untempered: guide.untempered.into_iter().map(Into::into).collect(),
            now: guide.now.map(instruction),
            also: guide.also.into_iter().map(instruction).collect(),
            coming: guide.coming.into_iter().map(Into::into).collect(),
            progress: guide
                .progress
                .into_iter()
                .map(|progress| ProgressAnswer::new(progress, of_steps))
                .collect(),
            to_do: standing.to_do,
            last_event,
            undo_for_helper,
            clock,
        }
    }
}
