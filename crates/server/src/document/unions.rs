//! Unions that say by a tag which they are.

use serde_json::{Map, Value, json};

/// Makes each variant of a tagged union one closed object. Derived, a variant is "all of" a
/// closed object that does not know the tag and an object that has only the tag: nothing at all
/// would be valid.
pub fn close(document: &mut Value) {
    let Some(schemas) = document.pointer("/components/schemas").and_then(Value::as_object) else {
        return;
    };
    let schemas = schemas.clone();
    walk(document, &|schema| {
        let Some(variants) = schema.get("oneOf").and_then(Value::as_array) else { return };
        let merged: Option<Vec<_>> = variants.iter().map(|one| merged(one, &schemas)).collect();
        if let Some(merged) = merged {
            schema["oneOf"] = merged.into();
        }
    });
}

/// The variant as one object; `None` where the union is not one of objects with a tag.
fn merged(variant: &Value, schemas: &Map<String, Value>) -> Option<Value> {
    let Some(parts) = variant.get("allOf").and_then(Value::as_array) else {
        return has_tag(variant).then(|| closed(variant.clone()));
    };
    if !parts.iter().any(has_tag) {
        return None;
    }
    let mut whole = json!({ "type": "object", "properties": {}, "required": [] });
    if let Some(words) = variant.get("description") {
        whole["description"] = words.clone();
    }
    for part in parts {
        let named =
            part.get("$ref").and_then(Value::as_str).and_then(|path| path.rsplit('/').next());
        let part = named.map_or(Some(part), |name| schemas.get(name))?;
        let properties = part.get("properties")?.as_object()?.clone();
        whole["properties"].as_object_mut()?.extend(properties);
        let required = part.get("required").and_then(Value::as_array).cloned().unwrap_or_default();
        whole["required"].as_array_mut()?.extend(required);
    }
    Some(closed(whole))
}

/// Whether an object has a property of one word only: the tag.
fn has_tag(schema: &Value) -> bool {
    let properties = schema.get("properties").and_then(Value::as_object);
    properties.is_some_and(|all| {
        all.values()
            .any(|of| of.get("enum").and_then(Value::as_array).is_some_and(|e| e.len() == 1))
    })
}

fn closed(mut object: Value) -> Value {
    object["additionalProperties"] = json!(false);
    object
}

fn walk(value: &mut Value, each: &impl Fn(&mut Value)) {
    each(value);
    match value {
        Value::Array(all) => all.iter_mut().for_each(|one| walk(one, each)),
        Value::Object(all) => all.values_mut().for_each(|one| walk(one, each)),
        _ => {}
    }
}
