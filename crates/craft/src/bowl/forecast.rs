//! Where the bowl's temperature is going.

use chrono::{DateTime, TimeDelta, Utc};

use super::fold::{Bowl, Heat, between};
use super::record::Record;
use super::setup::Setup;
use crate::heat::cooling::{CoolingFit, Eta, NoForecast, Outlook, Point};
use crate::units::{Temperature, TemperatureDifference, degrees, in_celsius, in_seconds, seconds};

/// How far back a forecast looks: stirring and draught change in longer.
const LOOK_BACK: TimeDelta = TimeDelta::minutes(8);
/// After seed or heat the bowl needs this long to even out.
const EVENING_OUT: TimeDelta = TimeDelta::seconds(20);
/// How far back the trend looks.
const TREND_BACK: TimeDelta = TimeDelta::seconds(60);
/// How far ahead the fan is drawn, minutes.
const FAN_MIN: u32 = 12;

/// A forecast from the latest trusted reading on.
#[derive(Clone, Debug, PartialEq)]
pub struct Forecast {
    /// The time of the latest reading.
    pub from: DateTime<Utc>,
    fit: CoolingFit,
}

impl Forecast {
    /// When a temperature will be reached, from `from` on.
    #[must_use]
    pub fn reach(&self, target: Temperature) -> Option<Eta> {
        self.fit.reach(target)
    }

    /// The course ahead with its range, a point a minute.
    #[must_use]
    pub fn fan(&self) -> Vec<Outlook> {
        (0..=FAN_MIN).map(|m| self.fit.outlook(seconds(f64::from(m) * 60.0))).collect()
    }
}

/// What the readings say of where the bowl is going.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Ahead {
    /// Where it cools to, if that can be told.
    pub forecast: Option<Forecast>,
    /// How fast it moves, per minute, over the last minute.
    pub trend: Option<TemperatureDifference>,
}

/// Looks ahead from a record.
#[must_use]
pub fn look_ahead(setup: &Setup, record: &Record, bowl: &Bowl) -> Ahead {
    Ahead { forecast: forecast(setup, record, bowl).ok(), trend: trend(record, bowl) }
}

/// The forecast of a bowl that is left to cool.
///
/// # Errors
/// [`NoForecast`] where the bowl is on the heat, has ended, or its readings do
/// not allow one.
pub fn forecast(setup: &Setup, record: &Record, bowl: &Bowl) -> Result<Forecast, NoForecast> {
    let (Some(latest), Heat::Off, false) = (bowl.latest, bowl.heat, bowl.ended()) else {
        return Err(NoForecast::TooLittle);
    };
    let since =
        bowl.calm_since.map_or(setup.opened, |calm| calm + EVENING_OUT).max(latest.at - LOOK_BACK);
    let points =
        trusted_since(record, bowl, since).map(|(at, temp)| Point { t: between(since, at), temp });
    let fit = CoolingFit::to(points, setup.room)?;
    Ok(Forecast { from: latest.at, fit })
}

/// How fast the temperature moves, per minute, over the last minute of trusted
/// readings: a straight line by least squares. `None` below two readings or
/// fifteen seconds.
#[must_use]
pub fn trend(record: &Record, bowl: &Bowl) -> Option<TemperatureDifference> {
    let latest = bowl.latest?;
    let points = || {
        trusted_since(record, bowl, latest.at - TREND_BACK)
            .map(|(at, temp)| (in_seconds(between(latest.at, at)), in_celsius(temp)))
    };
    let (mut n, mut st, mut sy, mut stt, mut sty) = (0.0, 0.0, 0.0, 0.0, 0.0);
    let mut first = None;
    for (t, y) in points() {
        first.get_or_insert(t);
        n += 1.0;
        st += t;
        sy += y;
        stt += t * t;
        sty += t * y;
    }
    if n < 2.0 || first.is_none_or(|t| t > -15.0) {
        return None;
    }
    let det = n * stt - st * st;
    Some(degrees((n * sty - st * sy) / det * 60.0))
}

fn trusted_since<'a>(
    record: &'a Record,
    bowl: &'a Bowl,
    since: DateTime<Utc>,
) -> impl Iterator<Item = (DateTime<Utc>, Temperature)> + Clone + 'a {
    let readings = record.readings();
    let start = readings.partition_point(|r| r.at < since);
    readings[start..]
        .iter()
        .zip(&bowl.doubts[start..])
        .filter(|(_, doubt)| doubt.is_none())
        .map(|(reading, _)| (reading.at, reading.temp))
}
