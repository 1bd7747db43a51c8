//! Who may do what, over every route of the API's description: what is not named here is the
//! maker's.

use reqwest::Method;
use serde_json::{Value, json};

use crate::device::Device;
use crate::kitchen::Kitchen;

/// What anybody may who is not let in: what it takes to be let in.
const ANYBODY: [&str; 5] = ["let_in", "prove", "read_me", "save_certificate", "sign_in"];
/// What a thermometer may besides.
const THERMOMETER: [&str; 1] = ["append_reading"];
/// What a helper may besides. Which steps it may tick is told by the rules.
const HELPER: [&str; 35] = [
    "append_step_event",
    "list_actions",
    "list_batches",
    "list_entries",
    "list_goods",
    "list_help",
    "list_kinds",
    "list_methods",
    "list_photos",
    "list_piece_photos",
    "list_pigments",
    "list_plans",
    "list_readings",
    "list_reminders",
    "list_trays",
    "read_batch",
    "read_bench",
    "read_bowl",
    "read_days",
    "read_days_left",
    "read_guide",
    "read_labels_of_batch",
    "read_labels_of_plan",
    "read_photo",
    "read_plan",
    "read_shelf",
    "read_shelf_today",
    "read_shopping",
    "save_calendar",
    "save_shopping",
    "sign_out",
    "take_in_hand",
    "watch_bench",
    "watch_bowl",
    "watch_guide",
];

/// Every route of the API: its name, its method, and an address of it that leads nowhere.
fn routes() -> Vec<(String, Method, String)> {
    let document = serde_json::to_value(server::document::document()).expect("JSON");
    let nowhere = "00000000-0000-0000-0000-000000000000";
    let mut routes = Vec::new();
    for (path, methods) in document["paths"].as_object().expect("paths") {
        let path = path.strip_prefix("/api/v1").expect("ours").to_owned();
        let path = path.replace("{id}", nowhere).replace("{move}", nowhere);
        for (method, operation) in methods.as_object().expect("methods") {
            let name = operation["operationId"].as_str().expect("a name");
            let method = method.to_uppercase().parse().expect("a method");
            // Arithmetic keeps nothing; it is told by its address.
            let name = if path.starts_with("/calc/") { "calc" } else { name };
            routes.push((name.to_owned(), method, path.clone()));
        }
    }
    routes
}

/// Asks for everything, and says which answers were refusals at the door.
async fn refused(
    device: &Device<'_>,
    routes: &[(String, Method, String)],
) -> Vec<(String, u16, Value)> {
    let mut all = Vec::new();
    for (name, method, path) in routes {
        let body = (*method != Method::GET && *method != Method::DELETE).then(|| json!({}));
        // A stream has no end: its beginning is enough.
        let request = device.request(method.clone(), path);
        let request = match body {
            Some(body) => request.json(&body),
            None => request,
        };
        let response = request.send().await.expect("an answer");
        let status = response.status().as_u16();
        let kind = response.headers().get("content-type");
        let is_stream = kind.is_some_and(|kind| kind == "text/event-stream");
        let said = if is_stream { Value::Null } else { response.json().await.unwrap_or_default() };
        all.push((name.clone(), status, said["type"].clone()));
    }
    all
}

#[actix_web::test]
async fn everybody_may_do_what_is_theirs_and_nothing_else() {
    let kitchen = Kitchen::shared().await;
    // Leaving comes last, since after it nothing more is allowed.
    let mut routes = routes();
    routes.sort_by_key(|(name, ..)| name == "sign_out");
    for name in ANYBODY.iter().chain(&THERMOMETER).chain(&HELPER) {
        assert!(routes.iter().any(|(known, ..)| known == name), "{name} is a route");
    }
    let stranger = Device::new(&kitchen, 11).await;
    let thermometer = Device::paired(&kitchen, 12, json!({ "role": "thermometer" })).await;
    let helper = Device::paired(&kitchen, 13, json!({ "role": "helper" })).await;
    let maker = Device::paired(&kitchen, 14, json!({ "role": "maker" })).await;
    let cases: [(&Device<'_>, &[&str], u16, &str); 3] = [
        (&stranger, &[], 401, "not-let-in"),
        (&thermometer, &THERMOMETER, 403, "not-yours"),
        (&helper, &HELPER, 403, "not-yours"),
    ];
    for (device, theirs, status, kind) in cases {
        for (name, said, why) in refused(device, &routes).await {
            let open = ANYBODY.contains(&name.as_str());
            let mine = theirs.contains(&name.as_str()) || (name == "calc" && theirs.len() > 1);
            let is_refused = said == status && why == format!("urn:wide-sheen:problem:{kind}");
            // What thermometers may is told by the bowl they are lent to.
            let by_bowl = name == "append_reading" && theirs == THERMOMETER;
            assert_eq!(is_refused, !(open || mine) || by_bowl, "{kind} {name}: {said} {why}");
        }
    }
    for (name, said, why) in refused(&maker, &routes).await {
        assert!(said != 401 && why != "urn:wide-sheen:problem:not-yours", "{name}: {said} {why}");
    }
    let none = kitchen.get("/sharing").await.with(200);
    let counted: u64 = none["refusals"]
        .as_array()
        .expect("refusals")
        .iter()
        .filter(|refusal| refusal["came_from"] == "127.0.0.11" && refusal["why"] == "not-let-in")
        .map(|refusal| refusal["times"].as_u64().expect("a number"))
        .sum();
    assert!(counted > 80, "they are counted: {none:#}");
}

#[actix_web::test]
async fn a_page_that_is_no_route_tells_a_stranger_nothing() {
    let kitchen = Kitchen::shared().await;
    let stranger = Device::new(&kitchen, 11).await;
    stranger.get("/nowhere").await.with(401);
    stranger.get("/health").await.with(401);
    stranger.get("/openapi.json").await.with(401);
    let maker = Device::paired(&kitchen, 14, json!({ "role": "maker" })).await;
    maker.get("/nowhere").await.with(404);
    maker.get("/openapi.json").await.with(200);
}
