//! What a database of an earlier release still lacks, worked out once.

use craft::plan::PlanInputs;
use store::batches::NewBatch;
use store::document::{Computed, Summary};
use uuid::Uuid;

use crate::making::{Making, computed, summary, words};
use crate::problem::Problem;
use crate::state::State;

/// Works out what lists and searches show, and for batches that were begun before it was kept
/// what followed from what they stated. What cannot be read stays as it is: its row says so.
///
/// # Errors
/// Where the store fails.
pub async fn bring_up_to_date(state: &State) -> Result<usize, Problem> {
    let mut done = 0;
    let on_shelf = state.shelf.read(&state.pool).await?;
    for id in store::plans::without_words(&state.pool).await? {
        let plan = store::plans::get(&state.pool, id).await?;
        let shown = plan
            .inputs
            .map(|inputs| summary(&on_shelf.shelf.fill(&inputs).unwrap_or(inputs)))
            .unwrap_or_default();
        store::plans::set_words(&state.pool, id, &words(&plan.name, &plan.note, &shown)).await?;
        done += 1;
    }
    for id in store::batches::not_computed(&state.pool).await? {
        let Ok(stated) = store::batches::begun_with(&state.pool, id).await?.stated else {
            continue;
        };
        // What was built was filled in then; what was only poured names the shelf.
        let filled = on_shelf.shelf.fill(&stated).unwrap_or(stated);
        let Ok(follows) = computed(&filled, None) else { continue };
        keep(state, id, &filled, (&follows, &summary(&filled))).await?;
        done += 1;
    }
    Ok(done)
}

async fn keep(
    state: &State,
    id: Uuid,
    filled: &PlanInputs,
    (computed, summary): (&Computed, &Summary),
) -> Result<(), Problem> {
    state
        .whole(async |tx: &mut store::Connection| {
            let batch = store::batches::lock(tx, id).await?;
            let words = words(&batch.name, &batch.note, summary);
            let digest = Uuid::nil();
            let new = NewBatch { stated: filled, computed, summary, words: &words, digest };
            store::batches::set_computed(&mut *tx, id, &new).await?;
            let making = Making::lock(tx, id).await?;
            // It is not touched by being read: its place in the list stays.
            Ok(making.keep_standing(tx, making.batch.last_at.min(state.wall.now())).await?)
        })
        .await
}
