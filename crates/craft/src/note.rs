//! Remarks and workings that go with a computed figure.

use serde::{Deserialize, Serialize};

/// How much a remark matters.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "kebab-case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Level {
    /// Worth knowing.
    Info,
    /// Likely to go wrong unless something is done.
    Caution,
    /// Do not go on like this.
    Stop,
}

/// A remark on a figure: how much it matters, a code that programs can match
/// on, and a sentence for the maker.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Note {
    /// How much it matters.
    pub level: Level,
    /// A stable name for programs.
    pub code: String,
    /// A sentence for the maker.
    pub text: String,
}

impl Note {
    /// Something worth knowing.
    pub fn info(code: &str, text: impl Into<String>) -> Self {
        Self::new(Level::Info, code, text)
    }

    /// Something likely to go wrong.
    pub fn caution(code: &str, text: impl Into<String>) -> Self {
        Self::new(Level::Caution, code, text)
    }

    /// Something that must not go on.
    pub fn stop(code: &str, text: impl Into<String>) -> Self {
        Self::new(Level::Stop, code, text)
    }

    fn new(level: Level, code: &str, text: impl Into<String>) -> Self {
        Self { level, code: code.to_owned(), text: text.into() }
    }
}

/// One line of the working behind a figure, as shown under "show the sum".
#[derive(Clone, Copy, Debug, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Working {
    /// What the number is.
    pub label: &'static str,
    /// The number.
    pub value: f64,
    /// Its unit, as the maker writes it; `C°` is a difference of temperatures.
    pub unit: &'static str,
}

impl Working {
    /// A line of working.
    #[must_use]
    pub const fn new(label: &'static str, value: f64, unit: &'static str) -> Self {
        Self { label, value, unit }
    }
}
