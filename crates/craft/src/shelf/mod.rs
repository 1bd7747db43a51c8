//! The maker's shelf: chocolates, bowls, heat sources, thermometers, the
//! kitchen; and what was learned of them.
//!
//! A plan names things on the shelf; [`Shelf::fill`] puts their numbers in. So a
//! plan that is still to be made follows the shelf, and a bowl, which keeps what
//! was filled in, stays what it was when it was opened.

mod costed;
mod goods_stock;
mod labelled;
mod made_with;
mod sources;
pub mod stock;
#[cfg(test)]
mod tests;
mod thing;
mod to_shop;

pub use costed::{CostLine, CostOf, MadeCost, PlanCost};
pub use goods_stock::{GoodsStock, in_its_unit};
pub use labelled::Labelled;
pub use thing::{
    ChocolateInputs, HeatInputs, Kind, KitchenInputs, MouldInputs, OffsetCheck, ThermometerInputs,
    Thing, TrayInputs, WareInputs,
};
pub use to_shop::{Shop, ShoppingList, ToShop};

use std::collections::{BTreeMap, HashMap};

use chrono::{DateTime, Utc};
use uuid::Uuid;

use crate::boxes::spare_learned;
use crate::catalogue::shelf as say;
use crate::check::{self, Checker, Fault};
use crate::chocolate::{Chocolate, Family};
use crate::colour::PigmentInputs;
use crate::learn::{GearNumbers, Learned, Number, learned_value, spread};
use crate::pantry::GoodsInputs;
use crate::plan::{
    BY_NAME, BowlInputs, GoodsTaken, LearnedSpare, MadeIn, NamedLabel, PlanInputs, TemperingPace,
};
use crate::schedule::AtHand;
use crate::work;

/// A thing on the shelf.
#[derive(Clone, Debug, PartialEq)]
pub struct Entry {
    /// What it is.
    pub thing: Thing,
    /// Bowls opened before this teach nothing about it: it was reset then.
    pub learns_from: Option<DateTime<Utc>>,
    /// Whether it was put away: it is kept, since plans may name it.
    pub put_away: bool,
}

/// What one bowl taught, and about which gear.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Taught {
    /// When the bowl was opened.
    pub opened: DateTime<Utc>,
    /// The bowl itself.
    pub ware_id: Option<Uuid>,
    /// What heated it.
    pub heat_id: Option<Uuid>,
    /// The numbers.
    pub numbers: GearNumbers,
}

/// The shelf.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Shelf {
    entries: HashMap<Uuid, Entry>,
    /// The latest first.
    lessons: Vec<Taught>,
    /// What was counted of what was made.
    counted: Vec<Counted>,
}

/// What was counted of one thing that was made.
#[derive(Clone, Debug, PartialEq)]
pub struct Counted {
    /// Its kind of work, as documents call it.
    pub kind: String,
    /// How many there were.
    pub made: f64,
    /// How many of them broke.
    pub broken: f64,
}

impl Shelf {
    /// The kitchen's own id: there is one.
    pub const KITCHEN: Uuid = Uuid::nil();

    /// A shelf with these things, and what bowls taught about them.
    #[must_use]
    pub fn new(entries: impl IntoIterator<Item = (Uuid, Entry)>, mut lessons: Vec<Taught>) -> Self {
        lessons.sort_by_key(|taught| std::cmp::Reverse(taught.opened));
        Self { entries: entries.into_iter().collect(), lessons, counted: Vec::new() }
    }

    /// The same, with what was counted of earlier batches, the latest first.
    #[must_use]
    pub fn counting(self, counted: Vec<Counted>) -> Self {
        Self { counted, ..self }
    }

    /// How many of a hundred break of each kind of work that was counted often enough.
    #[must_use]
    pub fn spares(&self) -> Vec<LearnedSpare> {
        let mut of_kind: BTreeMap<&str, Vec<(f64, f64)>> = BTreeMap::new();
        for one in &self.counted {
            of_kind.entry(&one.kind).or_default().push((one.made, one.broken));
        }
        let learned = of_kind.into_iter().filter_map(|(kind, counted)| {
            let kind = kind.to_owned();
            Some(LearnedSpare { kind, pct: spare_learned(&counted)? })
        });
        learned.collect()
    }

    fn thing(&self, id: Uuid) -> Option<&Thing> {
        self.entries.get(&id).map(|entry| &entry.thing)
    }

    /// Whether a thing stands there and was not put away.
    fn is_in_use(&self, id: Uuid) -> bool {
        self.entries.get(&id).is_some_and(|entry| !entry.put_away)
    }

    /// A saved chocolate.
    #[must_use]
    pub fn chocolate(&self, id: Uuid) -> Option<&ChocolateInputs> {
        match self.thing(id) {
            Some(Thing::Chocolate(chocolate)) => Some(chocolate),
            _ => None,
        }
    }

    /// A saved bowl.
    #[must_use]
    pub fn ware(&self, id: Uuid) -> Option<&WareInputs> {
        match self.thing(id) {
            Some(Thing::Ware(ware)) => Some(ware),
            _ => None,
        }
    }

    /// A saved microwave or water bath.
    #[must_use]
    pub fn heat(&self, id: Uuid) -> Option<&HeatInputs> {
        match self.thing(id) {
            Some(Thing::Heat(heat)) => Some(heat),
            _ => None,
        }
    }

    /// A saved thermometer.
    #[must_use]
    pub fn thermometer(&self, id: Uuid) -> Option<&ThermometerInputs> {
        match self.thing(id) {
            Some(Thing::Thermometer(thermometer)) => Some(thermometer),
            _ => None,
        }
    }

    /// A saved tray.
    #[must_use]
    pub fn tray(&self, id: Uuid) -> Option<&TrayInputs> {
        match self.thing(id) {
            Some(Thing::Tray(tray)) => Some(tray),
            _ => None,
        }
    }

    /// A saved mould.
    #[must_use]
    pub fn mould(&self, id: Uuid) -> Option<&MouldInputs> {
        match self.thing(id) {
            Some(Thing::Mould(mould)) => Some(mould),
            _ => None,
        }
    }

    /// A saved pigment.
    #[must_use]
    pub fn pigment(&self, id: Uuid) -> Option<&PigmentInputs> {
        match self.thing(id) {
            Some(Thing::Pigment(pigment)) => Some(pigment),
            _ => None,
        }
    }

    /// Saved goods.
    #[must_use]
    pub fn goods(&self, id: Uuid) -> Option<&GoodsInputs> {
        match self.thing(id) {
            Some(Thing::Goods(goods)) => Some(goods),
            _ => None,
        }
    }

    /// The goods that a plan takes: those it was picked from, else those of its name. Of two
    /// of one name, those that are in use.
    #[must_use]
    pub fn goods_taken(
        &self,
        taken: &GoodsTaken,
        in_use: impl Fn(Uuid) -> bool,
    ) -> Option<(Uuid, &GoodsInputs)> {
        if let Some(id) = taken.goods_id {
            return Some((id, self.goods(id)?));
        }
        self.goods_named(&taken.name, in_use)
    }

    /// The goods of a name, whatever its capitals. Of two of one name, those that were not put away,
    /// and of those the ones that came first.
    fn goods_named(
        &self,
        name: &str,
        in_use: impl Fn(Uuid) -> bool,
    ) -> Option<(Uuid, &GoodsInputs)> {
        let name = name.to_lowercase();
        let same = self.entries.iter().filter_map(|(id, entry)| match &entry.thing {
            Thing::Goods(goods) if goods.name.to_lowercase() == name && in_use(*id) => {
                Some((entry.put_away, *id, goods))
            }
            _ => None,
        });
        // The shelf has no order of its own; ids grow with time.
        same.min_by_key(|(put_away, id, _)| (*put_away, *id)).map(|(_, id, goods)| (id, goods))
    }

    /// The kitchen.
    #[must_use]
    pub fn kitchen(&self) -> KitchenInputs {
        match self.thing(Self::KITCHEN) {
            Some(Thing::Kitchen(kitchen)) => kitchen.clone(),
            _ => KitchenInputs::default(),
        }
    }

    /// How many there are of what schedules share out.
    #[must_use]
    pub fn at_hand(&self) -> AtHand {
        let things = self.entries.iter().filter_map(|(id, entry)| {
            let how_many = match &entry.thing {
                Thing::Ware(ware) => ware.how_many,
                Thing::Heat(heat) => heat.how_many,
                Thing::Tray(tray) => tray.how_many,
                Thing::Mould(mould) => mould.how_many,
                _ => None,
            };
            Some((*id, how_many?))
        });
        AtHand { things: things.collect(), in_fridge: self.kitchen().fridge_holds }
    }

    /// The chocolate that a saved one is, with faults noted under `field`.
    pub fn check_chocolate(&self, id: Uuid, field: &str, check: &mut Checker) -> Option<Chocolate> {
        let saved = self.chocolate(id);
        if saved.is_none() {
            check.fault(field, say::not_a_chocolate());
        }
        saved.map(|saved| saved.chocolate(field, check))
    }

    /// A batch with the numbers of what it names on the shelf put in, and with what
    /// was learned of the kitchen.
    ///
    /// # Errors
    /// Where it names what is not there, each with its field.
    pub fn fill(&self, inputs: &PlanInputs) -> Result<PlanInputs, Vec<Fault>> {
        let mut check = Checker::new();
        let mut filled = inputs.clone();
        // What is put in here is stated too: it must not come back as it was, unread.
        check.optional("setting_pace", inputs.setting_pace, check::SETTING_PACE);
        if let Some(pace) = inputs.tempering_pace {
            pace.check(&mut check);
        }
        for (i, bowl) in filled.bowls.iter_mut().enumerate() {
            bowl.learned = bowl.learned.check(&format!("bowls[{i}].learned"), &mut check);
            match self.fill_bowl(bowl) {
                Ok(with_numbers) => *bowl = with_numbers,
                Err(faults) => {
                    let field = format!("bowls[{i}]");
                    faults.into_iter().for_each(|fault| check.add(fault.under(&field)));
                }
            }
        }
        for (i, component) in filled.components.iter_mut().enumerate() {
            self.fill_goods(&mut component.work, &format!("components[{i}].work"), &mut check);
        }
        for component in &mut filled.components {
            // One that is not there is refused where its size is asked for.
            if let Some(tray) = component.work.tray_mut()
                && let work::TrayInputs::Saved { tray_id } = *tray
                && let Some(saved) = self.tray(tray_id)
            {
                *tray = saved.shape;
                filled.trays.retain(|other| other.component != component.key);
                filled.trays.push(MadeIn { component: component.key.clone(), tray_id });
            }
        }
        for (i, component) in filled.components.iter_mut().enumerate() {
            let Some(cast) = component.work.cast_mut() else { continue };
            if let Some(id) = cast.mould_id {
                match self.mould(id) {
                    Some(saved) => cast.mould.clone_from(&saved.mould),
                    None => check
                        .fault(format!("components[{i}].work.cast.mould_id"), say::not_a_mould()),
                }
            }
        }
        filled.labels = self.labels_by_name();
        filled.spares = self.spares();
        filled.tempering_pace = self.tempering_pace();
        filled.setting_pace = self.learned(Number::SettingPace, None, None).map(|l| l.value);
        check.finish()?;
        Ok(filled)
    }

    /// What the labels say of goods that recipes name and nobody picks.
    fn labels_by_name(&self) -> Vec<NamedLabel> {
        // One walk over the shelf: a plan is filled at every step of a slider.
        let mut first: [Option<(bool, Uuid, &GoodsInputs)>; BY_NAME.len()] = [None; BY_NAME.len()];
        for (id, entry) in &self.entries {
            let Thing::Goods(goods) = &entry.thing else { continue };
            let place = BY_NAME.iter().position(|name| goods.name.eq_ignore_ascii_case(name));
            let Some(known) = place.and_then(|place| first.get_mut(place)) else { continue };
            if known.is_none_or(|(put_away, of, _)| (entry.put_away, *id) < (put_away, of)) {
                *known = Some((entry.put_away, *id, goods));
            }
        }
        let labelled = BY_NAME.iter().zip(first).filter_map(|(name, known)| {
            let (_, _, goods) = known?;
            Some(NamedLabel { name: (*name).to_owned(), label: goods.allergens.clone()? })
        });
        labelled.collect()
    }

    /// Puts in what is known of the goods that a component names; what is not known of them
    /// stays as it was stated.
    fn fill_goods(&self, work: &mut work::WorkInputs, field: &str, check: &mut Checker) {
        let mut found = |id: Option<Uuid>, list: &str, i: usize| {
            let goods = self.goods(id?);
            if goods.is_none() {
                check.fault(format!("{field}.{list}[{i}].goods_id"), say::not_goods());
            }
            goods
        };
        for (i, topping) in work.toppings_mut().into_iter().flatten().enumerate() {
            let Some(goods) = found(topping.goods_id, "toppings", i) else { continue };
            topping.name.clone_from(&goods.name);
            topping.across_mm = goods.across_mm.unwrap_or(topping.across_mm);
            topping.each_g = goods.each_g.unwrap_or(topping.each_g);
            topping.known = goods.known.over(topping.known);
            topping.label.clone_from(&goods.allergens);
        }
        for (i, mixed) in work.mixed_in_mut().into_iter().flatten().enumerate() {
            let Some(goods) = found(mixed.goods_id, "mixed_in", i) else { continue };
            mixed.name.clone_from(&goods.name);
            mixed.density_g_cm3 = goods.density_g_cm3.unwrap_or(mixed.density_g_cm3);
            mixed.known = goods.known.over(mixed.known);
            mixed.label.clone_from(&goods.allergens);
        }
        for part in work.ingredients_mut().into_iter().flatten() {
            let goods = self.goods_named(part.called(), |_| true);
            part.label = goods.and_then(|(_, goods)| goods.allergens.clone());
        }
    }

    /// The chocolate that a bowl is of which none was picked: the one in use that is called just as
    /// its family. So what was bought for it goes into it.
    fn called_as(&self, bowl: &BowlInputs) -> Option<Uuid> {
        let plain = bowl.blend.is_none() && bowl.colour.is_none() && bowl.taken_from.is_none();
        let name = bowl.family.in_words();
        let same = self.entries.iter().filter(|(id, _)| self.is_in_use(**id) && plain);
        let same = same.filter(|(_, entry)| match &entry.thing {
            Thing::Chocolate(of) => {
                of.family == bowl.family && of.blend.is_none() && of.name.eq_ignore_ascii_case(name)
            }
            _ => false,
        });
        same.map(|(id, _)| *id).min()
    }

    /// A bowl with the numbers of what it names on the shelf put in.
    ///
    /// # Errors
    /// Where it names what is not there, each with its field.
    pub fn fill_bowl(&self, inputs: &BowlInputs) -> Result<BowlInputs, Vec<Fault>> {
        let mut check = Checker::new();
        let mut filled = inputs.clone();
        filled.chocolate_id = inputs.chocolate_id.or_else(|| self.called_as(inputs));
        if let Some(id) = filled.chocolate_id {
            if let Some(saved) = self.chocolate(id) {
                filled.name = inputs.name.clone().or_else(|| Some(saved.name.clone()));
                filled.family = saved.family;
                filled.blend.clone_from(&saved.blend);
                filled.own = inputs.own.or(saved.own);
                filled.looks = inputs.looks.clone().or_else(|| saved.looks.clone());
                filled.flow_grade = saved.flow_grade;
                filled.label.clone_from(&saved.allergens);
            } else {
                check.fault("chocolate_id", say::not_a_chocolate());
            }
        }
        if let Some(id) = inputs.ware_id {
            if let Some(ware) = self.ware(id) {
                filled.bowl = Some(ware.bowl());
            } else {
                check.fault("ware_id", say::not_a_bowl());
            }
        }
        if let Some(id) = inputs.heat_id {
            if let Some(heat) = self.heat(id) {
                filled.microwave = heat.microwave;
            } else {
                check.fault("heat_id", say::not_a_heat_source());
            }
        }
        if let Some(id) = inputs.thermometer_id {
            if let Some(thermometer) = self.thermometer(id) {
                filled.offset_c = thermometer.offset_c();
            } else {
                check.fault("thermometer_id", say::not_a_thermometer());
            }
        }
        if let Some(added) = &mut filled.fat_added {
            match added.goods_id {
                Some(id) if self.goods(id).is_none() => {
                    check.fault("fat_added.goods_id", say::not_goods());
                }
                Some(_) => {}
                None => {
                    let named = self.goods_named(added.fat.name(), |_| true);
                    added.goods_id = named.map(|(id, _)| id);
                }
            }
        }
        for (i, part) in filled.colour.iter_mut().flat_map(|c| &mut c.pigments).enumerate() {
            let Some(id) = part.pigment_id else { continue };
            match self.pigment(id) {
                Some(pigment) => part.pigment = Some(pigment.clone()),
                None => {
                    check.fault(format!("colour.pigments[{i}].pigment_id"), say::not_a_pigment())
                }
            }
        }
        if inputs.ware_id.is_some() || inputs.heat_id.is_some() {
            filled.learned = self.numbers(inputs.ware_id, inputs.heat_id);
        } else if filled.learned.dryer_w.is_none() {
            // The hair dryer is the kitchen's, whatever bowl it is.
            filled.learned.dryer_w = self.learned(Number::Dryer, None, None).map(|l| l.value);
        }
        check.finish()?;
        Ok(filled)
    }

    /// Where a plan starts in this kitchen, with the gear of which there is but
    /// one.
    #[must_use]
    pub fn usual_plan(&self, family: Family, in_use: impl Fn(Uuid) -> bool) -> PlanInputs {
        let kitchen = self.kitchen();
        let mut usual = PlanInputs::usual(family);
        let only = |kind: Kind| {
            let mut of_kind =
                self.entries.iter().filter(|(id, e)| e.thing.kind() == kind && in_use(**id));
            match (of_kind.next(), of_kind.next()) {
                (Some((id, _)), None) => Some(*id),
                _ => None,
            }
        };
        for bowl in &mut usual.bowls {
            bowl.stone_c = kitchen.stone_c;
            bowl.kitchen = kitchen.at_hand;
            bowl.ware_id = only(Kind::Ware);
            bowl.heat_id = only(Kind::Heat);
            bowl.thermometer_id = only(Kind::Thermometer);
        }
        PlanInputs {
            room_c: kitchen.room_c.unwrap_or(usual.room_c),
            rh_pct: kitchen.rh_pct.unwrap_or(usual.rh_pct),
            fridge_c: kitchen.fridge_c,
            ..usual
        }
    }

    /// What was learned of a bowl, a heat source, or the two together.
    ///
    /// How long work takes to set is the kitchen's, as is what its hair dryer brings. How a bowl
    /// cools, and how warm water warms it, is its own, what share of a microwave's heat arrives is
    /// the microwave's; how far a bowl carries over, and what a short warming
    /// does, belong to the two together.
    #[must_use]
    pub fn learned(
        &self,
        number: Number,
        ware_id: Option<Uuid>,
        heat_id: Option<Uuid>,
    ) -> Option<Learned> {
        let (ware, heat) = match number {
            Number::Cooling => (Some(ware_id?), None),
            Number::Efficiency => (None, Some(heat_id?)),
            Number::CarryOver | Number::BurstResponse | Number::Bath => {
                (Some(ware_id?), Some(heat_id?))
            }
            Number::WarmWater => (Some(ware_id?), None),
            Number::SettingPace | Number::TemperingPace | Number::Dryer => (None, None),
        };
        let since = |id: Uuid| self.entries.get(&id).and_then(|entry| entry.learns_from);
        let kitchen = (ware.is_none() && heat.is_none()).then_some(Self::KITCHEN);
        let from = [ware, heat, kitchen].into_iter().flatten().filter_map(since).max();
        let about = |taught: &&Taught| {
            ware.is_none_or(|id| taught.ware_id == Some(id))
                && heat.is_none_or(|id| taught.heat_id == Some(id))
                && from.is_none_or(|from| taught.opened >= from)
        };
        learned_value(
            number,
            self.lessons.iter().filter(about).filter_map(|t| number.of(&t.numbers)),
        )
    }

    /// How long bowls take here until they are in temper, with the range of most of them.
    fn tempering_pace(&self) -> Option<TemperingPace> {
        let number = Number::TemperingPace;
        let typical = self.learned(number, None, None)?.value;
        let since = self.entries.get(&Self::KITCHEN).and_then(|entry| entry.learns_from);
        let known = self.lessons.iter().filter(|taught| since.is_none_or(|at| taught.opened >= at));
        let range = spread(number, known.filter_map(|taught| number.of(&taught.numbers)));
        let usual = TemperingPace::of(typical);
        Some(range.map_or(usual, |[least, most]| TemperingPace {
            typical,
            // The middle counts what is usual too.
            least: least.min(typical),
            most: most.max(typical),
        }))
    }

    /// All that was learned of a bowl and a heat source.
    #[must_use]
    pub fn numbers(&self, ware_id: Option<Uuid>, heat_id: Option<Uuid>) -> GearNumbers {
        let value = |number| self.learned(number, ware_id, heat_id).map(|learned| learned.value);
        GearNumbers {
            cooling_ratio: value(Number::Cooling),
            efficiency: value(Number::Efficiency),
            carry_over_c: value(Number::CarryOver),
            burst_response: value(Number::BurstResponse),
            setting_pace: None,
            tempering_pace: None,
            dryer_w: value(Number::Dryer),
            warm_water_ratio: value(Number::WarmWater),
            bath_w: value(Number::Bath),
        }
    }
}
