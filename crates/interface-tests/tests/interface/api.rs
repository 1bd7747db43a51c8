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

/// The first line of a list that will do; what other tests make is passed over.
async fn first(path: &str, of: &str, will_do: impl Fn(&Value) -> bool) -> anyhow::Result<Value> {
    let list = get(path).await?;
    let mut all = list[of].as_array().context("a page")?.iter();
    let of_the_demo = |line: &Value| !line["name"].as_str().unwrap_or_default().starts_with("Test");
    let found = all.find(|line| of_the_demo(line) && will_do(line));
    found.cloned().with_context(|| format!("the demo has one in {path}"))
}

/// A plan of the demo.
pub async fn demo_plan() -> anyhow::Result<Value> {
    first("/plans?most=200", "plans", |_| true).await
}

/// A batch of the demo that is at the bench.
pub async fn demo_at_bench() -> anyhow::Result<Value> {
    first("/batches?of=under_way&most=200", "batches", |b| b["bowl_id"].is_string()).await
}

/// A batch of the demo that was made.
pub async fn demo_made() -> anyhow::Result<Value> {
    first("/batches?of=over&most=200", "batches", |b| b["stage"] == "made").await
}

/// The id of the demo's plan of a name.
pub async fn named(name: &str) -> anyhow::Result<String> {
    id(&first("/plans?most=200", "plans", |plan| plan["name"] == name).await?)
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

/// A bowl is tempered, past the interface.
pub async fn tempered(bowl: &str) -> anyhow::Result<()> {
    interface_tests::tempered(&url(""), bowl).await
}

/// A chocolate of a batch taken to the bench, tempered and poured.
pub async fn pour(batch: &str, chocolate: &str) -> anyhow::Result<Value> {
    let body = json!({ "chocolate": chocolate });
    let opened = post(&format!("/batches/{batch}/bowls"), body).await?;
    let bowl = id(&opened["bowl"])?;
    tempered(&bowl).await?;
    post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "poured" })).await
}

/// A new plan, of the usual slab.
pub async fn new_plan(name: &str) -> anyhow::Result<Value> {
    post("/plans", json!({ "name": format!("Test: {name}") })).await
}

/// A batch begun of a plan; its id.
pub async fn begun(plan: &str) -> anyhow::Result<String> {
    id(&post(&format!("/plans/{plan}/batches"), json!({})).await?)
}

/// A new bowl at the bench; its batch's id and its own.
pub async fn new_bowl(name: &str) -> anyhow::Result<(String, String)> {
    let batch = begun(&id(&new_plan(name).await?)?).await?;
    let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
    Ok((batch, id(&opened["bowl"])?))
}

/// The id of a plan's only batch.
pub async fn only_batch(plan: &str) -> anyhow::Result<String> {
    id(&get(&format!("/plans/{plan}")).await?["batches"][0])
}

/// A bowl as the server has it.
pub async fn bowl(id: &str) -> anyhow::Result<Value> {
    Ok(get(&format!("/bowls/{id}")).await?["bowl"].clone())
}

pub async fn put(path: &str, from_version: u32, body: Value) -> anyhow::Result<Value> {
    let request = Client::new().put(url(path)).header("If-Match", format!("\"{from_version}\""));
    Ok(request.json(&body).send().await?.error_for_status()?.json().await?)
}
