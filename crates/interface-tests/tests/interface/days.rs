//! By when: a plan for a Saturday, in the hours one is free; sittings that are put at a time.

use anyhow::ensure;
use interface_tests::{Page, browse};
use thirtyfour::Key;

use crate::moulded::shells;

/// When a sitting begins, as the strip has it.
async fn begins(page: &Page, step: &str) -> anyhow::Result<String> {
    let script = format!("return document.querySelector('[data-step=\"{step}\"]').ariaLabel");
    let label = page.run(&script).await?;
    let label = label.as_str().unwrap_or_default().to_owned();
    Ok(label.rsplit(", ").next().unwrap_or_default().to_owned())
}

#[tokio::test(flavor = "multi_thread")]
async fn planets_for_a_saturday_are_begun_in_time_and_moved_with_the_keys() {
    browse("days_saturday", async |page| {
        let plan = shells("planets for a Saturday").await?;
        page.go(&format!("/plans/{plan}/schedule")).await?;
        page.until_shown("verdict", "Done").await?;
        page.choose("It is to be", "ready by").await?;
        page.put("Ready by", "2041-10-12T18:00").await?;
        page.until_shown("verdict", "Ready Sat 12 Oct, 18:00").await?;
        page.until_shown("verdict", "latest start").await?;
        page.until_count("[data-testid=strip] [data-step]", 4).await?;
        page.find("[data-testid=ready-by]").await?;
        // A quarter of an hour sooner, by the keys: it stays there, and the rest is in time.
        let before = begins(page, "planets/fill").await?;
        page.find("[data-step='planets/fill']").await?.send_keys("" + Key::Left).await?;
        page.until_said("You put it at this time").await?;
        page.until_said("Let all times go").await?;
        let after = begins(page, "planets/fill").await?;
        ensure!(before != after, "it moved: {before}");
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.reload().await?;
        page.until_shown("verdict", "Ready Sat 12 Oct").await?;
        page.until_said("You put it at this time").await?;
        ensure!(begins(page, "planets/fill").await? == after, "it is kept");
        page.touch("Let all times go").await?;
        page.until("days", "let go", |text| !text.contains("You put it at this time")).await?;
        // In the past it is late, and what would mend it is said.
        page.put("Ready by", "2026-01-03T18:00").await?;
        page.until_shown("verdict", "Late by").await?;
        page.until_said("has passed").await?;
        // What is typed half changes nothing, and the page goes on.
        page.put("Ready by", "").await?;
        page.until_said("must be a day and a time").await?;
        page.choose("It is to be", "whenever I begin").await?;
        page.until_shown("verdict", "Done").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_hours_one_is_free_are_said_once_and_hold_for_every_plan() {
    browse("days_hours", async |page| {
        let plan = shells("planets on weekends").await?;
        page.go("/shelf/heat").await?;
        page.touch("Change the kitchen").await?;
        let had =
            page.run("return document.querySelectorAll('[role=group][aria-label=Days]').length");
        if had.await?.as_u64() == Some(0) {
            page.touch("Say when I am free").await?;
        }
        page.touch("Add a day that is otherwise").await?;
        page.put("Day", "2042-03-01").await?;
        page.touch("Save").await?;
        page.until_said("Free: ").await?;
        page.go(&format!("/plans/{plan}/schedule")).await?;
        page.until_said("In the hours you are free").await?;
        page.choose("It is to be", "ready by").await?;
        // A Saturday on which nobody is free: the last of it is done the day before.
        page.put("Ready by", "2042-03-01T18:00").await?;
        page.until_shown("verdict", "Ready Fri 28 Feb").await?;
        Ok(())
    })
    .await;
}
