//! Documents that outlive releases.
//!
//! What is kept as JSON carries the version of its format. A release reads every format
//! that was ever released: one function leads from each version to the next, and the last
//! form is read leniently, so that a key that is not known takes nothing else with it. What
//! cannot be read is an [`Unreadable`], a value like any other: it stays with its row.

mod kinds;
mod lenient;
mod several_goods;
#[cfg(test)]
mod tests;

pub(crate) use kinds::ShownPlan;
pub use kinds::{Computed, CountDocument, CountedPieces, Summary};

use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::Value;

use crate::StoreError;

/// Where a document says which version of its format it is. Before it was said, it was the
/// first.
const FORMAT: &str = "format";

/// From one version of a format to the next.
pub type Upgrade = fn(Value) -> Result<Value, String>;

/// A thing that is kept as a document.
pub trait Document: Serialize + DeserializeOwned {
    /// What it is called where it cannot be read.
    const WHAT: &'static str;
    /// From each version to the next, the first one first. One more is one more version; what
    /// is there never changes.
    const UPGRADES: &'static [Upgrade];

    /// The version that this release writes.
    #[must_use]
    fn format() -> u64 {
        Self::UPGRADES.len() as u64 + 1
    }
}

/// A document that cannot be read.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
#[error("what is kept of {what} cannot be read: {problem}")]
pub struct Unreadable {
    /// What it is of.
    pub what: &'static str,
    /// What is wrong with it.
    pub problem: String,
}

/// What a row's document holds, or why it cannot be read.
pub type Kept<T> = Result<T, Unreadable>;

/// A document as it is kept, in this release's format.
///
/// # Errors
/// Where it is no JSON object.
pub fn written<T: Document>(value: &T) -> Result<String, StoreError> {
    let unwritable =
        |problem: String| StoreError::Unreadable(Unreadable { what: T::WHAT, problem });
    let mut value = serde_json::to_value(value).map_err(|e| unwritable(e.to_string()))?;
    value
        .as_object_mut()
        .ok_or_else(|| unwritable("it is no object".to_owned()))?
        .insert(FORMAT.to_owned(), T::format().into());
    Ok(value.to_string())
}

/// A document of any format that was ever released.
///
/// # Errors
/// [`Unreadable`] where it is of a later release, or of none.
pub fn read<T: Document>(text: &str) -> Kept<T> {
    let unreadable = |problem: String| Unreadable { what: T::WHAT, problem };
    let value: Value = serde_json::from_str(text).map_err(|e| unreadable(e.to_string()))?;
    read_value(value)
}

/// The same, of what was parsed already.
///
/// # Errors
/// [`Unreadable`] where it is of a later release, or of none.
pub fn read_value<T: Document>(mut value: Value) -> Kept<T> {
    let unreadable = |problem: String| Unreadable { what: T::WHAT, problem };
    let format = match value.as_object_mut().map(|object| object.remove(FORMAT)) {
        None => return Err(unreadable("it is no object".to_owned())),
        Some(None) => 1,
        Some(Some(format)) => {
            format.as_u64().ok_or_else(|| unreadable(format!("its format is {format}")))?
        }
    };
    if format == 0 || format > T::format() {
        return Err(unreadable(format!(
            "it is of format {format}; this release knows up to {}",
            T::format()
        )));
    }
    let to_do = usize::try_from(format - 1).unwrap_or(usize::MAX);
    for upgrade in T::UPGRADES.iter().skip(to_do) {
        value = upgrade(value).map_err(unreadable)?;
    }
    lenient::read(value).map_err(unreadable)
}
