//! At the bench.

use anyhow::ensure;
use chrono::{TimeDelta, Utc};
use interface_tests::{Kitchen, Page, Size, browse};
use serde_json::{Value, json};
use thirtyfour::Key;

use crate::api;

/// Types a reading, as one does with a thermometer in the other hand.
async fn read(page: &Page, celsius: &str) -> anyhow::Result<()> {
    page.press("r").await?;
    page.press(&format!("{celsius}{}", char::from(Key::Enter))).await?;
    page.until_shown("temperature", celsius).await?;
    Ok(())
}

/// A reading far from the last one, typed until it is believed.
async fn insist(page: &Page, celsius: &str) -> anyhow::Result<()> {
    for _ in 0..3 {
        page.press("r").await?;
        page.press(&format!("{celsius}{}", char::from(Key::Enter))).await?;
    }
    page.until_shown("temperature", celsius).await?;
    Ok(())
}

#[tokio::test(flavor = "multi_thread")]
async fn a_slab_goes_from_plan_to_log_by_hand() {
    browse("by_hand", async |page| {
        let plan = api::id(&api::new_plan("by hand").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.touch("Start tempering").await?;
        page.until_shown("instruction", "Read the thermometer").await?;

        read(page, "20.5").await?;
        page.until_shown("instruction", "Heat for 30 s").await?;
        page.touch("Heat 30 s").await?;
        page.until_shown("instruction", "Leave it in").await?;
        page.until_shown("countdown", "burst ends").await?;
        // That burst was a slip.
        page.press("u").await?;
        page.until_shown("instruction", "Heat for 30 s").await?;

        // So warm all at once, and nobody said that it is on the heat.
        insist(page, "46.2").await?;
        page.until_shown("instruction", "Is it on the heat?").await?;
        page.touch("Off the heat").await?;
        page.until_shown("phase", "Cooling").await?;
        page.until_shown("instruction", "Add the first").await?;
        page.press("a").await?;
        page.until_shown("instruction", "Keep stirring").await?;
        page.until_shown("finish", "satin").await?;
        page.press("u").await?;
        page.until_shown("instruction", "Add the first").await?;
        page.touch("More").await?;
        page.fill("Other amount of seed, g", "60").await?;
        page.touch("Add").await?;
        page.touch("Less").await?;
        page.until_shown("undo", "Undo: Seed 60 g").await?;
        page.touch("Undo").await?;
        page.until_shown("undo", "Undo: Off the heat").await?;

        insist(page, "31.6").await?;
        page.until_shown("instruction", "Test it").await?;
        page.touch("Start the test").await?;
        page.until_shown("instruction", "Leave the smear").await?;
        page.touch("Streaks").await?;
        page.until_shown("verdict", "Do not pour").await?;
        page.until_shown("instruction", "of seed and stir for two minutes").await?;
        page.until_shown("finish", "not in temper").await?;
        page.press("t").await?;
        page.until_shown("instruction", "Leave the smear").await?;
        // Even satin; and when it turned dull is asked, however it is answered.
        page.press("2").await?;
        page.until_said("When did it turn dull?").await?;
        page.touch("Not yet").await?;
        page.until_said("Sets from the edge").await?;
        page.press("2").await?;
        page.touch("1 min ago").await?;
        page.until_shown("verdict", "in temper").await?;
        page.until_shown("finish", "sheen").await?;
        page.press("p").await?;
        page.until_shown("instruction", "Poured").await?;
        page.until_shown("next-step", "Spread it even").await?;

        page.touch("Record result").await?;
        for word in ["Glossy", "Clean", "By itself", "None"] {
            page.touch(word).await?;
        }
        page.fill("Anything else", "Stars stuck well").await?;
        page.touch("Save").await?;
        page.until_said("Stars stuck well").await?;
        page.until_said("Next look after 24 hours").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_second_screen_and_a_reload_show_the_same_bowl() {
    browse("second_screen", async |page| {
        let (_, bowl) = api::new_bowl("second screen").await?;
        let path = format!("/bench/{bowl}");
        page.go(&path).await?;
        let other = Page::open(Kitchen::shared()).await?;
        let same = async {
            other.go(&path).await?;
            other.until_shown("instruction", "Read the thermometer").await?;
            page.until_shown("instruction", "Read the thermometer").await?;
            read(page, "44.8").await?;
            other.until_shown("temperature", "44.8").await?;
            other.press("s").await?;
            page.until_shown("undo", "Undo: Stirred").await?;
            page.reload().await?;
            page.until_shown("temperature", "44.8").await?;
            page.until_shown("undo", "Undo: Stirred").await?;
            anyhow::Ok(())
        }
        .await;
        other.close().await;
        same
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_is_entered_without_a_connection_is_sent_once_when_it_is_back() {
    browse("lost_connection", async |page| {
        let (_, bowl) = api::new_bowl("lost connection").await?;
        page.go(&format!("/bench/{bowl}")).await?;
        page.until_shown("instruction", "Read the thermometer").await?;
        page.disconnect(true).await?;
        page.press("s").await?;
        page.press("r").await?;
        page.press(&format!("43.4{}", char::from(Key::Enter))).await?;
        page.until_shown("connection", "No connection").await?;
        page.until_shown("connection", "Waiting: 2").await?;
        ensure!(api::bowl(&bowl).await?["actions"].as_array().is_some_and(Vec::is_empty));

        page.disconnect(false).await?;
        page.until_shown("temperature", "43.4").await?;
        page.until_shown("undo", "Undo: reading 43.4").await?;
        page.until("connection", "gone", str::is_empty).await?;
        let after = api::bowl(&bowl).await?;
        ensure!(after["actions"].as_array().map(Vec::len) == Some(1), "{}", after["actions"]);
        ensure!(after["curve"].as_array().map(Vec::len) == Some(1), "{}", after["curve"]);
        // What was typed is taken back by the same touch as what was done.
        page.press("u").await?;
        page.until_shown("undo", "Undo: Stirred").await?;
        let undone = api::bowl(&bowl).await?;
        ensure!(undone["curve"].as_array().is_some_and(Vec::is_empty), "{}", undone["curve"]);
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_simulated_thermometer_answers_to_what_is_done() {
    browse("thermometer", async |page| {
        let (_, bowl) = api::new_bowl("thermometer").await?;
        page.go(&format!("/bench/{bowl}")).await?;
        page.touch("Use the simulated thermometer").await?;
        page.until("temperature", "a reading", |text| {
            text.starts_with(|c: char| c.is_ascii_digit())
        })
        .await?;
        page.touch("60×").await?;
        page.touch("Heat 30 s").await?;
        let warmer = |text: &str| {
            text.split('\n')
                .next()
                .and_then(|t| t.trim_end_matches("°C").parse::<f64>().ok())
                .is_some_and(|c| c > 23.0)
        };
        page.until("temperature", "warmer", warmer).await?;
        page.touch("held").await?;
        page.until_shown("undo", "Undo: Heat 30 s").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_reading_that_no_bowl_can_have_is_refused_or_kept_apart() {
    browse("odd_readings", async |page| {
        let (_, bowl) = api::new_bowl("odd readings").await?;
        page.go(&format!("/bench/{bowl}")).await?;
        page.until_shown("instruction", "Read the thermometer").await?;
        page.press("r").await?;
        page.press(&format!("nonsense{}", char::from(Key::Enter))).await?;
        page.until_said("Type a number in °C").await?;
        page.fill("Reading typed by hand, °C", "2000").await?;
        page.press(&char::from(Key::Enter).to_string()).await?;
        page.until_said("must be -60 to 250 °C; it is 2000").await?;
        read(page, "44.1").await?;
        page.press("r").await?;
        page.press(&format!("200{}", char::from(Key::Enter))).await?;
        page.until_shown("doubted", "1 doubted reading").await?;
        page.until_shown("temperature", "44.1").await?;
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_bowl_that_cannot_be_saved_is_given_up_with_its_reason() {
    browse("given_up", async |page| {
        let (batch, bowl) = api::new_bowl("given up").await?;
        page.go(&format!("/bench/{bowl}")).await?;
        page.touch("More").await?;
        page.touch("Give up").await?;
        page.fill("What went wrong", "A drop of water, and it seized").await?;
        page.touch("Give up").await?;
        page.until_shown("phase", "Given up").await?;
        page.go("/log").await?;
        page.until_said("A drop of water, and it seized").await?;
        page.go(&format!("/log/{batch}")).await?;
        page.until_said("Given up. A drop of water, and it seized").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_photo_of_the_smear_is_kept_with_the_bowl() {
    browse("smear_photo", async |page| {
        let (batch, bowl) = api::new_bowl("a photo").await?;
        api::post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": 31.5 })).await?;
        api::post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "test_started" })).await?;
        page.go(&format!("/bench/{bowl}")).await?;
        page.touch("More").await?;
        page.until_said("Add a photo of the smear").await?;
        // One of our own pictures will do.
        let picture = interface_tests::root().join("docs/screenshots/bench.png");
        page.give("A photo of the smear", &picture).await?;
        page.find("[data-testid='photos'] img").await?;
        let kept = api::get(&format!("/bowls/{bowl}/photos")).await?;
        ensure!(kept[0]["width"].as_u64().is_some_and(|w| w <= 1600), "{kept}");

        page.give("A photo of the smear", &interface_tests::root().join("README.md")).await?;
        page.until_said("must be a PNG or a JPEG").await?;
        page.go(&format!("/log/{batch}")).await?;
        page.find("[data-testid='photos'] img").await?;
        page.forgive().await
    })
    .await;
}

/// Where the page ends and how many large touches are offered, beside the field for a reading.
const IN_SIGHT: &str = "return [document.documentElement.scrollHeight - innerHeight, \
    document.querySelectorAll('[data-testid=offered] button').length, \
    [...document.querySelectorAll('main button')].filter((b) => b.offsetParent).every((b) => \
        b.getBoundingClientRect().height >= 47)]";

#[tokio::test(flavor = "multi_thread")]
async fn the_bench_says_one_thing_and_nothing_lies_below_the_fold() {
    browse("bench_fold", async |page| {
        // A kitchen's worth of trouble: bursts left, a smear to judge, another bowl that calls;
        // and of each bowl all there is to say: a reading that has grown old, one at the edge, a
        // thermometer that reads low.
        let opened = async |name: &str| {
            let mut inputs = api::new_plan(name).await?["inputs"].clone();
            inputs["bowls"][0]["offset_c"] = json!(0.4);
            let body = json!({ "name": format!("Test: {name}"), "inputs": inputs });
            let batch = api::begun(&api::id(&api::post("/plans", body).await?)?).await?;
            let opened = api::post(&format!("/batches/{batch}/bowls"), json!({})).await?;
            api::id(&opened["bowl"])
        };
        let melting = opened("one that melts").await?;
        let testing = opened("one on trial").await?;
        let read = async |bowl: &str, temp_c: f64| {
            let at = Utc::now() - TimeDelta::seconds(75);
            for source in ["hand", "edge"] {
                let reading = json!({ "temp_c": temp_c, "source": source, "at": at });
                api::post(&format!("/bowls/{bowl}/readings"), reading).await?;
            }
            anyhow::Ok(())
        };
        let act = async |bowl: &str, action: Value| {
            api::post(&format!("/bowls/{bowl}/actions"), action).await
        };
        read(&testing, 31.5).await?;
        act(&testing, json!({ "kind": "test_started" })).await?;
        for (bowl, temp_c, part) in [
            (&melting, 21.0, "[data-testid=bursts-left]"),
            (&testing, 31.5, "[aria-label='What do you see on the smear?']"),
        ] {
            for size in [Size::LAPTOP, Size::TABLET, Size::PHONE] {
                read(bowl, temp_c).await?;
                page.resize(size).await?;
                page.go(&format!("/bench/{bowl}")).await?;
                page.find(part).await?;
                page.find("[aria-label='Other bowls'] a").await?;
                page.until_shown("age", "read 1:").await?;
                page.find("[data-testid=edge]").await?;
                page.find("[data-testid=corrected]").await?;
                page.settled().await?;
                let seen = page.run(IN_SIGHT).await?;
                ensure!(
                    seen[0].as_i64() <= Some(0),
                    "{part} at {size:?}: {seen} px below the fold"
                );
                ensure!(seen[1].as_u64() <= Some(6), "{part} at {size:?}: {seen} offered");
                ensure!(seen[2] == true, "{part} at {size:?}: a target is too small");
                page.fits_sideways().await?;
            }
        }
        // Behind one touch is the rest; and why.
        page.resize(Size::LAPTOP).await?;
        page.touch("More").await?;
        page.find("[data-testid=more-actions]").await?;
        page.touch("Why?").await?;
        page.until_shown("grounds", "Rule:").await?;
        for bowl in [&melting, &testing] {
            act(bowl, json!({ "kind": "given_up", "reason": "a test" })).await?;
        }
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_bowl_in_temper_stands_on_the_heating_pad_and_comes_off_again() {
    browse("heating_pad", async |page| {
        let body = json!({ "name": "Test: on a pad", "inputs": { "room_c": 20, "rh_pct": 45,
            "bowls": [{ "key": "dark", "family": "dark", "kitchen": { "heating_pad": true } }],
            "components": [{ "key": "slab", "name": "Slab", "work": { "kind": "slab",
                "chocolate": "dark", "cover": { "by": "thickness", "thickness_mm": 4,
                    "tray": { "shape": "rectangle", "length_mm": 300, "width_mm": 200 } } } }] } });
        let batch = api::begun(&api::id(&api::post("/plans", body).await?)?).await?;
        let opened =
            api::post(&format!("/batches/{batch}/bowls"), json!({ "chocolate": "dark" })).await?;
        let bowl = api::id(&opened["bowl"])?;
        page.go(&format!("/bench/{bowl}")).await?;
        page.until_shown("phase", "Melting").await?;
        let early = "return document.body.innerText.includes('On the pad')";
        ensure!(page.run(early).await? == Value::Bool(false), "it has no business there yet");
        api::tempered(&bowl).await?;
        page.until_shown("phase", "In temper").await?;
        page.touch("On the pad").await?;
        page.until_shown("undo", "Undo: On the heating pad").await?;
        let stands = api::get(&format!("/bowls/{bowl}")).await?;
        ensure!(stands["bowl"]["on_pad_since"].is_string(), "{stands}");
        // Warmer and warmer: a pad only holds.
        let top = stands["bowl"]["use_c"][1].as_f64().unwrap_or_default();
        read(page, &format!("{:.1}", top - 0.1)).await?;
        page.until_shown("instruction", "Take it off the heating pad").await?;
        page.touch("Off the pad").await?;
        page.until_shown("undo", "Undo: Off the heating pad").await?;
        Ok(())
    })
    .await;
}
