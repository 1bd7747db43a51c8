//! Measures how long it takes from a step of a slider to what follows it on screen;
//! run by `scripts/bench-interface`.

use anyhow::{Context, ensure};
use interface_tests::{Kitchen, Page};
use reqwest::Client;
use serde_json::{Value, json};

/// Steps a slider and waits, in the page, for what follows it to change; the times
/// are the page's own, to the frame in which the change is drawn.
const STEPS: &str = "
    const done = arguments[arguments.length - 1];
    const slider = document.querySelector(\"SLIDER\");
    const follows = document.querySelector(\"FOLLOWS\");
    const took = [];
    slider.focus();
    const step = (n) => {
        if (n === 200) return done(took);
        const key = n % TURN < TURN / 2 ? 'ArrowRight' : 'ArrowLeft';
        const begun = performance.now();
        const followed = () => {
            seen.disconnect();
            clearTimeout(never);
            requestAnimationFrame(() => {
                took.push(performance.now() - begun);
                requestAnimationFrame(() => step(n + 1));
            });
        };
        const seen = new MutationObserver(followed);
        // Where two steps were drawn as one, and the second took the first back.
        const never = setTimeout(followed, 1000);
        seen.observe(follows, {
            characterData: true, childList: true, subtree: true, attributes: true,
        });
        slider.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    };
    step(0);
";

async fn measure(
    page: &Page,
    what: &str,
    slider: &str,
    follows: &str,
    turn: u32,
) -> anyhow::Result<()> {
    let steps = STEPS
        .replace("SLIDER", slider)
        .replace("FOLLOWS", follows)
        .replace("TURN", &turn.to_string());
    let took = page.run_async(&steps).await?;
    let mut took: Vec<f64> =
        took.as_array().context("times")?.iter().filter_map(Value::as_f64).collect();
    ensure!(took.len() == 200, "{} steps were followed", took.len());
    took.sort_by(f64::total_cmp);
    println!(
        "{what}: median {:.1} ms, p95 {:.1} ms, of {} steps",
        took[100],
        took[190],
        took.len()
    );
    Ok(())
}

/// A plan of filled shells in 24 half balls, with four films on their face; its id.
async fn four_films(address: &str) -> anyhow::Result<String> {
    let api = format!("{address}/api/v1");
    let client = Client::new();
    let kinds: Value = client.get(format!("{api}/kinds")).send().await?.json().await?;
    let all = kinds.as_array().context("kinds")?;
    let kind = all.iter().find(|kind| kind["name"] == "Filled shells").context("shells")?;
    let mut work = kind["start"].clone();
    let film = |colour: &str, way: &str, share: u32| json!({ "colour": colour, "way": way, "share_pct": share });
    work["cast"]["colours"] = json!([
        film("white colour", "fleck", 20),
        film("blue", "brush", 100),
        film("blue", "spray", 100),
        film("white colour", "brush", 100)
    ]);
    let mut bowls = vec![json!({ "key": "dark", "family": "dark" })];
    bowls.extend(kind["colours"].as_array().context("colours")?.clone());
    bowls[1]["colour"]["pigments"][0]["parts_per_100"] = 0.5.into();
    let body = json!({ "name": "Four films", "inputs": { "room_c": 20, "rh_pct": 45,
        "fridge_c": 5, "bowls": bowls,
        "components": [{ "key": "it", "name": "Shells", "work": work }] } });
    let made = client.post(format!("{api}/plans")).json(&body).send().await?;
    let made: Value = made.error_for_status()?.json().await?;
    Ok(made["id"].as_str().context("an id")?.to_owned())
}

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let kitchen = Kitchen::shared();
    let page = Page::open(kitchen).await?;
    page.go("/plans/new/make").await?;
    page.touch("Slab of bark").await?;
    page.until_shown("glance-weigh", "g").await?;
    let figure = "[data-testid=glance-weigh]";
    measure(&page, "slider step to figure on screen", "[role=slider]", figure, 40).await?;
    let shells = four_films(&kitchen.address).await?;
    page.go(&format!("/plans/{shells}")).await?;
    page.until_shown("film-order", "First in, first seen: white colour").await?;
    page.touch("blue").await?;
    page.unfold().await?;
    page.until_shown("colour-recipe", "cocoa butter").await?;
    let strength = "[role=slider][aria-valuemax='20']";
    measure(
        &page,
        "slider step to the look of 24 cavities with four films",
        strength,
        "[data-testid=mould-picture]",
        16,
    )
    .await?;
    page.close().await;
    Ok(())
}
