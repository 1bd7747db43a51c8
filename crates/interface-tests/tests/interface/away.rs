//! A device away from its server: what it shows, and what becomes of what is entered there.

use anyhow::{Context, ensure};
use interface_tests::{Page, Size};
use reqwest::Client;
use serde_json::{Value, json};
use thirtyfour::Key;

use crate::devices::{begun, get, paired, post, together, url};

/// Waits until the application is kept on the device.
async fn installed(page: &Page) -> anyhow::Result<()> {
    let kept = "return navigator.serviceWorker.ready
        .then(() => caches.keys())
        .then(async (names) => (await (await caches.open(names[0])).keys()).length)";
    page.until_script(kept, "kept for later", |n| n.as_u64().is_some_and(|n| n > 50)).await?;
    Ok(())
}

/// Waits until what the server answered is kept on the device: all of these are in it.
async fn known(page: &Page, words: &[&str]) -> anyhow::Result<()> {
    let kept = "return new Promise((resolve) => {
        const open = indexedDB.open('wide-sheen-kept');
        open.onsuccess = () => {
            const all = open.result.transaction('answers').objectStore('answers').get('answers');
            all.onsuccess = () => { open.result.close(); resolve(JSON.stringify(all.result ?? 0)); };
        };
    })";
    let has_all = |kept: &Value| {
        let kept = kept.as_str().unwrap_or_default();
        words.iter().all(|words| kept.contains(words))
    };
    page.until_script(kept, "known on the device", has_all).await?;
    Ok(())
}

#[tokio::test(flavor = "multi_thread")]
async fn what_is_installed_opens_without_the_server_where_it_was_left() {
    let phone = paired("Phone in the pocket", "maker", Size::PHONE).await.expect("in");
    together("installed", vec![("phone", phone)], async |pages| {
        let [(_, phone)] = pages else { anyhow::bail!("one") };
        let batch = begun("Dark bark under a scatter of stars").await?;
        let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
        let bowl = opened["bowl"]["id"].as_str().context("an id")?.to_owned();
        post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": 46.3 })).await?;
        installed(phone).await?;
        let guide = format!("/build/{batch}");
        let bench = format!("/bench/{bowl}");
        for (path, of) in
            [("/shelf/shopping", "\"shopping\""), (&guide, &batch), (&bench, &bowl)]
        {
            phone.go(path).await?;
            phone.settled().await?;
            known(phone, &[of]).await?;
        }
        // As it is shown: by what the thermometer is off by.
        let stands = get(&format!("/bowls/{bowl}")).await?;
        let shown = stands["bowl"]["latest"]["temp_c"].as_f64().context("a temperature")?;
        let shown = format!("{shown:.1}");
        phone.until_said(&shown).await?;
        phone.disconnect(true).await?;
        phone.go("/begin").await?;
        phone.until_said(&shown).await?;
        ensure!(phone.path().await? == format!("/bench/{bowl}"), "{}", phone.path().await?);
        phone.until_said("No connection").await?;
        // By its key: "Read the thermometer" may stand beside another bowl.
        let typed = format!("47.1{}", char::from(Key::Enter));
        phone.fill("Reading typed by hand, °C", &typed).await?;
        phone.until_said("Waiting: 1").await?;
        phone.go(&format!("/build/{batch}")).await?;
        phone.find("[data-testid='progress']").await?;
        phone.go("/shelf/shopping").await?;
        phone.until_said("Shopping for").await?;
        phone.until_said("No connection to the server").await?;
        phone.disconnect(false).await?;
        phone.go(&format!("/bench/{bowl}")).await?;
        let kept = format!(
            "return fetch('/api/v1/bowls/{bowl}/readings').then(r => r.json()).then(all => all.length)"
        );
        phone.until_script(&kept, "both readings", |n| *n == json!(2)).await?;
        phone.forgive().await
    })
    .await;
}

/// In a shop there is no server.
#[tokio::test(flavor = "multi_thread")]
async fn what_is_bought_away_from_home_is_on_the_shelf_once_one_is_back() {
    let phone = paired("Phone in the shop", "maker", Size::PHONE).await.expect("in");
    let tablet = paired("Tablet at home", "helper", Size::TABLET).await.expect("in");
    together("bought", vec![("phone", phone), ("tablet", tablet)], async |pages| {
        let [(_, phone), (_, tablet)] = pages else { anyhow::bail!("two") };
        let chocolate = json!({ "kind": "chocolate", "name": "Shop's dark", "family": "dark" });
        let dark = post("/shelf", json!({ "thing": chocolate, "left": 10.0 })).await?["id"].clone();
        let dark = dark.as_str().context("an id")?.to_owned();
        let plan = post("/plans", json!({ "name": "Bark from a shop" })).await?;
        let mut inputs = plan["inputs"].clone();
        inputs["bowls"][0]["chocolate_id"] = json!(dark);
        inputs["components"][0]["work"]["toppings"] =
            json!([{ "name": "Shop's seeds", "across_mm": 8.0, "each_g": 0.5, "wish": { "by": "grams", "mass_g": 40.0 } }]);
        let path = format!("/plans/{}", plan["id"].as_str().context("an id")?);
        let saved = Client::new()
            .put(url(&path))
            .header("If-Match", format!("\"{}\"", plan["version"]))
            .json(&json!({ "name": plan["name"], "note": "", "inputs": inputs }))
            .send()
            .await?;
        ensure!(saved.status().is_success(), "{}", saved.text().await?);
        let list = format!("{path}/shopping");
        phone.go(&list).await?;
        let lines = "[data-testid='to-buy']";
        phone.until_count(lines, 2).await?;
        phone.settled().await?;
        installed(phone).await?;
        phone.reload().await?;
        phone.until_count(lines, 2).await?;

        known(phone, &["\"shopping\"", plan["id"].as_str().context("an id")?]).await?;
        // A helper reads it.
        tablet.go(&format!("/shopping?plans={}", plan["id"].as_str().context("an id")?)).await?;
        tablet.until_count(lines, 2).await?;
        tablet.until_count("[aria-label^='Bought']", 0).await?;

        phone.disconnect(true).await?;
        phone.touch("Bought: Shop's dark").await?;
        phone.touch("Bought: Shop's seeds").await?;
        phone.until_count(lines, 0).await?;
        phone.until_said("Waiting: 2").await?;
        // It is left and opened again, still without the server; one is put back after all.
        phone.go("/begin").await?;
        phone.until_count("[data-testid='bought'] button", 2).await?;
        phone.is_accessible().await?;
        phone.fits_sideways().await?;
        phone.touch("Take back: Shop's seeds").await?;
        phone.until_count(lines, 1).await?;
        phone.touch("Bought: Shop's seeds").await?;
        phone.until_count(lines, 0).await?;

        phone.disconnect(false).await?;
        let stands = |count: usize| {
            let left = "return fetch('/api/v1/shelf').then((r) => r.json()).then(({ things }) =>
                things.filter(({ thing }) => thing.name?.startsWith(\"Shop's\"))
                    .map(({ left }) => left))";
            phone.until_script(left, "on the shelf", move |left| {
                let left = left.as_array().into_iter().flatten().filter_map(Value::as_f64);
                left.filter(|left| *left > 10.0).count() == count
            })
        };
        stands(2).await?;
        phone.until_count("[data-testid='waiting']", 0).await?;
        // Taken back online it is gone at once, and on the list again.
        phone.touch("Take back: Shop's seeds").await?;
        phone.until_count(lines, 1).await?;
        stands(1).await?;
        phone.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_is_changed_of_a_plan_without_the_server_is_kept_when_it_is_left() {
    let phone = paired("Phone on the train", "maker", Size::PHONE).await.expect("in");
    together("unsaved", vec![("phone", phone)], async |pages| {
        let [(_, phone)] = pages else { anyhow::bail!("one") };
        let plan = post("/plans", json!({ "name": "Train bark" })).await?;
        let path = format!("/plans/{}", plan["id"].as_str().context("an id")?);
        phone.go(&format!("{path}/schedule")).await?;
        installed(phone).await?;
        phone.reload().await?;
        phone.settled().await?;
        known(phone, &["\"days\"", plan["id"].as_str().context("an id")?]).await?;
        phone.disconnect(true).await?;
        phone.choose("Who works", "I, with a helper or a child").await?;
        phone.until_said("No connection: kept here").await?;
        // Closed and opened again without the server, it is as it was changed.
        phone.go("/begin").await?;
        phone.settled().await?;
        let stands = "return [...document.querySelectorAll('select')]
            .map((one) => one.selectedOptions[0]?.textContent).join()";
        let chosen = |text: &Value| {
            text.as_str().is_some_and(|text| text.contains("I, with a helper or a child"))
        };
        phone.until_script(stands, "as it was changed", chosen).await?;
        // Left and closed: it is saved once the server is back, whatever is open then.
        phone.go("/shelf").await?;
        phone.disconnect(false).await?;
        let saved = format!(
            "return fetch('/api/v1{path}').then((r) => r.json()).then((plan) => plan.inputs)"
        );
        let with_helper = |inputs: &Value| inputs.to_string().contains("with_helper");
        phone.until_script(&saved, "it is saved", with_helper).await?;
        phone.forgive().await
    })
    .await;
}
