//! The code that a new device is let in by.

use std::fmt;

use sha2::{Digest, Sha256};

use crate::TrustError;

/// So many digits: what a person reads off one screen and types on another.
const DIGITS: u32 = 6;

/// Six digits by chance.
///
/// A guess is right once in a million; with [`TRIES`](crate::TRIES) a code, and a new code only
/// from a screen that is let in already, that is what a guesser gets.
#[derive(Clone, Copy, PartialEq, Eq)]
pub struct Code(u32);

impl Code {
    /// A new one.
    ///
    /// # Errors
    /// Where the machine gives no chance.
    pub fn random() -> Result<Self, TrustError> {
        // Of 2^64 the last incomplete million weighs nothing: one in 10^13.
        let chance = getrandom::u64()?;
        Ok(Self(u32::try_from(chance % u64::from(10u32.pow(DIGITS))).unwrap_or_default()))
    }

    /// What somebody typed: six digits, with spaces or hyphens wherever they like.
    #[must_use]
    pub fn typed(text: &str) -> Option<Self> {
        let digits: String = text.chars().filter(|c| !c.is_whitespace() && *c != '-').collect();
        let all = digits.len() == DIGITS as usize && digits.bytes().all(|b| b.is_ascii_digit());
        all.then(|| digits.parse().ok().map(Self)).flatten()
    }

    /// What is kept of it, so that a copy of what is kept shows no code: it is short, and so
    /// worth that only while it stands.
    #[must_use]
    pub fn digest(self, salt: &[u8; 16]) -> [u8; 32] {
        Sha256::new().chain_update(salt).chain_update(self.0.to_be_bytes()).finalize().into()
    }
}

/// As it is shown: `042 118`.
impl fmt::Display for Code {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "{:03} {:03}", self.0 / 1000, self.0 % 1000)
    }
}

/// A code is not for logs.
impl fmt::Debug for Code {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str("Code(…)")
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn it_is_typed_as_it_is_shown_or_without_its_space() {
        let code = Code(42_118);
        assert_eq!(code.to_string(), "042 118");
        for typed in ["042 118", "042118", " 04-21-18 ", "0 4 2 1 1 8"] {
            assert_eq!(Code::typed(typed), Some(code), "{typed}");
        }
        for wrong in ["", "42118", "0421180", "04211x", "+42118", "٠٤٢١١٨"] {
            assert_eq!(Code::typed(wrong), None, "{wrong}");
        }
        assert!(!format!("{code:?}").contains("42"));
    }

    #[test]
    fn no_two_are_the_same_and_neither_is_what_is_kept_of_one() {
        let codes: Vec<Code> = (0..8).map(|_| Code::random().expect("chance")).collect();
        assert!(codes.windows(2).any(|pair| pair[0] != pair[1]));
        assert_ne!(codes[0].digest(&[0; 16]), codes[0].digest(&[1; 16]));
        assert_eq!(codes[0].digest(&[7; 16]), codes[0].digest(&[7; 16]));
    }
}
