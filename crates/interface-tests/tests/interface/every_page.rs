//! What holds for every page: accessible, and no wider than the screen.

use anyhow::Context;
use interface_tests::{Page, Size, browse};
use serde_json::json;

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
        (format!("/plans/{planets}/card"), "Keeps:"),
        ("/colour".into(), "How it looks when it is turned out"),
        (format!("/plans/{several}/sheets/constellations"), "star with 5 points"),
        (format!("/plans/{several}/sheets/nebula"), "back to the plan"),
        (format!("/build/{building}"), "Line the tray with parchment"),
        (format!("/log/{building}"), "Still to do"),
        ("/plans".into(), "In use"),
        (format!("/plans/{planned}"), "What it takes"),
        ("/bench".into(), "At the bench"),
        (format!("/bench/{bowl}"), "Undo"),
        (format!("/bench/{testing}"), "Even satin"),
        (format!("/bench/{done}"), "Go on with the build guide"),
        ("/log".into(), "Given up"),
        (format!("/log/{poured}"), "Plan against what happened"),
        ("/shelf".into(), "from the drawer"),
        ("/reference".into(), "never above"),
        ("/display".into(), "In this browser"),
        ("/nowhere".into(), "Nothing here"),
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
        }
    }
    Ok(())
}

#[tokio::test(flavor = "multi_thread")]
async fn every_page_is_accessible_on_a_laptop_in_the_light() {
    browse("laptop_light", async |page| each(page, &[Size::LAPTOP]).await).await;
}

#[tokio::test(flavor = "multi_thread")]
async fn every_page_is_accessible_on_a_phone_in_the_dark() {
    browse("phone_dark", async |page| {
        page.prefer("dark").await?;
        each(page, &[Size::PHONE, Size::NARROW]).await
    })
    .await;
}
