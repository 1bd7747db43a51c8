//! One tempered bowl divided: a part of it tinted, a part of it plain, within what is in hand.

use super::*;
use crate::colour::usual_pigments;
use crate::plan::{PlannedBowl, TintInputs};
use crate::steps::{Line, Step, lines};

/// Truffles dipped in white, with zigzags from a part of the same bowl in blue.
fn comets() -> PlanInputs {
    let WorkInputs::Dipped(mut dipped) = start("Dipped pieces") else { unreachable!() };
    dipped.chocolate = "white".to_owned();
    dipped.swirl = Some("blue white".to_owned());
    dipped.sticks = false;
    let blue = usual_pigments().into_iter().next().expect("a pigment");
    PlanInputs {
        fridge_c: Some(5.0),
        bowls: vec![
            BowlInputs::usual(Family::White),
            BowlInputs {
                key: "blue white".to_owned(),
                taken_from: Some("white".to_owned()),
                tint: Some(TintInputs {
                    colour: "blue".to_owned(),
                    share_pct: 4.0,
                    drops_per_100_g: None,
                }),
                // What it says of its tempering goes by the white's.
                ..BowlInputs::usual(Family::Dark)
            },
            BowlInputs::coloured("blue", blue, 10.0),
        ],
        components: vec![ComponentInputs {
            key: "it".to_owned(),
            name: "Comets".to_owned(),
            work: WorkInputs::Dipped(dipped),
        }],
        ..PlanInputs::usual(Family::White)
    }
}

fn of(inputs: &PlanInputs) -> Plan {
    Plan::of(inputs).unwrap_or_else(|faults| panic!("{faults:?}"))
}

fn bowl<'p>(plan: &'p Plan, key: &str) -> &'p PlannedBowl {
    plan.bowls.iter().find(|bowl| bowl.key == key).expect("such a bowl")
}

fn line(plan: &Plan, key: &str) -> Option<Line> {
    lines(plan).into_iter().find(|line| line.key == key)
}

fn step<'l>(line: &'l Line, task: &str) -> &'l Step {
    line.steps.iter().find(|step| step.task() == task).unwrap_or_else(|| {
        panic!("{task} among {:?}", line.steps.iter().map(|s| &s.key).collect::<Vec<_>>())
    })
}

#[test]
fn a_part_is_weighed_out_with_the_bowl_that_it_is_taken_from() {
    let plan = of(&comets());
    let part = bowl(&plan, "blue white");
    let taken = part.taken.as_ref().expect("a part");
    assert!(part.plan.is_none(), "it is not tempered by itself");
    let mut without = comets();
    let WorkInputs::Dipped(dipped) = &mut without.components[0].work else { unreachable!() };
    dipped.swirl = None;
    let WorkInputs::Dipped(dipped) = start("Dipped pieces") else { unreachable!() };
    assert!(dipped.swirl.is_none());
    let total = |plan: &Plan| in_grams(bowl(plan, "white").plan.as_ref().expect("white").total);
    // All that is taken is weighed out with it, and what stays in the small bowl too.
    let own = takes(&plan, "white");
    let vessel = it(&plan).draft.takes[0].at_hand;
    let needed = in_grams(vessel) + in_grams(taken.mass);
    assert!((total(&plan) - needed - (needed * 0.05).max(15.0)).abs() < 1e-6, "{own}");
    // The colour is worked out from the part alone.
    let blue = bowl(&plan, "blue");
    let least = it(&plan).draft.takes.iter().find(|p| p.chocolate == "blue");
    assert!(least.is_none(), "nothing is painted with it");
    assert!((in_grams(blue.needed) - in_grams(taken.mass) * 0.04).abs() < 1e-6);
}

#[test]
fn the_steps_take_the_part_tint_it_and_name_one_tempering() {
    let plan = of(&comets());
    let all = lines(&plan);
    let temperings: Vec<_> =
        all.iter().filter(|line| line.bowl().is_some()).map(|line| line.key.as_str()).collect();
    assert_eq!(temperings, ["@blue", "@white"], "one white, and the colour before it");
    let line = line(&plan, "it").expect("its line");
    let place = |task: &str| {
        line.steps.iter().position(|step| step.task() == task).unwrap_or_else(|| panic!("{task}"))
    };
    assert!(place("colour-blue white") < place("part-blue white"));
    assert!(place("part-blue white") < place("tint-blue white"));
    // Before the vessel is filled with what is left.
    assert!(place("tint-blue white") < place("fill-vessel"));
    assert!(place("tint-blue white") < place("pour"));
    let part = step(&line, "part-blue white");
    assert!(part.text.text().starts_with("Take "), "{:?}", part.text);
    assert_eq!(part.tempered.as_deref(), Some("@white/temper"));
    assert_eq!(step(&line, "pour").tempered.as_deref(), Some("@white/temper"));
    assert_eq!(step(&line, "colour-blue white").tempered.as_deref(), Some("@blue/temper"));
    let tint = step(&line, "tint-blue white");
    assert!(
        tint.text.text().contains("drops") || tint.text.text().contains(" g"),
        "{:?}",
        tint.text
    );
}

#[test]
fn a_part_looks_and_sets_as_it_is_made() {
    let plan = of(&comets());
    assert!(it(&plan).setting.is_some());
    let looks = bowl(&plan, "blue white").looks.clone().expect("tinted");
    assert_ne!(looks, crate::colour::hex(crate::colour::Ground::White.tinted()));
    assert_eq!(bowl(&plan, "white").looks, None);
    // Named by the maker, texts call it that.
    let mut named = comets();
    named.bowls[1].name = Some("night blue".to_owned());
    let plan = of(&named);
    let line = line(&plan, "it").expect("its line");
    assert!(step(&line, "part-blue white").text.text().ends_with("for the night blue"));
    let all = &plan.allergens;
    assert_eq!(all.unread.iter().filter(|label| label.contains("white")).count(), 1, "{all:?}");
}

#[test]
fn a_bowl_that_is_tinted_whole_has_its_steps_too() {
    let mut tinted = comets();
    let WorkInputs::Dipped(dipped) = &mut tinted.components[0].work else { unreachable!() };
    dipped.swirl = None;
    tinted.bowls[0].tint =
        Some(TintInputs { colour: "blue".to_owned(), share_pct: 2.0, drops_per_100_g: None });
    tinted.bowls.remove(1);
    let plan = of(&tinted);
    let line = line(&plan, "it").expect("its line");
    let tint = step(&line, "tint-white");
    assert_eq!(tint.tempered.as_deref(), Some("@white/temper"));
    let all: Vec<_> = line.steps.iter().map(|step| step.task().to_owned()).collect();
    assert_eq!(all.iter().filter(|task| task.starts_with("tint-")).count(), 1, "{all:?}");
}

#[test]
fn drops_are_a_share_and_a_share_is_told_in_drops() {
    let mut by_drops = comets();
    let tint = by_drops.bowls[1].tint.as_mut().expect("tinted");
    tint.drops_per_100_g = Some(50.0);
    // Fifty drops of 0.048 g to 100 g are 2.4 %.
    let plan = of(&by_drops);
    let taken = bowl(&plan, "blue white").taken.as_ref().expect("a part").mass;
    assert!((in_grams(bowl(&plan, "blue").needed) - in_grams(taken) * 0.024).abs() < 1e-6);
    by_drops.bowls[1].tint.as_mut().expect("tinted").drops_per_100_g = Some(0.0);
    let told = Plan::of(&by_drops).expect_err("no drop is none");
    assert_eq!(told[0].field, "bowls[1].tint.drops_per_100_g");
}

#[test]
fn what_cannot_be_divided_is_refused_by_its_field() {
    let told = |change: fn(&mut PlanInputs)| {
        let mut inputs = comets();
        change(&mut inputs);
        let faults = Plan::of(&inputs).expect_err("it cannot be");
        faults.into_iter().map(|f| format!("{} {}", f.field, f.message)).collect::<Vec<_>>()
    };
    let nothing = told(|inputs| inputs.bowls[1].taken_from = Some("ruby".to_owned()));
    assert!(nothing[0].starts_with("bowls[1].taken_from must name another"), "{nothing:?}");
    let itself = told(|inputs| inputs.bowls[1].taken_from = Some("blue white".to_owned()));
    assert!(itself[0].starts_with("bowls[1].taken_from must name another"), "{itself:?}");
    let recipe = told(|inputs| inputs.bowls[2].taken_from = Some("white".to_owned()));
    assert!(recipe[0].starts_with("bowls[2].taken_from must be left out where"), "{recipe:?}");
    let nested = told(|inputs| {
        let part = inputs.bowls[1].clone();
        inputs.bowls.push(BowlInputs {
            key: "more".to_owned(),
            taken_from: Some("blue white".to_owned()),
            ..part
        });
    });
    assert!(nested[0].starts_with("bowls[3].taken_from must be a bowl"), "{nested:?}");
    let more = told(|inputs| {
        inputs.bowls[0].total_g = Some(200.0);
        inputs.bowls[1].total_g = Some(260.0);
    });
    assert_eq!(
        more,
        ["bowls[1].total_g must be less: the white holds 200 g, and its parts come to 260 g"]
    );
    let looks = told(|inputs| inputs.bowls[0].looks = Some("bluish".to_owned()));
    assert!(looks[0].starts_with("bowls[0].looks must be a colour"), "{looks:?}");
}
