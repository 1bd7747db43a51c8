//! A bottle that stands: its pigment settles.

use chrono::{DateTime, TimeDelta, Utc};

use super::fold::Bowl;

/// Pigment has settled after so long (*custom*).
const SETTLES_IN: TimeDelta = TimeDelta::minutes(10);

/// Whether a colour is to be shaken or stirred again before it is used: it was not for
/// ten minutes, or never.
#[must_use]
pub fn shake_due(bowl: &Bowl, now: DateTime<Utc>) -> bool {
    bowl.last_stir.is_none_or(|stirred| now - stirred >= SETTLES_IN)
}
