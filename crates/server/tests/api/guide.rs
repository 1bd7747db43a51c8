//! Several components in a batch, and the guide that leads through their steps.

use std::collections::BTreeSet;

use chrono::{DateTime, TimeDelta, Utc};
use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    /// A plan of every kind of work, as each starts; its id.
    pub async fn every_kind(&self) -> String {
        let kinds = self.get("/kinds").await.with(200);
        let components: Vec<_> = kinds
            .as_array()
            .expect("kinds")
            .iter()
            .enumerate()
            .map(|(i, kind)| json!({ "key": format!("it-{i}"), "name": kind["name"], "work": kind["start"] }))
            .collect();
        let mut bowls = vec![
            json!({ "key": "dark", "family": "dark" }),
            json!({ "key": "white", "family": "white" }),
        ];
        // Several kinds begin with the same colour.
        for colour in kinds
            .as_array()
            .into_iter()
            .flatten()
            .flat_map(|kind| kind["colours"].as_array())
            .flatten()
        {
            if bowls.iter().all(|bowl| bowl["key"] != colour["key"]) {
                bowls.push(colour.clone());
            }
        }
        let inputs = json!({ "room_c": 19.5, "rh_pct": 42, "fridge_c": 5, "bowls": bowls,
            "components": components });
        self.planned(json!({ "name": "All of it", "inputs": inputs })).await
    }

    /// Does what a batch's guide says, when it says so, until it has no more to say; the bowls that
    /// were opened for it.
    pub async fn follow(&self, batch: &str) -> Vec<String> {
        let guide = async || self.get(&format!("/batches/{batch}/guide")).await.with(200);
        let mut now_at = guide().await;
        let (mut steps, mut bowls) = (0, Vec::new());
        // Whoever does what it says, when it says so, comes to the end of it.
        while let Some(now) = now_at["now"].as_object().cloned() {
            steps += 1;
            assert!(steps < 400, "it ends: {now_at:#}");
            let state = text(&now["state"]);
            assert_ne!(state, "missed", "who is in time misses nothing: {now:?}");
            if state == "wait" {
                let opens: DateTime<Utc> = text(&now["opens"]["at"]).parse().expect("a time");
                let wait = opens - self.now() + TimeDelta::milliseconds(10);
                self.pass(wait.max(TimeDelta::milliseconds(10)));
            } else if now["kind"] == "tempering" {
                let body = json!({ "chocolate": now["chocolate"] });
                let opened = self.post(&format!("/batches/{batch}/bowls"), body).await.with(201);
                let bowl = text(&opened["bowl"]["id"]);
                // In temper at once: what is tried here is the order of the steps.
                let [read, seen] = [opened["bowl"]["use_c"][0].clone(), json!("sets_from_edge")];
                self.read(&bowl, json!({ "temp_c": read })).await.with(201);
                self.act(&bowl, json!({ "kind": "off_heat" })).await.with(201);
                self.act(&bowl, json!({ "kind": "test_started" })).await.with(201);
                self.pass(TimeDelta::minutes(4));
                self.act(&bowl, json!({ "kind": "test_seen", "seen": seen })).await.with(201);
                bowls.push(bowl);
            } else {
                assert!(state == "do" || state == "closing", "{now:?}");
                self.done(batch, &text(&now["step"]), false).await;
                self.pass(TimeDelta::seconds(5));
            }
            now_at = guide().await;
        }
        let all = now_at["progress"].as_array().expect("lines");
        assert!(all.iter().all(|one| one["next"].is_null()), "{now_at:#}");
        assert_eq!((&now_at["coming"], &now_at["stage"]), (&json!([]), &json!("made")));
        bowls
    }
}

#[actix_web::test]
async fn every_kind_of_work_is_planned_made_to_the_end_and_logged() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.every_kind().await;
    let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200)["plan"].clone();
    assert_eq!(planned["components"].as_array().map(Vec::len), Some(17));
    // Each chocolate names what is made from it, and nothing else.
    let stated = kitchen.stated(&plan).await;
    for bowl in planned["bowls"].as_array().expect("bowls") {
        let key = format!("\"{}\"", text(&bowl["key"]));
        let of_it = |component: &&Value| component["work"].to_string().contains(&key);
        let components = stated["components"].as_array().expect("components");
        let names: BTreeSet<String> =
            components.iter().filter(of_it).map(|component| text(&component["name"])).collect();
        let made = bowl["plan"]["made"].as_array().map_or(&[][..], Vec::as_slice);
        let told: BTreeSet<String> = made.iter().map(text).collect();
        assert_eq!(told, names, "{key}");
    }
    let batch = kitchen.begun(&plan).await;
    let bowls = kitchen.follow(&batch).await;
    // Every bowl was ended by the last thing that was poured from it, and by nothing else.
    for bowl in bowls {
        assert_eq!(kitchen.bowl_now(&bowl).await["phase"], "done");
    }
    let look = json!({ "id": Uuid::new_v4(), "gloss": "glossy", "snap": "clean",
        "released": "freely", "streaks": "none", "note": "" });
    kitchen.post(&format!("/batches/{batch}/results"), look).await.with(201);
}

#[actix_web::test]
async fn touch_dry_now_moves_the_rest_and_is_learned_for_the_kitchen() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let path = format!("/batches/{batch}/guide");
    let first = kitchen.get(&path).await.with(200);
    assert_eq!(first["now"]["step"], "slab/line", "what needs no chocolate comes first");
    let weigh = kitchen.done(&batch, "slab/line", false).await;
    assert_eq!(weigh["now"]["step"], "@dark/weigh");
    let opened = kitchen.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    let waiting = kitchen.get(&path).await.with(200);
    assert_eq!(
        (&waiting["now"]["step"], &waiting["now"]["state"]),
        (&json!("slab/pour"), &json!("wait_for_bowl"))
    );
    // Untempered, no window of tempered chocolate is told, and the steps say so first.
    let pour = kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    let untempered = kitchen.get(&path).await.with(200);
    let why = &untempered["untempered"][0];
    assert_eq!(why["chocolate"], "dark", "{untempered}");
    assert!(text(&why["why"]["text"]).contains("not tested"), "{why}");
    assert!(text(&why["instead"]["text"]).starts_with("Undo it"), "{why}");
    assert_eq!(untempered["coming"], json!([]));
    let undo = json!({ "kind": "undone", "undoes": pour["id"] });
    kitchen.act(&bowl, undo).await.with(201);
    kitchen.tempered(&bowl).await;
    // The pour at the bench is the pour of the step.
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    assert_eq!(kitchen.get(&path).await.with(200)["untempered"], json!([]));
    for task in ["spread", "tap"] {
        kitchen.done(&batch, &format!("slab/{task}"), false).await;
    }
    let at = |build: &Value, what: &str| {
        let coming = build["coming"].as_array().expect("a list").clone();
        let found = coming.iter().find(|c| c["what"]["text"] == what).cloned().unwrap_or_default();
        let at = chrono::DateTime::parse_from_rfc3339(found["at"].as_str().unwrap_or_default());
        at.map(|at| at.to_utc()).ok()
    };
    let build = kitchen.get(&path).await.with(200);
    assert_eq!(build["now"]["state"], "wait");
    let (dry, release) =
        (at(&build, "touch dry").expect("due"), at(&build, "it releases").expect("due"));
    let poured = kitchen.now();
    // It takes half as long again as was foretold.
    kitchen.pass((dry - poured) * 3 / 2);
    let build = kitchen.done(&batch, "slab/touch-dry", true).await;
    let later = at(&build, "it releases").expect("due");
    let stretched = (later - poured).as_seconds_f64() / (release - poured).as_seconds_f64();
    assert!((stretched - 1.5).abs() < 0.01, "{stretched}");
    let slab = &build["progress"][1];
    assert!((slab["pace"].as_f64().expect("a pace") - 1.5).abs() < 0.01);

    // The next plan in this kitchen counts on it: the median of it and the usual.
    let next = kitchen.plan("More bark").await;
    let dry_s = async |plan: &str| {
        let plan = kitchen.get(&format!("/plans/{plan}")).await.with(200)["plan"].clone();
        plan["components"][0]["setting"]["touch_dry_s"]["typical"].as_f64().expect("seconds")
    };
    let foretold = dry_s(&next).await;
    let shelf = kitchen.get("/shelf").await.with(200);
    let place =
        shelf["things"].as_array().and_then(|t| t.iter().find(|t| t["thing"]["kind"] == "kitchen"));
    let learned = &place.expect("the kitchen")["learned"][0];
    assert_eq!((&learned["number"], &learned["value"]), (&json!("setting_pace"), &json!(1.25)));

    // Taken back, it teaches nothing; the batch's own steps stay what they were.
    let undo = json!({ "kind": "undone", "id": Uuid::new_v4(), "event": build["last_event"] });
    let build = kitchen.post(&format!("/batches/{batch}/events"), undo).await.with(201);
    assert_eq!(at(&build, "it releases"), Some(release));
    let usual = dry_s(&next).await;
    assert!((foretold / usual - 1.25).abs() < 0.01, "{foretold} {usual}");
}

#[actix_web::test]
async fn what_does_not_belong_to_a_batch_is_refused_by_name() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let path = format!("/batches/{batch}/guide");
    let events = format!("/batches/{batch}/events");
    let done = |step: &str| json!({ "kind": "done", "id": Uuid::new_v4(), "step": step });
    let told = kitchen.post(&events, done("slab/fly")).await.refuses("step");
    assert!(told.starts_with("must be one of @dark/weigh, @dark/temper, slab/line"), "{told}");
    let told = kitchen.post(&events, done("@dark/temper")).await.refuses("step");
    assert!(told.contains("at the bench"), "{told}");
    let mut early = done("slab/line");
    for (at, says) in [("1999-01-01T00:00:00Z", "from 2000"), ("2001-01-01T00:00:00Z", "clock")] {
        early["at"] = json!(at);
        let told = kitchen.post(&events, early.clone()).await.refuses("at");
        assert!(told.contains(says), "{told}");
    }
    let undo = json!({ "kind": "undone", "id": Uuid::new_v4(), "event": Uuid::new_v4() });
    kitchen.post(&events, undo).await.refuses("event");
    let sent = done("slab/line");
    kitchen.post(&events, sent.clone()).await.with(201);
    kitchen.post(&events, sent.clone()).await.with(200);
    let mut other = done("slab/pour");
    other["id"] = sent["id"].clone();
    kitchen.post(&events, other).await.with(409);
    let clock = format!("/batches/{batch}/clock");
    kitchen.put(&clock, None, json!({ "rate": 3601 })).await.refuses("rate");
    let fast = kitchen.put(&clock, None, json!({ "rate": 60 })).await.with(200);
    kitchen.pass(TimeDelta::seconds(10));
    let later = kitchen.get(&path).await.with(200);
    let at =
        |guide: &Value| -> DateTime<Utc> { text(&guide["clock"]["now"]).parse().expect("a time") };
    // The clock of the test goes on by itself a little.
    let passed = at(&later) - at(&fast);
    assert!((passed.as_seconds_f64() - 600.0).abs() < 60.0, "{passed}");
}

#[actix_web::test]
async fn a_wait_is_skipped_forwards_and_not_without_end() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    let path = format!("/batches/{batch}/guide");
    let begun = kitchen.get(&path).await.with(200);
    let now =
        |guide: &Value| -> DateTime<Utc> { text(&guide["clock"]["now"]).parse().expect("a time") };
    let skip = async |to: DateTime<Utc>| {
        let body = json!({ "rate": 0, "skip_to": to });
        kitchen.put(&format!("/batches/{batch}/clock"), None, body).await
    };
    let tomorrow = now(&begun) + TimeDelta::hours(26);
    assert_eq!(now(&skip(tomorrow).await.with(200)), tomorrow);
    // What was, is not gone back to.
    assert_eq!(now(&skip(now(&begun)).await.with(200)), tomorrow);
    let told = skip(tomorrow + TimeDelta::days(32)).await.refuses("skip_to");
    assert_eq!(told, "must be at most 31 days ahead");
    assert_eq!(now(&kitchen.get(&path).await.with(200)), tomorrow, "it was refused whole");
}

#[actix_web::test]
async fn while_a_real_bowl_is_at_the_bench_its_batch_keeps_real_time() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Bark").await;
    let bowl = kitchen.opened(&plan).await;
    let (batch, bowl) = (text(&bowl["batch_id"]), text(&bowl["bowl"]["id"]));
    let clock = format!("/batches/{batch}/clock");
    kitchen.put(&clock, None, json!({ "rate": 60 })).await.with(409);
    let simulated = json!({ "simulated": true, "rate": 60 });
    kitchen.put(&format!("/bowls/{bowl}/thermometer"), None, simulated).await.with(200);
    kitchen.put(&clock, None, json!({ "rate": 0 })).await.with(200);
}

#[actix_web::test]
async fn a_pour_that_is_ticked_off_ends_its_bowl_and_taking_either_back_takes_both() {
    let kitchen = Kitchen::new().await;
    let opened = kitchen.opened(&kitchen.plan("Bark").await).await;
    let (batch, bowl) = (text(&opened["batch_id"]), text(&opened["bowl"]["id"]));
    let pour_done_at = async || {
        let guide = kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
        let steps = guide["progress"][1]["steps"].as_array().expect("steps").clone();
        steps.iter().find(|s| s["key"] == "slab/pour").expect("there")["done_at"].clone()
    };
    // In the guide: the bench hears of it.
    let guide = kitchen.done(&batch, "slab/pour", false).await;
    assert_eq!(kitchen.bowl_now(&bowl).await["phase"], "done");
    let undo = json!({ "kind": "undone", "id": Uuid::new_v4(), "event": guide["last_event"] });
    kitchen.post(&format!("/batches/{batch}/events"), undo).await.with(201);
    assert_ne!(kitchen.bowl_now(&bowl).await["phase"], "done");
    assert!(pour_done_at().await.is_null());
    // Again, and taken back at the bench: the guide hears of it.
    kitchen.done(&batch, "slab/pour", false).await;
    let actions = kitchen.get(&format!("/bowls/{bowl}/actions")).await.with(200);
    let pour = actions[0]["id"].clone();
    kitchen.act(&bowl, json!({ "kind": "undone", "undoes": pour })).await.with(201);
    assert_ne!(kitchen.bowl_now(&bowl).await["phase"], "done");
    assert!(pour_done_at().await.is_null());
    // At the bench: the guide needs no second word.
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    assert!(pour_done_at().await.is_string());
}

#[actix_web::test]
async fn what_was_begun_by_mistake_starts_over() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    kitchen.done(&batch, "slab/line", false).await;
    let events = format!("/batches/{batch}/events");
    let over = json!({ "kind": "started_over", "id": Uuid::new_v4() });
    let anew = kitchen.post(&events, over.clone()).await.with(201);
    assert_eq!(anew["now"]["step"], "slab/line");
    assert_eq!(anew["last_event"], over["id"]);
    let undo = json!({ "kind": "undone", "id": Uuid::new_v4(), "event": over["id"] });
    let as_before = kitchen.post(&events, undo).await.with(201);
    assert_eq!(as_before["now"]["step"], "@dark/weigh");
}

#[actix_web::test]
async fn a_batch_shares_its_chocolates_trays_and_hands() {
    let kitchen = Kitchen::new().await;
    let tray = json!({ "kind": "tray", "name": "The blue tray",
        "shape": { "shape": "rectangle", "length_mm": 300, "width_mm": 200, "rim_mm": 12 } });
    let tray = text(&kitchen.post("/shelf", json!({ "thing": tray })).await.with(201)["id"]);
    let slab = |key: &str, mm: f64| {
        json!({ "key": key, "name": key, "work": { "kind": "slab", "chocolate": "dark", "cover": {
            "by": "thickness", "thickness_mm": mm, "tray": { "shape": "saved", "tray_id": tray } } } })
    };
    let ask = |components: Vec<Value>, total_g: Option<f64>| {
        json!({ "room_c": 20, "rh_pct": 45, "components": components,
            "bowls": [{ "key": "dark", "family": "dark", "total_g": total_g }] })
    };
    let both = vec![slab("first", 4.0), slab("second", 5.0)];
    let plan = kitchen.post("/calc/plan", ask(both.clone(), None)).await.with(200);
    // 600 cm² at nine millimetres in all; 5 % stay behind once.
    let g = plan["bowls"][0]["plan"]["to_weigh_g"].as_f64().expect("g");
    assert!((g - 600.0 * 0.9 * 1.29 * 1.05).abs() < 0.02, "{g}");
    let codes: Vec<_> =
        plan["notes"].as_array().expect("notes").iter().map(|n| n["code"].clone()).collect();
    assert_eq!(codes, ["tray-shared"]);
    let over = kitchen.post("/calc/plan", ask(vec![slab("first", 13.0)], None)).await;
    let told = over.refuses("components[0].work.cover.thickness_mm");
    assert!(told.contains("the tray's rim of 12 mm"), "{told}");

    let more = kitchen.post("/calc/plan", ask(both.clone(), Some(1_000.0))).await.with(200);
    let left = &more["bowls"][0]["left_over"];
    assert!((left["mass_g"].as_f64().expect("g") - (1_000.0 - g)).abs() < 0.02, "{left}");
    for idea in left["ideas"].as_array().expect("ideas") {
        let mut with_it = both.clone();
        with_it.push(idea["component"].clone());
        let fits = kitchen.post("/calc/plan", ask(with_it, Some(1_000.0))).await.with(200);
        assert_eq!(fits["bowls"][0]["notes"], json!([]), "there is enough for it: {idea}");
    }
    let less = kitchen.post("/calc/plan", ask(both, Some(300.0))).await.with(200);
    assert_eq!(less["bowls"][0]["notes"][0]["code"], "too-little");
    let gone = json!({ "shape": "saved", "tray_id": Uuid::new_v4() });
    let mut stray = slab("first", 4.0);
    stray["work"]["cover"]["tray"] = gone;
    let told = kitchen.post("/calc/plan", ask(vec![stray], None)).await;
    assert_eq!(told.refuses("components[0].work.cover.tray.tray_id"), "is not a tray on the shelf");
}

#[actix_web::test]
async fn the_list_tells_what_a_batch_is_made_of_and_where_it_stands() {
    let kitchen = Kitchen::new().await;
    let kinds = kitchen.get("/kinds").await.with(200);
    let named = |name: &str| {
        let found = kinds.as_array().and_then(|all| all.iter().find(|kind| kind["name"] == name));
        json!({ "key": "it", "name": name, "work": found.expect("a kind")["start"] })
    };
    let batch = async |name: &str, bowls: Value| {
        let inputs = json!({ "room_c": 20, "rh_pct": 45, "bowls": bowls,
            "components": [named(name)] });
        let plan = kitchen.planned(json!({ "name": name, "inputs": inputs })).await;
        kitchen.begun(&plan).await
    };
    let sugar = batch("Boiled-sugar sheet", json!([])).await;
    let two = json!([{ "key": "dark", "family": "dark" }, { "key": "white", "family": "white" }]);
    let layered = batch("Layered bark", two).await;
    let line = async |id: &str| {
        let all = kitchen.batches().await;
        all.iter().find(|b| b["id"] == id).cloned().expect("listed")
    };
    let planned = line(&layered).await;
    assert_eq!(
        (&planned["families"], &planned["components"]),
        (&json!(["dark", "white"]), &json!(["Layered bark"]))
    );
    assert_eq!(line(&sugar).await["to_weigh_g"], 0.0);

    // It is under way as long as anything in it is still to be poured.
    let bowl = async |chocolate: &str| {
        let body = json!({ "chocolate": chocolate });
        let opened = kitchen.post(&format!("/batches/{layered}/bowls"), body).await.with(201);
        text(&opened["bowl"]["id"])
    };
    let told = kitchen.post(&format!("/batches/{layered}/bowls"), json!({})).await;
    assert_eq!(told.refuses("chocolate"), "must be one of dark, white");
    let (dark, white) = (bowl("dark").await, bowl("white").await);
    kitchen.act(&dark, json!({ "kind": "poured" })).await.with(201);
    let at_bench = line(&layered).await;
    assert_eq!((&at_bench["stage"], &at_bench["bowl_id"]), (&json!("under_way"), &json!(white)));
    kitchen.act(&white, json!({ "kind": "given_up", "reason": "seized" })).await.with(201);
    assert_eq!(line(&layered).await["stage"], "under_way", "the white layer is still to come");
    // Another white, and the layer goes on.
    let again = bowl("white").await;
    assert_ne!(again, white);
    kitchen.act(&again, json!({ "kind": "poured" })).await.with(201);
    assert_eq!(line(&layered).await["stage"], "made");

    let none = kitchen.post(&format!("/batches/{sugar}/bowls"), json!({})).await.with(409);
    assert!(text(&none["detail"]).contains("Nothing in this batch is tempered"), "{none}");
    kitchen.done(&sugar, "it/box", false).await;
    let boxed = line(&sugar).await;
    assert_eq!((&boxed["stage"], &boxed["unfinished"]), (&json!("made"), &json!(false)));
}

#[actix_web::test]
async fn a_rehearsal_teaches_neither_the_kitchen_nor_its_gear() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Bark").await;
    kitchen.done(&batch, "slab/line", false).await;
    let open = json!({ "simulated": true });
    let opened = kitchen.post(&format!("/batches/{batch}/bowls"), open).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    // Measured by hand from here on, and at the wall's pace: it was a rehearsal all the same.
    let real = json!({ "simulated": false, "rate": 1 });
    kitchen.put(&format!("/bowls/{bowl}/thermometer"), None, real).await.with(200);
    kitchen.tempered(&bowl).await;
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    for task in ["spread", "tap"] {
        kitchen.done(&batch, &format!("slab/{task}"), false).await;
    }
    kitchen.pass(TimeDelta::minutes(12));
    let guide = kitchen.done(&batch, "slab/touch-dry", true).await;
    assert!(guide["progress"][1]["pace"].as_f64().is_some_and(|pace| pace > 1.2), "{guide}");
    let shelf = kitchen.get("/shelf").await.with(200);
    for thing in shelf["things"].as_array().expect("things") {
        assert_eq!(thing["learned"], json!([]), "{thing}");
    }
}

/// The windows of a plan's step: what happens, how long after which step, s.
fn windows(step: &Value) -> Vec<(String, f64)> {
    ["opens", "closes"]
        .iter()
        .map(|end| &step["wait"][end])
        .filter(|due| !due.is_null())
        .map(|due| (text(&due["what"]["text"]), due["typical_s"].as_f64().expect("seconds")))
        .collect()
}

/// Tempers what a step is the first to take, and pours it: the bench asks for that step, in
/// its words.
async fn pour_at_the_bench(kitchen: &Kitchen, batch: &str, name: &str, first: &Value) {
    let body = json!({ "chocolate": first["chocolate"] });
    let opened = kitchen.post(&format!("/batches/{batch}/bowls"), body).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    let [lo, hi] = [0, 1].map(|end| opened["bowl"]["use_c"][end].as_f64().expect("a bound"));
    kitchen.tempered_at(&bowl, f64::midpoint(lo, hi)).await;
    let ready = kitchen.bowl_now(&bowl).await;
    assert_eq!(ready["advice"]["asks"]["kind"], "poured", "{name}: {}", ready["advice"]);
    let said = text(&ready["advice"]["say"]["text"]);
    let words = text(&first["text"]["text"]);
    // What waits for another chocolate of the piece is told with what it waits for.
    let told = said.starts_with(&words) || said.ends_with(&format!(": {words}"));
    assert!(told, "{name}: {said} for {words}");
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
}

#[actix_web::test]
async fn plan_bench_and_guide_of_every_kind_tell_one_story() {
    let kitchen = Kitchen::new().await;
    for kind in kitchen.get("/kinds").await.with(200).as_array().expect("kinds") {
        let name = text(&kind["name"]);
        let plan = kitchen.plan(&name).await;
        let mut inputs = kitchen.stated(&plan).await;
        let bowls = ["dark", "white"].map(|family| json!({ "key": family, "family": family }));
        let mut bowls: Vec<Value> = bowls.into();
        bowls.extend(kind["colours"].as_array().cloned().unwrap_or_default());
        inputs["bowls"] = bowls.into();
        inputs["fridge_c"] = 5.into();
        inputs["components"] = json!([{ "key": "it", "name": name, "work": kind["start"] }]);
        let kept = kitchen.restate(&plan, inputs).await.with(200);
        let planned: Vec<Value> = kept["plan"]["lines"]
            .as_array()
            .expect("lines")
            .iter()
            .flat_map(|line| line["steps"].as_array().cloned().unwrap_or_default())
            .collect();
        let batch = kitchen.begun(&plan).await;
        let guide = async || kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
        // The guide has the plan's steps, in its words.
        let steps: Vec<Value> = guide().await["progress"]
            .as_array()
            .expect("lines")
            .iter()
            .flat_map(|line| line["steps"].as_array().cloned().unwrap_or_default())
            .collect();
        let told = |steps: &[Value]| -> Vec<(String, String)> {
            let of = |step: &Value| (text(&step["key"]), text(&step["text"]["text"]));
            steps.iter().map(of).collect()
        };
        assert_eq!(told(&steps), told(&planned), "{name}");
        // What is poured at the bench is the first step of its line that takes the bowl.
        let first = planned.iter().find(|step| step["kind"] == "pouring");
        let line = |step: &Value| text(&step["key"]).split('/').next().map(str::to_owned);
        let of_it = |step: &&Value| {
            first.is_some_and(|f| step["tempered"] == f["tempered"] && line(step) == line(f))
        };
        let pour = planned.iter().find(of_it).filter(|_| first.is_some());
        let pour = pour.map(|step| step["key"].clone());
        // What is coming counts from what was done as the plan has it.
        for step in planned.iter().filter(|step| step["kind"] != "tempering") {
            if Some(&step["key"]) == pour.as_ref() {
                let first = first.expect("it is poured");
                pour_at_the_bench(&kitchen, &batch, &name, first).await;
                assert_eq!(guide().await["untempered"], json!([]), "{name}");
            } else if !text(&step["key"]).ends_with("/weigh") {
                kitchen.done(&batch, &text(&step["key"]), false).await;
            }
            let done = kitchen.now();
            let waits = |other: &&Value| other["wait"]["step"] == step["key"];
            for (what, after_s) in planned.iter().filter(waits).flat_map(windows) {
                let coming = guide().await["coming"].clone();
                let all = coming.as_array().expect("what is coming");
                let near = all.iter().filter(|one| text(&one["what"]["text"]) == what).any(|one| {
                    let at: DateTime<Utc> = text(&one["at"]).parse().expect("a time");
                    ((at - done).as_seconds_f64() - after_s).abs() < 5.0
                });
                let passed = after_s < 1.0;
                assert!(
                    near || passed,
                    "{name}, {}: {what} after {after_s} s is not in {coming:#}",
                    step["key"]
                );
            }
        }
        assert_eq!(guide().await["stage"], "made", "{name}");
    }
}

#[actix_web::test]
async fn no_long_task_is_begun_over_a_window_of_something_poured() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Shards beside sugar").await;
    let kinds = kitchen.get("/kinds").await.with(200);
    let start = |name: &str| {
        let kind = kinds.as_array().and_then(|all| all.iter().find(|kind| kind["name"] == name));
        kind.expect("such a kind")["start"].clone()
    };
    let mut inputs = kitchen.stated(&plan).await;
    inputs["components"] = json!([
        { "key": "shards", "name": "Shards", "work": start("Scored shards") },
        { "key": "sugar", "name": "Sugar", "work": start("Boiled-sugar sheet") },
    ]);
    kitchen.restate(&plan, inputs).await.with(200);
    let batch = kitchen.begun(&plan).await;
    for step in ["shards/line", "sugar/line", "sugar/weigh"] {
        kitchen.done(&batch, step, false).await;
    }
    let body = json!({ "chocolate": "dark" });
    let opened = kitchen.post(&format!("/batches/{batch}/bowls"), body).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    kitchen.tempered(&bowl).await;
    kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    for step in ["shards/spread", "shards/tap"] {
        kitchen.done(&batch, step, false).await;
    }
    // A quarter of an hour at the syrup would miss the scoring, which is not even next.
    let guide = kitchen.get(&format!("/batches/{batch}/guide")).await.with(200);
    assert_eq!(guide["now"]["step"], "shards/touch-dry", "{}", guide["now"]);
    assert_eq!(guide["now"]["state"], "wait");
    // A tick that comes late moves nothing that counts from the pour.
    let cut = |guide: &Value| {
        let coming = guide["coming"].as_array().expect("a list").clone();
        let found =
            coming.iter().find(|one| one["what"]["text"] == "soft enough to score").cloned();
        text(&found.expect("it is coming")["at"])
    };
    let before = cut(&guide);
    kitchen.pass(TimeDelta::minutes(2));
    let late = kitchen.done(&batch, "shards/pour", false).await;
    assert_eq!(cut(&late), before);
}
