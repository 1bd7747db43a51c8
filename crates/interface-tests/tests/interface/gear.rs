//! Moulds, pigments, trays, bowls, heat and the kitchen on the shelf: kept, refused,
//! used in a plan, changed and put away.

use anyhow::ensure;
use interface_tests::{Page, browse};
use serde_json::json;

use crate::api;

/// Waits until a thing is on the shelf's page, or is not.
async fn until_kept(page: &Page, name: &str, kept: bool) -> anyhow::Result<()> {
    page.until_count(&format!("article[aria-label='{name}']"), usize::from(kept)).await
}

#[tokio::test(flavor = "multi_thread")]
async fn a_mould_is_measured_weighed_cast_in_and_put_away() {
    browse("gear_mould", async |page| {
        page.go("/shelf/moulds").await?;
        page.touch("Add a mould").await?;
        page.fill("Name", "Test: little moons").await?;
        page.choose("Cavity", "another, measured").await?;
        page.fill("Water it holds", "9").await?;
        page.fill("Inside", "20").await?;
        page.fill("Opening", "25").await?;
        page.touch("Save").await?;
        page.until_refused("Opening must be less than the inside").await?;
        page.fill("Opening", "8").await?;
        page.fill("Cavities", "15").await?;
        page.touch("Weigh it again").await?;
        page.fill("Waited", "20").await?;
        page.fill("Empty", "400").await?;
        page.fill("Lined, scraped", "390").await?;
        page.touch("Add this weighing").await?;
        page.touch("Save").await?;
        page.until_refused("A weighing must be more than the empty mould's 400 g").await?;
        page.touch("Forget it").await?;
        page.touch("Weigh it again").await?;
        page.fill("Empty", "400").await?;
        page.fill("Lined, scraped", "465").await?;
        page.touch("Add this weighing").await?;
        page.touch("Save").await?;
        until_kept(page, "Test: little moons", true).await?;
        page.until_said("weighed once").await?;
        let kept = api::on_shelf("Test: little moons").await?["thing"]["mould"].clone();
        ensure!(kept["count"] == 15 && kept["weighings"][0]["lined_g"] == 465.0, "{kept}");

        let plan = api::id(&api::new_plan("little moons").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.choose("Replace or add", "replace with: filled shells").await?;
        page.until_shown("figures", "24 pieces").await?;
        let words = "Test: little moons: 15 of 9 ml, 20 cm² inside, opening 8 cm²";
        page.choose("Mould", words).await?;
        page.until_shown("figures", "15 pieces").await?;
        page.place("Steps").await?;
        page.until_said("with such chocolate (1 so far)").await?;

        page.go("/shelf/moulds").await?;
        page.touch("Change Test: little moons").await?;
        page.touch("Archive").await?;
        until_kept(page, "Test: little moons", false).await?;
        // The plan still knows it.
        page.go(&format!("/plans/{plan}")).await?;
        page.until_shown("figures", "15 pieces").await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_pigment_is_kept_by_its_label_and_what_is_not_for_eating_is_refused() {
    browse("gear_pigment", async |page| {
        page.go("/shelf/colours").await?;
        page.touch("Add a pigment").await?;
        page.touch("Save").await?;
        page.until_refused("Name must be 1 to").await?;
        page.fill("Name", "Test: comet green").await?;
        page.choose("Ground behind it", "is hidden").await?;
        page.choose("Shimmer", "yes: mica").await?;
        page.fill("Strength", "40").await?;
        page.choose("Label text", "sold for eating").await?;
        page.choose("Law", "barred in some countries: check yours").await?;
        page.fill("Price per 100 g", "25").await?;
        page.touch("Save").await?;
        page.until_refused("Strength must be").await?;
        page.fill("Strength", "1.5").await?;
        page.touch("Save").await?;
        page.until_said("hides, shimmers, sold for eating, check your country, 1.5 times").await?;
        let kept = api::on_shelf("Test: comet green").await?["thing"].clone();
        ensure!(kept["check_country"] == true && kept["price_per_100g"] == 25.0, "{kept}");

        // Neither for decoration only nor in water: the shelf has what may go into butter.
        page.touch("Change Test: comet green").await?;
        page.choose("Label text", "for decoration only, or non-toxic").await?;
        page.touch("Save").await?;
        page.until_refused("\"non-toxic\" on a dust does not make it food").await?;
        page.choose("Label text", "it does not say").await?;
        page.choose("Kind", "a gel").await?;
        page.touch("Save").await?;
        page.until_refused("Kind must be").await?;
        page.touch("Cancel").await?;
        ensure!(api::on_shelf("Test: comet green").await?["thing"] == kept, "it is as it was");
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn trays_heat_and_the_kitchen_are_kept_and_what_is_left_is_left() {
    browse("gear_kitchen", async |page| {
        page.go("/shelf/moulds").await?;
        page.touch("Add a tray").await?;
        page.fill("Name", "Test: dome tray").await?;
        page.fill("Length", "9000").await?;
        page.touch("Save").await?;
        page.until_refused("Length must be 20 to 1500 mm").await?;
        page.fill("Length", "320").await?;
        page.touch("Save").await?;
        until_kept(page, "Test: dome tray", true).await?;
        page.until_said("320 by 200 mm").await?;

        page.place("Kitchen").await?;
        page.touch("Add a heat source").await?;
        page.fill("Name", "Test: pot on the stove").await?;
        page.choose("Type", "a water bath").await?;
        page.touch("Save").await?;
        until_kept(page, "Test: pot on the stove", true).await?;
        ensure!(api::on_shelf("Test: pot on the stove").await?["thing"]["microwave"].is_null());

        page.touch("Add a bowl").await?;
        page.fill("Name", "Test: never kept").await?;
        page.choose("Material", "steel").await?;
        page.touch("Cancel").await?;
        until_kept(page, "Test: never kept", false).await?;

        // The kitchen stays as it was for the other tests.
        page.touch("Change the kitchen").await?;
        page.fill("Room", "70").await?;
        page.touch("Save").await?;
        page.until_refused("Room must be 5 to 40 °C; it is 70").await?;
        page.touch("Cancel").await?;
        let kitchen = api::thing(|thing| thing["kind"] == "kitchen").await?["thing"].clone();
        ensure!(kitchen["room_c"] != json!(70.0), "{kitchen}");
        page.forgive().await
    })
    .await;
}
