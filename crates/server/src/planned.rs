//! A plan with the shelf's numbers in it, and what follows.

use craft::plan::{Plan, PlanInputs, shared_trays};
use craft::units::grams;

use crate::answer::plan::WholePlanAnswer;
use crate::answer::shelf::StockAnswer;
use crate::problem::Problem;
use crate::state::State;

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
    let today = state.wall.now().0.date_naive();
    let mut answer = WholePlanAnswer::of(Plan::of(&filled)?, inputs, &filled, (&on_shelf, today));
    for (bowl, stated) in answer.shown.bowls.iter_mut().zip(&filled.bowls) {
        if let (Some(plan), Some(id)) = (&mut bowl.plan, stated.chocolate_id) {
            let fat_g = plan.fat_added.as_ref().map_or(0.0, |added| added.mass_g);
            let taken = grams(plan.to_weigh_g - fat_g);
            plan.stock = StockAnswer::of(&on_shelf, id, taken, today);
        }
    }
    answer.shown.notes.extend(shared_trays(inputs));
    answer.weigh_remarks();
    Ok((filled, answer))
}
