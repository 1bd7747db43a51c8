//! How fast the core is: the seed sum, a whole plan, the fold of a long bowl.
//!
//! `cargo bench -p craft`; results in `docs/performance.md`.

use std::hint::black_box;

use chrono::{DateTime, TimeDelta};
use craft::bowl::{Action, ActionKind, Reading, Record, Source, fold, look_ahead};
use craft::chocolate::{Chocolate, Family};
use craft::coach;
use craft::colour::{Film, Ground, Optics, Way, stack};
use craft::drawn::import::import;
use craft::drawn::joins::joins;
use craft::heat::seed::{Amount, SeedInput, StillAir};
use craft::heat::{Material, Vessel};
use craft::kinds::kinds;
use craft::method::Run;
use craft::plan::{BowlInputs, Plan, PlanInputs, WareInputs, bowl as bowl_plan};
use craft::pot::Pot;
use craft::schedule::Asked;
use craft::setting::{Place, setting};
use craft::units::{celsius, grams, millimetres, minutes, seconds};
use craft::work::{
    ComponentInputs, CoverInputs, FilmInputs, MixedAmount, MixedInInputs, SlabInputs,
    ToppingInputs, ToppingWish, TrayInputs, WorkInputs,
};
use criterion::{BenchmarkId, Criterion, Throughput, criterion_group, criterion_main};
use uuid::Uuid;

mod open_night;

fn inputs() -> BowlInputs {
    BowlInputs {
        bowl: Some(WareInputs { material: Material::Glass, mass_g: 450.0 }),
        cooling_min: Some(8.0),
        ..BowlInputs::alone(Family::Dark, 325.0)
    }
}

fn seed(c: &mut Criterion) {
    let dark = Chocolate::of(Family::Dark);
    let bare = SeedInput {
        chocolate: &dark,
        amount: Amount::Total(grams(800.0)),
        melted: celsius(46.0),
        target: celsius(31.5),
        seed: celsius(20.0),
        vessel: None,
        still_air: None,
    };
    let full = SeedInput {
        vessel: Some(Vessel::usual(Material::Glass, grams(450.0))),
        still_air: Some(StillAir { room: celsius(20.0), lasting: minutes(7.0) }),
        ..bare
    };
    c.bench_function("seed sum, bare", |b| b.iter(|| black_box(&bare).solve()));
    c.bench_function("seed sum, with bowl and loss", |b| b.iter(|| black_box(&full).solve()));
}

/// Eight slabs, each a little thicker than the one before, of one chocolate.
fn eight_components() -> PlanInputs {
    let mut batch = PlanInputs { fridge_c: Some(5.0), ..PlanInputs::usual(Family::Dark) };
    batch.bowls = vec![inputs()];
    let WorkInputs::Slab(slab) = batch.components[0].work.clone() else { return batch };
    batch.components = (0..8)
        .map(|i| {
            let tray = TrayInputs::Rectangle { length_mm: 300.0, width_mm: 200.0, rim_mm: None };
            let cover = CoverInputs::Thickness { tray, thickness_mm: 3.0 + f64::from(i) * 0.5 };
            ComponentInputs {
                key: format!("slab-{i}"),
                name: format!("Slab {i}"),
                work: WorkInputs::Slab(SlabInputs { cover, ..slab.clone() }),
            }
        })
        .collect();
    batch
}

/// The same with ten goods each: five mixed in, five on top.
fn with_ten_goods(mut batch: PlanInputs) -> PlanInputs {
    let names = ["nuts", "raisins", "cherries", "stars", "salt"];
    for component in &mut batch.components {
        let WorkInputs::Slab(slab) = &mut component.work else { continue };
        slab.mixed_in = names.map(mixed_in).into();
        slab.toppings = names.map(topping).into();
    }
    batch
}

fn mixed_in(name: &str) -> MixedInInputs {
    MixedInInputs::usual(name, MixedAmount::Share { share_pct: 4.0 })
}

fn topping(name: &str) -> ToppingInputs {
    ToppingInputs::usual(name, ToppingWish::Coverage { coverage_pct: 5.0 })
}

fn plan(c: &mut Criterion) {
    let eight = eight_components();
    let goods = with_ten_goods(eight.clone());
    let dark = Chocolate::of(Family::Dark);
    c.bench_function("one slab setting in a room", |b| {
        let place = Place::Room(celsius(19.0));
        b.iter(|| setting(black_box(&dark), millimetres(4.0), celsius(31.5), place));
    });
    c.bench_function("plan of a batch with eight components", |b| {
        b.iter(|| Plan::of(black_box(&eight)))
    });
    assert!(Plan::of(&goods).is_ok_and(|plan| plan.components[0].draft.goods.len() == 10));
    c.bench_function("plan of a batch with eight components of ten goods each", |b| {
        b.iter(|| Plan::of(black_box(&goods)))
    });
}

/// A bowl read once a second, with something done every minute.
fn bowl(readings: u32) -> (Run, Record, DateTime<chrono::Utc>) {
    let opened = DateTime::from_timestamp(1_790_000_000, 0).unwrap_or_default();
    let run = bowl_plan(&inputs()).map(|plan| plan.run(opened)).unwrap_or_else(|f| panic!("{f:?}"));
    let at = |s: u32| opened + TimeDelta::seconds(i64::from(s));
    let temp = |s: u32| 20.0 + 26.0 * (-f64::from(s) / 9000.0).exp() + f64::from(s % 7) * 0.02;
    let read = (0..readings)
        .map(|s| Reading {
            id: Uuid::from_u128(u128::from(s)),
            at: at(s),
            temp: celsius(temp(s)),
            source: Source::Probe,
        })
        .collect();
    let kind = |s: u32| match s % 3 {
        0 => ActionKind::Stirred,
        1 => ActionKind::Heat { lasting: Some(seconds(5.0)) },
        _ => ActionKind::SeedAdded { mass: grams(5.0) },
    };
    let done = (60..readings)
        .step_by(60)
        .map(|s| Action {
            id: Uuid::from_u128(1 << 64 | u128::from(s)),
            at: at(s),
            kind: kind(s / 60),
        })
        .collect();
    (run, Record::new(read, done), at(readings))
}

fn folding(c: &mut Criterion) {
    let mut group = c.benchmark_group("fold of a bowl");
    for readings in [1_800, 3_600, 7_200, 14_400] {
        let (run, record, now) = bowl(readings);
        group.throughput(Throughput::Elements(u64::from(readings)));
        group.bench_with_input(BenchmarkId::from_parameter(readings), &record, |b, record| {
            b.iter(|| fold(&run.setup, black_box(record), now));
        });
    }
    group.finish();
    let (run, record, now) = bowl(7_200);
    let folded = fold(&run.setup, &record, now);
    c.bench_function("forecast and advice, 7200 readings", |b| {
        b.iter(|| {
            let ahead = look_ahead(&run.setup, black_box(&record), &folded);
            coach::advise(&run, &folded, &ahead, now)
        });
    });
}

/// A drawing of ten thousand segments in two hundred paths that cross each other, as
/// it comes in a file.
fn drawing() -> String {
    let path = |p: u32| {
        let y = f64::from(p) * 2.0;
        let curves: String = (0..50)
            .map(|i| {
                let x = f64::from(i) * 8.0;
                format!(" C{} {} {} {} {} {y}", x + 2.0, y + 9.0, x + 6.0, y - 9.0, x + 8.0)
            })
            .collect();
        format!("<path d=\"M0 {y}{curves}\"/>")
    };
    let paths: String = (0..200).map(path).collect();
    format!("<svg xmlns=\"http://www.w3.org/2000/svg\">{paths}</svg>")
}

fn outlines(c: &mut Criterion) {
    let svg = drawing();
    c.bench_function("a drawing of 10,000 segments read, measured and checked", |b| {
        b.iter(|| {
            let outline = import(black_box(&svg)).map(|found| found.outline.as_wide_as(250.0));
            outline.map(|outline| (outline.length(), joins(&outline, 4.0, false)))
        });
    });
}

/// Melted, seeded, and stirred every half minute: a second at a time, as the
/// simulated thermometer lets it pass.
/// Filled shells as they start, in 24 half balls, with four films on their face.
fn four_films() -> PlanInputs {
    let kind = kinds().into_iter().find(|kind| kind.name == "Filled shells").expect("a kind");
    let mut work = kind.start;
    if let Some(cast) = work.cast_mut() {
        let [first, second] =
            ["blue", "white colour"].map(|key| FilmInputs::all_over(key, Way::Brush));
        let flecks = FilmInputs { share_pct: 20.0, way: Way::Fleck, ..second.clone() };
        cast.colours = vec![flecks, first.clone(), FilmInputs { passes: 2, ..first }, second];
    }
    let bowls = std::iter::once(BowlInputs::usual(Family::Dark)).chain(kind.colours).collect();
    let component = ComponentInputs { key: "it".into(), name: "It".into(), work };
    PlanInputs {
        fridge_c: Some(5.0),
        bowls,
        components: vec![component],
        ..PlanInputs::usual(Family::Dark)
    }
}

fn colour(c: &mut Criterion) {
    let film = |k: f64, s: f64| Film {
        optics: Optics { k: [k, k * 0.7, k * 1.3], s: [s; 3] },
        thickness: 1.0,
    };
    let films = [film(0.4, 0.3), film(0.2, 0.1), film(0.8, 0.2), film(0.01, 4.0)];
    let dark = Ground::Dark.tinted();
    c.bench_function("four films over dark, three channels", |b| {
        b.iter(|| stack(black_box(dark), black_box(&films)));
    });
    let moulded = four_films();
    Plan::of(&moulded).expect("it can be planned");
    c.bench_function("plan of a 24-cavity mould with four films", |b| {
        b.iter(|| Plan::of(black_box(&moulded)));
    });
}

fn pot(c: &mut Criterion) {
    let plan = bowl_plan(&inputs()).expect("it can be planned");
    let mut melted = Pot::new(&plan.setup(DateTime::UNIX_EPOCH));
    melted.act(&ActionKind::Heat { lasting: Some(seconds(170.0)) });
    melted.wait(200.0);
    melted.act(&ActionKind::SeedAdded { mass: grams(80.0) });
    c.bench_function("an hour of the pot", |b| {
        b.iter(|| {
            let mut pot = melted.clone();
            for s in 0..3_600 {
                if s % 30 == 0 {
                    pot.act(&ActionKind::Stirred);
                }
                pot.wait(1.0);
            }
            pot.temperature()
        });
    });
}

fn schedule(c: &mut Criterion) {
    let night = open_night::asked();
    night.schedule().expect("a schedule");
    c.bench_function("six casts of eight components put in order", |b| {
        b.iter(|| black_box(&night).schedule());
    });
    let back = Asked { begin: None, ready_by: night.begin, ..night };
    c.bench_function("the same backward", |b| b.iter(|| black_box(&back).schedule()));
}

criterion_group!(benches, seed, plan, folding, pot, outlines, colour, schedule);
criterion_main!(benches);
