//! The main jobs by keyboard alone: nothing is touched, and the focus is never lost.

use anyhow::{Context, ensure};
use interface_tests::{Page, browse};
use serde_json::json;
use thirtyfour::Key;

use crate::api;
use crate::guide::go_through;

/// What has the focus, by what it is labelled with or shows; nothing, where none has it.
const FOCUSED: &str = "const now = document.activeElement; \
    return now === document.body ? '' : now.getAttribute('aria-label') ?? now.innerText.trim()";

async fn press(page: &Page, key: Key) -> anyhow::Result<()> {
    page.press(&char::from(key).to_string()).await
}

async fn focused(page: &Page) -> anyhow::Result<String> {
    Ok(page.run(FOCUSED).await?.as_str().unwrap_or_default().to_owned())
}

/// Goes on with Tab until something of a name has the focus, and sets it off.
async fn go_to(page: &Page, name: &str) -> anyhow::Result<()> {
    for _ in 0..80 {
        if focused(page).await?.starts_with(name) {
            return press(page, Key::Enter).await;
        }
        press(page, Key::Tab).await?;
    }
    anyhow::bail!("Tab never comes to {name}")
}

/// Nothing that went away took the focus with it.
async fn has_focus(page: &Page) -> anyhow::Result<()> {
    let at = page.run("return document.activeElement.closest('main') !== null").await?;
    ensure!(at == json!(true), "the focus was lost");
    Ok(())
}

#[tokio::test(flavor = "multi_thread")]
async fn a_slab_goes_from_nothing_to_the_log_by_keyboard_alone() {
    browse("keyboard", async |page| {
        page.go("/plans/new").await?;
        page.until_said("I want to make").await?;
        go_to(page, "I want to make").await?;
        page.until_said("Slab of bark").await?;
        go_to(page, "Slab of bark").await?;
        page.until_shown("glance-weigh", "g").await?;
        let plan = page.path().await?;
        let plan = plan.strip_prefix("/plans/").context("at the plan")?.to_owned();
        go_to(page, "Start tempering").await?;
        page.until_shown("instruction", "Read the thermometer").await?;
        page.press("r").await?;
        page.press(&format!("20.5{}", char::from(Key::Enter))).await?;
        page.until_shown("instruction", "Heat for 30 s").await?;
        go_to(page, "Heat 30 s").await?;
        page.until_shown("instruction", "Leave it in").await?;
        has_focus(page).await?;
        go_to(page, "Undo").await?;
        page.until_shown("instruction", "Heat for 30 s").await?;
        has_focus(page).await?;

        let batch = api::only_batch(&plan).await?;
        api::pour(&batch, "dark").await?;
        page.go(&format!("/build/{batch}")).await?;
        page.until_shown("build-now", "Spread it even").await?;
        // What was set off may be gone; its place has the focus.
        go_through(page, async |name| go_to(page, name).await, async || has_focus(page).await)
            .await?;

        go_to(page, "Record result").await?;
        page.until_said("How it came out").await?;
        for _ in 0..4 {
            // Each line of choices is one stop; a space takes the first.
            let choice = "const now = document.activeElement; \
                return now.matches('input[type=radio]') && !document.querySelector( \
                    `input[name='${now.name}']:checked`)";
            for _ in 0..40 {
                if page.run(choice).await? == json!(true) {
                    break;
                }
                press(page, Key::Tab).await?;
            }
            page.press(" ").await?;
        }
        go_to(page, "Save").await?;
        page.until_said("after the pour").await?;
        Ok(())
    })
    .await;
}
