//! Lists a page at a time: by the key that they are ordered by, so that what is added
//! meanwhile neither repeats nor hides anything.

use chrono::{DateTime, Utc};
use craft::time::WallTime;
use uuid::Uuid;

/// Which part of a list.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Page {
    /// Only what comes after this: the last one's time and id.
    pub before: (WallTime, Uuid),
    /// At most so many.
    pub most: u32,
}

impl Page {
    /// The beginning of a list.
    #[must_use]
    pub fn first(most: u32) -> Self {
        // Past what any clock says here, and within what the database can compare.
        let last: DateTime<Utc> = DateTime::from_timestamp(253_370_764_800, 0).unwrap_or_default();
        Self { before: (WallTime(last), Uuid::max()), most }
    }

    /// The part after a line.
    #[must_use]
    pub fn after(before: (WallTime, Uuid), most: u32) -> Self {
        Self { before, most }
    }
}

/// A search as a pattern: what it holds is meant as it stands.
pub(crate) fn pattern(search: Option<&str>) -> String {
    let text = search.unwrap_or_default().trim();
    let plain = text.replace('\\', "\\\\").replace('%', "\\%").replace('_', "\\_");
    format!("%{plain}%")
}
