//! Remarks and workings that go with a computed figure.

use std::borrow::Cow;

use serde::{Deserialize, Serialize};

use crate::message::{Message, Said};

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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Note {
    /// How much it matters.
    pub level: Level,
    /// A stable name for programs.
    #[cfg_attr(feature = "schema", schema(value_type = String))]
    pub code: Cow<'static, str>,
    /// A sentence for the maker.
    #[serde(flatten)]
    pub said: Said,
}

impl Note {
    /// Something worth knowing.
    #[must_use]
    pub fn info(code: &'static str, said: Message) -> Self {
        Self::new(Level::Info, code, said)
    }

    /// Something likely to go wrong.
    #[must_use]
    pub fn caution(code: &'static str, said: Message) -> Self {
        Self::new(Level::Caution, code, said)
    }

    /// Something that must not go on.
    #[must_use]
    pub fn stop(code: &'static str, said: Message) -> Self {
        Self::new(Level::Stop, code, said)
    }

    fn new(level: Level, code: &'static str, said: Message) -> Self {
        Self { level, code: code.into(), said: said.said }
    }

    /// The sentence, in °C and grams.
    #[must_use]
    pub fn text(&self) -> Cow<'_, str> {
        self.said.text()
    }
}

/// What is in the way: of several remarks the first of the gravest, where any is more than
/// worth knowing.
pub fn first_in_the_way<T>(
    remarks: impl IntoIterator<Item = T>,
    level: impl Fn(&T) -> Level,
) -> Option<T> {
    let grave = remarks.into_iter().filter(|remark| level(remark) > Level::Info);
    // The first of several that are equally grave.
    grave.reduce(|worst, next| if level(&next) > level(&worst) { next } else { worst })
}

/// One line of the working behind a figure, as shown under "show the sum".
#[derive(Clone, Debug, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Working {
    /// What the number is.
    #[cfg_attr(feature = "schema", schema(value_type = String))]
    pub label: Cow<'static, str>,
    /// The number.
    pub value: f64,
    /// Its unit, as the maker writes it; `C°` is a difference of temperatures.
    pub unit: &'static str,
}

impl Working {
    /// A line of working.
    #[must_use]
    pub const fn new(label: &'static str, value: f64, unit: &'static str) -> Self {
        Self { label: Cow::Borrowed(label), value, unit }
    }

    /// A line about something that has a name of its own.
    #[must_use]
    pub fn named(label: String, value: f64, unit: &'static str) -> Self {
        Self { label: Cow::Owned(label), value, unit }
    }
}
