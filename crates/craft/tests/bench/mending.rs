//! What the coach says where it did not go as planned.

use craft::bowl::{ActionKind, Seen};
use craft::chocolate::Family;
use craft::coach::Rule;
use craft::note::Level;
use craft::plan::{BowlInputs, OwnInputs, bowl};
use craft::units::{grams, in_grams};

use crate::evening::Evening;

fn seed(g: f64) -> ActionKind {
    ActionKind::SeedAdded { mass: grams(g) }
}

/// All the planned seed in a bowl, that stands far over its band.
fn seeded_and_still_hot() -> Evening {
    let mut e = Evening::new();
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    for _ in 0..3 {
        e.act(seed(20.0));
        e.pass(75);
    }
    e
}

#[test]
fn where_all_seed_is_in_and_it_would_take_long_more_is_weighed() {
    let mut e = seeded_and_still_hot();
    // Slowly falling, a tenth of a degree a minute: it is no plateau.
    for step in 0..30 {
        e.pass(5);
        e.read_at_once(38.0 - 0.025 * f64::from(step));
    }
    e.act(ActionKind::Stirred);
    let advice = e.advice();
    assert_eq!(advice.rule, Rule::MoreSeed, "{}: {}", advice.say, advice.why);
    let more = in_grams(advice.seed.expect("so much"));
    assert!((5.0..200.0).contains(&more), "{more} g");
    assert!(advice.say.text().starts_with(&format!("Add {more:.0} g")), "{}", advice.say);
    e.act(seed(more));
    assert_ne!(e.advice().rule, Rule::MoreSeed, "it is stirred in first");
}

#[test]
fn too_thick_just_under_where_temper_is_lost_a_spoonful_is_stirred_in() {
    // By the numbers on the bag it loses its temper just above its band.
    let own = OwnInputs { lost_c: Some(32.3), ..OwnInputs::default() };
    let usual = BowlInputs::alone(Family::Dark, 325.0);
    let mut e = Evening::of(&BowlInputs { own, ..usual });
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    for _ in 0..3 {
        e.act(seed(27.0));
        e.pass(80);
    }
    e.read(31.9);
    e.act(ActionKind::TestStarted);
    e.pass(150);
    e.act(ActionKind::TestSeen { seen: Seen::EvenSatin, dull_for: None });
    e.read(31.9);
    e.act(ActionKind::TooThick);
    let advice = e.advice();
    assert_eq!((advice.rule, advice.level), (Rule::OverSeeded, Level::Caution));
    assert!(advice.heat.is_none(), "warmth would lose it: {}", advice.why);
    assert!(advice.say.text().contains("spoonful of melted chocolate"), "{}", advice.say);
}

#[test]
fn too_thick_that_was_said_long_ago_is_past() {
    let mut e = Evening::in_temper();
    e.act(ActionKind::TooThick);
    assert_eq!(e.advice().rule, Rule::OverSeeded);
    e.pass(15 * 60);
    e.read(31.6);
    assert_ne!(e.advice().rule, Rule::OverSeeded);
}

#[test]
fn a_thermometer_that_stands_still_while_the_bowl_must_change_is_looked_at() {
    let mut e = Evening::new();
    e.read(45.0);
    e.act(ActionKind::OffHeat);
    for _ in 0..3 {
        e.act(seed(25.0));
        for _ in 0..40 {
            e.sends(45.0);
        }
    }
    let advice = e.advice();
    assert_eq!((advice.rule, advice.level), (Rule::ProbeTrouble, Level::Caution));
    assert!(advice.say.text().contains("it has stopped"), "{}", advice.say);
}

#[test]
fn a_failed_test_is_mended_each_method_in_its_way() {
    let failed = |method: &str, before: &[ActionKind], c: f64| {
        let mut e = Evening::by(method, Family::Dark);
        e.read(46.0);
        e.act(ActionKind::OffHeat);
        for action in before {
            e.act(action.clone());
            e.pass(130);
        }
        e.act(ActionKind::Stirred);
        e.read(31.5);
        e.act(ActionKind::TestStarted);
        e.pass(300);
        e.act(ActionKind::TestSeen { seen: Seen::Streaks, dull_for: None });
        e.read_at_once(c);
        let advice = e.advice();
        assert_eq!((advice.rule, advice.level), (Rule::NotInTemper, Level::Stop), "{method}");
        advice
    };
    let stone = [ActionKind::OnStone { mass: grams(200.0) }, ActionKind::OffStone];
    let again = failed("slab", &stone, 31.5);
    assert!(
        again.pour_out.is_some() && again.say.text().ends_with("then test again"),
        "{}",
        again.say
    );

    let crystals = [ActionKind::CrystalsAdded { mass: grams(3.0) }];
    let warm = failed("ready_crystals", &crystals, 37.5);
    assert!(warm.crystals.is_none(), "they would melt away: {}", warm.say);
    assert!(warm.say.text().contains("for fresh crystals"), "{}", warm.say);
    let cool = failed("ready_crystals", &crystals, 31.5);
    assert!(cool.crystals.is_some() && cool.say.text().contains("test again"), "{}", cool.say);
}

#[test]
fn what_is_shock_set_is_used_warm_and_never_tested() {
    let mut e = Evening::by("shock_set", Family::Dark);
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    e.act(ActionKind::Stirred);
    e.read(49.0);
    e.read(52.0);
    assert_eq!(e.advice().rule, Rule::StirDown, "it is too hot to spread");
    e.read(47.0);
    e.act(ActionKind::Stirred);
    assert_eq!(e.advice().rule, Rule::UseNow, "{}", e.advice().why);
    e.pass(3_000);
    e.read(31.0);
    assert_eq!(e.advice().rule, Rule::Rewarm, "too thick to spread: {}", e.advice().say);
}

#[test]
fn a_stone_that_would_take_nearly_all_of_it_is_warned_of() {
    let usual = BowlInputs::alone(Family::Dark, 900.0);
    let slab = BowlInputs {
        method: craft::method::Method::find("slab"),
        target_c: Some(30.0),
        melt_to_c: Some(50.0),
        ..usual
    };
    let codes = |inputs: &BowlInputs| -> Vec<String> {
        let plan = bowl(inputs).expect("a plan");
        plan.amounts.notes.iter().map(|note| note.code.to_string()).collect()
    };
    assert!(codes(&slab).iter().any(|code| code == "much-poured-out"), "{:?}", codes(&slab));
}

#[test]
fn a_failed_bowl_that_is_too_cold_is_warmed_before_anything_goes_in() {
    for (family, cold) in
        [(Family::White, 22.6), (Family::Dark, 25.0), (Family::Milk, 24.0), (Family::Dark, 30.2)]
    {
        for method in craft::method::Method::all() {
            if !method.suits(family) || !method.is_tested() {
                continue;
            }
            let mut e = Evening::by(method.about().key, family);
            e.read(46.0);
            e.act(ActionKind::OffHeat);
            e.act(ActionKind::SeedAdded { mass: grams(60.0) });
            e.pass(200);
            e.act(ActionKind::Stirred);
            e.read(29.5);
            e.act(ActionKind::TestStarted);
            e.pass(420);
            e.act(ActionKind::TestSeen { seen: Seen::Streaks, dull_for: None });
            e.read_at_once(cold);
            let advice = e.advice();
            let told = format!("{family} by {}: {} {}", method.about().key, advice.say, advice.why);
            assert_eq!((advice.rule, advice.level), (Rule::NotInTemper, Level::Stop), "{told}");
            assert!(advice.heat.is_some() && advice.seed.is_none(), "{told}");
            assert!(advice.crystals.is_none() && advice.pour_out.is_none(), "{told}");
            assert!(advice.why.text().contains("or melt it again"), "{told}");
            assert!(matches!(advice.asks, Some(ActionKind::Heat { .. })), "{told}");
        }
    }
}

#[test]
fn seed_is_said_to_melt_in_only_where_it_melts() {
    let mut e = Evening::new();
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    e.read(40.0);
    e.act(ActionKind::SeedAdded { mass: grams(40.0) });
    e.read_at_once(36.0);
    assert_eq!(e.advice().rule, Rule::StirIn);
    e.pass(200);
    e.act(ActionKind::Stirred);
    e.read(31.2);
    e.act(ActionKind::SeedAdded { mass: grams(10.0) });
    e.read_at_once(31.2);
    let advice = e.advice();
    assert_eq!(advice.rule, Rule::Spread, "{}: {}", advice.say, advice.why);
}
