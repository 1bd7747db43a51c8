//! What a thing was begun with, in sixteen bytes: sent again by the same id it must be the
//! same.

use serde::Serialize;
use uuid::Uuid;

/// Sets these digests apart from ids that are derived in other ways.
const SPACE: Uuid = Uuid::from_u128(0x5711_0000_d16e_5700_8000_0000_0000_0001);

/// The digest of what was sent.
#[must_use]
pub fn digest(sent: &impl Serialize) -> Uuid {
    let bytes = serde_json::to_vec(sent).unwrap_or_default();
    Uuid::new_v5(&SPACE, &bytes)
}

/// The digest of bytes.
#[must_use]
pub fn digest_of_bytes(sent: &[u8]) -> Uuid {
    Uuid::new_v5(&SPACE, sent)
}
