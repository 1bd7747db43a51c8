//! Who asks, and what it takes to be let in.

use actix_web::{HttpMessage, HttpRequest, HttpResponse, get, post, web};
use serde::{Deserialize, Serialize};
use store::devices::DeviceRow;
use trust::{OwnKey, Role};
use utoipa::ToSchema;
use uuid::Uuid;

use super::devices::{address, kept};
use crate::body::Body;
use crate::catalogue::door as say;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::who::{Outside, Who, session_cookie};

/// What a screen that is not let in is to do.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Must {
    /// Type a code.
    Pair,
    /// Sign what it is asked to with its own key: it is at another address than before.
    Prove,
    /// Give the passphrase.
    SignIn,
}

/// Who asks.
#[derive(Debug, Serialize, ToSchema)]
pub struct MeAnswer {
    /// What it may do; `null` where it is not let in.
    pub role: Option<Role>,
    /// This device; `null` for this machine's own screen.
    pub id: Option<Uuid>,
    /// What the maker calls this device; `null` for this machine's own screen.
    pub name: Option<String>,
    /// Whether it is this machine's own screen.
    pub is_here: bool,
    /// Whether other screens are let in, so that others may be at work too.
    pub has_others: bool,
    /// What it is to do, where it is not let in.
    pub must: Option<Must>,
    /// What it is to sign.
    pub sign: Option<String>,
}

/// A signature by a device's own key.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Proof {
    /// ECDSA with SHA-256 over what was to be signed, 64 bytes as base64 for addresses.
    signature: String,
}

/// Whether a screen other than this one is let in: a thermometer is none.
async fn has_screens(state: &State, who: &Who) -> Answer<bool> {
    let is_other =
        |device: &DeviceRow| device.role != Role::Thermometer && who.device_id() != Some(device.id);
    Ok(store::devices::list(&state.pool).await?.iter().any(is_other))
}

/// Who asks.
#[utoipa::path(tag = "devices", operation_id = "read_me", responses((status = 200, body = MeAnswer)))]
#[get("/me")]
pub async fn read(state: web::Data<State>, request: HttpRequest) -> Answer<HttpResponse> {
    let is_shared = request.app_config().secure();
    let outside = request.extensions().get::<Outside>().cloned();
    let Some(outside) = outside else {
        let who = request.extensions().get::<Who>().cloned();
        let who = who.ok_or_else(Problem::not_let_in)?;
        let mut answer = HttpResponse::Ok();
        // A device that comes by now and then stays let in.
        if let Some(cookie) = request.cookie(session_cookie(is_shared)) {
            answer.cookie(kept(cookie.value(), is_shared));
        }
        return Ok(answer.json(MeAnswer {
            role: Some(who.role()),
            id: who.device_id(),
            name: who.name().map(str::to_owned),
            is_here: !is_shared,
            has_others: is_shared || has_screens(&state, &who).await?,
            must: None,
            sign: None,
        }));
    };
    let sign = match &outside {
        Outside::OtherAddress(device) if device.own_key.is_some() => state.door.ask(device.id),
        _ => None,
    };
    let must = match outside {
        Outside::SignIn => Must::SignIn,
        Outside::OtherAddress(_) if sign.is_some() => Must::Prove,
        Outside::NotLetIn | Outside::Unknown | Outside::OtherAddress(_) => Must::Pair,
    };
    Ok(HttpResponse::Ok().json(MeAnswer {
        role: None,
        id: None,
        name: None,
        is_here: !is_shared,
        has_others: false,
        must: Some(must),
        sign,
    }))
}

/// A device at another address than before proves that it is itself: its token is worth something
/// there from now on, and nowhere else.
#[utoipa::path(tag = "devices", operation_id = "prove", request_body = Proof, responses(
    (status = 204), (status = 403, body = Problem), (status = 422, body = Problem), (status = 429, body = Problem)))]
#[post("/me/proof")]
pub async fn prove(
    state: web::Data<State>,
    request: HttpRequest,
    Body(proof): Body<Proof>,
) -> Answer<HttpResponse> {
    let outside = request.extensions().get::<Outside>().cloned();
    let wrong = || Problem::not_the_one("wrong-signature", "signature", say::wrong_signature());
    let Some(Outside::OtherAddress(device)) = outside else { return Err(wrong()) };
    let asked = state.door.asked(device.id).ok_or_else(wrong)?;
    let key = device.own_key.as_deref().and_then(OwnKey::kept).ok_or_else(wrong)?;
    if !key.signed(&asked, &proof.signature) {
        return Err(wrong());
    }
    store::devices::moved(&state.pool, device.id, &address(&request)).await?;
    Ok(HttpResponse::NoContent().finish())
}
