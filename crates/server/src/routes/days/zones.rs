//! A time zone as a calendar file describes it: when its clocks are changed, and by how much.

use chrono::{DateTime, NaiveDateTime, Offset, TimeDelta, Utc};
use chrono_tz::Tz;
use icalendar::{Calendar, CalendarComponent};

/// A zone's rules change so seldom that a year before what is described is enough.
const BEFORE: TimeDelta = TimeDelta::days(366);

fn ahead_s(zone: Tz, at: DateTime<Utc>) -> i32 {
    at.with_timezone(&zone).offset().fix().local_minus_utc()
}

/// An offset as calendars write it: `+0130`.
fn written(ahead_s: i32) -> String {
    let sign = if ahead_s < 0 { '-' } else { '+' };
    let minutes = ahead_s.abs() / 60;
    format!("{sign}{:02}{:02}", minutes / 60, minutes % 60)
}

/// A zone with every change of its clocks from a year before until the end. The library reads
/// such parts and does not make them; nothing but the zone's own name and figures is in it.
pub(super) fn described(
    zone: Tz,
    from: DateTime<Utc>,
    to: DateTime<Utc>,
) -> Vec<CalendarComponent> {
    let begin = from - BEFORE;
    let mut before = ahead_s(zone, begin);
    let mut parts = part(begin.naive_utc(), [before, before], false);
    let mut at = begin;
    while at < to {
        let next = at + TimeDelta::days(1);
        let after = ahead_s(zone, next);
        if after != before {
            let change = changed_at(zone, at, next, before);
            // It is told by the clock that is changed.
            let local = change.naive_utc() + TimeDelta::seconds(i64::from(before));
            parts.push_str(&part(local, [before, after], after > before));
            before = after;
        }
        at = next;
    }
    let name = zone.name();
    let text = format!(
        "BEGIN:VCALENDAR\r\nBEGIN:VTIMEZONE\r\nTZID:{name}\r\n{parts}END:VTIMEZONE\r\nEND:VCALENDAR\r\n"
    );
    text.parse::<Calendar>().map(|calendar| calendar.components).unwrap_or_default()
}

/// The second in which clocks are changed, between two days of which the first has `before`.
fn changed_at(zone: Tz, from: DateTime<Utc>, to: DateTime<Utc>, before: i32) -> DateTime<Utc> {
    let (mut low, mut high) = (from.timestamp(), to.timestamp());
    while high - low > 1 {
        let middle = low + (high - low) / 2;
        let at = DateTime::from_timestamp(middle, 0).unwrap_or(to);
        if ahead_s(zone, at) == before { low = middle } else { high = middle }
    }
    DateTime::from_timestamp(high, 0).unwrap_or(to)
}

fn part(starts: NaiveDateTime, [from, to]: [i32; 2], summer: bool) -> String {
    let kind = if summer { "DAYLIGHT" } else { "STANDARD" };
    format!(
        "BEGIN:{kind}\r\nDTSTART:{}\r\nTZOFFSETFROM:{}\r\nTZOFFSETTO:{}\r\nEND:{kind}\r\n",
        starts.format("%Y%m%dT%H%M%S"),
        written(from),
        written(to)
    )
}
