//! Several bowls at once.

use chrono::TimeDelta;
use serde_json::{Value, json};

use crate::kitchen::Kitchen;

#[actix_web::test]
async fn the_bowl_that_needs_hands_first_is_on_top_and_the_next_says_after_which() {
    let kitchen = Kitchen::new().await;
    assert_eq!(kitchen.get("/bench").await.with(200)["bowls"], json!([]));
    let calm = kitchen.bowl().await;
    let hot = kitchen.bowl().await;
    kitchen.pass(TimeDelta::seconds(20));
    kitchen.read(&calm, json!({ "temp_c": 20.0 })).await.with(201);
    kitchen.read(&hot, json!({ "temp_c": 55.5 })).await.with(201);

    let bench = kitchen.get("/bench").await.with(200);
    let bowls = bench["bowls"].as_array().expect("bowls");
    assert_eq!(
        bowls.iter().map(|b| b["id"].as_str()).collect::<Vec<_>>(),
        [Some(&*hot), Some(&*calm)]
    );
    assert_eq!(bowls[0]["advice"]["rule"], "limit_passed");
    assert!(bowls[0]["after"].is_null());
    assert_eq!(bowls[1]["after"], bowls[0]["batch_name"]);

    // Heating for three minutes: it calls when they are over.
    kitchen.act(&calm, json!({ "kind": "heat", "seconds": 180 })).await.with(201);
    let bench = kitchen.get("/bench").await.with(200);
    assert_eq!(
        (&bench["bowls"][1]["needs"], &bench["bowls"][1]["after"]),
        (&json!("later"), &Value::Null)
    );
    assert!(bench["bowls"][1]["needs_at"].is_string());

    // Given up, it is gone; poured, it stays until it is cut and let go.
    kitchen.act(&hot, json!({ "kind": "given_up", "reason": "scorched" })).await.with(201);
    kitchen.act(&calm, json!({ "kind": "poured" })).await.with(201);
    let bench = kitchen.get("/bench").await.with(200);
    assert_eq!(bench["bowls"].as_array().expect("bowls").len(), 1);
    assert_eq!(bench["bowls"][0]["phase"], "done");
    kitchen.pass(TimeDelta::minutes(100));
    assert_eq!(kitchen.get("/bench").await.with(200)["bowls"], json!([]));
}

#[actix_web::test]
async fn of_several_bowls_of_a_batch_it_is_said_which_comes_first() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.begun(&kitchen.shells(|_| {}).await).await;
    for chocolate in ["dark", "blue"] {
        let body = json!({ "chocolate": chocolate });
        let opened = kitchen.post(&format!("/batches/{batch}/bowls"), body).await.with(201);
        let bowl = opened["bowl"]["id"].as_str().expect("an id").to_owned();
        let hot = if chocolate == "dark" { 56.0 } else { 46.5 };
        kitchen.read(&bowl, json!({ "temp_c": hot })).await.with(201);
    }
    let bench = kitchen.get("/bench").await.with(200);
    let name = bench["bowls"][0]["batch_name"].as_str().expect("a name");
    assert!(bench["bowls"][0]["bottle"].is_null() && bench["bowls"][0]["after"].is_null());
    assert_eq!(bench["bowls"][1]["bottle"]["name"], "blue");
    assert_eq!(bench["bowls"][1]["after"], format!("the dark of {name}"));
}
