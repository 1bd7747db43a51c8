//! What is kept is kept once, whole, and as it was; over a private MariaDB.

use std::sync::OnceLock;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{Action, ActionKind, Reading, Record, Source};
use craft::build::{Event, EventKind};
use craft::chocolate::Family;
use craft::heat::Material;
use craft::learn::{GearNumbers, Number};
use craft::outcome::{Gloss, Outcome, Released, Snap, Streaks};
use craft::plan::{BowlInputs, OwnInputs, PlanInputs};
use craft::shelf::stock::Move;
use craft::shelf::{ChocolateInputs, Shelf, Taught, Thing, WareInputs};
use craft::units::{celsius, grams, in_grams, seconds};
use stack::DataDir;
use stack::database::{Database, Durability};
use store::batches::Batch;
use store::bowls::{BowlRow, ClockRow};
use store::builds::BuildRow;
use store::outcomes::OutcomeRow;
use store::stock::MoveRow;
use store::{Pool, StoreError};
use tempfile::TempDir;
use uuid::Uuid;

/// The database server of this process.
fn database() -> &'static Database {
    static SHARED: OnceLock<(Database, TempDir)> = OnceLock::new();
    let (database, _) = SHARED.get_or_init(|| {
        let folder = tempfile::tempdir().expect("a folder");
        let dir = DataDir::open(&folder.path().join("data")).expect("ours");
        (Database::start(dir, Durability::Scratch).expect("comes up"), folder)
    });
    database
}

/// An empty database of the test's own.
async fn empty() -> Pool {
    let name = store::create_database(&database().url(), Uuid::new_v4()).await.expect("made");
    store::connect(&database().url_of(&name)).await.expect("connected")
}

fn at(s: i64) -> DateTime<Utc> {
    DateTime::from_timestamp(1_790_000_000 + s, 0).expect("in range")
}

fn batch() -> (Batch, PlanInputs) {
    let id = Uuid::now_v7();
    let batch = Batch {
        id,
        name: "Comet bark, Ångström & Søn ✶".to_owned(),
        note: String::new(),
        version: 1,
        created_at: at(0),
        updated_at: at(0),
    };
    (batch, PlanInputs::usual(Family::Milk))
}

fn bowl_of(batch: &Batch) -> BowlRow {
    BowlRow {
        id: Uuid::now_v7(),
        batch_id: batch.id,
        chocolate: "milk".to_owned(),
        inputs: BowlInputs::alone(Family::Milk, 320.0),
        plan: serde_json::json!({ "as": "it was" }),
        opened_at: at(0),
        clock: ClockRow { real: at(0), kitchen: at(0), rate: 1.0 },
        simulated: false,
    }
}

/// A batch with an open bowl.
async fn open_bowl(pool: &Pool) -> (Batch, BowlRow) {
    let (batch, inputs) = batch();
    store::batches::create(pool, &batch, &inputs).await.expect("kept");
    let bowl = bowl_of(&batch);
    store::bowls::insert(pool, &bowl).await.expect("kept");
    (batch, bowl)
}

fn reading(s: i64, c: f64) -> Reading {
    Reading { id: Uuid::now_v7(), at: at(s), temp: celsius(c), source: Source::Probe }
}

fn action(s: i64, kind: ActionKind) -> Action {
    Action { id: Uuid::now_v7(), at: at(s), kind }
}

fn chocolate(name: &str) -> Thing {
    Thing::Chocolate(ChocolateInputs {
        name: name.to_owned(),
        family: Family::Dark,
        blend: None,
        own: OwnInputs { work_c: Some([30.5, 31.5]), ..OwnInputs::default() },
        flow_grade: None,
        lot: String::new(),
        best_before: None,
        price_per_kg: None,
        label: String::new(),
    })
}

fn moved(chocolate_id: Uuid, bowl_id: Option<Uuid>, kind: Move, g: f64) -> MoveRow {
    let id = if kind == Move::Taken { bowl_id.expect("a bowl") } else { Uuid::now_v7() };
    MoveRow { id, chocolate_id, bowl_id, kind, mass: grams(g), at: at(0) }
}

#[tokio::test]
async fn a_batch_comes_back_as_it_was_and_is_made_once() {
    let pool = empty().await;
    let (batch, inputs) = batch();
    store::batches::create(&pool, &batch, &inputs).await.expect("kept");
    let renamed = Batch { name: "Another".to_owned(), ..batch.clone() };
    store::batches::create(&pool, &renamed, &inputs).await.expect("kept already");
    assert_eq!(store::batches::get(&pool, batch.id).await.expect("there"), batch);
    let kept = store::batches::plan(&pool, batch.id).await.expect("there");
    assert_eq!((kept.inputs, kept.version), (inputs, 1));
    let line = store::batches::list(&pool).await.expect("a list").remove(0);
    assert_eq!((line.id, line.bowls, line.outcomes), (batch.id, Vec::new(), 0));
}

#[tokio::test]
async fn an_edit_from_an_older_version_changes_nothing() {
    let pool = empty().await;
    let (batch, inputs) = batch();
    store::batches::create(&pool, &batch, &inputs).await.expect("kept");
    let edit = async |version, name: &str| {
        store::batches::update(&pool, batch.id, version, name, "", at(60)).await
    };
    assert_eq!(edit(1, "First").await.expect("the newest"), 2);
    assert!(matches!(edit(1, "Second").await, Err(StoreError::Changed { current: 2 })));
    assert_eq!(store::batches::get(&pool, batch.id).await.expect("there").name, "First");

    let warmer = PlanInputs { room_c: 21.0, ..inputs.clone() };
    let done = store::batches::update_plan(&pool, batch.id, 1, &warmer).await;
    assert_eq!(done.expect("the newest"), 2);
    let late = store::batches::update_plan(&pool, batch.id, 1, &inputs).await;
    assert!(matches!(late, Err(StoreError::Changed { current: 2 })));
    assert_eq!(store::batches::plan(&pool, batch.id).await.expect("there").inputs, warmer);

    let gone = store::batches::update(&pool, Uuid::now_v7(), 1, "Nobody's", "", at(0)).await;
    assert!(matches!(gone, Err(StoreError::NotFound("batch"))));
}

#[tokio::test]
async fn readings_and_every_kind_of_action_come_back_as_they_were_once() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let kinds = [
        ActionKind::Heat { lasting: Some(seconds(30.0)) },
        ActionKind::Heat { lasting: None },
        ActionKind::OffHeat,
        ActionKind::Stirred,
        ActionKind::SeedAdded { mass: grams(80.5) },
        ActionKind::CrystalsAdded { mass: grams(4.0) },
        ActionKind::OnStone { mass: grams(250.0) },
        ActionKind::OffStone,
        ActionKind::TooThick,
        ActionKind::TestStarted,
        ActionKind::TestSeen { seen: craft::bowl::Seen::EvenSatin },
        ActionKind::Poured,
        ActionKind::GivenUp { reason: "scorched: “tan”".to_owned() },
        ActionKind::Undone { action: Uuid::now_v7() },
    ];
    let actions: Vec<_> = kinds.into_iter().zip(0..).map(|(kind, s)| action(s, kind)).collect();
    let readings = vec![reading(0, 20.0), reading(5, 44.25)];
    for _ in 0..2 {
        store::append_all(&pool, bowl.id, &readings, &actions).await.expect("kept");
    }
    let record = |readings, actions| Record::new(readings, actions);
    let kept = record(
        store::readings::of_bowl(&pool, bowl.id).await.expect("there"),
        store::actions::of_bowl(&pool, bowl.id).await.expect("there"),
    );
    assert_eq!(kept, record(readings, actions));
}

#[tokio::test]
async fn what_cannot_be_kept_whole_is_not_kept_in_part() {
    let pool = empty().await;
    let nowhere = Uuid::now_v7();
    let lost = store::append_all(&pool, nowhere, &[reading(0, 40.0)], &[]).await;
    assert!(matches!(lost, Err(StoreError::NotFound("bowl"))), "{lost:?}");

    // The bowl is somebody else's already, so neither batch nor record is kept.
    let (_, taken) = open_bowl(&pool).await;
    let (batch, inputs) = batch();
    let bowl = BowlRow { id: taken.id, ..bowl_of(&batch) };
    let record = ([reading(0, 40.0)], [action(1, ActionKind::Poured)]);
    let refused = store::bring_in(&pool, &batch, &inputs, &bowl, (&record.0, &record.1)).await;
    assert!(refused.is_err());
    assert!(matches!(
        store::batches::get(&pool, batch.id).await,
        Err(StoreError::NotFound("batch"))
    ));
    assert!(store::readings::of_bowl(&pool, taken.id).await.expect("there").is_empty());
}

#[tokio::test]
async fn a_forgotten_batch_takes_with_it_all_that_hangs_on_it_but_what_was_learned() {
    let pool = empty().await;
    let (batch, bowl) = open_bowl(&pool).await;
    let record = ([reading(0, 40.0)], [action(1, ActionKind::Poured)]);
    store::append_all(&pool, bowl.id, &record.0, &record.1).await.expect("kept");
    let good = Outcome {
        gloss: Gloss::Glossy,
        snap: Snap::Clean,
        released: Released::Freely,
        streaks: Streaks::None,
    };
    let look = OutcomeRow { id: Uuid::now_v7(), noted_at: at(9), outcome: good, note: "!".into() };
    assert!(store::outcomes::append(&pool, batch.id, &look).await.expect("new"));
    assert!(!store::outcomes::append(&pool, batch.id, &look).await.expect("kept already"));
    let line = store::batches::list(&pool).await.expect("a list").remove(0);
    assert_eq!((line.bowls[0].poured_at, line.outcomes), (Some(at(1)), 1));

    let stove = Uuid::now_v7();
    let numbers = GearNumbers { efficiency: Some(0.4), ..GearNumbers::default() };
    let taught = Taught { opened: at(0), ware_id: None, heat_id: Some(stove), numbers };
    store::shelf::learn(&pool, bowl.id, &taught).await.expect("kept");
    store::batches::delete(&pool, batch.id).await.expect("there");
    assert!(store::bowls::get(&pool, bowl.id).await.is_err());
    assert!(store::outcomes::of_batch(&pool, batch.id).await.expect("a list").is_empty());
    let learned = async || {
        let shelf = store::shelf::read(&pool).await.expect("a shelf");
        shelf.learned(Number::Efficiency, None, Some(stove)).map(|learned| learned.bowls)
    };
    assert_eq!(learned().await, Some(1));
    store::shelf::unteach(&pool, bowl.id).await.expect("there");
    assert_eq!(learned().await, None);
}

#[tokio::test]
async fn an_undone_end_is_no_end() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let line = async || store::batches::list(&pool).await.expect("a list").remove(0);
    let give_up = action(1, ActionKind::GivenUp { reason: "scorched".to_owned() });
    let undo = action(2, ActionKind::Undone { action: give_up.id });
    store::append_all(&pool, bowl.id, &[], &[give_up]).await.expect("kept");
    assert_eq!(line().await.bowls[0].given_up, Some((at(1), "scorched".to_owned())));
    store::append_all(&pool, bowl.id, &[], &[undo]).await.expect("kept");
    assert_eq!(line().await.bowls[0].given_up, None);
    let pour = action(3, ActionKind::Poured);
    let undo = action(4, ActionKind::Undone { action: pour.id });
    store::append_all(&pool, bowl.id, &[], &[pour, undo]).await.expect("kept");
    assert_eq!(line().await.bowls[0].poured_at, None);
}

#[tokio::test]
async fn what_a_bowl_took_keeps_its_place_and_goes_back_with_its_pour() {
    let pool = empty().await;
    let bag = Uuid::now_v7();
    store::shelf::insert(&pool, bag, &chocolate("Dark"), at(0)).await.expect("kept");
    let (_, bowl) = open_bowl(&pool).await;
    let left = async || {
        let left = store::stock::all_left(&pool).await.expect("a list");
        left.get(&bag).map(|mass| in_grams(*mass).round())
    };
    assert_eq!(left().await, None);
    let counted = moved(bag, None, Move::Counted, 900.0);
    assert!(store::stock::append(&pool, &counted).await.expect("new"));
    assert!(!store::stock::append(&pool, &counted).await.expect("kept already"));
    let take = async |g| {
        let taken = moved(bag, Some(bowl.id), Move::Taken, g);
        store::stock::take(&pool, &taken).await.expect("kept");
    };
    take(300.0).await;
    assert_eq!(left().await, Some(600.0));
    // Weighed after the pour: what is settled again later does not count twice.
    store::stock::append(&pool, &moved(bag, None, Move::Counted, 580.0)).await.expect("new");
    take(320.0).await;
    assert_eq!(left().await, Some(580.0));
    let returned = moved(bag, Some(bowl.id), Move::Returned, 20.0);
    store::stock::append(&pool, &returned).await.expect("new");
    assert_eq!(left().await, Some(600.0));
    let kinds = async || {
        let moves = store::stock::of_bowl(&pool, bowl.id).await.expect("a list");
        moves.into_iter().map(|m| (m.kind, in_grams(m.mass).round())).collect::<Vec<_>>()
    };
    assert_eq!(kinds().await, [(Move::Taken, 320.0), (Move::Returned, 20.0)]);
    store::stock::give_back(&pool, bowl.id).await.expect("there");
    assert_eq!(kinds().await, [(Move::Returned, 20.0)]);

    let nowhere = moved(Uuid::now_v7(), None, Move::Bought, 1.0);
    assert!(matches!(
        store::stock::append(&pool, &nowhere).await,
        Err(StoreError::NotFound("chocolate on the shelf"))
    ));
}

#[tokio::test]
async fn things_stand_on_the_shelf_as_stated_until_they_are_put_away() {
    let pool = empty().await;
    let (bag, bowl) = (Uuid::now_v7(), Uuid::now_v7());
    let ware =
        Thing::Ware(WareInputs { name: "Glass".into(), material: Material::Glass, mass_g: 450.0 });
    assert!(store::shelf::insert(&pool, bag, &chocolate("Dark"), at(0)).await.expect("new"));
    assert!(!store::shelf::insert(&pool, bag, &chocolate("Other"), at(0)).await.expect("known"));
    store::shelf::insert(&pool, bowl, &ware, at(1)).await.expect("new");
    let kept = store::shelf::get(&pool, bag).await.expect("there");
    assert_eq!((kept.thing, kept.version, kept.put_away), (chocolate("Dark"), 1, false));
    // The kitchen is there from the start, before all else.
    let all = store::shelf::list(&pool).await.expect("a list");
    assert_eq!(all.iter().map(|row| row.id).collect::<Vec<_>>(), [Shelf::KITCHEN, bag, bowl]);

    store::shelf::put_away(&pool, bag).await.expect("there");
    assert!(store::shelf::get(&pool, bag).await.expect("there").put_away);
    store::shelf::update(&pool, bag, 1, &chocolate("Darker")).await.expect("the newest");
    let again = store::shelf::get(&pool, bag).await.expect("there");
    assert_eq!((again.thing, again.version, again.put_away), (chocolate("Darker"), 2, false));
    let late = store::shelf::update(&pool, bag, 1, &ware).await;
    assert!(matches!(late, Err(StoreError::Changed { current: 2 })));
    let unknown = store::shelf::put_away(&pool, Uuid::now_v7()).await;
    assert!(matches!(unknown, Err(StoreError::NotFound(_))));
}

#[tokio::test]
async fn cleared_there_is_an_empty_kitchen_and_nothing_else() {
    let pool = empty().await;
    let (batch, ..) = open_bowl(&pool).await;
    store::shelf::insert(&pool, Uuid::now_v7(), &chocolate("Dark"), at(0)).await.expect("new");
    store::shelf::unlearn(&pool, Shelf::KITCHEN, at(5)).await.expect("there");
    store::clear(&pool).await.expect("cleared");
    assert!(store::batches::get(&pool, batch.id).await.is_err());
    let all = store::shelf::list(&pool).await.expect("a list");
    assert_eq!(all.len(), 1);
    assert_eq!((all[0].id, all[0].version, all[0].learns_from), (Shelf::KITCHEN, 1, None));
}

#[tokio::test]
async fn a_bowls_clock_is_set_where_there_is_such_a_bowl() {
    let pool = empty().await;
    let (batch, bowl) = open_bowl(&pool).await;
    let clock = ClockRow { real: at(10), kitchen: at(10) + TimeDelta::milliseconds(5), rate: 20.0 };
    for _ in 0..2 {
        // The same again changes no row, and is no fault.
        store::bowls::set_clock(&pool, bowl.id, clock, true).await.expect("there");
    }
    let kept = store::bowls::get(&pool, bowl.id).await.expect("there");
    assert_eq!((kept.clock, kept.simulated), (clock, true));
    assert_eq!(kept.plan, bowl.plan);
    let simulated = store::bowls::simulated(&pool).await.expect("a list");
    assert_eq!(simulated.len(), 1);
    let unknown = store::bowls::set_clock(&pool, Uuid::now_v7(), clock, true).await;
    assert!(matches!(unknown, Err(StoreError::NotFound("bowl"))));
    let stray = BowlRow { batch_id: Uuid::now_v7(), ..bowl_of(&batch) };
    let stray = store::bowls::insert(&pool, &stray).await;
    assert!(matches!(stray, Err(StoreError::NotFound("batch"))));
}

#[tokio::test]
async fn a_build_is_begun_once_and_keeps_each_event_once() {
    let pool = empty().await;
    let (batch, inputs) = batch();
    store::batches::create(&pool, &batch, &inputs).await.expect("kept");
    let clock = ClockRow { real: at(0), kitchen: at(0), rate: 1.0 };
    let build = BuildRow { batch_id: batch.id, inputs, begun_at: at(0), clock };
    assert!(store::builds::begin(&pool, &build).await.expect("new"));
    let again = BuildRow { begun_at: at(9), ..build.clone() };
    assert!(!store::builds::begin(&pool, &again).await.expect("begun already"));
    assert_eq!(store::builds::get(&pool, batch.id).await.expect("there"), build);

    let done = |task: &str, s, just_now| Event {
        id: Uuid::now_v7(),
        at: at(s),
        kind: EventKind::Done { component: "slab".to_owned(), task: task.to_owned(), just_now },
    };
    let pour = done("pour", 10, false);
    let touch = done("touch-dry", 400, true);
    let undo =
        Event { id: Uuid::now_v7(), at: at(410), kind: EventKind::Undone { event: touch.id } };
    let all = [pour, touch, undo];
    for event in &all {
        assert!(store::builds::append(&pool, batch.id, event).await.expect("new"));
        assert!(!store::builds::append(&pool, batch.id, event).await.expect("kept already"));
    }
    assert_eq!(store::builds::events(&pool, batch.id).await.expect("a list"), all);

    let faster = ClockRow { rate: 20.0, ..clock };
    store::builds::set_clock(&pool, batch.id, faster).await.expect("there");
    assert_eq!(store::builds::get(&pool, batch.id).await.expect("there").clock, faster);
    let stray = store::builds::append(&pool, Uuid::now_v7(), &all[0]).await;
    assert!(matches!(stray, Err(StoreError::NotFound("build"))));
    store::batches::delete(&pool, batch.id).await.expect("there");
    assert!(matches!(
        store::builds::get(&pool, batch.id).await,
        Err(StoreError::NotFound("build"))
    ));
}

/// As it was kept before a batch was one document.
#[tokio::test]
async fn a_batch_that_was_kept_as_one_slab_is_still_there() {
    let name = store::create_database(&database().url(), Uuid::new_v4()).await.expect("made");
    let url = database().url_of(&name);
    let old = sqlx::MySqlPool::connect(&url).await.expect("connected");
    sqlx::migrate!().run_to(3, &old).await.expect("the old schema");
    let inputs = r#"{"family":"dark","own":{"fat_pct":39.0},"tray":{"shape":"rectangle",
        "length_mm":300.0,"width_mm":200.0},"thickness_mm":4.0,"room_c":20.0,"rh_pct":45.0,
        "fridge_c":5.0,"topping":{"name":"sugar stars","across_mm":6.0,"each_g":0.06,
        "wish":{"by":"coverage","coverage_pct":20.0}},"cooling_min":8.0}"#;
    let plan = r#"{"slab":{"to_weigh_g":325.08,"thickness_mm":4.0},"method":"seed_down",
        "setting":null,"fridge":null}"#;
    let statements = [
        "INSERT INTO batches (id, name, created_at, updated_at)
         VALUES (UNHEX(REPEAT('1', 32)), 'Old bark', '2026-01-01', '2026-01-02')".to_owned(),
        format!("INSERT INTO components (id, batch_id, kind, inputs, version)
         VALUES (UNHEX(REPEAT('2', 32)), UNHEX(REPEAT('1', 32)), 'slab-bark', '{inputs}', 7)"),
        format!("INSERT INTO bowls (id, component_id, inputs, plan, opened_at, clock_real, clock_kitchen)
         VALUES (UNHEX(REPEAT('3', 32)), UNHEX(REPEAT('2', 32)), '{inputs}', '{plan}', '2026-01-01',
                 '2026-01-01', '2026-01-01')"),
    ];
    for statement in statements {
        sqlx::query(sqlx::AssertSqlSafe(statement)).execute(&old).await.expect("kept");
    }
    let pool = store::connect(&url).await.expect("brought up to date");
    let batch_id = Uuid::from_u128(0x1111_1111_1111_1111_1111_1111_1111_1111);
    let stated = store::batches::plan(&pool, batch_id).await.expect("it can be read");
    assert_eq!(stated.version, 7);
    let planned = craft::plan::batch(&stated.inputs).expect("it can be planned");
    assert!(
        planned.components[0].draft.topping.is_some() && planned.components[0].fridge.is_some()
    );
    let bowls = store::bowls::of_batch(&pool, batch_id).await.expect("a list");
    let bowl = craft::plan::bowl(&bowls[0].inputs).expect("it can be planned");
    assert!((in_grams(bowl.total) - 325.08).abs() < 1e-9);
    assert_eq!(bowls[0].plan["to_weigh_g"], 325.08);
    assert_eq!(bowls[0].plan["made"], serde_json::json!(["Slab of bark"]));
}
