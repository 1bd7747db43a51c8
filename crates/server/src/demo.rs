//! Demo data: the open night of the village observatory of Quillmere, where a
//! volunteer makes sweets for the visitors.
//!
//! Times are counted back from when it is loaded. The curves are records of the
//! simulated pot, made by a simulated maker; the same every time.

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{Phase, Record};
use craft::chocolate::Family;
use craft::heat::Material;
use craft::method::{Kitchen, Method};
use craft::outcome::{Gloss, Outcome, Released, Snap, Streaks};
use craft::plan::{BarkInputs, MicrowaveInputs, TrayInputs, WareInputs, bark};
use craft::pot::{Evening, Mishap, evening};
use store::batches::Batch;
use store::bowls::{BowlRow, ClockRow};
use store::components::{Component, SLAB_BARK};
use store::outcomes::OutcomeRow;
use store::{Pool, StoreError};
use uuid::Uuid;

use crate::answer::plan::PlanAnswer;

/// How an evening of the demo went.
enum Went {
    /// Not yet at the bench.
    Planned,
    /// Still at the bench, held where seeding is under way.
    AtBench,
    /// Poured, with looks at what came out: hours after, look, remark.
    Poured(&'static [(i64, Outcome, &'static str)]),
    /// Poured after a first test that showed streaks.
    AtSecondTry(&'static [(i64, Outcome, &'static str)]),
    /// Given up.
    Lost(&'static str),
}

struct Sheet {
    name: &'static str,
    note: &'static str,
    days_ago: i64,
    inputs: BarkInputs,
    went: Went,
}

const GOOD: Outcome = Outcome {
    gloss: Gloss::Glossy,
    snap: Snap::Clean,
    released: Released::Freely,
    streaks: Streaks::None,
};
const FAIR: Outcome = Outcome {
    gloss: Gloss::Satin,
    snap: Snap::Clean,
    released: Released::Freely,
    streaks: Streaks::Some,
};

fn tray(length_mm: f64, width_mm: f64) -> TrayInputs {
    TrayInputs::Rectangle { length_mm, width_mm }
}

fn inputs(
    family: Family,
    tray: TrayInputs,
    thickness_mm: f64,
    room_c: f64,
    rh_pct: f64,
) -> BarkInputs {
    BarkInputs {
        tray,
        thickness_mm,
        room_c,
        rh_pct,
        bowl: Some(WareInputs { material: Material::Glass, mass_g: 620.0 }),
        microwave: Some(MicrowaveInputs {
            watts: 800.0,
            power: if family == Family::Dark { 0.5 } else { 0.35 },
        }),
        cooling_min: Some(8.0),
        ..BarkInputs::usual(family)
    }
}

#[allow(clippy::too_many_lines)] // a table
fn sheets() -> Vec<Sheet> {
    vec![
        Sheet {
            name: "Nebula sheet for the telescope queue",
            note: "Thin, to be broken small. Violet petals on top.",
            days_ago: 0,
            inputs: inputs(Family::Dark, tray(360.0, 260.0), 3.5, 20.5, 47.0),
            went: Went::Planned,
        },
        Sheet {
            name: "Full-moon rounds, white",
            note: "One round tin first, to see how far a bag goes.",
            days_ago: 0,
            inputs: inputs(
                Family::White,
                TrayInputs::Round { diameter_mm: 240.0 },
                4.0,
                19.5,
                44.0,
            ),
            went: Went::Planned,
        },
        Sheet {
            name: "Dark bark under a scatter of stars",
            note: "Main tray for the open night. Sugar stars go on at once.",
            days_ago: 0,
            inputs: inputs(Family::Dark, tray(300.0, 200.0), 4.0, 20.0, 45.0),
            went: Went::AtBench,
        },
        Sheet {
            name: "Milk bark for the youngest visitors",
            note: "No nuts in this one; made before the hazelnut tray.",
            days_ago: 2,
            inputs: inputs(Family::Milk, tray(300.0, 200.0), 4.5, 19.0, 48.0),
            went: Went::Poured(&[
                (1, FAIR, "A few pale swirls where I stopped stirring to answer the door."),
                (25, FAIR, "Snaps well. The swirls stay."),
            ]),
        },
        Sheet {
            name: "Hazelnut dark, gift pieces",
            note: "Roasted the day before, so the nuts were cold.",
            days_ago: 3,
            inputs: inputs(Family::Dark, tray(400.0, 300.0), 5.0, 19.5, 42.0),
            went: Went::Poured(&[
                (2, GOOD, "Let go of the sheet by itself."),
                (26, GOOD, "Best gloss so far: cool room, foil-smooth sheet."),
            ]),
        },
        Sheet {
            name: "White sheet for moon phases",
            note: "",
            days_ago: 5,
            inputs: inputs(Family::White, tray(260.0, 180.0), 3.0, 21.0, 52.0),
            went: Went::Lost(
                "Called to the door in the middle of a burst of two and a half minutes: tan, grainy, smelt of caramel. Into the bin.",
            ),
        },
        Sheet {
            name: "White sheet, second go",
            note: "Lower power, short bursts, never left it.",
            days_ago: 4,
            inputs: inputs(Family::White, tray(260.0, 180.0), 3.0, 20.0, 50.0),
            went: Went::Poured(&[(24, GOOD, "Clean white, no streaks.")]),
        },
        Sheet {
            name: "Ruby bark with dried sour cherries",
            note: "For the raffle tins.",
            days_ago: 7,
            inputs: inputs(Family::Ruby, tray(300.0, 200.0), 4.0, 20.0, 46.0),
            went: Went::AtSecondTry(&[
                (
                    3,
                    GOOD,
                    "First smear streaked; a little more seed and two minutes of stirring mended it.",
                ),
                (27, GOOD, ""),
            ]),
        },
        Sheet {
            name: "Trial slab, first try at seeding",
            note: "Small, to learn the feel of it.",
            days_ago: 12,
            inputs: inputs(Family::Dark, tray(200.0, 150.0), 4.0, 22.5, 57.0),
            went: Went::Poured(&[(
                24,
                Outcome {
                    gloss: Gloss::Satin,
                    snap: Snap::Soft,
                    released: Released::InPlaces,
                    streaks: Streaks::None,
                },
                "The room was warm and damp. Next time in the evening.",
            )]),
        },
        Sheet {
            name: "Milk comets, with ready crystals",
            note: "A small jar of ready crystals is left from the winter course.",
            days_ago: 6,
            inputs: BarkInputs {
                method: Method::find("ready_crystals"),
                kitchen: Kitchen { ready_crystals: true, ..Kitchen::default() },
                ..inputs(Family::Milk, tray(260.0, 180.0), 4.0, 19.5, 44.0)
            },
            went: Went::Poured(&[(
                25,
                GOOD,
                "No seeding, no lumps; it only took its time to come down.",
            )]),
        },
        Sheet {
            name: "Striped planets for small hands",
            note: "Coating, so that the children could help to spread it.",
            days_ago: 9,
            inputs: inputs(Family::Coating, tray(240.0, 160.0), 4.0, 20.0, 46.0),
            went: Went::Poured(&[(
                3,
                Outcome {
                    gloss: Gloss::Satin,
                    snap: Snap::Soft,
                    released: Released::Freely,
                    streaks: Streaks::None,
                },
                "Not a snap, but no tears either. Hands washed before and after.",
            )]),
        },
    ]
}

/// Loads the demo into an empty store.
///
/// # Errors
/// Where the store fails.
pub async fn load(pool: &Pool, now: DateTime<Utc>) -> Result<(), StoreError> {
    for (number, sheet) in sheets().into_iter().enumerate() {
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
    let component = Component {
        id: id(2),
        batch_id: batch.id,
        kind: SLAB_BARK.to_owned(),
        inputs: inputs.clone(),
        version: 1,
    };
    store::batches::create(pool, &batch, &component).await?;

    let how =
        |mishap, stop_in| Evening { every_s: 4, mishap, stop_in, ..Evening::calm(40 + number) };
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
    let Ok(plan) = bark(&inputs) else {
        return Err(StoreError::Unreadable {
            what: "the demo",
            problem: format!("{} cannot be planned", sheet.name),
        });
    };
    let opened = begun + TimeDelta::minutes(10);
    let record = evening(&plan.setup(opened), &how).record;
    let at_bench = how.stop_in.is_some();
    let record = if at_bench { until_last_seed(&record) } else { record };
    let last = record.last_at().unwrap_or(opened);
    let bowl = BowlRow {
        id: id(3),
        component_id: component.id,
        inputs,
        plan: PlanAnswer::from(plan)
            .frozen()
            .map_err(|e| StoreError::Unreadable { what: "the demo", problem: e.to_string() })?,
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
    store::append_record(pool, bowl.id, &record).await?;
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
