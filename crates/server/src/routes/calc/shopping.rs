//! What is to be bought.

use actix_web::post;
use actix_web::web::Json;
use craft::note::{Note, Working};
use craft::pantry::CountedIn;
use craft::shopping::{Amount, List, Pack, list};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::round;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// So much of an item.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct AmountRequest {
    item: String,
    amount: f64,
    unit: CountedIn,
}

impl From<AmountRequest> for Amount {
    fn from(one: AmountRequest) -> Self {
        Self { item: one.item, amount: one.amount, unit: one.unit }
    }
}

/// What a pack holds and costs.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PackRequest {
    item: String,
    /// How much, in what the item is counted in.
    amount: f64,
    price: Option<f64>,
}

/// What is needed, and what is there.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ShoppingRequest {
    needs: Vec<AmountRequest>,
    #[serde(default)]
    stock: Vec<AmountRequest>,
    #[serde(default)]
    packs: Vec<PackRequest>,
}

/// A line of the list.
#[derive(Debug, Serialize, ToSchema)]
pub struct ToBuyAnswer {
    item: String,
    unit: CountedIn,
    /// All that is needed.
    needed: f64,
    /// What is missing.
    short: f64,
    /// In whole packs; `null` where nobody knows what one holds.
    packs: Option<f64>,
    /// So much is bought by that.
    bought: f64,
    /// What they cost; `null` where there is no price.
    cost: Option<f64>,
}

/// A shopping list.
#[derive(Debug, Serialize, ToSchema)]
pub struct ShoppingAnswer {
    list: Vec<ToBuyAnswer>,
    /// What all of it costs, as far as prices are known.
    total: f64,
    /// What is to be bought and has no price.
    unpriced: Vec<String>,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

/// What is needed less what is there, in whole packs.
#[utoipa::path(tag = "calc", request_body = ShoppingRequest, responses((status = 200, body = ShoppingAnswer), (status = 422, body = Problem)))]
#[post("/shopping")]
pub async fn listed(Body(request): Body<ShoppingRequest>) -> Answer<Json<ShoppingAnswer>> {
    let amounts =
        |all: Vec<AmountRequest>| all.into_iter().map(Into::into).collect::<Vec<Amount>>();
    let packs: Vec<_> = request
        .packs
        .into_iter()
        .map(|pack| Pack { item: pack.item, amount: pack.amount, price: pack.price })
        .collect();
    let List { lines, total, unpriced } =
        list(&amounts(request.needs), &amounts(request.stock), &packs)?;
    let costs = lines.iter().filter_map(|line| Some((line.item.clone(), line.cost?)));
    let sum = costs
        .filter(|(_, cost)| *cost > 0.0)
        .map(|(item, cost)| Working::named(item, round(cost, 2), ""));
    let sum = sum.collect();
    let notes = unpriced.iter().map(|item| Note::info("no-price", say::no_price(item))).collect();
    let list = lines.into_iter().map(|line| ToBuyAnswer {
        item: line.item,
        unit: line.unit,
        needed: round(line.needed, 2),
        short: round(line.short, 2),
        packs: line.packs,
        bought: round(line.bought, 2),
        cost: line.cost.map(|cost| round(cost, 2)),
    });
    Ok(Json(ShoppingAnswer { list: list.collect(), total: round(total, 2), unpriced, notes, sum }))
}
