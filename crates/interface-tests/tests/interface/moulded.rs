//! Moulded work: planned, made over three sped-up days, logged with pictures.

use anyhow::{Context, ensure};
use interface_tests::browse;
use serde_json::json;

use crate::api;
use crate::guide::follow;

/// A plan of filled shells in two colours, as they start; its id.
pub async fn shells(name: &str) -> anyhow::Result<String> {
    let kinds = api::get("/kinds").await?;
    let all = kinds.as_array().context("kinds")?;
    let kind = all.iter().find(|kind| kind["name"] == "Filled shells").context("shells")?;
    let mut bowls = vec![json!({ "key": "dark", "family": "dark" })];
    bowls.extend(kind["colours"].as_array().context("colours")?.clone());
    let body = json!({ "name": format!("Test: {name}"), "inputs": { "room_c": 19.5, "rh_pct": 42,
        "fridge_c": 5, "bowls": bowls,
        "components": [{ "key": "planets", "name": "Planets", "work": kind["start"] }] } });
    api::id(&api::post("/plans", body).await?)
}

#[tokio::test(flavor = "multi_thread")]
async fn a_wrong_order_of_colours_is_named_and_put_right() {
    browse("moulded_order", async |page| {
        let plan = shells("upside down").await?;
        page.go(&format!("/plans/{plan}")).await?;
        page.unfold().await?;
        page.until_shown("film-order", "First in, first seen: blue").await?;
        page.touch("Earlier: colour 2").await?;
        page.until_said("Upside down: white colour goes in before blue and hides it").await?;
        page.until_shown("film-order", "(not seen)").await?;
        page.touch("Earlier: colour 2").await?;
        page.until_shown("film-order", "First in, first seen: blue").await?;
        page.until("film-order", "both seen", |text| !text.contains("not seen")).await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_cannot_be_cast_is_said_beside_its_field_and_nothing_is_lost() {
    browse("moulded_bad_input", async |page| {
        let plan = shells("bad input").await?;
        page.go(&format!("/plans/{plan}")).await?;
        page.unfold().await?;
        page.until_shown("figures", "1.8 mm, 24 pieces").await?;
        page.fill("Exactly", "11").await?;
        page.fill("Across", "20").await?;
        page.until_said("radius").await?;
        page.fill("Exactly", "2").await?;
        page.until_shown("figures", "2 mm, 24 pieces").await?;
        page.fill("Cavities", "0").await?;
        page.until_said("must be 1 to 500 cavities; it is 0").await?;
        page.fill("Cavities", "12").await?;
        page.until_shown("figures", "12 pieces").await?;
        page.fill("In each", "40").await?;
        page.until_said("holds").await?;
        page.fill("In each", "").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn planets_are_coloured_shelled_filled_capped_over_days_and_logged_with_a_picture() {
    browse("moulded_days", async |page| {
        let plan = shells("planets over days").await?;
        page.go(&format!("/plans/{plan}/schedule")).await?;
        page.until_shown("days", "Then").await?;
        let sittings = page.run("return document.querySelectorAll('[data-testid=sitting]').length");
        ensure!(sittings.await? == 4, "colour, shell, fill, cap");
        let batch = api::begun(&plan).await?;
        page.go(&format!("/build/{batch}")).await?;
        page.until_shown("build-now", "Polish the mould").await?;
        let bring = async |task: &str| {
            // The dark of the first day is used up: it is tempered twice.
            let all = ["blue", "white colour", "dark"];
            let asked = all.iter().find(|of| task.contains(&format!("Temper the {of}")));
            api::pour(&batch, asked.with_context(|| format!("a chocolate in {task}"))?).await?;
            Ok(())
        };
        let waits = follow(page, bring).await?.waits;
        ensure!(waits.len() == 3, "{waits:#?}");
        ensure!(waits.iter().all(|text| text.contains(" after ")), "{waits:#?}");
        page.touch("Record result").await?;
        page.unfold().await?;
        page.until_shown("built", "Cap them with the dark").await?;
        let picture = interface_tests::root().join("docs/screenshots/bench.png");
        page.give("A photo of the pieces", &picture).await?;
        page.find("[data-testid='photos'] img").await?;
        page.give("A photo of the pieces", &interface_tests::root().join("README.md")).await?;
        page.until_said("must be a PNG or a JPEG").await?;
        page.reload().await?;
        page.find("[data-testid='photos'] img").await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_build_that_is_due_reminds_on_every_other_page() {
    browse("moulded_reminder", async |page| {
        let batch = api::begun(&shells("a reminder").await?).await?;
        page.go(&format!("/build/{batch}")).await?;
        page.until_shown("build-now", "Polish the mould").await?;
        page.press("d").await?;
        page.until("build-now", "the next", |text| !text.contains("Polish the mould")).await?;
        page.go("/shelf").await?;
        // Other tests' builds may come before it: one of them is told, and the rest are counted.
        let told = page.until_shown("under-way", " · Test: ").await?;
        page.until_script("return document.title", "the tab tells it too", |title| {
            title.as_str().is_some_and(|title| {
                title.ends_with(" · Wide Sheen")
                    && told.contains(
                        title.split(": ").nth(1).unwrap_or("?").trim_end_matches(" · Wide Sheen"),
                    )
            })
        })
        .await?;
        page.find("[data-testid=under-way]").await?.click().await?;
        page.until_script("return location.pathname", "on to it", |path| {
            path.as_str()
                .is_some_and(|path| path.starts_with("/build/") || path.starts_with("/bench/"))
        })
        .await?;
        // All of it is in the list of what is under way, what presses first.
        page.go("/plans").await?;
        page.until_said("Test: a reminder").await?;
        Ok(())
    })
    .await;
}
