//! Two servers on one database are one kitchen.

use std::time::{Duration, Instant};

use serde_json::{Value, json};

use crate::kitchen::{Kitchen, text};

/// Asks until it will do; for the time within which servers are to hear of each other, and
/// some to spare for a slow machine.
async fn comes(kitchen: &Kitchen, path: &str, will_do: impl Fn(&Value) -> bool) -> Value {
    let begun = Instant::now();
    loop {
        let now = kitchen.get(path).await.with(200);
        if will_do(&now) {
            return now;
        }
        assert!(begun.elapsed() < Duration::from_secs(20), "it never came: {now:#}");
        tokio::time::sleep(Duration::from_millis(20)).await;
    }
}

#[actix_web::test]
async fn what_is_done_at_one_is_known_at_the_other() {
    let one = Kitchen::new().await;
    let two = one.beside().await;
    let batch = one.batch("Bark").await;
    let opened = one.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    let path = format!("/bowls/{bowl}");
    two.get(&path).await.with(200);

    // Each hears what was entered at the other.
    let reading = json!({ "temp_c": 44.5 });
    one.post(&format!("{path}/readings"), reading).await.with(201);
    comes(&two, &path, |bowl| bowl["bowl"]["latest"]["temp_c"] == 44.5).await;
    two.post(&format!("{path}/actions"), json!({ "kind": "off_heat" })).await.with(201);
    comes(&one, &path, |bowl| bowl["bowl"]["phase"] == "cooling").await;

    // The shelf too, and a pour is the pour of both.
    let thing = json!({ "thing": { "kind": "heat", "name": "Stove" } });
    one.post("/shelf", thing).await.with(201);
    let stands = |shelf: &Value| {
        shelf["things"]
            .as_array()
            .is_some_and(|all| all.iter().any(|t| t["thing"]["name"] == "Stove"))
    };
    comes(&two, "/shelf", stands).await;
    two.post(&format!("{path}/actions"), json!({ "kind": "poured" })).await.with(201);
    comes(&one, "/bench", |bench| {
        bench["bowls"].as_array().is_some_and(|all| all.iter().all(|b| b["phase"] == "done"))
    })
    .await;
    assert_eq!(one.batch_now(&batch).await["bowls"][0]["status"], "poured");
}

#[actix_web::test]
async fn one_thermometer_measures_a_bowl_whichever_server_hears_it() {
    let one = Kitchen::new().await;
    let two = one.beside().await;
    let batch = one.batch("Bark").await;
    let opened = one.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
    let path = format!("/bowls/{}/readings", text(&opened["bowl"]["id"]));
    let heard = |probe: &str, c: f64| json!({ "temp_c": c, "source": "probe", "probe": probe });
    one.post(&path, heard("left", 44.0)).await.with(201);
    two.post(&path, heard("right", 30.0)).await.with(409);
    two.post(&path, heard("left", 44.2)).await.with(201);
}

#[actix_web::test]
async fn both_at_once_keep_one_pour_and_double_nothing() {
    let one = Kitchen::new().await;
    let two = one.beside().await;
    let batch = one.batch("Bark").await;
    let opened = one.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
    let path = format!("/bowls/{}/actions", text(&opened["bowl"]["id"]));
    let pour = json!({ "id": uuid::Uuid::new_v4(), "kind": "poured" });
    let (first, second) =
        futures::join!(one.post(&path, pour.clone()), two.post(&path, pour.clone()));
    let mut statuses = [first.status.as_u16(), second.status.as_u16()];
    statuses.sort_unstable();
    assert_eq!(statuses, [200, 201]);
    let kept = one.get(&path).await.with(200);
    assert_eq!(kept.as_array().map(Vec::len), Some(1), "{kept}");
}
