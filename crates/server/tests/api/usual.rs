//! What is usual: trays, pigments, toppings, dry goods and kinds of work to start from.

use serde_json::{Value, json};

use crate::kitchen::{Kitchen, as_mixed_in, as_topping, text};

async fn listed(kitchen: &Kitchen, path: &str) -> Vec<Value> {
    let all = kitchen.get(path).await.with(200);
    let all = all.as_array().expect("a list").clone();
    let mut names: Vec<_> = all.iter().map(|one| text(&one["name"])).collect();
    names.sort();
    names.dedup();
    assert_eq!(names.len(), all.len(), "{path}: each has a name of its own");
    all
}

/// A slab with something stated of it, planned.
async fn slab(kitchen: &Kitchen, stated: (&str, Value)) -> Value {
    let mut work = json!({ "kind": "slab", "chocolate": "dark", "cover": { "by": "thickness",
        "thickness_mm": 5, "tray": { "shape": "area", "area_cm2": 400 } } });
    match stated {
        ("tray", tray) => work["cover"]["tray"] = tray,
        (name, value) => work[name] = value,
    }
    let body = json!({ "room_c": 20, "rh_pct": 45, "bowls": [{ "key": "dark", "family": "dark" }],
        "components": [{ "key": "slab", "name": "Slab", "work": work }] });
    kitchen.post("/calc/plan", body).await.with(200)["components"][0].clone()
}

#[actix_web::test]
async fn every_usual_tray_and_all_common_goods_can_be_planned_with() {
    let kitchen = Kitchen::new().await;
    for tray in listed(&kitchen, "/trays").await {
        let planned = slab(&kitchen, ("tray", tray["shape"].clone())).await;
        assert!(planned["takes"][0]["mass_g"].as_f64() > Some(50.0), "{tray}: {planned}");
    }
    let goods = listed(&kitchen, "/goods").await;
    assert!(goods.len() >= 60, "{}", goods.len());
    for one in goods.iter().filter(|one| one["across_mm"].is_f64()) {
        let mut topping = as_topping(one);
        topping["wish"] = json!({ "by": "pieces", "piece_cm2": 25 });
        let planned = slab(&kitchen, ("toppings", json!([topping]))).await;
        assert_eq!(planned["goods"][0]["name"], topping["name"]);
        assert!(planned["goods"][0]["mass_g"].as_f64() > Some(0.0), "{planned}");
    }
    for one in goods.iter().filter(|one| one["density_g_cm3"].is_f64()) {
        let mut mixed = as_mixed_in(one);
        mixed["amount"] = json!({ "by": "parts", "parts": 0.4 });
        let planned = slab(&kitchen, ("mixed_in", json!([mixed]))).await;
        let (dry, dark) = (&planned["goods"][0]["mass_g"], &planned["takes"][0]["mass_g"]);
        let ratio = dry.as_f64().expect("g") / dark.as_f64().expect("g");
        // The goods to the gram, as a kitchen scale shows them.
        let gram = 0.6 / dark.as_f64().expect("g");
        assert!((ratio - 0.4).abs() < gram, "{mixed}: {ratio}");
    }
}

#[actix_web::test]
async fn every_usual_pigment_colours_butter_and_promises_nothing_of_its_label() {
    let kitchen = Kitchen::new().await;
    let pigments = listed(&kitchen, "/pigments").await;
    assert!(pigments.len() >= 4, "{pigments:?}");
    for pigment in pigments {
        // What a label says nobody can know before it is read.
        assert_eq!(pigment["food"], "not_said", "{pigment}");
        let body = json!({ "amount": { "by": "total", "total_g": 50 },
            "recipe": { "pigments": [{ "pigment": pigment, "parts_per_100": 10 }] } });
        let made = kitchen.post("/calc/colour-recipe", body).await.with(200);
        let butter = made["butter_g"].as_f64().expect("g");
        assert!((butter - 50.0 / 1.1).abs() < 0.01, "{made}");
    }
}

#[actix_web::test]
async fn every_kind_starts_as_it_can_be_planned() {
    let kitchen = Kitchen::new().await;
    let kinds = listed(&kitchen, "/kinds").await;
    assert!(kinds.len() >= 16, "{}", kinds.len());
    for kind in kinds {
        let mut bowls = vec![
            json!({ "key": "dark", "family": "dark" }),
            json!({ "key": "white", "family": "white" }),
            json!({ "key": "milk", "family": "milk" }),
        ];
        bowls.extend(kind["colours"].as_array().expect("colours").clone());
        let body = json!({ "room_c": 20, "rh_pct": 45, "fridge_c": 5, "bowls": bowls,
            "components": [{ "key": "it", "name": kind["name"], "work": kind["start"] }] });
        let plan = kitchen.post("/calc/plan", body).await.with(200);
        let it = &plan["components"][0];
        let lines = plan["lines"].as_array().expect("lines").clone();
        let of_it = lines.iter().find(|l| l["component"] == "it" || l["of"]["component"] == "it");
        assert!(of_it.is_some_and(|l| l["steps"] != json!([])), "{kind}: no steps");
        for list in ["checks", "mistakes"] {
            assert!(it[list].as_array().is_some_and(|all| !all.is_empty()), "{kind}: no {list}");
        }
        let notes = [&it["notes"], &plan["notes"]];
        let stop = notes.iter().flat_map(|n| n.as_array().into_iter().flatten());
        // But that boiling sugar burns is always said.
        let stops: Vec<_> = stop.filter(|note| note["level"] == "stop").collect();
        assert!(stops.iter().all(|note| note["code"] == "sugar-burns"), "{stops:?}");
    }
}
