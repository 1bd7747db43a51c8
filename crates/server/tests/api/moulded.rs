//! Colour, shells, dips and ganache.

use serde_json::{Value, json};

use crate::kitchen::Kitchen;

fn close(value: &Value, expected: f64, by: f64) -> bool {
    value.as_f64().is_some_and(|value| (value - expected).abs() <= by)
}

fn pigment(srgb: &str, opaque: bool) -> Value {
    json!({ "name": "A powder", "carrier": "powder", "srgb": srgb, "opaque": opaque,
        "food": "for_eating" })
}

fn recipe(srgb: &str, opaque: bool, parts: f64) -> Value {
    json!({ "pigments": [{ "pigment": pigment(srgb, opaque), "parts_per_100": parts }] })
}

#[actix_web::test]
async fn shells_weigh_what_half_a_ball_weighs() {
    let kitchen = Kitchen::new().await;
    let ask = |change: Value| {
        let mut body = json!({ "family": "dark", "cavity": { "shape": "hemisphere",
            "diameter_mm": 26 }, "count": 24, "shell_mm": 1.8, "way": "dump" });
        body.as_object_mut().expect("fields").extend(change.as_object().expect("fields").clone());
        body
    };
    let shells = kitchen.post("/calc/shell", ask(json!({}))).await.with(200);
    assert!(close(&shells["shell_g"], 2.14, 0.005), "{shells}");
    assert!(close(&shells["fill_ml"], 2.94, 0.005), "{shells}");
    assert!(close(&shells["kept_g"], 24.0 * 2.14, 0.12), "{shells}");
    assert!(shells["coats"].is_null() && shells["wait_s"].is_f64(), "{shells}");
    let brushed = json!({ "way": "brush", "cap_mm": 1.5 });
    let brushed = kitchen.post("/calc/shell", ask(brushed)).await.with(200);
    assert!(brushed["coats"].as_f64() >= Some(1.0) && brushed["wait_s"].is_null(), "{brushed}");
    assert!(close(&brushed["returned_g"], 0.0, 1e-9), "a brush gives nothing back: {brushed}");
    // Opening π·1.3² cm², 0.15 cm thick, at 1.29 g/cm³.
    assert!(close(&brushed["cap_g"], 1.027, 0.005), "{brushed}");
    let measured = json!({ "cavity": { "volume_ml": 4.6, "area_cm2": 10.6, "opening_cm2": 5.3 } });
    let measured = kitchen.post("/calc/shell", ask(measured)).await.with(200);
    assert!(close(&measured["shell_g"], 2.14, 0.25), "near the same half ball: {measured}");

    for (change, field, says) in [
        (
            json!({ "cavity": { "shape": "hemisphere", "diameter_mm": 20 }, "shell_mm": 11 }),
            "shell_mm",
            "radius",
        ),
        (json!({ "count": 0 }), "count", "must be 1 to 10000 pieces; it is 0"),
        (json!({ "cavity": { "shape": "hemisphere" } }), "cavity.diameter_mm", "is needed"),
        (json!({ "way": "spray" }), "way", "dump"),
    ] {
        let told = kitchen.post("/calc/shell", ask(change)).await.refuses(field);
        assert!(told.contains(says), "{field}: {told}");
    }
}

#[actix_web::test]
async fn colour_is_weighed_from_what_is_known() {
    let kitchen = Kitchen::new().await;
    for known in [json!({ "butter_g": 80 }), json!({ "total_g": 88 }), json!({ "pigment_g": 8 })] {
        let mut body = known;
        body["parts_per_100"] = 10.into();
        let made = kitchen.post("/calc/colour-butter", body).await.with(200);
        assert!(close(&made["butter_g"], 80.0, 0.01), "{made}");
        assert!(close(&made["pigment_g"], 8.0, 0.01), "{made}");
        assert!(close(&made["pct_of_total"], 9.091, 0.001), "{made}");
    }
    let both = json!({ "butter_g": 80, "total_g": 88, "parts_per_100": 10 });
    let told = kitchen.post("/calc/colour-butter", both).await.refuses("butter_g");
    assert!(told.contains("several are given"), "{told}");
    let thick = json!({ "butter_g": 80, "parts_per_100": 21 });
    let told = kitchen.post("/calc/colour-butter", thick).await.refuses("parts_per_100");
    assert!(told.contains("0.1 to 20 parts to 100 of butter; it is 21"), "{told}");

    let two = json!({ "pigments": [
        { "pigment": pigment("#2040c0", false), "parts_per_100": 6 },
        { "pigment": pigment("#f8f8f4", true), "parts_per_100": 4 } ] });
    let weighed = json!({ "recipe": two, "amount": { "by": "pigment", "pigment_g": 5 } });
    let weighed = kitchen.post("/calc/colour-recipe", weighed).await.with(200);
    assert!(close(&weighed["butter_g"], 50.0, 0.01), "{weighed}");
    assert!(close(&weighed["pigments"][0]["mass_g"], 3.0, 0.01), "{weighed}");
    assert!(close(&weighed["pigments"][1]["mass_g"], 2.0, 0.01), "{weighed}");
}

#[actix_web::test]
async fn what_does_not_disperse_in_fat_or_is_not_for_eating_is_refused_with_the_reason() {
    let kitchen = Kitchen::new().await;
    let refused = async |change: Value, field: &str| {
        let mut recipe = recipe("#2040c0", false, 10.0);
        let pigment = &mut recipe["pigments"][0]["pigment"];
        pigment.as_object_mut().expect("fields").extend(change.as_object().expect("one").clone());
        let body = json!({ "recipe": recipe, "amount": { "by": "total", "total_g": 40 } });
        let field = format!("recipe.pigments[0].pigment.{field}");
        kitchen.post("/calc/colour-recipe", body).await.refuses(&field)
    };
    for carrier in ["water", "gel"] {
        let told = refused(json!({ "carrier": carrier }), "carrier").await;
        assert!(told.contains("fat"), "{told}");
    }
    refused(json!({ "food": "not_for_eating" }), "food").await;
    refused(json!({ "srgb": "blue" }), "srgb").await;
}

#[actix_web::test]
async fn a_film_takes_by_area_and_way() {
    let kitchen = Kitchen::new().await;
    let ask = |way: &str, share: f64| json!({ "area_cm2": 340, "way": way, "share_pct": share });
    let brushed = kitchen.post("/calc/colour-film", ask("brush", 100.0)).await.with(200);
    let half = kitchen.post("/calc/colour-film", ask("brush", 50.0)).await.with(200);
    let g = |said: &Value| said["film_g"].as_f64().expect("grams");
    assert!((g(&brushed) - 2.0 * g(&half)).abs() < 0.01, "{brushed} {half}");
    let sprayed = kitchen.post("/calc/colour-film", ask("spray", 100.0)).await.with(200);
    assert!(sprayed["to_prepare_g"].as_f64() > sprayed["film_g"].as_f64(), "{sprayed}");
    kitchen.post("/calc/colour-film", ask("brush", 0.0)).await.refuses("share_pct");
    let told = kitchen.post("/calc/colour-film", ask("roller", 100.0)).await.refuses("way");
    assert!(told.contains("brush"), "{told}");
}

#[actix_web::test]
async fn films_look_as_two_fluxes_say_and_white_behind_saves_a_colour() {
    let kitchen = Kitchen::new().await;
    let film = |k: f64, s: f64| json!({ "pigments": [{ "k": [k, k, k], "s": [s, s, s], "share": 1 }], "thickness": 1 });
    let stack = async |ground: f64, films: Vec<Value>| {
        let body = json!({ "ground": { "reflectance": [ground, ground, ground] }, "films": films });
        kitchen.post("/calc/colour-stack", body).await.with(200)["reflectance"][0].clone()
    };
    assert!(close(&stack(0.03, vec![film(0.4, 0.3)]).await, 0.1718, 1e-4));
    assert!(close(&stack(0.03, vec![film(0.4, 0.3), film(0.01, 4.0)]).await, 0.4034, 1e-4));
    assert!(close(&stack(0.7, vec![film(0.4, 0.3)]).await, 0.371, 1e-4));
    let nothing = json!({ "ground": "dark", "films": [film(0.0, 0.3)] });
    let told =
        kitchen.post("/calc/colour-stack", nothing).await.refuses("films[0].pigments[0].k[0]");
    assert!(told.contains("it is 0"), "{told}");
    let shiny = json!({ "ground": { "reflectance": [1.5, 0.1, 0.1] }, "films": [] });
    kitchen.post("/calc/colour-stack", shiny).await.refuses("ground.reflectance[0]");

    let red = json!({ "mix": [{ "recipe": recipe("#c02020", false, 8.0), "share": 1 }],
        "way": "brush" });
    let look = kitchen.post("/calc/colour-look", json!({ "films": [red] })).await.with(200);
    let red_of = |hex: &Value| {
        u8::from_str_radix(&hex.as_str().expect("a colour")[1..3], 16).expect("two digits")
    };
    let dark = &look["over"][0];
    assert_eq!(dark["family"], "dark");
    assert!(red_of(&dark["looks"]) + 40 < red_of(&dark["backed"]), "it sinks: {dark}");
    let white = &look["over"][2];
    assert!(red_of(&white["looks"]) > red_of(&dark["looks"]) + 40, "{white}");
}

#[actix_web::test]
async fn a_finished_piece_corrects_a_colours_strength() {
    let kitchen = Kitchen::new().await;
    let lab = |strength: f64, seen: Value| {
        let mut recipe = recipe("#2b4fc2", false, 10.0);
        recipe["pigments"][0]["pigment"]["strength"] = strength.into();
        json!({ "films": [{ "mix": [{ "recipe": recipe, "share": 1 }], "way": "brush" }],
            "seen": seen })
    };
    // What a powder of half the strength looks like over white is told from the look.
    let weak = kitchen.post("/calc/colour-look", lab(0.5, Value::Null)).await.with(200);
    let srgb = &weak["over"][2]["looks"];
    let seen = json!({ "srgb": srgb, "family": "white", "film": 0 });
    let found = kitchen.post("/calc/colour-look", lab(1.0, seen)).await.with(200);
    assert!(close(&found["strength"]["factor"], 0.5, 0.05), "{found}");
    assert_eq!(found["strength"]["matches"], true);
    let nowhere = json!({ "srgb": "#2b4fc2", "family": "white", "film": 3 });
    kitchen.post("/calc/colour-look", lab(1.0, nowhere)).await.refuses("seen.film");
}

#[actix_web::test]
async fn dips_and_ganache_by_weight() {
    let kitchen = Kitchen::new().await;
    let dip = |vessel: f64, shape: Value| json!({ "family": "dark", "shape": shape, "count": 18, "vessel_mm": vessel });
    let ball = json!({ "diameter_mm": 28 });
    let dipped = kitchen.post("/calc/dip", dip(70.0, ball.clone())).await.with(200);
    // π·2.8² cm² of surface, 0.13 cm thick, at 1.29 g/cm³.
    let coat = std::f64::consts::PI * 2.8 * 2.8 * 0.13 * 1.29;
    assert!(close(&dipped["coat_g"], coat, 0.02), "{dipped}");
    assert!(close(&dipped["coat_total_g"], 18.0 * coat, 0.3), "{dipped}");
    assert!(dipped["to_weigh_g"].as_f64() > dipped["in_vessel_g"].as_f64(), "{dipped}");
    let told = kitchen.post("/calc/dip", dip(25.0, ball)).await.refuses("vessel_mm");
    assert!(told.contains("at least 31 mm"), "28 and a coat on either side: {told}");
    kitchen.post("/calc/dip", dip(70.0, json!({}))).await.refuses("shape.diameter_mm");

    let by_ratio = json!({ "family": "dark", "ratio": 2, "total_g": 300, "piece_g": 12 });
    let made = kitchen.post("/calc/ganache", by_ratio).await.with(200);
    assert!(close(&made["chocolate_g"], 200.0, 0.01) && close(&made["cream_g"], 100.0, 0.01));
    assert!(made["water_pct"].as_f64() > Some(10.0), "{made}");
    assert!(
        made["notes"]
            .as_array()
            .is_some_and(|notes| notes.iter().any(|n| n["code"] == "perishable")),
        "{made}"
    );
    let by_mass = json!({ "family": "dark", "chocolate_g": 130, "cream_g": 100, "piece_g": 11 });
    let made = kitchen.post("/calc/ganache", by_mass).await.with(200);
    let g = |name: &str| made[name].as_f64().expect("a number");
    assert!((g("pieces") * 11.0 + g("left_g") - 230.0).abs() < 0.02, "{made}");
    let alone = json!({ "family": "dark", "ratio": 2, "piece_g": 12 });
    kitchen.post("/calc/ganache", alone).await.refuses("total_g");
}

#[actix_web::test]
async fn a_filling_of_anything_is_balanced_and_what_cannot_be_is_refused() {
    let kitchen = Kitchen::new().await;
    let parts = json!([{ "ingredient": "cream_35", "grams": 150 },
        { "ingredient": "milk_38", "grams": 330 }, { "ingredient": "glucose_syrup", "grams": 30 }]);
    let made = kitchen.post("/calc/filling", json!({ "parts": parts })).await.with(200);
    assert!(close(&made["aw"], 0.886, 0.001) && close(&made["water_pct"], 18.882, 0.001), "{made}");
    assert_eq!((&made["class"], &made["texture"]), (&json!("perishable"), &json!("pipes")));
    let own = json!({ "water_pct": 30, "fat_pct": 5, "sugar_pct": 60 });
    let alone = json!({ "parts": [{ "ingredient": own, "grams": 40 }] });
    let made = kitchen.post("/calc/filling", alone).await.with(200);
    assert!(made["aw"].as_f64() < Some(0.95), "{made}");
    let dry = json!({ "parts": [{ "ingredient": "nut_paste", "grams": 40 }] });
    let made = kitchen.post("/calc/filling", dry).await.with(200);
    assert!(made["aw"].is_null() && made["class"].is_null(), "{made}");

    for (parts, field) in [
        (json!([]), "parts"),
        (json!([{ "ingredient": "butter", "grams": 0 }]), "parts[0].grams"),
        (json!([{ "ingredient": "moondust", "grams": 10 }]), "parts[0].ingredient"),
        (
            json!([{ "ingredient": { "water_pct": 50, "fat_pct": 40, "sugar_pct": 30 }, "grams": 9 }]),
            "parts[0].ingredient.sugar_pct",
        ),
        (
            json!([{ "ingredient": { "water_pct": -1, "fat_pct": 4, "sugar_pct": 3 }, "grams": 9 }]),
            "parts[0].ingredient.water_pct",
        ),
    ] {
        kitchen.post("/calc/filling", json!({ "parts": parts })).await.refuses(field);
    }
}
