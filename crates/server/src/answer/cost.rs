//! What a plan or a batch costs.

use craft::shelf::{CostLine, CostOf, MadeCost, PlanCost};
use craft::units::grams as in_mass;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{grams, round};

/// A line of the sum.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct CostLineAnswer {
    /// What for.
    pub of: CostOf,
    /// What.
    pub name: String,
    /// The chocolate or colour that it is, by its key in the plan.
    pub bowl: Option<String>,
    /// How much of it by weight; `null` of what is counted.
    pub mass_g: Option<f64>,
    /// How many: pieces, millilitres, hours, kilowatt-hours.
    pub count: Option<f64>,
    /// Whether those are millilitres.
    pub in_ml: bool,
    /// What it costs; `null` where it has no price.
    pub cost: Option<f64>,
}

/// What one of the things that are made costs, of what goes into it alone.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct MadeCostAnswer {
    /// Its key.
    pub component: String,
    /// Its name.
    pub name: String,
    /// All of it.
    pub cost: f64,
    /// How many pieces that is.
    pub pieces: Option<f64>,
    /// One of them.
    pub each: Option<f64>,
    /// What of it has no price.
    pub unpriced: Vec<String>,
}

/// What a plan or a batch costs, in the maker's own money.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PlanCostAnswer {
    /// The sign that prices are written with.
    pub currency: String,
    /// Every line.
    pub lines: Vec<CostLineAnswer>,
    /// All that has a price.
    pub total: f64,
    /// Each thing that is made.
    pub made: Vec<MadeCostAnswer>,
    /// What goes into one box and what it is packed in; `null` where nothing is packed.
    pub box_goods: Option<f64>,
    /// All of it, over all boxes: spares, waste and hours with it.
    pub box_whole: Option<f64>,
    /// The price of all of it at which the margin is earned.
    pub price: Option<f64>,
    /// The same, of one box.
    pub box_price: Option<f64>,
    /// What has no price.
    pub unpriced: Vec<String>,
}

impl PlanCostAnswer {
    /// What is answered of a cost, in that money.
    #[must_use]
    pub fn of(cost: PlanCost, currency: &str) -> Self {
        let fine = |amount: Option<f64>| amount.map(|amount| round(amount, 4));
        let line = |line: CostLine| CostLineAnswer {
            of: line.of,
            name: line.name,
            bowl: line.bowl,
            mass_g: line.mass.map(grams),
            count: line.count.map(|count| round(count, 2)),
            in_ml: line.in_ml,
            cost: fine(line.cost),
        };
        let made = |made: MadeCost| MadeCostAnswer {
            component: made.component,
            name: made.name,
            cost: round(made.cost, 4),
            pieces: made.pieces,
            each: fine(made.each),
            unpriced: made.unpriced,
        };
        Self {
            currency: currency.to_owned(),
            lines: cost.lines.into_iter().map(line).collect(),
            total: round(cost.total, 4),
            made: cost.made.into_iter().map(made).collect(),
            box_goods: fine(cost.box_goods),
            box_whole: fine(cost.box_whole),
            price: fine(cost.price),
            box_price: fine(cost.box_price),
            unpriced: cost.unpriced,
        }
    }

    /// The cost that was answered, and kept with a batch.
    #[must_use]
    pub fn kept(self) -> PlanCost {
        let line = |line: CostLineAnswer| CostLine {
            of: line.of,
            name: line.name,
            bowl: line.bowl,
            mass: line.mass_g.map(in_mass),
            count: line.count,
            in_ml: line.in_ml,
            cost: line.cost,
        };
        let made = |made: MadeCostAnswer| MadeCost {
            component: made.component,
            name: made.name,
            cost: made.cost,
            pieces: made.pieces,
            each: made.each,
            unpriced: made.unpriced,
        };
        PlanCost {
            lines: self.lines.into_iter().map(line).collect(),
            total: self.total,
            made: self.made.into_iter().map(made).collect(),
            box_goods: self.box_goods,
            box_whole: self.box_whole,
            price: self.price,
            box_price: self.box_price,
            unpriced: self.unpriced,
        }
    }
}
