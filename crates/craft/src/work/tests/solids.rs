//! Bars and pieces cast solid; what is painted on finished pieces.

use super::*;
use crate::colour::Way;

fn solids(change: impl FnOnce(&mut SolidsInputs)) -> WorkInputs {
    let WorkInputs::Solids(mut solids) = start("Solid bars and pieces") else { unreachable!() };
    change(&mut solids);
    WorkInputs::Solids(solids)
}

#[test]
fn a_bar_is_its_moulds_room_of_melted_chocolate() {
    let bars = plan(solids(|_| {}));
    // 15 × 7.5 × 0.8 cm of melted dark, three of them, and nothing comes back.
    assert!((takes(&bars, "dark") - 3.0 * 90.0 * 1.29 * 0.97).abs() < 1e-6);
    assert!(in_grams(bars.bowls[0].returned).abs() < 1e-9);
    let keys: Vec<_> = it(&bars).tasks.iter().map(|task| task.key.as_str()).collect();
    let all = ["polish", "pour", "knock", "level", "touch-dry", "fridge-in", "fridge-out", "peel"];
    assert_eq!(keys, all);
    assert!(!codes(&bars).contains(&"solid-deep"));
    let deep = plan(solids(|solids| solids.cast.mould.cavity.depth_mm = Some(40.0)));
    assert!(codes(&deep).contains(&"solid-deep"));
}

#[test]
fn a_bar_takes_less_chocolate_for_what_is_in_it_and_carries_what_lies_on_it() {
    let bars = plan(solids(|solids| {
        solids.mixed_in = vec![nuts(0.5)];
        solids.toppings =
            vec![ToppingInputs::usual("coarse salt", ToppingWish::Grams { mass_g: 3.0 })];
    }));
    let dark = takes(&bars, "dark");
    let nuts = 0.5 * dark;
    assert!((dark / (1.29 * 0.97) + nuts / 1.05 - 270.0).abs() < 1e-6, "{dark}");
    let goods: f64 = it(&bars).draft.goods.iter().map(|goods| in_grams(goods.mass)).sum();
    assert!((goods - nuts - 3.0).abs() < 1.0, "{goods}");
    let each = in_grams(it(&bars).draft.size.pieces.expect("three").each);
    assert!((3.0 * each - dark - nuts - 3.0).abs() < 1e-6, "{each}");
    let keys: Vec<_> = it(&bars).tasks.iter().map(|task| task.key.as_str()).collect();
    let place = |key: &str| keys.iter().position(|k| *k == key).expect("such a task");
    assert!(place("fold") < place("pour") && place("level") < place("top"));
    assert!(place("top") < place("touch-dry"));
    let full = faults(solids(|solids| {
        solids.mixed_in =
            vec![MixedInInputs::usual("chopped nuts", MixedAmount::Grams { mass_g: 900.0 })];
    }));
    assert!(full[0].starts_with("components[0].work.mixed_in must leave room"), "{full:?}");
}

#[test]
fn what_is_hollow_is_not_solid_and_the_other_way_round() {
    let told = faults(solids(|solids| solids.cast.wall = WallInputs::Wished { shell_mm: 2.0 }));
    assert!(told[0].starts_with("components[0].work.cast.wall.by must be solid"), "{told:?}");
    let told = faults(solids(|solids| solids.cast.way = crate::shell::ShellWay::Brush));
    assert!(told[0].starts_with("components[0].work.cast.way must be filling"), "{told:?}");
    let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
    shells.cast.wall = WallInputs::Solid {};
    let told = faults(WorkInputs::Shells(shells));
    assert!(told[0].starts_with("components[0].work.cast.wall.by must leave a hollow"), "{told:?}");
}

#[test]
fn finished_bars_are_painted_and_dusted_in_order() {
    let painted = |colour: &str, way| PaintedInputs {
        with: PaintedWith::Colour { colour: colour.to_owned(), way },
        share_pct: 25.0,
    };
    let dusted =
        PaintedInputs { with: PaintedWith::Dust { name: "gold dust".to_owned() }, share_pct: 10.0 };
    let work = |of: Vec<PaintedInputs>| solids(move |solids| solids.painted = of);
    let bars = plan(work(vec![painted("blue", Way::Brush), dusted.clone()]));
    let keys: Vec<_> = it(&bars).tasks.iter().map(|task| task.key.as_str()).collect();
    assert_eq!(keys[keys.len() - 3..], ["peel", "paint-1", "paint-2"]);
    let dust = it(&bars).tasks.last().expect("dusted");
    assert_eq!(dust.since.as_deref(), Some("paint-1"), "once the colour is dry");
    assert!(dust.caution.as_ref().is_some_and(|caution| caution.text().contains("not edible")));
    // The faces of three bars: 148.5 cm² each, a quarter of them 0.1 mm thick, a tenth lost.
    assert!((takes(&bars, "blue") - 3.0 * 148.5 * 0.25 * 0.01 * 0.97 / 0.9).abs() < 1e-6);
    assert!(it(&bars).draft.goods.iter().any(|goods| goods.name == "gold dust"));
    let shown = &it(&bars).draft.shown.painted;
    let (blue, gold) = (&shown[0], &shown[1]);
    assert_eq!((blue.way, gold.way), (Some(Way::Brush), None));
    assert_eq!(gold.looks, "#d8b24a");
    let [r, _, b] = crate::colour::linear(&blue.looks).expect("a colour");
    assert!(b > r, "blue is seen as blue: {}", blue.looks);
    let told = faults(work(vec![painted("dark", Way::Brush)]));
    assert!(told[0].starts_with("components[0].work.painted[0].with.colour"), "{told:?}");
    let told = faults(work(vec![painted("blue", Way::Sheet)]));
    assert!(told[0].starts_with("components[0].work.painted[0].with.way"), "{told:?}");
}
