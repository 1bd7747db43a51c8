//! Fillings of any ingredients.

use actix_web::post;
use actix_web::web::Json;
use craft::check::Checker;
use craft::filling::{FillingRecipe, IngredientInputs};
use serde::Deserialize;
use utoipa::ToSchema;

use crate::answer::filling::FillingAnswer;
use crate::body::Body;
use crate::problem::{Answer, Problem};

/// What is put in.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FillingRequest {
    /// All that is put in.
    parts: Vec<IngredientInputs>,
}

/// How a filling is balanced, how it keeps, and how it handles.
#[utoipa::path(tag = "calc", request_body = FillingRequest, responses((status = 200, body = FillingAnswer), (status = 422, body = Problem)))]
#[post("/filling")]
pub async fn balanced(Body(request): Body<FillingRequest>) -> Answer<Json<FillingAnswer>> {
    let mut check = Checker::new();
    let recipe = FillingRecipe::check(&request.parts, "parts", &mut check);
    check.finish()?;
    let Some(recipe) = recipe else { unreachable!("what has no faults is a recipe") };
    Ok(Json(recipe.balance().into()))
}
