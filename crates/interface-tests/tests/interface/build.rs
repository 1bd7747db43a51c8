//! The build guide, on a sped-up clock.

use anyhow::{Context, ensure};
use interface_tests::browse;
use serde_json::json;

use crate::api;
use crate::guide::follow;

#[tokio::test(flavor = "multi_thread")]
async fn a_marbled_slab_is_built_to_the_end_and_logged() {
    browse("build_marbled", async |page| {
        let plan = api::id(&api::new_plan("a build to the end").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.choose("Replace or add", "replace with: marbled bark").await?;
        page.unfold().await?;
        page.fill("Fridge", "5").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.touch("Build guide").await?;
        page.until_shown("build-now", "Lay the smooth sheet flat").await?;
        page.press("d").await?;
        page.until_shown("build-now", "Weigh out").await?;
        page.touch("Undo").await?;
        page.until_shown("build-now", "Lay the smooth sheet flat").await?;
        let batch = api::only_batch(&plan).await?;
        let bring = async |asked: &str| {
            let of = if asked.contains("Temper the dark") { "dark" } else { "white" };
            api::pour(&batch, of).await?;
            Ok(())
        };
        let done = follow(page, bring).await?.done;
        ensure!(done >= 7, "{done} steps");
        page.touch("Record result").await?;
        page.unfold().await?;
        page.until_shown("built", "Drop the white about in blobs").await?;
        page.until_shown("built", "Setting as predicted").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn dry_now_moves_the_rest_on_screen_and_what_was_tried_out_teaches_nothing() {
    browse("build_dry_now", async |page| {
        let (_, bowl) = api::new_bowl("dry now").await?;
        page.go(&format!("/bench/{bowl}")).await?;
        api::tempered(&bowl).await?;
        api::post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "poured" })).await?;
        page.touch("Go on with the build guide").await?;
        for task in ["Spread it even", "Tap the tray"] {
            page.until_shown("build-now", task).await?;
            page.press("d").await?;
        }
        page.until_shown("build-now", "Touch it lightly").await?;
        page.touch("20×").await?;
        page.until("coming", "four minutes on", |text| {
            text.split_once("touch dry in about")
                .is_some_and(|(_, rest)| rest.trim_start().starts_with(['1', '0']))
        })
        .await?;
        page.touch("held").await?;
        page.touch("Just dried").await?;
        page.until_shown("progress", "than predicted").await?;
        // Time that was sped up to try it out teaches the kitchen nothing.
        let kitchen = api::thing(|thing| thing["kind"] == "kitchen").await?;
        let learned = kitchen["learned"].as_array().context("what it learned")?;
        ensure!(learned.iter().all(|one| one["number"] != "setting_pace"), "{kitchen}");
        page.touch("Undo").await?;
        page.until("progress", "as before", |text| !text.contains("than predicted")).await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_build_goes_on_where_it_was_after_a_reload_and_a_lost_connection() {
    browse("build_connection", async |page| {
        let batch = api::begun(&api::id(&api::new_plan("a build, reloaded").await?)?).await?;
        page.go(&format!("/build/{batch}")).await?;
        page.until_shown("build-now", "Line the tray with parchment").await?;
        page.disconnect(true).await?;
        page.touch("Done").await?;
        page.until_said("What you enter is kept here and sent when it is back").await?;
        // Each line goes on by its own next step; what was ticked off is not asked for again.
        page.until_shown("without-server", "Weigh out 325 g of dark").await?;
        page.touch("Done").await?;
        page.until_said("Waiting: 2").await?;
        page.disconnect(false).await?;
        page.until_shown("build-now", "Temper the dark").await?;
        page.reload().await?;
        page.until_shown("build-now", "Temper the dark").await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_sugar_sheet_needs_no_bowl_and_is_logged_all_the_same() {
    browse("build_sugar", async |page| {
        let plan = api::id(&api::new_plan("a sugar sheet").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.until_shown("to-weigh", "325 g").await?;
        page.choose("Replace or add", "replace with: boiled-sugar sheet").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.touch("Build guide").await?;
        for task in [
            "Oil the tray",
            "Weigh into the pan: ",
            "Boil the syrup",
            "Take it off the heat",
            "Keep",
            "Pour the clear",
        ] {
            page.until_shown("build-now", task).await?;
            if task == "Boil the syrup" {
                page.until_shown("build-caution", "sticks to the skin and burns").await?;
            }
            page.press("d").await?;
        }
        page.until_shown("build-now", "Draw the white through it at once").await?;
        page.touch("60×").await?;
        // Nobody came in time: what to do instead is said.
        page.until_shown("build-now", "It only pulls threads now").await?;
        page.touch("held").await?;
        page.find("[data-rate='0']").await?;
        page.press("d").await?;
        page.until_shown("build-now", "Score it").await?;
        let batch = api::only_batch(&plan).await?;
        page.go(&format!("/log/{batch}")).await?;
        page.unfold().await?;
        page.until_shown("built", "Boil the syrup to 151 °C").await?;
        page.until_said("Not looked at yet").await?;
        Ok(())
    })
    .await;
}
