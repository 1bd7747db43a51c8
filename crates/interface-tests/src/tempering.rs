//! A bowl that is tempered past the interface, for what a test or a picture takes as given.

use anyhow::Context;
use chrono::{DateTime, TimeDelta, Utc};
use reqwest::Client;
use serde_json::{Value, json};

/// Melts, seeds and tests a bowl, and finds it in temper: all of it in the half hour that was,
/// by its own clock.
///
/// # Errors
/// Where the server does not take it.
pub async fn tempered(api: &str, bowl: &str) -> anyhow::Result<()> {
    let client = Client::new();
    let url = format!("{api}/bowls/{bowl}");
    let said: Value = client.get(&url).send().await?.error_for_status()?.json().await?;
    let stands = &said["bowl"];
    let now: DateTime<Utc> = stands["clock"]["now"].as_str().context("a time")?.parse()?;
    let warm = |of: &Value, end: usize| of[end].as_f64().context("a temperature");
    let melt_c = warm(&stands["windows"]["melt_c"], 0)? + 1.0;
    let work_c = f64::midpoint(warm(&stands["use_c"], 0)?, warm(&stands["use_c"], 1)?);
    let send = async |path: &str, minutes: i64, mut body: Value| {
        body["at"] = json!(now - TimeDelta::minutes(minutes));
        client.post(format!("{url}/{path}")).json(&body).send().await?.error_for_status()?;
        anyhow::Ok(())
    };
    let typed = |temp_c: f64| json!({ "temp_c": temp_c, "source": "hand" });
    send("readings", 30, typed(melt_c)).await?;
    send("actions", 29, json!({ "kind": "off_heat" })).await?;
    send("actions", 28, json!({ "kind": "seed_added", "grams": 80 })).await?;
    send("readings", 10, typed(work_c)).await?;
    send("actions", 8, json!({ "kind": "test_started" })).await?;
    let seen = json!({ "kind": "test_seen", "seen": "even_satin", "seconds": 0 });
    send("actions", 4, seen).await?;
    send("readings", 0, typed(work_c - 0.1)).await
}
