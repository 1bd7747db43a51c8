//! How many of each kind for so many boxes.

use actix_web::post;
use actix_web::web::Json;
use craft::boxes::{InEach, Portion, to_make};
use craft::note::{Note, Working};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::body::Body;
use crate::problem::{Answer, Problem};

/// Boxes.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BoxesRequest {
    /// How many.
    boxes: f64,
    /// What lies in each.
    each: Vec<InEach>,
    /// What is made beyond that, for what breaks; nothing, if left out.
    spare_pct: Option<f64>,
}

/// What is to be made of one kind.
#[derive(Debug, Serialize, ToSchema)]
pub struct ToMakeAnswer {
    component: String,
    /// So many pieces; left out where it goes by weight.
    #[serde(skip_serializing_if = "Option::is_none")]
    pieces: Option<f64>,
    /// So many grams; left out where it goes by the piece.
    #[serde(skip_serializing_if = "Option::is_none")]
    grams: Option<f64>,
}

/// What is to be made for boxes.
#[derive(Debug, Serialize, ToSchema)]
pub struct BoxesAnswer {
    make: Vec<ToMakeAnswer>,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

/// What is to be made of each kind for so many boxes, rounded up.
#[utoipa::path(tag = "calc", request_body = BoxesRequest, responses((status = 200, body = BoxesAnswer), (status = 422, body = Problem)))]
#[post("/boxes")]
pub async fn made(Body(request): Body<BoxesRequest>) -> Answer<Json<BoxesAnswer>> {
    let make = to_make(request.boxes, &request.each, request.spare_pct)?;
    let answer = make.into_iter().map(|one| {
        let (pieces, grams) = match one.portion {
            Portion::Pieces(pieces) => (Some(pieces), None),
            Portion::Grams(grams) => (None, Some(grams)),
        };
        ToMakeAnswer { component: one.component, pieces, grams }
    });
    let spare = request.spare_pct.unwrap_or(0.0);
    let sum = vec![Working::new("boxes", request.boxes, ""), Working::new("to spare", spare, "%")];
    Ok(Json(BoxesAnswer { make: answer.collect(), notes: Vec::new(), sum }))
}
