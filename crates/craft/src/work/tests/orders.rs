//! The order in which makers work, and figures that agree with each other wherever they stand.

use super::*;
use crate::shell::ShellWay;
use crate::steps::{Line, lines};

fn task<'a>(plan: &'a Plan, key: &str) -> &'a Task {
    it(plan).tasks.iter().find(|task| task.key == key).unwrap_or_else(|| panic!("no {key}"))
}

fn keys(plan: &Plan) -> Vec<&str> {
    it(plan).tasks.iter().map(|task| task.key.as_str()).collect()
}

fn weighed(plan: &Plan) -> f64 {
    plan.bowls.iter().filter_map(|bowl| bowl.plan.as_ref()).map(|plan| in_grams(plan.total)).sum()
}

#[test]
fn hollows_are_closed_one_at_a_time_and_hung_before_the_seam_is_hidden() {
    let WorkInputs::Hollows(mut hollows) = start("Joined hollows") else { unreachable!() };
    hollows.purpose = HollowFor::Ornament;
    let plan = plan(WorkInputs::Hollows(hollows));
    let keys = keys(&plan);
    let end = &keys[keys.iter().position(|key| *key == "join").expect("joined")..];
    assert_eq!(end, ["join", "rest", "hook", "seam"]);
    let join = task(&plan, "join");
    assert!(join.text.text().contains("one at a time"), "{}", join.text);
    let (fill, warm) = ("Fill one half", "Warm the rims");
    let at =
        |what: &str| join.detail.text().find(what).unwrap_or_else(|| panic!("{}", join.detail));
    assert!(at(fill) < at(warm) && at(warm) < at("press them together"));
}

#[test]
fn colours_are_offered_before_the_dark_that_follows_them() {
    let lines = lines(&plan(start("Filled shells")));
    let bowls: Vec<_> = lines.iter().filter_map(Line::bowl).map(|(key, _)| key).collect();
    let at = |key: &str| bowls.iter().position(|bowl| *bowl == key).expect("tempered");
    assert!(at("blue") < at("white colour") && at("white colour") < at("dark"), "{bowls:?}");
}

#[test]
fn what_one_has_is_never_asked_for_twice() {
    for in_hand_g in [120.0, 250.0, 400.0, 1_500.0] {
        let cover = CoverInputs::InHand { tray: tray(300.0, 200.0), in_hand_g };
        let spread = CoverInputs::Spread { in_hand_g, thickness_mm: 4.0 };
        for cover in [cover, spread] {
            let mut works = vec![WorkInputs::Slab(slab(cover))];
            let WorkInputs::Marbled(mut marbled) = start("Marbled bark") else { unreachable!() };
            marbled.cover = cover;
            works.push(WorkInputs::Marbled(marbled.clone()));
            marbled.accents.push(AccentInputs {
                chocolate: "milk".to_owned(),
                share_pct: 10.0,
                colour: None,
            });
            works.push(WorkInputs::Marbled(marbled));
            let WorkInputs::Shards(mut shards) = start("Scored shards") else { unreachable!() };
            shards.cover = cover;
            works.push(WorkInputs::Shards(shards));
            for work in works {
                let stated = inputs(work.clone());
                let Ok(plan) = Plan::of(&stated) else { continue };
                let asked = weighed(&plan);
                assert!((asked - in_hand_g).abs() < 0.01, "{asked:.2} of {in_hand_g} g: {work:?}");
            }
        }
    }
}

#[test]
fn bags_weigh_what_was_asked_for_with_what_lies_on_them() {
    let portions = PortionsInputs { of: PortionOf::Bags, count: 10, each_g: 60.0 };
    let cover = CoverInputs::Portions { portions, thickness_mm: 4.0 };
    let bare = plan(WorkInputs::Slab(slab(cover)));
    let topped = plan(WorkInputs::Slab(SlabInputs {
        toppings: vec![ToppingInputs::usual(
            "whole hazelnuts",
            ToppingWish::Share { share_pct: 15.0 },
        )],
        ..slab(cover)
    }));
    let each = |plan: &Plan| in_grams(it(plan).draft.size.pieces.expect("bags").each);
    assert!((each(&bare) - 60.0).abs() < 1e-9);
    // Whole nuts: no more than one too many.
    assert!((each(&topped) - 60.0).abs() < 0.12, "{}", each(&topped));
    let chocolate = |plan: &Plan| in_grams(it(plan).draft.takes[0].mass);
    assert!((chocolate(&topped) - 600.0 / 1.15).abs() < 1.3, "{}", chocolate(&topped));
    // By what they cover: a smaller slab takes fewer.
    let covered = plan(WorkInputs::Slab(SlabInputs {
        toppings: vec![ToppingInputs::usual(
            "whole hazelnuts",
            ToppingWish::Coverage { coverage_pct: 30.0 },
        )],
        ..slab(cover)
    }));
    assert!((each(&covered) - 60.0).abs() < 0.2, "{}", each(&covered));
    // More on top than there is to be in all.
    let told = faults(WorkInputs::Slab(SlabInputs {
        toppings: vec![ToppingInputs::usual(
            "whole hazelnuts",
            ToppingWish::Grams { mass_g: 700.0 },
        )],
        ..slab(cover)
    }));
    assert!(told[0].contains("cover.portions.each_g must be more than what lies"), "{told:?}");
}

#[test]
fn two_casts_of_one_mould_are_told_alike_everywhere() {
    let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
    shells.cast.casts = 2;
    let plan = plan(WorkInputs::Shells(shells));
    let cast = it(&plan).draft.shown.cast.clone().expect("cast");
    let line = |label: &str| {
        let working = &it(&plan).draft.said.working;
        working.iter().find(|line| line.label == label).expect("a line").value
    };
    assert!((line("comes back in the end") - in_grams(cast.returned)).abs() < 1e-6);
    assert!((line("in hand, with what stays behind") - in_grams(cast.in_hand)).abs() < 1e-6);
    assert!(it(&plan).draft.said.working.iter().all(|line| line.label != "comes back"));
    // One mould full and the shells of the first cast, not two moulds full.
    let once = in_grams(cast.in_hand) - in_grams(cast.kept) / 2.0;
    assert!(once < in_grams(cast.in_hand) && once > in_grams(cast.kept) / 2.0);
}

#[test]
fn features_dry_by_the_clock_of_their_own_chocolate() {
    let WorkInputs::Piped(piped) = start("Piped pieces") else { unreachable!() };
    let with = |chocolate: &str, second: &str| {
        plan(WorkInputs::Piped(PipedInputs {
            chocolate: chocolate.to_owned(),
            flooded: None,
            second: Some(SecondColour { chocolate: second.to_owned(), length_mm: 60.0 }),
            ..piped.clone()
        }))
    };
    let dry = |plan: &Plan| {
        let from = task(plan, "touch-dry-features").from.clone();
        in_seconds(from.expect("a wait").moment.typical)
    };
    let (white, dark) = (dry(&with("dark", "white")), dry(&with("white", "dark")));
    assert!((white / dark - 1.35).abs() < 0.05, "white {white:.0} s, dark {dark:.0} s");
}

#[test]
fn shells_are_filled_as_soon_as_they_have_set_and_to_the_rim_where_no_cap_comes() {
    let WorkInputs::Shells(shells) = start("Filled shells") else { unreachable!() };
    let paste = FillingInputs::Other {
        name: "nut paste".to_owned(),
        density_g_cm3: 1.1,
        perishable: false,
        each_g: None,
    };
    let filled = |cap: bool| {
        plan(WorkInputs::Shells(ShellsInputs {
            filling: Some(paste.clone()),
            cap: shells.cap.clone().filter(|_| cap),
            ..shells.clone()
        }))
    };
    let capped = filled(true);
    assert!(task(&capped, "fill").from.is_none(), "no night is asked for");
    let advice = it(&capped).draft.said.notes.iter().find(|note| note.code == "shells-rest");
    assert!(advice.is_some_and(|note| note.text().contains("overnight")), "it is advice");
    assert!(task(&capped, "fill").detail.text().contains("below the rim"));
    let open = filled(false);
    assert!(task(&open, "fill").detail.text().starts_with("Level with the rim"), "open");
}

#[test]
fn the_shortest_drain_has_its_clock_too() {
    let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
    shells.cast.way = ShellWay::Dump;
    shells.cast.wall = WallInputs::Waited { wait_s: 13.0, poured_c: None };
    shells.filling = None;
    shells.cap = None;
    let plan = plan(WorkInputs::Shells(shells));
    let dump = task(&plan, "dump");
    assert_eq!(dump.since.as_deref(), Some("knock"));
    assert!((in_seconds(dump.from.as_ref().expect("a clock").moment.typical) - 13.0).abs() < 1.0);
}

#[test]
fn twenty_clusters_are_shaped_from_one_mixing() {
    let WorkInputs::Clusters(clusters) = start("Clusters") else { unreachable!() };
    let plan = plan(WorkInputs::Clusters(ClustersInputs { count: 20, ..clusters }));
    let spoon = task(&plan, "spoon");
    let until = spoon.until.as_ref().expect("a window").moment;
    assert!(in_seconds(until.earliest) >= in_seconds(spoon.takes), "{until:?}");
    assert!(it(&plan).notes.iter().all(|note| note.code != "hands-too-slow"));
}

#[test]
fn a_wrap_goes_on_while_it_is_wet_and_no_longer_runs() {
    let plan = plan(start("Wrap round a cake"));
    let wrap = task(&plan, "wrap");
    let setting = it(&plan).setting.expect("it sets");
    let from = wrap.from.as_ref().expect("not at once").moment.typical;
    assert!(from < setting.touch_dry.typical, "it is wet yet");
    assert_eq!(wrap.until.as_ref().expect("a window").moment, setting.flexible_until);
    let keys = keys(&plan);
    let at = |key: &str| keys.iter().position(|k| *k == key).expect("there");
    assert!(at("wrap") < at("touch-dry") && at("touch-dry") < at("paper"), "{keys:?}");
}

#[test]
fn white_behind_it_is_not_advised_where_white_is_behind_it() {
    let WorkInputs::Shells(shells) = start("Filled shells") else { unreachable!() };
    for colours in 1..=2 {
        let mut shells = shells.clone();
        shells.cast.colours.truncate(colours);
        let plan = plan(WorkInputs::Shells(shells));
        let notes = &it(&plan).draft.said.notes;
        let advised = notes.iter().any(|note| note.text().contains("White behind it saves it"));
        assert!(!advised || colours == 1, "white is there: {:?}", codes(&plan));
    }
}

#[test]
fn what_nobody_eats_is_counted_and_has_no_label() {
    use crate::work::Lining;

    let portions = PortionsInputs { of: PortionOf::Bags, count: 10, each_g: 60.0 };
    let cover = CoverInputs::Portions { portions, thickness_mm: 4.0 };
    let printed = SlabInputs { lining: Lining::Printed, ..slab(cover) };
    let plan = plan(WorkInputs::Slab(printed));
    let used: Vec<_> = plan
        .goods
        .iter()
        .map(|goods| (goods.name.as_str(), goods.count, in_grams(goods.mass)))
        .collect();
    assert_eq!(
        used,
        [("printed transfer sheets", Some(1.0), 0.0), ("clear bags", Some(10.0), 0.0)]
    );
    let unread = &plan.allergens.unread;
    assert!(unread.iter().all(|name| !name.contains("bags")), "{unread:?}");
    for name in ["printed transfer sheets", "acetate sheets", "clear bags", "paper sticks"] {
        let known = crate::pantry::usual().into_iter().find(|goods| goods.name == name);
        assert!(known.is_some_and(|goods| !goods.sort.is_food()), "{name} is a common thing");
    }
}
