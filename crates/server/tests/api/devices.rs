//! Devices of the home network: let in by a code, and by nothing else; sent away at once.

use std::net::SocketAddr;
use std::path::Path;
use std::process::Stdio;
use std::sync::Arc;
use std::time::Duration;

use base64::Engine;
use base64::engine::general_purpose::URL_SAFE_NO_PAD;
use chrono::TimeDelta;
use reqwest::Method;
use reqwest::header::{HOST, ORIGIN, SET_COOKIE};
use ring::rand::SystemRandom;
use ring::signature::{ECDSA_P256_SHA256_FIXED_SIGNING as SIGNING, EcdsaKeyPair, KeyPair};
use rustls::pki_types::{CertificateDer, ServerName};
use rustls::{ClientConfig, RootCertStore};
use serde_json::{Value, json};
use tokio::io::{AsyncReadExt, AsyncWriteExt};
use tokio::net::TcpStream;
use tokio_rustls::TlsConnector;

use crate::device::{Device, shown};
use crate::kitchen::{Kitchen, Said, text};

/// The name of this machine in its house.
fn here() -> String {
    format!("{}.local", server::home_network::machine())
}

fn helper() -> Value {
    json!({ "role": "helper" })
}

fn maker() -> Value {
    json!({ "role": "maker" })
}

#[track_caller]
fn is(said: Said, status: u16, kind: &str) -> Value {
    let body = said.with(status);
    assert_eq!(body["type"], format!("urn:wide-sheen:problem:{kind}"), "{body:#}");
    body
}

/// How often somebody was not let in from an address for a reason, once so much is written down.
async fn refusals(kitchen: &Kitchen, from: &str, why: &str, least: u64) -> u64 {
    for _ in 0..200 {
        let said = kitchen.get("/sharing").await.with(200);
        let all = said["refusals"].as_array().expect("refusals");
        let of_it = all.iter().find(|r| r["came_from"] == from && r["why"] == why);
        let times = of_it.and_then(|refusal| refusal["times"].as_u64()).unwrap_or_default();
        if times >= least {
            return times;
        }
        tokio::time::sleep(Duration::from_millis(50)).await;
    }
    panic!("nothing is written down of {from} {why}");
}

#[actix_web::test]
async fn a_code_lets_one_device_in_and_the_cookie_is_for_no_script_and_no_other_site() {
    let kitchen = Kitchen::shared().await;
    let code = shown(&kitchen, helper()).await;
    assert_eq!(kitchen.get("/pairing").await.with(200)["standing"], "open");
    let tablet = Device::new(&kitchen, 21).await;
    let me = tablet.get("/me").await.with(200);
    assert_eq!((&me["role"], &me["must"]), (&Value::Null, &json!("pair")));
    is(tablet.get("/plans").await, 401, "not-let-in");
    let wrong = if code == "000 000" { "111111" } else { "000000" };
    let said = is(tablet.pair(wrong).await, 403, "wrong-code");
    assert_eq!(said["fields"][0]["field"], "code");
    assert!(said["detail"].as_str().expect("told").contains("4 tries"), "{said:#}");
    // With its space or without: it is read off a screen.
    let said = tablet.pair(&code.replace(' ', "")).await;
    let cookie = said.headers[SET_COOKIE].to_str().expect("text").to_owned();
    for part in ["__Host-wide-sheen=", "HttpOnly", "Secure", "SameSite=Strict", "Path=/"] {
        assert!(cookie.contains(part), "{part}: {cookie}");
    }
    let let_in = said.with(201);
    assert_eq!((&let_in["role"], &let_in["name"]), (&json!("helper"), &json!("Tablet")));
    assert!(let_in["token"].is_null(), "a browser's token is in its cookie alone");
    tablet.get("/plans").await.with(200);
    assert_eq!(tablet.get("/me").await.with(200)["name"], "Tablet");
    // A second one by the same code is not.
    let other = Device::new(&kitchen, 22).await;
    is(other.pair(&code).await, 403, "wrong-code");
    assert_eq!(kitchen.get("/pairing").await.with(200)["standing"], "used");
    let listed = kitchen.get("/devices").await.with(200);
    assert_eq!(listed.as_array().expect("a list").len(), 1);
    assert_eq!(
        (&listed[0]["address"], &listed[0]["role"]),
        (&json!("127.0.0.21"), &json!("helper"))
    );
    assert_eq!(refusals(&kitchen, "127.0.0.22", "wrong-code", 1).await, 1);
    // It is still in after a restart.
    let again = kitchen.restarted().await;
    let cookie = cookie.split(';').next().expect("its value");
    let address = again.shared.as_deref().expect("shared");
    let request = tablet.request(Method::GET, "/plans").build().expect("one");
    let url = format!("{address}{}", request.url().path());
    let same = tablet.on(&url).header("cookie", cookie);
    assert_eq!(again.send(same).await.status.as_u16(), 200);
}

#[actix_web::test]
async fn a_code_is_worth_ten_minutes_and_five_tries() {
    let kitchen = Kitchen::shared().await;
    let tablet = Device::new(&kitchen, 21).await;
    let none = is(tablet.pair("123456").await, 403, "wrong-code");
    assert!(none["detail"].as_str().expect("told").contains("shown nowhere"), "{none:#}");
    let code = shown(&kitchen, maker()).await;
    kitchen.pass(TimeDelta::minutes(10) + TimeDelta::seconds(1));
    let late = is(tablet.pair(&code).await, 403, "wrong-code");
    assert!(late["detail"].as_str().expect("told").contains("ten minutes"), "{late:#}");
    assert_eq!(kitchen.get("/pairing").await.with(200)["standing"], "late");
    let code = shown(&kitchen, maker()).await;
    let wrong = if code == "000 000" { "111111" } else { "000000" };
    let guesser = Device::new(&kitchen, 66).await;
    for left in [4, 3, 2, 1] {
        let said = is(guesser.pair(wrong).await, 403, "wrong-code");
        let told = format!("{left} tr");
        assert!(said["detail"].as_str().expect("told").contains(&told), "{said:#}");
        assert_eq!(kitchen.get("/pairing").await.with(200)["tries_left"], left);
    }
    is(guesser.pair(wrong).await, 403, "wrong-code");
    assert_eq!(kitchen.get("/pairing").await.with(200)["standing"], "closed");
    is(tablet.pair(&code).await, 403, "wrong-code");
    for (bad, field) in [
        (json!({ "code": "", "name": "x" }), "code"),
        (json!({ "code": "123456", "name": " " }), "name"),
        (json!({ "code": "123456", "name": "x".repeat(61) }), "name"),
        (json!({ "code": "123456", "name": "x", "own_key": "AAAA" }), "own_key"),
    ] {
        tablet.post("/devices", bad).await.refuses(field);
    }
    assert_eq!(kitchen.get("/devices").await.with(200), json!([]), "nothing was kept");
}

#[actix_web::test]
async fn whoever_guesses_is_soon_not_heard_any_more() {
    let kitchen = Kitchen::shared().await;
    shown(&kitchen, maker()).await;
    let guesser = Device::new(&kitchen, 66).await;
    let mut heard = 0;
    for guess in 0..300 {
        let said = guesser.pair(&format!("{guess:06}")).await;
        match said.status.as_u16() {
            403 => heard += 1,
            429 => {
                is(said, 429, "too-often");
            }
            other => panic!("{other}"),
        }
    }
    // Ten a minute; a slow machine may take more than one.
    assert!(heard <= 50, "{heard}");
    assert_eq!(kitchen.get("/devices").await.with(200), json!([]));
    assert!(refusals(&kitchen, "127.0.0.66", "too-often", 101).await > 100);
    // Somebody else is heard meanwhile, with a new code.
    Device::paired(&kitchen, 21, maker()).await.get("/plans").await.with(200);
}

#[actix_web::test]
async fn a_device_that_is_sent_away_is_out_at_once_and_hears_nothing_more() {
    let kitchen = Kitchen::shared().await;
    let bowl = kitchen.bowl().await;
    let tablet = Device::paired(&kitchen, 21, helper()).await;
    let phone = Device::paired(&kitchen, 22, maker()).await;
    let watch = async |path: &str| {
        let response = tablet.request(Method::GET, path).send().await.expect("answered");
        assert_eq!(response.status().as_u16(), 200);
        response
    };
    let mut streams = [watch(&format!("/bowls/{bowl}/stream")).await, watch("/bench/stream").await];
    let mut stays = phone.request(Method::GET, "/bench/stream").send().await.expect("answered");
    let listed = kitchen.get("/devices").await.with(200);
    assert!(listed[1]["seen_at"].is_string(), "{listed:#}");
    let path = format!("/devices/{}", tablet.id);
    phone.ask(Method::DELETE, &path, None).await.with(204);
    for stream in &mut streams {
        let ended = async { while let Ok(Some(_)) = stream.chunk().await {} };
        tokio::time::timeout(Duration::from_secs(10), ended).await.expect("it ends");
    }
    is(tablet.get("/plans").await, 401, "unknown-device");
    assert_eq!(tablet.get("/me").await.with(200)["must"], "pair");
    assert_eq!(refusals(&kitchen, "127.0.0.21", "unknown-device", 1).await, 1);
    for _ in 0..3 {
        assert!(stays.chunk().await.expect("it goes on").is_some());
    }
    phone.ask(Method::DELETE, &path, None).await.with(404);
    // One that leaves by itself.
    phone.ask(Method::DELETE, "/session", None).await.with(204);
    assert_eq!(kitchen.get("/devices").await.with(200), json!([]));
}

#[actix_web::test]
async fn what_another_server_sends_away_is_out_here_too() {
    let kitchen = Kitchen::shared().await;
    let tablet = Device::paired(&kitchen, 21, helper()).await;
    let mut stream = tablet.request(Method::GET, "/bench/stream").send().await.expect("answered");
    let beside = kitchen.beside().await;
    beside.delete(&format!("/devices/{}", tablet.id)).await.with(204);
    let ended = async { while let Ok(Some(_)) = stream.chunk().await {} };
    tokio::time::timeout(Duration::from_secs(10), ended).await.expect("it ends");
}

#[actix_web::test]
async fn a_copy_of_a_token_lets_nobody_in_elsewhere() {
    let kitchen = Kitchen::shared().await;
    let code = shown(&kitchen, maker()).await;
    let tablet = Device::new(&kitchen, 21).await;
    let said = tablet.pair(&code).await;
    let cookie = said.headers[SET_COOKIE].to_str().expect("text").to_owned();
    let cookie = cookie.split(';').next().expect("its value").to_owned();
    let thief = Device::new(&kitchen, 66).await;
    let ask = async |path: &str| {
        kitchen.send(thief.request(Method::GET, path).header("cookie", &cookie)).await
    };
    is(ask("/plans").await, 401, "other-address");
    // It has no key of its own to prove anything by: it must be let in anew.
    assert_eq!(ask("/me").await.with(200)["must"], "pair");
    assert_eq!(refusals(&kitchen, "127.0.0.66", "other-address", 1).await, 1);
    tablet.get("/plans").await.with(200);
}

#[actix_web::test]
async fn a_device_that_comes_back_at_another_address_proves_that_it_is_itself() {
    let kitchen = Kitchen::shared().await;
    let chance = SystemRandom::new();
    let pair = || {
        let made = EcdsaKeyPair::generate_pkcs8(&SIGNING, &chance).expect("made");
        EcdsaKeyPair::from_pkcs8(&SIGNING, made.as_ref(), &chance).expect("read")
    };
    let (own, other) = (pair(), pair());
    let key = URL_SAFE_NO_PAD.encode(own.public_key());
    let code = shown(&kitchen, helper()).await;
    let before = Device::new(&kitchen, 21).await;
    let body = json!({ "code": code, "name": "Phone", "own_key": key });
    let said = before.post("/devices", body).await;
    let cookie = said.headers[SET_COOKIE].to_str().expect("text").to_owned();
    let cookie = cookie.split(';').next().expect("its value").to_owned();
    said.with(201);
    let after = Device::new(&kitchen, 40).await;
    let get = async |path: &str| {
        kitchen.send(after.request(Method::GET, path).header("cookie", &cookie)).await
    };
    let prove = async |by: &EcdsaKeyPair, asked: &str| {
        let signature = by.sign(&chance, asked.as_bytes()).expect("signed");
        let body = json!({ "signature": URL_SAFE_NO_PAD.encode(signature) });
        let request = after.request(Method::POST, "/me/proof").header("cookie", &cookie);
        kitchen.send(request.json(&body)).await
    };
    is(prove(&own, "nobody asked").await, 403, "wrong-signature");
    let me = get("/me").await.with(200);
    assert_eq!((&me["must"], &me["role"]), (&json!("prove"), &Value::Null));
    is(prove(&other, &text(&me["sign"])).await, 403, "wrong-signature");
    // What was asked is asked once.
    is(prove(&own, &text(&me["sign"])).await, 403, "wrong-signature");
    let asked = text(&get("/me").await.with(200)["sign"]);
    prove(&own, &asked).await.with(204);
    get("/plans").await.with(200);
    is(before.get("/plans").await, 401, "other-address");
    is(prove(&own, &asked).await, 403, "wrong-signature");
}

#[actix_web::test]
async fn a_helper_sees_and_ticks_what_is_safe_and_touches_no_heat() {
    let kitchen = Kitchen::shared().await;
    let plan = kitchen.plan("Bark").await;
    let batch = kitchen.begun(&plan).await;
    let opened =
        kitchen.post(&format!("/batches/{batch}/bowls"), json!({ "chocolate": "dark" })).await;
    let bowl = text(&opened.with(201)["bowl"]["id"]);
    let helper = Device::paired(&kitchen, 21, helper()).await;
    let guide = helper.get(&format!("/batches/{batch}/guide")).await.with(200);
    assert!(guide["now"]["for_helper"].is_boolean(), "{guide:#}");
    let events = format!("/batches/{batch}/events");
    let id = "0196f3b0-0000-7000-8000-000000000001";
    let tick = async |id: &str, step: &str| {
        helper.post(&events, json!({ "kind": "done", "id": id, "step": step })).await
    };
    let steps: Vec<String> = guide["progress"]
        .as_array()
        .expect("lines")
        .iter()
        .flat_map(|line| line["steps"].as_array().expect("steps"))
        .map(|step| text(&step["key"]))
        .collect();
    let (line, pour) = (
        steps.iter().find(|key| key.ends_with("/line")).expect("it is lined"),
        steps.iter().find(|key| key.ends_with("/pour")).expect("it is poured"),
    );
    is(tick("0196f3b0-0000-7000-8000-000000000002", pour).await, 403, "not-yours");
    let ticked = tick(id, line).await.with(201);
    assert_eq!(ticked["undo_for_helper"], true);
    let undo =
        json!({ "kind": "undone", "id": "0196f3b0-0000-7000-8000-000000000003", "event": id });
    helper.post(&events, undo).await.with(201);
    let over = json!({ "kind": "started_over", "id": "0196f3b0-0000-7000-8000-000000000004" });
    is(helper.post(&events, over).await, 403, "not-yours");
    // What the maker did is not the helper's to take back, unless it is as safe.
    let by_maker = "0196f3b0-0000-7000-8000-000000000005";
    kitchen.tempered(&bowl).await;
    let poured = json!({ "kind": "done", "id": by_maker, "step": pour });
    let poured = kitchen.post(&events, poured).await.with(201);
    assert_eq!(poured["undo_for_helper"], false);
    let undo = json!({ "kind": "undone", "id": "0196f3b0-0000-7000-8000-000000000006", "event": by_maker });
    is(helper.post(&events, undo).await, 403, "not-yours");
    for (path, body) in [
        (format!("/bowls/{bowl}/actions"), json!({ "kind": "heat", "duration_s": 15.0 })),
        (format!("/bowls/{bowl}/readings"), json!({ "temp_c": 31.0 })),
        (format!("/batches/{batch}/bowls"), json!({ "chocolate": "dark" })),
        ("/plans".to_owned(), json!({ "name": "Mine" })),
    ] {
        is(helper.post(&path, body).await, 403, "not-yours");
    }
    is(helper.get("/sharing").await, 403, "not-yours");
    is(helper.get("/archive").await, 403, "not-yours");
    let record = kitchen.get(&format!("/bowls/{bowl}/actions")).await.with(200);
    assert!(record.as_array().expect("actions").iter().all(|a| a["kind"] != "heat"), "{record:#}");
}

#[actix_web::test]
async fn a_thermometer_measures_its_bowl_and_does_nothing_else() {
    let kitchen = Kitchen::shared().await;
    let (mine, other) = (kitchen.bowl().await, kitchen.bowl().await);
    let thermometer = json!({ "role": "thermometer", "bowl_id": mine });
    let probe = Device::paired(&kitchen, 31, thermometer).await;
    let send = async |bowl: &str, c: f64| {
        probe.post(&format!("/bowls/{bowl}/readings"), json!({ "temp_c": c })).await
    };
    send(&mine, 40.0).await.with(201);
    is(send(&other, 40.0).await, 403, "not-yours");
    send(&mine, 4_000.0).await.refuses("temp_c");
    is(probe.get(&format!("/bowls/{mine}")).await, 403, "not-yours");
    let heat = json!({ "kind": "heat", "duration_s": 15.0 });
    is(probe.post(&format!("/bowls/{mine}/actions"), heat).await, 403, "not-yours");
    // Without its token it is nobody.
    let mut nobody = Device::new(&kitchen, 31).await;
    is(
        nobody.post(&format!("/bowls/{mine}/readings"), json!({ "temp_c": 40.0 })).await,
        401,
        "not-let-in",
    );
    nobody.token = Some("x".repeat(43));
    is(
        nobody.post(&format!("/bowls/{mine}/readings"), json!({ "temp_c": 40.0 })).await,
        401,
        "unknown-device",
    );
    // It is lent to another bowl, to a bowl that is not, and to none.
    let lend = async |bowl: Value| {
        let path = format!("/devices/{}", probe.id);
        kitchen.put(&path, None, json!({ "name": "Left probe", "bowl_id": bowl })).await
    };
    lend(json!(other)).await.with(204);
    send(&other, 41.0).await.with(201);
    is(send(&mine, 41.0).await, 403, "not-yours");
    lend(json!("00000000-0000-0000-0000-000000000000")).await.with(404);
    lend(Value::Null).await.with(204);
    is(send(&other, 41.0).await, 403, "not-yours");
    let helper = Device::paired(&kitchen, 21, helper()).await;
    let edit = json!({ "name": "Tablet", "bowl_id": mine });
    kitchen.put(&format!("/devices/{}", helper.id), None, edit).await.refuses("bowl_id");
    let wrong = json!({ "role": "maker", "bowl_id": mine });
    kitchen.put("/pairing", None, wrong).await.refuses("bowl_id");
    let readings = kitchen.get(&format!("/bowls/{mine}/readings")).await.with(200);
    assert_eq!(readings.as_array().expect("readings").len(), 1, "{readings:#}");
}

#[actix_web::test]
async fn a_thermometer_that_runs_wild_is_slowed_down_and_the_rest_goes_on() {
    let kitchen = Kitchen::shared().await;
    let bowl = kitchen.bowl().await;
    let probe =
        Device::paired(&kitchen, 31, json!({ "role": "thermometer", "bowl_id": bowl })).await;
    let path = format!("/bowls/{bowl}/readings");
    let all =
        futures::future::join_all((0..400).map(|_| probe.post(&path, json!({ "temp_c": 40.0 }))));
    let said: Vec<u16> = all.await.iter().map(|said| said.status.as_u16()).collect();
    let kept = said.iter().filter(|status| **status == 201).count();
    assert!(said.iter().all(|status| [201, 429].contains(status)), "{said:?}");
    // A hundred in ten seconds; a slow machine may take more than one such stretch.
    assert!((1..=300).contains(&kept), "{kept}");
    let readings = kitchen.get(&path).await.with(200);
    assert_eq!(readings.as_array().expect("readings").len(), kept, "what was refused is not kept");
    kitchen.read(&bowl, json!({ "temp_c": 40.5 })).await.with(201);
    assert!(refusals(&kitchen, "127.0.0.31", "too-often", 101).await > 100);
}

#[actix_web::test]
async fn another_sites_page_and_another_name_get_nothing_over_the_home_network() {
    let kitchen = Kitchen::shared().await;
    let phone = Device::paired(&kitchen, 21, maker()).await;
    let address = kitchen.shared.clone().expect("shared");
    let plan = || phone.request(Method::POST, "/plans").json(&json!({ "name": "Bark" }));
    kitchen.send(plan()).await.with(201);
    kitchen.send(plan().header(ORIGIN, &address)).await.with(201);
    for origin in ["https://evil.example", "null", &address.replace("https", "http")] {
        is(kitchen.send(plan().header(ORIGIN, origin)).await, 403, "elsewhere");
    }
    is(kitchen.send(plan().header("sec-fetch-site", "same-site")).await, 403, "elsewhere");
    let port = address.rsplit(':').next().expect("a port");
    for name in ["127.0.0.1", "localhost", "evil.example", &format!("{}.evil.example", here())] {
        let asked = phone.request(Method::GET, "/plans").header(HOST, format!("{name}:{port}"));
        is(kitchen.send(asked).await, 403, "elsewhere");
    }
    let named = phone
        .request(Method::GET, "/plans")
        .header(HOST, format!("{}:{port}", here().to_uppercase()));
    kitchen.send(named).await.with(200);
    assert_eq!(kitchen.get("/plans").await.with(200)["plans"].as_array().expect("plans").len(), 2);
}

#[actix_web::test]
async fn only_tls_of_today_for_our_own_names_is_spoken() {
    let kitchen = Kitchen::shared().await;
    let address = kitchen.shared.clone().expect("shared");
    let at: SocketAddr = address.trim_start_matches("https://").parse().expect("an address");
    // Plain HTTP gets no word of HTTP back.
    let mut plain = TcpStream::connect(at).await.expect("it listens");
    plain.write_all(b"GET /api/v1/plans HTTP/1.1\r\nHost: 127.0.0.2\r\n\r\n").await.expect("sent");
    let mut said = Vec::new();
    let _ = tokio::time::timeout(Duration::from_secs(5), plain.read_to_end(&mut said)).await;
    assert!(!said.starts_with(b"HTTP"), "{}", String::from_utf8_lossy(&said));
    let certificate = CertificateDer::from(kitchen.file("/sharing/certificate").await);
    let mut roots = RootCertStore::empty();
    roots.add(certificate).expect("an authority");
    let shake = async |name: &str| {
        let config = ClientConfig::builder().with_root_certificates(roots.clone());
        let connector = TlsConnector::from(Arc::new(config.with_no_client_auth()));
        let tcp = TcpStream::connect(at).await.expect("it listens");
        let name = ServerName::try_from(name.to_owned()).expect("a name");
        connector.connect(name, tcp).await.map(|tls| tls.get_ref().1.protocol_version())
    };
    for ours in ["127.0.0.2", &here()] {
        assert_eq!(shake(ours).await.expect(ours), Some(rustls::ProtocolVersion::TLSv1_3));
    }
    for other in ["evil.example", "127.0.0.1"] {
        assert!(shake(other).await.is_err(), "{other}");
    }
    // Nothing older is spoken: a greeting of TLS 1.2 ends in an alert.
    let mut old = TcpStream::connect(at).await.expect("it listens");
    let hello =
        [&[22_u8, 3, 1, 0, 45, 1, 0, 0, 41, 3, 3][..], &[7; 32], &[0, 0, 2, 0xc0, 0x2b, 1, 0]]
            .concat();
    old.write_all(&hello).await.expect("sent");
    let mut said = Vec::new();
    let _ = tokio::time::timeout(Duration::from_secs(5), old.read_to_end(&mut said)).await;
    assert_eq!(said.first(), Some(&21), "an alert: {said:?}");
}

#[actix_web::test]
async fn without_sharing_nothing_but_loopback_answers() {
    let kitchen = Kitchen::new().await;
    assert_eq!(kitchen.get("/sharing").await.with(200)["shared"], Value::Null);
    kitchen.put("/pairing", None, maker()).await.with(409);
    kitchen.get("/sharing/certificate").await.with(404);
    kitchen.post("/devices", json!({ "code": "123456", "name": "x" })).await.with(409);
    let port = kitchen.address.rsplit(':').next().expect("a port");
    assert!(TcpStream::connect(format!("127.0.0.2:{port}")).await.is_err());
    let me = kitchen.get("/me").await.with(200);
    assert_eq!((&me["role"], &me["is_here"]), (&json!("maker"), &json!(true)));
}

#[actix_web::test]
async fn the_screen_says_where_it_is_and_by_what_it_is_known() {
    let kitchen = Kitchen::shared().await;
    let shared = kitchen.get("/sharing").await.with(200)["shared"].clone();
    let address = kitchen.shared.clone().expect("shared");
    assert_eq!(shared["addresses"][0], address.as_str());
    let by_name = shared["addresses"][1].as_str().expect("a name");
    assert!(by_name.starts_with(&format!("https://{}:", here())), "{by_name}");
    assert_eq!(shared["fingerprint"].as_str().expect("one").len(), 95);
    assert!(shared["authority"].as_str().expect("one").starts_with("Wide Sheen on "));
    // The same authority after a restart: no device is asked anew.
    let before = kitchen.file("/sharing/certificate").await;
    assert_eq!(kitchen.restarted().await.file("/sharing/certificate").await, before);
}

/// Runs one of the clients of the documentation with a code and what a thermometer says.
async fn client(kitchen: &Kitchen, command: &[&str], what: Value) -> std::process::Output {
    let folder = tempfile::tempdir().expect("a folder");
    let pem = kitchen.file("/sharing/certificate?form=pem").await;
    std::fs::write(folder.path().join("wide-sheen.pem"), pem).expect("written");
    let clients = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../docs/clients");
    let bowl = text(&what["bowl_id"]);
    let code = shown(kitchen, what).await;
    let words = command.iter().map(|word| match *word {
        "SERVER" => kitchen.shared.clone().expect("shared"),
        "BOWL" => bowl.clone(),
        "CODE" => code.clone(),
        word if word.starts_with("thermometer.") => clients.join(word).display().to_string(),
        word => word.to_owned(),
    });
    let words: Vec<String> = words.collect();
    let mut child = tokio::process::Command::new(&words[0])
        .args(&words[1..])
        .current_dir(folder.path())
        .env("NODE_EXTRA_CA_CERTS", "wide-sheen.pem")
        .stdin(Stdio::piped())
        .stdout(Stdio::piped())
        .stderr(Stdio::piped())
        .spawn()
        .expect("it runs");
    let mut input = child.stdin.take().expect("piped");
    let stand_in = tokio::process::Command::new(env!("CARGO_BIN_EXE_stand-in-thermometer"))
        .args(["--every", "0", "--count", "3", "--from", "45"])
        .output();
    input.write_all(&stand_in.await.expect("it runs").stdout).await.expect("written");
    drop(input);
    child.wait_with_output().await.expect("it ends")
}

#[actix_web::test]
async fn the_clients_of_the_documentation_send_what_a_thermometer_says() {
    let kitchen = Kitchen::shared().await;
    for command in [
        &["node", "thermometer.mjs", "SERVER", "BOWL", "CODE"][..],
        &["python3", "thermometer.py", "wide-sheen.pem", "SERVER", "BOWL", "CODE"],
    ] {
        let bowl = kitchen.bowl().await;
        let what = json!({ "role": "thermometer", "bowl_id": bowl });
        let output = client(&kitchen, command, what).await;
        let said = String::from_utf8_lossy(&output.stderr).into_owned();
        assert!(output.status.success(), "{command:?}: {said}");
        let readings = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
        let sent: Vec<_> = readings.as_array().expect("readings").iter().collect();
        assert_eq!(sent.len(), 3, "{command:?}: {readings:#}");
        assert_eq!(sent[0]["temp_c"], 45.0);
        assert_eq!(sent[0]["source"], "probe");
    }
}
