//! Coating in place of chocolate: nothing said of temper, and never together with couverture.

use super::*;
use crate::plan::PlanInputs;
use crate::steps::lines;

/// The plan of a kind with its chocolates as coatings, or only the first.
fn of_coating(kind: &crate::kinds::Kind, all: bool) -> PlanInputs {
    let mut stated = inputs(kind.start.clone());
    let chocolates = stated.bowls.iter_mut().filter(|bowl| bowl.family != Family::CocoaButter);
    for bowl in chocolates.take(if all { usize::MAX } else { 1 }) {
        bowl.family = Family::Coating;
    }
    stated
}

#[test]
fn not_a_word_of_temper_is_said_of_what_is_all_coating() {
    for kind in kinds() {
        // Colours are cocoa butter and keep their temper.
        if !kind.colours.is_empty() || kind.start.chocolates().is_empty() {
            continue;
        }
        let plan = Plan::of(&of_coating(&kind, true)).expect("it can be planned");
        let it = it(&plan);
        let mut said: Vec<String> = Vec::new();
        for line in lines(&plan) {
            for step in line.steps {
                said.extend([step.text.to_string(), step.detail.to_string()]);
            }
        }
        said.extend(it.draft.said.checks.iter().map(ToString::to_string));
        said.extend(it.draft.said.notes.iter().map(|note| note.text().to_string()));
        for mistake in &it.draft.said.mistakes {
            said.extend([mistake.cause, mistake.rescue, mistake.next_time].map(str::to_owned));
        }
        for text in said {
            let text = text.to_lowercase().replace("temperature", "");
            for word in ["temper", "crystal", "proof"] {
                // What is shock-set is said not to be tempered, whatever it is.
                let shock_set = text.contains("not tempered");
                assert!(!text.contains(word) || shock_set, "{}: {text}", kind.name);
            }
        }
    }
}

#[test]
fn coating_with_couverture_is_stopped_and_says_what_to_do() {
    let kind = |name: &str| kinds().into_iter().find(|kind| kind.name == name).expect("there");
    for name in ["Marbled bark", "Layered bark", "Two-tone figures"] {
        let plan = Plan::of(&of_coating(&kind(name), false)).expect("it can be planned");
        let notes = &it(&plan).notes;
        let note = notes.iter().find(|n| n.code == "coating-with-couverture");
        let note = note.unwrap_or_else(|| panic!("{name}: {:?}", codes(&plan)));
        assert_eq!(note.level, Level::Stop);
        assert!(note.text().contains("38.0 to 42.0 °C") && note.text().contains("set fully first"));
        let alike = Plan::of(&of_coating(&kind(name), true)).expect("it can be planned");
        assert!(it(&alike).notes.iter().all(|n| n.code != "coating-with-couverture"));
    }
}

#[test]
fn shock_set_chocolate_is_refused_where_it_would_set_in_a_room() {
    let shock_set = |work: WorkInputs| {
        let mut stated = inputs(work);
        stated.bowls[0].method = crate::method::Method::find("shock_set");
        Plan::of(&stated)
    };
    let told = shock_set(start("Slab of bark")).expect_err("it would bloom");
    assert_eq!(told[0].field, "bowls[0].method");
    assert!(
        told[0].message.text().starts_with("must be another method for It"),
        "{}",
        told[0].message
    );
    assert!(shock_set(ribbons(4, -18.0)).is_ok(), "on a frozen stone it is at home");
}
