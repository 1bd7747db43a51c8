//! By what a browser proves that it is the one that was let in.

use base64::Engine;
use base64::engine::general_purpose::URL_SAFE_NO_PAD;
use ring::signature::{ECDSA_P256_SHA256_FIXED, UnparsedPublicKey};

/// The public half of a key that never leaves the browser that made it: a point of P-256, not
/// compressed. A copy of a device's token does not hold it.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct OwnKey([u8; 65]);

impl OwnKey {
    /// What a browser sent: base64 for addresses, without padding, of 65 bytes; nothing where it
    /// is none.
    #[must_use]
    pub fn sent(text: &str) -> Option<Self> {
        Self::kept(&URL_SAFE_NO_PAD.decode(text).ok()?)
    }

    /// What was kept of it; nothing where it is none.
    #[must_use]
    pub fn kept(bytes: &[u8]) -> Option<Self> {
        let point: [u8; 65] = bytes.try_into().ok()?;
        // What is not compressed begins with a four. SEC 1, 2.3.3.
        (point[0] == 4).then_some(Self(point))
    }

    /// As it is kept.
    #[must_use]
    pub const fn bytes(&self) -> &[u8] {
        &self.0
    }

    /// Whether this key signed what it was asked to sign: ECDSA with SHA-256, both numbers one
    /// after the other, as browsers write them; base64 for addresses, without padding.
    #[must_use]
    pub fn signed(&self, asked: &str, signature: &str) -> bool {
        let Ok(signature) = URL_SAFE_NO_PAD.decode(signature) else { return false };
        let key = UnparsedPublicKey::new(&ECDSA_P256_SHA256_FIXED, &self.0);
        key.verify(asked.as_bytes(), &signature).is_ok()
    }
}

#[cfg(test)]
mod tests {
    use ring::rand::SystemRandom;
    use ring::signature::{ECDSA_P256_SHA256_FIXED_SIGNING, EcdsaKeyPair, KeyPair};

    use super::*;

    #[test]
    fn whoever_has_the_key_signs_what_is_asked_and_nobody_else_does() {
        let chance = SystemRandom::new();
        let pair = || {
            let how = &ECDSA_P256_SHA256_FIXED_SIGNING;
            let made = EcdsaKeyPair::generate_pkcs8(how, &chance).expect("made");
            EcdsaKeyPair::from_pkcs8(how, made.as_ref(), &chance).expect("read")
        };
        let (own, other) = (pair(), pair());
        let sent = |pair: &EcdsaKeyPair| URL_SAFE_NO_PAD.encode(pair.public_key());
        let signed = |pair: &EcdsaKeyPair, asked: &str| {
            URL_SAFE_NO_PAD.encode(pair.sign(&chance, asked.as_bytes()).expect("signed"))
        };
        let key = OwnKey::sent(&sent(&own)).expect("a point");
        assert_eq!(OwnKey::kept(key.bytes()), Some(key.clone()));
        assert!(key.signed("asked", &signed(&own, "asked")));
        assert!(!key.signed("asked", &signed(&own, "asked before")));
        assert!(!key.signed("asked", &signed(&other, "asked")));
        for wrong in ["", "é", "AAAA"] {
            assert!(!key.signed("asked", wrong), "{wrong}");
            assert_eq!(OwnKey::sent(wrong), None, "{wrong}");
        }
        assert_eq!(OwnKey::kept(&[7; 65]), None);
        assert!(!OwnKey::kept(&[4; 65]).expect("its form").signed("asked", &signed(&own, "asked")));
    }
}
