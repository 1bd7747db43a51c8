//! Several bowls and one pair of hands.

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::ActionKind;
use craft::bowl::coach::{Advice, Rule};
use craft::bowl::hands::{Call, Need, queue};
use craft::units::seconds;

use crate::evening::Evening;

fn real() -> DateTime<Utc> {
    DateTime::from_timestamp(1_800_000_000, 0).expect("in range")
}

fn call(e: &Evening, advice: &'static Advice, rate: f64) -> Call<'static> {
    Call { advice, now: e.now(), rate }
}

fn kept(advice: Advice) -> &'static Advice {
    Box::leak(Box::new(advice))
}

#[test]
fn what_spoils_sooner_comes_first_and_the_rest_say_after_what() {
    let mut hot = Evening::new();
    hot.read(55.4);
    let mut cooling = Evening::new();
    cooling.read(46.0);
    cooling.act(ActionKind::OffHeat);
    let mut tempered = Evening::in_temper();
    tempered.fall_from(31.5, 60);
    let calls = [&cooling, &tempered, &hot].map(|e| call(e, kept(e.advice()), 1.0));
    assert_eq!(calls.map(|c| c.advice.rule)[2], Rule::LimitPassed);
    let turns = queue(&calls, real());
    assert_eq!(turns.iter().map(|t| t.bowl).collect::<Vec<_>>(), [2, 1, 0]);
    assert!(turns.iter().all(|t| t.need == Need::Now));
    assert_eq!(turns.iter().map(|t| t.after).collect::<Vec<_>>(), [None, Some(2), Some(1)]);
}

#[test]
fn a_bowl_that_only_waits_calls_when_its_time_is_up_in_real_time() {
    let mut heating = Evening::new();
    heating.read(25.0);
    heating.act(ActionKind::Heat { lasting: Some(seconds(200.0)) });
    let advice = kept(heating.advice());
    assert_eq!(advice.rule, Rule::Heating);
    let mut busy = Evening::new();
    busy.read(46.0);
    busy.act(ActionKind::OffHeat);
    let busy_advice = kept(busy.advice());
    let turns = queue(&[call(&heating, advice, 1.0), call(&busy, busy_advice, 1.0)], real());
    assert_eq!(turns[0].bowl, 1);
    assert_eq!((turns[1].need, turns[1].after), (Need::At(real() + TimeDelta::seconds(200)), None));
    // At ten times the pace it is back in twenty seconds: the same minute.
    let turns = queue(&[call(&heating, advice, 10.0), call(&busy, busy_advice, 1.0)], real());
    assert_eq!(turns[1].need, Need::At(real() + TimeDelta::seconds(20)));
    assert_eq!(turns[1].after, Some(1));
}

#[test]
fn a_bowl_that_is_held_needs_nobody() {
    let mut e = Evening::new();
    e.read(46.0);
    let turns = queue(&[call(&e, kept(e.advice()), 0.0)], real());
    assert_eq!((turns[0].need, turns[0].after), (Need::Never, None));
}
