//! What came out: looks, when to take them, and why it came out so.

use chrono::TimeDelta;
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

pub fn look(gloss: &str) -> Value {
    json!({ "id": Uuid::new_v4(), "gloss": gloss, "snap": "clean", "released": "freely",
        "streaks": "none", "note": "" })
}

#[actix_web::test]
async fn results_are_looks_with_their_symptoms_kept_in_order_once_each() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let path = format!("/batches/{batch}/results");
    let mut first = look("dull");
    first["streaks"] = json!("some");
    first["seen"] = json!(["bubbles", "fat_bloom", "bubbles"]);
    let kept = kitchen.post(&path, first.clone()).await.with(201);
    assert_eq!(kept["seen"], json!(["dull", "streaks", "fat_bloom", "bubbles"]));
    kitchen.post(&path, first.clone()).await.with(200);
    first["gloss"] = json!("satin");
    kitchen.post(&path, first).await.with(409);
    kitchen.pass(TimeDelta::hours(25));
    kitchen.post(&path, look("glossy")).await.with(201);
    let kept = kitchen.get(&path).await.with(200);
    let glosses: Vec<_> =
        kept.as_array().expect("looks").iter().map(|o| &o["looks"]["gloss"]).collect();
    assert_eq!(glosses, ["dull", "glossy"]);
    kitchen.post(&path, look("blinding")).await.refuses("gloss");
    let mut wordy = look("dull");
    wordy["note"] = json!("x".repeat(2001));
    kitchen.post(&path, wordy).await.refuses("note");
    let mut odd = look("dull");
    odd["seen"] = json!(["haunted"]);
    kitchen.post(&path, odd).await.refuses("seen[0]");
}

#[actix_web::test]
async fn a_look_is_of_a_part_with_how_it_tastes_and_was_kept_and_not_from_before_the_pour() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let path = format!("/batches/{batch}/results");
    let with = |more: Value| {
        let mut look = look("satin");
        look.as_object_mut().expect("an object").extend(more.as_object().cloned().expect("more"));
        look
    };
    let begun = kitchen.now();
    let before = with(json!({ "looked_at": begun - TimeDelta::hours(1) }));
    kitchen.post(&path, before).await.refuses("looked_at");
    kitchen.pass(TimeDelta::hours(2));
    kitchen.poured(&batch).await;
    let poured = kitchen.now();
    kitchen.pass(TimeDelta::days(8));
    for (wrong, field) in [
        (json!({ "component": "moon" }), "component"),
        (json!({ "looked_at": poured - TimeDelta::hours(1) }), "looked_at"),
        (json!({ "looked_at": kitchen.now() + TimeDelta::days(1) }), "looked_at"),
        (json!({ "looked_at": "yesterday" }), "looked_at"),
        (json!({ "stored": { "temp_c": 900 } }), "stored.temp_c"),
        (json!({ "stored": { "place": "on_the_moon" } }), "stored.place"),
        (json!({ "taste": "blue" }), "taste"),
        (json!({ "bloom": { "rubbed": "maybe" } }), "bloom.rubbed"),
    ] {
        kitchen.post(&path, with(wrong)).await.refuses(field);
    }
    assert_eq!(kitchen.get(&path).await.with(200), json!([]), "nothing is half-stored");
    let week_old = with(json!({ "component": "slab", "looked_at": poured + TimeDelta::days(7),
        "taste": "stale", "bloom": { "rubbed": "wipes_off", "wetted": "beads" },
        "stored": { "place": "warm", "temp_c": 27 } }));
    let kept = kitchen.post(&path, week_old).await.with(201);
    assert_eq!((&kept["bloom_told"], &kept["seen"]), (&json!("fat"), &json!(["fat_bloom"])));
    assert_eq!(kept["stored"], json!({ "place": "warm", "temp_c": 27.0 }));
    // An earlier look that is noted later stands before it.
    let earlier = with(json!({ "looked_at": poured + TimeDelta::days(1) }));
    kitchen.post(&path, earlier).await.with(201);
    let kept = kitchen.get(&path).await.with(200);
    assert_eq!((&kept[0]["component"], &kept[1]["component"]), (&json!(null), &json!("slab")));
    let why = kitchen.get(&format!("/batches/{batch}/clinic")).await.with(200);
    let of = &why["of"][0];
    let told = (&of["seen"], &of["facts"]["stored_c"], &of["facts"]["age_days"]);
    assert_eq!(told, (&json!(["fat_bloom"]), &json!(27.0), &json!(7.0)));
    assert_eq!(of["told"]["causes"][0]["key"], "warm_storage", "{of}");
}

#[actix_web::test]
async fn a_look_is_asked_for_in_its_time_once_and_can_be_passed_over() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let due = async || kitchen.get("/looks").await.with(200);
    let after = async || kitchen.batch_now(&batch).await["due_look"]["after"].clone();
    kitchen.pass(TimeDelta::days(1));
    assert_eq!((due().await, after().await), (json!([]), json!(null)), "nothing is poured");
    kitchen.poured(&batch).await;
    let now = kitchen.batch_now(&batch).await;
    assert_eq!((&now["due_look"], &now["next_look"]["after"]), (&json!(null), &json!("hour")));
    kitchen.pass(TimeDelta::hours(2));
    let asked = due().await;
    assert_eq!((&asked[0]["name"], &asked[0]["after"]), (&json!("Bark"), &json!("hour")));
    assert_eq!(after().await, "hour");
    kitchen.post(&format!("/batches/{batch}/results"), look("satin")).await.with(201);
    assert_eq!((due().await, after().await), (json!([]), json!(null)), "it was looked at");
    kitchen.pass(TimeDelta::hours(22));
    assert_eq!(after().await, "day");
    let passed = format!("/batches/{batch}/passed-look");
    kitchen.put(&passed, None, json!({ "after": "year" })).await.refuses("after");
    kitchen.put(&passed, None, json!({ "after": "day" })).await.with(204);
    assert_eq!((due().await, after().await), (json!([]), json!(null)), "it was passed over");
    kitchen.pass(TimeDelta::days(6));
    assert_eq!(due().await[0]["after"], "week");
    kitchen.pass(TimeDelta::days(90));
    assert_eq!(due().await, json!([]));
    let nowhere = format!("/batches/{}/passed-look", Uuid::nil());
    kitchen.put(&nowhere, None, json!({ "after": "day" })).await.with(404);
}

#[actix_web::test]
async fn why_it_came_out_so_is_told_by_what_its_own_record_says() {
    let kitchen = Kitchen::new().await;
    let opened = kitchen.opened(&kitchen.plan("Bark").await).await;
    let bowl = text(&opened["bowl"]["id"]);
    let batch = text(&opened["batch_id"]);
    let why = format!("/batches/{batch}/clinic");
    let nothing = kitchen.get(&why).await.with(200);
    assert_eq!(nothing["of"][0]["seen"], json!([]));
    assert_eq!(nothing["of"][0]["told"]["questions"], json!([]), "nothing is asked");
    // Past the limit of dark, and poured without a test.
    for (after_min, temp_c) in [(0, 40.0), (3, 63.0), (6, 50.0), (20, 31.5)] {
        kitchen.pass(TimeDelta::minutes(after_min));
        kitchen.read(&bowl, json!({ "temp_c": temp_c })).await.with(201);
    }
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    let mut burnt = look("dull");
    burnt["seen"] = json!(["burnt"]);
    kitchen.post(&format!("/batches/{batch}/results"), burnt).await.with(201);
    let told = kitchen.get(&why).await.with(200);
    assert_eq!(told["of"][0]["seen"], json!(["dull", "burnt"]));
    let of = &told["of"][0];
    assert_eq!((&of["facts"]["max_c"], &of["facts"]["test"]), (&json!(63.0), &json!("skipped")));
    let first = &of["told"]["causes"][0];
    assert_eq!((&first["key"], &first["likely"]), (&json!("overheated"), &json!("almost_certain")));
    assert_eq!(first["evidence"][0]["for"], json!(true));
    assert!(text(&first["evidence"][0]["says"]["text"]).contains("63.0"), "{first}");
    // Asked by hand with the same facts it says the same.
    let asked = json!({ "seen": told["of"][0]["seen"], "facts": of["facts"] });
    assert_eq!(kitchen.post("/calc/clinic", asked).await.with(200), of["told"]);
    // Seen a month later, its age is known.
    kitchen.pass(TimeDelta::days(30));
    let mut bloomed = look("dull");
    bloomed["seen"] = json!(["fat_bloom"]);
    kitchen.post(&format!("/batches/{batch}/results"), bloomed).await.with(201);
    let later = kitchen.get(&why).await.with(200);
    assert_eq!(later["of"][0]["facts"]["age_days"], json!(30.0));
    let wrong = json!({ "seen": ["haunted"] });
    kitchen.post("/calc/clinic", wrong).await.refuses("seen[0]");
    let wrong = json!({ "seen": ["dull"], "facts": { "room_c": 900 } });
    kitchen.post("/calc/clinic", wrong).await.refuses("facts.room_c");
    let wrong = json!({ "seen": ["dull"], "facts": { "work_c": [32, 31] } });
    kitchen.post("/calc/clinic", wrong).await.refuses("facts.work_c");
    kitchen.get(&format!("/batches/{}/clinic", uuid::Uuid::nil())).await.with(404);
}

#[actix_web::test]
async fn what_was_learned_goes_into_the_plan_or_the_next_batch_and_the_difference_is_told_first() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    let batch = kitchen.begun(&plan).await;
    let stated = kitchen.stated(&plan).await;
    let component = text(&stated["components"][0]["key"]);
    let learned = |cause: &str| json!([{ "component": component, "cause": cause }]);
    let ask = async |inputs: &Value, learned: Value| {
        kitchen.post("/calc/learned", json!({ "inputs": inputs, "learned": learned })).await
    };
    let put_in = ask(&stated, learned("poured_too_warm")).await.with(200);
    let changes: Vec<_> = put_in["changes"][0].as_array().expect("changes").iter().collect();
    assert!(text(&changes[0]["text"]).starts_with("Its range: "), "{put_in}");
    assert!(text(&changes[1]["text"]).contains("pour lower in it"), "{put_in}");
    let hi = put_in["inputs"]["bowls"][0]["own"]["work_c"][1].as_f64().expect("a range");
    // Twice is once.
    let again = ask(&put_in["inputs"], learned("poured_too_warm")).await.with(200);
    assert_eq!((&again["inputs"], &again["changes"]), (&put_in["inputs"], &json!([[]])));
    ask(&stated, json!([{ "component": "moon", "cause": "dew" }]))
        .await
        .refuses("learned[0].component");
    ask(&stated, learned("ghosts")).await.refuses("learned[0].cause");

    let mut faulty = stated.clone();
    faulty["room_c"] = json!(900);
    ask(&faulty, learned("dew")).await.refuses("inputs.room_c");

    // The plan says it, at its step too; what it names nothing of any more does no harm.
    let whole = kitchen.post("/calc/plan", put_in["inputs"].clone()).await.with(200);
    assert_eq!(whole["watch_for"][0]["cause"], "poured_too_warm");
    let told = |answer: &Value| answer.to_string().matches("Learned: Wait until it reads").count();
    assert!(told(&whole["lines"]) > 0, "{}", whole["lines"]);
    let mut gone = put_in["inputs"].clone();
    gone["watch_for"] = json!([{ "component": "moon", "cause": "dew" }]);
    let gone = kitchen.post("/calc/plan", gone).await.with(200);
    assert_eq!(gone["watch_for"], json!([]));

    // The batch's own numbers: told first, then begun; the plan stays as it is.
    let difference = format!("/batches/{batch}/difference");
    let shown = kitchen.post(&difference, json!({ "learned": learned("poured_too_warm") })).await;
    assert_eq!(shown.with(200)["changes"], put_in["changes"]);
    let wrong = json!({ "learned": [{ "component": "moon", "cause": "dew" }] });
    kitchen.post(&difference, wrong).await.refuses("learned[0].component");
    let id = Uuid::new_v4();
    let again = json!({ "id": id, "learned": learned("poured_too_warm") });
    let path = format!("/batches/{batch}/again");
    let made = kitchen.post(&path, again.clone()).await.with(201);
    kitchen.post(&path, again).await.with(200);
    kitchen.post(&path, json!({ "id": id })).await.with(409);
    assert_eq!(made["stated"]["bowls"][0]["own"]["work_c"][1].as_f64(), Some(hi));
    let opened = kitchen.post(&format!("/batches/{id}/bowls"), json!({})).await.with(201);
    assert_eq!(told(&opened["learned"]), 1, "the bench says it");
    let work = &opened["bowl"]["use_c"][1];
    assert_eq!(work.as_f64(), Some(hi), "the bench pours in the narrower range");
    assert_eq!(kitchen.stated(&plan).await, stated);
}

#[actix_web::test]
async fn a_batch_is_found_by_what_it_is_and_how_it_came_out() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    let good = kitchen.begun(&plan).await;
    let bad = kitchen.begun(&plan).await;
    for batch in [&good, &bad] {
        kitchen.poured(batch).await;
    }
    let found = async |asked: &str| {
        let page = kitchen.get(&format!("/batches?{asked}")).await.with(200);
        let ids = page["batches"].as_array().expect("batches").iter();
        ids.map(|batch| text(&batch["id"])).collect::<Vec<_>>()
    };
    assert_eq!(found("result=not_looked").await.len(), 2);
    kitchen.post(&format!("/batches/{good}/results"), look("glossy")).await.with(201);
    kitchen.post(&format!("/batches/{bad}/results"), look("dull")).await.with(201);
    assert_eq!(found("result=good").await, [good.as_str()]);
    assert_eq!(found("result=faulty&fault=dull&family=dark").await, [bad.as_str()]);
    assert_eq!(found("fault=cracks").await, Vec::<String>::new());
    assert_eq!(found("family=ruby").await, Vec::<String>::new());
    assert_eq!(found("kind=slab&method=seed").await.len() + found("kind=slab").await.len(), 2);
    assert_eq!(found("colour=blue").await, Vec::<String>::new());
    let star = |batch: &str| format!("/batches/{batch}/starred");
    kitchen.put(&star(&good), None, json!({ "starred": true })).await.with(204);
    assert_eq!(found("starred=true").await, [good.as_str()]);
    assert_eq!(kitchen.batch_now(&good).await["starred"], true);
    kitchen.put(&star(&good), None, json!({ "starred": "yes" })).await.refuses("starred");
    kitchen.put(&star(&Uuid::nil().to_string()), None, json!({ "starred": true })).await.with(404);
    assert_eq!(found("pictured=true").await, Vec::<String>::new());
    let tomorrow = (kitchen.now() + TimeDelta::days(1)).format("%Y-%m-%dT%H:%M:%SZ");
    assert_eq!(found(&format!("from={tomorrow}")).await, Vec::<String>::new());
    assert_eq!(found(&format!("until={tomorrow}")).await.len(), 2);
    for (wrong, field) in [
        ("fault=haunted".to_owned(), "fault"),
        ("family=moon".to_owned(), "family"),
        (format!("kind={}", "x".repeat(50)), "kind"),
        (format!("from={tomorrow}&until=2020-01-01T00:00:00Z"), "until"),
        ("gear=oven".to_owned(), "gear"),
    ] {
        let said = kitchen.get(&format!("/batches?{wrong}")).await;
        assert!(said.status.is_client_error(), "{field}: {} {}", said.status, said.body);
    }
    // A result that comes later is found too.
    let mut cracked = look("glossy");
    cracked["seen"] = json!(["cracks"]);
    kitchen.post(&format!("/batches/{good}/results"), cracked).await.with(201);
    assert_eq!(found("fault=cracks").await, [good.as_str()]);
    // What a line shows of faults is what it is found by, whatever a later look says.
    kitchen.pass(TimeDelta::days(1));
    kitchen.post(&format!("/batches/{good}/results"), look("satin")).await.with(201);
    for line in kitchen.batches().await {
        let faults = line["faults"].as_array().expect("faults");
        for fault in faults.iter().map(text) {
            assert!(found(&format!("fault={fault}")).await.contains(&text(&line["id"])), "{line}");
        }
        assert!(!faults.is_empty() && found("result=faulty").await.contains(&text(&line["id"])));
        let latest = if line["id"] == good.as_str() { "satin" } else { "dull" };
        assert_eq!(line["looks"]["gloss"], latest);
    }
}

#[actix_web::test]
async fn a_batch_is_found_by_its_goods_and_many_are_gone_through_once_though_many_ask() {
    let kitchen = Kitchen::new().await;
    let goods = json!({ "kind": "goods", "name": "Gold stars", "unit": "piece", "each_g": 0.5 });
    let stars = text(&kitchen.post("/shelf", json!({ "thing": goods })).await.with(201)["id"]);
    let plan = kitchen.plan("Starry bark").await;
    let mut inputs = kitchen.stated(&plan).await;
    inputs["components"][0]["work"]["toppings"] = json!([{ "name": "stars", "goods_id": stars, "across_mm": 6, "each_g": 0.5,
        "wish": { "by": "count", "count": 20 } }]);
    kitchen.restate(&plan, inputs).await.with(200);
    let starry = kitchen.begun(&plan).await;
    let plain = kitchen.batch("Bark").await;
    for _ in 0..12 {
        kitchen.begun(&plan).await;
    }
    let path = format!("/batches?gear={stars}&most=50");
    let (one, two, three, unread) = futures::join!(
        kitchen.get(&path),
        kitchen.get(&path),
        kitchen.get("/log/patterns"),
        kitchen.get("/log/unread"),
    );
    let (one, two) = (one.with(200), two.with(200));
    assert_eq!(one, two);
    let ids: Vec<_> =
        one["batches"].as_array().expect("batches").iter().map(|b| text(&b["id"])).collect();
    assert!(ids.len() == 13 && ids.contains(&starry) && !ids.contains(&plain), "{ids:?}");
    assert_eq!(three.with(200)["cases"], 0);
    assert_eq!(unread.with(200), json!({ "batches": 0 }));
}

#[actix_web::test]
async fn what_an_earlier_release_kept_is_gone_through_behind_what_is_asked_for() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    for _ in 0..3 {
        kitchen.begun(&plan).await;
    }
    sqlx::query("UPDATE batches SET found = 0").execute(&kitchen.state.pool).await.expect("it is");
    let beside = kitchen.beside().await;
    // Whoever counts without asking for it sees it come to its end.
    let left = async || store::findings::count_stale(&beside.state.pool).await.expect("a count");
    while left().await > 0 {
        tokio::task::yield_now().await;
    }
}

#[actix_web::test]
async fn bowls_are_compared_and_the_log_tells_only_what_it_can() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    let mut bowls = Vec::new();
    for i in 0..6 {
        let opened = kitchen.opened(&plan).await;
        let bowl = text(&opened["bowl"]["id"]);
        for temp_c in [44.0, 46.0] {
            kitchen.pass(TimeDelta::minutes(2));
            kitchen.read(&bowl, json!({ "temp_c": temp_c })).await.with(201);
        }
        kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
        let poured_c = if i == 5 { 33.4 } else { 31.4 };
        for temp_c in [36.0, poured_c] {
            kitchen.pass(TimeDelta::minutes(4));
            kitchen.read(&bowl, json!({ "temp_c": temp_c })).await.with(201);
        }
        kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
        let path = format!("/batches/{}/results", text(&opened["batch_id"]));
        let gloss = if i == 5 { "dull" } else { "glossy" };
        kitchen.post(&path, look(gloss)).await.with(201);
        bowls.push(bowl);
    }
    let asked = format!("/log/compare?bowls={},{}", bowls[0], bowls[5]);
    let beside = kitchen.get(&asked).await.with(200);
    let [fine, warm] = [&beside[0], &beside[1]];
    assert!(fine["moments"]["off_heat"].is_string() && fine["moments"]["poured"].is_string());
    assert_eq!((&warm["seen"], &warm["looked"]), (&json!(["dull"]), &json!(true)));
    let first = &warm["facts"][0];
    assert_eq!((&first["factor"], &first["stands_out"]), (&json!("poured"), &json!(true)));
    assert!(fine["facts"].as_array().expect("facts").iter().all(|f| f["stands_out"] == false));
    for wrong in ["", &bowls[0], "moon,sun", &[bowls[0].as_str(); 5].join(",")] {
        kitchen.get(&format!("/log/compare?bowls={wrong}")).await.refuses("bowls");
    }
    let gone = format!("/log/compare?bowls={},{}", bowls[0], Uuid::nil());
    kitchen.get(&gone).await.with(404);
    let told = kitchen.get("/log/patterns").await.with(200);
    // One on a side says nothing, whatever it was.
    assert_eq!((&told["found"], &told["cases"]), (&json!([]), &json!(6)));
    let months = told["months"].as_array().expect("months");
    assert_eq!((&months[0]["looked"], &months[0]["good"]), (&json!(6), &json!(5)));
}
