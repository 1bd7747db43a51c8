//! What several things are made from together: one tempering instead of two.
//!
//! Flat work waits for nothing, so it can be made when its chocolate is tempered for something else
//! that does wait: after the moulds, from what runs back from them. It is put there where that
//! saves a tempering.

use super::gear::Gear;
use super::lay_out::{APART_S, Use};
use super::step::Line;

/// Puts off what waits for nothing to a later tempering of its chocolate, where fewer are needed
/// then. Gives the lines that were put off.
pub(super) fn put_together(lines: &[Line], uses: &mut [Use]) -> Vec<usize> {
    let waits = |line: usize| uses.iter().any(|one| one.line == line && one.wait.is_some());
    let may = |one: &&Use| one.may_wait && !waits(one.line) && has_its_own(lines, one.line);
    let mut free: Vec<usize> = uses.iter().filter(may).map(|one| one.line).collect();
    free.sort_unstable();
    free.dedup();
    let mut anchors: Vec<usize> = (0..uses.len()).filter(|i| uses[*i].wait.is_some()).collect();
    anchors.sort_by(|a, b| uses[*a].at_s.total_cmp(&uses[*b].at_s));
    let mut put_off = Vec::new();
    for anchor in anchors {
        let (chocolate, at_s) = (uses[anchor].chocolate.clone(), uses[anchor].at_s);
        let wait = uses[anchor].wait.clone();
        let later = |line: usize| {
            let takes_it = |one: &&Use| one.line == line && one.chocolate == chocolate;
            let later_s = at_s - uses.iter().find(takes_it)?.at_s;
            (later_s >= APART_S).then_some((line, later_s))
        };
        let left = free.iter().filter(|line| !put_off.contains(*line));
        let moved: Vec<(usize, f64)> = left.filter_map(|line| later(*line)).collect();
        if moved.is_empty() {
            continue;
        }
        let mut tried = uses.to_vec();
        for one in &mut tried {
            if let Some((_, later_s)) = moved.iter().find(|(line, _)| *line == one.line) {
                one.at_s += later_s;
                one.wait.clone_from(&wait);
            }
        }
        if temperings(&tried) < temperings(uses) {
            uses.clone_from_slice(&tried);
            put_off.extend(moved.into_iter().map(|(line, _)| line));
        }
    }
    put_off
}

/// Whether nothing else is made in its mould or tray: that is full while another's waits.
fn has_its_own(lines: &[Line], line: usize) -> bool {
    let filled = |gear: &&Gear| matches!(gear, Gear::Mould { .. } | Gear::Tray { .. });
    let others = || lines.iter().enumerate().filter(move |(i, _)| *i != line);
    let shared = |gear: &Gear| others().any(|(_, other)| other.gear.contains(gear));
    !lines[line].gear.iter().filter(filled).any(shared)
}

/// How many temperings there are.
fn temperings(uses: &[Use]) -> usize {
    let mut all = uses.to_vec();
    all.sort_by(Use::by_chocolate_and_time);
    let apart = all.windows(2).filter(|pair| !pair[1].goes_on_with(&pair[0]));
    apart.count() + usize::from(!all.is_empty())
}
