//! Colour: the lab, the bottle, the row of colours at the bench.

use anyhow::{Context, ensure};
use interface_tests::browse;
use serde_json::json;

use crate::api;

#[tokio::test(flavor = "multi_thread")]
async fn a_colour_is_mixed_foreseen_weighed_and_planned_as_a_bottle() {
    browse("colour_lab", async |page| {
        page.go("/colour").await?;
        page.until_said("How it looks when it is turned out").await?;
        page.until_shown("colour-recipe", "54.55 g cocoa butter").await?;
        page.fill("To 100 of butter", "25").await?;
        page.until_said("must be 0.1 to 20 parts to 100 of butter; it is 25").await?;
        page.fill("To 100 of butter", "20").await?;
        page.until_shown("colour-recipe", "50 g cocoa butter").await?;
        page.choose("Based on", "the powder in hand").await?;
        page.fill("Amount", "5").await?;
        page.until_shown("colour-recipe", "25 g cocoa butter").await?;
        page.touch("Make it: a plan for the bottle").await?;
        page.until_shown("colour-recipe", "5 g Red lake").await?;
        page.place("Steps").await?;
        page.until_shown("build-steps", "Pour the red lake into it").await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_transparent_red_sinks_on_dark_and_white_behind_it_saves_it() {
    browse("colour_sinks", async |page| {
        page.go("/colour").await?;
        page.until_said("How it looks when it is turned out").await?;
        let red = async |name: &str, end: &str| {
            let script =
                format!("return document.querySelector('[data-testid=over-{name}]').dataset.{end}");
            let told = page.run(&script).await?;
            let hex = told.as_str().context("a colour")?.get(1..3).context("#rrggbb")?.to_owned();
            anyhow::Ok(u8::from_str_radix(&hex, 16)?)
        };
        page.find("[data-testid=over-dark]").await?;
        page.find("[data-testid=over-white]").await?;
        // It opens on the red alone: on dark all but gone, on white and over white bright.
        let (sunk, backed) = (red("dark", "looks").await?, red("dark", "backed").await?);
        ensure!(sunk + 40 < backed, "{backed} to {sunk}");
        ensure!(sunk + 40 < red("white", "looks").await?, "on white it shines");
        page.until_shown("over-dark", "with white behind").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn colours_at_the_bench_stand_in_a_row_with_what_each_needs() {
    browse("colour_bench", async |page| {
        let kinds = api::get("/kinds").await?;
        let bottle = kinds.as_array().and_then(|all| all.last()).context("kinds")?;
        ensure!(bottle["name"] == "Coloured cocoa butter", "{bottle}");
        let body = json!({ "name": "Test: a row of colours", "inputs": { "room_c": 20, "rh_pct": 45,
            "bowls": bottle["colours"],
            "components": [{ "key": "it", "name": "Blue", "work": bottle["start"] }] } });
        let batch = api::begun(&api::id(&api::post("/plans", body).await?)?).await?;
        let opened =
            api::post(&format!("/batches/{batch}/bowls"), json!({ "chocolate": "blue" })).await?;
        let bowl = api::id(&opened["bowl"])?;
        let read = async |c: f64| {
            api::post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": c })).await
        };
        read(46.5).await?;
        api::post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "off_heat" })).await?;
        page.go("/bench").await?;
        page.until_shown("colours-in-band", "46.5 °C").await?;
        page.until_shown("colours-in-band", "Too warm to use yet").await?;
        page.go(&format!("/bench/{bowl}")).await?;
        page.until_shown("instruction", "of powder in").await?;
        page.touch("Powder worked in").await?;
        page.until_shown("instruction", "of seed and stir").await?;
        page.touch("Undo").await?;
        page.until_shown("instruction", "of powder in").await?;
        page.press("c").await?;
        page.until_shown("instruction", "of seed and stir").await?;
        page.until_said("All put on").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_photo_of_a_finished_piece_tells_how_strong_a_pigment_is() {
    browse("colour_photo", async |page| {
        page.go("/colour").await?;
        page.until_said("Correct a colour by a finished piece").await?;
        page.choose("Pigment", "Night blue lake").await?;
        // One of our own pictures will do.
        let picture = interface_tests::root().join("docs/screenshots/bench.png");
        page.give("A photo of a piece", &picture).await?;
        page.find("canvas").await?.click().await?;
        page.until_shown("strength", "Night blue lake is").await?;
        page.give("A photo of a piece", &interface_tests::root().join("README.md")).await?;
        page.until_said("That is no picture that can be shown").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_mixture_by_eye_is_kept_with_its_photo_and_offered_to_plans() {
    browse("colour_kept", async |page| {
        page.go("/shelf/colours").await?;
        page.touch("Add a pigment").await?;
        page.fill("Name", "Dusk over the dome").await?;
        page.choose("Kind", "coloured cocoa butter, ready: a bottle, or mixed by eye").await?;
        page.fill(
            "Mixed of: bottles and drops, as far as you know",
            "four drops of blue, two of red",
        )
        .await?;
        page.touch("Save").await?;
        page.until_said("ready, mixed of four drops of blue, two of red").await?;
        let picture = interface_tests::root().join("docs/screenshots/colour.png");
        page.give("A photo of the colour", &picture).await?;
        page.touch("Take the colour from the photo").await?;
        page.touch("It looks like this").await?;
        let kept = async || api::on_shelf("Dusk over the dome").await;
        let id = api::id(&kept().await?)?;
        page.until_unsaid("It looks like this").await?;
        ensure!(kept().await?["version"] == 2, "{}", kept().await?);
        let photos = api::get(&format!("/shelf/{id}/photos")).await?;
        ensure!(photos.as_array().map(Vec::len) == Some(1), "{photos}");
        // A plan that brings in a colour can bring in this one.
        let plan = api::id(&api::new_plan("with a kept colour").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.choose("Replace or add", "replace with: solid bars and pieces").await?;
        page.unfold().await?;
        page.touch("Paint or dust the finished pieces").await?;
        page.choose("Colour", "another, with Dusk over the dome from your shelf").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        let planned = api::get(&format!("/plans/{plan}")).await?;
        let bowls = planned["inputs"]["bowls"].as_array().context("bowls")?;
        let ours = bowls.iter().find(|bowl| bowl["key"] == "dusk over the dome");
        let pigment = &ours.context("it came in")?["colour"]["pigments"][0];
        ensure!(pigment["pigment_id"] == id.as_str(), "{pigment}");
        page.forgive().await
    })
    .await;
}
