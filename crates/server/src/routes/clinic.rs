//! Why a batch came out as it did, by its own record.

use actix_web::{get, web};
use craft::clinic::{Facts, diagnose};
use craft::result::Symptom;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::answer::clinic::ClinicAnswer;
use crate::findings::told;
use crate::making::Making;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What there is to say of one thing that was made.
#[derive(Debug, Serialize, ToSchema)]
pub struct OfComponent {
    /// Its key.
    component: String,
    /// What the maker calls it.
    name: String,
    /// The faults that were seen of it, at any look.
    seen: Vec<Symptom>,
    /// What its record tells.
    facts: Facts,
    /// Why it came out as it did.
    told: ClinicAnswer,
}

/// Why a batch came out as it did.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchClinicAnswer {
    /// Of each thing that was made.
    of: Vec<OfComponent>,
}

/// Why a batch came out as it did: of each thing that was made the likely causes of what was seen,
/// with what its record says for and against each.
#[utoipa::path(tag = "results", operation_id = "why", responses((status = 200, body = BatchClinicAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/batches/{id}/clinic")]
pub async fn why(
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Answer<web::Json<BatchClinicAnswer>> {
    let making = Making::read(&state, *id).await?;
    let of = told(&state, &making).await?.made.into_iter().map(|made| {
        // A rehearsal's days are none.
        let age_days = made.facts.age_days.filter(|_| making.batch.real_time);
        let facts = Facts { age_days, ..made.facts };
        let told = diagnose(&made.seen, &facts).into();
        OfComponent { component: made.component, name: made.name, seen: made.seen, facts, told }
    });
    Ok(web::Json(BatchClinicAnswer { of: of.collect() }))
}
