//! Time on the wall, and times that are sent.
//!
//! There are two sorts of time, and they are two types. *Kitchen time* is a batch's own: a
//! plain `DateTime<Utc>` in all rules about readings, actions and steps. It keeps pace with
//! the wall in a real kitchen, and runs faster, or stands still, where a simulated
//! thermometer is tried out. *Wall time* is [`WallTime`]: when something was noted, sent or
//! shown. Only a batch's clock turns one into the other, so that a bowl that was tempered
//! at sixty times the pace is not poured in the future of its own result.

use std::fmt;

use chrono::{DateTime, TimeDelta, Timelike, Utc};
use serde::de::Error;
use serde::{Deserialize, Deserializer, Serialize};

/// A moment by the clock on the wall.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(transparent)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WallTime(pub DateTime<Utc>);

impl WallTime {
    /// How much later it is than another.
    #[must_use]
    pub fn since(self, earlier: Self) -> TimeDelta {
        self.0 - earlier.0
    }

    /// So much later.
    #[must_use]
    pub fn after(self, passed: TimeDelta) -> Self {
        Self(self.0.checked_add_signed(passed).unwrap_or(self.0))
    }
}

impl fmt::Display for WallTime {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        self.0.fmt(f)
    }
}

/// Whether a time is from 2000 to 2100: no record reaches further, and no database needs to
/// be asked whether it could.
#[must_use]
pub fn is_in_range(at: DateTime<Utc>) -> bool {
    use chrono::Datelike;
    (2000..2100).contains(&at.year())
}

/// A time as it can be kept: to the millisecond, and a leap second as the next one.
///
/// ```
/// use craft::time::kept;
///
/// let leap: chrono::DateTime<chrono::Utc> = "2026-12-31T23:59:60Z".parse().unwrap();
/// assert_eq!(kept(leap).to_rfc3339(), "2027-01-01T00:00:00+00:00");
/// ```
#[must_use]
pub fn kept(at: DateTime<Utc>) -> DateTime<Utc> {
    // chrono writes a leap second as more than a thousand milliseconds of the one before.
    let over_ms = i64::from(at.nanosecond() / 1_000_000);
    DateTime::from_timestamp(at.timestamp(), 0)
        .and_then(|second| second.checked_add_signed(TimeDelta::milliseconds(over_ms)))
        .unwrap_or(at)
}

/// A time that somebody sent: RFC 3339, from 2000 to 2100.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize)]
#[serde(transparent)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Timestamp(pub DateTime<Utc>);

impl<'de> Deserialize<'de> for Timestamp {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        let text = String::deserialize(deserializer)?;
        let read = DateTime::parse_from_rfc3339(&text).map_err(|_| {
            D::Error::custom(format!("must be a time such as 2026-11-27T19:30:00Z; it is {text:?}"))
        })?;
        let at = kept(read.to_utc());
        if is_in_range(at) {
            Ok(Self(at))
        } else {
            Err(D::Error::custom(format!("must be a time from 2000 to 2100; it is {text:?}")))
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn read(text: &str) -> Result<DateTime<Utc>, String> {
        serde_json::from_value::<Timestamp>(serde_json::Value::String(text.to_owned()))
            .map(|stamp| stamp.0)
            .map_err(|error| error.to_string())
    }

    #[test]
    fn a_second_of_sixty_is_the_next_one_and_never_no_time() {
        for (sent, kept) in [
            ("2026-10-09T19:30:60Z", "2026-10-09T19:31:00+00:00"),
            ("2026-10-09T23:59:60.5+00:00", "2026-10-10T00:00:00.500+00:00"),
            ("2026-10-09T21:30:05.1234567+02:00", "2026-10-09T19:30:05.123+00:00"),
        ] {
            assert_eq!(read(sent).map(|at| at.to_rfc3339()), Ok(kept.to_owned()), "{sent}");
        }
    }

    #[test]
    fn what_lies_outside_the_century_or_is_no_time_is_refused_with_what_would_be_right() {
        for sent in ["1999-12-31T23:59:59Z", "2100-01-01T00:00:00Z", "9999-12-31T23:59:59Z"] {
            assert!(read(sent).is_err_and(|told| told.contains("from 2000 to 2100")), "{sent}");
        }
        assert!(read("2038-06-01T00:00:00Z").is_ok(), "the year 2038 is one like any other");
        for sent in ["yesterday", "", "2026-13-01T00:00:00Z", "2026-10-09"] {
            assert!(read(sent).is_err_and(|told| told.contains("such as")), "{sent}");
        }
    }
}
