//! Every family by every method that suits it, from plan to pour.

use chrono::TimeDelta;
use serde_json::{Value, json};

use crate::kitchen::Kitchen;

const FAMILIES: [&str; 7] = ["dark", "milk", "white", "ruby", "blond", "cocoa_butter", "coating"];

#[actix_web::test]
async fn each_method_says_what_it_is_and_what_it_suits() {
    let kitchen = Kitchen::new().await;
    let methods = kitchen.get("/methods").await.with(200);
    let methods = methods.as_array().expect("a list");
    assert_eq!(methods.len(), 8);
    for method in methods {
        assert!(method["how"].as_str().is_some_and(|how| how.len() > 20), "{method}");
        for suited in method["suits"].as_array().expect("families") {
            for stage in suited["stages"].as_array().expect("stages") {
                let [lo, hi] = [&stage["window_c"][0], &stage["window_c"][1]];
                assert!(lo.as_f64() <= hi.as_f64(), "{stage}");
            }
        }
    }
    for family in FAMILIES {
        let suit = |m: &&Value| {
            m["suits"].as_array().is_some_and(|s| s.iter().any(|s| s["family"] == family))
        };
        assert!(methods.iter().filter(suit).count() >= 2, "{family} has a choice");
    }
}

#[actix_web::test]
async fn every_family_by_every_method_that_suits_goes_from_plan_to_pour() {
    let kitchen = Kitchen::new().await;
    let methods = kitchen.get("/methods").await.with(200);
    for method in methods.as_array().expect("a list") {
        for suited in method["suits"].as_array().expect("families") {
            plan_to_pour(&kitchen, method, suited["family"].as_str().expect("a family")).await;
        }
    }
}

async fn plan_to_pour(kitchen: &Kitchen, method: &Value, family: &str) {
    let key = method["key"].as_str().expect("a key");
    let what = format!("{family} by {key}");
    let id = &kitchen.plan(&what).await;
    let mut inputs = kitchen.stated(id).await;
    let bowl = &mut inputs["bowls"][0];
    bowl["family"] = family.into();
    bowl["method"] = key.into();
    bowl["stone_c"] = 16.into();
    inputs["room_c"] = 19.into();
    if key == "shock_set" {
        // At home on a frozen slab alone.
        let refused = kitchen.restate(id, inputs.clone()).await;
        refused.refuses("inputs.bowls[0].method");
        inputs["components"][0]["work"] = json!({ "kind": "ribbons", "chocolate": "dark",
            "length_mm": 250, "width_mm": 40, "thickness_mm": 1, "count": 6, "stone_kg": 6,
            "stone_c": -18 });
    }
    let kept = kitchen.restate(id, inputs).await.with(200);
    let plan = &kept["plan"]["bowls"][0]["plan"];
    assert_eq!(plan["method"], key, "{what}");
    let amounts = &plan["amounts"];
    let g = |name: &str| amounts[name].as_f64().expect("grams");
    assert!((g("melted_g") + g("seed_g") - g("total_g")).abs() < 0.02, "{what}: {amounts}");
    assert_eq!(g("seed_g") > 0.0, key.starts_with("seed"), "{what}: {amounts}");
    assert_eq!(g("crystals_g") > 0.0, key == "ready_crystals", "{what}: {amounts}");
    assert_eq!(g("pour_out_g") > 0.0, key == "slab", "{what}: {amounts}");

    let opened = kitchen.opened(id).await;
    let bowl = opened["bowl"]["id"].as_str().expect("an id").to_owned();
    let act = async |body: Value| {
        kitchen.pass(TimeDelta::seconds(150));
        kitchen.post(&format!("/bowls/{bowl}/actions"), body).await.with(201);
    };
    let read = async |c: f64| {
        kitchen.pass(TimeDelta::seconds(150));
        let reading = json!({ "temp_c": c });
        kitchen.post(&format!("/bowls/{bowl}/readings"), reading).await.with(201);
    };
    read(19.0).await;
    act(json!({ "kind": "heat", "seconds": 60 })).await;
    read(amounts["melted_c"].as_f64().expect("°C")).await;
    act(json!({ "kind": "off_heat" })).await;
    match key {
        "ready_crystals" => {
            act(json!({ "kind": "crystals_added", "grams": g("crystals_g") })).await
        }
        "slab" => {
            act(json!({ "kind": "on_stone", "grams": g("pour_out_g") })).await;
            act(json!({ "kind": "off_stone" })).await;
        }
        key if key.starts_with("seed") => {
            act(json!({ "kind": "seed_added", "grams": g("seed_g") })).await;
        }
        _ => {}
    }
    let [lo, hi] = [0, 1].map(|end| amounts["use_c"][end].as_f64().expect("°C"));
    read(f64::midpoint(lo, hi)).await;
    if method["tested"] == true {
        act(json!({ "kind": "test_started" })).await;
        act(json!({ "kind": "test_seen", "seen": "sets_from_edge" })).await;
    }
    let ready = kitchen.get(&format!("/bowls/{bowl}")).await.with(200);
    assert_eq!(ready["bowl"]["phase"], "working", "{what}: {}", ready["bowl"]["advice"]);
    assert_eq!(ready["bowl"]["method"], key);
    act(json!({ "kind": "poured" })).await;
    let poured = kitchen.get(&format!("/bowls/{bowl}")).await.with(200);
    assert_eq!(poured["bowl"]["phase"], "done", "{what}");
}

#[actix_web::test]
async fn what_does_not_go_with_a_method_is_refused() {
    let kitchen = Kitchen::new().await;
    let plan = |changes: Value| {
        let mut bowl = json!({ "key": "dark", "family": "dark" });
        bowl.as_object_mut().expect("fields").extend(changes.as_object().expect("fields").clone());
        json!({ "room_c": 20, "rh_pct": 45, "bowls": [bowl], "components": [{ "key": "slab",
            "name": "Slab", "work": { "kind": "slab", "chocolate": "dark", "cover": {
            "by": "thickness", "thickness_mm": 4,
            "tray": { "shape": "round", "diameter_mm": 240 } } } }] })
    };
    let refused = async |changes: Value, field: &str| {
        let told = kitchen.post("/calc/plan", plan(changes)).await;
        told.refuses(&format!("bowls[0].{field}"))
    };
    let told = refused(json!({ "method": "coating" }), "method").await;
    assert!(told.contains("does not suit dark") && told.contains("seed_down"), "{told}");
    let told = refused(json!({ "method": "by_guess" }), "method").await;
    assert!(told.contains("unknown method"), "{told}");
    let told = refused(json!({ "method": "slab", "stone_c": 40 }), "stone_c").await;
    assert!(told.contains("must be 5 to 26 °C; it is 40"), "{told}");
    let told = refused(
        json!({ "blend": [{ "family": "dark", "share_pct": 60 },
        { "family": "milk", "share_pct": 30 }] }),
        "blend",
    )
    .await;
    assert!(told.contains("must add up to 100 %; it adds up to 90.0 %"), "{told}");
    let told = refused(
        json!({ "blend": [{ "family": "dark", "share_pct": 60 },
        { "family": "coating", "share_pct": 40 }] }),
        "blend",
    )
    .await;
    assert!(told.contains("cannot have more than 5 % of a coating"), "{told}");

    let opened = kitchen.bowl().await;
    let off =
        kitchen.post(&format!("/bowls/{opened}/actions"), json!({ "kind": "off_stone" })).await;
    assert!(
        off.with(409)["detail"].as_str().is_some_and(|d| d.contains("Nothing lies on the stone"))
    );
    let none = json!({ "kind": "crystals_added" });
    kitchen.post(&format!("/bowls/{opened}/actions"), none).await.refuses("grams");
}

#[actix_web::test]
async fn ready_crystals_the_stone_and_blends_are_reckoned() {
    let kitchen = Kitchen::new().await;
    let ask = json!({ "family": "dark", "mass_g": 500, "temp_c": 36 });
    let crystals = kitchen.post("/calc/ready-crystals", ask).await.with(200);
    assert_eq!((&crystals["crystals_g"], &crystals["gate_open"]), (&json!(5.0), &json!(false)));
    assert_eq!(crystals["gate_c"], json!([33.5, 35.0]));
    assert_eq!(crystals["notes"][0]["code"], "gate-not-open");
    let ask = json!({ "family": "milk", "mass_g": 400, "share_pct": 1.5, "temp_c": 33 });
    let crystals = kitchen.post("/calc/ready-crystals", ask).await.with(200);
    assert_eq!((&crystals["crystals_g"], &crystals["gate_open"]), (&json!(6.0), &json!(true)));
    let none = json!({ "family": "coating", "mass_g": 400 });
    kitchen.post("/calc/ready-crystals", none).await.refuses("family");

    // x = (46 − 32) / (46 − 27)
    let ask = json!({ "total_g": 1000, "melted_c": 46, "slab_c": 27, "target_c": 32 });
    let split = kitchen.post("/calc/slab-split", ask).await.with(200);
    assert!((split["pour_out_g"].as_f64().expect("g") - 736.84).abs() < 0.01, "{split}");
    assert!((split["keep_g"].as_f64().expect("g") - 263.16).abs() < 0.01, "{split}");
    let ask = json!({ "total_g": 1000, "melted_c": 46, "slab_c": 27, "target_c": 26 });
    let told = kitchen.post("/calc/slab-split", ask).await.refuses("target_c");
    assert!(told.contains("must be between 27.0 °C"), "{told}");

    let blend =
        json!([{ "family": "dark", "share_pct": 50 }, { "family": "milk", "share_pct": 50 }]);
    let windows = kitchen.post("/calc/windows", json!({ "blend": blend })).await.with(200);
    assert_eq!(windows["work_c"], json!([30.0, 31.0]));
    let both = json!({ "blend": blend, "family": "dark" });
    let told = kitchen.post("/calc/windows", both).await.refuses("family");
    assert!(told.contains("only one of family, blend and chocolate_id"), "{told}");
    for (path, body) in [
        ("seed", json!({ "total_g": 600, "melted_c": 45, "seed_c": 20 })),
        ("ready-crystals", json!({ "mass_g": 500 })),
        (
            "microwave",
            json!({ "mass_g": 400, "start_c": 20, "target_c": 44, "watts": 800, "power": 0.5 }),
        ),
        ("slab", json!({ "tray": { "shape": "area", "area_cm2": 600 }, "thickness_mm": 4 })),
    ] {
        let mut body = body;
        body["blend"] = blend.clone();
        kitchen.post(&format!("/calc/{path}"), body).await.with(200);
    }
}
