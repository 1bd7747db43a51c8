//! A whole batch: what its bowls and components must be to each other, and what is said
//! of all of them together.

use super::*;
use crate::chocolate::Family;
use crate::method::{Kitchen, Method};
use crate::work::{ComponentInputs, CoverInputs, Lining, SlabInputs, TrayInputs, WorkInputs};

/// A slab from a chocolate, under a name.
fn slab(key: &str, name: &str, chocolate: &str) -> ComponentInputs {
    ComponentInputs {
        key: key.to_owned(),
        name: name.to_owned(),
        work: WorkInputs::Slab(SlabInputs {
            chocolate: chocolate.to_owned(),
            cover: CoverInputs::Thickness {
                tray: TrayInputs::Area { area_cm2: 200.0 },
                thickness_mm: 4.0,
            },
            mixed_in: Vec::new(),
            toppings: Vec::new(),
            lining: Lining::default(),
            piece_cm2: None,
            texture: None,
        }),
    }
}

fn of(bowls: Vec<BowlInputs>, components: Vec<ComponentInputs>) -> PlanInputs {
    PlanInputs { bowls, components, ..PlanInputs::usual(Family::Dark) }
}

fn told(inputs: &PlanInputs) -> Vec<String> {
    let faults = Plan::of(inputs).expect_err("it cannot be planned");
    faults.into_iter().map(|fault| format!("{} {}", fault.field, fault.message)).collect()
}

fn keyed(key: &str, family: Family) -> BowlInputs {
    BowlInputs { key: key.to_owned(), ..BowlInputs::usual(family) }
}

#[test]
fn keys_are_their_own_and_there_are_not_too_many() {
    let dark = BowlInputs::usual(Family::Dark);
    let twice = of(vec![dark.clone(), dark.clone()], vec![slab("a", "A", "dark")]);
    assert_eq!(told(&twice), ["bowls[1].key must be its own; dark is there already"]);
    let again = of(vec![dark.clone()], vec![slab("a", "A", "dark"), slab("a", "B", "dark")]);
    assert_eq!(told(&again), ["components[1].key must be its own; a is there already"]);
    assert_eq!(
        told(&of(vec![dark.clone()], Vec::new())),
        ["components must be 1 to 24; there are 0"]
    );
    let bowls = (0..9).map(|i| keyed(&format!("dark {i}"), Family::Dark)).collect();
    let said = told(&of(bowls, vec![slab("a", "A", "dark 0")]));
    assert_eq!(said, ["bowls must be at most 8; there are 9"]);
    let nameless = of(vec![dark], vec![slab("a", " ", "dark")]);
    assert!(told(&nameless)[0].starts_with("components[0].name must be 1 to"));
}

#[test]
fn two_bowls_of_a_family_are_told_apart_by_their_keys() {
    let bowls = vec![keyed("the old bag", Family::Dark), keyed("the new bag", Family::Dark)];
    let plan = Plan::of(&of(bowls, vec![slab("a", "A", "the new bag")])).expect("a plan");
    assert!(plan.components[0].tasks.iter().any(|task| task.text.text().contains("the new bag")));
    // Nothing is made from the other one: nothing is weighed out of it.
    assert!(plan.bowls[0].plan.is_none());
    let alone = Plan::of(&PlanInputs::usual(Family::Dark)).expect("a plan");
    assert!(alone.components[0].tasks.iter().any(|task| task.text.text().contains("dark")));
}

#[test]
fn a_bowl_that_stands_for_itself_says_how_much_and_how_warm() {
    let refused = |inputs: &BowlInputs| -> Vec<String> {
        bowl(inputs).expect_err("refused").into_iter().map(|fault| fault.field).collect()
    };
    assert_eq!(refused(&BowlInputs::usual(Family::Milk)), ["room_c", "total_g"]);
    let alone = BowlInputs::alone(Family::Milk, 400.0);
    assert!(bowl(&alone).is_ok());
    assert_eq!(refused(&BowlInputs { melt_to_c: Some(29.0), ..alone.clone() }), ["melt_to_c"]);
    assert_eq!(refused(&BowlInputs { seed_c: Some(33.0), ..alone.clone() }), ["seed_c"]);
    // Without a temperature of its own the seed is as warm as the room.
    let hot_room = BowlInputs { room_c: Some(34.0), ..alone.clone() };
    assert_eq!(refused(&hot_room), ["room_c"]);
    let split = BowlInputs { method: Method::find("slab"), target_c: Some(26.0), ..alone };
    assert_eq!(refused(&split), ["target_c"]);
}

#[test]
fn a_method_says_what_it_needs_that_is_not_at_hand() {
    for (method, family, what) in [
        ("seed_down", Family::Dark, "pieces that are in temper"),
        ("slab", Family::Dark, "a slab of stone"),
        ("ready_crystals", Family::Dark, "cocoa butter that is all form V"),
        ("shock_set", Family::Dark, "a slab from the freezer"),
    ] {
        let kitchen = Kitchen { tempered_pieces: false, ..Kitchen::default() };
        let inputs = BowlInputs {
            method: Method::find(method),
            kitchen,
            ..BowlInputs::alone(family, 400.0)
        };
        let plan = bowl(&inputs).expect("it can be planned all the same");
        let said = &plan.amounts.notes;
        let found = said.iter().any(|n| n.code == "not-at-hand" && n.text().contains(what));
        assert!(found, "{method}: {said:?}");
    }
}

#[test]
fn a_tint_names_a_colour_and_tints_a_chocolate() {
    let kinds = crate::kinds::kinds();
    let painted = kinds.iter().find(|kind| !kind.colours.is_empty()).expect("one with colours");
    let colour = painted.colours[0].clone();
    let tint = |of: &str| {
        Some(TintInputs { colour: of.to_owned(), share_pct: 2.0, drops_per_100_g: None })
    };
    let white = BowlInputs { tint: tint("green"), ..BowlInputs::usual(Family::White) };
    let nowhere = of(vec![white, colour.clone()], vec![slab("a", "A", "white")]);
    assert_eq!(
        told(&nowhere),
        ["bowls[0].tint.colour must name a coloured cocoa butter of this batch; it is green"]
    );
    let itself = BowlInputs { tint: tint(&colour.key), ..colour };
    let white = BowlInputs::usual(Family::White);
    let said = told(&of(vec![white, itself], vec![slab("a", "A", "white")]));
    assert!(said[0].starts_with("bowls[1].tint.colour must be another colour"), "{said:?}");
}

#[test]
fn a_strong_tint_is_warned_of_and_only_one_that_is_no_tint_is_refused() {
    let kinds = crate::kinds::kinds();
    let painted = kinds.iter().find(|kind| !kind.colours.is_empty()).expect("one with colours");
    let colour = painted.colours[0].clone();
    let tinted = |share_pct| {
        let tint =
            Some(TintInputs { colour: colour.key.clone(), share_pct, drops_per_100_g: None });
        let white = BowlInputs { tint, ..BowlInputs::usual(Family::White) };
        of(vec![white, colour.clone()], vec![slab("a", "A", "white")])
    };
    let codes = |share_pct| -> Vec<String> {
        let plan = Plan::of(&tinted(share_pct)).expect("a plan");
        let white = plan.bowls.into_iter().find(|bowl| bowl.key == "white").expect("white");
        white.notes.into_iter().map(|note| note.code.into_owned()).collect()
    };
    let of_tint = |share_pct| {
        codes(share_pct).into_iter().filter(|code| code.starts_with("tint-")).collect::<Vec<_>>()
    };
    assert_eq!(of_tint(2.0), ["tint-in-temper"]);
    assert_eq!(of_tint(4.0), ["tint-in-temper", "tint-thins"]);
    assert_eq!(of_tint(12.0), ["tint-in-temper", "tint-strong"]);
    assert!(told(&tinted(25.0))[0].contains("must be 0.1 to 20 %"), "{:?}", told(&tinted(25.0)));
}

#[test]
fn a_recipe_has_pigments_and_not_too_many() {
    let kinds = crate::kinds::kinds();
    let bottled = kinds.iter().find(|kind| kind.name == "Coloured cocoa butter").expect("a kind");
    let with = |pigments: usize| {
        let mut colour = bottled.colours[0].clone();
        let recipe = colour.colour.as_mut().expect("a recipe");
        let one = recipe.pigments[0].clone();
        recipe.pigments = vec![one; pigments];
        let work = bottled.start.clone();
        let it = ComponentInputs { key: "it".to_owned(), name: "It".to_owned(), work };
        of(vec![colour], vec![it])
    };
    for pigments in [0, 40] {
        let said = told(&with(pigments));
        assert!(said[0].starts_with("bowls[0].colour.pigments must be 1 to"), "{said:?}");
    }
    let mut nameless = with(1);
    nameless.bowls[0].colour.as_mut().expect("a recipe").pigments[0].pigment = None;
    let said = told(&nameless);
    assert!(said[0].starts_with("bowls[0].colour.pigments[0].pigment is needed"), "{said:?}");
}

#[test]
fn one_pair_of_hands_holds_three_and_nuts_come_last() {
    let families = [Family::Dark, Family::Milk, Family::White, Family::Ruby];
    let bowls: Vec<_> = families.map(BowlInputs::usual).into();
    let made: Vec<_> = bowls.iter().map(|b| slab(&b.key, &b.key, &b.key)).collect();
    let codes = |inputs: &PlanInputs| -> Vec<String> {
        Plan::of(inputs)
            .expect("a plan")
            .notes
            .into_iter()
            .map(|note| note.code.into_owned())
            .collect()
    };
    let four = of(bowls.clone(), made.clone());
    assert!(codes(&four).contains(&"many-bowls".to_owned()));
    let three = of(bowls[..3].to_vec(), made[..3].to_vec());
    assert!(!codes(&three).contains(&"many-bowls".to_owned()));

    let mut nutty = three;
    let WorkInputs::Slab(first) = &mut nutty.components[0].work else { unreachable!() };
    let amount = crate::work::MixedAmount::Parts { parts: 0.4 };
    first.mixed_in = vec![crate::work::MixedInInputs::usual("roasted hazelnuts", amount)];
    let plan = Plan::of(&nutty).expect("a plan");
    let note = plan.notes.iter().find(|note| note.code == "nut-free-first").expect("it is said");
    assert!(note.text().starts_with("milk, white before dark"), "{}", note.text());
}

#[test]
fn so_little_is_melted_over_water_and_said_why() {
    let of = |g: f64| bowl(&BowlInputs::alone(Family::White, g)).expect("a plan");
    let told =
        |plan: &BowlPlan| plan.amounts.notes.iter().any(|n| n.code == "too-little-for-bursts");
    let (little, enough) = (of(12.0), of(80.0));
    assert!(little.bursts.is_none() && told(&little));
    assert!(enough.bursts.is_some() && !told(&enough));
    let opened = chrono::DateTime::from_timestamp(1_790_000_000, 0).expect("in range");
    assert!(little.setup(opened).microwave.is_none());
    // Who has no microwave knows it.
    let bath = BowlInputs { microwave: None, ..BowlInputs::alone(Family::White, 12.0) };
    assert!(!told(&bowl(&bath).expect("a plan")));
}

#[test]
fn every_place_calls_a_chocolate_by_what_it_is_now() {
    // Begun as dark, made white, and a part of it taken: the keys still say dark.
    let part =
        BowlInputs { taken_from: Some("dark".to_owned()), ..keyed("part of dark", Family::White) };
    let bowls = vec![keyed("dark", Family::White), part];
    let made = vec![slab("a", "A", "dark"), slab("b", "B", "part of dark")];
    let plan = Plan::of(&of(bowls, made)).expect("a plan");
    let labels: Vec<_> = plan.bowls.iter().map(|bowl| bowl.label.as_str()).collect();
    assert_eq!(labels, ["white", "part of white"]);
    assert_eq!(plan.bowls[1].taken.as_ref().map(|taken| taken.label.as_str()), Some("white"));
    assert!(plan.allergens.unread.iter().all(|name| !name.contains("dark")));
    let steps = crate::steps::lines(&plan);
    let said = steps.iter().flat_map(|line| &line.steps).flat_map(|step| {
        [Some(&step.text), Some(&step.detail), step.caution.as_ref()].into_iter().flatten()
    });
    let of_dark: Vec<_> = said.filter(|said| said.text().contains("dark")).collect();
    assert!(of_dark.is_empty(), "{of_dark:?}");
}
