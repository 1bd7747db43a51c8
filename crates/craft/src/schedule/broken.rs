//! What is done where not every wait can hold: which one is stretched, and by how much.

use std::collections::BTreeMap;

use super::asked::{Broken, Laid, WaitAt, What, seconds};
use crate::steps::Anchor;

/// So often what is stretched is shortened again by halves: a minute in a fortnight.
const HALVES: u32 = 14;
/// Of so many tasks at the most; of more, what was found first stands.
const FINE: usize = 60;

/// Times of all tasks, and what does not hold at them.
pub(super) struct Found {
    pub at: Vec<i64>,
    pub broken: Vec<Broken>,
}

/// The times of a schedule; what cannot hold is stretched by as little as is found.
pub(super) fn found(laid: &Laid<'_>) -> Found {
    if let Some(at) = laid.times() {
        return Found { at, broken: Vec::new() };
    }
    if let Some(found) = stretched(laid) {
        return found;
    }
    // A time that the maker set cannot be: as near to it as may be is not at it.
    let mut loose = laid.clone();
    loose.bound(&BTreeMap::new());
    let mut found = match loose.times() {
        Some(at) => Found { at, broken: Vec::new() },
        None => stretched(&loose).unwrap_or_else(|| loose.one_after_the_other()),
    };
    let missed = loose.missed_pins(&found.at);
    found.broken.extend(missed);
    found
}

/// The same with waits at the most that are longer, and which.
fn stretched(laid: &Laid<'_>) -> Option<Found> {
    let mut longer: BTreeMap<WaitAt, i64> = BTreeMap::new();
    let mut loose = laid.clone();
    loose.wait(|_| None);
    let mut at = loose.times()?;
    // Only what is too long as it lies may be longer; where the rest cannot hold then, more may.
    for _ in 0..4 {
        for (wait, over) in loose.over(&at) {
            let by = longer.entry(wait).or_insert(0);
            *by = (*by).max(over);
        }
        loose.wait(|wait| Some(longer.get(&wait).copied().unwrap_or(0)));
        if let Some(times) = loose.times() {
            at = times;
            break;
        }
        loose.wait(|wait| longer.get(&wait).map_or(Some(0), |_| None));
        match loose.times() {
            Some(times) => at = times,
            None => break,
        }
    }
    // By as little as may be, one after the other.
    if laid.order.len() <= FINE {
        for wait in longer.keys().copied().collect::<Vec<_>>() {
            let (mut least, mut most) = (0, longer[&wait]);
            for _ in 0..HALVES {
                if most - least < 60 {
                    break;
                }
                let half = least + (most - least) / 2;
                let by = |one: WaitAt| {
                    if one == wait { half } else { longer.get(&one).copied().unwrap_or(0) }
                };
                loose.wait(|one| Some(by(one)));
                match loose.times() {
                    Some(times) => (most, at) = (half, times),
                    None => least = half,
                }
            }
            longer.insert(wait, most);
        }
    }
    let broken = loose.over(&at).into_iter().map(|(wait, over)| {
        let task = &laid.asked.tasks[laid.order[wait.place]];
        Broken {
            key: task.key.clone(),
            since: Some(task.after[wait.after].key.clone()),
            what: What::MostWait,
            by_min: over as f64 / 60.0,
        }
    });
    Some(Found { broken: broken.collect(), at })
}

impl Laid<'_> {
    /// The waits at the most that are longer than they may be, and by how much.
    fn over(&self, at: &[i64]) -> Vec<(WaitAt, i64)> {
        let mut over = Vec::new();
        for (place, task) in self.order.iter().enumerate() {
            for (after, wait) in self.asked.tasks[*task].after.iter().enumerate() {
                let (Some(most), Some(&of)) = (wait.most_min, self.places.get(wait.key.as_str()))
                else {
                    continue;
                };
                let (begin, end) = self.span(of, at);
                let since = if wait.from == Anchor::Begin { begin } else { end };
                let by = self.span(place, at).0 - since - seconds(most);
                if by > 0 {
                    over.push((WaitAt { place, after }, by));
                }
            }
        }
        over
    }

    fn missed_pins(&self, at: &[i64]) -> Vec<Broken> {
        let missed = self.order.iter().enumerate().filter_map(|(place, task)| {
            let task = &self.asked.tasks[*task];
            let wanted = self.asked.pinned.get(&task.key)?.timestamp();
            let by = (self.span(place, at).0 - wanted).abs();
            (by > 0).then(|| Broken {
                key: task.key.clone(),
                since: None,
                what: What::Pinned,
                by_min: by as f64 / 60.0,
            })
        });
        missed.collect()
    }

    /// Where nothing else is found in reach: as they come, without hours or hands, so that
    /// whoever asked sees what there is.
    fn one_after_the_other(&self) -> Found {
        let mut at = Vec::with_capacity(self.order.len());
        let mut next = self.network.from.iter().copied().min().unwrap_or(0);
        for lasts in &self.network.lasts {
            at.push(next);
            next += lasts;
        }
        let broken = self.order.iter().map(|task| Broken {
            key: self.asked.tasks[*task].key.clone(),
            since: None,
            what: What::Hours,
            by_min: self.asked.tasks[*task].minutes,
        });
        Found { at, broken: broken.collect() }
    }
}
