//! A bowl's readings and actions as one table.

use chrono::{DateTime, Utc};
use craft::bowl::{Action, Reading, Seen, Source};
use craft::check::{self, Checker};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::answer::action::{ActionAnswer, ActionName};
use crate::problem::Problem;
use crate::routes::actions::NewAction;
use crate::routes::record::SavedReading;

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
    at: DateTime<Utc>,
    kind: Kind,
    temp_c: Option<f64>,
    source: Option<Source>,
    seconds: Option<f64>,
    grams: Option<f64>,
    seen: Option<Seen>,
    reason: Option<String>,
    undoes: Option<Uuid>,
    id: Uuid,
}

impl From<&Reading> for Row {
    fn from(reading: &Reading) -> Self {
        let SavedReading { id, at, temp_c, source } = reading.into();
        Self {
            at,
            kind: Kind::Reading(Only::Reading),
            temp_c: Some(temp_c),
            source: Some(source),
            seconds: None,
            grams: None,
            seen: None,
            reason: None,
            undoes: None,
            id,
        }
    }
}

impl From<&Action> for Row {
    fn from(action: &Action) -> Self {
        let a = ActionAnswer::from(action);
        Self {
            at: a.at,
            kind: Kind::Action(a.kind),
            temp_c: None,
            source: None,
            seconds: a.seconds,
            grams: a.grams,
            seen: a.seen,
            reason: a.reason,
            undoes: a.undoes,
            id: a.id,
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
    rows.sort_by_key(|row| row.at);
    let mut writer = csv::Writer::from_writer(Vec::new());
    for row in &rows {
        writer.serialize(row).map_err(|e| Problem::conflict(e.to_string()))?;
    }
    writer.into_inner().map_err(|e| Problem::conflict(e.to_string()))
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
                check.fault(line, error.to_string());
                continue;
            }
        };
        match row.kind {
            Kind::Reading(_) => match (row.temp_c, row.source) {
                (Some(temp_c), Some(source)) => {
                    check.number(&line, temp_c, check::PROBE_C);
                    readings.push(SavedReading { id: row.id, at: row.at, temp_c, source }.into());
                }
                _ => check.fault(line, "a reading needs temp_c and source"),
            },
            Kind::Action(kind) => {
                let action = NewAction {
                    id: Some(row.id),
                    at: Some(row.at),
                    kind,
                    seconds: row.seconds,
                    grams: row.grams,
                    seen: row.seen,
                    reason: row.reason.filter(|reason| !reason.is_empty()),
                    undoes: row.undoes,
                };
                actions.extend(action.saved(&line, check));
            }
        }
    }
    (readings, actions)
}
