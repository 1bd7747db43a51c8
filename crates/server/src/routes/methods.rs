//! The tempering methods and what they say about themselves.

use actix_web::{get, web::Json};
use craft::chocolate::{Chocolate, Family};
use craft::method::{Method, Need};
use serde::Serialize;
use utoipa::ToSchema;

use crate::answer::band;

/// A tempering method.
#[derive(Debug, Serialize, ToSchema)]
pub struct MethodAnswer {
    /// What it is called in requests.
    key: Method,
    /// Its name.
    name: String,
    /// How it goes, in a sentence.
    how: String,
    /// What it is good for.
    good_for: String,
    /// What can go wrong.
    risk: String,
    /// What is to be minded.
    cautions: Vec<String>,
    /// What must be at hand.
    needs: Vec<Need>,
    /// Whether a temper test comes before the pour.
    tested: bool,
    /// The families that it suits, each with its stages.
    suits: Vec<SuitedAnswer>,
}

/// How a method goes with a family.
#[derive(Debug, Serialize, ToSchema)]
pub struct SuitedAnswer {
    /// The family.
    family: Family,
    /// The stages, in order.
    stages: Vec<StageAnswer>,
}

/// One stage on the way.
#[derive(Debug, Serialize, ToSchema)]
pub struct StageAnswer {
    /// What is done.
    name: String,
    /// Between these temperatures.
    #[schema(min_items = 2, max_items = 2)]
    window_c: [f64; 2],
}

impl From<Method> for MethodAnswer {
    fn from(method: Method) -> Self {
        let about = method.about();
        Self {
            key: method,
            name: about.name.to_owned(),
            how: about.how.to_owned(),
            good_for: about.good_for.to_owned(),
            risk: about.risk.to_owned(),
            cautions: about.cautions.iter().map(|&caution| caution.to_owned()).collect(),
            needs: method.needs().to_vec(),
            tested: method.is_tested(),
            suits: Family::ALL
                .into_iter()
                .filter(|family| method.suits(*family))
                .map(|family| SuitedAnswer { family, stages: stages(method, family) })
                .collect(),
        }
    }
}

fn stages(method: Method, family: Family) -> Vec<StageAnswer> {
    method
        .stages(&Chocolate::of(family))
        .into_iter()
        .map(|stage| StageAnswer { name: stage.name.to_owned(), window_c: band(stage.window) })
        .collect()
}

/// Every method, in the order in which they are shown.
#[utoipa::path(tag = "methods", operation_id = "list_methods", responses((status = 200, body = [MethodAnswer])))]
#[get("/methods")]
pub async fn list() -> Json<Vec<MethodAnswer>> {
    Json(Method::all().into_iter().map(Into::into).collect())
}
