//! Whether there is enough of some goods, what is to be bought, and what they cost.

use chrono::NaiveDate;

use super::stock::Dated;
use crate::catalogue::shelf as say;
use crate::message::{Message, Nested};
use crate::note::Note;
use crate::pantry::{CountedIn, GoodsInputs, Sort};
use crate::plan::GoodsTaken;
use crate::units::{grams, millilitres};

/// What the shelf has of goods that are taken, in what they are counted in.
#[derive(Clone, Debug, PartialEq)]
pub struct GoodsStock {
    /// What is needed; `None` where it is not known what a millilitre or a piece weighs.
    pub needed: Option<f64>,
    /// What is still to be bought; `None` where that cannot be known.
    pub short: Option<f64>,
    /// The same in packs, whole ones; `None` where it is not known what one holds.
    pub packs: Option<f64>,
    /// What is used costs this, in the maker's own money; `None` where that is not known.
    pub cost: Option<f64>,
    /// What there is to say of them.
    pub notes: Vec<Note>,
}

impl GoodsStock {
    /// What the shelf has of goods of which so much is left and so much is taken.
    #[must_use]
    pub fn of(
        goods: &GoodsInputs,
        left: Option<f64>,
        taken: &GoodsTaken,
        today: NaiveDate,
    ) -> Self {
        let needed = in_its_unit(goods, taken);
        let short = needed.zip(left).map(|(needed, left)| goods.unit.missing(needed, left));
        let mut notes = Vec::new();
        if let (Some(needed), Some(left), Some(short)) = (needed, left, short.filter(|s| *s > 0.0))
        {
            let so_much = |amount| Nested::from(so_much(goods.unit, amount));
            notes.push(Note::caution(
                "goods-short",
                say::goods_short(&goods.name, so_much(short), so_much(needed), so_much(left)),
            ));
        }
        if needed.is_none() && left.is_some() {
            let message = match goods.unit {
                CountedIn::Millilitres => say::cannot_count_ml(&goods.name),
                CountedIn::Grams | CountedIn::Pieces => say::cannot_count_pieces(&goods.name),
            };
            notes.push(Note::info("goods-not-countable", message));
        }
        notes.extend(dated(goods, today));
        Self {
            needed,
            short,
            packs: short.and_then(|short| goods.packs(short)),
            cost: needed.and_then(|needed| goods.cost(needed)),
            notes,
        }
    }
}

/// How much of goods is taken, in what they are counted in; `None` where that is not known.
#[must_use]
pub fn in_its_unit(goods: &GoodsInputs, taken: &GoodsTaken) -> Option<f64> {
    match taken.count {
        None => goods.counted(taken.mass),
        Some(count) => (goods.unit == CountedIn::Pieces).then_some(count),
    }
}

fn so_much(unit: CountedIn, amount: f64) -> Message {
    match unit {
        CountedIn::Grams => say::some_grams(grams(amount)),
        CountedIn::Millilitres => say::some_millilitres(millilitres(amount)),
        CountedIn::Pieces => say::some_pieces(amount),
    }
}

/// What there is to say of their date.
fn dated(goods: &GoodsInputs, today: NaiveDate) -> Option<Note> {
    let name = &goods.name;
    Some(match Dated::of(goods.best_before, today)? {
        Dated::Past(day) if goods.sort == Sort::Dairy => {
            Note::caution("goods-past-date", say::use_by(name, day))
        }
        Dated::Past(day) => Note::caution("goods-past-date", say::goods_past_date(name, day)),
        Dated::Soon(day) => Note::info("goods-soon-past-date", say::goods_soon_past(name, day)),
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::pantry::named;

    fn taken(g: f64) -> GoodsTaken {
        GoodsTaken::weighed("it", None, grams(g))
    }

    fn day(day: u32) -> NaiveDate {
        NaiveDate::from_ymd_opt(2026, 9, day).expect("a date")
    }

    fn codes(stock: &GoodsStock) -> Vec<&str> {
        stock.notes.iter().map(|note| note.code.as_ref()).collect()
    }

    #[test]
    fn what_is_missing_is_said_in_what_it_is_counted_in() {
        let spirit = GoodsInputs {
            pack_size: Some(50.0),
            pack_price: Some(6.0),
            ..named("spirit of 40 %").expect("it is on the list")
        };
        let stock = GoodsStock::of(&spirit, Some(20.0), &taken(95.0), day(1));
        assert_eq!(stock.needed.map(f64::round), Some(100.0), "ml");
        assert_eq!(stock.short.map(f64::round), Some(80.0));
        assert_eq!(stock.packs, Some(2.0));
        assert_eq!(stock.cost.map(f64::round), Some(12.0));
        let text = stock.notes[0].text();
        assert_eq!(text, "spirit of 40 %: 80 ml short; 100 ml needed, 20 ml in stock.");
        let enough = GoodsStock::of(&spirit, Some(100.1), &taken(95.0), day(1));
        assert_eq!((enough.short, enough.packs), (Some(0.0), Some(0.0)));
        assert!(enough.notes.is_empty());
    }

    #[test]
    fn of_what_nobody_counted_nothing_is_short() {
        let nuts = named("chopped nuts").expect("it is on the list");
        let stock = GoodsStock::of(&nuts, None, &taken(95.0), day(1));
        assert_eq!((stock.short, stock.packs, stock.cost), (None, None, None));
        let bits = GoodsInputs::called("bits", CountedIn::Pieces);
        let stock = GoodsStock::of(&bits, Some(5.0), &taken(95.0), day(1));
        assert_eq!(stock.short, None);
        assert_eq!(codes(&stock), ["goods-not-countable"]);
    }

    #[test]
    fn what_is_past_its_date_is_said_and_dairy_is_not_to_be_used() {
        let of = |name: &str, today| {
            let dated = GoodsInputs { best_before: Some(day(10)), ..named(name).expect("known") };
            GoodsStock::of(&dated, None, &taken(10.0), today)
        };
        assert_eq!(codes(&of("raisins", day(11))), ["goods-past-date"]);
        assert!(of("cream", day(11)).notes[0].text().contains("not for fillings"));
        assert_eq!(codes(&of("cream", day(10))), ["goods-soon-past-date"]);
        let fresh = NaiveDate::from_ymd_opt(2026, 8, 1).expect("a date");
        assert!(of("cream", fresh).notes.is_empty());
    }

    #[test]
    fn what_nobody_eats_goes_by_the_piece() {
        let bags = GoodsInputs::called("clear bags", CountedIn::Pieces);
        let six = GoodsTaken::by_the_piece("clear bags", 6.0);
        let stock = GoodsStock::of(&bags, Some(4.0), &six, day(1));
        assert_eq!((stock.needed, stock.short), (Some(6.0), Some(2.0)), "whatever one weighs");
        let roll = GoodsInputs::called("bags on a roll", CountedIn::Grams);
        assert_eq!(in_its_unit(&roll, &six), None);
    }
}
