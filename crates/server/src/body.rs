//! Bodies: JSON that names the field at fault, and bytes as they are. None may be slow.

use std::time::Duration;

use actix_web::dev::Payload;
use actix_web::error::PayloadError;
use actix_web::{FromRequest, HttpMessage, HttpRequest, web};
use futures::FutureExt;
use futures::future::LocalBoxFuture;
use serde::de::DeserializeOwned;

use crate::misread::misread;
use crate::problem::Problem;

/// The most a JSON body may hold. The largest real one, a day's cooling record
/// at one reading a second, stays under it.
pub const LARGEST_BODY: usize = 4 * 1024 * 1024;

/// A JSON body, read and typed; a refusal says which field is wrong and how.
#[derive(Debug)]
pub struct Body<T>(pub T);

/// A body that has not arrived after so long ends its request: who sends a byte now and then
/// holds nothing up.
pub const PATIENCE: Duration = Duration::from_secs(20);

impl<T: DeserializeOwned> FromRequest for Body<T> {
    type Error = Problem;
    type Future = LocalBoxFuture<'static, Result<Self, Problem>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let is_json = request.content_type() == "application/json";
        let bytes = arrived(request, payload);
        async move {
            if !is_json {
                return Err(Problem::not_said_to_be_json());
            }
            read(&bytes.await?).map(Body)
        }
        .boxed_local()
    }
}

/// A body as it is: a picture, a thermometer's log.
#[derive(Debug)]
pub struct Raw(pub web::Bytes);

impl FromRequest for Raw {
    type Error = Problem;
    type Future = LocalBoxFuture<'static, Result<Self, Problem>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let bytes = arrived(request, payload);
        async move { bytes.await.map(Self) }.boxed_local()
    }
}

/// The body once it is there, whole and in time.
fn arrived(
    request: &HttpRequest,
    payload: &mut Payload,
) -> impl Future<Output = Result<web::Bytes, Problem>> + 'static {
    let bytes = web::Bytes::from_request(request, payload);
    async move {
        let arrived = tokio::time::timeout(PATIENCE, bytes).await;
        arrived.map_err(|_| Problem::too_slow())?.map_err(unread)
    }
}

/// Why a body did not arrive. How much may arrive is set with the application.
#[allow(clippy::needless_pass_by_value)] // as `map_err` hands it over
fn unread(error: actix_web::Error) -> Problem {
    match error.as_error::<PayloadError>() {
        Some(PayloadError::Overflow) => Problem::too_large(LARGEST_BODY),
        _ => Problem::not_json(error.to_string()),
    }
}

/// Reads it straight; only what is wrong is read again, to find out where.
fn read<T: DeserializeOwned>(bytes: &[u8]) -> Result<T, Problem> {
    // A list would be read as the values of an object's fields, in the order they have here.
    if bytes.trim_ascii_start().starts_with(b"[") {
        return Err(Problem::not_json("A list was sent where an object belongs."));
    }
    serde_json::from_slice(bytes).map_err(|error| {
        let misread = error.is_data().then(|| misread::<T>(bytes)).flatten();
        misread.map_or_else(
            || Problem::not_json(error.to_string()),
            |field| Problem::bad_input(vec![field]),
        )
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_is_not_json_is_a_bad_request_and_what_is_no_such_thing_a_refusal() {
        #[derive(Debug, serde::Deserialize)]
        struct Weighed {
            g: f64,
        }
        let status = |text: &str| read::<Weighed>(text.as_bytes()).expect_err("refused").status;
        for text in ["", "{", "{\"g\": 1e999}", "{\"g\": 1} x", "\u{0}", "[1]", " [1]"] {
            assert_eq!(status(text), 400, "{text}");
        }
        for text in ["{}", "{\"g\": \"x\"}", "7"] {
            assert_eq!(status(text), 422, "{text}");
        }
        assert!((read::<Weighed>(b"{\"g\": 2}").expect("read").g - 2.0).abs() < 1e-9);
    }
}
