//! Batches, as they are answered.

use std::collections::BTreeSet;

use chrono::{DateTime, Utc};
use craft::batch::{Stage, ToDo};
use craft::chocolate::Family;
use craft::plan::PlanInputs;
use craft::result::{Look, Looks, Symptom};
use craft::time::WallTime;
use serde::Serialize;
use serde_json::Value;
use store::batches::BatchLine;
use store::bowls::{BowlLine, BowlStatus};
use utoipa::ToSchema;
use uuid::Uuid;

use super::packing::CountAnswer;
use super::plan::PlanAnswer;
use super::result::{LookDueAnswer, ResultAnswer};
use crate::clock::ClockAnswer;

/// A batch in a list.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchLineAnswer {
    /// Its id.
    pub id: Uuid,
    /// The plan it was made of; `null` once that is gone.
    pub plan_id: Option<Uuid>,
    /// What it is called.
    pub name: String,
    /// Where it stands.
    pub stage: Stage,
    /// Whether anything is still to do.
    pub unfinished: bool,
    /// Its chocolates.
    pub families: Vec<Family>,
    /// How its colours look, `#rrggbb`.
    pub colours: Vec<String>,
    /// What is made, by name.
    pub components: Vec<String>,
    /// What is made, by kind: as it is drawn.
    pub kinds: Vec<String>,
    /// What was to be weighed out of all its chocolates.
    pub to_weigh_g: Option<f64>,
    /// When it was begun.
    pub begun_at: WallTime,
    /// When its last bowl ended.
    pub ended_at: Option<WallTime>,
    /// When anything happened to it last.
    pub last_at: WallTime,
    /// When it was deleted.
    pub deleted_at: Option<WallTime>,
    /// Why it was given up, where it was.
    pub gave_up: Option<String>,
    /// Its open bowl.
    pub bowl_id: Option<Uuid>,
    /// How many times a result was noted.
    pub results: usize,
    /// How it looked at the latest; `null` where nothing was noted.
    pub looks: Option<Looks>,
    /// The faults that were seen, at any look.
    pub faults: BTreeSet<Symptom>,
    /// The latest photo of its pieces.
    pub photo_id: Option<Uuid>,
    /// Whether the maker marked it.
    pub starred: bool,
    /// Why it cannot be read, where it cannot; it can be saved as it is.
    pub unreadable: Option<String>,
}

impl From<BatchLine> for BatchLineAnswer {
    fn from(line: BatchLine) -> Self {
        let (shown, unreadable) = match line.summary {
            Some(Ok(shown)) => (shown, None),
            Some(Err(unreadable)) => (Default::default(), Some(unreadable.to_string())),
            None => (Default::default(), (!line.readable).then(|| UNREADABLE.to_owned())),
        };
        Self {
            id: line.id,
            plan_id: line.plan_id,
            name: line.name,
            gave_up: line.gave_up.filter(|_| line.stage == Stage::Lost),
            stage: line.stage,
            unfinished: line.unfinished,
            families: shown.families,
            colours: shown.colours,
            components: shown.components,
            kinds: shown.kinds,
            to_weigh_g: shown.to_weigh_g,
            begun_at: line.begun_at,
            ended_at: line.ended_at,
            last_at: line.last_at,
            deleted_at: line.deleted_at,
            bowl_id: line.open_bowl,
            results: line.looks.len(),
            // What cannot be read is said where the batch is opened.
            faults: line.looks.iter().flatten().flat_map(Look::faults).collect(),
            looks: line.looks.into_iter().next().and_then(Result::ok).map(|look| look.looks),
            photo_id: line.photo,
            starred: line.starred,
            unreadable,
        }
    }
}

/// Why a batch of an earlier release shows no plan.
pub const UNREADABLE: &str = "what it was begun with cannot be read by this release";

/// A page of batches.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchPage {
    /// The batches, those of the newest activity first.
    pub batches: Vec<BatchLineAnswer>,
    /// Where the next page begins: its `after`; `null` on the last.
    pub next: Option<String>,
}

/// A bowl of a batch, in short.
#[derive(Debug, Serialize, ToSchema)]
pub struct BowlRef {
    /// Its id.
    pub id: Uuid,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
    /// When it was opened, in the batch's time.
    pub opened_at: DateTime<Utc>,
    /// Where it stands.
    pub status: BowlStanding,
    /// When it ended, by the wall.
    pub ended_at: Option<WallTime>,
    /// Why it was given up.
    pub gave_up: Option<String>,
}

/// Where a bowl stands.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum BowlStanding {
    /// At the bench.
    Open,
    /// Poured, or put on.
    Poured,
    /// Given up.
    GivenUp,
}

impl From<BowlLine> for BowlRef {
    fn from(bowl: BowlLine) -> Self {
        Self {
            id: bowl.id,
            chocolate: bowl.chocolate,
            opened_at: bowl.opened_at,
            ended_at: bowl.status.ended(),
            status: match bowl.status {
                BowlStatus::Open => BowlStanding::Open,
                BowlStatus::Poured { .. } => BowlStanding::Poured,
                BowlStatus::GivenUp { .. } => BowlStanding::GivenUp,
            },
            gave_up: match bowl.status {
                BowlStatus::GivenUp { reason, .. } => Some(reason),
                BowlStatus::Open | BowlStatus::Poured { .. } => None,
            },
        }
    }
}

/// A batch.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchAnswer {
    /// Its id.
    pub id: Uuid,
    /// The plan it was made of; `null` once that is gone.
    pub plan_id: Option<Uuid>,
    /// What it is called.
    pub name: String,
    /// The maker's remarks.
    pub note: String,
    /// Counts the edits of name and note; the same as the `ETag`.
    pub version: u32,
    /// The release that worked out what it was begun with.
    pub made_by: String,
    /// Where it stands.
    pub stage: Stage,
    /// What is still to do, a line each.
    pub to_do: Vec<ToDo>,
    /// When it was begun.
    pub begun_at: WallTime,
    /// When its last bowl ended.
    pub ended_at: Option<WallTime>,
    /// Whether the maker marked it.
    pub starred: bool,
    /// When its last bowl was poured, by the wall.
    pub poured_at: Option<WallTime>,
    /// The look at what came out that it is time for.
    pub due_look: Option<LookDueAnswer>,
    /// The look that comes next.
    pub next_look: Option<LookDueAnswer>,
    /// When the maker closed it.
    pub closed_at: Option<WallTime>,
    /// What was stated when it was begun; `null` where that cannot be read.
    pub stated: Option<PlanInputs>,
    /// The plan as it was shown then; `null` where that cannot be read.
    #[schema(value_type = Option<PlanAnswer>)]
    pub plan: Option<Value>,
    /// Why it cannot be read, where it cannot; it can be saved as it is.
    pub unreadable: Option<String>,
    /// Its bowls, the latest first.
    pub bowls: Vec<BowlRef>,
    /// What was counted last; `null` where nothing was.
    pub counted: Option<CountAnswer>,
    /// What came out, the first look first.
    pub results: Vec<ResultAnswer>,
    /// Its time.
    pub clock: ClockAnswer,
}
