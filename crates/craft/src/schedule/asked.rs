//! What is asked of a schedule, and the schedule that answers it.

use std::collections::{BTreeMap, HashMap};

use chrono::{DateTime, TimeDelta, Utc};

use super::broken;
use super::free::Free;
use super::hours::Hours;
use super::network::{Claim, Needed, Network, NotSooner, Way};
use super::search::Search;
use super::task::{self, Hold, Task};
use crate::catalogue::schedule as say;
use crate::check::{self, Checker, Fault};
use crate::message::Message;
use crate::steps::Anchor;

/// No schedule reaches further.
const FURTHEST: TimeDelta = TimeDelta::days(400);
/// Beyond what the work and its waits come to, so much is looked through.
const BEYOND: TimeDelta = TimeDelta::days(30);

/// What is to be put in order.
#[derive(Clone, Debug)]
pub struct Asked {
    /// What is to be done.
    pub tasks: Vec<Task>,
    /// What is taken up from one task to another.
    pub holds: Vec<Hold>,
    /// Things of which there is more than one, and how many.
    pub at_hand: Vec<(String, u32)>,
    /// Pairs of hands.
    pub hands: u32,
    /// When they are free.
    pub hours: Hours,
    /// When they are taken up otherwise.
    pub busy: Vec<(DateTime<Utc>, DateTime<Utc>)>,
    /// Nothing is begun before.
    pub begin: Option<DateTime<Utc>>,
    /// All of it is to be done by then.
    pub ready_by: Option<DateTime<Utc>>,
    /// Tasks that the maker has put at a time, hours or not.
    pub pinned: BTreeMap<String, DateTime<Utc>>,
}

/// A task with its time.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Placed {
    /// Its key.
    pub key: String,
    /// It is begun then.
    pub from: DateTime<Utc>,
    /// It is done then.
    pub to: DateTime<Utc>,
}

/// What does not hold.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum What {
    /// A wait at the most: it is longer.
    MostWait,
    /// What it is made from is not held in temper so long: it is tempered once more.
    HeldInTemper,
    /// What is made does not keep until all must be ready.
    Keeps,
    /// The hours: what is done in one go is longer than any of them.
    Hours,
    /// The time it was put at: it cannot be done then.
    Pinned,
}

/// Something that cannot hold, and by how much.
#[derive(Clone, Debug, PartialEq)]
pub struct Broken {
    /// The task of which it is asked.
    pub key: String,
    /// The task that it counts from, where it is a wait.
    pub since: Option<String>,
    /// What.
    pub what: What,
    /// By so many minutes.
    pub by_min: f64,
}

/// Tasks in order.
#[derive(Clone, Debug, PartialEq)]
pub struct Schedule {
    /// Each with its time, the soonest first.
    pub placed: Vec<Placed>,
    /// The first is begun then.
    pub begin: DateTime<Utc>,
    /// The last is done then.
    pub end: DateTime<Utc>,
    /// Begun then it is still ready in time, at the latest; `None` where nobody said by when.
    pub latest_start: Option<DateTime<Utc>>,
    /// By so much it is late, minutes.
    pub late_min: f64,
    /// What does not hold.
    pub broken: Vec<Broken>,
}

/// Minutes as whole seconds.
pub(super) fn seconds(minutes: f64) -> i64 {
    (minutes * 60.0).round() as i64
}

fn fault(field: &str, message: Message) -> Vec<Fault> {
    vec![Fault { field: field.to_owned(), message }]
}

impl Asked {
    /// Puts the tasks in order: forward from `begin`; backward from `ready_by` where only that is
    /// stated, so that all of it is as late as may be.
    ///
    /// Where waits at the most cannot hold, they are stretched by as little as is found, and named.
    /// Of up to nine tasks no order ends sooner (or, backward, begins later) than this one.
    ///
    /// # Errors
    /// Every fault, each with its field: nothing to do, waits that name nothing or go in a circle,
    /// hours that are none.
    pub fn schedule(&self) -> Result<Schedule, Vec<Fault>> {
        let mut check = Checker::new();
        self.check(&mut check);
        check.finish()?;
        let (forward, backward) = (self.begin, self.ready_by);
        let mut schedule = match (forward, backward) {
            (Some(begin), _) => self.one_way(Way::Forward, begin)?,
            (None, Some(ready_by)) => self.one_way(Way::Backward, ready_by)?,
            (None, None) => return Err(fault("ready_by", say::begin_or_ready_by())),
        };
        if let Some(ready_by) = backward {
            schedule.latest_start = Some(match forward {
                None => schedule.begin,
                Some(_) => self.one_way(Way::Backward, ready_by)?.begin,
            });
            schedule.late_min = (schedule.end - ready_by).num_seconds().max(0) as f64 / 60.0;
        }
        Ok(schedule)
    }

    fn check(&self, check: &mut Checker) {
        check.number("hands", f64::from(self.hands), check::HANDS);
        task::check(&self.tasks, &self.holds, self.hands, check);
        for (i, (what, many)) in self.at_hand.iter().enumerate() {
            check.text(format_args!("at_hand[{i}].what"), what, task::LONGEST_KEY);
            check.number(format_args!("at_hand[{i}].count"), f64::from(*many), check::AT_HAND);
        }
    }

    /// How far a schedule may reach: what the work takes of the hours, and its waits.
    fn reach(&self) -> TimeDelta {
        let work: i64 = self.tasks.iter().map(|task| seconds(task.minutes)).sum();
        let waits: i64 = self
            .tasks
            .iter()
            .flat_map(|task| &task.after)
            .map(|after| seconds(after.least_min))
            .sum();
        // A night may lie before each.
        let weeks = work / self.hours.in_a_week().max(1) + 1;
        let nights = TimeDelta::days(self.tasks.len() as i64 / 2);
        (TimeDelta::seconds(waits + work) + TimeDelta::weeks(weeks) + nights + BEYOND).min(FURTHEST)
    }

    fn one_way(&self, way: Way, end: DateTime<Utc>) -> Result<Schedule, Vec<Fault>> {
        let reach = self.reach();
        let (from, to) = match way {
            Way::Forward => (end, end + reach),
            Way::Backward => (end - reach, end),
        };
        let busy: Vec<_> =
            self.busy.iter().map(|(from, to)| (from.timestamp(), to.timestamp())).collect();
        // A moment at the edge of a span is of it: the spans are not cut at the ends.
        let day = TimeDelta::days(1);
        let free = self.hours.free(from - day, to + day).without(&busy);
        let needs_hands = self.tasks.iter().any(|task| task.hands > 0);
        if free.is_empty() && needs_hands {
            return Err(fault("hours", say::no_free_hours()));
        }
        let laid = Laid::out(self, way, end, free, reach);
        let found = broken::found(&laid);
        let mut broken = found.broken;
        broken.extend(laid.too_long());
        let placed = laid.order.iter().enumerate().map(|(place, task)| {
            let (from, to) = laid.span(place, &found.at);
            let moment = |s| DateTime::from_timestamp(s, 0).unwrap_or(end);
            Placed { key: self.tasks[*task].key.clone(), from: moment(from), to: moment(to) }
        });
        let mut placed: Vec<Placed> = placed.collect();
        placed.sort_by(|a, b| (a.from, a.to, &a.key).cmp(&(b.from, b.to, &b.key)));
        Ok(Schedule {
            begin: placed.iter().map(|one| one.from).min().unwrap_or(end),
            end: placed.iter().map(|one| one.to).max().unwrap_or(end),
            placed,
            latest_start: None,
            late_min: 0.0,
            broken,
        })
    }
}

/// What is asked, as a network.
#[derive(Clone)]
pub(super) struct Laid<'a> {
    pub asked: &'a Asked,
    /// Which task each place of the network is.
    pub order: Vec<usize>,
    /// The place of each task, by its key.
    pub places: HashMap<&'a str, usize>,
    /// From when until when, by the network's clock.
    within: (i64, i64),
    pub network: Network,
}

/// A wait at the most: the place of the task that waits, and which of its waits it is.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, PartialOrd, Ord)]
pub(super) struct WaitAt {
    pub place: usize,
    pub after: usize,
}

impl<'a> Laid<'a> {
    fn out(asked: &'a Asked, way: Way, end: DateTime<Utc>, free: Free, reach: TimeDelta) -> Self {
        let tasks = &asked.tasks;
        let mut order: Vec<usize> = (0..tasks.len()).collect();
        // However they are listed, it is the same schedule.
        order.sort_by(|a, b| {
            (tasks[*a].rank, &tasks[*a].key).cmp(&(tasks[*b].rank, &tasks[*b].key))
        });
        let lasts: Vec<i64> = order.iter().map(|task| seconds(tasks[*task].minutes)).collect();
        let first = way.turned(end.timestamp(), 0);
        let network = Network {
            way,
            in_hours: vec![false; order.len()],
            holds_back: vec![Vec::new(); order.len()],
            needed: Vec::new(),
            from: vec![first; order.len()],
            until: vec![first; order.len()],
            lasts,
            free,
        };
        let keys = order.iter().map(|task| tasks[*task].key.as_str());
        let places = keys.enumerate().map(|(place, key)| (key, place)).collect();
        let within = (first, first + reach.num_seconds());
        let mut laid = Self { asked, order, places, within, network };
        laid.network.needed = laid.needed();
        laid.bound(&asked.pinned);
        laid.wait(|_| Some(0));
        laid
    }

    /// Sets from when until when each task may be begun: at its time where it is pinned at one.
    pub fn bound(&mut self, pinned: &BTreeMap<String, DateTime<Utc>>) {
        let (first, last) = self.within;
        for (place, task) in self.order.iter().enumerate() {
            let task = &self.asked.tasks[*task];
            let (way, lasts) = (self.network.way, self.network.lasts[place]);
            let turned = |at: DateTime<Utc>| way.turned(at.timestamp(), lasts);
            let pin = pinned.get(&task.key).map(|at| turned(*at));
            let (from, until) = match way {
                Way::Forward => (task.from, task.until),
                Way::Backward => (task.until, task.from),
            };
            self.network.in_hours[place] = task.keeps_hours() && pin.is_none();
            self.network.from[place] =
                pin.unwrap_or_else(|| from.map_or(first, |at| turned(at).max(first)));
            self.network.until[place] =
                pin.unwrap_or_else(|| until.map_or(last, |at| turned(at).min(last)));
        }
    }

    /// When a task is begun and done, whichever way time runs.
    pub fn span(&self, place: usize, at: &[i64]) -> (i64, i64) {
        let lasts = self.network.lasts[place];
        let from = self.network.way.turned(at[place], lasts);
        (from, from + lasts)
    }

    /// Sets the waits; `stretched` says by how much longer one at the most may be, `None` where any
    /// time will do.
    pub fn wait(&mut self, stretched: impl Fn(WaitAt) -> Option<i64>) {
        let mut holds_back = vec![Vec::new(); self.order.len()];
        for (waits, task) in self.order.iter().enumerate() {
            for (after, wait) in self.asked.tasks[*task].after.iter().enumerate() {
                let Some(&of) = self.places.get(wait.key.as_str()) else { continue };
                // From the begin of the one to the begin of the other.
                let counts = match wait.from {
                    Anchor::Begin => 0,
                    Anchor::End => self.network.lasts[of],
                };
                let least = counts + seconds(wait.least_min);
                let stretched = stretched(WaitAt { place: waits, after });
                let most = wait.most_min.zip(stretched).map(|(m, more)| counts + seconds(m) + more);
                let (lasts, lasts_of) = (self.network.lasts[waits], self.network.lasts[of]);
                let mut hold = |one: usize, than, lag, most| {
                    holds_back[one].push(NotSooner { than, lag, most });
                };
                match self.network.way {
                    Way::Forward => {
                        hold(of, waits, least, false);
                        most.into_iter().for_each(|most| hold(waits, of, -most, true));
                    }
                    // Seen from the end what comes later holds back what comes before it.
                    Way::Backward => {
                        hold(waits, of, least + lasts - lasts_of, false);
                        most.into_iter()
                            .for_each(|most| hold(of, waits, lasts_of - lasts - most, true));
                    }
                }
            }
        }
        self.network.holds_back = holds_back;
    }

    fn needed(&self) -> Vec<Needed> {
        let mut hands = Needed { at_hand: self.asked.hands, by: Vec::new() };
        let mut things: BTreeMap<&str, Needed> = BTreeMap::new();
        let at_hand = |what: &str| {
            let known = self.asked.at_hand.iter().find(|(known, _)| known == what);
            known.map_or(1, |(_, many)| *many)
        };
        let mut take = |what: &'a str, taken| {
            let needed = things.entry(what);
            let needed =
                needed.or_insert_with(|| Needed { at_hand: at_hand(what), by: Vec::new() });
            if !needed.by.contains(&taken) {
                needed.by.push(taken);
            }
        };
        let lasts = &self.network.lasts;
        let whole = |place: usize, amount| Claim {
            first: place,
            after_first: 0,
            last: place,
            after_last: lasts[place],
            amount,
        };
        for (place, task) in self.order.iter().enumerate() {
            let task = &self.asked.tasks[*task];
            if task.hands > 0 {
                hands.by.push(whole(place, task.hands));
            }
            for what in &task.uses {
                take(what, whole(place, 1));
            }
        }
        for hold in &self.asked.holds {
            let place_of = |key: &String| self.places.get(key.as_str()).copied();
            let (Some(first), Some(last)) = (place_of(&hold.from), place_of(&hold.to)) else {
                continue;
            };
            let (after_begin, before_end) =
                (seconds(hold.after_begin_min), seconds(hold.before_end_min));
            let taken = match self.network.way {
                Way::Forward => Claim {
                    first,
                    after_first: after_begin,
                    last,
                    after_last: lasts[last] - before_end,
                    amount: 1,
                },
                // Seen from the end it is taken where it is free again.
                Way::Backward => Claim {
                    first: last,
                    after_first: before_end,
                    last: first,
                    after_last: lasts[first] - after_begin,
                    amount: 1,
                },
            };
            take(&hold.what, taken);
        }
        things.into_values().chain([hands]).filter(|one| one.by.len() > 1).collect()
    }

    /// What is longer in one go than any of the hours.
    fn too_long(&self) -> Vec<Broken> {
        let longest = self.network.free.longest();
        let long = (0..self.order.len()).filter(|place| self.network.in_hours[*place]);
        let long = long.filter(|place| self.network.lasts[*place] > longest);
        long.map(|place| Broken {
            key: self.asked.tasks[self.order[place]].key.clone(),
            since: None,
            what: What::Hours,
            by_min: (self.network.lasts[place] - longest) as f64 / 60.0,
        })
        .collect()
    }

    pub fn times(&self) -> Option<Vec<i64>> {
        Search::of(&self.network).run()
    }
}
