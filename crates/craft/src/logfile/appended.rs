//! A log that a device's own program is still writing: what it says since some line.

use std::borrow::Cow;

use chrono::{DateTime, Utc};

use super::table::{Table, decoded, is_no_value};
use super::time::Stamps;
use super::{Asked, DateOrder, Row, columns, scale};
use crate::check::{Checker, Fault, PROBE_C};
use crate::units::{Temperature, celsius};

/// A line that was written since.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct NewLine {
    /// Which line of the file it is, from 1.
    pub number: usize,
    /// When it was read, by the device's own clock: good for how far lines lie apart.
    pub at: DateTime<Utc>,
    /// What it said.
    pub temp: Temperature,
}

/// What was written to a log since.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Appended {
    /// Its lines with a temperature, in the file's order.
    pub lines: Vec<NewLine>,
    /// Lines that say something which is none.
    pub unread: usize,
    /// How many lines are written to their end.
    pub whole: usize,
}

/// By so many lines at its beginning a table is told what it is: those before them that are read
/// already need not be read again each second.
const TOLD_BY: usize = 100;

/// Reads what was written after so many lines. A line without its end is still being written,
/// and waits. One that cannot be read is counted: those after it are none the worse.
///
/// # Errors
/// Every fault with the field that would mend it: `file`, `time_column`, `temp_column`, `unit`.
pub fn appended(bytes: &[u8], after: usize, asked: &Asked) -> Result<Appended, Vec<Fault>> {
    let mut check = Checker::new();
    let read = read_checked(bytes, after, asked, &mut check);
    check.finish()?;
    Ok(read.unwrap_or_default())
}

fn read_checked(
    bytes: &[u8],
    after: usize,
    asked: &Asked,
    check: &mut Checker,
) -> Option<Appended> {
    let text = decoded(bytes).map_err(|message| check.fault("file", message)).ok()?;
    let text = text.rfind('\n').map_or("", |end| &text[..=end]);
    let whole = text.matches('\n').count();
    let nothing = Appended { whole, ..Appended::default() };
    if text.trim().is_empty() {
        return Some(nothing);
    }
    let (text, left_out) = without_the_middle(text, after);
    let table = Table::of(&text).map_err(|message| check.fault("file", message)).ok()?;
    // Only a heading yet.
    if table.rows.is_empty() {
        return Some(nothing);
    }
    let (times, temps) = columns(&table, asked, check)?;
    let mut rows: Vec<Row<'_>> = Vec::new();
    let mut unread = 0;
    for row in &table.rows {
        let cell = |column: usize| row.cells.get(column).map_or("", String::as_str);
        let number = row.number + if row.number > TOLD_BY { left_out } else { 0 };
        match table.number(cell(temps)) {
            _ if is_no_value(cell(temps)) => {}
            Some(value) => rows.push((number, cell(times), value)),
            None => unread += usize::from(number > after),
        }
    }
    if rows.is_empty() {
        return Some(Appended { unread, ..nothing });
    }
    let unit = scale(&table, temps, &rows, asked, check)?;
    // Days are not looked at: only how far lines lie apart.
    let apart =
        Asked { date_order: asked.date_order.or(Some(DateOrder::DayFirst)), ..asked.clone() };
    let mut lines = Vec::new();
    for (number, time, value) in rows.into_iter().filter(|(number, ..)| *number > after) {
        let c = unit.in_celsius(value);
        let at = Stamps::of(table.heading(times), std::iter::once(time), &apart);
        match at.ok().and_then(|at| at.first().copied()) {
            Some(at) if PROBE_C.contain(c) => {
                lines.push(NewLine { number, at, temp: celsius(c) });
            }
            _ => unread += 1,
        }
    }
    Some(Appended { lines, unread, whole })
}

/// The lines that a table is told by and those after so many, with how many were left out between.
fn without_the_middle(text: &str, after: usize) -> (Cow<'_, str>, usize) {
    if after <= TOLD_BY {
        return (Cow::Borrowed(text), 0);
    }
    let end_of = |lines: usize| text.match_indices('\n').nth(lines - 1).map(|(end, _)| end + 1);
    match (end_of(TOLD_BY), end_of(after)) {
        (Some(head), Some(tail)) => {
            (Cow::Owned([&text[..head], &text[tail..]].concat()), after - TOLD_BY)
        }
        _ => (Cow::Borrowed(text), 0),
    }
}

#[cfg(test)]
mod tests {
    use super::super::Scale;
    use super::super::tests::asked;
    use super::*;
    use crate::units::in_celsius;

    fn read(text: &str, after: usize) -> Appended {
        appended(text.as_bytes(), after, &asked()).expect("it is read")
    }

    fn temps(read: &Appended) -> Vec<f64> {
        read.lines.iter().map(|line| (in_celsius(line.temp) * 100.0).round() / 100.0).collect()
    }

    #[test]
    fn only_what_was_written_since_is_new_and_half_a_line_waits() {
        let text = "time,temp °C\n18:00:01,45.5\n18:00:02,45.4\n18:00:03,45";
        let first = read(text, 0);
        assert_eq!((temps(&first), first.whole), (vec![45.5, 45.4], 3));
        let next = read(&format!("{text}.3\n"), first.whole);
        assert_eq!((temps(&next), next.whole), (vec![45.3], 4));
        assert_eq!(read(text, 3).lines, []);
    }

    #[test]
    fn a_line_that_cannot_be_read_holds_nothing_up() {
        let text = "time;temp\n18:00:01;45,5\n18:00:02;open\n18:00:03;900\n18:00:04;45,2\n";
        let all = read(text, 0);
        assert_eq!((temps(&all), all.unread), (vec![45.5, 45.2], 2));
        assert_eq!(read(text, 4).unread, 0);
    }

    #[test]
    fn a_file_that_is_only_begun_is_waited_for() {
        assert_eq!(read("", 0).whole, 0);
        assert_eq!(read("time,temp\n", 0).whole, 1);
        assert!(read("time,temp\n", 0).lines.is_empty());
    }

    #[test]
    fn fahrenheit_is_asked_for_and_a_day_is_not() {
        let text = "when,temp\n3/4/2026 18:00:01,113.0\n3/4/2026 18:00:03,112.6\n";
        let told = |asked| appended(text.as_bytes(), 0, &asked).map_err(|f| f[0].field.clone());
        let columns = |unit| Asked { time_column: Some("when".into()), unit, ..asked() };
        assert_eq!(told(columns(None)), Err("unit".to_owned()));
        let read = told(columns(Some(Scale::F))).expect("it is read");
        assert_eq!(temps(&read)[0], 45.0);
        let apart = read.lines[1].at - read.lines[0].at;
        assert_eq!(apart.num_seconds(), 2);
    }

    #[test]
    fn of_a_long_log_the_new_lines_are_as_if_all_of_it_were_read() {
        let line = |n: usize| match n {
            250 | 390 => "18:00:00;open\n".to_owned(),
            _ => format!("{:02}:{:02}:{:02};{}\n", n / 3600, n / 60 % 60, n % 60, 45 - n / 100),
        };
        let lines: String = (1..400).map(line).collect();
        let text = format!("device 7\ntime;temp\n{lines}00:07:00;40,5\n00:07:01;4");
        let all = read(&text, 0);
        assert_eq!((all.lines.len(), all.unread, all.whole), (398, 2, 402));
        for after in [99, 100, 101, 102, 200, 300, 392, 401, 402] {
            let new = read(&text, after);
            let expected: Vec<_> =
                all.lines.iter().filter(|line| line.number > after).copied().collect();
            assert_eq!(new.lines, expected, "after {after}");
            assert_eq!(
                (new.unread, new.whole),
                (usize::from(after < 252) + usize::from(after < 392), 402)
            );
        }
    }

    #[test]
    fn what_is_no_table_is_refused() {
        assert!(appended(b"\x00\x01\x02\n", 0, &asked()).is_err());
        assert!(appended(b"one column\n2\n3\n", 0, &asked()).is_err());
    }
}
