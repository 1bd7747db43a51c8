//! Why a JSON body is not what was asked for: which field is wrong, and what would be
//! right, in our words.

use std::mem;

use serde::de::DeserializeOwned;
use serde_json::{Map, Value, json};
use serde_path_to_error::{Path, Segment};

use crate::catalogue::records as say;
use crate::problem::Field;

/// In how many places the one at fault is looked for.
const MOST_PLACES: usize = 400;

/// The first field that cannot be read; `None` where all of it can be.
pub(crate) fn misread<T: DeserializeOwned>(bytes: &[u8]) -> Option<Field> {
    let mut source = serde_json::Deserializer::from_slice(bytes);
    let traced = serde_path_to_error::deserialize::<_, T>(&mut source).err()?;
    let pointer = pointer(traced.path());
    let message = traced.into_inner().to_string();
    let words = message.split(" at line ").next().unwrap_or(&message);
    let quoted = || words.split('`').nth(1).unwrap_or_default();
    // What breaks off behind the fault is no document to search in.
    let mut whole: Option<Value> = serde_json::from_slice(bytes).ok();
    if words.starts_with("missing field") {
        let found = whole.as_mut().and_then(|it| lacking::<T>(it, &pointer, quoted()));
        let holder = found.unwrap_or(pointer);
        return Some(Field::new(named(&below(&holder, quoted())), say::missing()));
    }
    if words.starts_with("unknown field") {
        // The path ends at the unknown field itself, or at what holds it.
        let own = below("", quoted());
        let pointer = pointer.strip_suffix(&own).unwrap_or(&pointer).to_owned();
        let found = whole.as_mut().and_then(|it| burdened::<T>(it, &pointer, quoted()));
        let holder = found.unwrap_or(pointer);
        let known = words.split_once("expected ").map_or("none", |(_, known)| known);
        return Some(Field::new(named(&(holder + &own)), say::not_known(known)));
    }
    let mut whole = whole?;
    let at = culprit::<T>(&mut whole, &pointer, words).unwrap_or(pointer);
    let message = told(words, whole.pointer(&at));
    Some(Field::new(named(&at), say::cannot_be_read(message)))
}

/// The pointer to what a pointer's value has under a name.
fn below(pointer: &str, name: &str) -> String {
    format!("{pointer}/{}", name.replace('~', "~0").replace('/', "~1"))
}

/// A path as a JSON pointer.
fn pointer(path: &Path) -> String {
    let mut pointer = String::new();
    for segment in path {
        match segment {
            Segment::Seq { index } => pointer += &format!("/{index}"),
            Segment::Map { key } => pointer += &below("", key),
            Segment::Enum { .. } | Segment::Unknown => {}
        }
    }
    pointer
}

/// A pointer as we name fields: `components[0].work.count`.
fn named(pointer: &str) -> String {
    let mut name = String::new();
    for part in pointer.split('/').skip(1) {
        let part = part.replace("~1", "/").replace("~0", "~");
        match part.parse::<usize>() {
            Ok(i) => name += &format!("[{i}]"),
            Err(_) if name.is_empty() => name = part,
            Err(_) => name += &format!(".{part}"),
        }
    }
    if name.is_empty() { "body".to_owned() } else { name }
}

/// The one place at or under a pointer that makes all of it unreadable. What is told
/// apart by a tag inside it is read in two goes, and the path ends there: so the place
/// is found by putting there, in turn, what could be right; all is left as it was.
fn culprit<T: DeserializeOwned>(whole: &mut Value, under: &str, words: &str) -> Option<String> {
    let places = places(whole, under)?;
    let expected = words.split_once("expected ").map_or("", |(_, expected)| expected);
    let mut could_be = vec![json!(1), json!("1"), json!(true), Value::Null, json!([])];
    could_be.extend(expected.split('`').skip(1).step_by(2).map(Value::from));
    places.into_iter().find(|place| {
        let stated = put(whole, place, Value::Null);
        let reads = could_be.iter().any(|right| {
            put(whole, place, right.clone());
            T::deserialize(&*whole).is_ok()
        });
        put(whole, place, stated);
        reads
    })
}

/// The first object at or under a pointer that lacks a field, found by giving it to one after the
/// other until nothing is missing: what needs none of it, or does not know it, is left as it was.
fn lacking<T: DeserializeOwned>(whole: &mut Value, under: &str, name: &str) -> Option<String> {
    let lacks = objects(whole, under, |object| !object.contains_key(name))?;
    let wrong = |whole: &Value, how: &str| faulted::<T>(whole, how, name);
    let mut given = Vec::new();
    for place in lacks {
        set(whole, &place, name, Some(Value::Null));
        if wrong(whole, "unknown") {
            set(whole, &place, name, None);
            continue;
        }
        given.push(place);
        if !wrong(whole, "missing") {
            break;
        }
    }
    // It was told of the first that does not do without.
    given.into_iter().find(|place| {
        set(whole, place, name, None);
        let needed = wrong(whole, "missing");
        set(whole, place, name, Some(Value::Null));
        needed
    })
}

/// The object at or under a pointer that has a field which is not known there, found by taking it
/// from each.
fn burdened<T: DeserializeOwned>(whole: &mut Value, under: &str, name: &str) -> Option<String> {
    let has = objects(whole, under, |object| object.contains_key(name))?;
    let wrong = |whole: &Value, how: &str| faulted::<T>(whole, how, name);
    has.into_iter().find(|place| {
        let stated = set(whole, place, name, None);
        let cured = !wrong(whole, "unknown") && !wrong(whole, "missing");
        set(whole, place, name, stated);
        cured
    })
}

/// The objects at or under a pointer of which something holds.
fn objects(
    whole: &Value,
    under: &str,
    holds: impl Fn(&Map<String, Value>) -> bool,
) -> Option<Vec<String>> {
    let mut places = places(whole, under)?;
    places.retain(|place| whole.pointer(place).and_then(Value::as_object).is_some_and(&holds));
    Some(places)
}

/// The places at or under a pointer, the innermost first; none where they are too many.
fn places(whole: &Value, under: &str) -> Option<Vec<String>> {
    let mut places = Vec::new();
    gather(whole.pointer(under)?, under, &mut places);
    (places.len() <= MOST_PLACES).then_some(places)
}

/// Whether a field of that name is what is wrong: "missing", or "unknown".
fn faulted<T: DeserializeOwned>(whole: &Value, how: &str, name: &str) -> bool {
    let starts = format!("{how} field `{name}`");
    T::deserialize(whole).is_err_and(|error| error.to_string().starts_with(&starts))
}

/// Gives an object a field, or takes it, and says what was there.
fn set(whole: &mut Value, place: &str, name: &str, value: Option<Value>) -> Option<Value> {
    let object = whole.pointer_mut(place)?.as_object_mut()?;
    match value {
        Some(value) => object.insert(name.to_owned(), value),
        None => object.remove(name),
    }
}

/// Puts a value in a place, and gives what was there.
fn put(whole: &mut Value, place: &str, value: Value) -> Value {
    whole.pointer_mut(place).map(|at| mem::replace(at, value)).unwrap_or_default()
}

/// Every place in a value, the innermost first.
fn gather(value: &Value, at: &str, places: &mut Vec<String>) {
    match value {
        Value::Array(all) => {
            for (i, one) in all.iter().enumerate() {
                gather(one, &format!("{at}/{i}"), places);
            }
        }
        Value::Object(all) => {
            for (name, one) in all {
                gather(one, &below(at, name), places);
            }
        }
        _ => {}
    }
    places.push(at.to_owned());
}

/// Serde's words in ours, where they are about a plain value.
fn told(words: &str, is: Option<&Value>) -> String {
    let expected = words.rsplit_once("expected ").map_or("", |(_, expected)| expected);
    let right = match expected {
        "u8" | "u16" | "u32" | "u64" | "usize" => "a whole number, 0 or more",
        "f64" => "a number",
        "a string" => "a text",
        "a boolean" => "true or false",
        _ => return format!("cannot be read: {words}"),
    };
    match is {
        Some(is @ (Value::Null | Value::Bool(_) | Value::Number(_) | Value::String(_))) => {
            format!("must be {right}; it is {is}")
        }
        _ => format!("must be {right}"),
    }
}

#[cfg(test)]
mod tests {
    use craft::plan::PlanInputs;
    use serde::Deserialize;

    use super::*;

    #[derive(Debug, Deserialize)]
    #[serde(deny_unknown_fields)]
    #[allow(dead_code)]
    struct Sheet {
        trays: Vec<Tray>,
        #[serde(default)]
        named: String,
        #[serde(default)]
        lined: bool,
        #[serde(default)]
        on_top: Option<Topping>,
    }

    #[derive(Debug, Deserialize)]
    #[serde(deny_unknown_fields)]
    #[allow(dead_code)]
    struct Tray {
        length_mm: f64,
    }

    #[derive(Debug, Deserialize)]
    #[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
    #[allow(dead_code)]
    enum Topping {
        Stars { count: u32, sides: Vec<u8> },
        Salt { of: Salt },
    }

    #[derive(Debug, Deserialize)]
    #[serde(rename_all = "snake_case")]
    enum Salt {
        Flakes,
        Grains,
    }

    fn told<T: DeserializeOwned>(text: &str) -> String {
        misread::<T>(text.as_bytes())
            .map_or_else(String::new, |f| format!("{} {}", f.field, f.message))
    }

    #[test]
    fn the_field_at_fault_is_named_with_its_path() {
        for (text, expected) in [
            (r#"{"trays":[{"length_mm":1}]}"#, ""),
            (
                r#"{"trays":[{"length_mm":"long"}]}"#,
                "trays[0].length_mm must be a number; it is \"long\"",
            ),
            (
                r#"{"trays":[{"length_mm":null}]}"#,
                "trays[0].length_mm must be a number; it is null",
            ),
            (r#"{"trays":[{"length_mm":[1]}]}"#, "trays[0].length_mm must be a number"),
            (r#"{"trays":[{}]}"#, "trays[0].length_mm is missing"),
            (r"{}", "trays is missing"),
            (r#"{"trays":[],"lid":1}"#, "lid is not known here; known: "),
            (r#"{"trays":[{"length_mm":1,"lid":1}]}"#, "trays[0].lid is not known here"),
            (r#"{"trays":[],"named":7}"#, "named must be a text; it is 7"),
            (r#"{"trays":[],"lined":"yes"}"#, "lined must be true or false; it is \"yes\""),
            (r#"{"trays":3}"#, "trays cannot be read: invalid type"),
            (r#"{"trays":[],"a/b~c":1}"#, "a/b~c is not known here"),
            ("7", "body cannot be read"),
        ] {
            let told = told::<Sheet>(text);
            assert!(told.starts_with(expected), "{text}: {told}");
            assert_eq!(told.is_empty(), expected.is_empty(), "{text}: {told}");
        }
    }

    #[test]
    fn what_is_told_apart_by_a_tag_is_searched_for_the_place_at_fault() {
        let on_top = |topping: &str| format!(r#"{{"trays":[],"on_top":{topping}}}"#);
        for (topping, expected) in [
            (
                r#"{"kind":"stars","count":-4,"sides":[5]}"#,
                "on_top.count must be a whole number, 0 or more; it is -4",
            ),
            (
                r#"{"count":2.5,"sides":[5],"kind":"stars"}"#,
                "on_top.count must be a whole number, 0 or more; it is 2.5",
            ),
            (
                r#"{"kind":"stars","count":4,"sides":[5,900]}"#,
                "on_top.sides[1] must be a whole number, 0 or more; it is 900",
            ),
            (r#"{"kind":"stars","count":4}"#, "on_top.sides is missing"),
            (r#"{"kind":"stars","count":4,"sides":[],"x":1}"#, "on_top.x is not known here"),
            (r#"{"kind":"salt","of":"rock"}"#, "on_top.of cannot be read: unknown variant `rock`"),
            (r#"{"kind":"moons"}"#, "on_top.kind cannot be read: unknown variant `moons`"),
        ] {
            let told = told::<Sheet>(&on_top(topping));
            assert!(told.starts_with(expected), "{topping}: {told}");
        }
        // Where two are at fault it says that much of both that is sure.
        let both = told::<Sheet>(&on_top(r#"{"kind":"stars","count":-4,"sides":7}"#));
        assert!(both.starts_with("on_top must be a whole number"), "{both}");
    }

    #[test]
    fn of_a_whole_batch_the_one_count_is_found() {
        let mut inputs = serde_json::to_value(PlanInputs::usual(craft::chocolate::Family::Dark))
            .expect("inputs are data");
        inputs["components"][0]["work"]["cover"] = json!({ "by": "portions", "thickness_mm": 4,
            "portions": { "of": "pieces", "count": -3, "each_g": 8 } });
        assert_eq!(
            told::<PlanInputs>(&inputs.to_string()),
            "components[0].work.cover.portions.count must be a whole number, 0 or more; it is -3",
        );
    }

    #[test]
    fn of_a_whole_batch_the_field_that_is_missing_or_not_known_is_found() {
        let mut inputs = serde_json::to_value(PlanInputs::usual(craft::chocolate::Family::Dark))
            .expect("inputs are data");
        let star = json!({ "name": "stars", "across_mm": 6, "each_g": 0.5,
            "wish": { "by": "count", "count": 20 } });
        inputs["components"][0]["work"]["toppings"] = json!([star, star, star]);
        assert_eq!(told::<PlanInputs>(&inputs.to_string()), "");
        let mut lacks = inputs.clone();
        for i in [1, 2] {
            let star = lacks["components"][0]["work"]["toppings"][i].as_object_mut();
            star.expect("a topping").remove("across_mm");
        }
        assert_eq!(
            told::<PlanInputs>(&lacks.to_string()),
            "components[0].work.toppings[1].across_mm is missing",
            "the first of two"
        );
        let mut knows_not = inputs;
        knows_not["components"][0]["work"]["toppings"][2]["sides"] = json!(5);
        let told = told::<PlanInputs>(&knows_not.to_string());
        let expected = "components[0].work.toppings[2].sides is not known here; known: ";
        assert!(told.starts_with(expected), "{told}");
    }

    #[test]
    fn a_search_that_would_take_long_is_not_begun() {
        let sides = vec!["5"; MOST_PLACES].join(",");
        let text =
            format!(r#"{{"trays":[],"on_top":{{"kind":"stars","count":-4,"sides":[{sides}]}}}}"#);
        let told = told::<Sheet>(&text);
        assert!(told.starts_with("on_top must be a whole number"), "{told}");
    }
}
