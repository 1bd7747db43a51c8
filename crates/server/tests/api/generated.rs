//! Requests made up from our own description: whatever it allows or forbids, nothing breaks, and
//! what is answered is what it says.

use std::collections::HashMap;

use jsonschema::Validator;
use rand::seq::IndexedRandom;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use serde_json::{Map, Value, json};
use uuid::Uuid;

use crate::kitchen::Kitchen;

/// So many requests; `WIDE_SHEEN_REQUESTS=10000` for a long run.
fn requests() -> usize {
    std::env::var("WIDE_SHEEN_REQUESTS").ok().and_then(|n| n.parse().ok()).unwrap_or(1_200)
}

/// Another lot of them: `WIDE_SHEEN_SEED=2`.
fn seed() -> u64 {
    std::env::var("WIDE_SHEEN_SEED").ok().and_then(|n| n.parse().ok()).unwrap_or(1)
}

/// What stands on the shelf is filled in over these: what was sent there is not looked at.
const FILLED_IN: [&str; 7] =
    ["setting_pace", "tempering_pace", "learned", "offset_c", "microwave", "bowl", "flow_grade"];

/// What is not JSON in and out: streams never end, the rest has tests of its own.
fn is_left_out(path: &str, operation: &Value) -> bool {
    let of = |part: &str| operation.pointer(part).and_then(Value::as_object).cloned();
    let body = of("/requestBody/content");
    path.ends_with("/stream")
        || path.ends_with("/archive")
        // Once it is set, nothing else is answered.
        || path.ends_with("/passphrase")
        || body.is_some_and(|content| !content.contains_key("application/json"))
}

/// A sentence with a temperature or a mass in it that is not sent beside it as a number.
fn written_out(answer: &Value) -> Option<&str> {
    // A refusal's detail is its one field's words again.
    const SAID_ELSEWHERE: [&str; 1] = ["detail"];
    match answer {
        Value::Array(items) => items.iter().find_map(written_out),
        Value::Object(object) => object.iter().find_map(|(name, value)| match value {
            Value::String(text) => {
                let is_said = object.contains_key("template") || name == "template";
                let passes = is_said || SAID_ELSEWHERE.contains(&name.as_str());
                (!passes && has_quantity(text)).then_some(text.as_str())
            }
            other => written_out(other),
        }),
        _ => None,
    }
}

fn has_quantity(text: &str) -> bool {
    let words: Vec<&str> = text
        .split(|c: char| c.is_whitespace() || ",.;:()".contains(c))
        .filter(|word| !word.is_empty())
        .collect();
    words.windows(2).any(|pair| {
        pair[0].ends_with(|c: char| c.is_ascii_digit()) && matches!(pair[1], "°C" | "°F" | "g")
    })
}

#[test]
fn a_quantity_that_is_written_out_is_found() {
    let said = |text: &str| json!({ "notes": [{ "code": "a", "text": text }] });
    assert!(written_out(&said("Warm it to 31.5 °C.")).is_some());
    assert!(written_out(&said("Warm it.")).is_none());
    let mut worded = said("Add 12 g of it.");
    worded["notes"][0]["template"] = json!("Add {much} of it.");
    assert!(written_out(&worded).is_none());
}

struct Operation {
    method: String,
    path: String,
    told: Value,
}

/// Makes up what a schema allows, and now and then what it does not.
struct Maker<'a> {
    schemas: &'a Map<String, Value>,
    chance: ChaCha8Rng,
    /// What is there, by the last word of the address it was read at.
    ids: Vec<String>,
    /// What plans state.
    stated: Vec<Value>,
}

impl Maker<'_> {
    fn one_in(&mut self, n: u32) -> bool {
        self.chance.random_range(0..n) == 0
    }

    fn id(&mut self) -> String {
        if self.one_in(6) || self.ids.is_empty() {
            return Uuid::from_u128(self.chance.random()).to_string();
        }
        self.ids.choose(&mut self.chance).cloned().unwrap_or_default()
    }

    fn named(&self, schema: &Value) -> Option<(String, Value)> {
        let name = schema.get("$ref")?.as_str()?.rsplit('/').next()?;
        Some((name.to_owned(), self.schemas.get(name)?.clone()))
    }

    fn value(&mut self, schema: &Value, depth: usize) -> Value {
        if let Some((name, of)) = self.named(schema) {
            if name == "PlanInputs"
                && !self.one_in(4)
                && let Some(stated) = self.stated.choose(&mut self.chance)
            {
                return stated.clone();
            }
            return self.value(&of, depth);
        }
        let all = |key: &str| schema.get(key).and_then(Value::as_array).cloned();
        if let Some(variants) = all("oneOf").or_else(|| all("anyOf")) {
            let nothing = variants.iter().find(|of| of["type"] == "null");
            if nothing.is_some() && (depth > 6 || self.one_in(2)) {
                return Value::Null;
            }
            let variant = variants.choose(&mut self.chance).cloned().unwrap_or_default();
            return self.value(&variant, depth + 1);
        }
        if let Some(parts) = all("allOf") {
            let mut whole = Map::new();
            for part in &parts {
                if let Value::Object(more) = self.value(part, depth + 1) {
                    whole.extend(more);
                }
            }
            return whole.into();
        }
        if let Some(words) = all("enum") {
            return words.choose(&mut self.chance).cloned().unwrap_or_default();
        }
        let kinds = match &schema["type"] {
            Value::Array(kinds) => kinds.iter().filter_map(Value::as_str).collect(),
            Value::String(kind) => vec![kind.as_str()],
            _ => vec!["object"],
        };
        match *kinds.choose(&mut self.chance).unwrap_or(&"null") {
            "number" => json!(self.number(schema)),
            "integer" => json!(self.number(schema).round()),
            "boolean" => json!(self.one_in(2)),
            "string" => json!(self.text(schema)),
            "array" => {
                let least = schema["minItems"].as_u64().unwrap_or(0);
                let most = schema["maxItems"].as_u64().unwrap_or(least + 2).min(least + 2);
                let count = self.chance.random_range(least..=most);
                (0..count).map(|_| self.value(&schema["items"], depth + 1)).collect()
            }
            "object" => self.object(schema, depth),
            _ => Value::Null,
        }
    }

    fn object(&mut self, schema: &Value, depth: usize) -> Value {
        let required = schema["required"].as_array().cloned().unwrap_or_default();
        let mut made = Map::new();
        for (name, of) in schema["properties"].as_object().cloned().unwrap_or_default() {
            let needed = required.iter().any(|r| r == &name);
            if needed || (depth < 6 && self.one_in(3)) {
                let value = self.value(&of, depth + 1);
                made.insert(name, value);
            }
        }
        made.into()
    }

    fn number(&mut self, schema: &Value) -> f64 {
        let least = schema["minimum"].as_f64().unwrap_or(-1e3);
        let most = schema["maximum"].as_f64().unwrap_or(1e4).max(least);
        match self.chance.random_range(0..5) {
            0 => least,
            1 => most,
            _ => self.chance.random_range(least..=most),
        }
    }

    fn text(&mut self, schema: &Value) -> String {
        match schema["format"].as_str() {
            Some("uuid") => self.id(),
            Some("date-time") => "2026-11-27T18:00:00Z".to_owned(),
            Some("date") => "2026-11-27".to_owned(),
            _ => {
                let words = [
                    "dark",
                    "white",
                    "slab",
                    "Comet bark",
                    "",
                    "#2b4fc2",
                    "Europe/Zurich",
                    "18:30",
                    "流星 ✶",
                    "a\u{0}b",
                    "\u{202E}",
                    "%27; --",
                    "../..",
                    "x".repeat(300).leak(),
                ];
                (*words.choose(&mut self.chance).unwrap_or(&"")).to_owned()
            }
        }
    }

    /// Puts something in one place of it that does not belong there.
    fn spoil(&mut self, value: &mut Value) {
        // No list in an object's place: its fields are read in order there, and an empty one is as
        // good as an empty object. That is the JSON library's way, below the top.
        let wrong = [json!(null), json!("x"), json!(-7.5), json!(1e308), json!({}), json!(true)];
        match value {
            Value::Object(all) if !all.is_empty() && !self.one_in(4) => {
                let keys: Vec<_> = all.keys().cloned().collect();
                let key = keys.choose(&mut self.chance).cloned().unwrap_or_default();
                match self.chance.random_range(0..4) {
                    0 => {
                        all.remove(&key);
                    }
                    1 => {
                        all.insert("surprise".to_owned(), json!(1));
                    }
                    _ => self.spoil(&mut all[&key]),
                }
            }
            Value::Array(all) if !all.is_empty() && !self.one_in(4) => {
                let at = self.chance.random_range(0..all.len());
                self.spoil(&mut all[at]);
            }
            _ => *value = wrong.choose(&mut self.chance).cloned().unwrap_or_default(),
        }
    }
}

/// Every id in an answer.
fn ids_in(value: &Value, found: &mut Vec<String>) {
    match value {
        Value::Array(all) => all.iter().for_each(|one| ids_in(one, found)),
        Value::Object(all) => {
            for (name, one) in all {
                match one.as_str() {
                    Some(id) if name.ends_with("id") && Uuid::parse_str(id).is_ok() => {
                        found.push(id.to_owned());
                    }
                    _ => ids_in(one, found),
                }
            }
        }
        _ => {}
    }
}

/// What says whether a value is of a schema of the document; each is made once.
fn validator<'a>(
    known: &'a mut HashMap<String, Validator>,
    document: &Value,
    schema: &Value,
) -> &'a Validator {
    known.entry(schema.to_string()).or_insert_with(|| {
        let mut whole = schema.clone();
        whole["components"] = document["components"].clone();
        jsonschema::validator_for(&whole).expect("a schema")
    })
}

#[actix_web::test]
async fn what_the_description_allows_and_forbids_breaks_nothing_and_is_answered_as_it_says() {
    let kitchen = Kitchen::new().await;
    server::demo::load(&kitchen.state.pool, kitchen.state.wall.now()).await.expect("the demo");
    let document = kitchen.get("/openapi.json").await.with(200);
    let operations: Vec<Operation> = document["paths"]
        .as_object()
        .expect("paths")
        .iter()
        .flat_map(|(path, all)| {
            all.as_object().into_iter().flatten().map(move |(method, told)| Operation {
                method: method.clone(),
                path: path.clone(),
                told: told.clone(),
            })
        })
        .filter(|operation| !is_left_out(&operation.path, &operation.told))
        .collect();
    let schemas = document["components"]["schemas"].as_object().expect("schemas");
    let mut maker = Maker {
        schemas,
        chance: ChaCha8Rng::seed_from_u64(seed()),
        ids: Vec::new(),
        stated: Vec::new(),
    };
    for list in ["/plans?most=200", "/batches?most=200", "/shelf", "/bench"] {
        ids_in(&kitchen.get(list).await.with(200), &mut maker.ids);
    }
    for plan in kitchen.get("/plans?most=200").await.with(200)["plans"].as_array().expect("a list")
    {
        let id = plan["id"].as_str().expect("an id");
        maker.stated.push(kitchen.stated(id).await);
    }
    let mut known = HashMap::new();
    let mut wrong: Vec<String> = Vec::new();
    let mut answered: HashMap<u16, usize> = HashMap::new();
    for _ in 0..requests() {
        let Some(operation) = operations.choose(&mut maker.chance) else { break };
        let mut path = operation.path.replace("/api/v1", "");
        let mut version = None;
        let mut query = Vec::new();
        for parameter in operation.told["parameters"].as_array().into_iter().flatten() {
            let name = parameter["name"].as_str().expect("a name");
            match parameter["in"].as_str() {
                Some("path") => {
                    let value = maker.value(&parameter["schema"], 0);
                    let value = value.as_str().expect("a word");
                    path = path.replace(&format!("{{{name}}}"), value);
                }
                Some("header") => version = Some(maker.chance.random_range(1..4)),
                _ if maker.one_in(2) || parameter["required"] == true => {
                    let value = maker.value(&parameter["schema"], 0);
                    let text = value.as_str().map_or_else(|| value.to_string(), ToOwned::to_owned);
                    query.push((name.to_owned(), text));
                }
                _ => {}
            }
        }
        let schema = &operation.told["requestBody"]["content"]["application/json"]["schema"];
        let body = (!schema.is_null()).then(|| {
            let mut body = maker.value(schema, 0);
            if maker.one_in(3) {
                maker.spoil(&mut body);
            }
            body
        });
        let is_valid = body
            .as_ref()
            .is_none_or(|body| validator(&mut known, &document, schema).is_valid(body));
        let said = kitchen.asked(&operation.method, &path, &query, version, body.as_ref()).await;
        *answered.entry(said.status.as_u16()).or_default() += 1;
        // A plan may be edited while numbers in it are faulty: they are told as it is worked out.
        let may_be_faulty = matches!(path.as_str(), "/calc/plan/edit" | "/calc/plan/merge");
        let mut fault = |what: &str| {
            let sent =
                body.as_ref().map(|body| body.to_string().chars().take(900).collect::<String>());
            wrong.push(format!(
                "{} {path} {query:?} {sent:?}: {what}: {} {}",
                operation.method,
                said.status,
                said.body.to_string().chars().take(400).collect::<String>()
            ));
        };
        let status = said.status.as_u16();
        if status >= 500 {
            fault("broken");
        }
        let Some(told) = operation.told["responses"].get(status.to_string()) else {
            fault("an answer that is not declared");
            continue;
        };
        if !is_valid && !may_be_faulty && (200..300).contains(&status) {
            let body = body.as_ref().unwrap_or(&Value::Null);
            let errors = validator(&mut known, &document, schema).iter_errors(body);
            let counts = |path: &str| !path.split('/').any(|part| FILLED_IN.contains(&part));
            let why = errors.map(|e| e.instance_path().to_string()).find(|path| counts(path));
            if let Some(path) = why {
                fault(&format!("what the description forbids is taken: {path}"));
            }
        }
        if is_valid && (status == 415 || (status == 400 && query.is_empty())) {
            fault("what the description allows cannot be read");
        }
        let kind = said.headers.get("content-type").and_then(|kind| kind.to_str().ok());
        let kind = kind.unwrap_or_default().split(';').next().unwrap_or_default();
        if let Some(content) = told.get("content").and_then(Value::as_object) {
            match content.get(kind) {
                None => fault(&format!("{kind} is not declared")),
                Some(of) if kind.ends_with("json") && !may_be_faulty => {
                    let valid = validator(&mut known, &document, &of["schema"]);
                    if let Err(error) = valid.validate(&said.body) {
                        fault(&format!(
                            "not as declared at {}: {:.200}",
                            error.instance_path(),
                            error.to_string()
                        ));
                    }
                }
                Some(_) => {}
            }
        }
        // A document is sent as the text that is kept.
        if !path.ends_with("/document")
            && let Some(sentence) = written_out(&said.body)
        {
            fault(&format!("a quantity that cannot be shown in another unit: {sentence}"));
        }
        if (200..300).contains(&status) && maker.ids.len() < 2_000 {
            ids_in(&said.body, &mut maker.ids);
        }
    }
    eprintln!("{answered:?}");
    assert!(
        wrong.is_empty(),
        "{} of them: {}",
        wrong.len(),
        wrong.iter().take(25).cloned().collect::<Vec<_>>().join("\n")
    );
    let taken: usize = answered.iter().filter(|(status, _)| **status < 300).map(|(_, n)| n).sum();
    assert!(taken * 6 > requests(), "{answered:?}");
}
