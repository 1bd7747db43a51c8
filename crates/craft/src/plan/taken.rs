//! What a plan takes besides chocolate: each of the goods once, whatever it goes into.

use uuid::Uuid;

use super::PlannedComponent;
use crate::units::Mass;

/// What is out of the tap, and is not bought.
const FROM_THE_TAP: &str = "water";

/// One of the goods that a plan takes.
#[derive(Clone, Debug, PartialEq)]
pub struct GoodsTaken {
    /// What it is.
    pub name: String,
    /// The goods in the pantry that it is, where it was picked there.
    pub goods_id: Option<Uuid>,
    /// All that is taken of it.
    pub mass: Mass,
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
}

/// All that components take besides chocolate, in the order in which it is named first.
pub(super) fn taken(components: &[PlannedComponent]) -> Vec<GoodsTaken> {
    let mut all: Vec<GoodsTaken> = Vec::new();
    for component in components {
        let bought = component.draft.goods.iter().filter(|goods| goods.name != FROM_THE_TAP);
        for goods in bought {
            let name = component.name.clone();
            let used = GoodsUse { component: name, goes: goods.goes, mass: goods.mass };
            let same = |known: &&mut GoodsTaken| {
                known.goods_id == goods.goods_id
                    && known.name.to_lowercase() == goods.name.to_lowercase()
            };
            match all.iter_mut().find(same) {
                Some(known) => {
                    known.mass += goods.mass;
                    known.uses.push(used);
                }
                None => all.push(GoodsTaken {
                    name: goods.name.clone(),
                    goods_id: goods.goods_id,
                    mass: goods.mass,
                    uses: vec![used],
                }),
            }
        }
    }
    all
}
