//! Batches: one making is one record, whatever is edited later.

use chrono::TimeDelta;
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};
use crate::logbook::look;

impl Kitchen {
    pub async fn batch_now(&self, id: &str) -> Value {
        self.get(&format!("/batches/{id}")).await.with(200)
    }

    pub async fn poured(&self, batch: &str) -> String {
        let opened = self.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
        let bowl = text(&opened["bowl"]["id"]);
        self.act(&bowl, json!({ "kind": "poured" })).await.with(201);
        bowl
    }
}

#[actix_web::test]
async fn nothing_edited_later_changes_what_was_made() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Comet bark").await;
    let batch = kitchen.begun(&plan).await;
    kitchen.poured(&batch).await;
    kitchen.post(&format!("/batches/{batch}/results"), look("glossy")).await.with(201);
    let made = kitchen.batch_now(&batch).await;
    assert_eq!(made["made_by"], env!("CARGO_PKG_VERSION"));
    assert_eq!(made["plan"]["bowls"][0]["plan"]["to_weigh_g"], 325.08);

    // The plan grows, is renamed, and is made again: a batch of its own.
    let mut inputs = kitchen.stated(&plan).await;
    inputs["components"][0]["work"]["cover"]["thickness_mm"] = json!(8);
    let read = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let edit = json!({ "name": "Meteor bark", "note": "", "inputs": inputs });
    kitchen.put(&format!("/plans/{plan}"), Some(1), edit).await.with(200);
    let second = kitchen.begun(&plan).await;
    let opened = kitchen.post(&format!("/batches/{second}/bowls"), json!({})).await.with(201);
    let give_up = json!({ "kind": "given_up", "reason": "opened by mistake" });
    kitchen.act(&text(&opened["bowl"]["id"]), give_up).await.with(201);
    let mut still = kitchen.batch_now(&batch).await;
    still["clock"] = made["clock"].clone();
    assert_eq!(still, made, "it is as it was; only its time goes on");
    assert_eq!(read["batches"].as_array().map(Vec::len), Some(1));

    let stage = |all: &[Value], id: &str| {
        all.iter().find(|b| b["id"] == id).map(|b| text(&b["stage"])).expect("listed")
    };
    let all = kitchen.batches().await;
    assert_eq!((stage(&all, &batch), stage(&all, &second)), ("made".into(), "lost".into()));
    // Both stand under their plan, and lead back to it.
    let plan_now = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let under: Vec<_> =
        plan_now["batches"].as_array().expect("two").iter().map(|b| &b["id"]).collect();
    assert_eq!(under, [&json!(second), &json!(batch)]);
    assert_eq!(kitchen.batch_now(&second).await["plan_id"], json!(plan));
}

#[actix_web::test]
async fn another_bowl_of_a_poured_batch_takes_nothing_out_of_the_log() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    kitchen.poured(&batch).await;
    let opened = kitchen.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
    assert_eq!(kitchen.batch_now(&batch).await["stage"], "made", "one that is made stays made");
    let give_up = json!({ "kind": "given_up", "reason": "not needed" });
    kitchen.act(&text(&opened["bowl"]["id"]), give_up).await.with(201);
    let now = kitchen.batch_now(&batch).await;
    assert_eq!(now["stage"], "made");
    let line = &kitchen.batches().await[0];
    assert_eq!((&line["stage"], &line["gave_up"]), (&json!("made"), &Value::Null));
}

#[actix_web::test]
async fn a_batch_says_what_is_still_to_do_until_it_is_made_or_closed() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.every_kind().await;
    let batch = kitchen.begun(&plan).await;
    let now = kitchen.batch_now(&batch).await;
    assert_eq!(now["stage"], "under_way");
    let to_do = now["to_do"].as_array().expect("what is to do");
    assert!(
        to_do.len() > 15 && to_do.iter().all(|t| text(&t["text"]["text"]).len() > 3),
        "{to_do:?}"
    );
    let body = json!({ "chocolate": "dark" });
    let opened = kitchen.post(&format!("/batches/{batch}/bowls"), body).await.with(201);
    kitchen.act(&text(&opened["bowl"]["id"]), json!({ "kind": "poured" })).await.with(201);
    assert_eq!(kitchen.batch_now(&batch).await["stage"], "under_way", "after the first pour too");

    let closed = format!("/batches/{batch}/closed");
    let now = kitchen.put(&closed, None, json!({ "closed": true })).await.with(200);
    assert_eq!(now["stage"], "closed");
    assert!(now["to_do"].as_array().is_some_and(|left| !left.is_empty()));
    assert_eq!(kitchen.get("/reminders").await.with(200), json!([]));
    let now = kitchen.put(&closed, None, json!({ "closed": false })).await.with(200);
    assert_eq!((&now["stage"], &now["closed_at"]), (&json!("under_way"), &Value::Null));
}

#[actix_web::test]
async fn a_batch_is_made_again_as_it_was_or_from_the_plan_as_it_is() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    let first = kitchen.begun(&plan).await;
    let mut inputs = kitchen.stated(&plan).await;
    inputs["components"][0]["work"]["cover"]["thickness_mm"] = json!(8);
    kitchen.restate(&plan, inputs).await.with(200);
    let thickness =
        |batch: &Value| batch["stated"]["components"][0]["work"]["cover"]["thickness_mm"].clone();
    let new = json!({ "id": Uuid::new_v4() });
    let again = format!("/batches/{first}/again");
    let as_it_was = kitchen.post(&again, new.clone()).await.with(201);
    assert_eq!(thickness(&as_it_was), 4.0);
    assert_eq!(as_it_was["plan_id"], json!(plan));
    kitchen.post(&again, new).await.with(200);
    let as_it_is = kitchen.batch_now(&kitchen.begun(&plan).await).await;
    assert_eq!(thickness(&as_it_is), 8.0);
}

#[actix_web::test]
async fn a_batch_is_renamed_deleted_and_had_back() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let bowl = kitchen.poured(&batch).await;
    let path = format!("/batches/{batch}");
    let read = kitchen.get(&path).await;
    assert_eq!(read.headers["etag"], "\"1\"");
    let edit = json!({ "name": "The first bark", "note": "for the queue" });
    kitchen.put(&path, None, edit.clone()).await.with(428);
    let named = kitchen.put(&path, Some(1), edit.clone()).await.with(200);
    assert_eq!((&named["name"], &named["version"]), (&edit["name"], &json!(2)));
    let stale = kitchen.put(&path, Some(1), edit).await.with(412);
    assert!(text(&stale["detail"]).contains("version 2"), "{stale}");

    kitchen.delete(&path).await.with(204);
    for gone in [&path, &format!("{path}/guide"), &format!("/bowls/{bowl}")] {
        kitchen.get(gone).await.with(404);
    }
    kitchen.act(&bowl, json!({ "kind": "stirred" })).await.with(404);
    assert_eq!(kitchen.batches().await.len(), 0);
    let deleted = kitchen.get("/batches?of=deleted").await.with(200);
    assert_eq!(deleted["batches"][0]["name"], "The first bark");
    let back = kitchen.post(&format!("{path}/restore"), json!({})).await.with(200);
    assert_eq!(back["bowls"][0]["status"], "poured");
    assert_eq!(kitchen.batches().await.len(), 1);
}

#[actix_web::test]
async fn a_mistake_in_the_record_is_corrected_by_a_marked_event() {
    let kitchen = Kitchen::new().await;
    let opened = kitchen.opened(&kitchen.plan("Bark").await).await;
    let bowl = text(&opened["bowl"]["id"]);
    kitchen.read(&bowl, json!({ "temp_c": 46 })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    let seed = kitchen.act(&bowl, json!({ "kind": "seed_added", "grams": 400 })).await.with(201);
    let typed = kitchen.read(&bowl, json!({ "temp_c": 13, "source": "hand" })).await.with(201);
    let corrected = json!({ "kind": "amount_corrected", "corrects": seed["id"], "grams": 40 });
    kitchen.act(&bowl, corrected).await.with(201);
    let withdrawn = json!({ "kind": "reading_withdrawn", "reading": typed["id"] });
    kitchen.act(&bowl, withdrawn).await.with(201);
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!(
        (&now["seeded_g"], &now["curve"].as_array().map(Vec::len)),
        (&json!(40.0), &Some(1))
    );
    // Nothing is rewritten: every entry stands as it was made, marked.
    let entries = kitchen.get(&format!("/bowls/{bowl}/entries")).await.with(200);
    let kinds: Vec<_> =
        entries.as_array().expect("entries").iter().map(|e| text(&e["kind"])).collect();
    assert_eq!(kinds, ["off_heat", "seed_added", "amount_corrected", "reading_withdrawn"]);
    assert_eq!(entries[1]["grams"], 400.0);
    assert!(entries[0]["entered_at"].is_string());
    let readings = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    assert_eq!((&readings[1]["temp_c"], &readings[1]["withdrawn"]), (&json!(13.0), &json!(true)));
    for (body, field) in [
        (json!({ "kind": "amount_corrected", "corrects": Uuid::new_v4(), "grams": 4 }), "corrects"),
        (json!({ "kind": "amount_corrected", "grams": 4 }), "corrects"),
        (json!({ "kind": "reading_withdrawn", "reading": Uuid::new_v4() }), "reading"),
        (json!({ "kind": "reading_withdrawn" }), "reading"),
    ] {
        kitchen.act(&bowl, body).await.refuses(field);
    }

    // A pour that was forgotten is entered when it was, days later.
    let poured_at = kitchen.now();
    kitchen.pass(TimeDelta::days(5));
    let late = json!({ "kind": "poured", "at": poured_at });
    kitchen.act(&bowl, late).await.with(201);
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!(text(&now["poured_at"])[..19], poured_at.format("%Y-%m-%dT%H:%M:%S").to_string());
    let before_it_was_opened = json!({ "kind": "stirred", "at": poured_at - TimeDelta::days(30) });
    let other = kitchen.bowl().await;
    kitchen.act(&other, before_it_was_opened).await.refuses("at");
}
