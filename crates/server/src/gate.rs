//! Who is let in: pages of this server, programs on this machine, and the maker's devices. A page
//! from elsewhere is none of them, whatever name it gave this machine (rebinding) and whatever it
//! posts (cross-site).

use actix_web::HttpMessage;
use actix_web::cookie::Cookie;
use actix_web::dev::ServiceRequest;
use actix_web::http::header::{AUTHORIZATION, HOST, HeaderMap, ORIGIN};
use actix_web::http::{Method, Uri};
use chrono::TimeDelta;
use trust::{Token, is_at_home};

use crate::problem::Problem;
use crate::rights::may;
use crate::sharing::Sharing;
use crate::state::State;
use crate::who::{Outside, Who, session_cookie};

/// The names under which a loopback server is asked for.
const NAMES: [&str; 3] = ["localhost", "127.0.0.1", "[::1]"];

/// A browser says here how what it sends relates to the page that sends it. It is not among the
/// names that the HTTP library knows.
const FETCH_SITE: &str = "sec-fetch-site";

/// That a device is here is noted so often.
const SEEN_EVERY: TimeDelta = TimeDelta::minutes(1);

/// Lets in who may do what is asked, and says who it is.
///
/// # Errors
/// Why it is not let in.
pub async fn let_in(state: &State, request: &ServiceRequest) -> Result<(), Problem> {
    // The two are served by listeners of their own: over TLS is from the home network.
    let sharing = state.door.sharing().filter(|_| request.app_config().secure());
    from_here(request.method(), request.uri(), request.headers(), sharing.map(AsRef::as_ref))?;
    let from = request.peer_addr().map(|peer| peer.ip());
    if sharing.is_some() && !from.is_some_and(is_at_home) {
        return Err(Problem::from_elsewhere("Only devices of this home network are answered."));
    }
    if !request.path().starts_with("/api/") {
        return Ok(());
    }
    let who = who(state, request, sharing.is_some()).await?;
    let role = who.as_ref().ok().map(Who::role);
    let is_allowed = may(role, request.method(), request.path());
    match who {
        Ok(who) if is_allowed && !who.measures(request.path()) => {
            Err(Problem::not_yours("This thermometer is not lent to this bowl."))
        }
        Ok(_) if !is_allowed => Err(Problem::not_yours("This is for the maker to do.")),
        Ok(who) => {
            request.extensions_mut().insert(who);
            Ok(())
        }
        Err(outside) if !is_allowed => Err(outside.problem()),
        Err(outside) => {
            request.extensions_mut().insert(outside);
            Ok(())
        }
    }
}

/// Who asks: from this machine, unless there is a passphrase, its own screen; else whose token it is.
async fn who(
    state: &State,
    request: &ServiceRequest,
    is_shared: bool,
) -> Result<Result<Who, Outside>, Problem> {
    let has_passphrase = state.door.passphrase().is_some();
    if !is_shared && !has_passphrase {
        return Ok(Ok(Who::Here));
    }
    let without = if is_shared { Outside::NotLetIn } else { Outside::SignIn };
    let Some(text) = shown(request, is_shared) else { return Ok(Err(without)) };
    let Some(token) = Token::shown(&text) else { return Ok(Err(Outside::Unknown)) };
    if !is_shared && state.door.is_own(&token) {
        return Ok(Ok(Who::Here));
    }
    let Some(device) = store::devices::of_token(&state.pool, &token.digest()).await? else {
        return Ok(Err(if is_shared { Outside::Unknown } else { Outside::SignIn }));
    };
    let from = request.peer_addr().map(|peer| peer.ip().to_string());
    if from.as_ref() != Some(&device.address) {
        return Ok(Err(Outside::OtherAddress(Box::new(device))));
    }
    let now = state.wall.now();
    if device.seen_at.is_none_or(|seen| now.since(seen) > SEEN_EVERY) {
        store::devices::seen(&state.pool, device.id, now).await?;
    }
    Ok(Ok(Who::Device(Box::new(device))))
}

/// The token that is shown: a browser's cookie, a program's header.
fn shown(request: &ServiceRequest, is_shared: bool) -> Option<String> {
    let header = request.headers().get(AUTHORIZATION).and_then(|value| value.to_str().ok());
    let bearer = header.and_then(|value| value.strip_prefix("Bearer ")).map(str::to_owned);
    let cookie = |cookie: Cookie<'_>| cookie.value().to_owned();
    bearer.or_else(|| request.cookie(session_cookie(is_shared)).map(cookie))
}

/// Whether a request comes from here: on loopback, or in the home network as it is shared.
///
/// # Errors
/// Says what about it does not.
fn from_here(
    method: &Method,
    uri: &Uri,
    headers: &HeaderMap,
    sharing: Option<&Sharing>,
) -> Result<(), Problem> {
    let host = headers
        .get(HOST)
        .and_then(|host| host.to_str().ok())
        .or_else(|| uri.authority().map(actix_web::http::uri::Authority::as_str));
    let Some(host) = host else {
        return Err(Problem::from_elsewhere("The request does not say whom it asks (Host)."));
    };
    let asked_of = host
        .parse()
        .map(|authority: actix_web::http::uri::Authority| authority.host().to_ascii_lowercase());
    let is_ours = |name: &str| match sharing {
        Some(sharing) => sharing.answers_to(name),
        None => NAMES.contains(&name),
    };
    if host.contains('@') || !asked_of.is_ok_and(|name| is_ours(&name)) {
        return Err(Problem::from_elsewhere(match sharing {
            Some(_) => format!(
                "This is Wide Sheen in its home network: ask it at one of the addresses under \
                 Settings, not at {host:?}."
            ),
            None => format!(
                "This is Wide Sheen on this machine alone: ask it at localhost or 127.0.0.1, not \
                 at {host:?}."
            ),
        }));
    }
    if method.is_safe() {
        return Ok(());
    }
    let site = headers.get(FETCH_SITE).map(actix_web::http::header::HeaderValue::as_bytes);
    if site.is_some_and(|site| site != b"same-origin" && site != b"none") {
        return Err(Problem::from_elsewhere("Another site's page may not change anything here."));
    }
    let scheme = if sharing.is_some() { "https" } else { "http" };
    // What sends no origin is no browser: a thermometer, a script on this machine.
    match headers.get(ORIGIN) {
        Some(origin) if origin.as_bytes() != format!("{scheme}://{host}").as_bytes() => {
            Err(Problem::from_elsewhere("A page from elsewhere may not change anything here."))
        }
        _ => Ok(()),
    }
}
