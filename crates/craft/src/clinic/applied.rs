//! What was learned, put into a plan: numbers that the cause asks for, and a note at the step where it
//! helps.
//!
//! Numbers move by as little as makers do (*custom*): a few tenths of a degree in the range it is poured
//! in, half a degree where seeding ends, half a millimetre of thickness. Nothing is moved twice for the
//! same cause: what is watched for already is not applied again.

use crate::catalogue::clinic as say;
use crate::cause::Cause;
use crate::message::Message;
use crate::plan::{BowlInputs, BowlPlan, Plan, PlanInputs, WatchFor, plan_of};
use crate::steps::{StepKind, lines};
use crate::units::{Mass, celsius, in_celsius, millimetres};
use crate::work::WorkInputs;

/// A range that is poured in is not made narrower than this, °C.
const NARROWEST_C: f64 = 0.6;
/// So much of a range is left out at the end that did harm, °C.
const TRIMMED_C: f64 = 0.4;
/// Seeding ends so much further down, or up, °C.
const TARGET_C: f64 = 0.5;
/// The melt ends so much lower, °C.
const MELT_C: f64 = 2.0;
/// So much more, or less, of ready crystals, % of the mass.
const CRYSTALS_PCT: f64 = 0.25;
/// Of ready crystals, where nothing is stated, % of the mass.
const USUAL_CRYSTALS_PCT: f64 = 1.0;
/// So much thicker, mm.
const THICKER_MM: f64 = 0.5;
/// So many strokes fewer.
const STROKES: u32 = 3;

/// A plan with what was learned in it.
#[derive(Clone, Debug, PartialEq)]
pub struct Applied {
    /// What is stated now.
    pub inputs: PlanInputs,
    /// What is different, a sentence each; nothing where it stands in the plan already.
    pub changes: Vec<Message>,
}

fn tenth(value: f64) -> f64 {
    (value * 10.0).round() / 10.0
}

/// Puts into `inputs` what is to be watched for: the number that the cause asks for in making its
/// component, and the note; `plan` is what follows from them. Of what is not made there is nothing to
/// change.
#[must_use]
pub fn apply(inputs: &PlanInputs, plan: &Plan, watch_for: &WatchFor) -> Applied {
    let WatchFor { component, cause } = watch_for;
    let mut inputs = inputs.clone();
    let made = inputs.components.iter().position(|made| made.key == *component);
    let Some(made) = made.filter(|_| !inputs.watch_for.contains(watch_for)) else {
        return Applied { inputs, changes: Vec::new() };
    };
    let of_bowl = chocolate(&inputs, plan, component)
        .and_then(|(bowl, of)| in_bowl(&mut inputs.bowls[bowl], of, *cause));
    let number = of_bowl.or_else(|| in_work(&mut inputs.components[made].work, *cause));
    inputs.watch_for.push(watch_for.clone());
    let note = say::change_note(cause.next_time());
    Applied { inputs, changes: number.into_iter().chain([note]).collect() }
}

/// The bowl that a component is poured from, by its place, and how it is planned; what is taken from
/// another bowl is tempered in that.
fn chocolate<'p>(
    inputs: &PlanInputs,
    plan: &'p Plan,
    component: &str,
) -> Option<(usize, &'p BowlPlan)> {
    let lines = lines(plan);
    let of_it = lines.iter().filter(|line| line.component() == Some(component));
    let mut steps = of_it.flat_map(|line| &line.steps);
    let key = steps.find(|step| step.kind == StepKind::Pouring)?.chocolate.clone()?;
    let bowl = inputs.bowls.iter().find(|bowl| bowl.key == key)?;
    let key = bowl.taken_from.clone().unwrap_or(key);
    let place = inputs.bowls.iter().position(|bowl| bowl.key == key)?;
    Some((place, plan_of(&plan.bowls, &key)?))
}

/// What a bowl's numbers become.
fn in_bowl(bowl: &mut BowlInputs, plan: &BowlPlan, cause: Cause) -> Option<Message> {
    match cause {
        Cause::PouredTooWarm | Cause::TemperLost => trim(bowl, plan, [0.0, -TRIMMED_C]),
        Cause::PouredTooCool => trim(bowl, plan, [TRIMMED_C, 0.0]),
        Cause::Overheated => {
            let was = in_celsius(plan.melt_to);
            let lowest = in_celsius(plan.chocolate.windows.melt.lo);
            let to = tenth((was - MELT_C).max(lowest));
            (to < was).then(|| {
                bowl.melt_to_c = Some(to);
                say::change_melt(celsius(to), celsius(was))
            })
        }
        Cause::UnderSeeded => crystals(bowl, plan, 1.0),
        Cause::OverSeeded => crystals(bowl, plan, -1.0),
        _ => None,
    }
}

/// The range it is poured in without one of its ends.
fn trim(bowl: &mut BowlInputs, plan: &BowlPlan, by: [f64; 2]) -> Option<Message> {
    let work = plan.chocolate.windows.work;
    let was = [in_celsius(work.lo), in_celsius(work.hi)];
    let [from, to] = [tenth(was[0] + by[0]), tenth(was[1] + by[1])];
    // What is not tempered has no range to be trimmed.
    (plan.method.is_tested() && to - from >= NARROWEST_C).then(|| {
        bowl.own.work_c = Some([from, to]);
        say::change_range(celsius(from), celsius(to), celsius(was[0]), celsius(was[1]))
    })
}

/// More crystals, or fewer: of what is stirred in ready, or by how far seed cools it.
fn crystals(bowl: &mut BowlInputs, plan: &BowlPlan, more: f64) -> Option<Message> {
    if plan.amounts.crystals > Mass::default() {
        let was = bowl.crystals_pct.unwrap_or(USUAL_CRYSTALS_PCT);
        let to = (was + more * CRYSTALS_PCT).max(CRYSTALS_PCT);
        return ((to - was).abs() > f64::EPSILON).then(|| {
            bowl.crystals_pct = Some(to);
            say::change_crystals(to, was)
        });
    }
    let was = in_celsius(plan.target);
    let work = plan.chocolate.windows.work;
    let to = tenth((was - more * TARGET_C).clamp(in_celsius(work.lo), in_celsius(work.hi)));
    // Only seed is counted by where it ends.
    let is_seeded = plan.weighed_out().seed > Mass::default();
    (is_seeded && (to - was).abs() > 0.05).then(|| {
        bowl.target_c = Some(to);
        say::change_target(celsius(to), celsius(was))
    })
}

/// What the numbers of the work become.
fn in_work(work: &mut WorkInputs, cause: Cause) -> Option<Message> {
    match (cause, work) {
        (Cause::TooThin, work) => {
            let thickness = work.thickness_mut()?;
            let was = *thickness;
            *thickness += THICKER_MM;
            Some(say::change_thickness(millimetres(*thickness), millimetres(was)))
        }
        (Cause::TooManyStrokes, WorkInputs::Marbled(marbled)) if marbled.strokes > 1 => {
            let was = marbled.strokes;
            marbled.strokes = was.saturating_sub(STROKES).max(1);
            Some(say::change_strokes(marbled.strokes as usize, was as usize))
        }
        _ => None,
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::method::Method;

    fn around(bowl: BowlInputs) -> PlanInputs {
        PlanInputs::around(bowl)
    }

    fn applied(inputs: &PlanInputs, cause: Cause) -> Applied {
        let plan = Plan::of(inputs).expect("a plan");
        let component = inputs.components[0].key.clone();
        let applied = apply(inputs, &plan, &WatchFor { component, cause });
        Plan::of(&applied.inputs).expect("still a plan");
        applied
    }

    #[test]
    fn each_cause_leaves_a_note_and_what_it_asks_for_in_numbers() {
        let milk = around(BowlInputs::alone(Family::Milk, 400.0));
        let plan = Plan::of(&milk).expect("a plan");
        let was = plan_of(&plan.bowls, &milk.bowls[0].key).expect("planned");
        let hi = in_celsius(was.chocolate.windows.work.hi);
        let warm = applied(&milk, Cause::PouredTooWarm);
        assert_eq!(warm.inputs.bowls[0].own.work_c.map(|[_, hi]| hi), Some(tenth(hi - 0.4)));
        assert!(warm.changes[0].text().starts_with("Its range:"), "{:?}", warm.changes);
        let seeded = applied(&milk, Cause::UnderSeeded);
        let more = Plan::of(&seeded.inputs).expect("a plan");
        let more = plan_of(&more.bowls, &milk.bowls[0].key).expect("planned");
        assert!(more.weighed_out().seed > was.weighed_out().seed, "more seed");
        let cooler = applied(&milk, Cause::Overheated);
        let lowest = in_celsius(was.chocolate.windows.melt.lo);
        let melts = cooler.inputs.bowls[0].melt_to_c.expect("a number");
        assert!(melts >= lowest && melts < in_celsius(was.melt_to), "{melts}");
        let mut slab = milk.clone();
        let before = slab.components[0].work.thickness_mut().copied();
        let mut thick = applied(&milk, Cause::TooThin).inputs;
        let after = thick.components[0].work.thickness_mut().copied();
        assert_eq!(after, before.map(|mm| mm + 0.5));
        for cause in Cause::ALL {
            let once = applied(&milk, *cause);
            let note = say::change_note(cause.next_time());
            assert_eq!(once.changes.last(), Some(&note), "{cause:?}");
            let again = applied(&once.inputs, *cause);
            assert_eq!((again.inputs, again.changes), (once.inputs, Vec::new()), "{cause:?}");
        }
    }

    #[test]
    fn ready_crystals_are_counted_by_their_share_and_coating_has_nothing_to_trim() {
        let mut milk = around(BowlInputs::alone(Family::Milk, 400.0));
        milk.bowls[0].method = Method::find("ready_crystals");
        milk.bowls[0].kitchen.ready_crystals = true;
        assert_eq!(applied(&milk, Cause::UnderSeeded).inputs.bowls[0].crystals_pct, Some(1.25));
        assert_eq!(applied(&milk, Cause::OverSeeded).inputs.bowls[0].crystals_pct, Some(0.75));
        let coating = around(BowlInputs::alone(Family::Coating, 400.0));
        assert_eq!(applied(&coating, Cause::PouredTooWarm).inputs.bowls, coating.bowls);
    }

    #[test]
    fn of_what_is_not_made_nothing_changes() {
        let milk = around(BowlInputs::alone(Family::Milk, 400.0));
        let plan = Plan::of(&milk).expect("a plan");
        let moon = WatchFor { component: "moon".to_owned(), cause: Cause::Dew };
        let applied = apply(&milk, &plan, &moon);
        assert_eq!((applied.inputs, applied.changes), (milk, Vec::new()));
    }

    #[test]
    fn every_step_that_helps_says_what_was_learned_once() {
        let milk = around(BowlInputs::alone(Family::Milk, 400.0));
        for cause in Cause::ALL {
            let plan = Plan::of(&applied(&milk, *cause).inputs).expect("a plan");
            let said = say::learned(cause.next_time());
            let lines = lines(&plan);
            let steps = lines.iter().flat_map(|line| &line.steps);
            let told: Vec<_> = steps.filter(|step| step.learned.contains(&said)).collect();
            assert_eq!(told.len(), 1, "{cause:?}");
            let at_the_bowl = told[0].kind == StepKind::Tempering;
            let tempers = matches!(
                cause,
                Cause::Overheated
                    | Cause::TemperLost
                    | Cause::NotTempered
                    | Cause::UnderSeeded
                    | Cause::OverSeeded
                    | Cause::PoorStirring
                    | Cause::Water
            );
            assert_eq!(at_the_bowl, tempers, "{cause:?} at {}", told[0].key);
        }
    }
}
