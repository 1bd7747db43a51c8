//! The calculation endpoints keep to their contract.

use serde_json::json;

use crate::kitchen::Kitchen;

#[actix_web::test]
async fn windows_of_every_family() {
    let kitchen = Kitchen::new().await;
    let dark = kitchen.post("/calc/windows", json!({ "family": "dark" })).await.with(200);
    assert_eq!(dark["work_c"], json!([31.0, 32.0]));
    assert_eq!(dark["lost_c"], 34.0);
    assert_eq!(dark["density_g_cm3"], 1.29);
    let coating = kitchen.post("/calc/windows", json!({ "family": "coating" })).await.with(200);
    assert!(coating["cool_c"].is_null() && coating["lost_c"].is_null());
    for family in ["milk", "white", "ruby", "blond", "cocoa_butter"] {
        kitchen.post("/calc/windows", json!({ "family": family })).await.with(200);
    }
    let own = json!({ "family": "dark", "own": { "work_c": [30.5, 31.5], "fat_pct": 39 } });
    let own = kitchen.post("/calc/windows", own).await.with(200);
    assert_eq!((&own["work_c"], &own["own"]), (&json!([30.5, 31.5]), &json!(true)));
}

#[actix_web::test]
async fn seed_adds_up_and_shows_its_sum() {
    let kitchen = Kitchen::new().await;
    let body = json!({ "family": "milk", "total_g": 1200, "melted_c": 44, "target_c": 29.5,
        "seed_c": 20, "bowl": { "material": "glass", "mass_g": 500 }, "room_c": 20, "minutes": 7 });
    let seed = kitchen.post("/calc/seed", body).await.with(200);
    let number = |name: &str| seed[name].as_f64().expect("a number");
    assert!((number("seed_g") - 334.25).abs() < 1.7, "{seed}");
    assert!((number("seed_g") + number("melted_g") - 1200.0).abs() < 0.02);
    let additions: f64 =
        seed["additions_g"].as_array().expect("three").iter().filter_map(|g| g.as_f64()).sum();
    assert!((additions - number("seed_g")).abs() < 0.011, "{seed}");
    assert!(seed["sum"].as_array().is_some_and(|sum| sum.len() >= 6));
}

#[actix_web::test]
async fn slab_both_ways_with_the_allowance() {
    let kitchen = Kitchen::new().await;
    let tray = json!({ "shape": "rectangle", "length_mm": 300, "width_mm": 200 });
    let body = json!({ "family": "dark", "tray": tray, "thickness_mm": 4 });
    let slab = kitchen.post("/calc/slab", body).await.with(200);
    assert_eq!(slab["chocolate_g"], 309.6);
    assert_eq!(slab["to_weigh_g"], 325.08);
    let body = json!({ "family": "dark", "tray": tray, "mass_g": 309.6 });
    assert_eq!(kitchen.post("/calc/slab", body).await.with(200)["thickness_mm"], 4.0);
    let folded = json!({ "family": "dark", "tray": tray, "thickness_mm": 4,
        "folded_in": [{ "mass_g": 60, "density_g_cm3": 0.6 }] });
    let folded = kitchen.post("/calc/slab", folded).await.with(200);
    assert!((folded["chocolate_g"].as_f64().expect("g") - (240.0 - 100.0) * 1.29).abs() < 0.01);
}

#[actix_web::test]
async fn room_microwave_and_cooling() {
    let kitchen = Kitchen::new().await;
    let room = kitchen.post("/calc/room", json!({ "temp_c": 21, "rh_pct": 55 })).await.with(200);
    assert!((room["dew_point_c"].as_f64().expect("°C") - 11.62).abs() < 0.05);

    let melt = json!({ "family": "white", "mass_g": 400, "start_c": 20, "target_c": 43,
        "watts": 900, "power": 0.5 });
    let melt = kitchen.post("/calc/microwave", melt).await.with(200);
    assert!((melt["seconds"].as_f64().expect("s") - 143.4).abs() < 0.7);

    let reading = |t: f64| json!({ "t_s": t, "temp_c": 20.0 + 20.0 * (-0.001 * t).exp() });
    let readings: Vec<_> = (0..30).rev().map(|i| reading(f64::from(i) * 10.0)).collect();
    let body = json!({ "room_c": 20, "readings": readings, "targets_c": [32, 19],
        "family": "dark", "mass_g": 600 });
    let cooling = kitchen.post("/calc/cooling", body).await.with(200);
    assert!((cooling["k_per_min"].as_f64().expect("a fit") - 0.06).abs() < 1e-4, "{cooling}");
    // k·m·c = 0.001 · 600 · 1.6
    assert!((cooling["ua_w_k"].as_f64().expect("W/K") - 0.96).abs() < 0.01, "{cooling}");
    let [reached, never] = [&cooling["etas"][0], &cooling["etas"][1]];
    assert!(reached["earliest_s"].as_f64() < reached["eta_s"].as_f64());
    assert!(reached["eta_s"].as_f64() < reached["latest_s"].as_f64());
    assert!(never["eta_s"].is_null() && cooling["notes"][0]["code"] == "not-reached");

    let none = json!({ "room_c": 20, "readings": [], "targets_c": [32] });
    let none = kitchen.post("/calc/cooling", none).await.with(200);
    assert!(none["k_per_min"].is_null() && none["notes"][0]["code"] == "no-forecast");
}

#[actix_web::test]
async fn the_served_description_names_every_route() {
    let kitchen = Kitchen::new().await;
    let document = kitchen.get("/openapi.json").await.with(200);
    for path in ["/api/v1/calc/seed", "/api/v1/bowls/{id}/stream", "/api/v1/batches/{id}/results"] {
        assert!(document["paths"][path].is_object(), "{path}");
    }
}
