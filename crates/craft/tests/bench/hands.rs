//! Several bowls and one pair of hands.

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::ActionKind;
use craft::coach::hands::{Call, Need, queue};
use craft::coach::{Advice, Rule};
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

#[test]
fn every_rule_has_its_place_in_the_queue() {
    let now = real();
    let asking = |rule: Rule| Advice { rule, countdown: None, ..Evening::new().advice() };
    // From what cannot be taken back to what can wait while it is stirred.
    let order = [
        Rule::LimitPassed,
        Rule::Melted,
        Rule::LeavingBand,
        Rule::JudgeSmear,
        Rule::Pour,
        Rule::NotInTemper,
        Rule::AddSeed,
        Rule::Spread,
        Rule::StirDown,
        Rule::ReadThermometer,
    ];
    let calls: Vec<_> = order
        .iter()
        .rev()
        .map(|rule| Call { advice: kept(asking(*rule)), now, rate: 1.0 })
        .collect();
    let turns = queue(&calls, now);
    let in_turn: Vec<_> = turns.iter().map(|turn| calls[turn.bowl].advice.rule).collect();
    assert_eq!(in_turn, order);
    // What only waits, and has no time to wait for, asks for nobody; nor what is over.
    for rule in [Rule::WatchSmear, Rule::Poured, Rule::GivenUp] {
        let turns = queue(&[Call { advice: kept(asking(rule)), now, rate: 1.0 }], now);
        assert_eq!(turns[0].need, Need::Never, "{rule:?}");
    }
}

#[test]
fn a_time_that_is_up_calls_now() {
    let mut heating = Evening::new();
    heating.read(25.0);
    heating.act(ActionKind::Heat { lasting: Some(seconds(60.0)) });
    let advice = kept(heating.advice());
    let later = heating.now() + TimeDelta::seconds(90);
    let turns = queue(&[Call { advice, now: later, rate: 1.0 }], real());
    assert_eq!(turns[0].need, Need::Now);
}
