//! What a batch's own record tells: for the clinic, for comparing, for finding it again. What was
//! found is kept until the record changes (`store::findings`), and worked out when it is asked for.

use std::collections::{BTreeSet, HashMap};
use std::sync::Arc;

use chrono::{DateTime, Utc};
use craft::batch::{BowlStatus, bowl_of};
use craft::clinic::{Facts, Tempered, facts_of};
use craft::colour::Hue;
use craft::logbook::{Factor, fitted};
use craft::plan::{Plan, PlanInputs};
use craft::result::{Look, Symptom};
use craft::shelf::Shelf;
use craft::steps::{Line, tempering_key};
use store::StoreError;
use store::bowls::BowlLine;
use store::findings::{BowlFit, Finding, Found};
use store::results::ResultRow;
use uuid::Uuid;

use crate::answer::bowl::Subject;
use crate::answer::round;
use crate::clock::kitchen_time;
use crate::going_through::OfAll;
use crate::making::{AtBench, Making, summary_of};
use crate::problem::Answer;
use crate::state::State;

/// So many batches are caught up with while somebody waits.
const AT_ONCE: u32 = 20;

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
fn tags(told: &Told, shelf: &Shelf) -> Vec<String> {
    let Told { made, stated, plan, .. } = told;
    let shown = summary_of(stated, Some(plan));
    let mut tags: BTreeSet<String> = BTreeSet::new();
    tags.extend(shown.families.iter().map(|family| format!("family:{family}")));
    tags.extend(stated.components.iter().map(|one| format!("kind:{}", one.work.kind())));
    let hues = shown.colours.iter().filter_map(|srgb| Hue::of(srgb));
    tags.extend(hues.map(|hue| format!("colour:{}", hue.word())));
    let methods = plan.bowls.iter().filter_map(|bowl| bowl.plan.as_ref());
    tags.extend(methods.map(|plan| format!("method:{}", plan.method.about().key)));
    tags.extend(shelf.made_with(stated, plan).iter().map(|id| format!("gear:{id}")));
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
    let on_shelf = state.shelf.read(&state.pool).await?;
    let tags = tags(&told, &on_shelf.shelf);
    Ok(Found { findings: findings.collect(), fits: fits.collect(), tags })
}

/// Works out what is not found yet, or has changed since: of very many those of the newest activity,
/// and the rest in the background.
/// What cannot be read is found to be nothing.
///
/// # Errors
/// Where the store fails.
pub async fn catch_up(state: &State) -> Answer<()> {
    if some(state).await? == AT_ONCE as usize {
        catch_up_behind(state);
    }
    Ok(())
}

/// Goes on until nothing is left, behind what is asked for meanwhile: after an earlier release, or
/// an archive that was brought in, it is every batch.
pub fn catch_up_behind(state: &State) {
    let Some(behind) = state.going_through.begin_behind() else { return };
    let state = state.clone();
    tokio::spawn(async move {
        let _until_done = behind;
        while matches!(some(&state).await, Ok(done) if done == AT_ONCE as usize) {}
    });
}

/// Works out some of it, alone: whoever asks meanwhile waits, and nothing is worked out twice.
async fn some(state: &State) -> Answer<usize> {
    let _turn = state.going_through.turn.lock().await;
    let stale = store::findings::stale(&state.pool, AT_ONCE).await?;
    for one in &stale {
        let found = found(state, one.batch_id).await.unwrap_or_default();
        match store::findings::keep(&state.pool, *one, &found).await {
            // Another server is at it, and keeps the same.
            Err(error) if error.is_in_the_way() => {}
            kept => kept?,
        }
    }
    Ok(stale.len())
}

/// What is found of all batches together, caught up with; kept in memory until any of it changes.
///
/// # Errors
/// Where the store fails.
pub async fn of_all(state: &State) -> Answer<Arc<OfAll>> {
    catch_up(state).await?;
    let mut known = state.going_through.of_all.lock().await;
    // Asked before all of it is read: what changes meanwhile is read again the next time.
    let of = store::findings::found_of(&state.pool).await?;
    if let Some(known) = known.as_ref().filter(|known| known.of == of) {
        return Ok(known.clone());
    }
    let looked = store::findings::looked(&state.pool).await?;
    let fits = store::findings::fits(&state.pool).await?;
    let fresh = Arc::new(OfAll { of, looked, fits });
    *known = Some(fresh.clone());
    Ok(fresh)
}
