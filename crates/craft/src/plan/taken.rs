//! What a plan takes besides chocolate: each of the goods once, whatever it goes into.

use std::collections::HashMap;

use uuid::Uuid;

use super::{BowlPlan, PlannedBowl, PlannedComponent};
use crate::units::Mass;

/// What is out of the tap, and is not bought.
const FROM_THE_TAP: &str = "water";

/// Whether it is out of the tap: nobody buys it, and it has no label.
pub(super) fn from_the_tap(name: &str) -> bool {
    name == FROM_THE_TAP
}

/// One of the goods that a plan takes.
#[derive(Clone, Debug, PartialEq)]
pub struct GoodsTaken {
    /// What it is.
    pub name: String,
    /// The goods in the pantry that it is, where it was picked there.
    pub goods_id: Option<Uuid>,
    /// All that is taken of it.
    pub mass: Mass,
    /// How many, of what nobody eats: that goes by the piece.
    pub count: Option<f64>,
    /// What it goes into, in the order of the components.
    pub uses: Vec<GoodsUse>,
}

/// What some goods go into.
#[derive(Clone, Debug, PartialEq)]
pub struct GoodsUse {
    /// The component, by name.
    pub component: String,
    /// Where it goes, in a word or two.
    pub goes: &'static str,
    /// How much.
    pub mass: Mass,
    /// How many, of what nobody eats.
    pub count: Option<f64>,
}

/// All that is taken besides chocolate, in the order in which it is named first: what components
/// take, then what is stirred into chocolates.
pub(super) fn taken(bowls: &[PlannedBowl], components: &[PlannedComponent]) -> Vec<GoodsTaken> {
    let mut all = of_components(components);
    for bowl in bowls {
        let Some((fat, mass)) = bowl.plan.as_ref().and_then(BowlPlan::fat_added) else { continue };
        let used =
            GoodsUse { component: bowl.label.clone(), goes: "stirred in", mass, count: None };
        match all.iter_mut().find(|known| known.name.to_lowercase() == fat.name()) {
            Some(known) => {
                known.mass += mass;
                known.uses.push(used);
            }
            None => all.push(GoodsTaken {
                name: fat.name().to_owned(),
                goods_id: None,
                mass,
                count: None,
                uses: vec![used],
            }),
        }
    }
    all.extend(used(components));
    all
}

/// What is used up and nobody eats, each once.
fn used(components: &[PlannedComponent]) -> Vec<GoodsTaken> {
    let mut all: Vec<GoodsTaken> = Vec::new();
    for component in components {
        for one in &component.draft.used {
            let (name, mass, count) = (component.name.clone(), Mass::default(), Some(one.count));
            let used = GoodsUse { component: name, goes: one.goes, mass, count };
            match all.iter_mut().find(|known| known.name == one.name) {
                Some(known) => {
                    known.count = known.count.map(|before| before + one.count);
                    known.uses.push(used);
                }
                None => all.push(GoodsTaken {
                    name: one.name.to_owned(),
                    goods_id: None,
                    mass,
                    count,
                    uses: vec![used],
                }),
            }
        }
    }
    all
}

fn of_components(components: &[PlannedComponent]) -> Vec<GoodsTaken> {
    let mut all: Vec<GoodsTaken> = Vec::new();
    let mut places: HashMap<(Option<Uuid>, String), usize> = HashMap::new();
    for component in components {
        let bought = component
            .draft
            .goods
            .iter()
            .flat_map(|goods| goods.bought().map(|one| (one, goods.goes)));
        for (one, goes) in bought.filter(|(one, _)| !from_the_tap(one.name)) {
            let used =
                GoodsUse { component: component.name.clone(), goes, mass: one.mass, count: None };
            let place = *places.entry((one.goods_id, one.name.to_lowercase())).or_insert(all.len());
            match all.get_mut(place) {
                Some(known) => {
                    known.mass += one.mass;
                    known.uses.push(used);
                }
                None => all.push(GoodsTaken {
                    name: one.name.to_owned(),
                    goods_id: one.goods_id,
                    mass: one.mass,
                    count: None,
                    uses: vec![used],
                }),
            }
        }
    }
    all
}
