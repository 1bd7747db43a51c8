//! Schedules against what is looked through by brute force, and what must hold of any.

use std::collections::BTreeMap;

use chrono::{DateTime, NaiveTime, TimeDelta, TimeZone, Utc};
use proptest::prelude::*;
use proptest::sample::Index;

use craft::check::Checker;
use craft::schedule::{After, Asked, Exception, Hold, Hours, Placed, Schedule, Task, Weekly, What};
use craft::steps::Anchor;

#[path = "../benches/open_night.rs"]
mod open_night;

/// A step of the clock in these tests, minutes.
const STEP: i64 = 30;
/// So many of them are looked through by brute force: a day and a half.
const STEPS: i64 = 72;

fn begin() -> DateTime<Utc> {
    Utc.with_ymd_and_hms(2026, 10, 10, 8, 0, 0).single().expect("a time")
}

fn hour(h: u32) -> NaiveTime {
    NaiveTime::from_hms_opt(h, 0, 0).expect("an hour")
}

/// From eight to two in the afternoon, each day.
fn mornings() -> Hours {
    Hours::daily(hour(8), hour(14), chrono_tz::UTC)
}

fn asked(tasks: Vec<Task>) -> Asked {
    Asked {
        tasks,
        holds: Vec::new(),
        at_hand: Vec::new(),
        hands: 1,
        hours: Hours::daily(hour(8), hour(20), chrono_tz::UTC),
        busy: Vec::new(),
        begin: Some(begin()),
        ready_by: None,
        pinned: BTreeMap::new(),
    }
}

fn of(schedule: &Schedule, key: &str) -> Placed {
    schedule.placed.iter().find(|one| one.key == key).expect("placed").clone()
}

fn clock(at: DateTime<Utc>) -> String {
    at.format("%d %H:%M").to_string()
}

/// What is taken up, from when to when, how much of it, and how much there is.
type Taken = (String, DateTime<Utc>, DateTime<Utc>, u32, u32);

fn at_hand(asked: &Asked, what: &str) -> u32 {
    asked.at_hand.iter().find(|(known, _)| known == what).map_or(1, |(_, many)| *many)
}

/// Everything that does not hold of a schedule, but what it names itself.
fn faults(asked: &Asked, schedule: &Schedule) -> Vec<String> {
    let mut faults = Vec::new();
    let at: BTreeMap<&str, &Placed> =
        schedule.placed.iter().map(|one| (one.key.as_str(), one)).collect();
    let named = |key: &str, since: Option<&str>, what: What| {
        schedule
            .broken
            .iter()
            .find(|b| b.key == key && b.since.as_deref() == since && b.what == what)
    };
    let mut spans: Vec<Taken> = Vec::new();
    for task in &asked.tasks {
        let one = at[task.key.as_str()];
        if (one.to - one.from).num_seconds() != (task.minutes * 60.0).round() as i64 {
            faults.push(format!("{} lasts {}", task.key, one.to - one.from));
        }
        if task.hands > 0 {
            spans.push(("hands".into(), one.from, one.to, task.hands, asked.hands));
        }
        for what in &task.uses {
            let many = at_hand(asked, what);
            spans.push((what.clone(), one.from, one.to, 1, many));
        }
        for after in &task.after {
            let of = at[after.key.as_str()];
            let since = if after.from == Anchor::Begin { of.from } else { of.to };
            let waited = (one.from - since).num_seconds() as f64 / 60.0;
            if waited < after.least_min {
                faults.push(format!("{} waits {waited} for {}", task.key, after.key));
            }
            let over = after.most_min.map_or(0.0, |most| waited - most);
            let told = named(&task.key, Some(&after.key), What::MostWait).map_or(0.0, |b| b.by_min);
            if over > told + 1e-9 {
                faults.push(format!("{} waits {waited} for {}, {told} told", task.key, after.key));
            }
        }
        let from = begin() - TimeDelta::days(500);
        let free = asked.hours.free(from, begin() + TimeDelta::days(500));
        let lasts = (one.to - one.from).num_seconds();
        let fits = free.soonest(one.from.timestamp(), lasts) == Some(one.from.timestamp());
        let at_an_end =
            lasts == 0 && free.latest(one.from.timestamp(), 0) == Some(one.from.timestamp());
        let pinned = asked.pinned.contains_key(&task.key);
        if task.hands > 0 && !fits && !at_an_end && !pinned {
            faults.push(format!("{} is not in the hours: {}", task.key, clock(one.from)));
        }
    }
    for hold in &asked.holds {
        let many = at_hand(asked, &hold.what);
        let min = |min: f64| TimeDelta::seconds((min * 60.0).round() as i64);
        let from = at[hold.from.as_str()].from + min(hold.after_begin_min);
        let to = at[hold.to.as_str()].to - min(hold.before_end_min);
        spans.push((hold.what.clone(), from, to, 1, many));
    }
    for (what, from, to, _, many) in spans.iter().filter(|(_, from, to, ..)| from < to) {
        let with = spans.iter().filter(|other| {
            other.0 == *what && other.1 <= *from && *from < other.2 && other.1 < other.2
        });
        let sum: u32 = with.map(|other| other.3).sum();
        if sum > *many {
            faults.push(format!("{what} {sum} times at {} to {}", clock(*from), clock(*to)));
        }
    }
    faults
}

/// Up to so many tasks, in steps of the clock; waits only for those before them.
fn some_tasks(most: usize, with_most: bool) -> impl Strategy<Value = Vec<Task>> {
    let waits = proptest::collection::vec(
        (any::<Index>(), any::<bool>(), 0_i64..6, proptest::option::of(0_i64..5)),
        0..2,
    );
    let one = (0_i64..6, prop_oneof![4 => Just(1_u32), 1 => Just(0_u32)], 0_usize..4, waits);
    proptest::collection::vec(one, 1..=most).prop_map(move |all| {
        let tasks = all.into_iter().enumerate().map(|(i, (long, hands, uses, waits))| {
            let uses = ["", "mould 1", "fridge", ""][uses];
            let waits =
                waits.into_iter().filter(|_| i > 0).map(|(of, begins, least, more)| After {
                    key: format!("t{}", of.index(i)),
                    from: if begins { Anchor::Begin } else { Anchor::End },
                    least_min: (least * STEP) as f64,
                    most_min: more.filter(|_| with_most).map(|more| ((least + more) * STEP) as f64),
                });
            Task {
                hands,
                uses: [uses].into_iter().filter(|u| !u.is_empty()).map(str::to_owned).collect(),
                after: waits.collect(),
                ..Task::new(&format!("t{i}"), (long * STEP) as f64)
            }
        });
        tasks.collect()
    })
}

/// A problem on the grid of the clock, for brute force.
struct Grid<'a> {
    asked: &'a Asked,
    lasts: Vec<i64>,
    best: Option<i64>,
}

impl<'a> Grid<'a> {
    fn of(asked: &'a Asked) -> Self {
        let lasts = asked.tasks.iter().map(|t| t.minutes as i64 / STEP).collect();
        Self { asked, lasts, best: None }
    }

    /// Whether a task can be begun at a step, seen from those that are placed.
    fn can(&self, placed: &[i64], task: usize, at: i64) -> bool {
        let it = &self.asked.tasks[task];
        let end = at + self.lasts[task];
        // Mornings: the first twelve of each forty-eight steps.
        let day = at.div_euclid(48) * 48;
        if it.hands > 0 && !(at - day <= 12 && end <= day + 12) {
            return false;
        }
        let waits = it.after.iter().all(|after| {
            let of: usize = after.key[1..].parse().expect("a place");
            let since = placed[of] + if after.from == Anchor::End { self.lasts[of] } else { 0 };
            let waited = ((at - since) * STEP) as f64;
            waited >= after.least_min && after.most_min.is_none_or(|most| waited <= most)
        });
        waits && {
            let moments = at..end.max(at);
            moments.into_iter().all(|moment| {
                let at_it = placed.iter().enumerate().filter(|(other, from)| {
                    **from <= moment && moment < **from + self.lasts[*other]
                });
                let others: Vec<usize> = at_it.map(|(other, _)| other).collect();
                let hands: u32 = others.iter().map(|o| self.asked.tasks[*o].hands).sum();
                let twice = others
                    .iter()
                    .any(|o| self.asked.tasks[*o].uses.iter().any(|what| it.uses.contains(what)));
                hands + it.hands <= self.asked.hands && !twice
            })
        }
    }

    /// The soonest end, by trying every step for every task.
    fn soonest_end(mut self) -> Option<i64> {
        self.try_all(&mut Vec::new());
        self.best
    }

    fn try_all(&mut self, placed: &mut Vec<i64>) {
        let task = placed.len();
        let end = placed.iter().zip(&self.lasts).map(|(at, lasts)| at + lasts).max().unwrap_or(0);
        if self.best.is_some_and(|best| end >= best) {
            return;
        }
        if task == self.lasts.len() {
            self.best = Some(end);
            return;
        }
        for at in 0..STEPS {
            if self.can(placed, task, at) {
                placed.push(at);
                self.try_all(placed);
                placed.pop();
            }
        }
    }
}

fn end_in_steps(schedule: &Schedule) -> i64 {
    (schedule.end - begin()).num_minutes() / STEP
}

/// The soonest end over every order of the tasks, each put at its soonest: where no wait has a
/// longest, one of these is best.
fn best_order(asked: &Asked) -> i64 {
    fn put(grid: &Grid<'_>, placed: &mut Vec<i64>, left: &mut Vec<usize>, best: &mut i64) {
        if left.is_empty() {
            let ends = placed.iter().zip(&grid.lasts).map(|(at, lasts)| at + lasts);
            *best = ends.max().unwrap_or(0).min(*best);
            return;
        }
        for n in 0..left.len() {
            let task = left[n];
            let waits = &grid.asked.tasks[task].after;
            let ready =
                waits.iter().all(|a| placed[a.key[1..].parse::<usize>().expect("one")] < FAR);
            let found = (0..48 * 40).find(|at| ready && grid.can(placed, task, *at));
            if let Some(at) = found {
                left.swap_remove(n);
                placed[task] = at;
                put(grid, placed, left, best);
                placed[task] = FAR;
                left.push(task);
                let last = left.len() - 1;
                left.swap(n, last);
            }
        }
    }
    const FAR: i64 = 1 << 40;
    let grid = Grid::of(asked);
    let mut best = FAR;
    let mut left: Vec<usize> = (0..asked.tasks.len()).collect();
    put(&grid, &mut vec![FAR; asked.tasks.len()], &mut left, &mut best);
    best
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(60))]

    #[test]
    fn of_few_tasks_none_is_sooner_and_what_can_be_is_found(
        tasks in some_tasks(4, true),
        hands in 1_u32..=2,
    ) {
        let asked = Asked { hands, hours: mornings(), ..asked(tasks) };
        let schedule = asked.schedule().expect("a schedule");
        prop_assert_eq!(faults(&asked, &schedule), Vec::<String>::new());
        match Grid::of(&asked).soonest_end() {
            Some(best) => {
                prop_assert_eq!(&schedule.broken, &[], "it can be done by {}", best);
                prop_assert_eq!(end_in_steps(&schedule), best);
            }
            // What brute force looks through ends after a day and a half.
            None => prop_assert!(!schedule.broken.is_empty() || end_in_steps(&schedule) > STEPS),
        }
    }

    #[test]
    fn of_seven_tasks_no_order_ends_sooner(tasks in some_tasks(7, false)) {
        let asked = Asked { hours: mornings(), ..asked(tasks) };
        let schedule = asked.schedule().expect("a schedule");
        prop_assert_eq!(faults(&asked, &schedule), Vec::<String>::new());
        prop_assert_eq!(end_in_steps(&schedule), best_order(&asked));
    }

    #[test]
    fn backward_all_is_kept_and_a_later_begin_is_too_late(tasks in some_tasks(6, true)) {
        let ready_by = begin() + TimeDelta::days(6) + TimeDelta::hours(3);
        let back = Asked { begin: None, ready_by: Some(ready_by), hours: mornings(), ..asked(tasks) };
        let schedule = back.schedule().expect("a schedule");
        prop_assert_eq!(faults(&back, &schedule), Vec::<String>::new());
        prop_assert!(schedule.end <= ready_by);
        prop_assert_eq!(schedule.late_min, 0.0);
        prop_assert_eq!(schedule.latest_start, Some(schedule.begin));
        if schedule.broken.is_empty() {
            let begun = |at| Asked { begin: Some(at), ..back.clone() }.schedule().expect("one");
            let same = begun(schedule.begin);
            prop_assert!(same.end <= ready_by, "begun at the latest it is ready");
            prop_assert_eq!(same.broken, vec![]);
            let later = begun(schedule.begin + TimeDelta::minutes(1));
            prop_assert!(later.late_min > 0.0 || !later.broken.is_empty(), "{:?}", later);
        }
    }

    #[test]
    fn however_tasks_are_listed_it_is_the_same_schedule(
        (listed, shuffled) in some_tasks(12, true)
            .prop_flat_map(|tasks| (Just(tasks.clone()), Just(tasks).prop_shuffle())),
    ) {
        let one = Asked { hours: mornings(), ..asked(listed) };
        let other = Asked { tasks: shuffled, ..one.clone() };
        let schedule = one.schedule().expect("a schedule");
        prop_assert_eq!(faults(&one, &schedule), Vec::<String>::new());
        prop_assert_eq!(schedule.placed, other.schedule().expect("a schedule").placed);
    }
}

#[test]
fn the_soonest_in_the_hours_with_nights_between() {
    let tasks = vec![
        Task::new("shell", 120.0),
        Task::new("fill", 60.0).after("shell", 480.0, None),
        Task::new("cap", 60.0).after("fill", 240.0, Some(24.0 * 60.0)),
    ];
    let schedule = asked(tasks).schedule().expect("a schedule");
    let at: Vec<_> = schedule.placed.iter().map(|one| clock(one.from)).collect();
    assert_eq!(at, ["10 08:00", "10 18:00", "11 08:00"]);
    assert_eq!(schedule.latest_start, None, "nobody said by when");
    assert_eq!(schedule.broken, []);
}

#[test]
fn a_mould_is_taken_until_it_is_empty_and_two_moulds_are_sooner() {
    let cast = |n: u32| {
        let key = |task: &str| format!("{task} {n}");
        [
            Task::new(&key("pour"), 30.0),
            Task::new(&key("peel"), 15.0).after(&key("pour"), 120.0, None),
        ]
    };
    let tasks: Vec<_> = (1..=2).flat_map(cast).collect();
    let hold = |n: u32| Hold::whole("mould".into(), format!("pour {n}"), format!("peel {n}"));
    let one = Asked { holds: vec![hold(1), hold(2)], ..asked(tasks) };
    let by_one = one.schedule().expect("a schedule");
    assert_eq!(faults(&one, &by_one), Vec::<String>::new());
    assert_eq!(clock(by_one.end), "10 13:30");
    let two = Asked { at_hand: vec![("mould".to_owned(), 2)], ..one };
    let by_two = two.schedule().expect("a schedule");
    assert_eq!(faults(&two, &by_two), Vec::<String>::new());
    assert_eq!(clock(by_two.end), "10 11:15");
}

#[test]
fn of_two_at_work_only_what_both_need_is_waited_for() {
    // Each is an hour at it, and melts in its last twenty minutes over the one pot.
    let over = |key: &str| Hold {
        after_begin_min: 40.0,
        ..Hold::whole("pot".into(), key.into(), key.into())
    };
    let tasks = vec![Task::new("dark", 60.0), Task::new("milk", 60.0)];
    let two = Asked { hands: 2, holds: vec![over("dark"), over("milk")], ..asked(tasks) };
    let forward = two.schedule().expect("a schedule");
    assert_eq!(faults(&two, &forward), Vec::<String>::new());
    let apart = of(&forward, "milk").from - of(&forward, "dark").from;
    assert_eq!(apart.abs(), TimeDelta::minutes(20), "the pot alone is waited for");
    let by = Asked { begin: None, ready_by: Some(begin() + TimeDelta::days(1)), ..two.clone() };
    let backward = by.schedule().expect("a schedule");
    assert_eq!(faults(&by, &backward), Vec::<String>::new());
    let apart = of(&backward, "milk").from - of(&backward, "dark").from;
    assert_eq!(apart.abs(), TimeDelta::minutes(20), "whichever way time runs");
    // A stone is frozen before it is used: nobody has it meanwhile.
    let frozen = Hold { after_begin_min: -90.0, ..over("milk") };
    let cold = Asked { holds: vec![over("dark"), frozen], ..two };
    let schedule = cold.schedule().expect("a schedule");
    assert_eq!(faults(&cold, &schedule), Vec::<String>::new());
    let [dark, milk] = ["dark", "milk"].map(|key| of(&schedule, key));
    assert!(
        milk.from - dark.to >= TimeDelta::minutes(90)
            || dark.from >= milk.to - TimeDelta::minutes(40)
    );
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 96, ..ProptestConfig::default() })]

    #[test]
    fn what_is_taken_up_from_one_task_to_another_is_never_taken_up_twice(
        tasks in some_tasks(6, false),
        spans in proptest::collection::vec((0_usize..6, 0_usize..6, -30_i32..30, -30_i32..30), 2..4),
        backward in any::<bool>(),
    ) {
        let mut asked = asked(tasks);
        asked.hands = 2;
        let last = asked.tasks.len() - 1;
        for (from, to, after, before) in spans {
            // A task waits only for those before it in the list.
            let (from, to) = (from.min(to).min(last), from.max(to).min(last));
            let key = |i: usize| asked.tasks[i].key.clone();
            let hold = Hold {
                after_begin_min: f64::from(after),
                before_end_min: f64::from(before),
                ..Hold::whole("pot".into(), key(from), key(to))
            };
            // Twice in one task it cannot be helped; the days join what is.
            let meets = |other: &Hold| {
                [&other.from, &other.to].iter().any(|k| [&hold.from, &hold.to].contains(k))
            };
            if !asked.holds.iter().any(meets) {
                asked.holds.push(hold);
            }
        }
        if backward {
            asked.ready_by = asked.begin.take().map(|begin| begin + TimeDelta::days(3));
        }
        let schedule = asked.schedule().expect("a schedule");
        if schedule.broken.is_empty() {
            prop_assert_eq!(faults(&asked, &schedule), Vec::<String>::new());
        }
    }
}

#[test]
fn a_wait_that_cannot_hold_is_stretched_by_as_little_as_may_be_and_named() {
    // The slab sets while the hands are at what may not wait either.
    let tasks = vec![
        Task::new("pour", 10.0),
        Task::new("score", 10.0).after("pour", 10.0, Some(20.0)),
        Task::new("stir", 60.0).after("pour", 0.0, Some(5.0)),
    ];
    let schedule = asked(tasks).schedule().expect("a schedule");
    assert_eq!(schedule.broken.len(), 1, "{:?}", schedule.broken);
    let broken = &schedule.broken[0];
    assert_eq!(broken.what, What::MostWait);
    assert_eq!(broken.since.as_deref(), Some("pour"));
    // Either the scoring waits behind the stirring, or the stirring behind the scoring.
    let expected = if broken.key == "score" { 40.0 } else { 15.0 };
    assert!((broken.by_min - expected).abs() <= 1.0, "{broken:?}");
}

#[test]
fn what_is_longer_than_any_hours_begins_with_them_and_is_named() {
    let long = Asked { hours: mornings(), ..asked(vec![Task::new("all of it", 500.0)]) };
    let schedule = long.schedule().expect("a schedule");
    assert_eq!(clock(schedule.begin), "10 08:00");
    let [broken] = schedule.broken.as_slice() else { panic!("{schedule:?}") };
    assert_eq!((broken.what, broken.by_min), (What::Hours, 140.0));
}

#[test]
fn what_is_put_at_a_time_stays_there_and_the_rest_follows_or_it_is_said_by_how_much() {
    let tasks =
        vec![Task::new("pour", 30.0), Task::new("peel", 15.0).after("pour", 60.0, Some(240.0))];
    let at = |h: u32| begin() + TimeDelta::hours(i64::from(h) - 8);
    let pinned =
        |key: &str, h| Asked { pinned: [(key.to_owned(), at(h))].into(), ..asked(tasks.clone()) };
    let later = pinned("peel", 15).schedule().expect("a schedule");
    assert_eq!(clock(of(&later, "peel").from), "10 15:00");
    assert_eq!(clock(of(&later, "pour").from), "10 10:30", "it follows: four hours at the most");
    assert_eq!(later.broken, []);
    let night = pinned("pour", 23).schedule().expect("a schedule");
    assert_eq!(clock(of(&night, "pour").from), "10 23:00", "the maker says so");
    assert_eq!(night.broken[0].what, What::MostWait, "{:?}", night.broken);
    let too_soon = pinned("peel", 9).schedule().expect("a schedule");
    let pin = too_soon.broken.iter().find(|b| b.what == What::Pinned).expect("named");
    assert_eq!((pin.key.as_str(), pin.by_min), ("peel", 30.0), "{too_soon:?}");
}

#[test]
fn begun_too_late_it_is_as_little_late_as_may_be_and_the_latest_begin_is_told() {
    let tasks = vec![Task::new("pour", 60.0), Task::new("peel", 30.0).after("pour", 120.0, None)];
    let late = Asked { ready_by: Some(begin() + TimeDelta::hours(3)), ..asked(tasks) };
    let schedule = late.schedule().expect("a schedule");
    assert_eq!(schedule.late_min, 30.0);
    // Three hours and a half before eleven, it was before the hours of that day.
    assert_eq!(schedule.latest_start.map(clock).as_deref(), Some("09 19:00"));
}

#[test]
fn what_others_have_taken_up_is_not_free() {
    let busy = vec![(begin(), begin() + TimeDelta::hours(2))];
    let schedule = Asked { busy, ..asked(vec![Task::new("pour", 30.0)]) }.schedule();
    assert_eq!(clock(schedule.expect("a schedule").begin), "10 10:00");
}

#[test]
fn what_cannot_be_asked_is_refused_by_its_field() {
    let refused = |asked: Asked| -> Vec<String> {
        let faults = asked.schedule().expect_err("faults");
        faults.into_iter().map(|fault| fault.field).collect()
    };
    let pour = || Task::new("pour", 30.0);
    assert_eq!(refused(asked(vec![])), ["tasks"]);
    assert_eq!(refused(asked(vec![pour(), pour()])), ["tasks[1].key"]);
    assert_eq!(refused(asked(vec![Task::new("pour", f64::NAN)])), ["tasks[0].minutes"]);
    assert_eq!(refused(asked(vec![pour().after("peel", 1.0, None)])), ["tasks[0].after[0].key"]);
    let circle =
        vec![pour().after("peel", 1.0, None), Task::new("peel", 1.0).after("pour", 0.0, None)];
    assert_eq!(refused(asked(circle)).len(), 1);
    let odd = vec![pour(), Task::new("peel", 1.0).after("pour", 5.0, Some(4.0))];
    assert_eq!(refused(asked(odd)), ["tasks[1].after[0].most_min"]);
    assert_eq!(refused(asked(vec![Task { hands: 2, ..pour() }])), ["tasks[0].hands"]);
    assert_eq!(refused(Asked { begin: None, ..asked(vec![pour()]) }), ["ready_by"]);
    let busy = vec![(begin() - TimeDelta::days(900), begin() + TimeDelta::days(900))];
    assert_eq!(refused(Asked { busy, ..asked(vec![pour()]) }), ["hours"]);
}

#[test]
fn hours_go_past_midnight_have_exceptions_and_keep_to_the_clock_on_the_wall() {
    let weekly = |weekdays: &[u8], from: &str, to: &str| Weekly {
        weekdays: weekdays.to_vec(),
        from: from.into(),
        to: to.into(),
    };
    let oslo = chrono_tz::Europe::Oslo;
    let read = |weekly: &[Weekly], except: &[Exception]| {
        let mut check = Checker::new();
        let hours = Hours::of("hours", weekly, except, oslo, &mut check);
        check.finish().map(|()| hours)
    };
    let utc = |d, h| Utc.with_ymd_and_hms(2026, 10, d, h, 0, 0).single().expect("a time");
    // Fridays from eight in the evening to two in the night; clocks go back on the 25th.
    let nights = read(&[weekly(&[5, 6], "20:00", "02:00")], &[]).expect("hours");
    let free = nights.free(utc(22, 0), utc(26, 0));
    assert_eq!(free.total(), 12 * 3_600, "the hour that comes twice counts once, as two");
    assert_eq!(free.soonest(utc(23, 0).timestamp(), 60), Some(utc(23, 18).timestamp()));
    assert_eq!(free.longest(), 6 * 3_600);
    let not_then = Exception { date: utc(23, 0).date_naive(), hours: Vec::new() };
    let once = read(&[weekly(&[5, 6], "20:00", "02:00")], &[not_then]).expect("hours");
    assert_eq!(once.free(utc(22, 0), utc(26, 0)).total(), 6 * 3_600);
    assert_eq!(read(&[weekly(&[1], "00:00", "24:00")], &[]).expect("hours").in_a_week(), 86_400);
    let fields = |weekly: Vec<Weekly>| -> Vec<String> {
        let faults = read(&weekly, &[]).expect_err("faults");
        faults.into_iter().map(|fault| fault.field).collect()
    };
    assert_eq!(fields(vec![]), ["hours"]);
    assert_eq!(
        fields(vec![weekly(&[0, 8], "8", "25:00")]),
        ["hours[0].weekdays[0]", "hours[0].weekdays[1]", "hours[0].from", "hours[0].to"]
    );
}

#[test]
fn six_casts_of_eight_components_are_put_in_order_and_nothing_twice() {
    let night = open_night::asked();
    let schedule = night.schedule().expect("a schedule");
    assert_eq!(schedule.placed.len(), 240);
    assert_eq!(faults(&night, &schedule), Vec::<String>::new());
    assert_eq!(schedule.broken, []);
    // A cast holds its mould over two nights at the least.
    assert!(schedule.end - schedule.begin < TimeDelta::days(20), "{}", schedule.end);
}
