//! A table of text: its separator, its decimal sign, its heading.

use csv::ReaderBuilder;

use super::Scale;
use super::time::STRETCHES;
use crate::catalogue::logfile as say;
use crate::message::{Message, names};

/// One row, with its line number in the file.
#[derive(Clone, Debug, PartialEq)]
pub(super) struct Row {
    pub number: usize,
    pub cells: Vec<String>,
}

/// A table.
#[derive(Clone, Debug, PartialEq)]
pub(super) struct Table {
    headings: Vec<String>,
    pub rows: Vec<Row>,
    decimal_comma: bool,
}

/// What a column is guessed by.
#[derive(Clone, Copy)]
pub(super) struct Column<'a> {
    heading: &'a str,
    table: &'a Table,
    place: usize,
}

/// Whether a cell says that there was nothing to measure.
pub(super) fn is_no_value(cell: &str) -> bool {
    let cell = cell.trim();
    cell.chars().all(|c| c == '-')
        || matches!(&*cell.to_lowercase(), "nan" | "n/a" | "ol" | "err" | "null")
}

pub(super) fn decoded(bytes: &[u8]) -> Result<String, Message> {
    let wide = |pairs: &[u8], join: fn([u8; 2]) -> u16| {
        let units: Vec<_> = pairs.chunks_exact(2).map(|pair| join([pair[0], pair[1]])).collect();
        String::from_utf16(&units).map_err(|_| say::not_a_table())
    };
    match bytes {
        [0xFF, 0xFE, rest @ ..] => wide(rest, u16::from_le_bytes),
        [0xFE, 0xFF, rest @ ..] => wide(rest, u16::from_be_bytes),
        _ if bytes.contains(&0) => Err(say::not_a_table()),
        [0xEF, 0xBB, 0xBF, rest @ ..] => plain(rest),
        _ => plain(bytes),
    }
}

/// UTF-8, or else the one-byte letters of older devices.
fn plain(bytes: &[u8]) -> Result<String, Message> {
    let text = std::str::from_utf8(bytes)
        .map_or_else(|_| bytes.iter().copied().map(char::from).collect(), str::to_owned);
    let odd = text.chars().filter(|c| c.is_control() && !c.is_whitespace()).count();
    if odd > 0 { Err(say::not_a_table()) } else { Ok(text) }
}

impl Table {
    pub fn read(bytes: &[u8]) -> Result<Self, Message> {
        Self::of(&decoded(bytes)?)
    }

    pub fn of(text: &str) -> Result<Self, Message> {
        if text.trim().is_empty() {
            return Err(say::empty());
        }
        // The separator that makes the most columns; of equals the last, as commas are
        // decimal signs too.
        let rows = [b',', b'\t', b';']
            .into_iter()
            .map(|separator| rows(text, separator))
            .max_by_key(|rows| usual_width(rows))
            .unwrap_or_default();
        let width = usual_width(&rows);
        if width < 2 {
            return Err(say::two_columns());
        }
        // What stands above the table, like the device's name, is narrower.
        let mut rows: Vec<_> = rows.into_iter().skip_while(|row| row.cells.len() < width).collect();
        let has_heading = rows.first().is_some_and(|first| {
            first
                .cells
                .iter()
                .all(|cell| !cell.starts_with(|c: char| c.is_ascii_digit() || c == '-'))
        });
        let headings = if has_heading {
            rows.remove(0).cells
        } else {
            (1..=width).map(|n| format!("column {n}")).collect()
        };
        let decimal_comma = rows
            .iter()
            .flat_map(|row| &row.cells)
            .any(|cell| cell.contains(',') && number_with(cell, true).is_some());
        Ok(Self { headings, rows, decimal_comma })
    }

    pub fn heading(&self, column: usize) -> &str {
        &self.headings[column]
    }

    pub fn number(&self, cell: &str) -> Option<f64> {
        number_with(cell, self.decimal_comma)
    }

    /// The column by a heading, or else the one that looks like it.
    pub fn choose(
        &self,
        by_heading: Option<&str>,
        looks_like: fn(Column<'_>) -> bool,
    ) -> Result<usize, Message> {
        let told = || names(&self.headings);
        if let Some(heading) = by_heading {
            let found = self.headings.iter().position(|h| h.eq_ignore_ascii_case(heading.trim()));
            return found.ok_or_else(|| say::must_be_heading(told(), heading));
        }
        let like: Vec<_> = (0..self.headings.len())
            .filter(|place| {
                looks_like(Column { heading: &self.headings[*place], table: self, place: *place })
            })
            .collect();
        match like[..] {
            [one] => Ok(one),
            [] => Err(say::cannot_be_told(told())),
            _ => {
                let some = like.iter().map(|place| &self.headings[*place]);
                Err(say::could_be_more(names(some)))
            }
        }
    }

    /// The scale that a heading names.
    pub fn scale_of(&self, column: usize) -> Option<Scale> {
        let heading = self.headings[column].to_lowercase();
        let word = |word: &str| heading.split(|c: char| !c.is_alphanumeric()).any(|w| w == word);
        if heading.contains("°f") || heading.contains("fahrenheit") || word("f") || word("degf") {
            Some(Scale::F)
        } else if heading.contains("°c") || heading.contains("celsius") || word("c") || word("degc")
        {
            Some(Scale::C)
        } else {
            None
        }
    }
}

impl Column<'_> {
    fn named(self, words: &[&str]) -> bool {
        let heading = self.heading.to_lowercase();
        words.iter().any(|word| heading.contains(word))
    }

    fn first_cells(&self) -> impl Iterator<Item = &str> {
        let place = self.place;
        self.table
            .rows
            .iter()
            .take(20)
            .filter_map(move |row| row.cells.get(place))
            .map(String::as_str)
    }

    pub fn looks_like_time(self) -> bool {
        let named = self.named(&["time", "date", "clock", "second", "minute", "zeit", "t_s"])
            || self.named(&STRETCHES)
            || matches!(&*self.heading.to_lowercase(), "t" | "s" | "at" | "min");
        named
            || (self.heading.starts_with("column ")
                && (self.place == 0 || self.first_cells().any(|cell| cell.contains(':'))))
    }

    pub fn looks_like_temperature(self) -> bool {
        let named = self.named(&["temp", "°c", "°f", "celsius", "fahrenheit", "probe"]);
        let numbers = self.first_cells().any(|cell| self.table.number(cell).is_some());
        (named && !self.looks_like_time() && numbers)
            || (self.heading.starts_with("column ") && !self.looks_like_time() && numbers)
    }
}

fn rows(text: &str, separator: u8) -> Vec<Row> {
    ReaderBuilder::new()
        .delimiter(separator)
        .has_headers(false)
        .flexible(true)
        .trim(csv::Trim::All)
        .from_reader(text.as_bytes())
        .records()
        .filter_map(Result::ok)
        .map(|record| Row {
            number: record.position().map_or(0, |p| usize::try_from(p.line()).unwrap_or(0)),
            cells: record.iter().map(str::to_owned).collect(),
        })
        .filter(|row| row.cells.iter().any(|cell| !cell.is_empty()))
        .collect()
}

/// How many columns most rows have; none where the first rows differ too much.
fn usual_width(rows: &[Row]) -> usize {
    let widths: Vec<_> = rows.iter().take(50).map(|row| row.cells.len()).collect();
    let width = widths.last().copied().unwrap_or(0);
    let alike = widths.iter().filter(|w| **w == width).count();
    if alike * 2 >= widths.len() { width } else { 0 }
}

fn number_with(cell: &str, decimal_comma: bool) -> Option<f64> {
    let bare = cell.trim().trim_end_matches(['C', 'F', '°', ' ']);
    let plain = if decimal_comma { bare.replace(',', ".") } else { bare.to_owned() };
    plain.parse().ok().filter(|value: &f64| value.is_finite())
}
