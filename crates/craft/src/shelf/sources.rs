//! What a planned chocolate or colour is, for what it costs and what its label says.

use uuid::Uuid;

use super::Shelf;
use crate::chocolate::Family;
use crate::plan::{BowlInputs, Plan, PlanInputs, PlannedBowl};
use crate::units::Mass;

/// A bowl of a plan, whole, with what was stated of it.
#[derive(Clone, Copy)]
pub(super) struct Source<'p> {
    pub planned: &'p PlannedBowl,
    pub stated: &'p BowlInputs,
}

impl<'p> Source<'p> {
    /// Every bowl that is weighed out: none of the parts that are taken from one.
    pub fn all(plan: &'p Plan, filled: &'p PlanInputs) -> impl Iterator<Item = Self> {
        let bowls = plan.bowls.iter().zip(&filled.bowls);
        let whole = bowls.filter(|(planned, _)| planned.taken.is_none() && planned.plan.is_some());
        whole.map(|(planned, stated)| Self { planned, stated })
    }

    /// The bowl that a chocolate is taken from, by its key: itself, or the whole that it is a part of.
    pub fn of(plan: &'p Plan, filled: &'p PlanInputs, key: &str) -> Option<Self> {
        let bowl = plan.bowls.iter().find(|bowl| bowl.key == key)?;
        let whole = bowl.taken.as_ref().map_or(key, |taken| &taken.from);
        Self::all(plan, filled).find(|source| source.planned.key == whole)
    }

    /// Whether it is a coloured cocoa butter.
    pub fn is_colour(&self) -> bool {
        self.planned.plan.as_ref().is_some_and(|plan| plan.colour.is_some())
    }

    /// What it is called on a label: its family, or `chocolate` where it is a blend of several.
    pub fn name(&self) -> &'static str {
        match &self.stated.blend {
            Some(blend) if blend.iter().all(|part| part.family != Family::Coating) => "chocolate",
            _ => self.stated.family.in_words(),
        }
    }

    /// How much of it was bought as chocolate, of so much of what is in the bowl: the rest is fat
    /// that is stirred into it.
    pub fn chocolate_in(&self, mass: Mass) -> Mass {
        let share = self
            .planned
            .plan
            .as_ref()
            .map_or(1.0, |plan| (plan.chocolate_weighed() / plan.weighed_out().total).value);
        mass * share
    }
}

/// Adds a name where it does not stand yet.
pub(super) fn add_once(all: &mut Vec<String>, name: String) {
    if !all.contains(&name) {
        all.push(name);
    }
}

impl Shelf {
    /// The chocolate that goes into a filling, by what the recipe calls it: the one of its family that
    /// the plan is made from, or the one that is called so on the shelf.
    #[must_use]
    pub fn chocolate_of_a_filling(&self, filled: &PlanInputs, name: &str) -> Option<Uuid> {
        let family = Family::of_a_filling(name)?;
        let plain = |bowl: &&BowlInputs| bowl.family == family && bowl.colour.is_none();
        let own = filled.bowls.iter().filter(plain).find_map(|bowl| bowl.chocolate_id);
        own.or_else(|| self.called_as(&BowlInputs::usual(family)))
    }

    /// The cocoa butter that colours are made with, where the shelf has one: the one that was named,
    /// or the first by its id.
    pub(super) fn cocoa_butter(&self, named: Option<Uuid>) -> Option<Uuid> {
        let is_butter =
            |id: &Uuid| self.chocolate(*id).is_some_and(|of| of.family == Family::CocoaButter);
        let of_colour = named.filter(is_butter);
        let all = self.entries.iter().filter(|(id, entry)| !entry.put_away && is_butter(id));
        of_colour.or_else(|| all.map(|(id, _)| *id).min())
    }
}
