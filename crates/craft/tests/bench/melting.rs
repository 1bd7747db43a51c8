//! On the way up: what is foretold agrees with the pot, bursts are sized by what they bring,
//! and a hot reading stops the heat at once.

use craft::bowl::{ActionKind, Phase};
use craft::chocolate::Family;
use craft::coach::{Alarm, Rule};
use craft::heat::Material;
use craft::method::Method;
use craft::note::Level;
use craft::plan::{BowlInputs, MicrowaveInputs, WareInputs, bowl};
use craft::pot::{Evening as Kitchen, Pot, Quirks, evening_watched};
use craft::units::{celsius, in_celsius, in_grams, in_seconds, seconds};

use crate::evening::Evening;

fn burst(s: f64) -> ActionKind {
    ActionKind::Heat { lasting: Some(seconds(s)) }
}

fn by(method: &str, family: Family, g: f64, watts: f64, power: f64) -> BowlInputs {
    BowlInputs {
        method: Method::find(method),
        microwave: Some(MicrowaveInputs { watts, power }),
        ..BowlInputs::alone(family, g)
    }
}

/// How long the pot is heated until it is at a temperature, stirred in after each of some
/// thirty short bursts.
fn in_the_pot(inputs: &BowlInputs, to_c: f64, told_s: f64) -> f64 {
    let run = bowl(inputs).expect("a plan").run(chrono::DateTime::UNIX_EPOCH);
    let mut pot = Pot::new(&run.setup);
    let (each_s, mut s) = (told_s / 30.0, 0.0);
    let stirred = |pot: &Pot, s: f64| {
        let mut pot = pot.clone();
        for _ in 0..4 {
            pot.act(&ActionKind::Stirred);
            pot.wait(s / 4.0);
        }
        pot
    };
    // As it is once lumps and liquid are equally warm.
    while in_celsius(stirred(&pot, 60.0).temperature()) < to_c && s < 3.0 * told_s {
        pot.act(&burst(each_s));
        pot.wait(each_s);
        pot = stirred(&pot, 4.0);
        s += each_s;
    }
    s
}

#[test]
fn heat_agrees_with_the_pot_for_every_family_mass_oven_and_target() {
    let glass = WareInputs { material: Material::Glass, mass_g: 500.0 };
    for family in Family::ALL {
        for g in [120.0, 300.0, 715.0, 1_500.0] {
            for (watts, power, ware) in
                [(350.0, 1.0, None), (800.0, 0.5, None), (800.0, 0.5, Some(glass))]
            {
                let method = if family.tempers() { "never_leave" } else { "coating" };
                let inputs = BowlInputs { bowl: ware, ..by(method, family, g, watts, power) };
                let setup = bowl(&inputs).expect("a plan").setup(chrono::DateTime::UNIX_EPOCH);
                let work = setup.chocolate.windows.work;
                let lost = setup.chocolate.windows.lost.unwrap_or(work.hi);
                for to in [setup.melt_to, work.hi, lost, setup.chocolate.windows.melt.lo] {
                    let oven = setup.microwave.expect("it is heated in bursts");
                    let heat = setup.heat_to_melt(setup.seed_temp, to);
                    let told = in_seconds(heat / oven.into_chocolate());
                    let took = in_the_pot(&inputs, in_celsius(to), told);
                    assert!(
                        (told / took - 1.0).abs() < 0.15,
                        "{family}, {g} g at {watts} W × {power} in {ware:?} to {:.1} °C: told \
                         {told:.0} s, took {took:.0} s",
                        in_celsius(to)
                    );
                }
            }
        }
    }
}

#[test]
fn never_leave_is_told_as_long_for_white_as_for_dark_and_without_a_jump() {
    let told = |family, to_c| {
        let inputs =
            BowlInputs { melt_to_c: Some(to_c), ..by("never_leave", family, 300.0, 400.0, 1.0) };
        let plan = bowl(&inputs).expect("a plan");
        in_seconds(plan.bursts.expect("bursts").total)
    };
    let (dark, white) = (told(Family::Dark, 33.0), told(Family::White, 31.0));
    assert!((0.85..1.15).contains(&(white / dark)), "dark {dark:.0} s, white {white:.0} s");
    let (under, at) = (told(Family::White, 31.9), told(Family::White, 32.0));
    assert!((at - under) < 2.0, "to 31.9 °C {under:.0} s, to 32.0 °C {at:.0} s");
}

#[test]
fn never_leave_takes_a_handful_of_bursts_and_none_of_a_second() {
    for (family, g, watts) in
        [(Family::Dark, 300.0, 400.0), (Family::White, 300.0, 400.0), (Family::Milk, 150.0, 800.0)]
    {
        let inputs = by("never_leave", family, g, watts, 1.0);
        let run = bowl(&inputs).expect("a plan").run(chrono::DateTime::UNIX_EPOCH);
        let told = evening_watched(&run, &Kitchen::calm(5), |_| {});
        let bursts: Vec<f64> = told
            .record
            .actions()
            .take_while(|a| a.kind != ActionKind::OffHeat)
            .filter_map(|a| match a.kind {
                ActionKind::Heat { lasting } => lasting.map(in_seconds),
                _ => None,
            })
            .collect();
        assert!(bursts.len() <= 7 && bursts.iter().all(|s| *s >= 3.0), "{family}: {bursts:?}");
    }
}

#[test]
fn a_weak_oven_and_much_mass_get_there_without_swinging() {
    for (efficiency, loses) in [(0.5, 1.0), (0.38, 1.5), (0.6, 0.75)] {
        let run = bowl(&by("seed_down", Family::Milk, 715.0, 350.0, 1.0))
            .expect("a plan")
            .run(chrono::DateTime::UNIX_EPOCH);
        let quirks = Quirks { efficiency, loses, ..Quirks::default() };
        let how = Kitchen { quirks, stop_in: Some(Phase::Cooling), ..Kitchen::calm(11) };
        // "Stop the heat" after "heat for …" after "stop the heat": each time it swings.
        let (mut said, mut swings) = (None, 0);
        let told = evening_watched(&run, &how, |glance| {
            let stop = match glance.advice.rule {
                Rule::StopBeforeMelt => Some(true),
                Rule::Warm => Some(false),
                _ => None,
            };
            if let (Some(now), Some(before)) = (stop, said) {
                swings += usize::from(now != before && !now);
            }
            said = stop.or(said);
        });
        let minutes = (told.ended - run.setup.opened).num_minutes();
        assert!(swings <= 1 && minutes < 16, "{efficiency}, {loses}: {swings} in {minutes} min");
    }
}

#[test]
fn a_reading_over_the_limit_stops_the_heat_whether_it_is_doubted_or_not() {
    let mut e = Evening::new();
    e.sends(30.0);
    e.act(burst(30.0));
    // It jumps by far more than any burst brings.
    e.sends(56.0);
    assert_eq!(e.bowl().thermometer.doubts.last(), Some(&Some(craft::bowl::trust::Doubt::Jump)));
    let now = e.advice();
    assert_eq!((now.rule, now.level), (Rule::LimitPassed, Level::Stop), "{}", now.say);
    assert_eq!(now.alarm, Some(Alarm::Limit));
    assert!(now.why.text().contains("does not fit"), "it is marked: {}", now.why);
    // A single flicker on a bowl that cools by itself is none.
    let mut cool = Evening::seeded();
    cool.sends(61.0);
    assert_ne!(cool.advice().rule, Rule::LimitPassed, "{}", cool.advice().say);
}

#[test]
fn a_rise_that_no_heat_was_entered_for_is_asked_about() {
    let mut e = Evening::new();
    e.read(24.0);
    e.pass(35);
    e.read(44.0);
    let asked = e.advice();
    assert_eq!(asked.rule, Rule::ProbeTrouble, "{}", asked.say);
    assert!(asked.say.text().contains("Is it on the heat"), "{}", asked.say);
    // Entered, it is as it was.
    e.act(ActionKind::OffHeat);
    assert_ne!(e.advice().rule, Rule::ProbeTrouble, "{}", e.advice().say);
    // What a burst brought is not asked about.
    let mut warmed = Evening::new();
    warmed.read(24.0);
    warmed.act(burst(30.0));
    warmed.pass(35);
    warmed.read(38.0);
    assert_ne!(warmed.advice().rule, Rule::ProbeTrouble, "{}", warmed.advice().say);
}

#[test]
fn over_the_melting_range_it_is_not_said_to_be_in_it() {
    let mut e = Evening::new();
    e.read(40.0);
    e.act(burst(30.0));
    e.pass(32);
    e.act(ActionKind::Stirred);
    e.read(52.0);
    let hot = e.advice();
    assert_eq!(hot.rule, Rule::Melted, "{}", hot.why);
    assert!(hot.why.text().contains("over the melting range of 45.0 to 50.0 °C"), "{}", hot.why);
    assert!(e.bursts_left().is_empty(), "no burst beside it");
}

#[test]
fn where_the_heat_is_stopped_no_next_burst_stands_beside_it() {
    let mut e = Evening::new();
    e.read(40.0);
    e.act(burst(10.0));
    e.pass(12);
    e.act(ActionKind::Stirred);
    e.read(44.0);
    let stop = e.advice();
    assert_eq!(stop.rule, Rule::StopBeforeMelt, "{}", stop.say);
    assert!(e.bursts_left().is_empty());
    let mut warm = Evening::new();
    warm.read(22.0);
    assert_eq!(warm.bursts_left().first(), warm.advice().heat.as_ref());
}

#[test]
fn melted_and_stirred_is_off_the_heat() {
    let mut e = Evening::new();
    e.read(40.0);
    e.act(burst(10.0));
    e.pass(4);
    e.read(46.0);
    assert_eq!(e.advice().rule, Rule::Melted);
    e.act(ActionKind::Stirred);
    assert_eq!(e.bowl().phase, Phase::Cooling, "stirred while it was said to be melted");
}

#[test]
fn the_power_is_part_of_every_burst() {
    for (power, told) in
        [(0.5, "at half of 800 W"), (1.0, "at full power, 800 W"), (0.4, "at 40 % of 800 W")]
    {
        let mut e = Evening::of(&by("seed_down", Family::Dark, 400.0, 800.0, power));
        e.read(21.0);
        assert!(e.advice().say.text().ends_with(told), "{}", e.advice().say);
    }
}

#[test]
fn a_spoonful_is_not_put_in_an_oven_that_would_overheat_it() {
    // Forty grams at full power: three seconds are nineteen degrees.
    let inputs = by("seed_down", Family::White, 40.0, 800.0, 1.0);
    let plan = bowl(&inputs).expect("a plan");
    assert!(plan.bursts.is_none(), "over water, then");
    assert!(plan.amounts.notes.iter().any(|note| note.code == "too-little-for-bursts"));
    // Two hundred in temper: a burst would carry them over their range, a dryer does not.
    let mut e = Evening::too_little_for_bursts();
    e.read(30.4);
    let warm = e.advice();
    assert_eq!(warm.rule, Rule::Rewarm, "{}", warm.say);
    let Some(ActionKind::Dryer { lasting }) = warm.asks else { panic!("{warm:?}") };
    assert!((3.0..=15.0).contains(&in_seconds(lasting)), "{}", warm.say);
    assert!(warm.say.text().contains("hair dryer on low"), "{}", warm.say);
}

#[test]
fn a_warming_starts_a_little_under_the_range_and_not_again_at_once() {
    let mut e = Evening::in_temper();
    e.act(ActionKind::Stirred);
    e.read(30.8);
    let just_under = e.advice();
    assert_eq!(just_under.asks, Some(ActionKind::Poured), "good enough: {}", just_under.why);
    assert!(e.advice().why.text().contains("just under 31.0 °C"), "{}", e.advice().why);
    e.read(30.6);
    assert_eq!(e.advice().rule, Rule::Rewarm);
    // During a test the smear has the word.
    let mut testing = Evening::seeded();
    testing.act(ActionKind::TestStarted);
    testing.pass(60);
    testing.read(30.4);
    assert_eq!(testing.advice().rule, Rule::WatchSmear, "{}", testing.advice().say);
    testing.read(29.0);
    assert_eq!(testing.advice().rule, Rule::Thickening, "it sets up in the bowl");
}

#[test]
fn the_wait_for_the_gate_is_told_and_cool_water_shortens_it() {
    let run = bowl(&BowlInputs {
        method: Method::find("ready_crystals"),
        ..BowlInputs::alone(Family::Dark, 500.0)
    })
    .expect("a plan")
    .run(chrono::DateTime::UNIX_EPOCH);
    let minutes = |in_water: bool| {
        let mut pot = Pot::new(&run.setup);
        pot.act(&burst(600.0));
        while pot.temperature() < celsius(46.0) {
            pot.act(&ActionKind::Stirred);
            pot.wait(1.0);
        }
        pot.act(&ActionKind::OffHeat);
        if in_water {
            pot.act(&ActionKind::OnCoolWater);
        }
        let mut s = 0.0;
        while pot.temperature() > celsius(34.5) {
            pot.act(&ActionKind::Stirred);
            pot.wait(5.0);
            s += 5.0;
        }
        s / 60.0
    };
    let (air, water) = (minutes(false), minutes(true));
    assert!((13.0..25.0).contains(&air), "{air:.0} min in air");
    assert!((3.0..8.0).contains(&water), "{water:.0} min in water");

    let mut e = Evening::by("ready_crystals", Family::Dark);
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    let wait = e.advice();
    assert_eq!(wait.rule, Rule::CoolToGate);
    assert!(wait.why.text().contains("In still air this takes about"), "{}", wait.why);
    assert!(wait.why.text().contains("water at 20 °C"), "{}", wait.why);
    e.act(ActionKind::OnCoolWater);
    e.read(44.0);
    assert!(e.advice().why.text().contains("in cool water"), "{}", e.advice().why);
    // Out of it a degree above the gate.
    e.act(ActionKind::Stirred);
    e.read(35.9);
    let out = e.advice();
    assert_eq!((out.rule, out.asks), (Rule::OutOfWater, Some(ActionKind::OffCoolWater)));
    e.act(ActionKind::OffCoolWater);
    assert_eq!(e.advice().rule, Rule::CoolToGate);
    assert!(in_grams(e.setup.crystals) > 0.0);
}
