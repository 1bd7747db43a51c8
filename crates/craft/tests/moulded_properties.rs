//! What holds for moulds, colours, dips and days whatever is stated.

use std::collections::HashMap;

use chrono::{DateTime, NaiveTime, TimeDelta, Utc};
use craft::check::Checker;
use craft::chocolate::{Chocolate, Family};
use craft::colour::{
    Film, Ground, Optics, Wanted, Way, colour_butter, film, hex, linear, seen_strength, stack,
};
use craft::dip::{DippedShape, dip};
use craft::filling::ganache;
use craft::kinds::kinds;
use craft::plan::{BowlInputs, Plan, PlanInputs, WhenInputs};
use craft::schedule::{Around, AtHand, Hours, days, sittings};
use craft::shell::{
    CavityInputs, CavityShape, Coat, Pouring, ShellWay, Shells, ShellsError, wall_of,
};
use craft::steps::lines;
use craft::units::{
    celsius, grams, in_grams, in_millilitres, in_millimetres, in_seconds, millimetres,
    square_centimetres,
};
use craft::work::ComponentInputs;
use proptest::prelude::*;

/// Cavities of every form that has a form.
fn cavities() -> impl Strategy<Value = CavityInputs> {
    let mm = || 12.0..90.0_f64;
    let form = prop_oneof![
        Just(CavityShape::Hemisphere),
        Just(CavityShape::Cylinder),
        Just(CavityShape::Cone),
        Just(CavityShape::Block)
    ];
    (form, mm(), mm(), mm()).prop_map(|(shape, across, along, depth)| {
        let base = CavityInputs { shape, ..CavityInputs::default() };
        match shape {
            CavityShape::Hemisphere => CavityInputs { diameter_mm: Some(across), ..base },
            CavityShape::Block => CavityInputs {
                length_mm: Some(along),
                width_mm: Some(across),
                depth_mm: Some(depth),
                ..base
            },
            _ => CavityInputs { diameter_mm: Some(across), depth_mm: Some(depth), ..base },
        }
    })
}

fn families() -> impl Strategy<Value = Family> {
    prop::sample::select(vec![Family::Dark, Family::Milk, Family::White, Family::Ruby])
}

fn films() -> impl Strategy<Value = Vec<Film>> {
    let channel = || (1e-3..3.0_f64, 1e-3..5.0_f64);
    let one = (channel(), channel(), channel(), 0.05..3.0_f64).prop_map(|(r, g, b, thickness)| {
        Film { optics: Optics { k: [r.0, g.0, b.0], s: [r.1, g.1, b.1] }, thickness }
    });
    prop::collection::vec(one, 0..6)
}

proptest! {
    #[test]
    fn what_is_at_hand_is_kept_or_comes_back(
        cavity in cavities(),
        family in families(),
        count in 1_u32..200,
        shell_mm in 0.6..5.0_f64,
        brushed in any::<bool>(),
    ) {
        let mut check = Checker::new();
        let sound = cavity.check("cavity", &mut check).expect("sound measures");
        let chocolate = Chocolate::of(family);
        let way = if brushed { ShellWay::Brush } else { ShellWay::Dump };
        let shells = Shells {
            cavity: sound,
            count,
            shell: millimetres(shell_mm),
            way,
            cap: None,
            pouring: Pouring { chocolate: &chocolate, flow_grade: 3, poured: None, learned: 1.0 },
        };
        match shells.solve() {
            Err(ShellsError::ThickerThanRadius { .. }) => {
                prop_assert!(shell_mm >= in_millimetres(sound.radius()), "{shell_mm}");
            }
            Err(error) => prop_assert!(false, "no cap was asked for: {error:?}"),
            Ok(amount) => {
                prop_assert!(in_grams(amount.kept) > 0.0);
                prop_assert!(in_grams(amount.in_hand) >= in_grams(amount.kept) - 1e-9);
                prop_assert!(in_grams(amount.returned) >= -1e-9);
                let each = in_grams(amount.shell);
                prop_assert!((in_grams(amount.kept) - each * f64::from(count)).abs() < 1e-6 * each * f64::from(count) + 1e-9);
                prop_assert!(in_millilitres(amount.hollow) < in_millilitres(sound.volume));
                prop_assert!(in_millilitres(amount.hollow) >= 0.0);
                prop_assert_eq!(matches!(amount.coat, Coat::Brushed { .. }), brushed);
            }
        }
    }

    #[test]
    fn a_wall_is_found_back_from_its_volume(cavity in cavities(), share in 0.05..0.6_f64) {
        let sound = cavity.check("cavity", &mut Checker::new()).expect("sound measures");
        let shell = sound.radius() * share;
        let found = wall_of(&sound, sound.wall(shell)).expect("it fits");
        prop_assert!((in_millimetres(found) - in_millimetres(shell)).abs() < 0.01, "{found:?}");
    }

    #[test]
    fn a_longer_wait_leaves_more_and_is_found_back(
        family in families(),
        flow_grade in 1_u8..=5,
        wait_s in 0.0..120.0_f64,
        cooler in 0.0..2.0_f64,
    ) {
        let chocolate = Chocolate::of(family);
        let middle = chocolate.windows.work.middle();
        let warmth = celsius(craft::units::in_celsius(middle) - cooler);
        let pouring =
            Pouring { chocolate: &chocolate, flow_grade, poured: Some(warmth), learned: 1.0 };
        let of = |s: f64| pouring.stays(craft::units::seconds(s));
        prop_assert!(of(wait_s + 1.0) > of(wait_s));
        let back = pouring.wait_for(of(wait_s)).expect("it is a wait");
        prop_assert!((in_seconds(back) - wait_s).abs() < 1e-3, "{back:?}");
        let warmer = Pouring { poured: Some(middle), ..pouring };
        prop_assert!(warmer.stays(craft::units::seconds(wait_s)) <= of(wait_s), "cooler is thicker");
    }

    #[test]
    fn light_is_neither_made_nor_lost_beyond_all_of_it(films in films(), ground in 0.0..1.0_f64) {
        let seen = stack([ground; 3], &films);
        prop_assert!(seen.iter().all(|r| (0.0..=1.0).contains(r)), "{seen:?}");
        // A brighter ground is never seen as darker.
        let brighter = stack([f64::midpoint(ground, 1.0); 3], &films);
        prop_assert!(seen.iter().zip(brighter).all(|(a, b)| b >= a - 1e-9));
        // A screen's colour goes there and back within a step of it.
        let back = linear(&hex(seen)).expect("a colour");
        prop_assert!(seen.iter().zip(back).all(|(a, b)| (a - b).abs() < 0.01), "{seen:?} {back:?}");
    }

    #[test]
    fn what_hides_hides_whatever_is_behind(films in films()) {
        let wall = Film { optics: Optics { k: [0.05; 3], s: [6.0; 3] }, thickness: 12.0 };
        let over: Vec<_> = std::iter::once(wall).chain(films).collect();
        let [dark, white] = [Ground::Dark, Ground::White].map(|g| stack(g.tinted(), &over));
        prop_assert!(dark.iter().zip(white).all(|(a, b)| (a - b).abs() < 1e-3), "{dark:?} {white:?}");
    }

    #[test]
    fn a_strength_is_found_back_where_it_can_be_seen(factor in 0.3..3.0_f64, thickness in 0.1..1.0_f64) {
        let usual = Optics { k: [0.05, 0.6, 1.4], s: [0.1, 0.05, 0.02] };
        let ground = Ground::White.tinted();
        let seen = stack(ground, &[Film { optics: usual.times(factor), thickness }]);
        let found = seen_strength(ground, &[Film { optics: usual, thickness }], 0, seen);
        prop_assert!((found.factor / factor - 1.0).abs() < 0.1, "{found:?} for {factor}");
    }

    #[test]
    fn butter_and_powder_are_all_of_it(parts in 0.1..20.0_f64, g in 1.0..500.0_f64) {
        let whole = colour_butter(Wanted::Total(grams(g)), parts);
        prop_assert!((in_grams(whole.total) - g).abs() < 1e-9 * g);
        prop_assert!((in_grams(whole.butter + whole.pigment) - g).abs() < 1e-9 * g);
        let by_powder = colour_butter(Wanted::Pigment(whole.pigment), parts);
        prop_assert!((in_grams(by_powder.total) - g).abs() < 1e-6 * g);
    }

    #[test]
    fn more_face_more_coats_and_more_of_it_covered_take_more(
        cm2 in 5.0..2_000.0_f64,
        passes in 1_u32..6,
        share in 0.05..0.9_f64,
    ) {
        for way in [Way::Brush, Way::Finger, Way::Fleck, Way::Spray, Way::Sheet] {
            let of = |cm2: f64, passes, share| film(square_centimetres(cm2), way, passes, share);
            let one = of(cm2, passes, share);
            prop_assert!(of(cm2 * 1.5, passes, share).film > one.film);
            prop_assert!(of(cm2, passes + 1, share).film > one.film);
            prop_assert!(of(cm2, passes, share + 0.1).film > one.film);
            // What the tool needs is at hand, however little goes on.
            prop_assert!(one.to_prepare >= one.film && one.to_prepare >= way.least());
        }
    }

    #[test]
    fn a_ganache_is_its_parts_and_drier_with_more_chocolate(
        family in families(),
        ratio in 0.8..4.0_f64,
        butter in 0.0..0.2_f64,
        g in 20.0..3_000.0_f64,
    ) {
        let made = ganache(family, ratio, butter, grams(g));
        let parts = in_grams(made.chocolate) + in_grams(made.cream) + in_grams(made.butter);
        prop_assert!((parts - g).abs() < 1e-6 * g, "{made:?}");
        prop_assert!((in_grams(made.chocolate) / in_grams(made.cream) - ratio).abs() < 1e-6);
        let drier = ganache(family, ratio + 0.5, butter, grams(g));
        prop_assert!(drier.water < made.water);
    }

    #[test]
    fn a_dip_weighs_out_what_it_coats_and_what_stands(
        diameter_mm in 10.0..60.0_f64,
        count in 1_u32..200,
        wider in 6.0..60.0_f64,
    ) {
        let dark = Chocolate::of(Family::Dark);
        let shape = DippedShape { diameter_mm: Some(diameter_mm), ..DippedShape::default() };
        let centre = shape.check("shape", &mut Checker::new()).expect("a ball");
        let dipped = dip(&dark, &centre, count, millimetres(1.3), millimetres(diameter_mm + wider))
            .expect("it goes in");
        prop_assert!(dipped.to_weigh >= dipped.coats + dipped.in_vessel);
        prop_assert!((in_grams(dipped.coats) - in_grams(dipped.coat) * f64::from(count)).abs() < 1e-6);
        // Whatever stands in the vessel comes back.
        prop_assert_eq!(dipped.returned, dipped.in_vessel);
    }
}

/// A batch of some kinds of work, as each starts.
fn batch_of(which: &[usize]) -> PlanInputs {
    let all = kinds();
    let mut bowls: Vec<_> = [Family::Dark, Family::White].map(BowlInputs::usual).into();
    let mut components = Vec::new();
    for (i, k) in which.iter().enumerate() {
        let kind = &all[k % all.len()];
        for colour in &kind.colours {
            if bowls.iter().all(|bowl| bowl.key != colour.key) {
                bowls.push(colour.clone());
            }
        }
        components.push(ComponentInputs {
            key: format!("it-{i}"),
            name: kind.name.to_owned(),
            work: kind.start.clone(),
        });
    }
    PlanInputs { fridge_c: Some(5.0), bowls, components, ..PlanInputs::usual(Family::Dark) }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(48))]

    #[test]
    fn one_pair_of_hands_does_every_sitting_in_order_and_once(
        which in prop::collection::vec(0_usize..64, 1..6),
        hour in 0_i64..48,
        (up_from, up_to) in (5_u32..11, 18_u32..24),
        ahead_h in -11_i32..12,
    ) {
        let plan = Plan::of(&batch_of(&which)).expect("each as it starts");
        let all = sittings(&lines(&plan));
        let time = |h: u32| NaiveTime::from_hms_opt(h.min(23), 0, 0).expect("an hour");
        // Zones with whole hours are named against the sun.
        let zone: chrono_tz::Tz = format!("Etc/GMT{:+}", -ahead_h).parse().expect("a zone");
        let start: DateTime<Utc> =
            DateTime::from_timestamp(1_790_000_000, 0).expect("in range") + TimeDelta::hours(hour);
        let hours = Hours::daily(time(up_from), time(up_to), zone);
        let when = WhenInputs { begin: Some(start), ..WhenInputs::default() };
        let around = Around { now: start, hours: &hours, busy: &[], done: &HashMap::new(), at_hand: &AtHand::default() };
        let days = days(&lines(&plan), &when, &around).expect("days").expect("something to do");
        let placed = days.slots;
        prop_assert_eq!(placed.len(), all.len());
        for pair in placed.windows(2) {
            prop_assert!(pair[0].to <= pair[1].from, "{:#?}", pair);
        }
        for slot in &placed {
            prop_assert!(slot.from >= start);
            let local = slot.from.with_timezone(&zone).time();
            prop_assert!(local >= time(up_from) && local <= time(up_to), "{:#?}", slot);
            let named = days.broken.iter().any(|broken| broken.key == slot.sitting.step);
            prop_assert!(named || slot.latest.is_none_or(|latest| slot.from <= latest), "{:#?}", slot);
        }
        for component in &plan.components {
            let of = |sittings: Vec<&str>| sittings.into_iter().map(ToOwned::to_owned).collect::<Vec<_>>();
            let stated = of(all.iter().filter(|s| s.component == component.key).map(|s| s.step.as_str()).collect());
            let done = of(placed.iter().filter(|s| s.sitting.component == component.key).map(|s| s.sitting.step.as_str()).collect());
            prop_assert_eq!(stated, done);
        }
    }
}
