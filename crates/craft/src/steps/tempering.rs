//! A chocolate that is tempered, as steps: weighed out, then brought into temper at
//! the bench.

use super::gear::Gear;
use super::step::{Line, LineOf, Step, StepKind, Takes, Wait};
use crate::catalogue::steps as say;
use crate::help::Topic;
use crate::message::Message;
use crate::method::Need;
use crate::plan::{BowlPlan, PlannedBowl, TemperingPace};
use crate::units::{Mass, Time, in_grams, in_seconds, seconds};

/// Stirring between two bursts takes as long again as the bursts (*custom*).
const STIRRING: f64 = 1.0;
/// Over water: so long for any bowl, and so long for each 100 g more (*custom*).
const OVER_WATER_S: [f64; 2] = [360.0, 75.0];
/// From the melt to the working range where seed cools it: so long for any bowl, and
/// so long for each 100 g more (*custom*).
const COOLING_S: [f64; 2] = [540.0, 110.0];
/// The smear is watched for so long (*custom*).
const TEST_S: f64 = 300.0;
/// A bottle is softened in so long (*custom*).
const BOTTLE_S: f64 = 480.0;
/// Weighing out, and setting seed aside (*custom*).
const WEIGHING_S: f64 = 180.0;

/// How long a bowl usually is at the bench before it can be poured (*custom*).
#[must_use]
pub fn usual_time(plan: &BowlPlan) -> Time {
    let hundreds = in_grams(plan.total) / 100.0;
    let linear = |[any, each]: [f64; 2]| any + each * hundreds;
    let typical_s = if is_bottle(plan) {
        BOTTLE_S
    } else {
        let melt = plan.bursts.as_ref().map_or_else(
            || linear(OVER_WATER_S),
            |bursts| in_seconds(bursts.total) * (1.0 + STIRRING),
        );
        let cools = !plan.method.keeps_crystals() && plan.method.lost(&plan.chocolate).is_some();
        let test = if plan.method.is_tested() { TEST_S } else { 0.0 };
        melt + if cools { linear(COOLING_S) } else { 0.0 } + test
    };
    seconds(typical_s.round())
}

/// The same at a maker's own pace.
fn takes(plan: &BowlPlan, pace: TemperingPace) -> Takes {
    let usual_s = in_seconds(usual_time(plan));
    let at = |pace: f64| (usual_s * pace).round();
    Takes { typical_s: at(pace.typical), least_s: at(pace.least), most_s: at(pace.most) }
}

/// Whether it was bought coloured, and is softened by hand.
fn is_bottle(plan: &BowlPlan) -> bool {
    plan.method.softened_in().is_some()
}

/// The key of a tempering's line: a chocolate's first has no number.
pub(super) fn line_key(bowl: &str, nth: u32) -> String {
    if nth == 1 { format!("@{bowl}") } else { format!("@{bowl}#{nth}") }
}

/// The key of the step that ends with the pour.
#[must_use]
pub fn tempering_key(bowl: &str, nth: u32) -> String {
    format!("{}/temper", line_key(bowl, nth))
}

/// A chocolate's nth tempering, which may wait for what its first user waits for.
pub(super) fn line(
    bowl: &PlannedBowl,
    nth: u32,
    wait: Option<Wait>,
    pace: TemperingPace,
) -> Option<Line> {
    let plan = bowl.plan.as_ref()?;
    let label = &bowl.label;
    let key = line_key(&bowl.key, nth);
    let colour = plan.colour.is_some();
    let mut steps = Vec::new();
    if nth == 1 && !is_bottle(plan) {
        steps.push(Step {
            key: format!("{key}/weigh"),
            kind: StepKind::Preparing,
            text: weighed(plan, label),
            detail: if plan.weighed_out().seed > Mass::default() {
                say::weigh_seed_how()
            } else {
                say::weigh_how()
            },
            caution: None,
            missed: None,
            takes: Takes {
                typical_s: WEIGHING_S,
                least_s: WEIGHING_S / 2.0,
                most_s: WEIGHING_S * 2.0,
            },
            chocolate: None,
            tempered: None,
            wait: None,
            is_touch: false,
            topic: None,
            learned: Vec::new(),
        });
    }
    let tempers = plan.method.is_tested();
    let text = match (is_bottle(plan), nth) {
        (false, 1) if !tempers => say::melt(label),
        (false, _) if !tempers => say::melt_again(label),
        (true, 1) => say::soften(label),
        (true, _) => say::soften_again(label),
        (false, 1) => say::temper(label),
        (false, _) => say::temper_again(label),
    };
    let topic = Topic::of(&text);
    steps.push(Step {
        key: format!("{key}/temper"),
        kind: StepKind::Tempering,
        text,
        detail: if colour { say::temper_colour_how() } else { say::temper_how() },
        caution: None,
        missed: wait.as_ref().and_then(|wait| wait.closes.as_ref()).map(|_| say::temper_late()),
        takes: takes(plan, pace),
        chocolate: None,
        tempered: None,
        wait,
        is_touch: false,
        topic,
        learned: Vec::new(),
    });
    let of = LineOf::Bowl { bowl: bowl.key.clone(), nth };
    Some(Line { key, of, name: label.clone(), gear: gear(bowl, plan), keeps_days: None, steps })
}

/// The bowl and the heat source that were picked on the shelf, and the stone where it is worked on
/// one.
fn gear(bowl: &PlannedBowl, plan: &BowlPlan) -> Vec<Gear> {
    let ware = bowl.ware_id.map(|id| Gear::Ware { id });
    let heat = bowl.heat_id.map(|id| Gear::Heat { id });
    let stone = plan.method.needs().contains(&Need::Stone).then_some(Gear::Stone {});
    ware.into_iter().chain(heat).chain(stone).collect()
}

fn weighed(plan: &BowlPlan, label: &str) -> Message {
    match plan.fat_added() {
        Some((added, mass)) => {
            say::weigh_and_fat(weighed_chocolate(plan, label), mass, added.fat.name())
        }
        None => weighed_chocolate(plan, label),
    }
}

fn weighed_chocolate(plan: &BowlPlan, label: &str) -> Message {
    let weighed = plan.weighed_out();
    let total = plan.chocolate_weighed();
    if let Some(colour) = plan.colour.as_ref().filter(|colour| !colour.ready) {
        say::weigh_colour(colour.amounts.butter, colour.amounts.pigment, label)
    } else if weighed.seed > Mass::default() {
        say::weigh_with_seed(total, label, weighed.seed)
    } else if weighed.crystals > Mass::default() {
        say::weigh_with_crystals(total, label, weighed.crystals)
    } else {
        say::weigh(total, label)
    }
}
