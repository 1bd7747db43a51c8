//! A device of the home network: an address of its own, and what it keeps.

use std::net::Ipv4Addr;

use reqwest::{Certificate, Client, Method, RequestBuilder};
use serde_json::{Value, json};

use crate::kitchen::{Kitchen, Said, text};

/// A device that has come to trust the kitchen's certificate.
pub struct Device<'k> {
    kitchen: &'k Kitchen,
    client: Client,
    /// What a thermometer shows.
    pub token: Option<String>,
    pub id: String,
}

impl<'k> Device<'k> {
    /// One that was not let in yet, at an address of its own: the last number of 127.0.0.
    pub async fn new(kitchen: &'k Kitchen, last: u8) -> Self {
        let certificate = kitchen.file("/sharing/certificate").await;
        let authority = Certificate::from_der(&certificate).expect("one");
        let client = Client::builder()
            .tls_certs_only([authority])
            .local_address(Some(Ipv4Addr::new(127, 0, 0, last).into()))
            .cookie_store(true)
            .pool_idle_timeout(std::time::Duration::from_secs(1))
            .build()
            .expect("a client");
        Self { kitchen, client, token: None, id: String::new() }
    }

    /// One that was let in.
    pub async fn paired(kitchen: &'k Kitchen, last: u8, what: Value) -> Self {
        let code = shown(kitchen, what).await;
        let mut device = Self::new(kitchen, last).await;
        let said = device.pair(&code).await.with(201);
        device.id = text(&said["id"]);
        device.token = said["token"].as_str().map(str::to_owned);
        device
    }

    /// Tries a code.
    pub async fn pair(&self, code: &str) -> Said {
        self.ask(Method::POST, "/devices", Some(json!({ "code": code, "name": "Tablet" }))).await
    }

    pub fn request(&self, method: Method, path: &str) -> RequestBuilder {
        let address = self.kitchen.shared.as_deref().expect("it is shared");
        let request = self.client.request(method, format!("{address}/api/v1{path}"));
        match &self.token {
            Some(token) => request.bearer_auth(token),
            None => request,
        }
    }

    /// The same device, asking somewhere else.
    pub fn on(&self, url: &str) -> RequestBuilder {
        self.client.get(url)
    }

    pub async fn ask(&self, method: Method, path: &str, body: Option<Value>) -> Said {
        let request = self.request(method, path);
        self.kitchen
            .send(match body {
                Some(body) => request.json(&body),
                None => request,
            })
            .await
    }

    pub async fn get(&self, path: &str) -> Said {
        self.ask(Method::GET, path, None).await
    }

    pub async fn post(&self, path: &str, body: Value) -> Said {
        self.ask(Method::POST, path, Some(body)).await
    }
}

/// A code that this machine's own screen shows.
pub async fn shown(kitchen: &Kitchen, what: Value) -> String {
    text(&kitchen.put("/pairing", None, what).await.with(200)["code"])
}
