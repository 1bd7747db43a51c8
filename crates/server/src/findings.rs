//! What a batch's own record tells: for the clinic, for comparing, for finding it again. What was
//! found is kept until the record changes (`store::findings`), and worked out when it is asked for.

use std::collections::{BTreeSet, HashMap};

use chrono::{DateTime, Utc};
use craft::batch::{BowlStatus, bowl_of};
use craft::clinic::{Facts, Tempered, facts_of};
use craft::colour::Hue;
use craft::logbook::{Factor, fitted};
use craft::plan::{Plan, PlanInputs};
use craft::result::{Look, Symptom};
use craft::steps::{Line, tempering_key};
use store::StoreError;
use store::bowls::BowlLine;
use store::findings::{BowlFit, Finding, Found, Stale};
use store::results::ResultRow;
use uuid::Uuid;

use crate::answer::bowl::Subject;
use crate::answer::round;
use crate::clock::kitchen_time;
use crate::making::{AtBench, Making, summary_of};
use crate::problem::Answer;
use crate::state::State;

/// So many batches are caught up with at once.
const AT_ONCE: u32 = 200;

/// A bowl that was poured.
#[derive(Debug)]
pub struct PouredBowl {
    /// Its id.
    pub id: Uuid,
    /// What it was made in.
    pub ware_id: Option<Uuid>,
    /// What was recorded of it.
    pub tempered: Tempered,
}

/// One thing that was made, and what its record tells.
#[derive(Debug)]
pub struct Made {
    /// Its key.
    pub component: String,
    /// What the maker calls it.
    pub name: String,
    /// The faults that were seen of it, at any look.
    pub seen: Vec<Symptom>,
    /// Whether anybody looked at it.
    pub looked: bool,
    /// How it was made.
    pub facts: Facts,
}

/// What a batch's record tells.
#[derive(Debug)]
pub struct Told {
    /// Of each thing that was made.
    pub made: Vec<Made>,
    /// Its bowls that were poured.
    pub bowls: Vec<PouredBowl>,
    stated: PlanInputs,
    plan: Plan,
}

/// The bowls of a batch that were poured, each with the tempering that it was.
async fn poured(state: &State, making: &Making) -> Answer<Vec<PouredBowl>> {
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
        let ware_id = row.inputs().ok().and_then(|inputs| inputs.ware_id);
        let record = state.record(&row).await?;
        let step = tempering_key(chocolate, nth);
        let tempered = Tempered { step, setup: subject.run.setup, record, poured };
        all.push(PouredBowl { id: line.id, ware_id, tempered });
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

    /// How old it was when it was looked at last with a fault to see.
    fn age_days(&self, poured: DateTime<Utc>) -> Option<f64> {
        let faulty = |row: &&&ResultRow| row.look().is_some_and(|look| !look.faults().is_empty());
        let looked = self.0.iter().rfind(faulty)?.looked_at.0;
        Some(round((looked - poured).as_seconds_f64().max(0.0) / 86_400.0, 1))
    }
}

/// What a batch's record tells.
///
/// # Errors
/// Where the store fails, or what it was begun with cannot be read.
pub async fn told(state: &State, making: &Making) -> Answer<Told> {
    let stated = store::batches::begun_with(&state.pool, making.batch.id).await?.stated;
    let stated = stated.map_err(StoreError::from)?;
    let plan = Plan::of(&stated)?;
    let results = store::results::of_batch(&state.pool, making.batch.id).await?;
    let bowls = poured(state, making).await?;
    let first = making.bowls.iter().filter_map(BowlLine::poured).min();
    let now = kitchen_time(making.batch.clock, state.wall.now());
    let done: HashMap<String, DateTime<Utc>> = making.done(now).collect();
    let tempered: Vec<Tempered> = bowls.iter().map(|bowl| bowl.tempered.clone()).collect();
    let made = plan.components.iter().map(|component| {
        let facts = facts_of(&plan, component, &making.lines, &done, &tempered);
        let looked = LookedAt::of(&results, &component.key);
        let age_days = first.and_then(|poured| looked.age_days(poured.0));
        Made {
            component: component.key.clone(),
            name: component.name.clone(),
            seen: looked.seen(),
            looked: !looked.0.is_empty(),
            facts: Facts { age_days, stored_c: looked.stored_c(), ..facts },
        }
    });
    let made = made.collect();
    Ok(Told { made, bowls, stated, plan })
}

/// What a batch is found by, each a word for what sort of thing it is and a word for which.
fn tags(told: &Told) -> Vec<String> {
    let Told { made, stated, plan, .. } = told;
    let shown = summary_of(stated, Some(plan));
    let mut tags: BTreeSet<String> = BTreeSet::new();
    tags.extend(shown.families.iter().map(|family| format!("family:{family}")));
    tags.extend(stated.components.iter().map(|one| format!("kind:{}", one.work.kind())));
    let hues = shown.colours.iter().filter_map(|srgb| Hue::of(srgb));
    tags.extend(hues.map(|hue| format!("colour:{}", hue.word())));
    let methods = plan.bowls.iter().filter_map(|bowl| bowl.plan.as_ref());
    tags.extend(methods.map(|plan| format!("method:{}", plan.method.about().key)));
    for bowl in &stated.bowls {
        let gear = [bowl.chocolate_id, bowl.ware_id, bowl.heat_id, bowl.thermometer_id];
        tags.extend(gear.into_iter().flatten().map(|id| format!("gear:{id}")));
    }
    tags.extend(stated.trays.iter().map(|tray| format!("gear:{}", tray.tray_id)));
    for component in &stated.components {
        let mut work = component.work.clone();
        tags.extend(work.cast_mut().and_then(|cast| cast.mould_id).map(|id| format!("gear:{id}")));
    }
    let faults: BTreeSet<Symptom> = made.iter().flat_map(|one| one.seen.iter().copied()).collect();
    tags.extend(faults.iter().map(|fault| format!("fault:{}", fault.word())));
    let looked = made.iter().any(|one| one.looked);
    let result = match (looked, faults.is_empty()) {
        (false, _) => "not_looked",
        (true, true) => "good",
        (true, false) => "faulty",
    };
    tags.insert(format!("result:{result}"));
    tags.into_iter().collect()
}

/// All that is found of a batch.
async fn found(state: &State, id: Uuid) -> Answer<Found> {
    let making = Making::of(state, store::batches::get(&state.pool, id).await?).await?;
    let told = told(state, &making).await?;
    let made_at = making.bowls.iter().filter_map(BowlLine::poured).max();
    let findings = told.made.iter().filter_map(|one| {
        Some(Finding {
            component: one.component.clone(),
            made_at: made_at?,
            faulty: one.looked.then_some(!one.seen.is_empty()),
            values: Factor::all_of(&one.facts),
        })
    });
    let fits = told.bowls.iter().map(|bowl| BowlFit {
        bowl_id: bowl.id,
        ware_id: bowl.ware_id,
        fit: fitted(&bowl.tempered.setup, &bowl.tempered.record),
    });
    Ok(Found { findings: findings.collect(), fits: fits.collect(), tags: tags(&told) })
}

/// Works out what is not found yet, or has changed since. What cannot be read is found to be nothing.
///
/// # Errors
/// Where the store fails.
pub async fn catch_up(state: &State) -> Answer<usize> {
    let mut caught_up = 0;
    loop {
        let stale = store::findings::stale(&state.pool, AT_ONCE).await?;
        for one in &stale {
            let found = found(state, one.batch_id).await.unwrap_or_default();
            keep(state, *one, &found).await?;
        }
        caught_up += stale.len();
        if stale.len() < AT_ONCE as usize {
            return Ok(caught_up);
        }
    }
}

async fn keep(state: &State, stale: Stale, found: &Found) -> Answer<()> {
    state
        .whole(
            async |tx: &mut store::Connection| Ok(store::findings::keep(tx, stale, found).await?),
        )
        .await
}
