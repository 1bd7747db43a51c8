//! Several bowls and one pair of hands.

use anyhow::{Context, ensure};
use interface_tests::browse;
use serde_json::json;
use thirtyfour::Key;

use crate::api;

#[tokio::test(flavor = "multi_thread")]
async fn the_bench_has_every_bowl_and_says_which_comes_first() {
    browse("several", async |page| {
        let (_, calm) = api::new_bowl("the calm one").await?;
        let (_, hot) = api::new_bowl("the hot one").await?;
        api::post(&format!("/bowls/{calm}/readings"), json!({ "temp_c": 21.0 })).await?;
        api::post(&format!("/bowls/{hot}/actions"), json!({ "kind": "heat" })).await?;
        api::post(&format!("/bowls/{hot}/readings"), json!({ "temp_c": 55.5 })).await?;

        // Other tests have bowls at this bench too.
        page.go("/bench").await?;
        let card = |name: &str| format!("article[aria-label='Test: {name}']");
        page.find(&card("the calm one")).await?;
        let order = page
            .run("return [...document.querySelectorAll('article')].map(a => a.ariaLabel)")
            .await?;
        let place = |name: &str| {
            order.as_array().and_then(|all| all.iter().position(|n| *n == format!("Test: {name}")))
        };
        ensure!(place("the hot one") < place("the calm one"), "{order}");
        let turn = format!("{} [data-testid='turn']", card("the calm one"));
        ensure!(page.find(&turn).await?.text().await?.contains("after"), "it waits");

        // At the calm one's own bench the hot one is called first.
        page.go(&format!("/bench/{calm}")).await?;
        page.find(&format!("[data-testid='comes-first'][href='/bench/{hot}']")).await?;
        page.go(&format!("/bench/{hot}")).await?;
        page.until_shown("instruction", "Off the heat now").await?;

        // What is advised is done with one touch from the whole bench.
        page.go("/bench").await?;
        page.find(&format!("{} button", card("the hot one"))).await?.click().await?;
        page.until_said("Too hot: stir, and let it cool").await?;
        let done = api::bowl(&hot).await?["actions"].as_array().context("actions")?.len();
        ensure!(done == 2, "{done}");
        api::post(
            &format!("/bowls/{hot}/actions"),
            json!({ "kind": "given_up", "reason": "a test" }),
        )
        .await?;
        Ok(())
    })
    .await;
}

/// Browsers allow six connections to one server, and each stream keeps its own.
#[tokio::test(flavor = "multi_thread")]
async fn many_tabs_of_one_browser_hear_the_server_together() {
    browse("tabs", async |page| {
        let (batch, bowl) = api::new_bowl("in many tabs").await?;
        let bench = format!("/bench/{bowl}");
        let reads = async |temp_c: f64| {
            api::post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": temp_c })).await
        };
        let ways = [&bench, &format!("/build/{batch}"), &bench, "/bench", &bench, &bench];
        for (number, way) in ways.iter().enumerate() {
            if number > 0 {
                page.open_tab().await?;
            }
            page.go(way).await?;
            page.settled().await?;
        }
        // What is typed in the last one is sent, and is in the first, which nobody looks at.
        // By its key: "Read the thermometer" may stand beside another bowl.
        let typed = format!("46.1{}", char::from(Key::Enter));
        page.fill("Reading typed by hand, °C", &typed).await?;
        page.until_shown("temperature", "46.1").await?;
        page.look_at_tab(0).await?;
        page.until_shown("temperature", "46.1").await?;

        // The one that hears the server for all is closed: the next does.
        page.close_tab().await?;
        page.look_at_tab(1).await?;
        reads(45.2).await?;
        page.until_shown("temperature", "45.2").await?;
        // It falls asleep: one that is looked at does.
        page.sleeps().await?;
        page.look_at_tab(3).await?;
        reads(44.3).await?;
        page.until_shown("temperature", "44.3").await?;
        page.until_count("[data-testid='connection']", 0).await
    })
    .await;
}
