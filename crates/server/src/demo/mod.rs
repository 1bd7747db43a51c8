//! Demo data: the open night of the village observatory of Quillmere, where a
//! volunteer makes sweets for the visitors.
//!
//! Times are counted back from when it is loaded. The curves are records of the
//! simulated pot, made by a simulated maker; the same every time.

mod evenings;
mod pieces;
mod shelf;
mod year;

use chrono::{DateTime, Datelike, TimeDelta, Utc, Weekday};
use craft::bowl::{Action, ActionKind, Phase, Reading, Record};
use craft::plan::{WhenInputs, bowl};
use craft::pot::{Evening, Mishap, Quirks, evening};
use craft::time::WallTime;
use store::batches::{ClockRow, NewBatch};
use store::bowls::{BowlLine, BowlStatus};
use store::plans::PlanText;
use store::{Connection, Pool, StoreError};
use uuid::Uuid;

use crate::making::{Kept, Making, computed, keep_ending, summary, words};
use crate::problem::Problem;
use crate::routes::begin::new_row;
use crate::routes::bowls::frozen;
use evenings::{Sheet, Went};

/// The kitchen that the records were made in: a tired microwave, a draughty bench.
fn kitchen() -> Quirks {
    Quirks { efficiency: 0.43, loses: 1.15, ..Quirks::default() }
}

/// Loads the demo into an empty store, once in a database's life.
///
/// # Errors
/// Where the store fails.
pub async fn load(pool: &Pool, now: WallTime) -> Result<(), StoreError> {
    store::whole(
        pool,
        async |tx: &mut Connection| {
            shelf::load(tx, now).await?;
            let now_and_then = evenings::sheets().into_iter().chain(year::sheets());
            let mut sheets: Vec<_> = now_and_then.enumerate().collect();
            // In the order in which they were made: each learns from those before it.
            sheets.sort_by_key(|(_, sheet)| std::cmp::Reverse(sheet.days_ago));
            for (number, sheet) in sheets {
                let name = sheet.name;
                load_one(tx, now, number as u64, sheet).await.map_err(|problem| {
                    StoreError::Unsuited(format!("{name} cannot be loaded: {problem:?}"))
                })?;
            }
            store::house::set(tx, store::house::DEMO, "loaded").await
        },
        |error: &StoreError| error.is_in_the_way(),
    )
    .await
}

/// Six in the evening of the first Saturday that leaves five days for it.
fn open_night(now: WallTime) -> Option<DateTime<Utc>> {
    let from = now.0.date_naive() + TimeDelta::days(5);
    let saturday = from.iter_days().find(|date| date.weekday() == Weekday::Sat)?;
    Some(saturday.and_hms_opt(18, 0, 0)?.and_utc())
}

async fn load_one(
    tx: &mut Connection,
    now: WallTime,
    number: u64,
    mut sheet: Sheet,
) -> Result<(), Problem> {
    if matches!(sheet.went, Went::DueOnSaturday) {
        sheet.inputs.when = Some(WhenInputs { ready_by: open_night(now), ..WhenInputs::default() });
    }
    let id = |part: u64| {
        Uuid::from_u64_pair(0x5711_0000_0000_7000 | number, 0x8000_0000_0000_0000 | part)
    };
    let begun =
        now.after(-TimeDelta::days(sheet.days_ago) - TimeDelta::minutes(95 + number.cast_signed()));
    // What earlier evenings taught is on the shelf already.
    let rows = store::shelf::list(&mut *tx).await?;
    let on_shelf = store::shelf::as_ruled_in(&rows, tx).await?;
    let filled = on_shelf.fill(&sheet.inputs)?;
    let shown = summary(&filled);
    let found_by = words(sheet.name, sheet.note, &shown);
    let text = PlanText {
        name: sheet.name.to_owned(),
        note: sheet.note.to_owned(),
        inputs: sheet.inputs.clone(),
    };
    let plan_id = id(1);
    store::plans::insert(tx, plan_id, &text, (&found_by, plan_id), begun).await?;

    // The bowl at the bench goes on in the usual kitchen, so it began there.
    let quirks = if matches!(sheet.went, Went::AtBench) { Quirks::default() } else { kitchen() };
    let how = |mishap, stop_in| Evening {
        every_s: 4,
        mishap,
        stop_in,
        quirks,
        ..Evening::calm(40 + number)
    };
    let (how, looks): (_, &[_]) = match &sheet.went {
        Went::Planned | Went::DueOnSaturday => return Ok(()),
        Went::AtBench => (how(None, Some(Phase::Testing)), &[]),
        Went::Poured(looks) | Went::CalledAway(looks) => (how(None, None), looks),
        Went::AtSecondTry(looks) => (how(Some(Mishap::FirstTestStreaks), None), looks),
        Went::Lost(reason) => {
            let reason = (*reason).to_owned();
            (how(Some(Mishap::LongBurst { seconds: 150.0, reason }), None), &[])
        }
    };
    let follows = computed(&filled, Some(&on_shelf))?;
    let key = filled.bowls[0].key.clone();
    let (bowl_inputs, shown_plan) = frozen(&filled, &follows, &key)?;
    let opened = begun.after(TimeDelta::minutes(10)).0;
    let run = bowl(&bowl_inputs)?.run(opened);
    let record = evening(&run, &how).record;
    let at_bench = how.stop_in.is_some();
    let record = if at_bench { until_last_seed(&record) } else { record };
    let record = match sheet.went {
        Went::CalledAway(_) => left_alone(&record),
        _ => record,
    };
    let last = record.last_at().unwrap_or(opened);
    let mut batch = new_row(id(2), Some(plan_id), (sheet.name, sheet.note), begun);
    if at_bench {
        // It waits, held, for somebody to go on with it.
        batch.clock = ClockRow { real: now, kitchen: last, rate: 0.0 };
        batch.real_time = false;
    }
    let new = NewBatch {
        stated: &filled,
        computed: &follows,
        summary: &shown,
        words: &found_by,
        digest: id(2),
    };
    store::batches::insert(tx, &batch, &new).await?;
    let line = BowlLine {
        id: id(3),
        batch_id: batch.id,
        chocolate: key,
        opened_at: opened,
        simulated: at_bench,
        status: BowlStatus::Open,
    };
    store::bowls::insert(tx, &line, (&bowl_inputs, &shown_plan), id(3)).await?;
    // What was sent is what the probe showed; what was meant is what it should have.
    let setup = &run.setup;
    let off = setup.offset;
    let sent: Vec<_> =
        record.readings().iter().map(|r| Reading { temp: r.temp - off, ..*r }).collect();
    let last_wall = if at_bench { now } else { WallTime(last) };
    store::append_all(tx, line.id, &sent, record.entries(), last_wall).await?;
    let row = store::bowls::get(&mut *tx, line.id).await?;
    // The records are as if somebody had typed what a thermometer showed.
    let kept = Kept { bowl: &row, setup, record: &record, real: batch.real_time };
    keep_ending(tx, &kept, batch.clock, last_wall).await?;
    let mut noted = last_wall;
    for (n, (hours, look)) in looks.iter().enumerate() {
        noted = last_wall.after(TimeDelta::hours(*hours));
        store::results::append(tx, batch.id, id(10 + n as u64), (noted, noted), look).await?;
    }
    let making = Making::lock(tx, batch.id).await?;
    making.keep_standing(tx, noted.min(now)).await?;
    store::plans::touch(tx, plan_id, last_wall).await?;
    Ok(())
}

/// The same with nobody there for a while after the last seed went in: nothing is read, nothing
/// stirred.
fn left_alone(record: &Record) -> Record {
    let seeded = record.actions().rfind(|a| matches!(a.kind, ActionKind::SeedAdded { .. }));
    let Some(left) = seeded.map(|action| action.at + TimeDelta::seconds(20)) else {
        return record.clone();
    };
    let later = |at: DateTime<Utc>| if at > left { at + TimeDelta::minutes(5) } else { at };
    let readings = record.readings().iter().map(|one| Reading { at: later(one.at), ..*one });
    let actions = record.actions().filter(|one| one.at <= left || one.kind != ActionKind::Stirred);
    let actions = actions.map(|one| Action { at: later(one.at), ..one.clone() });
    Record::new(readings.collect(), actions.collect())
}

/// The record up to half a minute after the second addition of seed.
fn until_last_seed(record: &Record) -> Record {
    let second = record
        .actions()
        .filter(|a| matches!(a.kind, ActionKind::SeedAdded { .. }))
        .nth(1)
        .map(|a| a.at + TimeDelta::seconds(30));
    let Some(end) = second else { return record.clone() };
    Record::new(
        record.readings().iter().filter(|r| r.at <= end).copied().collect(),
        record.actions().filter(|a| a.at <= end).cloned().collect(),
    )
}
