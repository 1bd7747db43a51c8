//! What a device that was let in shows each time.

use std::fmt;

use base64::Engine;
use base64::engine::general_purpose::URL_SAFE_NO_PAD;
use sha2::{Digest, Sha256};

use crate::TrustError;

/// 256 bits by chance. Only its digest is kept: no copy of what is kept lets anybody in.
#[derive(Clone, PartialEq, Eq)]
pub struct Token([u8; 32]);

impl Token {
    /// A new one.
    ///
    /// # Errors
    /// Where the machine gives no chance.
    pub fn random() -> Result<Self, TrustError> {
        let mut bytes = [0; 32];
        getrandom::fill(&mut bytes)?;
        Ok(Self(bytes))
    }

    /// What a device showed; nothing where that is no token at all.
    #[must_use]
    pub fn shown(text: &str) -> Option<Self> {
        URL_SAFE_NO_PAD.decode(text).ok()?.try_into().ok().map(Self)
    }

    /// As the device keeps it: 43 letters, digits, `-` and `_`.
    #[must_use]
    pub fn text(&self) -> String {
        URL_SAFE_NO_PAD.encode(self.0)
    }

    /// What is kept of it here. It is long enough to need no salt and no slow hash.
    #[must_use]
    pub fn digest(&self) -> [u8; 32] {
        Sha256::digest(self.0).into()
    }
}

/// A token is not for logs.
impl fmt::Debug for Token {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str("Token(…)")
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_a_device_shows_is_what_it_was_given_and_nothing_else_is_one() {
        let token = Token::random().expect("chance");
        assert_eq!(token.text().len(), 43);
        assert_eq!(Token::shown(&token.text()), Some(token.clone()));
        assert_ne!(Token::random().expect("chance"), token);
        let long = format!("{}A", token.text());
        for wrong in ["", "short", &long, "é", "=".repeat(43).as_str()] {
            assert_eq!(Token::shown(wrong), None, "{wrong}");
        }
        assert!(!format!("{token:?}").contains(&token.text()));
        assert_ne!(token.digest(), token.0);
    }
}
