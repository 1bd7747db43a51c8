//! What a plan takes besides chocolate: each of the goods once, whatever it goes into.

use std::borrow::Cow;
use std::collections::HashMap;

use uuid::Uuid;

use super::{BowlPlan, Packed, PlannedBowl, PlannedComponent};
use crate::units::Mass;

/// What is out of the tap: it is not bought, and has no label.
pub const FROM_THE_TAP: &str = "water";

/// What goods go into that all of it is packed in.
const PACKING: &str = "packing";

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

impl GoodsTaken {
    /// Goods that are taken by weight, whatever they go into.
    #[must_use]
    pub fn weighed(name: &str, goods_id: Option<Uuid>, mass: Mass) -> Self {
        Self { name: name.to_owned(), goods_id, mass, count: None, uses: Vec::new() }
    }

    /// So many of what nobody eats, whatever they go with.
    #[must_use]
    pub fn by_the_piece(name: &str, count: f64) -> Self {
        Self { count: Some(count), ..Self::weighed(name, None, Mass::default()) }
    }
}

/// Who adds up what is taken: each of the goods stands where it was named first.
#[derive(Default)]
struct Adding<'n> {
    all: Vec<GoodsTaken>,
    /// Where each stands, by its id and its name, whatever its capitals, and whether it goes by the
    /// piece.
    places: HashMap<(Option<Uuid>, Cow<'n, str>, bool), usize>,
}

impl<'n> Adding<'n> {
    /// Goods of a name and an id, so much of them as goes into something.
    fn add(&mut self, name: &'n str, goods_id: Option<Uuid>, used: GoodsUse) {
        let GoodsUse { mass, count, .. } = used;
        let key = (goods_id, in_small_letters(name), count.is_some());
        let place = *self.places.entry(key).or_insert(self.all.len());
        if let Some(known) = self.all.get_mut(place) {
            known.mass += mass;
            known.count = known.count.zip(count).map(|(before, more)| before + more);
            known.uses.push(used);
        } else {
            let name = name.to_owned();
            self.all.push(GoodsTaken { name, goods_id, mass, count, uses: vec![used] });
        }
    }

    /// The goods of a name that were named first, if any were.
    fn named(&self, name: &str) -> Option<&GoodsTaken> {
        self.all.iter().find(|known| in_small_letters(&known.name) == name)
    }
}

/// A name without its capitals: as it is, where it has none.
fn in_small_letters(name: &str) -> Cow<'_, str> {
    if name.chars().any(char::is_uppercase) {
        Cow::Owned(name.to_lowercase())
    } else {
        Cow::Borrowed(name)
    }
}

/// All that is taken besides chocolate, in the order in which it is named first: what components
/// take, then what is stirred into chocolates, then what nobody eats.
pub(super) fn taken(
    bowls: &[PlannedBowl],
    components: &[PlannedComponent],
    packing: Option<&Packed>,
) -> Vec<GoodsTaken> {
    let mut adding = Adding::default();
    let used = |component: &str, goes, mass, count| {
        let component = component.to_owned();
        GoodsUse { component, goes, mass, count }
    };
    for component in components {
        for goods in &component.draft.goods {
            for one in goods.bought().filter(|one| !from_the_tap(one.name)) {
                let used = used(&component.name, goods.goes, one.mass, None);
                adding.add(one.name, one.goods_id, used);
            }
        }
    }
    for bowl in bowls {
        let Some((added, mass)) = bowl.plan.as_ref().and_then(BowlPlan::fat_added) else {
            continue;
        };
        let name = added.fat.name();
        // Of what a component was given from the shelf, it is the same.
        let named = || adding.named(name).and_then(|known| known.goods_id);
        let goods_id = added.goods_id.or_else(named);
        adding.add(name, goods_id, used(&bowl.label, "stirred in", mass, None));
    }
    for component in components {
        for piece in &component.draft.used {
            let used = used(&component.name, piece.goes, Mass::default(), Some(piece.count));
            adding.add(piece.name, None, used);
        }
    }
    for one in packing.iter().flat_map(|packing| &packing.wrapping) {
        let used = used(PACKING, "packed in", Mass::default(), one.count);
        adding.add(&one.name, one.goods_id, used);
    }
    adding.all
}
