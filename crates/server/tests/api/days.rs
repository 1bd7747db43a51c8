//! Work over days: the sittings, the calendar file, the reminders, moulds that learn.

use chrono::{DateTime, TimeDelta, Utc};
use icalendar::{Component, DatePerhapsTime};
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    /// A batch of filled shells, as they start; its id.
    pub async fn shells(&self, change: impl FnOnce(&mut Value)) -> String {
        let kinds = self.get("/kinds").await.with(200);
        let kinds = kinds.as_array().expect("kinds");
        let shells = kinds.iter().find(|kind| kind["name"] == "Filled shells").expect("there");
        let mut bowls = vec![json!({ "key": "dark", "family": "dark" })];
        bowls.extend(shells["colours"].as_array().expect("colours").clone());
        let mut inputs = json!({ "room_c": 19.5, "rh_pct": 42, "fridge_c": 5, "bowls": bowls,
            "components": [{ "key": "planets", "name": "Planets", "work": shells["start"] }] });
        change(&mut inputs);
        let body = json!({ "name": "Planets, \"two\" colours", "inputs": inputs });
        text(&self.post("/batches", body).await.with(201)["id"])
    }
}

fn at(value: &Value) -> DateTime<Utc> {
    DateTime::parse_from_rfc3339(value.as_str().expect("a time")).expect("a time").to_utc()
}

const SATURDAY: &str = "start=2026-10-10T08:00:00Z&up_from=08:00&up_to=22:00&utc_offset_min=60";

#[actix_web::test]
async fn shells_are_made_in_sittings_with_nights_between() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.shells(|_| {}).await;
    let days = kitchen.get(&format!("/batches/{batch}/days?{SATURDAY}")).await.with(200);
    let days = days.as_array().expect("sittings");
    let tasks: Vec<_> = days.iter().map(|slot| text(&slot["task"])).collect();
    assert_eq!(tasks, ["polish", "pour", "fill", "temper-again"]);
    for pair in days.windows(2) {
        assert!(at(&pair[0]["to"]) <= at(&pair[1]["from"]), "{pair:#?}");
        let waited = at(&pair[1]["from"]) - at(&pair[0]["to"]);
        let least = pair[1]["least_h"].as_f64().expect("hours");
        assert!(waited.as_seconds_f64() / 3_600.0 > least - 1.0, "{pair:#?}");
    }
    for slot in days {
        // By that clock, an hour ahead, between eight and ten in the evening.
        let hour = (at(&slot["from"]) + TimeDelta::hours(1)).format("%H").to_string();
        assert!(("08"..="22").contains(&hour.as_str()), "{slot}");
        assert_eq!(slot["in_the_night"], false);
    }
    for (asked, field) in [
        ("up_from=8", "up_from"),
        ("up_from=22:00&up_to=08:00", "up_to"),
        ("utc_offset_min=2000", "utc_offset_min"),
    ] {
        kitchen.get(&format!("/batches/{batch}/days?{asked}")).await.refuses(field);
    }
    kitchen.get(&format!("/batches/{}/days", Uuid::new_v4())).await.with(404);
}

#[actix_web::test]
async fn the_days_are_a_calendar_file_that_others_read() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.shells(|_| {}).await;
    let said = kitchen.get(&format!("/batches/{batch}/calendar?{SATURDAY}")).await;
    assert_eq!(said.headers["content-type"], "text/calendar; charset=utf-8");
    let file = text(&said.with(200));
    let calendar: icalendar::Calendar = file.parse().expect("it is iCalendar");
    let events: Vec<_> = calendar.events().collect();
    assert_eq!(events.len(), 4);
    let days = kitchen.get(&format!("/batches/{batch}/days?{SATURDAY}")).await.with(200);
    for (event, slot) in events.iter().zip(days.as_array().expect("sittings")) {
        let Some(DatePerhapsTime::DateTime(icalendar::CalendarDateTime::Utc(starts))) =
            event.get_start()
        else {
            panic!("a time in UTC: {event:?}");
        };
        assert_eq!(starts.timestamp(), at(&slot["from"]).timestamp());
        assert!(event.get_summary().is_some_and(|words| words.starts_with("Planets: ")));
    }
    // Brought in again, each takes the place of the one that is there.
    let again =
        text(&kitchen.get(&format!("/batches/{batch}/calendar?{SATURDAY}")).await.with(200));
    let ids = |file: &str| {
        file.lines()
            .filter(|line| line.starts_with("UID"))
            .map(ToOwned::to_owned)
            .collect::<Vec<_>>()
    };
    assert_eq!(ids(&file), ids(&again));
}

#[actix_web::test]
async fn the_guide_follows_over_three_days_and_reminds() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.shells(|_| {}).await;
    let open = async |key: &str| {
        let opened = kitchen
            .post(&format!("/batches/{batch}/bowls"), json!({ "chocolate": key }))
            .await
            .with(201);
        text(&opened["bowl"]["id"])
    };
    for key in ["blue", "white colour", "dark"] {
        let bowl = open(key).await;
        kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    }
    assert_eq!(kitchen.get("/reminders").await.with(200), json!([]), "nothing is begun");
    let mut build = kitchen.post(&format!("/batches/{batch}/build"), json!({})).await.with(201);
    let begun = kitchen.now();
    let (mut came_back, mut reopened) = (Vec::new(), false);
    while let Some(now) = build["now"].as_object().cloned() {
        let (task, state) = (text(&now["task"]), text(&now["state"]));
        match state.as_str() {
            "wait" => {
                let opens = at(&now["opens"]["at"]);
                let wait = opens - kitchen.now();
                if wait > TimeDelta::hours(1) {
                    let reminded = kitchen.get("/reminders").await.with(200);
                    assert_eq!(reminded[0]["batch_id"], batch.as_str(), "{reminded}");
                    let off = at(&reminded[0]["opens_at"]) - opens;
                    assert!(off.num_seconds().abs() <= 1, "{reminded}");
                    came_back.push(task);
                }
                kitchen.pass(wait.max(TimeDelta::zero()) + TimeDelta::milliseconds(20));
                build = kitchen.get(&format!("/batches/{batch}/build")).await.with(200);
            }
            "do" | "closing" => {
                let body = json!({ "kind": "done", "id": Uuid::new_v4(),
                    "component": now["component"], "task": task });
                build =
                    kitchen.post(&format!("/batches/{batch}/build/events"), body).await.with(201);
                kitchen.pass(TimeDelta::seconds(5));
                if task == "temper-again" {
                    // The caps' chocolate is another bowl, and is waited for.
                    let bowl = open("dark").await;
                    let waits = kitchen.get(&format!("/batches/{batch}/build")).await.with(200);
                    assert_eq!(waits["now"]["state"], "wait_for_bowl", "{waits:#}");
                    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
                    build = kitchen.get(&format!("/batches/{batch}/build")).await.with(200);
                    reopened = true;
                }
            }
            _ => panic!("who is in time neither misses nor waits for a bowl: {now:#?}"),
        }
    }
    assert_eq!(came_back, ["pour", "fill", "temper-again"]);
    assert!(reopened && kitchen.now() - begun > TimeDelta::hours(18));
    assert_eq!(kitchen.get("/reminders").await.with(200), json!([]), "all is done");
}

#[actix_web::test]
async fn a_weighed_mould_learns_and_bad_moulds_are_refused_by_name() {
    let kitchen = Kitchen::new().await;
    let mould = |change: Value| {
        let mut mould = json!({ "cavity": { "shape": "hemisphere", "diameter_mm": 30 },
            "count": 24 });
        mould.as_object_mut().expect("fields").extend(change.as_object().expect("some").clone());
        json!({ "kind": "mould", "name": "Planets", "mould": mould })
    };
    let keep = async |thing: Value| kitchen.post("/shelf", json!({ "thing": thing })).await;
    let plain = text(&keep(mould(json!({}))).await.with(201)["id"]);
    // Heavier than the sums say, three times: one alone would be believed by half.
    let weighing = json!({ "family": "dark", "flow_grade": 3, "wait_s": 20, "empty_g": 600,
        "lined_g": 700 });
    let weighed = text(
        &keep(mould(json!({ "weighings": [weighing, weighing, weighing] }))).await.with(201)["id"],
    );
    let shell = async |id: &str| {
        let batch = kitchen
            .shells(|inputs| {
                let cast = &mut inputs["components"][0]["work"]["cast"];
                cast["mould_id"] = id.into();
                cast["wall"] = json!({ "by": "waited", "wait_s": 20 });
            })
            .await;
        let plan = kitchen.get(&format!("/batches/{batch}/plan")).await.with(200);
        plan["plan"]["components"][0]["cast"].clone()
    };
    let (plain, weighed) = (shell(&plain).await, shell(&weighed).await);
    assert_eq!((&plain["weighings"], &weighed["weighings"]), (&json!(0), &json!(3)));
    // After the same wait the weighed mould gives the shells it was weighed with.
    let kept = weighed["kept_g"].as_f64().expect("grams");
    assert!((kept - 100.0).abs() < 5.0, "{weighed}");
    assert!(plain["kept_g"].as_f64().expect("grams") < kept - 10.0, "{plain}");

    for (change, field) in [
        (json!({ "count": 0 }), "mould.count"),
        (json!({ "cavity": { "shape": "hemisphere" } }), "mould.cavity.diameter_mm"),
        (json!({ "regions": [{ "name": "face", "share_pct": 40 }] }), "mould.regions"),
        (
            json!({ "weighings": [{ "family": "dark", "flow_grade": 3, "wait_s": 20,
            "empty_g": 700, "lined_g": 600 }] }),
            "mould.weighings[0].lined_g",
        ),
    ] {
        keep(mould(change)).await.refuses(field);
    }
}
