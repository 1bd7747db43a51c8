//! A bowl's record out and in again, and thermometers' logs.

use chrono::TimeDelta;
use serde_json::{Value, json};

use crate::kitchen::{Kitchen, Said};

async fn log(kitchen: &Kitchen, bowl: &str, how: &str, text: impl Into<reqwest::Body>) -> Said {
    kitchen.post_text(&format!("/bowls/{bowl}/log{how}"), "text/csv", text).await
}

/// A bowl with a bit of everything, one reading doubted and one action undone.
async fn lively(kitchen: &Kitchen) -> String {
    let bowl = kitchen.bowl().await;
    for c in [20.0, 31.25, 45.6, 200.0] {
        kitchen.pass(TimeDelta::seconds(60));
        kitchen.read(&bowl, json!({ "temp_c": c, "source": "hand" })).await.with(201);
    }
    kitchen.act(&bowl, json!({ "kind": "heat", "seconds": 12.5 })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    let seed = kitchen.act(&bowl, json!({ "kind": "seed_added", "grams": 41.3 })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "undone", "undoes": seed["id"] })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "test_started" })).await.with(201);
    kitchen.act(&bowl, json!({ "kind": "test_seen", "seen": "streaks" })).await.with(201);
    let reason = "\"seized\", said the cook;\nwater got in";
    kitchen.act(&bowl, json!({ "kind": "given_up", "reason": reason })).await.with(201);
    bowl
}

#[actix_web::test]
async fn a_bowl_saved_as_json_and_brought_in_is_the_same() {
    let kitchen = Kitchen::new().await;
    let bowl = lively(&kitchen).await;
    let saved = kitchen.get(&format!("/bowls/{bowl}/record.json")).await.with(200);
    assert_eq!(saved["actions"].as_array().map(Vec::len), Some(7));
    let brought = kitchen.post("/bowls", saved.clone()).await.with(201);
    let again = brought["bowl"]["id"].as_str().expect("an id");
    assert_ne!(again, bowl);
    let twice = kitchen.get(&format!("/bowls/{again}/record.json")).await.with(200);
    assert_eq!(twice, saved);
    let [a, b] = [kitchen.bowl_now(&bowl).await, kitchen.bowl_now(again).await];
    for what in ["phase", "finish", "peak_c", "doubted", "seeded_g", "gave_up", "actions", "curve"]
    {
        assert_eq!(a[what], b[what], "{what}");
    }
}

#[actix_web::test]
async fn a_record_saved_as_csv_and_brought_in_is_the_same() {
    let kitchen = Kitchen::new().await;
    let bowl = lively(&kitchen).await;
    let csv = kitchen.get(&format!("/bowls/{bowl}/record.csv")).await;
    assert!(csv.headers["content-disposition"].to_str().is_ok_and(|v| v.contains(".csv")));
    let csv = csv.with(200).as_str().expect("text").to_owned();
    let other = kitchen.bowl().await;
    let taken = log(&kitchen, &other, "", csv.clone()).await.with(200);
    assert_eq!((&taken["kept"], &taken["actions"]), (&json!(4), &json!(7)));
    let again = kitchen.get(&format!("/bowls/{other}/record.csv")).await.with(200);
    assert_eq!(again.as_str(), Some(&*csv));
    // Twice is once.
    let taken = log(&kitchen, &other, "", csv.clone()).await.with(200);
    assert_eq!(
        (&taken["kept"], &taken["known"], &taken["actions"]),
        (&json!(0), &json!(4), &json!(0))
    );
    // Half of it is none of it.
    let third = kitchen.bowl().await;
    let broken = csv.replace("31.25", "warm");
    log(&kitchen, &third, "", broken).await.refuses("line 3");
    assert_eq!(kitchen.get(&format!("/bowls/{third}/readings")).await.with(200), json!([]));
}

#[actix_web::test]
async fn a_thermometers_log_is_brought_in_once_and_whole() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    kitchen.pass(TimeDelta::minutes(20));
    let text = "Elapsed (s);Probe °F\n0;113,9\n10;113,0\n20;---\n30;112,1\n";
    let taken = log(&kitchen, &bowl, "", text).await.with(200);
    assert_eq!(
        (&taken["kept"], &taken["empty"], &taken["unit"]),
        (&json!(3), &json!(1), &json!("F"))
    );
    let readings = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    assert_eq!(readings[0]["temp_c"], 45.5);
    assert_eq!(log(&kitchen, &bowl, "", text).await.with(200)["known"], 3);
    let ask = |how: &'static str, text: &'static str| log(&kitchen, &bowl, how, text);
    let said = ask("", "time,left,right\n0,45,44\n").await.refuses("temp_column");
    assert!(said.contains("say which of"), "{said}");
    ask("?temp_column=right", "time,probe left,probe right\n0,45,44\n")
        .await
        .refuses("temp_column");
    ask("?temp_column=probe%20right", "time,probe left,probe right\n40,45,44\n").await.with(200);
    ask("", "time,temp\n0,113\n5,112\n").await.refuses("unit");
    ask("?unit=F", "time,temp\n50,113\n55,112\n").await.with(200);
    let said = ask("", "time,temp\n2020-01-01 10:00:00,45\n").await.refuses("shift_s");
    assert!(said.contains("2020-01-01 10:00:00"), "{said}");
    ask("", "").await.refuses("file");
    ask("?shift_s=1e9", "time,temp\n0,45\n").await.refuses("shift_s");
    let huge = log(&kitchen, &bowl, "", vec![b'x'; 50 * 1024 * 1024]).await;
    assert_eq!(huge.status.as_u16(), 413, "{}", huge.body);
    let image = log(&kitchen, &bowl, "", b"\x89PNG\r\n\x1a\n\0\0".to_vec()).await;
    assert!(image.refuses("file").contains("not a table of text"));
}

#[actix_web::test]
async fn a_table_that_was_changed_by_hand_is_refused_by_its_lines() {
    let kitchen = Kitchen::new().await;
    let bowl = lively(&kitchen).await;
    let table = kitchen.get(&format!("/bowls/{bowl}/record.csv")).await.with(200);
    let table = table.as_str().expect("text");
    let other = kitchen.bowl().await;
    // The heading is line 1; four readings and a burst come before the seed.
    let seeded = table.lines().position(|line| line.contains("seed_added")).expect("seed") + 1;
    for (from, to, field) in [
        (",31.25,", ",warm,", "line 3".to_owned()),
        (",31.25,", ",900,", "line 3".to_owned()),
        (",31.25,hand,", ",,hand,", "line 3".to_owned()),
        (",41.3,", ",-41.3,", format!("line {seeded}.grams")),
        (",41.3,", ",,", format!("line {seeded}.grams")),
        (",seed_added,", ",sang,", format!("line {seeded}")),
    ] {
        let changed = table.replacen(from, to, 1);
        assert_ne!(changed, table, "{from} is there");
        log(&kitchen, &other, "", changed).await.refuses(&field);
    }
    let untouched = kitchen.bowl_now(&other).await;
    assert_eq!((&untouched["actions"], &untouched["curve"]), (&json!([]), &json!([])));
}

#[actix_web::test]
async fn what_is_no_saved_bowl_is_refused_and_leaves_nothing() {
    let kitchen = Kitchen::new().await;
    let bowl = lively(&kitchen).await;
    let saved = kitchen.get(&format!("/bowls/{bowl}/record.json")).await.with(200);
    let before = kitchen.batches().await;
    let with = |change: &dyn Fn(&mut Value)| {
        let mut body = saved.clone();
        change(&mut body);
        body
    };
    for (body, field) in [
        (with(&|b| b["format"] = "another-9".into()), "format"),
        (with(&|b| b["name"] = "".into()), "name"),
        (with(&|b| b["readings"][1]["temp_c"] = 999.into()), "readings[1].temp_c"),
        (with(&|b| b["actions"][0]["grams"] = 5.into()), "actions[0].grams"),
        (with(&|b| b["actions"][2]["id"] = Value::Null), "actions[2].id"),
        (with(&|b| b["inputs"]["total_g"] = 0.into()), "inputs.total_g"),
        (with(&|b| b["readings"][0]["at"] = "yesterday".into()), "readings[0].at"),
    ] {
        kitchen.post("/bowls", body).await.refuses(field);
    }
    assert_eq!(kitchen.batches().await, before);
}
