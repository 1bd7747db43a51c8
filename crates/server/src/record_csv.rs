//! A bowl's readings and actions as one table.

use craft::bowl::{Action, ActionName, Entry, Reading, Seen, Source};
use craft::check::{self, Checker};
use craft::time::Timestamp;
use craft::units::{celsius, in_celsius};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::catalogue::files as say;
use crate::problem::Problem;

/// How a table that was saved here begins.
const BEGINS: &[u8] = b"at,kind,temp_c,source,";

/// What a row is.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(untagged)]
enum Kind {
    Reading(Only),
    Action(ActionName),
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
enum Only {
    Reading,
}

#[derive(Debug, Serialize, Deserialize)]
struct Row {
    at: Timestamp,
    kind: Kind,
    temp_c: Option<f64>,
    source: Option<Source>,
    seconds: Option<f64>,
    grams: Option<f64>,
    seen: Option<Seen>,
    reason: Option<String>,
    undoes: Option<Uuid>,
    /// Since corrections can be made; a table of before has neither of the two.
    #[serde(default)]
    corrects: Option<Uuid>,
    #[serde(default)]
    reading: Option<Uuid>,
    id: Uuid,
}

impl From<&Reading> for Row {
    fn from(reading: &Reading) -> Self {
        Self {
            at: Timestamp(reading.at),
            kind: Kind::Reading(Only::Reading),
            temp_c: Some(crate::answer::round(in_celsius(reading.temp), 3)),
            source: Some(reading.source),
            seconds: None,
            grams: None,
            seen: None,
            reason: None,
            undoes: None,
            corrects: None,
            reading: None,
            id: reading.id,
        }
    }
}

impl From<&Action> for Row {
    fn from(action: &Action) -> Self {
        let entry = Entry::from(&action.kind);
        Self {
            at: Timestamp(action.at),
            kind: Kind::Action(entry.kind),
            temp_c: None,
            source: None,
            seconds: entry.seconds,
            grams: entry.grams,
            seen: entry.seen,
            reason: entry.reason,
            undoes: entry.undoes,
            corrects: entry.corrects,
            reading: entry.reading,
            id: action.id,
        }
    }
}

/// The table of a record, in order of time.
///
/// # Errors
/// Where it cannot be written.
pub fn write(readings: &[Reading], actions: &[Action]) -> Result<Vec<u8>, Problem> {
    let mut rows: Vec<Row> =
        readings.iter().map(Row::from).chain(actions.iter().map(Row::from)).collect();
    rows.sort_by_key(|row| row.at.0);
    let mut writer = csv::Writer::from_writer(Vec::new());
    for row in &rows {
        writer.serialize(row).map_err(unwritable)?;
    }
    writer.into_inner().map_err(|error| unwritable(error.into_error()))
}

fn unwritable(error: impl std::fmt::Display) -> Problem {
    tracing::error!(%error, "a table could not be written");
    Problem::internal()
}

/// Whether a file is such a table.
#[must_use]
pub fn is_ours(bytes: &[u8]) -> bool {
    bytes.strip_prefix(b"\xEF\xBB\xBF").unwrap_or(bytes).starts_with(BEGINS)
}

/// What a table holds; faults are noted with their line.
pub fn read(bytes: &[u8], check: &mut Checker) -> (Vec<Reading>, Vec<Action>) {
    let bytes = bytes.strip_prefix(b"\xEF\xBB\xBF").unwrap_or(bytes);
    let (mut readings, mut actions) = (Vec::new(), Vec::new());
    for (i, row) in csv::Reader::from_reader(bytes).into_deserialize::<Row>().enumerate() {
        let line = format!("line {}", i + 2);
        let row = match row {
            Ok(row) => row,
            Err(error) => {
                check.fault(line, say::cannot_be_read(&error));
                continue;
            }
        };
        match row.kind {
            Kind::Reading(_) => match (row.temp_c, row.source) {
                (Some(temp_c), Some(source)) => {
                    check.number(&line, temp_c, check::PROBE_C);
                    readings.push(Reading {
                        id: row.id,
                        at: row.at.0,
                        temp: celsius(temp_c),
                        source,
                    });
                }
                _ => check.fault(line, say::reading_needs()),
            },
            Kind::Action(kind) => {
                let entry = Entry {
                    kind,
                    seconds: row.seconds,
                    grams: row.grams,
                    seen: row.seen,
                    reason: row.reason.filter(|reason| !reason.is_empty()),
                    undoes: row.undoes,
                    corrects: row.corrects,
                    reading: row.reading,
                };
                let mut faults = Checker::new();
                let kind = entry.check(&mut faults);
                check.take_under(&line, faults);
                actions.extend(kind.map(|kind| Action { id: row.id, at: row.at.0, kind }));
            }
        }
    }
    (readings, actions)
}
