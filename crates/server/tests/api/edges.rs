//! Time, and what comes from elsewhere.

use chrono::TimeDelta;
use serde_json::json;

use crate::kitchen::{Kitchen, text};

#[actix_web::test]
async fn a_second_of_sixty_is_the_next_one_and_kills_nothing() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    kitchen.pass(TimeDelta::minutes(3));
    let minute = (kitchen.now() - TimeDelta::minutes(1)).format("%Y-%m-%dT%H:%M").to_string();
    let sent = json!({ "temp_c": 44, "at": format!("{minute}:60Z") });
    let kept = kitchen.read(&bowl, sent).await.with(201);
    assert!(text(&kept["at"]).ends_with(":00Z"), "{kept}");
    kitchen
        .act(&bowl, json!({ "kind": "stirred", "at": format!("{minute}:60.4Z") }))
        .await
        .with(201);
    assert_eq!(kitchen.bowl_now(&bowl).await["latest"]["temp_c"], 44.0);
    kitchen.get("/bench").await.with(200);
}

#[actix_web::test]
async fn a_bowl_at_sixty_times_the_pace_is_not_poured_in_the_future_of_its_result() {
    let kitchen = Kitchen::new().await;
    let opened = kitchen.opened(&kitchen.plan("Bark").await).await;
    let (batch, bowl) = (text(&opened["batch_id"]), text(&opened["bowl"]["id"]));
    let fast = json!({ "simulated": true, "rate": 60 });
    kitchen.put(&format!("/bowls/{bowl}/thermometer"), None, fast).await.with(200);
    kitchen.pass(TimeDelta::minutes(2));
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    let look =
        json!({ "gloss": "glossy", "snap": "clean", "released": "freely", "streaks": "none" });
    let result = kitchen.post(&format!("/batches/{batch}/results"), look).await.with(201);
    let whole = kitchen.get(&format!("/batches/{batch}")).await.with(200);
    let wall = |value: &serde_json::Value| -> chrono::DateTime<chrono::Utc> {
        text(value).parse().expect("a time")
    };
    let ended = wall(&whole["bowls"][0]["ended_at"]);
    assert!(ended <= wall(&result["noted_at"]), "{whole}");
    // In its own time an hour and more went by.
    let now = kitchen.bowl_now(&bowl).await;
    assert!(wall(&now["poured_at"]) - wall(&now["opened_at"]) > TimeDelta::minutes(100), "{now}");
}
