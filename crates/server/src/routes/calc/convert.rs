//! Other measures.

use actix_web::post;
use actix_web::web::Json;
use craft::check::{self, Checker};
use craft::measure::{self, ConversionError, Ingredient, Unit};
use craft::note::{Note, Working};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::round;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// What is to be converted.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ConvertRequest {
    /// How many; or else `text`.
    value: Option<f64>,
    /// Of what; goes with `value`, and with a `text` that has no unit.
    from: Option<Unit>,
    /// A measure as people type it, in place of `value`: 10 1/2 in, 10,5 cm, ¼ cup.
    text: Option<String>,
    to: Unit,
    /// From a volume to a mass, or back: of what.
    ingredient: Option<Ingredient>,
}

/// The same in another unit.
#[derive(Debug, Serialize, ToSchema)]
pub struct ConvertAnswer {
    /// How many of the unit that was asked for.
    value: f64,
    /// Whether it goes by how closely the ingredient packs.
    approximate: bool,
    /// Remarks.
    notes: Vec<Note>,
    /// The working.
    sum: Vec<Working>,
}

/// A measure in another unit.
#[utoipa::path(tag = "calc", request_body = ConvertRequest, responses((status = 200, body = ConvertAnswer), (status = 422, body = Problem)))]
#[post("/convert")]
pub async fn convert(Body(request): Body<ConvertRequest>) -> Answer<Json<ConvertAnswer>> {
    let mut check = Checker::new();
    let stated = stated(&request, &mut check);
    check.finish()?;
    let Some((value, from)) = stated else {
        return Err(Problem::bad_field("from", say::unit_needed()));
    };
    let converted = measure::convert(value, from, request.to, request.ingredient)
        .map_err(|error| Problem::bad_field(field_of(error), error.message()))?;
    let notes = if converted.approximate {
        vec![Note::info("approximate", say::approximate())]
    } else {
        Vec::new()
    };
    let sum = request
        .ingredient
        .filter(|_| converted.approximate)
        .map(|of| Working::new("a millilitre weighs about", of.grams_per_millilitre(), "g"));
    Ok(Json(ConvertAnswer {
        value: round(converted.value, 6),
        approximate: converted.approximate,
        notes,
        sum: sum.into_iter().collect(),
    }))
}

fn stated(request: &ConvertRequest, check: &mut Checker) -> Option<(f64, Unit)> {
    let (value, unit) = match (request.value, &request.text) {
        (Some(value), None) => (check.number("value", value, check::ANY), None),
        (None, Some(text)) => match measure::read(text) {
            Ok(typed) => (check.number("text", typed.value, check::ANY), typed.unit),
            Err(error) => {
                check.fault("text", error.message());
                return None;
            }
        },
        (given, _) => {
            let given = if given.is_some() { say::both_given() } else { say::neither_given() };
            check.fault("value", say::value_or_text(given));
            return None;
        }
    };
    unit.or(request.from).map(|from| (value, from))
}

fn field_of(error: ConversionError) -> &'static str {
    match error {
        ConversionError::OtherDimension => "to",
        ConversionError::NoIngredient => "ingredient",
    }
}
