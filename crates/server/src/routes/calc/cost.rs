//! What it costs.

use actix_web::post;
use actix_web::web::Json;
use craft::cost::{ByCount, ByWeight, Costed};
use craft::note::{Note, Working};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::round;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// Something by weight.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CostPartRequest {
    /// What; its place in the list, if left out.
    name: Option<String>,
    /// What of it stays, not what runs back.
    amount_g: f64,
    /// In the maker's own money.
    price_per_kg: Option<f64>,
}

/// Something by number.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CostCountRequest {
    /// What; its place in the list, if left out.
    name: Option<String>,
    count: f64,
    /// What one costs.
    price: Option<f64>,
}

/// What is added up.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CostRequest {
    parts: Vec<CostPartRequest>,
    #[serde(default)]
    packaging: Vec<CostCountRequest>,
    /// How many pieces it makes.
    pieces: Option<f64>,
    /// What is to be earned, of the price.
    margin_pct: Option<f64>,
}

/// What it comes to.
#[derive(Debug, Serialize, ToSchema)]
pub struct CostAnswer {
    /// All that has a price.
    total: f64,
    /// Of it, for one piece; `null` where nobody said how many.
    per_piece: Option<f64>,
    /// The price of all of it at which the margin is earned; `null` without a margin.
    price: Option<f64>,
    /// What has no price.
    unpriced: Vec<String>,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

/// What stays in the pieces and what they are packed in, added up.
#[utoipa::path(tag = "calc", request_body = CostRequest, responses((status = 200, body = CostAnswer), (status = 422, body = Problem)))]
#[post("/cost")]
pub async fn added(Body(request): Body<CostRequest>) -> Answer<Json<CostAnswer>> {
    let named = |name: Option<String>, of: &str, i: usize| {
        name.unwrap_or_else(|| format!("{of} {}", i + 1))
    };
    let parts = request.parts.into_iter().enumerate().map(|(i, part)| ByWeight {
        name: named(part.name, "part", i),
        amount_g: part.amount_g,
        price_per_kg: part.price_per_kg,
    });
    let packaging = request.packaging.into_iter().enumerate().map(|(i, one)| ByCount {
        name: named(one.name, "packaging", i),
        count: one.count,
        price: one.price,
    });
    let costed = Costed {
        parts: parts.collect(),
        packaging: packaging.collect(),
        pieces: request.pieces,
        margin_pct: request.margin_pct,
    };
    let cost = costed.cost()?;
    let notes = cost.unpriced.iter().map(|item| Note::info("no-price", say::no_price(item)));
    let priced = cost.lines.iter().filter_map(|line| Some((line.name.clone(), line.cost?)));
    Ok(Json(CostAnswer {
        total: round(cost.total, 4),
        per_piece: cost.per_piece.map(|each| round(each, 4)),
        price: cost.price.map(|price| round(price, 4)),
        notes: notes.collect(),
        sum: priced.map(|(name, cost)| Working::named(name, round(cost, 4), "")).collect(),
        unpriced: cost.unpriced,
    }))
}
