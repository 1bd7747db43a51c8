//! Warmings that are no bursts: a hair dryer, warm water, a heating pad.

use craft::bowl::{ActionKind, Seen};
use craft::chocolate::Family;
use craft::coach::Rule;
use craft::heat::{GentleHeat, IN_WATER, loss_to_still_air, warm_water};
use craft::learn::lesson;
use craft::plan::{BowlInputs, bowl};
use craft::pot::Pot;
use craft::units::{
    in_celsius, in_joules_per_degree, in_seconds, in_watts, in_watts_per_degree, seconds, watts,
};

use crate::evening::Evening;

/// Two hundred grams in temper, too little for the oven's bursts, and cooling.
fn cooling(change: impl Fn(&mut GentleHeat)) -> Evening {
    let mut e = Evening::too_little_for_bursts();
    change(&mut e.setup.gentle);
    e
}

fn in_temper(change: impl Fn(&mut GentleHeat)) -> Evening {
    let mut e = cooling(change);
    e.read(31.8);
    e.act(ActionKind::TestStarted);
    e.pass(150);
    e.act(ActionKind::TestSeen { seen: Seen::EvenSatin, dull_for: None });
    e.act(ActionKind::Stirred);
    e.read(31.6);
    e
}

#[test]
fn without_a_hair_dryer_the_bowl_stands_in_warm_water() {
    let mut e = cooling(|gentle| gentle.dryer = false);
    e.read(30.4);
    let warm = e.advice();
    assert_eq!(warm.rule, Rule::Rewarm, "{}", warm.say);
    let Some(ActionKind::InWarmWater { lasting }) = warm.asks else { panic!("{warm:?}") };
    assert!((3.0..=60.0).contains(&in_seconds(lasting)), "{}", warm.say);
    assert!(warm.say.text().contains("in water at 40 °C"), "{}", warm.say);
    assert!(warm.say.text().contains("no drop inside"), "{}", warm.say);
    // Water that was learned to warm it slowly is stood in longer.
    let mut slow = cooling(|gentle| (gentle.dryer, gentle.water_ratio) = (false, 0.5));
    slow.read(30.4);
    let Some(ActionKind::InWarmWater { lasting: longer }) = slow.advice().asks else { panic!() };
    assert!(longer > lasting);
}

#[test]
fn a_dryer_that_is_stronger_is_held_on_it_shorter() {
    let asked = |w| {
        let mut e = cooling(|gentle| gentle.dryer_gives = watts(w));
        e.read(30.6);
        let Some(ActionKind::Dryer { lasting }) = e.advice().asks else { panic!() };
        in_seconds(lasting)
    };
    assert!(asked(80.0) < asked(25.0), "{} and {}", asked(80.0), asked(25.0));
    let plan = |w| {
        let mut inputs = BowlInputs::alone(Family::Dark, 300.0);
        inputs.learned.dryer_w = Some(w);
        bowl(&inputs).expect("a plan").setup(chrono::DateTime::UNIX_EPOCH).gentle
    };
    assert!((in_watts(plan(40.0).dryer_gives) - 40.0).abs() < 1e-9, "what was learned is used");
}

/// Readings before and after a warming that brings so much heat into what is in the bowl.
fn warmed(e: &mut Evening, kind: ActionKind, s: f64, brought_w: f64) {
    let held = in_joules_per_degree(e.setup.total() * Family::Dark.heat_when_melted());
    let from = 30.5;
    for _ in 0..6 {
        e.sends(from);
    }
    e.act(kind);
    #[allow(clippy::cast_possible_truncation)] // seconds
    e.pass(s as i64);
    let loses =
        in_watts_per_degree(loss_to_still_air(e.setup.total())) * (from - in_celsius(e.setup.room));
    for i in 0..16 {
        let cooled_s = s + 5.0 * f64::from(i);
        e.sends(from + (brought_w * s - loses * cooled_s) / held);
    }
}

#[test]
fn what_dryer_and_warm_water_bring_is_learned_from_what_shows() {
    let mut e = cooling(|_| {});
    for _ in 0..2 {
        warmed(&mut e, ActionKind::Dryer { lasting: seconds(10.0) }, 10.0, 42.0);
    }
    let learned = lesson(&e.setup, &e.record(), e.now());
    let dryer = learned.dryer_w.expect("a dryer was used");
    assert!((dryer - 42.0).abs() < 6.0, "{dryer}");
    assert_eq!(learned.warm_water_ratio, None);

    let mut e = cooling(|_| {});
    let usual = in_watts_per_degree(loss_to_still_air(e.setup.total())) * IN_WATER;
    let gives = 1.5 * usual * (in_celsius(warm_water()) - 30.5);
    for _ in 0..2 {
        warmed(&mut e, ActionKind::InWarmWater { lasting: seconds(20.0) }, 20.0, gives);
    }
    let learned = lesson(&e.setup, &e.record(), e.now());
    let ratio = learned.warm_water_ratio.expect("it stood in water");
    assert!((ratio - 1.5).abs() < 0.3, "{ratio}");
    assert_eq!(learned.dryer_w, None);

    // Over simmering water a moment is known by its length too.
    let mut e = cooling(|_| {});
    e.setup.microwave = None;
    warmed(&mut e, ActionKind::Heat { lasting: Some(seconds(5.0)) }, 5.0, 180.0);
    let learned = lesson(&e.setup, &e.record(), e.now());
    let bath = learned.bath_w.expect("a moment over water");
    assert!((bath - 180.0).abs() < 30.0, "{bath}");
}

#[test]
fn a_pad_is_offered_when_it_cools_and_left_before_it_is_too_warm() {
    let mut e = in_temper(|gentle| gentle.pad = true);
    e.fall_from(31.45, 60);
    let advice = e.advice();
    assert_eq!(advice.rule, Rule::LeavingBand, "{}", advice.say);
    assert!(advice.why.text().contains("heating pad"), "{}", advice.why);
    e.act(ActionKind::OnPad);
    e.act(ActionKind::Stirred);
    e.read(31.4);
    assert_ne!(e.advice().rule, Rule::OffPad, "{}", e.advice().say);
    // It rises, and nobody asks whether it is on the heat.
    e.act(ActionKind::Stirred);
    e.read(31.8);
    let off = e.advice();
    assert_eq!((off.rule, off.asks.clone()), (Rule::OffPad, Some(ActionKind::OffPad)));
    e.act(ActionKind::OffPad);
    assert_ne!(e.advice().rule, Rule::OffPad);
    assert!(e.bowl().heating.on_pad.is_none());
    // On its way down it has no business there.
    let mut down = cooling(|gentle| gentle.pad = true);
    down.act(ActionKind::OnPad);
    down.read(33.0);
    assert_eq!(down.advice().rule, Rule::OffPad);
    // Poured, it is off, whatever was forgotten.
    let mut poured = in_temper(|gentle| gentle.pad = true);
    poured.act(ActionKind::OnPad);
    poured.act(ActionKind::Poured);
    assert!(poured.bowl().heating.on_pad.is_none());
}

#[test]
fn the_pot_is_warmed_by_all_of_them_as_the_rules_say() {
    let e = in_temper(|_| {});
    let warmed = |kind: Option<ActionKind>, s: f64| {
        let mut pot = Pot::new(&e.setup);
        for _ in 0..30 {
            if in_celsius(pot.temperature()) >= 45.0 {
                break;
            }
            pot.act(&ActionKind::Heat { lasting: Some(seconds(5.0)) });
            pot.wait(10.0);
            pot.act(&ActionKind::Stirred);
            pot.wait(20.0);
        }
        while in_celsius(pot.temperature()) > 33.0 {
            pot.wait(5.0);
        }
        if let Some(kind) = kind {
            pot.act(&kind);
        }
        pot.wait(s);
        in_celsius(pot.temperature())
    };
    let alone = warmed(None, 20.0);
    assert!(warmed(Some(ActionKind::InWarmWater { lasting: seconds(20.0) }), 20.0) > alone + 0.3);
    assert!(warmed(Some(ActionKind::Dryer { lasting: seconds(15.0) }), 20.0) > alone + 0.3);
    let (alone, on_pad) = (warmed(None, 600.0), warmed(Some(ActionKind::OnPad), 600.0));
    assert!(on_pad > alone + 1.0, "{on_pad} and {alone}");
}
