//! What a label must say.

use actix_web::post;
use actix_web::web::Json;
use craft::allergens::Allergen;
use craft::check::Checker;
use craft::label::{Ingredient, Label, Named, Opened, Part, label};
use craft::message::names;
use craft::note::{Note, Working};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::round;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// Something that goes in.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct LabelPartRequest {
    name: String,
    grams: f64,
    /// What its own label says, where it is made of several things itself.
    label_text: Option<String>,
    /// What its label sets off: milk, soya, nuts or a nut's name, peanuts, gluten, sesame, egg.
    #[serde(default)]
    allergens: Vec<String>,
    /// What its label says there may be traces of.
    #[serde(default)]
    may_contain: Vec<String>,
}

/// What is in it, and what else was on the bench.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct LabelRequest {
    parts: Vec<LabelPartRequest>,
    /// Allergens of what else was on the bench.
    #[serde(default)]
    beside: Vec<String>,
}

/// A part of an ingredient, by that one's own label.
#[derive(Debug, Serialize, ToSchema)]
pub struct OpenedAnswer {
    name: String,
    /// Whether an allergen is named in it: it is set off.
    allergen: bool,
}

/// An ingredient.
#[derive(Debug, Serialize, ToSchema)]
pub struct IngredientAnswer {
    name: String,
    grams: f64,
    share_pct: f64,
    /// Whether it is set off.
    allergen: bool,
    /// What it is made of by its own label.
    of: Vec<OpenedAnswer>,
}

impl From<Ingredient> for IngredientAnswer {
    fn from(one: Ingredient) -> Self {
        let opened = |of: Opened| OpenedAnswer { name: of.name, allergen: of.allergen };
        Self {
            name: one.name,
            grams: round(one.grams, 2),
            share_pct: round(one.share_pct, 1),
            allergen: one.allergen,
            of: one.of.into_iter().map(opened).collect(),
        }
    }
}

/// What a label says.
#[derive(Debug, Serialize, ToSchema)]
pub struct LabelAnswer {
    /// Most first.
    ingredients: Vec<IngredientAnswer>,
    contains: Vec<String>,
    /// Less what it contains.
    may_contain: Vec<String>,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

fn read(field: &str, all: &[String], check: &mut Checker) -> Vec<Named> {
    let one = |(i, text): (usize, &String)| {
        let named = Named::read(text);
        if named.is_none() {
            let known = Allergen::ALL.iter().map(|allergen| allergen.word());
            check.fault(format!("{field}[{i}]"), say::an_allergen(names(known)));
        }
        named
    };
    all.iter().enumerate().filter_map(one).collect()
}

/// Ingredients by weight, allergens, and what there may be traces of.
#[utoipa::path(tag = "calc", request_body = LabelRequest, responses((status = 200, body = LabelAnswer), (status = 422, body = Problem)))]
#[post("/label")]
pub async fn worded(Body(request): Body<LabelRequest>) -> Answer<Json<LabelAnswer>> {
    let mut check = Checker::new();
    let beside = read("beside", &request.beside, &mut check);
    let mut parts = Vec::with_capacity(request.parts.len());
    for (i, part) in request.parts.into_iter().enumerate() {
        parts.push(Part {
            allergens: read(&format!("parts[{i}].allergens"), &part.allergens, &mut check),
            may_contain: read(&format!("parts[{i}].may_contain"), &part.may_contain, &mut check),
            name: part.name,
            grams: part.grams,
            label_text: part.label_text,
        });
    }
    let said = label(&parts, &beside).unwrap_or_else(|faults| {
        faults.into_iter().for_each(|fault| check.add(fault));
        Label::default()
    });
    check.finish()?;
    let words = |all: Vec<Named>| all.into_iter().map(|one| one.name).collect();
    let sum = said
        .ingredients
        .iter()
        .map(|one| Working::named(one.name.clone(), round(one.grams, 1), "g"));
    let sum = sum.collect();
    let ingredients = said.ingredients.into_iter().map(Into::into);
    Ok(Json(LabelAnswer {
        ingredients: ingredients.collect(),
        contains: words(said.contains),
        may_contain: words(said.may_contain),
        notes: vec![Note::info("law", say::food_law())],
        sum,
    }))
}
