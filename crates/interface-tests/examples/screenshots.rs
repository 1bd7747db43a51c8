//! Takes the pictures for the README from the demo data; run by
//! `scripts/screenshots`.

use anyhow::Context;
use interface_tests::{Kitchen, Page, Size, root, tempered};
use reqwest::Client;
use serde_json::{Value, json};

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let kitchen = Kitchen::shared();
    let api = format!("{}/api/v1", kitchen.address);
    let client = Client::new();
    let listed = async |path: &str, of: &str| {
        let answer = client.get(format!("{api}/{path}")).send().await?.error_for_status()?;
        let page: Value = answer.json().await?;
        anyhow::Ok(page[of].as_array().context("a list")?.clone())
    };
    let plans = listed("plans?most=200", "plans").await?;
    let mut batches = listed("batches?of=under_way&most=200", "batches").await?;
    batches.extend(listed("batches?of=over&most=200", "batches").await?);
    let found = |all: &[Value], name: &str, key: &str| -> anyhow::Result<String> {
        let one = all.iter().find(|b| b["name"].as_str().is_some_and(|n| n.contains(name)));
        Ok(one.context("in the demo")?[key].as_str().context("an id")?.to_owned())
    };
    let named = |name: &str| found(&plans, name, "id");
    let begun = async |plan: &str| {
        let post = client.post(format!("{api}/plans/{plan}/batches")).json(&json!({}));
        let batch: Value = post.send().await?.error_for_status()?.json().await?;
        anyhow::Ok(batch["id"].as_str().context("an id")?.to_owned())
    };
    let nebula = named("Nebula sheet")?;
    let several = named("Nebula, comets")?;
    let stars = found(&batches, "scatter of stars", "bowl_id")?;
    let hazelnut = found(&batches, "Hazelnut", "id")?;
    let planets = named("Three days of planets")?;

    let bowl_of = async |name: &str| {
        let named = |batch: &&Value| batch["name"] == name;
        let batch = batches.iter().find(named).context("in the demo")?;
        let id = batch["id"].as_str().context("an id")?;
        let got = client.get(format!("{api}/batches/{id}")).send().await?.error_for_status()?;
        let batch: Value = got.json().await?;
        anyhow::Ok(batch["bowls"][0]["id"].as_str().context("a bowl")?.to_owned())
    };
    let page = Page::open(kitchen).await?;
    page.prefer("light").await?;
    let folder = root().join("docs/screenshots");
    std::fs::create_dir_all(&folder)?;
    let take = async |name: &str| {
        // Not in the middle of a change of colours or sizes.
        let moving =
            "return document.getAnimations().filter((a) => a.playState === 'running').length";
        page.until_script(moving, "still", |count| *count == json!(0)).await?;
        page.picture(&folder.join(format!("{name}.png"))).await
    };

    page.go("/plans").await?;
    page.until_said("In use").await?;
    take("plans").await?;
    page.go(&format!("/plans/{nebula}")).await?;
    page.until_shown("to-weigh", "g").await?;
    take("plan").await?;
    page.go(&format!("/plans/{several}/sheets/constellations")).await?;
    page.find("[data-testid='sheets'] img").await?;
    take("piping-sheet").await?;
    page.go("/log").await?;
    page.until_said("Hazelnut").await?;
    take("log").await?;
    page.go(&format!("/log/{hazelnut}")).await?;
    page.find(".recharts-line-curve").await?;
    take("log-batch").await?;
    // A fault, and the batch that mended it.
    let (streaked, mended) = (
        bowl_of("Milk bark for the youngest visitors").await?,
        bowl_of("Youngest visitors' milk bark, second go").await?,
    );
    page.go(&format!("/log/compare?bowls={streaked},{mended}")).await?;
    page.until_shown("compared", "stands out").await?;
    page.until_count("[data-testid='overlay'] .compared path", 2).await?;
    take("compare").await?;
    page.go("/shelf").await?;
    page.until_said("Dark 66 %, the big bag").await?;
    take("shelf").await?;
    page.go(&format!("/plans/{planets}")).await?;
    page.until_shown("film-order", "First in, first seen").await?;
    page.find("[data-testid='mould-picture']").await?;
    take("plan-shells").await?;
    page.go(&format!("/plans/{planets}/schedule")).await?;
    page.until_shown("verdict", "latest start").await?;
    take("schedule").await?;
    // The thread: how many, what to buy, what it costs, what the label says.
    page.go(&format!("/plans/{planets}/boxes")).await?;
    page.until_shown("fills", "The plan fills").await?;
    take("boxes").await?;
    page.go(&format!("/plans/{planets}/labels")).await?;
    page.find("[data-testid=label]").await?;
    // Once its letters are fitted to what it says.
    let cut = "return [...document.querySelectorAll('[data-pt]')].filter((of) => \
        of.scrollHeight > of.clientHeight || of.scrollWidth > of.clientWidth).length";
    page.until_script(cut, "no label is cut", |cut| *cut == json!(0)).await?;
    take("labels").await?;
    page.resize(Size::PHONE).await?;
    page.go(&format!("/shelf/shopping?plans={planets}")).await?;
    page.find("[data-testid=to-buy]").await?;
    take("shopping-phone").await?;
    page.resize(Size::LAPTOP).await?;
    page.go("/colour").await?;
    page.choose("Pigment", "Mars red lake").await?;
    page.until_shown("colour-recipe", "Mars red lake").await?;
    page.run("scrollTo(0, 0)").await?;
    take("colour").await?;

    let due = |text: &str| text.contains("Look at the smear") || text.contains("Judge the smear");

    // The bowl at the bench goes on, at pace, to each of its stages.
    let act = async |body: Value| {
        let url = format!("{api}/bowls/{stars}/actions");
        anyhow::Ok(client.post(url).json(&body).send().await?.error_for_status()?)
    };
    let pace = async |rate: u32| {
        let url = format!("{api}/bowls/{stars}/thermometer");
        let body = json!({ "simulated": true, "rate": rate });
        anyhow::Ok(client.put(url).json(&body).send().await?.error_for_status()?)
    };
    page.go(&format!("/bench/{stars}")).await?;
    page.find(".recharts-line-curve").await?;
    pace(20).await?;
    page.until("instruction", "the next seed", |text| text.contains("of seed and stir")).await?;
    page.press("a").await?;
    page.until("instruction", "on its way down", |text| {
        ["Stir down", "Test it", "Stir now", "stands still"].iter().any(|w| text.contains(w))
    })
    .await?;
    pace(0).await?;
    take("bench").await?;
    page.prefer("dark").await?;
    page.resize(Size::PHONE).await?;
    take("bench-phone-dark").await?;
    page.resize(Size::LAPTOP).await?;
    page.prefer("light").await?;
    act(json!({ "kind": "test_started" })).await?;
    page.until_said("Sets from the edge").await?;
    pace(60).await?;
    page.until("instruction", "the smear is due", due).await?;
    pace(0).await?;
    act(json!({ "kind": "test_seen", "seen": "streaks" })).await?;
    page.until_shown("verdict", "Do not pour").await?;
    act(json!({ "kind": "heat", "seconds": 8 })).await?;
    pace(20).await?;
    page.until_shown("instruction", "Stir from the bottom").await?;
    act(json!({ "kind": "stirred" })).await?;
    act(json!({ "kind": "test_started" })).await?;
    page.until_shown("instruction", "Look at the smear").await?;
    pace(0).await?;
    act(json!({ "kind": "stirred" })).await?;
    act(json!({ "kind": "test_seen", "seen": "sets_from_edge" })).await?;
    page.until_shown("finish", "sheen").await?;
    act(json!({ "kind": "poured" })).await?;
    page.until_said("Go on with the build guide").await?;
    page.until_shown("next-step", "Next").await?;

    // What is built from three bowls, a little way on.
    let making = begun(&several).await?;
    let url = format!("{api}/batches/{making}");
    let post = async |path: &str, body: Value| {
        let sent = client.post(format!("{url}/{path}")).json(&body).send().await?;
        anyhow::Ok(sent.error_for_status()?.json::<Value>().await?)
    };
    for chocolate in ["dark", "milk", "white"] {
        let opened = post("bowls", json!({ "chocolate": chocolate })).await?;
        let bowl = opened["bowl"]["id"].as_str().context("an id")?;
        tempered(&api, bowl).await?;
        let poured = client.post(format!("{api}/bowls/{bowl}/actions"));
        poured.json(&json!({ "kind": "poured" })).send().await?.error_for_status()?;
    }
    let guide = client.get(format!("{url}/guide")).send().await?.error_for_status()?;
    let mut guide: Value = guide.json().await?;
    while !guide["now"]["step"].as_str().context("a step")?.ends_with("/spoon") {
        let step = &guide["now"]["step"];
        let done = json!({ "kind": "done", "id": uuid::Uuid::new_v4(), "step": step });
        guide = post("events", done).await?;
    }
    page.go(&format!("/build/{making}")).await?;
    page.until_shown("coming", "it shapes for").await?;
    take("build").await?;

    // Two more bowls beside it, and which of the three comes first.
    pace(1).await?;
    for (name, readings, done) in [
        ("Nebula sheet", [20.5, 44.9], json!({ "kind": "heat" })),
        ("Full-moon", [19.5, 27.0], json!({ "kind": "stirred" })),
    ] {
        let batch = begun(&named(name)?).await?;
        let url = format!("{api}/batches/{batch}/bowls");
        let opened: Value = client.post(url).json(&json!({})).send().await?.json().await?;
        let bowl = opened["bowl"]["id"].as_str().context("an id")?.to_owned();
        let url = format!("{api}/bowls/{bowl}");
        let post = async |path: &str, body: Value| {
            anyhow::Ok(client.post(format!("{url}/{path}")).json(&body).send().await?)
        };
        post("readings", json!({ "temp_c": readings[0] })).await?.error_for_status()?;
        post("actions", done).await?.error_for_status()?;
        let later = chrono::Utc::now() + chrono::TimeDelta::seconds(100);
        let reading = json!({ "temp_c": readings[1], "at": later });
        post("readings", reading).await?.error_for_status()?;
    }
    // Two colours beside them: one in its band, one that has become too cool.
    let planets = begun(&planets).await?;
    for (colour, c) in [("blue", 29.4), ("gold", 27.6)] {
        let url = format!("{api}/batches/{planets}/bowls");
        let body = json!({ "chocolate": colour });
        let opened: Value = client.post(url).json(&body).send().await?.json().await?;
        let bowl = opened["bowl"]["id"].as_str().context("an id")?.to_owned();
        let post = async |path: &str, body: Value| {
            let sent = client.post(format!("{api}/bowls/{bowl}/{path}")).json(&body).send();
            anyhow::Ok(sent.await?.error_for_status()?)
        };
        post("readings", json!({ "temp_c": 46.2 })).await?;
        for kind in ["off_heat", "colour_in"] {
            post("actions", json!({ "kind": kind })).await?;
        }
        for addition in opened["bowl"]["additions"].as_array().context("additions")? {
            let g = &addition["planned_g"];
            post("actions", json!({ "kind": "seed_added", "grams": g })).await?;
        }
        post("actions", json!({ "kind": "test_started" })).await?;
        post("actions", json!({ "kind": "test_seen", "seen": "sets_from_edge" })).await?;
        let later = chrono::Utc::now() + chrono::TimeDelta::seconds(100);
        post("readings", json!({ "temp_c": c, "at": later })).await?;
    }
    page.go("/bench").await?;
    page.until_said("after").await?;
    take("bench-several").await?;
    page.go("/reference").await?;
    page.until_shown("windows", "Coating").await?;
    take("windows").await?;
    page.close().await;

    // In its home network, under a name that is no machine's.
    let main = Page::open(Kitchen::at_home()).await?;
    main.prefer("light").await?;
    main.go("/settings/devices").await?;
    main.touch("Helper").await?;
    main.touch("Show a code").await?;
    main.until("code", "a code", |text| text.len() == 7).await?;
    let named = "for (const link of document.querySelectorAll('[data-testid=address]'))
        link.textContent = link.textContent.includes('.local')
            ? 'https://kitchen.local:8443' : 'https://192.168.1.20:8443'";
    main.run(named).await?;
    main.settled().await?;
    main.picture(&folder.join("devices.png")).await?;
    main.close().await;
    Ok(())
}
