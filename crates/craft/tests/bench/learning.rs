//! What bowls teach about the kitchen they were made in.

use chrono::{DateTime, TimeDelta};
use craft::bowl::{Action, ActionKind, Reading, Record, Source};
use craft::chocolate::Family;
use craft::heat::Material;
use craft::learn::{GearNumbers, Number, learned_value, lesson};
use craft::method::{Method, Run};
use craft::plan::{BowlInputs, MicrowaveInputs, WareInputs, bowl};
use craft::pot::{Evening, Quirks, evening};
use craft::units::{celsius, degrees, in_celsius, in_seconds, seconds};
use uuid::Uuid;

fn plan(family: Family, method: &str, microwave: bool) -> BowlInputs {
    BowlInputs {
        method: Method::find(method),
        bowl: Some(WareInputs { material: Material::Glass, mass_g: 450.0 }),
        microwave: microwave.then_some(MicrowaveInputs { watts: 800.0, power: 0.4 }),
        ..BowlInputs::alone(family, 325.0)
    }
}

fn run(inputs: &BowlInputs) -> Run {
    let opened = DateTime::from_timestamp(1_790_000_000, 0).expect("in range");
    bowl(inputs).expect("a plain plan").run(opened)
}

/// The lesson of one evening in a kitchen.
fn taught(inputs: &BowlInputs, quirks: Quirks, seed: u64) -> GearNumbers {
    let run = run(inputs);
    let told = evening(&run, &Evening { quirks, ..Evening::calm(seed) });
    lesson(&run.setup, &told.record, told.ended)
}

/// What is learned over several evenings, each planned with what was learned
/// before it.
fn learned(inputs: &BowlInputs, quirks: Quirks, number: Number, bowls: u64) -> Option<f64> {
    let mut inputs = inputs.clone();
    let mut lessons = Vec::new();
    for seed in 0..bowls {
        lessons.insert(0, taught(&inputs, quirks, seed));
        let value = |number: Number| {
            learned_value(number, lessons.iter().filter_map(|l| number.of(l))).map(|l| l.value)
        };
        inputs.learned = GearNumbers {
            cooling_ratio: value(Number::Cooling),
            efficiency: value(Number::Efficiency),
            carry_over_c: value(Number::CarryOver),
            burst_response: value(Number::BurstResponse),
            setting_pace: None,
            ..GearNumbers::default()
        };
    }
    number.of(&inputs.learned)
}

#[test]
fn a_microwaves_share_is_learned_within_a_few_bowls() {
    let inputs = plan(Family::Dark, "seed_down", true);
    for efficiency in [0.38, 0.62] {
        let quirks = Quirks { efficiency, ..Quirks::default() };
        let value = learned(&inputs, quirks, Number::Efficiency, 4).expect("four melts");
        assert!((value - efficiency).abs() < 0.05, "{value} of {efficiency}");
    }
}

#[test]
fn a_plan_that_has_learned_comes_nearer_to_what_the_melt_takes() {
    let inputs = plan(Family::Milk, "ready_crystals", true);
    let quirks = Quirks { efficiency: 0.36, ..Quirks::default() };
    let took_s = |inputs: &BowlInputs, seed| -> f64 {
        let how = Evening { quirks, ..Evening::calm(seed) };
        let record = evening(&run(inputs), &how).record;
        let bursts = record.actions().filter_map(|a| match a.kind {
            ActionKind::Heat { lasting: Some(lasting) } => Some(in_seconds(lasting)),
            _ => None,
        });
        bursts.sum()
    };
    let planned_s = |inputs: &BowlInputs| {
        in_seconds(bowl(inputs).expect("a plan").bursts.expect("a microwave").total)
    };
    let learned = learned(&inputs, quirks, Number::Efficiency, 3);
    let after = BowlInputs {
        learned: GearNumbers { efficiency: learned, ..inputs.learned },
        ..inputs.clone()
    };
    let miss = |inputs: &BowlInputs| (planned_s(inputs) / took_s(inputs, 9) - 1.0).abs();
    assert!(miss(&inputs) > 0.2, "{}", miss(&inputs));
    assert!(miss(&after) < 0.1, "{}", miss(&after));
}

#[test]
fn how_a_bowl_cools_is_learned_from_quiet_cooling_and_from_seeding() {
    for (method, draughty) in [("ready_crystals", 1.7), ("seed_down", 1.2)] {
        let inputs = plan(Family::Dark, method, true);
        let ratio = |loses| {
            let quirks = Quirks { loses, ..Quirks::default() };
            learned(&inputs, quirks, Number::Cooling, 4).expect("four bowls")
        };
        let (sheltered, draughty) = (ratio(0.6), ratio(draughty));
        assert!(sheltered < 0.9, "{method}: {sheltered}");
        assert!(draughty > 1.05, "{method}: {draughty}");
    }
}

#[test]
fn how_far_a_bowl_goes_on_rising_is_learned_over_water() {
    let inputs = plan(Family::Dark, "ready_crystals", false);
    let light = BowlInputs {
        bowl: Some(WareInputs { material: Material::Steel, mass_g: 150.0 }),
        ..inputs.clone()
    };
    let rise = |inputs| learned(inputs, Quirks::default(), Number::CarryOver, 4).expect("learned");
    let (heavy, light) = (rise(&inputs), rise(&light));
    assert!((2.2..5.0).contains(&heavy), "{heavy}");
    assert!(light < heavy - 0.5, "{light} of a light bowl, {heavy} of a heavy one");
}

#[test]
fn what_a_short_warming_does_is_learned() {
    let inputs = plan(Family::Milk, "seed_down_and_up", true);
    let shown = learned(&inputs, Quirks::default(), Number::BurstResponse, 5).expect("warmed");
    // On the way up crystals melt, so less shows than was sent.
    assert!((0.2..0.5).contains(&shown), "{shown}");
}

#[test]
fn a_probe_that_cannot_be_believed_teaches_nothing() {
    let run = run(&plan(Family::Dark, "ready_crystals", true));
    let setup = &run.setup;
    let told = evening(&run, &Evening::calm(3));
    let spoilt = |every: usize, c: f64| {
        let readings = told.record.readings().iter().enumerate().map(|(i, reading)| {
            let temp = if i % every == every / 2 { celsius(c) } else { reading.temp };
            Reading { temp, ..*reading }
        });
        Record::new(readings.collect(), told.record.actions().cloned().collect())
    };
    let lesson_of = |record: &Record| lesson(setup, record, told.ended);
    let good = lesson_of(&told.record);
    assert!(good.efficiency.is_some() && good.cooling_ratio.is_some(), "{good:?}");
    assert!(lesson_of(&spoilt(4, 78.0)).is_empty());
    // A jump now and then is passed over.
    let now_and_then = lesson_of(&spoilt(40, 78.0));
    let near = |a: Option<f64>, b: Option<f64>| (a.expect("one") - b.expect("other")).abs() < 0.05;
    assert!(near(now_and_then.efficiency, good.efficiency), "{now_and_then:?} {good:?}");
    assert!(near(now_and_then.cooling_ratio, good.cooling_ratio), "{now_and_then:?} {good:?}");
}

#[test]
fn an_empty_record_and_one_without_a_thermometer_teach_nothing() {
    let setup = run(&plan(Family::Dark, "seed_down", true)).setup;
    let now = setup.opened + TimeDelta::minutes(30);
    assert!(lesson(&setup, &Record::default(), now).is_empty());
    let action = |n: u128, s, kind| Action {
        id: Uuid::from_u128(n),
        at: setup.opened + TimeDelta::seconds(s),
        kind,
    };
    let blind = vec![
        action(1, 60, ActionKind::Heat { lasting: Some(seconds(120.0)) }),
        action(2, 300, ActionKind::OffHeat),
        action(3, 1_200, ActionKind::Poured),
    ];
    assert!(lesson(&setup, &Record::new(vec![], blind), now).is_empty());
}

#[test]
fn a_thermometer_that_reads_too_little_is_corrected_throughout() {
    let at = run(&plan(Family::Dark, "seed_down", true)).setup.opened;
    let reading = |n: u128, c: f64| Reading {
        id: Uuid::from_u128(n),
        at: at + TimeDelta::seconds(i64::try_from(n).expect("small")),
        temp: celsius(c),
        source: Source::Probe,
    };
    let mut record = Record::new(vec![reading(1, 31.0)], vec![]).corrected_by(degrees(0.6));
    record.add_reading(reading(2, 30.9));
    let shown: Vec<f64> = record.readings().iter().map(|r| in_celsius(r.temp)).collect();
    assert!((shown[0] - 31.6).abs() < 1e-9 && (shown[1] - 31.5).abs() < 1e-9, "{shown:?}");
    // Corrected anew, not twice.
    let anew = record.corrected_by(degrees(0.0));
    assert!((in_celsius(anew.readings()[0].temp) - 31.0).abs() < 1e-9);
}
