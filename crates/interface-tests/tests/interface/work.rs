//! The kinds of work on the plan: each as it starts, and what is particular to it.

use anyhow::{Context, ensure};
use interface_tests::{Page, browse};
use serde_json::{Value, json};

use crate::api;

/// A new batch's plan, opened, with another kind of work in place of the slab.
async fn instead(page: &Page, kind: &str) -> anyhow::Result<String> {
    let plan = api::id(&api::new_plan(kind).await?)?;
    page.go(&format!("/plans/{plan}")).await?;
    page.until_shown("to-weigh", "325 g").await?;
    let words = format!("replace with: {}", kind.to_lowercase());
    page.choose("Replace or add", &words).await?;
    Ok(plan)
}

#[tokio::test(flavor = "multi_thread")]
async fn every_kind_of_work_is_planned_from_where_it_starts() {
    browse("work_kinds", async |page| {
        // One page, so that each comes after another as it would for a maker who looks round.
        let plan = instead(page, "Mixed-in bark").await?;
        let next = async |kind: &str| {
            let words = format!("replace with: {}", kind.to_lowercase());
            page.choose("Replace or add", &words).await
        };
        for (kind, figures, step) in [
            ("Mixed-in bark", "7 mm", "Fold the dry goods into the dark"),
            ("Clusters", "24 pieces of 12 g", "Spoon 24 mounds of 12 g"),
            ("Layered bark", "600 cm², 6 mm", "Pour the second layer: white"),
            ("Marbled bark", "600 cm², 4 mm", "Draw a stick through it: 8 strokes"),
            ("Scored shards", "30 pieces", "Score it"),
            ("Sheet: shapes, shards, curls", "50 pieces", "Paint the blue"),
            ("Wrap round a cake", "590 mm long", "Lift it and wrap it round"),
            ("Piped pieces", "12 pieces", "Pipe a trial line on spare paper"),
            ("Ribbons from a frozen slab", "6 pieces", "Spread, lift and fold 6 ribbons"),
            ("Filled shells", "24 pieces of 9.1 g", "Turn it over and dump"),
            ("Joined hollows", "6 pieces of 36 g", "Close 6, one at a time"),
            ("Two-tone figures", "2 pieces of 49 g", "Put the white into the face"),
            ("Solid bars and pieces", "3 pieces of 113 g", "Scrape the backs level"),
            ("Dipped pieces", "24 pieces of 17 g", "Dip the truffles"),
        ] {
            next(kind).await?;
            page.until_shown("figures", figures).await?;
            page.until("saving", "saved", |text| text == "Saved").await?;
            page.place("Steps").await?;
            page.until_shown("build-steps", step).await?;
            page.place("Plan").await?;
        }
        // Sugar has no bowl, and cannot be overlooked.
        next("Boiled-sugar sheet").await?;
        page.place("Steps").await?;
        page.until_shown("build-steps", "Boil the syrup to 151 °C").await?;
        page.until_said("sticks to the skin").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        let kept = api::get(&format!("/plans/{plan}")).await?;
        ensure!(kept["inputs"]["bowls"] == json!([]), "{kept}");
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn chocolates_come_and_go_with_what_is_made_from_them() {
    browse("work_chocolates", async |page| {
        let plan = instead(page, "Marbled bark").await?;
        page.until_shown("glance-bowls", "white").await?;
        page.unfold().await?;
        page.fill("Strokes", "40").await?;
        page.until_said("stirred through: muddy").await?;
        page.fill("Strokes", "6").await?;
        page.choose("Colour in it", "water-based or gel").await?;
        page.until_said("makes chocolate grainy and thick").await?;
        page.choose("Colour in it", "soluble in oil").await?;
        page.place("Steps").await?;
        page.until_shown("build-steps", "Colour the white").await?;
        page.place("Plan").await?;
        page.unfold().await?;
        page.fill("Share", "120").await?;
        page.until_said("must be 1 to 99 %; it is 120").await?;
        page.fill("Share", "40").await?;
        page.choose("Accent", "another: milk").await?;
        // Nothing is made from the white any more.
        page.until("glance-bowls", "two chocolates", |text| {
            text.contains("milk") && !text.contains("white")
        })
        .await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        let kept = api::get(&format!("/plans/{plan}")).await?;
        let keys: Vec<_> = kept["inputs"]["bowls"]
            .as_array()
            .context("bowls")?
            .iter()
            .map(|b| &b["key"])
            .collect();
        ensure!(keys == ["dark", "milk"], "{keys:?}");
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn several_things_share_a_bowl_and_what_is_left_goes_into_one_more() {
    browse("work_several", async |page| {
        let plan = api::id(&api::new_plan("several").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.until_shown("to-weigh", "325 g").await?;
        page.choose("Replace or add", "add: clusters").await?;
        page.until_shown("figures", "24 pieces of 12 g").await?;
        // 309.6 g of slab and 192 g of clusters, and 5 % stay behind.
        page.until_shown("to-weigh", "527 g").await?;
        page.unfold().await?;
        page.fill("Weigh out", "700").await?;
        page.until_shown("left-over", "173 g are left over").await?;
        page.touch("a free slab of 4 mm").await?;
        page.until_shown("figures", "4 mm").await?;
        page.until_said("Bark of the dark that is left").await?;
        page.until_shown("to-weigh", "700 g").await?;
        // All of it is used.
        page.until_count("[data-testid=left-over]", 0).await?;
        page.fill("Weigh out", "300").await?;
        page.until_said("short: it takes").await?;
        page.fill("Weigh out", "").await?;
        page.touch("Remove: Clusters").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        let kept = api::get(&format!("/plans/{plan}")).await?;
        ensure!(kept["inputs"]["components"].as_array().map(Vec::len) == Some(2), "{kept}");
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn one_bowl_is_divided_and_its_part_tinted() {
    browse("work_divided", async |page| {
        let plan = instead(page, "Dipped pieces").await?;
        page.unfold().await?;
        page.choose("Two-tone", "zigzags of a part of the same bowl").await?;
        page.until_shown("glance-bowls", "part of dark, of the dark").await?;
        page.choose("Chocolate or colour shown", "part of dark").await?;
        page.until_shown("part-of", "once that is in temper").await?;
        page.fill("Call it", "night").await?;
        page.choose("Tinted with", "another, with titanium white").await?;
        page.until_shown("tinted", "drops").await?;
        page.choose("Measured", "in drops").await?;
        page.fill("Drops to 100 g", "0").await?;
        page.until_said("must be 1 to 400 drops; it is 0").await?;
        page.fill("Drops to 100 g", "60").await?;
        page.until("saving", "saved", |text| text == "Saved").await?;
        page.place("Steps").await?;
        page.until_shown("build-steps", "of the dark for the night").await?;
        page.until_shown("build-steps", "zigzag night, dip").await?;
        page.place("Shopping").await?;
        // What is a part of a bowl is not bought twice.
        page.until("shopping", "one chocolate", |text| {
            text.contains("dark") && !text.contains("night")
        })
        .await?;
        let kept = api::get(&format!("/plans/{plan}")).await?;
        let part = &kept["inputs"]["bowls"][1];
        ensure!(part["taken_from"] == "dark" && part["tint"]["drops_per_100_g"] == 60.0, "{part}");
        page.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn how_far_it_goes_is_told_whichever_is_known() {
    browse("work_cover", async |page| {
        let plan = api::id(&api::new_plan("how far").await?)?;
        page.go(&format!("/plans/{plan}")).await?;
        page.choose("Size by", "the tray and what I have").await?;
        // 380 g less what stays behind, on 600 cm².
        page.until_shown("figures", "600 cm², 4.7 mm").await?;
        page.choose("Size by", "what I have and how thick").await?;
        page.until_shown("figures", "701 cm², 4 mm").await?;
        page.fill("Amount", "2 1/2 cups").await?;
        page.until_said("about 425.9 g").await?;
        page.until_shown("to-weigh", "426 g").await?;
        page.choose("Size by", "how many, and how thick").await?;
        page.fill("Weight each", "10").await?;
        page.until_shown("figures", "40 pieces of 10 g").await?;
        page.until_shown("to-weigh", "420 g").await?;
        page.choose("Size by", "the tray and how thick").await?;
        page.fill("Length", "10 1/2 in").await?;
        page.until_said("= 266.7 mm").await?;
        page.until_shown("figures", "533 cm²").await?;
        page.fill("Length", "3 furlongs").await?;
        page.until_said("furlongs").await?;
        page.choose("Tray", "round tin: 240 mm across, rim 40 mm").await?;
        page.until_shown("figures", "452 cm²").await?;
        page.fill("Exactly", "39.5").await?;
        page.fill("Rim height", "12").await?;
        page.until_said("must not stand above the tray's rim of 12 mm").await?;
        page.forgive().await
    })
    .await;
}

/// A plan of some kinds of work, each as it starts, with what they are made from.
async fn of_kinds(name: &str, kinds: &[Value]) -> anyhow::Result<String> {
    let component = |(i, kind): (usize, &Value)| json!({ "key": format!("it-{i}"), "name": kind["name"], "work": kind["start"] });
    let components: Vec<_> = kinds.iter().enumerate().map(component).collect();
    let mut bowls = ["dark", "milk", "white"].map(|of| json!({ "key": of, "family": of })).to_vec();
    for kind in kinds {
        for colour in kind["colours"].as_array().into_iter().flatten() {
            if bowls.iter().all(|bowl| bowl["key"] != colour["key"]) {
                bowls.push(colour.clone());
            }
        }
    }
    let microwave = json!({ "watts": 800, "power": 0.5 });
    bowls.iter_mut().for_each(|bowl| bowl["microwave"] = microwave.clone());
    let inputs = json!({ "room_c": 20, "rh_pct": 45, "fridge_c": 5, "bowls": bowls,
        "components": components });
    api::id(&api::post("/plans", json!({ "name": name, "inputs": inputs })).await?)
}

/// What the card must say: each step of each thing, each burst.
async fn said_by_the_plan(plan: &str) -> anyhow::Result<Vec<String>> {
    let kept = api::get(&format!("/plans/{plan}")).await?;
    let lines = kept["plan"]["lines"].as_array().with_context(|| kept.to_string())?;
    let mut said: Vec<String> = Vec::new();
    // A mould that is cast twice has the same steps twice.
    let first = lines.iter().filter(|line| line["of"]["of"] == "component");
    for step in first.filter_map(|line| line["steps"].as_array()).flatten() {
        said.push(step["text"]["text"].as_str().context("a text")?.to_owned());
    }
    for bowl in kept["plan"]["bowls"].as_array().context("bowls")? {
        let bursts = bowl["plan"]["microwave"]["bursts_s"].as_array().into_iter().flatten();
        let bursts: Vec<_> = bursts.filter_map(Value::as_f64).collect();
        let of_one_length = bursts.chunk_by(|a, b| a == b).map(|same| match same {
            [one] => format!("{one}"),
            more => format!("{} × {}", more.len(), more[0]),
        });
        if !bursts.is_empty() {
            let lengths = of_one_length.collect::<Vec<_>>().join(", ");
            said.push(format!("{lengths} s at half of 800 W"));
        }
    }
    Ok(said)
}

#[tokio::test(flavor = "multi_thread")]
async fn the_card_says_what_the_plan_says_of_every_kind_and_prints_on_one_page() {
    browse("work_card", async |page| {
        let kinds = api::get("/kinds").await?;
        let (first, rest) = kinds.as_array().context("kinds")?.split_at(8);
        // What is cast, filled and joined has three times the steps.
        for (name, kinds, most) in
            [("Test: eight things", first, 1), ("Test: all the others", rest, 2)]
        {
            let plan = of_kinds(name, kinds).await?;
            let said = said_by_the_plan(&plan).await?;
            ensure!(said.len() > 5 * kinds.len(), "{said:?}");
            page.go(&format!("/plans/{plan}/card")).await?;
            let card = page.until_shown("batch-card", &said[0]).await?;
            for text in said {
                ensure!(card.contains(&text), "{text}\nis not on the card:\n{card}");
            }
            let pages = page.printed_pages().await?;
            ensure!(pages <= most, "{name}: {pages} pages");
        }
        Ok(())
    })
    .await;
}
