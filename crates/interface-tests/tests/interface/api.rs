//! Short ways past the interface, for what a test takes as given.

use anyhow::Context;
use interface_tests::Kitchen;
use reqwest::Client;
use serde_json::{Value, json};

fn url(path: &str) -> String {
    format!("{}/api/v1{path}", Kitchen::shared().address)
}

pub async fn get(path: &str) -> anyhow::Result<Value> {
    Ok(Client::new().get(url(path)).send().await?.error_for_status()?.json().await?)
}

pub async fn post(path: &str, body: Value) -> anyhow::Result<Value> {
    let response = Client::new().post(url(path)).json(&body).send().await?;
    Ok(response.error_for_status()?.json().await?)
}

/// The id in an answer.
pub fn id(answer: &Value) -> anyhow::Result<String> {
    Ok(answer["id"].as_str().context("an id")?.to_owned())
}

/// The first batch of the demo at a stage.
pub async fn demo(stage: &str) -> anyhow::Result<Value> {
    let batches = get("/batches").await?;
    batches
        .as_array()
        .and_then(|all| {
            all.iter().find(|b| {
                b["stage"] == stage && !b["name"].as_str().unwrap_or_default().starts_with("Test")
            })
        })
        .cloned()
        .with_context(|| format!("the demo has a batch that is {stage}"))
}

/// The id of the demo's batch of a name.
pub async fn named(name: &str) -> anyhow::Result<String> {
    let all = get("/batches").await?;
    let found = all.as_array().and_then(|all| all.iter().find(|b| b["name"] == name));
    id(found.with_context(|| format!("the demo has {name}"))?)
}

/// What stands on the shelf, by what makes it the one.
pub async fn thing(is_it: impl Fn(&Value) -> bool) -> anyhow::Result<Value> {
    let shelf = get("/shelf").await?;
    let things = shelf["things"].as_array().context("things")?;
    things.iter().find(|one| is_it(&one["thing"])).cloned().context("it is on the shelf")
}

/// What stands on the shelf under a name.
pub async fn on_shelf(name: &str) -> anyhow::Result<Value> {
    thing(|thing| thing["name"] == name).await
}

/// A chocolate of a batch taken to the bench and at once poured.
pub async fn pour(batch: &str, chocolate: &str) -> anyhow::Result<Value> {
    let body = json!({ "chocolate": chocolate });
    let opened = post(&format!("/batches/{batch}/bowls"), body).await?;
    let bowl = id(&opened["bowl"])?;
    post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "poured" })).await
}

/// A new batch with the usual plan.
pub async fn new_batch(name: &str) -> anyhow::Result<Value> {
    post("/batches", json!({ "name": format!("Test: {name}") })).await
}

/// A new bowl at the bench; its batch's id and its own.
pub async fn new_bowl(name: &str) -> anyhow::Result<(String, String)> {
    let batch = new_batch(name).await?;
    let opened = post(&format!("/batches/{}/bowls", id(&batch)?), json!({})).await?;
    Ok((id(&batch)?, id(&opened["bowl"])?))
}

/// A bowl as the server has it.
pub async fn bowl(id: &str) -> anyhow::Result<Value> {
    Ok(get(&format!("/bowls/{id}")).await?["bowl"].clone())
}

pub async fn put(path: &str, from_version: u32, body: Value) -> anyhow::Result<Value> {
    let request = Client::new().put(url(path)).header("If-Match", format!("\"{from_version}\""));
    Ok(request.json(&body).send().await?.error_for_status()?.json().await?)
}
