//! A simulated maker who follows the coach gets there.

use chrono::DateTime;
use craft::bowl::{ActionKind, Phase, Record, Temper, fold};
use craft::chocolate::Family;
use craft::coach::not_tempered;
use craft::heat::Material;
use craft::method::{Method, Run};
use craft::plan::{BowlInputs, MicrowaveInputs, WareInputs, bowl};
use craft::pot::{Condition, Evening, Mishap, Quirks, evening};
use craft::units::in_celsius;

fn run(family: Family, length_mm: f64, room_c: f64, bowl_g: Option<f64>) -> Run {
    bowl(&BowlInputs {
        // 20 cm wide, 4 mm thick.
        total_g: Some(length_mm * 1.0836),
        room_c: Some(room_c),
        bowl: bowl_g.map(|mass_g| WareInputs { material: Material::Glass, mass_g }),
        cooling_min: Some(8.0),
        ..BowlInputs::alone(family, 325.0)
    })
    .expect("a plain plan")
    .run(DateTime::from_timestamp(1_790_000_000, 0).expect("in range"))
}

fn how(seed: u64) -> Evening {
    Evening::calm(seed)
}

#[test]
fn who_follows_the_advice_pours_in_the_band_and_never_passes_the_limit() {
    let mut seed = 0;
    for family in [Family::Dark, Family::Milk, Family::White, Family::Ruby, Family::Blond] {
        for (length_mm, room_c, bowl_g) in
            [(200.0, 18.0, None), (300.0, 20.0, Some(450.0)), (400.0, 22.0, Some(900.0))]
        {
            seed += 1;
            let run = run(family, length_mm, room_c, bowl_g);
            let told = evening(&run, &how(seed));
            let (record, end) = (told.record, told.ended);
            let bowl = fold(&run.setup, &record, end);
            let case = format!("{family}, {length_mm} mm, {room_c} °C: {:?}", kinds(&record));
            assert_eq!(bowl.phase, Phase::Done, "{case}");
            assert_eq!(bowl.thermometer.over_limit, None, "{case}");
            assert!(matches!(bowl.temper, Temper::Shown { .. }), "{case}");
            let poured = in_celsius(bowl.poured.and_then(|(_, temp)| temp).expect("read"));
            let [lo, hi] = run.setup.chocolate.windows.work.in_celsius();
            assert!((lo - 0.35..=hi + 0.3).contains(&poured), "poured at {poured}: {case}");
            let minutes = (end - run.setup.opened).num_minutes();
            assert!(minutes < 75, "{minutes} min: {case}");
        }
    }
}

#[test]
fn a_burst_too_long_ends_the_batch() {
    let run = run(Family::White, 200.0, 20.0, None);
    let mishap = Mishap::LongBurst { seconds: 90.0, reason: "burnt".into() };
    let record = evening(&run, &Evening { mishap: Some(mishap), ..how(3) }).record;
    let bowl = fold(&run.setup, &record, record.last_at().expect("something happened"));
    assert_eq!((bowl.phase, bowl.gave_up.as_deref()), (Phase::Lost, Some("burnt")));
    assert!(bowl.thermometer.over_limit.is_some());
}

#[test]
fn streaks_cost_more_seed_and_a_second_test() {
    let run = run(Family::Dark, 300.0, 20.0, Some(450.0));
    let streaks = Evening { mishap: Some(Mishap::FirstTestStreaks), ..how(4) };
    let record = evening(&run, &streaks).record;
    let tests = kinds(&record).iter().filter(|k| matches!(k, ActionKind::TestStarted)).count();
    assert!(tests >= 2, "{tests} tests");
    assert!(kinds(&record).iter().any(|k| matches!(k, ActionKind::Poured)));
}

#[test]
fn an_evening_can_be_left_in_the_middle_and_made_again() {
    let run = run(Family::Dark, 300.0, 20.0, Some(450.0));
    let left = Evening { stop_in: Some(Phase::Cooling), ..how(5) };
    let record = evening(&run, &left).record;
    let bowl = fold(&run.setup, &record, record.last_at().expect("something happened"));
    assert_eq!(bowl.phase, Phase::Cooling);
    assert_eq!(record, evening(&run, &left).record);
}

fn kinds(record: &Record) -> Vec<ActionKind> {
    record.actions().map(|a| a.kind.clone()).collect()
}

/// A bowl by each method in a chocolate that it suits; each by its place in the list.
fn by_every_method() -> impl Iterator<Item = (Run, u64)> {
    Method::all().into_iter().zip(1..).map(|(method, seed)| {
        let family = [Family::Dark, Family::CocoaButter, Family::Coating]
            .into_iter()
            .find(|family| method.suits(*family))
            .expect("each suits one of them");
        let inputs = BowlInputs {
            method: Some(method),
            total_g: Some(if family == Family::CocoaButter { 60.0 } else { 400.0 }),
            microwave: Some(MicrowaveInputs { watts: 800.0, power: 0.5 }),
            ..BowlInputs::alone(family, 325.0)
        };
        let opened = DateTime::from_timestamp(1_790_000_000, 0).expect("in range");
        (bowl(&inputs).expect("it can be planned").run(opened), seed)
    })
}

#[test]
fn who_leaves_it_to_go_cold_and_tests_it_cold_is_led_back() {
    for (run, seed) in by_every_method() {
        let windows = &run.setup.chocolate.windows;
        let [from_c, to_c] = [in_celsius(windows.work.hi), in_celsius(windows.thick) - 2.0];
        let mishap = Some(Mishap::LeftToGoCold { from_c, to_c });
        let told = evening(&run, &Evening { mishap, ..how(seed) });
        let case = format!("{}: {:?}", run.method, kinds(&told.record));
        let bowl = fold(&run.setup, &told.record, told.ended);
        assert_eq!(bowl.phase, Phase::Done, "{case}");
        assert_eq!(bowl.thermometer.over_limit, None, "{case}");
        assert_eq!(not_tempered(&run.setup, &bowl), None, "{case}");
        let tempered = matches!(told.pot.condition(), Condition::InTemper | Condition::OverSeeded);
        assert!(tempered || !run.setup.course.is_tested, "{:?}, {case}", told.pot.condition());
        // Led back, not nagged back.
        let warmed = kinds(&told.record)
            .iter()
            .filter(|kind| matches!(kind, ActionKind::Heat { .. } | ActionKind::Dryer { .. }))
            .count();
        assert!(warmed < 30, "{warmed} warmings, {case}");
    }
}

#[test]
fn who_pours_too_soon_hears_it_and_pours_in_temper_after_all() {
    for (run, seed) in by_every_method().filter(|(run, _)| run.setup.course.is_tested) {
        let at_c = in_celsius(run.setup.chocolate.windows.work.hi) + 2.0;
        let mishap = Some(Mishap::PouredTooSoon { at_c });
        let told = evening(&run, &Evening { mishap, ..how(seed) });
        let case = format!("{}: {:?}", run.method, kinds(&told.record));
        let too_soon = told.too_soon.expect("it came down to there");
        assert!(too_soon.said, "{case}");
        let bowl = fold(&run.setup, &told.record, told.ended);
        assert_eq!(bowl.phase, Phase::Done, "{case}");
        assert_eq!(not_tempered(&run.setup, &bowl), None, "{case}");
    }
}

#[test]
fn much_over_a_weak_oven_is_melted_and_does_not_stand_still() {
    let inputs = BowlInputs {
        method: Method::find("ready_crystals"),
        total_g: Some(1_300.0),
        microwave: Some(MicrowaveInputs { watts: 700.0, power: 0.33 }),
        ..BowlInputs::alone(Family::CocoaButter, 325.0)
    };
    let run = bowl(&inputs).expect("it can be planned").run(DateTime::UNIX_EPOCH);
    let quirks = Quirks { efficiency: 0.38, loses: 1.4, ..Quirks::default() };
    let told = evening(&run, &Evening { quirks, stop_in: Some(Phase::Cooling), ..how(7) });
    let minutes = (told.ended - run.setup.opened).num_minutes();
    assert!(minutes < 120, "{minutes} min: {:?}", kinds(&told.record));
    let bowl = fold(&run.setup, &told.record, told.ended);
    assert_eq!(bowl.phase, Phase::Cooling);
}
