//! Two makers, or two screens, changed one plan: what each changed is kept, where it is
//! not the same field.

use std::collections::BTreeSet;

use serde::Serialize;
use serde_json::{Map, Value};

/// A field that both changed, each to something else.
#[derive(Clone, Debug, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Clash {
    /// The field's path.
    pub field: String,
    /// What was sent now.
    pub mine: Value,
    /// What was kept meanwhile.
    pub theirs: Value,
}

/// What tells one variant of a thing from another: where it differs, nothing of the two
/// goes together.
const TAGS: [&str; 3] = ["kind", "by", "shape"];

/// Brings two changes of one document together. Fields are merged one by one, lists whose
/// items have a `key` by that; any other list is one field.
///
/// # Errors
/// Every field that both changed, each to something else.
pub fn merge(base: &Value, mine: &Value, theirs: &Value) -> Result<Value, Vec<Clash>> {
    let mut clashes = Vec::new();
    let merged = merged("", Some(base), Some(mine), Some(theirs), &mut clashes);
    if clashes.is_empty() { Ok(merged.unwrap_or(Value::Null)) } else { Err(clashes) }
}

fn merged(
    field: &str,
    base: Option<&Value>,
    mine: Option<&Value>,
    theirs: Option<&Value>,
    clashes: &mut Vec<Clash>,
) -> Option<Value> {
    if mine == theirs || theirs == base {
        return mine.cloned();
    }
    if mine == base {
        return theirs.cloned();
    }
    match (base, mine, theirs) {
        (Some(Value::Object(base)), Some(Value::Object(mine)), Some(Value::Object(theirs)))
            if TAGS.iter().all(|tag| mine.get(*tag) == theirs.get(*tag)) =>
        {
            Some(Value::Object(objects(field, base, mine, theirs, clashes)))
        }
        (Some(Value::Array(base)), Some(Value::Array(mine)), Some(Value::Array(theirs)))
            if [base, mine, theirs].into_iter().all(|list| have_keys(list)) =>
        {
            Some(Value::Array(lists(field, base, mine, theirs, clashes)))
        }
        _ => {
            clashes.push(Clash {
                field: field.to_owned(),
                mine: mine.cloned().unwrap_or_default(),
                theirs: theirs.cloned().unwrap_or_default(),
            });
            theirs.cloned()
        }
    }
}

fn objects(
    field: &str,
    base: &Map<String, Value>,
    mine: &Map<String, Value>,
    theirs: &Map<String, Value>,
    clashes: &mut Vec<Clash>,
) -> Map<String, Value> {
    let names: BTreeSet<&String> = base.keys().chain(mine.keys()).chain(theirs.keys()).collect();
    let under =
        |name: &str| if field.is_empty() { name.to_owned() } else { format!("{field}.{name}") };
    names
        .into_iter()
        .filter_map(|name| {
            let (base, mine, theirs) = (base.get(name), mine.get(name), theirs.get(name));
            Some((name.clone(), merged(&under(name), base, mine, theirs, clashes)?))
        })
        .collect()
}

fn key(item: &Value) -> Option<&str> {
    item.get("key")?.as_str()
}

fn have_keys(list: &[Value]) -> bool {
    let keys: BTreeSet<&str> = list.iter().filter_map(key).collect();
    keys.len() == list.len()
}

/// In the order that was kept, with what is new at the end.
fn lists(
    field: &str,
    base: &[Value],
    mine: &[Value],
    theirs: &[Value],
    clashes: &mut Vec<Clash>,
) -> Vec<Value> {
    fn find<'a>(list: &'a [Value], of: &str) -> Option<&'a Value> {
        list.iter().find(|item| key(item) == Some(of))
    }
    let known = |list: &[Value], of: &str| find(list, of).is_some();
    let kept = theirs.iter().filter_map(key);
    let mut order: Vec<&str> = kept.collect();
    for of in mine.iter().chain(base).filter_map(key) {
        if !order.contains(&of) {
            order.push(of);
        }
    }
    order
        .into_iter()
        .filter(|of| known(mine, of) || known(theirs, of) || known(base, of))
        .filter_map(|of| {
            let at = format!("{field}[{of}]");
            merged(&at, find(base, of), find(mine, of), find(theirs, of), clashes)
        })
        .collect()
}

#[cfg(test)]
mod tests {
    use serde_json::json;

    use super::*;

    fn base() -> Value {
        json!({ "name": "Bark", "room_c": 20, "bowls": [{ "key": "dark", "method": null }, { "key": "milk" }],
            "components": [{ "key": "slab", "work": { "kind": "slab", "cover": { "by": "thickness", "thickness_mm": 4 } } }] })
    }

    fn with(pointer: &str, value: Value) -> Value {
        let mut changed = base();
        *changed.pointer_mut(pointer).expect("it is there") = value;
        changed
    }

    #[test]
    fn different_fields_both_stay() {
        let mine = with("/components/0/work/cover/thickness_mm", json!(6));
        let theirs = with("/room_c", json!(18));
        let merged = merge(&base(), &mine, &theirs).expect("no clash");
        assert_eq!(merged.pointer("/components/0/work/cover/thickness_mm"), Some(&json!(6)));
        assert_eq!(merged["room_c"], 18);
        assert_eq!(merge(&base(), &theirs, &mine), Ok(merged), "whoever was first");
    }

    #[test]
    fn the_same_field_is_a_clash_with_both_values_unless_they_agree() {
        let (mine, theirs) = (with("/room_c", json!(18)), with("/room_c", json!(22)));
        let clashes = merge(&base(), &mine, &theirs).expect_err("a clash");
        assert_eq!(clashes, [Clash { field: "room_c".into(), mine: json!(18), theirs: json!(22) }]);
        assert_eq!(merge(&base(), &mine, &mine), Ok(mine));
    }

    #[test]
    fn items_are_merged_by_their_key_added_and_removed_by_either() {
        let mut mine = base();
        mine["bowls"].as_array_mut().expect("a list").push(json!({ "key": "white" }));
        let mut theirs = with("/bowls/0/method", json!("slab"));
        theirs["bowls"].as_array_mut().expect("a list").remove(1);
        let merged = merge(&base(), &mine, &theirs).expect("no clash");
        assert_eq!(
            merged["bowls"],
            json!([{ "key": "dark", "method": "slab" }, { "key": "white" }])
        );
        // What one removed and the other changed is a clash.
        let changed = with("/bowls/1", json!({ "key": "milk", "total_g": 300 }));
        let clashes = merge(&base(), &changed, &theirs).expect_err("a clash");
        assert_eq!(clashes[0].field, "bowls[milk]");
    }

    #[test]
    fn two_variants_of_a_thing_do_not_go_together() {
        let mine = with("/components/0/work/cover", json!({ "by": "mass", "mass_g": 300 }));
        let theirs = with("/components/0/work/cover/thickness_mm", json!(5));
        let clashes = merge(&base(), &mine, &theirs).expect_err("a clash");
        assert_eq!(clashes[0].field, "components[slab].work.cover");
    }
}
