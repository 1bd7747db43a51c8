//! Nobody in: a page from elsewhere neither reads nor changes anything, whatever name it gave
//! this machine; programs on this machine do.

use reqwest::header::{CONTENT_TYPE, HOST, ORIGIN};
use reqwest::{Client, Method, RequestBuilder};
use serde_json::json;

use crate::kitchen::Kitchen;

fn asked(kitchen: &Kitchen, method: Method, path: &str) -> RequestBuilder {
    Client::new().request(method, format!("{}/api/v1{path}", kitchen.address))
}

async fn status(request: RequestBuilder) -> u16 {
    let said = request.send().await.expect("an answer");
    if !said.status().is_success() {
        assert_eq!(said.headers()[CONTENT_TYPE], "application/problem+json");
    }
    said.status().as_u16()
}

#[actix_web::test]
async fn only_this_machines_own_names_are_answered() {
    let kitchen = Kitchen::new().await;
    let port = kitchen.address.rsplit(':').next().expect("a port").to_owned();
    for name in ["localhost", "127.0.0.1", "[::1]", "LOCALHOST"] {
        let request = asked(&kitchen, Method::GET, "/shelf").header(HOST, format!("{name}:{port}"));
        assert_eq!(status(request).await, 200, "{name}");
    }
    for name in
        ["evil.example", "127.0.0.1.evil.example", "0.0.0.0", "localhost.evil", "x@localhost"]
    {
        let request = asked(&kitchen, Method::GET, "/shelf").header(HOST, format!("{name}:{port}"));
        let said = status(request).await;
        assert!(said == 403 || said == 400, "{name}: {said}");
        let page = Client::new().get(&kitchen.address).header(HOST, format!("{name}:{port}"));
        assert_ne!(page.send().await.expect("an answer").status().as_u16(), 200, "{name}");
    }
}

#[actix_web::test]
async fn another_sites_page_changes_nothing_whatever_it_says_it_sends() {
    let kitchen = Kitchen::new().await;
    let plan = || asked(&kitchen, Method::POST, "/plans").json(&json!({ "name": "Bark" }));
    let here = kitchen.address.clone();
    assert_eq!(status(plan()).await, 201, "a device says nothing of where it is from");
    assert_eq!(status(plan().header(ORIGIN, &here)).await, 201);
    assert_eq!(status(plan().header("Sec-Fetch-Site", "same-origin")).await, 201);
    for origin in ["http://evil.example", "null", "http://127.0.0.1", "https://localhost"] {
        assert_eq!(status(plan().header(ORIGIN, origin)).await, 403, "{origin}");
    }
    for site in ["cross-site", "same-site"] {
        assert_eq!(status(plan().header("Sec-Fetch-Site", site)).await, 403, "{site}");
    }
    // What a form can send, and what needs no body.
    let form = asked(&kitchen, Method::POST, "/plans")
        .header(CONTENT_TYPE, "text/plain")
        .header(ORIGIN, "http://evil.example")
        .body("{}");
    assert_eq!(status(form).await, 403);
    let kept = kitchen.plan("Mine").await;
    let path = format!("/plans/{kept}");
    let delete = asked(&kitchen, Method::DELETE, &path).header("Sec-Fetch-Site", "cross-site");
    assert_eq!(status(delete).await, 403);
    kitchen.get(&path).await.with(200);
}

#[actix_web::test]
async fn what_an_address_does_not_take_is_said_so() {
    let kitchen = Kitchen::new().await;
    let cases = [
        (Method::DELETE, "/plans", 405),
        (Method::PATCH, "/plans/00000000-0000-0000-0000-000000000000", 405),
        (Method::GET, "/nowhere", 404),
        (Method::GET, "/plans/no-id", 400),
        (Method::GET, "/plans?most=many", 400),
    ];
    for (method, path, expected) in cases {
        assert_eq!(
            status(asked(&kitchen, method.clone(), path)).await,
            expected,
            "{method} {path}"
        );
    }
}
