//! From one topping and one mixed-in good to several.

use serde_json::{Map, Value, json};

/// Wherever one of each stood there is a list: in what is stated, and in what was worked out
/// from it, where each is named after the goods that were weighed out.
pub(super) fn several_goods(value: &mut Value) {
    match value {
        Value::Array(all) => all.iter_mut().for_each(several_goods),
        Value::Object(fields) => {
            if let Some(mixed) = fields.remove("mixed_in") {
                let mixed = listed(mixed, fields, "mixed in", by_amount);
                fields.insert("mixed_in".to_owned(), mixed);
            }
            if let Some(topping) = fields.remove("topping") {
                let toppings = listed(topping, fields, "on top", |_| ());
                fields.insert("toppings".to_owned(), toppings);
            }
            fields.values_mut().for_each(several_goods);
        }
        _ => {}
    }
}

/// One thing, or none, as a list of such.
fn listed(
    one: Value,
    beside: &Map<String, Value>,
    goes: &str,
    change: fn(&mut Map<String, Value>),
) -> Value {
    // What is a list already was written by a release that knew of several.
    let Value::Object(mut one) = one else {
        return if one.is_array() { one } else { json!([]) };
    };
    change(&mut one);
    if !one.contains_key("name") {
        one.remove("notes");
        let goods = beside.get("goods").and_then(Value::as_array).into_iter().flatten();
        let name = goods.filter(|good| good["goes"] == goes).find_map(|good| good.get("name"));
        one.insert("name".to_owned(), name.cloned().unwrap_or_else(|| goes.into()));
    }
    json!([one])
}

/// Parts to one of chocolate are one amount of several.
fn by_amount(mixed: &mut Map<String, Value>) {
    if let Some(parts) = mixed.remove("parts") {
        mixed.insert("amount".to_owned(), json!({ "by": "parts", "parts": parts }));
    }
}
