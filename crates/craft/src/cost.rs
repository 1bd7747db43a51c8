//! What it costs: what stays in the pieces, and what they are packed in. What has no price is
//! named, not nought.

use crate::catalogue::cost as say;
use crate::check::{self, Checker, Fault};

/// The longest name of a part.
const LONGEST_NAME: usize = 120;
/// So many parts at the most.
const MOST: usize = 1_000;

/// Something by weight.
#[derive(Clone, Debug, PartialEq)]
pub struct ByWeight {
    /// What.
    pub name: String,
    /// What of it stays, g: not what runs back.
    pub amount_g: f64,
    /// What a kilogram costs, in the maker's own money.
    pub price_per_kg: Option<f64>,
}

/// Something by number: boxes, bags, hours, kilowatt-hours.
#[derive(Clone, Debug, PartialEq)]
pub struct ByCount {
    /// What.
    pub name: String,
    /// How many.
    pub count: f64,
    /// What one costs.
    pub price: Option<f64>,
}

/// What is added up.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Costed {
    /// By weight.
    pub parts: Vec<ByWeight>,
    /// By number.
    pub packaging: Vec<ByCount>,
    /// How many pieces it makes.
    pub pieces: Option<f64>,
    /// What is to be earned, of the price.
    pub margin_pct: Option<f64>,
}

/// A line of the sum.
#[derive(Clone, Debug, PartialEq)]
pub struct Line {
    /// What.
    pub name: String,
    /// What it costs; `None` where it has no price.
    pub cost: Option<f64>,
}

/// What it comes to.
#[derive(Clone, Debug, PartialEq)]
pub struct Cost {
    /// Each part.
    pub lines: Vec<Line>,
    /// All that has a price.
    pub total: f64,
    /// Of it, for one piece.
    pub per_piece: Option<f64>,
    /// The price at which the margin is earned.
    pub price: Option<f64>,
    /// What has no price.
    pub unpriced: Vec<String>,
}

impl Costed {
    /// Adds it up: total = Σ amount · price; price = total / (1 − margin).
    ///
    /// ```
    /// use craft::cost::{ByCount, ByWeight, Costed};
    ///
    /// let chocolate = ByWeight { name: "dark".into(), amount_g: 350.0, price_per_kg: Some(12.0) };
    /// let bags = ByCount { name: "bags".into(), count: 5.0, price: Some(0.4) };
    /// let cost = Costed {
    ///     parts: vec![chocolate],
    ///     packaging: vec![bags],
    ///     pieces: Some(20.0),
    ///     margin_pct: Some(50.0),
    /// }
    /// .cost()
    /// .expect("a cost");
    /// assert!((cost.total - 6.2).abs() < 1e-9);
    /// assert_eq!(cost.per_piece.map(|each| (each * 100.0).round()), Some(31.0));
    /// assert_eq!(cost.price.map(|price| (price * 100.0).round()), Some(1_240.0));
    /// ```
    ///
    /// # Errors
    /// Every fault, each with its field: amounts and prices that are none, a margin of all.
    pub fn cost(&self) -> Result<Cost, Vec<Fault>> {
        let mut check = Checker::new();
        for (field, many) in [("parts", self.parts.len()), ("packaging", self.packaging.len())] {
            if many > MOST {
                check.fault(field, say::too_many(MOST, many));
            }
        }
        let mut lines = Vec::new();
        for (i, part) in self.parts.iter().enumerate().take(MOST) {
            check.remark(&format!("parts[{i}].name"), &part.name, LONGEST_NAME);
            check.number(format_args!("parts[{i}].amount_g"), part.amount_g, check::COSTED_G);
            let price = check.optional(
                format_args!("parts[{i}].price_per_kg"),
                part.price_per_kg,
                check::PRICE_PER_KG,
            );
            let cost = price.map(|price| part.amount_g / 1_000.0 * price);
            lines.push(Line { name: part.name.clone(), cost });
        }
        for (i, one) in self.packaging.iter().enumerate().take(MOST) {
            check.remark(&format!("packaging[{i}].name"), &one.name, LONGEST_NAME);
            check.number(format_args!("packaging[{i}].count"), one.count, check::COSTED_COUNT);
            let price =
                check.optional(format_args!("packaging[{i}].price"), one.price, check::PACK_PRICE);
            lines.push(Line { name: one.name.clone(), cost: price.map(|price| one.count * price) });
        }
        check.optional("pieces", self.pieces, check::PIECES);
        check.optional("margin_pct", self.margin_pct, check::MARGIN_PCT);
        check.finish()?;
        let total = lines.iter().filter_map(|line| line.cost).fold(0.0, |sum, cost| sum + cost);
        let unpriced = lines.iter().filter(|line| line.cost.is_none());
        Ok(Cost {
            total,
            per_piece: self.pieces.map(|pieces| total / pieces),
            price: self.margin_pct.map(|margin| total / (1.0 - margin / 100.0)),
            unpriced: unpriced.map(|line| line.name.clone()).collect(),
            lines,
        })
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn dark(amount_g: f64, price_per_kg: Option<f64>) -> ByWeight {
        ByWeight { name: "dark".into(), amount_g, price_per_kg }
    }

    #[test]
    fn what_has_no_price_is_named_and_what_costs_nothing_is_not() {
        let salt = ByWeight { name: "salt".into(), amount_g: 3.0, price_per_kg: None };
        let bags = ByCount { name: "bags".into(), count: 2.0, price: Some(0.0) };
        let costed = Costed {
            parts: vec![dark(500.0, Some(10.0)), salt],
            packaging: vec![bags],
            ..Costed::default()
        };
        let cost = costed.cost().expect("a cost");
        assert_eq!((cost.total, cost.per_piece, cost.price), (5.0, None, None));
        assert_eq!(cost.unpriced, ["salt"]);
    }

    #[test]
    fn a_margin_of_all_and_a_price_below_nought_are_refused_by_their_field() {
        let costed = Costed {
            parts: vec![dark(f64::INFINITY, Some(-1.0))],
            packaging: vec![ByCount { name: "bags".into(), count: -1.0, price: Some(f64::NAN) }],
            pieces: Some(0.0),
            margin_pct: Some(100.0),
        };
        let faults = costed.cost().expect_err("faults");
        let fields: Vec<_> = faults.into_iter().map(|fault| fault.field).collect();
        assert_eq!(
            fields,
            [
                "parts[0].amount_g",
                "parts[0].price_per_kg",
                "packaging[0].count",
                "packaging[0].price",
                "pieces",
                "margin_pct"
            ]
        );
    }
}
