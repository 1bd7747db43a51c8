//! The kinds of work, each with where its plan starts.

use actix_web::{get, web::Json};
use craft::chocolate::Family;
use craft::kinds::kinds;
use craft::plan::BowlInputs;
use craft::work::{Group, WorkInputs};
use serde::Serialize;
use utoipa::ToSchema;

/// A kind of work.
#[derive(Debug, Serialize, ToSchema)]
pub struct KindAnswer {
    /// Its name.
    name: String,
    /// Where it is looked for.
    group: Group,
    /// What else makers call it: words it is found by.
    words: String,
    /// What it is, in a sentence.
    how: String,
    /// The chocolates that its start is made from; in `start` they go by their family's
    /// name.
    families: Vec<Family>,
    /// The colours that its start is made with, as bowls of their own.
    colours: Vec<BowlInputs>,
    /// Where its plan starts.
    start: WorkInputs,
}

/// The kinds of work, in the order in which they are offered.
#[utoipa::path(tag = "kinds", operation_id = "list_kinds", responses((status = 200, body = [KindAnswer])))]
#[get("/kinds")]
pub async fn list() -> Json<Vec<KindAnswer>> {
    let all = kinds().into_iter().map(|kind| KindAnswer {
        name: kind.name.to_owned(),
        group: kind.group,
        words: kind.words.to_owned(),
        how: kind.how.to_owned(),
        families: kind.families.to_vec(),
        colours: kind.colours,
        start: kind.start,
    });
    Json(all.collect())
}
