//! Which step is the next one, and what is coming.

use chrono::{DateTime, TimeDelta, Utc};

use super::bowls::{BowlState, BowlStatus, bowl_of};
use super::events::{Event, standing};
use super::timeline::{At, Timeline, after, timelines};
use super::together::{line_of, ready_with};
use crate::help::Topic;
use crate::message::Message;
use crate::steps::{Gear, Line, LineOf, Step, StepKind};
use crate::units::{Time, seconds};

/// A window that closes this soon is announced.
const CLOSING: TimeDelta = TimeDelta::seconds(60);
/// What takes as long as this is not done while chocolate waits in temper (*custom*).
const LONG: TimeDelta = TimeDelta::minutes(10);

/// How an instruction stands.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum State {
    /// To be done now.
    Do,
    /// To be done now; its window closes within a minute.
    Closing,
    /// Its window has closed.
    Missed,
    /// Not yet: its window opens later.
    Wait,
    /// Not yet: its chocolate is still being tempered.
    WaitForBowl,
}

/// The one thing to do now.
#[derive(Clone, Debug, PartialEq)]
pub struct Instruction {
    /// The line's key.
    pub line: String,
    /// The line's name.
    pub name: String,
    /// The step's key.
    pub step: String,
    /// What sort of work it is.
    pub kind: StepKind,
    /// What to do.
    pub text: Message,
    /// How, in a sentence; what to do instead, where its window was missed.
    pub detail: Message,
    /// What is to be minded while it is done; `None` where nothing is.
    pub caution: Option<Message>,
    /// How it stands.
    pub state: State,
    /// Whether it is the finger's check that the surface is dry.
    pub is_touch: bool,
    /// Whether a helper may do it.
    pub for_helper: bool,
    /// What can be asked of it.
    pub topic: Option<Topic>,
    /// What was learned for it from how things came out before.
    pub learned: Vec<Message>,
    /// When its window opens, where that is to come.
    pub opens: Option<Coming>,
    /// When its window closes.
    pub closes: Option<Coming>,
    /// The chocolate that is to be tempered for it, or that it waits for.
    pub chocolate: Option<String>,
}

/// Something that is coming.
#[derive(Clone, Debug, PartialEq)]
pub struct Coming {
    /// The line's key.
    pub line: String,
    /// The line's name.
    pub name: String,
    /// What it is.
    pub what: Message,
    /// Whether a window closes then.
    pub closes: bool,
    /// When, most likely.
    pub at: DateTime<Utc>,
    /// Not likely before.
    pub earliest: DateTime<Utc>,
    /// Not likely after.
    pub latest: DateTime<Utc>,
}

/// A step, and when it was done.
#[derive(Clone, Debug, PartialEq)]
pub struct StepProgress {
    /// Its key.
    pub key: String,
    /// What it is.
    pub text: Message,
    /// Whether a helper may do it.
    pub for_helper: bool,
    /// When it was done.
    pub done_at: Option<DateTime<Utc>>,
}

/// How far a line is.
#[derive(Clone, Debug, PartialEq)]
pub struct Progress {
    /// Its key.
    pub line: String,
    /// Its name.
    pub name: String,
    /// Its steps.
    pub steps: Vec<StepProgress>,
    /// The key of the next step; `None` once it is finished.
    pub next: Option<String>,
    /// How much slower it sets than was foretold, where the maker said so.
    pub pace: Option<f64>,
}

/// A bowl that was poured without being tempered.
#[derive(Clone, Debug, PartialEq)]
pub struct Untempered {
    /// Which chocolate it is, by key.
    pub chocolate: String,
    /// Why.
    pub why: Message,
}

/// A batch as it stands.
#[derive(Clone, Debug, PartialEq)]
pub struct Guide {
    /// What was poured without being tempered, or nobody knows whether it was: before
    /// anything else, that is undone and melted again.
    pub untempered: Vec<Untempered>,
    /// What to do now, or what is next; `None` once all is done.
    pub now: Option<Instruction>,
    /// What a second pair of hands can do at the same time, what presses most first.
    pub also: Vec<Instruction>,
    /// What is coming, the soonest first.
    pub coming: Vec<Coming>,
    /// How far each line is.
    pub progress: Vec<Progress>,
}

/// What a step that takes chocolate waits for.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Chocolate {
    /// Nothing: it takes none, or its bowl is in temper.
    Ready,
    /// Its bowl is at the bench.
    AtBench,
    /// Its bowl is still to be opened.
    ToTemper,
}

/// One line's next step, as a candidate for the hands.
struct Candidate<'a, 'l> {
    line: &'l Timeline<'a>,
    step: &'a Step,
    /// What is done first, where its chocolate is still to be tempered.
    first: Option<(&'l Timeline<'a>, &'a Step)>,
    begun: bool,
    opens: Option<At>,
    closes: Option<At>,
    /// By when it must be begun so that what follows it is in time.
    deadline: Option<DateTime<Utc>>,
    chocolate: Chocolate,
    /// The chocolate that is not ready yet.
    awaited: Option<&'a str>,
}

/// A batch as it stands at a moment of its time.
#[must_use]
pub fn guide(lines: &[Line], events: &[Event], bowls: &[BowlState], now: DateTime<Utc>) -> Guide {
    let all = lines;
    let lines = timelines(lines, &standing(events), bowls);
    let candidates: Vec<_> = lines
        .iter()
        .filter(|line| line.line.component().is_some() || may_be_packed(line, &lines))
        .filter(|line| mould_is_free(line, &lines))
        .filter_map(|line| Candidate::of(line, all, &lines, bowls))
        .collect();
    let mut coming: Vec<_> = lines.iter().flat_map(|line| to_come(line, now)).collect();
    coming.sort_by_key(|coming| coming.at);
    let untempered = bowls.iter().filter_map(|bowl| {
        let why = bowl.not_tempered.clone()?;
        Some(Untempered { chocolate: bowl.chocolate.clone(), why })
    });
    let chosen = choose(&candidates, now);
    let also = chosen.map(|chosen| beside(chosen, &candidates, now)).unwrap_or_default();
    Guide {
        untempered: untempered.collect(),
        now: chosen.map(|chosen| chosen.instruction(now)),
        also: also.into_iter().map(|other| other.instruction(now)).collect(),
        coming,
        progress: lines.iter().map(progress).collect(),
    }
}

/// Whether it is packing, and all that is packed is made.
fn may_be_packed(line: &Timeline<'_>, all: &[Timeline<'_>]) -> bool {
    let mut components = all.iter().filter(|other| other.line.component().is_some());
    line.line.is_packing() && components.all(|other| other.next().is_none())
}

/// Whether the mould or tray is free that a line fills: a second cast goes into it once the first is
/// out.
fn mould_is_free(line: &Timeline<'_>, all: &[Timeline<'_>]) -> bool {
    let LineOf::Component { component, cast, .. } = &line.line.of else { return true };
    let before = all.iter().find(|other| match &other.line.of {
        LineOf::Component { component: of, cast: nth, .. } => of == component && nth + 1 == *cast,
        LineOf::Bowl { .. } | LineOf::Packing {} => false,
    });
    let is_out = |of: &Timeline<'_>| {
        let out = of.line.steps.iter().position(Step::unmoulds);
        of.is_passed(out.unwrap_or(of.line.steps.len().saturating_sub(1)))
    };
    // Another thing that is made in it may have it.
    let one = |gear: &&Gear| matches!(gear, Gear::Mould { .. } | Gear::Tray { .. });
    let has_it = |other: &&Timeline<'_>| {
        line.line.gear.iter().filter(one).any(|gear| other.line.gear.contains(gear))
            && other.line.component() != line.line.component()
            && other.is_passed(0)
            && !is_out(other)
    };
    let begun = line.is_passed(0);
    before.is_none_or(is_out) && (begun || !all.iter().any(|other| has_it(&other)))
}

/// When the tempering opens that a line shares with another that waits: `Some(None)` where that is at
/// any time, `None` where nobody can tell yet.
fn waits_with(line: &Timeline<'_>, of: &Line, all: &[Timeline<'_>]) -> Option<Option<At>> {
    let waits = of.steps.iter().find_map(|step| Some((step, &step.wait.as_ref()?.step)));
    let Some((step, since)) = waits else { return Some(None) };
    let counts = |other: &&Timeline<'_>| other.line.steps.iter().any(|step| step.key == *since);
    let Some(other) = all.iter().find(counts).filter(|other| other.line.key != line.line.key)
    else {
        return Some(None);
    };
    let place = other.line.steps.iter().position(|step| step.key == *since);
    let passed = place.is_some_and(|place| other.is_passed(place));
    passed.then(|| other.opens(step))
}

fn lasts(time: Time) -> TimeDelta {
    after(DateTime::UNIX_EPOCH, time) - DateTime::UNIX_EPOCH
}

fn takes(step: &Step) -> TimeDelta {
    lasts(seconds(step.takes.typical_s))
}

impl<'a, 'l> Candidate<'a, 'l> {
    fn of(
        line: &'l Timeline<'a>,
        lines: &'a [Line],
        all: &'l [Timeline<'a>],
        bowls: &[BowlState],
    ) -> Option<Self> {
        let index = line.next()?;
        let steps = &line.line.steps;
        let step = &steps[index];
        // What follows in one go must be in time too: the latest moment to begin is
        // the earliest of their closings, less the work up to each.
        let mut work = TimeDelta::zero();
        let mut deadline: Option<DateTime<Utc>> = None;
        for (i, later) in steps.iter().enumerate().skip(index) {
            if i > index && later.opens().is_some() {
                break;
            }
            if let Some(closes) = line.closes(later) {
                let begin = closes.at - work - takes(later);
                deadline = Some(deadline.map_or(begin, |d| d.min(begin)));
            }
            work += takes(later);
        }
        // Its own tempering, then those of what goes into the same piece in one go.
        let own = step.tempered.as_ref().and_then(|key| line_of(lines, key));
        let with = ready_with(steps, index, lines);
        let awaited = own.into_iter().chain(with).find_map(|tempering| {
            let (chocolate, nth) = tempering.bowl()?;
            match bowl_of(bowls, chocolate, nth).map(|bowl| bowl.status) {
                Some(BowlStatus::Ready | BowlStatus::Poured { .. }) => None,
                Some(BowlStatus::Open) => Some((tempering, Chocolate::AtBench)),
                None | Some(BowlStatus::GivenUp) => Some((tempering, Chocolate::ToTemper)),
            }
        });
        let (tempering, chocolate) = awaited.unzip();
        // What it shares a tempering with may have to wait first.
        let put_off = step.wait.is_none() && chocolate == Some(Chocolate::ToTemper);
        let opens = match tempering.filter(|_| put_off) {
            Some(of) => waits_with(line, of, all)?,
            None => line.opens(step),
        };
        let chocolate = chocolate.unwrap_or(Chocolate::Ready);
        let first = tempering
            .filter(|_| chocolate == Chocolate::ToTemper)
            .and_then(|of| all.iter().find(|other| other.line.key == of.key))
            .and_then(|of| Some((of, &of.line.steps[of.next()?])));
        Some(Self {
            opens,
            closes: line.closes(step),
            deadline,
            chocolate,
            awaited: tempering.and_then(Line::bowl).map(|(bowl, _)| bowl),
            begun: index > 0,
            first,
            line,
            step,
        })
    }

    /// When it can be gone on with: its window, or so long before it that its chocolate is
    /// in temper when it opens.
    fn opens_at(&self) -> Option<DateTime<Utc>> {
        let opens = self.opens?.at;
        Some(match self.first {
            Some((_, step)) => opens - takes(step),
            None => opens,
        })
    }

    /// When the hands are wanted at the latest for a step further on whose window is known
    /// already: so long before it closes that it can be done.
    fn later_window(&self, now: DateTime<Utc>) -> Option<DateTime<Utc>> {
        let index = self.line.next()?;
        let steps = &self.line.line.steps[index + 1..];
        let closing =
            steps.iter().filter_map(|step| Some(self.line.closes(step)?.at - takes(step)));
        closing.filter(|at| *at > now).min()
    }

    fn is_open(&self, now: DateTime<Utc>) -> bool {
        self.opens_at().is_none_or(|opens| opens <= now)
    }

    fn is_ready(&self) -> bool {
        self.chocolate != Chocolate::AtBench
    }

    /// What is done now: the step itself, or what makes its chocolate ready.
    fn to_do(&self) -> &'a Step {
        self.first.map_or(self.step, |(_, step)| step)
    }

    /// Whether it needs no chocolate and is soon done: lining, cutting, spreading.
    fn makes_ready(&self) -> bool {
        let step = self.to_do();
        step.chocolate.is_none() && step.kind != StepKind::Tempering && takes(step) < LONG
    }

    fn takes(&self) -> TimeDelta {
        takes(self.to_do())
    }

    fn instruction(&self, now: DateTime<Utc>) -> Instruction {
        let step = self.to_do();
        let line = self.first.map_or(self.line, |(line, _)| line);
        let missed = self.closes.is_some_and(|closes| closes.latest < now);
        let state = if !self.is_open(now) {
            State::Wait
        } else if !self.is_ready() {
            State::WaitForBowl
        } else if missed {
            State::Missed
        } else if self.closes.is_some_and(|closes| closes.at - now < CLOSING) {
            State::Closing
        } else {
            State::Do
        };
        let detail = step.missed.as_ref().filter(|_| missed).unwrap_or(&step.detail).clone();
        let opens = self.opens.zip(self.opens_at()).filter(|(_, at)| *at > now);
        let opens = opens.map(|(window, at)| {
            let sooner = window.at - at;
            At { at, earliest: window.earliest - sooner, latest: window.latest - sooner }
        });
        let chocolate = match self.chocolate {
            Chocolate::Ready => step.chocolate.clone(),
            Chocolate::AtBench | Chocolate::ToTemper => self.awaited.map(str::to_owned),
        };
        Instruction {
            line: line.line.key.clone(),
            name: line.line.name.clone(),
            step: step.key.clone(),
            kind: step.kind,
            text: step.text.clone(),
            detail,
            caution: step.caution.clone(),
            state,
            is_touch: step.is_touch,
            for_helper: step.is_for_a_helper(),
            topic: step.topic,
            learned: step.learned.clone(),
            opens: opens.and_then(|at| coming(self.line, &self.step.opens()?.what, false, at)),
            closes: self
                .closes
                .and_then(|at| coming(self.line, &self.step.closes()?.what, true, at)),
            chocolate,
        }
    }
}

/// Which line has the hands: the one whose time runs out first. Where nothing
/// presses, what is quickly made ready comes before a pour, and what was begun before
/// what was not; but only what is done when the next window opens. Where nothing is
/// open, the first that will be.
fn choose<'c, 'a, 'l>(
    candidates: &'c [Candidate<'a, 'l>],
    now: DateTime<Utc>,
) -> Option<&'c Candidate<'a, 'l>> {
    let open = || candidates.iter().filter(|c| c.is_open(now) && c.is_ready());
    let pressed = open().filter(|c| c.deadline.is_some()).min_by_key(|c| c.deadline);
    // A window that closes again must not find the hands full, be it of a step further on.
    let windows = || {
        let closing = candidates.iter().filter(|c| !c.is_open(now) && c.closes.is_some());
        let next = closing.filter_map(|c| Some((c.line.line.key.as_str(), c.opens_at()?)));
        let later = candidates
            .iter()
            .filter_map(|c| Some((c.line.line.key.as_str(), c.later_window(now)?)));
        next.chain(later)
    };
    let fits = |c: &&Candidate<'_, '_>| {
        let others = windows().filter(|(line, _)| *line != c.line.line.key);
        others.map(|(_, opens)| opens).min().is_none_or(|opens| now + c.takes() <= opens)
    };
    let soonest = || {
        let closed = candidates.iter().filter(|c| !c.is_open(now));
        closed.min_by_key(|c| c.opens_at())
    };
    pressed
        .or_else(|| open().filter(fits).min_by_key(|c| (!c.makes_ready(), !c.begun)))
        .or_else(soonest)
        .or_else(|| open().next())
        .or_else(|| candidates.first())
}

/// What can be done beside what was chosen, by other hands: steps of other lines that are open, and
/// for which nothing is needed that a line before them has.
fn beside<'c, 'a, 'l>(
    chosen: &'c Candidate<'a, 'l>,
    candidates: &'c [Candidate<'a, 'l>],
    now: DateTime<Utc>,
) -> Vec<&'c Candidate<'a, 'l>> {
    let mut all: Vec<_> = candidates.iter().filter(|c| c.is_open(now) && c.is_ready()).collect();
    // What has no window to miss comes last.
    all.sort_by_key(|c| (c.deadline.is_none(), c.deadline, !c.begun));
    let mut taken = vec![chosen];
    for other in all {
        let in_the_way = |one: &&'c Candidate<'a, 'l>| {
            let (this, that) = (&one.line.line, &other.line.line);
            let one_of_it = |gear: &&Gear| matches!(gear, Gear::Mould { .. } | Gear::Tray { .. });
            one.to_do().key == other.to_do().key
                || this.gear.iter().filter(one_of_it).any(|gear| that.gear.contains(gear))
        };
        if !taken.iter().any(in_the_way) {
            taken.push(other);
        }
    }
    taken.split_off(1)
}

fn coming(line: &Timeline<'_>, what: &Message, closes: bool, at: At) -> Option<Coming> {
    Some(Coming {
        line: line.line.key.clone(),
        name: line.line.name.clone(),
        what: what.clone(),
        closes,
        at: at.at,
        earliest: at.earliest,
        latest: at.latest,
    })
}

/// What is to come of a line: every window of a step that is not done, as far as what it
/// counts from is.
fn to_come(line: &Timeline<'_>, now: DateTime<Utc>) -> Vec<Coming> {
    let Some(next) = line.next() else { return Vec::new() };
    let mut all = Vec::new();
    for step in &line.line.steps[next..] {
        let windows =
            [(step.opens(), line.opens(step), false), (step.closes(), line.closes(step), true)];
        for (due, at, closes) in windows {
            if let (Some(due), Some(at)) = (due, at)
                && at.at > now
            {
                all.extend(coming(line, &due.what, closes, at));
            }
        }
    }
    // Two steps with the same window are one thing to watch.
    all.dedup_by(|b, a| a.at == b.at && a.what == b.what);
    all
}

fn progress(line: &Timeline<'_>) -> Progress {
    let steps = &line.line.steps;
    Progress {
        line: line.line.key.clone(),
        name: line.line.name.clone(),
        steps: steps
            .iter()
            .map(|step| StepProgress {
                key: step.key.clone(),
                text: step.text.clone(),
                for_helper: step.is_for_a_helper(),
                done_at: line.done_at(&step.key),
            })
            .collect(),
        next: line.next().map(|i| steps[i].key.clone()),
        pace: line.told_pace(),
    }
}
