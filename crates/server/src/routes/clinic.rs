//! Why a batch came out as it did, by its own record.

use std::collections::{BTreeSet, HashMap};

use actix_web::{get, web};
use chrono::{DateTime, Utc};
use craft::batch::guide;
use craft::bowl::{Record, Setup};
use craft::clinic::{Facts, Tempered, diagnose, facts_of};
use craft::plan::Plan;
use craft::result::Symptom;
use craft::steps::tempering_key;
use serde::Serialize;
use store::StoreError;
use store::bowls::BowlStatus;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::answer::bowl::Subject;
use crate::answer::clinic::ClinicAnswer;
use crate::answer::result::ResultAnswer;
use crate::answer::round;
use crate::clock::kitchen_time;
use crate::making::{AtBench, Making};
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What there is to say of one thing that was made.
#[derive(Debug, Serialize, ToSchema)]
pub struct OfComponent {
    /// Its key.
    component: String,
    /// What the maker calls it.
    name: String,
    /// What its record tells.
    facts: Facts,
    /// Why it came out as it did.
    told: ClinicAnswer,
}

/// Why a batch came out as it did.
#[derive(Debug, Serialize, ToSchema)]
pub struct BatchClinicAnswer {
    /// The faults that were seen, at any look.
    seen: Vec<Symptom>,
    /// Of each thing that was made.
    of: Vec<OfComponent>,
}

/// A bowl that was poured, with the tempering that it was.
struct Poured {
    step: String,
    setup: Setup,
    record: Record,
    at: DateTime<Utc>,
}

/// The bowls of a batch that were poured, each as its own chocolate's first, second, and so on.
async fn poured(state: &State, making: &Making) -> Answer<Vec<Poured>> {
    let mut all = Vec::new();
    let mut times: HashMap<&str, u32> = HashMap::new();
    // The latest is first.
    for line in making.bowls.iter().rev() {
        let BowlStatus::Poured { at, .. } = line.status else { continue };
        let nth = times.entry(&line.chocolate).or_insert(0);
        *nth += 1;
        let row = store::bowls::get(&state.pool, line.id).await?;
        // One that cannot be read any more tells nothing.
        let Ok(subject) = Subject::of(&row) else { continue };
        let record = state.record(&row).await?;
        let step = tempering_key(&line.chocolate, *nth);
        all.push(Poured { step, setup: subject.run.setup, record, at });
    }
    Ok(all)
}

/// How old it was at the latest look at which a fault was seen.
fn age_days(results: &[ResultAnswer], poured: &[Poured]) -> Option<f64> {
    let looked = results.iter().rfind(|result| !result.seen.is_empty())?.noted_at.0;
    let poured = poured.iter().map(|one| one.at).min()?;
    Some(round((looked - poured).as_seconds_f64().max(0.0) / 86_400.0, 1))
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
    let stated = store::batches::begun_with(&state.pool, *id).await?.stated;
    let plan = Plan::of(&stated.map_err(StoreError::from)?)?;
    let results = store::results::of_batch(&state.pool, *id).await?;
    let results: Vec<ResultAnswer> = results.into_iter().map(Into::into).collect();
    let seen: BTreeSet<Symptom> =
        results.iter().flat_map(|result| result.seen.iter().copied()).collect();
    let seen: Vec<Symptom> = seen.into_iter().collect();
    let poured = poured(&state, &making).await?;
    let age_days = age_days(&results, &poured).filter(|_| making.batch.real_time);
    let now = kitchen_time(making.batch.clock, state.wall.now());
    let bowls = making.bowl_states_at(&AtBench::default());
    let progress = guide(&making.lines, &making.events, &bowls, now).progress;
    let steps = progress.into_iter().flat_map(|line| line.steps);
    let done: HashMap<String, DateTime<Utc>> =
        steps.filter_map(|step| Some((step.key, step.done_at?))).collect();
    let tempered: Vec<Tempered<'_>> = poured
        .iter()
        .map(|one| Tempered {
            step: &one.step,
            setup: &one.setup,
            record: &one.record,
            poured: one.at,
        })
        .collect();
    let of = plan.components.iter().map(|component| {
        let facts = facts_of(&plan, component, &making.lines, &done, &tempered);
        let facts = Facts { age_days, ..facts };
        let told = diagnose(&seen, &facts).into();
        OfComponent { component: component.key.clone(), name: component.name.clone(), facts, told }
    });
    Ok(web::Json(BatchClinicAnswer { of: of.collect(), seen }))
}
