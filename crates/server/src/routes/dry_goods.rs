//! Dry goods as they usually are.

use actix_web::{get, web::Json};
use craft::spread::mixed::USUAL;
use craft::work::GoodsNotes;
use serde::Serialize;
use utoipa::ToSchema;

/// Dry goods as they usually are.
#[derive(Debug, Serialize, ToSchema)]
pub struct UsualDryGoods {
    /// What they are.
    name: String,
    /// Their own density, without the air between them.
    density_g_cm3: f64,
    /// What else is known of them: what a millilitre weighs as they are poured.
    known: GoodsNotes,
}

/// Dry goods to start from; the maker's own number stands in for each.
#[utoipa::path(tag = "toppings", operation_id = "list_dry_goods", responses((status = 200, body = [UsualDryGoods])))]
#[get("/dry-goods")]
pub async fn list() -> Json<Vec<UsualDryGoods>> {
    let usual = USUAL.into_iter().map(|(name, density_g_cm3, bulk_g_ml)| UsualDryGoods {
        name: name.to_owned(),
        density_g_cm3,
        known: GoodsNotes { bulk_g_ml: Some(bulk_g_ml), ..GoodsNotes::default() },
    });
    Json(usual.collect())
}
