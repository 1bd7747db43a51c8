//! This machine's own screen, where the maker set a passphrase for it; and leaving.

use actix_web::{HttpRequest, HttpResponse, delete, post, put, web};
use craft::bowl::Place;
use serde::Deserialize;
use store::changes::Change;
use store::devices::DeviceRow;
use store::{Connection, house};
use trust::{Role, Token, TrustError, passphrase};
use utoipa::ToSchema;
use uuid::Uuid;

use super::devices::{address, kept, leave};
use super::pairing::no_chance;
use crate::body::Body;
use crate::catalogue::door as say;
use crate::problem::{Answer, Problem};
use crate::state::State;
use crate::who::Who;

/// What the list of devices calls a screen of this machine.
const THIS_MACHINE: &str = "This machine's own screen";

/// Somebody at this machine's own screen.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SignIn {
    /// The passphrase.
    passphrase: String,
}

/// Another passphrase.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PassphraseEdit {
    /// The one that is set; left out where none is.
    current: Option<String>,
    /// The one to set, 8 to 200 characters; left out where none is to be asked for any more.
    new: Option<String>,
}

/// Whether a passphrase is the one that is set. It takes a while by design, so not on a thread
/// that others wait for.
async fn is_right(given: &str, kept: String) -> Answer<bool> {
    let given = given.to_owned();
    let asked = tokio::task::spawn_blocking(move || passphrase::is(&given, &kept)).await;
    asked.map_err(|_| Problem::internal())
}

fn wrong(field: &str) -> Problem {
    Problem::not_the_one("wrong-passphrase", field, say::wrong_passphrase())
}

/// A screen of this machine that is let in from now on.
async fn signed_in(state: &State, request: &HttpRequest) -> Answer<Token> {
    let token = Token::random().map_err(|error| no_chance(&error))?;
    let device = DeviceRow {
        id: Uuid::now_v7(),
        name: THIS_MACHINE.to_owned(),
        role: Role::Maker,
        bowl_id: None,
        place: Place::Middle,
        paired_at: state.wall.now(),
        seen_at: None,
        address: address(request),
        own_key: None,
        by_passphrase: true,
    };
    store::devices::insert(&state.pool, &device, &token.digest()).await?;
    Ok(token)
}

/// Signs in at this machine's own screen.
#[utoipa::path(tag = "devices", operation_id = "sign_in", request_body = SignIn, responses(
    (status = 204), (status = 403, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem),
    (status = 429, body = Problem)))]
#[post("/session")]
pub async fn sign_in(
    state: web::Data<State>,
    request: HttpRequest,
    Body(given): Body<SignIn>,
) -> Answer<HttpResponse> {
    if request.app_config().secure() {
        return Err(Problem::conflict(
            "The passphrase is for this machine's own screen. A device comes in by a code.",
        ));
    }
    let Some(set) = state.door.passphrase() else {
        return Err(Problem::conflict("No passphrase is set: nothing is asked for here."));
    };
    if !is_right(&given.passphrase, set).await? {
        return Err(wrong("passphrase"));
    }
    let token = signed_in(&state, &request).await?;
    Ok(HttpResponse::NoContent().cookie(kept(&token.text(), false)).finish())
}

/// Leaves: this device is let in no more.
#[utoipa::path(tag = "devices", operation_id = "sign_out", responses((status = 204), (status = 409, body = Problem)))]
#[delete("/session")]
pub async fn sign_out(
    state: web::Data<State>,
    request: HttpRequest,
    who: Who,
) -> Answer<HttpResponse> {
    let Some(id) = who.device_id() else {
        return Err(Problem::conflict("This machine's own screen is in without signing in."));
    };
    leave(&state, id).await?;
    let forget = kept("", request.app_config().secure());
    Ok(HttpResponse::NoContent().cookie(forget).finish())
}

/// Sets the passphrase that this machine's own screen asks for, changes it or lets go of it.
#[utoipa::path(tag = "devices", operation_id = "set_passphrase", request_body = PassphraseEdit, responses(
    (status = 204), (status = 403, body = Problem), (status = 422, body = Problem), (status = 429, body = Problem)))]
#[put("/passphrase")]
pub async fn set_passphrase(
    state: web::Data<State>,
    request: HttpRequest,
    who: Who,
    Body(edit): Body<PassphraseEdit>,
) -> Answer<HttpResponse> {
    if let Some(set) = state.door.passphrase()
        && !is_right(edit.current.as_deref().unwrap_or_default(), set).await?
    {
        return Err(wrong("current"));
    }
    let hash = match edit.new {
        None => None,
        Some(new) => {
            let hashed = tokio::task::spawn_blocking(move || passphrase::hashed(&new)).await;
            Some(hashed.map_err(|_| Problem::internal())?.map_err(|error| match error {
                TrustError::Passphrase { length } => {
                    let (least, most) = (passphrase::FEWEST, passphrase::MOST);
                    Problem::bad_field("new", say::passphrase_length(least, most, length))
                }
                other => no_chance(&other),
            })?)
        }
    };
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            match &hash {
                Some(hash) => house::set(&mut *tx, house::PASSPHRASE, hash).await?,
                None => house::forget(&mut *tx, house::PASSPHRASE).await?,
            }
            // What the one before let in is out.
            store::devices::sign_all_out(&mut *tx, who.device_id(), now).await?;
            Ok(store::changes::note(&mut *tx, Change::Door, now).await?)
        })
        .await?;
    state.door.changed(&state.pool).await?;
    let mut answer = HttpResponse::NoContent();
    // Whoever sets it here has just shown to know it.
    if hash.is_some() && matches!(who, Who::Here) {
        answer.cookie(kept(&signed_in(&state, &request).await?.text(), false));
    }
    Ok(answer.finish())
}
