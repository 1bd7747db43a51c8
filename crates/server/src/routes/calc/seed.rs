//! The seed sum.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::heat::seed::{Amount, SeedError, SeedInput, StillAir};
use craft::plan::{BlendPart, OwnInputs, WareInputs};
use craft::units::{celsius, grams, minutes};
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::figures::SeedAnswer;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What is known.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SeedRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    /// What is melted; or else `total_g`.
    melted_g: Option<f64>,
    /// All there is to be; or else `melted_g`.
    total_g: Option<f64>,
    melted_c: f64,
    /// The top of the working band less half a degree, if left out.
    target_c: Option<f64>,
    seed_c: f64,
    bowl: Option<WareInputs>,
    /// With `minutes`: counts the loss to the room.
    room_c: Option<f64>,
    /// With `room_c`: how long the cooling usually takes.
    minutes: Option<f64>,
}

/// How much seed brings a bowl to its target.
#[utoipa::path(tag = "calc", request_body = SeedRequest, responses((status = 200, body = SeedAnswer), (status = 422, body = Problem)))]
#[post("/seed")]
pub async fn seed(
    state: Data<State>,
    Body(request): Body<SeedRequest>,
) -> Answer<Json<SeedAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let amount = match (request.melted_g, request.total_g) {
        (Some(g), None) => Amount::Melted(grams(check.number("melted_g", g, check::CHOCOLATE_G))),
        (None, Some(g)) => Amount::Total(grams(check.number("total_g", g, check::CHOCOLATE_G))),
        (given, _) => {
            let given = if given.is_some() { say::both_given() } else { say::neither_given() };
            check.fault("melted_g", say::melted_or_total(given));
            Amount::Total(grams(1.0))
        }
    };
    let melted = celsius(check.number("melted_c", request.melted_c, check::MELTED_C));
    let target = check
        .optional("target_c", request.target_c, check::MELTED_C)
        .map_or(chocolate.windows.seed_target(), celsius);
    let seed_temp = celsius(check.number("seed_c", request.seed_c, check::SOLID_C));
    let vessel = request.bowl.map(|bowl| bowl.check("bowl", &mut check));
    let room = check.optional("room_c", request.room_c, check::ROOM_C).map(celsius);
    let lasting = check.optional("minutes", request.minutes, check::COOLING_MIN).map(minutes);
    if let (None, Some(_)) = (room, lasting) {
        check.fault("room_c", say::needed_with_minutes());
    }
    check.finish()?;

    let plan = SeedInput {
        chocolate: &chocolate,
        amount,
        melted,
        target,
        seed: seed_temp,
        vessel,
        still_air: room.zip(lasting).map(|(room, lasting)| StillAir { room, lasting }),
    }
    .solve()
    .map_err(|error| Problem::bad_field(field_of(&error), error.message()))?;
    Ok(Json(SeedAnswer::new(plan, melted, target, seed_temp)))
}

fn field_of(error: &SeedError) -> &'static str {
    match error {
        SeedError::NothingToSeed => "family",
        SeedError::MeltedNotAboveTarget { .. } => "melted_c",
        SeedError::SeedNotBelowTarget { .. } => "seed_c",
    }
}
