//! A bowl's cooling, fitted and forecast.
//!
//! A stirred bowl left alone falls toward the room as
//! T(t) = T_a + (T_0 − T_a)·e^(−k·t). With the room known, ln(T − T_a) is a
//! straight line in time; fitted by least squares, each reading weighted by
//! (T − T_a)², which makes errors in degrees count alike along the curve.

use statrs::distribution::{ContinuousCDF, StudentsT};

use crate::catalogue::heat as say;
use crate::message::{Message, spoken};
use crate::units::{
    HeatCapacity, Temperature, TemperatureDifference, ThermalConductance, Time, celsius, degrees,
    in_celsius, in_degrees, in_joules_per_degree, in_seconds, rise, seconds, watts_per_degree,
};

/// Fewest readings a forecast rests on.
pub const FEWEST_READINGS: usize = 3;
/// Shortest stretch of time a forecast rests on, seconds.
pub const SHORTEST_SPAN_S: f64 = 45.0;
/// Share of cases that a stated range is meant to hold.
pub const CONFIDENCE: f64 = 0.9;
/// No kitchen thermometer is better than this, however calm its readings, °C.
const PROBE_FLOOR_C: f64 = 0.05;
/// What the one-exponential picture itself is worth, on the early and on the late
/// side: shares of the time ahead, and seconds (*custom*; stirring and the draught
/// change, and crystals that form toward the end give heat, so what is near is
/// late more often than early).
const MODEL_SHARES: [f64; 2] = [0.05, 0.05];
const MODEL_S: [f64; 2] = [0.0, 20.0];

/// What lies further ahead is as good as never, s: a day (*custom*).
const NEVER_S: f64 = 86_400.0;

/// One point of a cooling record.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Point {
    /// Time from the start of the record.
    pub t: Time,
    /// What the thermometer said.
    pub temp: Temperature,
}

/// Why there is no forecast.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum NoForecast {
    /// Too little to go by.
    TooLittle,
    /// The readings do not fall toward the room.
    NotCooling,
    /// A reading is at or below the room's temperature.
    AtRoom {
        /// The room's temperature, °C.
        room_c: f64,
    },
}

impl NoForecast {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::TooLittle => {
                say::too_little_to_forecast(FEWEST_READINGS, seconds(SHORTEST_SPAN_S))
            }
            Self::NotCooling => say::not_cooling(),
            Self::AtRoom { room_c } => say::at_room(celsius(*room_c)),
        }
    }
}

spoken!(NoForecast);

/// When a temperature will be reached, counted from the last reading.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Eta {
    /// Most likely.
    pub typical: Time,
    /// Not likely before.
    pub earliest: Time,
    /// Not likely after; `None` where it may never be reached.
    pub latest: Option<Time>,
}

impl Eta {
    /// Whether its range is narrower than the time that is left, or than a minute:
    /// a wider one tells nothing to go by.
    #[must_use]
    pub fn is_sharp(&self) -> bool {
        let most = self.typical.max(seconds(60.0));
        self.latest.is_some_and(|latest| latest - self.earliest <= most)
    }
}

/// A point of the forecast, with its range.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Outlook {
    /// Time from the last reading.
    pub after: Time,
    /// Most likely temperature.
    pub typical: Temperature,
    /// Lower end of the range.
    pub low: Temperature,
    /// Upper end of the range.
    pub high: Temperature,
}

/// A fitted cooling. Times run from the last reading.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct CoolingFit {
    room: Temperature,
    /// ln of the excess over the room at the last reading.
    a: f64,
    /// Cooling rate, 1/s.
    k: f64,
    var_a: f64,
    var_k: f64,
    cov_ak: f64,
    /// Two-sided quantile of Student's t for the readings at hand.
    quantile: f64,
}

impl CoolingFit {
    /// Fits a record that is in order of time and free of outliers.
    ///
    /// # Errors
    /// Where there are too few readings, over too short a time, or they do not
    /// fall toward the room.
    pub fn to(
        points: impl Iterator<Item = Point> + Clone,
        room: Temperature,
    ) -> Result<Self, NoForecast> {
        let room_c = in_celsius(room);
        let mut ends: Option<(f64, f64)> = None;
        let mut n = 0usize;
        for p in points.clone() {
            let t = in_seconds(p.t);
            ends = Some((ends.map_or(t, |(first, _)| first), t));
            n += 1;
            if p.temp <= room {
                return Err(NoForecast::AtRoom { room_c });
            }
        }
        let Some((first, last)) = ends else { return Err(NoForecast::TooLittle) };
        if n < FEWEST_READINGS || last - first < SHORTEST_SPAN_S {
            return Err(NoForecast::TooLittle);
        }

        // Weighted sums for y = a − k·t with t counted from the last reading.
        let (mut w_sum, mut wt, mut wy, mut wtt, mut wty) = (0.0, 0.0, 0.0, 0.0, 0.0);
        for p in points.clone() {
            let t = in_seconds(p.t) - last;
            let excess = in_degrees(rise(room, p.temp));
            let (w, y) = (excess * excess, excess.ln());
            w_sum += w;
            wt += w * t;
            wy += w * y;
            wtt += w * t * t;
            wty += w * t * y;
        }
        let det = w_sum * wtt - wt * wt;
        let slope = (w_sum * wty - wt * wy) / det;
        let a = (wy - slope * wt) / w_sum;
        let k = -slope;
        // NaN (all readings at one time) must not pass either.
        if k.partial_cmp(&0.0) != Some(std::cmp::Ordering::Greater) {
            return Err(NoForecast::NotCooling);
        }

        let squares: f64 = points
            .map(|p| {
                let t = in_seconds(p.t) - last;
                let miss = in_degrees(rise(room, p.temp)) - (a - k * t).exp();
                miss * miss
            })
            .sum();
        #[allow(clippy::cast_precision_loss)] // a record never has 2^52 readings
        let freedom = (n - 2) as f64;
        let variance = (squares / freedom).max(PROBE_FLOOR_C * PROBE_FLOOR_C);
        let quantile = StudentsT::new(0.0, 1.0, freedom)
            .map_or(2.0, |t| t.inverse_cdf(0.5 + CONFIDENCE / 2.0));
        Ok(Self {
            room,
            a,
            k,
            var_a: variance * wtt / det,
            var_k: variance * w_sum / det,
            // slope = −k, so the covariance with k has the opposite sign.
            cov_ak: variance * wt / det,
            quantile,
        })
    }

    /// Cooling rate in 1/min.
    #[must_use]
    pub fn k_per_min(&self) -> f64 {
        self.k * 60.0
    }

    /// How fast it falls at the last reading, per minute (negative).
    #[must_use]
    pub fn trend_per_min(&self) -> TemperatureDifference {
        degrees(-self.k * self.a.exp() * 60.0)
    }

    /// The bowl's own heat loss: k·(heat held per degree).
    #[must_use]
    pub fn ua(&self, heat_held: HeatCapacity) -> ThermalConductance {
        watts_per_degree(self.k * in_joules_per_degree(heat_held))
    }

    /// The temperature a while after the last reading, with its range.
    #[must_use]
    pub fn outlook(&self, after: Time) -> Outlook {
        let t = in_seconds(after);
        let excess = (self.a - self.k * t).exp();
        let [early, late] = self.log_spread(t);
        let at = |e: f64| self.room + degrees(e);
        Outlook {
            after,
            typical: at(excess),
            low: at((excess * (1.0 - early)).max(0.0)),
            high: at(excess * (1.0 + late)),
        }
    }

    /// When a temperature is reached; `None` where it never is (or not within a
    /// day), or is passed already.
    #[must_use]
    pub fn reach(&self, target: Temperature) -> Option<Eta> {
        let excess = in_degrees(rise(self.room, target));
        if excess <= 0.0 {
            return None;
        }
        let t = (self.a - excess.ln()) / self.k;
        if !(0.0..NEVER_S).contains(&t) {
            return None;
        }
        // The range in time is where the upper and lower edges of the fan cross
        // the target: the spread in ln(excess) over the slope there.
        let [early, late] = self.log_spread(t).map(|spread| spread / self.k);
        let latest_possible = self.quantile * self.var_k.sqrt() < self.k;
        Some(Eta {
            typical: seconds(t),
            earliest: seconds((t - early).max(0.0)),
            latest: Some(t + late).filter(|s| latest_possible && *s < NEVER_S).map(seconds),
        })
    }

    /// The range of ln(excess) at a time ahead, on the early and on the late side,
    /// model error included.
    fn log_spread(&self, t: f64) -> [f64; 2] {
        let variance = self.var_a + t * t * self.var_k - 2.0 * t * self.cov_ak;
        let by_readings = self.quantile * variance.max(0.0).sqrt();
        [0, 1].map(|side| by_readings + (MODEL_SHARES[side] * t + MODEL_S[side]) * self.k)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::celsius;

    fn curve(room: f64, start: f64, k_per_s: f64, every_s: f64, n: u32) -> Vec<Point> {
        (0..n)
            .map(|i| {
                let t = every_s * f64::from(i);
                let temp = room + (start - room) * (-k_per_s * t).exp();
                Point { t: seconds(t), temp: celsius(temp) }
            })
            .collect()
    }

    fn fit(points: &[Point], room: f64) -> Result<CoolingFit, NoForecast> {
        CoolingFit::to(points.iter().copied(), celsius(room))
    }

    #[test]
    fn a_clean_curve_gives_its_own_rate_and_time_back() {
        let points = curve(20.0, 40.0, 0.001, 10.0, 30);
        let fitted = fit(&points, 20.0).expect("cooling");
        assert!((fitted.k_per_min() - 0.06).abs() < 1e-6);
        let now = 20.0 + 20.0 * (-0.29_f64).exp();
        let expected = ((now - 20.0) / 11.5_f64).ln() / 0.001;
        let eta = fitted.reach(celsius(31.5)).expect("reached");
        assert!((in_seconds(eta.typical) - expected).abs() < 0.01);
        assert!(eta.earliest < eta.typical && Some(eta.typical) < eta.latest);
    }

    #[test]
    fn too_little_is_no_forecast() {
        assert_eq!(fit(&curve(20.0, 40.0, 0.001, 10.0, 2), 20.0), Err(NoForecast::TooLittle));
        assert_eq!(fit(&curve(20.0, 40.0, 0.001, 10.0, 5), 20.0), Err(NoForecast::TooLittle));
        assert_eq!(fit(&[], 20.0), Err(NoForecast::TooLittle));
    }

    #[test]
    fn warming_and_readings_below_the_room_are_no_forecast() {
        let mut warming = curve(20.0, 40.0, 0.001, 10.0, 20);
        let falling: Vec<_> = warming.iter().map(|p| p.temp).rev().collect();
        for (p, temp) in warming.iter_mut().zip(falling) {
            p.temp = temp;
        }
        assert_eq!(fit(&warming, 20.0), Err(NoForecast::NotCooling));
        let cold = curve(20.0, 40.0, 0.001, 10.0, 20);
        assert_eq!(fit(&cold, 38.0), Err(NoForecast::AtRoom { room_c: 38.0 }));
    }

    #[test]
    fn what_is_below_the_room_or_behind_us_is_never_reached() {
        let fitted = fit(&curve(24.0, 40.0, 0.001, 10.0, 20), 24.0).expect("cooling");
        assert_eq!(fitted.reach(celsius(23.0)), None);
        assert_eq!(fitted.reach(celsius(39.9)), None);
    }

    #[test]
    fn what_would_take_days_is_never_and_no_time_overflows() {
        // So flat that its rate is all but nothing.
        let flat = curve(20.0, 32.0, 1e-12, 5.0, 40);
        let fit = CoolingFit::to(flat.into_iter(), celsius(20.0));
        assert!(fit.is_ok_and(|fit| fit.reach(celsius(31.0)).is_none()) || fit.is_err());
        let slow = curve(20.0, 32.0, 2e-6, 5.0, 40);
        let fit = CoolingFit::to(slow.into_iter(), celsius(20.0)).expect("it falls");
        let eta = fit.reach(celsius(31.7)).expect("within hours");
        assert!(in_seconds(eta.typical) > 3600.0);
        assert_eq!(eta.latest, None);
        assert!(fit.reach(celsius(25.0)).is_none());
    }

    #[test]
    fn noise_widens_the_range_and_the_fan_opens_with_time() {
        let calm = curve(20.0, 40.0, 0.001, 5.0, 40);
        let mut noisy = calm.clone();
        for (i, p) in noisy.iter_mut().enumerate() {
            p.temp += degrees(if i % 2 == 0 { 0.4 } else { -0.4 });
        }
        let width = |points: &[Point]| {
            let eta = fit(points, 20.0).expect("cooling").reach(celsius(32.0)).expect("reached");
            in_seconds(eta.latest.expect("bounded")) - in_seconds(eta.earliest)
        };
        assert!(width(&noisy) > 2.0 * width(&calm));
        let fan = fit(&noisy, 20.0).expect("cooling");
        let opening = |t: f64| {
            let o = fan.outlook(seconds(t));
            in_degrees(rise(o.low, o.high))
        };
        assert!(opening(600.0) > opening(60.0));
    }
}
