//! JSON bodies that name the field at fault.

use std::future::Future;
use std::pin::Pin;

use actix_web::dev::Payload;
use actix_web::{FromRequest, HttpMessage, HttpRequest, web};
use futures::StreamExt;
use serde::de::DeserializeOwned;

use crate::problem::{Field, Problem};

/// The most a JSON body may hold. The largest real one, a day's cooling record
/// at one reading a second, stays under it.
pub const LARGEST_BODY: usize = 4 * 1024 * 1024;

/// A JSON body, read and typed; a refusal says which field is wrong and how.
#[derive(Debug)]
pub struct Body<T>(pub T);

impl<T: DeserializeOwned + 'static> FromRequest for Body<T> {
    type Error = Problem;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Problem>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let is_json = request.content_type() == "application/json";
        let mut payload = payload.take();
        Box::pin(async move {
            if !is_json {
                return Err(Problem::not_said_to_be_json());
            }
            let mut bytes = web::BytesMut::new();
            while let Some(chunk) = payload.next().await {
                let chunk = chunk.map_err(|e| Problem::not_json(e.to_string()))?;
                if bytes.len() + chunk.len() > LARGEST_BODY {
                    return Err(Problem::too_large(LARGEST_BODY));
                }
                bytes.extend_from_slice(&chunk);
            }
            read(&bytes).map(Body)
        })
    }
}

fn read<T: DeserializeOwned>(bytes: &[u8]) -> Result<T, Problem> {
    let mut source = serde_json::Deserializer::from_slice(bytes);
    let value = serde_path_to_error::deserialize(&mut source).map_err(|error| {
        let path = error.path().to_string();
        let inner = error.into_inner();
        if inner.is_data() {
            Problem::bad_input(vec![field(&path, &inner.to_string())])
        } else {
            Problem::not_json(inner.to_string())
        }
    })?;
    source.end().map_err(|e| Problem::not_json(e.to_string()))?;
    Ok(value)
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
