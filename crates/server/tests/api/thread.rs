//! From the boxes that are wanted to what is bought, counted, packed, costed and labelled.

use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

impl Kitchen {
    async fn thing(&self, thing: Value, left: Option<f64>) -> String {
        text(&self.post("/shelf", json!({ "thing": thing, "left": left })).await.with(201)["id"])
    }

    async fn there_is(&self, id: &str) -> f64 {
        let shelf = self.get("/shelf").await.with(200);
        let things = shelf["things"].as_array().expect("things");
        let thing = things.iter().find(|thing| thing["id"] == id).expect("it is there");
        thing["left"].as_f64().expect("it is counted")
    }

    /// A plan of clusters in six bags of three; what it names on the shelf.
    async fn bagged(&self) -> (String, String, String) {
        let dark = json!({ "kind": "chocolate", "name": "Dark, the big bag", "family": "dark",
            "price_per_kg": 12, "pack_g": 500, "best_before": "2041-03-01",
            "label": "Cocoa mass, sugar, cocoa butter, emulsifier (soya lecithin).",
            "allergens": { "contains": ["soya"], "may_contain": ["milk"] } });
        let dark = self.thing(dark, Some(50.0)).await;
        let bags = json!({ "kind": "goods", "name": "clear bags", "unit": "piece",
            "sort": "packaging", "pack_size": 10, "pack_price": 2 });
        let bags = self.thing(bags, Some(8.0)).await;
        let work = json!({ "kind": "clusters", "chocolate": "dark", "count": 20, "each_g": 12,
            "mixed_in": [{ "name": "puffed cereal", "density_g_cm3": 0.3,
                "amount": { "by": "parts", "parts": 0.4 } }] });
        let inputs = json!({ "room_c": 20, "rh_pct": 45,
            "bowls": [{ "key": "dark", "family": "dark", "chocolate_id": dark }],
            "components": [{ "key": "clusters", "name": "Comet clusters", "work": work }],
            "packing": { "of": "bags", "count": 6, "each": [{ "component": "clusters", "pieces": 3 }],
                "wrapping": [{ "name": "clear bags", "goods_id": bags, "count": 1 }] } });
        let plan = self.planned(json!({ "name": "Comets in bags", "inputs": inputs })).await;
        (plan, dark, bags)
    }
}

#[actix_web::test]
async fn bags_say_what_they_take_and_enough_is_made_of_it() {
    let kitchen = Kitchen::new().await;
    let (plan, ..) = kitchen.bagged().await;
    let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let packing = &planned["plan"]["packing"];
    assert_eq!((&packing["fills"], &packing["kinds"][0]["make"]), (&json!(6), &json!(20.0)));
    let mut inputs = planned["inputs"].clone();
    inputs["packing"]["count"] = json!(10);
    let short = kitchen.post("/calc/plan", inputs.clone()).await.with(200);
    assert_eq!(short["packing"]["fills"], 6);
    assert_eq!(short["packing"]["notes"][0]["code"], "packing-short");
    let enough = kitchen.post("/calc/plan/enough", inputs.clone()).await.with(200);
    assert_eq!(enough["inputs"]["components"][0]["work"]["count"], 33);
    assert_eq!(enough["by_hand"], json!([]));
    inputs["packing"]["each"][0]["component"] = json!("moons");
    kitchen.post("/calc/plan", inputs.clone()).await.refuses("packing.each[0].component");
    inputs["packing"]["each"] = json!([]);
    kitchen.post("/calc/plan", inputs).await.refuses("packing.each");
}

#[actix_web::test]
async fn what_is_ticked_off_the_list_goes_to_stock_and_can_be_taken_back() {
    let kitchen = Kitchen::new().await;
    let (plan, dark, bags) = kitchen.bagged().await;
    let list = async || kitchen.get(&format!("/shopping?plans={plan}")).await.with(200);
    let line = |list: &Value, id: &str| -> Value {
        let lines = list["lines"].as_array().expect("lines").clone();
        lines.into_iter().find(|line| line["thing_id"] == id).expect("it is on it")
    };
    let before = list().await;
    let dark_line = line(&before, &dark);
    assert_eq!(
        (&dark_line["packs"], &dark_line["cost"]),
        (&json!(1.0), &json!(6.0)),
        "{dark_line}"
    );
    assert_eq!(line(&before, &bags)["short"], 0.0);
    let twice = kitchen.get(&format!("/shopping?plans={plan},{plan}")).await.with(200);
    assert_eq!(line(&twice, &bags)["short"], 4.0, "two of them want twelve bags");
    let id = Uuid::new_v4();
    let bought = json!({ "id": id, "kind": "bought", "amount": dark_line["bought"] });
    kitchen.post(&format!("/shelf/{dark}/moves"), bought).await.with(201);
    assert_eq!(line(&list().await, &dark)["short"], 0.0);
    assert_eq!(kitchen.there_is(&dark).await, 550.0);
    kitchen.delete(&format!("/shelf/{dark}/moves/{id}")).await.with(200);
    assert_eq!(kitchen.there_is(&dark).await, 50.0);
    // The first count is no mistake of the shop, and what is not there cannot be taken back.
    kitchen.delete(&format!("/shelf/{dark}/moves/{dark}")).await.with(404);
    kitchen.delete(&format!("/shelf/{dark}/moves/{id}")).await.with(404);
    kitchen.get("/shopping?plans=moon").await.refuses("plans");
    kitchen.get(&format!("/shopping?plans={}", Uuid::new_v4())).await.with(404);
    let none = kitchen.get("/shopping").await.with(200);
    assert_eq!((&none["plans"], &none["total"]), (&json!([]), &json!(0.0)), "none has a date");
}

#[actix_web::test]
async fn the_list_is_a_table_too() {
    let kitchen = Kitchen::new().await;
    let (plan, ..) = kitchen.bagged().await;
    let list = kitchen.get(&format!("/shopping?plans={plan}")).await.with(200);
    let table = kitchen.file(&format!("/shopping/csv?plans={plan}")).await;
    let mut rows = csv::Reader::from_reader(table.as_slice());
    let rows: Vec<csv::StringRecord> = rows.records().collect::<Result<_, _>>().expect("rows");
    let lines = list["lines"].as_array().expect("lines");
    assert_eq!(rows.len(), lines.len());
    for (row, line) in rows.iter().zip(lines) {
        assert_eq!(row.get(1), line["name"].as_str());
        let short = row.get(4).and_then(|short| short.parse::<f64>().ok());
        assert_eq!(short, line["short"].as_f64(), "{row:?} {line}");
    }
}

#[actix_web::test]
async fn what_was_counted_fills_bags_takes_them_from_the_shelf_and_teaches_spares() {
    let kitchen = Kitchen::new().await;
    let (plan, _, bags) = kitchen.bagged().await;
    let spare = async || {
        let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
        let kind = planned["plan"]["packing"]["kinds"][0].clone();
        (kind["spare_pct"].clone(), kind["learned"].clone())
    };
    assert_eq!(spare().await, (json!(10.0), json!(false)));
    for (whole, broken, fills, left) in
        [(17.0, 3.0, 5, 2.0), (19.0, 1.0, 6, 1.0), (24.0, 1.0, 6, 6.0)]
    {
        let batch = kitchen.begun(&plan).await;
        let count = json!({ "id": Uuid::new_v4(),
            "made": [{ "component": "clusters", "whole": whole, "broken": broken }] });
        let path = format!("/batches/{batch}/counts");
        kitchen.post(&path, count.clone()).await.with(201);
        let said = kitchen.post(&path, count).await.with(200);
        assert_eq!((&said["fills"], &said["made"][0]["left"]), (&json!(fills), &json!(left)));
        let kept = kitchen.get(&format!("/batches/{batch}")).await.with(200);
        assert_eq!(kept["counted"], said, "the batch tells the same");
        let before = kitchen.there_is(&bags).await;
        kitchen.done(&batch, "=packing/count", false).await;
        assert_eq!(kitchen.there_is(&bags).await, before, "counting takes none");
        kitchen.done(&batch, "=packing/pack", false).await;
        assert_eq!(kitchen.there_is(&bags).await, (before - f64::from(fills)).max(0.0));
        let cost = kitchen.get(&format!("/batches/{batch}/cost")).await.with(200);
        let total = cost["total"].as_f64().expect("a sum");
        let each = cost["box_whole"].as_f64().expect("bags");
        assert!((each - total / f64::from(fills)).abs() < 1e-3, "{cost}");
    }
    // Fifteen, five and four of a hundred broke: the middle one, made up for.
    assert_eq!(spare().await, (json!(6.0), json!(true)));
}

#[actix_web::test]
async fn a_count_that_cannot_be_is_refused_by_its_field_and_nothing_is_kept() {
    let kitchen = Kitchen::new().await;
    let (plan, ..) = kitchen.bagged().await;
    let batch = kitchen.begun(&plan).await;
    let path = format!("/batches/{batch}/counts");
    let count = async |made: Value| kitchen.post(&path, json!({ "made": made })).await;
    count(json!([])).await.refuses("made");
    count(json!([{ "component": "moons", "whole": 1 }])).await.refuses("made[0].component");
    count(json!([{ "component": "clusters", "whole": -1 }])).await.refuses("made[0].whole");
    let twice =
        json!([{ "component": "clusters", "whole": 1 }, { "component": "clusters", "whole": 2 }]);
    count(twice).await.refuses("made[1].component");
    assert!(kitchen.get(&format!("/batches/{batch}")).await.with(200)["counted"].is_null());
    let other = format!("/batches/{}/counts", Uuid::new_v4());
    let made = json!({ "made": [{ "component": "clusters", "whole": 1 }] });
    kitchen.post(&other, made).await.with(404);
}

#[actix_web::test]
async fn the_cost_of_a_batch_is_that_of_when_it_was_begun() {
    let kitchen = Kitchen::new().await;
    let (plan, dark, _) = kitchen.bagged().await;
    let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let batch = kitchen.begun(&plan).await;
    let cost = async || kitchen.get(&format!("/batches/{batch}/cost")).await.with(200);
    let before = cost().await;
    assert_eq!(before["total"], planned["plan"]["cost"]["total"], "nothing went in yet");
    assert_eq!(before["unpriced"], json!(["puffed cereal"]));
    let dear = json!({ "kind": "chocolate", "name": "Dark, the big bag", "family": "dark",
        "price_per_kg": 120 });
    kitchen.put(&format!("/shelf/{dark}"), Some(1), dear).await.with(200);
    assert_eq!(cost().await, before, "what it cost then is what it cost");
    let now = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    assert_ne!(now["plan"]["cost"]["total"], before["total"]);
}

#[actix_web::test]
async fn labels_tell_of_all_that_was_on_the_bench_that_day() {
    let kitchen = Kitchen::new().await;
    let (plan, ..) = kitchen.bagged().await;
    let as_planned = kitchen.get(&format!("/plans/{plan}/labels")).await.with(200);
    assert!(as_planned["lot"].is_null());
    let whole = &as_planned["labels"][0];
    assert!(whole["component"].is_null() && whole["net_g"] == 36.0, "{whole}");
    assert_eq!(whole["contains"], json!(["soya"]));
    assert_eq!(whole["may_contain"], json!(["milk"]));
    assert_eq!(whole["unread"], json!(["puffed cereal"]));
    let mut first = whole["ingredients"][0].clone();
    assert_eq!(first["of"].as_array().map(Vec::len), Some(4), "{first}");
    assert_eq!(first["name"].take(), "dark chocolate");
    // A batch with nuts on the same day: the nut-free one may have traces of them.
    let nuts = json!({ "room_c": 20, "rh_pct": 45, "bowls": [{ "key": "dark", "family": "dark" }],
        "components": [{ "key": "bark", "name": "Bark", "work": { "kind": "slab",
            "chocolate": "dark", "lining": "parchment",
            "mixed_in": [{ "name": "hazelnut bits", "density_g_cm3": 1.0,
                "amount": { "by": "grams", "mass_g": 60 } }],
            "cover": { "by": "spread", "in_hand_g": 400, "thickness_mm": 6 } } }] });
    let nuts = kitchen.planned(json!({ "name": "Nut bark", "inputs": nuts })).await;
    let batch = kitchen.begun(&plan).await;
    let alone = kitchen.get(&format!("/batches/{batch}/labels")).await.with(200);
    assert_eq!(alone["labels"][0]["may_contain"], json!(["milk"]));
    let nutty = kitchen.begun(&nuts).await;
    let beside = kitchen.get(&format!("/batches/{batch}/labels")).await.with(200);
    assert_eq!(beside["labels"][0]["may_contain"], json!(["milk", "hazelnuts"]));
    let other = kitchen.get(&format!("/batches/{nutty}/labels")).await.with(200);
    assert_eq!(other["labels"][0]["contains"], json!(["hazelnuts"]));
    let lot = text(&beside["lot"]);
    assert!(lot.starts_with('L') && lot.len() == 11 && lot != text(&other["lot"]), "{lot}");
    assert_eq!(beside["label"]["places"].as_array().map(Vec::len), Some(8));
    // The sheets are the kitchen's; a grid that does not go on the paper is refused.
    let sheet = json!({ "paper": "letter", "columns": 3, "rows": 10, "width_mm": 66, "height_mm": 25,
        "gap_x_mm": 3, "gap_y_mm": 0, "left_mm": 5, "top_mm": 12 });
    let place = |sheet: Value| json!({ "kind": "kitchen", "label_sheet": sheet, "maker": "Q" });
    let id = Uuid::nil();
    kitchen.put(&format!("/shelf/{id}"), Some(1), place(sheet.clone())).await.with(200);
    let now = kitchen.get(&format!("/batches/{batch}/labels")).await.with(200);
    assert_eq!(
        (now["label"]["places"].as_array().map(Vec::len), &now["maker"]),
        (Some(30), &json!("Q"))
    );
    let mut wide = sheet;
    wide["columns"] = json!(4);
    kitchen.put(&format!("/shelf/{id}"), Some(2), place(wide)).await.refuses("label_sheet.columns");
}

#[actix_web::test]
async fn the_shelf_today_tells_what_runs_out_what_expires_and_what_it_is_enough_for() {
    let kitchen = Kitchen::new().await;
    let (plan, dark, _) = kitchen.bagged().await;
    let today = async || kitchen.get("/shelf/today").await.with(200);
    let bare = today().await;
    assert_eq!(bare["runs_out"], json!([]), "no plan has a date, and nothing is used up");
    assert_eq!(bare["enough_for"], json!([]));
    let soon = kitchen.now().date_naive() + chrono::Days::new(3);
    let cream = json!({ "kind": "goods", "name": "cream", "unit": "ml", "best_before": soon });
    let cream = kitchen.thing(cream, Some(200.0)).await;
    let mut planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
    let mut inputs = planned["inputs"].take();
    inputs["when"] = json!({ "ready_by": "2041-10-12T16:00:00Z" });
    let body = json!({ "name": "Comets", "note": "", "inputs": inputs });
    kitchen.put(&format!("/plans/{plan}"), Some(1), body).await.with(200);
    let due = today().await;
    let names: Vec<_> =
        due["runs_out"].as_array().expect("things").iter().map(|one| text(&one["name"])).collect();
    assert!(names.contains(&"Dark, the big bag".to_owned()), "{due}");
    assert_eq!(due["expires"][0]["id"], json!(cream));
    let bought = json!({ "kind": "bought", "amount": 1_000 });
    kitchen.post(&format!("/shelf/{dark}/moves"), bought).await.with(201);
    let cereal = json!({ "kind": "goods", "name": "puffed cereal", "unit": "g" });
    kitchen.thing(cereal, Some(500.0)).await;
    let enough = today().await;
    assert_eq!((&enough["runs_out"], &enough["enough_for"][0]["id"]), (&json!([]), &json!(plan)));
}

#[actix_web::test]
async fn bowls_teach_how_long_their_maker_takes_and_the_days_follow() {
    let kitchen = Kitchen::new().await;
    let plan = kitchen.plan("Slow bowls").await;
    let takes = async || {
        let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200);
        let lines = planned["plan"]["lines"].as_array().expect("lines").clone();
        let steps = lines.iter().flat_map(|line| line["steps"].as_array().expect("steps").clone());
        let temper = steps.into_iter().find(|step| step["key"] == "@dark/temper");
        temper.expect("it is tempered")["takes"]["typical_s"].as_f64().expect("seconds")
    };
    let usual = takes().await;
    for _ in 0..2 {
        let opened = kitchen.opened(&plan).await;
        let bowl = text(&opened["bowl"]["id"]);
        kitchen.pass(chrono::TimeDelta::hours(2));
        kitchen.tempered(&bowl).await;
        kitchen.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    }
    let slow = takes().await;
    assert!(slow > usual * 1.5, "{slow} {usual}");
    let shelf = kitchen.get("/shelf").await.with(200);
    let things = shelf["things"].as_array().expect("things");
    let learned = things.iter().flat_map(|thing| thing["learned"].as_array().expect("a list"));
    let pace = learned.into_iter().find(|one| one["number"] == "tempering_pace");
    assert_eq!(pace.expect("it was learned")["bowls"], 2);
    // Whoever has another habit now forgets it, with all else that the kitchen learned.
    kitchen.delete(&format!("/shelf/{}/learned", Uuid::nil())).await.with(200);
    assert!((takes().await - usual).abs() < 1e-9);
}
