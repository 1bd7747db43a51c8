//! Goods as they usually are.

use actix_web::{get, web::Json};
use craft::pantry::{GoodsInputs, usual};

/// Common things to start from, without any maker's name; the maker's own numbers stand in for
/// each.
#[utoipa::path(tag = "shelf", operation_id = "list_goods", responses((status = 200, body = [GoodsInputs])))]
#[get("/goods")]
pub async fn list() -> Json<Vec<GoodsInputs>> {
    Json(usual())
}
