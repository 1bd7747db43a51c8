//! A build as it stands.

use chrono::{DateTime, Utc};
use craft::build::{Coming, Guide, Instruction, Progress, State};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::bowl::ClockAnswer;
use super::round;

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
    /// The component's key.
    pub component: String,
    /// The component's name.
    pub name: String,
    /// What it is.
    pub what: String,
    /// Whether a window closes then.
    pub closes: bool,
    /// When, most likely.
    pub at: DateTime<Utc>,
    /// Not likely before.
    pub earliest: DateTime<Utc>,
    /// Not likely after.
    pub latest: DateTime<Utc>,
}

impl From<Coming> for ComingAnswer {
    fn from(coming: Coming) -> Self {
        Self {
            component: coming.component,
            name: coming.name,
            what: coming.what.to_owned(),
            closes: coming.closes,
            at: coming.at,
            earliest: coming.earliest,
            latest: coming.latest,
        }
    }
}

/// The one thing to do now.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct InstructionAnswer {
    /// The component's key.
    pub component: String,
    /// The component's name.
    pub name: String,
    /// The task's key.
    pub task: String,
    /// What to do.
    pub text: String,
    /// How; what to do instead, where its window was missed.
    pub detail: String,
    /// What is to be minded while it is done; empty where nothing is.
    pub caution: String,
    /// How it stands.
    pub state: InstructionState,
    /// Whether it is the finger's check that the surface is dry.
    pub is_touch: bool,
    /// When its window opens, where that is to come.
    pub opens: Option<ComingAnswer>,
    /// When its window closes.
    pub closes: Option<ComingAnswer>,
    /// The chocolate that it waits for.
    pub chocolate: Option<String>,
}

impl From<Instruction> for InstructionAnswer {
    fn from(i: Instruction) -> Self {
        Self {
            component: i.component,
            name: i.name,
            task: i.task,
            text: i.text,
            detail: i.detail.to_owned(),
            caution: i.caution.to_owned(),
            state: i.state.into(),
            is_touch: i.is_touch,
            opens: i.opens.map(Into::into),
            closes: i.closes.map(Into::into),
            chocolate: i.chocolate,
        }
    }
}

/// A task and when it was done.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct TaskProgress {
    /// Its key.
    pub key: String,
    /// What it is.
    pub text: String,
    /// When it was done.
    pub done_at: Option<DateTime<Utc>>,
}

/// How far a component is.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ProgressAnswer {
    /// Its key.
    pub component: String,
    /// Its name.
    pub name: String,
    /// Its tasks.
    pub tasks: Vec<TaskProgress>,
    /// The key of the next task; `null` once it is finished.
    pub next: Option<String>,
    /// How long it takes to set against what was foretold, where the maker said so.
    pub pace: Option<f64>,
}

impl From<Progress> for ProgressAnswer {
    fn from(progress: Progress) -> Self {
        let task = |(key, text, done_at)| TaskProgress { key, text, done_at };
        Self {
            component: progress.component,
            name: progress.name,
            tasks: progress.tasks.into_iter().map(task).collect(),
            next: progress.next,
            pace: progress.pace.map(|pace| round(pace, 3)),
        }
    }
}

/// A build as it stands.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BuildAnswer {
    /// Its batch.
    pub batch_id: Uuid,
    /// Its batch's name.
    pub batch_name: String,
    /// What to do now, or what is next; `null` once all is done.
    pub now: Option<InstructionAnswer>,
    /// What is coming, the soonest first.
    pub coming: Vec<ComingAnswer>,
    /// How far each component is.
    pub progress: Vec<ProgressAnswer>,
    /// The latest event that can be taken back.
    pub last_event: Option<Uuid>,
    /// Its time.
    pub clock: ClockAnswer,
}

impl BuildAnswer {
    /// The answer for a batch.
    #[must_use]
    pub fn new(
        (batch_id, batch_name): (Uuid, String),
        guide: Guide,
        last_event: Option<Uuid>,
        clock: ClockAnswer,
    ) -> Self {
        Self {
            batch_id,
            batch_name,
            now: guide.now.map(Into::into),
            coming: guide.coming.into_iter().map(Into::into).collect(),
            progress: guide.progress.into_iter().map(Into::into).collect(),
            last_event,
            clock,
        }
    }
}
