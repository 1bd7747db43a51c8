//! What the coach says on the way to temper, method by method, and what it
//! watches for.

use craft::bowl::{ActionKind, Phase, Seen, Temper, UsedFor};
use craft::chocolate::Family;
use craft::coach::{Alarm, Grounds, Rule};
use craft::note::Level;
use craft::plan::BowlInputs;
use craft::units::{grams, in_grams, in_seconds, seconds};

use crate::evening::Evening;

fn burst(s: f64) -> ActionKind {
    ActionKind::Heat { lasting: Some(seconds(s)) }
}

/// Melted through and off the heat.
fn melted(method: &str, family: Family, c: f64) -> Evening {
    let mut e = Evening::by(method, family);
    e.read(c);
    e.act(ActionKind::OffHeat);
    e
}

#[test]
fn ready_crystals_go_in_at_their_gate_and_are_spread() {
    let mut e = melted("ready_crystals", Family::Dark, 46.0);
    assert_eq!(e.advice().rule, Rule::CoolToGate);
    // Just inside is too early for a large bowl, the middle is not.
    e.act(ActionKind::Stirred);
    e.read(34.8);
    assert_eq!(e.advice().rule, Rule::CoolToGate);
    e.act(ActionKind::Stirred);
    e.read(34.0);
    let add = e.advice();
    assert_eq!(add.rule, Rule::AddCrystals);
    // One per cent of 325 g, as a kitchen's scale shows it.
    let mass = add.crystals.expect("crystals");
    assert!((in_grams(mass) - 3.0).abs() < 1e-9);
    assert!(add.say.text().starts_with("Stir in 3 g"), "{}", add.say);
    e.act(ActionKind::CrystalsAdded { mass });
    assert_eq!(e.advice().rule, Rule::Spread);
    e.pass(125);
    e.act(ActionKind::Stirred);
    e.read(32.6);
    assert_eq!(e.advice().rule, Rule::StirDown);
    e.read(31.6);
    assert_eq!(e.advice().rule, Rule::TestNow);
    // A test that fails asks for fresh crystals.
    e.act(ActionKind::TestStarted);
    e.pass(280);
    e.act(ActionKind::TestSeen { seen: Seen::Streaks, dull_for: None });
    e.read(31.4);
    let again = e.advice();
    assert_eq!((again.rule, again.level), (Rule::NotInTemper, Level::Stop));
    assert!(again.crystals.is_some(), "{}", again.say);
}

#[test]
fn a_part_goes_on_the_stone_is_worked_and_returned() {
    let mut e = melted("slab", Family::Milk, 44.0);
    let pour = e.advice();
    assert_eq!(pour.rule, Rule::PourOnStone);
    let mass = pour.pour_out.expect("a part");
    let share = in_grams(mass) / in_grams(e.setup.total());
    assert!((0.5..=0.85).contains(&share), "{share}");
    e.act(ActionKind::OnStone { mass });
    let work = e.advice();
    let back = work.countdown.expect("a time");
    assert_eq!(work.rule, Rule::WorkOnStone);
    assert!(back.earliest < back.at && Some(back.at) < back.latest);
    e.pass(1_200);
    e.read(40.0);
    let late = e.advice();
    assert_eq!((late.rule, late.alarm), (Rule::WorkOnStone, Some(Alarm::Timer)));
    e.act(ActionKind::OffStone);
    assert_eq!(e.advice().rule, Rule::Spread);
    e.pass(125);
    e.act(ActionKind::Stirred);
    e.read(33.5);
    assert_eq!(e.advice().rule, Rule::PourOnStone, "far over the band it goes out once more");
    e.read(29.6);
    assert_eq!(e.advice().rule, Rule::TestNow);
}

#[test]
fn down_to_the_cool_point_and_up_again() {
    let mut e = melted("seed_down_and_up", Family::Dark, 46.0);
    assert_eq!(e.advice().rule, Rule::AddSeed);
    for _ in 0..3 {
        e.act(ActionKind::SeedAdded { mass: grams(35.0) });
        e.pass(80);
        e.read(31.0);
    }
    assert!(e.advice().rule != Rule::TestNow, "the band on the way down is not the end");
    e.act(ActionKind::Stirred);
    e.read(27.6);
    let back = e.advice();
    assert_eq!(back.rule, Rule::WarmBack);
    assert!(in_seconds(back.heat.expect("a burst")) <= 10.0);
    e.act(burst(8.0));
    e.pass(10);
    e.act(ActionKind::Stirred);
    e.pass(10);
    e.read(31.4);
    assert_eq!(e.advice().rule, Rule::TestNow);
}

#[test]
fn what_never_leaves_temper_is_warmed_little_by_little_and_lost_above_its_limit() {
    let mut e = Evening::by("never_leave", Family::White);
    e.read(21.0);
    let warm = e.advice();
    assert_eq!(warm.rule, Rule::Warm);
    // Far from where it is lost the bursts are as long as any melt's; near it they are not.
    assert_eq!(in_seconds(warm.heat.expect("a burst")), 30.0);
    assert_eq!(e.bursts_left().first(), warm.heat.as_ref(), "one story");
    e.act(burst(30.0));
    e.pass(32);
    e.act(ActionKind::Stirred);
    e.read(29.6);
    let near = in_seconds(e.advice().heat.expect("a burst"));
    assert!((3.0..=10.0).contains(&near), "{near} s");
    e.act(burst(10.0));
    e.pass(12);
    e.act(ActionKind::Stirred);
    e.pass(10);
    e.read(30.3);
    assert_eq!(e.advice().rule, Rule::Melted);
    e.act(ActionKind::OffHeat);
    e.act(ActionKind::Stirred);
    e.read(28.6);
    assert_eq!(e.advice().rule, Rule::TestNow);
    e.read(32.4);
    assert!(matches!(e.bowl().temper, Temper::Gone { .. }));
    assert_eq!(e.advice().rule, Rule::TemperLost);
}

#[test]
fn what_needs_no_temper_is_used_and_never_tested() {
    let mut e = melted("coating", Family::Coating, 45.0);
    assert_eq!(e.bowl().phase, Phase::Cooling);
    e.act(ActionKind::Stirred);
    e.read(41.0);
    assert_eq!(e.bowl().phase, Phase::Working);
    let now = e.advice();
    assert_eq!(now.rule, Rule::UseNow);
    assert!(now.seed.is_none() && now.crystals.is_none());
    e.read(35.0);
    let cold = e.advice();
    assert!(cold.heat.is_some(), "{:?}: {}", cold.rule, cold.say);
}

#[test]
fn the_bursts_that_are_left_follow_what_was_given_and_what_is_read() {
    let mut e = Evening::new();
    assert!(e.bursts_left().is_empty(), "no reading yet");
    e.read(20.0);
    let total = |e: &Evening| -> f64 { e.bursts_left().into_iter().map(in_seconds).sum() };
    let whole = total(&e);
    e.act(burst(30.0));
    e.pass(32);
    e.act(ActionKind::Stirred);
    e.pass(9);
    e.read(26.0);
    // It warmed less than thirty seconds should have warmed it.
    assert!((whole - 30.0..whole).contains(&total(&e)), "{} of {whole}", total(&e));
    // On the plateau the thermometer says next to nothing is missing: the heat
    // that was given knows better.
    e.read(32.5);
    assert!(total(&e) > whole / 2.0, "{} of {whole}", total(&e));
    e.read(42.0);
    assert!(total(&e) < whole / 5.0, "{} of {whole}", total(&e));
    e.read(46.0);
    assert!(e.bursts_left().is_empty(), "melted");
}

#[test]
fn over_water_it_is_lifted_off_before_it_runs_away() {
    let inputs = BowlInputs { microwave: None, ..BowlInputs::alone(Family::White, 325.0) };
    let mut e = Evening::of(&inputs);
    e.read(20.0);
    let over = Some(ActionKind::Heat { lasting: None });
    assert_eq!((e.advice().rule, e.advice().asks), (Rule::Warm, over.clone()));
    // Taken off too soon, it goes back over it.
    let mut cool = Evening::of(&inputs);
    cool.read(30.0);
    cool.act(ActionKind::Heat { lasting: None });
    cool.pass(30);
    cool.act(ActionKind::OffHeat);
    cool.act(ActionKind::Stirred);
    cool.read(34.0);
    assert_eq!((cool.advice().rule, cool.advice().asks), (Rule::NotYetMelted, over));
    e.act(ActionKind::Heat { lasting: None });
    for c in [26.0, 28.5, 31.0, 33.5, 36.0] {
        e.read(c);
    }
    // Fifteen degrees a minute.
    let fast = e.advice();
    assert_eq!((fast.rule, fast.alarm), (Rule::StopBeforeMelt, Some(Alarm::Limit)));
    assert!(fast.say.text().contains("too fast"), "{}", fast.say);
    e.read(44.0);
    let near = e.advice();
    assert_eq!((near.rule, near.level), (Rule::LimitNear, Level::Caution));
}

#[test]
fn a_plateau_is_waited_out_and_too_thick_is_answered_with_warmth() {
    let mut e = Evening::new();
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    for _ in 0..3 {
        e.act(ActionKind::SeedAdded { mass: grams(20.0) });
        e.pass(78);
    }
    e.act(ActionKind::Stirred);
    for _ in 0..16 {
        e.pass(5);
        e.read_at_once(33.2);
        if e.now().timestamp() % 2 == 0 {
            e.read_at_once(33.3);
        }
    }
    let still = e.advice();
    assert_eq!(still.rule, Rule::Plateau, "{}", still.why);

    let mut e = Evening::in_temper();
    e.act(ActionKind::TooThick);
    let thick = e.advice();
    assert_eq!(thick.rule, Rule::OverSeeded);
    assert!(in_seconds(thick.heat.expect("a burst")) <= 5.0);
    e.act(burst(3.0));
    e.pass(5);
    e.act(ActionKind::Stirred);
    e.pass(10);
    e.read(31.9);
    assert_eq!(e.advice().rule, Rule::Pour, "it is answered once");
}

#[test]
fn every_advice_says_something_and_gives_its_reason() {
    let mut seen = Vec::new();
    for method in craft::method::Method::all() {
        for family in Family::ALL.into_iter().filter(|f| method.suits(*f)) {
            let mut e = Evening::by(method.about().key, family);
            for c in [20.0, 30.0, 44.0, 46.0, 40.0, 34.0, 31.0, 29.5, 28.2, 26.0] {
                e.read(c);
                let advice = e.advice();
                assert!(
                    !advice.say.text().is_empty() && !advice.why.text().is_empty(),
                    "{:?}",
                    advice.rule
                );
                assert!(!advice.say.text().ends_with('.'), "{}", advice.say);
                seen.push(advice.rule);
                if c >= 46.0 {
                    e.act(ActionKind::OffHeat);
                }
            }
        }
    }
    assert!(seen.contains(&Rule::AddSeed) && seen.contains(&Rule::CoolToGate));
}

#[test]
fn it_says_what_it_rests_on() {
    let mut e = Evening::new();
    assert_eq!(e.advice().grounds, Grounds::Clock);
    e.read(21.0);
    assert_eq!(e.advice().grounds, Grounds::OneReading);
    e.act(ActionKind::OffHeat);
    e.pass(60);
    e.fall_from(40.0, 60);
    assert_eq!(e.advice().grounds, Grounds::Readings);
    // What was read minutes ago says little about now.
    e.pass(300);
    assert_eq!(e.advice().grounds, Grounds::Clock);
    e.read(36.0);
    e.act(ActionKind::Poured);
    assert_eq!(e.advice().grounds, Grounds::Clock);
}

#[test]
fn each_instruction_asks_for_what_it_says() {
    use craft::bowl::ActionKind as Kind;
    let mut e = Evening::new();
    assert_eq!(e.advice().asks, None, "{}", e.advice().say);
    e.read(30.0);
    let heat = e.advice();
    let Some(Kind::Heat { lasting: Some(lasting) }) = heat.asks else { panic!("{heat:?}") };
    assert!(heat.say.text().contains(&format!("{:.0} s", in_seconds(lasting))), "{}", heat.say);
    let mut e = Evening::new();
    e.read(46.0);
    assert_eq!(e.advice().asks, Some(Kind::OffHeat));
    e.act(Kind::OffHeat);
    let seed = e.advice();
    let Some(Kind::SeedAdded { mass }) = seed.asks else { panic!("{seed:?}") };
    assert!(
        seed.say.text().contains(&format!("{:.0} g", craft::units::in_grams(mass))),
        "{}",
        seed.say
    );
    e.act(Kind::SeedAdded { mass });
    assert_eq!(e.advice().asks, Some(Kind::Stirred), "{}", e.advice().say);
    let mut ready = Evening::in_temper();
    ready.act(Kind::Stirred);
    ready.read(31.6);
    assert_eq!(ready.advice().asks, Some(Kind::Poured), "{}", ready.advice().say);
    let mut over = Evening::new();
    over.read(56.0);
    assert_eq!((over.advice().rule, over.advice().asks), (Rule::LimitPassed, Some(Kind::OffHeat)));
}

#[test]
fn in_temper_it_is_used_as_its_batch_says() {
    let fill = || {
        let lines =
            craft::steps::lines(&craft::plan::Plan::of(&plan_of("Filled shells")).expect("a plan"));
        let steps = lines.iter().flat_map(|line| &line.steps);
        let pour = steps.clone().find(|step| step.key.ends_with("/pour")).expect("a pour");
        pour.text.clone()
    };
    let mut e = Evening::in_temper();
    e.setup.used_for = Some(UsedFor::alone(fill()));
    e.act(ActionKind::Stirred);
    assert_eq!((e.advice().rule, e.advice().say), (Rule::Pour, fill()));
    assert!(!e.advice().say.text().contains("edges"), "{}", e.advice().say);
}

#[test]
fn what_goes_into_a_piece_with_another_is_held_until_that_is_in_temper_too() {
    let mut unheld = Evening::in_temper();
    unheld.act(ActionKind::Stirred);
    let pour = || unheld.advice().say;
    let mut e = Evening::in_temper();
    e.act(ActionKind::Stirred);
    let with = vec!["white".to_owned()];
    e.setup.used_for = Some(UsedFor { with, ..UsedFor::alone(pour()) });
    assert_eq!(e.advice().rule, Rule::Pour);
    let said = e.advice().say.to_string();
    assert_eq!(said, format!("Once the white is in temper too: {}", pour()));
    e.setup.used_for = Some(UsedFor { after: Some(pour()), ..UsedFor::alone(pour()) });
    assert_eq!(e.advice().say.to_string(), format!("First: {0}. Then: {0}", pour()));
    // Where it is about to leave its band, it is not used alone.
    let alone = UsedFor::alone(pour());
    let held = UsedFor { with: vec!["white".to_owned()], ..alone.clone() };
    let rules = [alone, held].map(|used| {
        let mut e = Evening::in_temper();
        e.setup.used_for = Some(used);
        let mut rules = Vec::new();
        for c in [31.6, 31.4, 31.2, 31.1, 31.05] {
            e.pass(30);
            e.act(ActionKind::Stirred);
            e.read(c);
            rules.push(e.advice().rule);
        }
        rules
    });
    assert!(rules[0].contains(&Rule::LeavingBand), "{:?}", rules[0]);
    assert!(!rules[1].contains(&Rule::LeavingBand), "{:?}", rules[1]);
}

/// A plan of one kind of work, as it starts.
fn plan_of(kind: &str) -> craft::plan::PlanInputs {
    let kind = craft::kinds::kinds().into_iter().find(|known| known.name == kind).expect("a kind");
    let mut plan = craft::plan::PlanInputs::usual(Family::Dark);
    plan.bowls = [Family::Dark, Family::White].map(craft::plan::BowlInputs::usual).into();
    plan.bowls.extend(kind.colours.clone());
    plan.components = vec![craft::work::ComponentInputs {
        key: "it".to_owned(),
        name: kind.name.to_owned(),
        work: kind.start,
    }];
    plan
}

#[test]
fn a_pinch_of_seed_goes_in_at_once_and_nothing_is_asked_that_the_scale_does_not_show() {
    use craft::method::Kitchen;
    for fine_scale in [false, true] {
        let kitchen = Kitchen { fine_scale, ..Kitchen::default() };
        let usual = BowlInputs::alone(Family::CocoaButter, 12.0);
        let mut e = Evening::of(&BowlInputs {
            kitchen,
            method: craft::method::Method::find("seed_down"),
            microwave: None,
            ..usual
        });
        assert_eq!(e.setup.additions().len(), 1, "{:?}", e.setup.additions());
        e.read(46.0);
        e.act(ActionKind::OffHeat);
        let add = e.advice();
        assert_eq!(add.rule, Rule::AddSeed);
        assert!(add.say.text().starts_with("Stir in a pinch of seed"), "{}", add.say);
        let Some(ActionKind::SeedAdded { mass }) = add.asks else { panic!("{add:?}") };
        let steps = in_grams(mass) * if fine_scale { 10.0 } else { 1.0 };
        assert!(steps >= 1.0 && (steps - steps.round()).abs() < 1e-9, "{} g", in_grams(mass));
    }
    // Of a bowl that is worth dividing the three add up to what is set aside.
    let plan = craft::plan::bowl(&BowlInputs::alone(Family::Dark, 455.6)).expect("a plan");
    let weighed = plan.weighed_out();
    let sum: f64 = weighed.additions.iter().map(|part| in_grams(*part)).sum();
    assert!((sum - in_grams(weighed.seed)).abs() < 1e-9);
    assert!((in_grams(weighed.melted + weighed.seed) - in_grams(weighed.total)).abs() < 1e-9);
}
