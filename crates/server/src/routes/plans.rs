//! Plans: what one intends to make.

use actix_web::{HttpResponse, delete, get, post, put, web};
use craft::chocolate::Family;
use craft::edits::of_kind;
use craft::plan::{Clash, PlanInputs, merge};
use craft::time::WallTime;
use serde::{Deserialize, Serialize};
use store::batches::BatchRow;
use store::plans::{PlanLine, PlanRow, PlanText, PlansOf};
use store::{Connection, StoreError};
use utoipa::ToSchema;
use uuid::Uuid;

use super::begin::{NewBatch, begin_from};
use super::sent::sent_as;
use super::version::{EditedFrom, with_etag};
use crate::answer::batch::BatchAnswer;
use crate::answer::plan::WholePlanAnswer;
use crate::body::Body;
use crate::making::{summary, words};
use crate::page::{PageAsked, next};
use crate::planned::planned;
use crate::problem::{Answer, Field, Problem};
use crate::state::State;
use crate::texts::{check_words, under};

/// Edits that can be undone.
const UNDOES: u32 = 20;

/// Which plans are listed.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Plans {
    /// Those in use.
    #[default]
    InUse,
    /// Those that are archived.
    Archived,
    /// Those that were deleted, and can be had back.
    Deleted,
}

/// A plan in a list.
#[derive(Debug, Serialize, ToSchema)]
pub struct PlanLineAnswer {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// When anything happened to it last.
    pub changed_at: WallTime,
    /// Whether it is archived.
    pub archived: bool,
    /// When it was deleted.
    pub deleted_at: Option<WallTime>,
    /// Its chocolates.
    pub families: Vec<Family>,
    /// How its colours look, `#rrggbb`.
    pub colours: Vec<String>,
    /// What is made, by name.
    pub components: Vec<String>,
    /// What is made, by kind: as it is drawn.
    pub kinds: Vec<String>,
    /// What to weigh out of all its chocolates; `null` where it cannot be planned.
    pub to_weigh_g: Option<f64>,
    /// How many batches were made of it.
    pub batches: u32,
    /// Why it cannot be read, where it cannot; it can be saved as it is.
    pub unreadable: Option<String>,
}

/// A page of plans.
#[derive(Debug, Serialize, ToSchema)]
pub struct PlanPage {
    /// The plans, those of the newest activity first.
    pub plans: Vec<PlanLineAnswer>,
    /// Where the next page begins: its `after`; `null` on the last.
    pub next: Option<String>,
}

/// A batch of a plan, in short.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchRef {
    /// Its id.
    pub id: Uuid,
    /// Where it stands.
    pub stage: craft::batch::Stage,
    /// When it was begun.
    pub begun_at: WallTime,
    /// When its last bowl ended.
    pub ended_at: Option<WallTime>,
}

impl From<BatchRow> for BatchRef {
    fn from(batch: BatchRow) -> Self {
        Self {
            id: batch.id,
            stage: batch.stage,
            begun_at: batch.begun_at,
            ended_at: batch.ended_at,
        }
    }
}

/// A plan.
#[derive(Debug, Serialize, ToSchema)]
pub struct PlanDetail {
    /// Its id.
    pub id: Uuid,
    /// The maker's name for it.
    pub name: String,
    /// The maker's remarks.
    pub note: String,
    /// Counts its edits; the same as the `ETag`.
    pub version: u32,
    /// What the maker states.
    pub inputs: PlanInputs,
    /// What follows; `null` where this release cannot plan it.
    pub plan: Option<WholePlanAnswer>,
    /// What is to be mended before it can be planned.
    pub faults: Vec<Field>,
    /// When it was made.
    pub created_at: WallTime,
    /// When anything happened to it last.
    pub changed_at: WallTime,
    /// Whether it is archived.
    pub archived: bool,
    /// When it was deleted.
    pub deleted_at: Option<WallTime>,
    /// How many edits can be undone.
    pub undoes: u32,
    /// What was made of it, the latest first.
    pub batches: Vec<BatchRef>,
}

/// A new plan.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewPlan {
    /// Made by the sender, so that sending twice makes one.
    id: Option<Uuid>,
    name: String,
    #[serde(default)]
    note: String,
    /// What is made; a slab of dark bark in a 30 × 20 cm tray if left out.
    inputs: Option<PlanInputs>,
    /// A kind of work by its name, in place of `inputs`: it starts as is usual in this kitchen.
    #[serde(default)]
    kind: Option<String>,
}

/// What a maker writes of a plan.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PlanEdit {
    name: String,
    note: String,
    inputs: PlanInputs,
}

/// Whether a plan is archived.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Archived {
    archived: bool,
}

/// A plan that is not deleted.
pub(super) async fn in_use(state: &State, id: Uuid) -> Answer<PlanRow> {
    Ok(store::plans::get(&state.pool, id).await?.in_use()?)
}

async fn undoes(state: &State, plan: &PlanRow) -> Answer<u32> {
    let mut version = plan.version;
    for n in 0..UNDOES {
        let kept = store::plans::version(&state.pool, plan.id, version).await?;
        match kept.and_then(|kept| kept.undo_to) {
            Some(before) => version = before,
            None => return Ok(n),
        }
    }
    Ok(UNDOES)
}

async fn answer(state: &State, plan: PlanRow) -> Answer<PlanDetail> {
    let inputs = plan.inputs.clone().map_err(StoreError::from)?;
    let (of_inputs, faults) = match planned(state, &inputs).await {
        Ok((_, answer)) => (Some(answer), Vec::new()),
        Err(problem) if problem.fields.is_empty() => return Err(problem),
        Err(problem) => (None, problem.fields),
    };
    let batches = store::batches::of_plan(&state.pool, plan.id).await?;
    Ok(PlanDetail {
        undoes: undoes(state, &plan).await?,
        id: plan.id,
        name: plan.name,
        note: plan.note,
        version: plan.version,
        inputs,
        plan: of_inputs,
        faults,
        created_at: plan.created_at,
        changed_at: plan.changed_at,
        archived: plan.archived_at.is_some(),
        deleted_at: plan.deleted_at,
        batches: batches.into_iter().map(Into::into).collect(),
    })
}

/// Plans, those of the newest activity first.
#[utoipa::path(tag = "plans", operation_id = "list_plans", params(
    ("of" = inline(Option<Plans>), Query, description = "Which plans; those in use, if left out"), PageAsked), responses(
    (status = 200, body = PlanPage), (status = 422, body = Problem)))]
#[get("/plans")]
pub async fn list(
    state: web::Data<State>,
    asked: web::Query<PlansAsked>,
) -> Answer<web::Json<PlanPage>> {
    let asked = asked.into_inner();
    let of = match asked.of {
        Plans::InUse => PlansOf::InUse,
        Plans::Archived => PlansOf::Archived,
        Plans::Deleted => PlansOf::Deleted,
    };
    let page_asked = PageAsked { search: asked.search, after: asked.after, most: asked.most };
    let page = page_asked.page()?;
    let lines = store::plans::list(&state.pool, of, page_asked.search.as_deref(), page).await?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    let next = next(&lines, page.most, |line| (line.changed_at, line.id));
    let line = |line: PlanLine| {
        let (shown, unreadable) = match line.inputs {
            Ok(inputs) => (summary(&on_shelf.shelf.fill(&inputs).unwrap_or(inputs)), None),
            Err(unreadable) => (Default::default(), Some(unreadable.to_string())),
        };
        PlanLineAnswer {
            id: line.id,
            name: line.name,
            changed_at: line.changed_at,
            archived: line.archived,
            deleted_at: line.deleted_at,
            families: shown.families,
            colours: shown.colours,
            components: shown.components,
            kinds: shown.kinds,
            to_weigh_g: shown.to_weigh_g,
            batches: line.batches,
            unreadable,
        }
    };
    Ok(web::Json(PlanPage { plans: lines.into_iter().map(line).collect(), next }))
}

/// Which plans, and which part of their list.
#[derive(Debug, Default, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct PlansAsked {
    #[serde(default)]
    of: Plans,
    search: Option<String>,
    after: Option<String>,
    most: Option<u32>,
}

/// Makes a plan: `201` where it is new, `200` where it was made already.
#[utoipa::path(tag = "plans", operation_id = "create_plan", request_body = NewPlan, responses(
    (status = 201, body = PlanDetail), (status = 200, body = PlanDetail),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/plans")]
pub async fn create(state: web::Data<State>, Body(new): Body<NewPlan>) -> Answer<HttpResponse> {
    check_words(&new.name, &new.note)?;
    let digest = store::digest(&new);
    let on_shelf = state.shelf.read(&state.pool).await?;
    let usual = || on_shelf.shelf.usual_plan(Family::Dark, |id| on_shelf.in_use(id));
    let inputs = match (new.inputs, new.kind) {
        (Some(inputs), _) => inputs,
        (None, Some(kind)) => of_kind(&usual(), kind).map_err(|fault| vec![fault])?,
        (None, None) => usual(),
    };
    let filled = on_shelf.shelf.fill(&inputs).map_err(|faults| under("inputs", faults))?;
    craft::plan::Plan::of(&filled).map_err(|faults| under("inputs", faults))?;
    let id = new.id.unwrap_or_else(Uuid::now_v7);
    let text = PlanText { name: new.name, note: new.note, inputs };
    let found_by = words(&text.name, &text.note, &summary(&filled));
    let now = state.wall.now();
    let sent = state
        .whole(async |tx: &mut Connection| {
            Ok(store::plans::insert(tx, id, &text, (&found_by, digest), now).await?)
        })
        .await?;
    // Read back: where it was sent twice, what is kept stands.
    let detail = answer(&state, store::plans::get(&state.pool, id).await?).await?;
    Ok(sent_as(sent).json(detail))
}

/// A plan, and what follows from it.
#[utoipa::path(tag = "plans", operation_id = "read_plan", responses(
    (status = 200, body = PlanDetail), (status = 404, body = Problem), (status = 409, body = Problem)))]
#[get("/plans/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let plan = in_use(&state, *id).await?;
    let version = plan.version;
    Ok(with_etag(version, &answer(&state, plan).await?))
}

/// Changes a plan. What others changed since it was read stays, where it is another field;
/// where it is the same, nothing is kept and both values are told.
#[utoipa::path(tag = "plans", operation_id = "edit_plan", request_body = PlanEdit, params(("If-Match" = String, Header, description = "The ETag that was read")), responses(
    (status = 200, body = PlanDetail), (status = 404, body = Problem), (status = 412, body = Problem),
    (status = 422, body = Problem), (status = 428, body = Problem)))]
#[put("/plans/{id}")]
pub async fn edit(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    EditedFrom(from): EditedFrom,
    Body(edit): Body<PlanEdit>,
) -> Answer<HttpResponse> {
    check_words(&edit.name, &edit.note)?;
    let mine = PlanText { name: edit.name, note: edit.note, inputs: edit.inputs };
    changed(&state, *id, async |tx, plan| {
        if plan.version == from {
            return Ok((mine.clone(), Some(from)));
        }
        let base = store::plans::version(&mut *tx, plan.id, from).await?;
        let theirs = store::plans::version(tx, plan.id, plan.version).await?;
        let (Some(base), Some(theirs)) = (base, theirs) else {
            return Err(StoreError::Changed { current: plan.version }.into());
        };
        Ok((merged(&base.text, &mine, &theirs.text, plan.version)?, Some(plan.version)))
    })
    .await
}

/// Changes a plan that is held: by what `edit` makes of it, and what undoing that goes back to.
async fn changed(
    state: &State,
    id: Uuid,
    mut change: impl AsyncFnMut(&mut Connection, &PlanRow) -> Answer<(PlanText, Option<u32>)>,
) -> Answer<HttpResponse> {
    let now = state.wall.now();
    let on_shelf = state.shelf.read(&state.pool).await?;
    state
        .whole(async |tx: &mut Connection| {
            let plan = store::plans::lock(tx, id).await?.in_use()?;
            let (text, undo_to) = change(tx, &plan).await?;
            let filled = on_shelf.shelf.fill(&text.inputs).map_err(|f| under("inputs", f))?;
            craft::plan::Plan::of(&filled).map_err(|f| under("inputs", f))?;
            let found_by = words(&text.name, &text.note, &summary(&filled));
            store::plans::change(tx, id, plan.version, &text, (&found_by, undo_to), now).await?;
            Ok(())
        })
        .await?;
    let plan = store::plans::get(&state.pool, id).await?;
    let version = plan.version;
    Ok(with_etag(version, &answer(state, plan).await?))
}

/// Two edits of one version brought together.
fn merged(base: &PlanText, mine: &PlanText, theirs: &PlanText, current: u32) -> Answer<PlanText> {
    let whole = |text: &PlanText| PlanEdit {
        name: text.name.clone(),
        note: text.note.clone(),
        inputs: text.inputs.clone(),
    };
    let PlanEdit { name, note, inputs } = both(&whole(base), &whole(mine), &whole(theirs))
        .map_err(|clashes| Problem::clash(current, clashes))?;
    Ok(PlanText { name, note, inputs })
}

/// Two edits of one text brought together; or the fields that both changed.
pub(super) fn both(
    base: &PlanEdit,
    mine: &PlanEdit,
    theirs: &PlanEdit,
) -> Result<PlanEdit, Vec<Clash>> {
    let value = |text: &PlanEdit| serde_json::to_value(text).unwrap_or_default();
    let both = merge(&value(base), &value(mine), &value(theirs))?;
    // What comes of fields that are each well need not be well together.
    serde_json::from_value(both).map_err(|_| Vec::new())
}

/// Takes the latest edit back that was not taken back yet; the last twenty can be.
#[utoipa::path(tag = "plans", operation_id = "undo_plan_edit", params(("If-Match" = String, Header, description = "The ETag that was read")), responses(
    (status = 200, body = PlanDetail), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 412, body = Problem), (status = 428, body = Problem)))]
#[post("/plans/{id}/undo")]
pub async fn undo(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    EditedFrom(from): EditedFrom,
) -> Answer<HttpResponse> {
    changed(&state, *id, async |tx, plan| {
        if plan.version != from {
            return Err(StoreError::Changed { current: plan.version }.into());
        }
        let now = store::plans::version(&mut *tx, plan.id, plan.version).await?;
        let before = match now.and_then(|now| now.undo_to) {
            Some(version) => store::plans::version(tx, plan.id, version).await?,
            None => None,
        };
        let before = before.ok_or_else(|| Problem::conflict("There is nothing left to undo."))?;
        Ok((before.text, before.undo_to))
    })
    .await
}

/// Archives a plan, or takes it into use again.
#[utoipa::path(tag = "plans", operation_id = "archive_plan", request_body = Archived, responses(
    (status = 204), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[put("/plans/{id}/archived")]
pub async fn archive(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(Archived { archived }): Body<Archived>,
) -> Answer<HttpResponse> {
    in_use(&state, *id).await?;
    let at = archived.then(|| state.wall.now());
    store::plans::set_archived(&state.pool, *id, at).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Deletes a plan. What was made of it stays; for thirty days it can be had back.
#[utoipa::path(tag = "plans", operation_id = "delete_plan", responses((status = 204), (status = 404, body = Problem)))]
#[delete("/plans/{id}")]
pub async fn delete(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    in_use(&state, *id).await?;
    store::plans::set_deleted(&state.pool, *id, Some(state.wall.now())).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Takes back that a plan was deleted.
#[utoipa::path(tag = "plans", operation_id = "restore_plan", responses(
    (status = 200, body = PlanDetail), (status = 404, body = Problem)))]
#[post("/plans/{id}/restore")]
pub async fn restore(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    store::plans::set_deleted(&state.pool, *id, None).await?;
    let plan = store::plans::get(&state.pool, *id).await?;
    Ok(HttpResponse::Ok().json(answer(&state, plan).await?))
}

/// Begins a batch: it keeps the plan as it is now, whatever is edited later. `201` where it
/// is new, `200` where it was begun already.
#[utoipa::path(tag = "batches", operation_id = "begin_batch", request_body = NewBatch, responses(
    (status = 201, body = BatchAnswer), (status = 200, body = BatchAnswer), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/plans/{id}/batches")]
pub async fn begin(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(new): Body<NewBatch>,
) -> Answer<HttpResponse> {
    let plan = in_use(&state, *id).await?;
    let inputs = plan.inputs.map_err(StoreError::from)?;
    let text = PlanText { name: plan.name, note: plan.note, inputs };
    let digest = store::digest(&("plan", plan.id, &new));
    begin_from(&state, new.id, Some(plan.id), &text, digest).await
}

/// What is kept of a plan, as it is, whether it can be read or not.
#[utoipa::path(tag = "plans", operation_id = "save_plan_as_kept", responses(
    (status = 200, content_type = "application/json", body = serde_json::Value), (status = 404, body = Problem)))]
#[get("/plans/{id}/document")]
pub async fn document(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let text = store::plans::as_kept(&state.pool, *id).await?;
    Ok(super::attached("application/json", &format!("plan-{}.json", *id), text.into_bytes()))
}
