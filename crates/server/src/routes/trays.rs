//! Trays as they usually are.

use actix_web::{get, web::Json};
use craft::work::{TrayInputs, USUAL_TRAYS};
use serde::Serialize;
use utoipa::ToSchema;

/// A tray as it usually is.
#[derive(Debug, Serialize, ToSchema)]
pub struct UsualTray {
    /// What it is.
    name: String,
    /// Its shape.
    shape: TrayInputs,
}

/// Trays to start from; the maker's own are on the shelf.
#[utoipa::path(tag = "trays", operation_id = "list_trays", responses((status = 200, body = [UsualTray])))]
#[get("/trays")]
pub async fn list() -> Json<Vec<UsualTray>> {
    let usual = USUAL_TRAYS.into_iter().map(|(name, length_mm, width_mm, rim_mm)| {
        let rim_mm = Some(rim_mm);
        let shape = match width_mm {
            Some(width_mm) => TrayInputs::Rectangle { length_mm, width_mm, rim_mm },
            None => TrayInputs::Round { diameter_mm: length_mm, rim_mm },
        };
        UsualTray { name: name.to_owned(), shape }
    });
    Json(usual.collect())
}
