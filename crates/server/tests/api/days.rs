//! Work over days: the sittings, the calendar file, the reminders, moulds that learn.

use chrono::{DateTime, TimeDelta, Utc};
use icalendar::{CalendarDateTime, Component, DatePerhapsTime};
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    /// A plan of filled shells, as they start; its id.
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
        self.planned(body).await
    }
}

fn at(value: &Value) -> DateTime<Utc> {
    DateTime::parse_from_rfc3339(value.as_str().expect("a time")).expect("a time").to_utc()
}

/// An hour ahead of UTC, all year.
const LAGOS: &str = "zone=Africa/Lagos";

/// To be begun on a Saturday at nine by the clock of Lagos, long after now.
fn on_saturday(inputs: &mut Value) {
    inputs["when"] = json!({ "begin": "2040-10-13T08:00:00Z" });
}

fn slots(days: &Value) -> Vec<Value> {
    days["slots"].as_array().cloned().expect("sittings")
}

#[actix_web::test]
async fn shells_are_made_in_sittings_with_nights_between() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.shells(on_saturday).await;
    let days = kitchen.get(&format!("/plans/{plan}/days?{LAGOS}")).await.with(200);
    let all = slots(&days);
    let tasks: Vec<_> = all.iter().map(|slot| text(&slot["step"])).collect();
    assert_eq!(tasks, ["planets/polish", "planets/pour", "planets/fill", "planets/cap"]);
    for pair in all.windows(2) {
        assert!(at(&pair[0]["to"]) <= at(&pair[1]["from"]), "{pair:#?}");
        let waited = at(&pair[1]["from"]) - at(&pair[0]["to"]);
        let least = pair[1]["least_h"].as_f64().expect("hours");
        assert!(waited.as_seconds_f64() / 3_600.0 > least - 1.0, "{pair:#?}");
    }
    for slot in &all {
        // By that clock: begun after eight, and done by ten in the evening.
        let by_the_wall = |end: &str| (at(&slot[end]) + TimeDelta::hours(1)).time();
        let hour = |h| chrono::NaiveTime::from_hms_opt(h, 0, 0).expect("an hour");
        assert!(by_the_wall("from") >= hour(8) && by_the_wall("to") <= hour(22), "{slot}");
        assert!(by_the_wall("from") < by_the_wall("to"), "not over midnight: {slot}");
    }
    assert_eq!((&days["broken"], &days["late_min"]), (&json!([]), &json!(0.0)));
    kitchen.get(&format!("/plans/{plan}/days?zone=Moon/Base")).await.refuses("zone");
    kitchen.get(&format!("/plans/{}/days", Uuid::new_v4())).await.with(404);
}

#[actix_web::test]
async fn for_a_saturday_it_is_begun_as_late_as_may_be_in_the_hours_that_are_kept() {
    let kitchen = Kitchen::new().await;
    let hours = json!([{ "weekdays": [1, 2, 3, 4, 5], "from": "18:00", "to": "01:00" },
        { "weekdays": [6, 7], "from": "09:00", "to": "22:00" }]);
    let place = json!({ "kind": "kitchen", "zone": "Africa/Lagos", "hours": hours,
        "except": [{ "date": "2040-10-12", "hours": [] }] });
    kitchen.put(&format!("/shelf/{}", Uuid::nil()), Some(1), place).await.with(200);
    let odd =
        json!({ "kind": "kitchen", "hours": [{ "weekdays": [1], "from": "6", "to": "22:00" }] });
    kitchen.put(&format!("/shelf/{}", Uuid::nil()), Some(2), odd).await.refuses("hours[0].from");
    let due = |inputs: &mut Value| inputs["when"] = json!({ "ready_by": "2040-10-13T17:00:00Z" });
    let plan = kitchen.shells(due).await;
    let days = kitchen.get(&format!("/plans/{plan}/days")).await.with(200);
    assert_eq!(
        (&days["broken"], &days["late_min"], &days["notes"]),
        (&json!([]), &json!(0.0), &json!([]))
    );
    assert!(at(&days["end"]) <= at(&json!("2040-10-13T17:00:00Z")), "{days}");
    assert_eq!(days["latest_start"], days["begin"]);
    assert_eq!(days["zone"], "Africa/Lagos");
    // Nothing on Friday, but for what goes on past Thursday's midnight.
    for slot in slots(&days) {
        let local = at(&slot["from"]) + TimeDelta::hours(1);
        let day = local.format("%d %H").to_string();
        assert!(!day.starts_with("12") || day.as_str() < "12 01", "{slot}");
    }
    // Another plan for the same evening works around it.
    let other = kitchen.shells(due).await;
    let beside = kitchen.get(&format!("/plans/{other}/days")).await.with(200);
    assert!(!beside["others"].as_array().expect("others").is_empty(), "{beside}");
    let (mine, theirs) = (slots(&days), slots(&beside));
    for (one, two) in mine.iter().flat_map(|one| theirs.iter().map(move |two| (one, two))) {
        let apart = at(&one["to"]) <= at(&two["from"]) || at(&two["to"]) <= at(&one["from"]);
        assert!(apart, "{one} {two}");
    }
    // Put at a time, a sitting stays there; where it cannot, it is said by how much.
    let mut inputs = kitchen.stated(&plan).await;
    let fill = "planets/fill";
    let put = |at: &str| json!([{ "key": fill, "at": at }]);
    inputs["when"]["pinned"] = put("2040-10-13T06:30:00Z");
    kitchen.restate(&plan, inputs.clone()).await.with(200);
    let pinned = kitchen.get(&format!("/plans/{plan}/days")).await.with(200);
    let slot = slots(&pinned).into_iter().find(|slot| slot["step"] == fill).expect("filled");
    assert_eq!((&slot["from"], &slot["pinned"]), (&json!("2040-10-13T06:30:00Z"), &json!(true)));
    inputs["when"]["pinned"] = put("2001-10-13T06:30:00Z");
    kitchen.restate(&plan, inputs.clone()).await.with(200);
    let never = kitchen.get(&format!("/plans/{plan}/days")).await.with(200);
    assert!(
        never["broken"].as_array().is_some_and(|all| all.iter().any(|b| b["step"] == fill)),
        "{never}"
    );
    assert!(!never["mends"].as_array().expect("mends").is_empty());
    inputs["when"]["pinned"] = put("3001-10-13T06:30:00Z");
    kitchen.restate(&plan, inputs).await.refuses("inputs.when.pinned[0].at");
}

#[actix_web::test]
async fn what_is_left_of_a_batch_follows_what_happened() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.begun(&kitchen.shells(|_| {}).await).await;
    let left = async || kitchen.get(&format!("/batches/{batch}/days?{LAGOS}")).await.with(200);
    assert_eq!(slots(&left().await).len(), 4);
    for step in ["planets/polish", "planets/pour", "planets/fill"] {
        kitchen.done(&batch, step, false).await;
    }
    let rest = left().await;
    let steps: Vec<_> = slots(&rest).iter().map(|slot| text(&slot["step"])).collect();
    assert_eq!(steps, ["planets/cap"], "{rest}");
    let wait = at(&rest["begin"]) - kitchen.now();
    assert!(wait > TimeDelta::hours(3), "the filling crusts first: {rest}");
    kitchen.done(&batch, "planets/peel", false).await;
    assert_eq!(left().await["begin"], Value::Null, "all is made");
}

#[actix_web::test]
async fn the_days_are_a_calendar_file_that_others_read() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.shells(on_saturday).await;
    let said = kitchen.get(&format!("/plans/{plan}/calendar?{LAGOS}")).await;
    assert_eq!(said.headers["content-type"], "text/calendar; charset=utf-8");
    let file = text(&said.with(200));
    let calendar: icalendar::Calendar = file.parse().expect("it is iCalendar");
    let events: Vec<_> = calendar.events().collect();
    assert_eq!(events.len(), 4);
    let days = kitchen.get(&format!("/plans/{plan}/days?{LAGOS}")).await.with(200);
    for (event, slot) in events.iter().zip(&slots(&days)) {
        let Some(DatePerhapsTime::DateTime(CalendarDateTime::WithTimezone { date_time, tzid })) =
            event.get_start()
        else {
            panic!("a time in the kitchen's zone: {event:?}");
        };
        // An hour ahead of UTC, all year.
        let from = at(&slot["from"]);
        let off = date_time.and_utc() - TimeDelta::hours(1) - from;
        assert_eq!(off.num_seconds(), 0, "to the second: {from}");
        assert_eq!(tzid, "Africa/Lagos");
        assert!(event.get_summary().is_some_and(|words| words.starts_with("Planets: ")));
    }
    // Brought in again, each takes the place of the one that is there.
    let again = text(&kitchen.get(&format!("/plans/{plan}/calendar?{LAGOS}")).await.with(200));
    let ids = |file: &str| {
        file.lines()
            .filter(|line| line.starts_with("UID") && line.ends_with("@wide-sheen"))
            .map(ToOwned::to_owned)
            .collect::<Vec<_>>()
    };
    assert_eq!(ids(&file), ids(&again));
}

#[actix_web::test]
async fn a_calendar_describes_its_zone_and_no_name_gets_into_its_lines() {
    let kitchen = Kitchen::new().await;
    let place = json!({ "kind": "kitchen", "zone": "Europe/Oslo" });
    kitchen.put(&format!("/shelf/{}", Uuid::nil()), Some(1), place).await.with(200);
    let odd = json!({ "kind": "kitchen", "zone": "Moon/Base" });
    kitchen.put(&format!("/shelf/{}", Uuid::nil()), Some(2), odd).await.refuses("zone");
    // In the night of the sittings the clocks go back.
    let named = |inputs: &mut Value| {
        inputs["components"][0]["name"] = "a; b, c: d\\n".into();
        inputs["when"] = json!({ "begin": "2040-10-27T13:00:00Z" });
    };
    let plan = kitchen.shells(named).await;
    let file = text(&kitchen.get(&format!("/plans/{plan}/calendar")).await.with(200));
    assert_eq!(file.matches("PRODID").count(), 1, "{file}");
    assert_eq!(file.matches("BEGIN:VEVENT").count(), 4, "{file}");
    assert!(file.contains("BEGIN:VTIMEZONE") && file.contains("TZID:Europe/Oslo"), "{file}");
    assert!(file.contains("TZOFFSETFROM:+0200\r\nTZOFFSETTO:+0100"), "{file}");
    assert!(file.contains("DTSTART;TZID=Europe/Oslo:20401028T080000"), "{file}");
    let calendar: icalendar::Calendar = file.parse().expect("it is iCalendar");
    assert!(
        calendar.events().all(|e| e.get_summary().is_some_and(|s| s.starts_with("a; b, c: d\\n")))
    );
    // A name that would end its line is refused before it is kept.
    let mut inputs = kitchen.stated(&plan).await;
    inputs["components"][0]["name"] = "x\r\nBEGIN:VEVENT".into();
    kitchen.restate(&plan, inputs).await.refuses("inputs.components[0].name");
}

#[actix_web::test]
async fn the_guide_follows_over_three_days_and_reminds() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.begun(&kitchen.shells(|_| {}).await).await;
    assert_eq!(kitchen.get("/reminders").await.with(200), json!([]), "nothing is begun");
    let guide = async || kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
    let begun = kitchen.now();
    let (mut came_back, mut tempered) = (Vec::new(), Vec::new());
    let mut now_at = guide().await;
    while let Some(now) = now_at["now"].as_object().cloned() {
        let (step, state) = (text(&now["step"]), text(&now["state"]));
        match (state.as_str(), text(&now["kind"]).as_str()) {
            ("wait", _) => {
                let opens = at(&now["opens"]["at"]);
                let wait = opens - kitchen.now();
                if wait > TimeDelta::hours(1) {
                    let reminded = kitchen.get("/reminders").await.with(200);
                    assert_eq!(reminded[0]["batch_id"], batch.as_str(), "{reminded}");
                    let off = at(&reminded[0]["opens_at"]) - opens;
                    assert!(off.num_seconds().abs() <= 1, "{reminded}");
                    came_back.push(step);
                }
                kitchen.pass(wait.max(TimeDelta::zero()) + TimeDelta::milliseconds(20));
            }
            ("do", "tempering") => {
                // It is done at the bench: its pour is the step's that waits for it.
                let body = json!({ "chocolate": now["chocolate"] });
                let opened = kitchen.post(&format!("/batches/{batch}/bowls"), body).await;
                let bowl = text(&opened.with(201)["bowl"]["id"]);
                kitchen.pass(TimeDelta::minutes(25));
                kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
                tempered.push(step);
            }
            ("do" | "closing", _) => {
                kitchen.done(&batch, &step, false).await;
                kitchen.pass(TimeDelta::seconds(5));
            }
            _ => panic!("who is in time neither misses nor waits for a bowl: {now:#?}"),
        }
        now_at = guide().await;
    }
    // The chocolate is weighed before its tempering is begun, on the next day too.
    assert_eq!(came_back, ["@dark/weigh", "planets/fill", "@dark#2/temper"]);
    assert_eq!(
        tempered,
        ["@blue/temper", "@white colour/temper", "@dark/temper", "@dark#2/temper"]
    );
    assert!(kitchen.now() - begun > TimeDelta::hours(18));
    assert_eq!(kitchen.get("/reminders").await.with(200), json!([]), "all is done");
    let made = kitchen.get(&format!("/batches/{batch}")).await.with(200);
    assert_eq!((&made["stage"], &made["to_do"]), (&json!("made"), &json!([])));
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
        let plan = kitchen
            .shells(|inputs| {
                let cast = &mut inputs["components"][0]["work"]["cast"];
                cast["mould_id"] = id.into();
                cast["wall"] = json!({ "by": "waited", "wait_s": 20 });
            })
            .await;
        let plan = kitchen.get(&format!("/plans/{plan}")).await.with(200);
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
