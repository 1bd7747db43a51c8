//! How long something keeps, and how it is stored (docs/craft.md, section 6). All of it is custom
//! and estimate: local law and the dates of what goes in come first.

use crate::message::Message;

/// Where it is kept.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, serde::Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Store {
    /// Airtight in a cool room, 15 to 18 °C, dark.
    #[default]
    CoolRoom,
    /// In the fridge, closed.
    Fridge,
    /// Cold until it is served: it was not tempered.
    UntilServed,
    /// Airtight and above all dry.
    Dry,
}

/// How long something keeps.
#[derive(Clone, Debug, PartialEq)]
pub struct Lasts {
    /// Days, at the most; `None` where only its own date tells.
    pub days: Option<f64>,
    /// Where.
    pub store: Store,
    /// In a sentence.
    pub text: Message,
}

impl Lasts {
    /// So many weeks in a cool room.
    #[must_use]
    pub fn weeks(weeks: f64, text: Message) -> Self {
        Self { days: Some(weeks * 7.0), store: Store::CoolRoom, text }
    }

    /// So many days in the fridge.
    #[must_use]
    pub fn cold(days: f64, text: Message) -> Self {
        Self { days: Some(days), store: Store::Fridge, text }
    }

    /// As long as its own date says.
    #[must_use]
    pub fn as_dated(store: Store, text: Message) -> Self {
        Self { days: None, store, text }
    }
}
