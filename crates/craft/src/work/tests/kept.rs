//! How long each kind keeps, where, and what it must not lie beside.

use super::*;
use crate::chocolate::{AddedFat, AddedFatInputs};
use crate::keeping::Store;
use crate::plan::Keeping;

fn kept(plan: &Plan) -> &Keeping {
    it(plan).keeping.as_ref().expect("it is kept")
}

fn apart(plan: &Plan) -> String {
    let all: Vec<_> = kept(plan).apart.iter().map(|one| one.to_string()).collect();
    all.join(" ")
}

#[test]
fn every_kind_says_how_it_is_kept() {
    for kind in kinds() {
        let name = kind.name;
        let plan = plan(kind.start);
        let keeping = kept(&plan);
        assert!(!keeping.text.text().is_empty() && !keeping.storage.text().is_empty(), "{name}");
        assert!(keeping.days.is_none_or(|days| (1.0..=56.0).contains(&days)), "{name}");
    }
}

#[test]
fn the_part_that_keeps_least_is_the_one_that_is_named() {
    let with = |names: &[&str]| {
        let mut slab = slab(cover(6.0));
        slab.mixed_in = names
            .iter()
            .map(|name| MixedInInputs::usual(name, MixedAmount::Parts { parts: 0.1 }))
            .collect();
        plan(WorkInputs::Slab(slab))
    };
    assert_eq!(kept(&with(&[])).days, Some(56.0));
    assert_eq!(kept(&with(&["chopped nuts"])).days, Some(56.0));
    let cereal = with(&["chopped nuts", "puffed cereal"]);
    assert_eq!(kept(&cereal).days, Some(21.0));
    assert!(
        kept(&cereal).text.text().contains("for the puffed cereal in it"),
        "{:?}",
        kept(&cereal)
    );
    assert!(apart(&cereal).contains("free of nuts") && apart(&cereal).contains("goes soft"));
    // What is moist keeps for days, in the fridge.
    let moist = with(&["soft dried apricots, diced"]);
    assert_eq!((kept(&moist).days, kept(&moist).store), (Some(4.0), Store::Fridge));
    assert!(kept(&moist).storage.text().contains("fridge"));
    let milk = plan(layered(&[("dark", 3.0), ("milk", 3.0)]));
    assert_eq!(kept(&milk).days, Some(42.0));
}

#[test]
fn a_filling_counts_before_its_shell_and_its_own_date_before_custom() {
    let shells = |filling: Option<FillingInputs>| {
        let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
        shells.cap = filling.is_some().then_some(shells.cap).flatten();
        shells.filling = filling;
        plan(WorkInputs::Shells(shells))
    };
    let WorkInputs::Shells(usual) = start("Filled shells") else { unreachable!() };
    let cream = shells(usual.filling);
    assert_eq!((kept(&cream).days, kept(&cream).store), (Some(10.0), Store::Fridge));
    assert!(apart(&cream).contains("wafers"));
    assert!(apart(&cream).contains("shine rubs off"));
    let other = |perishable| FillingInputs::Other {
        name: "praline".to_owned(),
        density_g_cm3: 1.2,
        perishable,
        each_g: None,
    };
    let praline = shells(Some(other(false)));
    assert_eq!(kept(&praline).days, None);
    assert!(kept(&praline).text.text().contains("its own label"), "{:?}", kept(&praline).text);
    assert_eq!(kept(&shells(Some(other(true)))).store, Store::Fridge);
    assert_eq!(kept(&shells(None)).days, Some(56.0));
}

#[test]
fn butter_shortens_it_and_what_was_not_tempered_is_eaten_at_once() {
    let mut with_butter = inputs(WorkInputs::Slab(slab(cover(4.0))));
    with_butter.bowls[0].fat_added =
        Some(AddedFatInputs { fat: AddedFat::Butter, share_pct: 2.0, goods_id: None });
    let planned = Plan::of(&with_butter).expect("a plan");
    assert_eq!(kept(&planned).days, Some(21.0));
    assert!(kept(&planned).text.text().contains("butter"));
    let mut ribbons = inputs(start("Ribbons from a frozen slab"));
    ribbons.bowls[0].method = crate::method::Method::find("shock_set");
    let planned = Plan::of(&ribbons).expect("a plan");
    assert_eq!(kept(&planned).days, Some(2.0));
}

#[test]
fn what_is_moist_is_packed_apart_from_what_is_crisp() {
    let WorkInputs::Shells(shells) = start("Filled shells") else { unreachable!() };
    let mut both = inputs(WorkInputs::Shells(shells));
    let mut bark = slab(cover(6.0));
    bark.mixed_in = vec![MixedInInputs::usual("wafer flakes", MixedAmount::Parts { parts: 0.1 })];
    both.components.push(ComponentInputs {
        key: "bark".to_owned(),
        name: "Bark".to_owned(),
        work: WorkInputs::Slab(bark),
    });
    let planned = Plan::of(&both).expect("a plan");
    let note = planned.notes.iter().find(|note| note.code == "pack-apart").expect("said");
    assert!(note.text().starts_with("It apart from Bark"), "{}", note.text());
    assert!(plan(WorkInputs::Slab(slab(cover(4.0)))).notes.iter().all(|n| n.code != "pack-apart"));
}
