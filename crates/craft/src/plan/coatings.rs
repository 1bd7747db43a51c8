//! Coating: nothing to temper, other fats. What is said of it alone, and with couverture.

use super::bowl_inputs::BowlInputs;
use super::planned::{PlannedBowl, plan_of};
use crate::catalogue::plan as say;
use crate::catalogue::work::parting;
use crate::check::Checker;
use crate::chocolate::Family;
use crate::method::Method;
use crate::note::Note;
use crate::work::{ComponentInputs, Draft, Task};

/// Chocolate that is shock-set sets on a frozen slab alone: in a room it blooms.
pub(super) fn check_shock_set(
    bowls: &[BowlInputs],
    components: &[ComponentInputs],
    drafts: &[Draft],
    check: &mut Checker,
) {
    let shock_set = Method::find("shock_set");
    for (i, bowl) in bowls.iter().enumerate().filter(|(_, bowl)| bowl.method == shock_set) {
        let in_a_room = components.iter().zip(drafts).find(|(_, draft)| {
            let takes = draft.takes.iter().any(|portion| portion.chocolate == bowl.key);
            takes && draft.sets.stone.is_none() && !draft.sets.on_ice
        });
        if let Some((component, _)) = in_a_room.filter(|_| shock_set.is_some()) {
            check.fault(format!("bowls[{i}].method"), say::shock_set_in_a_room(&component.name));
        }
    }
}

/// Whether anything made of a chocolate states the frozen slab that it is spread on: then that is
/// at hand.
pub(super) fn is_on_a_frozen_slab(key: &str, drafts: &[Draft]) -> bool {
    drafts.iter().any(|draft| {
        draft.sets.stone.is_some() && draft.takes.iter().any(|one| one.chocolate == key)
    })
}

/// The families that a component is made of.
fn families(draft: &Draft, bowls: &[PlannedBowl]) -> Vec<Family> {
    let of = |key: &str| Some(plan_of(bowls, key)?.chocolate.family);
    draft.takes.iter().filter_map(|portion| of(&portion.chocolate)).collect()
}

/// Whether all of it is coating.
pub(super) fn is_all_coating(draft: &Draft, bowls: &[PlannedBowl]) -> bool {
    let families = families(draft, bowls);
    !families.is_empty() && families.iter().all(|family| *family == Family::Coating)
}

/// Coating on couverture, or the other way round: they do not hold together.
pub(super) fn over_couverture(draft: &Draft, bowls: &[PlannedBowl]) -> Option<Note> {
    let families = families(draft, bowls);
    let coating = families.contains(&Family::Coating);
    let couverture =
        families.iter().any(|family| family.tempers() && *family != Family::CocoaButter);
    let work = Family::Coating.windows().work;
    (coating && couverture)
        .then(|| Note::stop("coating-with-couverture", say::coating_with_couverture(work)))
}

/// The same without a word of temper: a coating lets go because it has set, and proves
/// nothing.
pub(super) fn plain_words(draft: &mut Draft, tasks: &mut [Task]) {
    for mistake in &mut draft.said.mistakes {
        *mistake = mistake.of_coating();
    }
    let proof = parting::peel_how();
    for task in tasks.iter_mut().filter(|task| task.detail == proof) {
        task.detail = parting::peel_coating_how();
    }
    let in_temper = crate::catalogue::work::marbled::check_in_temper();
    for check in draft.said.checks.iter_mut().filter(|check| **check == in_temper) {
        *check = crate::catalogue::work::marbled::check_warm();
    }
}
