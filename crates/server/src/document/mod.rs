//! The API's own description: derived from routes and types, then made to say all that a client
//! is held to: closed unions, bounds, and every refusal.

mod bounds;
mod refusals;
mod unions;

use actix_web::App;
use serde_json::Value;
use utoipa::OpenApi;
use utoipa_actix_web::AppExt;

use crate::problem::Problem;
use crate::routes;

#[derive(OpenApi)]
#[openapi(
    info(
        title = "Wide Sheen",
        description = "Tempering chocolate at home: plans, bowls, readings. Numbers carry their unit in the name; times are RFC 3339 in UTC; refusals are application/problem+json with the fields to mend.",
        license(name = "MIT")
    ),
    components(schemas(Problem))
)]
struct Base;

/// The API's own description.
///
/// # Panics
/// Where it cannot be written as JSON, which a test rules out.
#[must_use]
pub fn document() -> Value {
    let (_, derived) = App::new()
        .into_utoipa_app()
        .openapi(Base::openapi())
        .configure(routes::api)
        .split_for_parts();
    let mut whole = serde_json::to_value(derived).expect("it is JSON");
    unions::close(&mut whole);
    bounds::declare(&mut whole);
    refusals::declare(&mut whole);
    whole
}

/// A schema among the components, by name.
fn schema<'a>(document: &'a mut Value, name: &str) -> Option<&'a mut Value> {
    document.pointer_mut(&format!("/components/schemas/{name}"))
}
