//! Which lines a plan has, and what their steps wait for.

use super::*;
use crate::chocolate::Family;
use crate::kinds::kinds;
use crate::plan::{BowlInputs, Plan, PlanInputs};
use crate::work::{ComponentInputs, WorkInputs};

fn planned(names: &[&str]) -> Plan {
    let chosen: Vec<_> = names
        .iter()
        .map(|name| kinds().into_iter().find(|kind| kind.name == *name).expect("such a kind"))
        .collect();
    let mut bowls: Vec<_> =
        [Family::Dark, Family::Milk, Family::White].map(BowlInputs::usual).into();
    for colour in chosen.iter().flat_map(|kind| kind.colours.clone()) {
        if bowls.iter().all(|bowl| bowl.key != colour.key) {
            bowls.push(colour);
        }
    }
    let components = chosen.into_iter().enumerate().map(|(i, kind)| ComponentInputs {
        key: format!("it-{i}"),
        name: kind.name.to_owned(),
        work: kind.start,
    });
    let inputs = PlanInputs {
        fridge_c: Some(5.0),
        bowls,
        components: components.collect(),
        ..PlanInputs::usual(Family::Dark)
    };
    Plan::of(&inputs).expect("a plan")
}

fn keys(lines: &[Line]) -> Vec<&str> {
    lines.iter().map(|line| line.key.as_str()).collect()
}

fn tempered<'a>(lines: &'a [Line], step: &str) -> &'a str {
    let step = lines.iter().flat_map(|line| &line.steps).find(|s| s.key == step).expect("there");
    step.tempered.as_deref().expect("it takes chocolate")
}

#[test]
fn a_slab_is_weighed_for_tempered_and_poured_in_that_order() {
    let lines = lines(&planned(&["Slab of bark"]));
    assert_eq!(keys(&lines), ["@dark", "it-0"]);
    let steps: Vec<_> = lines[0].steps.iter().map(|s| (s.key.as_str(), s.kind)).collect();
    assert_eq!(
        steps,
        [("@dark/weigh", StepKind::Preparing), ("@dark/temper", StepKind::Tempering)]
    );
    assert!(lines[0].steps[0].text.text().contains("aside as seed"), "{}", lines[0].steps[0].text);
    assert_eq!(lines[1].steps[0].kind, StepKind::Preparing, "the tray is lined before the pour");
    assert_eq!(tempered(&lines, "it-0/pour"), "@dark/temper");
    let temper = &lines[0].steps[1].takes;
    assert!(temper.least_s >= 600.0 && temper.most_s <= 5_400.0, "{temper:?}");
}

#[test]
fn what_meets_in_one_sitting_shares_a_tempering_and_what_is_capped_later_does_not() {
    let both = lines(&planned(&["Slab of bark", "Wrap round a cake"]));
    assert_eq!(keys(&both).iter().filter(|key| key.starts_with('@')).count(), 1);
    assert_eq!(tempered(&both, "it-0/pour"), tempered(&both, "it-1/pour"));

    let shells = lines(&planned(&["Filled shells"]));
    assert_ne!(tempered(&shells, "it-0/pour"), tempered(&shells, "it-0/cap"));
    let cap = shells.iter().flat_map(|l| &l.steps).find(|s| s.key == "it-0/cap").expect("caps");
    let again =
        shells.iter().flat_map(|l| &l.steps).find(|s| s.key == "@dark#2/temper").expect("again");
    assert_eq!(again.wait, cap.wait, "it is tempered again for when the filling has crusted");

    // A slab waits for shells whose colour has to rest: once tempered does for both.
    let together = lines(&planned(&["Slab of bark", "Filled shells"]));
    assert_eq!(tempered(&together, "it-0/pour"), tempered(&together, "it-1/pour"));
    // One of another chocolate has nothing to wait for.
    let apart = lines(&planned(&["Boiled-sugar sheet", "Filled shells", "Marbled bark"]));
    let waits = |key: &str| {
        let of = apart.iter().flat_map(|line| &line.steps).find(|step| step.key == key);
        of.expect("such a step").wait.is_some()
    };
    assert!(waits("@dark/temper") && waits("@white/temper"), "they go into one piece");
}

#[test]
fn each_cast_of_a_mould_is_a_run_of_its_steps() {
    let hollows = lines(&planned(&["Joined hollows"]));
    let casts: Vec<_> = hollows.iter().filter(|line| line.component().is_some()).collect();
    assert_eq!(casts.len(), 2);
    assert_eq!((casts[0].key.as_str(), casts[1].key.as_str()), ("it-0", "it-0#2"));
    assert!(casts[1].name.ends_with("cast 2 of 2"), "{}", casts[1].name);
}

#[test]
fn every_kind_has_keys_of_its_own_waits_for_known_steps_and_names_its_temperings() {
    for kind in kinds() {
        let lines = lines(&planned(&[kind.name]));
        let all: Vec<&Step> = lines.iter().flat_map(|line| &line.steps).collect();
        let mut seen = std::collections::HashSet::new();
        for step in &all {
            assert!(seen.insert(step.key.as_str()), "{}: {} is there twice", kind.name, step.key);
            assert_eq!(step.chocolate.is_some(), step.tempered.is_some(), "{}", step.key);
            let named = step.tempered.iter().chain(step.wait.iter().map(|wait| &wait.step));
            for key in named {
                assert!(all.iter().any(|s| s.key == *key), "{}: {key} is unknown", kind.name);
            }
        }
        let tempers = !matches!(kind.start, WorkInputs::Sugar(_));
        assert_eq!(lines.iter().any(|line| line.bowl().is_some()), tempers, "{}", kind.name);
        let first_pour = lines.iter().flat_map(|l| &l.steps).find(|s| s.kind == StepKind::Pouring);
        assert_eq!(
            first_pour.is_some(),
            tempers && kind.name != "Coloured cocoa butter",
            "{}",
            kind.name
        );
    }
}

#[test]
fn steps_are_kept_and_read_back_as_they_were() {
    let lines = lines(&planned(&["Filled shells", "Dipped pieces"]));
    let text = serde_json::to_string(&lines).expect("written");
    assert_eq!(serde_json::from_str::<Vec<Line>>(&text).expect("read"), lines);
}
