//! Tasks as a network: each not sooner than others let it, in the hours the hands are free.
//!
//! Time is in whole seconds. Everything that can be asked is of one form, "this one not sooner than
//! so long after that one": a wait at the most is one that holds back the other. So the soonest
//! times of all are found together, by putting off what is too soon until nothing is.

use super::free::Free;

/// One task is put off so often before its waits are held to contradict each other.
const PUT_OFF: u32 = 400;

/// Not sooner than so long after the begin of another.
#[derive(Clone, Copy, Debug)]
pub(super) struct NotSooner {
    pub than: usize,
    pub lag: i64,
    /// Whether it is a wait at the most, seen from the one that waits.
    pub most: bool,
}

/// What several tasks need, and how much of it there is.
#[derive(Clone, Debug, Default)]
pub(super) struct Needed {
    pub at_hand: u32,
    pub by: Vec<Claim>,
}

/// So much of something is taken up from one task to another, which may be the same.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) struct Claim {
    pub first: usize,
    /// So long after the begin of the first.
    pub after_first: i64,
    pub last: usize,
    /// Until so long after the begin of the last.
    pub after_last: i64,
    pub amount: u32,
}

impl Claim {
    pub fn from(&self, at: &[i64]) -> i64 {
        at[self.first] + self.after_first
    }

    pub fn to(&self, at: &[i64]) -> i64 {
        at[self.last] + self.after_last
    }
}

/// Which way time runs.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Way {
    /// From a beginning: as soon as may be.
    Forward,
    /// From an end: as late as may be. Moments are seconds before it.
    Backward,
}

impl Way {
    /// The moment of a task that lasts so long, by the other of the two clocks; twice it is the same.
    pub fn turned(self, at: i64, lasts: i64) -> i64 {
        match self {
            Self::Forward => at,
            Self::Backward => -at - lasts,
        }
    }
}

/// The tasks, in the order in which they go where nothing else decides.
#[derive(Clone, Debug)]
pub(super) struct Network {
    pub way: Way,
    pub lasts: Vec<i64>,
    /// Whether it keeps to the hours in which the hands are free.
    pub in_hours: Vec<bool>,
    /// What holds back others, by the task that does.
    pub holds_back: Vec<Vec<NotSooner>>,
    pub needed: Vec<Needed>,
    /// Not before.
    pub from: Vec<i64>,
    /// Not after.
    pub until: Vec<i64>,
    pub free: Free,
}

/// What the search settles: who goes before whom. It can be taken back.
#[derive(Clone, Debug)]
pub(super) struct Settled {
    holds_back: Vec<Vec<NotSooner>>,
    order: Vec<usize>,
}

impl Network {
    pub fn len(&self) -> usize {
        self.lasts.len()
    }

    /// The first moment from then on at which a task can be begun.
    pub fn place(&self, task: usize, at: i64) -> Option<i64> {
        let lasts = self.lasts[task];
        let placed = match self.way {
            _ if !self.in_hours[task] => Some(at),
            Way::Forward => self.free.soonest(at, lasts),
            // A moment is so long before the end; the task lies from there further back.
            Way::Backward => {
                self.free.latest(-at, lasts).map(|begin| self.way.turned(begin, lasts))
            }
        };
        placed.filter(|placed| *placed <= self.until[task])
    }

    /// The soonest times of all where nothing is settled yet; `None` where the waits cannot hold.
    pub fn soonest(&self) -> Option<Vec<i64>> {
        let mut at: Vec<i64> = Vec::with_capacity(self.len());
        for task in 0..self.len() {
            at.push(self.place(task, self.from[task])?);
        }
        let all = (0..self.len()).collect();
        self.put_off(&mut at, all, &Settled::none(self.len())).then_some(at)
    }

    /// Puts off what the tasks that moved hold back, until nothing is too soon. `false` where that
    /// cannot be.
    pub fn put_off(&self, at: &mut [i64], mut moved: Vec<usize>, settled: &Settled) -> bool {
        let mut times = vec![0_u32; self.len()];
        let mut waiting = vec![false; self.len()];
        for &task in &moved {
            waiting[task] = true;
        }
        let mut next = 0;
        while let Some(&task) = moved.get(next) {
            next += 1;
            waiting[task] = false;
            for held in self.holds_back[task].iter().chain(&settled.holds_back[task]) {
                let not_before = at[task] + held.lag;
                if not_before <= at[held.than] {
                    continue;
                }
                let Some(placed) = self.place(held.than, not_before) else { return false };
                times[held.than] += 1;
                if times[held.than] > PUT_OFF {
                    return false;
                }
                at[held.than] = placed;
                if !waiting[held.than] {
                    waiting[held.than] = true;
                    moved.push(held.than);
                }
            }
        }
        true
    }

    /// When all of it is done.
    pub fn end(&self, at: &[i64]) -> i64 {
        let ends = at.iter().zip(&self.lasts).map(|(at, lasts)| at + lasts);
        ends.max().unwrap_or(0)
    }
}

impl Settled {
    pub fn none(tasks: usize) -> Self {
        Self { holds_back: vec![Vec::new(); tasks], order: Vec::new() }
    }

    /// The second does not take it before the first is done with it.
    pub fn before(&mut self, first: &Claim, second: &Claim) {
        let lag = first.after_last - second.after_first;
        self.holds_back[first.last].push(NotSooner { than: second.first, lag, most: false });
        self.order.push(first.last);
    }

    /// Takes back what was settled since there were so many.
    pub fn back_to(&mut self, many: usize) {
        for first in self.order.drain(many..).rev() {
            self.holds_back[first].pop();
        }
    }

    pub fn many(&self) -> usize {
        self.order.len()
    }
}
