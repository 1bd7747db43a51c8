//! What bark lies on, and what its face is drawn with.

use super::*;

fn keys(plan: &Plan) -> Vec<&str> {
    it(plan).tasks.iter().map(|task| task.key.as_str()).collect()
}

#[test]
fn every_surface_says_how_it_is_laid_and_how_it_comes_off() {
    let of = |lining| {
        let plan = plan(WorkInputs::Slab(SlabInputs { lining, ..slab(cover(4.0)) }));
        let text = |key: &str| {
            let task = it(&plan).tasks.iter().find(|task| task.key == key).expect("such a task");
            task.text.text().clone().into_owned()
        };
        (it(&plan).draft.shown.underside, text("line"), text("peel"))
    };
    let (gloss, _, off) = of(Lining::BareTin);
    assert_eq!((gloss, off.contains("knock it out")), (Some("gloss"), true));
    let (satin, _, off) = of(Lining::Silicone);
    assert_eq!((satin, off.contains("flex")), (Some("satin"), true));
    let (crumpled, line, off) = of(Lining::CrumpledFoil);
    assert_eq!((crumpled, line.contains("Crumple")), (Some("crumpled"), true));
    assert_eq!(off, "Peel off the sheet");
    assert_eq!(of(Lining::Foil).0, Some("gloss"));
}

#[test]
fn a_face_is_drawn_while_it_is_wet_and_before_anything_is_strewn() {
    let of =
        |texture, toppings| SlabInputs { texture: Some(texture), toppings, ..slab(cover(5.0)) };
    let salt = vec![ToppingInputs::usual("coarse salt", ToppingWish::Grams { mass_g: 2.0 })];
    let combed = plan(WorkInputs::Slab(of(FaceTexture::Comb, salt.clone())));
    let place = |key: &str| keys(&combed).iter().position(|k| *k == key).expect("such a task");
    assert!(place("tap") < place("texture") && place("texture") < place("top"));
    let task = it(&combed).tasks.iter().find(|task| task.key == "texture").expect("drawn");
    assert!(task.until.is_some() && task.missed.is_some());

    let bubbled = plan(WorkInputs::Slab(of(FaceTexture::BubbleSheet, Vec::new())));
    let place = |key: &str| keys(&bubbled).iter().position(|k| *k == key).expect("such a task");
    assert_eq!(place("peel-face"), place("peel") + 1);
    assert!(it(&bubbled).draft.used.iter().any(|used| used.name == "bubble sheets"));
    assert!(codes(&bubbled).contains(&"bubble-sheet"));
    let told = faults(WorkInputs::Slab(of(FaceTexture::BubbleSheet, salt)));
    assert!(told[0].starts_with("components[0].work.texture must be another"), "{told:?}");
    let WorkInputs::Layered(layered) = layered(&[("dark", 3.0), ("white", 3.0)]) else {
        unreachable!()
    };
    let forked =
        plan(WorkInputs::Layered(LayeredInputs { texture: Some(FaceTexture::Fork), ..layered }));
    let task = it(&forked).tasks.iter().find(|task| task.key == "texture").expect("drawn");
    assert_eq!(task.since.as_deref(), Some("pour-2"), "the last layer's face");
}
