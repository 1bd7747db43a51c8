//! A server over an empty database, with a clock that the test moves.

use std::net::Ipv4Addr;
use std::sync::atomic::{AtomicI64, Ordering};
use std::sync::{Arc, OnceLock};
use std::time::Duration;

use actix_web::http::{Method, StatusCode};
use chrono::{DateTime, TimeDelta, Utc};
use reqwest::header::{CONTENT_TYPE, HeaderMap};
use serde_json::{Value, json};
use server::app::{Serving, serve};
use server::clock::WallClock;
use server::sharing::Share;
use server::state::State;
use stack::DataDir;
use stack::database::{Database, Durability};
use tempfile::TempDir;
use uuid::Uuid;

/// The database server of this process.
fn database() -> &'static Database {
    static SHARED: OnceLock<(Database, TempDir)> = OnceLock::new();
    let (database, _) = SHARED.get_or_init(|| {
        let folder = tempfile::tempdir().expect("a folder");
        let dir = DataDir::open(&folder.path().join("data")).expect("ours");
        (Database::start(dir, Durability::Scratch).expect("comes up"), folder)
    });
    database
}

/// The address of a new database with nothing in it.
pub async fn bare() -> String {
    let name = store::create_database(&database().url(), Uuid::new_v4()).await.expect("made");
    database().url_of(&name)
}

/// A server of its own for each test.
pub struct Kitchen {
    pub address: String,
    /// Where the home network finds it, where that is served.
    pub shared: Option<String>,
    pub state: State,
    client: reqwest::Client,
    shift_ms: Arc<AtomicI64>,
    /// Where the authority is kept.
    trust: Option<Arc<TempDir>>,
    /// Where thermometers' own programs write their logs.
    pub logs: Arc<TempDir>,
}

/// The home network of a test: this machine by another of its addresses.
fn share(folder: &TempDir) -> Share {
    Share { folder: folder.path().to_owned(), on: Ipv4Addr::new(127, 0, 0, 2), port: 0 }
}

/// A client that takes no connection again which the server may be about to close.
fn client() -> reqwest::Client {
    let builder = reqwest::Client::builder().pool_idle_timeout(Duration::from_secs(1));
    builder.build().expect("a client")
}

/// What the server answered.
#[derive(Debug)]
pub struct Said {
    pub status: StatusCode,
    pub headers: HeaderMap,
    pub body: Value,
}

impl Said {
    /// The body, where the status is the one expected.
    #[track_caller]
    pub fn with(self, status: u16) -> Value {
        assert_eq!(self.status.as_u16(), status, "{:#}", self.body);
        self.body
    }

    /// The message beside a field, where the answer is a refusal of that field.
    #[track_caller]
    pub fn refuses(self, field: &str) -> String {
        assert_eq!(self.status.as_u16(), 422, "{:#}", self.body);
        assert_eq!(self.headers[CONTENT_TYPE], "application/problem+json");
        let fields = self.body["fields"].as_array().expect("fields");
        let found = fields.iter().find(|f| f["field"] == field);
        found.unwrap_or_else(|| panic!("no {field} in {fields:?}"))["message"]
            .as_str()
            .expect("a message")
            .to_owned()
    }
}

/// Some of what is said of something, by name.
fn some(of: &Value, names: &[&str]) -> Value {
    let named = names.iter().map(|name| ((*name).to_owned(), of[*name].clone()));
    Value::Object(named.collect())
}

/// Common goods as a topping states them, without how much.
pub fn as_topping(goods: &Value) -> Value {
    some(goods, &["name", "across_mm", "each_g", "known"])
}

/// Common goods as what is mixed in states them, without how much.
pub fn as_mixed_in(goods: &Value) -> Value {
    some(goods, &["name", "density_g_cm3", "known"])
}

impl Kitchen {
    pub async fn new() -> Self {
        Self::over(&bare().await).await
    }

    /// Over a database at an address, brought up to date as the start command does it.
    pub async fn over(url: &str) -> Self {
        Self::serving(url, None).await
    }

    /// The home network is served too, on another address of loopback.
    pub async fn shared() -> Self {
        Self::serving(&bare().await, Some(Arc::new(tempfile::tempdir().expect("a folder")))).await
    }

    /// The same installation once more, after a restart.
    pub async fn restarted(&self) -> Self {
        let state = State::new(self.state.pool.clone(), self.state.wall.clone());
        self.serve(state).await
    }

    async fn serve(&self, state: State) -> Self {
        let Self { trust, shift_ms, logs, .. } = self;
        let (trust, shift_ms, logs) = (trust.clone(), shift_ms.clone(), logs.clone());
        let serving = Serving {
            share: trust.as_deref().map(share),
            logs: Some(logs.path().to_owned()),
            ..Serving::default()
        };
        let running = serve(state.clone(), serving).await.expect("a free port");
        actix_web::rt::spawn(running.server);
        Self {
            address: format!("http://{}", running.address),
            shared: running.shared.map(|at| format!("https://{at}")),
            state,
            client: client(),
            shift_ms,
            trust,
            logs,
        }
    }

    async fn serving(url: &str, trust: Option<Arc<TempDir>>) -> Self {
        // Clients want to know by whose arithmetic; a second time it is known already.
        let _ = rustls::crypto::ring::default_provider().install_default();
        let pool = store::connect(url).await.expect("connected");
        let shift_ms = Arc::new(AtomicI64::new(0));
        let shift = shift_ms.clone();
        let wall = WallClock::new(move || {
            Utc::now() + TimeDelta::milliseconds(shift.load(Ordering::Relaxed))
        });
        let state = State::new(pool, wall);
        server::upgrade::bring_up_to_date(&state).await.expect("brought up to date");
        let client = client();
        let (address, shared) = (String::new(), None);
        let logs = Arc::new(tempfile::tempdir().expect("a folder"));
        let closed = Self { address, shared, state: state.clone(), client, shift_ms, trust, logs };
        closed.serve(state).await
    }

    /// Moves the wall clock.
    pub fn pass(&self, time: TimeDelta) {
        self.shift_ms.fetch_add(time.num_milliseconds(), Ordering::Relaxed);
    }

    pub fn now(&self) -> DateTime<Utc> {
        self.state.wall.now().0
    }

    /// Another server on the same database, with the same clock.
    pub async fn beside(&self) -> Self {
        let state = State::new(self.state.pool.clone(), self.state.wall.clone());
        let alone = Self {
            address: String::new(),
            shared: None,
            state: state.clone(),
            client: self.client.clone(),
            shift_ms: self.shift_ms.clone(),
            trust: None,
            logs: self.logs.clone(),
        };
        alone.serve(state).await
    }

    pub async fn send(&self, request: reqwest::RequestBuilder) -> Said {
        let response = request.send().await.expect("an answer");
        let (status, headers) = (response.status(), response.headers().clone());
        let bytes = response.bytes().await.expect("a body");
        let body = serde_json::from_slice(&bytes)
            .unwrap_or_else(|_| Value::String(String::from_utf8_lossy(&bytes).into_owned()));
        let status = StatusCode::from_u16(status.as_u16()).expect("a status");
        Said { status, headers, body }
    }

    fn request(&self, method: Method, path: &str) -> reqwest::RequestBuilder {
        let method = reqwest::Method::from_bytes(method.as_str().as_bytes()).expect("a method");
        self.client.request(method, format!("{}/api/v1{path}", self.address))
    }

    pub async fn get(&self, path: &str) -> Said {
        self.send(self.request(Method::GET, path)).await
    }

    pub async fn post(&self, path: &str, body: Value) -> Said {
        self.send(self.request(Method::POST, path).json(&body)).await
    }

    pub async fn post_text(&self, path: &str, kind: &str, body: impl Into<reqwest::Body>) -> Said {
        let request = self.request(Method::POST, path).header(CONTENT_TYPE, kind);
        self.send(request.body(body.into())).await
    }

    /// A file as it is served.
    pub async fn file(&self, path: &str) -> Vec<u8> {
        let said = self.request(Method::GET, path).send().await.expect("an answer");
        assert_eq!(said.status().as_u16(), 200);
        said.bytes().await.expect("to its end").to_vec()
    }

    pub async fn put(&self, path: &str, version: Option<u32>, body: Value) -> Said {
        let mut request = self.request(Method::PUT, path).json(&body);
        if let Some(version) = version {
            request = request.header("If-Match", format!("\"{version}\""));
        }
        self.send(request).await
    }

    /// Any request.
    pub async fn asked(
        &self,
        method: &str,
        path: &str,
        query: &[(String, String)],
        version: Option<u32>,
        body: Option<&Value>,
    ) -> Said {
        let method = Method::from_bytes(method.to_uppercase().as_bytes()).expect("a method");
        let part = |text: &str| {
            percent_encoding::utf8_percent_encode(text, percent_encoding::NON_ALPHANUMERIC)
                .to_string()
        };
        let query: Vec<_> =
            query.iter().map(|(name, value)| format!("{name}={}", part(value))).collect();
        let mut request = self.request(method, &format!("{path}?{}", query.join("&")));
        if let Some(version) = version {
            request = request.header("If-Match", format!("\"{version}\""));
        }
        if let Some(body) = body {
            request = request.json(body);
        }
        self.send(request).await
    }

    pub async fn delete(&self, path: &str) -> Said {
        self.send(self.request(Method::DELETE, path)).await
    }

    /// A new plan's id: one slab of dark.
    pub async fn plan(&self, name: &str) -> String {
        self.planned(json!({ "name": name })).await
    }

    /// A new plan's id.
    pub async fn planned(&self, plan: Value) -> String {
        text(&self.post("/plans", plan).await.with(201)["id"])
    }

    /// The id of a batch that is begun of a plan.
    pub async fn begun(&self, plan: &str) -> String {
        let begun = self.post(&format!("/plans/{plan}/batches"), json!({})).await;
        text(&begun.with(201)["id"])
    }

    /// A new batch's id: one slab of dark.
    pub async fn batch(&self, name: &str) -> String {
        self.begun(&self.plan(name).await).await
    }

    /// What a plan states.
    pub async fn stated(&self, plan: &str) -> Value {
        self.get(&format!("/plans/{plan}")).await.with(200)["inputs"].clone()
    }

    /// Changes what a plan states, from its first version.
    pub async fn restate(&self, plan: &str, inputs: Value) -> Said {
        let kept = self.get(&format!("/plans/{plan}")).await.with(200);
        let edit = json!({ "name": kept["name"], "note": kept["note"], "inputs": inputs });
        let version = kept["version"].as_u64().and_then(|v| u32::try_from(v).ok());
        self.put(&format!("/plans/{plan}"), version, edit).await
    }

    /// Begins a batch of a plan and opens its only bowl.
    pub async fn opened(&self, plan: &str) -> Value {
        let batch = self.begun(plan).await;
        self.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201)
    }

    /// A new bowl's id.
    pub async fn bowl(&self) -> String {
        let plan = self.plan("A slab").await;
        text(&self.opened(&plan).await["bowl"]["id"])
    }

    /// The batches that are listed.
    pub async fn batches(&self) -> Vec<Value> {
        let page = self.get("/batches").await.with(200);
        page["batches"].as_array().expect("a list").clone()
    }

    /// Ticks a step off.
    pub async fn done(&self, batch: &str, step: &str, just_now: bool) -> Value {
        let body = json!({ "kind": "done", "id": Uuid::new_v4(), "step": step,
            "just_now": just_now });
        self.post(&format!("/batches/{batch}/events"), body).await.with(201)
    }

    /// A bowl as it stands.
    pub async fn bowl_now(&self, id: &str) -> Value {
        self.get(&format!("/bowls/{id}")).await.with(200)["bowl"].clone()
    }

    pub async fn read(&self, bowl: &str, body: Value) -> Said {
        self.post(&format!("/bowls/{bowl}/readings"), body).await
    }

    /// A bowl of dark is melted, seeded and tested, and found in temper; some minutes go by.
    pub async fn tempered(&self, bowl: &str) {
        self.tempered_at(bowl, 31.5).await;
    }

    /// The same, in the middle of a working range.
    pub async fn tempered_at(&self, bowl: &str, work_c: f64) {
        let typed =
            |temp_c: f64| json!({ "id": Uuid::new_v4(), "temp_c": temp_c, "source": "hand" });
        self.read(bowl, typed(46.0)).await.with(201);
        self.act(bowl, json!({ "kind": "off_heat" })).await.with(201);
        self.act(bowl, json!({ "kind": "seed_added", "grams": 80 })).await.with(201);
        self.pass(TimeDelta::minutes(12));
        self.read(bowl, typed(work_c)).await.with(201);
        self.act(bowl, json!({ "kind": "test_started" })).await.with(201);
        self.pass(TimeDelta::minutes(4));
        let seen = json!({ "kind": "test_seen", "seen": "even_satin", "seconds": 0 });
        self.act(bowl, seen).await.with(201);
        self.act(bowl, json!({ "kind": "stirred" })).await.with(201);
        self.read(bowl, typed(work_c - 0.1)).await.with(201);
    }

    pub async fn act(&self, bowl: &str, body: Value) -> Said {
        self.post(&format!("/bowls/{bowl}/actions"), body).await
    }
}

pub fn text(value: &Value) -> String {
    value.as_str().expect("a text").to_owned()
}
