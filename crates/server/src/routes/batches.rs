//! Batches: one making of a plan each.

use actix_web::{HttpResponse, delete, get, post, put, web};
use chrono::{DateTime, Utc};
use craft::batch::{Stage, ToDo};
use craft::chocolate::Family;
use craft::plan::PlanInputs;
use craft::time::WallTime;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use store::batches::{BatchLine, BatchRow, BatchesOf, NewBatch as Kept};
use store::bowls::{BowlLine, BowlStatus};
use store::changes::Change;
use store::plans::PlanText;
use store::{Connection, Sent, StoreError};
use utoipa::ToSchema;
use uuid::Uuid;

use super::plans::{NewBatch, check_words, sent_as, under};
use super::results::ResultAnswer;
use super::version::{EditedFrom, with_etag};
use crate::answer::bowl::ClockAnswer;
use crate::body::Body;
use crate::clock::as_the_wall;
use crate::making::{Making, RELEASE, computed, summary, words};
use crate::page::{PageAsked, next};
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Which batches are listed.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Batches {
    /// All.
    #[default]
    All,
    /// Those under way.
    UnderWay,
    /// Those that are over: made, lost or closed.
    Over,
    /// Those that were deleted, and can be had back.
    Deleted,
}

/// Which batches, and which part of their list.
#[derive(Debug, Default, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct BatchesAsked {
    #[serde(default)]
    of: Batches,
    search: Option<String>,
    after: Option<String>,
    most: Option<u32>,
}

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
    pub results: u32,
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
            to_weigh_g: shown.to_weigh_g,
            begun_at: line.begun_at,
            ended_at: line.ended_at,
            last_at: line.last_at,
            deleted_at: line.deleted_at,
            bowl_id: line.open_bowl,
            results: line.results,
            unreadable,
        }
    }
}

const UNREADABLE: &str = "what it was begun with cannot be read by this release";

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
    /// When the maker closed it.
    pub closed_at: Option<WallTime>,
    /// What was stated when it was begun; `null` where that cannot be read.
    pub stated: Option<PlanInputs>,
    /// The plan as it was shown then; `null` where that cannot be read.
    #[schema(value_type = Option<crate::answer::plan::PlanAnswer>)]
    pub plan: Option<Value>,
    /// Why it cannot be read, where it cannot; it can be saved as it is.
    pub unreadable: Option<String>,
    /// Its bowls, the latest first.
    pub bowls: Vec<BowlRef>,
    /// What came out, the first look first.
    pub results: Vec<ResultAnswer>,
    /// Its time.
    pub clock: ClockAnswer,
}

/// A batch's name and note.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BatchEdit {
    name: String,
    note: String,
}

/// Whether a batch is closed.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Closed {
    closed: bool,
}

/// A batch that is not deleted.
pub(super) async fn in_use(state: &State, id: Uuid) -> Answer<BatchRow> {
    Ok(store::batches::get(&state.pool, id).await?.in_use()?)
}

/// The same, held until the transaction ends.
pub(super) async fn lock_in_use(tx: &mut Connection, id: Uuid) -> Answer<BatchRow> {
    Ok(store::batches::lock(tx, id).await?.in_use()?)
}

async fn answer(state: &State, batch: BatchRow) -> Answer<BatchAnswer> {
    let begun = store::batches::begun_with(&state.pool, batch.id).await?;
    let results = store::results::of_batch(&state.pool, batch.id).await?;
    let bowls = store::bowls::of_batch(&state.pool, batch.id).await?;
    let unreadable = match (&begun.stated, &begun.computed) {
        (Err(unreadable), _) | (_, Some(Err(unreadable))) => Some(unreadable.to_string()),
        (Ok(_), None) => Some(UNREADABLE.to_owned()),
        (Ok(_), Some(Ok(_))) => None,
    };
    let computed = begun.computed.and_then(Result::ok);
    let events = store::steps::of_batch(&state.pool, batch.id).await?;
    let clock = state.clock_answer(batch.clock, false);
    let (plan, lines) = match computed {
        Some(computed) => (Some(computed.plan), computed.lines),
        None => (None, Vec::new()),
    };
    let making = Making { batch, lines, events, bowls };
    let standing = making.standing();
    let Making { batch, bowls, .. } = making;
    Ok(BatchAnswer {
        id: batch.id,
        plan_id: batch.plan_id,
        name: batch.name,
        note: batch.note,
        version: batch.version,
        made_by: batch.made_by,
        stage: if unreadable.is_some() { batch.stage } else { standing.stage },
        to_do: standing.to_do,
        begun_at: batch.begun_at,
        ended_at: batch.ended_at,
        closed_at: batch.closed_at,
        stated: begun.stated.ok(),
        plan,
        unreadable,
        bowls: bowls.into_iter().map(Into::into).collect(),
        results: results.into_iter().map(Into::into).collect(),
        clock,
    })
}

/// Begins a batch of what is stated: `201` where it is new, `200` where it was begun already.
pub(super) async fn begin_from(
    state: &State,
    id: Option<Uuid>,
    plan_id: Option<Uuid>,
    text: &PlanText,
    digest: Uuid,
) -> Answer<HttpResponse> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    let filled = on_shelf.shelf.fill(&text.inputs).map_err(|faults| under("inputs", faults))?;
    let sent = begin(state, id, plan_id, (&text.name, &text.note), &filled, digest).await?;
    let (id, sent) = sent;
    let batch = store::batches::get(&state.pool, id).await?;
    Ok(sent_as(sent).json(answer(state, batch).await?))
}

/// Keeps a new batch of what is stated, filled in.
pub(super) async fn begin(
    state: &State,
    id: Option<Uuid>,
    plan_id: Option<Uuid>,
    (name, note): (&str, &str),
    filled: &PlanInputs,
    digest: Uuid,
) -> Answer<(Uuid, Sent)> {
    let id = id.unwrap_or_else(Uuid::now_v7);
    let computed = computed(filled)?;
    let summary = summary(filled);
    let words = words(name, note, &summary);
    let now = state.wall.now();
    let batch = new_row(id, plan_id, (name, note), now);
    let new =
        Kept { stated: filled, computed: &computed, summary: &summary, words: &words, digest };
    let sent = state
        .whole(async |tx: &mut Connection| {
            let sent = store::batches::insert(tx, &batch, &new).await?;
            if let Some(plan_id) = plan_id {
                store::plans::touch(&mut *tx, plan_id, now).await?;
            }
            store::changes::note(tx, Change::Batch(id), now).await?;
            Ok(sent)
        })
        .await?;
    Ok((id, sent))
}

/// A batch that is begun now.
pub(crate) fn new_row(
    id: Uuid,
    plan_id: Option<Uuid>,
    (name, note): (&str, &str),
    now: WallTime,
) -> BatchRow {
    BatchRow {
        id,
        plan_id,
        name: name.to_owned(),
        note: note.to_owned(),
        version: 1,
        made_by: RELEASE.to_owned(),
        begun_at: now,
        closed_at: None,
        deleted_at: None,
        clock: as_the_wall(now),
        real_time: true,
        stage: Stage::UnderWay,
        ended_at: None,
        last_at: now,
    }
}

/// Batches, those of the newest activity first.
#[utoipa::path(tag = "batches", operation_id = "list_batches", params(
    ("of" = inline(Option<Batches>), Query, description = "Which batches; all, if left out"), PageAsked), responses(
    (status = 200, body = BatchPage), (status = 422, body = Problem)))]
#[get("/batches")]
pub async fn list(
    state: web::Data<State>,
    asked: web::Query<BatchesAsked>,
) -> Answer<web::Json<BatchPage>> {
    let asked = asked.into_inner();
    let of = match asked.of {
        Batches::All => BatchesOf::All,
        Batches::UnderWay => BatchesOf::UnderWay,
        Batches::Over => BatchesOf::Over,
        Batches::Deleted => BatchesOf::Deleted,
    };
    let page_asked = PageAsked { search: asked.search, after: asked.after, most: asked.most };
    let page = page_asked.page()?;
    let lines = store::batches::list(&state.pool, of, page_asked.search.as_deref(), page).await?;
    let next = next(&lines, page.most, |line| (line.last_at, line.id));
    Ok(web::Json(BatchPage { batches: lines.into_iter().map(Into::into).collect(), next }))
}

/// A batch.
#[utoipa::path(tag = "batches", operation_id = "read_batch", responses((status = 200, body = BatchAnswer), (status = 404, body = Problem)))]
#[get("/batches/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let batch = in_use(&state, *id).await?;
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
    in_use(&state, *id).await?;
    let now = state.wall.now();
    let begun = store::batches::begun_with(&state.pool, *id).await?;
    let shown = begun.stated.map(|stated| summary(&stated)).unwrap_or_default();
    let found_by = words(&edit.name, &edit.note, &shown);
    state
        .whole(async |tx: &mut Connection| {
            let texts = (edit.name.as_str(), edit.note.as_str(), found_by.as_str());
            Ok(store::batches::rename(tx, *id, version, texts, now).await?)
        })
        .await?;
    let batch = store::batches::get(&state.pool, *id).await?;
    Ok(with_etag(batch.version, &answer(&state, batch).await?))
}

/// Closes a batch with something left to make, or opens it again.
#[utoipa::path(tag = "batches", operation_id = "close_batch", request_body = Closed, responses(
    (status = 200, body = BatchAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[put("/batches/{id}/closed")]
pub async fn close(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(Closed { closed }): Body<Closed>,
) -> Answer<HttpResponse> {
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            let mut making = Making::lock(tx, *id).await?;
            making.batch.closed_at = closed.then_some(now);
            store::batches::set_closed(&mut *tx, *id, making.batch.closed_at).await?;
            Ok(making.keep_standing(tx, now).await?)
        })
        .await?;
    if closed {
        stop_thermometers(&state, *id).await?;
    }
    let batch = store::batches::get(&state.pool, *id).await?;
    Ok(HttpResponse::Ok().json(answer(&state, batch).await?))
}

async fn stop_thermometers(state: &State, id: Uuid) -> Answer<()> {
    for bowl in store::bowls::of_batch(&state.pool, id).await? {
        state.thermometers.stop(bowl.id);
    }
    state.live.batch_changed(id);
    Ok(())
}

/// Deletes a batch. For thirty days it can be had back.
#[utoipa::path(tag = "batches", operation_id = "delete_batch", responses((status = 204), (status = 404, body = Problem)))]
#[delete("/batches/{id}")]
pub async fn delete(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    in_use(&state, *id).await?;
    set_deleted(&state, *id, Some(state.wall.now())).await?;
    stop_thermometers(&state, *id).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Takes back that a batch was deleted.
#[utoipa::path(tag = "batches", operation_id = "restore_batch", responses(
    (status = 200, body = BatchAnswer), (status = 404, body = Problem)))]
#[post("/batches/{id}/restore")]
pub async fn restore(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    set_deleted(&state, *id, None).await?;
    let batch = store::batches::get(&state.pool, *id).await?;
    Ok(HttpResponse::Ok().json(answer(&state, batch).await?))
}

async fn set_deleted(state: &State, id: Uuid, at: Option<WallTime>) -> Answer<()> {
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::batches::set_deleted(&mut *tx, id, at).await?;
            Ok(store::changes::note(tx, Change::Batch(id), now).await?)
        })
        .await
}

/// Makes a batch again as it was: a new one of what was stated then. `201` where it is new,
/// `200` where it was begun already.
#[utoipa::path(tag = "batches", operation_id = "make_again", request_body = NewBatch, responses(
    (status = 201, body = BatchAnswer), (status = 200, body = BatchAnswer), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/again")]
pub async fn again(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(new): Body<NewBatch>,
) -> Answer<HttpResponse> {
    let batch = in_use(&state, *id).await?;
    let stated = store::batches::begun_with(&state.pool, *id).await?.stated;
    let stated = stated.map_err(StoreError::from)?;
    let digest = store::digest(&("batch", batch.id, &new));
    let words = (batch.name.as_str(), batch.note.as_str());
    let (id, sent) = begin(&state, new.id, batch.plan_id, words, &stated, digest).await?;
    let batch = store::batches::get(&state.pool, id).await?;
    Ok(sent_as(sent).json(answer(&state, batch).await?))
}

/// What is kept of a batch, as it is, whether it can be read or not.
#[utoipa::path(tag = "batches", operation_id = "save_batch_as_kept", responses(
    (status = 200, content_type = "application/json", body = Value), (status = 404, body = Problem)))]
#[get("/batches/{id}/document")]
pub async fn document(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let (stated, computed) = store::batches::as_kept(&state.pool, *id).await?;
    // As texts: what cannot be read need not be JSON.
    let kept = serde_json::json!({ "stated": stated, "computed": computed });
    let body = serde_json::to_vec_pretty(&kept).map_err(Problem::unwritable)?;
    Ok(super::attached("application/json", &format!("batch-{}.json", *id), body))
}
