//! What a device may do.

use serde::{Deserialize, Serialize};

/// What a device that was let in may do.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Role {
    /// All that the maker may.
    Maker,
    /// Sees the plan and ticks safe steps; never heat, sugar or settings.
    Helper,
    /// Posts readings to the bowl it is lent to, and nothing else.
    Thermometer,
}

impl Role {
    /// All of them.
    pub const ALL: [Self; 3] = [Self::Maker, Self::Helper, Self::Thermometer];

    /// Its word, as it is kept and sent.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Maker => "maker",
            Self::Helper => "helper",
            Self::Thermometer => "thermometer",
        }
    }

    /// The one of a word.
    #[must_use]
    pub fn from_word(word: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|role| role.word() == word)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn each_has_a_word_of_its_own() {
        for role in Role::ALL {
            assert_eq!(Role::from_word(role.word()), Some(role));
        }
        assert_eq!(Role::from_word("Maker"), None);
    }
}
