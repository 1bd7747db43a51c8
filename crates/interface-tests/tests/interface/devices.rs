//! The maker's devices in the home network: let in, at work together, cut off and back.

use anyhow::{Context, ensure};
use interface_tests::{Kitchen, Page, Size, tempered};
use reqwest::Client;
use serde_json::{Value, json};
use tokio::sync::Mutex;

/// One code is shown at a time.
static CODES: Mutex<()> = Mutex::const_new(());

pub fn url(path: &str) -> String {
    format!("{}/api/v1{path}", Kitchen::at_home().address)
}

pub async fn get(path: &str) -> anyhow::Result<Value> {
    Ok(Client::new().get(url(path)).send().await?.error_for_status()?.json().await?)
}

pub async fn put(path: &str, body: Value) -> anyhow::Result<Value> {
    let said = Client::new().put(url(path)).json(&body).send().await?.error_for_status()?;
    Ok(said.json().await.unwrap_or_default())
}

pub async fn post(path: &str, body: Value) -> anyhow::Result<Value> {
    Ok(Client::new().post(url(path)).json(&body).send().await?.error_for_status()?.json().await?)
}

/// A device that types the code that the machine's own screen shows.
pub async fn paired(name: &str, role: &str, size: Size) -> anyhow::Result<Page> {
    paired_with(Kitchen::at_home(), name, role, size).await
}

async fn paired_with(
    kitchen: &Kitchen,
    name: &str,
    role: &str,
    size: Size,
) -> anyhow::Result<Page> {
    let _alone = CODES.lock().await;
    let shown = Client::new().put(format!("{}/api/v1/pairing", kitchen.address));
    let shown = shown.json(&json!({ "role": role })).send().await?.error_for_status()?;
    let code = shown.json::<Value>().await?["code"].clone();
    let page = Page::open_at_home(kitchen).await?;
    page.resize(size).await?;
    page.go("/").await?;
    page.until_said("Let this device in").await?;
    page.is_accessible().await?;
    page.fits_sideways().await?;
    page.fill("Code", code.as_str().context("a code")?).await?;
    page.fill("What to call this device", name).await?;
    page.touch("Let me in").await?;
    page.find("nav[aria-label='Places']").await?;
    Ok(page)
}

/// Runs a test; where it fails, what each of its pages shows is left to be looked at.
pub async fn together(
    name: &str,
    pages: Vec<(&str, Page)>,
    test: impl AsyncFnOnce(&[(&str, Page)]) -> anyhow::Result<()>,
) {
    let done = test(&pages).await;
    for (of, page) in &pages {
        if done.is_err() {
            let left = page.leave_evidence(&format!("{name}_{of}")).await;
            eprintln!("{of}: {left:?}");
        }
    }
    for (_, page) in pages {
        page.close().await;
    }
    done.expect("it goes as told");
}

/// A new batch of a plan of the demo.
pub async fn begun(plan: &str) -> anyhow::Result<String> {
    let plans = get("/plans?most=200").await?;
    let mut all = plans["plans"].as_array().context("plans")?.iter();
    let of_it = all.find(|one| one["name"] == plan).context("the demo has it")?;
    let id = of_it["id"].as_str().context("an id")?;
    let begun = post(&format!("/plans/{id}/batches"), json!({})).await?;
    Ok(begun["id"].as_str().context("an id")?.to_owned())
}

/// What of a batch was done, by step: on which device.
async fn done_on(batch: &str) -> anyhow::Result<Vec<(String, Value)>> {
    let guide = get(&format!("/batches/{batch}/guide")).await?;
    let lines = guide["progress"].as_array().context("lines")?.iter();
    let steps = lines.flat_map(|line| line["steps"].as_array().into_iter().flatten());
    let done = steps.filter(|step| step["done_at"].is_string());
    let on = |step: &Value| {
        (step["key"].as_str().unwrap_or_default().to_owned(), step["done_on"].clone())
    };
    Ok(done.map(on).collect())
}

#[tokio::test(flavor = "multi_thread")]
async fn a_device_comes_in_by_a_code_and_is_sent_away_from_the_list() {
    let main = Page::open(Kitchen::at_home()).await.expect("a browser");
    main.go("/settings").await.expect("there");
    let phone = Page::open_at_home(Kitchen::at_home()).await.expect("a browser");
    together("device_in", vec![("main", main), ("phone", phone)], async |pages| {
        let [(_, main), (_, phone)] = pages else { anyhow::bail!("two") };
        main.touch("Devices in the kitchen").await?;
        main.until_said("In the home network").await?;
        main.is_accessible().await?;
        main.touch("Helper").await?;
        let alone = CODES.lock().await;
        main.touch("Show a code").await?;
        let code = main.until("code", "a code", |text| text.len() == 7).await?;
        phone.resize(Size::PHONE).await?;
        phone.go("/log").await?;
        phone.fill("Code", "12 34").await?;
        phone.touch("Let me in").await?;
        phone.until_said("is not the code that is shown").await?;
        // What the picture brings along need not be typed.
        phone.go(&format!("/#code={}", code.replace(' ', ""))).await?;
        phone.reload().await?;
        phone.fill("What to call this device", "Marmot").await?;
        phone.touch("Let me in").await?;
        phone.until_said("To do").await?;
        drop(alone);
        ensure!(phone.path().await? == "/to-do", "a helper begins with what is to be done");
        phone.go("/shelf").await?;
        phone.until_said("To do").await?;
        phone.settled().await?;
        phone.is_accessible().await?;
        phone.fits_sideways().await?;
        // From there to the guide of what is under way, and to a plan on paper.
        phone.run("document.querySelector('main li a[href^=\"/build/\"]').click()").await?;
        phone.find("[data-testid='build-now']").await?;
        phone.is_accessible().await?;
        phone.fits_sideways().await?;
        phone.go("/to-do").await?;
        phone.find("main a[href$='/card']").await?.click().await?;
        phone.find("[data-testid='batch-card']").await?;
        main.until_said("A device came in by it").await?;
        main.until_said("Marmot").await?;
        let row = "//li[@data-testid='device'][contains(., 'Marmot')]";
        let click = async |words: &str| {
            let script = format!(
                "const row = document.evaluate(\"{row}\", document, null, 9).singleNodeValue;
                 [...row.querySelectorAll('button')].find(b => b.textContent === '{words}').click()"
            );
            main.run(&script).await
        };
        click("Send away…").await?;
        click("Send away").await?;
        phone.until_said("Let this device in").await?;
        main.unfold().await?;
        main.until_said("tried a code in vain").await?;
        phone.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn three_screens_make_a_batch_of_two_bowls_and_one_is_cut_off_meanwhile() {
    let laptop = paired("Laptop", "maker", Size::LAPTOP).await.expect("in");
    let phone = paired("Phone", "maker", Size::PHONE).await.expect("in");
    let tablet = paired("Tablet", "helper", Size::TABLET).await.expect("in");
    let pages = vec![("laptop", laptop), ("phone", phone), ("tablet", tablet)];
    together("three_screens", pages, async |pages| {
        let [(_, laptop), (_, phone), (_, tablet)] = pages else { anyhow::bail!("three") };
        let batch = begun("Nebula, comets and constellations").await?;
        let guide = format!("/build/{batch}");
        for (_, page) in pages {
            page.go(&guide).await?;
            page.find("[data-testid='progress']").await?;
        }
        let (mut bowls, mut cut) = (0, false);
        for turn in 0..80 {
            let told = get(&format!("/batches/{batch}/guide")).await?;
            let now = &told["now"];
            if now.is_null() {
                break;
            }
            let key = now["step"].as_str().context("a step")?.to_owned();
            let is_done = format!(
                "return fetch('/api/v1/batches/{batch}/guide').then(r => r.json()).then(g =>
                 g.progress.some(l => l.steps.some(s => s.key === '{key}' && s.done_at)))"
            );
            if now["state"] == "wait" {
                let opens = now["opens"]["at"].clone();
                let skip = json!({ "rate": 1.0, "skip_to": opens });
                put(&format!("/batches/{batch}/clock"), skip).await?;
                continue;
            }
            if now["kind"] == "tempering" {
                // The makers share the bowls.
                let by = if bowls % 2 == 0 { phone } else { laptop };
                bowls += 1;
                by.find(&format!("[data-step='{key}']")).await?;
                by.touch("Start tempering").await?;
                by.find("[data-testid='instruction']").await?;
                let path = by.path().await?;
                let bowl = path.rsplit('/').next().context("a bowl")?.to_owned();
                tempered(&url(""), &bowl).await?;
                by.go(&guide).await?;
                continue;
            }
            let helps = now["for_helper"] == true;
            let by = if helps {
                tablet
            } else if turn % 2 == 0 {
                phone
            } else {
                laptop
            };
            by.find(&format!("[data-step='{key}']")).await?;
            if helps && !cut {
                // Cut off in the middle: it is kept there, and nobody else knows of it yet.
                cut = true;
                by.disconnect(true).await?;
                by.touch("Done").await?;
                by.until_said("Waiting: 1").await?;
                ensure!(laptop.run(&is_done).await? == false, "it is not sent yet");
                by.disconnect(false).await?;
            } else if now["is_touch"] == true {
                by.touch("Dried earlier").await?;
            } else {
                by.touch("Done").await?;
            }
            // Everybody's screen goes on.
            for (of, page) in pages {
                let gone = format!("return !document.querySelector(\"[data-step='{key}']\")");
                page.until_script(&gone, "the step is over", |gone| *gone == json!(true))
                    .await
                    .with_context(|| format!("{of} goes on after {key}"))?;
            }
        }
        ensure!(bowls >= 2 && cut, "{bowls} bowls");
        laptop.until_said("All is made").await?;
        let by = done_on(&batch).await?;
        for device in ["Laptop", "Phone", "Tablet"] {
            ensure!(by.iter().any(|(_, on)| on == device), "{device}: {by:?}");
        }
        for (_, page) in pages {
            page.forgive().await?;
        }
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_new_release_is_offered_and_never_at_the_bench() {
    let kitchen = Kitchen::to_be_renewed();
    let phone = paired_with(kitchen, "Phone", "maker", Size::PHONE).await.expect("in");
    together("renewed", vec![("phone", phone)], async |pages| {
        let [(_, phone)] = pages else { anyhow::bail!("one") };
        let ready = "return navigator.serviceWorker.ready.then((known) => !!known.active)";
        phone.until_script(ready, "installed", |ready| *ready == json!(true)).await?;
        phone.reload().await?;
        let post = async |path: &str, body: Value| {
            let sent = Client::new().post(format!("{}/api/v1{path}", kitchen.address));
            let said = sent.json(&body).send().await?.error_for_status()?;
            anyhow::Ok(said.json::<Value>().await?)
        };
        let id = |of: &Value| of["id"].as_str().context("an id").map(ToOwned::to_owned);
        let plan = id(&post("/plans", json!({ "name": "Comet bark" })).await?)?;
        let batch = id(&post(&format!("/plans/{plan}/batches"), json!({})).await?)?;
        let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
        let bowl = id(&opened["bowl"])?;
        phone.go(&format!("/bench/{bowl}")).await?;
        phone.find("[data-testid='instruction']").await?;

        let worker = kitchen.interface.join("sw.js");
        let before = std::fs::read_to_string(&worker)?;
        std::fs::write(&worker, format!("{before}\n// A release later."))?;
        let update = "return navigator.serviceWorker.ready.then((known) => known.update())
            .then((known) => !!known.waiting)";
        phone.until_script(update, "it is there", |there| *there == json!(true)).await?;
        // What is at work goes on with what it has; what is looked up elsewhere says so.
        phone.touch("Shelf").await?;
        phone.until_shown("new-release", "A new release is here").await?;
        phone.is_accessible().await?;
        phone.touch("Bench").await?;
        phone.find("[data-testid='instruction']").await?;
        phone.until_count("[data-testid='new-release']", 0).await?;
        phone.touch("Shelf").await?;
        phone.until_shown("new-release", "A new release is here").await?;
        phone.touch("Later").await?;
        phone.until_count("[data-testid='new-release']", 0).await?;
        phone.reload().await?;
        phone.until_shown("new-release", "A new release is here").await?;
        // The one that waits runs, and the one in place is only just starting.
        phone.tell("ServiceWorker.enable", json!({})).await?;
        phone.tell("ServiceWorker.stopAllWorkers", json!({})).await?;
        let use_it = "return navigator.serviceWorker.ready.then(({ waiting }) => {
            waiting.postMessage({});
            return new Promise((done) => setTimeout(done, 20));
        }).then(() => {
            fetch('/api/v1/me');
            const offered = [...document.querySelectorAll('[data-testid=new-release] button')];
            offered.find(({ innerText }) => innerText === 'Use it').click();
        })";
        phone.run(use_it).await?;
        let workers = "return navigator.serviceWorker.ready.then(
            ({ installing, waiting, active }) =>
                [installing, waiting, active].map((one) => one?.state ?? null))";
        let in_place = |now: &Value| *now == json!([null, null, "activated"]);
        phone.until_script(workers, "it is in place", in_place).await?;
        phone.until_count("[data-testid='new-release']", 0).await?;
        ensure!(phone.path().await?.starts_with("/shelf"), "{}", phone.path().await?);
        phone.forgive().await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn an_alarm_that_nobody_looks_at_is_shown_and_answered_where_it_is_shown() {
    let phone = paired("Phone in the other room", "maker", Size::PHONE).await.expect("in");
    together("alarms", vec![("phone", phone)], async |pages| {
        let [(_, phone)] = pages else { anyhow::bail!("one") };
        let grant = json!({ "permissions": ["notifications"] });
        phone.tell("Browser.grantPermissions", grant).await?;
        phone.go("/settings").await?;
        phone.until_said("are shown while another tab is looked at").await?;
        let batch = begun("Dark bark under a scatter of stars").await?;
        let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
        let bowl = opened["bowl"]["id"].as_str().context("an id")?.to_owned();
        post(&format!("/bowls/{bowl}/actions"), json!({ "kind": "heat" })).await?;
        phone.go(&format!("/bench/{bowl}")).await?;
        phone.find("[data-testid='instruction']").await?;
        let hidden = "Object.defineProperty(document, 'visibilityState', { get: () => 'hidden' })";
        phone.run(hidden).await?;
        post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": 55.5 })).await?;
        let shown = "return navigator.serviceWorker.ready.then((r) => r.getNotifications())
            .then((all) => all.map(({ title, data, actions, requireInteraction }) =>
                ({ title, data, actions, requireInteraction })))";
        let is_one = |all: &Value| all.as_array().is_some_and(|all| all.len() == 1);
        let all = phone.until_script(shown, "it is shown", is_one).await?;
        ensure!(all[0]["title"].as_str().is_some_and(|t| t.contains("Off the heat")), "{all:#}");
        ensure!(all[0]["requireInteraction"] == true, "the limit stays: {all:#}");
        ensure!(all[0]["actions"][0]["title"] == "Off the heat", "{all:#}");
        // What the worker hands to the page where it is touched.
        phone
            .run(
                "navigator.serviceWorker.ready.then((r) => r.getNotifications()).then(([one]) =>
                 navigator.serviceWorker.dispatchEvent(new MessageEvent('message',
                    { data: { kind: 'answer', answer: one.data.answer } })))",
            )
            .await?;
        let done = format!(
            "return fetch('/api/v1/bowls/{bowl}/actions').then((r) => r.json())
                 .then((all) => all.some((action) => action.kind === 'off_heat'))"
        );
        phone.until_script(&done, "it is in the record", |done| *done == json!(true)).await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn instructions_are_spoken_where_the_device_has_a_voice_and_said_again_on_a_touch() {
    let phone = Page::open(Kitchen::at_home()).await.expect("a browser");
    together("spoken", vec![("phone", phone)], async |pages| {
        let [(_, phone)] = pages else { anyhow::bail!("one") };
        phone.go("/settings").await?;
        phone.until_said("Sounds at the bench").await?;
        ensure!(phone.run("return document.body.innerText.includes('Spoken')").await? == false);
        let voice = "window.__spoken = [];
            const voice = { lang: 'en-GB', localService: true, name: 'here' };
            Object.defineProperty(window, 'speechSynthesis', { value: {
                getVoices: () => [voice], addEventListener() {}, cancel() {},
                speak: (told) => window.__spoken.push([told.text, told.rate, told.volume]) } });
            window.SpeechSynthesisUtterance = class { constructor(text) { this.text = text; } };";
        let source = json!({ "source": voice });
        phone.tell("Page.addScriptToEvaluateOnNewDocument", source).await?;
        phone.reload().await?;
        phone.touch("and spoken").await?;
        phone.touch("slow").await?;
        phone.touch("soft").await?;
        phone.is_accessible().await?;
        let batch = begun("Dark bark under a scatter of stars").await?;
        phone.go(&format!("/build/{batch}")).await?;
        phone.until_shown("build-now", "Line the tray").await?;
        ensure!(phone.run("return window.__spoken").await? == json!([]), "what stands is read");
        phone.touch("Done").await?;
        let said = |words: &'static str| {
            move |all: &Value| {
                let last = all.as_array().and_then(|all| all.last());
                last.is_some_and(|one| one[0].as_str().is_some_and(|t| t.contains(words)))
            }
        };
        let spoken = "return window.__spoken";
        let all = phone.until_script(spoken, "the next is said", said("grams of Dark")).await?;
        ensure!(all[0][1] == 0.8 && all[0][2] == 0.4, "{all:#}");
        let before = all.as_array().map_or(0, Vec::len);
        phone.touch("Say it again").await?;
        let again = |all: &Value| all.as_array().is_some_and(|all| all.len() > before);
        phone.until_script(spoken, "said again", again).await?;
        Ok(())
    })
    .await;
}
