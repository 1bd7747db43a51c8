//! Fillings and centres by a recipe of one's own.

use super::*;
use crate::filling::{Ingredient, IngredientInputs, PartOf, Texture};
use crate::work::{CapInputs, CentreKind, DippedInputs, FillingInputs, MadeCentres, ShapedBy};

fn part(ingredient: Ingredient, grams: f64) -> IngredientInputs {
    IngredientInputs { ingredient: PartOf::Known(ingredient), name: None, grams, label: None }
}

fn kind(wanted: &str) -> WorkInputs {
    let found = crate::kinds::kinds().into_iter().find(|kind| kind.name == wanted);
    found.unwrap_or_else(|| panic!("{wanted} is a kind")).start
}

fn shells(parts: Vec<IngredientInputs>, capped: bool) -> WorkInputs {
    let WorkInputs::Shells(mut shells) = kind("Filled shells") else { panic!("shells") };
    shells.cast.colours.clear();
    let name = "raspberry centre".to_owned();
    shells.filling = Some(FillingInputs::Recipe { name, parts, steeped: None, each_g: None });
    shells.cap = capped.then_some(CapInputs { chocolate: None, cap_mm: 1.8 });
    WorkInputs::Shells(shells)
}

fn dipped(parts: Vec<IngredientInputs>, shaped_by: ShapedBy) -> WorkInputs {
    let WorkInputs::Dipped(dipped) = kind("Dipped pieces") else { panic!("dipped") };
    let made = Some(MadeCentres { parts, shaped_by, steeped: None });
    WorkInputs::Dipped(DippedInputs { made, centre: CentreKind::Truffle, ..dipped })
}

fn codes(plan: &Plan) -> Vec<&str> {
    it(plan).draft.said.notes.iter().map(|note| note.code.as_ref()).collect()
}

fn fruity() -> Vec<IngredientInputs> {
    use Ingredient::{Butter, GlucoseSyrup, Puree, White};
    vec![part(Puree, 100.0), part(GlucoseSyrup, 25.0), part(White, 260.0), part(Butter, 30.0)]
}

#[test]
fn shells_take_as_much_of_a_recipe_as_fits_in_its_proportions() {
    let plan = plan(shells(fruity(), true));
    let draft = &it(&plan).draft;
    let g = |name: &str| {
        let goods = draft.goods.iter().find(|goods| goods.name == name);
        in_grams(goods.unwrap_or_else(|| panic!("{name}: {:?}", draft.goods)).mass)
    };
    // To the gram of a kitchen's scale.
    let purée = g("fruit purée");
    assert!((g("white chocolate for the filling") / purée - 2.6).abs() < 0.05, "{:?}", draft.goods);
    assert!((g("butter") / purée - 0.3).abs() < 0.02);
    let all: f64 = draft.goods.iter().map(|goods| in_grams(goods.mass)).sum();
    let each = draft.said.working.iter().find(|step| step.label == "filling in each");
    let each = each.expect("it is said").value;
    assert!((all - each * 24.0 * 1.08).abs() < 2.5, "{all} g of {each} g each");
    let keys: Vec<_> = it(&plan).tasks.iter().map(|task| task.key.as_str()).collect();
    let at = |key: &str| keys.iter().position(|k| *k == key).unwrap_or_else(|| panic!("{keys:?}"));
    assert!(at("filling") < at("fill") && at("fill") < at("cap"), "{keys:?}");
    let balance = draft.shown.filling.as_ref().expect("it is balanced");
    assert!(balance.activity.is_some_and(|aw| (0.7..0.95).contains(&aw)), "{balance:?}");
    assert!(codes(&plan).contains(&"perishable"));
}

#[test]
fn what_handles_otherwise_than_it_is_used_is_said() {
    use Ingredient::{Cream, Dark};
    let soft = vec![part(Dark, 80.0), part(Cream, 100.0)];
    let firm = vec![part(Dark, 260.0), part(Cream, 100.0)];
    assert!(codes(&plan(shells(soft.clone(), false))).contains(&"soft-filling"));
    assert!(!codes(&plan(shells(soft.clone(), true))).contains(&"soft-filling"));
    assert!(codes(&plan(shells(firm.clone(), true))).contains(&"firm-filling"));
    for (parts, by, said) in [
        (&soft, ShapedBy::Rolling, true),
        (&soft, ShapedBy::Cutting, true),
        (&soft, ShapedBy::Piping, true),
        (&firm, ShapedBy::Rolling, false),
        (&firm, ShapedBy::Cutting, false),
        (&firm, ShapedBy::Piping, true),
    ] {
        let plan = plan(dipped(parts.clone(), by));
        assert_eq!(codes(&plan).contains(&"centre-texture"), said, "{by:?}");
    }
}

#[test]
fn centres_are_made_the_day_before_they_are_dipped_and_keep_as_they_are_made() {
    use Ingredient::{Cream, Dark, NutPaste};
    let made = plan(dipped(vec![part(Dark, 200.0), part(Cream, 100.0)], ShapedBy::Rolling));
    let draft = &it(&made).draft;
    let keys: Vec<_> = it(&made).tasks.iter().take(3).map(|task| task.key.as_str()).collect();
    assert_eq!(keys, ["centres", "shape", "line"]);
    assert_eq!(draft.shown.filling.as_ref().and_then(|b| b.texture), Some(Texture::Rolls));
    let all: f64 = draft.goods.iter().map(|goods| in_grams(goods.mass)).sum();
    assert!((all - 24.0 * 13.0 * 1.08).abs() < 1.6, "{all}");
    let keeps =
        |plan: &Plan| it(plan).draft.said.keeps.clone().expect("said").text.text().into_owned();
    assert!(keeps(&made).contains("perish"), "{}", keeps(&made));
    let dry = plan(dipped(vec![part(NutPaste, 100.0), part(Dark, 80.0)], ShapedBy::Cutting));
    assert!(keeps(&dry).contains("8 weeks"), "{}", keeps(&dry));
    assert!(!codes(&dry).contains(&"perishable"), "no cream is in it");
}

#[test]
fn a_recipe_is_refused_by_its_fields() {
    let told = |work| -> Vec<String> {
        let faults = Plan::of(&inputs(work)).expect_err("refused");
        faults.into_iter().map(|fault| fault.field).collect()
    };
    let nothing = told(shells(vec![part(Ingredient::Cream, 0.0)], true));
    assert_eq!(nothing, ["components[0].work.filling.parts[0].grams"]);
    assert_eq!(told(shells(Vec::new(), true)), ["components[0].work.filling.parts"]);
    assert_eq!(told(dipped(Vec::new(), ShapedBy::Rolling)), ["components[0].work.made.parts"]);
}

#[test]
fn what_is_steeped_is_strained_out_before_the_filling_is_made() {
    let parts = vec![part(Ingredient::Dark, 200.0), part(Ingredient::Cream, 100.0)];
    let WorkInputs::Dipped(mut work) = dipped(parts.clone(), ShapedBy::Rolling) else {
        panic!("dipped")
    };
    work.made = work.made.map(|made| MadeCentres { steeped: Some("bay leaf".to_owned()), ..made });
    let dipped = plan(WorkInputs::Dipped(work));
    let WorkInputs::Shells(mut work) = shells(parts, true) else { panic!("shells") };
    if let Some(FillingInputs::Recipe { steeped, .. }) = &mut work.filling {
        *steeped = Some("bay leaf".to_owned());
    }
    let filled = plan(WorkInputs::Shells(work));
    for (plan, made) in [(&dipped, "centres"), (&filled, "filling")] {
        let tasks = &it(plan).tasks;
        let at = |key: &str| tasks.iter().position(|task| task.key == key).expect("it is there");
        assert!(at("steep") < at(made));
        let waits = tasks[at(made)].from.as_ref().expect("it waits");
        assert_eq!(crate::units::in_seconds(waits.moment.typical).round(), 1_200.0);
    }
}

#[test]
fn whatever_a_recipe_names_can_be_found_on_the_shelf() {
    for kind in kinds() {
        let plan = plan(kind.start);
        for goods in &it(&plan).draft.goods {
            let ours = matches!(goods.goes, "in the filling" | "boiled");
            let bought = goods.bought().filter(|one| ours && one.name != "water");
            for one in bought.filter(|one| !one.name.ends_with("for the ganache")) {
                assert!(crate::plan::BY_NAME.contains(&one.name), "{}: {}", kind.name, one.name);
            }
        }
    }
}
