//! A plan over days: its sittings put in order, and what would mend it where they cannot be.

use std::collections::{BTreeMap, HashMap};

use chrono::{DateTime, TimeDelta, Utc};

use super::asked::{Asked, Broken, Schedule, What, seconds};
use super::held::{AtHand, Held};
use super::hours::Hours;
use super::sittings::{Sitting, sittings};
use super::task::{After, Task};
use crate::allergens::{Allergen, told_by};
use crate::check::Fault;
use crate::plan::{HandsInputs, WhenInputs};
use crate::steps::{Anchor, CLEANING_MIN, Line, Step, Thing};
use crate::units::{Time, in_seconds};

/// Chocolate is held in temper so long from one thing to the next, warmed as it cools, minutes
/// (*custom*).
const HELD_MIN: f64 = 120.0;
/// Of so many sittings at the most it is tried out what would mend them.
const MENDED: usize = 250;
/// The moment at which all must be ready, as a task: what is made must keep until then.
const READY: &str = "ready";
/// What the helper must not do needs the maker's own hands.
const MAKER: &str = "the maker";

/// A sitting with its time of day.
#[derive(Clone, Debug, PartialEq)]
pub struct Slot {
    /// Which.
    pub sitting: Sitting,
    /// It is begun then.
    pub from: DateTime<Utc>,
    /// It is over then, washing up with it.
    pub to: DateTime<Utc>,
    /// It must have been begun by then.
    pub latest: Option<DateTime<Utc>>,
    /// Whether the maker put it at that time.
    pub pinned: bool,
}

/// What would mend a schedule that cannot be kept.
#[derive(Clone, Debug, PartialEq, Eq)]
pub enum Mend {
    /// Begun by then, nothing is late.
    BeginBy(DateTime<Utc>),
    /// A second pair of hands.
    SecondPair,
    /// One more of a thing, for this component, by key.
    OneMore(Thing, String),
    /// Without this component, by key.
    Without(String),
    /// Without what was put at a time.
    Unpinned,
}

/// A plan over days.
#[derive(Clone, Debug, PartialEq)]
pub struct Days {
    /// Its sittings, the soonest first.
    pub slots: Vec<Slot>,
    /// The first is begun then.
    pub begin: DateTime<Utc>,
    /// The last is done then.
    pub end: DateTime<Utc>,
    /// Begun then, all of it is still ready in time.
    pub latest_start: Option<DateTime<Utc>>,
    /// By so much it is late, minutes.
    pub late_min: f64,
    /// What does not hold.
    pub broken: Vec<Broken>,
    /// What would mend that, each by itself.
    pub mends: Vec<Mend>,
}

/// What is known of the time in which it is made.
#[derive(Clone, Debug)]
pub struct Around<'a> {
    /// Now: nothing is begun before.
    pub now: DateTime<Utc>,
    /// The hours in which the maker is free.
    pub hours: &'a Hours,
    /// When the maker is at something else.
    pub busy: &'a [(DateTime<Utc>, DateTime<Utc>)],
    /// Which steps are done already, by key, and when.
    pub done: &'a HashMap<String, DateTime<Utc>>,
    /// How many there are of what there may be more of.
    pub at_hand: &'a AtHand,
}

/// The days of a plan; nothing is left of one of which every step is done.
///
/// Where it must be ready by a time, all is as late as may be and still in time; where that would
/// be begun in the past, as soon as may be.
///
/// # Errors
/// Every fault, each with its field: no free hours.
pub fn days(
    lines: &[Line],
    when: &WhenInputs,
    around: &Around<'_>,
) -> Result<Option<Days>, Vec<Fault>> {
    let all = sittings(lines);
    let passed = passed(lines, around.done);
    let around = &Around { done: &passed, ..*around };
    let left = all.iter().filter_map(|sitting| sitting.left(around.done));
    let left: Vec<Sitting> = left.collect();
    if left.is_empty() {
        return Ok(None);
    }
    let held = Held::all(lines, &left, around.at_hand);
    let asked = asked(lines, &left, &held, when, around);
    let schedule = in_time(&asked, when, around.now)?;
    let tried = !holds(&schedule) && asked.tasks.len() <= MENDED;
    let mends = if tried { mends(&asked, when, around.now, (&left, &held)) } else { Vec::new() };
    let at: HashMap<&str, (DateTime<Utc>, DateTime<Utc>)> =
        schedule.placed.iter().map(|one| (one.key.as_str(), (one.from, one.to))).collect();
    let latest = |task: &Task| {
        let most = task.after.iter().filter_map(|after| {
            let (from, to) = *at.get(after.key.as_str())?;
            let since = if after.from == Anchor::Begin { from } else { to };
            Some(since + minutes(after.most_min?))
        });
        most.chain(task.until).min()
    };
    let mut slots: Vec<Slot> = left
        .into_iter()
        .zip(&asked.tasks)
        .map(|(sitting, task)| {
            let (from, to) = at[sitting.step.as_str()];
            let pinned = asked.pinned.contains_key(&sitting.step);
            Slot { from, to, latest: latest(task), pinned, sitting }
        })
        .collect();
    slots.sort_by(|a, b| (a.from, &a.sitting.step).cmp(&(b.from, &b.sitting.step)));
    let Schedule { latest_start, late_min, mut broken, .. } = schedule;
    let begin = slots.iter().map(|slot| slot.from).min().unwrap_or(around.now);
    let end = slots.iter().map(|slot| slot.to).max().unwrap_or(around.now);
    for one in &mut broken {
        if let Some(made) = one.since.take_if(|_| one.key == READY) {
            (one.key, one.what) = (made, What::Keeps);
            continue;
        }
        let slot = slots.iter().find(|slot| slot.sitting.step == one.key);
        // A wait that is no window of its steps is that for a tempering it shares.
        let own = slot.is_some_and(|slot| {
            let of = slots.iter().find(|of| Some(&of.sitting.step) == one.since.as_ref());
            slot.sitting.since.as_ref().zip(of).is_some_and(|(s, of)| of.sitting.mark(s).is_some())
        });
        if one.what == What::MostWait && !own {
            one.what = What::HeldInTemper;
        }
    }
    Ok(Some(Days { slots, begin, end, latest_start, late_min, broken, mends }))
}

/// What was done, and what was passed over with it: steps of a line go in order, and what was
/// poured was tempered.
fn passed(lines: &[Line], done: &HashMap<String, DateTime<Utc>>) -> HashMap<String, DateTime<Utc>> {
    let mut passed = done.clone();
    for line in lines.iter().filter(|line| line.bowl().is_none()) {
        let last = line.steps.iter().rposition(|step| done.contains_key(&step.key));
        let before = last.map_or(&[][..], |last| &line.steps[..=last]);
        let mut at = None;
        for step in before.iter().rev() {
            at = done.get(&step.key).copied().or(at);
            let Some(at) = at else { continue };
            passed.entry(step.key.clone()).or_insert(at);
            let of = |key: &String| lines.iter().find(|l| l.steps.iter().any(|s| s.key == *key));
            for tempering in step.tempered.as_ref().and_then(of).iter().flat_map(|l| &l.steps) {
                passed.entry(tempering.key.clone()).or_insert(at);
            }
        }
    }
    passed
}

fn minutes(min: f64) -> TimeDelta {
    TimeDelta::seconds(seconds(min))
}

fn holds(schedule: &Schedule) -> bool {
    schedule.late_min <= 0.0 && schedule.broken.is_empty()
}

/// Backward from when it must be ready; forward where that begins in the past.
fn in_time(asked: &Asked, when: &WhenInputs, now: DateTime<Utc>) -> Result<Schedule, Vec<Fault>> {
    let begin = when.begin.map_or(now, |begin| begin.max(now));
    if when.ready_by.is_some() && when.begin.is_none() {
        let back = Asked { begin: None, ..asked.clone() }.schedule()?;
        if back.begin >= now {
            return Ok(back);
        }
    }
    let forward = Asked { begin: Some(begin), ..asked.clone() };
    // As soon as may be; later only where it would not keep.
    let soonest = forward.whenever_it_is_wanted().schedule()?;
    if forward.keeps_until_ready(&soonest) { Ok(soonest) } else { forward.schedule() }
}

/// What would mend it, each by itself: the least first.
fn mends(
    asked: &Asked,
    when: &WhenInputs,
    now: DateTime<Utc>,
    (left, held): (&[Sitting], &[Held]),
) -> Vec<Mend> {
    let mended = |asked: &Asked| in_time(asked, when, now).is_ok_and(|schedule| holds(&schedule));
    let mut all = Vec::new();
    let back = Asked { begin: None, ..asked.clone() };
    if let Some(begin) = back.ready_by.and_then(|_| back.schedule().ok()).filter(holds) {
        all.push(Mend::BeginBy(begin.begin));
    }
    if !asked.pinned.is_empty() && mended(&Asked { pinned: BTreeMap::new(), ..asked.clone() }) {
        all.push(Mend::Unpinned);
    }
    for (i, one) in held.iter().enumerate() {
        if held[..i].iter().any(|known| known.thing == one.thing) {
            continue;
        }
        let mut more = asked.at_hand.clone();
        more.iter_mut()
            .filter(|(what, _)| *what == one.thing.key())
            .for_each(|(_, many)| *many += 1);
        if mended(&Asked { at_hand: more, ..asked.clone() }) {
            all.push(Mend::OneMore(one.thing.clone(), one.component(left).to_owned()));
        }
    }
    let tasks: Vec<Task> =
        asked.tasks.iter().cloned().map(|task| Task { uses: Vec::new(), ..task }).collect();
    if mended(&Asked { hands: asked.hands.max(1) + 1, tasks, ..asked.clone() }) {
        all.push(Mend::SecondPair);
    }
    let made = left.iter().filter(|sitting| !sitting.packs);
    let mut components: Vec<&str> = made.map(|sitting| sitting.component.as_str()).collect();
    components.sort_unstable();
    components.dedup();
    for component in components {
        let others = asked.without(left, component);
        if !others.tasks.is_empty() && mended(&others) {
            all.push(Mend::Without(component.to_owned()));
        }
    }
    all
}

impl Asked {
    /// The same, whether it keeps until it is wanted or not.
    fn whenever_it_is_wanted(&self) -> Self {
        let tasks = self.tasks.iter().filter(|task| task.key != READY).cloned();
        Self { tasks: tasks.collect(), ..self.clone() }
    }

    /// Whether all of it keeps until it is wanted.
    fn keeps_until_ready(&self, schedule: &Schedule) -> bool {
        let Some(ready) = self.tasks.iter().find(|task| task.key == READY) else { return true };
        let wanted = ready.from.map_or(schedule.end, |from| from.max(schedule.end));
        ready.after.iter().all(|after| {
            let made = schedule.placed.iter().find(|one| one.key == after.key);
            made.zip(after.most_min).is_none_or(|(made, most)| wanted - made.to <= minutes(most))
        })
    }

    fn without(&self, left: &[Sitting], component: &str) -> Self {
        let of_it: Vec<&str> = left
            .iter()
            .filter(|sitting| sitting.component == component)
            .map(|sitting| sitting.step.as_str())
            .collect();
        let stays = |key: &str| !of_it.contains(&key);
        let tasks = self.tasks.iter().filter(|task| stays(&task.key)).cloned().map(|mut task| {
            task.after.retain(|after| stays(&after.key));
            task
        });
        let holds = self.holds.iter().filter(|hold| stays(&hold.from) && stays(&hold.to));
        let pinned = self.pinned.iter().filter(|(key, _)| stays(key));
        Self {
            tasks: tasks.collect(),
            holds: holds.cloned().collect(),
            pinned: pinned.map(|(key, at)| (key.clone(), *at)).collect(),
            ..self.clone()
        }
    }
}

/// The sittings that are left as tasks: what they wait for, what they need.
fn asked(
    lines: &[Line],
    left: &[Sitting],
    held: &[Held],
    when: &WhenInputs,
    around: &Around<'_>,
) -> Asked {
    let with_step = |key: &str| left.iter().find(|sitting| sitting.mark(key).is_some());
    let in_left = |key: &str| left.iter().find(|sitting| sitting.step == key);
    let mut tasks: Vec<Task> = Vec::with_capacity(left.len());
    let mut last_of: HashMap<&str, &str> = HashMap::new();
    let mut cast_before: HashMap<&str, &str> = HashMap::new();
    for sitting in left {
        // By the minute, as clocks and calendars are read.
        let mut task = Task::new(&sitting.step, (in_seconds(sitting.lasts) / 60.0).ceil());
        if sitting.tempers {
            task.minutes += CLEANING_MIN;
        }
        // What was begun is gone on with, whatever the hour.
        task.any_hour = sitting.begun;
        // What is nut-free before what is not, and light chocolate before dark.
        task.rank = 2 * i32::from(sitting.with_nuts(lines)) + i32::from(sitting.is_dark(lines));
        if when.hands == HandsInputs::WithHelper && !sitting.is_safe(lines) {
            task.uses.push(MAKER.to_owned());
        }
        if let Some(since) = &sitting.since {
            let (least, most) = (sitting.least, sitting.most);
            match around.done.get(since) {
                // It counts from what has happened.
                Some(done) => {
                    task.from = Some(*done + minutes(in_seconds(least) / 60.0));
                    let until = most.map(|most| *done + minutes(in_seconds(most) / 60.0));
                    // What was missed is done as soon as may be; the guide says what then.
                    task.until = until.filter(|until| *until >= around.now);
                }
                None => {
                    if let Some(of) = with_step(since) {
                        let mark = of.mark(since).unwrap_or_default();
                        let after = |time| in_seconds(mark + time) / 60.0;
                        let least_min = after(least).ceil();
                        task.after.push(After {
                            key: of.step.clone(),
                            from: Anchor::Begin,
                            least_min,
                            // A window that closes before it opens is one moment.
                            most_min: most.map(|most| after(most).max(least_min)),
                        });
                    }
                }
            }
        }
        if sitting.packs {
            let others = left.iter().filter(|other| !other.packs && is_last(other, left));
            task.after.extend(others.map(|other| follows(&other.step)));
        }
        // Sittings of one line follow each other, and so do the casts of one component.
        match last_of.insert(&sitting.line, &sitting.step) {
            Some(before) => task.after.push(follows(before)),
            None => {
                if let Some(before) = cast_before.insert(&sitting.component, &sitting.step) {
                    task.after.push(After { from: Anchor::Begin, ..follows(before) });
                }
            }
        }
        tasks.push(task);
    }
    share_temperings(lines, left, &mut tasks);
    tasks.extend(ready(lines, left, when));
    Asked {
        tasks,
        holds: held.iter().map(|one| one.hold(left)).collect(),
        at_hand: held.iter().map(|one| (one.thing.key(), one.many(around.at_hand))).collect(),
        hands: if when.hands == HandsInputs::Alone { 1 } else { 2 },
        hours: around.hours.clone(),
        busy: around.busy.to_vec(),
        begin: when.begin,
        ready_by: when.ready_by,
        pinned: when
            .pinned
            .iter()
            .filter(|pinned| in_left(&pinned.key).is_some())
            .map(|pinned| (pinned.key.clone(), pinned.at))
            .collect(),
    }
}

/// The moment at which all must be ready, where something does not keep for ever until then.
fn ready(lines: &[Line], left: &[Sitting], when: &WhenInputs) -> Option<Task> {
    let mut task = Task::new(READY, 0.0);
    task.hands = 0;
    task.from = Some(when.ready_by?);
    for sitting in left.iter().filter(|sitting| !sitting.packs && is_last(sitting, left)) {
        let line = lines.iter().find(|line| line.key == sitting.line);
        let Some(days) = line.and_then(|line| line.keeps_days) else { continue };
        task.after.push(After { most_min: Some(days * 24.0 * 60.0), ..follows(&sitting.step) });
    }
    (!task.after.is_empty()).then_some(task)
}

/// Whether it is the last of its line.
fn is_last(sitting: &Sitting, all: &[Sitting]) -> bool {
    let mut of_line = all.iter().rev().filter(|other| other.line == sitting.line);
    of_line.next().is_some_and(|last| last.step == sitting.step)
}

fn follows(before: &str) -> After {
    After { key: before.to_owned(), from: Anchor::End, least_min: 0.0, most_min: None }
}

/// What is made from one tempering is made while that is in temper: one after the other, beginning
/// with the sitting in which it is tempered.
fn share_temperings(lines: &[Line], left: &[Sitting], tasks: &mut [Task]) {
    let mut latest: HashMap<&str, usize> = HashMap::new();
    for (i, sitting) in left.iter().enumerate() {
        for tempered in sitting.steps(lines).filter_map(|step| step.tempered.as_deref()) {
            let Some(before) = latest.insert(tempered, i).filter(|before| *before != i) else {
                continue;
            };
            let before = &left[before].step;
            if tasks[i].after.iter().all(|after| after.key != *before) {
                tasks[i].after.push(After { most_min: Some(HELD_MIN), ..follows(before) });
            }
        }
    }
}

impl Sitting {
    fn steps<'l>(&self, lines: &'l [Line]) -> impl Iterator<Item = &'l Step> {
        let keys: Vec<String> = self.marks.iter().map(|(key, _)| key.clone()).collect();
        let all = lines.iter().flat_map(|line| &line.steps);
        all.filter(move |step| keys.contains(&step.key))
    }

    /// How long after its beginning a step of it is done.
    pub(super) fn mark(&self, step: &str) -> Option<Time> {
        self.marks.iter().find(|(key, _)| key == step).map(|(_, at)| *at)
    }

    /// Whether a helper may do all of it.
    fn is_safe(&self, lines: &[Line]) -> bool {
        self.packs || self.steps(lines).all(Step::is_for_a_helper)
    }

    /// Whether nuts go in: by what its component's goods are called.
    fn with_nuts(&self, lines: &[Line]) -> bool {
        let of = lines.iter().filter(|line| line.component() == Some(self.component.as_str()));
        of.flat_map(|line| &line.steps).filter(|step| step.task() == "goods").any(|step| {
            let text = step.text.text().to_lowercase();
            told_by(&text).any(|(_, of)| matches!(of, Allergen::Nuts | Allergen::Peanuts))
        })
    }

    fn is_dark(&self, lines: &[Line]) -> bool {
        self.steps(lines)
            .any(|step| step.tempered.as_deref().is_some_and(|key| key.contains("dark")))
    }

    /// What is left of it: its steps that are not done, from then on; `None` where all are.
    fn left(&self, done: &HashMap<String, DateTime<Utc>>) -> Option<Self> {
        let Some(last) = self.marks.iter().rposition(|(key, _)| done.contains_key(key)) else {
            return Some(self.clone());
        };
        let gone = self.marks[last].1;
        let rest: Vec<_> =
            self.marks[last + 1..].iter().map(|(k, at)| (k.clone(), *at - gone)).collect();
        let (next, _) = rest.first()?;
        Some(Self {
            step: next.clone(),
            // A step has its mark and its text at one place.
            texts: self.texts[last + 1..].to_vec(),
            waits_for: None,
            least: Time::default(),
            most: None,
            since: None,
            lasts: self.lasts - gone,
            marks: rest,
            begun: true,
            ..self.clone()
        })
    }
}
