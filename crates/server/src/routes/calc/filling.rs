//! Fillings of any ingredients.

use actix_web::post;
use actix_web::web::Json;
use craft::check::{self, Checker};
use craft::filling::{Keeps, PartOf, Texture, balance};
use craft::message::Message;
use craft::note::{Note, Working};
use craft::units::grams;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::{grams as in_grams, round};
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// So many different things are in a filling at most.
const MOST_PARTS: usize = 40;

/// What is put in.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FillingRequest {
    /// All that is put in.
    parts: Vec<FillingPart>,
}

/// One of the things that are put in.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FillingPart {
    /// What it is: a known ingredient by its name, or its water, fat and sugars.
    ingredient: PartOf,
    /// How much of it.
    grams: f64,
}

/// A filling's balance.
#[derive(Debug, Serialize, ToSchema)]
pub struct FillingAnswer {
    total_g: f64,
    water_pct: f64,
    fat_pct: f64,
    /// Sugars, sorbitol among them.
    sugar_pct: f64,
    /// The activity of its water, 0 to 1; `null` where there is too little of it to say.
    aw: Option<f64>,
    /// How long it keeps by that.
    class: Option<Keeps>,
    /// The same in a sentence.
    keeps: Option<Message>,
    /// How it handles once it has rested; `null` without chocolate.
    texture: Option<Texture>,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

/// How a filling is balanced, how it keeps, and how it handles.
#[utoipa::path(tag = "calc", request_body = FillingRequest, responses((status = 200, body = FillingAnswer), (status = 422, body = Problem)))]
#[post("/filling")]
pub async fn balanced(Body(request): Body<FillingRequest>) -> Answer<Json<FillingAnswer>> {
    let mut check = Checker::new();
    if request.parts.is_empty() || request.parts.len() > MOST_PARTS {
        check.fault("parts", say::parts_of_a_filling(MOST_PARTS, request.parts.len()));
    }
    let parts: Vec<_> = request
        .parts
        .iter()
        .enumerate()
        .take(MOST_PARTS)
        .map(|(i, part)| {
            let composition = part.ingredient.check(&format!("parts[{i}].ingredient"), &mut check);
            let mass = check.number(&format!("parts[{i}].grams"), part.grams, check::FILLING_G);
            (composition, grams(mass))
        })
        .collect();
    check.finish()?;
    let made = balance(&parts);
    Ok(Json(FillingAnswer {
        total_g: in_grams(made.total),
        water_pct: round(made.water_pct, 3),
        fat_pct: round(made.fat_pct, 3),
        sugar_pct: round(made.sugar_pct, 3),
        aw: made.activity.map(|activity| round(activity, 4)),
        class: made.keeps,
        keeps: made.keeps.map(Keeps::words),
        texture: made.texture,
        notes: made.notes,
        sum: made.working,
    }))
}
