//! Bowls, readings and actions.

use chrono::TimeDelta;
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

#[actix_web::test]
async fn taking_a_plan_to_the_bench_twice_opens_one_bowl() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let path = format!("/batches/{batch}/bowls");
    let first = kitchen.post(&path, json!({})).await.with(201);
    let again = kitchen.post(&path, json!({})).await.with(200);
    assert_eq!(first["bowl"]["id"], again["bowl"]["id"]);
    let bowl = text(&first["bowl"]["id"]);
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    let next = kitchen.post(&path, json!({})).await.with(201);
    assert_ne!(next["bowl"]["id"], first["bowl"]["id"]);
}

#[actix_web::test]
async fn a_bowl_keeps_the_plan_it_was_opened_by() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    let opened = kitchen.opened(&plan).await;
    let mut inputs = kitchen.stated(&plan).await;
    inputs["components"][0]["work"]["cover"]["thickness_mm"] = json!(8);
    kitchen.restate(&plan, inputs).await.with(200);
    let bowl = text(&opened["bowl"]["id"]);
    let now = kitchen.get(&format!("/bowls/{bowl}")).await.with(200);
    assert_eq!(now["plan"], opened["plan"]);
    assert_eq!(now["bowl"]["additions"], opened["bowl"]["additions"]);
}

#[actix_web::test]
async fn a_reading_sent_twice_is_kept_once_and_order_does_not_matter() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let reading = |age_s: i64, temp: f64| {
        json!({ "id": Uuid::new_v4(), "at": kitchen.now() - TimeDelta::seconds(age_s),
            "temp_c": temp })
    };
    let [early, late, middle] = [reading(30, 44.0), reading(10, 43.0), reading(20, 43.5)];
    for body in [&late, &early, &middle] {
        kitchen.read(&bowl, body.clone()).await.with(201);
    }
    kitchen.read(&bowl, middle.clone()).await.with(200);
    let kept = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    let temps: Vec<_> = kept.as_array().expect("readings").iter().map(|r| &r["temp_c"]).collect();
    assert_eq!(temps, [44.0, 43.5, 43.0]);
    assert_eq!(kitchen.bowl_now(&bowl).await["latest"]["temp_c"], 43.0);
}

#[actix_web::test]
async fn a_doubtful_reading_is_kept_marked_and_left_out() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    kitchen.read(&bowl, json!({ "temp_c": 44.0 })).await.with(201);
    for temp in [-40.0, 200.0] {
        let said = kitchen.read(&bowl, json!({ "temp_c": temp })).await.with(201);
        assert_eq!(said["doubt"], "out_of_range");
    }
    kitchen.read(&bowl, json!({ "temp_c": 62.0 })).await.with(201);
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!(now["latest"]["temp_c"], 44.0);
    assert_eq!(now["doubted"], 3);
    let kept = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    let doubts: Vec<_> = kept.as_array().expect("readings").iter().map(|r| &r["doubt"]).collect();
    assert_eq!(
        doubts,
        [&Value::Null, &json!("out_of_range"), &json!("out_of_range"), &json!("jump")]
    );
}

#[actix_web::test]
async fn a_senders_clock_that_jumps_back_is_put_in_its_place() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let yesterday = kitchen.now() - TimeDelta::hours(20);
    kitchen.read(&bowl, json!({ "temp_c": 31.0, "at": yesterday })).await.with(201);
    let kept = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    assert_eq!(kept[0]["doubt"], "before_opening");
    assert!(kitchen.bowl_now(&bowl).await["latest"].is_null());
}

#[actix_web::test]
async fn actions_move_the_bowl_and_sending_twice_does_it_once() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    kitchen.read(&bowl, json!({ "temp_c": 46.0 })).await.with(201);
    assert_eq!(kitchen.bowl_now(&bowl).await["advice"]["rule"], "melted");
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    let seed = json!({ "id": Uuid::new_v4(), "kind": "seed_added", "grams": 46 });
    kitchen.act(&bowl, seed.clone()).await.with(201);
    kitchen.act(&bowl, seed.clone()).await.with(200);
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!((&now["phase"], &now["seeded_g"]), (&json!("cooling"), &json!(46.0)));
    assert_eq!(now["additions"][0]["done"], true);
    assert_eq!(now["additions"][1]["done"], false);

    kitchen.act(&bowl, json!({ "kind": "undone", "undoes": seed["id"] })).await.with(201);
    assert_eq!(kitchen.bowl_now(&bowl).await["seeded_g"], 0.0);
}

#[actix_web::test]
async fn after_the_pour_only_undo_goes_on() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let poured = json!({ "id": Uuid::new_v4(), "kind": "poured" });
    kitchen.act(&bowl, poured.clone()).await.with(201);
    let refused = kitchen.act(&bowl, json!({ "kind": "stirred" })).await.with(409);
    assert!(text(&refused["detail"]).contains("Undo that first"));
    // Sent once more after a lost answer, the pour itself is no conflict.
    kitchen.act(&bowl, poured.clone()).await.with(200);
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!(now["advice"]["rule"], "poured");
    kitchen.act(&bowl, json!({ "kind": "undone", "undoes": poured["id"] })).await.with(201);
    assert_eq!(kitchen.bowl_now(&bowl).await["phase"], "melting");
}

#[actix_web::test]
async fn time_alone_moves_the_advice() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    kitchen.read(&bowl, json!({ "temp_c": 31.5 })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "test_started" })).await.with(201);
    assert_eq!(kitchen.bowl_now(&bowl).await["advice"]["rule"], "watch_smear");
    kitchen.pass(TimeDelta::minutes(5));
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!(
        (&now["advice"]["rule"], &now["advice"]["alarm"]),
        (&json!("judge_smear"), &json!("timer"))
    );
}

#[actix_web::test]
async fn a_restart_shows_the_same_bowl() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    kitchen.read(&bowl, json!({ "temp_c": 45.2 })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    let mut before = kitchen.bowl_now(&bowl).await;

    let state = server::state::State::new(kitchen.state.pool.clone(), kitchen.state.wall.clone());
    let again =
        server::app::serve(state, server::app::Serving::default()).await.expect("a free port");
    actix_web::rt::spawn(again.server);
    let url = format!("http://{}/api/v1/bowls/{bowl}", again.address);
    let answer: Value = reqwest::get(url).await.expect("answered").json().await.expect("JSON");
    let mut after = answer["bowl"].clone();
    for bowl in [&mut before, &mut after] {
        bowl["clock"]["now"] = Value::Null;
    }
    assert_eq!(before, after);
}
