//! Measures every place of the demo at three sizes of screen: its height in screens, what can
//! be touched in the first view, how far what is there moves while it loads, what spills out of
//! its button, and what axe finds. With a folder as its argument it leaves a picture of each
//! there; further arguments choose places by a part of their names. Run by `scripts/measure-screens`.

use std::path::PathBuf;

use anyhow::Context;
use interface_tests::{Kitchen, Page, Size};
use reqwest::Client;
use serde_json::{Value, json};

const SIZES: [(&str, Size); 3] =
    [("laptop", Size::LAPTOP), ("tablet", Size::TABLET), ("phone", Size::PHONE)];

/// Moves of what is there, from the first frame on.
const MOVED: &str = "
    const done = arguments[arguments.length - 1];
    let moved = 0, most = 0, what = '';
    new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) {
            if (entry.hadRecentInput) continue;
            moved += entry.value;
            if (entry.value <= most) continue;
            most = entry.value;
            what = entry.sources.map(({ node, previousRect, currentRect }) =>
                `${Math.round(previousRect.y)} to ${Math.round(currentRect.y)} px: `
                    + `${node?.innerText?.slice(0, 40) ?? node?.nodeName}`.replaceAll('\\n', ' '))
                .join('; ');
        }
    }).observe({ type: 'layout-shift', buffered: true });
    requestAnimationFrame(() => setTimeout(() => {
        const inSight = (e) => {
            const box = e.getBoundingClientRect();
            return box.width > 1 && box.height > 1 && box.top < innerHeight && box.bottom > 0;
        };
        const touched =
            'main a, main button, main input, main select, main textarea, main [role=slider]';
        done({
            height: document.documentElement.scrollHeight / innerHeight,
            wide: document.documentElement.scrollWidth > innerWidth,
            controls: [...document.querySelectorAll(touched)].filter(inSight).length,
            moved,
            what,
        });
    }, 50));
";

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let mut arguments = std::env::args().skip(1);
    let folder = arguments.next().map(PathBuf::from);
    let only: Vec<String> = arguments.collect();
    let kitchen = Kitchen::shared();
    let places: Vec<_> = places(&kitchen.address)
        .await?
        .into_iter()
        .filter(|(name, _)| only.is_empty() || only.iter().any(|part| name.contains(part)))
        .collect();
    let page = Page::open(kitchen).await?;
    page.prefer("light").await?;
    println!("{:<52} {:>7} {:>8} {:>8} {:>6}", "place", "size", "screens", "controls", "moved");
    for (name, path) in &places {
        for (called, size) in SIZES {
            page.resize(size).await?;
            page.go(path).await?;
            page.settled().await?;
            let found = page.run_async(MOVED).await?;
            println!(
                "{name:<52} {called:>7} {:>8.2} {:>8} {:>6.3}{}",
                found["height"].as_f64().context("a height")?,
                found["controls"],
                found["moved"].as_f64().context("a sum")?,
                if found["wide"] == true { "  too wide" } else { "" }
            );
            if found["moved"].as_f64() >= Some(0.02) {
                println!("    moved: {}", found["what"].as_str().unwrap_or_default());
            }
            if let Err(small) = page.can_be_touched().await {
                println!("    {small}");
            }
            for spilt in page.spilt().await? {
                println!("    spilt: {spilt}");
            }
            for fault in page.axe().await? {
                println!("    axe: {}", fault.chars().take(300).collect::<String>());
            }
            if let Some(folder) = &folder {
                std::fs::create_dir_all(folder)?;
                let file = name.replace(['/', ' ', ',', ':'], "-");
                page.picture(&folder.join(format!("{file}.{called}.png"))).await?;
            }
        }
    }
    page.close().await;
    Ok(())
}

/// A plan of each kind of work, as it starts.
async fn of_each_kind(client: &Client, address: &str) -> anyhow::Result<Vec<(String, String)>> {
    let api = format!("{address}/api/v1");
    let post = async |path: &str, body: Value| {
        let answer = client.post(format!("{api}/{path}")).json(&body).send().await?;
        anyhow::Ok(answer.error_for_status()?.json::<Value>().await?)
    };
    let kinds: Value = client.get(format!("{api}/kinds")).send().await?.json().await?;
    let usual = post("plans", json!({ "name": "New plan" })).await?;
    let mut places = Vec::new();
    for kind in kinds.as_array().context("kinds")? {
        let name = kind["name"].as_str().context("a name")?;
        let edit = json!({ "edit": "add_kind", "kind": name });
        let body = json!({ "inputs": usual["inputs"], "edit": edit });
        let mut inputs = post("calc/plan/edit", body).await?["inputs"].take();
        inputs["components"].as_array_mut().context("components")?.remove(0);
        let plan = post("plans", json!({ "name": name, "inputs": inputs })).await?;
        let id = plan["id"].as_str().context("an id")?;
        places.push((format!("kind: {name}"), format!("/plans/{id}")));
        places.push((format!("kind/steps: {name}"), format!("/plans/{id}/steps")));
    }
    Ok(places)
}

/// Every place, with its address.
async fn places(address: &str) -> anyhow::Result<Vec<(String, String)>> {
    let client = Client::new();
    let listed = async |path: &str, of: &str| {
        let answer = client.get(format!("{address}/api/v1/{path}")).send().await?;
        let page: Value = answer.error_for_status()?.json().await?;
        let all = page[of].as_array().context("a list")?.clone();
        let text = |one: &Value, key: &str| one[key].as_str().unwrap_or_default().to_owned();
        let named = |one: &Value| (text(one, "id"), text(one, "name"), text(one, "bowl_id"));
        anyhow::Ok(all.iter().map(named).collect::<Vec<_>>())
    };
    let mut places: Vec<(String, String)> = [
        "plans",
        "plans/new",
        "plans/new/have",
        "plans/new/make",
        "log",
        "shelf",
        "shelf/colours",
        "shelf/moulds",
        "shelf/heat",
        "colour",
        "reference",
        "reference/words",
        "settings",
        "settings/devices",
    ]
    .map(|place| (place.to_owned(), format!("/{place}")))
    .into();
    for (id, name, _) in listed("plans?most=200", "plans").await? {
        for at in ["", "/steps", "/schedule", "/shopping", "/card"] {
            places.push((format!("plan{at}: {name}"), format!("/plans/{id}{at}")));
        }
    }
    places.extend(of_each_kind(&client, address).await?);
    for (id, name, bowl) in listed("batches?of=under_way&most=200", "batches").await? {
        places.push((format!("guide: {name}"), format!("/build/{id}")));
        if !bowl.is_empty() {
            places.push((format!("bench: {name}"), format!("/bench/{bowl}")));
        }
    }
    for (id, name, _) in listed("batches?of=over&most=200", "batches").await?.into_iter().take(3) {
        places.push((format!("logged: {name}"), format!("/log/{id}")));
    }
    Ok(places)
}
