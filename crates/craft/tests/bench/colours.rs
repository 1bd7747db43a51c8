//! Colour at the bench: made here, or softened from a bottle.

use chrono::{DateTime, TimeDelta};
use craft::bowl::{ActionKind, Phase, Temper, fold, shake_due};
use craft::coach::{Advice, Rule};
use craft::colour::usual_pigments;
use craft::method::Method;
use craft::plan::{BowlInputs, RecipeInputs, bowl};
use craft::pot;
use craft::units::{grams, in_celsius, in_grams};

use crate::evening::Evening;

/// Blue in cocoa butter, ten parts to a hundred.
fn blue(total_g: f64, method: &str, strained: bool) -> BowlInputs {
    let pigment = usual_pigments().into_iter().next().expect("there are some");
    let made = BowlInputs::coloured("blue", pigment, 10.0);
    let recipe = made.colour.clone().map(|recipe| RecipeInputs { strained, ..recipe });
    BowlInputs {
        total_g: Some(total_g),
        room_c: Some(20.0),
        cooling_min: Some(4.0),
        method: Method::find(method),
        colour: recipe.filter(|_| method != "soften_bottle"),
        ..made
    }
}

#[test]
fn powder_is_worked_in_until_no_grain_shows_and_strained_before_the_seed() {
    let mut e = Evening::of(&blue(220.0, "seed_down", true));
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    let first = e.advice();
    assert_eq!(first.rule, Rule::WorkInColour);
    // 220 g hold 200 of butter: 20 of powder, and enough for a stick blender.
    assert!(
        first.say.text().contains("20.0 g") && first.why.text().contains("stick blender"),
        "{first:?}"
    );
    e.read(37.0);
    e.act(ActionKind::ColourIn);
    let warm = e.advice();
    assert_eq!(warm.rule, Rule::WarmColour, "it has cooled while it was worked");
    assert!(warm.heat.is_some(), "{warm:?}");
    e.read(43.0);
    assert_eq!(e.advice().rule, Rule::Strain);
    e.act(ActionKind::Strained);
    e.act(ActionKind::Stirred);
    assert_eq!(e.advice().rule, Rule::AddSeed);
}

#[test]
fn a_little_powder_is_rubbed_in_and_not_strained_for_a_brush() {
    let mut e = Evening::of(&blue(44.0, "seed_down", false));
    e.read(47.0);
    e.act(ActionKind::OffHeat);
    assert!(e.advice().why.text().contains("spatula"), "{}", e.advice().why);
    e.act(ActionKind::ColourIn);
    assert_eq!(e.advice().rule, Rule::AddSeed);
}

#[test]
fn a_bottle_is_softened_by_hand_and_loses_its_temper_where_it_runs() {
    let mut e = Evening::of(&blue(60.0, "soften_bottle", false));
    e.read(20.0);
    let soften = e.advice();
    assert_eq!(soften.rule, Rule::Soften);
    assert!(soften.heat.is_none(), "no bursts for a bottle");
    e.act(ActionKind::Heat { lasting: None });
    e.pass(300);
    e.read(30.8);
    assert_eq!(e.advice().rule, Rule::Melted, "warm enough: {}", e.advice().say);
    let mut hot = Evening::of(&blue(60.0, "soften_bottle", false));
    hot.read(20.0);
    hot.act(ActionKind::Heat { lasting: None });
    hot.pass(400);
    hot.read(34.5);
    hot.act(ActionKind::OffHeat);
    hot.read(34.0);
    let said = hot.advice();
    assert!(matches!(said.rule, Rule::TemperLost | Rule::LimitPassed), "{said:?}");
}

#[test]
fn who_follows_the_advice_puts_colour_on_in_its_band() {
    for (seed, inputs) in [
        blue(220.0, "seed_down", true),
        blue(120.0, "seed_down", false),
        blue(60.0, "soften_bottle", false),
        // Too little for a microwave: over water.
        blue(12.0, "seed_down", false),
    ]
    .iter()
    .enumerate()
    {
        let run = bowl(inputs)
            .expect("a plain plan")
            .run(DateTime::from_timestamp(1_790_000_000, 0).expect("in range"));
        let told = pot::evening(&run, &pot::Evening::calm(40 + seed as u64));
        let setup = &run.setup;
        let stands = fold(setup, &told.record, told.ended);
        let kinds: Vec<_> = told.record.actions().map(|action| action.kind.clone()).collect();
        assert_eq!(stands.phase, Phase::Done, "{seed}: {kinds:?}");
        assert_eq!(stands.thermometer.over_limit, None, "{seed}");
        assert!(matches!(stands.temper, Temper::Shown { .. }), "{seed}: {kinds:?}");
        let (_, temp) = stands.poured.expect("put on");
        let [lo, hi] = setup.use_band().in_celsius();
        let put_on = in_celsius(temp.expect("it was read"));
        // So little cools in the time that a hand takes.
        let lowest = if setup.total() < grams(20.0) { lo - 0.6 } else { lo - 0.35 };
        assert!((lowest..=hi + 0.3).contains(&put_on), "{seed}: {put_on}");
        assert_eq!(kinds.contains(&ActionKind::ColourIn), inputs.colour.is_some());
        let strains = inputs.colour.as_ref().is_some_and(|recipe| recipe.strained);
        assert_eq!(kinds.contains(&ActionKind::Strained), strains);
    }
}

#[test]
fn what_stands_is_shaken_before_it_is_used() {
    let mut e = Evening::of(&blue(120.0, "seed_down", false));
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    e.act(ActionKind::ColourIn);
    e.act(ActionKind::SeedAdded { mass: grams(24.0) });
    e.act(ActionKind::Stirred);
    assert!(!shake_due(&e.bowl(), e.now()), "just stirred");
    assert!(shake_due(&e.bowl(), e.now() + TimeDelta::minutes(30)), "the powder sinks");
}

#[test]
fn the_seed_and_the_powder_are_weighed_apart() {
    let setup = Evening::of(&blue(220.0, "seed_down", false)).setup;
    let colouring = setup.colouring.expect("it is coloured here");
    assert!((in_grams(colouring.pigment) - 20.0).abs() < 1e-6);
    let all = in_grams(setup.melted) + in_grams(setup.seed);
    assert!(all <= 220.0 + 1e-6, "{all}");
    assert!(in_grams(setup.seed) > 10.0, "cocoa butter is cooled by its own seed");
}

#[test]
fn in_band_it_is_put_on_not_poured() {
    let told = |inputs: &BowlInputs| -> Advice {
        let mut e = Evening::of(inputs);
        e.read(46.0);
        e.act(ActionKind::OffHeat);
        e.act(ActionKind::ColourIn);
        for mass in e.setup.additions() {
            e.act(ActionKind::SeedAdded { mass });
            e.pass(60);
        }
        e.read(29.8);
        e.act(ActionKind::TestStarted);
        e.pass(200);
        e.act(ActionKind::TestSeen { seen: craft::bowl::Seen::EvenSatin, dull_for: None });
        e.act(ActionKind::Stirred);
        e.read(29.5);
        e.advice()
    };
    let advice = told(&blue(120.0, "seed_down", false));
    assert_eq!(advice.rule, Rule::Pour);
    assert!(advice.say.text().to_lowercase().contains("put it on"), "{}", advice.say);
}
