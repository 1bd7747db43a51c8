//! What came out of a batch.

use serde::{Deserialize, Serialize};

macro_rules! looks {
    ($(#[$doc:meta])* $name:ident { $($(#[$variant_doc:meta])* $variant:ident = $word:literal),+ $(,)? }) => {
        $(#[$doc])*
        #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
        #[serde(rename_all = "snake_case")]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        pub enum $name { $($(#[$variant_doc])* $variant),+ }

        impl $name {
            /// The word it is kept by.
            #[must_use]
            pub fn word(self) -> &'static str {
                match self { $(Self::$variant => $word),+ }
            }

            /// The look that a word stands for.
            #[must_use]
            pub fn from_word(word: &str) -> Option<Self> {
                match word { $($word => Some(Self::$variant),)+ _ => None }
            }
        }
    };
}

looks! {
    /// How it shines.
    Gloss {
        /// Like the sheet it lay on.
        Glossy = "glossy",
        /// A soft shine.
        Satin = "satin",
        /// No shine.
        Dull = "dull",
    }
}
looks! {
    /// How it breaks.
    Snap {
        /// With a crack.
        Clean = "clean",
        /// With a bend first.
        Soft = "soft",
        /// It does not break.
        Bends = "bends",
    }
}
looks! {
    /// How it let go.
    Released {
        /// By itself.
        Freely = "freely",
        /// With some help.
        InPlaces = "in_places",
        /// Not.
        Stuck = "stuck",
    }
}
looks! {
    /// Streaks and bloom.
    Streaks {
        /// None.
        None = "none",
        /// Here and there.
        Some = "some",
        /// All over.
        Many = "many",
    }
}

/// What came out, at one look.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Outcome {
    /// How it shines.
    pub gloss: Gloss,
    /// How it breaks.
    pub snap: Snap,
    /// How it let go.
    pub released: Released,
    /// Streaks and bloom.
    pub streaks: Streaks,
}
