//! A thermometer's own log: a table of times and temperatures, as devices save
//! them.
//!
//! Separator, decimal sign, header, columns and times are found by looking at
//! them; what cannot be told from the table is asked for, by the name of the
//! field that answers it. Either every line is understood or none is taken.

mod appended;
mod table;
mod time;

use chrono::{DateTime, TimeDelta, Utc};

use crate::catalogue::logfile as say;
use crate::check::{Checker, Fault, PROBE_C};
use crate::message::{Message, Nested, list};
use crate::units::{Temperature, celsius};
use crate::words::worded;
pub use appended::{Appended, NewLine, appended};
use table::Table;
pub use time::DateOrder;
use time::Stamps;

/// Most lines of a log: a day and a half at one a second.
const MOST_LINES: usize = 130_000;
/// The middle of a log above this is no bowl's in °C, but any bowl's in °F.
const HOTTER_THAN_A_BOWL_C: f64 = 60.0;
/// How many lines that cannot be read are named.
const NAMED: usize = 3;

worded! {
    /// The scale of a log.
    Scale {
        /// Degrees Celsius.
        C = "C",
        /// Degrees Fahrenheit.
        F = "F",
    }
}

impl Scale {
    fn in_celsius(self, value: f64) -> f64 {
        if self == Self::F { (value - 32.0) / 1.8 } else { value }
    }
}

/// What is known of a log beside its table.
#[derive(Clone, Debug)]
pub struct Asked {
    /// Which column has the times, by its heading; found if left out.
    pub time_column: Option<String>,
    /// Which column has the temperatures; found if left out.
    pub temp_column: Option<String>,
    /// Their scale; the heading's, or °C, if left out.
    pub unit: Option<Scale>,
    /// Whether the day or the month comes first in dates like 3/4/2026.
    pub date_order: Option<DateOrder>,
    /// What the device's clock is ahead of UTC, minutes, where its times have no
    /// zone.
    pub utc_offset_min: i32,
    /// What its clock is slow by, s: added to each time.
    pub shift_s: f64,
    /// Where times count from that are only stretches.
    pub start: DateTime<Utc>,
}

/// One line of a log.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Line {
    /// When it was read.
    pub at: DateTime<Utc>,
    /// What it said.
    pub temp: Temperature,
}

/// A log, understood.
#[derive(Clone, Debug, PartialEq)]
pub struct Log {
    /// Its lines, in order of time.
    pub lines: Vec<Line>,
    /// Lines without a temperature: the probe was off, or out.
    pub empty: usize,
    /// The scale that it was read in.
    pub unit: Scale,
}

/// Reads a log.
///
/// # Errors
/// Every fault with the field that would mend it: `file`, `time_column`,
/// `temp_column`, `unit`, `date_order`.
pub fn read(bytes: &[u8], asked: &Asked) -> Result<Log, Vec<Fault>> {
    let mut check = Checker::new();
    let read = read_checked(bytes, asked, &mut check);
    check.finish()?;
    read.ok_or_else(|| vec![file_fault(say::cannot_be_read())])
}

fn file_fault(message: Message) -> Fault {
    Fault { field: "file".to_owned(), message }
}

fn read_checked(bytes: &[u8], asked: &Asked, check: &mut Checker) -> Option<Log> {
    let table = Table::read(bytes).map_err(|message| check.fault("file", message)).ok()?;
    if table.rows.len() > MOST_LINES {
        check.fault("file", say::too_many_lines(MOST_LINES));
        return None;
    }
    let (times, temps) = columns(&table, asked, check)?;
    let (rows, empty) = readings(&table, times, temps, check)?;
    let stamps = Stamps::of(table.heading(times), rows.iter().map(|(_, time, _)| *time), asked);
    let stamps = stamps.map_err(|fault| check.fault(fault.field, fault.message)).ok()?;
    let unit = scale(&table, temps, &rows, asked, check)?;
    let mut lines: Vec<_> = rows
        .iter()
        .zip(stamps)
        .map(|((number, _, value), at)| {
            let c = unit.in_celsius(*value);
            if !PROBE_C.contain(c) {
                check.number(format_args!("line {number}"), c, PROBE_C);
            }
            #[allow(clippy::cast_possible_truncation)] // days
            let shift = TimeDelta::milliseconds((asked.shift_s * 1000.0) as i64);
            Line { at: at + shift, temp: celsius(c) }
        })
        .collect();
    lines.sort_by_key(|line| line.at);
    Some(Log { lines, empty, unit })
}

/// The columns of times and of temperatures.
fn columns(table: &Table, asked: &Asked, check: &mut Checker) -> Option<(usize, usize)> {
    let times = table
        .choose(asked.time_column.as_deref(), |column| column.looks_like_time())
        .map_err(|message| check.fault("time_column", message))
        .ok();
    let temps = table
        .choose(asked.temp_column.as_deref(), |column| column.looks_like_temperature())
        .map_err(|message| check.fault("temp_column", message))
        .ok();
    let (times, temps) = (times?, temps?);
    if times == temps {
        check.fault("temp_column", say::another_column());
        return None;
    }
    Some((times, temps))
}

/// The scale that was asked for, or that the heading names; °C, where nothing speaks against it.
fn scale(
    table: &Table,
    temps: usize,
    rows: &[Row<'_>],
    asked: &Asked,
    check: &mut Checker,
) -> Option<Scale> {
    let said = asked.unit.or(table.scale_of(temps));
    if said.is_none() && middle(rows) > HOTTER_THAN_A_BOWL_C {
        check.fault("unit", say::looks_like_fahrenheit(middle(rows)));
        return None;
    }
    Some(said.unwrap_or(Scale::C))
}

type Row<'a> = (usize, &'a str, f64);

/// The rows that have a temperature, with their line numbers; how many have none.
fn readings<'a>(
    table: &'a Table,
    times: usize,
    temps: usize,
    check: &mut Checker,
) -> Option<(Vec<Row<'a>>, usize)> {
    let mut rows = Vec::with_capacity(table.rows.len());
    let (mut empty, mut unread) = (0, Vec::new());
    for row in &table.rows {
        let cell = |column: usize| row.cells.get(column).map_or("", String::as_str);
        match table.number(cell(temps)) {
            _ if table::is_no_value(cell(temps)) => empty += 1,
            Some(value) => rows.push((row.number, cell(times), value)),
            None => unread.push(say::line_has(row.number, cell(temps))),
        }
    }
    if !unread.is_empty() {
        let more = unread.len() > NAMED;
        unread.truncate(NAMED);
        let named = list(unread.into_iter().map(Nested::from), ", ");
        let told = if more { say::must_be_numbers_and_more } else { say::must_be_numbers };
        check.fault("temp_column", told(named));
        return None;
    }
    if rows.is_empty() {
        check.fault("file", say::no_temperatures());
        return None;
    }
    Some((rows, empty))
}

fn middle(rows: &[Row<'_>]) -> f64 {
    let mut values: Vec<_> = rows.iter().map(|(.., value)| *value).collect();
    values.sort_by(f64::total_cmp);
    values[values.len() / 2]
}

#[cfg(test)]
mod tests;
