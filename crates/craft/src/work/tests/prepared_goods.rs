//! Goods that are toasted, candied, chopped or dried first.

use super::*;
use crate::steps::{Step, lines};
use crate::work::{Fineness, Preparation};

const TOASTED: Preparation = Preparation::Toasting { oven_c: 160.0, minutes: 10.0 };
const CANDIED: Preparation = Preparation::Candying { sugar_parts: 0.5 };
const CHOPPED: Preparation = Preparation::Chopping { to: Fineness::Medium };

fn mixed(prepared: Vec<Preparation>) -> Plan {
    let amount = MixedAmount::Grams { mass_g: 96.0 };
    let nuts = MixedInInputs { prepared, ..MixedInInputs::usual("whole hazelnuts", amount) };
    plan(WorkInputs::Slab(SlabInputs { mixed_in: vec![nuts], ..slab(cover(7.0)) }))
}

/// The steps of the slab, by the part of their keys after the line's.
fn steps(plan: &Plan) -> Vec<Step> {
    let line = lines(plan).into_iter().find(|line| line.component().is_some());
    line.expect("a line of the slab").steps
}

fn at(steps: &[Step], task: &str) -> usize {
    let keys: Vec<_> = steps.iter().map(Step::task).collect();
    keys.iter().position(|key| *key == task).unwrap_or_else(|| panic!("{task}: {keys:?}"))
}

#[test]
fn toasted_nuts_are_weighed_raw_and_cold_again_before_chocolate_touches_them() {
    let plan = mixed(vec![TOASTED]);
    let steps = steps(&plan);
    let [weigh, toast, line, feel, fold] =
        ["goods", "prepare-in-1-1", "line", "cold-in-1", "fold"].map(|task| at(&steps, task));
    assert!(weigh < toast && toast < line && line < feel && feel < fold);
    assert!(
        steps[weigh].text.text().contains("100 g of whole hazelnuts"),
        "{}",
        steps[weigh].text.text()
    );
    let opens = steps[feel].opens().expect("a wait");
    assert!((opens.typical_s - 2_400.0).abs() < 1.0, "{opens:?}");
    assert_eq!(steps[feel].wait.as_ref().map(|wait| wait.step.as_str()), Some("it/prepare-in-1-1"));
    assert!(steps[toast].caution.is_some());
    let taken = &plan.goods[0];
    assert!((in_grams(taken.mass) - 100.0).abs() < 0.01, "what is bought: {taken:?}");
    let in_it = in_grams(it(&plan).draft.goods[0].mass);
    assert!((in_it - 96.0).abs() < 0.01, "what goes in: {in_it}");
}

#[test]
fn candied_nuts_take_sugar_and_are_chopped_once_they_are_cold() {
    let plan = mixed(vec![CANDIED, CHOPPED]);
    let bought: Vec<_> =
        plan.goods.iter().map(|goods| (goods.name.as_str(), in_grams(goods.mass))).collect();
    assert_eq!(bought, [("whole hazelnuts", 64.0), ("sugar", 32.0)]);
    let steps = steps(&plan);
    let chop = &steps[at(&steps, "prepare-in-1-2")];
    assert!(chop.opens().is_some_and(|opens| opens.typical_s > 3_000.0), "cold first: {chop:?}");
    assert!(chop.text.text().contains("96 g"), "{}", chop.text.text());
    assert!(steps.iter().all(|step| step.task() != "cold-in-1"), "it was felt when it was chopped");
    let candy = &steps[at(&steps, "prepare-in-1-1")];
    assert!(candy.caution.as_ref().is_some_and(|mind| mind.text().contains("burns")));
    assert!(candy.detail.text().contains("118 °C"), "{}", candy.detail.text());
}

#[test]
fn toppings_are_prepared_too_and_what_is_cold_already_waits_for_nothing() {
    let wish = ToppingWish::Grams { mass_g: 30.0 };
    let topping =
        ToppingInputs { prepared: vec![CHOPPED], ..ToppingInputs::usual("almonds", wish) };
    let plan = plan(WorkInputs::Slab(SlabInputs { toppings: vec![topping], ..slab(cover(4.0)) }));
    let steps = steps(&plan);
    let chop = &steps[at(&steps, "prepare-top-1-1")];
    assert!(chop.wait.is_none() && at(&steps, "prepare-top-1-1") < at(&steps, "pour"));
}

#[test]
fn a_day_of_drying_is_a_sitting_of_its_own() {
    let dried = Preparation::Drying { dryer_c: 60.0, hours: 8.0, leaves_pct: 20.0 };
    let plan = mixed(vec![dried]);
    assert!((in_grams(plan.goods[0].mass) - 480.0).abs() < 0.5, "fresh: {:?}", plan.goods);
    let feel = &steps(&plan)[at(&steps(&plan), "cold-in-1")];
    assert!(feel.opens().is_some_and(|opens| opens.typical_s > 8.0 * 3_600.0));
    assert!(crate::schedule::span(&lines(&plan)).sittings >= 2);
}

#[test]
fn butter_is_melted_and_lukewarm_before_it_goes_in() {
    let plan = mixed(vec![Preparation::Melting { to_c: 40.0 }]);
    let steps = steps(&plan);
    let melt = &steps[at(&steps, "prepare-in-1-1")];
    assert!(melt.text.text().starts_with("Melt 96 g"), "{}", melt.text.text());
    assert!(melt.text.text().contains("40 °C") && melt.caution.is_some());
    let feel = &steps[at(&steps, "cold-in-1")];
    assert!(feel.opens().is_some_and(|opens| opens.typical_s > 600.0));
    assert!(feel.text.text().contains("no warmer than your lip"), "{}", feel.text.text());
    // What is chopped after it was melted and set again is felt as goods are.
    let chopped = mixed(vec![Preparation::Melting { to_c: 40.0 }, TOASTED]);
    let last = self::steps(&chopped);
    assert!(last[at(&last, "cold-in-1")].text.text().contains("cold as the room"));
}

#[test]
fn odd_preparations_are_refused_by_their_fields() {
    let told = |prepared: Vec<Preparation>| -> Vec<String> {
        let amount = MixedAmount::Grams { mass_g: 96.0 };
        let nuts = MixedInInputs { prepared, ..MixedInInputs::usual("nuts", amount) };
        let work = WorkInputs::Slab(SlabInputs { mixed_in: vec![nuts], ..slab(cover(7.0)) });
        let faults = Plan::of(&inputs(work)).expect_err("refused");
        faults.into_iter().map(|fault| fault.field).collect()
    };
    let at = "components[0].work.mixed_in[0].prepared";
    let hot = Preparation::Toasting { oven_c: 400.0, minutes: 0.0 };
    assert_eq!(told(vec![hot]), [format!("{at}[0].oven_c"), format!("{at}[0].minutes")]);
    let none = Preparation::Candying { sugar_parts: 0.0 };
    assert_eq!(told(vec![CHOPPED, none]), [format!("{at}[1].sugar_parts")]);
    assert_eq!(told(vec![Preparation::Melting { to_c: 90.0 }]), [format!("{at}[0].to_c")]);
    assert_eq!(told(vec![CHOPPED; 5]), [at]);
}
