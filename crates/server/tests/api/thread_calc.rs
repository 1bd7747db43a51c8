//! From boxes wanted to the label: the calculations keep to their contract.

use serde_json::{Value, json};

use crate::kitchen::{Kitchen, text};

fn shells(change: impl FnOnce(&mut Value)) -> Value {
    let mut body = json!({
        "tasks": [
            { "key": "pour", "minutes": 60, "uses": ["mould 1"] },
            { "key": "fill", "minutes": 30, "after": [{ "key": "pour", "least_min": 480 }] },
            { "key": "cap", "minutes": 30, "after": [{ "key": "fill", "least_min": 240, "most_min": 1440 }] },
        ],
        "ready_by": "2030-10-12T18:00:00+02:00",
        "zone": "Europe/Oslo",
        "hours": [{ "weekdays": [1, 2, 3, 4, 5, 6, 7], "from": "08:00", "to": "22:00" }],
    });
    change(&mut body);
    body
}

#[actix_web::test]
async fn tasks_are_put_in_order_backward_and_forward() {
    let kitchen = Kitchen::new().await;
    let back = kitchen.post("/calc/schedule", shells(|_| {})).await.with(200);
    let slots = back["slots"].as_array().expect("slots");
    let times: Vec<_> = slots.iter().map(|slot| text(&slot["from"])).collect();
    assert_eq!(times, ["2030-10-11T19:00:00Z", "2030-10-12T11:00:00Z", "2030-10-12T15:30:00Z"]);
    assert_eq!((&back["late_min"], &back["broken"]), (&json!(0.0), &json!([])));
    assert_eq!(back["latest_start"], back["begin"]);
    let late = shells(|body| body["begin"] = json!("2030-10-12T08:00:00+02:00"));
    let late = kitchen.post("/calc/schedule", late).await.with(200);
    assert_eq!(late["late_min"], 240.0, "{late}");
    let past = shells(|body| body["ready_by"] = json!("2001-10-12T18:00:00Z"));
    let past = kitchen.post("/calc/schedule", past).await.with(200);
    assert_eq!(past["notes"][0]["code"], "begins-in-the-past");
}

#[actix_web::test]
async fn what_cannot_be_put_in_order_is_refused_by_its_field() {
    let kitchen = Kitchen::new().await;
    let refused = async |change: &dyn Fn(&mut Value)| -> Vec<String> {
        let refused = kitchen.post("/calc/schedule", shells(change)).await.with(422);
        let fields = refused["fields"].as_array().cloned().unwrap_or_default();
        fields.iter().map(|fault| text(&fault["field"])).collect()
    };
    assert_eq!(refused(&|b| b["hours"] = json!([])).await, ["hours"]);
    assert_eq!(refused(&|b| b["hours"][0]["to"] = json!("25:00")).await, ["hours[0].to"]);
    assert_eq!(refused(&|b| b["zone"] = json!("Moon/Base")).await, ["zone"]);
    let unknown = |b: &mut Value| b["tasks"][1]["after"][0]["key"] = json!("nothing");
    assert_eq!(refused(&unknown).await, ["tasks[1].after[0].key"]);
    let circle = |b: &mut Value| b["tasks"][0]["after"] = json!([{ "key": "cap" }]);
    assert_eq!(refused(&circle).await.len(), 1);
    let neither = |b: &mut Value| drop(b.as_object_mut().expect("a body").remove("ready_by"));
    assert_eq!(refused(&neither).await, ["ready_by"]);
}

#[actix_web::test]
async fn boxes_shopping_and_cost_add_up() {
    let kitchen = Kitchen::new().await;
    let boxes = json!({ "boxes": 12, "spare_pct": 10,
        "each": [{ "component": "moons", "pieces": 3 }, { "component": "bark", "grams": 50 }] });
    let make = kitchen.post("/calc/boxes", boxes).await.with(200);
    let expected =
        json!([{ "component": "moons", "pieces": 40.0 }, { "component": "bark", "grams": 660.0 }]);
    assert_eq!(make["make"], expected);
    let none = json!({ "boxes": 12, "each": [] });
    assert_eq!(kitchen.post("/calc/boxes", none).await.with(422)["fields"][0]["field"], "each");
    let shopping = json!({
        "needs": [{ "item": "dark", "amount": 800, "unit": "g" }, { "item": "boxes", "amount": 30, "unit": "piece" }],
        "stock": [{ "item": "dark", "amount": 250, "unit": "g" }],
        "packs": [{ "item": "dark", "amount": 500, "price": 7.5 }],
    });
    let list = kitchen.post("/calc/shopping", shopping).await.with(200);
    assert_eq!(
        (&list["list"][0]["packs"], &list["list"][0]["short"]),
        (&json!(2.0), &json!(550.0))
    );
    assert_eq!((&list["total"], &list["unpriced"]), (&json!(15.0), &json!(["boxes"])));
    let nothing = json!({ "needs": [], "packs": [{ "item": "dark", "amount": 0 }] });
    let refused = kitchen.post("/calc/shopping", nothing).await.with(422);
    assert_eq!(refused["fields"][0]["field"], "packs[0].amount");
    let cost = json!({ "parts": [{ "amount_g": 350, "price_per_kg": 12.0 }, { "name": "salt", "amount_g": 2 }],
        "packaging": [{ "count": 5, "price": 0.4 }], "pieces": 20, "margin_pct": 50 });
    let cost = kitchen.post("/calc/cost", cost).await.with(200);
    assert_eq!(
        (&cost["total"], &cost["per_piece"], &cost["price"]),
        (&json!(6.2), &json!(0.31), &json!(12.4))
    );
    assert_eq!(cost["unpriced"], json!(["salt"]));
}

#[actix_web::test]
async fn a_label_says_what_is_in_it_most_first() {
    let kitchen = Kitchen::new().await;
    let parts = json!([
        { "name": "hazelnuts", "grams": 60 },
        { "name": "milk chocolate", "grams": 200, "allergens": ["milk"], "may_contain": ["nuts", "sesame"],
          "label_text": "sugar, cocoa butter, milk powder, emulsifier (soya lecithin)" },
    ]);
    let label = kitchen
        .post("/calc/label", json!({ "parts": parts, "beside": ["peanuts"] }))
        .await
        .with(200);
    assert_eq!(label["ingredients"][0]["name"], "milk chocolate");
    assert_eq!(
        label["ingredients"][0]["of"][3],
        json!({ "name": "emulsifier (soya lecithin)", "allergen": true })
    );
    assert_eq!(label["contains"], json!(["milk", "soya", "hazelnuts"]));
    assert_eq!(label["may_contain"], json!(["nuts", "peanuts", "sesame"]));
    let odd = json!({ "parts": [{ "name": "dark", "grams": -1, "label_text": "sugar\u{7}", "allergens": ["dust"] }] });
    let refused = kitchen.post("/calc/label", odd).await.with(422);
    let fields = refused["fields"].as_array().cloned().unwrap_or_default();
    let fields: Vec<_> = fields.iter().map(|fault| text(&fault["field"])).collect();
    assert_eq!(fields, ["parts[0].allergens[0]", "parts[0].grams", "parts[0].label_text"]);
}
