//! The refusals that any address may answer, whatever it is for.

use serde_json::{Value, json};

/// Declares, at every operation, how it is refused by the gate and when the database is away;
/// how, where it takes a body or parts of its address, what cannot be read.
pub fn declare(document: &mut Value) {
    let Some(paths) = document.get_mut("paths").and_then(Value::as_object_mut) else { return };
    for operation in
        paths.values_mut().filter_map(Value::as_object_mut).flat_map(|of| of.values_mut())
    {
        let has_body = operation.get("requestBody").is_some();
        let has_parts = operation.get("parameters").is_some();
        let Some(all) = operation.get_mut("responses").and_then(Value::as_object_mut) else {
            continue;
        };
        let mut may = |status: &str, words: &str| {
            all.entry(status).or_insert_with(|| refusal(words));
        };
        may("403", "It does not come from this machine, or not from the interface.");
        may("503", "The database is away.");
        if has_body || has_parts {
            may("400", "It cannot be read.");
        }
        if has_body {
            may("408", "The body did not arrive in time.");
            may("413", "The body is too large.");
            may("415", "The body is not said to be of the type it must be.");
        }
        for (status, of) in all.iter_mut() {
            if status.starts_with('4') || status.starts_with('5') {
                as_problem(of);
            }
        }
    }
}

fn refusal(words: &str) -> Value {
    json!({
        "description": words,
        "content": {
            "application/problem+json": { "schema": { "$ref": "#/components/schemas/Problem" } },
        },
    })
}

/// What is derived calls every JSON by one type.
fn as_problem(response: &mut Value) {
    let Some(content) = response.get_mut("content").and_then(Value::as_object_mut) else { return };
    if let Some(of) = content.remove("application/json") {
        content.insert("application/problem+json".to_owned(), of);
    }
}
