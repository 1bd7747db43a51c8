//! A simulated maker who follows the coach gets there.

use chrono::DateTime;
use craft::bowl::{ActionKind, Phase, Record, Temper, fold};
use craft::chocolate::Family;
use craft::heat::Material;
use craft::method::Run;
use craft::plan::{BowlInputs, WareInputs, bowl};
use craft::pot::{Evening, Mishap, evening};
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
