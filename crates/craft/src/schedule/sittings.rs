//! The order over hours: when the hands are needed, and how long the waits between.
//!
//! Wherever a step waits longer than three quarters of an hour, the maker goes away and comes back:
//! what lies between two such waits is a sitting. A wait is at least so long, and at
//! most until its window closes.

use std::collections::HashSet;

use chrono::{DateTime, Duration, NaiveTime, TimeZone, Utc};
use chrono_tz::Tz;

use crate::bowl::time_delta;
use crate::catalogue::room as say;
use crate::check::Checker;
use crate::message::Message;
use crate::steps::{APART_S, Line, Step};
use crate::units::{Time, seconds};

/// Steps that are done in one go.
#[derive(Clone, Debug, PartialEq)]
pub struct Sitting {
    /// The component's key. Its casts follow each other: there is one mould.
    pub component: String,
    /// The key of its line of steps.
    pub line: String,
    /// What the maker calls that.
    pub name: String,
    /// The key of its first step.
    pub step: String,
    /// What is done, in the words of its steps.
    pub texts: Vec<Message>,
    /// What is waited for before it; empty for the first.
    pub waits_for: Option<Message>,
    /// The wait before it, at the least, counted from the step `since`.
    pub least: Time,
    /// At the most.
    pub most: Option<Time>,
    /// The step that the wait counts from.
    pub since: Option<String>,
    /// How long it takes, with the short waits in it.
    pub lasts: Time,
    /// How long after its beginning each step is done that later sittings count from.
    marks: Vec<(String, Time)>,
}

/// A sitting with its time of day.
#[derive(Clone, Debug, PartialEq)]
pub struct Slot {
    /// Which.
    pub sitting: Sitting,
    /// It is begun then.
    pub from: DateTime<Utc>,
    /// It is over then.
    pub to: DateTime<Utc>,
    /// It must have been begun by then.
    pub latest: Option<DateTime<Utc>>,
    /// Whether it cannot be done in the hours the maker is up.
    pub in_the_night: bool,
}

/// The hours in which the maker is up, by the clock on the wall.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Day {
    /// From.
    pub from: NaiveTime,
    /// Until.
    pub to: NaiveTime,
    /// The zone that clock is in.
    pub zone: Tz,
}

/// A time zone by its IANA name, UTC where there is none; faults are noted.
pub fn zone(field: &str, name: &str, check: &mut Checker) -> Tz {
    name.parse().unwrap_or_else(|_| {
        check.fault(field, say::must_be_a_zone(name));
        Tz::UTC
    })
}

fn wait(step: &Step) -> Option<Time> {
    let opens = step.opens()?;
    (opens.typical_s >= APART_S).then(|| seconds(opens.typical_s))
}

/// The sittings of each component, in order, each with the tempering it begins with. What
/// several share is tempered in the first one's.
#[must_use]
pub fn sittings(lines: &[Line]) -> Vec<Sitting> {
    let mut all = Vec::new();
    let mut tempered: HashSet<&str> = HashSet::new();
    for line in lines.iter().filter(|line| line.component().is_some()) {
        let mut open: Option<Sitting> = None;
        for step in &line.steps {
            let long = wait(step);
            if open.is_none() || long.is_some() {
                all.extend(open.take());
                open = Some(Sitting::beginning(line, step, long));
            }
            let Some(sitting) = &mut open else { continue };
            if let Some(key) = step.tempered.as_deref().filter(|key| tempered.insert(key)) {
                let of = lines.iter().filter(|l| l.steps.iter().any(|step| step.key == key));
                for step in of.flat_map(|line| &line.steps) {
                    sitting.does(step, Time::default());
                }
            }
            // Short waits count from an earlier step of this sitting.
            let opens = step.wait.as_ref().filter(|_| long.is_none()).and_then(|wait| {
                let (_, at) = sitting.marks.iter().find(|(key, _)| *key == wait.step)?;
                Some(*at + seconds(wait.opens.as_ref()?.typical_s))
            });
            sitting.does(step, opens.unwrap_or_default());
        }
        all.extend(open);
    }
    all
}

impl Sitting {
    /// One that begins with a step, after a long wait where there is one.
    fn beginning(line: &Line, step: &Step, long: Option<Time>) -> Self {
        let after_wait = || step.wait.as_ref().filter(|_| long.is_some());
        Self {
            component: line.component().unwrap_or_default().to_owned(),
            line: line.key.clone(),
            name: line.name.clone(),
            step: step.key.clone(),
            texts: Vec::new(),
            waits_for: after_wait().and_then(|wait| Some(wait.opens.as_ref()?.what.clone())),
            least: long.unwrap_or_default(),
            most: after_wait().and_then(|wait| Some(seconds(wait.closes.as_ref()?.typical_s))),
            since: after_wait().map(|wait| wait.step.clone()),
            lasts: Time::default(),
            marks: Vec::new(),
        }
    }

    /// Goes on with a step that opens so long after it was begun.
    fn does(&mut self, step: &Step, opens: Time) {
        self.texts.push(step.text.clone());
        self.lasts = self.lasts.max(opens) + seconds(step.takes.typical_s);
        self.marks.push((step.key.clone(), self.lasts));
    }
}

/// Gives every sitting a time: as soon as it may be and the one pair of hands is free,
/// in the hours the maker is up where that does not miss its window. What would miss its
/// window behind another goes before it.
#[must_use]
pub fn slots(sittings: &[Sitting], start: DateTime<Utc>, day: Day) -> Vec<Slot> {
    let placed = placed(sittings, start, Some(day));
    let slot = |(sitting, when): (&Sitting, When)| Slot {
        sitting: sitting.clone(),
        from: when.from,
        to: when.to,
        latest: when.latest,
        in_the_night: when.in_the_night,
    };
    placed.into_iter().map(slot).collect()
}

/// How long all of it takes, whatever the time of day.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Span {
    /// From the first touch to the last, with the waits between.
    pub over: Time,
    /// Of it, with the hands.
    pub hands: Time,
    /// In so many sittings.
    pub sittings: usize,
}

/// How long what these lines tell takes: one pair of hands, at any hour.
#[must_use]
pub fn span(lines: &[Line]) -> Span {
    let all = sittings(lines);
    let start = DateTime::UNIX_EPOCH;
    let last = placed(&all, start, None).into_iter().map(|(_, when)| when.to).max();
    let steps = lines.iter().flat_map(|line| &line.steps);
    Span {
        over: last.map_or_else(Time::default, |last| seconds((last - start).as_seconds_f64())),
        hands: steps.map(|step| seconds(step.takes.typical_s)).sum(),
        sittings: all.len(),
    }
}

/// The time of a sitting.
#[derive(Clone, Copy)]
struct When {
    from: DateTime<Utc>,
    to: DateTime<Utc>,
    latest: Option<DateTime<Utc>>,
    in_the_night: bool,
}

/// Every sitting with its time; at any hour without a day.
fn placed(sittings: &[Sitting], start: DateTime<Utc>, day: Option<Day>) -> Vec<(&Sitting, When)> {
    let mut placed = Vec::with_capacity(sittings.len());
    let mut left: Vec<&[Sitting]> = sittings.chunk_by(|a, b| a.component == b.component).collect();
    let mut free = start;
    while let Some((which, when)) = next_of(&left, &placed, start.max(free), day) {
        let Some((sitting, rest)) = left[which].split_first() else { break };
        left[which] = rest;
        free = free.max(when.to);
        placed.push((sitting, when));
    }
    placed
}

/// The sitting to do next: which chain it is the first of, and when.
fn next_of(
    left: &[&[Sitting]],
    placed: &[(&Sitting, When)],
    free: DateTime<Utc>,
    day: Option<Day>,
) -> Option<(usize, When)> {
    let ready = left.iter().enumerate().filter_map(|(which, chain)| {
        Some((which, chain.len(), when(chain.first()?, placed, free, day)))
    });
    let mut ready: Vec<_> = ready.collect();
    // The longest chain first where several could begin.
    ready.sort_by_key(|(_, length, when)| (when.from, std::cmp::Reverse(*length)));
    let over = ready.first()?.2.to;
    let urgent = ready
        .iter()
        .position(|(_, _, when)| when.latest.is_some_and(|latest| latest < over))
        .unwrap_or(0);
    let (which, _, when) = ready.swap_remove(urgent);
    Some((which, when))
}

/// A sitting's time, where the hands are free from then on.
fn when(
    sitting: &Sitting,
    placed: &[(&Sitting, When)],
    free: DateTime<Utc>,
    day: Option<Day>,
) -> When {
    let before = placed.iter().rev().filter(|(of, _)| of.component == sitting.component);
    let counted = sitting.since.as_ref().and_then(|since| {
        before.clone().find_map(|(of, when)| {
            let (_, at) = of.marks.iter().find(|(key, _)| key == since)?;
            Some(when.from + time_delta(*at))
        })
    });
    let soonest = counted.map_or(free, |counted| free.max(counted + time_delta(sitting.least)));
    let latest = counted.zip(sitting.most).map(|(counted, most)| counted + time_delta(most));
    let lasts = time_delta(sitting.lasts);
    let up = day.map_or(soonest, |day| day.up_from(soonest, lasts));
    let (from, in_the_night) = match latest {
        Some(latest) if up > latest => (soonest, true),
        _ => (up, false),
    };
    When { from, to: from + lasts, latest, in_the_night }
}

impl Day {
    /// The first moment from then on at which the maker is up and has time for all
    /// of it; a sitting longer than the day begins with the day.
    fn up_from(self, soonest: DateTime<Utc>, lasts: Duration) -> DateTime<Utc> {
        let local = soonest.with_timezone(&self.zone);
        // An hour that a change of clocks passes over begins an hour later; of one that comes
        // twice the first counts.
        let at = |date: chrono::NaiveDate, time: NaiveTime| {
            let stated = date.and_time(time);
            let found = self.zone.from_local_datetime(&stated).earliest();
            let later = stated.checked_add_signed(Duration::hours(1));
            found
                .or_else(|| self.zone.from_local_datetime(&later?).earliest())
                .map_or(soonest, |t| t.to_utc())
        };
        let morning = at(local.date_naive(), self.from);
        let evening = at(local.date_naive(), self.to);
        let next = || {
            let tomorrow = local.date_naive().succ_opt().unwrap_or(local.date_naive());
            at(tomorrow, self.from)
        };
        if soonest < morning {
            morning
        } else if soonest + lasts <= evening || morning + lasts > evening && soonest == morning {
            soonest
        } else {
            next()
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::kinds::kinds;
    use crate::plan::{BowlInputs, Plan, PlanInputs};
    use crate::steps::lines;
    use crate::units::{in_seconds, minutes};
    use crate::work::ComponentInputs;

    fn planned(name: &str) -> Vec<Line> {
        let kind = kinds().into_iter().find(|kind| kind.name == name).expect("such a kind");
        let mut bowls: Vec<_> = kind.families.iter().copied().map(BowlInputs::usual).collect();
        bowls.extend(kind.colours);
        let component = ComponentInputs { key: "it".into(), name: name.into(), work: kind.start };
        let usual = PlanInputs::usual(Family::Dark);
        let inputs =
            PlanInputs { fridge_c: Some(5.0), bowls, components: vec![component], ..usual };
        lines(&Plan::of(&inputs).expect("a plan"))
    }

    fn day() -> Day {
        let hour = |h| NaiveTime::from_hms_opt(h, 0, 0).expect("an hour");
        Day { from: hour(8), to: hour(22), zone: chrono_tz::Africa::Lagos }
    }

    fn utc(day: u32, hour: u32) -> DateTime<Utc> {
        Utc.with_ymd_and_hms(2026, 10, day, hour, 0, 0).single().expect("a time")
    }

    #[test]
    fn filled_shells_are_colour_shell_fill_and_cap_with_nights_between() {
        let all = sittings(&planned("Filled shells"));
        let firsts: Vec<_> = all.iter().map(|s| s.step.as_str()).collect();
        assert_eq!(firsts, ["it/polish", "it/pour", "it/fill", "it/cap"]);
        let tempers =
            |i: usize| all[i].texts.iter().filter(|t| t.text().starts_with("Temper the")).count();
        assert_eq!(
            (0..4).map(tempers).collect::<Vec<_>>(),
            [2, 1, 0, 1],
            "two colours, the shells, the caps"
        );
        let hours: Vec<_> = all.iter().map(|s| in_seconds(s.least) / 3_600.0).collect();
        assert_eq!(hours, [0.0, 6.0, 8.0, 4.0]);
        // Saturday at ten by that clock: colour, shell in the evening, fill on Sunday
        // morning, cap in the afternoon.
        let slots = slots(&all, utc(10, 9), day());
        let days: Vec<_> =
            slots.iter().map(|s| (s.from + Duration::hours(1)).to_rfc3339()).collect();
        assert!(days[1].starts_with("2026-10-10T1"), "{days:?}");
        assert!(days[2].starts_with("2026-10-11T08:00"), "{days:?}");
        assert!(days[3].starts_with("2026-10-11T12"), "{days:?}");
        assert!(slots.iter().all(|s| !s.in_the_night));
        assert!(slots.iter().all(|s| s.latest.is_none_or(|latest| s.from <= latest)));
    }

    #[test]
    fn nobody_gets_up_at_night_unless_the_window_would_be_missed() {
        let all = sittings(&planned("Filled shells"));
        // Begun at four in the afternoon, the pour falls at ten and waits for the morning.
        let late = slots(&all, utc(10, 15), day());
        assert_eq!(late[1].from, utc(11, 7));
        let mut hurried = all.clone();
        hurried[1].most = Some(minutes(7.0 * 60.0));
        let hurried = slots(&hurried, utc(10, 16), day());
        assert!(hurried[1].in_the_night);
        assert!(hurried[1].latest.is_some_and(|latest| hurried[1].from <= latest));
    }

    #[test]
    fn one_pair_of_hands_does_one_sitting_after_the_other_the_longest_chain_first() {
        let filled = sittings(&planned("Filled shells"));
        let mut slab = sittings(&planned("Slab of bark"));
        slab[0].component = "slab".into();
        let all: Vec<_> = slab.into_iter().chain(filled).collect();
        let slots = slots(&all, utc(10, 8), day());
        assert_eq!(slots.len(), all.len());
        assert_eq!(slots[0].sitting.step, "it/polish", "with three more to come");
        assert_eq!(slots[1].sitting.component, "slab", "in the hours the colour rests");
        assert!(slots.windows(2).all(|pair| pair[0].to <= pair[1].from), "{slots:#?}");
    }

    #[test]
    fn what_would_be_missed_goes_before_what_can_wait() {
        let all = sittings(&planned("Filled shells"));
        let mut other = all.clone();
        for sitting in &mut other {
            sitting.component = "other".into();
        }
        // It may be poured first, and takes long; the other's colour does not hold so long.
        other[1].most = Some(other[1].least + minutes(5.0));
        let mut long = all;
        long[1].lasts = minutes(90.0);
        let both: Vec<_> = long.into_iter().chain(other).collect();
        let slots = slots(&both, utc(10, 7), day());
        let pours: Vec<_> = slots.iter().filter(|slot| slot.sitting.step == "it/pour").collect();
        assert!(pours.iter().all(|slot| slot.latest.is_none_or(|latest| slot.from <= latest)));
    }

    #[test]
    fn a_morning_is_a_morning_on_either_side_of_a_change_of_clocks() {
        // In Oslo clocks go back in the night to the 25th of October 2026.
        let oslo = Day { zone: chrono_tz::Europe::Oslo, ..day() };
        let all = sittings(&planned("Filled shells"));
        let slots = slots(&all, utc(24, 14), oslo);
        let local: Vec<_> = slots
            .iter()
            .map(|slot| {
                slot.from.with_timezone(&chrono_tz::Europe::Oslo).format("%d %H:%M").to_string()
            })
            .collect();
        assert_eq!(local[1], "25 08:00", "{local:?}");
    }

    #[test]
    fn what_it_takes_is_the_same_as_the_schedule_of_one_who_never_sleeps() {
        for kind in kinds() {
            let lines = planned(kind.name);
            let span = span(&lines);
            let all = sittings(&lines);
            assert_eq!(span.sittings, all.len(), "{}", kind.name);
            assert!(
                span.hands > minutes(3.0) && span.hands <= span.over,
                "{}: {span:?}",
                kind.name
            );
            let waits: Time = all.iter().map(|sitting| sitting.least).sum();
            let lasts: Time = all.iter().map(|sitting| sitting.lasts).sum();
            // A wait may count from a step before the last one.
            assert!(span.over <= waits + lasts + seconds(0.1), "{}: {span:?}", kind.name);
            assert!(span.over >= lasts - seconds(0.1), "{}: {span:?}", kind.name);
        }
        let filled = span(&planned("Filled shells"));
        assert!((3..=5).contains(&filled.sittings));
        assert!(filled.over > minutes(18.0 * 60.0) && filled.over < minutes(30.0 * 60.0));
        assert_eq!(span(&[]), Span { over: Time::default(), hands: Time::default(), sittings: 0 });
    }

    #[test]
    fn flat_work_is_one_sitting() {
        let all = sittings(&planned("Slab of bark"));
        assert_eq!(all.len(), 1);
        assert!(all[0].lasts > minutes(5.0) && all[0].lasts < minutes(120.0), "{:?}", all[0].lasts);
    }
}
