//! Why a batch came out as it did, by its own record.

use std::collections::{BTreeSet, HashMap};

use actix_web::{get, web};
use chrono::{DateTime, Utc};
use craft::batch::{BowlStatus, bowl_of};
use craft::clinic::{Facts, Tempered, diagnose, facts_of};
use craft::plan::Plan;
use craft::result::{Look, Symptom};
use craft::steps::{Line, tempering_key};
use serde::Serialize;
use store::StoreError;
use store::bowls::BowlLine;
use store::results::ResultRow;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::answer::bowl::Subject;
use crate::answer::clinic::ClinicAnswer;
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

/// The bowls of a batch that were poured, each with the tempering that it was.
async fn poured(state: &State, making: &Making) -> Answer<Vec<Tempered>> {
    let states = making.bowl_states_at(&AtBench::default());
    let mut all = Vec::new();
    for (chocolate, nth) in making.lines.iter().filter_map(Line::bowl) {
        let Some(bowl) = bowl_of(&states, chocolate, nth) else { continue };
        let BowlStatus::Poured { at: poured } = bowl.status else { continue };
        let opened =
            |line: &&BowlLine| line.chocolate == chocolate && line.opened_at == bowl.opened_at;
        let Some(line) = making.bowls.iter().find(opened) else { continue };
        let row = store::bowls::get(&state.pool, line.id).await?;
        // One that cannot be read any more tells nothing.
        let Ok(subject) = Subject::of(&row) else { continue };
        let record = state.record(&row).await?;
        let step = tempering_key(chocolate, nth);
        all.push(Tempered { step, setup: subject.run.setup, record, poured });
    }
    Ok(all)
}

/// The looks at one thing that was made, and what they tell besides faults.
struct LookedAt<'a>(Vec<&'a ResultRow>);

impl<'a> LookedAt<'a> {
    fn of(results: &'a [ResultRow], component: &str) -> Self {
        let of_it = |row: &&ResultRow| row.look().is_some_and(|look| look.is_of(component));
        Self(results.iter().filter(of_it).collect())
    }

    fn looks(&self) -> impl DoubleEndedIterator<Item = &'a Look> {
        self.0.iter().filter_map(|row| row.look())
    }

    /// The faults that were seen, at any look.
    fn seen(&self) -> Vec<Symptom> {
        let seen: BTreeSet<Symptom> = self.looks().flat_map(Look::faults).collect();
        seen.into_iter().collect()
    }

    /// What it was kept at: the warmest that somebody read.
    fn stored_c(&self) -> Option<f64> {
        self.looks().filter_map(|look| look.stored.temp_c).max_by(f64::total_cmp)
    }

    /// When it was looked at last with a fault to see.
    fn with_faults(&self) -> Option<DateTime<Utc>> {
        let faulty = |row: &&&ResultRow| row.look().is_some_and(|look| !look.faults().is_empty());
        Some(self.0.iter().rfind(faulty)?.looked_at.0)
    }
}

/// How old it was at the latest look at which a fault was seen.
fn age_days(looked: &LookedAt<'_>, poured: &[Tempered]) -> Option<f64> {
    let looked = looked.with_faults()?;
    let poured = poured.iter().map(|one| one.poured).min()?;
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
    let poured = poured(&state, &making).await?;
    let now = kitchen_time(making.batch.clock, state.wall.now());
    let done: HashMap<String, DateTime<Utc>> = making.done(now).collect();
    let of = plan.components.iter().map(|component| {
        let facts = facts_of(&plan, component, &making.lines, &done, &poured);
        let looked = LookedAt::of(&results, &component.key);
        let age_days = age_days(&looked, &poured).filter(|_| making.batch.real_time);
        let facts = Facts { age_days, stored_c: looked.stored_c(), ..facts };
        let seen = looked.seen();
        let told = diagnose(&seen, &facts).into();
        let (component, name) = (component.key.clone(), component.name.clone());
        OfComponent { component, name, seen, facts, told }
    });
    Ok(web::Json(BatchClinicAnswer { of: of.collect() }))
}
