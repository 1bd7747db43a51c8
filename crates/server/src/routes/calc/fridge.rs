//! A stay in the fridge.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::fridge::stay;
use craft::plan::{BlendPart, OwnInputs};
use craft::room::Room;
use craft::setting::Dry;
use craft::units::{celsius, millimetres, percent_of};
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::figures::FridgeAnswer;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What lies in which fridge, in which room.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FridgeRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    /// How thick the piece is.
    thickness_mm: f64,
    /// How warm it is when it goes in, touch dry.
    start_c: f64,
    fridge_c: f64,
    room_c: f64,
    rh_pct: f64,
}

/// How long a piece that is touch dry may lie in the fridge.
#[utoipa::path(tag = "calc", request_body = FridgeRequest, responses((status = 200, body = FridgeAnswer), (status = 422, body = Problem)))]
#[post("/fridge")]
pub async fn fridge(
    state: Data<State>,
    Body(request): Body<FridgeRequest>,
) -> Answer<Json<FridgeAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let thickness = check.number("thickness_mm", request.thickness_mm, check::SLAB_MM);
    let start = check.number("start_c", request.start_c, check::WORKED_C);
    let fridge = check.number("fridge_c", request.fridge_c, check::FRIDGE_C);
    let room = Room {
        temp: celsius(check.number("room_c", request.room_c, check::ROOM_C)),
        humidity: percent_of(check.number("rh_pct", request.rh_pct, check::RH_PCT)),
    };
    if start <= fridge {
        check.fault("start_c", say::above_the_fridge(celsius(fridge), celsius(start)));
    }
    check.finish()?;
    let dry = Dry { temp: celsius(start), crystals: None };
    let stay = stay(&chocolate, millimetres(thickness), dry, celsius(fridge), &room);
    Ok(Json(stay.into()))
}
