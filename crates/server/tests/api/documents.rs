//! What is kept outlives releases, and what cannot be read takes nothing else with it.

use serde_json::{Value, json};

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    /// Spoils a document where it is kept.
    async fn spoil(&self, sql: &'static str, id: &str) {
        let id = uuid::Uuid::parse_str(id).expect("an id");
        let mut connection = self.state.pool.acquire().await.expect("connected");
        let done = sqlx::query(sql).bind(id).execute(&mut *connection).await.expect("spoilt");
        assert_eq!(done.rows_affected(), 1);
        self.state.shelf.changed().await;
    }
}

#[actix_web::test]
async fn an_extra_key_in_a_stored_document_changes_nothing() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    let batch = kitchen.begun(&plan).await;
    let before = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    kitchen
        .spoil("UPDATE plans SET inputs = JSON_INSERT(inputs, '$.sparkle', 1, '$.components[0].work.glitter', 2) WHERE id = ?", &plan)
        .await;
    kitchen
        .spoil(
            "UPDATE batches SET stated = JSON_INSERT(stated, '$.bowls[0].sparkle', 1) WHERE id = ?",
            &batch,
        )
        .await;
    assert_eq!(kitchen.get(&format!("/plans/{plan}")).await.with(200), before);
    let batch = kitchen.get(&format!("/batches/{batch}")).await.with(200);
    assert!(batch["unreadable"].is_null(), "{batch}");
    for path in ["/plans", "/batches", "/bench", "/shelf", "/reminders"] {
        kitchen.get(path).await.with(200);
    }
}

#[actix_web::test]
async fn what_cannot_be_read_is_listed_so_can_be_saved_and_takes_nothing_else_down() {
    let kitchen = Kitchen::new().await;
    let (bad, good) = (kitchen.plan("Spoilt").await, kitchen.plan("Whole").await);
    let (bad_batch, good_batch) = (kitchen.begun(&bad).await, kitchen.begun(&good).await);
    let open = async |batch: &str| {
        let opened = kitchen.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
        text(&opened["bowl"]["id"])
    };
    let (bad_bowl, good_bowl) = (open(&bad_batch).await, open(&good_batch).await);
    let thing = json!({ "thing": { "kind": "heat", "name": "Stove" } });
    let thing = text(&kitchen.post("/shelf", thing).await.with(201)["id"]);
    kitchen
        .spoil("UPDATE plans SET inputs = '{\"format\":99,\"room_c\":\"hot\"}' WHERE id = ?", &bad)
        .await;
    kitchen
        .spoil(
            "UPDATE batches SET stated = '[]', computed = '{\"lines\":7}' WHERE id = ?",
            &bad_batch,
        )
        .await;
    kitchen.spoil("UPDATE bowls SET inputs = '{}' WHERE id = ?", &bad_bowl).await;
    kitchen.spoil("UPDATE shelf SET thing = '{\"kind\":\"cauldron\"}' WHERE id = ?", &thing).await;
    kitchen.state.live.forget(uuid::Uuid::parse_str(&bad_bowl).expect("an id"));

    let plans = kitchen.get("/plans").await.with(200);
    let by_name = |name: &str| {
        plans["plans"]
            .as_array()
            .expect("a list")
            .iter()
            .find(|p| p["name"] == name)
            .cloned()
            .expect("listed")
    };
    assert!(by_name("Whole")["unreadable"].is_null());
    assert!(text(&by_name("Spoilt")["unreadable"]).contains("format 99"));
    let told = kitchen.get(&format!("/plans/{bad}")).await.with(409);
    assert!(text(&told["type"]).ends_with("unreadable"), "{told}");
    let saved = kitchen.get(&format!("/plans/{bad}/document")).await;
    assert!(saved.headers["content-disposition"].to_str().is_ok_and(|v| v.contains("attachment")));
    assert_eq!(saved.with(200)["format"], 99);

    let batch = kitchen.get(&format!("/batches/{bad_batch}")).await.with(200);
    assert!(batch["unreadable"].is_string() && batch["stated"].is_null(), "{batch}");
    assert_eq!(
        kitchen.get(&format!("/batches/{bad_batch}/document")).await.with(200)["stated"],
        "[]"
    );
    kitchen.get(&format!("/bowls/{bad_bowl}")).await.with(409);
    kitchen.get(&format!("/batches/{bad_batch}/guide")).await.with(409);
    kitchen.delete(&format!("/batches/{bad_batch}")).await.with(204);
    kitchen.post(&format!("/batches/{bad_batch}/restore"), json!({})).await.with(200);

    let bench = kitchen.get("/bench").await.with(200);
    assert_eq!(bench["bowls"].as_array().map(Vec::len), Some(1), "{bench}");
    assert_eq!(bench["bowls"][0]["id"], json!(good_bowl));
    let shelf = kitchen.get("/shelf").await.with(200);
    let stove =
        shelf["things"].as_array().expect("things").iter().find(|t| t["id"] == thing.as_str());
    let stove = stove.expect("it is listed");
    assert!(stove["thing"].is_null() && stove["unreadable"].is_string(), "{stove}");
    assert_eq!(
        kitchen.get(&format!("/shelf/{thing}/document")).await.with(200)["kind"],
        "cauldron"
    );
    kitchen.get("/reminders").await.with(200);
    kitchen.act(&good_bowl, json!({ "kind": "poured" })).await.with(201);
    // What is written anew is whole again.
    let version = stove["version"].as_u64().and_then(|v| u32::try_from(v).ok());
    let anew = json!({ "kind": "heat", "name": "Stove" });
    kitchen.put(&format!("/shelf/{thing}"), version, anew).await.with(200);
}

#[actix_web::test]
async fn a_plan_that_this_release_would_refuse_is_shown_with_what_is_to_be_mended() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    kitchen
        .spoil("UPDATE plans SET inputs = JSON_SET(inputs, '$.room_c', 90) WHERE id = ?", &plan)
        .await;
    let read = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    assert!(read["plan"].is_null(), "{read}");
    assert_eq!(read["faults"][0]["field"], "room_c");
    let mut inputs: Value = read["inputs"].clone();
    inputs["room_c"] = json!(20);
    let mended = kitchen.restate(&plan, inputs).await.with(200);
    assert_eq!(mended["faults"], json!([]));
    assert!(mended["plan"].is_object());
}
