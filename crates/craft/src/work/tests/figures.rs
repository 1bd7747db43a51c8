//! Figures and hollows as makers build them: tones that fill, linings, what is inside, feet,
//! toes, what is stuck on.

use super::*;
use crate::shell::{Coat, ShellWay};
use crate::work::cast::CoatsSet;

fn figures(change: impl FnOnce(&mut FiguresInputs)) -> WorkInputs {
    let WorkInputs::Figures(mut figures) = start("Two-tone figures") else { unreachable!() };
    change(&mut figures);
    WorkInputs::Figures(figures)
}

fn hollows(change: impl FnOnce(&mut HollowsInputs)) -> WorkInputs {
    let WorkInputs::Hollows(mut hollows) = start("Joined hollows") else { unreachable!() };
    change(&mut hollows);
    WorkInputs::Hollows(hollows)
}

fn keys(plan: &Plan) -> Vec<&str> {
    it(plan).tasks.iter().map(|task| task.key.as_str()).collect()
}

fn place(plan: &Plan, key: &str) -> usize {
    let all = keys(plan);
    all.iter().position(|k| *k == key).unwrap_or_else(|| panic!("{key} among {all:?}"))
}

fn layer(thickness_mm: f64) -> ToneFill {
    ToneFill::Layer { thickness_mm }
}

fn tone(region: Option<&str>, chocolate: &str, fill: ToneFill) -> ToneInputs {
    let region = region.map(str::to_owned);
    ToneInputs { region, chocolate: chocolate.to_owned(), fill }
}

/// A boot: a heel that is filled solid in white, a toe dipped in milk.
fn boot() -> WorkInputs {
    figures(|figures| {
        figures.tones = vec![tone(Some("face"), "white", ToneFill::Solid { each_g: Some(20.0) })];
        figures.dipped = Some(ToeInputs {
            chocolate: "milk".to_owned(),
            share_pct: 20.0,
            deep_mm: 25.0,
            vessel_mm: 80.0,
        });
    })
}

#[test]
fn a_solid_heel_takes_its_weight_and_leaves_the_body_less() {
    let plain = plan(figures(|figures| figures.tones.clear()));
    let boot = plan(boot());
    assert!((takes(&boot, "white") - 40.0).abs() < 1e-9, "two of twenty grams");
    // Behind a quarter of the face nothing is lined: three quarters of the area, and the room
    // without the heel.
    let left = crate::units::square_centimetres(130.0 * 0.75);
    let heel_ml = 20.0 / (1.26 * 0.97);
    let x = 3.0 / (3.0 * (120.0 - heel_ml) * 10.0 / in_square_centimetres(left));
    let wall = in_square_centimetres(left) * 0.3 * (1.0 - x + x * x / 3.0) * 1.29;
    assert!((takes(&boot, "dark") - 2.0 * wall).abs() < 1e-6, "{}", takes(&boot, "dark"));
    assert!(takes(&boot, "dark") < takes(&plain, "dark"));
    // All that is in it is in what one weighs.
    let each = it(&boot).draft.size.pieces.expect("two").each;
    let all = takes(&boot, "dark") + takes(&boot, "white") + takes(&boot, "milk");
    assert!((2.0 * in_grams(each) - all).abs() < 1e-6, "{each:?}");
}

#[test]
fn a_toe_is_dipped_once_it_is_out_and_gives_back_what_stood_in_the_vessel() {
    let boot = plan(boot());
    assert!(place(&boot, "tone-1") < place(&boot, "pour"));
    assert!(place(&boot, "peel") < place(&boot, "dip"));
    assert!(place(&boot, "dip") < place(&boot, "touch-dip"));
    let coat = 130.0 * 0.2 * 0.13 * 1.25;
    assert!((takes(&boot, "milk") - 2.0 * coat).abs() < 0.2, "{}", takes(&boot, "milk"));
    let milk = boot.bowls.iter().find(|bowl| bowl.key == "milk").expect("milk");
    // A vessel of 8 cm that stands 3.5 cm high.
    let stands = std::f64::consts::PI * 16.0 * 3.5 * 1.25 * 0.97;
    assert!((in_grams(milk.returned) - stands).abs() < 4.0, "{:?}", milk.returned);
}

#[test]
fn two_layers_in_a_region_and_a_third_all_over_set_one_after_the_other() {
    let lined = plan(figures(|figures| {
        figures.tones = vec![
            tone(Some("face"), "white", layer(0.9)),
            tone(Some("face"), "milk", layer(1.5)),
            tone(None, "white", layer(1.0)),
        ];
    }));
    let all = keys(&lined);
    let tones: Vec<_> = all.iter().filter(|key| key.contains("tone-")).collect();
    let order = ["tone-1", "touch-tone-1", "tone-2", "touch-tone-2", "tone-3", "touch-tone-3"];
    assert_eq!(tones, order.iter().collect::<Vec<_>>());
    assert!(place(&lined, "touch-tone-3") < place(&lined, "pour"));
    // 130 cm²: a quarter of it 0.9 mm, all of it 1 mm.
    let white = 2.0 * (130.0 * 0.25 * 0.09 + 130.0 * 0.1) * 1.26;
    assert!((takes(&lined, "white") - white).abs() < 1e-6, "{}", takes(&lined, "white"));
    // 0.9 + 1.5 + 1.0 and the wall of 3.
    let thick = it(&lined).draft.size.thickness.expect("thick");
    assert!((in_millimetres(thick) - 6.4).abs() < 1e-9, "{thick:?}");
    // What is seen is what went in first: white on the face, and white on what has no tone of
    // its own but the lining.
    let face = it(&lined).draft.shown.face.as_ref().expect("a face");
    assert_eq!(face.parts[0].looks, face.parts[1].looks);
}

#[test]
fn tones_that_leave_no_room_are_refused_by_their_field() {
    let told = faults(figures(|figures| {
        figures.tones.push(tone(Some("face"), "white", layer(18.0)));
        figures.tones.push(tone(None, "milk", layer(12.0)));
    }));
    assert!(
        told[0].starts_with("components[0].work.tones[2].fill.thickness_mm must leave something"),
        "{told:?}"
    );
    let told = faults(figures(|figures| {
        figures.tones = vec![tone(Some("face"), "white", ToneFill::Solid { each_g: Some(400.0) })];
    }));
    assert!(
        told[0].starts_with("components[0].work.tones must leave room for the body"),
        "{told:?}"
    );
    let told = faults(figures(|figures| {
        figures.tones = vec![tone(None, "white", ToneFill::Solid { each_g: None })];
    }));
    assert!(told[0].contains("leaves no body"), "{told:?}");
}

fn bonbons(across_mm: f64, count: u32) -> InsideInputs {
    InsideInputs {
        name: "bonbons".to_owned(),
        each_ml: 6.0,
        each_g: 8.0,
        count,
        across_mm,
        not_food: false,
        made_here: true,
    }
}

#[test]
fn bonbons_go_in_through_the_foot_and_a_plate_closes_it() {
    let closed = plan(figures(|figures| {
        figures.inside = vec![bonbons(26.0, 3)];
        figures.base = Some(CapInputs { chocolate: Some("milk".to_owned()), cap_mm: 2.0 });
    }));
    assert!(it(&closed).draft.goods.is_empty(), "nothing is bought for what is made here");
    assert!(place(&closed, "plate") < place(&closed, "fridge-in"));
    assert!(place(&closed, "peel") < place(&closed, "inside"));
    assert!(place(&closed, "inside") < place(&closed, "close"));
    // A foot of 28 cm², cut with room to spare.
    assert!((takes(&closed, "milk") - 2.0 * 28.0 * 1.3 * 0.2 * 1.27).abs() < 0.5);
    let open = plan(figures(|figures| figures.inside = vec![bonbons(26.0, 3)]));
    assert!(codes(&open).contains(&"foot-open"));
    let wide = faults(figures(|figures| figures.inside = vec![bonbons(58.0, 1)]));
    assert!(wide[0].starts_with("components[0].work.inside must fit: bonbons"), "{wide:?}");
    let solid = faults(figures(|figures| {
        figures.cast.wall = WallInputs::Solid {};
        figures.inside = vec![bonbons(26.0, 1)];
        figures.base = Some(CapInputs { chocolate: None, cap_mm: 2.0 });
    }));
    let fields: Vec<_> = solid.iter().filter_map(|told| told.split(' ').next()).collect();
    assert_eq!(fields, ["components[0].work.inside", "components[0].work.base"]);
}

#[test]
fn what_is_made_here_is_food() {
    let told = faults(figures(|figures| {
        figures.inside = vec![InsideInputs { not_food: true, ..bonbons(20.0, 1) }];
    }));
    assert!(told[0].starts_with("components[0].work.inside[0].not_food must be food"), "{told:?}");
}

#[test]
fn a_two_sided_mould_is_spooned_into_and_turned() {
    let turned = plan(figures(|figures| {
        figures.cast.mould.two_sided = true;
        figures.cast.way = ShellWay::Turn;
    }));
    let cast = it(&turned).draft.shown.cast.as_ref().expect("cast");
    assert_eq!(cast.coat, Coat::Turned);
    assert!(in_grams(cast.returned).abs() < 1e-9, "only what stays is spooned in");
    let all = keys(&turned);
    assert!(place(&turned, "pour") < place(&turned, "clip"));
    assert!(place(&turned, "clip") < place(&turned, "turn"));
    assert!(!all.contains(&"dump") && !all.contains(&"touch-rim"), "{all:?}");
    let open = it(&turned).tasks.iter().find(|task| task.key == "peel").expect("opened");
    assert!(open.text.text().starts_with("Unclip"), "{:?}", open.text);
    let told = faults(figures(|figures| figures.cast.way = ShellWay::Turn));
    assert!(told[0].starts_with("components[0].work.cast.way must be filling"), "{told:?}");
    let told = faults(hollows(|hollows| hollows.cast.mould.two_sided = true));
    assert!(told[0].starts_with("components[0].work.cast.mould.two_sided must be"), "{told:?}");
}

#[test]
fn ears_are_made_while_the_wall_sets_and_stuck_on_at_the_end() {
    let ears = |count| StuckOnInputs {
        name: "ears".to_owned(),
        chocolate: "white".to_owned(),
        made_by: PartMadeBy::Piping,
        count,
        each_g: 1.5,
    };
    let bears = plan(hollows(|hollows| {
        hollows.purpose = HollowFor::Ornament;
        hollows.cast.way = ShellWay::Brush;
        hollows.stuck_on = vec![ears(2)];
    }));
    let without = plan(hollows(|hollows| {
        hollows.purpose = HollowFor::Ornament;
        hollows.cast.way = ShellWay::Brush;
    }));
    // Twelve halves are six; two ears of 1.5 g on each.
    assert!((takes(&bears, "white") - 18.0).abs() < 1e-9);
    assert!(place(&bears, "scrape") < place(&bears, "part-1"));
    assert!(place(&bears, "touch-part-1") < place(&bears, "fridge-in"));
    assert!(place(&bears, "seam") < place(&bears, "stick-1"));
    let each = |plan: &Plan| in_grams(it(plan).draft.size.pieces.expect("six").each);
    assert!((each(&bears) - each(&without) - 3.0).abs() < 1e-9);
    assert!(place(&bears, "hook") < place(&bears, "seam"));
    let none = faults(hollows(|hollows| hollows.stuck_on = vec![ears(0)]));
    assert!(none[0].starts_with("components[0].work.stuck_on[0].count"), "{none:?}");
}

#[test]
fn brushed_coats_can_be_chilled_one_by_one() {
    let chilled = |change: fn(&mut HollowsInputs)| {
        hollows(|hollows| {
            hollows.cast.way = ShellWay::Brush;
            hollows.cast.between = CoatsSet::Fridge;
            change(hollows);
        })
    };
    let all = plan(chilled(|_| {}));
    // 2.5 mm are three coats of 0.9: two stays between them.
    let coats = ["pour", "chill-1", "coat-2", "chill-2", "coat-3", "touch-rim"];
    let of: Vec<_> = keys(&all).into_iter().filter(|key| coats.contains(key)).collect();
    assert_eq!(of, coats);
    let next = it(&all).tasks.iter().find(|task| task.key == "coat-2").expect("a second");
    assert_eq!(next.since.as_deref(), Some("chill-1"));
    assert!(next.caution.as_ref().is_some_and(|caution| caution.text().contains("dew")));
    let mut no_fridge = inputs(chilled(|_| {}));
    no_fridge.fridge_c = None;
    let told = Plan::of(&no_fridge).expect_err("there is none");
    assert_eq!(told[0].field, "components[0].work.cast.between");
}

#[test]
fn the_mould_is_filled_as_often_as_the_pieces_need() {
    let wanted = |pieces| {
        hollows(move |hollows| {
            hollows.cast.wanted = Some(pieces);
            hollows.cast.casts = 1;
        })
    };
    // Seven hollows are fourteen halves: three fillings of six, the last of two.
    let seven = plan(wanted(7));
    let cast = it(&seven).draft.shown.cast.as_ref().expect("cast");
    assert_eq!((cast.casts, cast.filled), (3, 14));
    assert_eq!(it(&seven).draft.size.pieces.expect("seven").count, 7.0);
    assert!((in_grams(cast.kept) - 14.0 * in_grams(cast.each)).abs() < 1e-9);
    let told = faults(wanted(400));
    assert!(
        told[0].contains("cast.wanted must be so many that the mould is filled 1 to 50"),
        "{told:?}"
    );
}

#[test]
fn a_smear_goes_in_before_the_shell_and_waits_for_the_colour() {
    let smeared = plan(hollows(|hollows| {
        hollows.cast.smear = Some(SmearInputs { chocolate: "white".to_owned(), share_pct: 30.0 });
    }));
    assert!(place(&smeared, "smear") < place(&smeared, "touch-smear"));
    assert!(place(&smeared, "touch-smear") < place(&smeared, "pour"));
    // Twelve half balls of 60 mm.
    let area = 12.0 * 2.0 * std::f64::consts::PI * 9.0;
    assert!((takes(&smeared, "white") - area * 0.3 * 0.05 * 1.26).abs() < 1e-6);
    let touch = it(&smeared).tasks.iter().find(|task| task.key == "touch-smear").expect("it");
    assert!(touch.from.is_some(), "a smear has a time of its own");
    let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
    shells.cast.smear = Some(SmearInputs { chocolate: "white".to_owned(), share_pct: 100.0 });
    let coloured = plan(WorkInputs::Shells(shells));
    let smear = it(&coloured).tasks.iter().find(|task| task.key == "smear").expect("it");
    assert_eq!(smear.since.as_deref(), Some("colour-2"));
    assert!(smear.text.text().starts_with("Brush white thinly"), "{:?}", smear.text);
    let pour = it(&coloured).tasks.iter().find(|task| task.key == "pour").expect("it");
    assert_eq!(pour.since, None);
    assert_eq!(it(&coloured).draft.sets.governs, 2, "its cap is what is chilled");
}
