//! What is to be noted once a bowl's course has ended: what it took from the
//! shelf, and what it taught.

use craft::bowl::fold;
use craft::learn::lesson;
use craft::shelf::{Taught, stock};
use store::bowls::BowlRow;
use store::stock::MoveRow;

use crate::clock::kitchen_time;
use crate::problem::Problem;
use crate::state::{State, subject};

/// Notes what an ended bowl took and taught, or takes both back where its course
/// has not ended after all. Doing it again changes nothing.
///
/// # Errors
/// Where the store fails.
pub async fn settle(state: &State, row: &BowlRow) -> Result<(), Problem> {
    let setup = subject(row)?.setup;
    let record = state.record(row).await?;
    let now = kitchen_time(row.clock, state.wall.now());
    let bowl = fold(&setup, &record, now);
    if bowl.ended() {
        let taught = Taught {
            opened: row.opened_at,
            ware_id: row.inputs.ware_id,
            heat_id: row.inputs.heat_id,
            numbers: lesson(&setup, &record, now),
        };
        store::shelf::learn(&state.pool, row.id, &taught).await?;
        if let Some(chocolate_id) = row.inputs.chocolate_id {
            let taken = MoveRow {
                id: row.id,
                chocolate_id,
                bowl_id: Some(row.id),
                kind: stock::Move::Taken,
                mass: stock::taken(&setup, &bowl),
                at: state.wall.now(),
            };
            store::stock::take(&state.pool, &taken).await?;
        }
    } else {
        store::shelf::unteach(&state.pool, row.id).await?;
        store::stock::give_back(&state.pool, row.id).await?;
    }
    state.shelf.changed().await;
    Ok(())
}
