//! Dew point and verdict of a room.

use actix_web::{post, web::Json};
use craft::check::{self, Checker};
use craft::room::Room;
use craft::units::{celsius, percent_of};
use serde::Deserialize;
use utoipa::ToSchema;

use crate::answer::figures::RoomAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};

/// The kitchen's air.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RoomRequest {
    temp_c: f64,
    rh_pct: f64,
}

/// What a room means for the work.
#[utoipa::path(tag = "calc", request_body = RoomRequest, responses((status = 200, body = RoomAnswer), (status = 422, body = Problem)))]
#[post("/room")]
pub async fn room(Body(request): Body<RoomRequest>) -> Answer<Json<RoomAnswer>> {
    let mut check = Checker::new();
    let room = Room {
        temp: celsius(check.number("temp_c", request.temp_c, check::ROOM_C)),
        humidity: percent_of(check.number("rh_pct", request.rh_pct, check::RH_PCT)),
    };
    check.finish()?;
    Ok(Json((&room).into()))
}
