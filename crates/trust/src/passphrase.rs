//! The passphrase that the maker may set for this machine's own screen.

use argon2::Argon2;
use argon2::password_hash::phc::PasswordHash;
use argon2::password_hash::{PasswordHasher, PasswordVerifier};

use crate::TrustError;

/// The fewest characters. NIST SP 800-63B: length, and no rules of what must be in it.
pub const FEWEST: usize = 8;
/// The most: what is longer keeps the machine busy.
pub const MOST: usize = 200;

/// What is kept of a passphrase: its Argon2id hash, with its salt and its parameters in it.
///
/// # Errors
/// [`TrustError::Passphrase`] where it is too short or too long; where the machine gives no chance.
pub fn hashed(passphrase: &str) -> Result<String, TrustError> {
    let length = passphrase.chars().count();
    if !(FEWEST..=MOST).contains(&length) {
        return Err(TrustError::Passphrase { length });
    }
    let hash = Argon2::default().hash_password(passphrase.as_bytes());
    Ok(hash.map_err(|error| TrustError::NotHashed(error.to_string()))?.to_string())
}

/// Whether it is the one of which that is kept. What is kept and cannot be read is of none.
#[must_use]
pub fn is(passphrase: &str, kept: &str) -> bool {
    // What is too long never was one, and is not worth the work.
    passphrase.chars().count() <= MOST
        && PasswordHash::new(kept).is_ok_and(|kept| {
            Argon2::default().verify_password(passphrase.as_bytes(), &kept).is_ok()
        })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_one_that_was_set_is_taken_and_no_other() {
        let kept = hashed("four copper bowls").expect("long enough");
        assert!(kept.starts_with("$argon2id$"), "{kept}");
        assert!(is("four copper bowls", &kept));
        for wrong in ["four copper bowl", "Four copper bowls", "", &"x".repeat(MOST + 1)] {
            assert!(!is(wrong, &kept), "{wrong}");
        }
        assert_ne!(hashed("four copper bowls").expect("long enough"), kept, "each has its salt");
        assert!(!is("four copper bowls", "nonsense"));
    }

    #[test]
    fn one_that_is_too_short_or_too_long_is_refused_with_what_would_be_right() {
        for wrong in ["bowls", "", &"x".repeat(MOST + 1)] {
            let refused = hashed(wrong).expect_err("it is no passphrase").to_string();
            assert!(refused.starts_with("a passphrase has 8 to 200 characters"), "{refused}");
        }
        assert!(hashed("äöüßéèçñ").is_ok(), "characters, not bytes");
    }
}
