//! Results: what came out, a look at a time.

use actix_web::{HttpResponse, get, post, web};
use chrono::{DateTime, TimeDelta, Utc};
use craft::check::{self, Checker};
use craft::plan::PlanInputs;
use craft::result::{
    BloomTests, Gloss, Look, Looks, Released, Snap, Stored, Streaks, Symptom, Taste,
};
use craft::time::WallTime;
use serde::Deserialize;
use store::Connection;
use store::batches::BatchRow;
use store::bowls::BowlLine;
use store::changes::Change;
use utoipa::ToSchema;
use uuid::Uuid;

use super::sent::sent_as;
use crate::answer::result::ResultAnswer;
use crate::body::Body;
use crate::catalogue::records as say;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::texts::LONGEST_NOTE;

/// Clocks of two devices need not agree to the minute.
const AHEAD: TimeDelta = TimeDelta::minutes(10);

/// A look to be kept.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewResult {
    /// Made by the sender, so that sending twice keeps one.
    id: Option<Uuid>,
    /// When it was looked at; now, if left out. Not before the pour.
    #[serde(default)]
    looked_at: Option<DateTime<Utc>>,
    /// What was looked at, by its key; all of it, if left out.
    #[serde(default)]
    component: Option<String>,
    gloss: Gloss,
    snap: Snap,
    released: Released,
    streaks: Streaks,
    /// How it tastes.
    #[serde(default)]
    taste: Option<Taste>,
    /// How a veil behaved when it was rubbed and wetted.
    #[serde(default)]
    bloom: BloomTests,
    /// How it was kept until then.
    #[serde(default)]
    stored: Stored,
    /// Faults that were seen besides those that the looks are.
    #[serde(default)]
    seen: Vec<Symptom>,
    #[serde(default)]
    note: String,
}

impl NewResult {
    fn look(self) -> Look {
        let Self { gloss, snap, released, streaks, mut seen, .. } = self;
        seen.sort();
        seen.dedup();
        Look {
            component: self.component,
            looks: Looks { gloss, snap, released, streaks },
            taste: self.taste,
            bloom: self.bloom,
            stored: self.stored,
            seen,
            note: self.note,
        }
    }
}

/// Notes what is wrong with a look at what was made so.
pub(super) fn check_look(
    field: &str,
    look: &Look,
    stated: Option<&PlanInputs>,
    check: &mut Checker,
) {
    check.remark(&format!("{field}note"), &look.note, LONGEST_NOTE);
    check.optional(format_args!("{field}stored.temp_c"), look.stored.temp_c, check::STORED_C);
    if let Some(key) = &look.component {
        let mut components = stated.iter().flat_map(|stated| &stated.components);
        if !components.any(|component| component.key == *key) {
            check.fault(format!("{field}component"), say::not_made_in_it(key));
        }
    }
}

/// Nothing can be looked at before it is poured, nor tomorrow; what never had a bowl, not before
/// it was begun.
fn check_time(
    looked: WallTime,
    batch: &BatchRow,
    bowls: &[BowlLine],
    now: WallTime,
    check: &mut Checker,
) {
    let (earliest, fault) = match bowls.iter().filter_map(BowlLine::poured).min() {
        Some(poured) => (poured, say::before_the_pour()),
        None => (batch.begun_at, say::before_it_was_begun()),
    };
    // A form has no seconds.
    if looked < earliest.after(-TimeDelta::minutes(1)) {
        check.fault("looked_at".to_owned(), fault);
    } else if looked > now.after(AHEAD) {
        check.fault("looked_at".to_owned(), say::still_to_come());
    }
}

/// Keeps a look at what came out: `201` where it is new, `200` where it was
/// kept already.
#[utoipa::path(tag = "results", operation_id = "append_result", request_body = NewResult, responses(
    (status = 201, body = ResultAnswer), (status = 200, body = ResultAnswer), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/results")]
pub async fn append(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    Body(new): Body<NewResult>,
) -> Answer<HttpResponse> {
    let batch = super::begin::in_use(&state, *batch_id).await?;
    let stated = store::batches::begun_with(&state.pool, *batch_id).await?.stated.ok();
    let id = new.id.unwrap_or_else(Uuid::now_v7);
    let now = state.wall.now();
    let looked = new.looked_at.map_or(now, WallTime);
    let look = new.look();
    let mut check = Checker::new();
    check_look("", &look, stated.as_ref(), &mut check);
    let bowls = store::bowls::of_batch(&state.pool, *batch_id).await?;
    check_time(looked, &batch, &bowls, now, &mut check);
    check.finish()?;
    let sent = state
        .whole(async |tx: &mut Connection| {
            let batch = store::batches::lock(tx, *batch_id).await?;
            let sent = store::results::append(tx, *batch_id, id, (now, looked), &look).await?;
            let making = crate::making::Making::lock(tx, batch.id).await;
            match making {
                Ok(making) => making.keep_standing(tx, now).await?,
                // A result can be noted of what cannot be read any more.
                Err(_) => store::changes::note(tx, Change::Batch(batch.id), now).await?,
            }
            Ok(sent)
        })
        .await?;
    let kept = store::results::of_batch(&state.pool, *batch_id).await?;
    let row = kept.into_iter().find(|row| row.id == id);
    let row = row.ok_or(store::StoreError::NotFound("result"))?;
    Ok(sent_as(sent).json(ResultAnswer::from(row)))
}

/// The looks at what came out, the first one first.
#[utoipa::path(tag = "results", operation_id = "list_results", responses((status = 200, body = [ResultAnswer]), (status = 404, body = Problem)))]
#[get("/batches/{id}/results")]
pub async fn list(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<ResultAnswer>>> {
    super::begin::in_use(&state, *batch_id).await?;
    let rows = store::results::of_batch(&state.pool, *batch_id).await?;
    Ok(web::Json(rows.into_iter().map(Into::into).collect()))
}
