//! The maker's devices: let in by a code, listed, lent, sent away.

use actix_web::cookie::time::Duration;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::{HttpRequest, HttpResponse, delete, get, post, put, web};
use chrono::{DateTime, Utc};
use craft::bowl::Place;
use craft::check::Checker;
use serde::{Deserialize, Serialize};
use store::changes::Change;
use store::devices::DeviceRow;
use store::{Connection, pairings};
use trust::{OwnKey, Role, Standing, Token, Tried};
use utoipa::ToSchema;
use uuid::Uuid;

use super::pairing::no_chance;
use crate::body::Body;
use crate::catalogue::door as say;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::who::{Who, session_cookie};

/// The longest name of a device.
const LONGEST_NAME: usize = 60;
/// What was typed as a code is no longer than this.
const LONGEST_CODE: usize = 40;
/// Browsers keep no cookie for longer; each time the page is opened it is counted from anew.
const COOKIE_DAYS: i64 = 400;

/// A device that asks to be let in.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewDevice {
    /// The code that a screen which is in shows: six digits.
    code: String,
    /// What the maker is to call it.
    name: String,
    /// By what it proves itself at another address; left out by what has no key. A point of P-256,
    /// not compressed, as base64 for addresses.
    own_key: Option<String>,
}

/// A device that was let in.
#[derive(Debug, Serialize, ToSchema)]
pub struct LetInAnswer {
    /// Its id.
    pub id: Uuid,
    /// What it is called.
    pub name: String,
    /// What it may do.
    pub role: Role,
    /// The bowl that a thermometer is lent to.
    pub bowl_id: Option<Uuid>,
    /// What a thermometer shows from now on, as `Authorization: Bearer …`; a browser has it as a
    /// cookie that no script reads.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub token: Option<String>,
}

/// One of the maker's devices.
#[derive(Debug, Serialize, ToSchema)]
pub struct DeviceAnswer {
    /// Its id.
    pub id: Uuid,
    /// What it is called.
    pub name: String,
    /// What it may do.
    pub role: Role,
    /// The bowl that a thermometer is lent to.
    pub bowl_id: Option<Uuid>,
    /// Where in that bowl it stands.
    pub place: Place,
    /// When it was let in.
    pub paired_at: DateTime<Utc>,
    /// When it was last here, to the minute.
    pub seen_at: Option<DateTime<Utc>>,
    /// Where.
    pub address: String,
    /// Whether it is the one that asks.
    pub is_this: bool,
}

/// What a device is called, and to which bowl it is lent.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DeviceEdit {
    /// What it is called.
    name: String,
    /// The bowl that a thermometer is lent to.
    bowl_id: Option<Uuid>,
    /// Where in that bowl it stands; in the middle, if left out.
    place: Option<Place>,
}

/// What a browser keeps of a token; for how long, where it is to forget it.
pub(super) fn kept(token: &str, is_shared: bool) -> Cookie<'static> {
    Cookie::build(session_cookie(is_shared), token.to_owned())
        .path("/")
        .http_only(true)
        .secure(is_shared)
        .same_site(SameSite::Strict)
        .max_age(if token.is_empty() { Duration::ZERO } else { Duration::days(COOKIE_DAYS) })
        .finish()
}

/// From which address somebody asks.
pub(super) fn address(request: &HttpRequest) -> String {
    request.peer_addr().map(|peer| peer.ip().to_string()).unwrap_or_default()
}

/// Lets a device in by the code that is shown.
#[utoipa::path(tag = "devices", operation_id = "let_in", request_body = NewDevice, responses(
    (status = 201, body = LetInAnswer), (status = 403, body = Problem), (status = 409, body = Problem),
    (status = 422, body = Problem), (status = 429, body = Problem)))]
#[post("/devices")]
pub async fn let_in(
    state: web::Data<State>,
    request: HttpRequest,
    Body(new): Body<NewDevice>,
) -> Answer<HttpResponse> {
    if !request.app_config().secure() {
        return Err(Problem::conflict(
            "This is this machine's own screen: it needs no code. Devices come in over the \
             addresses of the home network.",
        ));
    }
    let mut check = Checker::new();
    check.text("code", &new.code, LONGEST_CODE);
    check.text("name", &new.name, LONGEST_NAME);
    let own_key = new.own_key.as_deref().map(OwnKey::sent);
    if own_key == Some(None) {
        check.fault("own_key", say::no_key());
    }
    check.finish()?;
    let token = Token::random().map_err(|error| no_chance(&error))?;
    let now = state.wall.now();
    let tried = state
        .whole(async |tx: &mut Connection| {
            let Some(mut row) = pairings::lock(&mut *tx).await? else {
                return Ok(Err(say::no_code()));
            };
            let stood = row.pairing.stands(now.0);
            let tried = row.pairing.tried(&new.code, now.0);
            pairings::keep(&mut *tx, &row).await?;
            Ok(match (tried, stood) {
                (Tried::Right, _) => {
                    let device = DeviceRow {
                        id: Uuid::now_v7(),
                        name: new.name.trim().to_owned(),
                        role: row.role,
                        bowl_id: row.bowl_id,
                        place: Place::Middle,
                        paired_at: now,
                        seen_at: None,
                        address: address(&request),
                        own_key: own_key.clone().flatten().map(|key| key.bytes().to_vec()),
                        by_passphrase: false,
                    };
                    store::devices::insert(&mut *tx, &device, &token.digest()).await?;
                    Ok(device)
                }
                (Tried::Wrong { left: 0 }, _) | (_, Standing::TriedOut) => {
                    Err(say::last_try_gone())
                }
                (Tried::Wrong { left }, _) => Err(say::wrong_code(usize::from(left))),
                (Tried::Closed, Standing::Used) => Err(say::code_used()),
                (Tried::Closed, _) => Err(say::code_late()),
            })
        })
        .await?;
    let device = tried.map_err(|wrong| Problem::not_the_one("wrong-code", "code", wrong))?;
    let for_header = (device.role == Role::Thermometer).then(|| token.text());
    let mut answer = HttpResponse::Created();
    if for_header.is_none() {
        answer.cookie(kept(&token.text(), true));
    }
    let DeviceRow { id, name, role, bowl_id, .. } = device;
    Ok(answer.json(LetInAnswer { id, name, role, bowl_id, token: for_header }))
}

/// All devices that are let in, the latest first.
#[utoipa::path(tag = "devices", operation_id = "list_devices", responses((status = 200, body = [DeviceAnswer])))]
#[get("/devices")]
pub async fn list(state: web::Data<State>, who: Who) -> Answer<web::Json<Vec<DeviceAnswer>>> {
    let devices = store::devices::list(&state.pool).await?.into_iter();
    let answer = |device: DeviceRow| DeviceAnswer {
        is_this: who.device_id() == Some(device.id),
        id: device.id,
        name: device.name,
        role: device.role,
        bowl_id: device.bowl_id,
        place: device.place,
        paired_at: device.paired_at.0,
        seen_at: device.seen_at.map(|at| at.0),
        address: device.address,
    };
    Ok(web::Json(devices.map(answer).collect()))
}

/// Names a device anew, and lends a thermometer to another bowl.
#[utoipa::path(tag = "devices", operation_id = "edit_device", request_body = DeviceEdit, responses(
    (status = 204), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[put("/devices/{id}")]
pub async fn edit(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(edit): Body<DeviceEdit>,
) -> Answer<HttpResponse> {
    let device = store::devices::get(&state.pool, *id).await?;
    let mut check = Checker::new();
    check.text("name", &edit.name, LONGEST_NAME);
    if edit.bowl_id.is_some() && device.role != Role::Thermometer {
        check.fault("bowl_id", say::only_for_a_thermometer());
    }
    check.finish()?;
    let place = edit.place.unwrap_or(Place::Middle);
    store::devices::edit(&state.pool, *id, edit.name.trim(), (edit.bowl_id, place)).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Sends a device away: from now on its token lets nobody in, and what it was listening to ends.
#[utoipa::path(tag = "devices", operation_id = "send_device_away", responses(
    (status = 204), (status = 404, body = Problem)))]
#[delete("/devices/{id}")]
pub async fn send_away(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    leave(&state, *id).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// A device is let in no more.
pub(super) async fn leave(state: &State, id: Uuid) -> Answer<()> {
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::devices::send_away(&mut *tx, id, now).await?;
            Ok(store::changes::note(&mut *tx, Change::Door, now).await?)
        })
        .await?;
    Ok(state.door.changed(&state.pool).await?)
}
