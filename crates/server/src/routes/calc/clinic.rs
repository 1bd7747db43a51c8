//! Why something came out as it did, without a batch.

use actix_web::post;
use actix_web::web::Json;
use craft::check::Checker;
use craft::clinic::{Facts, diagnose};
use craft::result::Symptom;
use serde::Deserialize;
use utoipa::ToSchema;

use crate::answer::clinic::ClinicAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};

/// What was seen, and what is known.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ClinicRequest {
    /// The faults that were seen.
    seen: Vec<Symptom>,
    /// What is known of how it was made.
    #[serde(default)]
    facts: Facts,
}

/// The likely causes of what was seen, with what speaks for and against each.
#[utoipa::path(tag = "calc", request_body = ClinicRequest, responses((status = 200, body = ClinicAnswer), (status = 422, body = Problem)))]
#[post("/clinic")]
pub async fn told(Body(request): Body<ClinicRequest>) -> Answer<Json<ClinicAnswer>> {
    let mut check = Checker::new();
    request.facts.check("facts", &mut check);
    check.finish()?;
    Ok(Json(diagnose(&request.seen, &request.facts).into()))
}
