//! What stands in a message.

use std::borrow::Cow;
use std::fmt;

use serde::{Deserialize, Serialize};

use super::{Message, Quantity};

/// What stands in a message at one place.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Param {
    /// A temperature, °C: 0 °C is 32 °F.
    Temperature(Quantity),
    /// A difference of temperatures, °C: 1 °C is 1.8 °F.
    Difference(Quantity),
    /// A mass, g.
    Mass(Quantity),
    /// Any other number, in a unit that stays as it is.
    Number(Quantity),
    /// Words that are not the catalogue's: a name that the maker gave, a key.
    Words {
        /// The words.
        words: String,
    },
    /// "until", where something holds until a time; beside a time that runs down it is "for".
    Until,
    /// Another message.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Message {
        /// It.
        message: Box<Message>,
    },
    /// Several, one after the other.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    List {
        /// Each of them.
        items: Vec<Param>,
        /// What stands between two: a comma, an "and".
        #[cfg_attr(feature = "schema", schema(value_type = String))]
        between: Cow<'static, str>,
    },
}

impl fmt::Display for Param {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Temperature(quantity)
            | Self::Difference(quantity)
            | Self::Mass(quantity)
            | Self::Number(quantity) => quantity.fmt(f),
            Self::Words { words } => f.write_str(words),
            Self::Until => f.write_str("until"),
            Self::Message { message } => message.fmt(f),
            Self::List { items, between } => {
                for (i, item) in items.iter().enumerate() {
                    if i > 0 {
                        f.write_str(between)?;
                    }
                    item.fmt(f)?;
                }
                Ok(())
            }
        }
    }
}
