//! The first day: an installation with nothing on its shelf.

use anyhow::{Context, ensure};
use interface_tests::{Kitchen, Page, Size, browse_at};
use serde_json::Value;

const NAME: &str = "A slab over the whole tray";

/// How many plans of that name there are: other tests make theirs meanwhile.
async fn plans(kitchen: &Kitchen) -> anyhow::Result<usize> {
    let url = format!("{}/api/v1/plans", kitchen.address);
    let page: Value = reqwest::get(url).await?.error_for_status()?.json().await?;
    let all = page["plans"].as_array().context("plans")?;
    Ok(all.iter().filter(|plan| plan["name"] == NAME).count())
}

/// From the list of pictures to the plan of a slab.
async fn a_slab(page: &Page) -> anyhow::Result<()> {
    page.go("/plans/new/make").await?;
    page.touch("Slab of bark").await?;
    page.until_shown("glance", "Weigh out").await?;
    page.place("Steps").await
}

#[tokio::test(flavor = "multi_thread")]
async fn from_nothing_to_a_figure_and_on_to_the_bench() {
    let kitchen = Kitchen::just_installed();
    browse_at(kitchen, "first_day", async |page| {
        for size in [Size::LAPTOP, Size::PHONE] {
            page.resize(size).await?;
            let before = plans(kitchen).await?;
            page.go("/").await?;
            page.until_said("New plan").await?;
            page.is_accessible().await?;
            // Where nothing was planned yet the ways in stand there already.
            page.touch("New plan").await?;
            page.touch("What can I make from what I have?").await?;
            page.fill("I have", "250").await?;
            page.until_said("Plan this").await?;
            page.until_script(
                "return [...document.querySelectorAll('[data-testid=proposal]')] \
                     .some((card) => card.innerText.includes('600 cm², 3 mm'))",
                "250 g over the tray: 3 mm",
                |value| value == &Value::Bool(true),
            )
            .await?;
            page.is_accessible().await?;
            page.fits_sideways().await?;
            page.fill("I have", "5").await?;
            page.until_said("is too little to make anything of").await?;
            page.fill("I have", "250").await?;
            // To look is to keep nothing.
            ensure!(plans(kitchen).await? == before, "nothing was chosen yet");
            page.touch("Plan this").await?;
            page.until_shown("glance-weigh", "250 g").await?;
            ensure!(plans(kitchen).await? == before + 1, "one was chosen");
            page.touch("Start tempering").await?;
            page.until_shown("instruction", "Read the thermometer").await?;
            page.forgive().await?;
        }
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_it_is_melted_with_is_asked_once_and_stands_in_every_melt() {
    browse_at(Kitchen::just_installed(), "first_melt", async |page| {
        page.go("/plans/new/make").await?;
        page.fill("Find something to make", "nuts on top").await?;
        page.until_count("[data-testid=kind]", 1).await?;
        page.touch("Slab of bark").await?;
        page.until_said("How do you melt?").await?;
        page.is_accessible().await?;
        page.fill("Microwave", "640").await?;
        page.touch("Save this microwave").await?;
        page.until_count("[data-testid=heat-asked]", 0).await?;
        page.place("Steps").await?;
        page.until_said("at half of 640 W").await?;
        // The next plan knows it.
        a_slab(page).await?;
        page.until_said("at half of 640 W").await?;
        page.until_count("[data-testid=heat-asked]", 0).await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn who_has_no_chocolate_yet_tries_it_at_the_simulated_pot() {
    browse_at(Kitchen::just_installed(), "first_rehearsal", async |page| {
        page.go("/plans/new").await?;
        page.touch("Try it without chocolate").await?;
        page.until("temperature", "a reading", |text| {
            text.starts_with(|c: char| c.is_ascii_digit())
        })
        .await?;
        ensure!(page.path().await?.starts_with("/bench/"));
        Ok(())
    })
    .await;
}
