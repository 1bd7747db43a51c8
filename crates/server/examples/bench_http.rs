//! Measures the server beside what it can at best be; run by
//! `scripts/bench-http`. HTTP load comes from wrk; statements straight to the
//! database from this process, through the same pool.

use std::io::Write;
use std::net::{Ipv4Addr, TcpListener};
use std::process::Command;
use std::time::{Duration, Instant};

use actix_web::{App, HttpServer, web};
use anyhow::Context;
use chrono::Utc;
use craft::bowl::{Reading, Source};
use craft::units::celsius;
use serde_json::{Value, json};
use server::app::{Serving, serve};
use server::clock::WallClock;
use server::state::State;
use stack::DataDir;
use stack::database::{Database, Durability};
use uuid::Uuid;

/// As many connections as a busy kitchen has screens and probes.
const CONNECTIONS: usize = 16;

/// Requests a second, and the 99th percentile in milliseconds.
#[derive(Clone, Copy, Debug)]
struct Measured {
    per_second: f64,
    p99_ms: f64,
}

fn show(name: &str, measured: Measured, beside: Option<Measured>) {
    let ratio = beside.map_or(String::new(), |b| {
        format!("  {:.2} of the rate", measured.per_second / b.per_second)
    });
    println!("{name:<44} {:>9.0}/s  p99 {:>7.2} ms{ratio}", measured.per_second, measured.p99_ms);
}

/// A seed sum's answer, word for word, so that the bare handler sends as much.
async fn bare(answer: web::Data<String>, _body: web::Bytes) -> actix_web::HttpResponse {
    actix_web::HttpResponse::Ok().content_type("application/json").body(answer.get_ref().clone())
}

#[actix_web::main]
async fn main() -> anyhow::Result<()> {
    let lasting: u64 = std::env::args().nth(1).map_or(Ok(8), |s| s.parse())?;
    let folder = tempfile::tempdir()?;
    let dir = DataDir::open(&folder.path().join("data"))?;
    // As in earnest: every commit is on the disk before it is answered.
    let database = Database::start(dir, Durability::Full)?;
    let pool = store::connect(&database.url()).await?;
    let state = State::new(pool.clone(), WallClock::new(Utc::now));
    let running = serve(state, Serving::default()).await?;
    let base = format!("http://{}/api/v1", running.address);
    actix_web::rt::spawn(running.server);

    let client = reqwest::Client::new();
    let post = async |path: &str, body: Value| -> anyhow::Result<Value> {
        let response = client.post(format!("{base}{path}")).json(&body).send().await?;
        Ok(response.error_for_status()?.json().await?)
    };
    let plan = post("/plans", json!({ "name": "Measured" })).await?;
    let plan = plan["id"].as_str().context("a plan")?.to_owned();
    let batch = post(&format!("/plans/{plan}/batches"), json!({})).await?;
    let batch = batch["id"].as_str().context("a batch")?.to_owned();
    let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
    let bowl: Uuid = opened["bowl"]["id"].as_str().context("a bowl")?.parse()?;
    let plan_id: Uuid = plan.parse()?;

    let seed = json!({ "family": "dark", "total_g": 800, "melted_c": 46, "target_c": 31.5,
        "seed_c": 20, "bowl": { "material": "glass", "mass_g": 450 } });
    let answer = post("/calc/seed", seed.clone()).await?.to_string();
    let listener = TcpListener::bind((Ipv4Addr::LOCALHOST, 0))?;
    let bare_address = format!("http://{}", listener.local_addr()?);
    let server = HttpServer::new(move || {
        App::new()
            .app_data(web::Data::new(answer.clone()))
            .route("/seed", web::post().to(bare))
            .route("/read", web::get().to(bare))
    })
    .listen(listener)?
    .run();
    actix_web::rt::spawn(server);

    let wrk = |url: String, body: Option<String>| {
        let folder = folder.path().to_owned();
        async move { web::block(move || run_wrk(&folder, &url, body, lasting)).await? }
    };
    println!("{CONNECTIONS} connections, {lasting} s each\n");
    let body = format!("wrk.body = [[{seed}]]");
    let bare_post = wrk(format!("{bare_address}/seed"), Some(body.clone())).await?;
    show("bare Actix handler, POST", bare_post, None);
    show("calc/seed", wrk(format!("{base}/calc/seed"), Some(body)).await?, Some(bare_post));

    let bare_get = wrk(format!("{bare_address}/read"), None).await?;
    show("bare Actix handler, GET", bare_get, None);
    let straight =
        statements(lasting, async || store::plans::get(&pool, plan_id).await.map(|_| ())).await?;
    show("the plan's SELECT, straight", straight, None);
    let read = wrk(format!("{base}/plans/{plan}"), None).await?;
    show("plan read", read, Some(bare_get));
    show("plan read, beside its SELECT", read, Some(straight));

    let insert = async || {
        let reading = Reading {
            id: Uuid::now_v7(),
            at: Utc::now(),
            temp: celsius(31.5),
            source: Source::Probe,
        };
        store::alone(&pool, async |c: &mut store::Connection| {
            store::readings::append(c, bowl, &reading).await.map(|_| ())
        })
        .await
    };
    let straight = statements(lasting, insert).await?;
    show("the reading's INSERT, straight, durable", straight, None);
    let append = wrk(
        format!("{base}/bowls/{bowl}/readings"),
        Some("wrk.body = [[{\"temp_c\":31.5}]]".to_owned()),
    )
    .await?;
    show("reading append, durable", append, Some(straight));
    Ok(())
}

/// The same statement from as many tasks as wrk has connections.
async fn statements(
    lasting: u64,
    statement: impl AsyncFn() -> Result<(), store::StoreError>,
) -> anyhow::Result<Measured> {
    let started = Instant::now();
    let end = started + Duration::from_secs(lasting);
    let worker = async || {
        let mut took = Vec::new();
        while Instant::now() < end {
            let begun = Instant::now();
            statement().await?;
            took.push(begun.elapsed());
        }
        Ok::<_, store::StoreError>(took)
    };
    let workers = futures::future::try_join_all((0..CONNECTIONS).map(|_| worker())).await?;
    let mut took: Vec<Duration> = workers.into_iter().flatten().collect();
    took.sort();
    #[allow(clippy::cast_precision_loss)] // far below 2^52
    let per_second = took.len() as f64 / started.elapsed().as_secs_f64();
    let p99 = took.get(took.len() * 99 / 100).copied().unwrap_or_default();
    Ok(Measured { per_second, p99_ms: p99.as_secs_f64() * 1000.0 })
}

fn run_wrk(
    folder: &std::path::Path,
    url: &str,
    body: Option<String>,
    lasting: u64,
) -> anyhow::Result<Measured> {
    let script = folder.join("request.lua");
    let mut file = std::fs::File::create(&script)?;
    if let Some(body) = body {
        writeln!(
            file,
            "wrk.method = 'POST'\nwrk.headers['Content-Type'] = 'application/json'\n{body}"
        )?;
    }
    writeln!(
        file,
        "done = function(summary, latency) \
           local e = summary.errors \
           io.write(string.format('RESULT %f %f %d\\n', \
             summary.requests / (summary.duration / 1e6), latency:percentile(99) / 1000, \
             e.connect + e.read + e.write + e.status + e.timeout)) \
         end"
    )?;
    let output = Command::new("wrk")
        .args(["-t1", &format!("-c{CONNECTIONS}"), &format!("-d{lasting}s"), "-s"])
        .arg(&script)
        .arg(url)
        .output()
        .context("wrk could not be run")?;
    let text = String::from_utf8_lossy(&output.stdout).into_owned();
    let line = text.lines().find_map(|l| l.strip_prefix("RESULT ")).context(text.clone())?;
    let numbers: Vec<f64> =
        line.split_whitespace().map(str::parse).collect::<Result<_, _>>().context("numbers")?;
    anyhow::ensure!(numbers.get(2) == Some(&0.0), "{url}: {} failed", numbers[2]);
    Ok(Measured { per_second: numbers[0], p99_ms: numbers[1] })
}
