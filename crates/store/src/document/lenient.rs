//! Reads what this release knows of a document, and sets aside what it does not.
//!
//! Requests are read strictly: a key that is not known is a mistake of the sender. The same
//! types read what is kept, where such a key is no reason to lose the rest.

use serde::de::DeserializeOwned;
use serde_json::Value;

/// More keys than these are not a stray one: it is another document.
const MOST: usize = 32;

/// Reads a document, without the keys that are not known.
///
/// # Errors
/// What is wrong with it, where that is something else.
pub(super) fn read<T: DeserializeOwned>(mut value: Value) -> Result<T, String> {
    for _ in 0..=MOST {
        let problem = match T::deserialize(&value) {
            Ok(read) => return Ok(read),
            Err(error) => error.to_string(),
        };
        let Some(name) = unknown_key(&problem) else { return Err(problem) };
        if !drop_one::<T>(&mut value, name, &problem) {
            return Err(problem);
        }
    }
    Err(format!("it has more than {MOST} keys that are not known"))
}

/// The key that a strict reader stumbled over.
fn unknown_key(problem: &str) -> Option<&str> {
    problem.strip_prefix("unknown field `")?.split('`').next()
}

/// Takes a key out where that is what the reader stumbled over: afterwards it reads on, or
/// stumbles over something else.
fn drop_one<T: DeserializeOwned>(value: &mut Value, name: &str, problem: &str) -> bool {
    let mut places = Vec::new();
    find(value, name, "", &mut places);
    // A key of that name may be known elsewhere: the one is sought that changes the answer.
    for place in &places {
        let mut without = value.clone();
        remove(&mut without, place, name);
        let next = T::deserialize(&without).map_err(|error| error.to_string());
        if next.is_ok()
            || next.is_err_and(|next| next != problem && !next.starts_with("missing field"))
        {
            *value = without;
            return true;
        }
    }
    // The same key astray in several places: where none of them is known at all.
    let mut without = value.clone();
    for place in &places {
        remove(&mut without, place, name);
    }
    let next = T::deserialize(&without).map_err(|error| error.to_string());
    if places.len() > 1 && next.as_ref().err().is_none_or(|next| next != problem) {
        *value = without;
        return true;
    }
    false
}

fn find(value: &Value, name: &str, path: &str, places: &mut Vec<String>) {
    match value {
        Value::Object(object) => {
            if object.contains_key(name) {
                places.push(path.to_owned());
            }
            for (key, inner) in object {
                let key = key.replace('~', "~0").replace('/', "~1");
                find(inner, name, &format!("{path}/{key}"), places);
            }
        }
        Value::Array(list) => {
            for (i, inner) in list.iter().enumerate() {
                find(inner, name, &format!("{path}/{i}"), places);
            }
        }
        _ => {}
    }
}

fn remove(value: &mut Value, place: &str, name: &str) {
    if let Some(object) = value.pointer_mut(place).and_then(Value::as_object_mut) {
        object.remove(name);
    }
}
