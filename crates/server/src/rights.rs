//! Who may do what: one table. What is not in it is the maker's.

use actix_web::http::Method;
use trust::Role;

/// What everything of the API begins with.
const API: &str = "/api/v1";

/// What is answered to whoever asks: what it takes to be let in.
const ANYBODY: [(Method, &str); 5] = [
    (Method::GET, "/me"),
    (Method::POST, "/me/proof"),
    (Method::POST, "/devices"),
    (Method::POST, "/session"),
    (Method::GET, "/sharing/certificate"),
];

/// What a thermometer does: it measures.
const THERMOMETER: [(Method, &str); 1] = [(Method::POST, "/bowls/{id}/readings")];

/// What a helper sees.
const HELPER_SEES: [&str; 32] = [
    "/batches",
    "/batches/{id}",
    "/batches/{id}/days",
    "/batches/{id}/guide",
    "/batches/{id}/guide/stream",
    "/batches/{id}/labels",
    "/batches/{id}/photos",
    "/bench",
    "/bench/stream",
    "/bowls/{id}",
    "/bowls/{id}/actions",
    "/bowls/{id}/entries",
    "/bowls/{id}/photos",
    "/bowls/{id}/readings",
    "/bowls/{id}/stream",
    "/goods",
    "/help",
    "/kinds",
    "/methods",
    "/photos/{id}",
    "/pigments",
    "/plans",
    "/plans/{id}",
    "/plans/{id}/calendar",
    "/plans/{id}/days",
    "/plans/{id}/labels",
    "/reminders",
    "/shelf",
    "/shelf/today",
    "/shopping",
    "/shopping/csv",
    "/trays",
];

/// What a helper does: takes steps in hand and ticks them off; the rules say which are safe.
const HELPER_DOES: [(Method, &str); 3] = [
    (Method::POST, "/batches/{id}/events"),
    (Method::PUT, "/batches/{id}/hands"),
    (Method::DELETE, "/session"),
];

/// Arithmetic, which keeps nothing.
const ARITHMETIC: &str = "/calc/";

/// Whether a path is one of a template: `/plans/{id}`.
#[must_use]
pub fn is_of(template: &str, path: &str) -> bool {
    let (template, path) = (template.split('/'), path.split('/'));
    template.clone().count() == path.clone().count()
        && template.zip(path).all(|(known, part)| known.starts_with('{') || known == part)
}

/// Whether this may be done by a role; by whoever asks, where it has none.
#[must_use]
pub fn may(role: Option<Role>, method: &Method, path: &str) -> bool {
    let within = |table: &[(Method, &str)], path: &str| {
        table.iter().any(|(known, template)| known == method && is_of(template, path))
    };
    let Some(path) = path.strip_prefix(API) else { return role == Some(Role::Maker) };
    if within(&ANYBODY, path) {
        return true;
    }
    match role {
        None => false,
        Some(Role::Maker) => true,
        Some(Role::Thermometer) => within(&THERMOMETER, path),
        Some(Role::Helper) => {
            within(&HELPER_DOES, path)
                || (method == Method::GET && HELPER_SEES.iter().any(|seen| is_of(seen, path)))
                || (method == Method::POST && path.starts_with(ARITHMETIC))
        }
    }
}
