//! What a person compares.

use sha2::{Digest, Sha256};

/// The SHA-256 of a certificate's DER, as devices show it: two digits at a time, in capitals.
pub(crate) fn fingerprint(der: &[u8]) -> String {
    let bytes: Vec<String> = Sha256::digest(der).iter().map(|byte| format!("{byte:02X}")).collect();
    bytes.join(":")
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn it_is_what_devices_show() {
        let of_nothing = fingerprint(b"");
        assert!(of_nothing.starts_with("E3:B0:C4:42:98:FC:1C:14"), "{of_nothing}");
        assert_eq!(of_nothing.len(), 32 * 3 - 1);
    }
}
