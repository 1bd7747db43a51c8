//! The order over hours: when the hands are needed, and how long the waits between.
//!
//! Wherever a task waits longer than [`APART`], the maker goes away and comes back:
//! what lies between two such waits is a sitting. A wait is at least so long, and at
//! most until its window closes.

use chrono::{DateTime, Duration, FixedOffset, NaiveTime, TimeZone, Utc};

use super::batch::BatchPlan;
use crate::bowl::time_delta;
use crate::units::{Time, minutes};
use crate::work::Task;

/// A wait from here on is not stood through at the table, min (*custom*).
const APART_MIN: f64 = 45.0;

/// Tasks that are done in one go.
#[derive(Clone, Debug, PartialEq)]
pub struct Sitting {
    /// The component's key.
    pub component: String,
    /// The component's name.
    pub name: String,
    /// The key of its first task.
    pub task: String,
    /// What is done, in the words of its tasks.
    pub texts: Vec<String>,
    /// What is waited for before it; empty for the first.
    pub waits_for: &'static str,
    /// The wait before it, at the least, counted from the task `since`.
    pub least: Time,
    /// At the most.
    pub most: Option<Time>,
    /// The task that the wait counts from.
    pub since: Option<String>,
    /// How long it takes, with the short waits in it.
    pub lasts: Time,
    /// How long after its beginning the task is done that later sittings count from.
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
    /// What that clock is ahead of UTC.
    pub ahead: FixedOffset,
}

fn wait(task: &Task) -> Option<Time> {
    let least = task.from.as_ref()?.moment.typical;
    (least >= minutes(APART_MIN)).then_some(least)
}

/// The sittings of each component, in order.
#[must_use]
pub fn sittings(plan: &BatchPlan) -> Vec<Sitting> {
    let mut all = Vec::new();
    for component in &plan.components {
        let mut open: Option<Sitting> = None;
        for task in &component.tasks {
            let long = wait(task);
            if open.is_none() || long.is_some() {
                all.extend(open.take());
                open = Some(Sitting {
                    component: component.key.clone(),
                    name: component.name.clone(),
                    task: task.key.clone(),
                    texts: Vec::new(),
                    waits_for: task.from.filter(|_| long.is_some()).map_or("", |due| due.what),
                    least: long.unwrap_or_default(),
                    most: task.until.filter(|_| long.is_some()).map(|due| due.moment.typical),
                    since: task.since.clone().filter(|_| long.is_some()),
                    lasts: Time::default(),
                    marks: Vec::new(),
                });
            }
            if let Some(sitting) = &mut open {
                sitting.texts.push(task.text.clone());
                // Short waits count from an earlier task of this sitting.
                let opens = task.from.filter(|_| long.is_none()).and_then(|due| {
                    let since = task.since.as_ref()?;
                    let (_, at) = sitting.marks.iter().find(|(key, _)| key == since)?;
                    Some(*at + due.moment.typical)
                });
                sitting.lasts = sitting.lasts.max(opens.unwrap_or_default()) + task.takes;
                sitting.marks.push((task.key.clone(), sitting.lasts));
            }
        }
        all.extend(open);
    }
    all
}

/// Gives every sitting a time: as soon as it may be and the one pair of hands is free,
/// in the hours the maker is up where that does not miss its window. What would miss its
/// window behind another goes before it.
#[must_use]
pub fn slots(sittings: &[Sitting], start: DateTime<Utc>, day: Day) -> Vec<Slot> {
    let mut slots: Vec<Slot> = Vec::with_capacity(sittings.len());
    let mut left: Vec<&[Sitting]> = sittings.chunk_by(|a, b| a.component == b.component).collect();
    let mut free = start;
    while let Some(next) = next_of(&left, &slots, start.max(free), day) {
        let (which, slot) = next;
        left[which] = &left[which][1..];
        free = free.max(slot.to);
        slots.push(slot);
    }
    slots
}

/// The sitting to do next, and which chain it is of.
fn next_of(
    left: &[&[Sitting]],
    placed: &[Slot],
    free: DateTime<Utc>,
    day: Day,
) -> Option<(usize, Slot)> {
    let ready = left.iter().enumerate().filter_map(|(which, chain)| {
        Some((which, chain.len(), slot_of(chain.first()?, placed, free, day)))
    });
    let mut ready: Vec<_> = ready.collect();
    // The longest chain first where several could begin.
    ready.sort_by_key(|(_, length, slot)| (slot.from, std::cmp::Reverse(*length)));
    let over = ready.first()?.2.to;
    let urgent = ready
        .iter()
        .position(|(_, _, slot)| slot.latest.is_some_and(|latest| latest < over))
        .unwrap_or(0);
    let (which, _, slot) = ready.swap_remove(urgent);
    Some((which, slot))
}

/// A sitting's time, where the hands are free from then on.
fn slot_of(sitting: &Sitting, placed: &[Slot], free: DateTime<Utc>, day: Day) -> Slot {
    let before = placed.iter().rev().filter(|slot| slot.sitting.component == sitting.component);
    let counted = sitting.since.as_ref().and_then(|since| {
        before.clone().find_map(|slot| {
            let (_, at) = slot.sitting.marks.iter().find(|(key, _)| key == since)?;
            Some(slot.from + time_delta(*at))
        })
    });
    let soonest = counted.map_or(free, |counted| free.max(counted + time_delta(sitting.least)));
    let latest = counted.zip(sitting.most).map(|(counted, most)| counted + time_delta(most));
    let lasts = time_delta(sitting.lasts);
    let up = day.up_from(soonest, lasts);
    let (from, in_the_night) = match latest {
        Some(latest) if up > latest => (soonest, true),
        _ => (up, false),
    };
    Slot { sitting: sitting.clone(), from, to: from + lasts, latest, in_the_night }
}

impl Day {
    /// The first moment from then on at which the maker is up and has time for all
    /// of it; a sitting longer than the day begins with the day.
    fn up_from(self, soonest: DateTime<Utc>, lasts: Duration) -> DateTime<Utc> {
        let local = soonest.with_timezone(&self.ahead);
        let at = |date: chrono::NaiveDate, time| {
            self.ahead
                .from_local_datetime(&date.and_time(time))
                .single()
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
    use crate::plan::{BatchInputs, BowlInputs, batch};
    use crate::units::in_seconds;
    use crate::work::{ComponentInputs, kinds};

    fn planned(name: &str) -> BatchPlan {
        let kind = kinds().into_iter().find(|kind| kind.name == name).expect("such a kind");
        let mut bowls: Vec<_> = kind.families.iter().copied().map(BowlInputs::usual).collect();
        bowls.extend(kind.colours);
        let component = ComponentInputs { key: "it".into(), name: name.into(), work: kind.start };
        let usual = BatchInputs::usual(Family::Dark);
        batch(&BatchInputs { fridge_c: Some(5.0), bowls, components: vec![component], ..usual })
            .expect("a plan")
    }

    fn day() -> Day {
        let hour = |h| NaiveTime::from_hms_opt(h, 0, 0).expect("an hour");
        Day { from: hour(8), to: hour(22), ahead: FixedOffset::east_opt(3_600).expect("small") }
    }

    fn utc(day: u32, hour: u32) -> DateTime<Utc> {
        Utc.with_ymd_and_hms(2026, 10, day, hour, 0, 0).single().expect("a time")
    }

    #[test]
    fn filled_shells_are_colour_shell_fill_and_cap_with_nights_between() {
        let all = sittings(&planned("Filled shells"));
        let firsts: Vec<_> = all.iter().map(|s| s.task.as_str()).collect();
        assert_eq!(firsts, ["polish", "pour", "fill", "temper-again"]);
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
        assert_eq!(slots[0].sitting.task, "polish", "with three more to come");
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
        let pours: Vec<_> = slots.iter().filter(|slot| slot.sitting.task == "pour").collect();
        assert!(pours.iter().all(|slot| slot.latest.is_none_or(|latest| slot.from <= latest)));
    }

    #[test]
    fn flat_work_is_one_sitting() {
        let all = sittings(&planned("Slab of bark"));
        assert_eq!(all.len(), 1);
        assert!(all[0].lasts > minutes(5.0) && all[0].lasts < minutes(120.0), "{:?}", all[0].lasts);
    }
}
