//! Chocolate with oil, butter or coconut fat stirred into it.

use super::*;
use crate::chocolate::{AddedFat, AddedFatInputs};
use crate::steps::lines;
use crate::units::in_seconds;

fn bark(fat_added: Option<AddedFatInputs>) -> Result<Plan, Vec<crate::check::Fault>> {
    let mut inputs = inputs(WorkInputs::Slab(slab(CoverInputs::InHand {
        tray: tray(300.0, 200.0),
        in_hand_g: 400.0,
    })));
    inputs.bowls[0].fat_added = fat_added;
    inputs.bowls[0].total_g = Some(400.0);
    Plan::of(&inputs)
}

fn oil(share_pct: f64) -> Option<AddedFatInputs> {
    Some(AddedFatInputs { fat: AddedFat::Oil, share_pct, goods_id: None })
}

#[test]
fn what_is_stirred_in_is_weighed_bought_and_sets_slower() {
    let plain = bark(None).expect("a plan");
    let oiled = bark(oil(2.0)).expect("a plan");
    let text = |plan: &Plan| {
        let all = lines(plan);
        all[0].steps[0].text.text().clone().into_owned()
    };
    assert!(text(&oiled).contains("392 g"), "{}", text(&oiled));
    assert!(text(&oiled).contains("8 g of sunflower oil"), "{}", text(&oiled));
    assert!(!text(&plain).contains("oil"));
    let [taken] = oiled.goods.as_slice() else { panic!("{:?}", oiled.goods) };
    assert_eq!((taken.name.as_str(), in_grams(taken.mass)), ("sunflower oil", 8.0));
    let dry = |plan: &Plan| in_seconds(it(plan).setting.expect("it sets").touch_dry.typical);
    let ratio = dry(&oiled) / dry(&plain);
    // Poured cooler it has less to lose; every step of the crystals takes longer.
    assert!((1.02..1.15).contains(&ratio), "{ratio}");
    let at = |plan: &Plan| plan.bowls[0].plan.as_ref().expect("a plan").poured_at();
    assert!(at(&oiled) < at(&plain));
}

#[test]
fn too_much_of_it_or_in_a_colour_is_refused() {
    let field =
        |plan: Result<Plan, Vec<crate::check::Fault>>| plan.expect_err("refused")[0].field.clone();
    assert_eq!(field(bark(oil(9.0))), "bowls[0].fat_added.share_pct");
    assert_eq!(field(bark(oil(0.0))), "bowls[0].fat_added.share_pct");
    let butter = Some(AddedFatInputs { fat: AddedFat::Butter, share_pct: 2.0, goods_id: None });
    let plan = bark(butter).expect("a plan");
    assert!(plan.bowls[0].notes.iter().any(|note| note.code == "butter-water"));
    assert!(plan.allergens.contains.contains(&crate::allergens::Allergen::Milk));
}

#[test]
fn a_little_coating_in_couverture_is_told_and_keeps_shorter_and_more_is_refused() {
    let blend = |coating: f64| {
        let mut inputs = inputs(WorkInputs::Slab(slab(cover(4.0))));
        let part = |family, share_pct| crate::plan::BlendPart { family, share_pct };
        inputs.bowls[0].blend =
            Some(vec![part(Family::Dark, 100.0 - coating), part(Family::Coating, coating)]);
        Plan::of(&inputs)
    };
    let plan = blend(4.0).expect("a plan");
    let note = plan.bowls[0].notes.iter().find(|note| note.code == "other-fat").expect("said");
    assert!(note.text().starts_with("4 % of another fat"), "{}", note.text());
    assert_eq!(it(&plan).keeping.as_ref().expect("it keeps").days, Some(42.0));
    let faults = blend(6.0).expect_err("too much");
    assert_eq!(faults[0].field, "bowls[0].blend");
    assert!(faults[0].message.text().ends_with("it is 6 %"), "{}", faults[0].message.text());
}
