//! Toppings as they usually are.

use actix_web::{get, web::Json};
use craft::spread::topping::USUAL;
use craft::work::GoodsNotes;
use serde::Serialize;
use utoipa::ToSchema;

/// A topping as it usually is.
#[derive(Debug, Serialize, ToSchema)]
pub struct UsualTopping {
    /// What it is.
    name: String,
    /// How wide one of it is.
    across_mm: f64,
    /// What one of it weighs.
    each_g: f64,
    /// What else is known of it: what a millilitre weighs as it is poured.
    known: GoodsNotes,
}

/// Toppings to start from; the maker's own number stands in for each.
#[utoipa::path(tag = "toppings", operation_id = "list_toppings", responses((status = 200, body = [UsualTopping])))]
#[get("/toppings")]
pub async fn list() -> Json<Vec<UsualTopping>> {
    let usual = USUAL.into_iter().map(|(name, across_mm, each_g, bulk_g_ml)| UsualTopping {
        name: name.to_owned(),
        across_mm,
        each_g,
        known: GoodsNotes { bulk_g_ml: Some(bulk_g_ml), ..GoodsNotes::default() },
    });
    Json(usual.collect())
}
