//! Batches.

use std::collections::HashSet;

use actix_web::{HttpResponse, delete, get, post, put, web};
use chrono::{DateTime, TimeDelta, Utc};
use craft::check::Checker;
use craft::chocolate::Family;
use craft::plan::PlanInputs;
use craft::shelf::Shelf;
use craft::units::Mass;
use serde::{Deserialize, Serialize};
use store::StoreError;
use store::batches::{Batch, BatchLine, BowlLine};
use utoipa::ToSchema;
use uuid::Uuid;

use super::outcomes::OutcomeAnswer;
use super::version::{EditedFrom, with_etag};
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// The longest name.
pub const LONGEST_NAME: usize = 120;
/// The longest note.
pub const LONGEST_NOTE: usize = 2_000;

/// Where a batch stands.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum BatchStage {
    /// Not yet at the bench.
    Planned,
    /// A bowl is open.
    AtBench,
    /// Poured.
    Poured,
    /// Given up.
    Lost,
}

/// A batch in a list.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchLineAnswer {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// When it was last edited.
    pub updated_at: DateTime<Utc>,
    /// Where it stands.
    pub stage: BatchStage,
    /// Its chocolates.
    pub families: Vec<Family>,
    /// How its colours look, `#rrggbb`.
    pub colours: Vec<String>,
    /// What is made, by name.
    pub components: Vec<String>,
    /// What to weigh out of all its chocolates; `null` where it cannot be planned.
    pub to_weigh_g: Option<f64>,
    /// Its latest bowl.
    pub bowl_id: Option<Uuid>,
    /// Whether its build was begun.
    pub building: bool,
    /// When it was poured or given up.
    pub ended_at: Option<DateTime<Utc>>,
    /// Why it was given up.
    pub gave_up: Option<String>,
    /// How many times the outcome was noted.
    pub outcomes: u32,
}

/// The latest bowl of each chocolate, the latest first.
fn latest(bowls: &[BowlLine]) -> Vec<&BowlLine> {
    let mut seen = HashSet::new();
    bowls.iter().filter(|bowl| seen.insert(bowl.chocolate.as_str())).collect()
}

/// Where a batch with these bowls stands: at the bench as long as one is open, lost
/// where all were given up. What has no bowl, boiled sugar, is poured once its build
/// was begun.
fn stage(bowls: &[&BowlLine], building: bool) -> BatchStage {
    if bowls.is_empty() && !building {
        BatchStage::Planned
    } else if bowls.iter().any(|bowl| bowl.poured_at.is_none() && bowl.given_up.is_none()) {
        BatchStage::AtBench
    } else if !bowls.is_empty() && bowls.iter().all(|bowl| bowl.given_up.is_some()) {
        BatchStage::Lost
    } else {
        BatchStage::Poured
    }
}

impl BatchLineAnswer {
    fn new(line: BatchLine, shelf: &Shelf) -> Self {
        let bowls = latest(&line.bowls);
        let tempered = !line.inputs.bowls.is_empty();
        let stage = stage(&bowls, !tempered && line.build_begun_at.is_some());
        let (given_up_at, gave_up) = bowls
            .iter()
            .find_map(|bowl| bowl.given_up.clone())
            .filter(|_| stage == BatchStage::Lost)
            .unzip();
        let poured_at = bowls.iter().filter_map(|bowl| bowl.poured_at).max();
        // The one that the hands are at.
        let at_bench =
            bowls.iter().find(|bowl| bowl.poured_at.is_none() && bowl.given_up.is_none());
        let bowl_id = at_bench.or(bowls.first()).map(|bowl| bowl.id);
        let inputs = shelf.fill(&line.inputs).unwrap_or(line.inputs);
        let plan = craft::plan::plan(&inputs).ok();
        Self {
            id: line.id,
            name: line.name,
            updated_at: line.updated_at,
            stage,
            families: inputs
                .bowls
                .iter()
                .filter(|bowl| bowl.colour.is_none())
                .map(|bowl| bowl.family)
                .collect(),
            colours: plan
                .iter()
                .flat_map(|plan| &plan.bowls)
                .filter_map(|bowl| Some(bowl.plan.as_ref()?.colour.as_ref()?.looks.clone()))
                .collect(),
            components: inputs.components.into_iter().map(|component| component.name).collect(),
            to_weigh_g: plan.map(|plan| {
                let totals = plan.bowls.iter().filter_map(|bowl| bowl.plan.as_ref());
                crate::answer::grams(totals.fold(Mass::default(), |sum, plan| sum + plan.total))
            }),
            bowl_id,
            building: line.build_begun_at.is_some(),
            ended_at: given_up_at
                .or(poured_at)
                .or(line.build_begun_at)
                .filter(|_| stage != BatchStage::AtBench),
            gave_up,
            outcomes: line.outcomes,
        }
    }
}

/// A bowl of a batch, in short.
#[derive(Debug, Serialize, ToSchema)]
pub struct BowlRef {
    /// Its id.
    pub id: Uuid,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
    /// When it was taken to the bench.
    pub opened_at: DateTime<Utc>,
}

/// A batch.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchAnswer {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// The maker's remarks.
    pub note: String,
    /// Counts its edits; the same as the `ETag`.
    pub version: u32,
    /// When it was begun.
    pub created_at: DateTime<Utc>,
    /// When it was last edited.
    pub updated_at: DateTime<Utc>,
    /// Its bowls, the latest first.
    pub bowls: Vec<BowlRef>,
    /// Whether its build was begun.
    pub building: bool,
    /// What came out, the first look first.
    pub outcomes: Vec<OutcomeAnswer>,
}

/// A new batch.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewBatch {
    /// Made by the sender, so that sending twice makes one.
    id: Option<Uuid>,
    name: String,
    #[serde(default)]
    note: String,
    /// What is made; a slab of dark bark in a 30 × 20 cm tray if left out.
    inputs: Option<PlanInputs>,
}

/// A batch's name and note.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BatchEdit {
    name: String,
    note: String,
}

fn check_words(name: &str, note: &str) -> Answer<()> {
    let mut check = Checker::new();
    check.text("name", name, LONGEST_NAME);
    check.remark("note", note, LONGEST_NOTE);
    Ok(check.finish()?)
}

async fn answer(state: &State, batch: Batch) -> Answer<BatchAnswer> {
    let bowls = store::bowls::of_batch(&state.pool, batch.id).await?;
    let building = match store::builds::get(&state.pool, batch.id).await {
        Ok(_) => true,
        Err(StoreError::NotFound(_)) => false,
        Err(error) => return Err(error.into()),
    };
    let outcomes = store::outcomes::of_batch(&state.pool, batch.id).await?;
    Ok(BatchAnswer {
        id: batch.id,
        name: batch.name,
        note: batch.note,
        version: batch.version,
        created_at: batch.created_at,
        updated_at: batch.updated_at,
        bowls: bowls
            .into_iter()
            .map(|bowl| BowlRef {
                id: bowl.id,
                chocolate: bowl.chocolate,
                opened_at: bowl.opened_at,
            })
            .collect(),
        building,
        outcomes: outcomes.into_iter().map(Into::into).collect(),
    })
}

/// The latest batches, the latest first.
#[utoipa::path(tag = "batches", operation_id = "list_batches", responses((status = 200, body = [BatchLineAnswer])))]
#[get("/batches")]
pub async fn list(state: web::Data<State>) -> Answer<web::Json<Vec<BatchLineAnswer>>> {
    let lines = store::batches::list(&state.pool).await?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    Ok(web::Json(
        lines.into_iter().map(|line| BatchLineAnswer::new(line, &on_shelf.shelf)).collect(),
    ))
}

/// A poured bowl stays at the bench this long: it is topped, cut and let go.
const AFTER_POUR: TimeDelta = TimeDelta::minutes(90);

/// A bowl that is at the bench, and what it is for.
pub struct OpenBowl {
    /// The bowl.
    pub bowl_id: Uuid,
    /// Its batch.
    pub batch_id: Uuid,
    /// Its batch's name.
    pub batch_name: String,
}

/// The bowls that are open, or were poured a short while ago.
///
/// # Errors
/// Where the store fails.
pub async fn open_bowls(state: &State) -> Answer<Vec<OpenBowl>> {
    let lately = state.wall.now() - AFTER_POUR;
    let lines = store::batches::list(&state.pool).await?;
    let mut open = Vec::new();
    for line in lines {
        let at_bench = |bowl: &&BowlLine| {
            bowl.given_up.is_none() && bowl.poured_at.is_none_or(|poured| poured > lately)
        };
        open.extend(latest(&line.bowls).into_iter().filter(at_bench).map(|bowl| OpenBowl {
            bowl_id: bowl.id,
            batch_id: line.id,
            batch_name: line.name.clone(),
        }));
    }
    Ok(open)
}

/// Begins a batch.
#[utoipa::path(tag = "batches", operation_id = "create_batch", request_body = NewBatch, responses(
    (status = 201, body = BatchAnswer), (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches")]
pub async fn create(state: web::Data<State>, Body(new): Body<NewBatch>) -> Answer<HttpResponse> {
    check_words(&new.name, &new.note)?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    let inputs = new
        .inputs
        .unwrap_or_else(|| on_shelf.shelf.usual_plan(Family::Dark, |id| on_shelf.in_use(id)));
    let filled = on_shelf.shelf.fill(&inputs).map_err(|faults| under("inputs", faults))?;
    craft::plan::plan(&filled).map_err(|faults| under("inputs", faults))?;
    let now = state.wall.now();
    let batch = Batch {
        id: new.id.unwrap_or_else(Uuid::now_v7),
        name: new.name,
        note: new.note,
        version: 1,
        created_at: now,
        updated_at: now,
    };
    store::batches::create(&state.pool, &batch, &inputs).await?;
    // Read back: where it was sent twice, the first one stands.
    let kept = store::batches::get(&state.pool, batch.id).await?;
    Ok(HttpResponse::Created().json(answer(&state, kept).await?))
}

/// A batch.
#[utoipa::path(tag = "batches", operation_id = "read_batch", responses((status = 200, body = BatchAnswer), (status = 404, body = Problem)))]
#[get("/batches/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let batch = store::batches::get(&state.pool, *id).await?;
    let version = batch.version;
    Ok(with_etag(version, &answer(&state, batch).await?))
}

/// Changes a batch's name and note.
#[utoipa::path(tag = "batches", operation_id = "edit_batch", request_body = BatchEdit, params(("If-Match" = String, Header, description = "The ETag that was read")), responses(
    (status = 200, body = BatchAnswer), (status = 404, body = Problem), (status = 412, body = Problem),
    (status = 422, body = Problem), (status = 428, body = Problem)))]
#[put("/batches/{id}")]
pub async fn edit(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    EditedFrom(version): EditedFrom,
    Body(edit): Body<BatchEdit>,
) -> Answer<HttpResponse> {
    check_words(&edit.name, &edit.note)?;
    let now = state.wall.now();
    store::batches::update(&state.pool, *id, version, &edit.name, &edit.note, now).await?;
    let batch = store::batches::get(&state.pool, *id).await?;
    Ok(with_etag(batch.version, &answer(&state, batch).await?))
}

/// Forgets a batch and everything that hangs on it.
#[utoipa::path(tag = "batches", operation_id = "delete_batch", responses((status = 204), (status = 404, body = Problem)))]
#[delete("/batches/{id}")]
pub async fn delete(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    for bowl in store::bowls::of_batch(&state.pool, *id).await? {
        state.thermometers.stop(bowl.id);
    }
    store::batches::delete(&state.pool, *id).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Faults of a part, with the part's name before each field.
pub fn under(part: &str, faults: Vec<craft::check::Fault>) -> Problem {
    faults.into_iter().map(|fault| fault.under(part)).collect::<Vec<_>>().into()
}
