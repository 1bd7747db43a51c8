//! What a saved bowl was planned as, in the form of today or of its first format.
//!
//! Until bowls and what is made from them were told apart, a saved bowl stated one slab:
//! how much it held followed from its tray. Such a file is still read.

use craft::plan::{BowlInputs, Plan, PlanInputs};
use serde::de::Error;
use serde::{Deserialize, Deserializer};
use serde_json::{Map, Value, json};

/// The format in which a bowl stated its slab.
pub const FIRST_FORMAT: &str = "wide-sheen-bowl-1";
/// What that format stated besides the bowl.
const OF_THE_SLAB: [&str; 6] =
    ["tray", "mixed_in", "topping", "rh_pct", "fridge_c", "thickness_mm"];

/// Reads a bowl's inputs, of either form.
///
/// # Errors
/// Where they are of neither.
pub fn read<'de, D: Deserializer<'de>>(deserializer: D) -> Result<BowlInputs, D::Error> {
    let mut stated = Map::deserialize(deserializer)?;
    if stated.contains_key("tray") {
        stated = from_first(stated).map_err(D::Error::custom)?;
    }
    serde_path_to_error::deserialize(Value::Object(stated))
        .map_err(|error| D::Error::custom(format!("{}: {}", error.path(), error.inner())))
}

/// The bowl of a slab, with as much in it as the slab took.
fn from_first(mut stated: Map<String, Value>) -> Result<Map<String, Value>, String> {
    let [tray, mixed_in, topping, rh_pct, fridge_c, thickness_mm] =
        OF_THE_SLAB.map(|name| stated.remove(name).unwrap_or(Value::Null));
    stated.insert("key".to_owned(), json!("chocolate"));
    let whole = json!({
        "room_c": stated.get("room_c"),
        "rh_pct": rh_pct,
        "fridge_c": fridge_c,
        "bowls": [stated],
        "components": [{ "key": "slab", "name": "Slab of bark", "work": {
            "kind": "slab",
            "chocolate": "chocolate",
            "cover": { "by": "thickness", "tray": tray, "thickness_mm": thickness_mm },
            "mixed_in": mixed_in,
            "topping": topping,
        } }],
    });
    let whole: PlanInputs = serde_json::from_value(whole).map_err(|error| error.to_string())?;
    let plan = Plan::of(&whole).map_err(|faults| {
        let first = faults.first().map(|f| format!("{} {}", f.field, f.message));
        first.unwrap_or_else(|| "it cannot be planned".to_owned())
    })?;
    let total = plan.bowls[0].plan.as_ref().map(|plan| crate::answer::grams(plan.total));
    stated.insert("total_g".to_owned(), json!(total));
    stated.insert("thickness_mm".to_owned(), thickness_mm);
    Ok(stated)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn inputs(text: &str) -> Result<BowlInputs, String> {
        read(&mut serde_json::Deserializer::from_str(text)).map_err(|error| error.to_string())
    }

    #[test]
    fn a_bowl_of_the_first_format_holds_what_its_slab_took() {
        let bowl = inputs(
            r#"{"family":"dark","room_c":20,"rh_pct":45,"thickness_mm":4,"own":{"fat_pct":39},
                "tray":{"shape":"rectangle","length_mm":300,"width_mm":200}}"#,
        )
        .expect("it is read");
        assert_eq!(
            (bowl.total_g, bowl.thickness_mm, bowl.room_c),
            (Some(325.08), Some(4.0), Some(20.0))
        );
        assert_eq!(bowl.own.fat_pct, Some(39.0));
        assert!(craft::plan::bowl(&bowl).is_ok());
    }

    #[test]
    fn what_is_of_neither_form_says_where() {
        let told = inputs(r#"{"key":"dark","family":"carob"}"#).expect_err("refused");
        assert!(told.starts_with("family: unknown variant"), "{told}");
        let told = inputs(
            r#"{"family":"dark","room_c":20,"rh_pct":45,"thickness_mm":-4,
                "tray":{"shape":"area","area_cm2":600}}"#,
        );
        assert!(told.expect_err("refused").contains("thickness_mm must be"));
    }
}
