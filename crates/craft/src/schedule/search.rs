//! Who goes first where two need the same.
//!
//! Everything is put at its soonest. Where more is needed at one moment than there is, one of those
//! tasks has to go before another; either is tried, the more hopeful first, and what cannot end
//! sooner than the best that is known is left. Up to [`FEW`] tasks all of it is looked through, so
//! that nothing is better than what is found. Of more, a few whole schedules are built, each by
//! another rule of who goes first, and the rest of the time is spent on the order near the best.
//!
//! This is branch and bound over minimal sets in each other's way, as it is usual for projects with
//! scarce means and waits at the most.

use super::network::{Needed, Network, Settled};

/// So many tasks at the most are looked through to the end.
pub(super) const FEW: usize = 9;
/// Where not all is looked through: so many steps of the search at the most, over the square of how
/// many tasks there are, since with more of them a step is dearer too.
const STEPS: usize = 100_000;
/// So many where there are few tasks: more than there are orders of them.
const ALL_STEPS: usize = 400_000;

/// Rules of who goes first, of those in each other's way.
#[derive(Clone, Copy)]
enum Rule {
    /// Who can begin first; of those, behind whom most is to come.
    Soonest,
    /// Behind whom most is to come.
    Longest,
}

/// Who is in each other's way at one moment.
struct InTheWay {
    needed: usize,
    /// Places in [`Needed::by`].
    who: Vec<usize>,
}

pub(super) struct Search<'n> {
    network: &'n Network,
    /// What is still to come after the begin of each, at the least.
    to_come: Vec<i64>,
    /// What each must not be later than, seen from another: a wait at the most.
    presses: Vec<Vec<(usize, i64)>>,
    best: Option<(i64, Vec<i64>)>,
    steps: usize,
}

impl<'n> Search<'n> {
    pub fn of(network: &'n Network) -> Self {
        let mut presses = vec![Vec::new(); network.len()];
        for (task, held) in network.holds_back.iter().enumerate() {
            for held in held.iter().filter(|held| held.most) {
                // `held` must not be more than so long before `task`.
                presses[task].push((held.than, -held.lag));
            }
        }
        Self { network, to_come: to_come(network), presses, best: None, steps: 0 }
    }

    /// The soonest end that is found, with the times of all; `None` where the waits cannot hold.
    pub fn run(mut self) -> Option<Vec<i64>> {
        let at = self.network.soonest()?;
        for rule in [Rule::Soonest, Rule::Longest] {
            let mut settled = Settled::none(self.network.len());
            self.build(at.clone(), &mut settled, rule);
        }
        let many = self.network.len();
        self.steps = if many <= FEW { ALL_STEPS } else { STEPS / (many * many) };
        let bound = self.bound(&at);
        if self.best.as_ref().is_none_or(|(end, _)| bound < *end) {
            let mut settled = Settled::none(self.network.len());
            self.look_through(at, &mut settled);
        }
        self.best.map(|(_, at)| at)
    }

    /// No schedule with these times ends sooner.
    fn bound(&self, at: &[i64]) -> i64 {
        let ends = at.iter().zip(&self.to_come).map(|(at, to_come)| at + to_come);
        ends.max().unwrap_or(0)
    }

    fn keep(&mut self, at: Vec<i64>) {
        let end = self.network.end(&at);
        if self.best.as_ref().is_none_or(|(best, _)| end < *best) {
            self.best = Some((end, at));
        }
    }

    /// Builds one schedule, moment by moment, by a rule.
    fn build(&mut self, mut at: Vec<i64>, settled: &mut Settled, rule: Rule) {
        let network = self.network;
        let mut left = 40 * network.len() + 100;
        while let Some(way) = self.in_the_way(&at) {
            left -= 1;
            if left == 0 {
                return;
            }
            let needed = &network.needed[way.needed];
            let mut who = way.who;
            who.sort_by_cached_key(|hold| self.place_in_line(&at, needed, *hold, rule));
            let went_on = who.iter().any(|&first| {
                // Whoever goes first, all others are put off; where more fits, only the last is.
                let others = if needed.at_hand == 1 { 0 } else { who.len() - 1 };
                let others = who[others..].iter().filter(|hold| **hold != first);
                let (many, before) = (settled.many(), at.clone());
                let first = &needed.by[first];
                for other in others {
                    settled.before(first, &needed.by[*other]);
                }
                if network.put_off(&mut at, vec![first.last], settled) {
                    return true;
                }
                at = before;
                settled.back_to(many);
                false
            });
            if !went_on {
                return;
            }
        }
        self.keep(at);
    }

    /// Where a hold stands in line: the lowest goes first.
    fn place_in_line(
        &self,
        at: &[i64],
        needed: &Needed,
        hold: usize,
        rule: Rule,
    ) -> (bool, i64, i64, usize) {
        let first = needed.by[hold].first;
        // What would miss its window behind another goes before it.
        let latest = self.presses[first].iter().map(|(than, most)| at[*than] + most).min();
        let pressed = latest.is_some_and(|latest| {
            let others = needed.by.iter();
            let others =
                others.filter(|other| other.first != first && at[other.first] <= at[first]);
            let ends = others.map(|other| other.to(at)).filter(|end| *end > at[first]);
            ends.min().is_some_and(|over| latest < over)
        });
        let behind = -self.to_come[first];
        match rule {
            Rule::Soonest => (!pressed, at[first], behind, first),
            Rule::Longest => (!pressed, behind, at[first], first),
        }
    }

    /// Looks through every order that can be better than the best that is known.
    fn look_through(&mut self, at: Vec<i64>, settled: &mut Settled) {
        if self.steps == 0 {
            return;
        }
        self.steps -= 1;
        let Some(way) = self.in_the_way(&at) else { return self.keep(at) };
        let network = self.network;
        let needed = &network.needed[way.needed];
        let many = settled.many();
        let mut ways = Vec::new();
        // As few as are more than there is room for: one of those has to go before another.
        let mut sum = 0;
        let few = way.who.iter().take_while(|hold| {
            let room = sum <= needed.at_hand;
            sum += needed.by[**hold].amount;
            room
        });
        let who: Vec<usize> = few.copied().collect();
        for &first in &who {
            for &second in who.iter().filter(|second| **second != first) {
                settled.before(&needed.by[first], &needed.by[second]);
                let mut at = at.clone();
                if network.put_off(&mut at, vec![needed.by[first].last], settled) {
                    let bound = self.bound(&at);
                    ways.push((bound, at.iter().sum::<i64>(), first, second, at));
                }
                settled.back_to(many);
            }
        }
        ways.sort_by_key(|(bound, sum, first, second, _)| (*bound, *sum, *first, *second));
        for (bound, _, first, second, at) in ways {
            if self.best.as_ref().is_some_and(|(best, _)| bound >= *best) {
                break;
            }
            settled.before(&needed.by[first], &needed.by[second]);
            self.look_through(at, settled);
            settled.back_to(many);
        }
    }

    /// What is in each other's way first: of one thing after the other, as they are listed. Long
    /// holds stand before the hands, so that no hands wait for a mould that is not free.
    fn in_the_way(&self, at: &[i64]) -> Option<InTheWay> {
        let mut all = self.network.needed.iter().enumerate();
        all.find_map(|(place, needed)| {
            let who = over_at(needed, at)?;
            Some(InTheWay { needed: place, who })
        })
    }
}

/// Who needs something at the first moment at which more of it is needed than there is.
fn over_at(needed: &Needed, at: &[i64]) -> Option<Vec<usize>> {
    let spans = needed.by.iter().enumerate();
    let spans = spans.map(|(hold, taken)| (taken.from(at), taken.to(at), taken.amount, hold));
    let mut spans: Vec<_> = spans.filter(|(from, to, ..)| from < to).collect();
    spans.sort_unstable();
    let mut now: Vec<(i64, u32, usize)> = Vec::new();
    let mut over = None;
    for (from, to, amount, hold) in spans {
        if over.is_some_and(|moment| moment < from) {
            break;
        }
        now.retain(|(ends, ..)| *ends > from);
        now.push((to, amount, hold));
        let sum: u32 = now.iter().map(|(_, amount, _)| amount).sum();
        if over.is_none() && sum > needed.at_hand {
            over = Some(from);
        }
    }
    over.map(|_| now.into_iter().map(|(.., hold)| hold).collect())
}

/// What is still to come after the begin of each, at the least: itself, and what it holds back.
fn to_come(network: &Network) -> Vec<i64> {
    let mut to_come = network.lasts.clone();
    // Waits at the least make no circle; those at the most hold nothing up that is to come.
    for _ in 0..network.len() {
        let mut changed = false;
        for (task, held) in network.holds_back.iter().enumerate() {
            for held in held.iter().filter(|held| !held.most) {
                let after = held.lag + to_come[held.than];
                if after > to_come[task] {
                    to_come[task] = after;
                    changed = true;
                }
            }
        }
        if !changed {
            break;
        }
    }
    to_come
}
