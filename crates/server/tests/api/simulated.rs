//! The simulated thermometer, and the demo.

use std::time::Duration;

use chrono::{DateTime, TimeDelta, Utc};
use serde_json::{Value, json};

use crate::kitchen::{Kitchen, text};

/// Waits until a bowl is as it should be.
async fn until(kitchen: &Kitchen, bowl: &str, will_do: impl Fn(&Value) -> bool) -> Value {
    let wait = async {
        loop {
            let now = kitchen.bowl_now(bowl).await;
            if will_do(&now) {
                return now;
            }
            tokio::time::sleep(Duration::from_millis(30)).await;
        }
    };
    tokio::time::timeout(Duration::from_secs(30), wait).await.expect("it came to that")
}

fn warmest(bowl: &Value) -> f64 {
    bowl["latest"]["temp_c"].as_f64().unwrap_or_default()
}

#[actix_web::test]
async fn it_posts_readings_of_a_pot_that_answers_to_the_maker() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let path = format!("/bowls/{bowl}/thermometer");
    kitchen.put(&path, None, json!({ "simulated": true, "rate": 60 })).await.with(200);
    until(&kitchen, &bowl, |b| (19.0..21.0).contains(&warmest(b))).await;
    kitchen.act(&bowl, json!({ "kind": "heat", "seconds": 30 })).await.with(201);
    until(&kitchen, &bowl, |b| warmest(b) > 24.0).await;

    // Held, time stands still and nothing more is sent.
    kitchen.put(&path, None, json!({ "simulated": true, "rate": 0 })).await.with(200);
    let held = kitchen.bowl_now(&bowl).await["clock"]["now"].clone();
    kitchen.pass(TimeDelta::hours(1));
    assert_eq!(kitchen.bowl_now(&bowl).await["clock"]["now"], held);
}

#[actix_web::test]
async fn what_is_done_a_moment_ahead_of_a_held_clock_is_done_now() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let held = json!({ "simulated": true, "rate": 0 });
    kitchen.put(&format!("/bowls/{bowl}/thermometer"), None, held).await.with(200);
    let now = text(&kitchen.bowl_now(&bowl).await["clock"]["now"]);
    let ahead = now.parse::<DateTime<Utc>>().expect("a time") + TimeDelta::milliseconds(700);
    let poured = json!({ "kind": "poured", "at": ahead });
    let kept = kitchen.act(&bowl, poured).await.with(201);
    assert_eq!(kept["at"], now.as_str());
    let after = kitchen.bowl_now(&bowl).await;
    assert_eq!((&after["phase"], &after["advice"]["rule"]), (&json!("done"), &json!("poured")));
}

#[actix_web::test]
async fn its_pace_has_limits_and_real_chocolate_keeps_real_time() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let path = format!("/bowls/{bowl}/thermometer");
    for rate in [-1, 61] {
        let body = json!({ "simulated": true, "rate": rate });
        let told = kitchen.put(&path, None, body).await.refuses("rate");
        assert!(told.starts_with("must be 0 to 60"), "{told}");
    }
    let told = kitchen.put(&path, None, json!({ "simulated": false, "rate": 5 })).await;
    assert!(told.refuses("rate").contains("real time"));
}

#[actix_web::test]
async fn the_demo_has_evenings_of_every_kind() {
    let kitchen = Kitchen::new().await;
    server::demo::load(&kitchen.state.pool, kitchen.state.wall.now()).await.expect("loads");
    let plans = kitchen.get("/plans").await.with(200);
    assert_eq!(plans["plans"].as_array().map(Vec::len), Some(28), "{plans:#}");
    let all = kitchen.batches().await;
    let count = |stage: &str| all.iter().filter(|b| b["stage"] == stage).count();
    assert_eq!((count("under_way"), count("made"), count("lost")), (1, 22, 1), "{all:#?}");
    for batch in &all {
        let whole = kitchen.get(&format!("/batches/{}", text(&batch["id"]))).await.with(200);
        assert!(whole["unreadable"].is_null(), "{whole}");
        let bowl = text(&whole["bowls"][0]["id"]);
        let now = kitchen.bowl_now(&bowl).await;
        assert!(now["curve"].as_array().is_some_and(|c| c.len() > 50), "{batch}");
        assert_eq!(now["doubted"], 0, "{batch}");
        match text(&batch["stage"]).as_str() {
            // What needs no temper is not tested for it.
            "made" if now["tested"] == false => assert_eq!(now["temper"], "untested", "{batch}"),
            "made" => assert_eq!(now["temper"], "shown", "{batch}"),
            "lost" => assert!(now["over_limit_at"].is_string(), "{batch}"),
            _ => assert_eq!(now["phase"], "cooling", "{batch}"),
        }
    }
}
