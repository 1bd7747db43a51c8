//! What waits for the maker, over hours and days.

use std::cmp::Reverse;

use actix_web::{get, web};
use craft::message::Message;
use craft::time::WallTime;
use serde::Serialize;
use store::bowls::BowlStatus;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::agenda::FORGOTTEN;
use crate::answer::guide::InstructionState;
use crate::clock::{kitchen_time, wall_time};
use crate::making::Making;
use crate::problem::Answer;
use crate::state::State;

/// A batch that goes on.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReminderAnswer {
    /// The batch.
    batch_id: Uuid,
    /// What it is called.
    batch_name: String,
    /// What is next.
    text: Message,
    /// How that stands.
    state: InstructionState,
    /// What is waited for; empty where nothing is.
    waits_for: Option<Message>,
    /// When it may go on, by the wall's clock; `null` where it may now, or its time is
    /// held.
    opens_at: Option<WallTime>,
    /// When it must have gone on, by the wall's clock.
    closes_at: Option<WallTime>,
}

/// The batches in which something is still to do, the one that is due first before the others.
/// One of which nothing was said but that a bowl was opened is at the bench, and not reminded of.
#[utoipa::path(tag = "guide", operation_id = "list_reminders", responses((status = 200, body = [ReminderAnswer])))]
#[get("/reminders")]
pub async fn list(state: web::Data<State>) -> Answer<web::Json<Vec<ReminderAnswer>>> {
    let wall = state.wall.now();
    let mut all = Vec::new();
    for batch in store::batches::under_way_since(&state.pool, wall.after(-FORGOTTEN)).await? {
        let now = kitchen_time(batch.clock, wall);
        // One that cannot be read reminds of nothing; its row in the list says so.
        let Ok(making) = Making::of(&state, batch).await else { continue };
        let poured =
            making.bowls.iter().any(|bowl| matches!(bowl.status, BowlStatus::Poured { .. }));
        if making.events.is_empty() && !poured {
            continue;
        }
        let guide = super::guide::answer(&state, &making).await?;
        let Some(next) = guide.now else { continue };
        let held = making.batch.clock.rate <= 0.0;
        let on_the_wall = |at| (!held && at > now).then(|| wall_time(making.batch.clock, at, wall));
        let reminder = ReminderAnswer {
            batch_id: making.batch.id,
            batch_name: making.batch.name.clone(),
            text: next.text,
            state: next.state,
            waits_for: next.opens.as_ref().map(|opens| opens.what.clone()),
            opens_at: next.opens.and_then(|opens| on_the_wall(opens.at)),
            closes_at: next
                .closes
                .and_then(|closes| (!held).then(|| wall_time(making.batch.clock, closes.at, wall))),
        };
        all.push((reminder, making.batch.last_at));
    }
    // Of those that can go on now, the one that was last worked at comes first.
    all.sort_by_key(|(one, last)| (one.opens_at, Reverse(*last)));
    Ok(web::Json(all.into_iter().map(|(one, _)| one).collect()))
}
