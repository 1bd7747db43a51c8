//! What a batch cost.

use std::collections::HashMap;

use actix_web::{get, web};
use craft::shelf::stock::Move;
use craft::units::{Mass, grams};
use serde_json::Value;
use uuid::Uuid;

use super::begin::in_use;
use crate::answer::cost::PlanCostAnswer;
use crate::making::counted;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What a batch costs: by the prices of when it was begun, with what really went in, over as many boxes
/// as were filled.
#[utoipa::path(tag = "batches", operation_id = "read_cost_of_batch", responses(
    (status = 200, body = PlanCostAnswer), (status = 404, body = Problem), (status = 409, body = Problem)))]
#[get("/batches/{id}/cost")]
pub async fn of_batch(
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Answer<web::Json<PlanCostAnswer>> {
    in_use(&state, *id).await?;
    let computed = store::batches::computed(&state.pool, *id).await?;
    let kept: Option<PlanCostAnswer> =
        computed.plan.get("cost").and_then(|cost| serde_json::from_value(cost.clone()).ok());
    let kept = kept.ok_or_else(|| Problem::conflict(NO_COST))?;
    let currency = kept.currency.clone();
    let stated = store::batches::begun_with(&state.pool, *id).await?.stated.ok();
    let counted = counted(&state.pool, *id, stated.as_ref()).await?;
    let boxes = counted.and_then(|counted| counted.fills).map(f64::from);
    let planned = stated.as_ref().and_then(|stated| stated.packing.as_ref()).map(|p| p.count);
    let wasted = wasted(&state, *id, &computed.plan).await?;
    let went = kept.kept().as_it_went(&wasted, boxes.or(planned));
    Ok(web::Json(PlanCostAnswer::of(went, &currency)))
}

/// What is told of a batch whose costs nobody kept.
const NO_COST: &str = "There is no cost for this batch: it was begun before prices were recorded.";

/// What is in no piece of each chocolate, by its key: what its poured bowls took, less what was put
/// back, less what is in the pieces.
async fn wasted(state: &State, id: Uuid, plan: &Value) -> Answer<HashMap<String, Mass>> {
    let mut taken: HashMap<String, f64> = HashMap::new();
    for bowl in store::bowls::of_batch(&state.pool, id).await? {
        for moved in store::stock::of_bowl(&state.pool, bowl.id).await? {
            let signed = match moved.kind {
                Move::Taken => moved.amount,
                Move::Returned => -moved.amount,
                Move::Counted | Move::Bought | Move::Gone => continue,
            };
            *taken.entry(bowl.chocolate.clone()).or_default() += signed;
        }
    }
    let bowls = plan.get("bowls").and_then(Value::as_array).into_iter().flatten();
    let needed: HashMap<&str, f64> = bowls
        .filter_map(|bowl| Some((bowl.get("key")?.as_str()?, bowl.get("needed_g")?.as_f64()?)))
        .collect();
    let wasted = taken.into_iter().filter_map(|(key, taken)| {
        let needed = needed.get(key.as_str())?;
        Some((key, grams((taken - needed).max(0.0))))
    });
    Ok(wasted.collect())
}
