//! Every form that was ever released is read to the end, and what is not known takes
//! nothing else with it.

use craft::learn::GearNumbers;
use craft::plan::{BowlInputs, Plan, PlanInputs};
use craft::result::Look;
use craft::shelf::Thing;
use craft::steps::lines;
use craft::work::{MixedAmount, ToppingWish, WorkInputs};
use serde_json::{Value, json};

use super::*;

macro_rules! fixture {
    ($name:literal) => {
        include_str!(concat!("../../tests/fixtures/documents/", $name, ".json"))
    };
}

/// A document as it was released, and that it holds what its form of today does.
fn reads<T: Document + PartialEq + std::fmt::Debug>(text: &str) -> T {
    let value: T = read(text).expect("every released form is read");
    let again: T = read(&written(&value).expect("written")).expect("read back");
    assert_eq!(value, again);
    value
}

#[test]
fn plans_of_every_format_are_read_and_can_still_be_planned() {
    for text in [
        fixture!("plan-1"),
        fixture!("plan-1-slab"),
        fixture!("plan-2"),
        fixture!("plan-2-slab"),
        fixture!("plan-3"),
        fixture!("plan-3-slab"),
    ] {
        let inputs: PlanInputs = reads(text);
        // What stands on the shelf is not here; all that stands for itself is planned.
        assert!(!inputs.components.is_empty());
        let steps = Plan::of(&inputs).map(|plan| lines(&plan).len());
        assert!(steps.is_ok_and(|lines| lines > 1) || text.contains("_id\": \""), "{text}");
    }
}

#[test]
fn bowls_of_every_format_are_read_without_what_is_the_slabs() {
    for text in [fixture!("bowl-1"), fixture!("bowl-2")] {
        let bowl: BowlInputs = reads(text);
        assert!(bowl.total_g.is_some(), "{bowl:?}");
    }
    assert!(fixture!("bowl-1").contains("thickness_mm"), "the first format had it");
    assert!(
        !written(&reads::<BowlInputs>(fixture!("bowl-1")))
            .expect("written")
            .contains("thickness_mm")
    );
}

#[test]
fn things_lessons_results_and_shown_plans_are_read() {
    for text in [
        fixture!("thing-1-chocolate"),
        fixture!("thing-1-ware"),
        fixture!("thing-1-heat"),
        fixture!("thing-1-thermometer"),
        fixture!("thing-1-tray"),
        fixture!("thing-1-mould"),
        fixture!("thing-1-pigment"),
        fixture!("thing-1-kitchen"),
    ] {
        reads::<Thing>(text);
    }
    reads::<GearNumbers>(fixture!("lesson-1"));
    reads::<ShownPlan>(fixture!("bowl-plan-1"));
    let result: Look = reads(fixture!("result-1"));
    assert!(result.seen.is_empty());
}

#[test]
fn what_a_batch_was_worked_out_to_be_says_what_it_said() {
    let before: Value = serde_json::from_str(fixture!("computed-1")).expect("JSON");
    let computed: Computed = reads(fixture!("computed-1"));
    let told: Vec<_> = computed
        .lines
        .iter()
        .flat_map(|line| &line.steps)
        .flat_map(|step| {
            [&step.text, &step.detail].into_iter().chain(&step.caution).chain(&step.missed)
        })
        .map(|message| message.text())
        .collect();
    let texts = |step: &Value| {
        ["text", "detail", "caution", "missed"].map(|name| step[name].as_str().map(str::to_owned))
    };
    let said: Vec<String> = before["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .flat_map(|line| line["steps"].as_array().expect("steps"))
        .flat_map(texts)
        .flatten()
        .filter(|text| !text.is_empty())
        .collect();
    assert_eq!(told, said);
    let plan = &computed.plan;
    let filled = &plan["components"][0];
    assert!(filled["keeps"]["text"].as_str().is_some_and(|text| text.contains("10 days")));
    assert!(filled["checks"][0]["text"].is_string());
    assert!(plan["bowls"][0]["left_over"]["ideas"][0]["text"]["text"].is_string());
    let second: Computed = reads(fixture!("computed-2"));
    let third: Computed = reads(fixture!("computed-3"));
    assert_eq!(second, third, "one of each is a list of one");
    let fourth: Computed = reads(fixture!("computed-4"));
    assert_eq!(third, fourth, "what was cast was filled whole");
    let casts = third.plan["components"].as_array().expect("components").iter();
    let filled: Vec<_> = casts.map(|one| &one["cast"]).filter(|cast| cast.is_object()).collect();
    assert!(!filled.is_empty() && filled.iter().all(|cast| cast["by"] == "dumping"), "{filled:?}");
}

#[test]
fn one_good_of_before_is_the_first_of_several() {
    let mut before: Value = serde_json::from_str(fixture!("plan-2-slab")).expect("JSON");
    let work = &mut before["components"][0]["work"];
    work["mixed_in"] = json!({ "name": "nuts", "parts": 0.4, "density_g_cm3": 1.05 });
    let wish = json!({ "by": "share", "share_pct": 8.0 });
    work["topping"] = json!({ "name": "stars", "across_mm": 6.0, "each_g": 0.06, "wish": wish });
    let inputs: PlanInputs = read_value(before).expect("read");
    let WorkInputs::Slab(slab) = &inputs.components[0].work else { panic!("a slab") };
    assert_eq!(slab.mixed_in[0].amount, MixedAmount::Parts { parts: 0.4 });
    assert_eq!(slab.toppings[0].wish, ToppingWish::Share { share_pct: 8.0 });

    let made = json!({ "lines": [], "format": 2, "plan": { "components": [{
        "goods": [{ "name": "stars", "mass_g": 3.0, "goes": "on top" }],
        "topping": { "count": 50.0, "mass_g": 3.0, "covered_pct": 2.0, "notes": [], "sum": [] },
        "mixed_in": null,
    }] } });
    let computed: Computed = read_value(made).expect("read");
    let component = &computed.plan["components"][0];
    assert_eq!(component["toppings"][0]["name"], "stars");
    assert_eq!(component["mixed_in"], json!([]));
}

#[test]
fn every_format_has_a_fixture() {
    // One more upgrade wants one more fixture above.
    let formats = [
        (PlanInputs::WHAT, PlanInputs::format(), 3),
        (BowlInputs::WHAT, BowlInputs::format(), 2),
        (Thing::WHAT, Thing::format(), 1),
        (GearNumbers::WHAT, GearNumbers::format(), 1),
        (Computed::WHAT, Computed::format(), 4),
        (ShownPlan::WHAT, ShownPlan::format(), 1),
        (Look::WHAT, Look::format(), 1),
        (Summary::WHAT, Summary::format(), 1),
    ];
    for (what, format, with_fixtures) in formats {
        assert_eq!(format, with_fixtures, "{what}");
    }
}

#[test]
fn a_key_that_is_not_known_is_set_aside_wherever_it_is() {
    let clean: PlanInputs = read(fixture!("plan-2")).expect("read");
    let spoilt = |at: &str, name: &str| {
        let mut value: Value = serde_json::from_str(fixture!("plan-2")).expect("JSON");
        value
            .pointer_mut(at)
            .and_then(Value::as_object_mut)
            .expect("an object")
            .insert(name.to_owned(), json!({ "from": "a later release" }));
        read_value::<PlanInputs>(value)
    };
    for at in ["", "/bowls/0", "/components/0", "/components/0/work", "/components/0/work/cast"] {
        assert_eq!(spoilt(at, "sparkle"), Ok(clean.clone()), "{at}");
    }
    // The same name is known in one place and not in another.
    assert_eq!(spoilt("/bowls/0", "rh_pct"), Ok(clean.clone()));
    // Several at once.
    let mut value: Value = serde_json::from_str(fixture!("plan-2")).expect("JSON");
    for bowl in value["bowls"].as_array_mut().expect("bowls") {
        bowl["sparkle"] = json!(1);
        bowl["glitter"] = json!(2);
    }
    assert_eq!(read_value::<PlanInputs>(value), Ok(clean));
}

#[test]
fn what_is_of_a_later_format_or_of_none_says_so_and_no_more() {
    let format = |format: Value| {
        let mut value: Value = serde_json::from_str(fixture!("plan-2")).expect("JSON");
        value["format"] = format;
        read_value::<PlanInputs>(value).expect_err("unreadable").problem
    };
    assert!(format(json!(99)).contains("it is of format 99; this release knows up to 3"));
    assert!(format(json!("two")).contains("its format is"));
    assert!(format(json!(0)).contains("format 0"));
    for text in ["", "{", "null", "[]", "7", "\"plan\"", "{\"room_c\": \"warm\"}", "{}", "1e999"] {
        assert!(read::<PlanInputs>(text).is_err(), "{text}");
    }
}
