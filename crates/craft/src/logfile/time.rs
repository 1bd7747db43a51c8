//! Times as devices write them.

use chrono::{DateTime, NaiveDate, NaiveDateTime, NaiveTime, TimeDelta, Utc};
use serde::{Deserialize, Serialize};

use super::Asked;
use crate::catalogue::logfile as say;
use crate::check::Fault;

/// Whether the day or the month comes first.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum DateOrder {
    /// 3/4/2026 is in April.
    DayFirst,
    /// 3/4/2026 is in March.
    MonthFirst,
}

/// Counts of seconds since 1970 are larger than this, and of milliseconds than that.
const EPOCH_S: f64 = 1e9;
const EPOCH_MS: f64 = 1e12;

const UNAMBIGUOUS: [&str; 4] = [
    "%Y-%m-%d %H:%M:%S%.f",
    "%Y-%m-%dT%H:%M:%S%.f",
    "%Y/%m/%d %H:%M:%S%.f",
    "%d.%m.%Y %H:%M:%S%.f",
];
const DAY_FIRST: [&str; 2] = ["%d/%m/%Y %H:%M:%S%.f", "%d-%m-%Y %H:%M:%S%.f"];
const MONTH_FIRST: [&str; 2] = ["%m/%d/%Y %H:%M:%S%.f", "%m-%d-%Y %H:%M:%S%.f"];

/// A time of day, or a stretch of time.
#[derive(Clone, Copy)]
enum Said {
    Moment(DateTime<Utc>),
    Local(NaiveDateTime),
    Since(f64),
    OfDay(NaiveTime),
}

/// The times of a log.
pub(super) struct Stamps;

impl Stamps {
    /// The moment that each time means.
    pub fn of<'a>(
        heading: &str,
        times: impl Iterator<Item = &'a str> + Clone,
        asked: &Asked,
    ) -> Result<Vec<DateTime<Utc>>, Fault> {
        let order = order(times.clone(), asked.date_order)?;
        let mut moments = Vec::new();
        for (i, text) in times.enumerate() {
            let Some(said) = said(heading, text.trim(), order) else {
                return Err(Fault {
                    field: "time_column".to_owned(),
                    message: say::must_be_times(i + 1, text),
                });
            };
            moments.push(moment(said, asked, moments.last().copied()));
        }
        Ok(moments)
    }
}

/// Which comes first in dates with two small numbers; asked for where every one
/// of them can be read both ways.
fn order<'a>(
    times: impl Iterator<Item = &'a str> + Clone,
    asked: Option<DateOrder>,
) -> Result<DateOrder, Fault> {
    if let Some(order) = asked {
        return Ok(order);
    }
    let reads = |formats: [&str; 2]| {
        times
            .clone()
            .all(|t| formats.iter().any(|f| NaiveDateTime::parse_from_str(t.trim(), f).is_ok()))
    };
    match (reads(DAY_FIRST), reads(MONTH_FIRST)) {
        (true, true) => {
            Err(Fault { field: "date_order".to_owned(), message: say::say_date_order() })
        }
        (false, true) => Ok(DateOrder::MonthFirst),
        _ => Ok(DateOrder::DayFirst),
    }
}

fn said(heading: &str, text: &str, order: DateOrder) -> Option<Said> {
    if let Ok(moment) = DateTime::parse_from_rfc3339(text) {
        return Some(Said::Moment(moment.to_utc()));
    }
    let formats = if order == DateOrder::DayFirst { DAY_FIRST } else { MONTH_FIRST };
    let local = UNAMBIGUOUS
        .iter()
        .chain(&formats)
        .find_map(|format| NaiveDateTime::parse_from_str(text, format).ok());
    if let Some(local) = local {
        return Some(Said::Local(local));
    }
    let heading = heading.to_lowercase();
    if let Ok(number) = text.replace(',', ".").parse::<f64>() {
        return stretch(&heading, number);
    }
    clock(&heading, text)
}

fn stretch(heading: &str, number: f64) -> Option<Said> {
    if !number.is_finite() || number < 0.0 {
        return None;
    }
    if number > EPOCH_S {
        #[allow(clippy::cast_possible_truncation)] // checked to be a date below
        let ms = if number > EPOCH_MS { number } else { number * 1000.0 } as i64;
        return DateTime::from_timestamp_millis(ms).map(Said::Moment);
    }
    let seconds = if heading.contains("ms") || heading.contains("milli") {
        number / 1000.0
    } else if heading.contains("min") {
        number * 60.0
    } else {
        number
    };
    Some(Said::Since(seconds))
}

/// Headings of what has passed, not of what a clock showed.
pub(super) const STRETCHES: [&str; 4] = ["elapsed", "duration", "since", "run time"];

/// "19:30:05", a time of day; or a stretch, where the heading says so.
fn clock(heading: &str, text: &str) -> Option<Said> {
    let passed = STRETCHES.iter().any(|word| heading.contains(word));
    let parts: Vec<f64> = text.split(':').map(str::parse).collect::<Result<_, _>>().ok()?;
    match (&parts[..], passed) {
        ([m, s], true) => Some(Said::Since(m * 60.0 + s)),
        ([h, m, s], true) => Some(Said::Since(h * 3600.0 + m * 60.0 + s)),
        ([_, _, _], false) => NaiveTime::parse_from_str(text, "%H:%M:%S%.f").ok().map(Said::OfDay),
        ([_, _], false) => NaiveTime::parse_from_str(text, "%H:%M").ok().map(Said::OfDay),
        _ => None,
    }
}

fn moment(said: Said, asked: &Asked, before: Option<DateTime<Utc>>) -> DateTime<Utc> {
    let zone = TimeDelta::minutes(i64::from(asked.utc_offset_min));
    match said {
        Said::Moment(moment) => moment,
        Said::Local(local) => local.and_utc() - zone,
        #[allow(clippy::cast_possible_truncation)] // below a thousand million seconds
        Said::Since(s) => asked.start + TimeDelta::milliseconds((s * 1000.0) as i64),
        Said::OfDay(time) => {
            let day: NaiveDate = (asked.start + zone).date_naive();
            let mut at = day.and_time(time).and_utc() - zone;
            // A log that runs past midnight goes on the next day.
            while before.is_some_and(|before| at < before - TimeDelta::hours(12)) {
                at += TimeDelta::days(1);
            }
            at
        }
    }
}
