//! The shelf: what stands on it, what is taken from it, what is learned of it.

use chrono::TimeDelta;
use craft::bowl::ActionKind;
use craft::pot::{Evening, Quirks, evening};
use serde_json::{Value, json};
use server::answer::bowl::Subject;
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    async fn put_on_shelf(&self, thing: Value, left: Option<f64>) -> String {
        let body = json!({ "thing": thing, "left": left });
        text(&self.post("/shelf", body).await.with(201)["id"])
    }

    async fn on_shelf(&self, id: &str) -> Value {
        let shelf = self.get("/shelf").await.with(200);
        let things = shelf["things"].as_array().expect("things");
        things.iter().find(|t| t["id"] == id).cloned().unwrap_or_default()
    }

    /// A plan's bowl changed and kept; the bowl's plan.
    async fn change(&self, plan: &str, change: Value) -> Value {
        let mut inputs = self.stated(plan).await;
        for (name, value) in change.as_object().expect("fields") {
            inputs["bowls"][0][name] = value.clone();
        }
        let changed = self.restate(plan, inputs).await.with(200);
        changed["plan"]["bowls"][0]["plan"].clone()
    }

    /// The plan of a plan's bowl.
    async fn bowl_plan(&self, plan: &str) -> Value {
        let planned = self.get(&format!("/plans/{plan}")).await.with(200);
        planned["plan"]["bowls"][0]["plan"].clone()
    }

    /// Opens a bowl and gives it the record of a simulated evening, up to the pour.
    async fn made(&self, plan: &str, quirks: Quirks, seed: u64) -> String {
        let bowl = text(&self.opened(plan).await["bowl"]["id"]);
        let id = Uuid::parse_str(&bowl).expect("an id");
        let row = store::bowls::get(&self.state.pool, id).await.expect("kept");
        let run = Subject::of(&row).expect("a plan").run;
        let told = evening(&run, &Evening { quirks, ..Evening::calm(seed) });
        let unpoured = told.record.actions().filter(|a| a.kind != ActionKind::Poured);
        let unpoured: Vec<_> = unpoured.cloned().collect();
        let mut connection = self.state.pool.acquire().await.expect("connected");
        let now = self.state.wall.now();
        store::append_all(&mut connection, id, told.record.readings(), &unpoured, now)
            .await
            .expect("kept");
        self.pass(told.ended - run.setup.opened + TimeDelta::seconds(5));
        self.act(&bowl, json!({ "kind": "poured" })).await.with(201);
        bowl
    }
}

fn galaxy() -> Value {
    json!({ "kind": "chocolate", "name": "Dark 64 %, the big bag", "family": "dark",
        "own": { "work_c": [30.5, 31.5], "fat_pct": 39 }, "flow_grade": 3, "lot": "Q-118",
        "best_before": "2031-05-01", "price_per_kg": 14.5, "label": "May contain hazelnut." })
}

#[actix_web::test]
async fn a_saved_chocolate_shows_its_own_numbers_beside_the_usual_ones() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.put_on_shelf(galaxy(), Some(1_200.0)).await;
    let kept = kitchen.on_shelf(&id).await;
    assert_eq!(kept["windows"]["work_c"], json!([30.5, 31.5]));
    assert_eq!(kept["usual"]["work_c"], json!([31.0, 32.0]));
    assert_eq!(kept["windows"]["melt_c"], kept["usual"]["melt_c"]);
    assert_eq!((&kept["left"], &kept["windows"]["own"]), (&json!(1200.0), &json!(true)));
    assert_eq!(kept["thing"]["label"], "May contain hazelnut.");
}

#[actix_web::test]
async fn every_calculation_takes_a_chocolate_from_the_shelf() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.put_on_shelf(galaxy(), None).await;
    let answer = async |name: &str, mut body: Value| {
        body["chocolate_id"] = id.clone().into();
        kitchen.post(&format!("/calc/{name}"), body).await.with(200)
    };
    let windows = answer("windows", json!({})).await;
    assert_eq!((&windows["work_c"], &windows["fat_pct"]), (&json!([30.5, 31.5]), &json!(39.0)));
    let seed = answer("seed", json!({ "total_g": 600, "melted_c": 45, "seed_c": 20 })).await;
    assert_eq!(seed["target_c"], 31.0);
    answer("ready-crystals", json!({ "mass_g": 500 })).await;
    let melt = json!({ "mass_g": 400, "start_c": 20, "target_c": 44, "watts": 800, "power": 0.5 });
    let fatter = answer("microwave", melt.clone()).await;
    let usual = kitchen.post("/calc/microwave", with(melt, "family", "dark")).await.with(200);
    assert!(fatter["seconds"].as_f64() > usual["seconds"].as_f64(), "fat takes more to melt");
    let tray = json!({ "shape": "area", "area_cm2": 600 });
    answer("slab", json!({ "tray": tray, "thickness_mm": 4 })).await;
    let readings = json!([{ "t_s": 0, "temp_c": 40 }, { "t_s": 40, "temp_c": 39 },
        { "t_s": 80, "temp_c": 38.1 }]);
    let cooling = json!({ "room_c": 20, "readings": readings, "targets_c": [32], "mass_g": 450 });
    assert!(answer("cooling", cooling).await["ua_w_k"].is_f64());

    let none = json!({ "chocolate_id": Uuid::new_v4() });
    let told = kitchen.post("/calc/windows", none).await.refuses("chocolate_id");
    assert_eq!(told, "is not a chocolate on the shelf");
    let two = json!({ "chocolate_id": id, "family": "milk" });
    kitchen.post("/calc/windows", two).await.refuses("family");
}

fn with(mut body: Value, name: &str, value: impl Into<Value>) -> Value {
    body[name] = value.into();
    body
}

#[actix_web::test]
async fn stock_goes_down_with_the_pour_and_up_with_what_is_returned() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.put_on_shelf(galaxy(), Some(300.0)).await;
    let plan = kitchen.plan("Comet bark").await;
    let planned = kitchen.change(&plan, json!({ "chocolate_id": id })).await;
    let stock = &planned["stock"];
    let needed = planned["to_weigh_g"].as_f64().expect("grams");
    assert_eq!(stock["notes"][0]["code"], "not-enough", "{stock}");
    let cost = stock["cost"].as_f64().expect("a cost");
    assert!((cost - needed * 14.5 / 1000.0).abs() < 0.01, "{stock}");

    let moves = format!("/shelf/{id}/moves");
    let bought = json!({ "id": Uuid::new_v4(), "kind": "bought", "amount": 1000 });
    assert_eq!(kitchen.post(&moves, bought.clone()).await.with(201)["left"], 1300.0);
    assert_eq!(kitchen.post(&moves, bought).await.with(200)["left"], 1300.0);
    let opened = kitchen.opened(&plan).await;
    let bowl = text(&opened["bowl"]["id"]);
    let melted = opened["plan"]["amounts"]["melted_g"].as_f64().expect("grams");
    let returned = json!({ "kind": "returned", "amount": 40, "bowl_id": bowl });
    kitchen.post(&moves, returned.clone()).await.refuses("bowl_id");

    kitchen.act(&bowl, json!({ "kind": "seed_added", "grams": 80 })).await.with(201);
    let poured = kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    let left = async || kitchen.on_shelf(&id).await["left"].as_f64().expect("grams");
    assert!((left().await - (1300.0 - melted - 80.0)).abs() < 0.02);

    // Undone, it is back; poured again, it is taken once.
    let undo = json!({ "kind": "undone", "undoes": poured["id"] });
    kitchen.act(&bowl, undo).await.with(201);
    assert!((left().await - 1300.0).abs() < 0.02);
    let pour = json!({ "id": Uuid::new_v4(), "kind": "poured" });
    kitchen.act(&bowl, pour.clone()).await.with(201);
    kitchen.act(&bowl, pour).await.with(200);
    kitchen.post(&moves, returned).await.with(201);
    assert!((left().await - (1300.0 - melted - 80.0 + 40.0)).abs() < 0.02);
    let shown = kitchen.get(&format!("/bowls/{bowl}")).await.with(200)["taken"].clone();
    assert!((shown["taken_g"].as_f64().expect("grams") - melted - 80.0).abs() < 0.02, "{shown}");
    assert_eq!(shown["returned_g"], 40.0);

    // A count is what there is.
    let counted = json!({ "kind": "counted", "amount": 512 });
    assert_eq!(kitchen.post(&moves, counted).await.with(201)["left"], 512.0);
}

#[actix_web::test]
async fn what_is_stirred_in_comes_out_of_its_own_bottle_at_the_pour() {
    let kitchen = Kitchen::new().await;
    let bag = kitchen.put_on_shelf(galaxy(), Some(2_000.0)).await;
    let bottle = json!({ "kind": "goods", "name": "Sunflower oil", "unit": "ml",
        "known": { "bulk_g_ml": 0.92 } });
    let oil = kitchen.put_on_shelf(bottle, Some(500.0)).await;
    let plan = kitchen.plan("Comet bark").await;
    let change = json!({ "chocolate_id": bag, "fat_added": { "fat": "oil", "share_pct": 2 } });
    kitchen.change(&plan, change).await;
    let opened = kitchen.opened(&plan).await;
    let bowl = text(&opened["bowl"]["id"]);
    let melted = opened["plan"]["amounts"]["melted_g"].as_f64().expect("grams");
    let poured = kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    let left = async |id: &str| kitchen.on_shelf(id).await["left"].as_f64().expect("so much");
    let of_oil = melted * 0.02;
    assert!((left(&oil).await - (500.0 - of_oil / 0.92)).abs() < 0.02);
    assert!((left(&bag).await - (2_000.0 - melted + of_oil)).abs() < 0.02);
    // What the bowl took of its chocolate is grams of chocolate alone.
    let shown = kitchen.get(&format!("/bowls/{bowl}")).await.with(200)["taken"].clone();
    let taken = shown["taken_g"].as_f64().expect("grams");
    assert!((taken - (melted - of_oil)).abs() < 0.02, "{shown}");
    assert_eq!(shown["chocolate_id"], bag);
    let undo = json!({ "kind": "undone", "undoes": poured["id"] });
    kitchen.act(&bowl, undo).await.with(201);
    assert!((left(&oil).await - 500.0).abs() < 0.02);
}

#[actix_web::test]
async fn a_new_plan_starts_from_the_kitchen_and_the_only_gear_there_is() {
    let kitchen = Kitchen::new().await;
    let ware = json!({ "kind": "ware", "name": "Blue glass", "material": "glass", "mass_g": 450 });
    let ware = kitchen.put_on_shelf(ware, None).await;
    for name in ["Old microwave", "New microwave"] {
        let heat =
            json!({ "kind": "heat", "name": name, "microwave": { "watts": 700, "power": 0.4 } });
        kitchen.put_on_shelf(heat, None).await;
    }
    let nil = Uuid::nil().to_string();
    let place = kitchen.on_shelf(&nil).await;
    assert_eq!(place["thing"]["kind"], "kitchen");
    let version = place["version"].as_u64().and_then(|v| u32::try_from(v).ok());
    let edited = json!({ "kind": "kitchen", "room_c": 18.5, "rh_pct": 55, "stone_c": 16,
        "fridge_c": 6, "at_hand": { "stone": true } });
    kitchen.put(&format!("/shelf/{nil}"), version, edited).await.with(200);

    let plan = kitchen.plan("Star bark").await;
    let inputs = kitchen.stated(&plan).await;
    let bowl = &inputs["bowls"][0];
    assert_eq!((&inputs["room_c"], &bowl["stone_c"]), (&json!(18.5), &json!(16.0)));
    assert_eq!((&bowl["ware_id"], &bowl["heat_id"]), (&json!(ware), &Value::Null));
    assert_eq!(bowl["kitchen"]["stone"], true);
    kitchen.delete(&format!("/shelf/{nil}")).await.with(409);
}

#[actix_web::test]
async fn bowls_teach_their_gear_and_a_reset_forgets() {
    let kitchen = Kitchen::new().await;
    let ware = json!({ "kind": "ware", "name": "Blue glass", "material": "glass", "mass_g": 450 });
    let ware = kitchen.put_on_shelf(ware, None).await;
    let heat = json!({ "kind": "heat", "name": "Old microwave",
        "microwave": { "watts": 800, "power": 0.4 } });
    let heat = kitchen.put_on_shelf(heat, None).await;
    let quirks = Quirks { efficiency: 0.38, loses: 1.3, ..Quirks::default() };
    let by = json!({ "method": "ready_crystals", "ware_id": ware, "heat_id": heat });
    let mut totals = Vec::new();
    let mut last = (String::new(), String::new());
    for seed in 0..3 {
        let plan = kitchen.plan("Ring bark").await;
        let planned = kitchen.change(&plan, by.clone()).await;
        totals.push(planned["microwave"]["seconds"].as_f64().expect("seconds"));
        last = (kitchen.made(&plan, quirks, seed).await, plan);
    }
    assert!(
        totals[0] < totals[1] && totals[1] < totals[2],
        "a weak microwave takes longer: {totals:?}"
    );
    let find = |thing: &Value, number: &str| {
        let learned = thing["learned"].as_array().expect("a list");
        learned.iter().find(|l| l["number"] == number).cloned().unwrap_or_default()
    };
    let efficiency = find(&kitchen.on_shelf(&heat).await, "efficiency");
    assert_eq!((&efficiency["bowls"], &efficiency["usual"]), (&json!(3), &json!(0.5)));
    let value = efficiency["value"].as_f64().expect("a share");
    assert!((value - 0.38).abs() < 0.06, "{efficiency}");
    let cooling = find(&kitchen.on_shelf(&ware).await, "cooling_ratio");
    assert!(cooling["value"].as_f64() > Some(1.05), "{cooling}");

    // What is undone teaches nothing, and forgetting a batch forgets no lesson.
    let actions = kitchen.get(&format!("/bowls/{}/actions", last.0)).await.with(200);
    let pour = actions.as_array().and_then(|a| a.last()).expect("a pour")["id"].clone();
    kitchen.act(&last.0, json!({ "kind": "undone", "undoes": pour })).await.with(201);
    assert_eq!(find(&kitchen.on_shelf(&heat).await, "efficiency")["bowls"], 2);
    for batch in kitchen.batches().await {
        kitchen.delete(&format!("/batches/{}", text(&batch["id"]))).await.with(204);
    }
    assert_eq!(find(&kitchen.on_shelf(&heat).await, "efficiency")["bowls"], 2);

    kitchen.delete(&format!("/shelf/{heat}/learned")).await.with(200);
    assert!(find(&kitchen.on_shelf(&heat).await, "efficiency").is_null());
    assert!(find(&kitchen.on_shelf(&ware).await, "cooling_ratio")["bowls"].is_u64());
}

#[actix_web::test]
async fn a_checked_thermometer_corrects_its_readings_and_keeps_what_was_sent() {
    let kitchen = Kitchen::new().await;
    let probe = json!({ "kind": "thermometer", "name": "Long probe", "checked_in": "ice_water",
        "showed_c": -0.7 });
    let probe = kitchen.put_on_shelf(probe, None).await;
    assert_eq!(kitchen.on_shelf(&probe).await["offset_c"], 0.7);
    let plan = kitchen.plan("Halo bark").await;
    kitchen.change(&plan, json!({ "thermometer_id": probe })).await;
    let bowl = text(&kitchen.opened(&plan).await["bowl"]["id"]);
    kitchen.read(&bowl, json!({ "temp_c": 44.3 })).await.with(201);
    let now = kitchen.bowl_now(&bowl).await;
    assert_eq!((&now["latest"]["temp_c"], &now["offset_c"]), (&json!(45.0), &json!(0.7)));
    let sent = kitchen.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    assert_eq!(sent[0]["temp_c"], 44.3);

    // Saved and brought in, it is the same bowl, with no need of the shelf.
    let saved = kitchen.get(&format!("/bowls/{bowl}/record.json")).await.with(200);
    assert_eq!(saved["readings"][0]["temp_c"], 44.3);
    let back = kitchen.post("/bowls", saved).await.with(201);
    assert_eq!(back["bowl"]["latest"]["temp_c"], 45.0);
    let batch = kitchen.get(&format!("/batches/{}", text(&back["batch_id"]))).await.with(200);
    let inputs = batch["stated"]["bowls"][0].clone();
    assert_eq!((&inputs["thermometer_id"], &inputs["offset_c"]), (&Value::Null, &json!(0.7)));
}

#[actix_web::test]
async fn plans_follow_the_shelf_and_bowls_do_not() {
    let kitchen = Kitchen::new().await;
    let id = kitchen.put_on_shelf(galaxy(), None).await;
    let plan = kitchen.plan("Dark bark").await;
    kitchen.change(&plan, json!({ "chocolate_id": id })).await;
    let bowl = text(&kitchen.opened(&plan).await["bowl"]["id"]);

    let mut warmer = galaxy();
    warmer["own"]["work_c"] = json!([31.2, 32.2]);
    let path = format!("/shelf/{id}");
    kitchen.put(&path, Some(1), warmer.clone()).await.with(200);
    kitchen.put(&path, Some(1), warmer.clone()).await.with(412);
    kitchen.put(&path, None, warmer).await.with(428);
    let planned = kitchen.bowl_plan(&plan).await;
    assert_eq!(planned["windows"]["work_c"], json!([31.2, 32.2]));
    assert_eq!(kitchen.bowl_now(&bowl).await["windows"]["work_c"], json!([30.5, 31.5]));

    // Put away, it is offered no more; the plan still knows it.
    kitchen.delete(&path).await.with(204);
    assert!(kitchen.on_shelf(&id).await.is_null());
    let planned = kitchen.bowl_plan(&plan).await;
    assert_eq!(planned["windows"]["work_c"], json!([31.2, 32.2]));
}

#[actix_web::test]
async fn what_cannot_stand_on_the_shelf_is_refused_by_name() {
    let kitchen = Kitchen::new().await;
    let refuses = async |thing: Value, field: &str| {
        kitchen.post("/shelf", json!({ "thing": thing })).await.refuses(field)
    };
    let mut bad = galaxy();
    bad["own"]["work_c"] = json!([33.0, 31.0]);
    bad["flow_grade"] = json!(9);
    let told = refuses(bad.clone(), "own.work_c").await;
    assert!(told.contains("must run upward"), "{told}");
    assert!(refuses(bad, "flow_grade").await.contains("1 to 5"));
    let blend = with(
        galaxy(),
        "blend",
        json!([{ "family": "dark", "share_pct": 60 }, { "family": "milk", "share_pct": 30 }]),
    );
    assert!(refuses(blend, "blend").await.contains("adds up to 90.0 %"));
    let nameless = json!({ "kind": "ware", "name": " ", "material": "steel", "mass_g": 3 });
    assert!(refuses(nameless.clone(), "name").await.contains("it is empty"));
    assert!(refuses(nameless, "mass_g").await.contains("10 to 10000 g"));
    let far_off = json!({ "kind": "thermometer", "name": "Old one", "checked_in": "ice_water",
        "showed_c": 9 });
    assert!(refuses(far_off, "showed_c").await.contains("not to be corrected but replaced"));
    let half = json!({ "kind": "thermometer", "name": "Old one", "checked_in": "body" });
    refuses(half, "showed_c").await;
    refuses(json!({ "kind": "kitchen" }), "thing").await;
    let hot =
        json!({ "kind": "heat", "name": "Forge", "microwave": { "watts": 9000, "power": 1 } });
    refuses(hot, "microwave.watts").await;
    let counted_bowl =
        json!({ "kind": "ware", "name": "Bowl", "material": "steel", "mass_g": 300 });
    let body = json!({ "thing": counted_bowl, "left": 5 });
    kitchen.post("/shelf", body).await.refuses("left");
    assert_eq!(kitchen.get("/shelf").await.with(200)["things"].as_array().map(Vec::len), Some(1));

    let id = kitchen.put_on_shelf(galaxy(), None).await;
    let moves = format!("/shelf/{id}/moves");
    kitchen.post(&moves, json!({ "kind": "taken", "amount": 5 })).await.refuses("kind");
    kitchen.post(&moves, json!({ "kind": "bought", "amount": -5 })).await.refuses("amount");
    kitchen.post(&moves, json!({ "kind": "returned", "amount": 5 })).await.refuses("bowl_id");
    let other_kind = json!({ "kind": "heat", "name": "Now a stove" });
    kitchen.put(&format!("/shelf/{id}"), Some(1), other_kind).await.refuses("kind");
    let plan = kitchen.plan("A slab").await;
    let mut inputs = kitchen.stated(&plan).await;
    inputs["bowls"][0]["ware_id"] = json!(id);
    let told = kitchen.restate(&plan, inputs).await;
    assert_eq!(told.refuses("inputs.bowls[0].ware_id"), "is not a bowl on the shelf");
}
