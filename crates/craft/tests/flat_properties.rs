//! What holds for flat work whatever is stated.

use chrono::{DateTime, TimeDelta, Utc};
use craft::batch::{BowlState, BowlStatus, Event, EventKind, guide, standing};
use craft::chocolate::Family;
use craft::drawn::import::import;
use craft::drawn::joins::joins;
use craft::drawn::page::{Drawing, Mark, Paper};
use craft::drawn::score::score_map;
use craft::drawn::shapes;
use craft::kinds::kinds;
use craft::plan::{BowlInputs, Plan, PlanInputs};
use craft::spread::Tray;
use craft::steps::lines;
use craft::units::{in_grams, millimetres, square_centimetres};
use craft::work::{
    ComponentInputs, CoverInputs, PortionOf, PortionsInputs, ShardPattern, TrayInputs, WorkInputs,
};
use proptest::prelude::*;
use uuid::Uuid;

fn covers() -> impl Strategy<Value = CoverInputs> {
    let tray = || {
        (10.0..1_600.0_f64, 10.0..1_600.0_f64, prop::option::of(1.0..60.0_f64)).prop_map(
            |(length_mm, width_mm, rim_mm)| TrayInputs::Rectangle { length_mm, width_mm, rim_mm },
        )
    };
    prop_oneof![
        (tray(), 0.1..45.0_f64)
            .prop_map(|(tray, thickness_mm)| CoverInputs::Thickness { tray, thickness_mm }),
        (tray(), 0.0..25_000.0_f64)
            .prop_map(|(tray, in_hand_g)| CoverInputs::InHand { tray, in_hand_g }),
        (0.0..25_000.0_f64, 0.1..45.0_f64)
            .prop_map(|(in_hand_g, thickness_mm)| CoverInputs::Spread { in_hand_g, thickness_mm }),
        (0_u32..12_000, 0.0..6_000.0_f64, 0.1..45.0_f64).prop_map(
            |(count, each_g, thickness_mm)| {
                let portions = PortionsInputs { of: PortionOf::Pieces, count, each_g };
                CoverInputs::Portions { portions, thickness_mm }
            }
        ),
    ]
}

/// A batch of some kinds of work, those that cover something covering this.
fn batch_of(which: &[usize], cover: CoverInputs, room_c: f64, rh_pct: f64) -> PlanInputs {
    let all = kinds();
    let components = which.iter().enumerate().map(|(i, k)| {
        let kind = &all[k % all.len()];
        let mut work = kind.start.clone();
        match &mut work {
            WorkInputs::Slab(slab) => slab.cover = cover,
            WorkInputs::Marbled(marbled) => marbled.cover = cover,
            WorkInputs::Shards(shards) => shards.cover = cover,
            WorkInputs::Sheet(sheet) => sheet.cover = cover,
            _ => {}
        }
        ComponentInputs { key: format!("it-{i}"), name: kind.name.to_owned(), work }
    });
    let mut bowls: Vec<_> = [Family::Dark, Family::White].map(BowlInputs::usual).into();
    for bowl in which.iter().flat_map(|k| &all[k % all.len()].colours) {
        if bowls.iter().all(|other| other.key != bowl.key) {
            bowls.push(bowl.clone());
        }
    }
    PlanInputs {
        room_c,
        rh_pct,
        fridge_c: Some(5.0),
        setting_pace: None,
        tempering_pace: None,
        labels: Vec::new(),
        trays: Vec::new(),
        watch_for: Vec::new(),
        when: None,
        spares: Vec::new(),
        packing: None,
        bowls,
        components: components.collect(),
    }
}

fn usual(which: &[usize]) -> Plan {
    let tray = TrayInputs::Rectangle { length_mm: 300.0, width_mm: 200.0, rim_mm: None };
    let cover = CoverInputs::Thickness { tray, thickness_mm: 4.0 };
    Plan::of(&batch_of(which, cover, 20.0, 45.0)).expect("a plain plan")
}

/// What must be at hand for each thing that is made of a chocolate, g.
fn at_hand_for<'a>(plan: &'a Plan, key: &'a str) -> impl Iterator<Item = f64> + 'a {
    let portions = plan.components.iter().flat_map(|component| &component.draft.takes);
    portions.filter(move |p| p.chocolate == key).map(|p| in_grams(p.at_hand).max(in_grams(p.mass)))
}

fn start() -> DateTime<Utc> {
    DateTime::from_timestamp(1_790_000_000, 0).expect("in range")
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(128))]

    #[test]
    fn a_batch_is_planned_or_its_faults_are_told(
        which in prop::collection::vec(0_usize..11, 1..6), cover in covers(),
        room_c in -5.0..60.0_f64, rh_pct in -5.0..120.0_f64,
    ) {
        match Plan::of(&batch_of(&which, cover, room_c, rh_pct)) {
            Ok(plan_of) => for bowl in &plan_of.bowls {
                // A bowl holds what its components take, and what stays behind.
                let taken: f64 = plan_of.components.iter().flat_map(|c| &c.draft.takes)
                    .filter(|portion| portion.chocolate == bowl.key).map(|p| in_grams(p.mass)).sum();
                prop_assert!((taken - in_grams(bowl.needed)).abs() < 1e-6);
                if let Some(plan) = &bowl.plan {
                    // What stays on a colour's brush is counted with its film.
                    let least = if plan.colour.is_some() { taken - 1e-6 } else { taken };
                    prop_assert!(in_grams(plan.total) > least);
                    let at_hand: f64 = at_hand_for(&plan_of, &bowl.key).sum();
                    prop_assert!(in_grams(plan.total) <= at_hand * 1.05 + 15.0 + 1e-6);
                }
            },
            Err(faults) => prop_assert!(faults.iter().all(|f| !f.field.is_empty() && !f.message.text().is_empty())),
        }
    }

    #[test]
    fn the_guide_has_one_answer_to_any_history(
        which in prop::collection::vec(0_usize..11, 1..5),
        deeds in prop::collection::vec((0_usize..5, 0_usize..16, 0.0..9_000.0_f64, any::<bool>(), any::<bool>()), 0..40),
        bowls in prop::collection::vec((0_usize..8, 0_usize..4_000), 0..5),
        now_s in 0.0..12_000.0_f64,
    ) {
        let plan = lines(&usual(&which));
        let mut events: Vec<Event> = Vec::new();
        for (i, (c, t, s, just_now, undo)) in deeds.into_iter().enumerate() {
            let steps = &plan[c % plan.len()].steps;
            let step = steps[t % steps.len()].key.clone();
            let kind = match events.last().filter(|_| undo) {
                Some(last) => EventKind::Undone { event: last.id },
                None => EventKind::Done { step, just_now },
            };
            let at = start() + TimeDelta::milliseconds((s * 1_000.0) as i64);
            events.push(Event { id: Uuid::from_u128(i as u128), at, kind });
        }
        let bowls: Vec<BowlState> = bowls
            .into_iter()
            .enumerate()
            .map(|(i, (c, s))| BowlState {
                chocolate: plan[c % plan.len()].bowl().map_or_else(String::new, |(key, _)| key.to_owned()),
                opened_at: start() + TimeDelta::seconds(i as i64),
                status: match s % 4 {
                    0 => BowlStatus::Open,
                    1 => BowlStatus::Ready,
                    2 => BowlStatus::Poured { at: start() + TimeDelta::seconds(s as i64) },
                    _ => BowlStatus::GivenUp,
                },
                not_tempered: None,
            })
            .collect();
        let now = start() + TimeDelta::milliseconds((now_s * 1_000.0) as i64);
        let told = guide(&plan, &events, &bowls, now);
        let to_do = standing(&plan, &events, &bowls, false).to_do;
        prop_assert_eq!(told.now.is_none(), to_do.is_empty());
        prop_assert!(told.coming.windows(2).all(|w| w[0].at <= w[1].at));
        prop_assert!(told.coming.iter().all(|c| c.at > now && c.earliest <= c.at && c.at <= c.latest));
        // Sent again it is the same batch.
        let again = [events.clone(), events.clone()].concat();
        prop_assert_eq!(guide(&plan, &again, &bowls, now), told);
    }

    #[test]
    fn scored_pieces_make_up_the_slab(
        length in 60.0..600.0_f64, width in 60.0..600.0_f64, share in 0.01..0.5_f64, seed in any::<u64>(),
        even in any::<bool>(),
    ) {
        let tray = Tray::Rectangle { length: millimetres(length), width: millimetres(width) };
        let piece = square_centimetres(length * width / 100.0 * share);
        let pattern = if even { ShardPattern::Even } else { ShardPattern::Uneven };
        let map = score_map(tray, piece, pattern, seed).expect("it can be scored");
        let sum: f64 = map.pieces.iter().map(craft::drawn::polygon::Polygon::area).sum();
        prop_assert!((sum - length * width).abs() < 1e-3 * length * width);
        prop_assert!(map.pieces.len() >= 2);
    }

    #[test]
    fn nothing_that_is_brought_breaks_the_reader(text in ".{0,200}", data in "[MLCQAHVZmlcqahvz0-9 .,eE+-]{0,120}") {
        let _ = import(&text);
        let svg = format!("<svg><path d=\"{data}\"/></svg>");
        if let Ok(found) = import(&svg) {
            let outline = found.outline.as_wide_as(60.0);
            let [w, h] = outline.size();
            prop_assert!(w.is_finite() && h.is_finite());
            let joins = joins(&outline, 4.0, false);
            prop_assert!(joins.parts >= usize::from(!outline.strokes().is_empty()));
        }
    }

    #[test]
    fn a_mirrored_outline_is_as_long_and_hangs_together_as_well(points in 3_u32..16, inner in 0.2..0.9_f64, line in 1.0..6.0_f64) {
        let star = shapes::star(points, inner).as_wide_as(70.0);
        let mirrored = star.mirrored();
        prop_assert!((star.length() - mirrored.length()).abs() < 1e-6);
        prop_assert_eq!(joins(&star, line, false).parts, joins(&mirrored, line, false).parts);
    }

    #[test]
    fn every_point_of_a_drawing_is_on_some_sheet(w in 10.0..900.0_f64, h in 10.0..900.0_f64, letter in any::<bool>()) {
        let paper = if letter { Paper::Letter } else { Paper::A4 };
        let mark = Mark::Path { data: format!("M0 0 H{w} V{h}"), width: 0.5, colour: "#000" };
        let drawing = Drawing { size: [w, h], marks: vec![mark], title: "t".to_owned() };
        let sheets = drawing.sheets(paper).expect("not too many");
        let room = [paper.room(false), paper.room(true)];
        let covers = |room: [f64; 2]| {
            let along = |size: f64, room: f64| if size <= room { 1.0 } else { ((size - 10.0) / (room - 10.0)).ceil() };
            (along(w, room[0]) * along(h, room[1])) as usize
        };
        prop_assert_eq!(sheets.len(), covers(room[0]).min(covers(room[1])));
    }
}
