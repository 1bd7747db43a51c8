//! Bowls.

use actix_web::{HttpResponse, get, post, put, web};
use craft::bowl::fold;
use craft::check::{Bounds, Checker};
use craft::plan::{BowlInputs, PlanInputs};
use craft::shelf::stock::Move;
use craft::units::Mass;
use serde::Deserialize;
use store::bowls::{BowlRow, ClockRow};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::answer::bowl::BowlAnswer;
use crate::answer::bowl_plan::BowlPlanAnswer;
use crate::answer::grams;
use crate::answer::plan::PlanAnswer;
use crate::body::Body;
use crate::clock::kitchen_time;
use crate::hub::Happening;
use crate::on_shelf::planned;
use crate::problem::{Answer, Problem};
use crate::state::{State, subject};
use crate::thermometer::FASTEST;

const RATE: Bounds = Bounds { min: 0.0, max: FASTEST, unit: "times real time" };

/// A bowl to be opened.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewBowl {
    /// Made by the sender, so that sending twice opens one.
    id: Option<Uuid>,
    /// Which of the batch's chocolates; may be left out where there is but one.
    chocolate: Option<String>,
    /// Whether the simulated thermometer measures it.
    #[serde(default)]
    simulated: bool,
}

/// How the simulated thermometer is to run.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ThermometerSetting {
    /// Whether it measures this bowl; without it the bowl keeps real time.
    simulated: bool,
    /// Kitchen seconds per real second, 0 to 60; 0 holds the bowl's time.
    rate: f64,
}

/// A bowl, and the plan it was opened by.
#[derive(Debug, serde::Serialize, ToSchema)]
pub struct BowlWithPlan {
    /// The bowl as it stands.
    pub bowl: BowlAnswer,
    /// Its batch.
    pub batch_id: Uuid,
    /// Its batch's name.
    pub batch_name: String,
    /// What it took from the shelf; `null` before its course has ended, or where it
    /// took nothing.
    pub taken: Option<TakenAnswer>,
    /// The plan, frozen when the bowl was opened.
    #[schema(value_type = BowlPlanAnswer)]
    pub plan: serde_json::Value,
}

/// What a bowl took from the shelf.
#[derive(Debug, serde::Serialize, ToSchema)]
pub struct TakenAnswer {
    /// Which chocolate.
    pub chocolate_id: Uuid,
    /// What the maker calls it.
    pub name: String,
    /// How much it took.
    pub taken_g: f64,
    /// How much of that was returned.
    pub returned_g: f64,
}

async fn taken(state: &State, bowl_id: Uuid) -> Answer<Option<TakenAnswer>> {
    let moves = store::stock::of_bowl(&state.pool, bowl_id).await?;
    let sum = |kind: Move| {
        moves.iter().filter(|m| m.kind == kind).fold(Mass::default(), |sum, m| sum + m.mass)
    };
    let Some(took) = moves.iter().find(|m| m.kind == Move::Taken) else { return Ok(None) };
    let on_shelf = state.shelf.read(&state.pool).await?;
    Ok(on_shelf.shelf.chocolate(took.chocolate_id).map(|chocolate| TakenAnswer {
        chocolate_id: took.chocolate_id,
        name: chocolate.name.clone(),
        taken_g: grams(sum(Move::Taken)),
        returned_g: grams(sum(Move::Returned)),
    }))
}

/// A bowl with its plan.
///
/// # Errors
/// Where the store fails.
pub async fn answer(state: &State, bowl: BowlRow) -> Answer<BowlWithPlan> {
    let batch = store::batches::get(&state.pool, bowl.batch_id).await?;
    let record = state.record(&bowl).await?;
    Ok(BowlWithPlan {
        bowl: subject(&bowl)?.at(&record, state.clock_answer(&bowl)),
        batch_id: batch.id,
        batch_name: batch.name,
        taken: taken(state, bowl.id).await?,
        plan: bowl.plan,
    })
}

/// Takes one of a batch's chocolates to the bench. Where its latest bowl is still open,
/// gives that bowl back.
#[utoipa::path(tag = "bowls", operation_id = "open_bowl", request_body = NewBowl, responses(
    (status = 201, body = BowlWithPlan), (status = 200, body = BowlWithPlan),
    (status = 404, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/bowls")]
pub async fn open(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    Body(new): Body<NewBowl>,
) -> Answer<HttpResponse> {
    let stated = store::batches::plan(&state.pool, *batch_id).await?;
    let (inputs, plan) = planned(&state, &stated.inputs).await?;
    let chocolate = chosen(&inputs, new.chocolate)?;
    let latest = store::bowls::of_batch(&state.pool, *batch_id)
        .await?
        .into_iter()
        .find(|bowl| bowl.chocolate == chocolate);
    if let Some(latest) = latest {
        let record = state.record(&latest).await?;
        let now = kitchen_time(latest.clock, state.wall.now());
        let ended = fold(&subject(&latest)?.setup, &record, now).ended();
        if !ended || new.id == Some(latest.id) {
            return Ok(HttpResponse::Ok().json(answer(&state, latest).await?));
        }
    }
    let (inputs, plan) = frozen(&inputs, plan, &chocolate)?;
    let now = state.wall.now();
    let bowl = BowlRow {
        id: new.id.unwrap_or_else(Uuid::now_v7),
        batch_id: *batch_id,
        chocolate,
        inputs,
        plan: plan.frozen().map_err(|e| Problem::conflict(e.to_string()))?,
        opened_at: now,
        clock: ClockRow { real: now, kitchen: now, rate: 1.0 },
        simulated: new.simulated,
    };
    store::bowls::insert(&state.pool, &bowl).await?;
    if bowl.simulated {
        state.thermometers.start(&state, bowl.id);
    }
    Ok(HttpResponse::Created().json(answer(&state, bowl).await?))
}

/// Which of a batch's chocolates is meant: the one that was named, or the only one.
fn chosen(inputs: &PlanInputs, named: Option<String>) -> Answer<String> {
    let keys: Vec<_> = inputs.bowls.iter().map(|bowl| bowl.key.as_str()).collect();
    match (named, keys.as_slice()) {
        (Some(named), _) if keys.contains(&named.as_str()) => Ok(named),
        (None, [only]) => Ok((*only).to_owned()),
        (_, []) => Err(Problem::conflict("Nothing in this batch is tempered.")),
        _ => Err(Problem::bad_field("chocolate", format!("must be one of {}", keys.join(", ")))),
    }
}

/// A bowl's own numbers, so that it needs neither its batch nor the shelf, and its plan.
///
/// # Errors
/// Where nothing is made from it.
pub fn frozen(
    inputs: &PlanInputs,
    plan: PlanAnswer,
    key: &str,
) -> Answer<(BowlInputs, BowlPlanAnswer)> {
    let stated = inputs.bowls.iter().find(|bowl| bowl.key == key);
    let planned = plan.bowls.into_iter().find(|bowl| bowl.key == key).and_then(|bowl| bowl.plan);
    let (Some(stated), Some(mut planned)) = (stated, planned) else {
        return Err(Problem::conflict("Nothing is made from this chocolate yet."));
    };
    // How it sets is shown at the bench where it becomes a plain slab.
    let slab = plan
        .components
        .iter()
        .find(|component| component.layers.len() == 1 && component.layers[0].chocolate == key);
    planned.thickness_mm = slab.map(|slab| slab.layers[0].thickness_mm);
    let inputs = BowlInputs {
        total_g: Some(planned.to_weigh_g),
        thickness_mm: planned.thickness_mm,
        room_c: Some(stated.room_c.unwrap_or(inputs.room_c)),
        ..stated.clone()
    };
    Ok((inputs, planned))
}

/// A bowl as it stands, and the plan it was opened by.
#[utoipa::path(tag = "bowls", operation_id = "read_bowl", responses((status = 200, body = BowlWithPlan), (status = 404, body = Problem)))]
#[get("/bowls/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<web::Json<BowlWithPlan>> {
    let bowl = store::bowls::get(&state.pool, *id).await?;
    Ok(web::Json(answer(&state, bowl).await?))
}

/// Sets the simulated thermometer and the pace of the bowl's time.
#[utoipa::path(tag = "bowls", operation_id = "set_thermometer", request_body = ThermometerSetting, responses(
    (status = 200, body = BowlWithPlan), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[put("/bowls/{id}/thermometer")]
pub async fn set_thermometer(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(setting): Body<ThermometerSetting>,
) -> Answer<web::Json<BowlWithPlan>> {
    let mut check = Checker::new();
    check.number("rate", setting.rate, RATE);
    #[allow(clippy::float_cmp)] // exactly one is what real time is
    if !setting.simulated && setting.rate != 1.0 {
        check.fault(
            "rate",
            "must be 1 without the simulated thermometer: real chocolate keeps real time",
        );
    }
    check.finish()?;
    let mut bowl = store::bowls::get(&state.pool, *id).await?;
    let real = state.wall.now();
    // From here on at the new pace. Kitchen time never runs back, so what is
    // recorded stays in order even when real time is behind.
    let kitchen = kitchen_time(bowl.clock, real);
    bowl.clock = ClockRow { real, kitchen, rate: setting.rate };
    bowl.simulated = setting.simulated;
    store::bowls::set_clock(&state.pool, bowl.id, bowl.clock, bowl.simulated).await?;
    state.clocks.set(bowl.id, bowl.clock);
    if bowl.simulated && setting.rate > 0.0 {
        state.thermometers.start(&state, bowl.id);
    } else {
        state.thermometers.stop(bowl.id);
    }
    state.hub.tell(bowl.id, Happening::Clock);
    Ok(web::Json(answer(&state, bowl).await?))
}
