//! What a large record costs against a small one: 10,000 batches, two million readings, and one
//! bowl of 100,000. Run by `scripts/bench-growth`; prints a table of times and their ratios.

use std::io::Write;
use std::time::{Duration, Instant};

use anyhow::Context;
use chrono::Utc;
use reqwest::Client;
use serde_json::{Value, json};
use server::app::{Serving, serve};
use server::clock::WallClock;
use server::state::State;
use sqlx::{AssertSqlSafe, Executor};
use stack::DataDir;
use stack::database::{Database, Durability};
use uuid::Uuid;

/// So often each is asked for; the median counts.
const TIMES: usize = 15;

/// So many bowls are compared: as many as can be.
const COMPARED: usize = 4;

struct Kitchen {
    state: State,
    api: String,
    client: Client,
    bowl: String,
    poured: Vec<String>,
}

impl Kitchen {
    /// A kitchen with one plan, one batch that was poured, and one bowl at the bench.
    async fn new(database: &Database) -> anyhow::Result<Self> {
        let name = store::create_database(&database.url(), Uuid::new_v4()).await?;
        let pool = store::connect(&database.url_of(&name)).await?;
        let state = State::new(pool, WallClock::new(Utc::now));
        let running = serve(state.clone(), Serving::default()).await?;
        actix_web::rt::spawn(running.server);
        let api = format!("http://{}/api/v1", running.address);
        let mut kitchen =
            Self { state, api, client: Client::new(), bowl: String::new(), poured: Vec::new() };
        let batch;
        (batch, kitchen.bowl) = kitchen.opened().await?;
        let looks = json!({ "id": Uuid::new_v4(), "gloss": "glossy", "snap": "clean",
            "released": "freely", "streaks": "none", "note": "" });
        kitchen.post(&format!("/batches/{batch}/results"), looks).await?;
        for _ in 0..COMPARED {
            let bowl = Uuid::parse_str(&kitchen.bowl)?.simple().to_string();
            let watched = format!(
                "INSERT INTO readings (bowl_id, id, at, temp_c, source)
                 SELECT UNHEX('{bowl}'), UNHEX(MD5(CONCAT('{bowl}', seq))),
                        NOW(3) - INTERVAL 20 * (191 - seq) SECOND, 45 - seq / 15, 'probe'
                 FROM seq_1_to_190"
            );
            kitchen.state.pool.execute(AssertSqlSafe(watched)).await?;
            let path = format!("/bowls/{}/actions", kitchen.bowl);
            kitchen.post(&path, json!({ "kind": "poured" })).await?;
            kitchen.poured.push(kitchen.bowl.clone());
            (_, kitchen.bowl) = kitchen.opened().await?;
        }
        Ok(kitchen)
    }

    /// A batch of a new plan and its bowl, by their ids.
    async fn opened(&self) -> anyhow::Result<(String, String)> {
        let id = |of: &Value| of["id"].as_str().context("an id").map(ToOwned::to_owned);
        let plan = id(&self.post("/plans", json!({ "name": "Bark" })).await?)?;
        let batch = id(&self.post(&format!("/plans/{plan}/batches"), json!({})).await?)?;
        let bowl = id(&self.post(&format!("/batches/{batch}/bowls"), json!({})).await?["bowl"])?;
        Ok((batch, bowl))
    }

    async fn post(&self, path: &str, body: Value) -> anyhow::Result<Value> {
        let post = self.client.post(format!("{}{path}", self.api)).json(&body);
        Ok(post.send().await?.error_for_status()?.json().await?)
    }

    async fn get(&self, path: &str) -> anyhow::Result<usize> {
        let get = self.client.get(format!("{}{path}", self.api));
        Ok(get.send().await?.error_for_status()?.bytes().await?.len())
    }

    /// How long something takes, the median of some.
    async fn median(&self, what: &str) -> anyhow::Result<Duration> {
        let mut took = Vec::new();
        for _ in 0..TIMES {
            let begun = Instant::now();
            match what {
                "a reading" => {
                    let path = format!("/bowls/{}/readings", self.bowl);
                    self.post(&path, json!({ "temp_c": 44.5 })).await?;
                }
                "an action" => {
                    let path = format!("/bowls/{}/actions", self.bowl);
                    self.post(&path, json!({ "kind": "stirred" })).await?;
                }
                "four bowls compared" => {
                    let bowls = self.poured.join(",");
                    self.get(&format!("/log/compare?bowls={bowls}")).await?;
                }
                path => {
                    self.get(path).await?;
                }
            }
            took.push(begun.elapsed());
        }
        took.sort();
        Ok(took[TIMES / 2])
    }

    /// Copies what was poured until there are so many batches, with readings in each.
    async fn grow(&self) -> anyhow::Result<()> {
        let copies = [
            "INSERT INTO plans (id, name, note, inputs, words, created_at, changed_at)
             SELECT UNHEX(MD5(CONCAT('p', s.seq))), CONCAT('Bark ', s.seq), '', p.inputs, CONCAT('bark ', s.seq),
                    p.created_at, p.changed_at - INTERVAL 5000 + s.seq MINUTE
             FROM (SELECT * FROM plans LIMIT 1) p JOIN seq_1_to_10000 s",
            "INSERT INTO batches (id, plan_id, name, note, version, stated, computed, made_by, begun_at, clock_real,
                                  clock_kitchen, clock_rate, stage, unfinished, summary, words, ended_at, last_at)
             SELECT UNHEX(MD5(CONCAT('b', s.seq))), UNHEX(MD5(CONCAT('p', s.seq))), CONCAT('Bark ', s.seq), '', 1,
                    b.stated, b.computed, b.made_by, b.begun_at - INTERVAL 5000 + s.seq MINUTE, b.clock_real,
                    b.clock_kitchen, 1, 'made', FALSE, b.summary, CONCAT('bark ', s.seq), b.ended_at,
                    b.last_at - INTERVAL 5000 + s.seq MINUTE
             FROM (SELECT * FROM batches WHERE stage = 'made' LIMIT 1) b JOIN seq_1_to_10000 s",
            "INSERT INTO bowls (id, batch_id, chocolate, inputs, plan, opened_at, status, ended_at, ended_wall)
             SELECT UNHEX(MD5(CONCAT('w', s.seq))), UNHEX(MD5(CONCAT('b', s.seq))), w.chocolate, w.inputs, w.plan,
                    w.opened_at - INTERVAL 5000 + s.seq MINUTE, 'poured', w.ended_at - INTERVAL 5000 + s.seq MINUTE,
                    w.ended_wall - INTERVAL 5000 + s.seq MINUTE
             FROM (SELECT * FROM bowls WHERE status = 'poured' LIMIT 1) w JOIN seq_1_to_10000 s",
            "INSERT INTO readings (bowl_id, id, at, temp_c, source)
             SELECT UNHEX(MD5(CONCAT('w', b.seq))), UNHEX(MD5(CONCAT('r', b.seq, '-', r.seq))),
                    NOW(3) - INTERVAL b.seq MINUTE + INTERVAL r.seq SECOND, 31.5, 'probe'
             FROM seq_1_to_10000 b JOIN seq_1_to_190 r",
            "INSERT INTO results (batch_id, id, noted_at, looked_at, document)
             SELECT UNHEX(MD5(CONCAT('b', s.seq))), UNHEX(MD5(CONCAT('o', s.seq))), r.noted_at,
                    r.looked_at, r.document
             FROM (SELECT * FROM results LIMIT 1) r JOIN seq_1_to_10000 s",
            "INSERT INTO photos (id, batch_id, taken_at, width, height, jpeg)
             SELECT UNHEX(MD5(CONCAT('f', seq))), UNHEX(MD5(CONCAT('b', seq))), NOW(3), 1600, 1200,
                    REPEAT('x', 20000)
             FROM seq_1_to_10000 WHERE seq % 5 = 0",
            "INSERT INTO findings (batch_id, component, made_at, faulty, poured, peak, test, seed,
                                   stir_gap, worked, room, humidity)
             SELECT UNHEX(MD5(CONCAT('b', seq))), 'slab', NOW(3) - INTERVAL seq HOUR, seq % 7 = 0,
                    RAND(), 5 * RAND(), seq % 2, RAND(), 300 * RAND(), 30 * RAND(), 18 + 6 * RAND(),
                    40 + 30 * RAND()
             FROM seq_1_to_10000",
            "INSERT INTO tags (batch_id, tag)
             SELECT UNHEX(MD5(CONCAT('b', seq))), tag FROM seq_1_to_10000,
                    (SELECT 'family:dark' AS tag UNION ALL SELECT 'kind:slab' UNION ALL
                     SELECT 'method:seed_down') AS all_have",
            "INSERT INTO tags (batch_id, tag)
             SELECT UNHEX(MD5(CONCAT('b', seq))), IF(seq % 7 = 0, 'result:faulty', 'result:good')
             FROM seq_1_to_10000",
            "INSERT INTO tags (batch_id, tag)
             SELECT UNHEX(MD5(CONCAT('b', seq))), 'fault:cracks' FROM seq_1_to_10000 WHERE seq > 9998",
            "UPDATE batches SET found = changes WHERE name LIKE 'Bark %'",
        ];
        for copy in copies {
            self.state.pool.execute(copy).await?;
        }
        let bowl = Uuid::parse_str(&self.bowl)?.simple().to_string();
        let large = format!(
            "INSERT INTO readings (bowl_id, id, at, temp_c, source)
             SELECT UNHEX('{bowl}'), UNHEX(MD5(CONCAT('l', seq))),
                    NOW(3) - INTERVAL 100001 - seq MICROSECOND, 20 + seq / 5000, 'probe'
             FROM seq_1_to_100000"
        );
        self.state.pool.execute(AssertSqlSafe(large)).await?;
        Ok(())
    }
}

/// Counts what is written, and keeps none of it.
#[derive(Default)]
struct Counted(u64);

impl Write for Counted {
    fn write(&mut self, buffer: &[u8]) -> std::io::Result<usize> {
        self.0 += buffer.len() as u64;
        Ok(buffer.len())
    }

    fn flush(&mut self) -> std::io::Result<()> {
        Ok(())
    }
}

/// The memory that this process takes, MB.
fn memory_mb() -> u64 {
    let status = std::fs::read_to_string("/proc/self/status").unwrap_or_default();
    let line = status.lines().find_map(|line| line.strip_prefix("VmRSS:")).unwrap_or_default();
    line.split_whitespace().next().and_then(|kb| kb.parse::<u64>().ok()).unwrap_or(0) / 1024
}

#[actix_web::main]
async fn main() -> anyhow::Result<()> {
    let folder = tempfile::tempdir()?;
    let dir = DataDir::open(&folder.path().join("data"))?;
    let database = Database::start(dir, Durability::Scratch)?;
    let (small, large) = (Kitchen::new(&database).await?, Kitchen::new(&database).await?);
    let begun = Instant::now();
    large.grow().await?;
    println!("grown in {:.0} s", begun.elapsed().as_secs_f64());
    println!("{:<62}{:>10}{:>10}{:>8}", "", "small, ms", "large, ms", "ratio");
    for what in [
        "/plans",
        "/plans?search=bark%209999",
        "/batches?of=over",
        "/batches?of=under_way",
        "/batches?search=bark%209999",
        "/batches?result=faulty",
        "/batches?fault=cracks",
        "/batches?family=dark&kind=slab&method=seed_down&result=good",
        "/batches?pictured=true&search=bark%2099",
        "/batches?starred=true",
        "/batches?from=2020-01-01T00:00:00Z&until=2020-02-01T00:00:00Z",
        "/log/patterns",
        "four bowls compared",
        "/looks",
        "/bench",
        "/reminders",
        "a reading",
        "an action",
    ] {
        let (a, b) = (small.median(what).await?, large.median(what).await?);
        let ms = |time: Duration| time.as_secs_f64() * 1e3;
        println!("{what:<62}{:>10.1}{:>10.1}{:>8.1}", ms(a), ms(b), ms(b) / ms(a));
    }
    large.state.pool.execute("UPDATE batches SET found = 0").await?;
    let begun = Instant::now();
    let mut asked = 0;
    let mut longest = Duration::ZERO;
    while store::findings::count_stale(&large.state.pool).await? > 0 {
        let waited = Instant::now();
        large.get("/batches?result=faulty").await?;
        longest = longest.max(waited.elapsed());
        asked += 1;
        tokio::time::sleep(Duration::from_millis(500)).await;
    }
    println!(
        "all gone through anew: {:.0} s; the longest of {asked} searches meanwhile {:.1} s",
        begun.elapsed().as_secs_f64(),
        longest.as_secs_f64()
    );
    let (pool, before) = (large.state.pool.clone(), memory_mb());
    let begun = Instant::now();
    let writing = tokio::task::spawn_blocking(move || {
        let mut out = Counted::default();
        server::archive::write(&pool, &mut out, &server::saving::Progress::default())
            .map(|()| out.0)
    });
    let mut most = before;
    while !writing.is_finished() {
        most = most.max(memory_mb());
        tokio::time::sleep(Duration::from_millis(50)).await;
    }
    let bytes = writing.await??;
    println!(
        "everything out: {:.0} s, {} MB, {} MB of memory more than before",
        begun.elapsed().as_secs_f64(),
        bytes >> 20,
        most - before
    );
    Ok(())
}
