//! Plans over days: backward from when they must be ready, with what has happened, by whose hands.

use std::collections::HashMap;

use chrono::{DateTime, NaiveTime, TimeDelta, TimeZone, Utc};
use craft::chocolate::Family;
use craft::kinds::kinds;
use craft::plan::{
    BowlInputs, HandsInputs, MadeIn, PinnedInputs, Plan, PlanInputs, TemperingPace, WhenInputs,
};
use craft::schedule::{Around, AtHand, Days, Hours, Mend, What, days, sittings};
use craft::steps::{Line, Thing, lines, taken_up};
use craft::work::ComponentInputs;
use uuid::Uuid;

fn at(day: u32, hour: u32) -> DateTime<Utc> {
    Utc.with_ymd_and_hms(2026, 10, day, hour, 0, 0).single().expect("a time")
}

fn hours() -> Hours {
    let hour = |h| NaiveTime::from_hms_opt(h, 0, 0).expect("an hour");
    Hours::daily(hour(8), hour(22), chrono_tz::UTC)
}

/// Lines of some kinds of work, of which those from a mould are cast so often.
fn planned(names: &[&str], casts: u32) -> Vec<Line> {
    let mut bowls: Vec<_> = [Family::Dark, Family::White].map(BowlInputs::usual).into();
    let of = |name: &str| kinds().into_iter().find(|kind| kind.name == name).expect("such a kind");
    for name in names {
        for colour in of(name).colours {
            if bowls.iter().all(|bowl| bowl.key != colour.key) {
                bowls.push(colour);
            }
        }
    }
    let components = names.iter().enumerate().map(|(i, name)| {
        let mut work = of(name).start;
        if let Some(cast) = work.cast_mut() {
            cast.casts = casts;
        }
        ComponentInputs { key: format!("it-{i}"), name: (*name).to_owned(), work }
    });
    let inputs = PlanInputs {
        fridge_c: Some(5.0),
        bowls,
        components: components.collect(),
        ..PlanInputs::usual(Family::Dark)
    };
    lines(&Plan::of(&inputs).expect("a plan"))
}

fn ready_by(ready_by: DateTime<Utc>) -> WhenInputs {
    WhenInputs { ready_by: Some(ready_by), ..WhenInputs::default() }
}

fn days_of(lines: &[Line], when: &WhenInputs, now: DateTime<Utc>) -> Days {
    let around = Around {
        now,
        hours: &hours(),
        busy: &[],
        done: &HashMap::new(),
        at_hand: &AtHand::default(),
    };
    days(lines, when, &around).expect("days").expect("something to do")
}

fn steps(days: &Days) -> Vec<&str> {
    days.slots.iter().map(|slot| slot.sitting.step.as_str()).collect()
}

#[test]
fn planets_for_saturday_evening_are_begun_as_late_as_may_be() {
    let shells = planned(&["Filled shells"], 1);
    let days = days_of(&shells, &ready_by(at(10, 18)), at(5, 9));
    assert_eq!(steps(&days), ["it-0/polish", "it-0/pour", "it-0/fill", "it-0/cap"]);
    assert!(days.end <= at(10, 18) && days.end > at(10, 16), "{}", days.end);
    assert_eq!((days.late_min, days.latest_start), (0.0, Some(days.begin)));
    assert!(days.begin > at(8, 8), "{}", days.begin);
    assert!(days.slots.windows(2).all(|pair| pair[0].to <= pair[1].from));
    for slot in &days.slots {
        assert!(slot.latest.is_none_or(|latest| slot.from <= latest), "{slot:?}");
        let (from, to) = (slot.from.time(), slot.to.time());
        let hour = |h| NaiveTime::from_hms_opt(h, 0, 0).expect("an hour");
        assert!(from >= hour(8) && to <= hour(22), "{slot:?}");
    }
}

#[test]
fn begun_too_late_it_is_told_by_how_much_and_what_would_mend_it() {
    let shells = planned(&["Filled shells", "Slab of bark"], 2);
    let when = ready_by(at(10, 18));
    let late = days_of(&shells, &when, at(9, 9));
    assert!(late.late_min > 60.0, "{}", late.late_min);
    let latest = late.latest_start.expect("it has to be ready");
    assert!(latest < at(9, 9));
    assert!(late.mends.contains(&Mend::BeginBy(latest)), "{:?}", late.mends);
    assert!(late.mends.contains(&Mend::Without("it-0".into())), "the bark alone is ready");
    assert!(!late.mends.contains(&Mend::Without("it-1".into())), "the shells are not");
    // In time, two moulds are enough where one is not.
    let casts = planned(&["Filled shells"], 3);
    let one = days_of(&casts, &when, at(8, 8));
    assert!(one.late_min > 0.0, "{one:#?}");
    assert!(
        one.mends.contains(&Mend::OneMore(Thing::MouldOf("it-0".into()), "it-0".into())),
        "{:?}",
        one.mends
    );
    assert!(days_of(&casts, &when, at(1, 8)).mends.is_empty());
}

#[test]
fn what_was_done_is_left_out_and_the_rest_counts_from_when_it_was() {
    let shells = planned(&["Filled shells"], 1);
    let all = sittings(&shells);
    let keys: Vec<&str> =
        shells.iter().flat_map(|line| &line.steps).map(|step| step.key.as_str()).collect();
    let poured = keys.iter().position(|key| *key == "it-0/pour").expect("poured");
    // All up to the pour of the shells, on Thursday afternoon.
    let before = keys[..=poured].iter().map(|key| ((*key).to_owned(), at(8, 14)));
    let done: HashMap<String, DateTime<Utc>> = before.collect();
    let now = at(8, 14);
    let around =
        Around { now, hours: &hours(), busy: &[], done: &done, at_hand: &AtHand::default() };
    let when = WhenInputs { begin: Some(at(1, 8)), ..WhenInputs::default() };
    let rest = days(&shells, &when, &around).expect("days").expect("something to do");
    assert_eq!(rest.slots.len(), 3, "the rest of the pour, fill, cap: {:?}", steps(&rest));
    assert_eq!(rest.begin, now, "nothing is begun in the past");
    let fill = rest.slots.iter().find(|slot| slot.sitting.step == "it-0/fill").expect("filled");
    let least = all.iter().find(|s| s.step == "it-0/fill").expect("filled").least;
    assert!((fill.from - now).as_seconds_f64() >= least.value - 1.0, "{}", fill.from);
    // Poured before midnight, it is knocked out then and not in the morning.
    let night = at(8, 23);
    let at_night = done.keys().map(|key| (key.clone(), night)).collect();
    let around_night = Around { now: night, done: &at_night, ..around.clone() };
    let rest = days(&shells, &when, &around_night).expect("days").expect("something to do");
    assert_eq!(rest.begin, night, "what was begun is gone on with");
    let every = keys.iter().map(|key| ((*key).to_owned(), now)).collect();
    let none = days(&shells, &when, &Around { done: &every, ..around }).expect("days");
    assert_eq!(none, None, "all is made");
}

#[test]
fn what_is_made_from_one_bowl_is_made_while_that_is_in_temper() {
    let flat = planned(&["Slab of bark", "Scored shards", "Clusters"], 1);
    let days = days_of(&flat, &ready_by(at(10, 18)), at(5, 9));
    let temperings = days.slots.iter().filter(|slot| slot.sitting.tempers).count();
    assert_eq!(temperings, 1, "one tempering for all: {:?}", steps(&days));
    assert!(days.end - days.begin < TimeDelta::hours(4), "{:?}", days.slots);
    assert_eq!(days.broken, []);
}

#[test]
fn a_sitting_that_is_put_at_a_time_stays_there_and_the_rest_follows() {
    let shells = planned(&["Filled shells"], 1);
    let pinned = PinnedInputs { key: "it-0/fill".into(), at: at(9, 7) };
    let when = WhenInputs { pinned: vec![pinned], ..ready_by(at(10, 18)) };
    let days = days_of(&shells, &when, at(5, 9));
    let fill = days.slots.iter().find(|slot| slot.sitting.step == "it-0/fill").expect("filled");
    assert!(fill.pinned && fill.from == at(9, 7), "{fill:?}");
    assert_eq!(days.broken, [], "before the hours, since the maker says so");
    let never = PinnedInputs { key: "it-0/fill".into(), at: at(4, 7) };
    let when = WhenInputs { pinned: vec![never], ..when };
    let missed = days_of(&shells, &when, at(5, 9));
    assert!(missed.broken.iter().any(|broken| broken.what == What::Pinned), "{:?}", missed.broken);
    assert!(missed.mends.contains(&Mend::Unpinned), "{:?}", missed.mends);
}

#[test]
fn a_helper_does_what_is_safe_and_two_makers_are_sooner() {
    let both = planned(&["Filled shells", "Filled shells"], 1);
    let with = |hands| days_of(&both, &WhenInputs { hands, ..WhenInputs::default() }, at(5, 9));
    let (alone, helped, two) =
        (with(HandsInputs::Alone), with(HandsInputs::WithHelper), with(HandsInputs::Two));
    assert!(two.end <= alone.end, "{} {}", two.end, alone.end);
    assert!(helped.end <= alone.end);
    let at_once =
        |days: &Days| days.slots.windows(2).filter(|pair| pair[1].from < pair[0].to).count();
    assert_eq!(at_once(&alone), 0);
    assert!(at_once(&two) > 0);
    let heated = helped.slots.iter().filter(|slot| slot.sitting.tempers);
    let heated: Vec<_> = heated.collect();
    assert!(heated.windows(2).all(|pair| pair[0].to <= pair[1].from), "the maker's own hands");
}

#[test]
fn what_else_there_is_to_do_is_not_done_at_once() {
    let slab = planned(&["Slab of bark"], 1);
    let busy = [(at(10, 10), at(10, 18))];
    let around = Around {
        now: at(5, 9),
        hours: &hours(),
        busy: &busy,
        done: &HashMap::new(),
        at_hand: &AtHand::default(),
    };
    let days = days(&slab, &ready_by(at(10, 18)), &around).expect("days").expect("some");
    assert!(days.end <= at(10, 10), "{}", days.end);
}

#[test]
fn one_mould_from_the_shelf_is_not_in_two_things_at_once() {
    let of = |name: &str| kinds().into_iter().find(|kind| kind.name == name).expect("such a kind");
    let made = |same: bool| {
        let components = ["Filled shells", "Solid bars and pieces"].into_iter().enumerate();
        let components = components.map(|(i, name)| {
            let mut work = of(name).start;
            let mould = if same { 7 } else { 7 + i as u128 };
            work.cast_mut().expect("it is cast").mould_id = Some(uuid::Uuid::from_u128(mould));
            ComponentInputs { key: format!("it-{i}"), name: name.to_owned(), work }
        });
        let mut bowls: Vec<_> = [Family::Dark].map(BowlInputs::usual).into();
        bowls.extend(of("Filled shells").colours);
        let inputs = PlanInputs {
            bowls,
            components: components.collect(),
            ..PlanInputs::usual(Family::Dark)
        };
        lines(&Plan::of(&inputs).expect("a plan"))
    };
    let overlaps = |lines: &[Line]| {
        let days = days_of(lines, &ready_by(at(20, 18)), at(12, 8));
        assert!(days.broken.is_empty() && days.late_min <= 0.0, "{days:?}");
        let of = |component: &str| {
            let own = days.slots.iter().filter(|slot| slot.sitting.component == component);
            let own: Vec<_> = own.map(|slot| (slot.from, slot.to)).collect();
            (own[0].0, own[own.len() - 1].1)
        };
        let ((a_from, a_to), (b_from, b_to)) = (of("it-0"), of("it-1"));
        a_from < b_to && b_from < a_to
    };
    assert!(overlaps(&made(false)), "of two moulds one is filled while the other sets");
    assert!(!overlaps(&made(true)));
}

#[test]
fn a_maker_s_own_pace_is_that_of_every_tempering() {
    let takes = |pace: Option<TemperingPace>| -> Vec<[f64; 3]> {
        let inputs = PlanInputs { tempering_pace: pace, ..PlanInputs::usual(Family::Dark) };
        let lines = lines(&Plan::of(&inputs).expect("a plan"));
        let steps = lines.iter().flat_map(|line| &line.steps);
        let tempers = steps.filter(|step| step.task() == "temper");
        tempers.map(|step| [step.takes.least_s, step.takes.typical_s, step.takes.most_s]).collect()
    };
    let usual = takes(None);
    let [[least, typical, most]] = usual[..] else { panic!("{usual:?}") };
    assert!(least < typical && typical < most);
    let own = TemperingPace { typical: 1.5, least: 1.2, most: 1.6 };
    let [[own_least, own_typical, own_most]] = takes(Some(own))[..] else { panic!("one") };
    for (own, of) in [(own_least, 1.2), (own_typical, 1.5), (own_most, 1.6)] {
        assert!((own - typical * of).abs() <= 0.5, "{own} {typical} {of}");
    }
    let odd = TemperingPace { typical: 0.0, least: f64::NAN, most: 100.0 };
    let inputs = PlanInputs { tempering_pace: Some(odd), ..PlanInputs::usual(Family::Dark) };
    let faults = Plan::of(&inputs).expect_err("faults");
    let fields: Vec<_> = faults.iter().map(|fault| fault.field.as_str()).collect();
    assert_eq!(fields, ["tempering_pace.typical", "tempering_pace.least", "tempering_pace.most"]);
}

/// Two slabs, one after the other in the list, in one tray from the shelf and melted by one pot.
fn two_slabs() -> (Vec<Line>, [Uuid; 2]) {
    let [tray, pot] = [1, 2].map(Uuid::from_u128);
    let mut inputs = PlanInputs::usual(Family::Dark);
    let mut white = inputs.components[0].clone();
    inputs.bowls.push(BowlInputs::usual(Family::White));
    white.key = "other".into();
    white.work.rename(|_| Some("white".to_owned()));
    inputs.components.push(white);
    let made_in = |component: &str| MadeIn { component: component.into(), tray_id: tray };
    inputs.trays = vec![made_in("slab"), made_in("other")];
    for bowl in &mut inputs.bowls {
        bowl.heat_id = Some(pot);
    }
    (lines(&Plan::of(&inputs).expect("a plan")), [tray, pot])
}

#[test]
fn what_there_is_but_one_of_is_waited_for_and_one_more_of_it_would_mend_it() {
    let (slabs, [tray, pot]) = two_slabs();
    let when = WhenInputs { hands: HandsInputs::Two, ..ready_by(at(5, 11)) };
    let with = |things: &[(Uuid, u32)]| {
        let at_hand = AtHand { things: things.iter().copied().collect(), in_fridge: None };
        let (hours, done) = (hours(), HashMap::new());
        let around =
            Around { now: at(5, 9), hours: &hours, busy: &[], done: &done, at_hand: &at_hand };
        days(&slabs, &when, &around).expect("days").expect("something to do")
    };
    let one_tray = with(&[]);
    assert!(one_tray.slots[0].to <= one_tray.slots[1].from, "{:?}", steps(&one_tray));
    let two_trays = with(&[(tray, 2)]);
    assert!(two_trays.slots[1].from < two_trays.slots[0].to, "both at once");
    let one_pot = with(&[(tray, 2), (pot, 1)]);
    assert!(one_pot.begin < two_trays.begin, "one waits for the pot");
    assert!(one_pot.begin > one_tray.begin, "and for nothing else");
    // Where there is no time to wait, one more is what mends it.
    let late = WhenInputs {
        begin: Some(at(5, 9)),
        ..ready_by(at(5, 9) + (two_trays.end - two_trays.begin))
    };
    let late = WhenInputs { hands: HandsInputs::Two, ..late };
    let at_hand = AtHand::default();
    let (hours, done) = (hours(), HashMap::new());
    let around = Around { now: at(5, 9), hours: &hours, busy: &[], done: &done, at_hand: &at_hand };
    let late = days(&slabs, &late, &around).expect("days").expect("something to do");
    assert!(late.late_min > 0.0);
    assert!(
        late.mends.contains(&Mend::OneMore(Thing::Tray(tray), "slab".into())),
        "{:?}",
        late.mends
    );
}

#[test]
fn a_full_fridge_is_waited_for() {
    let two = planned(&["Slab of bark", "Scored shards"], 1);
    let when =
        WhenInputs { hands: HandsInputs::Two, begin: Some(at(5, 9)), ..WhenInputs::default() };
    let with = |in_fridge| {
        let at_hand = AtHand { in_fridge, ..AtHand::default() };
        let (hours, done) = (hours(), HashMap::new());
        let around =
            Around { now: at(5, 9), hours: &hours, busy: &[], done: &done, at_hand: &at_hand };
        days(&two, &when, &around).expect("days").expect("something to do").end
    };
    assert_eq!(with(None), with(Some(2)), "there is room for both");
    assert!(with(Some(1)) >= with(None));
    let spans: Vec<_> =
        taken_up(&two).into_iter().filter(|one| one.thing == Thing::Fridge).collect();
    assert_eq!(spans.len(), 2, "each has its stay: {spans:?}");
}

#[test]
fn flat_work_is_made_with_the_moulds_where_that_saves_a_tempering() {
    let alone = planned(&["Filled shells"], 1);
    let both = planned(&["Slab of bark", "Filled shells"], 1);
    let dark = |lines: &[Line]| {
        lines.iter().filter(|line| line.bowl().is_some_and(|(key, _)| key == "dark")).count()
    };
    assert_eq!(dark(&both), dark(&alone), "the bark asks for none of its own");
    let lines: Vec<_> = both.iter().filter_map(Line::component).collect();
    assert_eq!(lines, ["it-1", "it-0"], "moulds first: the bark is made of what runs back");
    let days = days_of(&both, &ready_by(at(10, 18)), at(5, 9));
    assert_eq!(days.broken, []);
    let from = |step: &str| {
        let of = days.slots.iter().find(|slot| slot.sitting.step.starts_with(step));
        of.map(|slot| (slot.from, slot.to)).expect("such a sitting")
    };
    let (_, poured) = from("it-1/pour");
    let (bark, _) = from("it-0/");
    assert!(bark >= poured && bark - poured <= TimeDelta::hours(2), "in one go: {bark} {poured}");
    // Two that wait for nothing need no putting off.
    let flat = planned(&["Slab of bark", "Scored shards"], 1);
    assert_eq!(flat.iter().filter_map(Line::component).collect::<Vec<_>>(), ["it-0", "it-1"]);
}

#[test]
fn what_does_not_keep_is_not_made_too_early_and_where_it_must_be_that_is_told() {
    let mut lines = planned(&["Slab of bark"], 1);
    lines.iter_mut().for_each(|line| line.keeps_days = line.component().map(|_| 3.0));
    let wanted = at(20, 18);
    let when = WhenInputs { begin: Some(at(5, 9)), ..ready_by(wanted) };
    let kept = days_of(&lines, &when, at(5, 9));
    assert_eq!((kept.broken.as_slice(), kept.late_min), (&[][..], 0.0));
    let before = wanted - kept.end;
    assert!(before <= TimeDelta::days(3) && before > TimeDelta::days(2), "{before}");
    // Put sooner by the maker, it is said by how much.
    let key = kept.slots[0].sitting.step.clone();
    let pinned = vec![PinnedInputs { key: key.clone(), at: at(12, 9) }];
    let early = days_of(&lines, &WhenInputs { pinned, ..when }, at(5, 9));
    assert_eq!(early.broken.len(), 1, "{:?}", early.broken);
    assert_eq!((early.broken[0].what, &early.broken[0].key), (What::Keeps, &key));
    let by = early.broken[0].by_min / 1_440.0;
    assert!(by > 5.0 && by < 6.0, "{by} days");
    assert!(early.mends.contains(&Mend::Unpinned), "{:?}", early.mends);
    // What keeps for weeks is done as soon as may be.
    lines.iter_mut().for_each(|line| line.keeps_days = line.keeps_days.map(|_| 40.0));
    let soon = days_of(&lines, &WhenInputs { begin: Some(at(5, 9)), ..ready_by(wanted) }, at(5, 9));
    assert_eq!(soon.begin, at(5, 9));
}
