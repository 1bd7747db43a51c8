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
    Some(AddedFatInputs { fat: AddedFat::Oil, share_pct })
}

#[test]
fn what_is_stirred_in_is_weighed_bought_and_sets_slower() {
    let plain = bark(None).expect("a plan");
    let oiled = bark(oil(2.0)).expect("a plan");
    let text = |plan: &Plan| {
        let all = lines(plan);
        all[0].steps[0].text.text.clone().into_owned()
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
    let butter = Some(AddedFatInputs { fat: AddedFat::Butter, share_pct: 2.0 });
    let plan = bark(butter).expect("a plan");
    assert!(plan.bowls[0].notes.iter().any(|note| note.code == "butter-water"));
    assert!(plan.allergens.contains.contains(&crate::allergens::Allergen::Milk));
}
