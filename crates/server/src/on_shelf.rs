//! The shelf in memory: every plan that is dragged about asks for it, and it is
//! small and seldom changes.

use std::collections::HashMap;
use std::sync::Arc;

use chrono::NaiveDate;
use craft::plan::{Plan, PlanInputs, shared_trays};
use craft::shelf::{Shelf, stock};
use craft::units::Mass;
use store::shelf::ShelfRow;
use store::{Pool, StoreError};
use tokio::sync::RwLock;
use uuid::Uuid;

use crate::answer::plan::WholePlanAnswer;
use crate::answer::shelf::StockAnswer;
use crate::problem::Problem;
use crate::state::State;

/// What stands on the shelf, and how much of it.
#[derive(Debug)]
pub struct OnShelf {
    /// As the rules see it.
    pub shelf: Shelf,
    /// As it is kept, put away or not.
    pub rows: Vec<ShelfRow>,
    /// What is left of each chocolate of which that is known.
    pub left: HashMap<Uuid, Mass>,
}

impl OnShelf {
    /// Whether a thing is still offered.
    #[must_use]
    pub fn in_use(&self, id: Uuid) -> bool {
        self.rows.iter().any(|row| row.id == id && !row.put_away)
    }

    /// What there is of a chocolate, for a bowl that takes so much of it.
    fn stock(&self, id: Uuid, needed: Mass, today: NaiveDate) -> Option<StockAnswer> {
        let chocolate = self.shelf.chocolate(id)?;
        let left = self.left.get(&id).copied();
        Some(StockAnswer {
            name: chocolate.name.clone(),
            left_g: left.map(crate::answer::grams),
            cost: stock::cost(chocolate, needed).map(|cost| crate::answer::round(cost, 2)),
            notes: stock::remarks(chocolate, left, needed, today),
        })
    }
}

/// Read from the store when it is first asked for, and again once it changed.
#[derive(Debug, Default)]
pub struct ShelfCache(RwLock<Option<Arc<OnShelf>>>);

impl ShelfCache {
    /// What stands on the shelf now.
    ///
    /// # Errors
    /// Where the store fails.
    pub async fn read(&self, pool: &Pool) -> Result<Arc<OnShelf>, StoreError> {
        if let Some(known) = self.0.read().await.as_ref() {
            return Ok(known.clone());
        }
        let mut cache = self.0.write().await;
        let rows = store::shelf::list(pool).await?;
        let fresh = Arc::new(OnShelf {
            shelf: store::shelf::as_ruled(&rows, pool).await?,
            left: store::stock::all_left(pool).await?,
            rows,
        });
        *cache = Some(fresh.clone());
        Ok(fresh)
    }

    /// It is to be read again.
    pub async fn changed(&self) {
        *self.0.write().await = None;
    }
}

/// A plan: its inputs with what they name on the shelf put in, and what follows.
///
/// # Errors
/// Where the inputs are refused, or the store fails.
pub async fn planned(
    state: &State,
    inputs: &PlanInputs,
) -> Result<(PlanInputs, WholePlanAnswer), Problem> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    let filled = on_shelf.shelf.fill(inputs)?;
    let mut answer = WholePlanAnswer::of(Plan::of(&filled)?, inputs);
    let today = state.wall.now().0.date_naive();
    for (bowl, stated) in answer.shown.bowls.iter_mut().zip(&filled.bowls) {
        if let (Some(plan), Some(id)) = (&mut bowl.plan, stated.chocolate_id) {
            plan.stock = on_shelf.stock(id, craft::units::grams(plan.to_weigh_g), today);
        }
    }
    answer.shown.notes.extend(shared_trays(inputs));
    Ok((filled, answer))
}
