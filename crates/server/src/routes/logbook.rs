//! The log as a whole: bowls beside each other, what goes with good and bad results, how well forecasts
//! fitted, how it went over the months.

use std::collections::hash_map::Entry;
use std::collections::{BTreeMap, BTreeSet, HashMap};

use actix_web::{get, web};
use chrono::{DateTime, Utc};
use craft::clinic::Tempered;
use craft::logbook::{Factor, Usual, how_well, patterns as found_in, usual_of};
use craft::message::Message;
use craft::result::Symptom;
use craft::shelf::Thing;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use store::findings::{BowlFit, Looked};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::answer::bowl::PointAnswer;
use crate::answer::bowl_plan::BowlPlanAnswer;
use crate::answer::round;
use crate::catalogue::records as say;
use crate::findings::{Told, catch_up, of_all, told};
use crate::making::Making;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// So many bowls are compared at most.
const MOST: usize = 4;

/// Which bowls are compared.
#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct CompareAsked {
    bowls: String,
}

/// When something happened that curves can be laid over each other by, in the batch's own time.
#[derive(Debug, Default, Serialize, ToSchema)]
pub struct MomentsAnswer {
    /// It came off the heat.
    off_heat: Option<DateTime<Utc>>,
    /// It first came into its range after that.
    in_range: Option<DateTime<Utc>>,
    /// It was poured.
    poured: Option<DateTime<Utc>>,
}

/// One thing that is known of a bowl, beside what is usual when it goes well.
#[derive(Debug, Serialize, ToSchema)]
pub struct ComparedFact {
    /// Which.
    factor: Factor,
    /// What it is called.
    name: Message,
    /// Its value; `null` where it is not known.
    value: Option<f64>,
    /// The middle of the maker's good ones; `null` where there are fewer than five.
    usual: Option<f64>,
    /// How many spreads it is off that.
    off: Option<f64>,
    /// Whether it stands out among what went well.
    stands_out: bool,
}

/// A bowl beside others.
#[derive(Debug, Serialize, ToSchema)]
pub struct ComparedBowl {
    /// Its id.
    bowl_id: Uuid,
    /// Its batch.
    batch_id: Uuid,
    /// What that is called.
    name: String,
    /// The thing that was made of it which is compared.
    made: String,
    /// When it was opened, in the batch's time.
    opened_at: DateTime<Utc>,
    /// The plan it was opened by, as it was shown.
    #[schema(value_type = BowlPlanAnswer)]
    plan: Value,
    /// The range it is poured in.
    use_c: [f64; 2],
    /// The curve.
    curve: Vec<PointAnswer>,
    /// What to lay it over others by.
    moments: MomentsAnswer,
    /// What is known of how it was made, those that stand out first.
    facts: Vec<ComparedFact>,
    /// The faults that were seen.
    seen: Vec<Symptom>,
    /// Whether anybody looked at it.
    looked: bool,
}

fn moments(Tempered { setup, record, poured, .. }: &Tempered) -> MomentsAnswer {
    MomentsAnswer {
        off_heat: record.off_heat(),
        in_range: record.came_down_to(setup.use_band().hi),
        poured: Some(*poured),
    }
}

fn compared(values: [Option<f64>; 8], usual: &[Option<Usual>]) -> Vec<ComparedFact> {
    let mut facts: Vec<ComparedFact> = Factor::ALL
        .iter()
        .zip(values)
        .zip(usual)
        .map(|((factor, value), usual)| {
            let off = usual.zip(value).map(|(usual, value)| round(usual.off(value), 1));
            ComparedFact {
                factor: *factor,
                name: factor.name(),
                value: value.map(|value| round(value, 2)),
                usual: usual.map(|usual| round(usual.middle, 2)),
                off,
                stands_out: usual.zip(value).is_some_and(|(usual, v)| usual.stands_out(v)),
            }
        })
        .collect();
    facts.sort_by(|a, b| b.off.unwrap_or(-1.0).total_cmp(&a.off.unwrap_or(-1.0)));
    facts
}

/// Two to four bowls beside each other: curves, moments to lay them over each other by, what is known of
/// each, and what stands out among what went well.
#[utoipa::path(tag = "log", operation_id = "compare_bowls", params(("bowls" = String, Query, description = "Two to four bowls, by id, with commas between")), responses(
    (status = 200, body = [ComparedBowl]), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/log/compare")]
pub async fn compare(
    state: web::Data<State>,
    asked: web::Query<CompareAsked>,
) -> Answer<web::Json<Vec<ComparedBowl>>> {
    let ids: Vec<Uuid> = asked
        .bowls
        .split(',')
        .filter(|id| !id.is_empty())
        .map(|id| Uuid::parse_str(id.trim()))
        .collect::<Result<_, _>>()
        .map_err(|_| Problem::bad_field("bowls", say::not_complete()))?;
    let each: BTreeSet<&Uuid> = ids.iter().collect();
    if !(2..=MOST).contains(&ids.len()) || each.len() != ids.len() {
        return Err(Problem::bad_field("bowls", say::two_to_four_bowls(ids.len())));
    }
    let cases = of_all(&state).await?.cases();
    let usual: Vec<Option<Usual>> =
        Factor::ALL.iter().map(|factor| usual_of(*factor, &cases)).collect();
    let mut all = Vec::new();
    let mut read: HashMap<Uuid, (Making, Told)> = HashMap::new();
    for id in ids {
        let row = store::bowls::get(&state.pool, id).await?;
        let (making, told) = match read.entry(row.batch_id) {
            Entry::Occupied(known) => known.into_mut(),
            Entry::Vacant(new) => {
                let making = Making::read(&state, row.batch_id).await?;
                let told = told(&state, &making).await?;
                new.insert((making, told))
            }
        };
        let tempered = told.bowls.iter().find(|bowl| bowl.id == id).map(|bowl| &bowl.tempered);
        let tempered = tempered.ok_or(store::StoreError::NotFound("poured bowl"))?;
        // What was made of it; of several things the first.
        let steps = making.lines.iter().find(|line| {
            line.steps.iter().any(|step| step.tempered.as_ref() == Some(&tempered.step))
        });
        let key = steps.and_then(|line| line.component());
        let made = told.made.iter().find(|made| Some(made.component.as_str()) == key);
        let live = state.live.bowl(&state, id).await?;
        let answer = live.answer(state.clock_answer(making.batch.clock, false));
        all.push(ComparedBowl {
            bowl_id: id,
            batch_id: making.batch.id,
            name: making.batch.name.clone(),
            made: made.map(|made| made.name.clone()).unwrap_or_default(),
            opened_at: row.opened_at,
            plan: row.plan.clone().unwrap_or_default(),
            use_c: answer.use_c,
            curve: answer.curve,
            moments: moments(tempered),
            facts: compared(made.map_or([None; 8], |made| Factor::all_of(&made.facts)), &usual),
            seen: made.map(|made| made.seen.clone()).unwrap_or_default(),
            looked: made.is_some_and(|made| made.looked),
        });
    }
    Ok(web::Json(all))
}

/// So many of so many with a fault.
#[derive(Debug, Serialize, ToSchema)]
pub struct PatternSide {
    /// With a fault.
    faulty: usize,
    /// In all.
    of: usize,
}

/// What goes with good and bad results.
#[derive(Debug, Serialize, ToSchema)]
pub struct PatternAnswer {
    /// What.
    factor: Factor,
    /// All of it in words.
    says: Message,
    /// Above where the sides part.
    above: PatternSide,
    /// At it and below.
    below: PatternSide,
    /// How often chance alone makes as large a difference, 0 to 1, with all that was tested counted in.
    chance: f64,
}

/// How well forecasts fitted.
#[derive(Debug, Serialize, ToSchema)]
pub struct FittedAnswer {
    /// The bowl on the shelf; `null` for the whole kitchen.
    ware_id: Option<Uuid>,
    /// What it is called; `null` for the whole kitchen.
    name: Option<String>,
    /// So many bowls.
    bowls: usize,
    /// The share of forecasts for three minutes ahead that held, %.
    held_pct: f64,
    /// How far off in the mean, °C.
    off_c: f64,
}

/// How one month went.
#[derive(Debug, Serialize, ToSchema)]
pub struct MonthAnswer {
    /// Which: 2026-11.
    month: String,
    /// So many things that were made and looked at.
    looked: usize,
    /// So many of them without a fault.
    good: usize,
}

/// What the log tells over all its batches.
#[derive(Debug, Serialize, ToSchema)]
pub struct PatternsAnswer {
    /// What goes with results, the surest first; mostly nothing.
    found: Vec<PatternAnswer>,
    /// How many of the eight factors could be tested: with five cases or more on each side.
    tested: usize,
    /// How many things were made and looked at.
    cases: usize,
    /// How well forecasts fitted: in the whole kitchen first, then bowl by bowl.
    fits: Vec<FittedAnswer>,
    /// Month by month, the first first.
    months: Vec<MonthAnswer>,
}

fn months(looked: &[Looked]) -> Vec<MonthAnswer> {
    let mut all: BTreeMap<String, (usize, usize)> = BTreeMap::new();
    for one in looked {
        let (of, good) = all.entry(one.made_at.0.format("%Y-%m").to_string()).or_default();
        *of += 1;
        *good += usize::from(!one.case.faulty);
    }
    let month = |(month, (looked, good))| MonthAnswer { month, looked, good };
    all.into_iter().map(month).collect()
}

fn fits(all: &[BowlFit], name: impl Fn(Uuid) -> Option<String>) -> Vec<FittedAnswer> {
    let mut of: BTreeMap<Option<Uuid>, Vec<&BowlFit>> = BTreeMap::new();
    for one in all {
        of.entry(None).or_default().push(one);
        if one.ware_id.is_some() {
            of.entry(one.ware_id).or_default().push(one);
        }
    }
    let answered = of.into_iter().filter_map(|(ware_id, fits)| {
        let well = how_well(fits.iter().map(|one| &one.fit))?;
        Some(FittedAnswer {
            ware_id,
            name: ware_id.and_then(&name),
            bowls: well.bowls,
            held_pct: round(well.held_pct, 0),
            off_c: round(well.off_c, 2),
        })
    });
    answered.collect()
}

/// What goes with good and bad results in this kitchen, by exact tests of eight factors, with Holm's
/// correction; silence where fewer than five lie on a side. How well forecasts fitted, and how it went
/// month by month.
#[utoipa::path(tag = "log", operation_id = "read_patterns", responses((status = 200, body = PatternsAnswer)))]
#[get("/log/patterns")]
pub async fn patterns(state: web::Data<State>) -> Answer<web::Json<PatternsAnswer>> {
    let all = of_all(&state).await?;
    let cases = all.cases();
    let found = found_in(&cases);
    let on_shelf = state.shelf.read(&state.pool).await?;
    let name = |id: Uuid| {
        let row = on_shelf.rows.iter().find(|row| row.id == id)?;
        match row.thing.as_ref().ok()? {
            Thing::Ware(ware) => Some(ware.name.clone()),
            _ => None,
        }
    };
    let side = |side: craft::logbook::Side| PatternSide { faulty: side.faulty, of: side.of };
    Ok(web::Json(PatternsAnswer {
        found: found
            .found
            .into_iter()
            .map(|one| PatternAnswer {
                factor: one.factor,
                says: one.says,
                above: side(one.above),
                below: side(one.below),
                chance: one.corrected,
            })
            .collect(),
        tested: found.tested,
        cases: found.cases,
        fits: fits(&all.fits, name),
        months: months(&all.looked),
    }))
}

/// How much of the log is not gone through yet.
#[derive(Debug, Serialize, ToSchema)]
pub struct UnreadAnswer {
    /// So many batches are not found yet by what was made, how and how it came out.
    batches: u64,
}

/// How many batches are still to be gone through: after a new release or a record that was brought in
/// it takes a while until all are found by what was made, how and how it came out.
#[utoipa::path(tag = "log", operation_id = "read_unread", responses((status = 200, body = UnreadAnswer)))]
#[get("/log/unread")]
pub async fn unread(state: web::Data<State>) -> Answer<web::Json<UnreadAnswer>> {
    catch_up(&state).await?;
    Ok(web::Json(UnreadAnswer { batches: store::findings::count_stale(&state.pool).await? }))
}
