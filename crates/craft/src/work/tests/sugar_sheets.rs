//! Sheets of boiled sugar by one's own recipe.

use super::*;
use crate::units::in_millimetres;
use crate::work::{SugarLining, SugarRecipe};

fn sheet(change: impl Fn(&mut SugarInputs)) -> WorkInputs {
    let WorkInputs::Sugar(mut inputs) = sugar(0.0) else { panic!("a sugar sheet") };
    change(&mut inputs);
    WorkInputs::Sugar(inputs)
}

fn g(plan: &Plan, name: &str) -> f64 {
    let goods = it(plan).draft.goods.iter().find(|goods| goods.name == name);
    goods.map_or(0.0, |goods| in_grams(goods.mass))
}

fn texts(plan: &Plan) -> Vec<String> {
    it(plan).tasks.iter().map(|task| task.text.text().clone().into_owned()).collect()
}

#[test]
fn what_is_left_of_a_recipe_is_its_dry_matter_and_a_little_water() {
    let weights = SugarRecipe::Weights { sugar_g: 300.0, syrup_g: 100.0, water_g: 100.0 };
    let plan = plan(sheet(|inputs| inputs.recipe = weights));
    assert_eq!((g(&plan, "sugar"), g(&plan, "glucose syrup")), (300.0, 100.0));
    let boiled =
        it(&plan).draft.said.working.iter().find(|step| step.label == "boiled, it comes to");
    assert!((boiled.expect("said").value - 380.0 / 0.985).abs() < 0.01);
    // All of it on a sheet of 600 cm2 at 1.5 g/cm3, less what stays in the pan.
    let mm = in_millimetres(it(&plan).draft.size.thickness.expect("a sheet"));
    assert!((mm - 380.0 / 0.985 / 1.08 / 1.5 / 600.0 * 10.0).abs() < 0.01, "{mm}");
    assert!(plan.goods.iter().all(|goods| goods.name != "water"), "the tap gives it");
}

#[test]
fn parts_are_boiled_for_the_thickness_that_is_wished() {
    let usual = plan(sugar(0.0));
    assert!((g(&usual, "sugar") / g(&usual, "glucose syrup") - 3.0).abs() < 0.02);
    let without = plan(sheet(|inputs| {
        inputs.recipe = SugarRecipe::Parts { sugar: 2.0, syrup: 0.0, water: 1.0 }
    }));
    assert_eq!(g(&without, "glucose syrup"), 0.0);
    assert!(it(&without).draft.goods.iter().all(|goods| in_grams(goods.mass) > 0.0));
    // The same sheet weighs the same, whatever it is boiled from.
    let each = |plan: &Plan| in_grams(it(plan).draft.size.pieces.expect("pieces").each);
    assert!((each(&usual) - each(&without)).abs() < 1e-9);
}

#[test]
fn flavour_colour_lining_pulls_and_a_second_pan_are_steps_of_their_own() {
    let plan = plan(sheet(|inputs| {
        inputs.flavour = Some("orange oil".to_owned());
        inputs.colour = Some("pale blue".to_owned());
        inputs.lining = SugarLining::Foil;
        inputs.pulls = 12;
        inputs.second_pan = true;
    }));
    let texts = texts(&plan).join(" | ");
    for said in ["foil", "second pan", "ml of orange oil", "pale blue", "12 times", "Weigh into"] {
        assert!(texts.contains(said), "{said}: {texts}");
    }
    let oil = plan.goods.iter().find(|goods| goods.name == "orange oil").expect("it is bought");
    assert!(in_grams(oil.mass) >= 1.0);
    let notes = &it(&plan).draft.said.notes;
    assert!(notes.iter().any(|note| note.code == "sugar-colour"));
    assert!(notes.iter().any(|note| note.code == "sugar-burns"));
    // Everything that is hot says so.
    for key in ["boil", "flavour", "pour", "pull"] {
        let task = it(&plan).tasks.iter().find(|task| task.key == key).expect("a step");
        assert!(task.caution.is_some(), "{key}");
    }
}

#[test]
fn a_pan_that_makes_no_sheet_is_refused_by_its_field() {
    let told = |recipe| -> Vec<String> {
        let faults =
            Plan::of(&inputs(sheet(|inputs| inputs.recipe = recipe))).expect_err("refused");
        faults.into_iter().map(|fault| fault.field).collect()
    };
    let at = "components[0].work.recipe";
    let little = SugarRecipe::Weights { sugar_g: 25.0, syrup_g: 0.0, water_g: 10.0 };
    assert_eq!(told(little), [format!("{at}.sugar_g")]);
    let none = SugarRecipe::Parts { sugar: 0.0, syrup: -1.0, water: 0.0 };
    assert_eq!(told(none), [format!("{at}.sugar"), format!("{at}.syrup"), format!("{at}.water")]);
}
