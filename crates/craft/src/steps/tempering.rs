//! A chocolate that is tempered, as steps: weighed out, then brought into temper at
//! the bench.

use super::step::{Line, LineOf, Step, StepKind, Takes, Wait};
use crate::plan::{BowlPlan, PlannedBowl};
use crate::units::{Mass, grams, in_grams, in_seconds};

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
/// What one evening takes less, and another more (*custom*).
const RANGE: [f64; 2] = [0.7, 1.9];

/// How long a bowl is at the bench before it can be poured.
pub(super) fn takes(plan: &BowlPlan) -> Takes {
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
    let typical_s = typical_s.round();
    Takes {
        typical_s,
        least_s: (typical_s * RANGE[0]).round(),
        most_s: (typical_s * RANGE[1]).round(),
    }
}

/// Whether it was bought coloured, and is softened by hand.
fn is_bottle(plan: &BowlPlan) -> bool {
    plan.method.warms_by_hand().is_some()
}

/// The key of a tempering's line: a chocolate's first has no number.
pub(super) fn line_key(bowl: &str, nth: u32) -> String {
    if nth == 1 { format!("@{bowl}") } else { format!("@{bowl}#{nth}") }
}

/// The key of the step that ends with the pour.
pub(super) fn step_key(bowl: &str, nth: u32) -> String {
    format!("{}/temper", line_key(bowl, nth))
}

/// A chocolate's nth tempering, which may wait for what its first user waits for.
pub(super) fn line(bowl: &PlannedBowl, nth: u32, wait: Option<Wait>) -> Option<Line> {
    let plan = bowl.plan.as_ref()?;
    let label = &bowl.label;
    let key = line_key(&bowl.key, nth);
    let colour = plan.colour.is_some();
    let again = if nth == 1 { "" } else { " again" };
    let mut steps = Vec::new();
    if nth == 1 && !is_bottle(plan) {
        steps.push(Step {
            key: format!("{key}/weigh"),
            kind: StepKind::Preparing,
            text: weighed(plan, label),
            detail: "On the scale, in a dry bowl; chop what is coarse.".to_owned(),
            caution: String::new(),
            missed: String::new(),
            takes: Takes {
                typical_s: WEIGHING_S,
                least_s: WEIGHING_S / 2.0,
                most_s: WEIGHING_S * 2.0,
            },
            chocolate: None,
            tempered: None,
            wait: None,
            is_touch: false,
        });
    }
    let verb = if is_bottle(plan) { "Soften" } else { "Temper" };
    let ends = if colour { "put on" } else { "poured" };
    steps.push(Step {
        key: format!("{key}/temper"),
        kind: StepKind::Tempering,
        text: format!("{verb} the {label}{again}"),
        detail: format!(
            "At the bench. It is ready when the bench says so, and over when it is {ends}."
        ),
        caution: String::new(),
        missed: wait
            .as_ref()
            .and_then(|wait| wait.closes.as_ref())
            .map_or_else(String::new, |_| {
                "Its time has passed: look at what it is for before you begin.".to_owned()
            }),
        takes: takes(plan),
        chocolate: None,
        tempered: None,
        wait,
        is_touch: false,
    });
    let of = LineOf::Bowl { bowl: bowl.key.clone(), nth };
    Some(Line { key, of, name: label.clone(), steps })
}

fn weighed(plan: &BowlPlan, label: &str) -> String {
    let g = |mass: Mass| {
        if mass < grams(10.0) {
            format!("{:.1} g", in_grams(mass))
        } else {
            format!("{:.0} g", in_grams(mass))
        }
    };
    if let Some(colour) = &plan.colour {
        return format!(
            "Weigh out {} of cocoa butter and {} of powder for the {label}",
            g(colour.amounts.butter),
            g(colour.amounts.pigment)
        );
    }
    let total = format!("Weigh out {} of {label}", g(plan.total));
    if plan.amounts.seed > Mass::default() {
        format!("{total}; set {} of it aside as seed", g(plan.amounts.seed))
    } else if plan.amounts.crystals > Mass::default() {
        format!("{total}, and {} of ready crystals", g(plan.amounts.crystals))
    } else {
        total
    }
}
