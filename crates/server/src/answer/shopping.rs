//! A shopping list.

use craft::chocolate::Family;
use craft::colour::PigmentInputs;
use craft::pantry::CountedIn;
use craft::shelf::{Shop, ShoppingList, ToShop};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::round;

/// A line of a shopping list, in what it is counted in.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ToShopAnswer {
    /// The thing on the shelf that it is; `null` where it does not stand there.
    pub thing_id: Option<Uuid>,
    /// What.
    pub name: String,
    /// Where it is bought.
    pub shop: Shop,
    /// What it is counted in.
    pub unit: CountedIn,
    /// All that is needed.
    pub needed: f64,
    /// What the shelf has of it; `null` where nobody counted.
    pub left: Option<f64>,
    /// What is missing; `null` where it stands on the shelf and nobody counted.
    pub short: Option<f64>,
    /// What a pack holds.
    pub pack: Option<f64>,
    /// In whole packs.
    pub packs: Option<f64>,
    /// So much is bought by that.
    pub bought: f64,
    /// What it costs; `null` where there is no price.
    pub cost: Option<f64>,
    /// Its family, of a chocolate.
    pub family: Option<Family>,
    /// The pigment, of one.
    pub pigment: Option<PigmentInputs>,
    /// Which of the plans take it, by their place.
    pub plans: Vec<usize>,
}

/// A shopping list.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ShoppingListAnswer {
    /// The sign that prices are written with.
    pub currency: String,
    /// Its lines, by the kind of shop; what there is enough of is on it too.
    pub lines: Vec<ToShopAnswer>,
    /// What all that is to be bought costs, as far as prices are known.
    pub total: f64,
    /// What is to be bought and has no price.
    pub unpriced: Vec<String>,
}

impl ShoppingListAnswer {
    /// What is answered of a list, in that money.
    #[must_use]
    pub fn of(list: ShoppingList, currency: &str) -> Self {
        let tenths = |amount: f64| round(amount, 1);
        let line = |line: ToShop| ToShopAnswer {
            thing_id: line.thing,
            name: line.name,
            shop: line.shop,
            unit: line.unit,
            needed: tenths(line.needed),
            left: line.left.map(tenths),
            short: line.short.map(tenths),
            pack: line.pack,
            packs: line.packs,
            bought: tenths(line.bought),
            cost: line.cost.map(|cost| round(cost, 2)),
            family: line.family,
            pigment: line.pigment,
            plans: line.plans,
        };
        Self {
            currency: currency.to_owned(),
            lines: list.lines.into_iter().map(line).collect(),
            total: round(list.total, 2),
            unpriced: list.unpriced,
        }
    }
}
