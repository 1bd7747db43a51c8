//! Versions of what is edited, as ETags.

use std::future::{Ready, ready};

use actix_web::dev::Payload;
use actix_web::http::header;
use actix_web::{FromRequest, HttpRequest, HttpResponse};
use serde::Serialize;

use crate::problem::Problem;

/// The version that an edit was made from, out of `If-Match`.
#[derive(Debug)]
pub struct EditedFrom(pub u32);

impl FromRequest for EditedFrom {
    type Error = Problem;
    type Future = Ready<Result<Self, Problem>>;

    fn from_request(request: &HttpRequest, _: &mut Payload) -> Self::Future {
        let version = request
            .headers()
            .get(header::IF_MATCH)
            .and_then(|value| value.to_str().ok())
            .and_then(|value| value.trim().trim_matches('"').parse().ok());
        ready(version.map(Self).ok_or_else(Problem::version_missing))
    }
}

/// An answer that says its version.
pub fn with_etag(version: u32, answer: &impl Serialize) -> HttpResponse {
    HttpResponse::Ok().insert_header((header::ETAG, format!("\"{version}\""))).json(answer)
}
