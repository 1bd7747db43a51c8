//! What a plan costs: what stays in the pieces, what stays on the tools, what it is packed in, the
//! hours and the power; of each piece, and of each box.

use std::collections::HashMap;

use super::sources::{Source, add_once};
use super::{KitchenInputs, Shelf, in_its_unit};
use crate::boxes::Portion;
use crate::check::Fault;
use crate::chocolate::Family;
use crate::cost::{ByCount, ByWeight, Costed};
use crate::pantry::CountedIn;
use crate::plan::{FROM_THE_TAP, GoodsTaken, Plan, PlanInputs, PlannedComponent};
use crate::scale::whole_up;
use crate::units::{Mass, Time, grams, in_grams, in_seconds};
use crate::words::worded;

/// A microwave draws so much more than it gives (*custom*).
const DRAWS: f64 = 1.0 / 0.6;
/// Melting over water takes so much for any bowl, kWh (*custom*).
const OVER_WATER_KWH: f64 = 0.25;

worded! {
    /// What something is paid for.
    CostOf {
        /// Chocolate that stays in the pieces.
        Chocolate = "chocolate",
        /// Coloured cocoa butter.
        Colour = "colour",
        /// What goes in and on.
        Goods = "goods",
        /// What stays on bowls and tools, or was weighed in and is in no piece.
        Waste = "waste",
        /// What it is packed in, and what nobody eats.
        Packing = "packing",
        /// The maker's hours.
        Hours = "hours",
        /// Power.
        Power = "power",
    }
}

/// A line of the sum.
#[derive(Clone, Debug, PartialEq)]
pub struct CostLine {
    /// What for.
    pub of: CostOf,
    /// What.
    pub name: String,
    /// The chocolate or colour that it is, by its key in the plan.
    pub bowl: Option<String>,
    /// How much of it by weight; `None` of what is counted.
    pub mass: Option<Mass>,
    /// How many: pieces, millilitres, hours, kilowatt-hours.
    pub count: Option<f64>,
    /// Whether those are millilitres.
    pub in_ml: bool,
    /// What it costs; `None` where it has no price.
    pub cost: Option<f64>,
}

/// What one of the things that are made costs, of what goes into it alone.
#[derive(Clone, Debug, PartialEq)]
pub struct MadeCost {
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

/// What a plan or a batch costs.
#[derive(Clone, Debug, PartialEq)]
pub struct PlanCost {
    /// Every line.
    pub lines: Vec<CostLine>,
    /// All that has a price.
    pub total: f64,
    /// Each thing that is made.
    pub made: Vec<MadeCost>,
    /// What goes into one box and what it is packed in; `None` where nothing is packed.
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

impl PlanCost {
    /// The same as it went: with what is in no piece of each chocolate, by its key, in place of what
    /// was reckoned to stay behind, and over as many boxes as were filled. By the prices of then.
    #[must_use]
    pub fn as_it_went(&self, wasted: &HashMap<String, Mass>, boxes: Option<f64>) -> Self {
        let mut lines = self.lines.clone();
        for (bowl, mass) in wasted {
            let is_it = |line: &&CostLine| line.bowl.as_ref() == Some(bowl);
            lines.retain(|line| line.of != CostOf::Waste || !is_it(&line));
            let Some(stays) = lines.iter().find(is_it).cloned() else { continue };
            let per_gram = stays.cost.zip(stays.mass).map(|(cost, mass)| cost / in_grams(mass));
            let cost = per_gram.map(|price| price * in_grams(*mass));
            let line = CostLine { of: CostOf::Waste, mass: Some(*mass), cost, ..stays };
            if line.is_anything() {
                let place = lines.iter().rposition(|known| known.mass.is_some());
                lines.insert(place.map_or(0, |place| place + 1), line);
            }
        }
        let total: f64 = lines.iter().filter_map(|line| line.cost).sum();
        let rises = |price: f64| if self.total > 0.0 { price * total / self.total } else { price };
        let price = self.price.map(rises);
        let over = self.box_whole.and(boxes).filter(|boxes| *boxes >= 1.0);
        Self {
            box_whole: over.map(|boxes| total / boxes),
            box_price: price.zip(over).map(|(price, boxes)| price / boxes),
            lines,
            total,
            price,
            ..self.clone()
        }
    }
}

impl Shelf {
    /// What a plan that is filled in costs. `hands` is how long the maker is at it.
    ///
    /// # Errors
    /// What cannot be added up, each with its field.
    pub fn cost(
        &self,
        plan: &Plan,
        filled: &PlanInputs,
        hands: Time,
    ) -> Result<PlanCost, Vec<Fault>> {
        let kitchen = self.kitchen();
        let mut by_weight: Vec<(CostOf, ByWeight)> = Vec::new();
        let mut bowls: Vec<String> = Vec::new();
        for source in Source::all(plan, filled) {
            let needed = source.planned.needed;
            let of = if source.is_colour() { CostOf::Colour } else { CostOf::Chocolate };
            let name = self.called(&source);
            let price_per_kg = self.price_per_kg(&source);
            let part = |name: String, mass: Mass| ByWeight {
                name,
                amount_g: in_grams(source.chocolate_in(mass).max(Mass::default())),
                price_per_kg,
            };
            by_weight.push((of, part(name.clone(), needed)));
            bowls.push(source.planned.key.clone());
            let wasted = source.planned.stays_behind;
            if in_grams(wasted) > 0.0 {
                by_weight.push((CostOf::Waste, part(name, wasted)));
                bowls.push(source.planned.key.clone());
            }
        }
        let (packing, goods): (Vec<_>, Vec<_>) =
            plan.goods.iter().partition(|taken| taken.count.is_some());
        let goods = goods.into_iter().map(|taken| (CostOf::Goods, self.bought(taken, filled)));
        let packing =
            packing.into_iter().map(|taken| (CostOf::Packing, self.bought(taken, filled)));
        let bought: Vec<(CostOf, Bought)> = goods.chain(packing).collect();
        let mut by_count: Vec<(CostOf, ByCount)> =
            bought.iter().map(|(of, bought)| (*of, bought.by_count.clone())).collect();
        by_count.extend(paid_beside(&kitchen, plan, filled, hands));
        let boxes = plan.packing.as_ref().map(|packed| packed.count);
        let costed = Costed {
            parts: by_weight.iter().map(|(_, part)| part.clone()).collect(),
            packaging: by_count.iter().map(|(_, one)| one.clone()).collect(),
            pieces: boxes.filter(|boxes| *boxes >= 1.0),
            margin_pct: kitchen.margin_pct,
        };
        let cost = costed.cost()?;
        let weighed = by_weight
            .iter()
            .zip(bowls)
            .map(|((of, part), bowl)| (*of, Some(bowl), Some(CountedIn::Grams), part.amount_g));
        let units = bought.iter().map(|(_, bought)| Some(bought.unit));
        let counted = by_count.iter().zip(units.chain(std::iter::repeat(None)));
        let counted = counted.map(|((of, one), unit)| (*of, None, unit, one.count));
        let lines = cost.lines.into_iter().zip(weighed.chain(counted)).map(
            |(line, (of, bowl, unit, amount))| {
                let by_weight = unit == Some(CountedIn::Grams);
                CostLine {
                    of,
                    name: line.name,
                    bowl,
                    mass: by_weight.then(|| grams(amount)),
                    count: (!by_weight).then_some(amount),
                    in_ml: unit == Some(CountedIn::Millilitres),
                    cost: line.cost,
                }
            },
        );
        let lines: Vec<CostLine> = lines.filter(|line| line.is_anything()).collect();
        let made: Vec<MadeCost> =
            plan.components.iter().map(|one| self.made(one, plan, filled)).collect();
        let mut unpriced: Vec<String> = Vec::new();
        for line in lines.iter().filter(|line| line.cost.is_none()) {
            let source = line.bowl.as_ref().and_then(|key| Source::of(plan, filled, key));
            let missing = source.map_or_else(|| vec![line.name.clone()], |of| self.unpriced(&of));
            missing.into_iter().for_each(|name| add_once(&mut unpriced, name));
        }
        Ok(PlanCost {
            box_goods: self.box_goods(plan, filled, &made),
            box_whole: cost.per_piece,
            box_price: cost.price.zip(costed.pieces).map(|(price, boxes)| price / boxes),
            total: cost.total,
            price: cost.price,
            lines,
            made,
            unpriced,
        })
    }

    /// What it is called where it is paid for: as on the shelf.
    fn called(&self, source: &Source<'_>) -> String {
        let kept = source.stated.chocolate_id.and_then(|id| self.chocolate(id));
        match kept.filter(|_| !source.is_colour()) {
            Some(kept) => kept.name.clone(),
            None => source.planned.label.clone(),
        }
    }

    /// What a kilogram of it costs: of a colour, its pigments and its butter.
    fn price_per_kg(&self, source: &Source<'_>) -> Option<f64> {
        let price = |id| self.chocolate(id).and_then(|kept| kept.price_per_kg);
        let Some(colour) = source.planned.plan.as_ref()?.colour.as_ref() else {
            return price(source.stated.chocolate_id?);
        };
        let grams_in_all = in_grams(colour.amounts.total).max(1e-9);
        let butter_g = if colour.ready { 0.0 } else { in_grams(colour.amounts.butter) };
        let butter = if butter_g > 0.0 {
            price(self.cocoa_butter(source.stated.chocolate_id)?)? * butter_g / 1_000.0
        } else {
            0.0
        };
        Some((colour.price? + butter) * 1_000.0 / grams_in_all)
    }

    /// What of it has no price: of a colour its pigments, its butter.
    fn unpriced(&self, source: &Source<'_>) -> Vec<String> {
        let plan = source.planned.plan.as_ref();
        let Some(colour) = plan.and_then(|plan| plan.colour.as_ref()) else {
            let known = self.price_per_kg(source).is_some();
            return if known { Vec::new() } else { vec![self.called(source)] };
        };
        let parts = source.stated.colour.iter().flat_map(|colour| &colour.pigments);
        let pigments = parts.filter_map(|part| part.pigment.as_ref());
        let unpriced = pigments.filter(|pigment| pigment.price_per_100g.is_none());
        let mut missing: Vec<String> = unpriced.map(|pigment| pigment.name.clone()).collect();
        let butter = self.cocoa_butter(source.stated.chocolate_id);
        let price = butter.and_then(|id| self.chocolate(id)?.price_per_kg);
        if !colour.ready && price.is_none() {
            missing.push(Family::CocoaButter.in_words().to_owned());
        }
        missing
    }

    /// Goods as they are counted, at what one costs; chocolate for a filling, by weight.
    fn bought(&self, taken: &GoodsTaken, filled: &PlanInputs) -> Bought {
        let as_taken = taken.count.unwrap_or_else(|| in_grams(taken.mass));
        let by_the_piece = taken.count.map_or(CountedIn::Grams, |_| CountedIn::Pieces);
        let name = taken.name.clone();
        if let Some(id) = self.chocolate_of_a_filling(filled, &taken.name) {
            let per_kg = self.chocolate(id).and_then(|kept| kept.price_per_kg);
            let price = per_kg.map(|price| price / 1_000.0);
            let by_count = ByCount { name, count: as_taken, price };
            return Bought { by_count, unit: CountedIn::Grams };
        }
        let found = self.goods_taken(taken, |id| self.is_in_use(id));
        let counted = found.and_then(|(_, goods)| Some((goods, in_its_unit(goods, taken)?)));
        Bought {
            unit: counted.map_or(by_the_piece, |(goods, _)| goods.unit),
            by_count: ByCount {
                name,
                count: counted.map_or(as_taken, |(_, count)| count),
                price: counted.and_then(|(goods, _)| goods.cost(1.0)),
            },
        }
    }

    fn made(&self, of: &PlannedComponent, plan: &Plan, filled: &PlanInputs) -> MadeCost {
        let (mut cost, mut unpriced) = (0.0, Vec::new());
        for portion in &of.draft.takes {
            let Some(source) = Source::of(plan, filled, &portion.chocolate) else { continue };
            let grams = in_grams(source.chocolate_in(portion.mass));
            match self.price_per_kg(&source) {
                Some(price) => cost += price * grams / 1_000.0,
                None => {
                    let missing = self.unpriced(&source).into_iter();
                    missing.for_each(|name| add_once(&mut unpriced, name));
                }
            }
        }
        let bought = of.draft.goods.iter().flat_map(|goods| goods.bought());
        let weighed = bought.map(|one| GoodsTaken::weighed(one.name, one.goods_id, one.mass));
        let used = of.draft.used.iter().map(|one| GoodsTaken::by_the_piece(one.name, one.count));
        for taken in weighed.chain(used).filter(|taken| taken.name != FROM_THE_TAP) {
            let ByCount { name, count, price } = self.bought(&taken, filled).by_count;
            match price {
                Some(price) => cost += price * count,
                None => add_once(&mut unpriced, name),
            }
        }
        let pieces = of.draft.size.pieces.map(|pieces| pieces.count);
        MadeCost {
            component: of.key.clone(),
            name: of.name.clone(),
            each: pieces.map(|pieces| cost / pieces.max(1.0)),
            pieces,
            cost,
            unpriced,
        }
    }

    /// What goes into one box, and what it is packed in.
    fn box_goods(&self, plan: &Plan, filled: &PlanInputs, made: &[MadeCost]) -> Option<f64> {
        let packed = plan.packing.as_ref()?;
        let inside = packed.kinds.iter().filter_map(|kind| {
            let cost = made.iter().find(|one| one.component == kind.component)?;
            Some(match kind.each {
                Portion::Pieces(pieces) => cost.each? * pieces,
                Portion::Grams(grams) => cost.cost * grams / kind.makes.max(1e-9),
            })
        });
        let wrapping = packed.wrapping.iter().filter_map(|taken| {
            let ByCount { count, price, .. } = self.bought(taken, filled).by_count;
            Some(price? * count / packed.count)
        });
        Some(inside.chain(wrapping).sum())
    }
}

/// Something that was bought, and what it is counted in.
struct Bought {
    by_count: ByCount,
    unit: CountedIn,
}

impl CostLine {
    fn is_anything(&self) -> bool {
        self.mass.is_some_and(|mass| in_grams(mass) > 0.0) || self.count.is_some_and(|n| n > 0.0)
    }
}

/// The maker's hours and the power, where the kitchen says what they cost.
fn paid_beside(
    kitchen: &KitchenInputs,
    plan: &Plan,
    filled: &PlanInputs,
    hands: Time,
) -> Vec<(CostOf, ByCount)> {
    let mut all = Vec::new();
    if kitchen.hour_price.is_some() {
        // By the quarter of an hour.
        let count = whole_up(in_seconds(hands) / 900.0) / 4.0;
        let name = "by hand".to_owned();
        all.push((CostOf::Hours, ByCount { name, count, price: kitchen.hour_price }));
    }
    if kitchen.kwh_price.is_some() {
        let kwh: f64 = Source::all(plan, filled).map(|source| melting_kwh(&source)).sum();
        let name = "melting".to_owned();
        let count = (kwh * 100.0).round() / 100.0;
        all.push((CostOf::Power, ByCount { name, count, price: kitchen.kwh_price }));
    }
    all
}

/// What one melt draws: power = output · setting · time / 0.6.
fn melting_kwh(source: &Source<'_>) -> f64 {
    let bursts = source.planned.plan.as_ref().and_then(|plan| plan.bursts.as_ref());
    match bursts.zip(source.stated.microwave) {
        Some((bursts, microwave)) => {
            microwave.watts * microwave.power * in_seconds(bursts.total) * DRAWS / 3.6e6
        }
        None => OVER_WATER_KWH,
    }
}
