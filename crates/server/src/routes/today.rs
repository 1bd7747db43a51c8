//! The shelf today: what runs out, what expires, what it is enough for.

use actix_web::{get, web};
use chrono::NaiveDate;
use craft::pantry::CountedIn;
use craft::shelf::{Thing, ToShop};
use serde::Serialize;
use store::Page;
use store::plans::PlansOf;
use utoipa::ToSchema;
use uuid::Uuid;

use super::shopping;
use crate::problem::Answer;
use crate::state::State;

/// So many of the latest plans are looked at for what today's shelf is enough for.
const LOOKED_AT: u32 = 30;
/// A date that is so near is told, days.
const SOON: i64 = 14;

/// A thing that runs out.
#[derive(Debug, Serialize, ToSchema)]
pub struct RunsOutAnswer {
    /// Its id; `null` where it does not stand on the shelf.
    id: Option<Uuid>,
    /// What it is called.
    name: String,
    /// What it is counted in.
    unit: CountedIn,
    /// What is missing for the plans that are due; nothing where none is left at all.
    short: f64,
}

/// A thing whose date is near, or has passed.
#[derive(Debug, Serialize, ToSchema)]
pub struct ExpiresAnswer {
    /// Its id.
    id: Uuid,
    /// What it is called.
    name: String,
    /// The date.
    best_before: NaiveDate,
    /// Whether it has passed.
    past: bool,
}

/// A plan that today's shelf is enough for.
#[derive(Debug, Serialize, ToSchema)]
pub struct EnoughForAnswer {
    /// Its id.
    id: Uuid,
    /// What it is called.
    name: String,
}

/// What is to be known of the shelf today.
#[derive(Debug, Serialize, ToSchema)]
pub struct TodayAnswer {
    /// What runs out: less of it is left than the plans that are due take, or none.
    runs_out: Vec<RunsOutAnswer>,
    /// What expires, the first date first.
    expires: Vec<ExpiresAnswer>,
    /// The plans that can be made of what is there.
    enough_for: Vec<EnoughForAnswer>,
}

/// What runs out, what expires, and what today's shelf is enough for.
#[utoipa::path(tag = "shelf", operation_id = "read_shelf_today", responses((status = 200, body = TodayAnswer)))]
#[get("/shelf/today")]
pub async fn read(state: web::Data<State>) -> Answer<web::Json<TodayAnswer>> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    let now = state.wall.now().0.date_naive();
    let due = shopping::worked_out(&on_shelf, shopping::due(&state).await?);
    let mut runs_out: Vec<RunsOutAnswer> = shopping::list(&on_shelf, &due)
        .lines
        .into_iter()
        .filter(ToShop::is_short)
        .map(|line| RunsOutAnswer {
            id: line.thing,
            name: line.name,
            unit: line.unit,
            short: line.short.unwrap_or_default(),
        })
        .collect();
    let mut expires = Vec::new();
    for row in on_shelf.rows.iter().filter(|row| !row.put_away) {
        let Ok(thing) = &row.thing else { continue };
        let (name, unit, dated) = match thing {
            Thing::Chocolate(of) => (&of.name, CountedIn::Grams, of.best_before),
            Thing::Goods(of) => (&of.name, of.unit, of.best_before),
            _ => continue,
        };
        let left = on_shelf.left.get(&row.id).copied();
        let known = runs_out.iter().any(|one| one.id == Some(row.id));
        if left.is_some_and(|left| left <= 0.0) && !known {
            runs_out.push(RunsOutAnswer { id: Some(row.id), name: name.clone(), unit, short: 0.0 });
        }
        // What is used up does not expire.
        let near = dated.filter(|date| (*date - now).num_days() <= SOON);
        if let Some(best_before) = near.filter(|_| left.is_none_or(|left| left > 0.0)) {
            let (id, name) = (row.id, name.clone());
            expires.push(ExpiresAnswer { id, name, best_before, past: best_before < now });
        }
    }
    expires.sort_by_key(|one| one.best_before);
    let page = Page::first(LOOKED_AT);
    let lines = store::plans::list(&state.pool, PlansOf::InUse, None, page).await?;
    let stated = lines.into_iter().filter_map(|line| Some((line.id, line.name, line.inputs.ok()?)));
    let planned = shopping::worked_out(&on_shelf, stated);
    let enough_for = planned
        .into_iter()
        .filter(|one| {
            let list = shopping::list(&on_shelf, std::slice::from_ref(one));
            list.lines.iter().all(|line| line.short.is_none_or(|short| short <= 0.0))
        })
        .map(|(id, name, ..)| EnoughForAnswer { id, name });
    Ok(web::Json(TodayAnswer { runs_out, expires, enough_for: enough_for.collect() }))
}
