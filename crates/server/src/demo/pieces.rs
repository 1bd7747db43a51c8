//! What the demo's plans are put together from: trays, bowls, slabs, goods.

use craft::chocolate::Family;
use craft::filling::{Ingredient, IngredientInputs, PartOf};
use craft::plan::BowlInputs;
use craft::work::{
    ComponentInputs, CoverInputs, Lining, MixedAmount, MixedInInputs, SlabInputs, ToppingInputs,
    ToppingWish, TrayInputs, WorkInputs,
};

use super::shelf::{GLASS_BOWL, HALF_POWER, LONG_PROBE, LOW_POWER, chocolate_of, shelf_id};

pub(super) fn tray(length_mm: f64, width_mm: f64) -> TrayInputs {
    TrayInputs::Rectangle { length_mm, width_mm, rim_mm: None }
}

pub(super) fn bowl(family: Family) -> BowlInputs {
    let heat = if family == Family::Dark { HALF_POWER } else { LOW_POWER };
    BowlInputs {
        chocolate_id: chocolate_of(family),
        ware_id: Some(shelf_id(GLASS_BOWL)),
        heat_id: Some(shelf_id(heat)),
        thermometer_id: Some(shelf_id(LONG_PROBE)),
        cooling_min: Some(8.0),
        ..BowlInputs::usual(family)
    }
}

pub(super) fn made(key: &str, name: &str, work: WorkInputs) -> ComponentInputs {
    ComponentInputs { key: key.to_owned(), name: name.to_owned(), work }
}

pub(super) fn slab(family: Family, tray: TrayInputs, thickness_mm: f64) -> SlabInputs {
    SlabInputs {
        chocolate: family.to_string(),
        cover: CoverInputs::Thickness { tray, thickness_mm },
        mixed_in: Vec::new(),
        toppings: Vec::new(),
        lining: Lining::Parchment,
        piece_cm2: None,
        texture: None,
    }
}

/// One of the goods of the pantry that are folded in.
pub(super) fn folded(number: u64, name: &str, amount: MixedAmount) -> MixedInInputs {
    MixedInInputs { goods_id: Some(shelf_id(number)), ..MixedInInputs::usual(name, amount) }
}

/// One of the goods of the pantry on top.
pub(super) fn scattered(number: u64, name: &str, wish: ToppingWish) -> ToppingInputs {
    ToppingInputs { goods_id: Some(shelf_id(number)), ..ToppingInputs::usual(name, wish) }
}

pub(super) fn ingredient(ingredient: Ingredient, grams: f64) -> IngredientInputs {
    IngredientInputs { ingredient: PartOf::Known(ingredient), name: None, grams, label: None }
}
