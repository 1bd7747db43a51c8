//! Batches, components and outcomes.

use chrono::TimeDelta;
use serde_json::json;
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

#[actix_web::test]
async fn a_batch_is_begun_read_edited_and_forgotten() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.batch("Comet bark").await;
    let path = format!("/batches/{id}");
    let read = kitchen.get(&path).await;
    assert_eq!(read.headers["etag"], "\"1\"");
    assert_eq!(read.with(200)["name"], "Comet bark");

    let edit = json!({ "name": "Comet clusters", "note": "smaller" });
    kitchen.put(&path, None, edit.clone()).await.with(428);
    let edited = kitchen.put(&path, Some(1), edit.clone()).await.with(200);
    assert_eq!((&edited["version"], &edited["note"]), (&json!(2), &json!("smaller")));
    let stale = kitchen.put(&path, Some(1), edit).await.with(412);
    assert!(text(&stale["detail"]).contains("version 2"), "{stale}");

    kitchen.delete(&path).await.with(204);
    kitchen.get(&path).await.with(404);
    kitchen.get(&format!("/batches/{id}/plan")).await.with(404);
}

#[actix_web::test]
async fn sending_a_new_batch_twice_makes_one() {
    let kitchen = Kitchen::new().await;
    let id = Uuid::new_v4();
    let first = kitchen.post("/batches", json!({ "id": id, "name": "Once" })).await.with(201);
    let second = kitchen.post("/batches", json!({ "id": id, "name": "Twice" })).await.with(201);
    assert_eq!(first, second);
    let all = kitchen.get("/batches").await.with(200);
    assert_eq!(all.as_array().map(Vec::len), Some(1));
}

#[actix_web::test]
async fn a_plan_follows_its_inputs_and_bad_ones_change_nothing() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.batch("Bark").await;
    let path = format!("/batches/{id}/plan");
    let before = kitchen.get(&path).await.with(200);
    assert_eq!(before["plan"]["bowls"][0]["plan"]["to_weigh_g"], 325.08);

    let mut inputs = before["inputs"].clone();
    inputs["components"][0]["work"]["cover"]["thickness_mm"] = json!(6);
    let after = kitchen.put(&path, Some(1), inputs.clone()).await.with(200);
    assert_eq!(after["plan"]["bowls"][0]["plan"]["to_weigh_g"], 487.62);
    kitchen.put(&path, Some(1), inputs.clone()).await.with(412);

    inputs["components"][0]["work"]["cover"]["thickness_mm"] = json!(-6);
    kitchen.put(&path, Some(2), inputs).await.refuses("components[0].work.cover.thickness_mm");
    assert_eq!(kitchen.get(&path).await.with(200), after);
}

#[actix_web::test]
async fn a_list_tells_where_each_batch_stands() {
    let kitchen = Kitchen::new().await;
    let planned = kitchen.batch("Planned").await;
    let stage = async |name: &str| {
        let all = kitchen.get("/batches").await.with(200);
        let found = all.as_array().expect("a list").iter().find(|b| b["name"] == name).cloned();
        text(&found.expect("it is there")["stage"])
    };
    assert_eq!(stage("Planned").await, "planned");
    let opened = kitchen.post(&format!("/batches/{planned}/bowls"), json!({})).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    assert_eq!(stage("Planned").await, "at_bench");
    let poured = kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    assert_eq!(stage("Planned").await, "poured");
    kitchen.act(&bowl, json!({ "kind": "undone", "undoes": poured["id"] })).await.with(201);
    assert_eq!(stage("Planned").await, "at_bench");
    kitchen.act(&bowl, json!({ "kind": "given_up", "reason": "seized" })).await.with(201);
    assert_eq!(stage("Planned").await, "lost");
}

#[actix_web::test]
async fn outcomes_are_looks_kept_in_order_once_each() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.batch("Bark").await;
    let path = format!("/batches/{id}/outcomes");
    let look = |gloss: &str, look_id: Uuid| {
        json!({ "id": look_id, "gloss": gloss, "snap": "clean", "released": "freely",
            "streaks": "none", "note": "" })
    };
    let first = Uuid::new_v4();
    kitchen.post(&path, look("satin", first)).await.with(201);
    kitchen.post(&path, look("satin", first)).await.with(200);
    kitchen.pass(TimeDelta::hours(25));
    kitchen.post(&path, look("glossy", Uuid::new_v4())).await.with(201);
    let kept = kitchen.get(&path).await.with(200);
    let glosses: Vec<_> = kept.as_array().expect("looks").iter().map(|o| &o["gloss"]).collect();
    assert_eq!(glosses, ["satin", "glossy"]);
    kitchen.post(&path, look("blinding", Uuid::new_v4())).await.refuses("gloss");
    let mut wordy = look("dull", Uuid::new_v4());
    wordy["note"] = json!("x".repeat(2001));
    kitchen.post(&path, wordy).await.refuses("note");
}
