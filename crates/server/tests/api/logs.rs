//! Logs that thermometers' own programs append to, and a second thermometer at a bowl's edge.

use std::fs::OpenOptions;
use std::io::Write as _;
use std::time::{Duration, Instant};

use chrono::TimeDelta;
use serde_json::{Value, json};
use tokio::process::Command;

use crate::device::Device;
use crate::kitchen::Kitchen;

impl Kitchen {
    /// Appends to a log, as a device's own program does.
    fn log(&self, name: &str, text: &str) {
        let path = self.logs.path().join(name);
        let mut file = OpenOptions::new().create(true).append(true).open(path).expect("opened");
        file.write_all(text.as_bytes()).expect("written");
    }

    async fn watch(&self, bowl: &str, place: &str, body: Value) -> crate::kitchen::Said {
        self.put(&format!("/bowls/{bowl}/logs/{place}"), None, body).await
    }

    async fn watched(&self, bowl: &str) -> Vec<Value> {
        let all = self.get(&format!("/bowls/{bowl}/logs")).await.with(200);
        all.as_array().expect("a list").clone()
    }

    /// What a bowl was read as, in order.
    async fn temps(&self, bowl: &str) -> Vec<f64> {
        let readings = self.get(&format!("/bowls/{bowl}/readings")).await.with(200);
        let temp = |reading: &Value| reading["temp_c"].as_f64();
        readings.as_array().expect("a list").iter().filter_map(temp).collect()
    }
}

/// Asks again until it is so: a log is looked at once a second.
async fn until<T>(asked: impl AsyncFn() -> Result<T, String>) -> T {
    let start = Instant::now();
    loop {
        match asked().await {
            Ok(found) => return found,
            Err(why) => assert!(start.elapsed() < Duration::from_secs(60), "{why}"),
        }
        tokio::time::sleep(Duration::from_millis(50)).await;
    }
}

/// Waits until a bowl was read as this and nothing else.
async fn read_as(kitchen: &Kitchen, bowl: &str, expected: &[f64]) {
    until(async || {
        let temps = kitchen.temps(bowl).await;
        if temps == expected { Ok(()) } else { Err(format!("{temps:?}, not {expected:?}")) }
    })
    .await;
}

#[actix_web::test]
async fn a_log_is_read_from_where_it_stood_on_and_a_restart_takes_nothing_twice() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    // An hour behind, and with something of another evening in it.
    kitchen.log("probe.csv", "time,probe °C\n2026-11-20 18:00:00,25.0\n");
    let listed = kitchen.get("/logs").await.with(200);
    assert_eq!(listed["files"][0]["name"], "probe.csv");
    assert_eq!(listed["folder"], kitchen.logs.path().display().to_string());
    kitchen.watch(&bowl, "middle", json!({ "name": "probe.csv" })).await.with(204);
    assert_eq!(kitchen.watched(&bowl).await[0]["standing"], "waiting");

    kitchen.log("probe.csv", "2026-11-20 19:00:00,45.5\n2026-11-20 19:00:02,45.4\n2026-11-20 19");
    read_as(&kitchen, &bowl, &[45.5, 45.4]).await;
    let stands = kitchen.watched(&bowl).await;
    assert_eq!((&stands[0]["standing"], &stands[0]["temp_c"]), (&json!("measuring"), &json!(45.4)));
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!(now["latest"]["temp_c"], 45.4);
    // Its clock says another day: what counts is when it was written.
    let at = now["latest"]["at"].as_str().expect("a time").parse::<chrono::DateTime<chrono::Utc>>();
    assert!((kitchen.now() - at.expect("a time")).abs() < TimeDelta::seconds(60), "{now:#}");
    let readings = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    assert_eq!(
        (&readings[0]["source"], &readings[0]["entered_on"]),
        (&json!("probe"), &json!("probe.csv"))
    );

    // What is no temperature is counted, and holds nothing up.
    kitchen.log("probe.csv", ":00:04,open\n2026-11-20 19:00:06,45.2\n2026-11-20 19:00:08,300\n");
    read_as(&kitchen, &bowl, &[45.5, 45.4, 45.2]).await;
    assert_eq!(kitchen.watched(&bowl).await[0]["unread"], 2);

    kitchen.state.logs.stop_all();
    kitchen.log("probe.csv", "2026-11-20 19:00:10,45.0\n");
    let again = kitchen.restarted().await;
    read_as(&again, &bowl, &[45.5, 45.4, 45.2, 45.0]).await;
    // The device's program begins a new file by the same name.
    std::fs::write(kitchen.logs.path().join("probe.csv"), "time,probe °C\n").expect("written");
    again.log("probe.csv", "2026-11-20 19:00:20,44.1\n");
    read_as(&again, &bowl, &[45.5, 45.4, 45.2, 45.0, 44.1]).await;

    // Another server may be told to let go of it.
    again.beside().await.delete(&format!("/bowls/{bowl}/logs/middle")).await.with(204);
    until(async || match again.watched(&bowl).await {
        left if left.is_empty() => Ok(()),
        left => Err(format!("{left:?}")),
    })
    .await;
    assert!(store::watched_logs::all(&again.state.pool).await.expect("read").is_empty());
}

#[actix_web::test]
async fn two_stand_ins_at_one_bowl_ask_for_stirring_and_are_let_go_of_with_the_pour() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    for (name, place) in [("middle.csv", "middle"), ("edge.csv", "edge")] {
        kitchen.log(name, "time,probe °F\n");
        kitchen.watch(&bowl, place, json!({ "name": name })).await.with(204);
    }
    let stand_in = async |name: &str, from: &str| {
        let log = kitchen.logs.path().join(name);
        let said = Command::new(env!("CARGO_BIN_EXE_stand-in-thermometer"))
            .args(["--every", "0", "--count", "1", "--fahrenheit", "--from", from, "--log"])
            .arg(log)
            .status();
        assert!(said.await.expect("it runs").success());
    };
    stand_in("middle.csv", "45").await;
    stand_in("edge.csv", "41").await;
    let bowl_at = until(async || {
        let now = kitchen.bowl_now(&bowl).await;
        if now["latest"].is_null() || now["edge"].is_null() {
            Err(format!("{now:#}"))
        } else {
            Ok(now)
        }
    })
    .await;
    assert_eq!(
        (&bowl_at["latest"]["temp_c"], &bowl_at["edge"]["temp_c"]),
        (&json!(45.0), &json!(41.0))
    );
    let hint = bowl_at["advice"]["hint"]["text"].as_str().expect("a hint");
    assert!(
        hint.starts_with("The edge is at 41.0 °C, 4.0 °C colder than the middle: stir"),
        "{hint}"
    );
    // What it says next goes by the middle alone.
    assert_eq!(bowl_at["curve"].as_array().map(Vec::len), Some(1));
    let csv = String::from_utf8(kitchen.file(&format!("/bowls/{bowl}/record.csv")).await);
    assert!(csv.expect("text").contains("reading,41.0,edge"));

    kitchen.act(&bowl, json!({ "kind": "given_up", "reason": "seized" })).await.with(201);
    until(async || {
        let all = store::watched_logs::all(&kitchen.state.pool).await.expect("read");
        if all.is_empty() { Ok(()) } else { Err(format!("{all:?}")) }
    })
    .await;
    assert!(kitchen.watched(&bowl).await.is_empty());
}

#[actix_web::test]
async fn what_is_no_log_of_the_folder_is_refused_by_the_field_that_would_mend_it() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    std::fs::create_dir(kitchen.logs.path().join("folder")).expect("made");
    kitchen.log("picture.csv", "\u{0}\u{1}\u{2}\n");
    kitchen.log("warm.csv", "time,temp\n18:00:01,113\n18:00:02,112\n");
    kitchen.log("three.csv", "time,temp 1,temp 2\n18:00:01,45,44\n18:00:02,45,44\n");
    kitchen.log(".hidden", "time,temp\n18:00:01,45\n");
    let refused = async |name: &str, field: &str| {
        kitchen.watch(&bowl, "middle", json!({ "name": name })).await.refuses(field)
    };
    for name in ["../../etc/passwd", "/etc/passwd", "..", ".hidden", "", "a\\b", "a\nb"] {
        let said = refused(name, "name").await;
        assert!(said.starts_with("must be the name of a file in"), "{name}: {said}");
    }
    for name in ["folder", "no.csv"] {
        assert!(refused(name, "name").await.starts_with("is not there"));
    }
    assert_eq!(refused("picture.csv", "name").await, "is not a table of text");
    assert!(refused("warm.csv", "unit").await.contains("looks like °F"));
    assert!(refused("three.csv", "temp_column").await.contains("temp 1, temp 2"));
    let told = json!({ "name": "three.csv", "temp_column": "temp 2", "unit": "C" });
    kitchen.watch(&bowl, "edge", told).await.with(204);
    kitchen.watch(&bowl, "top", json!({ "name": "warm.csv" })).await.with(400);
    let nowhere = uuid::Uuid::now_v7().to_string();
    kitchen.watch(&nowhere, "edge", json!({ "name": "three.csv" })).await.with(404);

    let simulated = json!({ "simulated": true, "rate": 10.0 });
    kitchen.put(&format!("/bowls/{bowl}/thermometer"), None, simulated).await.with(200);
    let fahrenheit = json!({ "name": "warm.csv", "unit": "F" });
    let said = kitchen.watch(&bowl, "middle", fahrenheit.clone()).await.with(409);
    assert!(said["detail"].as_str().expect("said").contains("simulated"), "{said}");
    let bowl = kitchen.bowl().await;
    kitchen.act(&bowl, json!({ "kind": "given_up", "reason": "seized" })).await.with(201);
    kitchen.watch(&bowl, "middle", fahrenheit).await.with(409);
}

#[actix_web::test]
async fn one_thermometer_measures_a_place_and_a_log_waits_for_its_turn() {
    let kitchen = Kitchen::shared().await;
    let bowl = kitchen.bowl().await;
    let lent = json!({ "role": "thermometer", "bowl_id": bowl });
    let clip = Device::paired(&kitchen, 31, lent).await;
    let sent = |temp_c: f64| json!({ "temp_c": temp_c, "probe": "clip" });
    let readings = format!("/bowls/{bowl}/readings");
    let send = async |temp_c| clip.post(&readings, sent(temp_c)).await;
    send(45.0).await.with(201);
    kitchen.log("probe.csv", "time,probe °C\n");
    kitchen.watch(&bowl, "middle", json!({ "name": "probe.csv" })).await.with(204);
    kitchen.log("probe.csv", "18:00:01,44.0\n");
    until(async || {
        let stands = kitchen.watched(&bowl).await;
        let why = stands[0]["problem"].as_str().unwrap_or_default();
        if why.contains("measured by \"clip\"") { Ok(()) } else { Err(format!("{stands:?}")) }
    })
    .await;
    assert_eq!(kitchen.temps(&bowl).await, [45.0]);
    // The maker says that the one which is lent stands at the edge: its program knows nothing of it.
    let edge = json!({ "name": "Clip", "bowl_id": bowl, "place": "edge" });
    kitchen.put(&format!("/devices/{}", clip.id), None, edge).await.with(204);
    let known = kitchen.get("/devices").await.with(200);
    assert_eq!(known[0]["place"], "edge");
    let said = send(42.0).await.with(201);
    assert_eq!(said["source"], "edge");
    // The middle is free two minutes later.
    kitchen.pass(TimeDelta::minutes(3));
    kitchen.log("probe.csv", "18:00:02,43.9\n");
    until(async || {
        let stands = kitchen.watched(&bowl).await;
        if stands[0]["standing"] == "measuring" { Ok(()) } else { Err(format!("{stands:?}")) }
    })
    .await;
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!((&now["latest"]["temp_c"], &now["edge"]["temp_c"]), (&json!(43.9), &json!(42.0)));
}
