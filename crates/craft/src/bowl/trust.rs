//! Which readings to believe.
//!
//! A doubtful reading is never thrown away: it is kept, marked with the reason,
//! and left out of trend and forecast.

use chrono::{DateTime, TimeDelta, Utc};
use serde::{Deserialize, Serialize};

use super::event::{Reading, Source};
use crate::check::Bounds;
use crate::units::{Temperature, in_celsius};

/// What a bowl of chocolate can be, °C.
pub const CHOCOLATE_C: Bounds = Bounds { min: 5.0, max: 90.0, unit: "°C" };
/// A sudden step larger than this is doubted, °C…
const STEP_C: f64 = 4.0;
/// …with this much more allowed for each second between readings, °C/s: a burst
/// in a strong microwave warms 200 g by about half a degree a second.
const STEP_PER_S: f64 = 0.6;
/// This many readings in a row that agree with each other are a real change.
const AGREEING: u32 = 3;
/// Readings agree where they lie this close, °C.
const AGREE_C: f64 = 1.5;
/// Clocks may differ by this much from the bowl's own.
const CLOCK_SLACK: TimeDelta = TimeDelta::minutes(2);
/// A bowl may be opened in the app some time after it was put on.
const BEFORE_OPENING: TimeDelta = TimeDelta::hours(2);

/// So many readings the same to the digit…
const STUCK_READINGS: usize = 8;
/// …and still so long after seed or heat: it has stopped.
const STUCK_FOR: TimeDelta = TimeDelta::seconds(45);

/// Why a reading is doubted.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Doubt {
    /// No bowl of chocolate is that cold or that hot.
    OutOfRange,
    /// It jumped away from the readings around it.
    Jump,
    /// Its time lies well before the bowl was opened.
    BeforeOpening,
    /// Its time has not come yet.
    AheadOfTime,
}

/// Whether a temperature can be a bowl of chocolate at all.
#[must_use]
pub fn plausible(temp: Temperature) -> bool {
    CHOCOLATE_C.contain(in_celsius(temp))
}

/// The doubt about each reading, in the same order; `None` where it is trusted.
///
/// `readings` must be in order of time.
#[must_use]
pub fn doubts(
    readings: &[Reading],
    opened: DateTime<Utc>,
    now: DateTime<Utc>,
) -> Vec<Option<Doubt>> {
    let mut trusted: Option<Reading> = None;
    let mut outlier: Option<(Reading, u32)> = None;
    readings
        .iter()
        .map(|reading| {
            if reading.at < opened - BEFORE_OPENING {
                return Some(Doubt::BeforeOpening);
            }
            if reading.at > now + CLOCK_SLACK {
                return Some(Doubt::AheadOfTime);
            }
            if !plausible(reading.temp) {
                return Some(Doubt::OutOfRange);
            }
            let Some(last) = trusted else {
                trusted = Some(*reading);
                return None;
            };
            if !jumped(&last, reading) {
                trusted = Some(*reading);
                outlier = None;
                return None;
            }
            let run = match outlier {
                Some((other, run)) if distance(&other, reading) <= AGREE_C => run + 1,
                _ => 1,
            };
            if run >= AGREEING {
                trusted = Some(*reading);
                outlier = None;
                return None;
            }
            outlier = Some((*reading, run));
            Some(Doubt::Jump)
        })
        .collect()
}

/// Whether the thermometer has stopped: it shows the same to the digit over
/// minutes in which seed or heat went in.
///
/// A bowl that is left alone may well stay the same for a while; one that was
/// just seeded or heated does not, and a live thermometer flickers.
#[must_use]
pub fn stuck(readings: &[Reading], disturbed: Option<DateTime<Utc>>) -> bool {
    let (Some(last), Some(disturbed)) = (readings.last(), disturbed) else { return false };
    let same = readings
        .iter()
        .rev()
        .take_while(|r| r.source == Source::Probe && in_celsius(r.temp) == in_celsius(last.temp));
    let (mut count, mut first) = (0, last.at);
    for reading in same {
        count += 1;
        first = reading.at;
    }
    count >= STUCK_READINGS && first < disturbed && last.at - disturbed >= STUCK_FOR
}

fn distance(a: &Reading, b: &Reading) -> f64 {
    (in_celsius(a.temp) - in_celsius(b.temp)).abs()
}

fn jumped(last: &Reading, next: &Reading) -> bool {
    #[allow(clippy::cast_precision_loss)] // milliseconds within a day
    let apart_s = (next.at - last.at).num_milliseconds() as f64 / 1000.0;
    distance(last, next) > STEP_C + STEP_PER_S * apart_s
}

#[cfg(test)]
mod tests {
    use uuid::Uuid;

    use super::*;
    use crate::bowl::Source;
    use crate::units::celsius;

    fn at(s: i64) -> DateTime<Utc> {
        DateTime::from_timestamp(1_790_000_000 + s, 0).expect("in range")
    }

    fn doubts_of(temps: &[(i64, f64)]) -> Vec<Option<Doubt>> {
        let readings: Vec<_> = temps
            .iter()
            .enumerate()
            .map(|(i, &(s, c))| Reading {
                id: Uuid::from_u128(i as u128),
                at: at(s),
                temp: celsius(c),
                source: Source::Probe,
            })
            .collect();
        doubts(&readings, at(0), at(600))
    }

    #[test]
    fn a_single_spike_is_doubted_and_the_next_is_not() {
        assert_eq!(
            doubts_of(&[(0, 40.0), (1, 39.9), (2, 61.0), (3, 39.8)]),
            [None, None, Some(Doubt::Jump), None]
        );
    }

    #[test]
    fn a_probe_moved_to_another_spot_is_believed_in_the_end() {
        assert_eq!(
            doubts_of(&[(0, 40.0), (1, 33.0), (2, 33.1), (3, 33.0), (4, 33.1)]),
            [None, Some(Doubt::Jump), Some(Doubt::Jump), None, None]
        );
    }

    #[test]
    fn what_no_bowl_can_be_is_out_of_range() {
        assert_eq!(
            doubts_of(&[(0, -40.0), (1, 40.0), (2, 200.0)]),
            [Some(Doubt::OutOfRange), None, Some(Doubt::OutOfRange)]
        );
    }

    #[test]
    fn a_clock_that_jumps_is_told_apart() {
        assert_eq!(
            doubts_of(&[(-10_000, 40.0), (1, 40.0), (5_000, 39.0)]),
            [Some(Doubt::BeforeOpening), None, Some(Doubt::AheadOfTime)]
        );
    }

    #[test]
    fn a_long_gap_allows_a_large_step() {
        assert_eq!(doubts_of(&[(0, 45.0), (120, 30.0)]), [None, None]);
    }
}
