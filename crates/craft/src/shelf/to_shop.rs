//! What is to be bought for one plan or several: what they take less what the shelf has, in whole
//! packs, by the kind of shop.

use uuid::Uuid;

use super::sources::Source;
use super::{Shelf, in_its_unit};
use crate::chocolate::Family;
use crate::colour::PigmentInputs;
use crate::pantry::{CountedIn, Sort, named};
use crate::plan::{GoodsTaken, Plan, PlanInputs};
use crate::shopping::to_buy;
use crate::units::in_grams;
use crate::words::worded;

worded! {
    /// Where something is bought.
    Shop {
        /// Chocolate and cocoa butter.
        Chocolate = "chocolate",
        /// Dairy, from the cold counter: last.
        Chilled = "chilled",
        /// Nuts, fruit, sugars, spices, spirits.
        Grocer = "grocer",
        /// Colours for food.
        Colours = "colours",
        /// Sticks, sheets, bags, boxes.
        Packing = "packing",
    }
}

/// Something that plans take.
#[derive(Clone, Debug, PartialEq)]
struct Need {
    thing: Option<Uuid>,
    name: String,
    shop: Shop,
    unit: CountedIn,
    amount: f64,
    /// What a pack holds and costs.
    pack: Option<f64>,
    pack_price: Option<f64>,
    /// What one gram, millilitre or piece costs, where it is not bought in packs.
    each_price: Option<f64>,
    family: Option<Family>,
    pigment: Option<PigmentInputs>,
    /// Whether what the shelf has of it can be told in that unit.
    countable: bool,
}

/// A line of a shopping list.
#[derive(Clone, Debug, PartialEq)]
pub struct ToShop {
    /// The thing on the shelf that it is, where it stands there.
    pub thing: Option<Uuid>,
    /// What.
    pub name: String,
    /// Where it is bought.
    pub shop: Shop,
    /// What it is counted in.
    pub unit: CountedIn,
    /// All that is needed.
    pub needed: f64,
    /// What the shelf has of it; `None` where nobody counted.
    pub left: Option<f64>,
    /// What is missing; `None` where it stands on the shelf and nobody counted.
    pub short: Option<f64>,
    /// What a pack holds.
    pub pack: Option<f64>,
    /// In whole packs.
    pub packs: Option<f64>,
    /// So much is bought by that.
    pub bought: f64,
    /// What it costs; `None` where there is no price.
    pub cost: Option<f64>,
    /// Its family, of a chocolate.
    pub family: Option<Family>,
    /// The pigment, of one: nobody counts those.
    pub pigment: Option<PigmentInputs>,
    /// Which of the plans take it, by their place in the list.
    pub plans: Vec<usize>,
}

/// A shopping list.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct ShoppingList {
    /// Its lines, by the kind of shop; what there is enough of is on it too.
    pub lines: Vec<ToShop>,
    /// What all that is to be bought costs, as far as prices are known.
    pub total: f64,
    /// What is to be bought and has no price.
    pub unpriced: Vec<String>,
}

const fn shop_of(sort: Sort) -> Shop {
    match sort {
        Sort::Dairy => Shop::Chilled,
        Sort::Sticks | Sort::Packaging => Shop::Packing,
        Sort::Nuts
        | Sort::Fruit
        | Sort::Crisp
        | Sort::Strewn
        | Sort::Sugar
        | Sort::Liquid
        | Sort::Other => Shop::Grocer,
    }
}

impl Shelf {
    /// What is to be bought for plans that are filled in, of which so much is left and which things
    /// are in use.
    #[must_use]
    pub fn shopping_list(
        &self,
        plans: &[(&Plan, &PlanInputs)],
        left: impl Fn(Uuid) -> Option<f64>,
        in_use: impl Fn(Uuid) -> bool,
    ) -> ShoppingList {
        let mut all: Vec<(Need, Vec<usize>)> = Vec::new();
        for (i, (plan, filled)) in plans.iter().enumerate() {
            for need in self.needs(plan, filled, &in_use) {
                let same = |(known, _): &&mut (Need, Vec<usize>)| {
                    let name = || known.name.to_lowercase() == need.name.to_lowercase();
                    known.unit == need.unit
                        && known.thing == need.thing
                        && (need.thing.is_some() || name())
                };
                match all.iter_mut().find(same) {
                    Some((known, of)) => {
                        known.amount += need.amount;
                        of.push(i);
                    }
                    None => all.push((need, vec![i])),
                }
            }
        }
        let mut lines: Vec<ToShop> =
            all.into_iter().map(|(need, plans)| need.line(plans, &left)).collect();
        for line in &mut lines {
            line.plans.dedup();
        }
        lines.sort_by_key(|line| line.shop);
        let unpriced = lines.iter().filter(|line| line.is_short() && line.cost.is_none());
        ShoppingList {
            total: lines.iter().filter_map(|line| line.cost).fold(0.0, |sum, cost| sum + cost),
            unpriced: unpriced.map(|line| line.name.clone()).collect(),
            lines,
        }
    }

    fn needs(&self, plan: &Plan, filled: &PlanInputs, in_use: &impl Fn(Uuid) -> bool) -> Vec<Need> {
        let mut needs = Vec::new();
        for source in Source::all(plan, filled) {
            let Some(of) = &source.planned.plan else { continue };
            match &of.colour {
                None => {
                    let id = source.stated.chocolate_id;
                    let amount = in_grams(of.chocolate_weighed());
                    needs.push(self.chocolate_need(
                        id,
                        source.name(),
                        source.stated.family,
                        amount,
                    ));
                }
                Some(colour) => {
                    let butter_g = in_grams(colour.amounts.butter);
                    if !colour.ready && butter_g > 0.0 {
                        let id = self.cocoa_butter(source.stated.chocolate_id);
                        let family = Family::CocoaButter;
                        needs.push(self.chocolate_need(id, family.in_words(), family, butter_g));
                    }
                    let stated = source.stated.colour.iter().flat_map(|of| &of.pigments);
                    for ((name, mass), part) in colour.pigments.iter().zip(stated) {
                        let id = part.pigment_id.or_else(|| self.pigment_named(name));
                        let pigment = id.and_then(|id| self.pigment(id)).or(part.pigment.as_ref());
                        let price = pigment.and_then(|pigment| pigment.price_per_100g);
                        needs.push(Need {
                            thing: id,
                            name: name.clone(),
                            shop: Shop::Colours,
                            each_price: price.map(|price| price / 100.0),
                            pigment: pigment.cloned(),
                            countable: false,
                            ..Need::of(in_grams(*mass))
                        });
                    }
                }
            }
        }
        needs.extend(plan.goods.iter().map(|taken| self.goods_need(taken, filled, in_use)));
        needs.retain(|need| need.amount > 0.0);
        needs
    }

    /// The pigment of a name, of those in use.
    pub(super) fn pigment_named(&self, name: &str) -> Option<Uuid> {
        let same = |id: &&Uuid| {
            self.is_in_use(**id)
                && self.pigment(**id).is_some_and(|of| of.name.eq_ignore_ascii_case(name))
        };
        self.entries.keys().filter(same).min().copied()
    }

    fn chocolate_need(&self, id: Option<Uuid>, name: &str, family: Family, amount: f64) -> Need {
        let kept = id.and_then(|id| self.chocolate(id));
        let pack = kept.and_then(|kept| kept.pack_g);
        let per_kg = kept.and_then(|kept| kept.price_per_kg);
        Need {
            thing: kept.and(id),
            name: kept.map_or_else(|| name.to_owned(), |kept| kept.name.clone()),
            shop: Shop::Chocolate,
            pack,
            pack_price: pack.zip(per_kg).map(|(pack, per_kg)| pack * per_kg / 1_000.0),
            each_price: per_kg.map(|per_kg| per_kg / 1_000.0),
            family: Some(family),
            ..Need::of(amount)
        }
    }

    fn goods_need(
        &self,
        taken: &GoodsTaken,
        filled: &PlanInputs,
        in_use: &impl Fn(Uuid) -> bool,
    ) -> Need {
        if let Some(family) = Family::of_a_filling(&taken.name) {
            let id = self.chocolate_of_a_filling(filled, &taken.name);
            return self.chocolate_need(id, family.in_words(), family, in_grams(taken.mass));
        }
        let by_the_piece = taken.count.map_or(CountedIn::Grams, |_| CountedIn::Pieces);
        let as_taken = taken.count.unwrap_or_else(|| in_grams(taken.mass));
        let Some((id, goods)) = self.goods_taken(taken, in_use) else {
            let usual = named(&taken.name).map(|usual| shop_of(usual.sort));
            // What nobody eats goes by the piece.
            let other = if taken.count.is_some() { Shop::Packing } else { Shop::Grocer };
            let usual = usual.unwrap_or(other);
            return Need {
                name: taken.name.clone(),
                shop: usual,
                unit: by_the_piece,
                ..Need::of(as_taken)
            };
        };
        let counted = in_its_unit(goods, taken);
        let pack = goods.pack_size.filter(|_| counted.is_some());
        Need {
            thing: Some(id),
            name: goods.name.clone(),
            shop: shop_of(goods.sort),
            // What cannot be turned into what it is counted in is told as it is taken.
            unit: counted.map_or(by_the_piece, |_| goods.unit),
            countable: counted.is_some(),
            pack,
            pack_price: pack.and(goods.pack_price),
            ..Need::of(counted.unwrap_or(as_taken))
        }
    }
}

impl Need {
    fn of(amount: f64) -> Self {
        Self {
            thing: None,
            name: String::new(),
            shop: Shop::Grocer,
            unit: CountedIn::Grams,
            amount,
            pack: None,
            pack_price: None,
            each_price: None,
            family: None,
            pigment: None,
            countable: true,
        }
    }

    fn line(self, plans: Vec<usize>, left: impl Fn(Uuid) -> Option<f64>) -> ToShop {
        let left = self.thing.filter(|_| self.countable).and_then(left);
        // What stands on the shelf uncounted may be enough; what does not stand there is not.
        let known = left.or_else(|| self.thing.is_none().then_some(0.0));
        let missing =
            known.map(|left| to_buy(self.unit, self.amount, left, self.pack, self.pack_price));
        let (short, packs, bought, cost) = match missing {
            Some((short, packs, bought, cost)) => (Some(short), packs, bought, cost),
            None => (None, None, 0.0, Some(0.0)),
        };
        let by_weight = || short.zip(self.each_price).map(|(short, price)| short * price);
        ToShop {
            thing: self.thing,
            name: self.name,
            shop: self.shop,
            unit: self.unit,
            needed: self.amount,
            left,
            short,
            pack: self.pack,
            packs,
            bought,
            cost: cost.or_else(by_weight),
            family: self.family,
            pigment: self.pigment,
            plans,
        }
    }
}

impl ToShop {
    /// Whether any of it is to be bought.
    #[must_use]
    pub fn is_short(&self) -> bool {
        self.short.is_some_and(|short| short > 0.0)
    }
}
