//! What is said where the database does not answer: nothing is half done, and nothing
//! of the inside is shown.

use serde_json::{Value, json};

use crate::kitchen::{Kitchen, Said};

fn is_busy(said: &Said) {
    assert_eq!(said.status.as_u16(), 503, "{}", said.body);
    assert_eq!(said.headers["content-type"], "application/problem+json");
    assert_eq!(said.body["detail"], "Try again in a moment.");
    let told = said.body.to_string();
    for inside in ["sqlx", "pool", "mysql", "SELECT"] {
        assert!(!told.contains(inside), "{told}");
    }
}

#[actix_web::test]
async fn without_its_database_it_says_so_and_can_still_compute() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let bowl = kitchen.bowl().await;
    kitchen.state.pool.close().await;
    for path in [
        "/plans".to_owned(),
        "/batches".to_owned(),
        format!("/batches/{batch}"),
        format!("/batches/{batch}/guide"),
        format!("/batches/{batch}/results"),
        format!("/batches/{batch}/photos"),
        format!("/bowls/{bowl}"),
        format!("/bowls/{bowl}/readings"),
        format!("/bowls/{bowl}/actions"),
        format!("/bowls/{bowl}/record.json"),
        format!("/bowls/{bowl}/record.csv"),
        "/bench".to_owned(),
        "/reminders".to_owned(),
    ] {
        is_busy(&kitchen.get(&path).await);
    }
    is_busy(&kitchen.post("/plans", json!({ "name": "More" })).await);
    is_busy(&kitchen.read(&bowl, json!({ "temp_c": 31 })).await);
    is_busy(&kitchen.act(&bowl, json!({ "kind": "stirred" })).await);
    // What needs nothing that is kept goes on.
    let room = json!({ "temp_c": 21, "rh_pct": 55 });
    let room: Value = kitchen.post("/calc/room", room).await.with(200);
    assert!(room["dew_point_c"].is_f64(), "{room}");
}

#[actix_web::test]
async fn a_server_says_that_it_is_well() {
    let kitchen = Kitchen::new().await;
    assert_eq!(kitchen.get("/health").await.with(200), json!({ "ok": true }));
}
