//! Dry goods as they usually are.

use actix_web::{get, web::Json};
use craft::spread::mixed::USUAL;
use serde::Serialize;
use utoipa::ToSchema;

/// Dry goods as they usually are.
#[derive(Debug, Serialize, ToSchema)]
pub struct UsualDryGoods {
    /// What they are.
    name: String,
    /// Their own density, without the air between them.
    density_g_cm3: f64,
}

/// Dry goods to start from; the maker's own number stands in for each.
#[utoipa::path(tag = "toppings", operation_id = "list_dry_goods", responses((status = 200, body = [UsualDryGoods])))]
#[get("/dry-goods")]
pub async fn list() -> Json<Vec<UsualDryGoods>> {
    let usual = USUAL
        .into_iter()
        .map(|(name, density_g_cm3)| UsualDryGoods { name: name.to_owned(), density_g_cm3 });
    Json(usual.collect())
}
