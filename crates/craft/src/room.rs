//! The room: its dew point, and whether it is fit for tempered work.

use crate::catalogue::room as say;
use crate::note::{Note, Working};
use crate::units::{Ratio, Temperature, celsius, in_celsius, in_percent};

/// Rooms in which tempered work goes best, °C (*custom*).
pub const BEST_ROOM_C: [f64; 2] = [18.0, 21.0];
/// Above this, tempered work is discouraged, °C (*custom*).
pub const TOO_WARM_C: f64 = 24.0;
/// Above this, work draws moisture in the fridge and dulls, % (*custom*).
pub const TOO_DAMP_PCT: f64 = 55.0;

/// A kitchen's air.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Room {
    /// Its temperature.
    pub temp: Temperature,
    /// Its relative humidity.
    pub humidity: Ratio,
}

impl Room {
    /// The temperature at which dew forms: Magnus with the constants of
    /// Alduchov & Eskridge 1996, good to 0.4 % from −40 to 50 °C.
    ///
    /// ```
    /// use craft::{room::Room, units::{celsius, in_celsius, percent_of}};
    /// let room = Room { temp: celsius(21.0), humidity: percent_of(55.0) };
    /// assert!((in_celsius(room.dew_point()) - 11.62).abs() < 0.05);
    /// ```
    #[must_use]
    pub fn dew_point(&self) -> Temperature {
        let t = in_celsius(self.temp);
        let gamma = (in_percent(self.humidity) / 100.0).ln() + 17.625 * t / (243.04 + t);
        celsius(243.04 * gamma / (17.625 - gamma))
    }

    /// The working behind the dew point.
    #[must_use]
    pub fn working(&self) -> Vec<Working> {
        vec![
            Working::new("room", in_celsius(self.temp), "°C"),
            Working::new("humidity", in_percent(self.humidity), "%"),
            Working::new("dew forms on anything below", in_celsius(self.dew_point()), "°C"),
        ]
    }

    /// What the room means for the work.
    #[must_use]
    pub fn verdict(&self) -> Vec<Note> {
        let (t, rh) = (in_celsius(self.temp), in_percent(self.humidity));
        let mut notes = Vec::new();
        if t > TOO_WARM_C {
            notes.push(Note::caution(
                "room-too-warm",
                say::room_too_warm(celsius(TOO_WARM_C), BEST_ROOM_C),
            ));
        } else if t > BEST_ROOM_C[1] {
            notes.push(Note::info("room-warm", say::room_warm(BEST_ROOM_C)));
        } else if t < BEST_ROOM_C[0] {
            notes.push(Note::info("room-cool", say::room_cool(BEST_ROOM_C)));
        }
        if rh > TOO_DAMP_PCT {
            notes.push(Note::caution("room-damp", say::room_damp(TOO_DAMP_PCT, self.dew_point())));
        }
        if notes.is_empty() {
            notes.push(Note::info("room-good", say::room_good()));
        }
        notes
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::percent_of;

    fn codes(temp: f64, humidity: f64) -> Vec<String> {
        let room = Room { temp: celsius(temp), humidity: percent_of(humidity) };
        room.verdict().into_iter().map(|n| n.code.into_owned()).collect()
    }

    #[test]
    fn the_verdict_follows_the_room() {
        assert_eq!(codes(20.0, 45.0), ["room-good"]);
        assert_eq!(codes(22.0, 45.0), ["room-warm"]);
        assert_eq!(codes(16.0, 45.0), ["room-cool"]);
        assert_eq!(codes(26.0, 70.0), ["room-too-warm", "room-damp"]);
    }

    #[test]
    fn saturated_air_dews_at_its_own_temperature() {
        let room = Room { temp: celsius(19.0), humidity: percent_of(100.0) };
        assert!((in_celsius(room.dew_point()) - 19.0).abs() < 1e-9);
    }
}
