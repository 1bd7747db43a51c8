//! What a batch's own record tells the clinic: its bowls, its steps, its plan.

use std::collections::HashMap;

use chrono::{DateTime, TimeDelta, Utc};

use super::facts::{Facts, Tested};
use crate::allergens::{Allergen, told_by};
use crate::bowl::{ActionKind, Record, Setup, Temper, fold};
use crate::plan::{Plan, PlannedComponent, plan_of};
use crate::steps::{Line, Step, StepKind};
use crate::units::{
    Mass, Temperature, Time, in_celsius, in_grams, in_millimetres, in_percent, in_seconds,
};

/// Between two readings further apart nobody knows how warm it was.
const LOST_SIGHT: TimeDelta = TimeDelta::minutes(4);

/// A bowl of a batch, and the tempering that it was.
#[derive(Clone, Debug)]
pub struct Tempered {
    /// The key of that step.
    pub step: String,
    /// How it was opened.
    pub setup: Setup,
    /// What was recorded of it.
    pub record: Record,
    /// When it was poured.
    pub poured: DateTime<Utc>,
}

fn min(time: TimeDelta) -> f64 {
    time.as_seconds_f64() / 60.0
}

/// What one bowl tells.
fn of_bowl(of: &Tempered) -> Facts {
    let Tempered { setup, record, poured, .. } = of;
    let poured = *poured;
    let bowl = fold(setup, record, poured);
    let band = setup.use_band();
    let lost = setup.lost();
    let poured_c = bowl.poured.and_then(|(_, temp)| temp).filter(|_| !bowl.poured_unread);
    let test = match bowl.temper {
        Temper::Shown { .. } | Temper::Gone { .. } => Tested::Passed,
        Temper::NotShown { .. } => Tested::Failed,
        Temper::Untested => Tested::Skipped,
    };
    // Where seed is planned and none was entered, nobody knows how much went in.
    let seeded = bowl.went_in.seeded;
    let seed = (setup.melted > Mass::default() && seeded > Mass::default())
        .then(|| in_grams(seeded) / in_grams(setup.melted) * 100.0);
    let planned = seed.map(|_| in_grams(setup.seed) / in_grams(setup.melted) * 100.0);
    let in_temper = in_temper_since(setup, record, &bowl.temper);
    Facts {
        max_c: bowl.thermometer.peak.map(in_celsius),
        limit_c: Some(in_celsius(setup.chocolate.windows.limit)),
        lost_c: lost.map(in_celsius),
        work_c: Some([in_celsius(band.lo), in_celsius(band.hi)]),
        above_lost_s: in_temper
            .zip(lost)
            .and_then(|(since, lost)| above(record, &bowl.thermometer.doubts, since, poured, lost)),
        poured_c: poured_c.map(in_celsius),
        test: Some(test),
        seed_share_pct: seed,
        seed_planned_pct: planned.filter(|planned| *planned > 0.0),
        worked_min: in_temper.map(|since| min(poured - since)),
        stir_gap_s: stir_gap(record, poured),
        ..Facts::default()
    }
}

/// Since when it was in temper: when the first test showed it, or, of what was not tested, when it
/// first came down into its range.
fn in_temper_since(setup: &Setup, record: &Record, temper: &Temper) -> Option<DateTime<Utc>> {
    let tested = match temper {
        Temper::Shown { at, .. } => Some(*at),
        _ => None,
    };
    let down = record.came_down_to(setup.use_band().hi);
    // A later test does not make it begin later.
    tested.into_iter().chain(down).min()
}

/// How long it was above a temperature, s; `None` where nobody was reading.
fn above<D>(
    record: &Record,
    doubts: &[Option<D>],
    since: DateTime<Utc>,
    until: DateTime<Utc>,
    limit: Temperature,
) -> Option<f64> {
    let readings = record.readings().iter().zip(doubts);
    let trusted: Vec<_> = readings
        .filter(|(one, doubt)| doubt.is_none() && one.at >= since && one.at <= until)
        .map(|(one, _)| one)
        .collect();
    let pairs = trusted.windows(2).filter(|pair| pair[1].at - pair[0].at <= LOST_SIGHT);
    let above = pairs.clone().filter(|pair| pair[0].temp > limit && pair[1].temp > limit);
    let time = above.map(|pair| pair[1].at - pair[0].at).sum::<TimeDelta>();
    (pairs.count() > 0).then(|| time.as_seconds_f64())
}

/// The longest pause in stirring from the end of the melt until it was tested, or poured, s; `None`
/// where nobody said when it was stirred.
fn stir_gap(record: &Record, poured: DateTime<Utc>) -> Option<f64> {
    let test = record.actions().find(|action| matches!(action.kind, ActionKind::TestStarted));
    let until = test.map_or(poured, |test| test.at);
    let off = record.off_heat()?;
    let stirs = record.actions().filter(|action| {
        matches!(
            action.kind,
            ActionKind::Stirred | ActionKind::SeedAdded { .. } | ActionKind::CrystalsAdded { .. }
        ) && action.at >= off
            && action.at <= until
    });
    let times: Vec<_> = stirs.map(|action| action.at).collect();
    // One entry says nothing of how often it was stirred.
    let [first, .., last] = times.as_slice() else { return None };
    let between = times.windows(2).map(|pair| pair[1] - pair[0]);
    let gap = between.chain([*first - off, until - *last]).max()?;
    Some(gap.as_seconds_f64())
}

/// What is known of how a component was made: from its plan, from when its steps were done, from the
/// bowls it was made of. What was made of several chocolates goes by the first that was poured.
#[must_use]
pub fn facts_of(
    plan: &Plan,
    component: &PlannedComponent,
    lines: &[Line],
    done: &HashMap<String, DateTime<Utc>>,
    bowls: &[Tempered],
) -> Facts {
    let of_it = |line: &&Line| line.component() == Some(component.key.as_str());
    let steps: Vec<&Step> = lines.iter().filter(of_it).take(1).flat_map(|l| &l.steps).collect();
    let at = |step: &Step| done.get(&step.key).copied();
    let bowl_of =
        |step: &Step| bowls.iter().find(|bowl| Some(&bowl.step) == step.tempered.as_ref());
    let pour = steps.iter().copied().find(|step| step.kind == StepKind::Pouring);
    let colour = steps.iter().copied().rfind(|step| step.kind == StepKind::Applying);
    let draft = &component.draft;
    let with_goods = draft.goods.iter().any(|goods| matches!(goods.goes, "mixed in" | "on top"));
    let nutty = draft.goods.iter().any(|goods| {
        told_by(&goods.name).any(|(_, of)| matches!(of, Allergen::Nuts | Allergen::Peanuts))
    });
    let chocolate = pour.and_then(|step| plan_of(&plan.bowls, step.chocolate.as_deref()?));
    let governs = draft.sets.layers.get(draft.sets.governs);
    let fridge = fridge(&steps, done);
    let facts = pour.and_then(bowl_of).map(of_bowl).unwrap_or_default();
    Facts {
        room_c: Some(in_celsius(plan.room.temp)),
        rh_pct: Some(in_percent(plan.room.humidity)),
        chill_min: fridge.map(|(stay, _)| min(stay)),
        dew_limit_min: fridge.and_then(|(_, limit)| limit),
        chilled: Some(steps.iter().any(|step| step.task() == "fridge-in")),
        thickness_mm: governs.map(|layer| in_millimetres(layer.thickness)),
        goods_c: with_goods.then(|| in_celsius(draft.sets.goods_at(plan.room.temp))),
        with_goods: Some(with_goods),
        with_nuts: Some(nutty),
        colour_rest_h: colour
            .and_then(at)
            .zip(pour.and_then(at))
            .map(|(colour, pour)| min(pour - colour) / 60.0),
        colour_test: colour.and_then(bowl_of).and_then(|bowl| of_bowl(bowl).test),
        oil_pct: chocolate.map(|plan| {
            let total = in_grams(plan.total).max(f64::EPSILON);
            plan.fat_added().map_or(0.0, |(_, mass)| in_grams(mass) / total * 100.0)
        }),
        fats_mixed: chocolate.map(|plan| plan.fats_mixed),
        tempered: chocolate.map(|plan| plan.chocolate.family.tempers()),
        topped_late_min: late(&steps, done),
        knocked: knocked(&steps, done),
        moulded: Some(draft.shown.cast.is_some()),
        coloured: Some(colour.is_some()),
        ..facts
    }
}

/// How long it was in the fridge, and after how long dew forms, minutes.
fn fridge(
    steps: &[&Step],
    done: &HashMap<String, DateTime<Utc>>,
) -> Option<(TimeDelta, Option<f64>)> {
    let find = |task: &str| steps.iter().find(|step| step.task() == task);
    let (put_in, out) = find("fridge-in").zip(find("fridge-out"))?;
    let stay = *done.get(&out.key)? - *done.get(&put_in.key)?;
    Some((stay, out.closes().map(|due| due.typical_s / 60.0)))
}

/// How long after their time toppings went on, minutes; nought for in time.
fn late(steps: &[&Step], done: &HashMap<String, DateTime<Utc>>) -> Option<f64> {
    let top = steps.iter().find(|step| step.task().starts_with("top"))?;
    let wait = top.wait.as_ref()?;
    let closes: Time = top.closes()?.moment().typical;
    let since = *done.get(&top.key)? - *done.get(&wait.step)?;
    Some((since.as_seconds_f64() - in_seconds(closes)).max(0.0) / 60.0)
}

/// Whether it was tapped or shaken; `None` where nobody ticked that or it is not asked for.
fn knocked(steps: &[&Step], done: &HashMap<String, DateTime<Utc>>) -> Option<bool> {
    let step = steps.iter().find(|step| matches!(step.task(), "knock" | "tap"))?;
    done.contains_key(&step.key).then_some(true)
}
