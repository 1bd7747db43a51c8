//! What the shelf does to a plan, and what it makes of lessons.

use std::collections::BTreeSet;

use chrono::{DateTime, NaiveDate, TimeDelta, Utc};
use uuid::Uuid;

use super::stock::{Move, cost, left, remarks};
use super::*;
use crate::chocolate::Band;
use crate::heat::Material;
use crate::plan::{BlendPart, MicrowaveInputs, OwnInputs, bowl};
use crate::units::{celsius, grams, in_grams, in_seconds};

const BAG: Uuid = Uuid::from_u128(1);
const BOWL: Uuid = Uuid::from_u128(2);
const STOVE: Uuid = Uuid::from_u128(3);
const PROBE: Uuid = Uuid::from_u128(4);
const BLEND: Uuid = Uuid::from_u128(5);

fn bag() -> ChocolateInputs {
    ChocolateInputs {
        looks: None,
        name: "Dark 66 %".to_owned(),
        family: Family::Dark,
        blend: None,
        own: OwnInputs { work_c: Some([30.5, 31.5]), ..OwnInputs::default() },
        flow_grade: Some(3),
        lot: String::new(),
        best_before: NaiveDate::from_ymd_opt(2027, 3, 1),
        pack_g: None,
        price_per_kg: Some(14.0),
        allergens: None,
        label: String::new(),
    }
}

fn entry(thing: Thing) -> Entry {
    Entry { thing, learns_from: None, put_away: false }
}

fn things() -> Vec<(Uuid, Entry)> {
    let bowl = WareInputs {
        name: "Glass".to_owned(),
        material: Material::Glass,
        mass_g: 450.0,
        how_many: None,
    };
    let stove = HeatInputs {
        name: "Microwave".to_owned(),
        how_many: None,
        microwave: Some(MicrowaveInputs { watts: 700.0, power: 0.4 }),
    };
    let probe = ThermometerInputs {
        name: "Probe".to_owned(),
        checked_in: Some(OffsetCheck::IceWater),
        showed_c: Some(0.6),
    };
    let blend = ChocolateInputs {
        blend: Some(vec![
            BlendPart { family: Family::Dark, share_pct: 50.0 },
            BlendPart { family: Family::Milk, share_pct: 50.0 },
        ]),
        own: OwnInputs::default(),
        ..bag()
    };
    vec![
        (BAG, entry(Thing::Chocolate(bag()))),
        (BOWL, entry(Thing::Ware(bowl))),
        (STOVE, entry(Thing::Heat(stove))),
        (PROBE, entry(Thing::Thermometer(probe))),
        (BLEND, entry(Thing::Chocolate(blend))),
    ]
}

fn at(days: i64) -> DateTime<Utc> {
    DateTime::UNIX_EPOCH + TimeDelta::days(days)
}

fn taught(day: i64, ware: Option<Uuid>, heat: Option<Uuid>, numbers: GearNumbers) -> Taught {
    Taught { opened: at(day), ware_id: ware, heat_id: heat, numbers }
}

fn efficiency(value: f64) -> GearNumbers {
    GearNumbers { efficiency: Some(value), ..GearNumbers::default() }
}

fn named(chocolate: Uuid) -> BowlInputs {
    BowlInputs {
        chocolate_id: Some(chocolate),
        ware_id: Some(BOWL),
        heat_id: Some(STOVE),
        thermometer_id: Some(PROBE),
        ..BowlInputs::alone(Family::White, 325.0)
    }
}

#[test]
fn a_plan_is_filled_with_the_numbers_of_what_it_names() {
    let shelf = Shelf::new(things(), Vec::new());
    let filled = shelf.fill_bowl(&named(BAG)).expect("all there");
    assert_eq!(filled.family, Family::Dark);
    assert_eq!(filled.name.as_deref(), Some("Dark 66 %"));
    assert_eq!(filled.own.work_c, Some([30.5, 31.5]));
    assert_eq!(filled.bowl.map(|bowl| bowl.mass_g), Some(450.0));
    assert_eq!(filled.microwave.map(|m| m.watts), Some(700.0));
    assert_eq!(filled.offset_c, Some(-0.6));
    assert!(filled.learned.is_empty());
    let plan = bowl(&filled).expect("a plan");
    let work = Band { lo: celsius(30.5), hi: celsius(31.5) };
    assert_eq!(plan.chocolate.windows.work, work);
    // Filled again it stays the same.
    assert_eq!(shelf.fill_bowl(&filled), Ok(filled));
}

#[test]
fn what_the_plan_says_goes_before_what_the_bag_says() {
    let shelf = Shelf::new(things(), Vec::new());
    let own = OwnInputs { work_c: Some([31.2, 31.9]), ..OwnInputs::default() };
    let filled = shelf.fill_bowl(&BowlInputs { own, ..named(BAG) }).expect("all there");
    assert_eq!(filled.own.work_c, Some([31.2, 31.9]));
}

#[test]
fn a_blend_from_the_shelf_is_planned_as_one() {
    let shelf = Shelf::new(things(), Vec::new());
    let plan = bowl(&shelf.fill_bowl(&named(BLEND)).expect("all there")).expect("a plan");
    let between = Band { lo: celsius(30.0), hi: celsius(31.0) };
    assert_eq!(plan.chocolate.windows.work, between);
}

#[test]
fn a_plan_that_names_nothing_is_left_as_it_is() {
    let shelf = Shelf::new(things(), Vec::new());
    let inputs = BowlInputs::alone(Family::Milk, 325.0);
    assert_eq!(shelf.fill_bowl(&inputs), Ok(inputs));
}

#[test]
fn everything_that_is_not_there_is_told_at_once() {
    let shelf = Shelf::new(things(), Vec::new());
    // Each of them is there, and is something else.
    let wrong = BowlInputs {
        chocolate_id: Some(BOWL),
        ware_id: Some(STOVE),
        heat_id: Some(PROBE),
        thermometer_id: Some(BAG),
        ..BowlInputs::alone(Family::Dark, 325.0)
    };
    let faults = shelf.fill_bowl(&wrong).expect_err("none of them");
    let fields: Vec<_> = faults.iter().map(|fault| fault.field.as_str()).collect();
    assert_eq!(fields, ["chocolate_id", "ware_id", "heat_id", "thermometer_id"]);
}

#[test]
fn moulds_and_pigments_that_are_not_there_are_told_too() {
    let shelf = Shelf::new(things(), Vec::new());
    let all = crate::kinds::kinds();
    let shells = all.iter().find(|kind| kind.name == "Filled shells").expect("a kind");
    let mut work = shells.start.clone();
    work.cast_mut().expect("it is cast").mould_id = Some(BAG);
    let mut colours = shells.colours.clone();
    let recipe = colours[0].colour.as_mut().expect("a recipe");
    recipe.pigments[0].pigment_id = Some(BOWL);
    let mut bowls = vec![BowlInputs::usual(Family::Dark)];
    bowls.extend(colours);
    let inputs = PlanInputs {
        bowls,
        components: vec![crate::work::ComponentInputs {
            key: "it".into(),
            name: "It".into(),
            work,
        }],
        ..PlanInputs::usual(Family::Dark)
    };
    let faults = shelf.fill(&inputs).expect_err("neither is there");
    let told: Vec<_> = faults.iter().map(|f| format!("{} {}", f.field, f.message)).collect();
    assert_eq!(
        told,
        [
            "bowls[1].colour.pigments[0].pigment_id is not a pigment on the shelf",
            "components[0].work.cast.mould_id is not a mould on the shelf",
        ]
    );
}

#[test]
fn a_weak_microwave_that_was_learned_makes_for_a_longer_melt() {
    let lessons = (0..4).map(|day| taught(day, Some(BOWL), Some(STOVE), efficiency(0.35)));
    let learned = Shelf::new(things(), lessons.collect());
    let fresh = Shelf::new(things(), Vec::new());
    let melt = |shelf: &Shelf| {
        let plan = bowl(&shelf.fill_bowl(&named(BAG)).expect("all there")).expect("a plan");
        in_seconds(plan.bursts.expect("a microwave").total)
    };
    assert!((melt(&learned) / melt(&fresh) - 0.5 / 0.35).abs() < 1e-9);
}

#[test]
fn lessons_go_to_the_gear_they_were_taught_with() {
    let other = Uuid::from_u128(9);
    let all = GearNumbers {
        cooling_ratio: Some(1.3),
        efficiency: Some(0.4),
        carry_over_c: Some(3.0),
        burst_response: Some(0.4),
        setting_pace: None,
        tempering_pace: None,
        ..GearNumbers::default()
    };
    let shelf = Shelf::new(things(), vec![taught(1, Some(BOWL), Some(STOVE), all)]);
    let known = |number, ware, heat| shelf.learned(number, ware, heat).is_some();
    // The bowl's own, with any heat; the microwave's own, with any bowl.
    assert!(known(Number::Cooling, Some(BOWL), None));
    assert!(known(Number::Efficiency, None, Some(STOVE)));
    assert!(known(Number::Efficiency, Some(other), Some(STOVE)));
    // Those of the two together.
    for number in [Number::CarryOver, Number::BurstResponse] {
        assert!(known(number, Some(BOWL), Some(STOVE)));
        assert!(!known(number, Some(BOWL), Some(other)));
        assert!(!known(number, Some(other), Some(STOVE)));
        assert!(!known(number, Some(BOWL), None));
    }
    assert!(shelf.numbers(None, None).is_empty());
}

#[test]
fn after_a_reset_only_later_bowls_teach() {
    let lessons = vec![
        taught(1, Some(BOWL), Some(STOVE), efficiency(0.30)),
        taught(5, Some(BOWL), Some(STOVE), efficiency(0.60)),
    ];
    let mut things = things();
    let learned = |things: &[(Uuid, Entry)]| {
        let shelf = Shelf::new(things.to_vec(), lessons.clone());
        shelf.learned(Number::Efficiency, None, Some(STOVE)).map(|l| (l.bowls, l.value))
    };
    assert_eq!(learned(&things), Some((2, 0.5)));
    let stove = things.iter_mut().find(|(id, _)| *id == STOVE).expect("there");
    stove.1.learns_from = Some(at(3));
    let (bowls, value) = learned(&things).expect("one is left");
    assert_eq!(bowls, 1);
    assert!((value - 0.55).abs() < 1e-9);
}

#[test]
fn what_is_left_follows_the_moves() {
    let g = |moves: &[(Move, f64)]| left(moves.iter().copied()).map(f64::round);
    assert_eq!(g(&[]), None);
    // What was never counted stays unknown, whatever is taken or put back.
    assert_eq!(g(&[(Move::Taken, 200.0), (Move::Returned, 50.0), (Move::Gone, 1.0)]), None);
    assert_eq!(g(&[(Move::Bought, 500.0), (Move::Taken, 200.0)]), Some(300.0));
    assert_eq!(
        g(&[(Move::Counted, 100.0), (Move::Taken, 200.0), (Move::Bought, 500.0)]),
        Some(500.0)
    );
    assert_eq!(
        g(&[(Move::Bought, 500.0), (Move::Counted, 420.0), (Move::Gone, 20.0)]),
        Some(400.0)
    );
}

#[test]
fn what_there_is_to_say_before_some_is_taken() {
    let today = NaiveDate::from_ymd_opt(2027, 1, 10).expect("a day");
    let codes = |left_g: Option<f64>, today| {
        let notes = remarks(&bag(), left_g.map(grams), grams(400.0), today);
        notes.into_iter().map(|note| note.code).collect::<Vec<_>>()
    };
    assert!(codes(Some(400.0), today).is_empty());
    assert!(codes(None, today).is_empty());
    assert_eq!(codes(Some(399.0), today), ["not-enough"]);
    assert_eq!(codes(None, today + TimeDelta::days(40)), ["soon-past-its-date"]);
    assert_eq!(codes(None, today + TimeDelta::days(51)), ["past-its-date"]);
    let short = remarks(&bag(), Some(grams(250.0)), grams(400.0), today);
    assert_eq!(short[0].text(), "150 g short: 400 g needed, 250 g in stock.");
    let price = cost(&bag(), grams(250.0)).expect("a price");
    assert!((price - 3.5).abs() < 1e-9);
    assert_eq!(cost(&ChocolateInputs { price_per_kg: None, ..bag() }, grams(250.0)), None);
}

#[test]
fn a_thermometer_is_corrected_by_what_it_showed() {
    let checked =
        |checked_in, showed_c| ThermometerInputs { name: "Probe".to_owned(), checked_in, showed_c };
    let off = |checked_in, showed_c| checked(Some(checked_in), Some(showed_c)).offset_c();
    assert_eq!(off(OffsetCheck::IceWater, -0.7), Some(0.7));
    assert_eq!(off(OffsetCheck::Body, 37.1), Some(-0.3));
    assert_eq!(checked(None, None).offset_c(), None);
    let fields = |thing: ThermometerInputs| {
        let faults = Thing::Thermometer(thing).check().err().unwrap_or_default();
        faults.into_iter().map(|fault| fault.field).collect::<Vec<_>>()
    };
    assert!(fields(checked(Some(OffsetCheck::Body), Some(37.4))).is_empty());
    assert_eq!(fields(checked(Some(OffsetCheck::Body), Some(31.0))), ["showed_c"]);
    assert_eq!(fields(checked(Some(OffsetCheck::IceWater), None)), ["showed_c"]);
    assert_eq!(fields(checked(None, Some(0.0))), ["checked_in"]);
}

#[test]
fn a_new_plan_takes_the_only_gear_there_is() {
    let shelf = Shelf::new(things(), Vec::new());
    let usual = shelf.usual_plan(Family::Dark, |_| true);
    assert_eq!((usual.bowls[0].ware_id, usual.bowls[0].heat_id), (Some(BOWL), Some(STOVE)));
    assert_eq!(usual.bowls[0].thermometer_id, Some(PROBE));
    // A chocolate is chosen, not assumed; what was put away is not offered.
    assert_eq!(usual.bowls[0].chocolate_id, None);
    assert_eq!(shelf.usual_plan(Family::Dark, |id| id != BOWL).bowls[0].ware_id, None);
    let mut two = things();
    two.push((Uuid::from_u128(8), two[1].1.clone()));
    assert_eq!(
        Shelf::new(two, Vec::new()).usual_plan(Family::Dark, |_| true).bowls[0].ware_id,
        None
    );
}

/// A slab with stars of the pantry on top and its nuts folded in, and a second one with the stars.
fn with_goods(stars: Option<Uuid>, nuts: Option<Uuid>) -> PlanInputs {
    use crate::work::{MixedAmount, MixedInInputs, ToppingInputs, ToppingWish, WorkInputs};

    let mut inputs = PlanInputs::usual(Family::Dark);
    let wish = ToppingWish::Count { count: 10 };
    let amount = MixedAmount::Grams { mass_g: 40.0 };
    let WorkInputs::Slab(slab) = &mut inputs.components[0].work else { panic!("a slab") };
    slab.toppings = vec![ToppingInputs { goods_id: stars, ..ToppingInputs::usual("stars", wish) }];
    slab.mixed_in = vec![MixedInInputs { goods_id: nuts, ..MixedInInputs::usual("nuts", amount) }];
    let mut second = inputs.components[0].clone();
    second.key = "second".to_owned();
    second.name = "Second".to_owned();
    second.work.mixed_in_mut().expect("it has goods").clear();
    inputs.components.push(second);
    inputs
}

fn pantry() -> Shelf {
    use crate::allergens::{Allergen, LabelInputs};
    use crate::pantry::{CountedIn, GoodsNotes};

    let stars = GoodsInputs {
        across_mm: Some(8.0),
        each_g: Some(0.25),
        known: GoodsNotes { water_pct: Some(1.0), ..GoodsNotes::default() },
        ..GoodsInputs::called("Gold stars", CountedIn::Pieces)
    };
    let nuts = GoodsInputs {
        allergens: Some(LabelInputs {
            contains: vec![Allergen::Nuts],
            may_contain: vec![Allergen::Egg],
        }),
        ..GoodsInputs::called("Crushed brittle", CountedIn::Grams)
    };
    let things = [(BAG, Thing::Goods(stars)), (BOWL, Thing::Goods(nuts))];
    Shelf::new(things.map(|(id, thing)| (id, entry(thing))), Vec::new())
}

#[test]
fn a_plan_takes_what_is_known_of_its_goods_from_the_pantry() {
    let filled = pantry().fill(&with_goods(Some(BAG), Some(BOWL))).expect("they are there");
    let plan = crate::plan::Plan::of(&filled).expect("a plan");
    let [nuts, stars] = plan.goods.as_slice() else { panic!("{:?}", plan.goods) };
    assert_eq!((stars.name.as_str(), stars.goods_id), ("Gold stars", Some(BAG)));
    assert_eq!(stars.uses.len(), 2, "each slab has its own: {stars:?}");
    // Ten of a quarter of a gram on each, as a kitchen's scale shows them.
    assert!((in_grams(stars.mass) - 5.0).abs() < 1.1, "{stars:?}");
    assert_eq!((nuts.name.as_str(), in_grams(nuts.mass).round()), ("Crushed brittle", 40.0));
    use crate::allergens::Allergen;
    assert!(plan.allergens.contains.contains(&Allergen::Nuts));
    assert!(plan.allergens.may_contain.contains(&Allergen::Egg));
    assert!(plan.allergens.unread.contains(&"Gold stars".to_owned()), "{:?}", plan.allergens);
    assert!(!plan.allergens.unread.contains(&"Crushed brittle".to_owned()));
}

#[test]
fn goods_that_are_not_there_are_refused_by_their_field() {
    let faults = pantry().fill(&with_goods(Some(STOVE), Some(BOWL))).expect_err("not there");
    let fields: Vec<_> = faults.iter().map(|fault| fault.field.as_str()).collect();
    assert_eq!(
        fields,
        ["components[0].work.toppings[0].goods_id", "components[1].work.toppings[0].goods_id"]
    );
}

#[test]
fn goods_without_an_id_are_those_of_their_name() {
    let shelf = pantry();
    let plan = crate::plan::Plan::of(&with_goods(None, Some(BOWL))).expect("a plan");
    let named =
        |name: &str| crate::plan::GoodsTaken { name: name.to_owned(), ..plan.goods[1].clone() };
    let found = |name: &str| shelf.goods_taken(&named(name), |_| true).map(|(id, _)| id);
    assert_eq!(found("gold STARS"), Some(BAG));
    assert_eq!(found("stars"), None);
    assert_eq!(shelf.goods_taken(&named("gold stars"), |_| false), None, "put away");
}

#[test]
fn what_a_plan_is_made_with_is_all_that_it_names_on_the_shelf() {
    let mut inputs = with_goods(None, Some(BOWL));
    inputs.bowls[0].heat_id = Some(STOVE);
    let plan = crate::plan::Plan::of(&inputs).expect("a plan");
    assert_eq!(pantry().made_with(&inputs, &plan), BTreeSet::from([STOVE, BOWL]));
    // Named as the shelf names it, it is what stands there.
    for component in &mut inputs.components {
        component.work.toppings_mut().expect("a slab has some")[0].name = "gold stars".to_owned();
    }
    let plan = crate::plan::Plan::of(&inputs).expect("a plan");
    assert_eq!(pantry().made_with(&inputs, &plan), BTreeSet::from([STOVE, BOWL, BAG]));
}

#[test]
fn goods_that_recipes_name_are_found_by_their_names_and_their_labels_read() {
    use crate::allergens::{Allergen, LabelInputs};
    use crate::chocolate::{AddedFat, AddedFatInputs};
    use crate::pantry::named;
    let labelled = |name: &str, may_contain: Vec<Allergen>| {
        let allergens = Some(LabelInputs { contains: Vec::new(), may_contain });
        entry(Thing::Goods(GoodsInputs { allergens, ..named(name).expect("a common one") }))
    };
    let [old, oil, cream] = [11, 12, 13].map(Uuid::from_u128);
    let mut bottle = labelled("sunflower oil", vec![Allergen::Soya]);
    bottle.put_away = true;
    let shelf = Shelf::new(
        [
            (old, bottle),
            (oil, labelled("sunflower oil", vec![Allergen::Sesame])),
            (cream, labelled("cream", vec![Allergen::Nuts])),
        ],
        Vec::new(),
    );
    let shells = crate::kinds::kinds().into_iter().find(|kind| kind.name == "Filled shells");
    let shells = shells.expect("such a kind");
    let mut inputs = PlanInputs::usual(Family::Dark);
    inputs.bowls[0].fat_added =
        Some(AddedFatInputs { fat: AddedFat::Oil, share_pct: 2.0, goods_id: None });
    inputs.components.push(crate::work::ComponentInputs {
        key: "shells".into(),
        name: "Shells".into(),
        work: shells.start,
    });
    inputs.bowls.extend(shells.colours);
    let filled = shelf.fill(&inputs).expect("all there");
    // The bottle that was put away is not the one at hand.
    assert_eq!(filled.bowls[0].fat_added.expect("oil").goods_id, Some(oil));
    let plan = crate::plan::Plan::of(&filled).expect("a plan");
    assert!(plan.goods.iter().any(|goods| goods.goods_id == Some(oil)));
    assert_eq!(plan.allergens.may_contain, [Allergen::Nuts, Allergen::Sesame]);
    let unread = &plan.allergens.unread;
    assert!(!unread.iter().any(|name| name == "cream" || name == "sunflower oil"), "{unread:?}");
    inputs.bowls[0].fat_added.as_mut().expect("oil").goods_id = Some(BOWL);
    let faults = shelf.fill(&inputs).expect_err("there is none");
    assert_eq!(faults[0].field, "bowls[0].fat_added.goods_id");
}
