//! Pigments as they usually are.

use actix_web::{get, web::Json};
use craft::colour::{PigmentInputs, usual_pigments};

/// Pigments to start from, by kind; the maker's own are on the shelf. What a label
/// says of eating it is the maker's to declare.
#[utoipa::path(tag = "pigments", operation_id = "list_pigments", responses((status = 200, body = [PigmentInputs])))]
#[get("/pigments")]
pub async fn list() -> Json<Vec<PigmentInputs>> {
    Json(usual_pigments())
}
