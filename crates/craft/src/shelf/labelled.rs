//! What the label of something that is made says: put together from what went in, by weight as it is
//! used, and from what the labels of that say.

use chrono::NaiveDate;
use uuid::Uuid;

use super::Shelf;
use super::sources::{Source, add_once};
use crate::allergens::{Allergen, of_family};
use crate::catalogue::label as say;
use crate::check::Fault;
use crate::chocolate::Family;
use crate::colour::FoodStatus;
use crate::keeping::Store;
use crate::label::{Label, Named, Part, label};
use crate::message::{Message, names};
use crate::note::Note;
use crate::pantry::GoodsInputs;
use crate::plan::{FROM_THE_TAP, Plan, PlanInputs, PlannedComponent};
use crate::units::{Mass, in_grams};
use crate::work::BoughtRef;

/// What a label says.
#[derive(Clone, Debug, PartialEq)]
pub struct Labelled {
    /// The component's key; `None` of what all lies in one box.
    pub component: Option<String>,
    /// What it is called.
    pub name: String,
    /// Ingredients, allergens, traces.
    pub label: Label,
    /// What it weighs: one piece, one box, all of what is not cut.
    pub net: Mass,
    /// It keeps so many days from when it is made; `None` where only dates tell.
    pub days: Option<f64>,
    /// The first of the dates of what went in.
    pub dated: Option<NaiveDate>,
    /// Where it is kept.
    pub store: Store,
    /// How it is stored, in words.
    pub storage: Option<Message>,
    /// What of it nobody eats.
    pub not_food: Vec<String>,
    /// Whose label was not put in and must be read.
    pub unread: Vec<String>,
    /// Remarks.
    pub notes: Vec<Note>,
}

/// A component, and how much of it goes under a label: as a share of all that is made of it.
type Share<'p> = (&'p PlannedComponent, f64);

impl Shelf {
    /// The labels of a plan that is filled in: of one box, where it is packed; then of each thing that
    /// is made. `beside` is what else was on the bench, besides the rest of the plan.
    ///
    /// # Errors
    /// What cannot be put on a label, each with its field.
    pub fn labels(
        &self,
        plan: &Plan,
        filled: &PlanInputs,
        beside: &[Named],
    ) -> Result<Vec<Labelled>, Vec<Fault>> {
        let mut all = Vec::new();
        let of_all =
            self.parts(plan, filled, &plan.components.iter().map(|c| (c, 1.0)).collect::<Vec<_>>());
        // All of the plan was on one bench.
        let on_the_bench = match of_all.is_empty() {
            true => Vec::new(),
            false => label(&of_all, &[])?.contains,
        };
        let beside: Vec<Named> = beside.iter().cloned().chain(on_the_bench).collect();
        if let Some(packed) = &plan.packing {
            let shares = packed.kinds.iter().filter_map(|kind| {
                let component = plan.components.iter().find(|one| one.key == kind.component)?;
                Some((component, kind.each.amount() / kind.makes.max(1e-9)))
            });
            let shares: Vec<Share<'_>> = shares.collect();
            all.extend(self.labelled(plan, filled, (None, &shares), packed.weighs, &beside)?);
        }
        for component in plan.components.iter().filter(|one| one.keeping.is_some()) {
            let pieces = component.draft.size.pieces;
            let share = pieces.map_or(1.0, |pieces| 1.0 / pieces.count.max(1.0));
            let net = pieces.map_or_else(|| component.draft.weighs(), |pieces| pieces.each);
            let of = (Some(component), &[(component, share)][..]);
            all.extend(self.labelled(plan, filled, of, net, &beside)?);
        }
        Ok(all)
    }

    /// `None` of what nothing goes into.
    fn labelled(
        &self,
        plan: &Plan,
        filled: &PlanInputs,
        (component, shares): (Option<&PlannedComponent>, &[Share<'_>]),
        net: Mass,
        beside: &[Named],
    ) -> Result<Option<Labelled>, Vec<Fault>> {
        let parts = self.parts(plan, filled, shares);
        if parts.is_empty() {
            return Ok(None);
        }
        let inside = || shares.iter().map(|(component, _)| *component);
        let keeping = inside().filter_map(|one| one.keeping.as_ref());
        let shortest = keeping.clone().filter_map(|keeping| keeping.days).reduce(f64::min);
        // What is cold keeps all of it cold.
        let cold = keeping.clone().find(|keeping| keeping.store != Store::CoolRoom);
        let stored = cold.or_else(|| keeping.clone().next());
        let mut not_food: Vec<String> = Vec::new();
        for one in inside() {
            let inside = one.draft.goods.iter().filter(|goods| goods.not_food);
            let used = one.draft.used.iter().filter(|used| used.goes == "on them");
            let all = inside.map(|goods| goods.name.clone());
            for name in all.chain(used.map(|used| used.name.to_owned())) {
                add_once(&mut not_food, name);
            }
        }
        let name = component.map_or_else(
            || inside().map(|one| one.name.as_str()).collect::<Vec<_>>().join(", "),
            |one| one.name.clone(),
        );
        let unread = self.unread(plan, filled, shares);
        let mut notes = self.colour_notes(plan, filled, shares);
        if !not_food.is_empty() {
            notes.push(Note::caution("label-not-food", say::not_food(names(&not_food))));
        }
        if !unread.is_empty() {
            notes.push(Note::caution("label-unread", say::unread(names(&unread))));
        }
        Ok(Some(Labelled {
            component: component.map(|one| one.key.clone()),
            name,
            label: label(&parts, beside)?,
            net,
            days: shortest,
            dated: self.first_date(plan, filled, shares),
            store: stored.map(|keeping| keeping.store).unwrap_or_default(),
            storage: stored.map(|keeping| keeping.storage.clone()),
            not_food,
            unread,
            notes,
        }))
    }

    /// What goes in under a label, by weight.
    fn parts(&self, plan: &Plan, filled: &PlanInputs, shares: &[Share<'_>]) -> Vec<Part> {
        let mut parts = Vec::new();
        for (component, share) in shares {
            for portion in &component.draft.takes {
                self.chocolate_parts(
                    plan,
                    filled,
                    &portion.chocolate,
                    portion.mass * *share,
                    &mut parts,
                );
            }
            for goods in component.draft.goods.iter().filter(|goods| !goods.not_food) {
                for bought in goods.bought() {
                    if let Some(family) = Family::of_a_filling(bought.name) {
                        let id = self.chocolate_of_a_filling(filled, bought.name);
                        let mass = bought.mass * *share;
                        parts.push(self.chocolate_part(id, family.in_words(), [family], mass));
                        continue;
                    }
                    let kept = self.kept_of(bought);
                    let says = bought.label.or(kept.and_then(|kept| kept.allergens.as_ref()));
                    parts.push(Part {
                        name: bought.name.to_owned(),
                        grams: in_grams(bought.mass * *share),
                        label_text: kept
                            .map(|kept| kept.label.clone())
                            .filter(|text| !text.is_empty()),
                        allergens: as_named(says.map(|label| &label.contains)),
                        may_contain: as_named(says.map(|label| &label.may_contain)),
                    });
                }
            }
        }
        parts
    }

    /// A chocolate with what is stirred into it, or a colour as its butter and its pigments.
    fn chocolate_parts(
        &self,
        plan: &Plan,
        filled: &PlanInputs,
        key: &str,
        mass: Mass,
        parts: &mut Vec<Part>,
    ) {
        let Some(source) = Source::of(plan, filled, key) else { return };
        let Some(of) = &source.planned.plan else { return };
        let own = plan.bowls.iter().find(|bowl| bowl.key == key);
        let tint = own.and_then(|bowl| bowl.tinted.as_ref()).map(|t| (t.colour.as_str(), t.share));
        // What is stirred into it is on top of its weight.
        let plain = mass / (1.0 + tint.map_or(0.0, |(_, share)| share));
        if let Some((colour, share)) = tint {
            self.chocolate_parts(plan, filled, colour, plain * share, parts);
        }
        let Some(colour) = &of.colour else {
            let families = source.stated.blend.iter().flatten().map(|part| part.family);
            let single = source.stated.blend.is_none().then_some(source.stated.family);
            let (id, families) = (source.stated.chocolate_id, families.chain(single));
            let chocolate = source.chocolate_in(plain);
            parts.push(self.chocolate_part(id, source.name(), families, chocolate));
            if let Some((added, _)) = of.fat_added() {
                parts.push(Part {
                    name: added.fat.name().to_owned(),
                    grams: in_grams(plain - source.chocolate_in(plain)),
                    ..Part::default()
                });
            }
            return;
        };
        let all = in_grams(colour.amounts.total).max(1e-9);
        let of_all = |mass_g: f64| in_grams(plain) * mass_g / all;
        let pigments = self.pigments(&source);
        for ((name, mass), declared) in colour.pigments.iter().zip(&pigments) {
            let name = declared.clone().unwrap_or_else(|| name.clone());
            let name = if colour.ready { name } else { say::colour(&name).text().into_owned() };
            parts.push(Part { name, grams: of_all(in_grams(*mass)), ..Part::default() });
        }
        if !colour.ready {
            let butter = of_all(in_grams(colour.amounts.butter));
            let name = Family::CocoaButter.in_words().to_owned();
            parts.push(Part { name, grams: butter, ..Part::default() });
        }
    }

    /// The goods on the shelf that something is: those it was picked from, else those of its name.
    fn kept_of(&self, bought: BoughtRef<'_>) -> Option<&GoodsInputs> {
        let picked = bought.goods_id.and_then(|id| self.goods(id));
        let named = || self.goods_named(bought.name, |id| self.is_in_use(id));
        picked.or_else(|| named().map(|(_, goods)| goods))
    }

    /// A chocolate of one family, or of several, with what its own label says.
    fn chocolate_part(
        &self,
        id: Option<Uuid>,
        name: &str,
        families: impl IntoIterator<Item = Family>,
        mass: Mass,
    ) -> Part {
        let always = families.into_iter().flat_map(of_family).copied();
        let kept = id.and_then(|id| self.chocolate(id));
        let says = kept.and_then(|kept| kept.allergens.as_ref());
        let told = says.iter().flat_map(|label| &label.contains).copied();
        Part {
            name: name.to_owned(),
            grams: in_grams(mass),
            label_text: kept.map(|kept| kept.label.clone()).filter(|text| !text.is_empty()),
            allergens: always.chain(told).map(Named::plain).collect(),
            may_contain: as_named(says.map(|label| &label.may_contain)),
        }
    }

    /// What the label of each pigment of a colour calls it, where that was put in.
    fn pigments(&self, source: &Source<'_>) -> Vec<Option<String>> {
        let stated = source.stated.colour.iter().flat_map(|colour| &colour.pigments);
        stated
            .map(|part| {
                let declared = part.pigment.as_ref().map(|pigment| pigment.declared.clone());
                declared.filter(|text| !text.is_empty())
            })
            .collect()
    }

    /// The bowls that go in under a label, each once: chocolates, and what colours and tints them.
    fn sources<'p>(
        plan: &'p Plan,
        filled: &'p PlanInputs,
        shares: &[Share<'_>],
    ) -> Vec<Source<'p>> {
        let mut all: Vec<Source<'p>> = Vec::new();
        let mut add = |source: Option<Source<'p>>| {
            let Some(source) = source else { return };
            if all.iter().all(|known| known.planned.key != source.planned.key) {
                all.push(source);
            }
        };
        for portion in shares.iter().flat_map(|(component, _)| &component.draft.takes) {
            add(Source::of(plan, filled, &portion.chocolate));
            let own = plan.bowls.iter().find(|bowl| bowl.key == portion.chocolate);
            let tinted = own.and_then(|bowl| bowl.tinted.as_ref());
            add(tinted.and_then(|tinted| Source::of(plan, filled, &tinted.colour)));
        }
        all
    }

    fn colour_notes(&self, plan: &Plan, filled: &PlanInputs, shares: &[Share<'_>]) -> Vec<Note> {
        let mut notes = Vec::new();
        let (mut check, mut unsaid): (Vec<String>, Vec<String>) = (Vec::new(), Vec::new());
        for source in Self::sources(plan, filled, shares) {
            let parts = source.stated.colour.iter().flat_map(|colour| &colour.pigments);
            for pigment in parts.filter_map(|part| part.pigment.as_ref()) {
                if pigment.check_country {
                    add_once(&mut check, pigment.name.clone());
                }
                if pigment.food != FoodStatus::ForEating {
                    add_once(&mut unsaid, pigment.name.clone());
                }
            }
        }
        if !check.is_empty() {
            notes.push(Note::caution("label-check-country", say::check_country(names(&check))));
        }
        if !unsaid.is_empty() {
            notes.push(Note::caution("label-not-said-for-eating", say::not_said(names(&unsaid))));
        }
        notes
    }

    /// What has neither ingredients nor allergens from a label of its own.
    fn unread(&self, plan: &Plan, filled: &PlanInputs, shares: &[Share<'_>]) -> Vec<String> {
        let mut unread: Vec<String> = Vec::new();
        // A chocolate is made of several things: they are to be on the label too.
        let unread_chocolate = |id: Option<Uuid>, name: &str| {
            let kept = id.and_then(|id| self.chocolate(id));
            kept.is_none_or(|kept| kept.label.is_empty() || kept.allergens.is_none())
                .then(|| kept.map_or_else(|| name.to_owned(), |kept| kept.name.clone()))
        };
        for source in Self::sources(plan, filled, shares) {
            if source.stated.colour.is_some() {
                continue;
            }
            if let Some(name) = unread_chocolate(source.stated.chocolate_id, source.name()) {
                add_once(&mut unread, name);
            }
        }
        let goods = shares.iter().flat_map(|(component, _)| &component.draft.goods);
        for bought in goods.filter(|goods| !goods.not_food).flat_map(|goods| goods.bought()) {
            if Family::of_a_filling(bought.name).is_some() {
                let id = self.chocolate_of_a_filling(filled, bought.name);
                if let Some(name) = unread_chocolate(id, bought.name) {
                    add_once(&mut unread, name);
                }
                continue;
            }
            let kept = self.kept_of(bought);
            let read = bought.label.is_some() || kept.is_some_and(|kept| kept.allergens.is_some());
            if !read && bought.name != FROM_THE_TAP {
                add_once(&mut unread, bought.name.to_owned());
            }
        }
        unread
    }

    /// The first of the best-before dates of what goes in.
    fn first_date(
        &self,
        plan: &Plan,
        filled: &PlanInputs,
        shares: &[Share<'_>],
    ) -> Option<NaiveDate> {
        let chocolates = Self::sources(plan, filled, shares)
            .into_iter()
            .filter_map(|source| self.chocolate(source.stated.chocolate_id?)?.best_before);
        let goods = shares.iter().flat_map(|(component, _)| &component.draft.goods);
        let goods = goods.flat_map(|goods| goods.bought());
        let goods =
            goods.filter_map(|bought| match self.chocolate_of_a_filling(filled, bought.name) {
                Some(id) => self.chocolate(id)?.best_before,
                None => self.kept_of(bought)?.best_before,
            });
        chocolates.chain(goods).min()
    }
}

/// Allergens by their own names.
fn as_named(all: Option<&Vec<Allergen>>) -> Vec<Named> {
    all.into_iter().flatten().copied().map(Named::plain).collect()
}
