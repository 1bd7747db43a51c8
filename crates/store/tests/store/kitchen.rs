//! An empty database of each test's own, and what tests put into it.

use std::sync::OnceLock;

use chrono::{DateTime, Utc};
use craft::batch::Stage;
use craft::bowl::{Action, ActionKind, Reading, Source};
use craft::chocolate::Family;
use craft::plan::{BowlInputs, PlanInputs};
use craft::time::WallTime;
use craft::units::celsius;
use serde_json::json;
use stack::DataDir;
use stack::database::{Database, Durability};
use store::batches::{BatchRow, ClockRow, NewBatch};
use store::bowls::{BowlLine, BowlRow, BowlStatus};
use store::document::{Computed, Summary};
use store::plans::PlanText;
use store::{Connection, Pool, StoreError};
use tempfile::TempDir;
use uuid::Uuid;

/// The database server of this process.
pub fn database() -> &'static Database {
    static SHARED: OnceLock<(Database, TempDir)> = OnceLock::new();
    let (database, _) = SHARED.get_or_init(|| {
        let folder = tempfile::tempdir().expect("a folder");
        let dir = DataDir::open(&folder.path().join("data")).expect("ours");
        (Database::start(dir, Durability::Scratch).expect("comes up"), folder)
    });
    database
}

/// The address of a new database with nothing in it.
pub async fn bare() -> String {
    let name = store::create_database(&database().url(), Uuid::new_v4()).await.expect("made");
    database().url_of(&name)
}

/// An empty database of the test's own.
pub async fn empty() -> Pool {
    store::connect(&bare().await).await.expect("connected")
}

pub fn at(s: i64) -> DateTime<Utc> {
    DateTime::from_timestamp(1_790_000_000 + s, 0).expect("in range")
}

pub fn wall(s: i64) -> WallTime {
    WallTime(at(s))
}

/// In one transaction, as the server does it.
pub async fn whole<T>(
    pool: &Pool,
    work: impl AsyncFn(&mut Connection) -> Result<T, StoreError>,
) -> Result<T, StoreError> {
    store::whole(pool, work, |_| false).await
}

pub fn text(name: &str) -> PlanText {
    PlanText { name: name.to_owned(), note: String::new(), inputs: PlanInputs::usual(Family::Milk) }
}

pub fn batch(plan_id: Option<Uuid>) -> BatchRow {
    BatchRow {
        id: Uuid::now_v7(),
        plan_id,
        name: "Comet bark, Ångström & Søn ✶".to_owned(),
        note: String::new(),
        version: 1,
        made_by: "0.2.0".to_owned(),
        begun_at: wall(0),
        closed_at: None,
        deleted_at: None,
        clock: ClockRow { real: wall(0), kitchen: at(0), rate: 1.0 },
        real_time: true,
        stage: Stage::UnderWay,
        ended_at: None,
        last_at: wall(0),
        starred: false,
        passed_look: None,
    }
}

/// Keeps a batch.
pub async fn begin(pool: &Pool, batch: &BatchRow) -> Result<store::Sent, StoreError> {
    let stated = PlanInputs::usual(Family::Milk);
    let computed = Computed { plan: json!({ "as": "it was" }), lines: Vec::new() };
    let summary = Summary::default();
    let words = batch.name.to_lowercase();
    let digest = store::digest(&batch.name);
    let new =
        NewBatch { stated: &stated, computed: &computed, summary: &summary, words: &words, digest };
    whole(pool, async |tx: &mut Connection| store::batches::insert(tx, batch, &new).await).await
}

pub fn bowl_of(batch: &BatchRow) -> BowlRow {
    BowlRow {
        line: BowlLine {
            id: Uuid::now_v7(),
            batch_id: batch.id,
            chocolate: "milk".to_owned(),
            opened_at: at(0),
            simulated: false,
            status: BowlStatus::Open,
        },
        inputs: Ok(BowlInputs::alone(Family::Milk, 320.0)),
        plan: Ok(json!({ "as": "it was" })),
    }
}

/// A batch with an open bowl.
pub async fn open_bowl(pool: &Pool) -> (BatchRow, BowlRow) {
    let batch = batch(None);
    begin(pool, &batch).await.expect("kept");
    let bowl = bowl_of(&batch);
    open(pool, &bowl).await.expect("kept");
    (batch, bowl)
}

pub fn reading(s: i64, c: f64) -> Reading {
    Reading { id: Uuid::now_v7(), at: at(s), temp: celsius(c), source: Source::Probe }
}

pub fn action(s: i64, kind: ActionKind) -> Action {
    Action { id: Uuid::now_v7(), at: at(s), kind }
}

/// Keeps a bowl.
pub async fn open(pool: &Pool, bowl: &BowlRow) -> Result<store::Sent, StoreError> {
    let (Ok(inputs), Ok(plan)) = (&bowl.inputs, &bowl.plan) else { panic!("made here") };
    let digest = store::digest(inputs);
    whole(pool, async |tx: &mut Connection| {
        store::bowls::insert(tx, &bowl.line, (inputs, plan), digest).await
    })
    .await
}

/// Keeps readings and actions of a bowl.
pub async fn append(
    pool: &Pool,
    bowl: Uuid,
    readings: &[Reading],
    actions: &[Action],
) -> Result<(), StoreError> {
    whole(pool, async |tx: &mut Connection| {
        store::append_all(tx, bowl, readings, actions, wall(60)).await
    })
    .await
}
