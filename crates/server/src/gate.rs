//! Who is let in: pages of this server and programs on this machine. A page from elsewhere is
//! neither, whatever name it gave this machine (rebinding) and whatever it posts (cross-site).

use actix_web::http::header::{HOST, HeaderMap, ORIGIN};
use actix_web::http::{Method, Uri};

use crate::problem::Problem;

/// The names under which a loopback server is asked for.
const NAMES: [&str; 3] = ["localhost", "127.0.0.1", "[::1]"];

/// A browser says here how what it sends relates to the page that sends it. It is not among the
/// names that the HTTP library knows.
const FETCH_SITE: &str = "sec-fetch-site";

/// Whether a request comes from here.
///
/// # Errors
/// Says what about it does not.
pub fn from_here(method: &Method, uri: &Uri, headers: &HeaderMap) -> Result<(), Problem> {
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
    if host.contains('@') || !asked_of.is_ok_and(|name| NAMES.contains(&name.as_str())) {
        return Err(Problem::from_elsewhere(format!(
            "This is Wide Sheen on this machine alone: ask it at localhost or 127.0.0.1, not at \
             {host:?}."
        )));
    }
    if method.is_safe() {
        return Ok(());
    }
    let site = headers.get(FETCH_SITE).map(actix_web::http::header::HeaderValue::as_bytes);
    if site.is_some_and(|site| site != b"same-origin" && site != b"none") {
        return Err(Problem::from_elsewhere("Another site's page may not change anything here."));
    }
    // What sends no origin is no browser: a thermometer, a script on this machine.
    match headers.get(ORIGIN) {
        Some(origin) if origin.as_bytes() != format!("http://{host}").as_bytes() => {
            Err(Problem::from_elsewhere("A page from elsewhere may not change anything here."))
        }
        _ => Ok(()),
    }
}
