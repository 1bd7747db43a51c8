//! Everything of the shelf that a plan is made with.

use std::collections::BTreeSet;

use uuid::Uuid;

use super::Shelf;
use crate::plan::{Plan, PlanInputs};

impl Shelf {
    /// Chocolates, gear, pigments and goods that a plan names, each once; goods and pigments also
    /// where it names them only by their name. `plan` is what follows from `stated`.
    #[must_use]
    pub fn made_with(&self, stated: &PlanInputs, plan: &Plan) -> BTreeSet<Uuid> {
        let mut with: BTreeSet<Uuid> = stated.trays.iter().map(|tray| tray.tray_id).collect();
        for bowl in &stated.bowls {
            let gear = [bowl.chocolate_id, bowl.ware_id, bowl.heat_id, bowl.thermometer_id];
            with.extend(gear.into_iter().flatten());
            for part in bowl.colour.iter().flat_map(|colour| &colour.pigments) {
                let named = || self.pigment_named(&part.pigment.as_ref()?.name);
                with.extend(part.pigment_id.or_else(named));
            }
        }
        for component in &stated.components {
            let mut work = component.work.clone();
            with.extend(work.cast_mut().and_then(|cast| cast.mould_id));
        }
        let goods = plan.goods.iter().filter_map(|taken| self.goods_taken(taken, |_| true));
        with.extend(goods.map(|(id, _)| id));
        with
    }
}
