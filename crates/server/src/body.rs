//! JSON bodies that name the field at fault.

use actix_web::dev::Payload;
use actix_web::error::PayloadError;
use actix_web::{FromRequest, HttpMessage, HttpRequest, web};
use futures::FutureExt;
use futures::future::{Either, Map, Ready, ready};
use serde::de::DeserializeOwned;

use crate::problem::{Field, Problem};

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
        if !error.is_data() {
            return Problem::not_json(error.to_string());
        }
        let mut source = serde_json::Deserializer::from_slice(bytes);
        match serde_path_to_error::deserialize::<_, T>(&mut source) {
            Err(traced) => {
                let path = traced.path().to_string();
                Problem::bad_input(vec![field(&path, &traced.into_inner().to_string())])
            }
            Ok(_) => Problem::not_json(error.to_string()),
        }
    })
}

/// Turns serde's words into ours: the field's path, and what would be right.
fn field(path: &str, message: &str) -> Field {
    let words = message.split(" at line ").next().unwrap_or(message);
    let here = if path == "." { "" } else { path };
    let below =
        |name: &str| if here.is_empty() { name.to_owned() } else { format!("{here}.{name}") };
    let quoted = || words.split('`').nth(1).unwrap_or_default();
    if words.starts_with("missing field") {
        return Field { field: below(quoted()), message: "is missing".to_owned() };
    }
    if words.starts_with("unknown field") {
        // The path ends at the unknown field itself.
        let name = quoted();
        let field = if here.ends_with(name) { here.to_owned() } else { below(name) };
        let known = words.split_once("expected ").map_or("none", |(_, known)| known);
        return Field { field, message: format!("is not known here; known: {known}") };
    }
    let field = if here.is_empty() { "body".to_owned() } else { here.to_owned() };
    Field { field, message: format!("cannot be read: {words}") }
}

#[cfg(test)]
mod tests {
    use serde::Deserialize;

    use super::*;

    #[derive(Debug, Deserialize)]
    #[serde(deny_unknown_fields)]
    struct Tray {
        #[allow(dead_code)]
        length_mm: f64,
    }

    #[derive(Debug, Deserialize)]
    #[serde(deny_unknown_fields)]
    struct Sheet {
        #[allow(dead_code)]
        trays: Vec<Tray>,
    }

    fn refusal(text: &str) -> (u16, String) {
        let problem = read::<Sheet>(text.as_bytes()).expect_err("refused");
        let told = problem.fields.first().map(|f| format!("{} {}", f.field, f.message));
        (problem.status, told.unwrap_or_default())
    }

    #[test]
    fn the_field_at_fault_is_named_with_its_path() {
        let cases = [
            (r#"{"trays":[{"length_mm":"long"}]}"#, "trays[0].length_mm cannot be read"),
            (r#"{"trays":[{"length_mm":null}]}"#, "trays[0].length_mm cannot be read"),
            (r#"{"trays":[{}]}"#, "trays[0].length_mm is missing"),
            (r"{}", "trays is missing"),
            (r#"{"trays":[],"lid":1}"#, "lid is not known here"),
            (r#"{"trays":[{"length_mm":1,"lid":1}]}"#, "trays[0].lid is not known here"),
        ];
        for (text, expected) in cases {
            let (status, told) = refusal(text);
            assert_eq!(status, 422, "{text}");
            assert!(told.starts_with(expected), "{text}: {told}");
        }
    }

    #[test]
    fn what_is_not_json_is_a_bad_request() {
        for text in ["", "{", "{\"trays\":[{\"length_mm\":1e999}]}", "{\"trays\":[]} x", "\u{0}"] {
            assert_eq!(refusal(text).0, 400, "{text}");
        }
    }
}
