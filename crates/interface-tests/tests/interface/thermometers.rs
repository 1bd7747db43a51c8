//! Real thermometers at the bench: by Bluetooth, and by a log that their own program writes.

use std::fs::OpenOptions;
use std::io::Write as _;

use anyhow::{Context, ensure};
use interface_tests::{Kitchen, Page, Peripheral, Size};
use serde_json::json;

use crate::devices::{begun, get, paired, post, together};

#[tokio::test(flavor = "multi_thread")]
async fn a_bluetooth_thermometer_drives_a_bowl_from_melt_to_pour() {
    let phone = paired("Phone at the bench", "maker", Size::PHONE).await.expect("in");
    together("bluetooth", vec![("phone", phone)], async |pages| {
        let [(_, phone)] = pages else { anyhow::bail!("one") };
        let batch = begun("Dark bark under a scatter of stars").await?;
        let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
        let bowl = opened["bowl"]["id"].as_str().context("an id")?.to_owned();
        let warm = |of: &str, end: usize| {
            opened["bowl"][of][end].as_f64().or(opened["bowl"]["windows"][of][end].as_f64())
        };
        let melt_c = warm("melt_c", 0).context("a range")? + 1.0;
        let work_c = warm("use_c", 0).context("a range")? + 0.3;
        phone.go(&format!("/bench/{bowl}")).await?;
        let mut probe = Peripheral::near(phone, "Long probe").await?;
        phone.touch("More").await?;
        phone.touch("Your own thermometer…").await?;
        phone.touch("Connect it by Bluetooth").await?;
        probe.is_picked().await?;
        let on_screen = format!("{melt_c:.1}");
        probe.says(melt_c).await?;
        phone.until_shown("bluetooth", &on_screen).await?;
        probe.battery(12).await?;
        let heard = async |c: f64| {
            let script = format!(
                "return fetch('/api/v1/bowls/{bowl}/readings').then((r) => r.json())
                     .then((all) => all.some((one) => Math.abs(one.temp_c - {c}) < 0.01
                         && one.source === 'probe'))"
            );
            phone.until_script(&script, "it is kept", |kept| *kept == json!(true)).await
        };
        heard(melt_c).await?;
        phone.touch("Off the heat").await?;
        phone.touch("Seed").await?;
        // Out of reach and back: it goes on by itself.
        probe.goes_away().await?;
        phone.until_shown("bluetooth", "out of reach").await?;
        probe.comes_back().await?;
        probe.says(work_c).await?;
        heard(work_c).await?;
        // What no chocolate can have is refused, said, and not kept.
        probe.says(300.0).await?;
        phone.until_shown("bluetooth", "Not saved").await?;
        probe.says(work_c).await?;
        phone.until_shown("bluetooth", " not saved").await?;
        phone.touch("Start the test").await?;
        phone.touch("Even satin").await?;
        phone.touch("Just now").await?;
        phone.find("[data-rule]:not([data-rule='leave_smear'])").await?;
        phone.touch("Poured").await?;
        phone
            .until_script(
                &format!(
                    "return fetch('/api/v1/bowls/{bowl}').then((r) => r.json())
                     .then((known) => known.bowl.phase)"
                ),
                "poured",
                |phase| *phase == json!("done"),
            )
            .await?;
        let readings = get(&format!("/bowls/{bowl}/readings")).await?;
        let all = readings.as_array().context("readings")?;
        ensure!(all.iter().all(|one| one["temp_c"].as_f64().is_some_and(|c| c < 100.0)));
        ensure!(all.iter().all(|one| one["entered_on"] == "Phone at the bench"), "{readings}");
        phone.forgive().await
    })
    .await;
}

/// Appends a line to a log, as a device's own program does.
fn log(name: &str, line: &str) -> anyhow::Result<()> {
    let path = Kitchen::at_home().logs.join(name);
    let mut file = OpenOptions::new().create(true).append(true).open(path)?;
    Ok(writeln!(file, "{line}")?)
}

#[tokio::test(flavor = "multi_thread")]
async fn logs_of_two_thermometers_are_watched_and_a_cold_edge_asks_for_stirring() {
    let main = Page::open(Kitchen::at_home()).await.expect("a browser");
    together("logs", vec![("main", main)], async |pages| {
        let [(_, main)] = pages else { anyhow::bail!("one") };
        let batch = begun("Dark bark under a scatter of stars").await?;
        let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
        let bowl = opened["bowl"]["id"].as_str().context("an id")?.to_owned();
        for (name, heading) in [("long-probe.csv", "time,probe"), ("clip.csv", "time,probe °C")] {
            log(name, heading)?;
        }
        // One of them has said something in another scale before.
        log("long-probe.csv", "18:00:01,113.9")?;
        main.resize(Size::LAPTOP).await?;
        main.go(&format!("/bench/{bowl}")).await?;
        main.touch("Your own thermometer…").await?;
        main.touch("Watch its log file").await?;
        main.choose("Log", "long-probe.csv").await?;
        main.touch("Start watching").await?;
        main.until_said("looks like °F").await?;
        main.choose("Its scale", "°F").await?;
        main.is_accessible().await?;
        main.touch("Start watching").await?;
        main.until_shown("watched-log", "waits for the next line").await?;
        log("long-probe.csv", "18:00:02,113.0")?;
        // The thermometer of the plan is known to read 0.4 °C low.
        main.until_shown("temperature", "45.4").await?;
        main.until_shown("watched-log", "says 45.0").await?;

        main.touch("Your own thermometer…").await?;
        main.choose("Where its tip is", "At the edge, beside another in the middle").await?;
        main.touch("Watch its log file").await?;
        main.choose("Log", "clip.csv").await?;
        main.touch("Start watching").await?;
        main.until_count("[data-testid='watched-log']", 2).await?;
        log("long-probe.csv", "18:00:03,113.0")?;
        log("clip.csv", "18:00:03,41.0")?;
        main.until_shown("edge", "41.0").await?;
        main.until_shown("hint", "4.4 °C colder than the middle").await?;
        main.is_accessible().await?;
        main.fits_sideways().await?;
        // The temperature stays the middle's.
        ensure!(main.shown("temperature").await?.starts_with("45.4"));
        main.touch("Let go of it").await?;
        main.until_count("[data-testid='watched-log']", 1).await?;
        let left = get(&format!("/bowls/{bowl}/logs")).await?;
        ensure!(left.as_array().is_some_and(|all| all.len() == 1), "{left}");
        main.forgive().await
    })
    .await;
}
