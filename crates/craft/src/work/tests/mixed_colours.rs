//! One colour stirred into another; tape; how long colour rests.

use super::*;
use crate::colour::{PigmentInputs, usual_pigments};
use crate::plan::{RecipeInputs, RecipePart, TintInputs};
use crate::steps::lines;

fn pigment(name: &str) -> PigmentInputs {
    let all = usual_pigments().into_iter();
    all.into_iter()
        .find(|pigment| pigment.name.to_lowercase().contains(name))
        .expect("such a pigment")
}

fn stirred(colour: &str, share_pct: f64) -> Option<TintInputs> {
    Some(TintInputs { colour: colour.to_owned(), share_pct, drops_per_100_g: None })
}

/// A sheet painted in blue that is thickened with white.
fn sheet_in(change: impl FnOnce(&mut Vec<BowlInputs>)) -> PlanInputs {
    let WorkInputs::Sheet(mut sheet) = start("Sheet: shapes, shards, curls") else {
        unreachable!()
    };
    sheet.colours.truncate(1);
    let mut inputs = inputs(WorkInputs::Sheet(sheet));
    inputs.bowls.retain(|bowl| bowl.colour.is_none());
    inputs.bowls.push(BowlInputs::coloured("blue", pigment("blue"), 10.0));
    inputs.bowls.push(BowlInputs::coloured("cover", pigment("white"), 10.0));
    change(&mut inputs.bowls);
    inputs
}

fn bowl<'p>(plan: &'p Plan, key: &str) -> &'p crate::plan::PlannedBowl {
    plan.bowls.iter().find(|bowl| bowl.key == key).expect("such a bowl")
}

fn blue(inputs: &mut [BowlInputs]) -> &mut BowlInputs {
    inputs.iter_mut().find(|bowl| bowl.key == "blue").expect("blue")
}

#[test]
fn white_stirred_into_a_colour_hides_what_is_behind_it() {
    let plain = Plan::of(&sheet_in(|_| {})).expect("a plan");
    let thick = sheet_in(|bowls| blue(bowls).tint = stirred("cover", 40.0));
    let thick = Plan::of(&thick).expect("a plan");
    let looks = |plan: &Plan| {
        let face = it(plan).draft.shown.face.clone().expect("painted");
        crate::colour::linear(&face.parts[0].flecks[0].1).expect("a colour")
    };
    assert!(looks(&thick).iter().sum::<f64>() > looks(&plain).iter().sum::<f64>());
    // Two fifths of what is made of the blue, and no less than can be stirred.
    let white = in_grams(bowl(&thick, "cover").needed);
    let made = in_grams(bowl(&thick, "blue").plan.as_ref().expect("made").total);
    assert!((white - 0.4 * made).abs() < 1e-6, "{white} of {made}");
    assert!(bowl(&thick, "blue").notes.iter().any(|note| note.code == "colour-mixed"));
    let steps: Vec<_> = lines(&thick).into_iter().flat_map(|line| line.steps).collect();
    let stir = steps.iter().find(|step| step.task() == "tint-blue").expect("a step of its own");
    assert!(stir.text.text().contains("of the cover into the blue"), "{:?}", stir.text);
    let temperings = lines(&thick).iter().filter(|line| line.bowl().is_some()).count();
    assert_eq!(temperings, 3, "the chocolate, the blue and the white are made");
}

#[test]
fn two_bottles_make_a_third_colour_beside_themselves() {
    let mixed = sheet_in(|bowls| {
        bowls.push(BowlInputs {
            key: "sky".to_owned(),
            taken_from: Some("blue".to_owned()),
            tint: stirred("cover", 100.0),
            ..BowlInputs::usual(Family::CocoaButter)
        });
    });
    let mut mixed = mixed;
    let WorkInputs::Sheet(sheet) = &mut mixed.components[0].work else { unreachable!() };
    sheet.colours[0].colour = "sky".to_owned();
    let plan = Plan::of(&mixed).expect("a plan");
    let sky = bowl(&plan, "sky");
    let taken = sky.taken.as_ref().expect("a part").mass;
    assert!((in_grams(bowl(&plan, "blue").needed) - in_grams(taken)).abs() < 1e-6);
    assert!(in_grams(bowl(&plan, "cover").needed) >= in_grams(taken) - 1e-6);
    assert!(sky.looks.is_some());
    let line = lines(&plan).into_iter().find(|line| line.key == "it").expect("its line");
    let part = line.steps.iter().find(|step| step.task() == "part-sky").expect("it is taken");
    assert_eq!(part.tempered.as_deref(), Some("@blue/temper"));
}

#[test]
fn mixtures_of_mixtures_and_of_themselves_are_refused() {
    let told = |change: fn(&mut Vec<BowlInputs>)| {
        let faults = Plan::of(&sheet_in(change)).expect_err("it cannot be");
        faults.into_iter().map(|f| format!("{} {}", f.field, f.message)).collect::<Vec<_>>()
    };
    let itself = told(|bowls| blue(bowls).tint = stirred("blue", 10.0));
    assert!(itself[0].contains("tint.colour must be another colour"), "{itself:?}");
    let nested = told(|bowls| {
        blue(bowls).tint = stirred("cover", 10.0);
        let cover = bowls.iter_mut().find(|bowl| bowl.key == "cover").expect("cover");
        cover.tint = stirred("blue", 10.0);
    });
    assert!(nested.iter().any(|told| told.contains("nothing is stirred into")), "{nested:?}");
    let much = told(|bowls| blue(bowls).tint = stirred("cover", 140.0));
    assert!(much[0].contains("must be 0.1 to 100 %"), "{much:?}");
    // A chocolate takes less of it.
    let chocolate = told(|bowls| bowls[0].tint = stirred("cover", 40.0));
    assert!(chocolate[0].contains("must be 0.1 to 20 %"), "{chocolate:?}");
}

#[test]
fn tape_goes_on_before_the_colour_and_off_after_it() {
    let shells = |change: fn(&mut ShellsInputs)| {
        let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
        change(&mut shells);
        plan(WorkInputs::Shells(shells))
    };
    let taped = shells(|shells| {
        shells.cast.colours[0].masked = true;
        shells.cast.colours[0].share_pct = 40.0;
    });
    let keys: Vec<_> = it(&taped).tasks.iter().map(|task| task.key.as_str()).collect();
    assert_eq!(keys[1..5], ["mask-1", "colour-1", "unmask-1", "colour-2"]);
    assert!(codes(&taped).contains(&"masked"));
}

#[test]
fn a_short_rest_says_what_it_risks() {
    let rested = |hours: Option<f64>| {
        let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
        shells.cast.colour_rest_h = hours;
        plan(WorkInputs::Shells(shells))
    };
    let level = |plan: &Plan| {
        let notes = &it(plan).draft.said.notes;
        notes.iter().find(|note| note.code == "rest-short").map(|note| note.level)
    };
    assert_eq!(level(&rested(None)), None);
    assert_eq!(level(&rested(Some(12.0))), None);
    assert_eq!(level(&rested(Some(3.0))), Some(Level::Info));
    let minutes = rested(Some(0.5));
    assert_eq!(level(&minutes), Some(Level::Caution));
    let pour = it(&minutes).tasks.iter().find(|task| task.key == "pour").expect("poured");
    let opens = in_seconds(pour.from.as_ref().expect("waits").moment.typical);
    assert!((opens - 1_800.0).abs() < 1e-6, "{opens}");
}

#[test]
fn a_colour_that_was_mixed_by_eye_is_used_as_it_is() {
    use crate::colour::Carrier;
    let blue = usual_pigments().into_iter().find(|one| !one.opaque).expect("a usual one");
    let kept = PigmentInputs {
        name: "Dusk over the dome".to_owned(),
        carrier: Carrier::Butter,
        srgb: "#5b4b8a".to_owned(),
        opaque: true,
        mixed_of: "blue, red, a third of white".to_owned(),
        ..blue.clone()
    };
    let mut inputs = inputs(start("Filled shells"));
    let place = inputs.bowls.iter().position(|bowl| bowl.colour.is_some()).expect("a colour");
    let of = |pigments: Vec<PigmentInputs>| {
        let part =
            |pigment| RecipePart { pigment_id: None, pigment: Some(pigment), parts_per_100: 10.0 };
        Some(RecipeInputs { pigments: pigments.into_iter().map(part).collect(), strained: false })
    };
    inputs.bowls[place].colour = of(vec![kept.clone()]);
    let plan = Plan::of(&inputs).expect("a plan");
    let bowl = plan.bowls[place].plan.as_ref().expect("it is needed");
    let colour = bowl.colour.as_ref().expect("a colour");
    assert!(colour.ready && in_grams(colour.amounts.pigment).abs() < 1e-9);
    assert!((in_grams(colour.amounts.butter) - in_grams(bowl.total)).abs() < 1e-9);
    // It was put away in temper, so that it only has to soften; nobody weighs a powder.
    assert!(bowl.method.softened_in().is_some(), "{}", bowl.method);
    assert!(bowl.amounts.notes.iter().all(|note| note.code != "not-at-hand"));
    assert!(bowl.run(chrono::DateTime::UNIX_EPOCH).setup.colouring.is_none());
    let [r, g, b] = crate::colour::linear(&colour.looks).expect("a colour");
    assert!(b > r && r > g, "it looks as it was seen: {}", colour.looks);
    inputs.bowls[place].method = crate::method::Method::find("ready_crystals");
    let plan = Plan::of(&inputs).expect("melted and tempered it goes too");
    let texts: Vec<_> = crate::steps::lines(&plan)
        .iter()
        .flat_map(|line| line.steps.iter().map(|step| step.text.text().clone().into_owned()))
        .collect();
    let weighed = texts.iter().find(|text| text.contains("of blue")).expect("it is weighed");
    assert!(!weighed.contains("powder"), "{weighed}");
    inputs.bowls[place].colour = of(vec![kept, blue]);
    let faults = Plan::of(&inputs).expect_err("not worked together");
    assert_eq!(faults[0].field, format!("bowls[{place}].colour.pigments"));
}
