//! The files of a folder: by their plain names alone, so that nothing outside it is ever read.

use std::io;
use std::path::Path;
use std::time::SystemTime;

use chrono::{DateTime, Utc};
use craft::check::Fault;
use craft::logfile::{Appended, Asked, appended};
use craft::message::Message;
use serde::Serialize;
use store::watched_logs::WatchedRow;
use utoipa::ToSchema;

use crate::catalogue::logs as say;

/// A log of a day and a half at a line a second is a tenth of it.
const LARGEST_MIB: u32 = 32;
/// So many are listed, the latest first.
const LISTED: usize = 200;
/// The longest name, in bytes.
const LONGEST_NAME: usize = 200;

/// A log in the folder.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, ToSchema)]
pub struct File {
    /// Its name.
    pub name: String,
    /// How long it is.
    pub bytes: u64,
    /// When it was last written to, by this machine.
    pub changed_at: DateTime<Utc>,
}

fn of_name(message: Message) -> Fault {
    Fault { field: "name".to_owned(), message }
}

/// What of a file is looked at: when that is the same, nothing was written.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) struct Seen {
    bytes: u64,
    changed: SystemTime,
}

impl Seen {
    /// Of a file; nothing where there is none.
    pub fn of(path: &Path) -> Option<Self> {
        let known = std::fs::metadata(path).ok().filter(std::fs::Metadata::is_file)?;
        Some(Self { bytes: known.len(), changed: known.modified().ok()? })
    }

    /// How long ago it was written to.
    pub fn age(&self) -> std::time::Duration {
        self.changed.elapsed().unwrap_or_default()
    }
}

/// The logs of a folder, the latest first; none where there is no folder.
#[must_use]
pub fn listed(folder: &Path) -> Vec<File> {
    let entries = std::fs::read_dir(folder).into_iter().flatten().flatten();
    let mut files: Vec<_> = entries
        .filter_map(|entry| {
            let Seen { bytes, changed } = Seen::of(&entry.path())?;
            let name = entry.file_name().into_string().ok().filter(|name| is_plain(name))?;
            Some(File { name, bytes, changed_at: changed.into() })
        })
        .collect();
    files.sort_by(|a, b| b.changed_at.cmp(&a.changed_at).then_with(|| a.name.cmp(&b.name)));
    files.truncate(LISTED);
    files
}

/// Whether it is a file's own name, and not a way to it or a hidden one.
fn is_plain(name: &str) -> bool {
    !name.is_empty()
        && name.len() <= LONGEST_NAME
        && !name.starts_with('.')
        && !name.contains(['/', '\\'])
        && !name.chars().any(char::is_control)
}

/// How many lines a log has that are written to their end.
///
/// # Errors
/// Where there is no such log, or it cannot be read as one.
pub fn whole_lines(folder: &Path, row: &WatchedRow) -> Result<usize, Fault> {
    if !is_plain(&row.name) {
        return Err(of_name(say::must_be_a_name(&folder.display())));
    }
    let path = folder.join(&row.name);
    if Seen::of(&path).is_none() {
        return Err(of_name(say::no_such_log(&folder.display())));
    }
    Ok(read(&path, row, 0)?.whole)
}

/// What was written to a log after so many lines.
pub(super) fn read(path: &Path, row: &WatchedRow, after: usize) -> Result<Appended, Fault> {
    let bytes = bytes_of(path).map_err(|error| match error.kind() {
        io::ErrorKind::FileTooLarge => of_name(say::too_large(LARGEST_MIB)),
        _ => of_name(say::cannot_be_read(&error)),
    })?;
    let asked = Asked {
        time_column: row.time_column.clone(),
        temp_column: row.temp_column.clone(),
        unit: row.unit,
        date_order: None,
        utc_offset_min: 0,
        shift_s: 0.0,
        start: DateTime::UNIX_EPOCH,
    };
    appended(&bytes, after, &asked).map_err(|faults| match faults.into_iter().next() {
        Some(fault) if fault.field != "file" => fault,
        first => of_name(first.map_or_else(say::no_table, |fault| fault.message)),
    })
}

/// It may grow while it is read: what is over the largest is not taken in.
fn bytes_of(path: &Path) -> io::Result<Vec<u8>> {
    use std::io::Read;
    let largest = u64::from(LARGEST_MIB) << 20;
    let mut bytes = Vec::new();
    std::fs::File::open(path)?.take(largest + 1).read_to_end(&mut bytes)?;
    if bytes.len() as u64 > largest {
        return Err(io::ErrorKind::FileTooLarge.into());
    }
    Ok(bytes)
}
