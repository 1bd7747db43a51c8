//! Several goods on top and in: each counted wherever it counts.

use super::*;
use crate::check::Fault;
use crate::pantry::{GoodsNotes, Spooned};

fn topping(name: &str, across_mm: f64, wish: ToppingWish) -> ToppingInputs {
    let known = GoodsNotes { bulk_g_ml: Some(0.5), ..GoodsNotes::default() };
    ToppingInputs { across_mm, each_g: 0.5, known, ..ToppingInputs::usual(name, wish) }
}

fn folded(name: &str, amount: MixedAmount) -> MixedInInputs {
    let known = GoodsNotes { bulk_g_ml: Some(0.5), ..GoodsNotes::default() };
    MixedInInputs { known, ..MixedInInputs::usual(name, amount) }
}

fn topped(toppings: Vec<ToppingInputs>) -> WorkInputs {
    WorkInputs::Slab(SlabInputs { toppings, ..slab(cover(4.0)) })
}

fn mixed(mixed_in: Vec<MixedInInputs>) -> WorkInputs {
    WorkInputs::Slab(SlabInputs { mixed_in, ..slab(cover(7.0)) })
}

fn faults(work: WorkInputs) -> Vec<(String, String)> {
    let told = |fault: Fault| (fault.field, fault.message.text().into_owned());
    Plan::of(&inputs(work)).expect_err("refused").into_iter().map(told).collect()
}

fn grams_of(plan: &Plan, name: &str) -> f64 {
    let goods = it(plan).draft.goods.iter().find(|goods| goods.name == name);
    in_grams(goods.unwrap_or_else(|| panic!("no {name}")).mass)
}

#[test]
fn three_toppings_are_weighed_and_scattered_the_largest_first() {
    let plan = plan(topped(vec![
        topping("stars", 6.0, ToppingWish::Count { count: 40 }),
        topping("nuts", 14.0, ToppingWish::Spooned { count: 0.5, of: Spooned::Cup }),
        topping("cherries", 11.0, ToppingWish::Grams { mass_g: 30.0 }),
    ]));
    assert!((grams_of(&plan, "stars") - 20.0).abs() < 0.5);
    // Half a cup of 0.5 g/ml, in whole nuts.
    assert!((grams_of(&plan, "nuts") - 59.15).abs() < 0.9, "{}", grams_of(&plan, "nuts"));
    assert!((grams_of(&plan, "cherries") - 30.0).abs() < 0.5);
    let scattered: Vec<_> = it(&plan)
        .tasks
        .iter()
        .filter(|task| task.key.starts_with("top"))
        .map(|task| task.text.text())
        .collect();
    let names = ["nuts", "cherries", "stars"];
    assert!(scattered.iter().zip(names).all(|(text, name)| text.contains(name)), "{scattered:?}");
    for name in names {
        assert!(plan.allergens.unread.iter().any(|unread| unread == name), "{name}");
    }
    let notes: Vec<_> = it(&plan).draft.said.notes.iter().map(|note| note.code.as_ref()).collect();
    assert_eq!(notes.iter().filter(|code| **code == "topping-cold").count(), 1);
}

#[test]
fn more_on_top_sets_sooner_and_leaves_less_room_for_chocolate() {
    let bag = |toppings| {
        let portions = PortionsInputs { of: PortionOf::Bags, count: 10, each_g: 60.0 };
        let cover = CoverInputs::Portions { portions, thickness_mm: 4.0 };
        plan(WorkInputs::Slab(SlabInputs { toppings, ..slab(cover) }))
    };
    let nuts = || topping("nuts", 14.0, ToppingWish::Grams { mass_g: 60.0 });
    let stars = || topping("stars", 6.0, ToppingWish::Grams { mass_g: 40.0 });
    let (one, both) = (bag(vec![nuts()]), bag(vec![nuts(), stars()]));
    let each = |plan: &Plan| in_grams(it(plan).draft.size.pieces.expect("bags").each);
    assert!((each(&both) - each(&one)).abs() < 0.1, "{} {}", each(&one), each(&both));
    let chocolate = |plan: &Plan| in_grams(it(plan).draft.takes[0].mass);
    assert!((chocolate(&one) - chocolate(&both) - 40.0).abs() < 1.0);
    let dry = |plan: &Plan| in_seconds(it(plan).setting.expect("it sets").touch_dry.typical);
    assert!(dry(&both) < dry(&one));
}

#[test]
fn what_fills_up_is_what_the_others_leave() {
    let plan = plan(topped(vec![
        topping("nuts", 14.0, ToppingWish::Grams { mass_g: 50.0 }),
        topping("stars", 6.0, ToppingWish::FillTo { total_g: 80.0 }),
    ]));
    assert!((grams_of(&plan, "stars") - 30.0).abs() < 0.6);
    let told = faults(topped(vec![
        topping("nuts", 14.0, ToppingWish::Grams { mass_g: 50.0 }),
        topping("stars", 6.0, ToppingWish::FillTo { total_g: 40.0 }),
    ]));
    assert_eq!(told[0].0, "components[0].work.toppings[1].wish.total_g");
    assert!(told[0].1.contains("50 g"), "{told:?}");
    let told = faults(topped(vec![
        topping("nuts", 14.0, ToppingWish::FillTo { total_g: 50.0 }),
        topping("stars", 6.0, ToppingWish::FillTo { total_g: 90.0 }),
    ]));
    assert_eq!(told[0].0, "components[0].work.toppings[1].wish.total_g");
}

#[test]
fn more_than_one_layer_on_top_is_refused_where_most_of_it_is_stated() {
    let told = faults(topped(vec![
        topping("stars", 6.0, ToppingWish::Coverage { coverage_pct: 30.0 }),
        topping("nuts", 14.0, ToppingWish::Coverage { coverage_pct: 90.0 }),
    ]));
    assert_eq!(told[0].0, "components[0].work.toppings[1].wish.coverage_pct");
    assert!(told[0].1.contains("120 %"), "{told:?}");
    let nothing = faults(topped(vec![topping("nuts", 14.0, ToppingWish::Grams { mass_g: 0.0 })]));
    assert_eq!(nothing[0].0, "components[0].work.toppings[0].wish.mass_g");
}

#[test]
fn five_goods_by_the_cup_in_one_bowl_leave_the_chocolate_the_rest_of_the_room() {
    let cup = |name| folded(name, MixedAmount::Spooned { count: 0.25, of: Spooned::Cup });
    let bare = plan(mixed(Vec::new()));
    let five = plan(mixed(["a", "b", "c", "d", "e"].map(cup).into()));
    let chocolate = |plan: &Plan| in_grams(it(plan).draft.takes[0].mass);
    // Each 29.6 g of a density of 1, in chocolate of about 1.27.
    let solid = chocolate(&bare) / (600.0 * 0.7);
    let taken = chocolate(&bare) - chocolate(&five);
    assert!((taken - 5.0 * 29.574 * solid).abs() < 0.5, "{taken}");
    assert_eq!(it(&five).draft.goods.len(), 5);
    let share: f64 = it(&five).draft.mixed_in.iter().map(|(_, mixed)| mixed.volume_share).sum();
    assert!((share - 5.0 * 29.574 / 420.0).abs() < 1e-3, "{share}");
}

#[test]
fn goods_that_do_not_go_together_are_refused_by_field() {
    let weight = |g| MixedAmount::Grams { mass_g: g };
    for (goods, field, says) in [
        (vec![folded("nuts", weight(700.0))], "mixed_in", "no room for chocolate"),
        (vec![folded("nuts", weight(300.0))], "mixed_in[0].amount.mass_g", "hold together"),
        (
            vec![
                folded("nuts", MixedAmount::Share { share_pct: 40.0 }),
                folded("figs", MixedAmount::Share { share_pct: 30.0 }),
            ],
            "mixed_in[1].amount.share_pct",
            "70 %",
        ),
        (
            vec![
                folded("nuts", MixedAmount::Parts { parts: 0.2 }),
                folded("figs", MixedAmount::FillTo { total_g: 100.0 }),
            ],
            "mixed_in[1].amount.total_g",
            "by weight, cups or count",
        ),
        (
            vec![MixedInInputs {
                known: GoodsNotes::default(),
                ..folded("nuts", MixedAmount::Spooned { count: 1.0, of: Spooned::Cup })
            }],
            "mixed_in[0].known.bulk_g_ml",
            "needed",
        ),
    ] {
        let told = faults(mixed(goods));
        assert_eq!(told[0].0, format!("components[0].work.{field}"), "{told:?}");
        assert!(told[0].1.contains(says), "{told:?}");
    }
    let many = (0..13).map(|i| folded(&format!("g{i}"), weight(2.0))).collect();
    assert_eq!(faults(mixed(many))[0].0, "components[0].work.mixed_in");
}

#[test]
fn warm_moist_and_fatty_goods_are_remarked_on_and_warm_ones_set_later() {
    let known = |temp_c| GoodsNotes {
        temp_c: Some(temp_c),
        water_pct: Some(30.0),
        fat_pct: Some(60.0),
        ..GoodsNotes::default()
    };
    let of = |temp_c| {
        let goods = folded("nuts", MixedAmount::Parts { parts: 0.4 });
        plan(mixed(vec![MixedInInputs { known: known(temp_c), ..goods }]))
    };
    let codes = |plan: &Plan| -> Vec<String> {
        it(plan).draft.said.notes.iter().map(|note| note.code.to_string()).collect()
    };
    let (cool, warm) = (of(20.0), of(45.0));
    let has = |plan: &Plan, code: &str| codes(plan).iter().any(|known| known == code);
    assert!(has(&warm, "goods-warm") && !has(&cool, "goods-warm"));
    assert!(has(&cool, "goods-moist") && has(&cool, "goods-fatty"));
    let dry = |plan: &Plan| in_seconds(it(plan).setting.expect("it sets").touch_dry.typical);
    assert!(dry(&warm) > dry(&cool));
}
