//! What a label must say of what is in the box: ingredients by weight as used, allergens, traces.
//!
//! What is said is put together from what the labels of the ingredients say; nothing is told to be
//! free of anything. Food law and the product's own label are the maker's to follow.

mod text;

pub use text::{LabelText, opened};

use std::collections::BTreeSet;

use crate::allergens::{Allergen, nut_named, told_by};
use crate::catalogue::label as say;
use crate::check::{self, Checker, Fault};

/// The longest name of a part.
const LONGEST_NAME: usize = 120;
/// The longest text of a label.
const LONGEST_TEXT: usize = 2_000;
/// So many parts at the most.
const MOST: usize = 500;

/// An allergen as a label names it: nuts by their names where those are known.
#[derive(Clone, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub struct Named {
    /// Which.
    pub allergen: Allergen,
    /// What it is called.
    pub name: String,
}

impl Named {
    /// An allergen by its own name.
    #[must_use]
    pub fn plain(allergen: Allergen) -> Self {
        Self { allergen, name: allergen.word().to_owned() }
    }

    /// One that somebody wrote: `milk`, `hazelnuts`; `None` where no allergen is known by that.
    #[must_use]
    pub fn read(text: &str) -> Option<Self> {
        let lower = text.trim().to_lowercase();
        let plain = Allergen::from_word(&lower).map(Self::plain);
        plain.or_else(|| named_in(&lower).into_iter().next())
    }
}

/// Something that goes in.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Part {
    /// What it is called.
    pub name: String,
    /// How much of it is in, g.
    pub grams: f64,
    /// What its own label says, where it is made of several things itself.
    pub label_text: Option<String>,
    /// What its label sets off.
    pub allergens: Vec<Named>,
    /// What its label says there may be traces of.
    pub may_contain: Vec<Named>,
}

/// A part of an ingredient, by that one's own label.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Opened {
    /// What that label calls it.
    pub name: String,
    /// Whether an allergen is named in it: it is set off.
    pub allergen: bool,
}

/// An ingredient.
#[derive(Clone, Debug, PartialEq)]
pub struct Ingredient {
    /// What it is called.
    pub name: String,
    /// How much of it is in, g.
    pub grams: f64,
    /// Of all, %.
    pub share_pct: f64,
    /// Whether it is set off: its name tells of an allergen, or nothing else does where its label
    /// says that it has one.
    pub allergen: bool,
    /// What it is made of by its own label, in that label's order.
    pub of: Vec<Opened>,
}

/// What a label says.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Label {
    /// The ingredients, most first.
    pub ingredients: Vec<Ingredient>,
    /// Allergens in it.
    pub contains: Vec<Named>,
    /// Those there may be traces of, less what it contains.
    pub may_contain: Vec<Named>,
}

/// What a text names of allergens: nuts by their names.
fn named_in(text: &str) -> Vec<Named> {
    let lower = text.to_lowercase();
    let one = |(word, allergen): (&'static str, Allergen)| match nut_named(word) {
        Some(nut) => Named { allergen, name: nut.to_owned() },
        None => Named::plain(allergen),
    };
    told_by(&lower).map(one).collect()
}

/// Nuts by their names say which; where any are named, "nuts" alone says nothing more.
fn once(mut all: BTreeSet<Named>) -> Vec<Named> {
    let by_name = |of: Allergen, all: &BTreeSet<Named>| {
        all.iter().any(|one| one.allergen == of && one.name != of.word())
    };
    let plain: Vec<Named> =
        all.iter().filter(|one| one.name == one.allergen.word()).cloned().collect();
    for one in plain {
        if by_name(one.allergen, &all) {
            all.remove(&one);
        }
    }
    all.into_iter().collect()
}

/// The label of what these parts make; `beside` is what else was on the bench.
///
/// The same part named twice is one; parts of which there is nothing are left out.
///
/// # Errors
/// Every fault, each with its field: no parts, masses that are none, texts with control characters.
pub fn label(parts: &[Part], beside: &[Named]) -> Result<Label, Vec<Fault>> {
    let mut check = Checker::new();
    if parts.is_empty() {
        check.fault("parts", say::no_parts());
    }
    if parts.len() > MOST {
        check.fault("parts", say::too_many(MOST, parts.len()));
    }
    for (i, part) in parts.iter().enumerate().take(MOST) {
        check.text(format_args!("parts[{i}].name"), &part.name, LONGEST_NAME);
        check.number(format_args!("parts[{i}].grams"), part.grams, check::COSTED_G);
        if let Some(text) = &part.label_text {
            check.remark(&format!("parts[{i}].label_text"), text, LONGEST_TEXT);
        }
    }
    check.finish()?;
    let total: f64 = parts.iter().map(|part| part.grams).sum();
    let mut ingredients: Vec<Ingredient> = Vec::new();
    let (mut contains, mut may_contain) = (BTreeSet::new(), BTreeSet::new());
    for part in parts.iter().filter(|part| part.grams > 0.0) {
        let text = part.label_text.as_deref().map(opened).unwrap_or_default();
        let of: Vec<Opened> = text
            .ingredients
            .iter()
            .map(|name| Opened { name: name.clone(), allergen: !named_in(name).is_empty() })
            .collect();
        let by_name = named_in(&part.name);
        let told = of.iter().any(|one| one.allergen) || !by_name.is_empty();
        let stated = text.contains.iter().flat_map(|text| named_in(text));
        let in_it: Vec<Named> = text
            .ingredients
            .iter()
            .flat_map(|name| named_in(name))
            .chain(by_name.iter().cloned())
            .chain(stated)
            .chain(part.allergens.iter().cloned())
            .collect();
        let allergen = !by_name.is_empty() || !told && !in_it.is_empty();
        contains.extend(in_it);
        may_contain.extend(part.may_contain.iter().cloned());
        may_contain.extend(text.may_contain.iter().flat_map(|text| named_in(text)));
        let share_pct = 100.0 * part.grams / total;
        let same = |known: &&mut Ingredient| known.name == part.name && known.of == of;
        match ingredients.iter_mut().find(same) {
            Some(known) => {
                known.grams += part.grams;
                known.share_pct += share_pct;
                known.allergen |= allergen;
            }
            None => ingredients.push(Ingredient {
                name: part.name.clone(),
                grams: part.grams,
                share_pct,
                allergen,
                of,
            }),
        }
    }
    ingredients.sort_by(|a, b| b.grams.total_cmp(&a.grams).then_with(|| a.name.cmp(&b.name)));
    may_contain.extend(beside.iter().cloned());
    let contains = once(contains);
    // Traces of "nuts" are of any, whatever others are named.
    let mut may_contain: Vec<Named> = may_contain.into_iter().collect();
    let in_it = |one: &Named| {
        contains.iter().any(|known| {
            known == one || known.allergen == one.allergen && one.allergen != Allergen::Nuts
        })
    };
    may_contain.retain(|one| !in_it(one));
    Ok(Label { ingredients, contains, may_contain })
}

#[cfg(test)]
mod tests {
    use super::*;

    fn part(name: &str, grams: f64, text: &str) -> Part {
        let label_text = (!text.is_empty()).then(|| text.to_owned());
        Part { name: name.into(), grams, label_text, ..Part::default() }
    }

    fn names(all: &[Named]) -> Vec<&str> {
        all.iter().map(|one| one.name.as_str()).collect()
    }

    #[test]
    fn most_comes_first_and_what_is_made_of_several_things_is_opened() {
        let milk = "Ingredients: sugar, cocoa butter, whole milk powder, cocoa mass, emulsifier \
                    (soya lecithin), vanilla. May contain traces of hazelnuts and gluten.";
        let parts = [
            part("sea salt", 2.0, ""),
            part("milk chocolate", 180.0, milk),
            part("roasted almonds", 60.0, ""),
            part("milk chocolate", 20.0, milk),
            part("sprinkles", 0.0, "wheat flour"),
        ];
        let label = label(&parts, &[]).expect("a label");
        let told: Vec<_> =
            label.ingredients.iter().map(|one| (one.name.as_str(), one.grams)).collect();
        assert_eq!(told, [("milk chocolate", 200.0), ("roasted almonds", 60.0), ("sea salt", 2.0)]);
        let shares: f64 = label.ingredients.iter().map(|one| one.share_pct).sum();
        assert!((shares - 100.0).abs() < 1e-9);
        let of: Vec<_> =
            label.ingredients[0].of.iter().map(|o| (o.name.as_str(), o.allergen)).collect();
        assert_eq!(
            of,
            [
                ("sugar", false),
                ("cocoa butter", false),
                ("whole milk powder", true),
                ("cocoa mass", false),
                ("emulsifier (soya lecithin)", true),
                ("vanilla", false),
            ]
        );
        assert!(label.ingredients[1].allergen && !label.ingredients[2].allergen);
        assert_eq!(names(&label.contains), ["milk", "soya", "almonds"]);
        assert_eq!(names(&label.may_contain), ["hazelnuts", "gluten"]);
    }

    #[test]
    fn what_else_was_on_the_bench_is_a_trace_and_what_is_in_it_is_none() {
        let beside = [Named::plain(Allergen::Peanuts), Named::plain(Allergen::Milk)];
        let cream = part("cream", 100.0, "");
        let label = label(&[cream, part("dark", 200.0, "")], &beside).expect("a label");
        assert_eq!(names(&label.contains), ["milk"]);
        assert_eq!(names(&label.may_contain), ["peanuts"]);
    }

    #[test]
    fn nuts_are_named_and_another_nut_is_still_a_trace() {
        let stated = |texts: &[&str]| texts.iter().filter_map(|t| Named::read(t)).collect();
        let paste = Part {
            allergens: stated(&["nuts", "hazelnuts"]),
            may_contain: stated(&["almonds", "nuts", "Milk"]),
            ..part("filling", 50.0, "")
        };
        let label = label(&[paste], &[]).expect("a label");
        assert_eq!(names(&label.contains), ["hazelnuts"]);
        assert_eq!(names(&label.may_contain), ["milk", "almonds", "nuts"]);
        assert!(label.ingredients[0].allergen, "nothing else of it tells");
        assert_eq!(Named::read("moon dust"), None);
    }

    #[test]
    fn texts_with_control_characters_and_masses_that_are_none_are_refused_by_their_field() {
        let odd = [part("", f64::NAN, "sugar\u{7}"), part("dark", -1.0, &"x".repeat(5_000))];
        let faults = label(&odd, &[]).expect_err("faults");
        let fields: Vec<_> = faults.into_iter().map(|fault| fault.field).collect();
        assert_eq!(
            fields,
            [
                "parts[0].name",
                "parts[0].grams",
                "parts[0].label_text",
                "parts[1].grams",
                "parts[1].label_text"
            ]
        );
        assert_eq!(label(&[], &[]).expect_err("faults")[0].field, "parts");
    }
}
