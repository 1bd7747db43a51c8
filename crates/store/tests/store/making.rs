//! Plans, batches, bowls and what happened to them.

use chrono::TimeDelta;
use craft::batch::{Event, EventKind, Stage};
use craft::bowl::{ActionKind, Place, Record, Seen};
use craft::logfile::Scale;
use craft::result::{Gloss, Look, Looks, Released, Snap, Streaks, Symptom};
use craft::units::{grams, seconds};
use store::batches::{BatchesOf, ClockRow, Narrowed};
use store::bowls::BowlStatus;
use store::plans::PlansOf;
use store::watched_logs::WatchedRow;
use store::{Connection, Page, Pool, Sent, StoreError};
use uuid::Uuid;

use crate::kitchen::{
    action, append, at, batch, begin, bowl_of, empty, open, open_bowl, reading, text, wall, whole,
};

async fn plan(pool: &Pool, name: &str, s: i64) -> Uuid {
    let id = Uuid::now_v7();
    let words = name.to_lowercase();
    whole(pool, async |tx: &mut Connection| {
        let digest = store::digest(&name);
        store::plans::insert(tx, id, &text(name), (&words, digest), wall(s)).await
    })
    .await
    .expect("kept");
    id
}

async fn change(pool: &Pool, id: Uuid, from: u32, name: &str, undo_to: Option<u32>) -> u32 {
    let words = name.to_lowercase();
    whole(pool, async |tx: &mut Connection| {
        let said = (words.as_str(), undo_to);
        store::plans::change(tx, id, from, &text(name), said, wall(60)).await
    })
    .await
    .expect("changed")
}

#[tokio::test]
async fn a_plan_is_made_once_and_keeps_what_it_stated_before() {
    let pool = empty().await;
    let id = plan(&pool, "First", 0).await;
    let send = async |name: &str| {
        whole(&pool, async |tx: &mut Connection| {
            let digest = store::digest(&name);
            store::plans::insert(tx, id, &text(name), (name, digest), wall(9)).await
        })
        .await
    };
    assert_eq!(send("First").await.expect("kept already"), Sent::Again);
    assert!(matches!(send("Other").await, Err(StoreError::OtherContent("plan"))));

    assert_eq!(change(&pool, id, 1, "Second", Some(1)).await, 2);
    let kept = store::plans::get(&pool, id).await.expect("there");
    assert_eq!((kept.name.as_str(), kept.version), ("Second", 2));
    let before = store::plans::version(&pool, id, 1).await.expect("read").expect("kept");
    assert_eq!((before.text, before.undo_to), (text("First"), None));
    let now = store::plans::version(&pool, id, 2).await.expect("read").expect("kept");
    assert_eq!(now.undo_to, Some(1));
    // Not for ever: what is a hundred edits old is not brought together with anything.
    for version in 2..70 {
        change(&pool, id, version, "Again", Some(version)).await;
    }
    assert_eq!(store::plans::version(&pool, id, 1).await.expect("read"), None);
    assert!(store::plans::version(&pool, id, 69).await.expect("read").is_some());
}

#[tokio::test]
async fn lists_are_paged_by_activity_and_searched_as_it_stands() {
    let pool = empty().await;
    let mut all = Vec::new();
    for n in 0..7 {
        all.push(plan(&pool, &format!("Bark {n}"), n).await);
    }
    let odd = plan(&pool, "100 %_dark\\", 3).await;
    let page = async |search: Option<&str>, page: Page| {
        store::plans::list(&pool, PlansOf::InUse, search, page).await.expect("a list")
    };
    let mut seen = Vec::new();
    let mut at = Page::first(3);
    loop {
        let lines = page(None, at).await;
        seen.extend(lines.iter().map(|line| line.id));
        // What is touched meanwhile neither repeats nor hides anything that comes after.
        store::plans::touch(&pool, all[6], wall(500)).await.expect("touched");
        let Some(last) = lines.last() else { break };
        at = Page::after((last.changed_at, last.id), 3);
    }
    assert_eq!(seen.len(), 8);
    assert_eq!((seen[0], seen[7]), (all[6], all[0]));
    assert_eq!(page(Some("%_DARK\\"), Page::first(9)).await[0].id, odd);
    assert!(page(Some("%a%"), Page::first(9)).await.is_empty());

    // Any edit is activity; what is archived or deleted is found where it went.
    change(&pool, all[0], 1, "Bark 0", None).await;
    store::plans::touch(&pool, all[6], wall(500)).await.expect("touched");
    assert_eq!(page(None, Page::first(2)).await[1].id, all[0]);
    store::plans::set_archived(&pool, all[1], Some(wall(70))).await.expect("there");
    store::plans::set_deleted(&pool, all[2], Some(wall(70))).await.expect("there");
    assert_eq!(page(None, Page::first(9)).await.len(), 6);
    for (of, id) in [(PlansOf::Archived, all[1]), (PlansOf::Deleted, all[2])] {
        let lines = store::plans::list(&pool, of, None, Page::first(9)).await.expect("a list");
        assert_eq!(lines.iter().map(|line| line.id).collect::<Vec<_>>(), [id]);
    }
    store::plans::set_deleted(&pool, all[2], None).await.expect("there");
    assert_eq!(page(None, Page::first(9)).await.len(), 7);
}

#[tokio::test]
async fn a_batch_comes_back_as_it_was_begun_and_is_begun_once() {
    let pool = empty().await;
    let plan_id = plan(&pool, "Bark", 0).await;
    let first = batch(Some(plan_id));
    assert_eq!(begin(&pool, &first).await.expect("new"), Sent::New);
    assert_eq!(begin(&pool, &first).await.expect("kept already"), Sent::Again);
    let mut other = first.clone();
    other.name = "Another".into();
    assert!(matches!(begin(&pool, &other).await, Err(StoreError::OtherContent("batch"))));
    assert_eq!(store::batches::get(&pool, first.id).await.expect("there"), first);
    let begun = store::batches::begun_with(&pool, first.id).await.expect("there");
    assert_eq!(begun.stated.expect("readable"), text("").inputs);
    assert_eq!(begun.computed.expect("kept").expect("readable").plan["as"], "it was");
    let under = store::batches::of_plan(&pool, plan_id).await.expect("a list");
    assert_eq!(under.len(), 1);
}

#[tokio::test]
async fn where_a_batch_stands_is_kept_and_found_by() {
    let pool = empty().await;
    let (first, second) = (batch(None), batch(None));
    for one in [&first, &second] {
        begin(&pool, one).await.expect("kept");
    }
    let listed = async |of: BatchesOf| {
        let lines = store::batches::list(&pool, of, None, &Narrowed::default(), Page::first(9))
            .await
            .expect("a list");
        lines.into_iter().map(|line| line.id).collect::<Vec<_>>()
    };
    assert_eq!(listed(BatchesOf::UnderWay).await.len(), 2);
    let stand = async |id, stage| {
        let ended = Some(wall(90));
        store::batches::set_standing(&pool, id, (stage, false), ended, wall(90)).await
    };
    stand(first.id, Stage::Made).await.expect("there");
    assert_eq!(listed(BatchesOf::UnderWay).await, [second.id]);
    assert_eq!(listed(BatchesOf::Over).await, [first.id]);
    store::batches::set_deleted(&pool, first.id, Some(wall(99))).await.expect("there");
    assert!(listed(BatchesOf::Over).await.is_empty());
    assert_eq!(listed(BatchesOf::Deleted).await, [first.id]);
}

#[tokio::test]
async fn readings_and_every_kind_of_action_come_back_as_they_were_once() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let seed = action(4, ActionKind::SeedAdded { mass: grams(80.5) });
    let readings = vec![reading(0, 20.0), reading(5, 44.25)];
    let kinds = [
        ActionKind::Heat { lasting: Some(seconds(30.0)) },
        ActionKind::Heat { lasting: None },
        ActionKind::OffHeat,
        ActionKind::Stirred,
        ActionKind::CrystalsAdded { mass: grams(4.0) },
        ActionKind::OnStone { mass: grams(250.0) },
        ActionKind::OffStone,
        ActionKind::TooThick,
        ActionKind::TestStarted,
        ActionKind::TestSeen { seen: Seen::EvenSatin, dull_for: None },
        ActionKind::Poured,
        ActionKind::GivenUp { reason: "scorched: “tan”".to_owned() },
        ActionKind::AmountCorrected { action: seed.id, mass: grams(78.0) },
        ActionKind::ReadingWithdrawn { reading: readings[1].id },
        ActionKind::Undone { action: Uuid::now_v7() },
    ];
    let mut actions = vec![seed];
    actions.extend(kinds.into_iter().zip(5..).map(|(kind, s)| action(s, kind)));
    for _ in 0..2 {
        append(&pool, bowl.id, &readings, &actions).await.expect("kept");
    }
    let kept = Record::new(
        store::readings::of_bowl(&pool, bowl.id).await.expect("there"),
        store::actions::of_bowl(&pool, bowl.id).await.expect("there"),
    );
    assert_eq!(kept, Record::new(readings, actions.clone()));
    // By the same id something else is somebody else's mistake.
    let mut other = actions[0].clone();
    other.kind = ActionKind::SeedAdded { mass: grams(81.0) };
    let clash = append(&pool, bowl.id, &[], &[other]).await;
    assert!(matches!(clash, Err(StoreError::OtherContent("action"))), "{clash:?}");
}

#[tokio::test]
async fn what_cannot_be_kept_whole_is_not_kept_in_part() {
    let pool = empty().await;
    let lost = append(&pool, Uuid::now_v7(), &[reading(0, 40.0)], &[]).await;
    assert!(matches!(lost, Err(StoreError::NotFound("bowl"))), "{lost:?}");

    // The second reading is another by the first one's id, so neither is kept.
    let (_, bowl) = open_bowl(&pool).await;
    let first = reading(0, 40.0);
    let mut second = reading(5, 41.0);
    second.id = first.id;
    let refused = append(&pool, bowl.id, &[first, second], &[]).await;
    assert!(matches!(refused, Err(StoreError::OtherContent("reading"))), "{refused:?}");
    assert!(store::readings::of_bowl(&pool, bowl.id).await.expect("there").is_empty());
    // A bowl of no batch, and one that is there already with something else in it.
    let stray = bowl_of(&batch(None));
    assert!(matches!(open(&pool, &stray).await, Err(StoreError::NotFound("batch"))));
    let mut other = bowl.clone();
    other.inputs = Ok(craft::plan::BowlInputs::alone(craft::chocolate::Family::Milk, 99.0));
    assert!(matches!(open(&pool, &other).await, Err(StoreError::OtherContent("bowl"))));
    assert_eq!(open(&pool, &bowl).await.expect("kept already"), Sent::Again);
}

#[tokio::test]
async fn an_open_bowl_is_at_the_bench_whatever_came_after_it() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let at_bench = async || {
        let bowls = store::bowls::at_bench(&pool, wall(0)).await.expect("a list");
        bowls.iter().map(|bowl| bowl.id).collect::<Vec<_>>()
    };
    assert_eq!(at_bench().await, [bowl.id]);
    for _ in 0..60 {
        begin(&pool, &batch(None)).await.expect("kept");
    }
    assert_eq!(at_bench().await, [bowl.id]);
    let given_up =
        BowlStatus::GivenUp { at: at(5), wall: wall(5), reason: "seized ✶".to_owned() };
    store::bowls::set_status(&pool, bowl.id, &given_up).await.expect("there");
    assert!(at_bench().await.is_empty());
    assert_eq!(store::bowls::line(&pool, bowl.id).await.expect("there").status, given_up);
}

#[tokio::test]
async fn one_thermometer_measures_a_bowl_until_it_falls_silent() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let hear = async |probe: &str, place: Place, s: i64| {
        whole(&pool, async |tx: &mut Connection| {
            let (now, silent) = (wall(s), wall(s - 30));
            store::bowls::hear_probe(tx, bowl.id, (probe, place), (now, silent)).await
        })
        .await
        .expect("there")
    };
    let (middle, edge) = (Place::Middle, Place::Edge);
    assert_eq!(hear("left", middle, 0).await, None);
    assert_eq!(hear("right", middle, 10).await.as_deref(), Some("left"));
    // One at the edge is in nobody's way, and is one alone too.
    assert_eq!(hear("right", edge, 10).await, None);
    assert_eq!(hear("third", edge, 15).await.as_deref(), Some("right"));
    assert_eq!(hear("left", middle, 20).await, None);
    assert_eq!(hear("right", middle, 60).await, None);
    let nowhere = whole(&pool, async |tx: &mut Connection| {
        store::bowls::hear_probe(tx, Uuid::now_v7(), ("left", middle), (wall(0), wall(-30))).await
    });
    assert!(matches!(nowhere.await, Err(StoreError::NotFound("bowl"))));
}

#[tokio::test]
async fn a_log_is_watched_for_each_place_of_a_bowl_until_it_is_let_go_of() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let middle = WatchedRow {
        bowl_id: bowl.id,
        place: Place::Middle,
        name: "probe ✶.csv".to_owned(),
        unit: Some(Scale::F),
        time_column: None,
        temp_column: Some("CH1".to_owned()),
        after_line: 12,
        slow_by_ms: None,
    };
    let edge = WatchedRow { place: Place::Edge, name: "edge.csv".to_owned(), ..middle.clone() };
    for row in [&middle, &edge] {
        store::watched_logs::put(&pool, row).await.expect("kept");
    }
    assert_eq!(store::watched_logs::all(&pool).await.expect("read"), [middle.clone(), edge]);
    let other = WatchedRow { name: "other.csv".to_owned(), unit: None, ..middle };
    store::watched_logs::put(&pool, &other).await.expect("in its place");
    assert!(store::watched_logs::is_watched(&pool, &other).await.expect("read"));
    let before = WatchedRow { name: "probe ✶.csv".to_owned(), ..other.clone() };
    assert!(!store::watched_logs::is_watched(&pool, &before).await.expect("read"));
    let aligned = WatchedRow { after_line: 0, slow_by_ms: Some(-3_600_000), ..other };
    store::watched_logs::aligned(&pool, &aligned).await.expect("kept");
    store::watched_logs::remove(&pool, bowl.id, Place::Edge).await.expect("let go of");
    assert_eq!(
        store::watched_logs::all(&pool).await.expect("read"),
        std::slice::from_ref(&aligned)
    );
    let nowhere = WatchedRow { bowl_id: Uuid::now_v7(), ..aligned };
    let refused = store::watched_logs::put(&pool, &nowhere).await;
    assert!(matches!(refused, Err(StoreError::NotFound("bowl"))), "{refused:?}");
}

#[tokio::test]
async fn a_lease_has_one_holder_until_it_ends() {
    let pool = empty().await;
    let (one, two) = (Uuid::now_v7(), Uuid::now_v7());
    let hold = async |holder, s: i64| {
        whole(&pool, async |tx: &mut Connection| {
            store::leases::hold(tx, "copies", holder, (wall(s), wall(s + 10))).await
        })
        .await
        .expect("answered")
    };
    assert!(hold(one, 0).await);
    assert!(!hold(two, 5).await);
    assert!(hold(one, 8).await);
    assert!(!hold(two, 15).await);
    assert!(hold(two, 19).await);
}

#[tokio::test]
async fn steps_and_results_are_kept_once_each_and_the_clock_is_set() {
    let pool = empty().await;
    let (batch, _) = open_bowl(&pool).await;
    let event = |s, kind| Event { id: Uuid::now_v7(), at: at(s), kind };
    let done =
        |s, step: &str, just_now| event(s, EventKind::Done { step: step.to_owned(), just_now });
    let touch = done(400, "slab/touch-dry", true);
    let all = [
        done(10, "@milk/temper", false),
        touch.clone(),
        event(410, EventKind::Undone { event: touch.id }),
        event(420, EventKind::StartedOver),
    ];
    let note = async |event: &Event| {
        whole(&pool, async |tx: &mut Connection| store::steps::append(tx, batch.id, event).await)
            .await
            .expect("kept")
    };
    for event in &all {
        assert_eq!(note(event).await, Sent::New);
        assert_eq!(note(event).await, Sent::Again);
    }
    assert_eq!(store::steps::of_batch(&pool, batch.id).await.expect("a list"), all);

    let looks = Looks {
        gloss: Gloss::Glossy,
        snap: Snap::Clean,
        released: Released::Freely,
        streaks: Streaks::None,
    };
    let document = Look { seen: vec![Symptom::Bubbles], note: "!".into(), ..Look::at_all(looks) };
    let id = Uuid::now_v7();
    let look = async |document: &Look| {
        whole(&pool, async |tx: &mut Connection| {
            store::results::append(tx, batch.id, id, (wall(9), wall(8)), document).await
        })
        .await
    };
    assert_eq!(look(&document).await.expect("new"), Sent::New);
    assert_eq!(look(&document).await.expect("kept already"), Sent::Again);
    let other = Look { note: "?".into(), ..document.clone() };
    assert!(matches!(look(&other).await, Err(StoreError::OtherContent("result"))));
    let kept = store::results::of_batch(&pool, batch.id).await.expect("a list");
    assert_eq!(kept[0].result, Ok(document));
    assert_eq!((kept[0].noted_at, kept[0].looked_at), (wall(9), wall(8)));

    let clock =
        ClockRow { real: wall(10), kitchen: at(10) + TimeDelta::milliseconds(5), rate: 20.0 };
    for _ in 0..2 {
        // The same again changes no row, and is no fault.
        store::batches::set_clock(&pool, batch.id, clock, false).await.expect("there");
    }
    let kept = store::batches::get(&pool, batch.id).await.expect("there");
    assert_eq!((kept.clock, kept.real_time), (clock, false));
}

#[tokio::test]
async fn times_after_2038_are_kept_and_found() {
    let pool = empty().await;
    let far = wall(60 * 60 * 24 * 365 * 40);
    let id = plan(&pool, "Far", 60 * 60 * 24 * 365 * 40).await;
    assert_eq!(store::plans::get(&pool, id).await.expect("there").changed_at, far);
    let lines = store::plans::list(&pool, PlansOf::InUse, None, Page::first(9)).await;
    assert_eq!(lines.expect("a list")[0].id, id);
}

#[tokio::test]
async fn two_that_wait_for_each_other_both_come_through() {
    let pool = empty().await;
    let (a, b) = (plan(&pool, "A", 0).await, plan(&pool, "B", 1).await);
    let both_hold_one = tokio::sync::Barrier::new(2);
    let tries = std::sync::atomic::AtomicU32::new(0);
    let touch_both = async |first: Uuid, second: Uuid, s: i64| {
        let mut anew = false;
        store::whole(
            &pool,
            async |tx: &mut Connection| {
                tries.fetch_add(1, std::sync::atomic::Ordering::Relaxed);
                store::plans::touch(&mut *tx, first, wall(s)).await?;
                // The first time each waits until the other holds what it wants next.
                if !std::mem::replace(&mut anew, true) {
                    both_hold_one.wait().await;
                }
                store::plans::touch(&mut *tx, second, wall(s)).await
            },
            StoreError::is_in_the_way,
        )
        .await
    };
    let (one, other) = tokio::join!(touch_both(a, b, 100), touch_both(b, a, 200));
    one.expect("came through");
    other.expect("came through");
    let tries = tries.into_inner();
    assert!(tries > 2, "they did not stand in each other's way: {tries}");
}

#[tokio::test]
async fn what_is_touched_closed_or_deleted_after_2038_is_so() {
    let pool = empty().await;
    let late = 1_000_000_000;
    let plan = plan(&pool, "A", 0).await;
    store::plans::touch(&pool, plan, wall(late)).await.expect("touched");
    let all =
        store::plans::list(&pool, PlansOf::InUse, None, Page::first(9)).await.expect("a list");
    assert_eq!(all[0].changed_at, wall(late));
    let row = batch(None);
    let id = row.id;
    begin(&pool, &row).await.expect("begun");
    store::batches::set_closed(&pool, id, Some(wall(late))).await.expect("closed");
    store::batches::set_deleted(&pool, id, Some(wall(late + 1))).await.expect("deleted");
    let kept = store::batches::get(&pool, id).await.expect("there");
    assert_eq!((kept.closed_at, kept.deleted_at), (Some(wall(late)), Some(wall(late + 1))));
}
