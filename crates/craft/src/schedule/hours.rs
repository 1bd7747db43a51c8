//! The hours in which the maker is free, by the clock on the wall.

use chrono::{DateTime, Datelike, Duration, NaiveDate, NaiveTime, TimeZone, Utc};
use chrono_tz::Tz;
use serde::{Deserialize, Serialize};

use super::free::Free;
use crate::catalogue::schedule as say;
use crate::check::{self, Checker};

/// So many entries of hours, and of exceptions, at the most.
const MOST: usize = 100;

/// From an hour to an hour, by the clock on the wall: `08:00` to `22:00`. One that ends at its
/// beginning or before it ends on the next day.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(as = HoursSpan))]
pub struct Span {
    /// From, `08:00`.
    pub from: String,
    /// Until, `22:00`; `24:00` is midnight.
    pub to: String,
}

/// Hours that come again each week.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(as = WeeklyHours))]
pub struct Weekly {
    /// On which days they begin: 1 is Monday, 7 Sunday.
    pub weekdays: Vec<u8>,
    /// From, `08:00`.
    pub from: String,
    /// Until, `22:00`; `24:00` is midnight, and what is not later than `from` is on the next day.
    pub to: String,
}

/// A day that is not as its weekday is.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(as = HoursException))]
pub struct Exception {
    /// Which.
    pub date: NaiveDate,
    /// The hours that begin on it; none where the maker is not free at all.
    pub hours: Vec<Span>,
}

/// The hours in which the maker is free.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Hours {
    weekly: Vec<(Vec<u8>, Clock)>,
    except: Vec<(NaiveDate, Vec<Clock>)>,
    zone: Tz,
}

/// From a time of day to another, the second perhaps on the next day.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
struct Clock {
    from: NaiveTime,
    to: NaiveTime,
    next_day: bool,
}

/// A time of day, and whether it is the midnight that ends one.
fn hour(text: &str) -> Option<(NaiveTime, bool)> {
    if text == "24:00" {
        return Some((NaiveTime::MIN, true));
    }
    // Two digits each: what is typed is shown as it was typed.
    let whole = text.len() == 5 && text.is_ascii();
    NaiveTime::parse_from_str(text, "%H:%M").ok().filter(|_| whole).map(|time| (time, false))
}

impl Clock {
    fn of(field: &str, from: &str, to: &str, check: &mut Checker) -> Option<Self> {
        let mut read = |name: &str, text: &str, usual: &str| {
            let read = hour(text);
            if read.is_none() {
                check.fault(format!("{field}.{name}"), say::an_hour_such_as(usual, text));
            }
            read
        };
        let (from, to) = (read("from", from, "08:00"), read("to", to, "22:00"));
        let ((from, midnight), (to, ends_day)) = (from?, to?);
        if midnight {
            check.fault(format!("{field}.from"), say::an_hour_such_as("08:00", "24:00"));
            return None;
        }
        Some(Self { from, to, next_day: ends_day || to <= from })
    }
}

impl Hours {
    /// Those that are stated, under `field`; faults are noted.
    pub fn of(
        field: &str,
        weekly: &[Weekly],
        except: &[Exception],
        zone: Tz,
        check: &mut Checker,
    ) -> Self {
        let mut hours = Self { weekly: Vec::new(), except: Vec::new(), zone };
        if weekly.len() > MOST || except.len() > MOST {
            check.fault(field, say::too_many_hours(MOST));
            return hours;
        }
        let before = check.faults();
        for (i, one) in weekly.iter().enumerate() {
            let of = format!("{field}[{i}]");
            if one.weekdays.is_empty() {
                check.fault(format!("{of}.weekdays"), say::weekdays());
            }
            for (n, day) in one.weekdays.iter().enumerate() {
                check.number(format_args!("{of}.weekdays[{n}]"), f64::from(*day), check::WEEKDAY);
            }
            let clock = Clock::of(&of, &one.from, &one.to, check);
            hours.weekly.extend(clock.map(|clock| (one.weekdays.clone(), clock)));
        }
        for (i, one) in except.iter().enumerate() {
            let of = |n: usize| format!("except[{i}].hours[{n}]");
            let spans = one.hours.iter().enumerate();
            let clocks =
                spans.filter_map(|(n, span)| Clock::of(&of(n), &span.from, &span.to, check));
            let clocks = clocks.collect();
            hours.except.push((one.date, clocks));
        }
        let none = hours.except.iter().all(|(_, clocks)| clocks.is_empty());
        if check.faults() == before && hours.weekly.is_empty() && none {
            check.fault(field, say::no_free_hours());
        }
        hours
    }

    /// Every day the same.
    #[must_use]
    pub fn daily(from: NaiveTime, to: NaiveTime, zone: Tz) -> Self {
        let clock = Clock { from, to, next_day: to <= from };
        Self { weekly: vec![((1..=7).collect(), clock)], except: Vec::new(), zone }
    }

    /// The zone their clock is in.
    #[must_use]
    pub fn zone(&self) -> Tz {
        self.zone
    }

    /// How many of them a usual week has, s.
    #[must_use]
    pub fn in_a_week(&self) -> i64 {
        let monday = NaiveDate::from_isoywd_opt(2026, 2, chrono::Weekday::Mon).unwrap_or_default();
        let usual = Self { except: Vec::new(), ..self.clone() };
        let at =
            |days| Utc.from_utc_datetime(&(monday + Duration::days(days)).and_time(NaiveTime::MIN));
        let free = usual.free(at(0), at(7));
        free.total()
    }

    /// When the maker is free between two moments, s since the Unix epoch.
    #[must_use]
    pub fn free(&self, from: DateTime<Utc>, to: DateTime<Utc>) -> Free {
        let (begins, ends) = (from.timestamp(), to.timestamp());
        let day_of = |at: DateTime<Utc>| at.with_timezone(&self.zone).date_naive();
        // Hours of the evening before may reach past midnight.
        let mut date = day_of(from).pred_opt().unwrap_or(day_of(from));
        let last = day_of(to);
        let mut spans = Vec::new();
        while date <= last {
            let next = date.succ_opt().unwrap_or(date);
            let exception = self.except.iter().rfind(|(of, _)| *of == date);
            let usual = || {
                let weekday = date.weekday().number_from_monday() as u8;
                self.weekly.iter().filter(move |(days, _)| days.contains(&weekday)).map(|(_, c)| *c)
            };
            let clocks: Vec<Clock> =
                exception.map_or_else(|| usual().collect(), |(_, c)| c.clone());
            for clock in clocks {
                let until = if clock.next_day { next } else { date };
                let span = (self.at(date, clock.from), self.at(until, clock.to));
                spans.push((span.0.max(begins), span.1.min(ends)));
            }
            if next == date {
                break;
            }
            date = next;
        }
        Free::new(spans)
    }

    /// A time of day as a moment. One that a change of clocks passes over is an hour later; of one
    /// that comes twice the first counts.
    fn at(&self, date: NaiveDate, time: NaiveTime) -> i64 {
        let stated = date.and_time(time);
        let found = |at| self.zone.from_local_datetime(&at).earliest().map(|at| at.timestamp());
        found(stated)
            .or_else(|| found(stated.checked_add_signed(Duration::hours(1))?))
            .unwrap_or_else(|| stated.and_utc().timestamp())
    }
}
