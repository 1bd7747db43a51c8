//! Flat work: setting, fridge, wraps, piped lines and other measures.

use serde_json::{Value, json};

use crate::kitchen::{Kitchen, as_mixed_in, as_topping};

#[actix_web::test]
async fn windows_after_the_pour_keep_to_what_makers_report() {
    let kitchen = Kitchen::new().await;
    let ask = |family: &str, mm: f64, kind: &str, temp_c: f64| {
        json!({ "family": family, "thickness_mm": mm, "pour_c": 31.5,
            "place": { "kind": kind, "temp_c": temp_c } })
    };
    let dark = kitchen.post("/calc/setting", ask("dark", 4.0, "room", 19.0)).await.with(200);
    let minutes = |window: &str, end: &str| dark[window][end].as_f64().expect("seconds") / 60.0;
    for (window, [lo, hi]) in [
        ("touch_dry_s", [5.0, 8.0]),
        ("topping_until_s", [4.0, 6.0]),
        ("cut_from_s", [7.0, 14.0]),
        ("cut_to_s", [7.0, 14.0]),
        ("release_s", [30.0, 50.0]),
    ] {
        let range = minutes(window, "earliest")..=minutes(window, "latest");
        assert!(*range.start() >= lo && *range.end() <= hi, "{window}: {range:?}");
        assert!(range.contains(&minutes(window, "typical")), "{window}");
    }
    let stone = ask("coating", 1.5, "cold-slab", -18.0);
    let frozen = kitchen.post("/calc/setting", stone).await.with(200);
    assert!(frozen["flexible_until_s"]["typical"].as_f64() < Some(60.0), "{frozen}");
    let never = kitchen.post("/calc/setting", ask("dark", 4.0, "room", 33.0)).await;
    assert!(never.refuses("place.temp_c").contains("does not set"));
    let told = kitchen.post("/calc/setting", ask("dark", 0.1, "room", 90.0)).await;
    told.refuses("place.temp_c");
}

#[actix_web::test]
async fn a_stay_in_the_fridge_is_bound_by_release_and_dew() {
    let kitchen = Kitchen::new().await;
    let ask = |rh_pct: f64| {
        json!({ "family": "dark", "thickness_mm": 5, "start_c": 23, "fridge_c": 4, "room_c": 19,
            "rh_pct": rh_pct })
    };
    let stay = kitchen.post("/calc/fridge", ask(50.0)).await.with(200);
    let min = |name: &str| stay[name].as_f64().expect("minutes");
    assert!((min("longest_min") - 16.12).abs() < 0.08, "{stay}");
    assert!(min("shortest_min") <= min("advised_min"), "{stay}");
    assert!(min("advised_min") <= min("longest_min"), "{stay}");
    let damp = kitchen.post("/calc/fridge", ask(85.0)).await.with(200);
    assert!(damp["advised_min"].is_null(), "{damp}");
    assert_eq!(damp["notes"][0]["code"], "stay-cannot-be");
    let dry = kitchen.post("/calc/fridge", ask(20.0)).await.with(200);
    assert!(dry["longest_min"].is_null() && dry["advised_min"].is_f64(), "{dry}");
    let mut warm = ask(50.0);
    warm["start_c"] = 10.into();
    warm["fridge_c"] = 12.into();
    let told = kitchen.post("/calc/fridge", warm).await.refuses("start_c");
    assert_eq!(told, "must be above the fridge's 12 °C; it is 10 °C");
}

#[actix_web::test]
async fn a_wrap_goes_round_the_cake() {
    let kitchen = Kitchen::new().await;
    let ask = json!({ "family": "dark", "diameter_mm": 180, "height_mm": 110, "thickness_mm": 2 });
    let wrap = kitchen.post("/calc/wrap", ask.clone()).await.with(200);
    assert!((wrap["length_mm"].as_f64().expect("mm") - 590.49).abs() < 0.01, "{wrap}");
    assert!((wrap["chocolate_g"].as_f64().expect("g") - 192.72).abs() < 0.05, "{wrap}");
    let mut high = ask.clone();
    high["cake_mm"] = 80.into();
    let high = kitchen.post("/calc/wrap", high).await.with(200);
    assert_eq!(high["notes"][0]["code"], "wrap-high");
    let mut flat = ask;
    flat["height_mm"] = 0.into();
    kitchen.post("/calc/wrap", flat).await.refuses("height_mm");
}

#[actix_web::test]
async fn piped_lines_weigh_by_their_length() {
    let kitchen = Kitchen::new().await;
    let ask = |line_mm: f64, count: u32| json!({ "family": "dark", "length_mm": 600, "line_mm": line_mm, "count": count });
    let one = kitchen.post("/calc/piped", ask(4.0, 1)).await.with(200);
    let ten = kitchen.post("/calc/piped", ask(4.0, 10)).await.with(200);
    let g = |answer: &Value| answer["chocolate_g"].as_f64().expect("g");
    assert!((g(&ten) - 10.0 * g(&one)).abs() < 0.06, "{one} {ten}");
    assert!((g(&one) - 4.863).abs() < 0.01, "{one}");
    let thin = kitchen.post("/calc/piped", ask(2.0, 1)).await.with(200);
    assert_eq!(thin["notes"][0]["code"], "line-thin");
    kitchen.post("/calc/piped", ask(4.0, 0)).await.refuses("count");
}

#[actix_web::test]
async fn other_measures_are_understood_and_nonsense_is_named() {
    let kitchen = Kitchen::new().await;
    let convert = async |body: Value| kitchen.post("/calc/convert", body).await;
    let value = async |body: Value| {
        let answer = convert(body).await.with(200);
        (answer["value"].as_f64().expect("a number"), answer["approximate"] == true)
    };
    assert_eq!(value(json!({ "value": 1, "from": "kg", "to": "g" })).await, (1000.0, false));
    assert_eq!(value(json!({ "value": 212, "from": "degF", "to": "degC" })).await, (100.0, false));
    assert_eq!(value(json!({ "text": "10 1/2 in", "to": "mm" })).await, (266.7, false));
    assert_eq!(value(json!({ "text": "10,5", "from": "cm", "to": "mm" })).await, (105.0, false));
    let (cup, approximate) =
        value(json!({ "text": "1 cup", "to": "g", "ingredient": "chips" })).await;
    assert!((cup - 170.34).abs() < 0.01 && approximate);
    let none = convert(json!({ "value": 1, "from": "cup", "to": "g" })).await;
    assert!(none.refuses("ingredient").contains("a cup weighs more"));
    convert(json!({ "value": 1, "from": "cm", "to": "g" })).await.refuses("to");
    let told = convert(json!({ "text": "3 furlongs", "to": "mm" })).await.refuses("text");
    assert!(told.contains("furlongs"), "{told}");
    convert(json!({ "text": "12", "to": "mm" })).await.refuses("from");
    convert(json!({ "to": "mm" })).await.refuses("value");
}

#[actix_web::test]
async fn a_plan_says_what_goes_on_top_and_how_long_in_the_fridge() {
    let kitchen = Kitchen::new().await;
    let usual = kitchen.get("/goods").await.with(200);
    let raisins = usual.as_array().and_then(|all| all.iter().find(|t| t["name"] == "raisins"));
    let mut topping = as_topping(raisins.expect("raisins"));
    topping["wish"] = json!({ "by": "coverage", "coverage_pct": 20 });
    let plan_id = kitchen.plan("Comet bark").await;
    let mut inputs = kitchen.stated(&plan_id).await;
    inputs["components"][0]["work"]["toppings"] = json!([topping]);
    inputs["fridge_c"] = 5.into();
    let plan = kitchen.post("/calc/plan", inputs.clone()).await.with(200);
    // A fifth of 600 cm² under discs of 9 mm, half a gram each.
    let mass_g = plan["components"][0]["toppings"][0]["mass_g"].as_f64().expect("g");
    assert!((mass_g - 120.0 / 0.636 * 0.5).abs() < 0.7, "{plan}");
    assert!(plan["components"][0]["fridge"]["advised_min"].is_f64(), "{plan}");
    for (field, value) in [
        ("toppings[0].across_mm", json!(0)),
        ("toppings[0].each_g", json!(900)),
        ("toppings[0].name", json!("")),
        ("toppings[0].wish.piece_cm2", json!(0.2)),
    ] {
        let mut bad = inputs.clone();
        bad["components"][0]["work"]["toppings"][0]["wish"] =
            json!({ "by": "pieces", "piece_cm2": 16 });
        let pointer =
            format!("/components/0/work/{}", field.replace("[0]", "/0").replace('.', "/"));
        *bad.pointer_mut(&pointer).expect("there") = value;
        let told = kitchen.post("/calc/plan", bad).await;
        told.refuses(&format!("components[0].work.{field}"));
    }
}

#[actix_web::test]
async fn what_is_mixed_in_is_bound_by_what_chocolate_holds() {
    let kitchen = Kitchen::new().await;
    let usual = kitchen.get("/goods").await.with(200);
    let mut nuts = as_mixed_in(&usual[0]);
    nuts["amount"] = json!({ "by": "parts", "parts": 1 });
    let plan_id = kitchen.plan("Meteor clusters").await;
    let mut inputs = kitchen.stated(&plan_id).await;
    inputs["components"][0]["work"]["mixed_in"] = json!([nuts]);
    let plan = kitchen.post("/calc/plan", inputs.clone()).await.with(200);
    let slab = &plan["components"][0];
    let dry = slab["mixed_in"][0]["mass_g"].as_f64().expect("g");
    let chocolate = slab["takes"][0]["mass_g"].as_f64().expect("g");
    assert!((dry - chocolate).abs() < 0.02, "{plan}");
    assert!((chocolate - 240.0 / (1.0 / 1.29 + 1.0 / 1.05)).abs() < 0.02);
    let work = "components[0].work";
    inputs["components"][0]["work"]["mixed_in"][0]["amount"]["parts"] = json!(1.3);
    let told = kitchen.post("/calc/plan", inputs.clone()).await;
    assert!(
        told.refuses(&format!("{work}.mixed_in[0].amount.parts"))
            .contains("does not hold together")
    );
    inputs["components"][0]["work"]["mixed_in"] =
        json!([{ "name": "", "amount": { "by": "parts", "parts": 0.5 }, "density_g_cm3": 9 }]);
    let told = kitchen.post("/calc/plan", inputs).await;
    let told = told.refuses(&format!("{work}.mixed_in[0].density_g_cm3"));
    assert!(told.contains("0.02 to 3 g/cm³"), "{told}");
}
