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
const SLOWER: [f64; 2] = [2.0, 4.0];
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

fn told(what: &str, slower: f64, mut all: Vec<f64>) {
    all.sort_by(f64::total_cmp);
    let (half, worst) = (all[TIMES / 2], all[TIMES - 1]);
    println!("{what}, {slower} times slower: median {half:.0} ms, worst of {TIMES} {worst:.0} ms");
}

/// A phone that has nothing of it yet but what lets it in.
async fn phone(kitchen: &Kitchen, cookies: &Value, slower: f64) -> anyhow::Result<Page> {
    let page = Page::open_at_home(kitchen).await?;
    page.resize(Size::PHONE).await?;
    page.tell("Network.enable", json!({})).await?;
    page.tell("Network.setCookies", cookies.clone()).await?;
    let weak = json!({
        "offline": false,
        "latency": ON_ITS_WAY_MS,
        "downloadThroughput": DOWN / 8.0,
        "uploadThroughput": UP / 8.0,
    });
    page.tell("Network.emulateNetworkConditions", weak).await?;
    page.tell("Emulation.setCPUThrottlingRate", json!({ "rate": slower })).await?;
    page.tell("Page.addScriptToEvaluateOnNewDocument", json!({ "source": NOTES })).await?;
    // A phone's browser runs before it is asked for a page: this one has just been started.
    tokio::time::sleep(std::time::Duration::from_secs(2)).await;
    Ok(page)
}

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let kitchen = Kitchen::at_home();
    let page = Page::open_at_home(kitchen).await?;
    let code = Client::new().put(format!("{}/api/v1/pairing", kitchen.address));
    let code: Value = code.json(&json!({ "role": "maker" })).send().await?.json().await?;
    page.go("/").await?;
    page.fill("Code", code["code"].as_str().context("a code")?).await?;
    page.fill("What to call this device", "Phone").await?;
    page.touch("Let me in").await?;
    page.find("nav[aria-label='Places']").await?;
    let cookies = page.tell("Network.getAllCookies", json!({})).await?;
    page.close().await;

    for slower in SLOWER {
        let (mut first, mut later) = (Vec::new(), Vec::new());
        for _ in 0..TIMES {
            let page = phone(kitchen, &cookies, slower).await?;
            page.go("/plans").await?;
            first.push(shown_ms(&page).await?);
            let asked = page
                .run(
                    "const all = performance.getEntriesByType('resource');
                     return [all.length, all.reduce((kB, one) => kB + one.transferSize / 1000, 0)]",
                )
                .await?;
            if first.len() == TIMES {
                println!("{} requests, {:.0} kB", asked[0], asked[1].as_f64().unwrap_or_default());
            }
            let ready = "return navigator.serviceWorker.ready.then((known) => !!known.active)";
            page.until_script(ready, "installed", |ready| *ready == json!(true)).await?;
            // The first load of the installed page settles what is kept.
            for _ in 0..2 {
                page.go("/plans").await?;
                shown_ms(&page).await?;
            }
            page.go("/plans").await?;
            later.push(shown_ms(&page).await?);
            page.close().await;
        }
        told("the first time", slower, first);
        told("later", slower, later);
    }
    Ok(())
}
