//! A colour at the bench: its own deeds, its bottle, its record out and in again.

use chrono::TimeDelta;
use serde_json::{Value, json};

use crate::kitchen::{Kitchen, text};

/// A batch that is one bottle of colour, and its bowl at the bench.
async fn blue(kitchen: &Kitchen) -> String {
    let kinds = kitchen.get("/kinds").await.with(200);
    let all = kinds.as_array().expect("kinds");
    let kind = all.iter().find(|kind| kind["name"] == "Coloured cocoa butter").expect("a kind");
    let body = json!({ "name": "Blue for the planets", "inputs": { "room_c": 20, "rh_pct": 45,
        "bowls": kind["colours"],
        "components": [{ "key": "it", "name": "Blue", "work": kind["start"] }] } });
    let batch = kitchen.begun(&kitchen.planned(body).await).await;
    let opened =
        kitchen.post(&format!("/batches/{batch}/bowls"), json!({ "chocolate": "blue" })).await;
    text(&opened.with(201)["bowl"]["id"])
}

async fn rule(kitchen: &Kitchen, bowl: &str) -> String {
    text(&kitchen.bowl_now(bowl).await["advice"]["rule"])
}

#[actix_web::test]
async fn powder_goes_in_it_is_strained_seeded_shaken_and_kept_in_the_record() {
    let kitchen = Kitchen::new().await;
    let bowl = blue(&kitchen).await;
    let first = kitchen.bowl_now(&bowl).await;
    assert_eq!(first["bottle"]["name"], "blue");
    assert!(first["bottle"]["looks"].as_str().is_some_and(|l| l.starts_with('#')), "{first}");
    for c in [20.0, 34.0, 46.5] {
        kitchen.pass(TimeDelta::seconds(60));
        kitchen.read(&bowl, json!({ "temp_c": c })).await.with(201);
    }
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    assert_eq!(rule(&kitchen, &bowl).await, "work_in_colour");
    kitchen.act(&bowl, json!({ "kind": "colour_in" })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "strained" })).await.with(201);
    assert_eq!(rule(&kitchen, &bowl).await, "add_seed");
    kitchen.act(&bowl, json!({ "kind": "seed_added", "grams": 9.5 })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "too_thick" })).await.with(201);
    let before = kitchen.bowl_now(&bowl).await;
    assert_eq!(before["bottle"]["shake_due"], false, "it was just stirred in");
    kitchen.pass(TimeDelta::minutes(11));
    let after = kitchen.bowl_now(&bowl).await;
    assert_eq!(after["bottle"]["shake_due"], true, "its pigment has settled");
    assert_eq!(after["bottle"]["shaken_at"], before["bottle"]["shaken_at"]);

    // Out and in again, as a table and as data.
    let kinds = |record: &Value| -> Vec<String> {
        record["actions"].as_array().expect("actions").iter().map(|a| text(&a["kind"])).collect()
    };
    let saved = kitchen.get(&format!("/bowls/{bowl}/record.json")).await.with(200);
    assert_eq!(kinds(&saved), ["off_heat", "colour_in", "strained", "seed_added", "too_thick"]);
    let brought = kitchen.post("/bowls", saved.clone()).await.with(201);
    assert_eq!(kinds(&brought["bowl"]), kinds(&saved));
    assert_eq!(brought["bowl"]["bottle"]["name"], "blue");
    let table = kitchen.get(&format!("/bowls/{bowl}/record.csv")).await.with(200);
    for kind in kinds(&saved) {
        assert!(table.as_str().is_some_and(|t| t.contains(&kind)), "{kind}");
    }
}

#[actix_web::test]
async fn what_belongs_to_other_deeds_is_refused_by_all_their_names() {
    let kitchen = Kitchen::new().await;
    let bowl = blue(&kitchen).await;
    for (body, field, words) in [
        (json!({ "kind": "colour_in", "grams": 4 }), "grams", "seed_added, crystals_added"),
        (json!({ "kind": "strained", "seconds": 4 }), "seconds", "goes with heat"),
        (json!({ "kind": "too_thick", "seen": "streaks" }), "seen", "goes with test_seen"),
        (json!({ "kind": "poured", "reason": "done" }), "reason", "goes with given_up"),
        (json!({ "kind": "off_stone", "undoes": bowl }), "undoes", "goes with undone"),
    ] {
        let said = kitchen.act(&bowl, body.clone()).await.refuses(field);
        assert!(said.contains(words), "{body}: {said}");
    }
    let nothing_there = kitchen.act(&bowl, json!({ "kind": "off_stone" })).await.with(409);
    assert!(nothing_there["detail"].as_str().is_some_and(|d| d.contains("on the stone")));
    kitchen.act(&bowl, json!({ "kind": "given_up", "reason": "spilt" })).await.with(201);
    let over = kitchen.act(&bowl, json!({ "kind": "stirred" })).await.with(409);
    assert_eq!(over["detail"], "This bowl was given up. Undo that first.");
}

#[actix_web::test]
async fn a_bowl_that_cools_quietly_is_foretold_as_a_fan() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    kitchen.read(&bowl, json!({ "temp_c": 46.5 })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "stirred" })).await.with(201);
    for i in 0..40 {
        kitchen.pass(TimeDelta::seconds(15));
        let c = 20.0 + 26.0 * (-0.0006 * 15.0 * f64::from(i)).exp();
        kitchen.read(&bowl, json!({ "temp_c": (c * 10.0).round() / 10.0 })).await.with(201);
    }
    let now = kitchen.bowl_now(&bowl).await;
    let fan = now["fan"].as_array().expect("a fan");
    assert!(fan.len() > 5, "{now:#}");
    for pair in fan.windows(2) {
        let c = |at: usize, name: &str| pair[at][name].as_f64().expect("°C");
        assert!(c(1, "temp_c") < c(0, "temp_c"), "it goes on cooling");
        assert!(c(1, "low_c") <= c(1, "temp_c") && c(1, "temp_c") <= c(1, "high_c"));
        assert!(pair[0]["at"].as_str() < pair[1]["at"].as_str());
        let width = |at: usize| c(at, "high_c") - c(at, "low_c");
        assert!(width(1) + 0.011 >= width(0), "it is surer of what is nearer");
    }
}

#[actix_web::test]
async fn what_is_asked_of_colours_has_its_bounds() {
    let kitchen = Kitchen::new().await;
    let film = json!({ "thickness": 1, "pigments": [{ "k": [0.4, 0.4, 0.4],
        "s": [0.3, 0.3, 0.3], "share": 1 }] });
    let stack = |ground: Value, films: Vec<Value>| json!({ "ground": ground, "films": films });
    let over = async |ground: &str| {
        let body = stack(json!(ground), vec![film.clone()]);
        let said = kitchen.post("/calc/colour-stack", body).await.with(200);
        said["reflectance"][0].as_f64().expect("a share")
    };
    let mut darker = 0.0;
    for ground in ["dark", "milk", "ruby", "white"] {
        let lighter = over(ground).await;
        assert!(lighter > darker, "over {ground}: {lighter}");
        darker = lighter;
    }
    assert!(over("blond").await > over("dark").await);
    let crowd = stack(json!("dark"), vec![film.clone(); 40]);
    let told = kitchen.post("/calc/colour-stack", crowd).await.refuses("films");
    assert!(told.starts_with("must be at most"), "{told}");
    let bare = stack(json!("dark"), vec![json!({ "thickness": 1, "pigments": [] })]);
    kitchen.post("/calc/colour-stack", bare).await.refuses("films[0].pigments");

    let look = json!({ "films": [{ "mix": [], "way": "brush" }] });
    kitchen.post("/calc/colour-look", look).await.refuses("films[0].mix");
    for (body, field) in [
        (json!({ "family": "dark", "piece_g": 10 }), "ratio"),
        (json!({ "family": "dark", "piece_g": 10, "ratio": 2, "chocolate_g": 100 }), "ratio"),
    ] {
        let told = kitchen.post("/calc/ganache", body.clone()).await;
        assert_eq!(told.status.as_u16(), 422, "{body}: {}", told.body);
        assert!(told.body["fields"].to_string().contains(field), "{body}: {}", told.body);
    }
    let tray = json!({ "shape": "area", "area_cm2": 300 });
    for body in [
        json!({ "family": "dark", "tray": tray }),
        json!({ "family": "dark", "tray": tray, "thickness_mm": 4, "mass_g": 300 }),
    ] {
        let told = kitchen.post("/calc/slab", body).await.refuses("thickness_mm");
        assert!(told.starts_with("give either thickness_mm or mass_g"), "{told}");
    }
    let many: Vec<_> = (0..200).collect();
    let cooling = json!({ "room_c": 20, "readings": [], "targets_c": many });
    let told = kitchen.post("/calc/cooling", cooling).await.refuses("targets_c");
    assert!(told.starts_with("must be at most"), "{told}");
}
