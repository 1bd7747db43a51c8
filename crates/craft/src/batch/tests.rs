//! Which step comes first, what a correction does, and where a batch stands.

use chrono::{DateTime, Utc};
use uuid::Uuid;

use super::*;
use crate::chocolate::Family;
use crate::kinds::kinds;
use crate::plan::{BowlInputs, Plan, PlanInputs};
use crate::steps::{Line, StepKind, lines};
use crate::work::ComponentInputs;

fn at(s: i64) -> DateTime<Utc> {
    DateTime::from_timestamp(1_790_000_000 + s, 0).expect("in range")
}

fn planned(names: &[&str]) -> Vec<Line> {
    let mut bowls: Vec<_> = [Family::Dark, Family::White].map(BowlInputs::usual).into();
    let colours = kinds().into_iter().filter(|kind| names.contains(&kind.name));
    bowls.extend(colours.flat_map(|kind| kind.colours));
    let components = names.iter().enumerate().map(|(i, name)| {
        let kind = kinds().into_iter().find(|kind| kind.name == *name).expect("such a kind");
        ComponentInputs { key: format!("it-{i}"), name: (*name).to_owned(), work: kind.start }
    });
    let inputs = PlanInputs {
        fridge_c: Some(5.0),
        bowls,
        components: components.collect(),
        ..PlanInputs::usual(Family::Dark)
    };
    lines(&Plan::of(&inputs).expect("a plan"))
}

fn done(line: &str, task: &str, s: i64) -> Event {
    event(line, task, s, false)
}

fn event(line: &str, task: &str, s: i64, just_now: bool) -> Event {
    let step = format!("{line}/{task}");
    Event { id: Uuid::now_v7(), at: at(s), kind: EventKind::Done { step, just_now } }
}

fn bowl(chocolate: &str, opened_s: i64, status: BowlStatus) -> BowlState {
    BowlState {
        chocolate: chocolate.to_owned(),
        opened_at: at(opened_s),
        status,
        not_tempered: None,
    }
}

/// Both chocolates are in temper, as often as they are needed.
fn all_ready() -> Vec<BowlState> {
    let bowls = ["dark", "white"]
        .into_iter()
        .flat_map(|key| [bowl(key, -9, BowlStatus::Ready), bowl(key, -8, BowlStatus::Ready)]);
    bowls.collect()
}

fn now_at(lines: &[Line], events: &[Event], s: i64) -> Instruction {
    guide(lines, events, &all_ready(), at(s)).now.expect("something to do")
}

fn stage_of(lines: &[Line], events: &[Event], bowls: &[BowlState]) -> Stage {
    standing(lines, events, bowls, false).stage
}

#[test]
fn what_needs_no_chocolate_is_done_before_any_is_poured() {
    let plan = planned(&["Slab of bark", "Wrap round a cake"]);
    assert_eq!(now_at(&plan, &[], 0).step, "it-0/line");
    let lined = [done("it-0", "line", 10)];
    assert_eq!(now_at(&plan, &lined, 20).step, "it-1/line");
}

#[test]
fn a_second_pair_of_hands_is_given_another_line_and_never_the_same_step() {
    let plan = planned(&["Slab of bark", "Wrap round a cake"]);
    let told = guide(&plan, &[], &all_ready(), at(0));
    assert_eq!(told.now.expect("something").step, "it-0/line");
    let also: Vec<_> = told.also.iter().map(|other| other.step.as_str()).collect();
    assert_eq!(also, ["it-1/line"]);
    // Two of a kind in the one tray: the second waits for it.
    let mut shared = plan.clone();
    let tray = crate::steps::Gear::Tray { id: Uuid::now_v7() };
    shared.iter_mut().for_each(|line| line.gear.push(tray));
    assert!(guide(&shared, &[], &all_ready(), at(0)).also.is_empty());
}

#[test]
fn whoever_does_what_is_told_or_what_is_told_beside_it_is_never_told_one_step_twice() {
    let plan = planned(&["Slab of bark", "Wrap round a cake", "Clusters"]);
    let mut events: Vec<Event> = Vec::new();
    for s in (0..40_000).step_by(30) {
        let told = guide(&plan, &events, &all_ready(), at(s));
        let Some(now) = told.now else { break };
        let mut keys: Vec<_> = told.also.iter().map(|other| other.step.clone()).collect();
        assert!(told.also.iter().all(|other| !matches!(other.state, State::Wait)), "{keys:?}");
        keys.push(now.step.clone());
        let before = keys.len();
        keys.sort();
        keys.dedup();
        assert_eq!(keys.len(), before, "each once");
        // The second pair of hands does what is told beside, where there is anything.
        let next = told.also.into_iter().next().filter(|_| s % 60 == 0).unwrap_or(now);
        if !matches!(next.state, State::Wait | State::WaitForBowl) {
            let kind = EventKind::Done { step: next.step, just_now: false };
            events.push(Event { id: Uuid::now_v7(), at: at(s), kind });
        }
    }
    assert_eq!(stage_of(&plan, &events, &all_ready()), Stage::Made);
    let by = done_by(&events);
    assert_eq!(by.len(), events.len(), "and all are done by one event each");
}

#[test]
fn a_chocolate_is_weighed_out_and_tempered_before_what_takes_it() {
    let plan = planned(&["Slab of bark"]);
    let now = |events: &[Event], bowls: &[BowlState]| {
        guide(&plan, events, bowls, at(60)).now.map(|now| (now.step, now.state))
    };
    let lined = vec![done("it-0", "line", 10)];
    assert_eq!(now(&lined, &[]), Some(("@dark/weigh".into(), State::Do)));
    let weighed = [lined.clone(), vec![done("@dark", "weigh", 20)]].concat();
    assert_eq!(now(&weighed, &[]), Some(("@dark/temper".into(), State::Do)));
    // Whoever opens the bowl has weighed it out.
    let open = [bowl("dark", 30, BowlStatus::Open)];
    assert_eq!(now(&lined, &open), Some(("it-0/pour".into(), State::WaitForBowl)));
    let ready = [bowl("dark", 30, BowlStatus::Ready)];
    assert_eq!(now(&lined, &ready), Some(("it-0/pour".into(), State::Do)));
    // One that was given up is tempered anew.
    let lost = [bowl("dark", 30, BowlStatus::GivenUp)];
    assert_eq!(now(&lined, &lost), Some(("@dark/weigh".into(), State::Do)));
}

#[test]
fn a_pour_at_the_bench_is_the_pour_of_its_step_and_counts_once() {
    let plan = planned(&["Slab of bark"]);
    let poured = [bowl("dark", 0, BowlStatus::Poured { at: at(900) })];
    let whole = guide(&plan, &[], &poured, at(910));
    assert_eq!(whole.now.as_ref().map(|now| now.step.as_str()), Some("it-0/spread"));
    let dry = |guide: &Guide| {
        guide.coming.iter().find(|c| c.what.text() == "touch dry").map(|c| c.at).expect("to come")
    };
    // Ticked off in the guide first, it counts from there.
    let ticked = guide(&plan, &[done("it-0", "pour", 880)], &poured, at(910));
    assert_eq!((dry(&whole) - dry(&ticked)).num_seconds(), 20);
}

#[test]
fn of_several_things_from_one_bowl_the_bench_pours_the_first_and_the_last_ends_it() {
    let plan = planned(&["Slab of bark", "Scored shards"]);
    let poured = [bowl("dark", 0, BowlStatus::Poured { at: at(900) })];
    let next: Vec<_> = guide(&plan, &[], &poured, at(905))
        .progress
        .into_iter()
        .filter_map(|line| line.next)
        .collect();
    assert_eq!(next, ["it-0/spread", "it-1/line"]);
    let ready = [bowl("dark", 0, BowlStatus::Ready)];
    assert_eq!(ends_bowl(&plan, &[], &ready, "it-0/pour"), None, "the shards are still to come");
    let first = [done("it-0", "pour", 10)];
    assert_eq!(ends_bowl(&plan, &first, &ready, "it-1/pour"), Some(("dark", 1)));
    assert_eq!(ends_bowl(&plan, &first, &poured, "it-1/pour"), None, "it is over already");
    assert_eq!(ends_bowl(&plan, &first, &ready, "it-1/score"), None, "it takes no chocolate");
    assert_eq!(ends_bowl(&plan, &first, &ready, "no/such"), None);
}

/// Of each tempering of some lines: what the bench says it is for, and what of it is done once it
/// was poured there.
fn said_and_done(plan: &[Line]) -> Vec<(Option<String>, Vec<String>)> {
    let temperings = plan.iter().filter_map(Line::bowl);
    let one = |(chocolate, nth): (&str, u32)| {
        let bowls: Vec<_> = (1..=i64::from(nth))
            .map(|n| bowl(chocolate, n, BowlStatus::Poured { at: at(900 * n) }))
            .collect();
        let (opened, poured) = (at(i64::from(nth)), at(900 * i64::from(nth)));
        let said = used_for(plan, &bowls, chocolate, opened).map(|step| step.key.clone());
        let of_it = |key: &str| {
            let steps = plan.iter().filter(|l| l.bowl().is_none()).flat_map(|l| &l.steps);
            steps.into_iter().any(|step| step.key == key)
        };
        let progress = guide(plan, &[], &bowls, poured).progress;
        let steps = progress.into_iter().flat_map(|line| line.steps);
        let done = steps.filter(|step| step.done_at == Some(poured) && of_it(&step.key));
        (said, done.map(|step| step.key).collect())
    };
    temperings.map(one).collect()
}

#[test]
fn what_the_bench_says_it_pours_is_what_is_done_and_nothing_before_or_after() {
    let divided = {
        let kind = kinds().into_iter().find(|kind| kind.name == "Dipped pieces").expect("dips");
        let part = BowlInputs {
            key: "part".into(),
            taken_from: Some("dark".into()),
            ..BowlInputs::usual(Family::Dark)
        };
        let mut work = kind.start;
        if let crate::work::WorkInputs::Dipped(dipped) = &mut work {
            dipped.swirl = Some("part".into());
        }
        let component = ComponentInputs { key: "it".into(), name: "Truffles".into(), work };
        let usual = PlanInputs::usual(Family::Dark);
        let mut bowls = usual.bowls.clone();
        bowls.push(part);
        lines(
            &Plan::of(&PlanInputs { bowls, components: vec![component], ..usual }).expect("a plan"),
        )
    };
    let parted = said_and_done(&divided);
    assert_eq!(parted[0].0.as_deref(), Some("it/part-part"));
    let of_kinds = kinds().into_iter().flat_map(|kind| said_and_done(&planned(&[kind.name])));
    for (said, done) in of_kinds.chain(parted) {
        let said = said.expect("what it is for");
        assert_eq!(done, [said]);
    }
}

#[test]
fn a_batch_is_under_way_until_everything_in_it_is_made() {
    let plan = planned(&["Slab of bark", "Boiled-sugar sheet"]);
    let open = [bowl("dark", 0, BowlStatus::Open)];
    let poured = [bowl("dark", 0, BowlStatus::Poured { at: at(900) })];
    assert_eq!(stage_of(&plan, &[], &open), Stage::UnderWay);
    assert_eq!(stage_of(&plan, &[], &poured), Stage::UnderWay, "the sugar is still to be boiled");
    let boxed = [done("it-1", "box", 5_000)];
    assert_eq!(stage_of(&plan, &boxed, &poured), Stage::Made);
    let left = standing(&plan, &boxed, &poured, false).to_do;
    assert_eq!(left.iter().map(|t| t.step.as_str()).collect::<Vec<_>>(), ["it-0/spread"]);
    assert!(left[0].more > 0);
    assert_eq!(standing(&plan, &[], &poured, true).stage, Stage::Closed);
    assert_eq!(standing(&plan, &boxed, &poured, true).stage, Stage::Made);
}

#[test]
fn it_is_lost_only_while_nothing_of_it_is_made() {
    let plan = planned(&["Slab of bark"]);
    let lost = bowl("dark", 0, BowlStatus::GivenUp);
    assert_eq!(stage_of(&plan, &[], std::slice::from_ref(&lost)), Stage::Lost);
    let lined = [done("it-0", "line", 5)];
    assert_eq!(stage_of(&plan, &lined, std::slice::from_ref(&lost)), Stage::Lost);
    let again = [lost.clone(), bowl("dark", 60, BowlStatus::Open)];
    assert_eq!(stage_of(&plan, &lined, &again), Stage::UnderWay);
    // Another bowl that is given up after the pour takes nothing from what was made.
    let after = [bowl("dark", 0, BowlStatus::Poured { at: at(900) }), lost];
    assert_eq!(stage_of(&plan, &lined, &after), Stage::Made);
}

#[test]
fn what_was_begun_by_mistake_starts_over_and_that_can_be_undone() {
    let plan = planned(&["Slab of bark"]);
    let over = Event { id: Uuid::now_v7(), at: at(50), kind: EventKind::StartedOver };
    let before = [done("it-0", "line", 0), done("it-0", "pour", 10)];
    let events = [before.to_vec(), vec![over.clone()]].concat();
    assert_eq!(now_at(&plan, &events, 60).step, "it-0/line");
    assert_eq!(last_standing(&events), Some(over.id));
    let undo = EventKind::Undone { event: over.id };
    let undone = [events, vec![Event { id: Uuid::now_v7(), at: at(70), kind: undo }]].concat();
    assert_eq!(now_at(&plan, &undone, 80).step, "it-0/spread");
    assert_eq!(last_standing(&undone), Some(before[1].id));
}

#[test]
fn a_window_that_closes_goes_before_one_that_does_not() {
    let plan = planned(&["Marbled bark", "Slab of bark"]);
    let poured = [done("it-0", "line", 0), done("it-1", "line", 5), done("it-0", "pour", 10)];
    let next = now_at(&plan, &poured, 12);
    // The blobs must run together: the other slab waits.
    assert_eq!(next.step, "it-0/blobs-1");
    assert_eq!(next.state, State::Do);
    assert!(next.closes.is_some_and(|closes| closes.closes && closes.at > at(12)));
    let late = now_at(&plan, &poured, 3_000);
    assert_eq!(late.state, State::Missed);
    assert!(late.detail.text().starts_with("It drags now"), "{}", late.detail);
}

#[test]
fn while_one_sets_the_next_is_poured_and_all_countdowns_run() {
    let plan = planned(&["Slab of bark", "Scored shards"]);
    let mut events = vec![done("it-0", "line", 0), done("it-1", "line", 1)];
    for (i, task) in ["pour", "spread", "tap"].iter().enumerate() {
        events.push(done("it-0", task, 10 + i as i64 * 10));
    }
    assert_eq!(now_at(&plan, &events, 40).step, "it-1/pour");
    for (i, task) in ["pour", "spread", "tap"].iter().enumerate() {
        events.push(done("it-1", task, 60 + i as i64 * 10));
    }
    let whole = guide(&plan, &events, &all_ready(), at(100));
    assert_eq!(whole.now.as_ref().map(|now| now.state), Some(State::Wait));
    assert!(whole.coming.windows(2).all(|w| w[0].at <= w[1].at), "in the order in which they bind");
    let named: Vec<_> = whole.coming.iter().map(|c| (c.line.as_str(), c.what.text())).collect();
    for expected in [("it-0", "touch dry"), ("it-1", "touch dry"), ("it-1", "scores clean until")] {
        assert!(named.iter().any(|(line, what)| (*line, what.as_ref()) == expected), "{named:?}");
    }
}

#[test]
fn caps_are_tempered_for_in_time_for_the_crust() {
    let plan = planned(&["Filled shells"]);
    let mut events: Vec<_> = ["polish", "pour", "scrape", "ganache"]
        .iter()
        .enumerate()
        .map(|(i, task)| done("it-0", task, i as i64))
        .collect();
    events.push(done("it-0", "fill", 1_000));
    let once = [bowl("dark", 0, BowlStatus::Poured { at: at(1) })];
    let at_hour =
        |h: i64| guide(&plan, &events, &once, at(1_000 + h * 3_600)).now.expect("something to do");
    let early = at_hour(1);
    assert_eq!((early.step.as_str(), early.state), ("@dark#2/temper", State::Wait));
    let opens = early.opens.expect("a time").at - at(1_000);
    assert!(opens.num_minutes() > 150 && opens.num_minutes() < 240, "{opens}");
    assert_eq!(at_hour(5).state, State::Do);
    let again = [once.to_vec(), vec![bowl("dark", 15_000, BowlStatus::Ready)]].concat();
    let caps = guide(&plan, &events, &again, at(1_000 + 5 * 3_600)).now.expect("caps");
    assert_eq!((caps.step.as_str(), caps.state), ("it-0/cap", State::Do));
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
        let all = guide(&plan, events, &all_ready(), at(s));
        let opens = all.coming.iter().find(|c| c.what.text() == "soft enough to score");
        (opens.expect("to come").at - at(0)).as_seconds_f64()
    };
    let foretold = opens(&poured, 10);
    let steps = || plan.iter().flat_map(|line| &line.steps);
    let dry_s = steps().find(|step| step.is_touch).and_then(|s| s.opens()).expect("sets").typical_s;
    let touched = |just_now| {
        let mut events = poured.clone();
        events.push(event("it-0", "touch-dry", (dry_s * 0.8) as i64, just_now));
        events
    };
    let sooner = opens(&touched(true), (dry_s * 0.8) as i64 + 1);
    assert!((sooner / foretold - 0.8).abs() < 0.01, "{sooner} of {foretold}");
    let as_foretold = opens(&touched(false), (dry_s * 0.8) as i64 + 1);
    assert!((as_foretold - foretold).abs() < 0.01);
    let taught = lesson(&plan, &touched(true), &[], 1.1);
    let pace = taught[0].1.setting_pace.expect("a pace");
    assert!((pace - 0.88).abs() < 0.01, "on top of what the plan counted on: {pace}");
    assert!(lesson(&plan, &touched(false), &[], 1.0).is_empty());
}

#[test]
fn a_word_that_cannot_be_believed_changes_nothing() {
    let plan = planned(&["Slab of bark"]);
    let mut events = vec![done("it-0", "pour", 0)];
    events.push(event("it-0", "touch-dry", 9_000, true));
    let progress = guide(&plan, &events, &all_ready(), at(9_001)).progress;
    assert!(progress.iter().all(|line| line.pace.is_none()));
    assert!(lesson(&plan, &events, &[], 1.0).is_empty());
}

#[test]
fn what_is_undone_was_not_done_and_twice_is_once() {
    let plan = planned(&["Slab of bark"]);
    let first = done("it-0", "line", 0);
    let again = first.clone();
    let undo = Event { id: Uuid::now_v7(), at: at(9), kind: EventKind::Undone { event: first.id } };
    assert_eq!(now_at(&plan, &[first.clone(), again.clone()], 5).step, "it-0/pour");
    assert_eq!(last_standing(&[first.clone(), again.clone()]), Some(first.id));
    assert_eq!(now_at(&plan, &[first.clone(), again, undo.clone()], 10).step, "it-0/line");
    assert_eq!(last_standing(&[first, undo]), None);
}

#[test]
fn steps_that_were_passed_over_are_not_asked_for() {
    let plan = planned(&["Slab of bark"]);
    assert_eq!(now_at(&plan, &[done("it-0", "spread", 5)], 10).step, "it-0/tap");
}

#[test]
fn events_far_off_or_of_steps_that_are_not_there_break_nothing() {
    let plan = planned(&["Slab of bark", "Boiled-sugar sheet"]);
    for when in [DateTime::<Utc>::MIN_UTC, DateTime::<Utc>::MAX_UTC] {
        for step in ["it-0/pour", "it-9/pour", "", "/"] {
            let kind = EventKind::Done { step: step.to_owned(), just_now: false };
            let events = [Event { id: Uuid::now_v7(), at: when, kind }];
            let _ = guide(&plan, &events, &[], at(0));
            let _ = standing(&plan, &events, &[], false);
        }
    }
}

#[test]
fn a_bowl_is_used_for_the_first_step_of_its_own_kind_of_work() {
    for kind in kinds() {
        let plan = planned(&[kind.name]);
        let tempered: Vec<(&str, u32)> = plan.iter().filter_map(Line::bowl).collect();
        for (chocolate, nth) in tempered {
            let bowls: Vec<_> =
                (1..=i64::from(nth)).map(|n| bowl(chocolate, n * 600, BowlStatus::Open)).collect();
            let opened = bowls.last().expect("one").opened_at;
            let step = used_for(&plan, &bowls, chocolate, opened);
            let step = step.unwrap_or_else(|| panic!("{}: what {chocolate} is for", kind.name));
            assert!(step.chocolate.as_deref() == Some(chocolate), "{}: {}", kind.name, step.text);
        }
    }
    let shells = planned(&["Filled shells"]);
    let said = |bowls: &[BowlState], s| {
        used_for(&shells, bowls, "dark", at(s)).expect("a use").text.to_string()
    };
    let first = bowl("dark", 0, BowlStatus::Open);
    let second = bowl("dark", 900, BowlStatus::Open);
    assert_eq!(said(std::slice::from_ref(&first), 0), "Fill every cavity with the dark");
    assert_eq!(said(&[first, second.clone()], 900), "Cap them with the dark and scrape");
    // One that was given up does not count.
    let given_up = bowl("dark", 0, BowlStatus::GivenUp);
    assert_eq!(said(&[given_up, second], 900), "Fill every cavity with the dark");
}

/// What comes too late for a maker who does at once what the guide says, and whose bowls take as
/// long as a bowl may.
fn too_late_for(names: &[&str]) -> Vec<String> {
    let plan = planned(names);
    let step_of =
        |key: &str| plan.iter().flat_map(|line| &line.steps).find(|step| step.key == key).unwrap();
    let mut late = Vec::new();
    let (mut now, mut events) = (0, Vec::new());
    let mut bowls: Vec<(BowlState, i64)> = Vec::new();
    for _ in 0..400 {
        for (bowl, ready) in &mut bowls {
            bowl.status = if *ready <= now { BowlStatus::Ready } else { BowlStatus::Open };
        }
        let states: Vec<_> = bowls.iter().map(|(bowl, _)| bowl.clone()).collect();
        let Some(said) = guide(&plan, &events, &states, at(now)).now else { return late };
        let step = step_of(&said.step);
        let work = step.takes.typical_s.ceil() as i64;
        match said.state {
            State::Wait => {
                let opens = said.opens.expect("it opens").at;
                now += (opens - at(now)).num_seconds().max(0) + 1;
            }
            State::WaitForBowl => {
                let ready = bowls.iter().map(|(_, ready)| *ready).filter(|ready| *ready > now);
                now =
                    ready.min().unwrap_or_else(|| panic!("{names:?}: waits for no bowl: {said:?}"));
            }
            State::Do | State::Closing | State::Missed if step.kind == StepKind::Tempering => {
                let chocolate = said.chocolate.as_deref().expect("a chocolate");
                bowls.push((
                    bowl(chocolate, now, BowlStatus::Open),
                    now + step.takes.most_s.ceil() as i64,
                ));
                now += 1;
            }
            State::Do | State::Closing | State::Missed => {
                if said.state == State::Missed {
                    late.push(said.text.to_string());
                }
                now += work;
                let kind = EventKind::Done { step: said.step, just_now: false };
                events.push(Event { id: Uuid::now_v7(), at: at(now), kind });
            }
        }
    }
    panic!("{names:?} are never all made: {events:?}")
}

#[test]
fn who_does_at_once_what_the_guide_says_is_never_too_late() {
    let late: Vec<_> = kinds()
        .into_iter()
        .map(|kind| (kind.name, too_late_for(&[kind.name])))
        .filter(|(_, late)| !late.is_empty())
        .collect();
    assert!(late.is_empty(), "{late:#?}");
    for flat in ["Slab of bark", "Marbled bark", "Clusters"] {
        assert_eq!(too_late_for(&[flat, "Filled shells"]), Vec::<String>::new(), "{flat}");
    }
}

#[test]
fn what_is_made_with_the_moulds_waits_for_their_chocolate_and_asks_for_none_of_its_own() {
    let plan = planned(&["Slab of bark", "Filled shells"]);
    let steps = |line: &str| {
        let of = plan.iter().find(|other| other.key == line).expect("a line");
        of.steps.iter().map(|step| step.task().to_owned()).collect::<Vec<_>>()
    };
    let until = |line: &str, last: &str, s: i64| {
        let tasks = steps(line);
        let place = tasks.iter().position(|task| task == last).expect("such a task");
        tasks[..=place].iter().map(|task| done(line, task, s)).collect::<Vec<_>>()
    };
    let coloured = [
        bowl("blue", 0, BowlStatus::Poured { at: at(600) }),
        bowl("white colour", 0, BowlStatus::Poured { at: at(1_200) }),
    ];
    let before_pour = steps("it-0").iter().position(|task| task == "pour").expect("a pour") - 1;
    let mut events = until("it-0", &steps("it-0")[before_pour], 100);
    events.extend(until("it-1", "polish", 200));
    // The colour is still to be put on: nobody tempers the dark yet.
    let said = guide(&plan, &events, &[], at(300)).now.expect("something to do");
    assert_ne!(said.chocolate.as_deref(), Some("dark"), "{said:?}");
    // It rests: the dark waits until the moulds do.
    events.extend(until("it-1", "wipe", 1_300));
    let said = guide(&plan, &events, &coloured, at(1_400)).now.expect("something to come");
    assert_eq!((said.state, said.chocolate.as_deref()), (State::Wait, Some("dark")), "{said:?}");
    let rested = at(1_300 + 6 * 3_600);
    let said = guide(&plan, &events, &coloured, rested).now.expect("something to do");
    assert_eq!((said.state, said.kind), (State::Do, StepKind::Preparing), "weighed out: {said:?}");
}

#[test]
fn what_goes_into_one_piece_in_one_go_is_in_temper_before_the_first_of_it_is_poured() {
    let plan = planned(&["Marbled bark"]);
    let open = [bowl("dark", 0, BowlStatus::Open), bowl("white", 60, BowlStatus::Open)];
    let used = |place: usize| {
        let BowlState { chocolate, opened_at, .. } = &open[place];
        use_of(&plan, &open, chocolate, *opened_at).expect("a use")
    };
    assert_eq!((used(0).with, used(0).after), (vec!["white".to_owned()], None));
    assert_eq!(used(1).after.map(|first| first.to_string()), Some(used(0).step.to_string()));
    // The dark is in temper: before it is poured, the white is weighed out.
    let made: Vec<_> = plan
        .iter()
        .filter(|line| line.component().is_some())
        .flat_map(|line| &line.steps)
        .collect();
    let before = made.iter().take_while(|step| step.tempered.is_none());
    let events: Vec<_> = before.map(|step| done("it-0", step.task(), 1)).collect();
    let dark = [bowl("dark", 0, BowlStatus::Ready)];
    let said = guide(&plan, &events, &dark, at(90)).now.expect("something to do");
    assert_eq!((said.chocolate.as_deref(), said.state), (Some("white"), State::Do));
    // A bowl by itself is not held.
    let alone = planned(&["Slab of bark"]);
    let used = use_of(&alone, &open[..1], "dark", at(0)).expect("a use");
    assert!(!used.is_held(), "{used:?}");
}

#[test]
fn a_tick_at_the_very_moment_of_the_pour_takes_no_other_tick_back() {
    let lines = planned(&["Slab of bark", "Clusters"]);
    let takes: Vec<&str> = lines
        .iter()
        .flat_map(|line| &line.steps)
        .filter(|step| step.tempered.as_deref() == Some("@dark/temper"))
        .map(|step| step.key.as_str())
        .collect();
    assert!(takes.len() > 1, "{takes:?}");
    let poured = [bowl("dark", -3_600, BowlStatus::Poured { at: at(0) })];
    let done = |events: &[Event]| {
        let guide = guide(&lines, events, &poured, at(0));
        let steps = guide.progress.into_iter().flat_map(|line| line.steps);
        steps.filter(|step| step.done_at.is_some()).map(|step| step.key).collect::<Vec<_>>()
    };
    let before = done(&[]);
    let other = takes.iter().find(|key| !before.iter().any(|done| done == *key)).expect("another");
    let kind = EventKind::Done { step: (*other).to_owned(), just_now: false };
    let after = done(&[Event { id: Uuid::from_u128(1), at: at(0), kind }]);
    assert!(before.iter().all(|key| after.contains(key)), "{before:?} {after:?}");
    assert!(after.len() > before.len());
}
