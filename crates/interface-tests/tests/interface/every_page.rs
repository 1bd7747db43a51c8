//! What holds for every page: accessible, no wider than the screen, nothing out of its button.

use anyhow::Context;
use interface_tests::{Kitchen, Page, Size, browse, browse_at};
use serde_json::{Value, json};

use crate::api;

/// Every view, with words that show it has come.
async fn views() -> anyhow::Result<Vec<(String, &'static str)>> {
    let planned = api::id(&api::demo_plan().await?)?;
    let at_bench = api::demo_at_bench().await?;
    let bowl = at_bench["bowl_id"].as_str().context("a bowl")?.to_owned();
    let poured = api::id(&api::demo_made().await?)?;
    let (_, testing) = api::new_bowl("a smear").await?;
    api::post(&format!("/bowls/{testing}/readings"), json!({ "temp_c": 31.5 })).await?;
    api::post(&format!("/bowls/{testing}/actions"), json!({ "kind": "test_started" })).await?;
    let (_, done) = api::new_bowl("a pour").await?;
    api::post(&format!("/bowls/{done}/actions"), json!({ "kind": "poured" })).await?;
    let several = api::named("Nebula, comets and constellations").await?;
    let planets = api::named("Three days of planets").await?;
    let building = api::begun(&api::id(&api::new_plan("a build").await?)?).await?;
    Ok(vec![
        (format!("/plans/{several}"), "Nebula marble"),
        (format!("/plans/{several}/card"), "Never above"),
        (format!("/plans/{planets}"), "Planets with orange ganache"),
        (format!("/plans/{planets}/card"), "keeps 10 days"),
        ("/colour".into(), "How it looks when it is turned out"),
        (format!("/plans/{several}/sheets/constellations"), "star with 5 points"),
        (format!("/plans/{several}/sheets/nebula"), "back to the plan"),
        (format!("/build/{building}"), "Line the tray with parchment"),
        (format!("/log/{building}"), "Still to do"),
        ("/plans".into(), "In use"),
        (format!("/plans/{planned}"), "What to weigh"),
        (format!("/plans/{planets}/steps"), "Polish the mould"),
        (format!("/plans/{planets}/schedule"), "Save as a calendar file"),
        (format!("/plans/{planets}/shopping"), "Combine with other plans"),
        (format!("/plans/{planets}/boxes"), "The plan fills"),
        (format!("/plans/{planets}/cost"), "Cost breakdown"),
        (format!("/plans/{planets}/labels"), "Print labels"),
        ("/shelf/shopping".to_owned(), "Plans on this list"),
        ("/bench".into(), "At the bench"),
        (format!("/bench/{bowl}"), "Undo"),
        (format!("/bench/{testing}"), "Even satin"),
        (format!("/bench/{done}"), "Go on with the build guide"),
        ("/log".into(), "Given up"),
        ("/log/clinic".into(), "What you see"),
        ("/log/compare".into(), "Pick the first"),
        ("/log/patterns".into(), "Month by month"),
        ("/log/year".into(), "given up"),
        (format!("/log/{poured}/page"), "What came out"),
        (format!("/log/{poured}"), "Plan against what happened"),
        ("/shelf".into(), "Dark 66 %, the big bag"),
        ("/shelf/colours".into(), "Pigments"),
        ("/shelf/moulds".into(), "Trays"),
        ("/shelf/heat".into(), "from the drawer"),
        ("/plans/new".into(), "Try it without chocolate"),
        ("/plans/new/have".into(), "I have"),
        ("/plans/new/make".into(), "Dipped"),
        ("/reference/words".into(), "Seed"),
        ("/reference".into(), "never above"),
        ("/settings".into(), "This browser"),
        ("/settings/devices".into(), "In the home network"),
        (format!("/log/{poured}/labels"), "Print labels"),
        ("/nowhere".into(), "Page not found"),
    ])
}

/// Looks at every page at each of some sizes.
async fn each(page: &Page, sizes: &[Size]) -> anyhow::Result<()> {
    for (path, words) in views().await? {
        page.go(&path).await?;
        page.until_said(words).await?;
        for &size in sizes {
            page.resize(size).await?;
            let here = || format!("{path} at {size:?}");
            page.is_accessible().await.with_context(here)?;
            page.fits_sideways().await.with_context(here)?;
            page.nothing_spills().await.with_context(here)?;
            if size != Size::NARROW {
                page.can_be_touched().await.with_context(here)?;
            }
        }
    }
    Ok(())
}

#[tokio::test(flavor = "multi_thread")]
async fn every_page_is_accessible_on_a_laptop_in_the_light() {
    browse("laptop_light", async |page| {
        each(page, &[Size::LAPTOP, Size::TABLET, Size::LAPTOP_AT_TWICE]).await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn every_page_is_accessible_on_a_phone_in_the_dark() {
    browse("phone_dark", async |page| {
        page.prefer("dark").await?;
        each(page, &[Size::PHONE, Size::NARROW]).await
    })
    .await;
}

/// Every page of what the release before left: its plans and their cards, its batches, its
/// bowls, its shelf.
async fn left_by_the_release_before(kitchen: &Kitchen) -> anyhow::Result<Vec<String>> {
    let get = async |path: &str| -> anyhow::Result<Value> {
        let url = format!("{}/api/v1{path}", kitchen.address);
        let mut said = reqwest::get(&url).await?;
        // Where all tests begin at once its database may be late; the interface asks again too.
        for _ in 0..60 {
            if said.status() != reqwest::StatusCode::SERVICE_UNAVAILABLE {
                break;
            }
            tokio::time::sleep(std::time::Duration::from_millis(500)).await;
            said = reqwest::get(&url).await?;
        }
        Ok(said.error_for_status()?.json().await?)
    };
    let mut paths: Vec<String> =
        ["/plans", "/bench", "/log", "/shelf", "/reference", "/settings"].map(Into::into).into();
    let list = |page: &Value, of: &str| page[of].as_array().cloned().unwrap_or_default();
    for plan in list(&get("/plans?most=200").await?, "plans") {
        let id = api::id(&plan)?;
        paths.extend([format!("/plans/{id}"), format!("/plans/{id}/card")]);
    }
    for of in ["over", "under_way"] {
        for line in list(&get(&format!("/batches?of={of}&most=200")).await?, "batches") {
            let id = api::id(&line)?;
            let batch = get(&format!("/batches/{id}")).await?;
            paths.extend([format!("/log/{id}"), format!("/build/{id}")]);
            for bowl in list(&batch, "bowls") {
                paths.push(format!("/bench/{}", api::id(&bowl)?));
            }
        }
    }
    Ok(paths)
}

#[tokio::test(flavor = "multi_thread")]
async fn every_page_of_what_the_release_before_left_is_shown_whole() {
    let kitchen = Kitchen::of_the_release_before();
    browse_at(kitchen, "release_before", async |page| {
        let paths = left_by_the_release_before(kitchen).await?;
        anyhow::ensure!(paths.len() > 50, "{paths:?}");
        for path in paths {
            page.go(&path).await?;
            page.settled().await.with_context(|| path.clone())?;
            let text = page.run("return document.body.innerText").await?;
            let text = text.as_str().unwrap_or_default();
            for broken in ["cannot be read", "could not be", "NaN", "undefined", "Page not found"] {
                anyhow::ensure!(!text.contains(broken), "{path} says {broken}: {text}");
            }
            page.is_accessible().await.with_context(|| path.clone())?;
            page.fits_sideways().await.with_context(|| path.clone())?;
        }
        Ok(())
    })
    .await;
}
