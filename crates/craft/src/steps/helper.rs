//! What a helper may do: a child, a guest, anybody who is not the maker.

use super::step::{Step, StepKind};

/// What may be minded in a step and leave it safe: what is read on labels.
const HARMLESS: [&str; 2] = ["cautions.allergens", "cautions.food_colour"];
/// Done with something hot, though there is nothing else to be minded: a knife from hot water.
const HOT: [&str; 1] = ["trim"];

impl Step {
    /// Whether a helper may do it and say so: no heat, no boiled sugar, no chocolate at the bench,
    /// no colour sprayed or brushed on, no blade, nothing that must be minded. What nobody has
    /// thought of is the maker's.
    #[must_use]
    pub fn is_for_a_helper(&self) -> bool {
        let by_kind = match self.kind {
            StepKind::Preparing | StepKind::Waiting | StepKind::Chilling | StepKind::Finishing => {
                true
            }
            StepKind::Tempering | StepKind::Applying | StepKind::Pouring => false,
        };
        let harmless = |code: &str| HARMLESS.contains(&code);
        by_kind
            && self.chocolate.is_none()
            && self.caution.as_ref().is_none_or(|caution| harmless(&caution.code))
            && !HOT.contains(&self.task())
    }
}

#[cfg(test)]
mod tests {
    use crate::chocolate::Family;
    use crate::kinds::kinds;
    use crate::plan::{BowlInputs, Plan, PlanInputs};
    use crate::steps::{Step, StepKind, lines};
    use crate::work::ComponentInputs;

    /// Every step of every kind of work, tempered and coating.
    fn all() -> Vec<Step> {
        let of = |kind: crate::kinds::Kind| {
            let mut bowls: Vec<_> =
                [Family::Dark, Family::Milk, Family::White].map(BowlInputs::usual).into();
            bowls.extend(kind.colours.clone());
            let work =
                ComponentInputs { key: "it".to_owned(), name: "It".to_owned(), work: kind.start };
            let inputs = PlanInputs {
                fridge_c: Some(5.0),
                bowls,
                components: vec![work],
                ..PlanInputs::usual(Family::Dark)
            };
            lines(&Plan::of(&inputs).expect("a plan")).into_iter().flat_map(|line| line.steps)
        };
        kinds().into_iter().flat_map(of).collect()
    }

    #[test]
    fn no_step_of_a_helper_speaks_of_heat_blades_or_flames() {
        let words = ["hot ", "boil", "melt to", "oven", "steam", "flame", "warm plate", "spray"];
        for step in all().iter().filter(|step| step.is_for_a_helper()) {
            let told = format!("{} {}", step.text, step.detail).to_lowercase();
            let found = words.iter().find(|word| told.contains(*word));
            assert_eq!(found, None, "{}: {told}", step.key);
        }
    }

    #[test]
    fn a_helper_lines_trays_weighs_and_unmoulds_and_never_tempers_boils_or_pours() {
        let all = all();
        let by = |task: &'static str| all.iter().filter(move |step| step.task() == task);
        for task in ["weigh", "line", "polish", "peel", "fridge-in", "touch-dry", "top"] {
            assert!(by(task).any(Step::is_for_a_helper), "{task}");
        }
        for task in ["temper", "boil", "pour", "flavour", "ganache", "break", "trim", "join"] {
            assert!(by(task).count() > 0, "there is one: {task}");
            assert!(!by(task).any(Step::is_for_a_helper), "{task}");
        }
        for step in all.iter().filter(|step| step.is_for_a_helper()) {
            assert!(!matches!(
                step.kind,
                StepKind::Tempering | StepKind::Pouring | StepKind::Applying
            ));
        }
    }
}
