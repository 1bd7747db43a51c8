//! Edits of a plan that touch more than one place of it: something more is made, another
//! chocolate or colour comes in, what nothing is made from goes.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::catalogue::plan as say;
use crate::check::Fault;
use crate::chocolate::Family;
use crate::colour::{PigmentInputs, USUAL_PARTS, usual_pigments};
use crate::kinds::{Kind, kinds};
use crate::learn::GearNumbers;
use crate::message::names;
use crate::method::Kitchen;
use crate::plan::bowl_names::{PART_OF, free};
use crate::plan::{BowlInputs, PlanInputs, RecipeInputs, RecipePart};
use crate::work::ComponentInputs;

/// A pigment to make a colour with: one from the shelf, or as it usually is.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PigmentChoice {
    /// What the colour is called after.
    pub name: String,
    /// The pigment on the shelf.
    #[serde(default)]
    pub pigment_id: Option<Uuid>,
    /// The pigment itself.
    #[serde(default)]
    pub pigment: Option<PigmentInputs>,
}

/// An edit of a plan.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "edit", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Edit {
    /// One kind of work more, with the chocolates and colours that it starts from.
    AddKind {
        /// The kind's name.
        kind: String,
    },
    /// One thing more that is ready as it is.
    AddReady {
        /// It; its key and name are made its own.
        component: Box<ComponentInputs>,
    },
    /// One chocolate more, melted as the first one is.
    AddChocolate {
        /// Which.
        family: Family,
    },
    /// A part of a chocolate or a colour that is there, to be tinted, mixed or named by itself.
    AddPart {
        /// Which, by its key.
        of: String,
    },
    /// One colour more.
    AddColour {
        /// What with; the first of the usual ones where it is not said.
        #[serde(default)]
        pigment: Option<Box<PigmentChoice>>,
    },
}

/// What an edit came to.
#[derive(Clone, Debug, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Edited {
    /// The plan as it is now.
    pub inputs: PlanInputs,
    /// The key of what was added.
    pub key: String,
}

/// A plan after an edit.
///
/// # Errors
/// Where there is no such kind of work, or no such chocolate to take a part of.
pub fn edited(inputs: &PlanInputs, edit: Edit) -> Result<Edited, Fault> {
    let mut inputs = inputs.clone();
    let key = match edit {
        Edit::AddKind { kind } => {
            let all = kinds();
            let Some(kind) = all.iter().find(|known| known.name == kind) else {
                let message = say::must_be_kind(names(all.iter().map(|kind| kind.name)), &kind);
                return Err(Fault { field: "edit.kind".to_owned(), message });
            };
            add_kind(&mut inputs, kind)
        }
        Edit::AddReady { component } => add(&mut inputs, *component),
        Edit::AddChocolate { family } => {
            add_bowl(&mut inputs, &family.to_string(), BowlInputs::usual(family))
        }
        Edit::AddPart { of } => add_part(&mut inputs, &of)?,
        Edit::AddColour { pigment } => {
            add_colour(&mut inputs, pigment.map_or_else(first_usual, |pigment| *pigment))
        }
    };
    Ok(Edited { inputs, key })
}

/// A plan of one kind of work alone, as it starts in this kitchen.
///
/// # Errors
/// Where there is no such kind.
pub fn of_kind(usual: &PlanInputs, kind: String) -> Result<PlanInputs, Fault> {
    let without = PlanInputs { components: Vec::new(), ..usual.clone() };
    let mut inputs = edited(&without, Edit::AddKind { kind })
        .map_err(|fault| Fault { field: "kind".to_owned(), ..fault })?
        .inputs;
    let Uses { idle, .. } = uses(&inputs);
    inputs.bowls.retain(|bowl| !idle.contains(&bowl.key));
    Ok(inputs)
}

/// What is made from what in a plan, by keys.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Uses {
    /// The chocolates and colours of each component, in the components' order.
    pub made_from: Vec<Vec<String>>,
    /// The chocolates that nothing is made from, nothing tinted with and nothing taken from.
    pub unused: Vec<String>,
    /// Those of them of which nothing was said either: they may go. One with its own numbers, an
    /// amount or a method stays until the maker takes it away.
    pub idle: Vec<String>,
}

/// What is made from what.
#[must_use]
pub fn uses(inputs: &PlanInputs) -> Uses {
    let made_from: Vec<_> = inputs.components.iter().map(|c| c.work.chocolates()).collect();
    let is_used = |key: &String| {
        let tints = inputs.bowls.iter().filter_map(|bowl| bowl.tint.as_ref());
        let parts = inputs.bowls.iter().filter_map(|bowl| bowl.taken_from.as_ref());
        let used = made_from.iter().flatten().chain(tints.map(|tint| &tint.colour)).chain(parts);
        used.into_iter().any(|used| used == key)
    };
    let unused: Vec<_> = inputs.bowls.iter().filter(|bowl| !is_used(&bowl.key)).collect();
    let keys = |of: &[&BowlInputs]| of.iter().map(|bowl| bowl.key.clone()).collect();
    let idle: Vec<_> = unused.iter().copied().filter(|bowl| nothing_said(bowl)).collect();
    Uses { unused: keys(&unused), idle: keys(&idle), made_from }
}

/// Whether a bowl is as it came in, but for the gear that it took over.
fn nothing_said(bowl: &BowlInputs) -> bool {
    let plain = |recipe: &RecipeInputs| {
        let [only] = recipe.pigments.as_slice() else { return false };
        !recipe.strained && (only.parts_per_100 - USUAL_PARTS).abs() < 1e-9
    };
    if bowl.colour.as_ref().is_some_and(|recipe| !plain(recipe)) {
        return false;
    }
    let bare = |bowl: &BowlInputs| BowlInputs {
        key: String::new(),
        taken_from: None,
        colour: None,
        ware_id: None,
        heat_id: None,
        thermometer_id: None,
        learned: GearNumbers::default(),
        offset_c: None,
        label: None,
        kitchen: Kitchen::default(),
        stone_c: None,
        bowl: None,
        microwave: None,
        flow_grade: None,
        ..bowl.clone()
    };
    bare(bowl) == bare(&BowlInputs::usual(bowl.family))
}

/// Adds a bowl that is melted and read as the first one is; gives its key.
fn add_bowl(inputs: &mut PlanInputs, wish: &str, bowl: BowlInputs) -> String {
    let key = free(wish, inputs.bowls.iter().map(|bowl| bowl.key.as_str()));
    let gear = match inputs.bowls.first() {
        Some(first) => BowlInputs {
            heat_id: first.heat_id,
            thermometer_id: first.thermometer_id,
            microwave: first.microwave,
            kitchen: first.kitchen,
            stone_c: first.stone_c,
            // Colour has a small bowl of its own.
            ware_id: first.ware_id.filter(|_| bowl.colour.is_none()),
            bowl: first.bowl.filter(|_| bowl.colour.is_none()),
            ..bowl
        },
        None => bowl,
    };
    inputs.bowls.push(BowlInputs { key: key.clone(), ..gear });
    key
}

/// Adds a part of a bowl: of the whole one, where it is asked of a part; gives its key.
fn add_part(inputs: &mut PlanInputs, of: &str) -> Result<String, Fault> {
    let bowls = || inputs.bowls.iter();
    let Some(whole) = bowls().find(|bowl| bowl.key == of) else {
        let message = say::must_be_a_bowl(names(bowls().map(|bowl| &bowl.key)), of);
        return Err(Fault { field: "edit.of".to_owned(), message });
    };
    let from = whole.taken_from.clone().unwrap_or_else(|| whole.key.clone());
    let key = free(&format!("{PART_OF}{from}"), inputs.bowls.iter().map(|bowl| bowl.key.as_str()));
    let part =
        BowlInputs { key: key.clone(), taken_from: Some(from), ..BowlInputs::usual(whole.family) };
    inputs.bowls.push(part);
    Ok(key)
}

fn first_usual() -> PigmentChoice {
    let pigment = usual_pigments().swap_remove(0);
    PigmentChoice { name: pigment.name.clone(), pigment_id: None, pigment: Some(pigment) }
}

fn add_colour(inputs: &mut PlanInputs, pigment: PigmentChoice) -> String {
    let PigmentChoice { name, pigment_id, pigment } = pigment;
    let part = RecipePart { pigment_id, pigment, parts_per_100: USUAL_PARTS };
    let bowl = BowlInputs {
        colour: Some(RecipeInputs { pigments: vec![part], strained: false }),
        ..BowlInputs::usual(Family::CocoaButter)
    };
    add_bowl(inputs, &name.to_lowercase(), bowl)
}

/// Adds a component under a key and a name of its own; gives its key.
fn add(inputs: &mut PlanInputs, component: ComponentInputs) -> String {
    let others = || inputs.components.iter();
    let key = free(&component.key, others().map(|other| other.key.as_str()));
    let name = free(&component.name, others().map(|other| other.name.as_str()));
    inputs.components.push(ComponentInputs { key: key.clone(), name, work: component.work });
    key
}

fn add_kind(inputs: &mut PlanInputs, kind: &Kind) -> String {
    let mut keys: Vec<(String, String)> = Vec::new();
    for (i, family) in kind.families.iter().enumerate() {
        let plain = |bowl: &&BowlInputs| bowl.colour.is_none();
        let there = match i {
            // The first chocolate is the one that is there, whatever it is.
            0 => inputs.bowls.iter().find(plain),
            _ => inputs.bowls.iter().filter(plain).find(|bowl| {
                let taken = keys.iter().any(|(_, key)| *key == bowl.key);
                bowl.family == *family && bowl.blend.is_none() && !taken
            }),
        };
        let key = match there {
            Some(there) => there.key.clone(),
            None => add_bowl(inputs, &family.to_string(), BowlInputs::usual(*family)),
        };
        keys.push((family.to_string(), key));
    }
    for colour in &kind.colours {
        // A colour of that name that is there will do.
        let there = inputs.bowls.iter().any(|b| b.key == colour.key && b.colour.is_some());
        if !there {
            let key = add_bowl(inputs, &colour.key, colour.clone());
            keys.push((colour.key.clone(), key));
        }
    }
    let mut work = kind.start.clone();
    work.rename(|old| keys.iter().find(|(from, _)| from == old).map(|(_, to)| to.clone()));
    let key = work.kind().to_owned();
    add(inputs, ComponentInputs { key, name: kind.name.to_owned(), work })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::plan::{OwnInputs, Plan};

    fn after(inputs: &PlanInputs, edit: Edit) -> Edited {
        edited(inputs, edit).expect("it can be done")
    }

    #[test]
    fn every_kind_can_be_added_twice_and_planned() {
        let mut inputs = PlanInputs::usual(Family::Milk);
        for kind in kinds() {
            for _ in 0..2 {
                let add = Edit::AddKind { kind: kind.name.to_owned() };
                let done = after(&PlanInputs::usual(Family::Milk), add.clone());
                Plan::of(&done.inputs).unwrap_or_else(|faults| panic!("{}: {faults:?}", kind.name));
                if inputs.bowls.len() < 7 && inputs.components.len() < 20 {
                    inputs = after(&inputs, add).inputs;
                }
            }
        }
        Plan::of(&inputs).expect("all of them together");
        let mut names: Vec<_> = inputs.components.iter().map(|c| (&c.key, &c.name)).collect();
        let there = names.len();
        names.dedup_by_key(|(key, _)| *key);
        assert_eq!(names.len(), there);
        assert!(uses(&inputs).idle.is_empty(), "{:?}", uses(&inputs).idle);
        let refused = edited(&inputs, Edit::AddKind { kind: "castles".to_owned() });
        assert!(refused.expect_err("no such kind").message.text().contains("it is castles"));
    }

    #[test]
    fn the_chocolate_that_is_there_is_used_and_others_come_in_beside_it() {
        let milk = PlanInputs::usual(Family::Milk);
        let done = after(&milk, Edit::AddKind { kind: "Marbled bark".to_owned() });
        assert_eq!(done.key, "marbled");
        let bowls: Vec<_> = done.inputs.bowls.iter().map(|bowl| bowl.key.as_str()).collect();
        assert_eq!(bowls, ["milk", "white"]);
        assert_eq!(done.inputs.components[1].work.chocolates(), ["milk", "white"]);
        // A white that is there already is no second one.
        let white = PlanInputs::usual(Family::White);
        let done = after(&white, Edit::AddKind { kind: "Marbled bark".to_owned() });
        assert_eq!(done.inputs.components[1].work.chocolates(), ["white", "white 2"]);
    }

    #[test]
    fn one_that_nothing_was_said_of_goes_and_one_with_its_own_numbers_stays() {
        let dark = PlanInputs::usual(Family::Dark);
        let mut both = after(&dark, Edit::AddChocolate { family: Family::White }).inputs;
        assert_eq!(uses(&both).idle, ["white"]);
        // Gear that it took over, or was given since, says nothing of it.
        both.bowls[1].heat_id = Some(Uuid::nil());
        assert_eq!(uses(&both).idle, ["white"]);
        for said in [
            BowlInputs { total_g: Some(300.0), ..both.bowls[1].clone() },
            BowlInputs {
                own: OwnInputs { limit_c: Some(44.0), ..OwnInputs::default() },
                ..both.bowls[1].clone()
            },
            BowlInputs { melt_to_c: Some(44.0), ..both.bowls[1].clone() },
            BowlInputs { chocolate_id: Some(Uuid::nil()), ..both.bowls[1].clone() },
        ] {
            let inputs = PlanInputs { bowls: vec![both.bowls[0].clone(), said], ..both.clone() };
            assert!(uses(&inputs).idle.is_empty(), "{inputs:?}");
            assert_eq!(uses(&inputs).unused, ["white"]);
        }
        let pigment = Some(Box::new(PigmentChoice {
            name: "Blue lake".to_owned(),
            pigment_id: Some(Uuid::nil()),
            pigment: None,
        }));
        let mut blue = after(&dark, Edit::AddColour { pigment });
        assert_eq!(blue.key, "blue lake");
        assert_eq!(uses(&blue.inputs).idle, ["blue lake"]);
        blue.inputs.bowls[1].colour.as_mut().expect("a colour").pigments[0].parts_per_100 = 4.0;
        assert!(uses(&blue.inputs).idle.is_empty());
    }

    #[test]
    fn a_colour_of_which_nothing_is_said_is_of_the_first_usual_pigment() {
        let edit = serde_json::from_str(r#"{ "edit": "add_colour" }"#).expect("an edit");
        let done = after(&PlanInputs::usual(Family::Dark), edit);
        let colour = done.inputs.bowls.iter().find(|bowl| bowl.key == done.key);
        let first = &usual_pigments()[0];
        assert_eq!(done.key, first.name.to_lowercase());
        let pigments = &colour.expect("it came in").colour.as_ref().expect("a colour").pigments;
        assert_eq!(pigments[0].pigment.as_ref(), Some(first));
    }
}
