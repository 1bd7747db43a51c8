//! The passphrase of this machine's own screen.

use reqwest::header::SET_COOKIE;
use serde_json::{Value, json};

use crate::kitchen::{Kitchen, Said};

const SECRET: &str = "sheen on the slab";

fn cookie(said: &Said) -> String {
    let cookie = said.headers[SET_COOKIE].to_str().expect("text");
    assert!(cookie.contains("HttpOnly") && cookie.contains("SameSite=Strict"), "{cookie}");
    cookie.split(';').next().expect("its value").to_owned()
}

async fn with(kitchen: &Kitchen, cookie: &str, path: &str) -> Said {
    let url = format!("{}/api/v1{path}", kitchen.address);
    kitchen.send(reqwest::Client::new().get(url).header("cookie", cookie)).await
}

#[actix_web::test]
async fn it_is_asked_for_from_when_it_is_set_and_by_every_server() {
    let kitchen = Kitchen::new().await;
    let (plan, beside) = (kitchen.plan("Bark").await, kitchen.beside().await);
    kitchen.put("/passphrase", None, json!({ "new": "short" })).await.refuses("new");
    kitchen.post("/session", json!({ "passphrase": SECRET })).await.with(409);
    let set = kitchen.put("/passphrase", None, json!({ "new": SECRET })).await;
    let own = cookie(&set);
    set.with(204);
    // Whoever set it stays in; whoever does not show as much is out, and told so.
    with(&kitchen, &own, &format!("/plans/{plan}")).await.with(200);
    for path in ["/plans", "/bench", "/sharing", "/archive", "/health", "/openapi.json"] {
        let said = kitchen.get(path).await.with(401);
        assert_eq!(said["type"], "urn:wide-sheen:problem:sign-in", "{path}");
    }
    let me = kitchen.get("/me").await.with(200);
    assert_eq!((&me["role"], &me["must"]), (&Value::Null, &json!("sign_in")));
    for _ in 0..200 {
        if beside.get("/plans").await.status.as_u16() == 401 {
            break;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    beside.get("/plans").await.with(401);
    let wrong = kitchen.post("/session", json!({ "passphrase": "sheen on the slap" })).await;
    assert_eq!(wrong.with(403)["type"], "urn:wide-sheen:problem:wrong-passphrase");
    let said = kitchen.post("/session", json!({ "passphrase": SECRET })).await;
    let signed_in = cookie(&said);
    said.with(204);
    with(&kitchen, &signed_in, "/plans").await.with(200);
    // After a restart it is asked for all the same, and who was in still is.
    let again = kitchen.restarted().await;
    again.get("/plans").await.with(401);
    with(&again, &signed_in, "/plans").await.with(200);
}

#[actix_web::test]
async fn it_is_changed_by_who_knows_it_and_guessed_by_nobody() {
    let kitchen = Kitchen::new().await;
    let said = kitchen.put("/passphrase", None, json!({ "new": SECRET })).await;
    let own = cookie(&said);
    let change = async |body: Value| {
        let url = format!("{}/api/v1/passphrase", kitchen.address);
        let request = reqwest::Client::new().put(url).header("cookie", &own).json(&body);
        kitchen.send(request).await
    };
    for current in [Value::Null, json!("not this one")] {
        let said = change(json!({ "current": current, "new": null })).await.with(403);
        assert_eq!(said["fields"][0]["field"], "current");
    }
    let other = cookie(&kitchen.post("/session", json!({ "passphrase": SECRET })).await);
    with(&kitchen, &other, "/plans").await.with(200);
    change(json!({ "current": SECRET, "new": "another slab of sheen" })).await.with(204);
    // Whoever came in by the one before is out; whoever changed it stays in.
    with(&kitchen, &other, "/plans").await.with(401);
    with(&kitchen, &own, "/plans").await.with(200);
    change(json!({ "current": "another slab of sheen", "new": null })).await.with(204);
    kitchen.get("/plans").await.with(200);
    let mut last = 0;
    for guess in 0..12 {
        let body = json!({ "passphrase": format!("guess {guess} of many") });
        last = kitchen.post("/session", body).await.status.as_u16();
    }
    assert_eq!(last, 429, "no more than ten a minute are heard");
}

#[actix_web::test]
async fn the_simulated_thermometer_goes_on_measuring() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let on = json!({ "simulated": true, "rate": 60.0 });
    kitchen.put(&format!("/bowls/{bowl}/thermometer"), None, on).await.with(200);
    let said = kitchen.put("/passphrase", None, json!({ "new": SECRET })).await;
    let own = cookie(&said);
    let path = format!("/bowls/{bowl}/readings");
    let readings = async || {
        let said = with(&kitchen, &own, &path).await.with(200);
        said.as_array().expect("readings").len()
    };
    let before = readings().await;
    for _ in 0..200 {
        if readings().await > before + 2 {
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    panic!("it stopped at {before}");
}
