//! Which task comes first, and what a correction does.

use chrono::{DateTime, Utc};
use uuid::Uuid;

use super::*;
use crate::chocolate::Family;
use crate::plan::{BatchInputs, BatchPlan, BowlInputs, batch};
use crate::work::{ComponentInputs, kinds};

fn at(s: i64) -> DateTime<Utc> {
    DateTime::from_timestamp(1_790_000_000 + s, 0).expect("in range")
}

fn planned(names: &[&str]) -> BatchPlan {
    let mut bowls: Vec<_> = [Family::Dark, Family::White].map(BowlInputs::usual).into();
    let colours = kinds().into_iter().filter(|kind| names.contains(&kind.name));
    bowls.extend(colours.flat_map(|kind| kind.colours));
    let components = names.iter().enumerate().map(|(i, name)| {
        let kind = kinds().into_iter().find(|kind| kind.name == *name).expect("such a kind");
        ComponentInputs { key: format!("it-{i}"), name: (*name).to_owned(), work: kind.start }
    });
    let inputs = BatchInputs {
        fridge_c: Some(5.0),
        bowls,
        components: components.collect(),
        ..BatchInputs::usual(Family::Dark)
    };
    batch(&inputs).expect("a plan")
}

fn done(component: &str, task: &str, s: i64) -> Event {
    event(component, task, s, false)
}

fn event(component: &str, task: &str, s: i64, just_now: bool) -> Event {
    let (component, task) = (component.to_owned(), task.to_owned());
    Event { id: Uuid::now_v7(), at: at(s), kind: EventKind::Done { component, task, just_now } }
}

fn now_at(plan: &BatchPlan, events: &[Event], s: i64) -> Instruction {
    guide(plan, events, at(s), |_| true).now.expect("something to do")
}

#[test]
fn what_needs_no_chocolate_is_done_before_any_is_poured() {
    let plan = planned(&["Slab of bark", "Wrap round a cake"]);
    assert_eq!(now_at(&plan, &[], 0).task, "line");
    let lined = [done("it-0", "line", 10)];
    let next = now_at(&plan, &lined, 20);
    assert_eq!((next.component.as_str(), next.task.as_str()), ("it-1", "line"));
}

#[test]
fn a_window_that_closes_goes_before_one_that_does_not() {
    let plan = planned(&["Marbled bark", "Slab of bark"]);
    let poured = [done("it-0", "line", 0), done("it-1", "line", 5), done("it-0", "pour", 10)];
    let next = now_at(&plan, &poured, 12);
    // The blobs must run together: the other slab waits.
    assert_eq!((next.component.as_str(), next.task.as_str()), ("it-0", "blobs-1"));
    assert_eq!(next.state, State::Do);
    assert!(next.closes.is_some_and(|closes| closes.closes && closes.at > at(12)));
    let late = now_at(&plan, &poured, 3_000);
    assert_eq!(late.state, State::Missed);
    assert!(late.detail.starts_with("It drags now"), "{}", late.detail);
}

#[test]
fn while_one_sets_the_next_is_poured_and_all_countdowns_run() {
    let plan = planned(&["Slab of bark", "Scored shards"]);
    let mut events = vec![done("it-0", "line", 0), done("it-1", "line", 1)];
    for (i, task) in ["pour", "spread", "tap"].iter().enumerate() {
        events.push(done("it-0", task, 10 + i as i64 * 10));
    }
    let next = now_at(&plan, &events, 40);
    assert_eq!((next.component.as_str(), next.task.as_str()), ("it-1", "pour"));
    for (i, task) in ["pour", "spread", "tap"].iter().enumerate() {
        events.push(done("it-1", task, 60 + i as i64 * 10));
    }
    let whole = guide(&plan, &events, at(100), |_| true);
    assert_eq!(whole.now.as_ref().map(|now| now.state), Some(State::Wait));
    assert!(whole.coming.windows(2).all(|w| w[0].at <= w[1].at), "in the order in which they bind");
    let named: Vec<_> = whole.coming.iter().map(|c| (c.component.as_str(), c.what)).collect();
    for expected in [("it-0", "touch dry"), ("it-1", "touch dry"), ("it-1", "scores clean until")] {
        assert!(named.contains(&expected), "{named:?}");
    }
}

#[test]
fn a_pour_waits_for_its_bowl() {
    let plan = planned(&["Slab of bark"]);
    let lined = [done("it-0", "line", 0)];
    let waits = guide(&plan, &lined, at(5), |_| false).now.expect("something");
    assert_eq!((waits.state, waits.chocolate.as_deref()), (State::WaitForBowl, Some("dark")));
    assert_eq!(
        guide(&plan, &lined, at(5), |key| key == "dark").now.map(|n| n.state),
        Some(State::Do)
    );
}

#[test]
fn dry_now_moves_what_follows_and_dry_already_does_not() {
    let plan = planned(&["Scored shards"]);
    let poured = vec![
        done("it-0", "line", 0),
        done("it-0", "pour", 0),
        done("it-0", "spread", 5),
        done("it-0", "tap", 8),
    ];
    let opens = |events: &[Event], s: i64| {
        let all = guide(&plan, events, at(s), |_| true);
        let opens = all.coming.iter().find(|c| c.what == "soft enough to score");
        (opens.expect("to come").at - at(0)).as_seconds_f64()
    };
    let foretold = opens(&poured, 10);
    let dry_s =
        crate::units::in_seconds(plan.components[0].setting.expect("sets").touch_dry.typical);
    let touched = |just_now| {
        let mut events = poured.clone();
        events.push(event("it-0", "touch-dry", (dry_s * 0.8) as i64, just_now));
        events
    };
    let sooner = opens(&touched(true), (dry_s * 0.8) as i64 + 1);
    assert!((sooner / foretold - 0.8).abs() < 0.01, "{sooner} of {foretold}");
    let as_foretold = opens(&touched(false), (dry_s * 0.8) as i64 + 1);
    assert!((as_foretold - foretold).abs() < 0.01);
    let taught = lesson(&plan, &touched(true), 1.1);
    let pace = taught[0].1.setting_pace.expect("a pace");
    assert!((pace - 0.88).abs() < 0.01, "on top of what the plan counted on: {pace}");
    assert!(lesson(&plan, &touched(false), 1.0).is_empty());
}

#[test]
fn a_word_that_cannot_be_believed_changes_nothing() {
    let plan = planned(&["Slab of bark"]);
    let mut events = vec![done("it-0", "pour", 0)];
    events.push(event("it-0", "touch-dry", 9_000, true));
    assert_eq!(guide(&plan, &events, at(9_001), |_| true).progress[0].pace, None);
    assert!(lesson(&plan, &events, 1.0).is_empty());
}

#[test]
fn what_is_undone_was_not_done_and_twice_is_once() {
    let plan = planned(&["Slab of bark"]);
    let first = done("it-0", "line", 0);
    let again = first.clone();
    let undo = Event { id: Uuid::now_v7(), at: at(9), kind: EventKind::Undone { event: first.id } };
    assert_eq!(now_at(&plan, &[first.clone(), again.clone()], 5).task, "pour");
    assert_eq!(last_standing(&[first.clone(), again.clone()]), Some(first.id));
    assert_eq!(now_at(&plan, &[first.clone(), again, undo.clone()], 10).task, "line");
    assert_eq!(last_standing(&[first, undo]), None);
}

#[test]
fn tasks_that_were_passed_over_are_not_asked_for() {
    let plan = planned(&["Slab of bark"]);
    let next = now_at(&plan, &[done("it-0", "spread", 5)], 10);
    assert_eq!(next.task, "tap");
}

#[test]
fn events_far_off_break_nothing() {
    let plan = planned(&["Slab of bark", "Boiled-sugar sheet"]);
    for when in [DateTime::<Utc>::MIN_UTC, DateTime::<Utc>::MAX_UTC] {
        let kind = EventKind::Done {
            component: "it-0".to_owned(),
            task: "pour".to_owned(),
            just_now: false,
        };
        let events = [Event { id: Uuid::now_v7(), at: when, kind }];
        let _ = guide(&plan, &events, at(0), |_| true);
    }
}
