//! Demo data: the open night of the village observatory of Quillmere, where a
//! volunteer makes sweets for the visitors.
//!
//! Times are counted back from when it is loaded. The curves are records of the
//! simulated pot, made by a simulated maker; the same every time.

mod evenings;
mod shelf;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{Phase, Reading, Record};
use craft::check::Fault;
use craft::plan::{Plan, bowl};
use craft::pot::{Evening, Mishap, Quirks, evening};
use store::batches::Batch;
use store::bowls::{BowlRow, ClockRow};
use store::outcomes::OutcomeRow;
use store::{Pool, StoreError};
use uuid::Uuid;

use crate::afterwards::note;
use crate::answer::plan::PlanAnswer;
use crate::routes::bowls::frozen;
use evenings::{Sheet, Went};

/// The kitchen that the records were made in: a tired microwave, a draughty bench.
const KITCHEN: Quirks = Quirks { efficiency: 0.43, loses: 1.15 };

/// Loads the demo into an empty store.
///
/// # Errors
/// Where the store fails.
pub async fn load(pool: &Pool, now: DateTime<Utc>) -> Result<(), StoreError> {
    shelf::load(pool, now).await?;
    let mut sheets: Vec<_> = evenings::sheets().into_iter().enumerate().collect();
    // In the order in which they were made: each learns from those before it.
    sheets.sort_by_key(|(_, sheet)| std::cmp::Reverse(sheet.days_ago));
    for (number, sheet) in sheets {
        load_one(pool, now, number as u64, sheet).await?;
    }
    Ok(())
}

async fn load_one(
    pool: &Pool,
    now: DateTime<Utc>,
    number: u64,
    sheet: Sheet,
) -> Result<(), StoreError> {
    let id = |part: u64| {
        Uuid::from_u64_pair(0x5711_0000_0000_7000 | number, 0x8000_0000_0000_0000 | part)
    };
    let begun =
        now - TimeDelta::days(sheet.days_ago) - TimeDelta::minutes(95 + number.cast_signed());
    let inputs = sheet.inputs;
    let batch = Batch {
        id: id(1),
        name: sheet.name.to_owned(),
        note: sheet.note.to_owned(),
        version: 1,
        created_at: begun,
        updated_at: begun,
    };
    store::batches::create(pool, &batch, &inputs).await?;

    // The bowl at the bench goes on in the usual kitchen, so it began there.
    let quirks = if matches!(sheet.went, Went::AtBench) { Quirks::default() } else { KITCHEN };
    let how = |mishap, stop_in| Evening {
        every_s: 4,
        mishap,
        stop_in,
        quirks,
        ..Evening::calm(40 + number)
    };
    let (how, looks): (_, &[_]) = match sheet.went {
        Went::Planned => return Ok(()),
        Went::AtBench => (how(None, Some(Phase::Testing)), &[]),
        Went::Poured(looks) => (how(None, None), looks),
        Went::AtSecondTry(looks) => (how(Some(Mishap::FirstTestStreaks), None), looks),
        Went::Lost(reason) => {
            let reason = reason.to_owned();
            (how(Some(Mishap::LongBurst { seconds: 150.0, reason }), None), &[])
        }
    };
    let unplanned = |problem: String| StoreError::Unreadable {
        what: "the demo",
        problem: format!("{} cannot be planned: {problem}", sheet.name),
    };
    let refused = |faults: Vec<Fault>| unplanned(format!("{faults:?}"));
    let filled = store::shelf::read(pool).await?.fill(&inputs).map_err(refused)?;
    let whole = PlanAnswer::from(Plan::of(&filled).map_err(refused)?);
    let key = &filled.bowls[0].key;
    let (bowl_inputs, plan) =
        frozen(&filled, whole, key).map_err(|problem| unplanned(format!("{problem:?}")))?;
    let chocolate = key.clone();
    let tempering = bowl(&bowl_inputs).map_err(refused)?;
    let opened = begun + TimeDelta::minutes(10);
    let setup = tempering.setup(opened);
    let record = evening(&setup, &how).record;
    let at_bench = how.stop_in.is_some();
    let record = if at_bench { until_last_seed(&record) } else { record };
    let last = record.last_at().unwrap_or(opened);
    let bowl = BowlRow {
        id: id(3),
        batch_id: batch.id,
        chocolate,
        inputs: bowl_inputs,
        plan: plan.frozen().map_err(|e| unplanned(e.to_string()))?,
        opened_at: opened,
        // The bowl at the bench waits, held, for somebody to go on with it.
        clock: ClockRow {
            real: now,
            kitchen: if at_bench { last } else { now },
            rate: if at_bench { 0.0 } else { 1.0 },
        },
        simulated: at_bench,
    };
    store::bowls::insert(pool, &bowl).await?;
    // What was sent is what the probe showed; what was meant is what it should have.
    let off = setup.offset;
    let sent = record.readings().iter().map(|r| Reading { temp: r.temp - off, ..*r }).collect();
    let sent = Record::new(sent, record.actions().cloned().collect());
    store::append_record(pool, bowl.id, &sent).await?;
    note(pool, &bowl, (&setup, &record), [last, now]).await?;
    for (n, (hours, outcome, note)) in looks.iter().enumerate() {
        let row = OutcomeRow {
            id: id(10 + n as u64),
            noted_at: last + TimeDelta::hours(*hours),
            outcome: *outcome,
            note: (*note).to_owned(),
        };
        store::outcomes::append(pool, batch.id, &row).await?;
    }
    Ok(())
}

/// The record up to half a minute after the second addition of seed.
fn until_last_seed(record: &Record) -> Record {
    let second = record
        .actions()
        .filter(|a| matches!(a.kind, craft::bowl::ActionKind::SeedAdded { .. }))
        .nth(1)
        .map(|a| a.at + TimeDelta::seconds(30));
    let Some(end) = second else { return record.clone() };
    Record::new(
        record.readings().iter().filter(|r| r.at <= end).copied().collect(),
        record.actions().filter(|a| a.at <= end).cloned().collect(),
    )
}
