//! Enumerations that are kept and sent by a word each.

/// Declares an enumeration whose variants have a word each: the one they are kept by in
/// the database, sent by in the API and written by in tables.
macro_rules! worded {
    ($(#[$doc:meta])* $name:ident { $($(#[$variant_doc:meta])* $variant:ident = $word:tt),+ $(,)? }) => {
        $(#[$doc])*
        #[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, PartialOrd, Ord, serde::Serialize, serde::Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        pub enum $name { $($(#[$variant_doc])* #[serde(rename = $word)] $variant),+ }

        impl $name {
            /// All of them.
            pub const ALL: &'static [Self] = &[$(Self::$variant),+];

            /// The word it is kept by.
            #[must_use]
            pub const fn word(self) -> &'static str {
                match self { $(Self::$variant => $word),+ }
            }

            /// The one that a word stands for.
            #[must_use]
            pub fn from_word(word: &str) -> Option<Self> {
                match word { $($word => Some(Self::$variant),)+ _ => None }
            }
        }
    };
}

pub(crate) use worded;
