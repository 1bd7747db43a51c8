//! Bowls.

use actix_web::{HttpResponse, get, post, put, web};
use craft::check::{Bounds, Checker};
use craft::message::{Message, names};
use craft::plan::{BowlInputs, PlanInputs};
use craft::shelf::stock::Move;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use store::batches::ClockRow;
use store::bowls::{BowlLine, BowlStatus};
use store::document::Computed;
use store::{Connection, Sent, StoreError};
use utoipa::ToSchema;
use uuid::Uuid;

use super::guide::{keep_clock, pace_thermometers};
use super::sent::sent_as;
use crate::answer::bowl::BowlAnswer;
use crate::answer::bowl_plan::BowlPlanAnswer;
use crate::answer::round;
use crate::body::Body;
use crate::catalogue::records as say;
use crate::clock::kitchen_time;
use crate::live::Heard;
use crate::making::Making;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::thermometer::FASTEST;

const RATE: Bounds = Bounds { min: 0.0, max: FASTEST, unit: "times real time" };

/// A bowl to be opened.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
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
#[derive(Debug, Serialize, ToSchema)]
pub struct BowlWithPlan {
    /// The bowl as it stands.
    pub bowl: BowlAnswer,
    /// Its batch.
    pub batch_id: Uuid,
    /// Its batch's name.
    pub batch_name: String,
    /// The plan that is made of; `null` once that is gone.
    pub plan_id: Option<Uuid>,
    /// When it was poured or given up, by the wall.
    pub ended_wall: Option<craft::time::WallTime>,
    /// What it took from the shelf; `null` before its course has ended, or where it
    /// took nothing.
    pub taken: Option<TakenAnswer>,
    /// The plan, frozen when the bowl was opened.
    #[schema(value_type = BowlPlanAnswer)]
    pub plan: Value,
    /// What was learned for its tempering and its pours from how things came out before.
    pub learned: Vec<Message>,
}

/// What was learned for the temperings of a chocolate and for what is poured from them, each once.
async fn learned(state: &State, batch: Uuid, chocolate: &str) -> Vec<Message> {
    // Steps that cannot be read are no reason to hide the bowl.
    let Ok(computed) = store::batches::computed(&state.pool, batch).await else {
        return Vec::new();
    };
    let mut all: Vec<Message> = Vec::new();
    for line in &computed.lines {
        let tempers = line.bowl().is_some_and(|(of, _)| of == chocolate);
        let of_it = line
            .steps
            .iter()
            .filter(|step| tempers || step.chocolate.as_deref() == Some(chocolate));
        for said in of_it.flat_map(|step| &step.learned) {
            if !all.contains(said) {
                all.push(said.clone());
            }
        }
    }
    all
}

/// What a bowl took from the shelf.
#[derive(Debug, Serialize, ToSchema)]
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
    if moves.is_empty() {
        return Ok(None);
    }
    let on_shelf = state.shelf.read(&state.pool).await?;
    // The oil that was stirred in came out of a bottle of its own.
    let took = moves.iter().filter(|m| m.kind == Move::Taken).find_map(|m| {
        let chocolate = on_shelf.shelf.chocolate(m.thing_id)?;
        Some((m.thing_id, chocolate))
    });
    Ok(took.map(|(chocolate_id, chocolate)| {
        let of_it = moves.iter().filter(|m| m.thing_id == chocolate_id);
        let sum = |kind: Move| -> f64 {
            of_it.clone().filter(|m| m.kind == kind).map(|m| m.amount).sum()
        };
        TakenAnswer {
            chocolate_id,
            name: chocolate.name.clone(),
            taken_g: round(sum(Move::Taken), 2),
            returned_g: round(sum(Move::Returned), 2),
        }
    }))
}

/// A bowl with its plan.
///
/// # Errors
/// Where the store fails, or what it was opened with cannot be read.
pub async fn answer(state: &State, id: Uuid) -> Answer<BowlWithPlan> {
    let row = store::bowls::get(&state.pool, id).await?;
    let batch = super::begin::in_use(state, row.batch_id).await?;
    let live = state.live.bowl(state, id).await?;
    Ok(BowlWithPlan {
        bowl: live.answer(state.clock_answer(batch.clock, row.simulated)),
        learned: learned(state, batch.id, &row.chocolate).await,
        batch_id: batch.id,
        batch_name: batch.name,
        plan_id: batch.plan_id,
        ended_wall: row.status.ended(),
        taken: taken(state, id).await?,
        // A plan that cannot be read is no reason to hide the bowl.
        plan: row.plan.unwrap_or_default(),
    })
}

/// Takes one of a batch's chocolates to the bench: `201` where its bowl is new, `200` where
/// it was opened already. Where its latest bowl is still open, gives that bowl back.
#[utoipa::path(tag = "bowls", operation_id = "open_bowl", request_body = NewBowl, responses(
    (status = 201, body = BowlWithPlan), (status = 200, body = BowlWithPlan), (status = 404, body = Problem),
    (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/bowls")]
pub async fn open(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    Body(new): Body<NewBowl>,
) -> Answer<HttpResponse> {
    let begun = store::batches::begun_with(&state.pool, *batch_id).await?;
    let stated = begun.stated.map_err(StoreError::from)?;
    let computed = store::batches::computed(&state.pool, *batch_id).await?;
    let digest = store::digest(&new);
    let chocolate = chosen(&stated, new.chocolate)?;
    let (inputs, plan) = frozen(&stated, &computed, &chocolate)?;
    let wall = state.wall.now();
    let (sent, id) = state
        .whole(async |tx: &mut Connection| {
            let mut making = Making::lock(tx, *batch_id).await?;
            let open = |b: &&BowlLine| b.chocolate == chocolate && b.status == BowlStatus::Open;
            if let Some(open) = making.bowls.iter().find(open)
                && new.id != Some(open.id)
            {
                return Ok((Sent::Again, open.id));
            }
            let bowl = BowlLine {
                id: new.id.unwrap_or_else(Uuid::now_v7),
                batch_id: *batch_id,
                chocolate: chocolate.clone(),
                opened_at: kitchen_time(making.batch.clock, wall),
                simulated: new.simulated,
                status: BowlStatus::Open,
            };
            let sent = store::bowls::insert(tx, &bowl, (&inputs, &plan), digest).await?;
            let id = bowl.id;
            if sent == Sent::New {
                making.bowls.insert(0, bowl);
                if new.simulated {
                    // A rehearsal: from here on this batch teaches nothing.
                    store::batches::set_clock(&mut *tx, *batch_id, making.batch.clock, false)
                        .await?;
                }
                if let Some(plan_id) = making.batch.plan_id {
                    store::plans::touch(&mut *tx, plan_id, wall).await?;
                }
                making.keep_standing(tx, wall).await?;
            }
            Ok((sent, id))
        })
        .await?;
    if sent == Sent::New && new.simulated {
        state.start_thermometer(id);
    }
    Ok(sent_as(sent).json(answer(&state, id).await?))
}

/// Which of a batch's chocolates is meant: the one that was named, or the only one.
fn chosen(inputs: &PlanInputs, named: Option<String>) -> Answer<String> {
    let keys: Vec<_> = inputs.bowls.iter().map(|bowl| bowl.key.as_str()).collect();
    match (named, keys.as_slice()) {
        (Some(named), _) if keys.contains(&named.as_str()) => Ok(named),
        (None, [only]) => Ok((*only).to_owned()),
        (_, []) => Err(Problem::conflict("Nothing in this batch is tempered.")),
        _ => Err(Problem::bad_field("chocolate", say::one_of(names(keys)))),
    }
}

/// A bowl's own numbers, so that it needs neither its batch nor the shelf, and its plan as
/// its batch was begun with it.
///
/// # Errors
/// Where nothing is made from it.
pub fn frozen(stated: &PlanInputs, computed: &Computed, key: &str) -> Answer<(BowlInputs, Value)> {
    let inputs = stated.bowls.iter().find(|bowl| bowl.key == key);
    let planned = computed.plan["bowls"].as_array().into_iter().flatten();
    let plan = planned.into_iter().find(|bowl| bowl["key"] == key).map(|bowl| &bowl["plan"]);
    let (Some(inputs), Some(plan)) = (inputs, plan.filter(|plan| plan.is_object())) else {
        return Err(Problem::conflict("Nothing is made from this chocolate yet."));
    };
    let inputs = BowlInputs {
        total_g: plan["to_weigh_g"].as_f64(),
        room_c: Some(inputs.room_c.unwrap_or(stated.room_c)),
        ..inputs.clone()
    };
    Ok((inputs, plan.clone()))
}

/// A bowl as it stands, and the plan it was opened by.
#[utoipa::path(tag = "bowls", operation_id = "read_bowl", responses(
    (status = 200, body = BowlWithPlan), (status = 404, body = Problem), (status = 409, body = Problem)))]
#[get("/bowls/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<web::Json<BowlWithPlan>> {
    Ok(web::Json(answer(&state, *id).await?))
}

/// Sets the simulated thermometer, and the pace of the batch's time.
#[utoipa::path(tag = "bowls", operation_id = "set_thermometer", request_body = ThermometerSetting, responses(
    (status = 200, body = BowlWithPlan), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 422, body = Problem)))]
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
        check.fault("rate", say::real_chocolate_keeps_real_time());
    }
    check.finish()?;
    let batch_id = store::bowls::line(&state.pool, *id).await?.batch_id;
    let real = state.wall.now();
    let clock = state
        .whole(async |tx: &mut Connection| {
            store::bowls::set_simulated(&mut *tx, *id, setting.simulated).await?;
            let making = Making::lock(tx, batch_id).await?;
            // From here on at the new pace. Kitchen time never runs back, so what is
            // recorded stays in order even when real time is behind.
            let kitchen = kitchen_time(making.batch.clock, real);
            let clock = ClockRow { real, kitchen, rate: setting.rate };
            keep_clock(tx, &making, clock, false).await?;
            Ok(clock)
        })
        .await?;
    state.clocks.set(batch_id, clock);
    state.live.heard(*id, Heard::Batch);
    state.live.batch_changed(batch_id);
    pace_thermometers(&state, batch_id).await?;
    Ok(web::Json(answer(&state, *id).await?))
}
