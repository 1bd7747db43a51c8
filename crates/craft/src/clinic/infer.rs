//! How likely each cause is, by what was seen and what is known.
//!
//! A noisy-or: each cause that happened shows as a fault by its own chance, whatever else did. Every
//! set of up to three causes is weighed: how often they happen, what the facts make of them, and how
//! well they explain what was seen and what was not. A cause's chance is the share of the sets that
//! hold it.

use super::facts::Facts;
use super::table::{LEAK, Row, TABLE};
use crate::result::Symptom;

const CAUSES: usize = TABLE.len();
const SYMPTOMS: usize = Symptom::ALL.len();

/// The chance of each cause, in the order of the table.
pub(super) struct Chances([f64; CAUSES]);

impl Chances {
    /// Of sets of so many causes at the most.
    pub fn of(seen: &[Symptom], facts: &Facts, most: usize) -> Self {
        let weights = TABLE.map(|row| {
            let ratio: f64 = row.cause.evidence(facts).iter().map(|one| one.ratio).product();
            row.prior * row.only.weight(facts) / (1.0 - row.prior) * ratio
        });
        let mut is_seen = [false; SYMPTOMS];
        for symptom in seen {
            is_seen[*symptom as usize] = true;
        }
        let mut sets = Sets { weights, is_seen, sum: 0.0, with: [0.0; CAUSES] };
        sets.add(&mut Vec::with_capacity(most), 1.0, [1.0 - LEAK; SYMPTOMS], most);
        Self(sets.with.map(|with| with / sets.sum))
    }

    pub fn each(&self) -> impl Iterator<Item = (&'static Row, f64)> {
        TABLE.iter().zip(self.0)
    }
}

struct Sets {
    weights: [f64; CAUSES],
    is_seen: [bool; SYMPTOMS],
    sum: f64,
    with: [f64; CAUSES],
}

impl Sets {
    /// Weighs a set, then every set that has one cause more; `hidden` is the chance of each fault
    /// not to show.
    fn add(&mut self, set: &mut Vec<usize>, weight: f64, hidden: [f64; SYMPTOMS], most: usize) {
        let explained: f64 = hidden
            .iter()
            .zip(self.is_seen)
            .map(|(hidden, is_seen)| if is_seen { 1.0 - hidden } else { *hidden })
            .product();
        let likely = weight * explained;
        self.sum += likely;
        for cause in set.iter() {
            self.with[*cause] += likely;
        }
        if set.len() == most {
            return;
        }
        let first = set.last().map_or(0, |last| last + 1);
        for (cause, row) in TABLE.iter().enumerate().skip(first) {
            if self.weights[cause] <= 0.0 {
                continue;
            }
            let mut with = hidden;
            for (symptom, shows) in row.shows {
                with[*symptom as usize] *= 1.0 - shows;
            }
            set.push(cause);
            self.add(set, weight * self.weights[cause], with, most);
            set.pop();
        }
    }
}
