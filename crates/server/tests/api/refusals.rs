//! Bad input: a clear refusal that names the field, never a failure.

use proptest::prelude::*;
use proptest::strategy::ValueTree;
use proptest::test_runner::{Config, TestRunner};
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::Kitchen;

fn seed_with(changes: Value) -> Value {
    let mut body =
        json!({ "family": "dark", "total_g": 800, "melted_c": 46, "target_c": 31.5, "seed_c": 20 });
    for (key, value) in changes.as_object().expect("changes") {
        body[key] = value.clone();
    }
    body
}

#[actix_web::test]
async fn every_bad_number_is_named_with_its_range() {
    let kitchen = Kitchen::new().await;
    let cases = [
        (json!({ "total_g": -5 }), "total_g", "must be 1 to 20000 g; it is -5"),
        (json!({ "total_g": 3_000_000 }), "total_g", "must be 1 to 20000 g; it is 3000000"),
        (json!({ "total_g": "lots" }), "total_g", "must be a number; it is \"lots\""),
        (json!({ "total_g": null }), "melted_g", "neither is given"),
        (json!({ "melted_g": 600 }), "melted_g", "both are given"),
        (json!({ "seed_c": 32 }), "seed_c", "must be below the target of 31.5 °C"),
        (json!({ "melted_c": 30 }), "melted_c", "must be above the target of 31.5 °C"),
        (json!({ "family": "carob" }), "family", "unknown variant"),
        (json!({ "family": "coating" }), "family", "a coating is not tempered"),
        (json!({ "bowl": { "material": "glass" } }), "bowl.mass_g", "is missing"),
        (
            json!({ "bowl": { "material": "glass", "mass_g": 3_000_000 } }),
            "bowl.mass_g",
            "must be 10 to 10000 g",
        ),
        (json!({ "room_c": 90, "minutes": 5 }), "room_c", "must be 5 to 40 °C; it is 90"),
        (json!({ "minutes": 5 }), "room_c", "is needed with minutes"),
        (json!({ "own": { "work_c": [32, 31] } }), "own.work_c", "must run upward"),
        (json!({ "stir": true }), "stir", "is not known here"),
    ];
    for (changes, field, words) in cases {
        let told = kitchen.post("/calc/seed", seed_with(changes.clone())).await.refuses(field);
        assert!(told.contains(words), "{changes}: {told}");
    }
}

#[actix_web::test]
async fn what_is_not_json_or_too_much_is_refused_before_it_is_read() {
    let kitchen = Kitchen::new().await;
    let json = "application/json";
    for text in ["", "{", "[1,", "{\"family\":\"dark\",\"total_g\":1e999}", "\u{feff}{}"] {
        let said = kitchen.post_text("/calc/seed", json, text).await;
        assert_eq!(said.status.as_u16(), 400, "{text}: {}", said.body);
    }
    let said = kitchen.post_text("/calc/seed", "text/plain", "{}").await;
    assert_eq!(said.status.as_u16(), 415);
    let huge = format!("{{\"name\":\"{}\"}}", "x".repeat(5 * 1024 * 1024));
    assert_eq!(kitchen.post_text("/plans", json, huge).await.status.as_u16(), 413);
}

#[actix_web::test]
async fn unknown_ids_and_addresses_are_not_found() {
    let kitchen = Kitchen::new().await;
    let id = Uuid::new_v4();
    for path in ["plans", "batches", "bowls"] {
        kitchen.get(&format!("/{path}/{id}")).await.with(404);
        kitchen.get(&format!("/{path}/nobody")).await.with(400);
    }
    for path in ["readings", "actions", "stream"] {
        kitchen.get(&format!("/bowls/{id}/{path}")).await.with(404);
    }
    for path in ["results", "guide", "photos", "document"] {
        kitchen.get(&format!("/batches/{id}/{path}")).await.with(404);
    }
    for path in ["days", "calendar", "document"] {
        kitchen.get(&format!("/plans/{id}/{path}")).await.with(404);
    }
    kitchen.post(&format!("/plans/{id}/batches"), json!({})).await.with(404);
    kitchen.post(&format!("/batches/{id}/again"), json!({})).await.with(404);
    kitchen.read(&id.to_string(), json!({ "temp_c": 31 })).await.with(404);
    kitchen.act(&id.to_string(), json!({ "kind": "stirred" })).await.with(404);
    kitchen.delete(&format!("/batches/{id}")).await.with(404);
    kitchen.get("/nowhere").await.with(404);
}

#[actix_web::test]
async fn readings_out_of_any_probes_range_or_time_are_refused() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    for temp in [-400.0, 1000.0] {
        let told = kitchen.read(&bowl, json!({ "temp_c": temp })).await.refuses("temp_c");
        assert!(told.starts_with("must be -60 to 250 °C"), "{told}");
    }
    for (at, says) in [
        ("1999-01-01T00:00:00Z", "from 2000 to 2100"),
        ("2199-01-01T00:00:00Z", "from 2000 to 2100"),
        ("2038-02-01T00:00:00Z", "Check the sender's clock"),
        ("2001-01-01T00:00:00Z", "Check the sender's clock"),
    ] {
        let told = kitchen.read(&bowl, json!({ "temp_c": 31, "at": at })).await.refuses("at");
        assert!(told.contains(says), "{at}: {told}");
    }
    kitchen.read(&bowl, json!({ "temp_c": 31, "at": "soon" })).await.refuses("at");
    kitchen.read(&bowl, json!({ "temp_c": 31, "id": "mine" })).await.refuses("id");
    kitchen.read(&bowl, json!({})).await.refuses("temp_c");
    assert_eq!(kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200), json!([]));
}

#[actix_web::test]
async fn actions_need_what_belongs_to_their_kind() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let cases = [
        (json!({ "kind": "seed_added" }), "grams", "is needed"),
        (json!({ "kind": "seed_added", "grams": -3 }), "grams", "must be 0.1 to 20000 g"),
        (json!({ "kind": "heat", "seconds": 86_400 }), "seconds", "must be 1 to 600 s"),
        (json!({ "kind": "stirred", "grams": 4 }), "grams", "goes with seed_added"),
        (json!({ "kind": "test_seen" }), "seen", "is needed"),
        (json!({ "kind": "test_seen", "seen": "purple" }), "seen", "unknown variant"),
        (json!({ "kind": "given_up", "reason": " " }), "reason", "it is empty"),
        (json!({ "kind": "given_up", "reason": "x".repeat(501) }), "reason", "it has 501"),
        (json!({ "kind": "undone", "undoes": Uuid::new_v4() }), "undoes", "of this bowl"),
        (json!({ "kind": "sang" }), "kind", "unknown variant"),
    ];
    for (body, field, words) in cases {
        let told = kitchen.act(&bowl, body.clone()).await.refuses(field);
        assert!(told.contains(words), "{body}: {told}");
    }
    kitchen.act(&bowl, json!({ "kind": "test_seen", "seen": "streaks" })).await.with(409);
    assert_eq!(kitchen.get(&format!("/bowls/{bowl}/actions")).await.with(200), json!([]));
}

#[actix_web::test]
async fn texts_have_limits_and_hostile_ones_are_just_texts() {
    let kitchen = Kitchen::new().await;
    kitchen.post("/plans", json!({ "name": "" })).await.refuses("name");
    kitchen.post("/plans", json!({ "name": "x".repeat(121) })).await.refuses("name");
    kitchen
        .post("/plans", json!({ "name": "x", "inputs": { "rh_pct": 45 } }))
        .await
        .refuses("inputs.room_c");
    let name = "'; DROP TABLE batches; -- <script>alert(1)</script> 🍫";
    let id = kitchen.plan(name).await;
    assert_eq!(kitchen.get(&format!("/plans/{id}")).await.with(200)["name"], name);
}

#[actix_web::test]
async fn every_answer_carries_the_security_headers() {
    let kitchen = Kitchen::new().await;
    for path in ["/plans", "/nowhere"] {
        let headers = kitchen.get(path).await.headers;
        let policy = headers["content-security-policy"].to_str().expect("a policy");
        assert!(policy.contains("script-src 'self';"), "{policy}");
        assert_eq!(headers["x-content-type-options"], "nosniff");
        assert_eq!(headers["x-frame-options"], "DENY");
    }
    assert!(kitchen.address.starts_with("http://127.0.0.1:"));
}

/// Any JSON at all.
fn anything() -> impl Strategy<Value = Value> {
    let leaf = prop_oneof![
        Just(Value::Null),
        any::<bool>().prop_map(Value::from),
        any::<f64>().prop_map(Value::from),
        any::<i64>().prop_map(Value::from),
        ".{0,20}".prop_map(Value::from),
        Just(json!("dark")),
        Just(json!("slab")),
        Just(json!({ "shape": "word", "text": "Moon" })),
    ];
    leaf.prop_recursive(3, 24, 6, |inner| {
        let key = prop::sample::select(vec![
            "family",
            "tray",
            "shape",
            "length_mm",
            "thickness_mm",
            "temp_c",
            "kind",
            "name",
            "at",
            "own",
            "work_c",
            "readings",
            "inputs",
            "total_g",
            "seed_c",
            "melted_c",
            "rate",
            "bowls",
            "components",
            "work",
            "cover",
            "by",
            "outlines",
            "outline",
            "text",
            "thing",
        ]);
        prop_oneof![
            prop::collection::vec(inner.clone(), 0..4).prop_map(Value::from),
            prop::collection::btree_map(key, inner, 0..6)
                .prop_map(|m| m.into_iter().map(|(k, v)| (k.to_owned(), v)).collect()),
        ]
    })
}

#[actix_web::test]
async fn nothing_that_is_sent_makes_the_server_fail() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let mut runner = TestRunner::new(Config::default());
    let paths = [
        "/calc/windows".to_owned(),
        "/calc/seed".to_owned(),
        "/calc/slab".to_owned(),
        "/calc/room".to_owned(),
        "/calc/cooling".to_owned(),
        "/calc/microwave".to_owned(),
        "/calc/plan".to_owned(),
        "/calc/piping-sheet".to_owned(),
        "/calc/outlines".to_owned(),
        "/calc/score-map".to_owned(),
        "/calc/wrap-sheet".to_owned(),
        "/calc/convert".to_owned(),
        "/shelf".to_owned(),
        "/plans".to_owned(),
        format!("/bowls/{bowl}/readings"),
        format!("/bowls/{bowl}/actions"),
    ];
    for round in 0..420 {
        let body = anything().new_tree(&mut runner).expect("a value").current();
        let path = &paths[round % paths.len()];
        let said = kitchen.post(path, body.clone()).await;
        assert!(said.status.as_u16() < 500, "{path} with {body}: {}", said.body);
    }
}
