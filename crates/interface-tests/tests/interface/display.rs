//! Units and print, as this browser wants them, and the card of windows.

use anyhow::{Context, bail, ensure};
use interface_tests::browse;
use serde_json::json;
use thirtyfour::Key;

use crate::api;

#[tokio::test(flavor = "multi_thread")]
async fn what_is_kept_in_celsius_and_grams_is_shown_and_typed_in_fahrenheit_and_ounces() {
    browse("display", async |page| {
        let (batch, bowl) = api::new_bowl("in the other units").await?;
        api::post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": 31.5 })).await?;
        page.go("/settings").await?;
        page.touch("°F").await?;
        page.until_said("This browser").await?;
        page.touch("ounces").await?;
        page.until_said("This browser").await?;

        page.go(&format!("/bench/{bowl}")).await?;
        page.until_shown("temperature", "88.7").await?;
        page.until_shown("instruction", "88.7 °F").await?;
        // By its key: "Read the thermometer" may stand beside another bowl.
        let typed = format!("89.6{}", char::from(Key::Enter));
        page.fill("Reading typed by hand, °F", &typed).await?;
        page.until_shown("temperature", "89.6").await?;
        let kept = api::bowl(&bowl).await?;
        ensure!(kept["latest"]["temp_c"] == 32.0, "{}", kept["latest"]);

        let plan = api::get(&format!("/batches/{batch}")).await?["plan_id"].clone();
        let plan = plan.as_str().context("a plan")?;
        page.go(&format!("/plans/{plan}")).await?;
        // 325.08 g
        page.until_shown("to-weigh", "11.5 oz").await?;
        page.unfold().await?;
        let room = page.field("Room").await?;
        ensure!(room.prop("value").await?.as_deref() == Some("68"));
        page.fill("Room", "120").await?;
        // 5 to 40 °C
        page.until_said("must be 41 to 104 °F; it is 120").await?;
        page.fill("Room", "70").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        let kept = api::get(&format!("/plans/{plan}")).await?;
        let room = kept["inputs"]["room_c"].as_f64().unwrap_or_default();
        ensure!((room - 21.111).abs() < 0.001, "{room}");

        page.go("/reference").await?;
        page.until_shown("windows", "work 87.8–89.6 °F").await?;
        page.forgive().await
    })
    .await;
}

/// How far from the left the reading field and the undo of the bench stand.
const SIDES: &str =
    "return [...document.querySelectorAll('[data-touches] input, [data-testid=undo]')]
    .map((touch) => touch.getBoundingClientRect().left)";

#[tokio::test(flavor = "multi_thread")]
async fn touches_begin_at_the_side_of_the_hand_that_touches() {
    browse("hand", async |page| {
        let (_, bowl) = api::new_bowl("with the left hand").await?;
        for (hand, order) in [("left", false), ("right", true)] {
            page.go("/settings").await?;
            page.touch(hand).await?;
            page.until_said("This browser").await?;
            page.go(&format!("/bench/{bowl}")).await?;
            page.until_shown("undo", "Undo").await?;
            let sides: Vec<f64> = serde_json::from_value(page.run(SIDES).await?)?;
            let [reading, undo] = sides[..] else { bail!("{sides:?}") };
            ensure!((reading < undo) == order, "{hand}: {sides:?}");
            page.fits_sideways().await?;
        }
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn saving_everything_says_how_far_it_is_until_all_of_it_is_there() {
    browse("saving", async |page| {
        page.go("/settings").await?;
        page.touch("Save everything").await?;
        page.until("saving", "all of it", |text| {
            text.starts_with("All ") && text.ends_with("entries are in the file.")
        })
        .await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_card_has_every_family_on_one_scale() {
    browse("reference", async |page| {
        page.go("/reference").await?;
        for words in ["work 31–32 °C", "Cocoa butter", "never above 47 °C", "Coating"] {
            page.until_shown("windows", words).await?;
        }
        Ok(())
    })
    .await;
}
