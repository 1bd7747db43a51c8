//! Many devices of the home network at once; run by `scripts/bench-devices`.

use std::collections::HashSet;
use std::net::Ipv4Addr;
use std::time::{Duration, Instant};

use anyhow::Context;
use reqwest::{Certificate, Client};
use serde_json::{Value, json};
use tokio::sync::mpsc;
use uuid::Uuid;

const DEVICES: u8 = 30;
const GUESSES: u32 = 10_000;
/// Ticks of the kernel's clock in a second, as `/proc` counts a program's time.
const TICKS_PER_S: f64 = 100.0;

/// A device at an address of its own.
fn device(authority: &Certificate, last: u8) -> anyhow::Result<Client> {
    Ok(Client::builder()
        .tls_certs_only([authority.clone()])
        .local_address(Some(Ipv4Addr::new(127, 0, 1, last).into()))
        .cookie_store(true)
        .build()?)
}

/// How long a program has been at work, s.
fn at_work_s(process: &str) -> anyhow::Result<f64> {
    let said = std::fs::read_to_string(format!("/proc/{process}/stat"))?;
    let after = said.rsplit(')').next().context("its fields")?;
    let fields: Vec<&str> = after.split_whitespace().collect();
    let ticks = fields[11].parse::<f64>()? + fields[12].parse::<f64>()?;
    Ok(ticks / TICKS_PER_S)
}

/// Hears a stream, and says when it tells of a step that is done.
async fn listen(
    client: Client,
    url: String,
    (n, heard): (u8, mpsc::UnboundedSender<(u8, Instant)>),
) -> anyhow::Result<()> {
    let mut response = client.get(url).send().await?.error_for_status()?;
    let mut text = String::new();
    while let Some(chunk) = response.chunk().await? {
        text.push_str(&String::from_utf8_lossy(&chunk));
        while let Some((event, rest)) = text.split_once("\n\n") {
            for data in event.lines().filter_map(|line| line.strip_prefix("data: ")) {
                let told: Value = serde_json::from_str(data).unwrap_or_default();
                let all = told["progress"].as_array().into_iter().flatten();
                let mut steps = all.flat_map(|line| line["steps"].as_array().into_iter().flatten());
                if steps.any(|step| step["done_at"].is_string()) {
                    // Who has heard enough is no reason to stop.
                    let _ = heard.send((n, Instant::now()));
                }
            }
            text = rest.to_owned();
        }
    }
    Ok(())
}

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let _ = rustls::crypto::ring::default_provider().install_default();
    let arguments: Vec<String> = std::env::args().collect();
    let [_, here, shared, process, seconds] = arguments.as_slice() else {
        anyhow::bail!("scripts/bench-devices says how");
    };
    let (here, shared) = (format!("{here}/api/v1"), format!("{shared}/api/v1"));
    let lasts = Duration::from_secs(seconds.parse()?);
    let maker = Client::new();
    let put = async |path: &str, body: Value| -> anyhow::Result<Value> {
        let said = maker.put(format!("{here}{path}")).json(&body).send().await?;
        Ok(said.error_for_status()?.json().await?)
    };
    let post = async |path: &str, body: Value| -> anyhow::Result<Value> {
        let said = maker.post(format!("{here}{path}")).json(&body).send().await?;
        Ok(said.error_for_status()?.json().await?)
    };
    let text = |value: &Value| value.as_str().unwrap_or_default().to_owned();
    let der = maker.get(format!("{here}/sharing/certificate")).send().await?.bytes().await?;
    let authority = Certificate::from_der(&der)?;
    let plan = text(&post("/plans", json!({ "name": "Bark" })).await?["id"]);
    let batch = text(&post(&format!("/plans/{plan}/batches"), json!({})).await?["id"]);
    let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
    let bowl = text(&opened["bowl"]["id"]);
    put(&format!("/bowls/{bowl}/thermometer"), json!({ "simulated": true, "rate": 1.0 })).await?;

    let (sender, mut heard) = mpsc::unbounded_channel();
    for n in 1..=DEVICES {
        let code = text(&put("/pairing", json!({ "role": "maker" })).await?["code"]);
        let client = device(&authority, n)?;
        let body = json!({ "code": code, "name": format!("Device {n}") });
        let said = client.post(format!("{shared}/devices")).json(&body).send().await?;
        said.error_for_status()?;
        let guide = format!("{shared}/batches/{batch}/guide/stream");
        tokio::spawn(listen(client.clone(), guide, (n, sender.clone())));
        for path in [format!("{shared}/bowls/{bowl}/stream"), format!("{shared}/bench/stream")] {
            let (nobody, _) = mpsc::unbounded_channel();
            tokio::spawn(listen(client.clone(), path, (n, nobody)));
        }
    }
    tokio::time::sleep(Duration::from_secs(3)).await;
    while heard.try_recv().is_ok() {}

    let (began, before) = (Instant::now(), at_work_s(process)?);
    let guide: Value =
        maker.get(format!("{here}/batches/{batch}/guide")).send().await?.json().await?;
    let step = text(&guide["now"]["step"]);
    let mut took_ms = Vec::new();
    while began.elapsed() < lasts {
        let event = Uuid::now_v7();
        let done = json!({ "kind": "done", "id": event, "step": step });
        let said_at = Instant::now();
        post(&format!("/batches/{batch}/events"), done).await?;
        let mut known = HashSet::new();
        while known.len() < usize::from(DEVICES) {
            let wait = tokio::time::timeout(Duration::from_secs(5), heard.recv());
            let Some((n, at)) = wait.await.context("not all have heard of it")? else { break };
            if known.insert(n) {
                took_ms.push((at - said_at).as_secs_f64() * 1_000.0);
            }
        }
        let undone = json!({ "kind": "undone", "id": Uuid::now_v7(), "event": event });
        post(&format!("/batches/{batch}/events"), undone).await?;
        tokio::time::sleep(Duration::from_secs(1)).await;
        while heard.try_recv().is_ok() {}
    }
    let share = (at_work_s(process)? - before) / began.elapsed().as_secs_f64() * 100.0;
    took_ms.sort_by(f64::total_cmp);
    #[allow(clippy::cast_precision_loss, clippy::cast_possible_truncation, clippy::cast_sign_loss)]
    let at = |part: f64| took_ms[((took_ms.len() - 1) as f64 * part) as usize];
    println!("{DEVICES} devices, each with guide, bowl and bench: {share:.0} % of a core");
    println!(
        "a tick is on every screen after {:.0} ms (half), {:.0} ms (95 %), {:.0} ms (all), of {}",
        at(0.5),
        at(0.95),
        at(1.0),
        took_ms.len()
    );

    let code = text(&put("/pairing", json!({ "role": "maker" })).await?["code"]);
    let guesser = device(&authority, 200)?;
    let mut said = [0_u32; 3];
    for guess in 0..GUESSES {
        let guess = format!("{guess:06}");
        // The one that is shown is left out: what is measured is guessing.
        if guess == code.replace(' ', "") {
            continue;
        }
        let body = json!({ "code": guess, "name": "x" });
        let answer = guesser.post(format!("{shared}/devices")).json(&body).send().await?;
        match answer.status().as_u16() {
            201 => said[0] += 1,
            403 => said[1] += 1,
            429 => said[2] += 1,
            other => anyhow::bail!("{other}"),
        }
    }
    let [inside, heard, often] = said;
    println!("{GUESSES} guesses: {inside} in, {heard} heard, {often} told that it was too often");
    Ok(())
}
