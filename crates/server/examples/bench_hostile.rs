//! What hostile pictures and idle screens cost; run by `scripts/bench-hostile`.

use std::io::Cursor;
use std::time::{Duration, Instant};

use anyhow::Context;
use chrono::Utc;
use futures::future::{join_all, try_join_all};
use image::{DynamicImage, GrayImage, ImageFormat, RgbImage};
use reqwest::Client;
use serde_json::{Value, json};
use server::app::{Serving, serve};
use server::clock::WallClock;
use server::state::State;
use stack::DataDir;
use stack::database::{Database, Durability};

/// Screens that were left open.
const STREAMS: usize = 500;

/// A line of this process's own status, in MiB.
fn status_mib(of: &str) -> anyhow::Result<f64> {
    let text = std::fs::read_to_string("/proc/self/status")?;
    let line = text.lines().find(|line| line.starts_with(of)).context("a status")?;
    let kib: f64 = line.split_whitespace().nth(1).context("a number")?.parse()?;
    Ok(kib / 1024.0)
}

/// The most that was held since it was last asked, over what was held then.
fn forget_the_most() -> anyhow::Result<f64> {
    std::fs::write("/proc/self/clear_refs", "5")?;
    status_mib("VmRSS:")
}

/// The processor time that the database has taken, s.
fn database_s(folder: &tempfile::TempDir) -> anyhow::Result<f64> {
    let pid = std::fs::read_to_string(folder.path().join("data/mariadb/mariadbd.pid"))?;
    let stat = std::fs::read_to_string(format!("/proc/{}/stat", pid.trim()))?;
    // Behind the name, which may have anything in it: user and system time, in hundredths.
    let behind = stat.rsplit(')').next().context("a status")?;
    let ticks = |n: usize| -> anyhow::Result<f64> {
        Ok(behind.split_whitespace().nth(n).context("a number")?.parse()?)
    };
    Ok((ticks(11)? + ticks(12)?) / 100.0)
}

fn written(picture: impl Into<DynamicImage>, format: ImageFormat) -> anyhow::Result<Vec<u8>> {
    let mut bytes = Cursor::new(Vec::new());
    picture.into().write_to(&mut bytes, format)?;
    Ok(bytes.into_inner())
}

#[actix_web::main]
async fn main() -> anyhow::Result<()> {
    let folder = tempfile::tempdir()?;
    let dir = DataDir::open(&folder.path().join("data"))?;
    let database = Database::start(dir, Durability::Full)?;
    let pool = store::connect(&database.url()).await?;
    let running = serve(State::new(pool, WallClock::new(Utc::now)), Serving::default()).await?;
    let base = format!("http://{}/api/v1", running.address);
    actix_web::rt::spawn(running.server);
    // Connections that wait while pictures are made up would be closed meanwhile.
    let client = Client::builder().pool_max_idle_per_host(0).build()?;
    let post = async |path: &str, body: Value| -> anyhow::Result<Value> {
        let response = client.post(format!("{base}{path}")).json(&body).send().await?;
        Ok(response.error_for_status()?.json().await?)
    };
    let plan = post("/plans", json!({ "name": "Measured" })).await?;
    let plan = plan["id"].as_str().context("an id")?.to_owned();
    let batch = post(&format!("/plans/{plan}/batches"), json!({})).await?;
    let batch = batch["id"].as_str().context("an id")?.to_owned();
    let opened = post(&format!("/batches/{batch}/bowls"), json!({})).await?;
    let bowl = opened["bowl"]["id"].as_str().context("an id")?.to_owned();

    for (what, picture) in [
        ("PNG, 6300 x 6300", written(RgbImage::new(6_300, 6_300), ImageFormat::Png)?),
        ("PNG, 12000 x 10000, grey", written(GrayImage::new(12_000, 10_000), ImageFormat::Png)?),
        ("PNG, 12000 x 12000", written(RgbImage::new(12_000, 12_000), ImageFormat::Png)?),
        ("JPEG, 6300 x 6300", written(RgbImage::new(6_300, 6_300), ImageFormat::Jpeg)?),
    ] {
        let rest = forget_the_most()?;
        let url = format!("{base}/batches/{batch}/photos");
        let send = || client.post(&url).body(picture.clone()).send();
        let said = try_join_all((0..4).map(|_| send())).await?;
        let said: Vec<_> = said.iter().map(|said| said.status().as_u16()).collect();
        let most = status_mib("VmHWM:")? - rest;
        let kb = picture.len() / 1024;
        println!("four at once: {what:<26} {kb:>5} kB each  {said:?}  {most:>6.0} MiB above rest");
    }

    let urls = [format!("{base}/bench/stream"), format!("{base}/bowls/{bowl}/stream")];
    let open = async |n: usize| -> anyhow::Result<reqwest::Response> {
        let mut stream = client.get(&urls[n % 2]).send().await?.error_for_status()?;
        stream.chunk().await?.context("a first event")?;
        Ok(stream)
    };
    let took = async || -> anyhow::Result<[f64; 3]> {
        let mut longest = [0.0_f64; 3];
        for _ in 0..40 {
            for (i, path) in ["/plans", "/bench", "/reminders"].iter().enumerate() {
                let begun = Instant::now();
                client
                    .get(format!("{base}{path}"))
                    .send()
                    .await?
                    .error_for_status()?
                    .bytes()
                    .await?;
                longest[i] = longest[i].max(begun.elapsed().as_secs_f64() * 1e3);
            }
            tokio::time::sleep(Duration::from_millis(50)).await;
        }
        Ok(longest)
    };
    let alone = took().await?;
    println!("longest of 40, ms: plans, bench, reminders; nobody watches   {alone:.1?}");
    let streams: Vec<_> =
        join_all((0..STREAMS).map(open)).await.into_iter().collect::<Result<_, _>>()?;
    let watched = took().await?;
    println!("the same, {} idle streams open                         {watched:.1?}", streams.len());
    let (before, since) = (database_s(&folder)?, Instant::now());
    tokio::time::sleep(Duration::from_secs(20)).await;
    let spent = (database_s(&folder)? - before) / since.elapsed().as_secs_f64() * 100.0;
    println!("the database meanwhile: {spent:.2} % of a core");
    let reading = Instant::now();
    post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": 44.0 })).await?;
    println!("a reading that all of them hear of, ms {:.1}", reading.elapsed().as_secs_f64() * 1e3);

    let long: Vec<Value> = (0..60_000).map(|t| json!({ "t_s": t, "temp_c": 40 })).collect();
    let mut body = json!({ "room_c": 20, "mass_g": 600, "readings": long });
    body["readings"][59_999]["temp_c"] = json!("warm");
    let begun = Instant::now();
    let said = client.post(format!("{base}/calc/cooling")).json(&body).send().await?;
    let (status, text) = (said.status().as_u16(), said.text().await?);
    let ms = begun.elapsed().as_secs_f64() * 1e3;
    println!("which field of a large body is wrong: {status} in {ms:.0} ms: {text:.160}");
    Ok(())
}
