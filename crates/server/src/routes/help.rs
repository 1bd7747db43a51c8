//! Why and how, by the topics that steps name.

use actix_web::{get, web::Json};
use craft::help::{Help, Topic};

/// What is told of each topic: why it is done, and how.
#[utoipa::path(tag = "reference", operation_id = "list_help", responses((status = 200, body = [Help])))]
#[get("/help")]
pub async fn list() -> Json<Vec<Help>> {
    Json(Topic::ALL.map(Topic::help).into())
}
