//! A bowl, live.

use std::time::Duration;

use serde_json::{Value, json};

use crate::kitchen::{Kitchen, text};

/// What a screen hears.
pub struct Screen {
    response: reqwest::Response,
    heard: String,
}

impl Screen {
    async fn watching(kitchen: &Kitchen, bowl: &str) -> Self {
        Self::at(kitchen, &format!("/bowls/{bowl}/stream")).await
    }

    pub async fn at(kitchen: &Kitchen, path: &str) -> Self {
        let url = format!("{}/api/v1{path}", kitchen.address);
        let response = reqwest::get(url).await.expect("answered");
        assert_eq!(response.headers()["content-type"], "text/event-stream");
        Self { response, heard: String::new() }
    }

    /// The next event: its name and its data.
    async fn next(&mut self) -> (String, Value) {
        loop {
            if let Some((event, rest)) = self.heard.split_once("\n\n") {
                let field = |name: &str| {
                    event.lines().find_map(|l| l.strip_prefix(name)).unwrap_or_default().trim()
                };
                let (name, data) = (field("event:").to_owned(), field("data:").to_owned());
                self.heard = rest.to_owned();
                // A comment keeps the connection open and says nothing.
                if name.is_empty() {
                    continue;
                }
                return (name, serde_json::from_str(&data).unwrap_or_default());
            }
            let chunk = self.response.chunk().await.expect("a stream").expect("it goes on");
            self.heard.push_str(&String::from_utf8_lossy(&chunk));
        }
    }

    /// Waits for a bowl, or a bench, that will do.
    pub async fn until(&mut self, will_do: impl Fn(&Value) -> bool) -> Value {
        let wait = async {
            loop {
                let (name, data) = self.next().await;
                if name != "beat" && will_do(&data) {
                    return data;
                }
            }
        };
        tokio::time::timeout(Duration::from_secs(30), wait).await.expect("it came")
    }
}

#[actix_web::test]
async fn a_screen_hears_what_another_enters() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let mut screen = Screen::watching(&kitchen, &bowl).await;
    let first = screen.until(|_| true).await;
    assert_eq!(first["phase"], "melting");
    kitchen.read(&bowl, json!({ "temp_c": 46.1 })).await.with(201);
    screen.until(|b| b["latest"]["temp_c"] == 46.1).await;
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    let cooling = screen.until(|b| b["phase"] == "cooling").await;
    assert_eq!(cooling["advice"]["rule"], "add_seed");
}

#[actix_web::test]
async fn a_screen_is_told_the_time_even_when_nothing_happens() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let mut screen = Screen::watching(&kitchen, &bowl).await;
    let (first, _) = screen.next().await;
    let (second, clock) = screen.next().await;
    assert_eq!((first.as_str(), second.as_str()), ("bowl", "beat"));
    assert!(clock["now"].is_string() && clock["rate"] == 1.0, "{clock}");
}

#[actix_web::test]
async fn the_whole_bench_is_heard_bowls_that_come_and_go_among_them() {
    let kitchen = Kitchen::new().await;
    let mut screen = Screen::at(&kitchen, "/bench/stream").await;
    screen.until(|bench| bench["bowls"] == json!([])).await;
    let bowl = kitchen.bowl().await;
    let there = |bench: &Value| bench["bowls"].as_array().map(Vec::len) == Some(1);
    screen.until(there).await;
    kitchen.read(&bowl, json!({ "temp_c": 46.1 })).await.with(201);
    screen.until(|bench| bench["bowls"][0]["latest"]["temp_c"] == 46.1).await;
    kitchen.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
    screen.until(|bench| bench["bowls"][0]["advice"]["rule"] == "add_seed").await;
    let pace = json!({ "simulated": true, "rate": 20 });
    kitchen.put(&format!("/bowls/{bowl}/thermometer"), None, pace).await.with(200);
    screen.until(|bench| bench["bowls"][0]["clock"]["rate"] == 20.0).await;
    let batch = kitchen.bowl_now(&bowl).await["batch_id"].clone();
    let batch = format!("/batches/{}", text(&batch));
    kitchen.delete(&batch).await.with(204);
    screen.until(|bench| bench["bowls"] == json!([])).await;
}

#[actix_web::test]
async fn a_screen_hears_no_more_of_a_bowl_that_is_gone() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let mut screen = Screen::watching(&kitchen, &bowl).await;
    let first = screen.until(|_| true).await;
    kitchen.delete(&format!("/batches/{}", text(&first["batch_id"]))).await.with(204);
    let end = async { while screen.response.chunk().await.expect("a stream").is_some() {} };
    tokio::time::timeout(Duration::from_secs(30), end).await.expect("it ends");
}
