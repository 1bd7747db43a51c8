//! How often anything may be asked.

use std::future::{Ready, ready};
use std::time::Duration;

use actix_extensible_rate_limit::RateLimiter;
use actix_extensible_rate_limit::backend::memory::InMemoryBackend;
use actix_extensible_rate_limit::backend::{SimpleInput, SimpleOutput};
use actix_web::HttpResponse;
use actix_web::dev::ServiceRequest;
use actix_web::http::Method;

use crate::problem::Problem;

/// So much of what, in how long.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
struct Limit {
    of: &'static str,
    most: u64,
    within: Duration,
}

/// What lets somebody in: what can be guessed is not guessed often.
const TRIES: Limit = Limit { of: "tries", most: 10, within: Duration::from_secs(60) };
/// A thermometer sends once a second; a box with a few of them, a few times.
const READINGS: Limit = Limit { of: "readings", most: 100, within: Duration::from_secs(10) };
/// A slider that is dragged asks sixty times a second.
const REST: Limit = Limit { of: "rest", most: 2_000, within: Duration::from_secs(10) };

/// What is tried and not asked.
const TRIED: [(Method, &str); 4] = [
    (Method::POST, "/api/v1/devices"),
    (Method::POST, "/api/v1/session"),
    (Method::POST, "/api/v1/me/proof"),
    (Method::PUT, "/api/v1/passphrase"),
];

/// The limit of a request; none for what this machine asks of itself.
fn limit(method: &Method, path: &str, is_shared: bool) -> Option<Limit> {
    if TRIED.iter().any(|(tried, at)| tried == method && *at == path) {
        Some(TRIES)
    } else if !is_shared {
        None
    } else if !method.is_safe() && path.ends_with("/readings") {
        Some(READINGS)
    } else {
        Some(REST)
    }
}

fn input(request: &ServiceRequest) -> Ready<Result<SimpleInput, actix_web::Error>> {
    let is_shared = request.app_config().secure();
    let input = match limit(request.method(), request.path(), is_shared) {
        Some(Limit { of, most, within }) => {
            let from = request.peer_addr().map(|peer| peer.ip().to_string()).unwrap_or_default();
            SimpleInput { key: format!("{of} {from}"), max_requests: most, interval: within }
        }
        None => SimpleInput {
            key: String::new(),
            max_requests: u64::MAX,
            interval: Duration::from_secs(60),
        },
    };
    ready(Ok(input))
}

/// How a request's limit is found.
pub type Input = fn(&ServiceRequest) -> Ready<Result<SimpleInput, actix_web::Error>>;

/// The middleware that keeps them, over what it has counted so far.
pub fn limiter(counted: InMemoryBackend) -> RateLimiter<InMemoryBackend, SimpleOutput, Input> {
    RateLimiter::builder(counted, input as Input)
        .request_denied_response(|_| HttpResponse::from_error(Problem::too_often()))
        .build()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_can_be_guessed_is_limited_everywhere_and_the_rest_beyond_this_machine() {
        for (method, path) in TRIED {
            for is_shared in [true, false] {
                assert_eq!(limit(&method, path, is_shared), Some(TRIES), "{path}");
            }
        }
        assert_eq!(limit(&Method::DELETE, "/api/v1/session", false), None);
        assert_eq!(limit(&Method::GET, "/api/v1/devices", false), None);
        assert_eq!(limit(&Method::GET, "/api/v1/devices", true), Some(REST));
        let readings = "/api/v1/bowls/1/readings";
        assert_eq!(limit(&Method::POST, readings, true), Some(READINGS));
        assert_eq!(limit(&Method::GET, readings, true), Some(REST));
        assert_eq!(limit(&Method::POST, readings, false), None);
    }
}
