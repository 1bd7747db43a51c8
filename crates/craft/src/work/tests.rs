//! What each kind of work is made of.

use super::*;
use crate::chocolate::Family;
use crate::kinds::kinds;
use crate::note::Level;
use crate::plan::{BowlInputs, Plan, PlanInputs, PlannedComponent};
use crate::units::{Mass, in_grams, in_millimetres, in_seconds, in_square_centimetres};

mod coatings;
mod divided;
mod figures;
mod flooded;
mod frozen;
mod kept;
mod mixed_colours;
mod moulded;
mod orders;
mod prepared_goods;
mod recipe_fillings;
mod several_goods;
mod solids;
mod sugar_sheets;
mod surfaces;
mod variants;
mod with_oil;

fn tray(length_mm: f64, width_mm: f64) -> TrayInputs {
    TrayInputs::Rectangle { length_mm, width_mm, rim_mm: None }
}

fn cover(thickness_mm: f64) -> CoverInputs {
    CoverInputs::Thickness { tray: tray(300.0, 200.0), thickness_mm }
}

fn nuts(parts: f64) -> MixedInInputs {
    MixedInInputs::usual("chopped nuts", MixedAmount::Parts { parts })
}

fn inputs(work: WorkInputs) -> PlanInputs {
    let keys = [("dark", Family::Dark), ("milk", Family::Milk), ("white", Family::White)];
    let used = work.chocolates();
    let colours = kinds().into_iter().flat_map(|kind| kind.colours);
    let mut bowls: Vec<_> =
        keys.into_iter().map(|(_, family)| BowlInputs::usual(family)).chain(colours).collect();
    bowls.retain(|bowl| used.contains(&bowl.key));
    let mut seen = std::collections::HashSet::new();
    bowls.retain(|bowl| seen.insert(bowl.key.clone()));
    PlanInputs {
        fridge_c: Some(5.0),
        room_c: 19.0,
        bowls,
        components: vec![ComponentInputs { key: "it".to_owned(), name: "It".to_owned(), work }],
        ..PlanInputs::usual(Family::Dark)
    }
}

fn plan(work: WorkInputs) -> Plan {
    Plan::of(&inputs(work)).expect("it can be planned")
}

fn faults(work: WorkInputs) -> Vec<String> {
    let faults = Plan::of(&inputs(work)).expect_err("it cannot be planned");
    faults.into_iter().map(|f| format!("{} {}", f.field, f.message)).collect()
}

fn it(plan: &Plan) -> &PlannedComponent {
    &plan.components[0]
}

fn start(name: &str) -> WorkInputs {
    kinds().into_iter().find(|kind| kind.name == name).expect("such a kind").start
}

fn codes(plan: &Plan) -> Vec<&str> {
    it(plan).draft.said.notes.iter().map(|note| note.code.as_ref()).collect()
}

fn takes(plan: &Plan, key: &str) -> f64 {
    let of = it(plan).draft.takes.iter().filter(|p| p.chocolate == key);
    of.map(|p| in_grams(p.mass)).sum()
}

fn slab(cover: CoverInputs) -> SlabInputs {
    SlabInputs {
        chocolate: "dark".to_owned(),
        cover,
        mixed_in: Vec::new(),
        toppings: Vec::new(),
        lining: Lining::Parchment,
        piece_cm2: None,
        texture: None,
    }
}

fn layered(layers: &[(&str, f64)]) -> WorkInputs {
    let layer = |&(chocolate, thickness_mm): &(&str, f64)| LayerInputs {
        chocolate: chocolate.to_owned(),
        thickness_mm,
    };
    WorkInputs::Layered(LayeredInputs {
        tray: tray(300.0, 200.0),
        layers: layers.iter().map(layer).collect(),
        toppings: Vec::new(),
        lining: Lining::Acetate,
        piece_cm2: None,
        texture: None,
    })
}

fn marbled(strokes: u32, white_pct: f64, kind: ColourKind) -> WorkInputs {
    WorkInputs::Marbled(MarbledInputs {
        base: "dark".to_owned(),
        accents: vec![AccentInputs {
            chocolate: "white".to_owned(),
            share_pct: white_pct,
            colour: Some(ColourInputs { kind, srgb: "#5a4fcf".to_owned() }),
        }],
        cover: cover(4.0),
        strokes,
        toppings: Vec::new(),
        lining: Lining::Acetate,
        piece_cm2: Some(16.0),
        texture: None,
    })
}

fn clusters(parts: f64, count: u32) -> WorkInputs {
    WorkInputs::Clusters(ClustersInputs {
        chocolate: "milk".to_owned(),
        mixed_in: vec![nuts(parts)],
        count,
        each_g: 12.0,
        salted: true,
    })
}

fn wrap(cake_mm: f64) -> WrapInputs {
    WrapInputs {
        chocolate: "dark".to_owned(),
        diameter_mm: 180.0,
        cake_mm,
        height_mm: 110.0,
        thickness_mm: 2.0,
        overlap_mm: None,
        spill_pct: None,
        pattern: Some(WrapPattern {
            chocolate: "white".to_owned(),
            length_mm: 2_000.0,
            line_mm: 3.0,
        }),
        frozen: None,
        strips: None,
    }
}

fn ribbons(count: u32, stone_c: f64) -> WorkInputs {
    WorkInputs::Ribbons(RibbonsInputs {
        chocolate: "dark".to_owned(),
        length_mm: 250.0,
        width_mm: 40.0,
        thickness_mm: 1.0,
        count,
        stone_kg: 6.0,
        stone_c,
    })
}

fn sugar(altitude_m: f64) -> WorkInputs {
    WorkInputs::Sugar(SugarInputs {
        recipe: crate::work::SugarRecipe::default(),
        flavour: None,
        colour: None,
        lining: crate::work::SugarLining::Oiled,
        pulls: 0,
        second_pan: false,
        tray: tray(300.0, 200.0),
        thickness_mm: 4.0,
        altitude_m: Some(altitude_m),
        whitened_pct: None,
        piece_cm2: 20.0,
    })
}

fn piped(second: bool) -> WorkInputs {
    WorkInputs::Piped(PipedInputs {
        chocolate: "dark".to_owned(),
        shape: PipedShape::Outlines,
        length_mm: 1_000.0,
        line_mm: 4.0,
        count: 6,
        flooded: None,
        second: second.then(|| SecondColour { chocolate: "white".to_owned(), length_mm: 500.0 }),
        outlines: None,
        frozen: None,
    })
}

fn sheet() -> WorkInputs {
    WorkInputs::Sheet(SheetInputs {
        colours: Vec::new(),
        chocolate: "dark".to_owned(),
        cover: cover(1.5),
        finish: SheetFinish::Painted,
        shape: SheetShape::Curls,
        piece_cm2: 10.0,
    })
}

fn shards() -> WorkInputs {
    WorkInputs::Shards(ShardsInputs {
        chocolate: "dark".to_owned(),
        cover: cover(4.0),
        toppings: Vec::new(),
        lining: Lining::Parchment,
        piece_cm2: 20.0,
        pattern: ShardPattern::Uneven,
    })
}

/// One of each.
fn all() -> Vec<WorkInputs> {
    vec![
        WorkInputs::Slab(SlabInputs { mixed_in: vec![nuts(0.6)], ..slab(cover(6.0)) }),
        clusters(0.8, 24),
        layered(&[("dark", 3.0), ("white", 3.0)]),
        marbled(6, 25.0, ColourKind::Oil),
        shards(),
        sheet(),
        WorkInputs::Wrap(wrap(90.0)),
        piped(true),
        ribbons(4, -18.0),
        sugar(0.0),
    ]
}

#[test]
fn any_one_of_area_thickness_and_mass_follows_from_the_others() {
    let whole = plan(WorkInputs::Slab(slab(cover(4.0))));
    assert!((takes(&whole, "dark") - 309.6).abs() < 0.1);
    let to_weigh = whole.bowls[0].plan.as_ref().expect("planned").total;
    let in_hand_g = in_grams(to_weigh);
    let in_hand =
        plan(WorkInputs::Slab(slab(CoverInputs::InHand { tray: tray(300.0, 200.0), in_hand_g })));
    let thickness = in_millimetres(it(&in_hand).draft.size.thickness.expect("thick"));
    assert!((thickness - 4.0).abs() < 1e-6, "{thickness}");
    let spread = plan(WorkInputs::Slab(slab(CoverInputs::Spread { in_hand_g, thickness_mm: 4.0 })));
    let area = in_square_centimetres(it(&spread).draft.size.tray.expect("an area").area());
    assert!((area - 600.0).abs() < 1e-6, "{area}");
    let portions = PortionsInputs { of: PortionOf::Bags, count: 6, each_g: 51.6 };
    let bags = plan(WorkInputs::Slab(slab(CoverInputs::Portions { portions, thickness_mm: 4.0 })));
    assert!((takes(&bags, "dark") - 309.6).abs() < 0.1);
}

#[test]
fn no_goods_are_asked_for_that_the_scale_cannot_show() {
    let salted = |fine_scale| {
        let mut inputs = PlanInputs::usual(Family::Dark);
        inputs.bowls[0].kitchen.fine_scale = fine_scale;
        inputs.components[0].work = start("Clusters");
        if let WorkInputs::Clusters(clusters) = &mut inputs.components[0].work {
            clusters.salted = true;
        }
        let plan = Plan::of(&inputs).expect("a plan");
        let goods = &plan.components[0].draft.goods;
        let salt = goods.iter().find(|goods| goods.name == "coarse salt").expect("salted");
        in_grams(salt.mass)
    };
    assert_eq!(salted(false), 4.0);
    assert!((salted(true) - 3.6).abs() < 1e-9);
}

#[test]
fn a_slab_with_dry_goods_keeps_its_ratio_and_its_volume() {
    let work = WorkInputs::Slab(SlabInputs { mixed_in: vec![nuts(0.8)], ..slab(cover(5.0)) });
    let plan = plan(work);
    let mixed = &it(&plan).draft.mixed_in[0].1;
    let (chocolate, dry) = (takes(&plan, "dark"), in_grams(mixed.dry));
    // What is weighed is what the kitchen's scale shows of it.
    let weighed = in_grams(it(&plan).draft.goods[0].mass);
    assert!((weighed - dry).abs() <= 0.5 && weighed.fract() == 0.0, "{weighed} of {dry}");
    assert!((dry / chocolate - 0.8).abs() < 1e-9);
    assert!((chocolate / 1.29 + dry / 1.05 - 300.0).abs() < 1e-6);
    let share = mixed.volume_share;
    assert!((share - dry / 1.05 / 300.0).abs() < 1e-9, "{share}");
}

#[test]
fn layers_take_their_own_volumes_and_are_poured_in_turn() {
    let plan = plan(layered(&[("dark", 3.0), ("white", 2.0), ("milk", 2.0)]));
    assert!((takes(&plan, "dark") - 232.2).abs() < 0.1);
    assert!((takes(&plan, "white") - 151.2).abs() < 0.1);
    let task = |key: &str| it(&plan).tasks.iter().find(|t| t.key == key).expect("such a task");
    let (touch, pour) = (task("touch-dry-1"), task("pour-2"));
    let (from, until) = (touch.from.as_ref().expect("opens"), pour.until.as_ref().expect("closes"));
    assert!(touch.is_touch && from.moment.typical < until.moment.typical);
    assert_eq!(touch.since.as_deref(), Some("pour"));
    assert_eq!(pour.since.as_deref(), Some("pour"));
    let told = faults(layered(&[("dark", 3.0)]));
    assert_eq!(told, ["components[0].work.layers must be 2 to 4 layers; there are 1"]);
}

#[test]
fn marbled_shares_add_up_and_strokes_muddy() {
    let few = plan(marbled(4, 30.0, ColourKind::CocoaButter));
    let (dark, white) = (takes(&few, "dark"), takes(&few, "white"));
    assert!((white / (dark + white) - 0.3).abs() < 1e-9);
    // The volumes of both are the slab's.
    assert!((dark / 1.29 + white / 1.26 - 240.0).abs() < 0.05, "{dark} {white}");
    assert!(!codes(&few).contains(&"muddy"));
    let many = plan(marbled(30, 30.0, ColourKind::CocoaButter));
    assert!(codes(&many).contains(&"muddy"));
    let told = faults(marbled(4, 30.0, ColourKind::Water));
    assert!(
        told[0].starts_with(
            "components[0].work.accents[0].colour.kind must be a colour soluble in oil"
        )
    );
    let WorkInputs::Marbled(mut crowd) = marbled(4, 60.0, ColourKind::Oil) else { unreachable!() };
    crowd.accents.push(crowd.accents[0].clone());
    let told = faults(WorkInputs::Marbled(crowd));
    assert_eq!(
        told,
        ["components[0].work.accents must leave at least 1 % for the base; they take 120 %"]
    );
}

#[test]
fn clusters_hold_together_and_are_shaped_in_time() {
    let plan = plan(clusters(0.5, 30));
    assert!((takes(&plan, "milk") - 240.0).abs() < 1e-6);
    let goods: Vec<_> = it(&plan).draft.goods.iter().map(|g| (g.name.as_str(), g.goes)).collect();
    assert_eq!(goods, [("chopped nuts", "mixed in"), ("coarse salt", "on top")]);
    let crowd = Plan::of(&inputs(clusters(0.5, 200))).expect("planned");
    assert!(it(&crowd).notes.iter().any(|n| n.code == "hands-too-slow"), "{:?}", it(&crowd).notes);
    let told = faults(clusters(1.4, 30));
    assert!(told[0].contains("must be at most 1.2 to one of chocolate"), "{told:?}");
}

#[test]
fn a_wrap_bends_when_it_is_lifted_and_is_told_when_it_is_too_high() {
    let plan = plan(WorkInputs::Wrap(wrap(90.0)));
    assert!((in_millimetres(it(&plan).draft.size.length.expect("long")) - 590.49).abs() < 0.1);
    assert!(takes(&plan, "white") > 5.0, "the pattern takes some");
    let bend = it(&plan).tasks.iter().find(|t| t.key == "wrap").expect("a task");
    let touch = it(&plan).tasks.iter().find(|t| t.is_touch).expect("a task");
    let at = |due: Option<&Due>| in_seconds(due.expect("a time").moment.typical);
    assert!(at(touch.from.as_ref()) < at(bend.until.as_ref()));
    let high = Plan::of(&inputs(WorkInputs::Wrap(wrap(80.0)))).expect("planned");
    assert!(it(&high).draft.said.notes.iter().any(|n| n.code == "wrap-high"));
}

#[test]
fn a_stone_is_good_for_so_many_ribbons() {
    assert_eq!(codes(&plan(ribbons(4, -18.0))), ["eaten-soon"]);
    assert_eq!(codes(&plan(ribbons(400, -18.0))), ["stone-warms", "eaten-soon"]);
    assert_eq!(codes(&plan(ribbons(4, -3.0))), ["stone-warms", "eaten-soon"]);
    let plan = plan(ribbons(4, -18.0));
    // Each is lifted before the next is spread, and bends for about half a minute then.
    let pour = it(&plan).tasks.iter().find(|t| t.key == "pour").expect("a task");
    assert!(pour.text.text().contains("lift and fold 4 ribbons"), "{}", pour.text);
    assert!(pour.detail.text().contains("bends for about 30 s"), "{}", pour.detail);
    let setting = it(&plan).setting.expect("it sets");
    let bends = setting.flexible_until.typical - setting.touch_dry.typical;
    assert!((in_seconds(bends) - 30.0).abs() < 1e-6);
}

#[test]
fn sugar_is_boiled_lower_on_the_mountain_and_scored_at_about_five_minutes() {
    let sea = plan(sugar(0.0));
    let boil = |plan: &Plan| {
        it(plan).draft.said.working.iter().find(|s| s.label == "boiled to").expect("a step").value
    };
    assert!((boil(&sea) - 151.0).abs() < 1e-9);
    assert!((boil(&plan(sugar(1_500.0))) - 146.0).abs() < 1e-9);
    let score = it(&sea).tasks.iter().find(|t| t.key == "score").expect("a task");
    let min = |due: Option<&Due>| in_seconds(due.expect("a time").moment.typical) / 60.0;
    assert!(min(score.from.as_ref()) < 5.0 && min(score.until.as_ref()) > 5.0, "{:?}", score);
    assert!(
        it(&sea).draft.said.notes.iter().any(|n| n.level == Level::Stop && n.code == "sugar-burns")
    );
    // All of it adds up to the sheet and what stays in the pan, water apart.
    let goods = &it(&sea).draft.goods;
    let left = (in_grams(goods[0].mass) + 0.8 * in_grams(goods[1].mass)) / 0.985;
    // Each as the scale shows it.
    assert!((left - 360.0 * 1.08).abs() < 1.0, "{left}");
}

#[test]
fn what_is_piped_first_faces_the_viewer() {
    let plan = plan(piped(true));
    let keys: Vec<_> = it(&plan).tasks.iter().map(|t| t.key.as_str()).collect();
    let at = |key| keys.iter().position(|k| *k == key).expect("a task");
    assert!(at("features") < at("pour"));
    assert!((takes(&plan, "dark") - 6.0 * 8.105).abs() < 0.05);
}

#[test]
fn every_kind_says_all_about_itself() {
    for work in all() {
        let plan = plan(work.clone());
        let it = it(&plan);
        assert!(!it.draft.said.checks.is_empty() && !it.draft.said.mistakes.is_empty(), "{work:?}");
        assert!(
            it.tasks.len() > 2
                && !it.draft.said.working.is_empty()
                && !it.draft.said.notes.is_empty()
        );
        // Burns, allergens and sharp edges are minded at the step where they belong.
        for (key, words) in [
            ("boil", "sticks to the skin"),
            ("break", "small children"),
            ("top", "allergens"),
            ("colour", "sold for eating"),
        ] {
            for task in it.tasks.iter().filter(|task| task.key == key) {
                let caution = task.caution.as_ref().expect("minded");
                assert!(caution.text().contains(words), "{key} of {work:?}");
            }
        }
        let mut seen = Vec::new();
        for task in &it.tasks {
            assert!(!seen.contains(&task.key), "{} twice in {work:?}", task.key);
            if let Some(since) = &task.since {
                assert!(seen.contains(since), "{} counts from {since} in {work:?}", task.key);
            }
            seen.push(task.key.clone());
        }
        // What is stated can be kept and read again.
        let text = serde_json::to_string(&work).expect("JSON");
        assert_eq!(serde_json::from_str::<WorkInputs>(&text).expect("read"), work);
    }
}

#[test]
fn a_tray_holds_no_more_than_its_rim() {
    let tray = TrayInputs::Rectangle { length_mm: 300.0, width_mm: 200.0, rim_mm: Some(12.0) };
    let cover = CoverInputs::Thickness { tray, thickness_mm: 14.0 };
    let told = faults(WorkInputs::Slab(slab(cover)));
    assert_eq!(
        told,
        [
            "components[0].work.cover.thickness_mm must not stand above the tray's rim of 12 mm; it would be 14.0 mm thick"
        ]
    );
    for length_mm in [0.0, 3_000.0] {
        let tray = TrayInputs::Rectangle { length_mm, width_mm: 200.0, rim_mm: None };
        let told =
            faults(WorkInputs::Slab(slab(CoverInputs::Thickness { tray, thickness_mm: 4.0 })));
        assert_eq!(told.len(), 1, "{told:?}");
        assert!(
            told[0].starts_with("components[0].work.cover.tray.length_mm must be 20 to 1500 mm")
        );
    }
}

#[test]
fn a_chocolate_that_is_not_there_is_named() {
    let mut wrong = inputs(WorkInputs::Slab(slab(cover(4.0))));
    wrong.bowls[0].key = "night".to_owned();
    let told = Plan::of(&wrong).expect_err("not there");
    assert_eq!(told[0].field, "components[0].work.chocolate");
    assert_eq!(told[0].message.text(), "must name a chocolate of this batch (night); it is dark");
}

#[test]
fn where_no_open_stay_in_the_fridge_is_safe_it_goes_in_a_closed_box() {
    let mut damp = inputs(WorkInputs::Slab(slab(cover(5.0))));
    let keys = |plan: &Plan| it(plan).tasks.iter().map(|t| t.key.clone()).collect::<Vec<_>>();
    let dry = Plan::of(&damp).expect("planned");
    assert!(
        keys(&dry).contains(&"fridge-in".to_owned()) && !keys(&dry).contains(&"unbox".to_owned())
    );
    damp.rh_pct = 85.0;
    let plan = Plan::of(&damp).expect("planned");
    let stay = it(&plan).fridge.as_ref().expect("a fridge");
    assert!(stay.advised.is_none() && stay.notes[0].text().contains("closed box or bag"));
    let boxed = stay.boxed.expect("safe in a box");
    let task = |key: &str| it(&plan).tasks.iter().find(|t| t.key == key).expect("a task").clone();
    assert!(task("fridge-in").text.text().contains("closed box"));
    let out = task("fridge-out");
    assert_eq!(out.from.expect("long enough").moment.typical, boxed.advised);
    assert!(out.until.is_none(), "no dew forms on what is in a box");
    let open = task("unbox");
    assert_eq!(open.since.as_deref(), Some("fridge-out"));
    assert_eq!(open.from.expect("a wait").moment.typical, boxed.left_closed);
}
