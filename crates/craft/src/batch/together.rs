//! Chocolates that go into one piece in one go, and must be in temper together.

use crate::steps::{Line, Step};

/// The line that a step is of, by its key.
pub(super) fn line_of<'l>(lines: &'l [Line], step: &str) -> Option<&'l Line> {
    lines.iter().find(|line| line.steps.iter().any(|other| other.key == step))
}

/// The temperings that must be ready before a step takes its chocolate, besides its own: those of
/// later steps whose windows count from it, or from what is done in one go with it, and close
/// sooner than a bowl may take.
pub(super) fn ready_with<'l>(steps: &[Step], index: usize, lines: &'l [Line]) -> Vec<&'l Line> {
    let Some(own) = &steps[index].tempered else { return Vec::new() };
    let later = &steps[index + 1..];
    // One go ends where something is waited for.
    let in_one_go = later.iter().take_while(|step| step.opens().is_none()).count();
    let in_one_go = &steps[index..=index + in_one_go];
    let mut together: Vec<&Line> = Vec::new();
    for step in later {
        let (Some(key), Some(wait)) = (&step.tempered, &step.wait) else { continue };
        let counts = in_one_go.iter().any(|other| other.key == wait.step);
        let Some(closes) = wait.closes.as_ref().filter(|_| counts && key != own) else { continue };
        let Some(tempering) = line_of(lines, key) else { continue };
        let takes: f64 = tempering.steps.iter().map(|step| step.takes.most_s).sum();
        if closes.typical_s < takes && together.iter().all(|line| line.key != tempering.key) {
            together.push(tempering);
        }
    }
    together
}
