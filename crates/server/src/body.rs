//! JSON bodies that name the field at fault.

use actix_web::dev::Payload;
use actix_web::error::PayloadError;
use actix_web::{FromRequest, HttpMessage, HttpRequest, web};
use futures::FutureExt;
use futures::future::{Either, Map, Ready, ready};
use serde::de::DeserializeOwned;

use crate::misread::misread;
use crate::problem::Problem;

/// The most a JSON body may hold. The largest real one, a day's cooling record
/// at one reading a second, stays under it.
pub const LARGEST_BODY: usize = 4 * 1024 * 1024;

/// A JSON body, read and typed; a refusal says which field is wrong and how.
#[derive(Debug)]
pub struct Body<T>(pub T);

type Bytes = Result<web::Bytes, actix_web::Error>;
type Typed<T> = Result<Body<T>, Problem>;

impl<T: DeserializeOwned> FromRequest for Body<T> {
    type Error = Problem;
    type Future =
        Either<Map<<web::Bytes as FromRequest>::Future, fn(Bytes) -> Typed<T>>, Ready<Typed<T>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        if request.content_type() != "application/json" {
            return Either::Right(ready(Err(Problem::not_said_to_be_json())));
        }
        let typed: fn(Bytes) -> Typed<T> = |bytes| read(&bytes.map_err(unread)?).map(Body);
        Either::Left(web::Bytes::from_request(request, payload).map(typed))
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
        let status = |text: &str| read::<Vec<f64>>(text.as_bytes()).expect_err("refused").status;
        for text in ["", "{", "[1e999]", "[] x", "\u{0}"] {
            assert_eq!(status(text), 400, "{text}");
        }
        for text in ["{}", "[\"x\"]", "7"] {
            assert_eq!(status(text), 422, "{text}");
        }
        assert_eq!(read::<Vec<f64>>(b"[1, 2]").expect("read"), [1.0, 2.0]);
    }
}
