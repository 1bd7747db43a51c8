//! A thermometer that sends by Bluetooth, as Chromium's own emulation plays it.

use std::sync::Arc;
use std::sync::atomic::{AtomicI16, AtomicU8, Ordering};
use std::time::Duration;

use anyhow::Context;
use base64::Engine as _;
use base64::engine::general_purpose::STANDARD;
use futures::{SinkExt, StreamExt};
use serde_json::{Value, json};
use tokio::net::TcpStream;
use tokio::sync::mpsc;
use tokio_tungstenite::tungstenite::Message;
use tokio_tungstenite::{MaybeTlsStream, WebSocketStream, connect_async};

use crate::Page;

const ADDRESS: &str = "09:09:09:09:09:09";
const PATIENCE: Duration = Duration::from_secs(20);

/// The long form of a number that Bluetooth gave a service or a value.
fn long(short: u16) -> String {
    format!("0000{short:04x}-0000-1000-8000-00805f9b34fb")
}

const ENVIRONMENTAL_SENSING: u16 = 0x181a;
const TEMPERATURE: u16 = 0x2a6e;
const BATTERY: u16 = 0x180f;
const BATTERY_LEVEL: u16 = 0x2a19;

/// What the thermometer is told to do.
enum Told {
    Pick,
    Leave,
}

/// A thermometer near a browser. It answers whatever it is asked with what it says now.
#[derive(Debug)]
pub struct Peripheral {
    told: mpsc::Sender<Told>,
    hundredths: Arc<AtomicI16>,
    battery_pct: Arc<AtomicU8>,
    is_away: Arc<std::sync::atomic::AtomicBool>,
}

/// The browser's own line, on which both it and a page are spoken to.
struct Line {
    socket: WebSocketStream<MaybeTlsStream<TcpStream>>,
    /// The page's part of it.
    page: String,
    next: u64,
    /// What was heard while an answer was waited for.
    heard: Vec<Value>,
}

impl Line {
    async fn send(&mut self, method: &str, params: Value) -> anyhow::Result<u64> {
        self.next += 1;
        let mut message = json!({ "id": self.next, "method": method, "params": params });
        // Bluetooth is the browser's; who may use a device is asked on the page.
        if !method.starts_with("Bluetooth") && !self.page.is_empty() {
            message["sessionId"] = json!(self.page);
        }
        self.socket.send(Message::text(message.to_string())).await?;
        Ok(self.next)
    }

    async fn ask(&mut self, method: &str, params: Value) -> anyhow::Result<Value> {
        let id = self.send(method, params).await?;
        loop {
            let heard = self.hear().await?;
            if heard["id"] == id {
                anyhow::ensure!(heard["error"].is_null(), "{method}: {}", heard["error"]);
                return Ok(heard["result"].clone());
            }
            self.heard.push(heard);
        }
    }

    async fn hear(&mut self) -> anyhow::Result<Value> {
        loop {
            let message = self.socket.next().await.context("the browser is gone")??;
            if let Message::Text(text) = message {
                return Ok(serde_json::from_str(&text)?);
            }
        }
    }
}

impl Peripheral {
    /// Puts one near a page.
    ///
    /// # Errors
    /// Where the browser has no such emulation.
    pub async fn near(page: &Page, name: &str) -> anyhow::Result<Self> {
        let (socket, _) = connect_async(page.own_line()?).await?;
        let mut line = Line { socket, page: String::new(), next: 0, heard: Vec::new() };
        let targets = line.ask("Target.getTargets", json!({})).await?;
        let mut all = targets["targetInfos"].as_array().into_iter().flatten();
        let target = all.find(|target| target["type"] == "page").context("a page")?;
        let id = target["targetId"].clone();
        let attach = json!({ "targetId": id, "flatten": true });
        let attached = line.ask("Target.attachToTarget", attach).await?;
        line.page = attached["sessionId"].as_str().context("a session")?.to_owned();
        let on = json!({ "state": "powered-on", "leSupported": true });
        line.ask("BluetoothEmulation.enable", on).await?;
        let peripheral = json!({
            "address": ADDRESS, "name": name, "manufacturerData": [],
            "knownServiceUuids": [long(ENVIRONMENTAL_SENSING)],
        });
        line.ask("BluetoothEmulation.simulatePreconnectedPeripheral", peripheral).await?;
        line.ask("DeviceAccess.enable", json!({})).await?;
        let (told, orders) = mpsc::channel(4);
        let this = Self {
            told,
            hundredths: Arc::new(AtomicI16::new(2_000)),
            battery_pct: Arc::new(AtomicU8::new(80)),
            is_away: Arc::default(),
        };
        let state = (this.hundredths.clone(), this.battery_pct.clone(), this.is_away.clone());
        tokio::spawn(play(line, state, orders));
        Ok(this)
    }

    /// The maker picks it where the browser asks which.
    ///
    /// # Errors
    /// Where the browser is gone.
    pub async fn is_picked(&mut self) -> anyhow::Result<()> {
        Ok(self.told.send(Told::Pick).await?)
    }

    /// It says this from now on, °C.
    ///
    /// # Errors
    /// Where that is no temperature that it can say.
    #[allow(clippy::cast_possible_truncation)] // rounded, and within what it can say
    pub async fn says(&mut self, c: f64) -> anyhow::Result<()> {
        anyhow::ensure!(c.abs() < 320.0, "{c} is more than it can say");
        self.hundredths.store((c * 100.0).round() as i16, Ordering::Relaxed);
        Ok(())
    }

    /// How full its battery is when it is asked next.
    ///
    /// # Errors
    /// None; as its other verbs.
    pub async fn battery(&mut self, pct: u8) -> anyhow::Result<()> {
        self.battery_pct.store(pct, Ordering::Relaxed);
        Ok(())
    }

    /// It goes out of reach, once it has answered what it is asked.
    ///
    /// # Errors
    /// Where the browser is gone.
    pub async fn goes_away(&mut self) -> anyhow::Result<()> {
        Ok(self.told.send(Told::Leave).await?)
    }

    /// It is near again.
    ///
    /// # Errors
    /// None; as its other verbs.
    pub async fn comes_back(&mut self) -> anyhow::Result<()> {
        self.is_away.store(false, Ordering::Relaxed);
        Ok(())
    }
}

type State = (Arc<AtomicI16>, Arc<AtomicU8>, Arc<std::sync::atomic::AtomicBool>);

/// What it offers to whoever looks round, anew each time: a connection that broke takes all of it
/// along. Which value is its temperature.
async fn offer(line: &mut Line) -> anyhow::Result<String> {
    let mut values = Vec::new();
    for (service, characteristic) in
        [(ENVIRONMENTAL_SENSING, TEMPERATURE), (BATTERY, BATTERY_LEVEL)]
    {
        let of = json!({ "address": ADDRESS, "serviceUuid": long(service) });
        let made = line.ask("BluetoothEmulation.addService", of).await?;
        let of = json!({
            "serviceId": made["serviceId"], "characteristicUuid": long(characteristic),
            "properties": { "read": true },
        });
        let made = line.ask("BluetoothEmulation.addCharacteristic", of).await?;
        values.push(made["characteristicId"].as_str().context("an id")?.to_owned());
    }
    Ok(values.swap_remove(0))
}

/// Answers what the browser asks of it, until the browser is gone: one that is left with a question
/// by its emulation ends with it.
async fn play(
    mut line: Line,
    (hundredths, battery_pct, is_away): State,
    mut orders: mpsc::Receiver<Told>,
) -> anyhow::Result<()> {
    let mut prompt: Option<Value> = None;
    let (mut picked, mut leaves, mut temperature) = (false, false, String::new());
    // How often it said its temperature since it was looked round.
    let mut said = 0;
    loop {
        let heard = if line.heard.is_empty() {
            tokio::select! {
                heard = line.hear() => heard?,
                Some(told) = orders.recv() => {
                    match told {
                        Told::Pick => picked = true,
                        Told::Leave => leaves = true,
                    }
                    Value::Null
                }
            }
        } else {
            line.heard.remove(0)
        };
        let params = &heard["params"];
        match heard["method"].as_str().unwrap_or_default() {
            "DeviceAccess.deviceRequestPrompted" => prompt = Some(params["id"].clone()),
            "BluetoothEmulation.gattOperationReceived" => {
                // Out of reach nobody answers: the connection fails.
                let code = if is_away.load(Ordering::Relaxed) { 0x3e } else { 0 };
                if params["type"] == "discovery" {
                    temperature = offer(&mut line).await?;
                    said = 0;
                }
                let answer = json!({ "address": ADDRESS, "type": params["type"], "code": code });
                line.send("BluetoothEmulation.simulateGATTOperationResponse", answer).await?;
            }
            "BluetoothEmulation.characteristicOperationReceived" => {
                let is_temperature = params["characteristicId"] == temperature.as_str();
                let data = if is_temperature {
                    hundredths.load(Ordering::Relaxed).to_le_bytes().to_vec()
                } else {
                    vec![battery_pct.load(Ordering::Relaxed)]
                };
                let answer = json!({
                    "characteristicId": params["characteristicId"], "type": params["type"],
                    "code": 0, "data": STANDARD.encode(data),
                });
                line.ask("BluetoothEmulation.simulateCharacteristicOperationResponse", answer)
                    .await?;
                said += u32::from(is_temperature);
                // It goes between two questions: of one that is left open the emulation never
                // comes back. After the first temperature the battery is asked.
                if leaves && is_temperature && said > 1 {
                    leaves = false;
                    is_away.store(true, Ordering::Relaxed);
                    let of = json!({ "address": ADDRESS });
                    line.ask("BluetoothEmulation.simulateGATTDisconnection", of).await?;
                }
            }
            _ => {}
        }
        if picked && let Some(id) = prompt.take() {
            let pick = json!({ "id": id, "deviceId": ADDRESS });
            tokio::time::timeout(PATIENCE, line.send("DeviceAccess.selectPrompt", pick)).await??;
        }
    }
}
