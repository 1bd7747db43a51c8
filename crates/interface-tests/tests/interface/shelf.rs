//! The shelf: what is put there, taken from there, and learned of it.

use anyhow::{Context, ensure};
use interface_tests::browse;
use serde_json::json;

use crate::api;

#[tokio::test(flavor = "multi_thread")]
async fn a_bag_is_put_on_the_shelf_with_what_it_says() {
    browse("shelf_bag", async |page| {
        page.go("/shelf").await?;
        page.touch("Add a chocolate").await?;
        // Nothing is kept before it has a name.
        page.touch("Save").await?;
        page.until_said("must be 1 to 120 characters; it is empty").await?;
        page.fill("Name", "Test: Dark 72 %").await?;
        page.fill("In stock", "640").await?;
        page.fill("Work to", "35").await?;
        page.until_said("must stay below where temper is lost at 34 °C").await?;
        page.fill("Work to", "31.5").await?;
        page.fill("Work from", "30.5").await?;
        page.fill("Price per kg", "16").await?;
        page.fill("Lot", "T 7").await?;
        page.fill("Label: ingredients", "Cocoa mass, sugar.").await?;
        page.touch("Add what the label says of allergens").await?;
        page.touch("Contains soya").await?;
        page.touch("May contain nuts").await?;
        page.touch("Save").await?;
        page.until_said("30.5–31.5 °C").await?;
        let card = page.find("article[aria-label='Test: Dark 72 %']").await?.text().await?;
        ensure!(card.contains("own (usual 31–32 °C)"), "{card}");
        page.until_said("May contain nuts").await?;
        let kept = api::on_shelf("Test: Dark 72 %").await?;
        ensure!(kept["left"] == 640.0 && kept["thing"]["lot"] == "T 7", "{kept}");

        page.touch("Count Test: Dark 72 %").await?;
        page.choose("Change", "Bought more").await?;
        page.fill("How much", "500").await?;
        page.touch("Save").await?;
        page.until_said("1140 g").await?;

        page.go("/reference").await?;
        page.until_said("Test: Dark 72 %").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_plan_takes_from_the_shelf_and_what_is_left_over_goes_back() {
    browse("shelf_plan", async |page| {
        let bag = json!({ "kind": "chocolate", "name": "Test: Milk 40 %", "family": "milk",
            "price_per_kg": 20 });
        let bag = api::post("/shelf", json!({ "thing": bag, "left": 300 })).await?;
        let plan = api::new_plan("from the shelf").await?;
        page.go(&format!("/plans/{}", api::id(&plan)?)).await?;
        page.unfold().await?;
        page.choose("From your shelf", "Test: Milk 40 %").await?;
        // 30 × 20 cm × 4 mm × 1.27 g/cm³ and 5 %, at 20 a kilogram.
        page.until_shown("to-weigh", "320 g").await?;
        page.until_shown("stock", "300 g on the shelf, costs € 6.40").await?;
        page.until_said("20 g short: 320 g needed, 300 g in stock.").await?;
        page.touch("Start tempering").await?;
        page.until_shown("instruction", "Read the thermometer").await?;
        let bowl = page.path().await?.trim_start_matches("/bench/").to_owned();
        let melted = api::get(&format!("/bowls/{bowl}")).await?["plan"]["amounts"]["melted_g"]
            .as_f64()
            .context("grams")?;
        api::post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "poured" })).await?;

        page.go(&format!("/log/{}", api::only_batch(&api::id(&plan)?).await?)).await?;
        page.unfold().await?;
        page.until("taken", "what was taken", |text| {
            text.contains(&format!("{melted:.0} g taken"))
        })
        .await?;
        page.fill("Left over, returned to stock", "25").await?;
        page.touch("Return to stock").await?;
        page.until_shown("taken", "25 g returned").await?;
        let left = api::on_shelf("Test: Milk 40 %").await?["left"].as_f64().context("grams")?;
        ensure!((left - (300.0 - melted + 25.0)).abs() < 0.02, "{left} g of {bag}");
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn goods_are_put_in_the_pantry_counted_and_taken_by_a_plan() {
    browse("shelf_goods", async |page| {
        page.go("/shelf/goods?add=goods").await?;
        // One of the common ones, in two touches.
        page.touch("Nuts and seeds").await?;
        page.touch("pecan halves").await?;
        page.find("article[aria-label='pecan halves']").await?;
        // One's own, in three fields.
        page.fill("Or your own: name", "Test: silver comets").await?;
        page.choose("Counted", "in pieces").await?;
        page.fill("In stock", "-5").await?;
        page.touch("Save").await?;
        page.until_refused("must be 0 to 200000 pieces; it is -5").await?;
        page.fill("In stock", "12").await?;
        page.touch("Save").await?;
        let row = "article[aria-label='Test: silver comets']";
        ensure!(page.find(row).await?.text().await?.contains("12 pieces"));
        page.touch("Count Test: silver comets").await?;
        page.choose("Change", "Gone: eaten, given away").await?;
        page.fill("How much", "2").await?;
        page.touch("Save").await?;
        page.until_said("10 pieces").await?;

        let plan = api::new_plan("with comets").await?;
        page.go(&format!("/plans/{}", api::id(&plan)?)).await?;
        page.unfold().await?;
        page.touch("Add topping").await?;
        page.choose("Topping", "Test: silver comets (shelf)").await?;
        page.choose("How much", "by count").await?;
        page.fill("Pieces of it", "24").await?;
        // Nobody said what one weighs: the topping's own half gram stands, the shelf cannot count.
        page.place("Shopping").await?;
        page.until_said("say on the shelf what one weighs").await?;

        page.go("/shelf/goods").await?;
        page.touch("Change Test: silver comets").await?;
        page.touch("One of it, a cup of it, water, fat").await?;
        page.fill("Weight of one", "2").await?;
        page.touch("Save").await?;
        page.until_count("article form", 0).await?;
        page.go(&format!("/plans/{}/shopping", api::id(&plan)?)).await?;
        let short = "14 pieces short of 24 pieces, 10 pieces there";
        page.until_shown("shopping", short).await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_blend_is_mixed_on_the_plan() {
    browse("plan_blend", async |page| {
        let plan = api::new_plan("a blend").await?;
        page.go(&format!("/plans/{}", api::id(&plan)?)).await?;
        page.until_said("Melt, to 46.0 °C").await?;
        page.unfold().await?;
        page.find("input[type=radio][value=blend]").await?;
        page.run("document.querySelector('input[type=radio][value=blend]').click()").await?;
        // 60 parts of 45 °C and 40 of 42, and one degree into the band.
        page.until_said("Melt, to 44.8 °C").await?;
        page.fill("Share 2", "30").await?;
        page.until_said("must add up to 100 %; it adds up to 90.0 %").await?;
        page.fill("Share 1", "70").await?;
        page.until_said("Melt, to 45.1 °C").await?;
        page.touch("Add part").await?;
        page.fill("Share 1", "60").await?;
        page.fill("Share 3", "10").await?;
        page.choose("Part 3", "White").await?;
        page.until_said("Melt, to 44.6 °C").await?;
        page.until("saving", "saved for good", |text| text == "Saved").await?;
        page.reload().await?;
        page.until_said("Melt, to 44.6 °C").await?;
        page.unfold().await?;
        page.touch("Remove: part 3").await?;
        page.until_said("it adds up to 90.0 %").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn gear_is_kept_changed_used_and_what_was_learned_can_be_forgotten() {
    browse("shelf_gear", async |page| {
        page.go("/shelf/heat").await?;
        page.until_said("Melting efficiency").await?;
        page.touch("Add a thermometer").await?;
        page.fill("Name", "Test: short probe").await?;
        page.fill("It read", "7").await?;
        page.touch("Save").await?;
        page.until_said("One that is further off is not to be corrected but replaced").await?;
        page.fill("It read", "0.8").await?;
        page.touch("Save").await?;
        page.until_said("reads 0.8 °C high; corrected").await?;

        let plan = api::new_plan("with a corrected probe").await?;
        page.go(&format!("/plans/{}", api::id(&plan)?)).await?;
        page.unfold().await?;
        page.choose("Thermometer", "Test: short probe").await?;
        page.choose("Heat", "Dome kitchen microwave, low").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.place("Steps").await?;
        page.until_said("learned from").await?;
        page.touch("Start tempering").await?;
        page.until_shown("instruction", "Read the thermometer").await?;
        let bowl = page.path().await?.trim_start_matches("/bench/").to_owned();
        api::post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": 32.3 })).await?;
        page.until_shown("temperature", "31.5").await?;
        page.until_shown("corrected", "Your thermometer reads 0.8 °C high").await?;

        page.go("/shelf/heat").await?;
        page.touch("Change Steel bowl with the ring").await?;
        page.fill("Weight, empty", "295").await?;
        page.touch("Save").await?;
        page.until_said("steel, 295 g empty").await?;
        let half = api::on_shelf("Dome kitchen microwave, half power").await?;
        ensure!(half["learned"].as_array().is_some_and(|all| !all.is_empty()), "{half}");
        page.run(
            "[...document.querySelectorAll('article[aria-label*=\"half power\"] button')]
                .find((b) => b.textContent.includes('Forget')).click()",
        )
        .await?;
        page.find("article[aria-label*='half power']:not(:has([data-testid=learned]))").await?;
        Ok(())
    })
    .await;
}
