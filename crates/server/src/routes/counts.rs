//! Counts: how many pieces of a batch are whole, how many broke.

use actix_web::{HttpResponse, post, web};
use craft::check::{self, Checker};
use serde::Deserialize;
use store::Connection;
use store::changes::Change;
use store::document::{CountDocument, CountedPieces};
use utoipa::ToSchema;
use uuid::Uuid;

use super::begin::in_use;
use super::sent::sent_as;
use crate::answer::packing::CountAnswer;
use crate::body::Body;
use crate::catalogue::records as say;
use crate::making::counted;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What was counted of one thing that was made.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CountedRequest {
    /// The component's key.
    component: String,
    /// How many are whole; grams of what goes by weight.
    whole: f64,
    /// How many broke.
    #[serde(default)]
    broken: f64,
    /// How many of the whole ones were given away.
    #[serde(default)]
    given_away: f64,
}

/// A count to be kept.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewCount {
    /// Made by the sender, so that sending twice keeps one.
    id: Option<Uuid>,
    made: Vec<CountedRequest>,
}

/// Keeps a count of what came out: `201` where it is new, `200` where it was kept already. The
/// latest one stands.
#[utoipa::path(tag = "counts", operation_id = "append_count", request_body = NewCount, responses(
    (status = 201, body = CountAnswer), (status = 200, body = CountAnswer), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/counts")]
pub async fn append(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    Body(new): Body<NewCount>,
) -> Answer<HttpResponse> {
    in_use(&state, *batch_id).await?;
    let stated = store::batches::begun_with(&state.pool, *batch_id).await?.stated.ok();
    let mut check = Checker::new();
    let mut made: Vec<CountedPieces> = Vec::new();
    if new.made.is_empty() {
        check.fault("made", say::nothing_counted());
    }
    for (i, one) in new.made.into_iter().enumerate() {
        check.number(format_args!("made[{i}].whole"), one.whole, check::COUNTED);
        check.number(format_args!("made[{i}].broken"), one.broken, check::COUNTED);
        check.number(format_args!("made[{i}].given_away"), one.given_away, check::COUNTED);
        if one.given_away > one.whole {
            let fault = say::given_away_more(one.given_away, one.whole);
            check.fault(format!("made[{i}].given_away"), fault);
        }
        let components = stated.iter().flat_map(|stated| &stated.components);
        let component = components.into_iter().find(|known| known.key == one.component);
        if component.is_none() || made.iter().any(|known| known.component == one.component) {
            check.fault(format!("made[{i}].component"), say::not_made_in_it(&one.component));
        }
        let kind = component.map(|component| component.work.kind().to_owned()).unwrap_or_default();
        let CountedRequest { component, whole, broken, given_away } = one;
        made.push(CountedPieces { component, kind, whole, broken, given_away });
    }
    check.finish()?;
    let document = CountDocument { made };
    let id = new.id.unwrap_or_else(Uuid::now_v7);
    let now = state.wall.now();
    let sent = state
        .whole(async |tx: &mut Connection| {
            store::batches::lock(tx, *batch_id).await?;
            let sent = store::counts::append(tx, *batch_id, id, now, &document).await?;
            // What breaks is learned: plans that are packed take their spares from it.
            store::changes::note(&mut *tx, Change::Shelf, now).await?;
            store::changes::note(tx, Change::Batch(*batch_id), now).await?;
            Ok(sent)
        })
        .await?;
    state.shelf.changed().await;
    let answer = counted(&state.pool, *batch_id, stated.as_ref()).await?;
    let answer = answer.ok_or(store::StoreError::NotFound("count"))?;
    Ok(sent_as(sent).json(answer))
}
