//! What the coach says once it is poured.

use craft::bowl::ActionKind;
use craft::bowl::coach::{Alarm, Rule};
use craft::chocolate::Family;
use craft::note::Level;
use craft::plan::BowlInputs;

use crate::evening::Evening;

/// Poured in its band, as a slab so thick in a room so warm.
fn poured(thickness_mm: Option<f64>, room_c: f64) -> Evening {
    let usual = BowlInputs::alone(Family::Dark, 325.0);
    let mut e = Evening::of(&BowlInputs { thickness_mm, room_c: Some(room_c), ..usual });
    e.read(31.6);
    e.act(ActionKind::Poured);
    e
}

/// Lets time pass until a rule speaks; what it says then.
fn until(e: &mut Evening, rule: Rule) -> craft::bowl::coach::Advice {
    for _ in 0..600 {
        let advice = e.advice();
        if advice.rule == rule {
            return advice;
        }
        e.pass(10);
    }
    panic!("{rule:?} never spoke")
}

#[test]
fn a_slab_is_topped_left_cut_left_and_released_each_in_its_time() {
    let mut e = poured(Some(4.0), 20.0);
    let top = e.advice();
    assert_eq!((top.rule, top.level), (Rule::Top, Level::Info));
    let closes = top.countdown.expect("a time").at;
    // In its last minute it presses.
    while e.advice().level == Level::Info {
        e.pass(5);
        assert!(e.now() < closes, "it presses before it has closed");
    }
    assert_eq!((e.advice().rule, e.advice().alarm), (Rule::Top, Some(Alarm::Timer)));
    let mut before = e.now();
    for rule in [Rule::LeaveToSet, Rule::Cut, Rule::LeaveToShrink, Rule::Release] {
        let advice = until(&mut e, rule);
        assert!(e.now() >= before, "{rule:?} comes in its turn");
        assert_eq!(advice.countdown.is_none(), rule == Rule::Release, "{rule:?}");
        before = e.now();
    }
    assert!(e.advice().why.contains("24 hours"));
}

#[test]
fn in_a_hot_room_it_does_not_set_and_is_sent_to_the_fridge() {
    let e = poured(Some(4.0), 30.0);
    let advice = e.advice();
    assert_eq!((advice.rule, advice.level), (Rule::DoesNotSet, Level::Caution));
    assert!(advice.say.contains("fridge"), "{}", advice.say);
}

#[test]
fn what_is_no_slab_is_built_by_the_guide() {
    let e = poured(None, 20.0);
    assert_eq!(e.advice().rule, Rule::Build);
    assert!(e.advice().countdown.is_none());
}
