//! Which thermometer measures which bowl: one at a time.

use std::collections::HashMap;
use std::sync::Mutex;

use chrono::{DateTime, TimeDelta, Utc};
use uuid::Uuid;

/// A thermometer that was silent for this long has left the bowl.
const GONE_AFTER: TimeDelta = TimeDelta::minutes(2);
/// The longest name.
pub const LONGEST_NAME: usize = 40;

/// The thermometers that were heard lately and gave their name.
#[derive(Debug, Default)]
pub struct Probes(Mutex<HashMap<Uuid, (String, DateTime<Utc>)>>);

impl Probes {
    /// Hears a thermometer at a bowl, at real time.
    ///
    /// # Errors
    /// The name of another that measures the bowl already.
    pub fn hear(&self, bowl: Uuid, name: &str, now: DateTime<Utc>) -> Result<(), String> {
        let Ok(mut heard) = self.0.lock() else { return Ok(()) };
        heard.retain(|_, (_, at)| now - *at < GONE_AFTER);
        match heard.get(&bowl) {
            Some((other, _)) if other != name => Err(other.clone()),
            _ => {
                heard.insert(bowl, (name.to_owned(), now));
                Ok(())
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_second_one_is_told_of_the_first_until_that_is_silent() {
        let (probes, bowl, now) = (Probes::default(), Uuid::from_u128(1), DateTime::UNIX_EPOCH);
        assert_eq!(probes.hear(bowl, "stick", now), Ok(()));
        assert_eq!(probes.hear(Uuid::from_u128(2), "gun", now), Ok(()));
        assert_eq!(probes.hear(bowl, "gun", now), Err("stick".to_owned()));
        assert_eq!(probes.hear(bowl, "stick", now + TimeDelta::seconds(100)), Ok(()));
        assert_eq!(
            probes.hear(bowl, "gun", now + TimeDelta::seconds(200)),
            Err("stick".to_owned())
        );
        assert_eq!(probes.hear(bowl, "gun", now + TimeDelta::seconds(221)), Ok(()));
    }
}
