//! Where the bowl's temperature is going.

use chrono::{DateTime, TimeDelta, Utc};

use super::fold::{Bowl, Heat, between};
use super::record::Record;
use super::setup::Setup;
use crate::heat::cooling::{CoolingFit, Eta, NoForecast, Outlook, Point};
use crate::units::{
    Temperature, TemperatureDifference, Time, celsius, degrees, in_celsius, in_seconds, seconds,
};

/// How far back a forecast looks: stirring and draught change in longer.
const LOOK_BACK: TimeDelta = TimeDelta::minutes(10);
/// After seed or heat the bowl needs this long to even out.
const EVENING_OUT: TimeDelta = TimeDelta::seconds(20);
/// While seed melts, or what was worked on a stone takes hold, it does not cool
/// by the law that a forecast rests on.
const CRYSTALS_TAKE_HEAT: TimeDelta = TimeDelta::seconds(75);
/// How far back the trend looks.
const TREND_BACK: TimeDelta = TimeDelta::seconds(60);
/// Fewest readings for the end of a line to be better than the latest of them…
const FEWEST_FOR_LINE: f64 = 5.0;
/// …and for a mean to be, over how long.
const FEWEST_FOR_MEAN: f64 = 3.0;
const MEAN_BACK: TimeDelta = TimeDelta::seconds(18);
/// A thermometer needs this long to see what was stirred in.
pub(crate) const SETTLING: TimeDelta = TimeDelta::seconds(8);
/// How far ahead the fan is drawn, minutes.
const FAN_MIN: u32 = 12;

/// Water that is cool to the hand, to set a bowl in (*custom*).
#[must_use]
pub fn cool_water() -> Temperature {
    celsius(20.0)
}

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

    /// Where it will be so long after `from`, with its range.
    #[must_use]
    pub fn after(&self, time: Time) -> Outlook {
        self.fit.outlook(time)
    }

    /// The course ahead with its range, a point a minute.
    #[must_use]
    pub fn fan(&self) -> Vec<Outlook> {
        (0..=FAN_MIN).map(|m| self.fit.outlook(seconds(f64::from(m) * 60.0))).collect()
    }
}

/// What the readings say of where the bowl is and where it is going.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Ahead {
    /// Where it is: the thermometer's flicker evened out, if there is enough to
    /// do so.
    pub level: Option<Temperature>,
    /// Where it cools to, if that can be told.
    pub forecast: Option<Forecast>,
    /// How fast it moves, per minute, over the last minute.
    pub trend: Option<TemperatureDifference>,
}

/// Looks ahead from a record.
#[must_use]
pub fn look_ahead(setup: &Setup, record: &Record, bowl: &Bowl) -> Ahead {
    Ahead {
        level: level(record, bowl),
        forecast: forecast(setup, record, bowl).ok(),
        trend: trend(record, bowl),
    }
}

/// Where the bowl is, off the heat and evened out: the end of the straight line
/// through the last minute of trusted readings, or, soon after it was disturbed,
/// the mean of the last few. `None` where readings come too seldom for that.
#[must_use]
pub fn level(record: &Record, bowl: &Bowl) -> Option<Temperature> {
    let (Some(latest), Heat::Off) = (bowl.thermometer.latest, bowl.heating.heat) else {
        return None;
    };
    let back = |by: TimeDelta, calm_for: TimeDelta| {
        bowl.heating.calm_since.map_or(latest.at - by, |calm| (calm + calm_for).max(latest.at - by))
    };
    let line = Line::through(record, bowl, latest.at, back(TREND_BACK, EVENING_OUT));
    if let Some(line) = line.filter(|line| line.n >= FEWEST_FOR_LINE) {
        return Some(celsius(line.end()));
    }
    let (mut n, mut sum) = (0.0, 0.0);
    for (_, temp) in trusted_since(record, bowl, back(MEAN_BACK, SETTLING)) {
        n += 1.0;
        sum += in_celsius(temp);
    }
    (n >= FEWEST_FOR_MEAN).then(|| celsius(sum / n))
}

/// The forecast of a bowl that is left to cool.
///
/// # Errors
/// [`NoForecast`] where the bowl is on the heat, has ended, or its readings do
/// not allow one.
pub fn forecast(setup: &Setup, record: &Record, bowl: &Bowl) -> Result<Forecast, NoForecast> {
    let (Some(latest), Heat::Off, false) =
        (bowl.thermometer.latest, bowl.heating.heat, bowl.ended())
    else {
        return Err(NoForecast::TooLittle);
    };
    let calm = bowl.heating.calm_since.map_or(setup.opened, |calm| calm + EVENING_OUT);
    let crystals =
        bowl.went_in.last_seed.max(bowl.went_in.returned).map(|at| at + CRYSTALS_TAKE_HEAT);
    let since = crystals.map_or(calm, |at| calm.max(at)).max(latest.at - LOOK_BACK);
    let points =
        trusted_since(record, bowl, since).map(|(at, temp)| Point { t: between(since, at), temp });
    let around = if bowl.heating.in_water.is_some() { cool_water() } else { setup.room };
    let fit = CoolingFit::to(points, around)?;
    Ok(Forecast { from: latest.at, fit })
}

/// How fast the temperature moves, per minute, over the last minute of trusted
/// readings: a straight line by least squares. `None` below two readings or
/// fifteen seconds.
#[must_use]
pub fn trend(record: &Record, bowl: &Bowl) -> Option<TemperatureDifference> {
    let latest = bowl.thermometer.latest?;
    let line = Line::through(record, bowl, latest.at, latest.at - TREND_BACK)?;
    Some(degrees(line.slope() * 60.0))
}

/// A straight line through readings, by least squares; times in seconds from its
/// end.
struct Line {
    n: f64,
    t: f64,
    y: f64,
    tt: f64,
    ty: f64,
}

impl Line {
    /// `None` below two readings or fifteen seconds.
    fn through(
        record: &Record,
        bowl: &Bowl,
        end: DateTime<Utc>,
        since: DateTime<Utc>,
    ) -> Option<Self> {
        let mut line = Self { n: 0.0, t: 0.0, y: 0.0, tt: 0.0, ty: 0.0 };
        let mut first = None;
        for (at, temp) in trusted_since(record, bowl, since) {
            let (t, y) = (in_seconds(between(end, at)), in_celsius(temp));
            first.get_or_insert(t);
            line.n += 1.0;
            line.t += t;
            line.y += y;
            line.tt += t * t;
            line.ty += t * y;
        }
        (line.n >= 2.0 && first.is_some_and(|t| t <= -15.0)).then_some(line)
    }

    fn slope(&self) -> f64 {
        (self.n * self.ty - self.t * self.y) / (self.n * self.tt - self.t * self.t)
    }

    fn end(&self) -> f64 {
        (self.y - self.slope() * self.t) / self.n
    }
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
        .zip(&bowl.thermometer.doubts[start..])
        .filter(|(_, doubt)| doubt.is_none())
        .map(|(reading, _)| (reading.at, reading.temp))
}
