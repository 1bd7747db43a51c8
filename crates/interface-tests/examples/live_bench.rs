//! Measures how busy the page is kept by bowls that are measured live, at real
//! pace: three on the whole bench, and one at its own. Run by
//! `scripts/bench-interface`.

use std::time::Duration;

use anyhow::Context;
use interface_tests::{Kitchen, Page};
use reqwest::Client;
use serde_json::{Value, json};

const WATCHED: Duration = Duration::from_secs(20);

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let kitchen = Kitchen::shared();
    let api = format!("{}/api/v1", kitchen.address);
    let client = Client::new();
    let mut bowls = Vec::new();
    for family in ["dark", "milk", "cocoa_butter"] {
        let bowl = open(&client, &api, family).await?;
        client
            .put(format!("{api}/bowls/{bowl}/thermometer"))
            .json(&json!({ "simulated": true, "rate": 1.0 }))
            .send()
            .await?
            .error_for_status()?;
        let heat = json!({ "kind": "heat", "seconds": 60 });
        let url = format!("{api}/bowls/{bowl}/actions");
        client.post(url).json(&heat).send().await?.error_for_status()?;
        bowls.push(bowl);
    }
    let page = Page::open(kitchen).await?;
    page.go("/bench").await?;
    page.find("[data-testid='bowl-card']").await?;
    report(&page, "three bowls live on the bench").await?;
    page.go(&format!("/bench/{}", bowls[0])).await?;
    page.find(".recharts-line-curve").await?;
    report(&page, "one bowl live at its own bench, two beside it").await?;
    page.close().await;
    Ok(())
}

async fn open(client: &Client, api: &str, family: &str) -> anyhow::Result<String> {
    let name = format!("Live: {family}");
    let made = |post: reqwest::RequestBuilder| async {
        let made: Value = post.send().await?.error_for_status()?.json().await?;
        anyhow::Ok(made)
    };
    let usual = made(client.post(format!("{api}/plans")).json(&json!({ "name": name }))).await?;
    let mut inputs = usual["inputs"].clone();
    inputs["bowls"][0]["family"] = family.into();
    let body = json!({ "name": name, "inputs": inputs });
    let plan = made(client.post(format!("{api}/plans")).json(&body)).await?;
    let plan = plan["id"].as_str().context("an id")?;
    let batch = made(client.post(format!("{api}/plans/{plan}/batches")).json(&json!({}))).await?;
    let batch = batch["id"].as_str().context("an id")?;
    let post =
        client.post(format!("{api}/batches/{batch}/bowls")).json(&json!({ "simulated": true }));
    let opened: Value = post.send().await?.error_for_status()?.json().await?;
    Ok(opened["bowl"]["id"].as_str().context("an id")?.to_owned())
}

/// The share of time in which the page's main thread did anything.
async fn report(page: &Page, what: &str) -> anyhow::Result<()> {
    // What opening the page costs is not counted.
    tokio::time::sleep(Duration::from_secs(3)).await;
    let before = page.busy_s().await?;
    tokio::time::sleep(WATCHED).await;
    let busy = page.busy_s().await? - before;
    println!("main thread busy, {what}: {:.1} %", 100.0 * busy / WATCHED.as_secs_f64());
    Ok(())
}
