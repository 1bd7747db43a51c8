//! A plan: chocolates to be tempered, and what is made from them.

use std::collections::HashSet;

use super::bowl_inputs::{BowlInputs, LONGEST_KEY, Tempering};
use super::inputs::{PlanInputs, TemperingPace, WatchFor};
use super::keeping::Keeping;
use super::left_over::left_over;
use super::needed::Needed;
use super::packing::{Packed, check_spares};
use super::planned::{PlannedBowl, PlannedComponent, TakenPart, Tinted, plan_of};
use super::recipe::Recipe;
use super::taken::{GoodsTaken, from_the_tap, taken};
use super::{blend, bowl_names, coatings, division, labels, sharing, tints};
use crate::allergens::{Declared, Gathering};
use crate::catalogue::plan as say;
use crate::check::{self, Checker, Fault};
use crate::chocolate::Family;
use crate::fridge::{Stay, stay};
use crate::note::Note;
use crate::room::Room;
use crate::scale::Scale;
use crate::setting::{self, Dry, Place, SettingOf, in_a_brushed_wall};
use crate::units::{Mass, Temperature, celsius, percent_of};
use crate::work::{
    BatchChocolate, ComponentInputs, Draft, Drafting, LayerTimes, Task, in_a_box, without_fridge,
};

/// Chocolates in one plan at most.
const MOST_BOWLS: usize = 8;
/// Components in one plan at most.
const MOST_COMPONENTS: usize = 24;
/// So many things to watch for at most.
const MOST_WATCHED: usize = MOST_COMPONENTS * 4;
/// The longest name of a component.
const LONGEST_NAME: usize = 120;

/// Everything that follows from what the maker stated.
#[derive(Clone, Debug, PartialEq)]
pub struct Plan {
    /// The room.
    pub room: Room,
    /// What the room means for the work.
    pub room_notes: Vec<Note>,
    /// The chocolates.
    pub bowls: Vec<PlannedBowl>,
    /// What is made.
    pub components: Vec<PlannedComponent>,
    /// Remarks on all of it together.
    pub notes: Vec<Note>,
    /// What all of it contains.
    pub allergens: Declared,
    /// What it takes besides chocolate, what it is packed in too.
    pub goods: Vec<GoodsTaken>,
    /// How it is packed.
    pub packing: Option<Packed>,
    /// How long its maker's bowls take until they are in temper.
    pub tempering_pace: TemperingPace,
    /// What to watch for, of what is made, each once.
    pub watch_for: Vec<WatchFor>,
}

/// The kitchen that a batch is made in.
#[derive(Clone, Copy)]
struct Kitchen {
    room: Room,
    fridge: Option<Temperature>,
    pace: f64,
    scale: Scale,
}

impl Plan {
    /// Everything that follows from what is stated.
    ///
    /// # Errors
    /// Every fault of the inputs, each with its field.
    pub fn of(inputs: &PlanInputs) -> Result<Self, Vec<Fault>> {
        let mut check = Checker::new();
        let room_c = check.number("room_c", inputs.room_c, check::ROOM_C);
        let humidity = percent_of(check.number("rh_pct", inputs.rh_pct, check::RH_PCT));
        let fridge = check.optional("fridge_c", inputs.fridge_c, check::FRIDGE_C).map(celsius);
        let pace = check.optional("setting_pace", inputs.setting_pace, check::SETTING_PACE);
        let room = Room { temp: celsius(room_c), humidity };
        // One kitchen: where any bowl is weighed finely, so is what goes in and on.
        let fine = inputs.bowls.iter().any(|bowl| bowl.kitchen.scale() == Scale::Fine);
        let scale = if fine { Scale::Fine } else { Scale::Kitchen };
        let kitchen = Kitchen { room, fridge, pace: pace.unwrap_or(1.0), scale };
        labels::check(&inputs.labels, &mut check);
        if let Some(when) = &inputs.when {
            when.check(&mut check);
        }
        check_spares(&inputs.spares, &mut check);
        if inputs.trays.len() > MOST_COMPONENTS {
            check.fault("trays", say::must_be_at_most(MOST_COMPONENTS, inputs.trays.len()));
        }
        if inputs.watch_for.len() > MOST_WATCHED {
            check.fault("watch_for", say::must_be_at_most(MOST_WATCHED, inputs.watch_for.len()));
        }
        if let Some(pace) = inputs.tempering_pace {
            pace.check(&mut check);
        }
        if let Some(packing) = &inputs.packing {
            packing.check(&mut check);
        }
        let stated = division::put_in(&inputs.bowls, &mut check);
        let mut tempering = check_bowls(&inputs.bowls, &stated, room_c, &mut check);
        let plain: Vec<_> =
            tempering.iter().map(|t| t.recipe.as_ref().map(Recipe::optics)).collect();
        let known: Vec<BatchChocolate> = (stated.iter().zip(&tempering))
            .zip(bowl_names::names(&stated).into_iter().zip(tints::optics(&stated, &plain)))
            .map(|((bowl, t), (label, optics))| BatchChocolate {
                key: bowl.key.clone(),
                label,
                chocolate: t.chocolate.clone(),
                optics,
                parts: t.recipe.as_ref().map(Recipe::parts),
                flow_grade: bowl.flow_grade,
            })
            .collect();
        tints::check(&stated, &known, &mut check);
        let mut drafts = check_components(&inputs.components, &known, kitchen, &mut check);
        coatings::check_shock_set(&stated, &inputs.components, &drafts, &mut check);
        check.finish()?;

        let mut check = Checker::new();
        for (bowl, tempering) in stated.iter().zip(&mut tempering) {
            tempering.kitchen.frozen_slab |= coatings::is_on_a_frozen_slab(&bowl.key, &drafts);
        }
        let needs = needed(&stated, &drafts, &tempering);
        division::check_parts(&stated, &needs, &mut check);
        let looks: Vec<_> = stated.iter().map(|bowl| tints::looks(bowl, &known)).collect();
        let coloured = |key: &str| {
            let place = stated.iter().position(|bowl| bowl.key == key)?;
            looks.get(place)?.clone()
        };
        for layer in drafts.iter_mut().flat_map(|draft| &mut draft.sets.layers) {
            layer.colour = layer.colour.take().or_else(|| coloured(&layer.chocolate));
        }
        let tinted: Vec<_> =
            (0..stated.len()).map(|i| tints::tinted_mass(i, &stated, &needs)).collect();
        let mut bowls = Vec::new();
        for (i, ((bowl, tempering), needed)) in stated.iter().zip(tempering).zip(needs).enumerate()
        {
            let named = Named {
                label: &known[i].label,
                taken: bowl.taken_from.as_ref().map(|from| TakenPart {
                    from: from.clone(),
                    label: label_of(&known, from),
                    mass: needed.total,
                }),
                tinted: bowl.tint.as_ref().map(|tint| Tinted {
                    colour: tint.colour.clone(),
                    label: label_of(&known, &tint.colour),
                    share: tint.share(),
                    into: tinted[i],
                }),
                looks: looks[i].clone(),
            };
            match weighed_out(bowl, named, needed, tempering) {
                Ok(planned) => bowls.push(planned),
                Err(fault) => check.add(fault.under(&format!("bowls[{i}]"))),
            }
        }
        check.finish()?;
        let components: Vec<_> = inputs
            .components
            .iter()
            .zip(drafts)
            .map(|(component, draft)| {
                // What is named twice or names nothing does no harm: it was not typed.
                let made_in = inputs.trays.iter().find(|tray| tray.component == component.key);
                let tray_id = made_in.map(|tray| tray.tray_id);
                PlannedComponent { tray_id, ..timed(component, draft, &bowls, kitchen) }
            })
            .collect();
        let notes = sharing::remarks(&components, &bowls);
        let allergens = declared(inputs, &stated, &bowls, &components);
        let spares = spares(inputs);
        let mut check = Checker::new();
        let packing = inputs.packing.as_ref();
        let packing = packing.map(|packing| packing.packed(&components, &spares, &mut check));
        check.finish()?;
        let goods = taken(&bowls, &components, packing.as_ref());
        let room_notes = room.verdict();
        let tempering_pace = inputs.tempering_pace.unwrap_or_default();
        Ok(Self {
            room,
            room_notes,
            bowls,
            components,
            notes,
            allergens,
            goods,
            packing,
            tempering_pace,
            watch_for: watched(inputs),
        })
    }
}

/// What to watch for of what is made, each once: what names nothing any more does no harm.
fn watched(inputs: &PlanInputs) -> Vec<WatchFor> {
    let mut all: Vec<WatchFor> = Vec::new();
    for one in &inputs.watch_for {
        let is_made = inputs.components.iter().any(|made| made.key == one.component);
        if is_made && !all.contains(one) {
            all.push(one.clone());
        }
    }
    all
}

/// How many of a hundred break of each component, by key, as its kind of work does.
fn spares(inputs: &PlanInputs) -> Vec<(String, f64)> {
    let learned = |kind: &str| inputs.spares.iter().find(|one| one.kind == kind);
    let of = inputs.components.iter();
    of.filter_map(|one| Some((one.key.clone(), learned(one.work.kind())?.pct))).collect()
}

/// What is needed of each bowl: of parts first, then of what they are taken from.
fn needed(stated: &[BowlInputs], drafts: &[Draft], tempering: &[Tempering]) -> Vec<Needed> {
    let of = |i: usize, parts: Mass| Needed::of(&stated[i].key, drafts, &tempering[i], parts);
    let parts: Vec<_> = stated
        .iter()
        .enumerate()
        .map(|(i, bowl)| bowl.taken_from.is_some().then(|| of(i, Mass::default())))
        .collect();
    let mut needs: Vec<_> = parts
        .iter()
        .enumerate()
        .map(|(i, part)| {
            let taken_out =
                division::taken_out(&stated[i].key, stated, parts.iter().map(Option::as_ref));
            part.unwrap_or_else(|| of(i, taken_out))
        })
        .collect();
    tints::add(stated, &mut needs);
    needs
}

/// What tasks call a chocolate of the batch.
fn label_of(known: &[BatchChocolate], key: &str) -> String {
    let found = known.iter().find(|known| known.key == key);
    found.map_or_else(|| key.to_owned(), |known| known.label.clone())
}

/// What is said of a bowl besides how it is tempered.
struct Named<'n> {
    label: &'n str,
    taken: Option<TakenPart>,
    tinted: Option<Tinted>,
    looks: Option<String>,
}

/// What all that is used contains: of chocolates by their families and labels, of goods by name.
fn declared(
    PlanInputs { labels, .. }: &PlanInputs,
    stated: &[BowlInputs],
    bowls: &[PlannedBowl],
    components: &[PlannedComponent],
) -> Declared {
    let mut all = Gathering::default();
    let used = stated.iter().zip(bowls).filter(|(_, bowl)| bowl.plan.is_some());
    for (stated, bowl) in used {
        let parts = stated.blend.iter().flatten().map(|part| part.family);
        let family = stated.blend.is_none().then_some(stated.family);
        all.chocolate(&bowl.label, parts.chain(family), stated.label.as_ref());
    }
    let by_name = |name: &str| {
        let known = labels.iter().find(|known| known.name.eq_ignore_ascii_case(name));
        known.map(|known| &known.label)
    };
    let fats = bowls.iter().filter_map(|bowl| bowl.plan.as_ref()?.fat_added());
    for (added, _) in fats {
        all.goods(added.fat.name(), by_name(added.fat.name()));
    }
    let mut named = HashSet::new();
    for goods in components.iter().flat_map(|component| &component.draft.goods) {
        for bought in goods.bought().filter(|one| !from_the_tap(one.name)) {
            let label = bought.label.or_else(|| by_name(bought.name));
            // Without a label nothing but the name tells: once is enough.
            if label.is_some() || named.insert(bought.name) {
                all.goods(bought.name, label);
            }
        }
    }
    all.declared()
}

/// Every bowl as it was stated is checked; what it comes to follows from what is known of the one
/// that it is a part of, where it is.
fn check_bowls(
    bowls: &[BowlInputs],
    whole: &[BowlInputs],
    room_c: f64,
    check: &mut Checker,
) -> Vec<Tempering> {
    if bowls.len() > MOST_BOWLS {
        check.fault("bowls", say::must_be_at_most(MOST_BOWLS, bowls.len()));
    }
    let mut keys = HashSet::new();
    let mut checked = Vec::new();
    for (i, (bowl, whole)) in bowls.iter().zip(whole).enumerate() {
        let field = format!("bowls[{i}]");
        if !keys.insert(bowl.key.as_str()) {
            check.fault(format!("{field}.key"), say::must_be_its_own(&bowl.key));
        }
        let stated = bowl.check(&field, room_c, check);
        checked.push(if bowl.taken_from.is_some() {
            whole.check(&field, room_c, &mut Checker::new())
        } else {
            stated
        });
    }
    checked
}

fn check_components(
    components: &[ComponentInputs],
    known: &[BatchChocolate],
    kitchen: Kitchen,
    check: &mut Checker,
) -> Vec<Draft> {
    if components.is_empty() || components.len() > MOST_COMPONENTS {
        let there = components.len();
        check.fault("components", say::must_be_one_to(MOST_COMPONENTS, there));
    }
    let mut keys = HashSet::new();
    let mut drafts = Vec::new();
    for (i, component) in components.iter().enumerate() {
        let mut faults = Checker::new();
        faults.text("key", &component.key, LONGEST_KEY);
        faults.text("name", &component.name, LONGEST_NAME);
        if !keys.insert(component.key.as_str()) {
            faults.fault("key", say::must_be_its_own(&component.key));
        }
        let mut of_work = Checker::new();
        let mut at = Drafting {
            chocolates: known,
            room: kitchen.room,
            fridge: kitchen.fridge.is_some(),
            scale: kitchen.scale,
            check: &mut of_work,
        };
        drafts.extend(component.work.work().draft(&mut at).map(Draft::in_order));
        faults.take_under("work", of_work);
        check.take_under(&format!("components[{i}]"), faults);
    }
    drafts
}

fn weighed_out(
    bowl: &BowlInputs,
    Named { label, taken, tinted, looks }: Named<'_>,
    Needed { mass: needed, wanted, total, returned }: Needed,
    tempering: Tempering,
) -> Result<PlannedBowl, Fault> {
    let key = &bowl.key;
    let (ware_id, heat_id) = (bowl.ware_id, bowl.heat_id);
    let is_colour = tempering.recipe.is_some();
    let mut notes = match &bowl.tint {
        Some(tint) if is_colour => vec![tint.mixed()],
        Some(tint) => tint.remarks(),
        None => Vec::new(),
    };
    notes.extend(bowl.blend.as_deref().and_then(blend::remark));
    if let Some(added) = &bowl.fat_added {
        notes.extend(added.remarks(&tempering.chocolate));
    }
    if total < wanted {
        notes.push(Note::stop("too-little", say::too_little(wanted - total, wanted)));
    }
    let most = check::CHOCOLATE_G;
    if total > Mass::default() && !most.contain(crate::units::in_grams(total)) {
        let message = say::must_come_to(most, total);
        return Err(Fault { field: "total_g".to_owned(), message });
    }
    let chocolate = tempering.chocolate.clone();
    let whole = taken.is_none() && total > Mass::default();
    let plan = whole.then(|| tempering.into_plan(total)).transpose()?;
    // What moulds and vessels give back can be made into something else.
    let left_over = (chocolate.family != Family::CocoaButter)
        .then(|| left_over(key, &chocolate, total - wanted + returned))
        .flatten();
    Ok(PlannedBowl {
        key: key.clone(),
        label: label.to_owned(),
        needed,
        returned,
        stays_behind: (wanted - needed - returned).max(Mass::default()),
        plan,
        taken,
        tinted,
        looks,
        ware_id,
        heat_id,
        left_over,
        notes,
    })
}

/// A component with its times, from how each of its layers sets.
fn timed(
    component: &ComponentInputs,
    mut draft: Draft,
    bowls: &[PlannedBowl],
    kitchen: Kitchen,
) -> PlannedComponent {
    let place = draft.sets.stone.map_or(Place::Room(kitchen.room.temp), Place::ColdSlab);
    let mut notes = Vec::new();
    let mut times = Vec::new();
    let mut stays = Vec::new();
    for layer in &draft.sets.layers {
        let Some(plan) = plan_of(bowls, &layer.chocolate) else {
            // Nothing is weighed out of it: it has no times.
            times.push(LayerTimes { setting: None, fridge: None });
            stays.push(None);
            continue;
        };
        let poured = draft.sets.poured.unwrap_or_else(|| plan.poured_at());
        let setting = SettingOf {
            chocolate: &plan.chocolate,
            thickness: layer.thickness,
            poured,
            place,
            goods_per_gram: layer.goods_per_gram,
            on_top: layer.on_top,
            goods_at: draft.sets.goods_at(kitchen.room.temp),
        }
        .windows()
        .map(|setting| setting.paced(kitchen.pace));
        let stay = kitchen.fridge.filter(|_| draft.sets.may_chill).zip(setting).map(
            |(fridge, setting)| {
                // Layers over each other are chilled as one; what is drawn through each other,
                // or stands in mounds, as thick as its chocolate sets.
                let stacked =
                    draft.sets.layers.len() > 1 && draft.sets.layers.iter().all(|l| l.share >= 1.0);
                let thickness = draft.size.thickness.filter(|_| stacked).unwrap_or(layer.thickness);
                let coat = layer.thickness / f64::from(layer.coats);
                let crystals = (layer.coats > 1)
                    .then(|| in_a_brushed_wall(&plan.chocolate, coat, layer.coats, poured, place));
                let dry = Dry { temp: setting.dry_at, crystals: crystals.flatten() };
                stay(&plan.chocolate, thickness, dry, fridge, &kitchen.room)
            },
        );
        times.push(LayerTimes { setting, fridge: stay.as_ref().map(Into::into) });
        stays.push(stay);
    }
    let setting = times.get(draft.sets.governs).and_then(|times| times.setting);
    let fridge = stays.into_iter().nth(draft.sets.governs).flatten();
    if !draft.sets.layers.is_empty() && setting.is_none() {
        notes.push(setting::too_warm_to_set(kitchen.room.temp));
    }
    let mut tasks = std::mem::take(&mut draft.tasks);
    tasks = match &fridge {
        Some(Stay { advised: None, boxed: Some(_), .. }) => in_a_box(tasks),
        Some(Stay { advised: None, boxed: None, .. }) => without_fridge(tasks),
        _ => tasks,
    };
    let mut tasks: Vec<Task> = tasks.into_iter().map(|task| task.timed(&times)).collect();
    notes.extend(sharing::too_slow(&tasks));
    notes.extend(coatings::over_couverture(&draft, bowls));
    if coatings::is_all_coating(&draft, bowls) {
        coatings::plain_words(&mut draft, &mut tasks);
    }
    let keeping = Keeping::of(&draft, bowls);
    PlannedComponent {
        keeping,
        key: component.key.clone(),
        name: component.name.clone(),
        draft,
        tasks,
        setting,
        fridge,
        tray_id: None,
        notes,
    }
}
