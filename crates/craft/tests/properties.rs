//! What must hold whatever the maker states.

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{self, Action, ActionKind, Reading, Record, Seen, Source};
use craft::chocolate::{Chocolate, Family};
use craft::coach;
use craft::fridge::stay;
use craft::heat::microwave::{Microwave, bursts};
use craft::heat::seed::{Amount, SeedInput, StillAir};
use craft::heat::stone;
use craft::heat::{Material, Vessel};
use craft::logfile;
use craft::measure::{Unit, read};
use craft::method::Method;
use craft::plan::{BowlInputs, Plan, PlanInputs, bowl as bowl_plan};
use craft::room::Room;
use craft::setting::{Dry, Place, setting};
use craft::spread::Tray;
use craft::spread::piped::piped;
use craft::spread::slab::{FoldedIn, Size, slab};
use craft::spread::wrap::WrapInput;
use craft::units::{
    celsius, grams, grams_per_cubic_centimetre, in_celsius, in_grams, in_millimetres, in_seconds,
    millimetres, minutes, percent_of, seconds, watts,
};
use craft::work::{CoverInputs, TrayInputs, WorkInputs};
use proptest::prelude::*;
use uuid::Uuid;

fn family() -> impl Strategy<Value = Family> {
    prop::sample::select(Family::ALL.to_vec())
}

fn tempered() -> impl Strategy<Value = Family> {
    family().prop_filter("coatings take no seed", |f| f.tempers())
}

fn vessel() -> impl Strategy<Value = Option<Vessel>> {
    let material = prop::sample::select(vec![
        Material::Glass,
        Material::Steel,
        Material::Plastic,
        Material::Ceramic,
    ]);
    prop::option::of(
        (material, 50.0..3000.0).prop_map(|(material, g)| Vessel::usual(material, grams(g))),
    )
}

/// Where a mix ends if its seed takes heat as the balance says it does.
fn mixed_c(chocolate: &Chocolate, melted_g: f64, melted_c: f64, seed_g: f64, seed_c: f64) -> f64 {
    let (cl, cs) = if chocolate.family == Family::CocoaButter { (2.0, 2.0) } else { (1.6, 1.4) };
    let latent = 0.95 * 125.0 * craft::units::in_percent(chocolate.fat) / 100.0;
    (melted_g * cl * melted_c + seed_g * (cs * seed_c - latent)) / (melted_g * cl + seed_g * cs)
}

proptest! {
    #[test]
    fn seed_and_melted_make_the_total_and_the_additions_make_the_seed(
        family in tempered(), total in 20.0..10_000.0, over in 2.0..20.0, seed_c in 5.0..24.0,
        vessel in vessel(), air in prop::option::of((10.0..24.0, 0.0..30.0)),
    ) {
        let chocolate = Chocolate::of(family);
        let target = chocolate.windows.seed_target();
        let plan = SeedInput {
            chocolate: &chocolate,
            amount: Amount::Total(grams(total)),
            melted: celsius(in_celsius(target) + over),
            target,
            seed: celsius(seed_c),
            vessel,
            still_air: air.map(|(room, min)| StillAir { room: celsius(room), lasting: minutes(min) }),
        }.solve().expect("in order");
        prop_assert!((in_grams(plan.seed + plan.melted) - total).abs() < 1e-6);
        prop_assert!(in_grams(plan.seed) >= 0.0 && in_grams(plan.melted) >= 0.0);
        let added: f64 = plan.additions.iter().map(|a| in_grams(*a)).sum();
        prop_assert!((added - in_grams(plan.seed)).abs() < 1e-6);
    }

    #[test]
    fn both_forms_of_the_seed_sum_agree(
        family in tempered(), total in 50.0..5000.0, over in 4.0..16.0, vessel in vessel(),
        min in 0.0..12.0,
    ) {
        let chocolate = Chocolate::of(family);
        let target = chocolate.windows.seed_target();
        let mut input = SeedInput {
            chocolate: &chocolate,
            amount: Amount::Total(grams(total)),
            melted: celsius(in_celsius(target) + over),
            target,
            seed: celsius(20.0),
            vessel,
            still_air: Some(StillAir { room: celsius(20.0), lasting: minutes(min) }),
        };
        let within = input.solve().expect("in order");
        prop_assume!(in_grams(within.seed) > 0.0 && in_grams(within.melted) > 1.0);
        input.amount = Amount::Melted(within.melted);
        let on_top = input.solve().expect("in order");
        prop_assert!((in_grams(on_top.seed) - in_grams(within.seed)).abs() < 1e-3,
            "{} on top, {} within", in_grams(on_top.seed), in_grams(within.seed));
    }

    #[test]
    fn more_seed_never_leaves_it_warmer(
        family in tempered(), melted_g in 50.0..5000.0, over in 2.0..16.0,
        seed_c in 5.0..24.0, share in 0.01..0.6, more in 1.01..2.0,
    ) {
        let chocolate = Chocolate::of(family);
        let melted_c = in_celsius(chocolate.windows.seed_target()) + over;
        let less = mixed_c(&chocolate, melted_g, melted_c, melted_g * share, seed_c);
        let with_more = mixed_c(&chocolate, melted_g, melted_c, melted_g * share * more, seed_c);
        prop_assert!(with_more <= less);
        // And the sum asks for more seed to get to a lower target.
        let ask = |target: f64| SeedInput {
            chocolate: &chocolate, amount: Amount::Melted(grams(melted_g)),
            melted: celsius(melted_c), target: celsius(target), seed: celsius(seed_c),
            vessel: None, still_air: None,
        }.solve().map(|p| in_grams(p.seed)).unwrap_or(0.0);
        let target = in_celsius(chocolate.windows.seed_target());
        prop_assert!(ask(target - 1.0) > ask(target));
        // The amount it asks for ends at the target.
        let ends = mixed_c(&chocolate, melted_g, melted_c, ask(target), seed_c);
        prop_assert!((ends - target).abs() < 1e-6, "ends at {ends}, aimed at {target}");
    }

    #[test]
    fn thickness_area_and_density_give_the_mass_back(
        family in family(), length in 30.0..600.0, width in 30.0..600.0, mm in 1.0..20.0,
        dry in prop::collection::vec((1.0..50.0, 0.3..1.5), 0..3),
    ) {
        let chocolate = Chocolate::of(family);
        let tray = Tray::Rectangle { length: millimetres(length), width: millimetres(width) };
        let dry: Vec<_> = dry.into_iter().map(|(g, rho)| FoldedIn {
            mass: grams(g), density: grams_per_cubic_centimetre(rho),
        }).collect();
        if let Ok(there) = slab(&chocolate, tray, Size::Thickness(millimetres(mm)), &dry) {
            prop_assert!(there.to_weigh >= there.chocolate);
            let back = slab(&chocolate, tray, Size::Chocolate(there.chocolate), &dry).expect("fits");
            prop_assert!((in_millimetres(back.thickness) - mm).abs() < 1e-9);
        } else {
            let filled: f64 = dry.iter().map(|f| (f.mass / f.density).value * 1e9).sum();
            prop_assert!(filled >= length * width * mm * 0.999_999);
        }
    }

    #[test]
    fn bursts_are_whole_seconds_that_add_up(
        family in family(), g in 10.0..5000.0, from in 5.0..30.0, to in 35.0..50.0,
        power in 0.1..1.0,
    ) {
        let plan = bursts(&Chocolate::of(family), grams(g), [celsius(from), celsius(to)],
            &Microwave::usual(watts(800.0), percent_of(power * 100.0)), None);
        let lengths: Vec<f64> = plan.bursts.iter().map(|b| in_seconds(*b)).collect();
        prop_assert!((lengths.iter().sum::<f64>() - in_seconds(plan.total)).abs() <= 0.5);
        prop_assert!(lengths.iter().all(|s| (1.0..=34.0).contains(s) && s.fract() == 0.0));
    }

    #[test]
    fn a_plan_is_made_or_its_faults_are_told(
        family in family(), length_mm in -10.0..3000.0_f64, thickness_mm in -1.0..60.0_f64,
        room_c in -5.0..60.0_f64, rh_pct in -5.0..120.0_f64,
        melt_to_c in prop::option::of(0.0..100.0_f64), seed_c in prop::option::of(-40.0..60.0_f64),
    ) {
        let mut inputs = PlanInputs { room_c, rh_pct, ..PlanInputs::usual(family) };
        inputs.bowls[0].melt_to_c = melt_to_c;
        inputs.bowls[0].seed_c = seed_c;
        if let WorkInputs::Slab(slab) = &mut inputs.components[0].work {
            let tray = TrayInputs::Rectangle { length_mm, width_mm: 200.0, rim_mm: None };
            slab.cover = CoverInputs::Thickness { tray, thickness_mm };
        }
        match Plan::of(&inputs) {
            Ok(plan) => {
                let bowl = plan.bowls[0].plan.as_ref().expect("something is made from it");
                prop_assert!(in_grams(bowl.total).is_finite());
                prop_assert!((in_grams(bowl.amounts.total()) - in_grams(bowl.total)).abs() < 1e-6);
            }
            Err(faults) => prop_assert!(faults.iter().all(|f| !f.field.is_empty() && !f.message.text().is_empty())),
        }
    }
}

fn start() -> DateTime<Utc> {
    DateTime::from_timestamp(1_790_000_000, 0).expect("in range")
}

fn a_plan() -> craft::plan::BowlPlan {
    bowl_plan(&BowlInputs::alone(Family::Dark, 325.0)).expect("a plain plan")
}

fn kind() -> impl Strategy<Value = ActionKind> {
    prop_oneof![
        (1.0..60.0).prop_map(|s| ActionKind::Heat { lasting: Some(seconds(s)) }),
        Just(ActionKind::OffHeat),
        Just(ActionKind::Stirred),
        (1.0..200.0).prop_map(|g| ActionKind::SeedAdded { mass: grams(g) }),
        (1.0..10.0).prop_map(|g| ActionKind::CrystalsAdded { mass: grams(g) }),
        (1.0..400.0).prop_map(|g| ActionKind::OnStone { mass: grams(g) }),
        Just(ActionKind::OffStone),
        Just(ActionKind::TooThick),
        Just(ActionKind::TestStarted),
        (
            prop::sample::select(vec![
                Seen::SetsFromEdge,
                Seen::EvenSatin,
                Seen::Streaks,
                Seen::StillWet
            ]),
            prop::option::of((0.0..600.0).prop_map(seconds)),
        )
            .prop_map(|(seen, dull_for)| ActionKind::TestSeen { seen, dull_for }),
        (1.0..30.0).prop_map(|s| ActionKind::Dryer { lasting: seconds(s) }),
        Just(ActionKind::OnCoolWater),
        Just(ActionKind::OffCoolWater),
        Just(ActionKind::Poured),
        (0_u128..6).prop_map(|n| ActionKind::Undone { action: Uuid::from_u128(1000 + n) }),
    ]
}

proptest! {
    #[test]
    fn a_shuffled_stream_with_repeats_folds_like_the_clean_one(
        temps in prop::collection::vec((0_i64..3600, 18.0..70.0), 0..80),
        kinds in prop::collection::vec((0_i64..3600, kind()), 0..12),
        order in any::<u64>(),
    ) {
        let run = a_plan().run(start());
        let setup = run.setup.clone();
        let readings: Vec<_> = temps.iter().enumerate().map(|(i, &(s, c))| Reading {
            id: Uuid::from_u128(i as u128), at: start() + TimeDelta::seconds(s),
            temp: celsius(c), source: Source::Probe,
        }).collect();
        let actions: Vec<_> = kinds.iter().enumerate().map(|(i, (s, kind))| Action {
            id: Uuid::from_u128(1000 + i as u128), at: start() + TimeDelta::seconds(*s),
            kind: kind.clone(),
        }).collect();
        let now = start() + TimeDelta::seconds(3700);
        let clean = Record::new(readings.clone(), actions.clone());

        // Shuffle by a keyed order, and send a third of it twice, one by one.
        let mix = |i: usize| (i as u64 + 1).wrapping_mul(order | 1).rotate_left(17);
        let mut shuffled: Vec<_> = readings.iter().chain(readings.iter().step_by(3)).collect();
        let mut keyed: Vec<_> = shuffled.drain(..).enumerate().collect();
        keyed.sort_by_key(|(i, _)| mix(*i));
        let mut record = Record::default();
        for (_, reading) in keyed {
            record.add_reading(*reading);
        }
        let mut keyed: Vec<_> =
            actions.iter().chain(actions.iter().step_by(3)).enumerate().collect();
        keyed.sort_by_key(|(i, _)| mix(*i));
        for (_, action) in keyed {
            record.add_action(action.clone());
        }

        prop_assert_eq!(&record, &clean);
        let bowl = bowl::fold(&setup, &record, now);
        prop_assert_eq!(&bowl, &bowl::fold(&setup, &clean, now));
        // Whatever happened, there is something to say.
        let ahead = bowl::look_ahead(&setup, &record, &bowl);
        let advice = coach::advise(&run, &bowl, &ahead, now);
        prop_assert!(!advice.say.text().is_empty());
    }
}

fn at(s: f64) -> DateTime<Utc> {
    #[allow(clippy::cast_possible_truncation)] // hours
    let after = TimeDelta::milliseconds((s * 1000.0) as i64);
    start() + after
}

/// Every method with every family that it suits.
fn every_pair() -> Vec<(Method, Family)> {
    let of = |method: Method| {
        let suits = Family::ALL.into_iter().filter(move |family| method.suits(*family));
        suits.map(move |family| (method, family))
    };
    Method::all().into_iter().flat_map(of).collect()
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(192))]

    #[test]
    fn the_coach_has_an_answer_to_any_record(
        (method, family) in prop::sample::select(every_pair()),
        readings in prop::collection::vec((0.0..4_000.0, -60.0..250.0), 0..60),
        acts in prop::collection::vec((0.0..4_000.0, kind()), 0..20),
        now in 0.0..5_000.0,
    ) {
        let inputs = BowlInputs { method: Some(method), stone_c: Some(16.0), ..BowlInputs::alone(family, 325.0) };
        let run = bowl_plan(&inputs).expect("a plain plan").run(start());
        let setup = run.setup.clone();
        let readings = readings.into_iter().enumerate().map(|(i, (s, c))| Reading {
            id: Uuid::from_u128(i as u128), at: at(s), temp: celsius(c), source: Source::Probe,
        });
        let acts = acts.into_iter().enumerate().map(|(i, (s, kind))| Action {
            id: Uuid::from_u128(1_000 + i as u128), at: at(s), kind,
        });
        let record = Record::new(readings.collect(), acts.collect());
        let bowl = bowl::fold(&setup, &record, at(now));
        let ahead = bowl::look_ahead(&setup, &record, &bowl);
        let advice = coach::advise(&run, &bowl, &ahead, at(now));
        prop_assert!(!advice.say.text().is_empty());
        for g in [advice.seed, advice.crystals, advice.pour_out].into_iter().flatten() {
            prop_assert!(in_grams(g).is_finite() && in_grams(g) >= 0.0, "{}", advice.say);
        }
        if let Some(heat) = advice.heat {
            prop_assert!((0.0..=60.0).contains(&in_seconds(heat)), "{}", advice.say);
        }
        for burst in coach::bursts_left(&setup, &bowl, &ahead, &advice, at(now)) {
            prop_assert!(in_seconds(burst) > 0.0 && in_seconds(burst) <= 31.0);
        }
        // Over the limit it is never left unsaid.
        let hot = bowl.thermometer.latest.is_some_and(|l| {
            l.temp >= setup.chocolate.windows.limit && at(now) - l.at <= coach::STALE_AFTER
        });
        let spoke = matches!(advice.rule, coach::Rule::LimitPassed | coach::Rule::ProbeTrouble);
        prop_assert!(!hot || bowl.ended() || spoke, "{:?}: {}", advice.rule, advice.say);
    }

    #[test]
    fn a_blends_every_bound_lies_between_its_parts_and_order_does_not_matter(
        a in tempered(), b in tempered(), share in 1.0..99.0,
    ) {
        let parts = [(Chocolate::of(a), share), (Chocolate::of(b), 100.0 - share)];
        let blend = Chocolate::blend(&parts).expect("both temper");
        let turned = Chocolate::blend(&[parts[1].clone(), parts[0].clone()]).expect("both temper");
        for bound in [
            |c: &Chocolate| in_celsius(c.windows.work.lo),
            |c: &Chocolate| in_celsius(c.windows.work.hi),
            |c: &Chocolate| in_celsius(c.windows.limit),
            |c: &Chocolate| in_celsius(c.windows.lost.expect("it tempers")),
            |c: &Chocolate| craft::units::in_percent(c.fat),
        ] {
            let [x, y] = [bound(&parts[0].0), bound(&parts[1].0)];
            prop_assert!((x.min(y) - 1e-9..=x.max(y) + 1e-9).contains(&bound(&blend)));
            prop_assert!((bound(&blend) - bound(&turned)).abs() < 1e-9);
        }
        let w = &blend.windows;
        prop_assert!(w.thick < w.work.lo && w.work.hi < w.melt.lo && w.melt.hi <= w.limit);
    }

    #[test]
    fn what_goes_on_the_stone_and_what_stays_mix_to_the_target(
        total in 50.0..5_000.0, stone in 18.0..28.0, over in 0.5..5.0, melted in 40.0..50.0,
    ) {
        let target = stone + over;
        let out = stone::split(grams(total), celsius(melted), celsius(stone), celsius(target));
        let out = in_grams(out.expect("in order"));
        prop_assert!(out > 0.0 && out < total);
        let mixed = (out * stone + (total - out) * melted) / total;
        prop_assert!((mixed - target).abs() < 1e-6);
    }

    #[test]
    fn a_log_reads_the_same_whatever_its_signs(
        rows in prop::collection::vec((0u32..20_000, 150i32..900), 1..40),
        separator in prop::sample::select(vec![',', ';', '\t']), marked in any::<bool>(),
        fahrenheit in any::<bool>(),
    ) {
        let comma = separator != ',';
        let mut text = if marked { "\u{feff}".to_owned() } else { String::new() };
        text += &format!("elapsed s{separator}probe °{}\n", if fahrenheit { 'F' } else { 'C' });
        for (s, tenths) in &rows {
            let c = f64::from(*tenths) / 10.0;
            let shown = format!("{:.2}", if fahrenheit { c * 1.8 + 32.0 } else { c });
            let shown = if comma { shown.replace('.', ",") } else { shown };
            text += &format!("{s}{separator}{shown}\r\n");
        }
        let asked = logfile::Asked {
            time_column: None, temp_column: None, unit: None, date_order: None,
            utc_offset_min: 0, shift_s: 0.0, start: start(),
        };
        let log = logfile::read(text.as_bytes(), &asked);
        let log = log.map_err(|faults| TestCaseError::fail(format!("{faults:?} in {text}")))?;
        let mut wanted = rows.clone();
        wanted.sort_by_key(|(s, _)| *s);
        prop_assert_eq!(log.lines.len(), wanted.len());
        for (line, (s, _)) in log.lines.iter().zip(&wanted) {
            prop_assert_eq!(line.at, start() + TimeDelta::seconds(i64::from(*s)));
        }
        let [read, sent] = [
            log.lines.iter().map(|l| in_celsius(l.temp)).sum::<f64>(),
            rows.iter().map(|(_, tenths)| f64::from(*tenths) / 10.0).sum(),
        ];
        prop_assert!((read - sent).abs() < 0.01 * rows.len() as f64);
    }
}

proptest! {
    #[test]
    fn windows_after_a_pour_come_in_order_and_wait_for_thickness(
        family in family(), mm in 0.5..20.0, poured in 26.0..45.0, place_c in -25.0..24.0,
        kind in 0..3u8,
    ) {
        let chocolate = Chocolate::of(family);
        let temp = celsius(place_c);
        let place = match kind {
            0 => Place::Room(temp),
            1 => Place::Fridge(temp),
            _ => Place::ColdSlab(temp),
        };
        let windows = |mm: f64| setting(&chocolate, millimetres(mm), celsius(poured), place);
        if let Some(s) = windows(mm) {
            let mut order = vec![s.topping_until, s.touch_dry, s.cut_from, s.flexible_until,
                s.cut_to, s.second_layer_until, s.release];
            if kind == 2 {
                // Off a frozen stone it is lifted as soon as it is dry, and bends in the air.
                prop_assert!(s.flexible_until.typical > s.touch_dry.typical);
                order.remove(3);
            }
            prop_assert!(order.windows(2).all(|w| w[0].typical <= w[1].typical), "{s:?}");
            for moment in order {
                prop_assert!(moment.earliest <= moment.typical && moment.typical <= moment.latest);
                prop_assert!(in_seconds(moment.latest).is_finite());
            }
            if let Some(thicker) = windows(mm * 1.3) {
                prop_assert!(thicker.release.typical > s.release.typical, "{s:?} {thicker:?}");
            }
        }
    }

    #[test]
    fn a_stay_in_the_fridge_never_passes_the_dew(
        family in family(), mm in 1.0..12.0, start in 18.0..30.0, fridge in 0.0..12.0,
        room_c in 15.0..28.0, rh in 10.0..95.0,
    ) {
        let room = Room { temp: celsius(room_c), humidity: percent_of(rh) };
        let chocolate = Chocolate::of(family);
        let stay = stay(
            &chocolate,
            millimetres(mm),
            Dry { temp: celsius(start), crystals: None },
            celsius(fridge),
            &room,
        );
        if let (Some(advised), Some(longest)) = (stay.advised, stay.longest) {
            prop_assert!(advised <= longest * 0.9, "{stay:?}");
        }
        if let (Some(advised), Some(shortest)) = (stay.advised, stay.shortest) {
            prop_assert!(advised >= shortest, "{stay:?}");
        }
        prop_assert_eq!(stay.notes.len(), 1);
    }

    #[test]
    fn a_wrap_and_piped_lines_weigh_in_proportion(
        family in family(), diameter in 60.0..400.0, height in 30.0..200.0, mm in 1.0..4.0,
        length in 50.0..5_000.0, line in 2.0..8.0, count in 1..200u32,
    ) {
        let chocolate = Chocolate::of(family);
        let wrap = |height: f64| {
            let [d, h, t] = [diameter, height, mm].map(millimetres);
            in_grams(WrapInput::usual(&chocolate, d, h, t).solve().chocolate)
        };
        prop_assert!((wrap(2.0 * height) / wrap(height) - 2.0).abs() < 1e-9);
        let one = piped(&chocolate, millimetres(length), millimetres(line), 1);
        let all = piped(&chocolate, millimetres(length), millimetres(line), count);
        let ratio = in_grams(all.chocolate) / in_grams(one.chocolate);
        prop_assert!((ratio / f64::from(count) - 1.0).abs() < 1e-9);
        prop_assert!(all.to_weigh > all.chocolate);
    }

    #[test]
    fn a_measure_is_read_back_as_it_was_written(value in 0.01..5_000.0, comma in any::<bool>()) {
        let written = format!("{value:.2}");
        let shown = if comma { written.replace('.', ",") } else { written.clone() };
        for (word, unit) in [("in", Unit::Inch), ("cm", Unit::Centimetre), ("cups", Unit::Cup)] {
            let typed = read(&format!("{shown} {word}"))
                .map_err(|error| TestCaseError::fail(error.to_string()))?;
            prop_assert_eq!(Some(typed.value), written.parse().ok());
            prop_assert_eq!(typed.unit, Some(unit));
        }
    }

    #[test]
    fn no_text_that_is_typed_makes_it_panic(text in ".{0,40}") {
        // Either it is a measure or it is told why not.
        if let Ok(typed) = read(&text) {
            prop_assert!(typed.value.is_finite());
        }
    }
}
