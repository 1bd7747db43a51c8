//! Goods in the pantry: what is known of them, what plans take, what making takes from stock.

use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    async fn goods(&self, goods: Value, left: Option<f64>) -> String {
        let mut thing = json!({ "kind": "goods", "unit": "g" });
        for (name, value) in goods.as_object().expect("fields") {
            thing[name] = value.clone();
        }
        let body = json!({ "thing": thing, "left": left });
        text(&self.post("/shelf", body).await.with(201)["id"])
    }

    async fn left_of(&self, id: &str) -> Option<f64> {
        let shelf = self.get("/shelf").await.with(200);
        let things = shelf["things"].as_array().expect("things");
        things.iter().find(|thing| thing["id"] == id).expect("it is there")["left"].as_f64()
    }

    /// A plan of two slabs with stars on both and nuts in the first.
    async fn starry(&self, stars: &str, nuts: &str) -> String {
        let star = json!({ "name": "stars", "goods_id": stars, "across_mm": 9, "each_g": 2,
            "wish": { "by": "count", "count": 20 } });
        let nut = json!({ "name": "nuts", "goods_id": nuts, "density_g_cm3": 1.0,
            "amount": { "by": "grams", "mass_g": 60 } });
        let slab = |key: &str, mixed: Value| {
            json!({ "key": key, "name": key, "work": { "kind": "slab", "chocolate": "dark",
                "lining": "parchment", "mixed_in": mixed, "toppings": [star],
                "cover": { "by": "thickness", "thickness_mm": 6,
                    "tray": { "shape": "area", "area_cm2": 500 } } } })
        };
        let inputs = json!({ "room_c": 20, "rh_pct": 45,
            "bowls": [{ "key": "dark", "family": "dark" }],
            "components": [slab("first", json!([nut])), slab("second", json!([]))] });
        self.planned(json!({ "name": "Starry bark", "inputs": inputs })).await
    }
}

fn of<'v>(planned: &'v Value, name: &str) -> &'v Value {
    let goods = planned["plan"]["goods"].as_array().expect("goods");
    goods.iter().find(|one| one["name"] == name).unwrap_or_else(|| panic!("{name}: {goods:?}"))
}

#[actix_web::test]
async fn a_plan_counts_its_goods_once_and_says_what_is_missing() {
    let kitchen = Kitchen::new().await;
    let stars = json!({ "name": "Gold stars", "unit": "piece", "each_g": 0.5, "across_mm": 6,
        "pack_size": 25, "pack_price": 2.5, "allergens": { "contains": [], "may_contain": ["egg"] } });
    let stars = kitchen.goods(stars, Some(30.0)).await;
    let nuts = kitchen.goods(json!({ "name": "Hazelnut bits" }), None).await;
    let plan = kitchen.starry(&stars, &nuts).await;
    let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let taken = of(&planned, "Gold stars");
    assert_eq!(taken["uses"].as_array().map(Vec::len), Some(2), "{taken}");
    assert_eq!(taken["mass_g"], 20.0, "twice twenty of half a gram: {taken}");
    let stock = &taken["stock"];
    assert_eq!((&stock["needed"], &stock["left"]), (&json!(40.0), &json!(30.0)), "{stock}");
    assert_eq!((&stock["short"], &stock["packs"]), (&json!(10.0), &json!(1.0)), "{stock}");
    assert_eq!(stock["cost"], 4.0);
    assert_eq!(stock["notes"][0]["code"], "goods-short");
    assert!(of(&planned, "Hazelnut bits")["stock"]["short"].is_null(), "nobody counted them");
    let allergens = &planned["plan"]["allergens"];
    assert_eq!(allergens["may_contain"], json!(["egg"]));
    let unread = allergens["unread"].to_string();
    assert!(unread.contains("Hazelnut bits") && !unread.contains("Gold stars"), "{unread}");
    assert!(allergens["contains"].to_string().contains("nuts"), "its name tells: {allergens}");
}

#[actix_web::test]
async fn what_is_made_takes_its_goods_once_and_gives_them_back_where_it_was_not() {
    let kitchen = Kitchen::new().await;
    let stars = json!({ "name": "Gold stars", "unit": "piece", "each_g": 0.5, "across_mm": 6 });
    let stars = kitchen.goods(stars, Some(100.0)).await;
    let nuts = kitchen.goods(json!({ "name": "Nut bits" }), Some(90.0)).await;
    let plan = kitchen.starry(&stars, &nuts).await;
    let batch = kitchen.begun(&plan).await;
    let left = async || (kitchen.left_of(&stars).await, kitchen.left_of(&nuts).await);
    assert_eq!(left().await, (Some(100.0), Some(90.0)), "begun is not made");
    let events = format!("/batches/{batch}/events");
    let id = Uuid::new_v4();
    let weighed = json!({ "kind": "done", "id": id, "step": "first/goods" });
    kitchen.post(&events, weighed.clone()).await.with(201);
    kitchen.post(&events, weighed).await.with(200);
    assert_eq!(left().await, (Some(80.0), Some(30.0)));
    // One more step of it takes nothing more.
    kitchen.done(&batch, "first/spread", false).await;
    kitchen.done(&batch, "second/goods", false).await;
    assert_eq!(left().await, (Some(60.0), Some(30.0)));
    // What was not done after all has taken nothing.
    let undo = json!({ "kind": "undone", "id": Uuid::new_v4(), "event": id });
    kitchen.post(&events, undo).await.with(201);
    let over = json!({ "kind": "started_over", "id": Uuid::new_v4() });
    kitchen.post(&events, over).await.with(201);
    assert_eq!(left().await, (Some(100.0), Some(90.0)));
}

#[actix_web::test]
async fn the_sugar_of_two_that_are_candied_is_taken_for_both() {
    let kitchen = Kitchen::new().await;
    let sugar = kitchen.goods(json!({ "name": "Sugar" }), Some(500.0)).await;
    let candied = |name: &str| {
        json!({ "name": name, "density_g_cm3": 1.0, "amount": { "by": "grams", "mass_g": 60 },
            "prepared": [{ "by": "candying", "sugar_parts": 0.5 }] })
    };
    let work = json!({ "kind": "slab", "chocolate": "dark", "lining": "parchment",
        "mixed_in": [candied("nuts"), candied("seeds")], "cover": { "by": "thickness",
            "thickness_mm": 7, "tray": { "shape": "area", "area_cm2": 600 } } });
    let inputs = json!({ "room_c": 20, "rh_pct": 45,
        "bowls": [{ "key": "dark", "family": "dark" }],
        "components": [{ "key": "slab", "name": "Slab", "work": work }] });
    let plan = kitchen.planned(json!({ "name": "Candied", "inputs": inputs })).await;
    let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    assert_eq!(of(&planned, "sugar")["stock"]["needed"], 40.0);
    let batch = kitchen.begun(&plan).await;
    kitchen.done(&batch, "slab/goods", false).await;
    assert_eq!(kitchen.left_of(&sugar).await, Some(460.0));
}

#[actix_web::test]
async fn a_rehearsal_takes_nothing_from_the_shelf() {
    let kitchen = Kitchen::new().await;
    let stars = json!({ "name": "Gold stars", "unit": "piece", "each_g": 0.5, "across_mm": 6 });
    let stars = kitchen.goods(stars, Some(100.0)).await;
    let nuts = kitchen.goods(json!({ "name": "Nut bits" }), Some(90.0)).await;
    let plan = kitchen.starry(&stars, &nuts).await;
    let batch = kitchen.begun(&plan).await;
    kitchen.put(&format!("/batches/{batch}/clock"), None, json!({ "rate": 10 })).await.with(200);
    kitchen.done(&batch, "first/goods", false).await;
    let left = (kitchen.left_of(&stars).await, kitchen.left_of(&nuts).await);
    assert_eq!(left, (Some(100.0), Some(90.0)));
}

#[actix_web::test]
async fn bags_and_sheets_are_counted_and_taken_by_the_piece() {
    let kitchen = Kitchen::new().await;
    let bags = json!({ "name": "clear bags", "unit": "piece", "sort": "packaging" });
    let bags = kitchen.goods(bags, Some(8.0)).await;
    let slab = json!({ "key": "bark", "name": "Bark", "work": { "kind": "slab",
        "chocolate": "dark", "lining": "acetate", "cover": { "by": "portions", "thickness_mm": 4,
            "portions": { "of": "bags", "count": 6, "each_g": 60 } } } });
    let inputs = json!({ "room_c": 20, "rh_pct": 45,
        "bowls": [{ "key": "dark", "family": "dark" }], "components": [slab] });
    let plan = kitchen.planned(json!({ "name": "Bags", "inputs": inputs })).await;
    let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let taken = of(&planned, "clear bags");
    assert_eq!((&taken["count"], &taken["mass_g"]), (&json!(6.0), &json!(0.0)), "{taken}");
    assert_eq!(taken["stock"]["short"], 0.0);
    assert!(of(&planned, "acetate sheets")["stock"].is_null());
    let batch = kitchen.begun(&plan).await;
    kitchen.done(&batch, "bark/line", false).await;
    assert_eq!(kitchen.left_of(&bags).await, Some(2.0));
}

#[actix_web::test]
async fn goods_are_refused_by_their_fields_and_nothing_of_them_is_kept() {
    let kitchen = Kitchen::new().await;
    let odd = |change: Value| {
        let mut thing = json!({ "kind": "goods", "name": "Stars", "unit": "g" });
        for (name, value) in change.as_object().expect("fields") {
            thing[name] = value.clone();
        }
        json!({ "thing": thing })
    };
    for (change, field) in [
        (json!({ "name": " " }), "name"),
        (json!({ "unit": "barrel" }), "thing.unit"),
        (json!({ "density_g_cm3": 0 }), "density_g_cm3"),
        (json!({ "known": { "bulk_g_ml": 0 } }), "known.bulk_g_ml"),
        (json!({ "pack_size": -3 }), "pack_size"),
        (json!({ "best_before": "soon" }), "thing.best_before"),
        (json!({ "sort": "magic" }), "thing.sort"),
    ] {
        kitchen.post("/shelf", odd(change)).await.refuses(field);
    }
    let mut too_many = odd(json!({}));
    too_many["left"] = json!(-1);
    kitchen.post("/shelf", too_many).await.refuses("left");
    assert_eq!(kitchen.get("/shelf").await.with(200)["things"].as_array().map(Vec::len), Some(1));

    let id = kitchen.goods(json!({ "name": "Stars" }), Some(10.0)).await;
    let path = format!("/shelf/{id}");
    let by_piece = json!({ "kind": "goods", "name": "Stars", "unit": "piece" });
    kitchen.put(&path, Some(1), by_piece).await.refuses("unit");
    let moves = format!("{path}/moves");
    kitchen.post(&moves, json!({ "kind": "gone", "amount": 0 })).await.refuses("amount");
    let gone = json!({ "kind": "gone", "amount": 4 });
    assert_eq!(kitchen.post(&moves, gone).await.with(201)["left"], 6.0);
    let returned = json!({ "kind": "returned", "amount": 4, "bowl_id": Uuid::new_v4() });
    kitchen.post(&moves, returned).await.refuses("bowl_id");
    // Of chocolate nobody makes a topping.
    let bag = json!({ "thing": { "kind": "chocolate", "name": "Bag", "family": "dark" } });
    let bag = text(&kitchen.post("/shelf", bag).await.with(201)["id"]);
    let topping = json!({ "name": "stars", "goods_id": bag, "across_mm": 9, "each_g": 2,
        "wish": { "by": "count", "count": 20 } });
    let body = json!({ "room_c": 20, "rh_pct": 45, "bowls": [{ "key": "dark", "family": "dark" }],
        "components": [{ "key": "slab", "name": "Slab", "work": { "kind": "slab",
            "chocolate": "dark", "lining": "parchment", "toppings": [topping],
            "cover": { "by": "thickness", "thickness_mm": 6,
                "tray": { "shape": "area", "area_cm2": 500 } } } }] });
    kitchen.post("/calc/plan", body).await.refuses("components[0].work.toppings[0].goods_id");
}
