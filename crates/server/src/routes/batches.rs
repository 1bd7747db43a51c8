//! Batches.

use actix_web::{HttpResponse, delete, get, post, put, web};
use chrono::{DateTime, TimeDelta, Utc};
use craft::check::Checker;
use craft::chocolate::Family;
use craft::plan::BarkInputs;
use craft::shelf::Shelf;
use serde::{Deserialize, Serialize};
use store::batches::{Batch, BatchLine};
use store::components::{Component, SLAB_BARK};
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
    /// Its chocolate.
    pub family: Family,
    /// Its thickness.
    pub thickness_mm: f64,
    /// What to weigh out.
    pub to_weigh_g: Option<f64>,
    /// Its component.
    pub component_id: Uuid,
    /// Its latest bowl.
    pub bowl_id: Option<Uuid>,
    /// When it was poured or given up.
    pub ended_at: Option<DateTime<Utc>>,
    /// Why it was given up.
    pub gave_up: Option<String>,
    /// How many times the outcome was noted.
    pub outcomes: u32,
}

impl BatchLineAnswer {
    fn new(line: BatchLine, shelf: &Shelf) -> Self {
        let (given_up_at, gave_up) = line.given_up.unzip();
        let stage = match (line.bowl_id, line.poured_at, given_up_at) {
            (None, _, _) => BatchStage::Planned,
            (_, _, Some(_)) => BatchStage::Lost,
            (_, Some(_), _) => BatchStage::Poured,
            _ => BatchStage::AtBench,
        };
        let inputs = shelf.fill(&line.inputs).unwrap_or(line.inputs);
        let plan = craft::plan::bark(&inputs).ok();
        Self {
            id: line.id,
            name: line.name,
            updated_at: line.updated_at,
            stage,
            family: inputs.family,
            thickness_mm: inputs.thickness_mm,
            to_weigh_g: plan.map(|plan| crate::answer::grams(plan.slab.to_weigh)),
            component_id: line.component_id,
            bowl_id: line.bowl_id,
            ended_at: given_up_at.or(line.poured_at),
            gave_up,
            outcomes: line.outcomes,
        }
    }
}

/// A bowl of a component, in short.
#[derive(Debug, Serialize, ToSchema)]
pub struct BowlRef {
    /// Its id.
    pub id: Uuid,
    /// When it was taken to the bench.
    pub opened_at: DateTime<Utc>,
}

/// A component of a batch, in short.
#[derive(Debug, Serialize, ToSchema)]
pub struct ComponentRef {
    /// Its id.
    pub id: Uuid,
    /// What is made.
    pub kind: String,
    /// Its bowls, the latest first.
    pub bowls: Vec<BowlRef>,
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
    /// What is made in it.
    pub components: Vec<ComponentRef>,
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
    inputs: Option<BarkInputs>,
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
    let mut components = Vec::new();
    for component in store::components::of_batch(&state.pool, batch.id).await? {
        let bowls = store::bowls::of_component(&state.pool, component.id).await?;
        components.push(ComponentRef {
            id: component.id,
            kind: component.kind,
            bowls: bowls
                .into_iter()
                .map(|bowl| BowlRef { id: bowl.id, opened_at: bowl.opened_at })
                .collect(),
        });
    }
    let outcomes = store::outcomes::of_batch(&state.pool, batch.id).await?;
    Ok(BatchAnswer {
        id: batch.id,
        name: batch.name,
        note: batch.note,
        version: batch.version,
        created_at: batch.created_at,
        updated_at: batch.updated_at,
        components,
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
    let at_bench = |line: &BatchLine| {
        line.given_up.is_none() && line.poured_at.is_none_or(|poured| poured > lately)
    };
    Ok(lines
        .into_iter()
        .filter(at_bench)
        .filter_map(|line| {
            Some(OpenBowl { bowl_id: line.bowl_id?, batch_id: line.id, batch_name: line.name })
        })
        .collect())
}

/// Begins a batch with one component.
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
    craft::plan::bark(&filled).map_err(|faults| under("inputs", faults))?;
    let now = state.wall.now();
    let batch = Batch {
        id: new.id.unwrap_or_else(Uuid::now_v7),
        name: new.name,
        note: new.note,
        version: 1,
        created_at: now,
        updated_at: now,
    };
    let component = Component {
        id: Uuid::now_v7(),
        batch_id: batch.id,
        kind: SLAB_BARK.to_owned(),
        inputs,
        version: 1,
    };
    store::batches::create(&state.pool, &batch, &component).await?;
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
    for component in store::components::of_batch(&state.pool, *id).await? {
        for bowl in store::bowls::of_component(&state.pool, component.id).await? {
            state.thermometers.stop(bowl.id);
        }
    }
    store::batches::delete(&state.pool, *id).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Faults of a part, with the part's name before each field.
pub fn under(part: &str, faults: Vec<craft::check::Fault>) -> Problem {
    let fields = faults
        .into_iter()
        .map(|f| craft::check::Fault { field: format!("{part}.{}", f.field), ..f })
        .collect::<Vec<_>>();
    fields.into()
}
