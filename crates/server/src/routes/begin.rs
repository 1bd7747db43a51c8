//! Begins batches, and holds those that go on.

use actix_web::HttpResponse;
use craft::batch::Stage;
use craft::plan::PlanInputs;
use craft::time::WallTime;
use serde::{Deserialize, Serialize};
use store::batches::{BatchRow, NewBatch as Kept};
use store::changes::Change;
use store::plans::PlanText;
use store::{Connection, Sent};
use utoipa::ToSchema;
use uuid::Uuid;

use super::sent::sent_as;
use crate::clock::as_the_wall;
use crate::making::{RELEASE, answered, computed, summary, words};
use crate::problem::Answer;
use crate::state::State;
use crate::texts::under;

/// A batch to be begun.
#[derive(Debug, Default, Serialize, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct NewBatch {
    /// Made by the sender, so that sending twice begins one.
    pub id: Option<Uuid>,
}

/// A batch that is not deleted.
///
/// # Errors
/// Where there is none.
pub async fn in_use(state: &State, id: Uuid) -> Answer<BatchRow> {
    Ok(store::batches::get(&state.pool, id).await?.in_use()?)
}

/// The same, held until the transaction ends.
///
/// # Errors
/// Where there is none.
pub async fn lock_in_use(tx: &mut Connection, id: Uuid) -> Answer<BatchRow> {
    Ok(store::batches::lock(tx, id).await?.in_use()?)
}

/// Begins a batch of what is stated: `201` where it is new, `200` where it was begun already.
///
/// # Errors
/// Where it cannot be planned, or the store fails.
pub async fn begin_from(
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
    Ok(sent_as(sent).json(answered(state, batch).await?))
}

/// Keeps a new batch of what is stated, filled in.
///
/// # Errors
/// Where it cannot be planned, or the store fails.
pub async fn begin(
    state: &State,
    id: Option<Uuid>,
    plan_id: Option<Uuid>,
    (name, note): (&str, &str),
    filled: &PlanInputs,
    digest: Uuid,
) -> Answer<(Uuid, Sent)> {
    let id = id.unwrap_or_else(Uuid::now_v7);
    let on_shelf = state.shelf.read(&state.pool).await?;
    let computed = computed(filled, Some(&on_shelf.shelf))?;
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
#[must_use]
pub fn new_row(
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
        starred: false,
        passed_look: None,
    }
}
