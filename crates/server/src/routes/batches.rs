//! Batches: one making of a plan each.

use actix_web::{HttpResponse, delete, get, post, put, web};
use chrono::{DateTime, Utc};
use craft::check::Checker;
use craft::chocolate::Family;
use craft::colour::Hue;
use craft::message::Message;
use craft::plan::{PlanInputs, WatchFor};
use craft::result::Symptom;
use craft::time::WallTime;
use serde::{Deserialize, Serialize};
use store::batches::{BatchesOf, Narrowed};
use store::changes::Change;
use store::{Connection, StoreError};
use utoipa::ToSchema;
use uuid::Uuid;

use super::begin::{begin, in_use};
use super::sent::sent_as;
use super::version::{EditedFrom, with_etag};
use crate::answer::batch::{BatchAnswer, BatchPage};
use crate::body::Body;
use crate::catalogue::records as say;
use crate::findings::catch_up;
use crate::learned::with_learned;
use crate::making::{Making, answered, summary, words};
use crate::page::{PageAsked, next};
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::texts::check_words;

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
    /// Those of them that were made.
    Made,
    /// Those of them that were given up.
    GivenUp,
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
    family: Option<Family>,
    kind: Option<String>,
    colour: Option<Hue>,
    method: Option<String>,
    result: Option<CameOut>,
    fault: Option<Symptom>,
    gear: Option<Uuid>,
    from: Option<DateTime<Utc>>,
    until: Option<DateTime<Utc>>,
    #[serde(default)]
    starred: bool,
    #[serde(default)]
    pictured: bool,
}

/// How a batch came out, in a word.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum CameOut {
    /// Looked at, and no fault was seen.
    Good,
    /// A fault was seen.
    Faulty,
    /// Nobody has looked.
    NotLooked,
}

impl CameOut {
    fn word(self) -> &'static str {
        match self {
            Self::Good => "good",
            Self::Faulty => "faulty",
            Self::NotLooked => "not_looked",
        }
    }
}

/// The longest word that a kind of work or a method is asked for by.
const LONGEST_KEY: usize = 40;

impl BatchesAsked {
    /// What the list is narrowed to.
    fn narrowed(&self) -> Answer<Narrowed> {
        let mut check = Checker::new();
        for (field, key) in [("kind", &self.kind), ("method", &self.method)] {
            if key.as_ref().is_some_and(|key| key.chars().count() > LONGEST_KEY) {
                check.fault(field, say::at_most_characters(LONGEST_KEY));
            }
        }
        if let Some((from, until)) = self.from.zip(self.until)
            && from > until
        {
            check.fault("until", say::after_the_beginning());
        }
        check.finish()?;
        let tags = [
            self.family.map(|family| format!("family:{family}")),
            self.kind.as_ref().map(|kind| format!("kind:{kind}")),
            self.colour.map(|hue| format!("colour:{}", hue.word())),
            self.method.as_ref().map(|method| format!("method:{method}")),
            self.result.map(|result| format!("result:{}", result.word())),
            self.fault.map(|fault| format!("fault:{}", fault.word())),
            self.gear.map(|id| format!("gear:{id}")),
        ];
        Ok(Narrowed {
            from: self.from.map(WallTime),
            until: self.until.map(WallTime),
            starred: self.starred,
            pictured: self.pictured,
            tags: tags.into_iter().flatten().collect(),
        })
    }
}

/// Whether a batch is marked.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Starred {
    starred: bool,
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

/// Batches, those of the newest activity first.
#[utoipa::path(tag = "batches", operation_id = "list_batches", params(
    ("of" = inline(Option<Batches>), Query, description = "Which batches; all, if left out"),
    ("family" = inline(Option<Family>), Query, description = "Of this chocolate"),
    ("kind" = Option<String>, Query, description = "With this kind of work in it"),
    ("colour" = inline(Option<Hue>), Query, description = "With such a colour"),
    ("method" = Option<String>, Query, description = "Tempered by this method"),
    ("result" = inline(Option<CameOut>), Query, description = "That came out so"),
    ("fault" = inline(Option<Symptom>), Query, description = "With this fault"),
    ("gear" = Option<Uuid>, Query, description = "Made with this thing of the shelf"),
    ("from" = Option<DateTime<Utc>>, Query, description = "Made from then on"),
    ("until" = Option<DateTime<Utc>>, Query, description = "Made before then"),
    ("starred" = Option<bool>, Query, description = "Only those that are marked"),
    ("pictured" = Option<bool>, Query, description = "Only those with a picture of the pieces"), PageAsked), responses(
    (status = 200, body = BatchPage), (status = 422, body = Problem)))]
#[get("/batches")]
pub async fn list(
    state: web::Data<State>,
    asked: web::Query<BatchesAsked>,
) -> Answer<web::Json<BatchPage>> {
    let asked = asked.into_inner();
    let narrowed = asked.narrowed()?;
    if !narrowed.tags.is_empty() {
        catch_up(&state).await?;
    }
    let of = match asked.of {
        Batches::All => BatchesOf::All,
        Batches::Made => BatchesOf::Made,
        Batches::GivenUp => BatchesOf::GivenUp,
        Batches::UnderWay => BatchesOf::UnderWay,
        Batches::Over => BatchesOf::Over,
        Batches::Deleted => BatchesOf::Deleted,
    };
    let page_asked = PageAsked { search: asked.search, after: asked.after, most: asked.most };
    let page = page_asked.page()?;
    let lines =
        store::batches::list(&state.pool, of, page_asked.search.as_deref(), &narrowed, page)
            .await?;
    let next = next(&lines, page.most, |line| (line.last_at, line.id));
    Ok(web::Json(BatchPage { batches: lines.into_iter().map(Into::into).collect(), next }))
}

/// A batch.
#[utoipa::path(tag = "batches", operation_id = "read_batch", responses((status = 200, body = BatchAnswer), (status = 404, body = Problem)))]
#[get("/batches/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let batch = in_use(&state, *id).await?;
    let version = batch.version;
    Ok(with_etag(version, &answered(&state, batch).await?))
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
    Ok(with_etag(batch.version, &answered(&state, batch).await?))
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
    Ok(HttpResponse::Ok().json(answered(&state, batch).await?))
}

async fn stop_thermometers(state: &State, id: Uuid) -> Answer<()> {
    for bowl in store::bowls::of_batch(&state.pool, id).await? {
        state.thermometers.stop(bowl.id);
    }
    state.live.batch_changed(id);
    Ok(())
}

/// Marks a batch, or takes that back.
#[utoipa::path(tag = "batches", operation_id = "star_batch", request_body = Starred, responses(
    (status = 204), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[put("/batches/{id}/starred")]
pub async fn star(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(Starred { starred }): Body<Starred>,
) -> Answer<HttpResponse> {
    in_use(&state, *id).await?;
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::batches::set_starred(&mut *tx, *id, starred).await?;
            Ok(store::changes::note(tx, Change::Batch(*id), now).await?)
        })
        .await?;
    Ok(HttpResponse::NoContent().finish())
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
    Ok(HttpResponse::Ok().json(answered(&state, batch).await?))
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

/// A batch to be made again.
#[derive(Debug, Default, Serialize, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct NewAgain {
    /// Made by the sender, so that sending twice begins one.
    id: Option<Uuid>,
    /// What was learned, to be put in; as it was, if left out.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    learned: Vec<WatchFor>,
}

/// What was learned from a batch.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Learned {
    learned: Vec<WatchFor>,
}

/// What is different by what was learned.
#[derive(Debug, Serialize, ToSchema)]
pub struct DifferenceAnswer {
    /// By each, in the order in which they were sent; nothing where the batch had it already.
    changes: Vec<Vec<Message>>,
}

/// What was stated of a batch, with what was learned in it: its shelf's numbers stay those of then.
async fn stated_with(
    state: &State,
    id: Uuid,
    learned: &[WatchFor],
) -> Answer<(PlanInputs, Vec<Vec<Message>>)> {
    let stated = store::batches::begun_with(&state.pool, id).await?.stated;
    let stated = stated.map_err(StoreError::from)?;
    Ok(with_learned(&stated, learned, |inputs| Ok(inputs.clone()))?)
}

/// What would be different if a batch were made again with what was learned. Nothing is kept.
#[utoipa::path(tag = "batches", operation_id = "show_difference", request_body = Learned, responses(
    (status = 200, body = DifferenceAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/difference")]
pub async fn difference(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(Learned { learned }): Body<Learned>,
) -> Answer<web::Json<DifferenceAnswer>> {
    in_use(&state, *id).await?;
    let (_, changes) = stated_with(&state, *id, &learned).await?;
    Ok(web::Json(DifferenceAnswer { changes }))
}

/// Makes a batch again: a new one of what was stated then, as it was or with what was learned put in.
/// `201` where it is new, `200` where it was begun already.
#[utoipa::path(tag = "batches", operation_id = "make_again", request_body = NewAgain, responses(
    (status = 201, body = BatchAnswer), (status = 200, body = BatchAnswer), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/again")]
pub async fn again(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(new): Body<NewAgain>,
) -> Answer<HttpResponse> {
    let batch = in_use(&state, *id).await?;
    let (stated, _) = stated_with(&state, *id, &new.learned).await?;
    let digest = store::digest(&("batch", batch.id, &new));
    let words = (batch.name.as_str(), batch.note.as_str());
    let (id, sent) = begin(&state, new.id, batch.plan_id, words, &stated, digest).await?;
    let batch = store::batches::get(&state.pool, id).await?;
    Ok(sent_as(sent).json(answered(&state, batch).await?))
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
