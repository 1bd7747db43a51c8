//! What is to be bought, for one plan or several.

use actix_web::{HttpResponse, get, web};
use chrono::TimeDelta;
use craft::plan::{Plan, PlanInputs};
use serde::{Deserialize, Serialize};
use store::StoreError;
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::{attached, plans};
use crate::answer::shopping::ShoppingListAnswer;
use crate::catalogue::shelf as say;
use crate::on_shelf::OnShelf;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// So many plans go on one list.
const MOST_PLANS: usize = 40;
/// A plan that was due longer ago is shopped for no more.
const PAST: TimeDelta = TimeDelta::days(1);

/// For which plans.
#[derive(Debug, Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
#[serde(deny_unknown_fields)]
pub struct ShoppingAsked {
    /// Their ids, with commas between; those that are due, if left out.
    plans: Option<String>,
}

/// A plan that is shopped for.
#[derive(Debug, Serialize, ToSchema)]
pub struct ShoppedForAnswer {
    /// Its id.
    id: Uuid,
    /// What it is called.
    name: String,
}

/// A shopping list, and what it is for.
#[derive(Debug, Serialize, ToSchema)]
pub struct ShoppingForAnswer {
    /// The plans.
    plans: Vec<ShoppedForAnswer>,
    #[serde(flatten)]
    list: ShoppingListAnswer,
}

/// Plans by name, filled in and worked out.
type Planned = (Uuid, String, PlanInputs, Plan);

/// Those of some plans that can be worked out.
pub(super) fn worked_out(
    on_shelf: &OnShelf,
    stated: impl IntoIterator<Item = (Uuid, String, PlanInputs)>,
) -> Vec<Planned> {
    let one = |(id, name, inputs): (Uuid, String, PlanInputs)| {
        let filled = on_shelf.shelf.fill(&inputs).ok()?;
        let plan = Plan::of(&filled).ok()?;
        Some((id, name, filled, plan))
    };
    stated.into_iter().filter_map(one).collect()
}

/// The plans that are due and not begun.
pub(super) async fn due(state: &State) -> Answer<Vec<(Uuid, String, PlanInputs)>> {
    let wall = state.wall.now();
    let under_way =
        store::batches::under_way_since(&state.pool, wall.after(-crate::agenda::FORGOTTEN));
    let begun: Vec<_> = under_way.await?.into_iter().filter_map(|batch| batch.plan_id).collect();
    let due = store::plans::due_after(&state.pool, wall.0 - PAST).await?;
    let open = due.into_iter().filter(|(id, ..)| !begun.contains(id));
    Ok(open.filter_map(|(id, name, inputs)| Some((id, name, inputs.ok()?))).collect())
}

/// What is to be bought for them.
pub(super) fn list(on_shelf: &OnShelf, planned: &[Planned]) -> craft::shelf::ShoppingList {
    let plans: Vec<_> = planned.iter().map(|(_, _, filled, plan)| (plan, filled)).collect();
    let left = |id| on_shelf.left.get(&id).copied();
    on_shelf.shelf.shopping_list(&plans, left, |id| on_shelf.in_use(id))
}

async fn asked(state: &State, asked: &ShoppingAsked) -> Answer<ShoppingForAnswer> {
    let stated = match asked.plans.as_deref().map(str::trim).filter(|ids| !ids.is_empty()) {
        None => due(state).await?,
        Some(ids) => {
            let ids: Result<Vec<Uuid>, _> = ids.split(',').map(|id| id.trim().parse()).collect();
            let ids = ids.ok().filter(|ids| ids.len() <= MOST_PLANS);
            let ids =
                ids.ok_or_else(|| Problem::bad_field("plans", say::ids_of_plans(MOST_PLANS)))?;
            let mut stated = Vec::with_capacity(ids.len());
            for id in ids {
                let plan = plans::in_use(state, id).await?;
                stated.push((id, plan.name, plan.inputs.map_err(StoreError::from)?));
            }
            stated
        }
    };
    let on_shelf = state.shelf.read(&state.pool).await?;
    let planned = worked_out(&on_shelf, stated);
    let list = list(&on_shelf, &planned);
    Ok(ShoppingForAnswer {
        list: ShoppingListAnswer::of(list, &on_shelf.shelf.kitchen().currency),
        plans: planned.into_iter().map(|(id, name, ..)| ShoppedForAnswer { id, name }).collect(),
    })
}

/// What is to be bought for some plans: what they take less what the shelf has, in whole packs, by the
/// kind of shop.
#[utoipa::path(tag = "shopping", operation_id = "read_shopping", params(ShoppingAsked), responses(
    (status = 200, body = ShoppingForAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/shopping")]
pub async fn read(
    state: web::Data<State>,
    query: web::Query<ShoppingAsked>,
) -> Answer<web::Json<ShoppingForAnswer>> {
    Ok(web::Json(asked(&state, &query).await?))
}

/// A row of the list as a table.
#[derive(Serialize)]
struct Row<'l> {
    shop: &'static str,
    item: &'l str,
    needed: f64,
    left: Option<f64>,
    short: Option<f64>,
    unit: &'static str,
    packs: Option<f64>,
    pack: Option<f64>,
    bought: f64,
    cost: Option<f64>,
    currency: &'l str,
}

/// The same as a table.
#[utoipa::path(tag = "shopping", operation_id = "save_shopping", params(ShoppingAsked), responses(
    (status = 200, content_type = "text/csv", body = String), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/shopping/csv")]
pub async fn save(
    state: web::Data<State>,
    query: web::Query<ShoppingAsked>,
) -> Answer<HttpResponse> {
    let ShoppingForAnswer { list, .. } = asked(&state, &query).await?;
    let mut table = csv::Writer::from_writer(Vec::new());
    for line in &list.lines {
        let row = Row {
            shop: line.shop.word(),
            item: &line.name,
            needed: line.needed,
            left: line.left,
            short: line.short,
            unit: line.unit.word(),
            packs: line.packs,
            pack: line.pack,
            bought: line.bought,
            cost: line.cost,
            currency: &list.currency,
        };
        table.serialize(row).map_err(Problem::unwritable)?;
    }
    let body = table.into_inner().map_err(|error| Problem::unwritable(error.into_error()))?;
    Ok(attached("text/csv; charset=utf-8", "shopping.csv", body))
}
