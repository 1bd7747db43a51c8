//! The simulated pot behaves like a pot.

use crate::evening::Evening;
use craft::bowl::ActionKind;
use craft::chocolate::Family;
use craft::plan::{BowlInputs, bowl};
use craft::pot::Pot;
use craft::units::{grams, in_celsius, in_grams, seconds};

fn burst(s: f64) -> ActionKind {
    ActionKind::Heat { lasting: Some(seconds(s)) }
}

/// A pot melted to about 46 °C in the planned way.
fn melted() -> (Evening, Pot) {
    let e = Evening::new();
    let mut pot = Pot::new(&e.setup);
    for _ in 0..30 {
        if in_celsius(pot.temperature()) >= 45.0 {
            break;
        }
        pot.act(&burst(10.0));
        pot.wait(12.0);
        pot.act(&ActionKind::Stirred);
        pot.wait(20.0);
    }
    (e, pot)
}

#[test]
fn left_alone_it_stays_at_the_rooms_temperature() {
    let e = Evening::new();
    let mut pot = Pot::new(&e.setup);
    pot.wait(3600.0);
    assert!((in_celsius(pot.temperature()) - 20.0).abs() < 1e-6);
}

#[test]
fn bursts_melt_it_through_and_not_much_further() {
    let (_, pot) = melted();
    let temp = in_celsius(pot.temperature());
    assert!((44.0..50.0).contains(&temp), "{temp} °C");
    assert!(in_grams(pot.unmelted()) < 5.0, "{} g unmelted", in_grams(pot.unmelted()));
}

#[test]
fn the_planned_seed_brings_it_near_the_target() {
    let (e, mut pot) = melted();
    pot.act(&ActionKind::OffHeat);
    for portion in e.setup.additions() {
        pot.act(&ActionKind::SeedAdded { mass: portion });
        pot.wait(75.0);
        pot.act(&ActionKind::Stirred);
        pot.wait(25.0);
    }
    let temp = in_celsius(pot.temperature());
    assert!((30.0..33.5).contains(&temp), "{temp} °C");
}

#[test]
fn more_seed_leaves_it_cooler_and_stirring_cools_faster() {
    let (_, pot) = melted();
    let ends = |seed: f64, stir: bool| {
        let mut pot = pot.clone();
        if seed > 0.0 {
            pot.act(&ActionKind::SeedAdded { mass: grams(seed) });
        }
        for _ in 0..20 {
            if stir {
                pot.act(&ActionKind::Stirred);
            }
            pot.wait(10.0);
        }
        in_celsius(pot.temperature())
    };
    assert!(ends(80.0, true) < ends(40.0, true));
    assert!(ends(40.0, true) < ends(0.0, true));
    assert!(ends(0.0, true) < ends(0.0, false));
}

#[test]
fn it_cools_to_the_room_and_no_further() {
    let (_, mut pot) = melted();
    pot.act(&ActionKind::Poured);
    pot.wait(4.0 * 3600.0);
    let temp = in_celsius(pot.temperature());
    assert!((19.9..21.0).contains(&temp), "{temp} °C");
}

#[test]
fn a_water_bath_warms_until_it_is_taken_off() {
    let e = Evening::new();
    let mut pot = Pot::new(&e.setup);
    pot.act(&ActionKind::Heat { lasting: None });
    pot.wait(300.0);
    let on = in_celsius(pot.temperature());
    pot.act(&ActionKind::OffHeat);
    pot.wait(300.0);
    assert!(on > 28.0 && in_celsius(pot.temperature()) < on + 1.0, "{on} °C on the heat");
}

#[test]
fn over_water_nothing_gets_warmer_than_the_steam_and_little_takes_up_little() {
    let over_water = |g: f64, s: f64| {
        let inputs = BowlInputs { microwave: None, ..BowlInputs::alone(Family::Dark, g) };
        let opened = chrono::DateTime::from_timestamp(1_790_000_000, 0).expect("in range");
        let mut pot = Pot::new(&bowl(&inputs).expect("a plan").setup(opened));
        pot.act(&ActionKind::Heat { lasting: None });
        pot.wait(s);
        in_celsius(pot.temperature())
    };
    for g in [12.0, 325.0] {
        let forgotten = over_water(g, 7_200.0);
        assert!((70.0..=95.5).contains(&forgotten), "{g} g: {forgotten} °C");
    }
    // A spoonful warms faster than a bowlful, and not in the blink of an eye.
    let (little, much) = (over_water(12.0, 60.0), over_water(325.0, 60.0));
    assert!(little > much && little < 60.0, "{little} and {much} °C");
}
