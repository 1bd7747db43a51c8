//! An evening from an empty installation to a logged result, on a phone, by what the screen says
//! and by nothing else.

use std::time::Duration;

use anyhow::{Context, ensure};
use interface_tests::{Kitchen, Page, Size, browse_at};
use reqwest::Client;
use serde_json::{Value, json};

use crate::guide::go_through;

/// How fast the simulated thermometer's time runs.
const PACE: u32 = 20;

/// A beginner at the bench.
struct Beginner<'a> {
    page: &'a Page,
    /// The bowl's address in the API, for what the test must know.
    bowl: String,
    client: Client,
}

impl Beginner<'_> {
    async fn looks(&self) -> anyhow::Result<Value> {
        let answer = self.client.get(&self.bowl).send().await?.error_for_status()?;
        Ok(answer.json::<Value>().await?["bowl"].take())
    }

    async fn pace(&self, rate: u32) -> anyhow::Result<()> {
        let body = json!({ "simulated": true, "rate": rate });
        let url = format!("{}/thermometer", self.bowl);
        self.client.put(url).json(&body).send().await?.error_for_status()?;
        Ok(())
    }

    /// Waits for something in the bowl's state.
    async fn until(&self, what: &str, is: impl Fn(&Value) -> bool) -> anyhow::Result<()> {
        let wait = async {
            while !is(&self.looks().await?) {
                tokio::time::sleep(Duration::from_millis(30)).await;
            }
            anyhow::Ok(())
        };
        tokio::time::timeout(Duration::from_secs(60), wait).await.context(what.to_owned())?
    }

    /// Does what the screen says; `true` once it is poured. While a hand is on its way time
    /// stands still, so that a slow machine makes no slow maker.
    async fn follows(&self) -> anyhow::Result<bool> {
        let seen = self.looks().await?;
        if seen["phase"] == "done" {
            return Ok(true);
        }
        if !asks(&seen) {
            self.until("a new reading", |now| now["latest"] != seen["latest"]).await?;
            return Ok(false);
        }
        self.pace(0).await?;
        let seen = self.looks().await?;
        let rule = seen["advice"]["rule"].as_str().context("a rule")?;
        ensure!(rule != "limit_passed", "the limit was passed");
        if asks(&seen) {
            let says = format!("[data-testid='instruction'][data-rule='{rule}']");
            let instruction = self.page.find(&says).await?;
            if rule == "judge_smear" {
                self.page.touch("Even satin").await?;
                self.page.touch("Just now").await?;
            } else if instruction.text().await?.contains("Touch here") {
                instruction.click().await?;
            } else {
                self.page.find("[data-advised]").await?.click().await?;
            }
            let before = done(&seen);
            self.until("what was touched", |now| done(now) > before).await?;
        }
        self.pace(PACE).await?;
        Ok(false)
    }
}

/// Whether something is to be done now, and not waited for.
fn asks(bowl: &Value) -> bool {
    let advice = &bowl["advice"];
    advice["asks"]["kind"].is_string() || advice["rule"] == "judge_smear"
}

/// How many things were done to a bowl.
fn done(bowl: &Value) -> usize {
    bowl["actions"].as_array().map_or(0, Vec::len)
}

#[tokio::test(flavor = "multi_thread")]
async fn who_follows_the_screen_from_an_empty_installation_logs_a_glossy_slab() {
    let kitchen = Kitchen::just_installed();
    browse_at(kitchen, "evening", async |page| {
        page.resize(Size::PHONE).await?;
        page.go("/plans/new").await?;
        page.touch("Try it without chocolate").await?;
        page.find("[data-testid=instruction]").await?;
        let path = page.path().await?;
        let id = path.strip_prefix("/bench/").context("at the bench")?;
        let bowl = format!("{}/api/v1/bowls/{id}", kitchen.address);
        let beginner = Beginner { page, bowl, client: Client::new() };
        let tempering = async {
            while !beginner.follows().await? {}
            anyhow::Ok(())
        };
        tokio::time::timeout(Duration::from_secs(600), tempering)
            .await
            .context("it was never poured")??;
        let poured = beginner.looks().await?;
        let at_c = poured["poured_c"].as_f64().context("poured warm")?;
        ensure!((30.7..=32.3).contains(&at_c), "poured at {at_c}");
        ensure!(poured["temper"] == "shown" && poured["over_limit_at"].is_null());
        page.until_shown("phase", "Poured").await?;

        page.touch("Go on with the build guide").await?;
        go_through(page, async |name| page.touch(name).await, async || Ok(())).await?;
        page.touch("Record result").await?;
        page.until_said("How it came out").await?;
        for word in ["Glossy", "Clean", "By itself", "None"] {
            page.touch(word).await?;
        }
        page.touch("Save").await?;
        page.until_said("Next look after 24 hours").await?;
        page.go("/log").await?;
        page.until_said("Rehearsal").await?;
        page.find("[data-finish=glossy]").await?;
        Ok(())
    })
    .await;
}
