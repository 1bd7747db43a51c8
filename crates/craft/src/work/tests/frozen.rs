//! Collars, nests and bowls on what comes from the freezer.

use super::*;
use crate::method::Method;

fn stone(weighs_kg: f64, cold_c: f64) -> Option<FrozenInputs> {
    Some(FrozenInputs { weighs_kg, cold_c })
}

fn collar(change: impl FnOnce(&mut WrapInputs)) -> WorkInputs {
    let mut collar = WrapInputs { pattern: None, frozen: stone(8.0, -18.0), ..wrap(90.0) };
    change(&mut collar);
    WorkInputs::Wrap(collar)
}

fn worked(plan: &Plan, label: &str) -> f64 {
    let lines = &it(plan).draft.said.working;
    lines.iter().find(|line| line.label == label).unwrap_or_else(|| panic!("{label}")).value
}

#[test]
fn a_collar_on_the_stone_goes_round_at_once_and_is_not_tempered() {
    let mut inputs = inputs(collar(|_| {}));
    inputs.bowls[0].method = Method::find("shock_set");
    let plan = Plan::of(&inputs).expect("shock-set chocolate sets on it");
    let keys: Vec<_> = it(&plan).tasks.iter().map(|task| task.key.as_str()).collect();
    assert_eq!(keys, ["line", "pour", "trim", "chill"], "no paper, no fridge");
    assert!(codes(&plan).contains(&"eaten-soon") && !codes(&plan).contains(&"stone-warms"));
    assert_eq!(it(&plan).keeping.as_ref().and_then(|keeping| keeping.days), Some(2.0));
    // 590 by 110 by 2 mm with what is trimmed: some 190 g, and 8 kg hold 0.85 J in each gram and
    // degree; so one pull warms it by a few degrees.
    let warms = worked(&plan, "each warms it by");
    assert!((1.0..6.0).contains(&warms), "{warms}");
    assert!(worked(&plan, "pulls from one freezing, about") >= 1.0);
}

#[test]
fn strips_lap_over_each_other_and_a_small_stone_is_named() {
    let one = plan(collar(|_| {}));
    let four = plan(collar(|collar| collar.strips = Some(4)));
    // Three more laps of 25 mm on 590.
    let more = takes(&four, "dark") / takes(&one, "dark") - 1.0;
    let long = in_millimetres(it(&one).draft.size.length.expect("long"));
    assert!((more - 75.0 / long).abs() < 1e-6, "{more}");
    let small = plan(collar(|collar| {
        collar.frozen = stone(0.6, -10.0);
        collar.strips = Some(4);
    }));
    assert!(codes(&small).contains(&"stone-warms"));
    let told = faults(collar(|collar| {
        collar.pattern =
            Some(WrapPattern { chocolate: "white".to_owned(), length_mm: 900.0, line_mm: 3.0 });
    }));
    assert!(told[0].starts_with("components[0].work.pattern must be left out"), "{told:?}");
    let told = faults(collar(|collar| collar.strips = Some(0)));
    assert!(told[0].starts_with("components[0].work.strips must be"), "{told:?}");
}

#[test]
fn nests_on_the_stone_are_gathered_at_once_and_a_dome_of_ice_has_an_end() {
    let of = |shape, frozen, count| {
        let WorkInputs::Piped(piped) = piped(false) else { unreachable!() };
        WorkInputs::Piped(PipedInputs { shape, frozen, count, ..piped })
    };
    let nests = plan(of(PipedShape::Nests, stone(6.0, -18.0), 6));
    let keys: Vec<_> = it(&nests).tasks.iter().map(|task| task.key.as_str()).collect();
    assert_eq!(keys, ["line", "pour", "chill"]);
    assert!(it(&nests).tasks.iter().all(|task| task.key != "gather"));
    let bowls = plan(of(PipedShape::Bowls, stone(0.5, -6.0), 40));
    let note = it(&bowls).draft.said.notes.iter().find(|note| note.code == "stone-warms");
    assert!(note.is_some_and(|note| note.text().contains("dome of")), "{note:?}");
    let told = faults(of(PipedShape::Outlines, stone(6.0, -18.0), 6));
    assert!(told[0].starts_with("components[0].work.frozen goes with nests"), "{told:?}");
}
