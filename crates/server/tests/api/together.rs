//! Several people in one kitchen: who has what in hand, who did it, and that everybody sees it.

use reqwest::Method;
use serde_json::{Value, json};
use uuid::Uuid;

use crate::device::Device;
use crate::kitchen::{Kitchen, text};
use crate::stream::Screen;

/// The first step of a batch whose task is this.
fn step(guide: &Value, task: &str) -> String {
    let steps = guide["progress"].as_array().expect("lines").iter();
    let mut keys = steps.flat_map(|line| line["steps"].as_array().expect("steps"));
    let key = keys.find(|step| text(&step["key"]).ends_with(&format!("/{task}")));
    text(&key.unwrap_or_else(|| panic!("no {task}"))["key"])
}

/// A step of a guide's progress.
fn progress(guide: &Value, key: &str) -> Value {
    let steps = guide["progress"].as_array().expect("lines").iter();
    let mut all = steps.flat_map(|line| line["steps"].as_array().expect("steps"));
    all.find(|step| step["key"] == key).expect("it is there").clone()
}

async fn two(kitchen: &Kitchen) -> (Device<'_>, Device<'_>) {
    let tablet = Device::paired(kitchen, 21, json!({ "role": "helper" })).await;
    let phone = Device::paired(kitchen, 22, json!({ "role": "maker" })).await;
    let named = json!({ "name": "Maker's phone" });
    kitchen.put(&format!("/devices/{}", phone.id), None, named).await.with(204);
    (tablet, phone)
}

#[actix_web::test]
async fn what_one_has_in_hand_nobody_else_takes_or_ticks() {
    let kitchen = Kitchen::shared().await;
    let batch = kitchen.batch("Bark").await;
    let (tablet, phone) = two(&kitchen).await;
    let hands = format!("/batches/{batch}/hands");
    let events = format!("/batches/{batch}/events");
    let guide = kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
    let (line, pour) = (step(&guide, "line"), step(&guide, "pour"));
    let take = |step: &str| json!({ "step": step, "mine": true });
    let put =
        async |device: &Device<'_>, body: Value| device.ask(Method::PUT, &hands, Some(body)).await;
    let taken = put(&tablet, take(&line)).await.with(200);
    let whose = if taken["now"]["step"] == line.as_str() {
        taken["now"]["in_hand"].clone()
    } else {
        let also = taken["also"].as_array().expect("a list");
        also.iter().find(|other| other["step"] == line.as_str()).expect("beside")["in_hand"].clone()
    };
    assert_eq!(whose, json!({ "device_id": tablet.id, "device": "Tablet" }));
    let said = put(&phone, take(&line)).await.with(409);
    assert!(text(&said["detail"]).starts_with("Tablet has this step"), "{said:#}");
    kitchen.put(&hands, None, take(&line)).await.with(409);
    let tick = |id: Uuid| json!({ "kind": "done", "id": id, "step": line });
    phone.post(&events, tick(Uuid::now_v7())).await.with(409);
    // Nobody lets go of it for another, but the maker takes it over where that must be.
    put(&phone, json!({ "step": line, "mine": false })).await.with(409);
    put(&phone, json!({ "step": line, "mine": true, "take_over": true })).await.with(200);
    let mine = json!({ "step": line, "mine": true, "take_over": true });
    put(&tablet, mine).await.with(409);
    tablet.post(&events, tick(Uuid::now_v7())).await.with(409);
    put(&phone, json!({ "step": line, "mine": false })).await.with(200);
    put(&tablet, take(&line)).await.with(200);
    // Forgotten in a pocket it is free again after half an hour.
    kitchen.pass(chrono::TimeDelta::minutes(31));
    let id = Uuid::now_v7();
    let done = phone.post(&events, tick(id)).await.with(201);
    assert_eq!(progress(&done, &line)["done_on"], "Maker's phone");
    // Sent once more, because its answer was lost, it is known, whoever has the step meanwhile.
    put(&tablet, take(&line)).await.with(200);
    phone.post(&events, tick(id)).await.with(200);
    for (body, field) in [(take("no/such"), "step"), (take(""), "step")] {
        put(&phone, body).await.refuses(field);
    }
    let said = put(&tablet, take(&pour)).await.with(403);
    assert_eq!(said["type"], "urn:wide-sheen:problem:not-yours");
}

#[actix_web::test]
async fn a_screen_alone_is_not_asked_whose_hands_a_step_is_in() {
    let kitchen = Kitchen::shared().await;
    let has_others = async || kitchen.get("/me").await.with(200)["has_others"].clone();
    assert_eq!(has_others().await, false);
    Device::paired(&kitchen, 31, json!({ "role": "thermometer" })).await;
    assert_eq!(has_others().await, false, "a thermometer has no hands");
    let tablet = Device::paired(&kitchen, 21, json!({ "role": "helper" })).await;
    assert_eq!(has_others().await, true);
    assert_eq!(tablet.get("/me").await.with(200)["has_others"], true);
}

#[actix_web::test]
async fn two_who_take_the_same_step_at_once_do_not_both_have_it() {
    let kitchen = Kitchen::shared().await;
    let batch = kitchen.batch("Bark").await;
    let (tablet, phone) = two(&kitchen).await;
    let guide = kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
    let (path, body) =
        (format!("/batches/{batch}/hands"), json!({ "step": step(&guide, "line"), "mine": true }));
    for _ in 0..5 {
        let (one, other) = tokio::join!(
            tablet.ask(Method::PUT, &path, Some(body.clone())),
            phone.ask(Method::PUT, &path, Some(body.clone()))
        );
        let mut said = [one.status.as_u16(), other.status.as_u16()];
        let winner = if said[0] == 200 { &tablet } else { &phone };
        said.sort_unstable();
        assert_eq!(said, [200, 409]);
        let let_go = json!({ "step": body["step"], "mine": false });
        winner.ask(Method::PUT, &path, Some(let_go)).await.with(200);
    }
}

#[actix_web::test]
async fn who_did_it_is_in_the_record_and_stays_there() {
    let kitchen = Kitchen::shared().await;
    let plan = kitchen.plan("Bark").await;
    let batch = kitchen.begun(&plan).await;
    let opened = kitchen.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    let (tablet, phone) = two(&kitchen).await;
    let guide = kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
    let line = step(&guide, "line");
    let tick = json!({ "kind": "done", "id": Uuid::now_v7(), "step": line });
    tablet.post(&format!("/batches/{batch}/events"), tick.clone()).await.with(201);
    // Sent again from elsewhere it was entered where it was entered first.
    phone.post(&format!("/batches/{batch}/events"), tick).await.with(200);
    phone.post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": 45.0 })).await.with(201);
    kitchen.read(&bowl, json!({ "temp_c": 45.2 })).await.with(201);
    phone.post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "off_heat" })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "stirred" })).await.with(201);
    // Another name, and no device any more: the record says what was.
    let renamed = json!({ "name": "Somebody's phone" });
    kitchen.put(&format!("/devices/{}", phone.id), None, renamed).await.with(204);
    kitchen.delete(&format!("/devices/{}", tablet.id)).await.with(204);
    let guide = kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
    assert_eq!(progress(&guide, &line)["done_on"], "Tablet");
    let on = |all: &Value| -> Vec<Value> {
        let all = all.as_array().expect("a list").iter();
        all.map(|entry| entry["entered_on"].clone()).collect()
    };
    let readings = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    assert_eq!(on(&readings), [json!("Maker's phone"), Value::Null]);
    let entries = kitchen.get(&format!("/bowls/{bowl}/entries")).await.with(200);
    assert_eq!(on(&entries), [json!("Maker's phone"), Value::Null]);
    // It goes with everything else that is saved and brought in elsewhere.
    let saved = kitchen.file("/archive").await;
    let elsewhere = Kitchen::new().await;
    elsewhere.post_text("/archive", "application/zip", saved).await.with(204);
    let there = elsewhere.get(&format!("/bowls/{bowl}/entries")).await.with(200);
    assert_eq!(there, entries);
    let there = elsewhere.get(&format!("/batches/{batch}/guide")).await.with(200);
    assert_eq!(progress(&there, &line)["done_on"], "Tablet");
}

#[actix_web::test]
async fn a_tick_is_told_to_every_screen_that_listens() {
    let kitchen = Kitchen::shared().await;
    let batch = kitchen.batch("Bark").await;
    let (tablet, _) = two(&kitchen).await;
    let guide = kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
    let path = format!("/batches/{batch}/guide/stream");
    let line = step(&guide, "line");
    let mut screens = Vec::new();
    for _ in 0..5 {
        let mut screen = Screen::at(&kitchen, &path).await;
        screen.until(|_| true).await;
        screens.push(screen);
    }
    let is_done = |guide: &Value| progress(guide, &line)["done_at"].is_string();
    let tick = json!({ "kind": "done", "id": Uuid::now_v7(), "step": line });
    tablet.post(&format!("/batches/{batch}/events"), tick).await.with(201);
    for screen in &mut screens {
        let heard = screen.until(|guide| is_done(guide)).await;
        assert_eq!(progress(&heard, &line)["done_on"], "Tablet");
    }
    // What another server keeps is here too.
    let beside = kitchen.beside().await;
    let events = format!("/batches/{batch}/events");
    let weigh = step(&guide, "weigh");
    let tick = json!({ "kind": "done", "id": Uuid::now_v7(), "step": weigh });
    beside.post(&events, tick).await.with(201);
    screens[0].until(|guide| progress(guide, &weigh)["done_at"].is_string()).await;
}
