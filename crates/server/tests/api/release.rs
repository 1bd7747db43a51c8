//! A database that the release before wrote is shown whole.

use std::io::Read;
use std::path::Path;

use flate2::read::GzDecoder;
use serde_json::{Value, json};
use sqlx::Connection;

use crate::kitchen::{Kitchen, bare, text};

/// A dump of a database that the release before wrote: its demo, a name with a picture letter,
/// and a bowl with a second of sixty, which that release kept as a zero date.
async fn brought_in() -> String {
    let path =
        Path::new(env!("CARGO_MANIFEST_DIR")).join("../store/tests/fixtures/release-0.1.sql.gz");
    let mut sql = String::new();
    let file = std::fs::File::open(path).expect("the fixture");
    GzDecoder::new(file).read_to_string(&mut sql).expect("text");
    let url = bare().await;
    let mut old = sqlx::MySqlConnection::connect(&url).await.expect("connected");
    sqlx::raw_sql(sqlx::AssertSqlSafe(sql)).execute(&mut old).await.expect("brought in");
    old.close().await.expect("closed");
    url
}

fn names(page: &Value, of: &str) -> Vec<String> {
    page[of].as_array().expect("a list").iter().map(|line| text(&line["name"])).collect()
}

#[actix_web::test]
async fn everything_that_was_there_is_there() {
    let kitchen = Kitchen::over(&brought_in().await).await;
    let plans = kitchen.get("/plans?most=200").await.with(200);
    let all = names(&plans, "plans");
    assert_eq!(all.len(), 15, "{all:?}");
    assert!(all.contains(&"Shooting stars ☄️ for the queue".to_owned()), "{all:?}");
    for plan in plans["plans"].as_array().expect("a list") {
        assert!(plan["unreadable"].is_null(), "{plan}");
        let read = kitchen.get(&format!("/plans/{}", text(&plan["id"]))).await.with(200);
        assert_eq!((&read["faults"], read["plan"].is_null()), (&json!([]), false), "{read}");
    }

    let over = kitchen.get("/batches?of=over&most=200").await.with(200);
    let under_way = kitchen.get("/batches?of=under_way&most=200").await.with(200);
    assert!(names(&over, "batches").contains(&"Hazelnut dark, gift pieces".to_owned()));
    let mut results = 0;
    for line in
        [&over, &under_way].iter().flat_map(|page| page["batches"].as_array().expect("a list"))
    {
        assert!(line["unreadable"].is_null(), "{line}");
        let batch = kitchen.get(&format!("/batches/{}", text(&line["id"]))).await.with(200);
        assert!(batch["unreadable"].is_null() && !batch["plan"].is_null(), "{batch}");
        results += batch["results"].as_array().map_or(0, Vec::len);
        // It leads back to the plan that it was, and to its steps.
        kitchen.get(&format!("/plans/{}", text(&batch["plan_id"]))).await.with(200);
        kitchen.get(&format!("/batches/{}/guide", text(&line["id"]))).await.with(200);
        for bowl in batch["bowls"].as_array().expect("a list") {
            let bowl = kitchen.get(&format!("/bowls/{}", text(&bowl["id"]))).await.with(200);
            assert!(!bowl["plan"].is_null(), "{bowl}");
            let bowl = text(&bowl["bowl"]["id"]);
            for part in ["readings", "actions", "entries", "record.json", "record.csv"] {
                kitchen.get(&format!("/bowls/{bowl}/{part}")).await.with(200);
            }
        }
    }
    assert!(results >= 7, "{results} results");
    let shelf = kitchen.get("/shelf").await.with(200);
    assert!(shelf["things"].as_array().expect("a list").iter().all(|t| !t["thing"].is_null()));
    kitchen.get("/bench").await.with(200);
    kitchen.get("/reminders").await.with(200);
}

#[actix_web::test]
async fn what_was_made_goes_on_and_begins_anew() {
    let kitchen = Kitchen::over(&brought_in().await).await;
    let found = kitchen.get("/plans?search=hazelnut%20dark").await.with(200);
    let plan = text(&found["plans"][0]["id"]);
    let stood = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let old = text(&stood["batches"][0]["id"]);
    let as_it_was = kitchen.batch_now(&old).await;
    let batch = kitchen.begun(&plan).await;
    kitchen.poured(&batch).await;
    let mut after = kitchen.batch_now(&old).await;
    after["clock"] = as_it_was["clock"].clone();
    assert_eq!(after, as_it_was, "what was made before stays as it was");
    assert_eq!(kitchen.batch_now(&batch).await["stage"], "made");
}
