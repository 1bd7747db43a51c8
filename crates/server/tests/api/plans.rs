//! Plans: edited by one or two, undone, archived, deleted, made.

use chrono::TimeDelta;
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    async fn plan_now(&self, id: &str) -> Value {
        self.get(&format!("/plans/{id}")).await.with(200)
    }

    /// A plan's edit from a version: the plan as it was then, with one thing changed.
    async fn edit_from(&self, read: &Value, pointer: &str, value: Value) -> crate::kitchen::Said {
        let mut edit =
            json!({ "name": read["name"], "note": read["note"], "inputs": read["inputs"] });
        *edit.pointer_mut(pointer).expect("it is there") = value;
        let version = read["version"].as_u64().and_then(|v| u32::try_from(v).ok());
        self.put(&format!("/plans/{}", text(&read["id"])), version, edit).await
    }
}

const THICKNESS: &str = "/inputs/components/0/work/cover/thickness_mm";

#[actix_web::test]
async fn a_plan_is_made_read_edited_and_follows_its_inputs() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.plan("Comet bark").await;
    let path = format!("/plans/{id}");
    let read = kitchen.get(&path).await;
    assert_eq!(read.headers["etag"], "\"1\"");
    let read = read.with(200);
    assert_eq!(read["plan"]["bowls"][0]["plan"]["to_weigh_g"], 325.08);

    let edit = json!({ "name": "Comet clusters", "note": "smaller\nand rounder", "inputs": read["inputs"] });
    kitchen.put(&path, None, edit.clone()).await.with(428);
    let edited = kitchen.put(&path, Some(1), edit).await.with(200);
    assert_eq!((&edited["version"], &edited["note"]), (&json!(2), &json!("smaller\nand rounder")));
    let thicker = kitchen.edit_from(&edited, THICKNESS, json!(6)).await.with(200);
    assert_eq!(thicker["plan"]["bowls"][0]["plan"]["to_weigh_g"], 487.62);
    let bad = kitchen.edit_from(&thicker, THICKNESS, json!(-6)).await;
    bad.refuses("inputs.components[0].work.cover.thickness_mm");
    assert_eq!(kitchen.plan_now(&id).await, thicker);
}

#[actix_web::test]
async fn sent_twice_it_is_made_once_and_another_by_its_id_is_refused() {
    let kitchen = Kitchen::new().await;
    let once = json!({ "id": Uuid::new_v4(), "name": "Once" });
    let first = kitchen.post("/plans", once.clone()).await.with(201);
    let id = text(&first["id"]);
    let renamed = kitchen.edit_from(&first, "/name", json!("Twice")).await.with(200);
    // Resent late, what is kept stands.
    let again = kitchen.post("/plans", once.clone()).await.with(200);
    assert_eq!((&again["name"], &again["version"]), (&renamed["name"], &json!(2)));
    let mut other = once;
    other["name"] = json!("Another");
    kitchen.post("/plans", other).await.with(409);
    let all = kitchen.get("/plans").await.with(200);
    assert_eq!(all["plans"].as_array().map(Vec::len), Some(1));
    // Batches and bowls likewise.
    let batch = json!({ "id": Uuid::new_v4() });
    let begin = format!("/plans/{id}/batches");
    kitchen.post(&begin, batch.clone()).await.with(201);
    kitchen.post(&begin, batch.clone()).await.with(200);
    let other = kitchen.plan("Other").await;
    kitchen.post(&format!("/plans/{other}/batches"), batch.clone()).await.with(409);
    let bowls = format!("/batches/{}/bowls", text(&batch["id"]));
    let bowl = json!({ "id": Uuid::new_v4() });
    kitchen.post(&bowls, bowl.clone()).await.with(201);
    kitchen.post(&bowls, bowl.clone()).await.with(200);
    let mut simulated = bowl;
    simulated["simulated"] = json!(true);
    kitchen.post(&bowls, simulated).await.with(409);
    assert_eq!(kitchen.batches().await.len(), 1);
}

#[actix_web::test]
async fn what_is_typed_anew_while_it_is_saved_is_no_clash_with_oneself() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.plan("Bark").await;
    let text = |plan: &Value| json!({ "name": plan["name"], "note": plan["note"], "inputs": plan["inputs"] });
    let read = kitchen.plan_now(&id).await;
    // Another screen names it; this one sends a thickness that is half typed.
    kitchen.edit_from(&read, "/name", json!("Comet bark")).await.with(200);
    let saved = kitchen.edit_from(&read, THICKNESS, json!(1)).await.with(200);
    let (mut sent, mut mine) = (text(&read), text(&read));
    *sent.pointer_mut(THICKNESS).expect("there") = json!(1);
    *mine.pointer_mut(THICKNESS).expect("there") = json!(12);
    let asked = json!({ "base": sent, "mine": mine, "theirs": text(&saved) });
    let both = kitchen.post("/calc/plan/merge", asked).await.with(200);
    assert_eq!(
        (&both["name"], both.pointer(THICKNESS)),
        (&json!("Comet bark"), Some(&json!(12.0)))
    );
    // From the version of before it would have been one.
    kitchen.edit_from(&read, THICKNESS, json!(12)).await.with(412);
    let asked = json!({ "base": text(&read), "mine": mine, "theirs": text(&saved) });
    let told = kitchen.post("/calc/plan/merge", asked).await.with(409);
    assert_eq!(told["clashes"][0]["mine"], json!(12.0));
}

#[actix_web::test]
async fn two_screens_editing_different_fields_both_stay_and_of_one_field_both_are_told() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.plan("Bark").await;
    let read = kitchen.plan_now(&id).await;
    kitchen.edit_from(&read, THICKNESS, json!(6)).await.with(200);
    // The other screen still has the first version.
    let both = kitchen.edit_from(&read, "/inputs/room_c", json!(18)).await.with(200);
    assert_eq!(
        (both.pointer(THICKNESS), &both["inputs"]["room_c"]),
        (Some(&json!(6.0)), &json!(18.0))
    );
    kitchen.edit_from(&read, "/name", json!("Comet bark")).await.with(200);
    let clash = kitchen.edit_from(&read, THICKNESS, json!(8)).await.with(412);
    assert_eq!(
        clash["clashes"],
        json!([{ "field": "inputs.components[slab].work.cover.thickness_mm", "mine": 8.0, "theirs": 6.0 }])
    );
    let kept = kitchen.plan_now(&id).await;
    assert_eq!((&kept["name"], kept.pointer(THICKNESS)), (&json!("Comet bark"), Some(&json!(6.0))));
    // A chocolate that one adds and a component that the other adds are both there.
    let read = kept;
    let mut inputs = read["inputs"]["bowls"].clone();
    inputs.as_array_mut().expect("bowls").push(json!({ "key": "milk", "family": "milk" }));
    kitchen.edit_from(&read, "/inputs/bowls", inputs).await.with(200);
    let mut components = read["inputs"]["components"].clone();
    let mut second = components[0].clone();
    second["key"] = json!("second");
    components.as_array_mut().expect("components").push(second);
    let both = kitchen.edit_from(&read, "/inputs/components", components).await.with(200);
    let count = |what: &str| both["inputs"][what].as_array().map(Vec::len);
    assert_eq!((count("bowls"), count("components")), (Some(2), Some(2)));
    // A version that nobody kept is told as before.
    let path = format!("/plans/{id}");
    let edit = json!({ "name": "x", "note": "", "inputs": both["inputs"] });
    let told = kitchen.put(&path, Some(9_999), edit).await.with(412);
    assert!(text(&told["detail"]).contains("version"), "{told}");
}

#[actix_web::test]
async fn the_last_twenty_edits_can_be_undone() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.plan("Bark").await;
    let path = format!("/plans/{id}/undo");
    let mut read = kitchen.plan_now(&id).await;
    assert_eq!(read["undoes"], 0);
    for mm in 5..30 {
        read = kitchen.edit_from(&read, THICKNESS, json!(mm)).await.with(200);
    }
    assert_eq!(read["undoes"], 20);
    let undo = async |version: &Value| {
        let url = format!("{}/api/v1{path}", kitchen.address);
        let request = reqwest::Client::new().post(url).header("If-Match", format!("\"{version}\""));
        let response = request.send().await.expect("answered");
        (response.status().as_u16(), response.json::<Value>().await.expect("JSON"))
    };
    for mm in (9..29).rev() {
        let (status, undone) = undo(&read["version"]).await;
        assert_eq!((status, undone.pointer(THICKNESS)), (200, Some(&json!(f64::from(mm)))));
        read = undone;
    }
    // An edit after an undoing is undone to where that had led.
    let edited = kitchen.edit_from(&read, "/name", json!("Moons")).await.with(200);
    let (_, back) = undo(&edited["version"]).await;
    assert_eq!((&back["name"], back.pointer(THICKNESS)), (&read["name"], Some(&json!(9.0))));
    assert_eq!(undo(&json!(1)).await.0, 412);
    let fresh = kitchen.plan("Fresh").await;
    let url = format!("{}/api/v1/plans/{fresh}/undo", kitchen.address);
    let request = reqwest::Client::new().post(url).header("If-Match", "\"1\"");
    assert_eq!(request.send().await.expect("answered").status().as_u16(), 409);
}

#[actix_web::test]
async fn a_plan_is_archived_deleted_and_had_back_and_what_was_made_of_it_stays() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.plan("Bark").await;
    let batch = kitchen.begun(&id).await;
    let path = format!("/plans/{id}");
    let listed = async |of: &str| {
        let page = kitchen.get(&format!("/plans?of={of}")).await.with(200);
        page["plans"]
            .as_array()
            .expect("a list")
            .iter()
            .map(|p| text(&p["name"]))
            .collect::<Vec<_>>()
    };
    kitchen.put(&format!("{path}/archived"), None, json!({ "archived": true })).await.with(204);
    assert_eq!(
        (listed("in_use").await.len(), listed("archived").await),
        (0, vec!["Bark".to_owned()])
    );
    kitchen.put(&format!("{path}/archived"), None, json!({ "archived": false })).await.with(204);
    kitchen.delete(&path).await.with(204);
    kitchen.get(&path).await.with(404);
    kitchen.post(&format!("{path}/batches"), json!({})).await.with(404);
    assert_eq!(listed("deleted").await, ["Bark"]);
    assert_eq!(kitchen.get(&format!("/batches/{batch}")).await.with(200)["name"], "Bark");
    let back = kitchen.post(&format!("{path}/restore"), json!({})).await.with(200);
    assert_eq!((&back["name"], &back["batches"][0]["id"]), (&json!("Bark"), &json!(batch)));
    assert_eq!(listed("in_use").await, ["Bark"]);
}

#[actix_web::test]
async fn lists_are_paged_by_key_searched_and_ordered_by_the_newest_activity() {
    let kitchen = Kitchen::new().await;
    let mut ids = Vec::new();
    for name in ["Aurora", "Comet 100%_bark", "Eclipse", "Halo", "Nebula"] {
        ids.push(kitchen.plan(name).await);
        kitchen.pass(TimeDelta::seconds(1));
    }
    let page = async |asked: &str| kitchen.get(&format!("/plans?{asked}")).await.with(200);
    let names = |page: &Value| {
        page["plans"]
            .as_array()
            .expect("a list")
            .iter()
            .map(|p| text(&p["name"]))
            .collect::<Vec<_>>()
    };
    let first = page("most=2").await;
    assert_eq!(names(&first), ["Nebula", "Halo"]);
    // Any edit is activity; what is added meanwhile neither repeats nor hides anything.
    kitchen.begun(&ids[0]).await;
    let second = page(&format!("most=2&after={}", text(&first["next"]))).await;
    assert_eq!(names(&second), ["Eclipse", "Comet 100%_bark"]);
    let last = page(&format!("most=2&after={}", text(&second["next"]))).await;
    assert_eq!((names(&last).len(), &last["next"]), (0, &Value::Null));
    assert_eq!(names(&page("most=1").await), ["Aurora"]);
    assert_eq!(names(&page("search=100%25_").await), ["Comet 100%_bark"]);
    assert_eq!(names(&page("search=slab").await).len(), 5, "by what is made");
    assert_eq!(names(&page("search=zebra").await).len(), 0);
    for (asked, field) in [("most=0", "most"), ("most=1000", "most"), ("after=x", "after")] {
        kitchen.get(&format!("/plans?{asked}")).await.refuses(field);
    }
    kitchen.get("/plans?moon=1").await.with(400);
}
