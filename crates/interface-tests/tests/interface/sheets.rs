//! Sheets at true size.

use anyhow::{Context, ensure};
use interface_tests::browse;
use serde_json::json;

use crate::api;

#[tokio::test(flavor = "multi_thread")]
async fn outlines_are_piped_over_a_sheet_that_is_checked() {
    browse("sheets_piping", async |page| {
        let plan = api::id(&api::new_plan("outlines").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.choose("Replace or add", "replace with: piped pieces").await?;
        page.unfold().await?;
        page.choose("Line length by", "as these outlines take").await?;
        page.until_shown("figures", "12 pieces").await?;
        page.unfold().await?;
        page.choose("Outline", "letters").await?;
        page.fill("Letters", "Comète").await?;
        page.until_said("“è” is none of them").await?;
        page.fill("Letters", "Comet").await?;
        page.fill("Width", "150").await?;
        page.choose("Joined", "not: each for itself").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.place("Paper").await?;
        page.touch("The sheet to pipe over").await?;
        page.until_said("It falls into 5 parts").await?;
        let told = page.find("[data-testid='outline-check'] svg").await?;
        ensure!(told.attr("aria-label").await?.is_some_and(|l| l.contains("5 parts")));
        page.choose("Side to pipe", "up: drawn as it is").await?;
        page.find("[data-testid='sheets'] img[alt^='Sheet 1 of']").await?;
        page.touch("back to the plan").await?;
        page.unfold().await?;
        page.choose("Outline", "my own drawing (SVG)").await?;
        let folder = tempfile::tempdir()?;
        let bad = folder.path().join("bad.svg");
        std::fs::write(&bad, "<svg><script>1</script><path d='M0 0 L9 9'/></svg>")?;
        page.give("A drawing to pipe over", &bad).await?;
        page.until_said("it has a <script>").await?;
        let good = folder.path().join("good.svg");
        std::fs::write(&good, "<svg><path d='M0 20 L40 20 M20 0 L20 40'/></svg>")?;
        page.give("A drawing to pipe over", &good).await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.place("Paper").await?;
        page.touch("The sheet to pipe over").await?;
        page.until_said("your own drawing").await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_slab_has_its_score_map_and_a_wrap_its_strip() {
    browse("sheets_score", async |page| {
        let plan = api::id(&api::new_plan("shards").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.choose("Replace or add", "replace with: scored shards").await?;
        page.until_shown("figures", "30 pieces").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.place("Paper").await?;
        page.touch("The score map").await?;
        let first = page.until_shown("score-words", "30 pieces").await?;
        page.find("[data-testid='sheets'] img[alt='Sheet 2 of 2']").await?;
        page.touch("Another pattern").await?;
        page.until("score-words", "another map", |text| text != first).await?;

        page.go(&format!("/plans/{plan}")).await?;
        page.choose("Replace or add", "replace with: wrap round a cake").await?;
        page.until_shown("figures", "590 mm long").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.place("Paper").await?;
        page.touch("The strip to cut").await?;
        page.find("[data-testid='sheets'] img[alt='Sheet 3 of 3']").await?;
        // Each on a page of its own, and nothing else.
        let pages = page.printed_pages().await?;
        ensure!(pages == 3, "{pages} pages");
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn letters_that_would_fall_apart_are_joined_by_bridges_that_are_proposed() {
    browse("piping_bridges", async |page| {
        let kinds = api::get("/kinds").await?;
        let all = kinds.as_array().context("kinds")?;
        let piped = all.iter().find(|kind| kind["name"] == "Piped pieces").context("piped")?;
        let mut work = piped["start"].clone();
        work["outlines"] = json!([{ "outline": { "shape": "word", "text": "ILL" },
            "width_mm": 90, "count": 3 }]);
        let body = json!({ "name": "Test: letters", "inputs": { "room_c": 20, "rh_pct": 45,
            "bowls": [{ "key": "dark", "family": "dark" }],
            "components": [{ "key": "it", "name": "Letters", "work": work }] } });
        let plan = api::id(&api::post("/plans", body).await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.unfold().await?;
        page.until_shown("outline-lines", "falls into 3 parts").await?;
        page.choose("Bridges", "add 2 short lines").await?;
        page.until("outline-lines", "one part", |text| !text.contains("falls into")).await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        let kept = api::get(&format!("/plans/{plan}")).await?;
        ensure!(kept["inputs"]["components"][0]["work"]["outlines"][0]["bridged"] == true);
        page.find("[data-testid=pieces-picture] path").await?;
        Ok(())
    })
    .await;
}
