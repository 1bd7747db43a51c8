//! What is to be noted once a bowl's course has ended: what it took from the
//! shelf, and what it taught.

use chrono::{DateTime, Utc};
use craft::bowl::{Record, Setup, fold};
use craft::learn::lesson;
use craft::plan::Plan;
use craft::shelf::{Taught, stock};
use store::bowls::BowlRow;
use store::builds::BuildRow;
use store::stock::MoveRow;
use store::{Pool, StoreError};
use uuid::Uuid;

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
    let wall = state.wall.now();
    note(&state.pool, row, (&setup, &record), [kitchen_time(row.clock, wall), wall]).await?;
    state.shelf.changed().await;
    Ok(())
}

/// The same, by what is known of the bowl already, at its own time and the wall's.
///
/// # Errors
/// Where the store fails.
pub async fn note(
    pool: &Pool,
    row: &BowlRow,
    (setup, record): (&Setup, &Record),
    [now, wall]: [DateTime<Utc>; 2],
) -> Result<(), StoreError> {
    let bowl = fold(setup, record, now);
    if bowl.ended() {
        let taught = Taught {
            opened: row.opened_at,
            ware_id: row.inputs.ware_id,
            heat_id: row.inputs.heat_id,
            numbers: lesson(setup, record, now),
        };
        store::shelf::learn(pool, row.id, &taught).await?;
        if let Some(chocolate_id) = row.inputs.chocolate_id {
            let taken = MoveRow {
                id: row.id,
                chocolate_id,
                bowl_id: Some(row.id),
                kind: stock::Move::Taken,
                mass: stock::taken(setup, &bowl),
                at: wall,
            };
            store::stock::take(pool, &taken).await?;
        }
    } else {
        store::shelf::unteach(pool, row.id).await?;
        store::stock::give_back(pool, row.id).await?;
    }
    Ok(())
}

/// Notes what a build taught about how long work takes to set in this kitchen, or
/// takes it back where it was undone.
///
/// # Errors
/// Where the store fails.
pub async fn teach_setting(state: &State, build: &BuildRow, plan: &Plan) -> Result<(), Problem> {
    let events = store::builds::events(&state.pool, build.batch_id).await?;
    let planned_pace = build.inputs.setting_pace.unwrap_or(1.0);
    let taught = craft::build::lesson(plan, &events, planned_pace);
    for component in &plan.components {
        // The lesson is this component's, however often it is sent.
        let id = Uuid::new_v5(&build.batch_id, component.key.as_bytes());
        match taught.iter().find(|(key, _)| *key == component.key) {
            Some((_, numbers)) => {
                let taught = Taught {
                    opened: build.begun_at,
                    ware_id: None,
                    heat_id: None,
                    numbers: *numbers,
                };
                store::shelf::learn(&state.pool, id, &taught).await?;
            }
            None => store::shelf::unteach(&state.pool, id).await?,
        }
    }
    state.shelf.changed().await;
    Ok(())
}
