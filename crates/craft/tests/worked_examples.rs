//! Cases worked out by an independent implementation. A result within 0.5 % (or
//! 0.05 °C) agrees.

use craft::check::Checker;
use craft::chocolate::{Chocolate, Family};
use craft::colour::{Film, Optics, stack};
use craft::filling::{Ingredient, balance};
use craft::fridge::stay;
use craft::heat::microwave::{Microwave, bursts, heat_to_melt};
use craft::heat::seed::{Amount, SeedInput, StillAir};
use craft::heat::{Material, Vessel};
use craft::room::Room;
use craft::setting::Dry;
use craft::shell::{CavityInputs, Pouring, ShellWay, Shells};
use craft::spread::Tray;
use craft::spread::slab::{Size, slab};
use craft::spread::wrap::WrapInput;
use craft::units::{
    celsius, grams, in_celsius, in_grams, in_joules, in_millilitres, in_millimetres, in_seconds,
    millimetres, minutes, percent_of, square_centimetres, watts,
};
use serde::Deserialize;

#[derive(Deserialize)]
struct Examples {
    seed_for_melted_mass: Vec<SeedCase>,
    seed_within_total: Vec<SeedCase>,
    dew_point: Vec<DewCase>,
    longest_fridge_stay: Vec<FridgeCase>,
    slab: Vec<SlabCase>,
    wrap: Vec<WrapCase>,
    microwave: Vec<MicrowaveCase>,
    melt_below_34: Vec<MeltCase>,
    hemisphere_shell: Vec<ShellCase>,
    film_stack_reflectance: Vec<StackCase>,
    filling: Vec<FillingCase>,
}

#[derive(Deserialize)]
struct FillingCase {
    parts: Vec<FillingPart>,
    water_pct: f64,
    fat_pct: f64,
    sugar_pct: f64,
    aw: f64,
}

#[derive(Deserialize)]
struct FillingPart {
    ingredient: Ingredient,
    grams: f64,
}

#[derive(Deserialize)]
struct ShellCase {
    family: Family,
    radius_mm: f64,
    shell_mm: f64,
    shell_g: f64,
    fill_ml: f64,
}

#[derive(Deserialize)]
struct StackCase {
    ground: f64,
    layers_from_ground_up: Vec<FilmCase>,
    reflectance: f64,
}

#[derive(Deserialize)]
#[serde(rename_all = "UPPERCASE")]
struct FilmCase {
    k: f64,
    s: f64,
    x: f64,
}

#[derive(Deserialize)]
struct SeedCase {
    family: Family,
    melted_g: Option<f64>,
    total_g: Option<f64>,
    melted_c: f64,
    target_c: f64,
    seed_c: f64,
    bowl_g: Option<f64>,
    bowl: Option<Material>,
    room_c: Option<f64>,
    minutes: Option<f64>,
    seed_g: f64,
}

#[derive(Deserialize)]
struct MeltCase {
    family: Family,
    mass_g: f64,
    start_c: f64,
    target_c: f64,
    energy_j: f64,
}

#[derive(Deserialize)]
struct DewCase {
    temp_c: f64,
    rh_pct: f64,
    dew_c: f64,
}

#[derive(Deserialize)]
struct SlabCase {
    family: Family,
    area_cm2: f64,
    thickness_mm: f64,
    mass_g: f64,
}

#[derive(Deserialize)]
struct FridgeCase {
    family: Family,
    thickness_mm: f64,
    start_c: f64,
    fridge_c: f64,
    room_c: f64,
    rh_pct: f64,
    minutes: Option<f64>,
}

#[derive(Deserialize)]
struct WrapCase {
    family: Family,
    diameter_mm: f64,
    height_mm: f64,
    thickness_mm: f64,
    overlap_mm: f64,
    length_mm: f64,
    mass_g: f64,
}

#[derive(Deserialize)]
struct MicrowaveCase {
    family: Family,
    mass_g: f64,
    start_c: f64,
    target_c: f64,
    watts: f64,
    power: f64,
    seconds: f64,
}

fn examples() -> Examples {
    serde_json::from_str(include_str!("data/worked-examples.json")).expect("the shipped cases")
}

#[track_caller]
fn agrees(ours: f64, theirs: f64) {
    assert!((ours - theirs).abs() <= theirs.abs() * 0.005, "{ours} against {theirs}");
}

fn solve(case: &SeedCase) -> f64 {
    let amount = match (case.melted_g, case.total_g) {
        (Some(melted), None) => Amount::Melted(grams(melted)),
        (None, Some(total)) => Amount::Total(grams(total)),
        _ => panic!("a case has one of the two masses"),
    };
    let chocolate = Chocolate::of(case.family);
    let plan = SeedInput {
        chocolate: &chocolate,
        amount,
        melted: celsius(case.melted_c),
        target: celsius(case.target_c),
        seed: celsius(case.seed_c),
        vessel: case.bowl.zip(case.bowl_g).map(|(material, g)| Vessel::usual(material, grams(g))),
        still_air: case
            .room_c
            .zip(case.minutes)
            .map(|(room, min)| StillAir { room: celsius(room), lasting: minutes(min) }),
    }
    .solve()
    .expect("temperatures in order");
    in_grams(plan.seed)
}

#[test]
fn seed_for_a_melted_mass() {
    for case in examples().seed_for_melted_mass {
        agrees(solve(&case), case.seed_g);
    }
}

#[test]
fn seed_within_a_total() {
    for case in examples().seed_within_total {
        agrees(solve(&case), case.seed_g);
    }
}

#[test]
fn fillings_of_any_ingredients() {
    for case in examples().filling {
        let parts: Vec<_> =
            case.parts.iter().map(|p| (p.ingredient.composition(), grams(p.grams))).collect();
        let made = balance(&parts);
        agrees(made.water_pct, case.water_pct);
        agrees(made.fat_pct, case.fat_pct);
        agrees(made.sugar_pct, case.sugar_pct);
        agrees(made.activity.expect("watery"), case.aw);
    }
}

#[test]
fn dew_points() {
    for case in examples().dew_point {
        let room = Room { temp: celsius(case.temp_c), humidity: percent_of(case.rh_pct) };
        let dew = in_celsius(room.dew_point());
        assert!((dew - case.dew_c).abs() <= 0.05, "{dew} against {}", case.dew_c);
    }
}

#[test]
fn slabs_both_ways() {
    for case in examples().slab {
        let chocolate = Chocolate::of(case.family);
        let tray = Tray::Area(square_centimetres(case.area_cm2));
        let by_thickness =
            slab(&chocolate, tray, Size::Thickness(millimetres(case.thickness_mm)), &[]);
        agrees(in_grams(by_thickness.expect("fits").chocolate), case.mass_g);
        let by_mass = slab(&chocolate, tray, Size::Chocolate(grams(case.mass_g)), &[]);
        agrees(in_millimetres(by_mass.expect("fits").thickness), case.thickness_mm);
    }
}

#[test]
fn microwave_time() {
    for case in examples().microwave {
        let plan = bursts(
            &Chocolate::of(case.family),
            grams(case.mass_g),
            [celsius(case.start_c), celsius(case.target_c)],
            &Microwave::usual(watts(case.watts), percent_of(case.power * 100.0)),
            None,
        );
        agrees(in_seconds(plan.total), case.seconds);
        let in_bursts: f64 = plan.bursts.into_iter().map(in_seconds).sum();
        assert!((in_bursts - case.seconds).abs() <= 0.5, "bursts add up to {in_bursts}");
    }
}

#[test]
fn melts_that_stop_below_34() {
    for case in examples().melt_below_34 {
        let heat = heat_to_melt(
            &Chocolate::of(case.family),
            grams(case.mass_g),
            celsius(case.start_c),
            celsius(case.target_c),
        );
        agrees(in_joules(heat), case.energy_j);
    }
}

#[test]
fn longest_fridge_stay() {
    for case in examples().longest_fridge_stay {
        let room = Room { temp: celsius(case.room_c), humidity: percent_of(case.rh_pct) };
        let stay = stay(
            &Chocolate::of(case.family),
            millimetres(case.thickness_mm),
            Dry { temp: celsius(case.start_c), crystals: None },
            celsius(case.fridge_c),
            &room,
        );
        match (stay.longest, case.minutes) {
            (Some(ours), Some(theirs)) => agrees(in_seconds(ours) / 60.0, theirs),
            (ours, theirs) => assert_eq!(ours.is_some(), theirs.is_some(), "{theirs:?}"),
        }
    }
}

#[test]
fn wrap() {
    for case in examples().wrap {
        let chocolate = Chocolate::of(case.family);
        let wrap = WrapInput {
            overlap: millimetres(case.overlap_mm),
            ..WrapInput::usual(
                &chocolate,
                millimetres(case.diameter_mm),
                millimetres(case.height_mm),
                millimetres(case.thickness_mm),
            )
        }
        .solve();
        agrees(in_millimetres(wrap.length), case.length_mm);
        agrees(in_grams(wrap.chocolate), case.mass_g);
    }
}

#[test]
fn shells_of_half_a_ball() {
    for case in examples().hemisphere_shell {
        let chocolate = Chocolate::of(case.family);
        let cavity = CavityInputs::hemisphere(2.0 * case.radius_mm)
            .check("", &mut Checker::new())
            .expect("a cavity");
        let shells = Shells {
            cavity,
            count: 1,
            shell: millimetres(case.shell_mm),
            way: ShellWay::Dump,
            cap: None,
            pouring: Pouring { chocolate: &chocolate, flow_grade: 3, poured: None, learned: 1.0 },
        };
        let amount = shells.solve().expect("it is hollow");
        agrees(in_grams(amount.shell), case.shell_g);
        agrees(in_millilitres(amount.hollow), case.fill_ml);
    }
}

#[test]
fn films_over_a_ground() {
    for case in examples().film_stack_reflectance {
        // The case lists them from the ground up; the face is the other end.
        let films: Vec<Film> = case
            .layers_from_ground_up
            .iter()
            .rev()
            .map(|film| Film {
                optics: Optics { k: [film.k; 3], s: [film.s; 3] },
                thickness: film.x,
            })
            .collect();
        for channel in stack([case.ground; 3], &films) {
            agrees(channel, case.reflectance);
        }
    }
}
