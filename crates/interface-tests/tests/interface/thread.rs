//! One thread: from how many, for whom and by when to the label on the box.

use anyhow::{Context, ensure};
use interface_tests::{Kitchen, Page, browse_at, tempered};
use reqwest::Client;
use serde_json::{Value, json};

use crate::guide::follow;

/// A chocolate of a batch is tempered at the bench and poured: what the bench says is followed by
/// tests of its own.
async fn pour(api: &str, batch: &str, chocolate: &str) -> anyhow::Result<()> {
    let client = Client::new();
    let post = async |path: &str, body: Value| {
        let sent = client.post(format!("{api}{path}")).json(&body).send().await?;
        anyhow::Ok(sent.error_for_status()?.json::<Value>().await?)
    };
    let opened =
        post(&format!("/batches/{batch}/bowls"), json!({ "chocolate": chocolate })).await?;
    let bowl = opened["bowl"]["id"].as_str().context("a bowl")?;
    tempered(api, bowl).await?;
    post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "poured" })).await?;
    Ok(())
}

/// A wish: filled planets in two colours, hollow moons, bark with three toppings, dipped sticks.
async fn wished(page: &Page) -> anyhow::Result<()> {
    page.touch("New plan").await?;
    page.touch("I want to make").await?;
    page.touch("Filled shells").await?;
    page.until_said("What you make").await?;
    let name = "Boxes for the open night";
    page.fill("Name of the plan", name).await?;
    page.unfold().await?;
    page.fill("Cavities", "36").await?;
    for (kind, place) in
        [("add: joined hollows", 2), ("add: slab of bark", 3), ("add: dipped pieces", 4)]
    {
        let list = if place == 2 { "Replace or add" } else { "Add another" };
        page.choose(list, kind).await?;
        page.until_count("[aria-label='Made in this plan'] li", place).await?;
        page.unfold().await?;
        match place {
            2 => page.fill("Cavities", "24").await?,
            3 => {
                for nth in ["Topping", "Topping 2", "Topping 3"] {
                    page.touch("Add topping").await?;
                    page.field(nth).await?;
                }
                page.choose("Topping 2", "raisins").await?;
                page.choose("Topping 3", "salt flakes").await?;
            }
            _ => page.choose("Sticks", "yes").await?,
        }
    }
    page.until("saving", "saved", |text| text == "Saved").await?;
    Ok(())
}

#[tokio::test(flavor = "multi_thread")]
async fn thirty_boxes_for_a_saturday_from_the_wish_to_the_labels() {
    let kitchen = Kitchen::just_installed();
    browse_at(kitchen, "thread", async |page| {
        page.go("/").await?;
        wished(page).await?;

        // How many, and for what.
        page.place("Boxes").await?;
        page.choose("Packed as", "boxes").await?;
        page.fill("How many boxes", "30").await?;
        page.fill_in("Joined hollows", "In each", "1").await?;
        page.fill_in("Slab of bark", "In each", "40").await?;
        page.until_shown("fills", "of 30").await?;
        page.touch("Make enough of each").await?;
        page.until_shown("fills", "The plan fills all 30.").await?;
        let kinds = page.shown("packed-kinds").await?;
        ensure!(kinds.contains("66") && kinds.contains("in 2 casts"), "{kinds}");
        page.until("saving", "saved", |text| text == "Saved").await?;

        // By when.
        page.place("Schedule").await?;
        page.choose("It is to be", "ready by").await?;
        page.put("Ready by", "2041-10-12T18:00").await?;
        page.until_shown("verdict", "Ready Sat 12 Oct").await?;
        page.until_said("Count whole and broken pieces").await?;

        // Bought: everything, touched off one by one.
        page.place("Shopping").await?;
        page.find("[data-testid=to-buy]").await?;
        for _ in 0..40 {
            let left = page.run("return document.querySelectorAll('[data-testid=to-buy]').length");
            let left = left.await?.as_u64().context("a number")?;
            if left == 0 {
                break;
            }
            page.touch("Bought: ").await?;
            page.until_count("[data-testid=to-buy]", usize::try_from(left)? - 1).await?;
        }
        page.until_said("Nothing to buy").await?;
        // What was touched by mistake is taken back, and bought again.
        let bought =
            page.run("return document.querySelectorAll('[data-testid=bought] button').length");
        ensure!(bought.await?.as_u64() > Some(6), "chocolates, cream, toppings, sticks, boxes");
        page.touch("Take back: ").await?;
        page.until_count("[data-testid=to-buy]", 1).await?;
        page.touch("Bought: ").await?;
        page.until_said("Nothing to buy").await?;

        // Nothing has a price yet: it is named, not nought.
        page.place("Cost").await?;
        page.until_shown("unpriced", "No price yet").await?;
        page.is_accessible().await?;

        // Made by what the screen says next.
        page.touch("Build guide").await?;
        page.find("[data-testid=build-now]").await?;
        let path = page.path().await?;
        let batch = path.strip_prefix("/build/").context("the guide")?.to_owned();
        let api = format!("{}/api/v1", kitchen.address);
        let bowls: Value = reqwest::get(format!("{api}/batches/{batch}")).await?.json().await?;
        let bowls: Vec<[String; 2]> = bowls["plan"]["bowls"]
            .as_array()
            .context("bowls")?
            .iter()
            .map(|bowl| ["key", "label"].map(|of| bowl[of].as_str().unwrap_or_default().to_owned()))
            .collect();
        let bring = async |task: &str| {
            if task.contains("Count whole and broken pieces") {
                page.fill_in("Filled shells", "Broken", "3").await?;
                page.touch("Save the count").await?;
                page.until_shown("counted", "That fills all 30 boxes.").await?;
                return Ok(());
            }
            let named = |label: &str| {
                ["Temper the ", "Melt the ", "Weigh out "]
                    .iter()
                    .any(|does| task.contains(&format!("{does}{label}")))
                    || task.contains(&format!(" of {label}"))
            };
            // The longest name first: white is no white colour.
            let mut known: Vec<_> = bowls.iter().filter(|[_, label]| named(label)).collect();
            known.sort_by_key(|[_, label]| std::cmp::Reverse(label.len()));
            let [key, _] = known.first().with_context(|| format!("a chocolate in {task}"))?;
            pour(&api, &batch, key).await
        };
        let followed = follow(page, bring).await?;
        ensure!(followed.waits.len() >= 3, "over days: {:?}", followed.waits);

        // Packed, costed, labelled.
        page.touch("Record result").await?;
        page.until_said("How it came out").await?;
        page.touch("What it cost").await?;
        page.until_shown("cost-lines", "Total").await?;
        page.touch("Count and labels").await?;
        page.touch("Print labels").await?;
        page.until_count("[data-testid=label]", 30).await?;
        let label = page.find("[data-testid=label]").await?.text().await?;
        for says in ["Ingredients: ", "Contains: ", "Best before: ", " g", "L"] {
            ensure!(label.contains(says), "{says}: {label}");
        }
        ensure!(label.contains("Not for eating: paper sticks."), "{label}");
        // All of it is seen.
        let cut = "return [...document.querySelectorAll('[data-pt]')].filter((of) => \
            of.scrollHeight > of.clientHeight || of.scrollWidth > of.clientWidth).length";
        page.until_script(cut, "no label is cut", |cut| *cut == json!(0)).await?;
        // As large as there is room for: it says enough to fill half of it at four points.
        let smallest = "return Math.min(...[...document.querySelectorAll('[data-pt]')]
            .map((of) => Number(of.dataset.pt)))";
        let readable = |pt: &Value| pt.as_f64().is_some_and(|pt| pt > 6.0);
        page.until_script(smallest, "letters that can be read", readable).await?;
        // Eight on a sheet.
        ensure!(page.printed_pages().await? == 4, "{}", page.printed_pages().await?);
        page.choose("Format", "card with a picture").await?;
        page.until_count("[data-testid=label]", 30).await?;
        ensure!(page.printed_pages().await? == 8, "four on a sheet");
        page.is_accessible().await?;
        Ok(())
    })
    .await;
}
