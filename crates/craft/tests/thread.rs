//! From a plan and a shelf to what is bought, what it costs and what the label says.

use std::collections::HashMap;

use chrono::NaiveDate;
use craft::allergens::{Allergen, LabelInputs};
use craft::boxes::InEach;
use craft::chocolate::Family;
use craft::colour::{FoodStatus, usual_pigments};
use craft::edits::{Edit, PigmentChoice, edited};
use craft::keeping::Store;
use craft::label::Named;
use craft::pantry::{CountedIn, GoodsInputs, Sort};
use craft::plan::{PackedAs, PackingInputs, Plan, PlanInputs, WrappingInputs};
use craft::schedule::span;
use craft::shelf::{
    ChocolateInputs, CostOf, Entry, KitchenInputs, Labelled, Shelf, Shop, ShoppingList, Thing,
    ToShop,
};
use craft::steps::lines;
use craft::units::{grams, in_grams};
use craft::work::{ToppingInputs, ToppingWish, WorkInputs};
use uuid::Uuid;

const DARK: Uuid = Uuid::from_u128(1);
const ALMONDS: Uuid = Uuid::from_u128(2);
const BOXES: Uuid = Uuid::from_u128(3);
const CREAM: Uuid = Uuid::from_u128(4);
const BUTTER: Uuid = Uuid::from_u128(5);

fn day(day: u32) -> NaiveDate {
    NaiveDate::from_ymd_opt(2026, 12, day).expect("a day")
}

fn dark() -> ChocolateInputs {
    ChocolateInputs {
        name: "Dark, the big bag".into(),
        family: Family::Dark,
        blend: None,
        looks: None,
        own: Default::default(),
        flow_grade: None,
        lot: String::new(),
        best_before: Some(day(24)),
        price_per_kg: Some(12.0),
        pack_g: Some(2_500.0),
        label: "Cocoa mass, sugar, cocoa butter, emulsifier (soya lecithin).".into(),
        allergens: Some(LabelInputs {
            contains: vec![Allergen::Soya],
            may_contain: vec![Allergen::Milk, Allergen::Nuts],
        }),
    }
}

fn goods(name: &str, unit: CountedIn, pack: (f64, f64)) -> GoodsInputs {
    GoodsInputs {
        pack_size: Some(pack.0),
        pack_price: Some(pack.1),
        allergens: Some(LabelInputs::default()),
        ..GoodsInputs::called(name, unit)
    }
}

fn shelf_with(kitchen: KitchenInputs) -> Shelf {
    let boxes = GoodsInputs {
        sort: Sort::Packaging,
        ..goods("gift boxes", CountedIn::Pieces, (12.0, 9.6))
    };
    let almonds = GoodsInputs {
        allergens: Some(LabelInputs { contains: vec![Allergen::Nuts], may_contain: vec![] }),
        ..goods("flaked almonds", CountedIn::Grams, (150.0, 3.6))
    };
    let cream = GoodsInputs {
        sort: Sort::Dairy,
        best_before: Some(day(9)),
        ..goods("cream", CountedIn::Grams, (250.0, 2.0))
    };
    let butter = ChocolateInputs {
        name: "Cocoa butter".into(),
        family: Family::CocoaButter,
        price_per_kg: Some(20.0),
        pack_g: None,
        label: String::new(),
        allergens: None,
        best_before: None,
        ..dark()
    };
    let things = [
        (DARK, Thing::Chocolate(dark())),
        (ALMONDS, Thing::Goods(almonds)),
        (BOXES, Thing::Goods(boxes)),
        (CREAM, Thing::Goods(cream)),
        (BUTTER, Thing::Chocolate(butter)),
        (Shelf::KITCHEN, Thing::Kitchen(kitchen)),
    ];
    let entries =
        things.map(|(id, thing)| (id, Entry { thing, learns_from: None, put_away: false }));
    Shelf::new(entries, Vec::new())
}

fn shelf() -> Shelf {
    shelf_with(KitchenInputs::default())
}

/// Filled shells painted white, and bark with almonds on it, in six boxes.
fn stated() -> PlanInputs {
    let start = PlanInputs { components: Vec::new(), ..PlanInputs::usual(Family::Dark) };
    let white = usual_pigments().into_iter().find(|one| one.check_country).expect("titanium white");
    let pigment = Some(Box::new(PigmentChoice {
        name: "white".into(),
        pigment_id: None,
        pigment: Some(white),
    }));
    let edits = [
        Edit::AddKind { kind: "Filled shells".into() },
        Edit::AddKind { kind: "Slab of bark".into() },
        Edit::AddColour { pigment },
    ];
    let mut inputs = edits
        .into_iter()
        .fold(start, |inputs, edit| edited(&inputs, edit).expect("an edit").inputs);
    for bowl in inputs.bowls.iter_mut().filter(|bowl| bowl.colour.is_none()) {
        bowl.chocolate_id = Some(DARK);
    }
    for component in &mut inputs.components {
        match &mut component.work {
            WorkInputs::Slab(slab) => slab.toppings = vec![topping()],
            WorkInputs::Shells(shells) => {
                shells.cast.colours.truncate(1);
                shells.cast.colours[0].colour = "white".into();
            }
            _ => unreachable!("no other"),
        }
    }
    inputs.packing = Some(PackingInputs {
        of: PackedAs::Boxes,
        count: 6.0,
        each: vec![
            InEach { component: "shells".into(), pieces: Some(3.0), grams: None },
            InEach { component: "slab".into(), pieces: None, grams: Some(40.0) },
        ],
        spare_pct: None,
        holds_g: None,
        wrapping: vec![WrappingInputs {
            name: "gift boxes".into(),
            goods_id: Some(BOXES),
            count: 1.0,
        }],
    });
    inputs
}

fn topping() -> ToppingInputs {
    ToppingInputs {
        goods_id: Some(ALMONDS),
        wish: ToppingWish::Grams { mass_g: 45.0 },
        ..craft::work::WorkInputs::kinds()
            .into_iter()
            .find_map(|mut kind| kind.start.toppings_mut().and_then(|all| all.first().cloned()))
            .expect("some kind has a topping to start from")
    }
}

fn planned(shelf: &Shelf, inputs: &PlanInputs) -> (PlanInputs, Plan) {
    let filled = shelf.fill(inputs).expect("filled");
    let plan = Plan::of(&filled).expect("a plan");
    (filled, plan)
}

fn list(shelf: &Shelf, plans: usize, left: &[(Uuid, f64)]) -> ShoppingList {
    let (filled, plan) = planned(shelf, &stated());
    let left: HashMap<Uuid, f64> = left.iter().copied().collect();
    let plans = vec![(&plan, &filled); plans];
    shelf.shopping_list(&plans, |id| left.get(&id).copied(), |_| true)
}

fn line<'l>(list: &'l ShoppingList, name: &str) -> &'l ToShop {
    list.lines.iter().find(|line| line.name == name).unwrap_or_else(|| panic!("{name}: {list:?}"))
}

#[test]
fn what_is_missing_is_bought_in_packs_by_the_kind_of_shop() {
    let shelf = shelf();
    let one = list(&shelf, 1, &[(DARK, 100.0), (BOXES, 4.0), (ALMONDS, 500.0)]);
    let two = list(&shelf, 2, &[(DARK, 100.0), (BOXES, 4.0), (ALMONDS, 500.0)]);
    let dark = line(&one, "Dark, the big bag");
    assert_eq!(
        (dark.shop, dark.packs, dark.bought, dark.cost),
        (Shop::Chocolate, Some(1.0), 2_500.0, Some(30.0))
    );
    assert!((dark.short.expect("known") - (dark.needed - 100.0)).abs() < 1e-9);
    assert!((line(&two, "Dark, the big bag").needed - 2.0 * dark.needed).abs() < 1e-9);
    assert_eq!(line(&two, "Dark, the big bag").plans, [0, 1]);
    let boxes = line(&one, "gift boxes");
    assert_eq!((boxes.shop, boxes.short, boxes.packs), (Shop::Packing, Some(2.0), Some(1.0)));
    assert_eq!(line(&two, "gift boxes").short, Some(8.0));
    assert_eq!(line(&one, "flaked almonds").short, Some(0.0));
    assert_eq!(line(&one, "cream").short, None, "it stands there, and nobody counted it");
    let butter = line(&one, "Cocoa butter");
    assert_eq!(butter.packs, None);
    assert_eq!(butter.short, None);
    let shops: Vec<_> = one.lines.iter().map(|line| line.shop).collect();
    assert!(shops.is_sorted(), "{shops:?}");
    let costs: f64 = one.lines.iter().filter_map(|line| line.cost).sum();
    assert!((one.total - costs).abs() < 1e-9);
    // What does not stand on the shelf is all to be bought, and has no price.
    let colour = one.lines.iter().find(|line| line.shop == Shop::Colours).expect("a pigment");
    assert!(colour.is_short() && one.unpriced.contains(&colour.name));
    let bare = PlanInputs::usual(Family::Milk);
    let (filled, plan) = planned(&Shelf::default(), &bare);
    let empty = Shelf::default().shopping_list(&[(&plan, &filled)], |_| None, |_| true);
    let [only] = empty.lines.as_slice() else { panic!("{empty:?}") };
    assert!(only.is_short() && only.thing.is_none() && only.family == Some(Family::Milk));
}

#[test]
fn what_it_costs_adds_up_to_the_box_and_names_what_has_no_price() {
    let kitchen = KitchenInputs {
        hour_price: Some(10.0),
        kwh_price: Some(0.3),
        margin_pct: Some(50.0),
        ..KitchenInputs::default()
    };
    let shelf = shelf_with(kitchen);
    let (filled, plan) = planned(&shelf, &stated());
    let hands = span(&lines(&plan)).hands;
    let cost = shelf.cost(&plan, &filled, hands).expect("a cost");
    let sum: f64 = cost.lines.iter().filter_map(|line| line.cost).sum();
    assert!((cost.total - sum).abs() < 1e-9);
    assert!((cost.box_whole.expect("boxes") - cost.total / 6.0).abs() < 1e-9);
    assert!((cost.price.expect("a margin") - cost.total * 2.0).abs() < 1e-9);
    let of = |of: CostOf| cost.lines.iter().filter(move |line| line.of == of);
    let needed = plan.bowls.iter().find(|bowl| bowl.key == "dark").expect("dark").needed;
    let dark = of(CostOf::Chocolate).next().expect("dark");
    // What runs back out of the mould is not paid for.
    assert!((dark.cost.expect("priced") - in_grams(needed) * 0.012).abs() < 1e-9);
    assert!(of(CostOf::Waste).count() >= 1 && of(CostOf::Hours).count() == 1);
    assert!(of(CostOf::Power).count() == 1);
    let boxes = of(CostOf::Packing).next().expect("boxes").cost.expect("priced");
    assert!((boxes - 4.8).abs() < 1e-9);
    let white = of(CostOf::Colour).find(|line| line.name.contains("white")).expect("a colour");
    assert_eq!(white.cost, None, "its pigment has no price");
    assert_eq!(cost.unpriced, ["Titanium white"]);
    // By hand: one slab's own goods.
    let slab = cost.made.iter().find(|one| one.component == "slab").expect("bark");
    let takes = in_grams(plan.components[1].draft.takes[0].mass);
    assert!((slab.cost - (takes * 0.012 + 45.0 * 3.6 / 150.0)).abs() < 1e-9, "{slab:?}");
    assert!(slab.unpriced.is_empty());
    let shells = cost.made.iter().find(|one| one.component == "shells").expect("shells");
    let packed = plan.packing.as_ref().expect("packed");
    let makes = packed.kinds[1].makes;
    let by_hand = shells.each.expect("pieces") * 3.0 + slab.cost * 40.0 / makes + 0.8;
    assert!((cost.box_goods.expect("boxes") - by_hand).abs() < 1e-9);
}

#[test]
fn a_batch_costs_what_really_went_in_by_the_prices_of_then() {
    let shelf = shelf();
    let (filled, plan) = planned(&shelf, &stated());
    let cost = shelf.cost(&plan, &filled, Default::default()).expect("a cost");
    let waste = |cost: &craft::shelf::PlanCost| {
        let line =
            cost.lines.iter().find(|l| l.of == CostOf::Waste && l.bowl.as_deref() == Some("dark"));
        line.map(|line| (in_grams(line.mass.expect("by weight")), line.cost.expect("priced")))
    };
    let went = cost.as_it_went(&HashMap::from([("dark".to_owned(), grams(250.0))]), Some(5.0));
    let (mass, paid) = waste(&went).expect("waste");
    assert!((mass - 250.0).abs() < 1e-9 && (paid - 3.0).abs() < 1e-6, "{mass} {paid}");
    let (_, before) = waste(&cost).expect("waste");
    assert!((went.total - (cost.total - before + 3.0)).abs() < 1e-6);
    assert!((went.box_whole.expect("boxes") - went.total / 5.0).abs() < 1e-9);
    let none = cost.as_it_went(&HashMap::from([("dark".to_owned(), grams(0.0))]), None);
    assert_eq!(waste(&none), None);
    assert_eq!(cost.as_it_went(&HashMap::new(), Some(6.0)), cost);
}

fn labels(shelf: &Shelf, beside: &[Named]) -> Vec<Labelled> {
    let (filled, plan) = planned(shelf, &stated());
    shelf.labels(&plan, &filled, beside).expect("labels")
}

fn names(all: &[Named]) -> Vec<&str> {
    all.iter().map(|one| one.name.as_str()).collect()
}

#[test]
fn a_box_says_all_that_lies_in_it_most_first() {
    let shelf = shelf();
    let all = labels(&shelf, &[Named::plain(Allergen::Sesame)]);
    let of: Vec<_> = all.iter().map(|one| one.component.as_deref()).collect();
    assert_eq!(of, [None, Some("shells"), Some("slab")]);
    let whole = &all[0];
    let ingredients = &whole.label.ingredients;
    assert_eq!(ingredients[0].name, "dark chocolate");
    assert!(
        ingredients[0].of.iter().any(|of| of.name == "emulsifier (soya lecithin)" && of.allergen)
    );
    assert!(ingredients.windows(2).all(|two| two[0].grams >= two[1].grams));
    assert!(ingredients.iter().any(|one| one.name.starts_with("colour: ")));
    assert_eq!(names(&whole.label.contains), ["milk", "soya", "almonds"], "{:?}", whole.label);
    assert_eq!(names(&whole.label.may_contain), ["nuts", "sesame"]);
    let (_, plan) = planned(&shelf, &stated());
    assert_eq!(whole.net, plan.packing.expect("packed").weighs);
    // What goes into a box is what it weighs, but for what is boiled away.
    let parts: f64 = ingredients.iter().map(|one| one.grams).sum();
    assert!((parts - in_grams(whole.net)).abs() < 0.15 * parts, "{parts} {:?}", whole.net);
    assert_eq!(whole.store, Store::Fridge, "the filling is perishable");
    assert_eq!(whole.dated, Some(day(9)), "the cream's date comes first");
    let codes: Vec<_> = whole.notes.iter().map(|note| &*note.code).collect();
    assert_eq!(codes, ["label-check-country", "label-not-said-for-eating"]);
    // Made on the same bench: the one without nuts may have traces of them.
    let slab = &all[2];
    assert_eq!(slab.store, Store::CoolRoom);
    assert_eq!(names(&slab.label.contains), ["soya", "almonds"]);
    let shells = &all[1];
    assert!(names(&shells.label.may_contain).contains(&"almonds"), "{:?}", shells.label);
}

#[test]
fn what_was_not_read_is_named_and_what_nobody_eats_is_said() {
    let mut inputs = PlanInputs { components: Vec::new(), ..PlanInputs::usual(Family::White) };
    inputs = edited(&inputs, Edit::AddKind { kind: "Joined hollows".into() }).expect("made").inputs;
    let WorkInputs::Hollows(hollows) = &mut inputs.components[0].work else { unreachable!() };
    hollows.inside[0].name = "a tin star".into();
    hollows.inside[0].not_food = true;
    let shelf = Shelf::default();
    let (filled, plan) = planned(&shelf, &inputs);
    let all = shelf.labels(&plan, &filled, &[]).expect("labels");
    let [only] = all.as_slice() else { panic!("{all:?}") };
    assert_eq!(only.not_food, ["a tin star"]);
    assert_eq!(only.unread, ["white chocolate"]);
    assert_eq!(names(&only.label.contains), ["milk"], "white chocolate always has it");
    assert!(only.label.ingredients.iter().all(|one| one.name != "a tin star"));
    assert!(only.notes[0].text().contains("Not for eating: a tin star"));
}

#[test]
fn chocolate_in_a_filling_is_of_the_bag_that_the_plan_is_made_from() {
    let shelf = shelf();
    let (filled, plan) = planned(&shelf, &stated());
    let ganache = plan.goods.iter().find(|one| Family::of_a_filling(&one.name).is_some());
    let ganache = ganache.expect("a ganache");
    assert_eq!(shelf.chocolate_of_a_filling(&filled, &ganache.name), Some(DARK));
    assert_eq!(shelf.chocolate_of_a_filling(&filled, "cream"), None);
    // It is bought with the rest of it, costs as much, and has its label.
    let list = list(&shelf, 1, &[]);
    assert!(list.lines.iter().all(|line| line.name != ganache.name));
    let weighed = in_grams(plan.bowls[0].plan.as_ref().expect("a plan").weighed_out().total);
    let dark = line(&list, "Dark, the big bag");
    assert!((dark.needed - weighed - in_grams(ganache.mass)).abs() < 1e-6);
    let cost = shelf.cost(&plan, &filled, Default::default()).expect("a cost");
    let paid = cost.lines.iter().find(|line| line.name == ganache.name).expect("it is paid for");
    assert!((paid.cost.expect("priced") - in_grams(ganache.mass) * 0.012).abs() < 1e-9);
    assert!(labels(&shelf, &[]).iter().all(|one| one.unread.is_empty()));
}

#[test]
fn a_colour_is_declared_as_its_own_label_does() {
    let mut inputs = stated();
    let colour = inputs.bowls.iter_mut().find(|bowl| bowl.key == "white").expect("white");
    let pigments = &mut colour.colour.as_mut().expect("a colour").pigments;
    let pigment = pigments[0].pigment.as_mut().expect("a pigment");
    pigment.declared = "titanium dioxide (E171)".into();
    pigment.food = FoodStatus::ForEating;
    let shelf = shelf();
    let (filled, plan) = planned(&shelf, &inputs);
    let all = shelf.labels(&plan, &filled, &[]).expect("labels");
    let colours = all[0].label.ingredients.iter().filter(|one| one.name.starts_with("colour"));
    assert!(colours.into_iter().any(|one| one.name == "colour: titanium dioxide (E171)"));
}

#[test]
fn what_was_bought_for_a_chocolate_that_nobody_picked_goes_into_it() {
    let bought = ChocolateInputs { name: "Milk chocolate".into(), family: Family::Milk, ..dark() };
    let entry =
        |put_away| Entry { thing: Thing::Chocolate(bought.clone()), learns_from: None, put_away };
    let inputs = PlanInputs::usual(Family::Milk);
    let picked = |put_away, inputs: &PlanInputs| {
        let shelf = Shelf::new([(DARK, entry(put_away))], Vec::new());
        shelf.fill(inputs).expect("filled").bowls[0].chocolate_id
    };
    assert_eq!(picked(false, &inputs), Some(DARK));
    assert_eq!(picked(true, &inputs), None, "it was put away");
    assert_eq!(picked(false, &PlanInputs::usual(Family::Dark)), None);
}
