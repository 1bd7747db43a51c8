//! What is to be bought: what is needed less what is there, in whole packs.

use crate::catalogue::shopping as say;
use crate::check::{self, Checker, Fault};
use crate::pantry::CountedIn;
use crate::scale::whole_up;

/// The longest name of an item.
const LONGEST_NAME: usize = 120;
/// So many entries at the most.
const MOST: usize = 2_000;

/// So much of an item.
#[derive(Clone, Debug, PartialEq)]
pub struct Amount {
    /// What.
    pub item: String,
    /// How much.
    pub amount: f64,
    /// Of what it is counted in.
    pub unit: CountedIn,
}

/// What a pack holds and costs.
#[derive(Clone, Debug, PartialEq)]
pub struct Pack {
    /// What.
    pub item: String,
    /// How much, of what it is counted in.
    pub amount: f64,
    /// What it costs, in the maker's own money.
    pub price: Option<f64>,
}

/// A line of the list.
#[derive(Clone, Debug, PartialEq)]
pub struct ToBuy {
    /// What.
    pub item: String,
    /// What it is counted in.
    pub unit: CountedIn,
    /// All that is needed.
    pub needed: f64,
    /// What is missing.
    pub short: f64,
    /// In whole packs; `None` where nobody knows what one holds.
    pub packs: Option<f64>,
    /// So much is bought by that.
    pub bought: f64,
    /// What they cost; `None` where there is no price.
    pub cost: Option<f64>,
}

/// A list.
#[derive(Clone, Debug, PartialEq)]
pub struct List {
    /// Its lines, in the order in which things are named first; what is there is on it too, with
    /// nothing to buy.
    pub lines: Vec<ToBuy>,
    /// What all of it costs, as far as prices are known.
    pub total: f64,
    /// What is to be bought and has no price.
    pub unpriced: Vec<String>,
}

/// What of so much is to be bought, of a pack of that size, at that price.
///
/// Half a piece on the shelf is no piece; a gram or a millilitre is the least that is bought.
#[must_use]
pub fn to_buy(
    unit: CountedIn,
    needed: f64,
    left: f64,
    pack: Option<f64>,
    price: Option<f64>,
) -> (f64, Option<f64>, f64, Option<f64>) {
    let needed = if unit == CountedIn::Pieces { whole_up(needed) } else { needed };
    let short = unit.missing(needed, left);
    let packs = pack.map(|pack| whole_up(short / pack));
    let bought = packs.zip(pack).map_or(short, |(packs, pack)| packs * pack);
    let cost =
        if short > 0.0 { packs.zip(price).map(|(packs, price)| packs * price) } else { Some(0.0) };
    (short, packs, bought, cost)
}

/// The list of what is needed less what is there; the same item named twice is added up.
///
/// # Errors
/// Every fault, each with its field: amounts that are none, a pack of nothing, one item in two units.
pub fn list(needs: &[Amount], stock: &[Amount], packs: &[Pack]) -> Result<List, Vec<Fault>> {
    let mut check = Checker::new();
    let added = |field: &str, amounts: &[Amount], mut all: Vec<Amount>, check: &mut Checker| {
        if amounts.len() > MOST {
            check.fault(field, say::too_many(MOST, amounts.len()));
            return all;
        }
        for (i, one) in amounts.iter().enumerate() {
            check.text(format_args!("{field}[{i}].item"), &one.item, LONGEST_NAME);
            check.number(format_args!("{field}[{i}].amount"), one.amount, check::BOUGHT);
            match all.iter_mut().find(|known| known.item == one.item) {
                Some(known) if known.unit == one.unit => known.amount += one.amount,
                Some(known) => {
                    let (first, second) = (known.unit.word(), one.unit.word());
                    check.fault(
                        format!("{field}[{i}].unit"),
                        say::two_units(&one.item, first, second),
                    );
                }
                None => all.push(one.clone()),
            }
        }
        all
    };
    let needed = added("needs", needs, Vec::new(), &mut check);
    let nothing = needed.iter().map(|one| Amount { amount: 0.0, ..one.clone() }).collect();
    let there = added("stock", stock, nothing, &mut check);
    for (i, pack) in packs.iter().enumerate().take(MOST) {
        check.text(format_args!("packs[{i}].item"), &pack.item, LONGEST_NAME);
        check.number(format_args!("packs[{i}].amount"), pack.amount, check::PACK);
        check.optional(format_args!("packs[{i}].price"), pack.price, check::PACK_PRICE);
    }
    if packs.len() > MOST {
        check.fault("packs", say::too_many(MOST, packs.len()));
    }
    check.finish()?;
    let lines: Vec<ToBuy> = needed
        .into_iter()
        .map(|Amount { item, amount, unit }| {
            let left = there.iter().find(|one| one.item == item).map_or(0.0, |one| one.amount);
            let pack = packs.iter().find(|pack| pack.item == item);
            let price = pack.and_then(|pack| pack.price);
            let (short, packs, bought, cost) =
                to_buy(unit, amount, left, pack.map(|p| p.amount), price);
            ToBuy { item, unit, needed: amount, short, packs, bought, cost }
        })
        .collect();
    let unpriced = lines.iter().filter(|line| line.short > 0.0 && line.cost.is_none());
    Ok(List {
        total: lines.iter().filter_map(|line| line.cost).fold(0.0, |sum, cost| sum + cost),
        unpriced: unpriced.map(|line| line.item.clone()).collect(),
        lines,
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    fn some(item: &str, amount: f64, unit: CountedIn) -> Amount {
        Amount { item: item.into(), amount, unit }
    }

    fn pack(item: &str, amount: f64, price: Option<f64>) -> Pack {
        Pack { item: item.into(), amount, price }
    }

    #[test]
    fn what_is_missing_is_bought_in_whole_packs() {
        let (g, ml, piece) = (CountedIn::Grams, CountedIn::Millilitres, CountedIn::Pieces);
        let needs = [
            some("dark", 800.0, g),
            some("boxes", 29.5, piece),
            some("dark", 300.0, g),
            some("cream", 100.0, ml),
            some("salt", 5.0, g),
        ];
        let stock = [some("dark", 250.0, g), some("boxes", 3.9, piece), some("cream", 250.0, ml)];
        let packs = [pack("dark", 500.0, Some(7.5)), pack("boxes", 10.0, None)];
        let list = list(&needs, &stock, &packs).expect("a list");
        let told: Vec<_> = list
            .lines
            .iter()
            .map(|l| (l.item.as_str(), l.short, l.packs, l.bought, l.cost))
            .collect();
        assert_eq!(
            told,
            [
                ("dark", 850.0, Some(2.0), 1_000.0, Some(15.0)),
                ("boxes", 27.0, Some(3.0), 30.0, None),
                ("cream", 0.0, None, 0.0, Some(0.0)),
                ("salt", 5.0, None, 5.0, None),
            ]
        );
        assert_eq!(list.total, 15.0);
        assert_eq!(list.unpriced, ["boxes", "salt"]);
    }

    #[test]
    fn a_sum_s_dust_is_no_pack_and_a_crumb_that_is_missing_is_a_gram() {
        let (short, packs, ..) = to_buy(CountedIn::Grams, 0.1 + 0.2, 0.0, Some(0.3), None);
        assert_eq!((short, packs), (1.0, Some(4.0)));
        assert_eq!(to_buy(CountedIn::Grams, 500.000_000_1, 0.0, Some(500.0), None).1, Some(1.0));
        assert_eq!(to_buy(CountedIn::Grams, 10.0, 10.0 - 1e-9, None, None).0, 0.0);
    }

    #[test]
    fn two_units_and_a_pack_of_nothing_are_refused_by_their_field() {
        let needs =
            [some("cream", 100.0, CountedIn::Millilitres), some("", f64::NAN, CountedIn::Grams)];
        let stock = [some("cream", 100.0, CountedIn::Grams)];
        let faults = list(&needs, &stock, &[pack("cream", 0.0, Some(-1.0))]).expect_err("faults");
        let fields: Vec<_> = faults.into_iter().map(|fault| fault.field).collect();
        assert_eq!(
            fields,
            [
                "needs[1].item",
                "needs[1].amount",
                "stock[0].unit",
                "packs[0].amount",
                "packs[0].price"
            ]
        );
    }
}
