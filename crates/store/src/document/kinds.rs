//! Which documents are kept, and from which format each leads to which.

use craft::learn::GearNumbers;
use craft::plan::{BowlInputs, PlanInputs};
use craft::result::Look;
use craft::shelf::Thing;
use craft::steps::Line;
use serde::{Deserialize, Serialize};
use serde_json::{Map, Value, json};

use super::several_goods::several_goods;
use super::{Document, Upgrade};

/// What a plan states. Format 2: a bowl no longer says how thick a slab it is poured into;
/// that is the component's. Format 3: several goods go in and on top.
impl Document for PlanInputs {
    const WHAT: &'static str = "a plan";
    const UPGRADES: &'static [Upgrade] = &[
        |mut value| {
            for bowl in value.get_mut("bowls").and_then(Value::as_array_mut).into_iter().flatten() {
                without_thickness(bowl);
            }
            Ok(value)
        },
        of_several_goods,
    ];
}

fn of_several_goods(mut value: Value) -> Result<Value, String> {
    several_goods(&mut value);
    Ok(value)
}

/// What a bowl was opened with. Format 2: without the thickness of its slab.
impl Document for BowlInputs {
    const WHAT: &'static str = "a bowl";
    const UPGRADES: &'static [Upgrade] = &[|mut value| {
        without_thickness(&mut value);
        Ok(value)
    }];
}

fn without_thickness(bowl: &mut Value) {
    if let Some(bowl) = bowl.as_object_mut() {
        bowl.remove("thickness_mm");
    }
}

/// A thing on the shelf.
impl Document for Thing {
    const WHAT: &'static str = "a thing on the shelf";
    const UPGRADES: &'static [Upgrade] = &[];
}

/// What a bowl or a batch taught.
impl Document for GearNumbers {
    const WHAT: &'static str = "a lesson";
    const UPGRADES: &'static [Upgrade] = &[];
}

/// What followed from what was stated when a batch was begun.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
pub struct Computed {
    /// The plan as it was shown.
    pub plan: Value,
    /// Its steps.
    pub lines: Vec<Line>,
}

/// Format 2: what is said is a message with its code and parameters; it was a text. Format 3:
/// several goods go in and on top. Format 4: what is cast says how it was filled, and how many.
impl Document for Computed {
    const WHAT: &'static str = "what a batch was worked out to be";
    const UPGRADES: &'static [Upgrade] = &[
        |mut value| {
            for step in each(&mut value, "lines", "steps") {
                for always in ["text", "detail"] {
                    in_place(step, always, message);
                }
                for perhaps in ["caution", "missed"] {
                    in_place(step, perhaps, message_or_none);
                }
                for due in ["opens", "closes"] {
                    if let Some(due) = step.get_mut("wait").and_then(|wait| wait.get_mut(due)) {
                        in_place(due, "what", message);
                    }
                }
            }
            for component in each_component(&mut value) {
                in_place(component, "keeps", message_or_none);
                for check in list(component, "checks") {
                    *check = message(check.take());
                }
            }
            if let Some(plan) = value.get_mut("plan") {
                for bowl in list(plan, "bowls") {
                    if let Some(left_over) = bowl.get_mut("left_over") {
                        for idea in list(left_over, "ideas") {
                            in_place(idea, "text", message);
                        }
                    }
                }
            }
            Ok(value)
        },
        of_several_goods,
        |mut value| {
            for component in each_component(&mut value) {
                if let Some(cast) = component.get_mut("cast").and_then(Value::as_object_mut) {
                    how_it_was_filled(cast);
                }
            }
            Ok(value)
        },
    ];
}

fn each_component(value: &mut Value) -> impl Iterator<Item = &mut Value> {
    value.get_mut("plan").into_iter().flat_map(|plan| list(plan, "components"))
}

/// Before, moulds were open, filled whole, and brushed or dumped.
fn how_it_was_filled(cast: &mut Map<String, Value>) {
    let number = |name: &str| cast.get(name).and_then(Value::as_u64).unwrap_or_default();
    let filled = number("cavities") * number("casts");
    let brushed = cast.get("coats").is_some_and(|coats| !coats.is_null());
    cast.insert("filled".to_owned(), filled.into());
    cast.insert("by".to_owned(), if brushed { "brushing" } else { "dumping" }.into());
    cast.insert("two_sided".to_owned(), false.into());
}

/// What a field that is a list holds.
fn list<'v>(value: &'v mut Value, name: &str) -> impl Iterator<Item = &'v mut Value> {
    value.get_mut(name).and_then(Value::as_array_mut).into_iter().flatten()
}

/// What lists within a list hold.
fn each<'v>(value: &'v mut Value, outer: &str, inner: &str) -> impl Iterator<Item = &'v mut Value> {
    list(value, outer).flat_map(move |one| list(one, inner))
}

fn in_place(value: &mut Value, name: &str, change: fn(Value) -> Value) {
    if let Some(field) = value.get_mut(name) {
        *field = change(field.take());
    }
}

/// A text of before, as a message that is worded already.
fn message(text: Value) -> Value {
    json!({ "code": "before.text", "text": text })
}

fn message_or_none(text: Value) -> Value {
    match text.as_str() {
        None | Some("") => Value::Null,
        Some(_) => message(text),
    }
}

/// The plan of a bowl as it was shown when it was opened.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(transparent)]
pub(crate) struct ShownPlan(pub serde_json::Map<String, Value>);

impl Document for ShownPlan {
    const WHAT: &'static str = "a bowl's plan";
    const UPGRADES: &'static [Upgrade] = &[];
}

/// What came out, at one look.
impl Document for Look {
    const WHAT: &'static str = "a result";
    const UPGRADES: &'static [Upgrade] = &[];
}

/// What was counted of one thing that was made.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
pub struct CountedPieces {
    /// The component's key.
    pub component: String,
    /// Its kind of work, as documents call it.
    pub kind: String,
    /// How many are whole; grams of what goes by weight.
    pub whole: f64,
    /// How many broke.
    pub broken: f64,
    /// How many of the whole ones were given away.
    #[serde(default)]
    pub given_away: f64,
}

/// What was counted of a batch.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default)]
pub struct CountDocument {
    /// Each thing that was made.
    pub made: Vec<CountedPieces>,
}

impl Document for CountDocument {
    const WHAT: &'static str = "a count";
    const UPGRADES: &'static [Upgrade] = &[];
}

/// What lists show of a plan or a batch.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default)]
pub struct Summary {
    /// Its chocolates' families, by their words.
    pub families: Vec<craft::chocolate::Family>,
    /// How its colours look, `#rrggbb`.
    pub colours: Vec<String>,
    /// What is made, by name.
    pub components: Vec<String>,
    /// The kinds of work that is made, by the words they are kept under; a slab with goods in it
    /// is `mixed`. Empty where a release before kept it.
    pub kinds: Vec<String>,
    /// What to weigh out of all its chocolates, g.
    pub to_weigh_g: Option<f64>,
}

impl Document for Summary {
    const WHAT: &'static str = "a summary";
    const UPGRADES: &'static [Upgrade] = &[];
}
