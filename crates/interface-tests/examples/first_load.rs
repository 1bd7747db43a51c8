//! How soon a phone of the home network shows its plans, over TLS and a weak Wi-Fi: the first time,
//! with nothing of it on the phone, and once it is installed. Run by `scripts/measure-first-load`.

use anyhow::Context;
use interface_tests::{Kitchen, Page, Size};
use reqwest::Client;
use serde_json::{Value, json};

/// What arrives and what leaves, bits a second; how long each request is on its way, ms.
const DOWN: f64 = 4e6;
const UP: f64 = 1e6;
const ON_ITS_WAY_MS: f64 = 100.0;
/// A phone takes so many times as long as this machine.
const SLOWER: f64 = 4.0;
/// So often each.
const TIMES: usize = 7;

/// Notes when the plans stand on the page, ms after it was asked for.
const NOTES: &str = "
    new MutationObserver((_, self) => {
        if (!document.querySelector(\"main a[href^='/plans/']\")) return;
        self.disconnect();
        requestAnimationFrame(() => { window.__shown = performance.now(); });
    }).observe(document, { childList: true, subtree: true });
";

async fn shown_ms(page: &Page) -> anyhow::Result<f64> {
    let there = |shown: &Value| shown.is_f64() || shown.is_u64();
    let shown = page.until_script("return window.__shown ?? null", "the plans", there).await?;
    shown.as_f64().context("a time")
}

fn told(what: &str, mut all: Vec<f64>) {
    all.sort_by(f64::total_cmp);
    println!("{what}: median {:.0} ms, worst of {TIMES} {:.0} ms", all[TIMES / 2], all[TIMES - 1]);
}

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let kitchen = Kitchen::at_home();
    let page = Page::open_at_home(kitchen).await?;
    page.resize(Size::PHONE).await?;
    let code = Client::new().put(format!("{}/api/v1/pairing", kitchen.address));
    let code: Value = code.json(&json!({ "role": "maker" })).send().await?.json().await?;
    page.go("/").await?;
    page.fill("Code", code["code"].as_str().context("a code")?).await?;
    page.fill("What to call this device", "Phone").await?;
    page.touch("Let me in").await?;
    page.find("nav[aria-label='Places']").await?;

    let weak = json!({
        "offline": false,
        "latency": ON_ITS_WAY_MS,
        "downloadThroughput": DOWN / 8.0,
        "uploadThroughput": UP / 8.0,
    });
    page.tell("Network.enable", json!({})).await?;
    page.tell("Network.emulateNetworkConditions", weak).await?;
    page.tell("Emulation.setCPUThrottlingRate", json!({ "rate": SLOWER })).await?;
    page.tell("Page.addScriptToEvaluateOnNewDocument", json!({ "source": NOTES })).await?;
    let home = kitchen.home.as_ref().context("a home network")?;
    let all = "appcache,cache_storage,indexeddb,service_workers";
    let nothing = json!({ "origin": home.address, "storageTypes": all });
    let mut first = Vec::new();
    for _ in 0..TIMES {
        page.go("/settings").await?;
        page.tell("Storage.clearDataForOrigin", nothing.clone()).await?;
        page.tell("Network.clearBrowserCache", json!({})).await?;
        page.go("/plans").await?;
        first.push(shown_ms(&page).await?);
    }
    let asked = page
        .run(
            "const all = performance.getEntriesByType('resource');
             return [all.length, all.reduce((sum, one) => sum + one.transferSize, 0) / 1000]",
        )
        .await?;
    told("the first time", first);
    println!("  {} requests, {:.0} kB", asked[0], asked[1].as_f64().unwrap_or_default());

    let ready = "return navigator.serviceWorker.ready.then((known) => !!known.active)";
    page.until_script(ready, "installed", |ready| *ready == json!(true)).await?;
    let kept = "return caches.keys().then((names) => names.length)";
    page.until_script(kept, "kept for later", |n| *n != json!(0)).await?;
    page.go("/plans").await?;
    shown_ms(&page).await?;
    let mut later = Vec::new();
    for _ in 0..TIMES {
        page.go("/plans").await?;
        later.push(shown_ms(&page).await?);
    }
    told("later", later);
    page.close().await;
    Ok(())
}
