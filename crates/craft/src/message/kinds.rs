//! What a wording can ask for: kinds of parameters, each with its unit and its decimals.
//!
//! The catalogue says which kind stands where; only a quantity of that kind goes in. A mass
//! cannot be told as a time, nor a difference as a temperature.

use super::{Message, Param, Quantity};
use crate::units::{
    Area, Length, Mass, Temperature, TemperatureDifference, Time, Volume, in_celsius, in_degrees,
    in_grams, in_millilitres, in_millimetres, in_seconds, in_square_centimetres,
};

macro_rules! kind {
    ($($(#[$doc:meta])* $name:ident($quantity:ty) = $param:ident, $read:expr, $unit:literal, $decimals:expr;)+) => {$(
        $(#[$doc])*
        pub struct $name(Param);

        impl From<$quantity> for $name {
            fn from(quantity: $quantity) -> Self {
                Self(Param::$param(Quantity::new($read(quantity), $unit, $decimals)))
            }
        }

        impl From<$name> for Param {
            fn from(kind: $name) -> Self {
                kind.0
            }
        }
    )+};
}

kind! {
    /// A temperature, to a tenth of a degree.
    Temp(Temperature) = Temperature, in_celsius, "°C", Some(1);
    /// A temperature, to the degree.
    WholeTemp(Temperature) = Temperature, in_celsius, "°C", Some(0);
    /// A temperature as it was stated.
    StatedTemp(Temperature) = Temperature, in_celsius, "°C", None;
    /// A difference of temperatures, to a tenth of a degree.
    Degrees(TemperatureDifference) = Difference, in_degrees, "°C", Some(1);
    /// A difference of temperatures, as it was stated.
    StatedDegrees(TemperatureDifference) = Difference, in_degrees, "°C", None;
    /// A mass, to the gram.
    Grams(Mass) = Mass, in_grams, "g", Some(0);
    /// A mass, to a tenth of a gram.
    FineGrams(Mass) = Mass, in_grams, "g", Some(1);
    /// A mass as it was stated.
    StatedGrams(Mass) = Mass, in_grams, "g", None;
    /// A mass of which kilograms are said. Stones are weighed in them everywhere.
    Kilograms(f64) = Number, std::convert::identity, "kg", None;
    /// A time, to the second.
    Seconds(Time) = Number, in_seconds, "s", Some(0);
    /// A time, to a tenth of a minute.
    Minutes(Time) = Number, in_minutes, "min", Some(1);
    /// A time in minutes, as it was stated.
    StatedMinutes(Time) = Number, in_minutes, "min", None;
    /// A time, to the minute.
    WholeMinutes(Time) = Number, in_minutes, "min", Some(0);
    /// A time in minutes, rounded up: by then it is so.
    MinutesUp(Time) = Number, in_minutes_up, "min", Some(0);
    /// A length, to the millimetre.
    WholeMm(Length) = Number, in_millimetres, "mm", Some(0);
    /// A length, to a tenth of a millimetre.
    Mm(Length) = Number, in_millimetres, "mm", Some(1);
    /// A length, to a hundredth of a millimetre.
    MeasuredMm(Length) = Number, in_millimetres, "mm", Some(2);
    /// A length as it was stated.
    StatedMm(Length) = Number, in_millimetres, "mm", None;
    /// A length in centimetres, to the centimetre.
    Centimetres(Length) = Number, in_centimetres, "cm", Some(0);
    /// A height above the sea.
    Metres(f64) = Number, std::convert::identity, "m", Some(0);
    /// An area as it was stated.
    StatedArea(Area) = Number, in_square_centimetres, "cm²", None;
    /// An area, to the square centimetre.
    SquareCentimetres(Area) = Number, in_square_centimetres, "cm²", Some(0);
    /// A volume, to the millilitre.
    Millilitres(Volume) = Number, in_millilitres, "ml", Some(0);
    /// A volume, to a tenth of a millilitre.
    FineMillilitres(Volume) = Number, in_millilitres, "ml", Some(1);
    /// A share in per cent, to the per cent.
    Percent(f64) = Number, std::convert::identity, "%", Some(0);
    /// A share in per cent, to a tenth.
    FinePercent(f64) = Number, std::convert::identity, "%", Some(1);
    /// A share in per cent, as it was stated.
    StatedPercent(f64) = Number, std::convert::identity, "%", None;
    /// A number without a unit, as it was stated.
    Number(f64) = Number, std::convert::identity, "", None;
    /// A number without a unit, to a tenth.
    Tenths(f64) = Number, std::convert::identity, "", Some(1);
    /// How many.
    Count(f64) = Number, std::convert::identity, "", Some(0);
}

fn in_minutes(time: Time) -> f64 {
    in_seconds(time) / 60.0
}

fn in_minutes_up(time: Time) -> f64 {
    in_minutes(time).ceil()
}

fn in_centimetres(length: Length) -> f64 {
    in_millimetres(length) / 10.0
}

impl From<u32> for Count {
    fn from(many: u32) -> Self {
        f64::from(many).into()
    }
}

impl From<u8> for Count {
    fn from(many: u8) -> Self {
        f64::from(many).into()
    }
}

impl From<usize> for Count {
    #[expect(clippy::cast_precision_loss, reason = "no list is that long")]
    fn from(many: usize) -> Self {
        (many as f64).into()
    }
}

/// A range of temperatures, to a tenth of a degree.
pub struct TempRange(Param);

impl From<[Temperature; 2]> for TempRange {
    fn from([low, high]: [Temperature; 2]) -> Self {
        let low = Quantity::new(in_celsius(low), "°C", Some(1));
        Self(Param::Temperature(low.up_to(in_celsius(high))))
    }
}

/// A range of temperatures as it was stated.
pub struct StatedTempRange(Param);

impl From<[f64; 2]> for StatedTempRange {
    /// Of both ends, °C.
    fn from([low, high]: [f64; 2]) -> Self {
        Self(Param::Temperature(Quantity::new(low, "°C", None).up_to(high)))
    }
}

/// A range of differences of temperature as it was stated.
pub struct DegreesRange(Param);

impl From<[TemperatureDifference; 2]> for DegreesRange {
    fn from([low, high]: [TemperatureDifference; 2]) -> Self {
        let low = Quantity::new(in_degrees(low), "°C", None);
        Self(Param::Difference(low.up_to(in_degrees(high))))
    }
}

/// A range of shares in per cent, as it was stated.
pub struct PercentRange(Param);

impl From<[f64; 2]> for PercentRange {
    fn from([low, high]: [f64; 2]) -> Self {
        Self(Param::Number(Quantity::new(low, "%", None).up_to(high)))
    }
}

/// A range of times in minutes, as it was stated.
pub struct MinutesRange(Param);

impl From<[f64; 2]> for MinutesRange {
    fn from([low, high]: [f64; 2]) -> Self {
        Self(Param::Number(Quantity::new(low, "min", None).up_to(high)))
    }
}

/// A mass that is weighed out: to a tenth of a gram where it is small.
pub struct ToWeigh(Param);

/// Below this a kitchen's fine scale is used, g.
const FINE_BELOW_G: f64 = 10.0;

impl From<Mass> for ToWeigh {
    fn from(mass: Mass) -> Self {
        let steps = if in_grams(mass) < FINE_BELOW_G { 10.0 } else { 1.0 };
        let g = (in_grams(mass) * steps).round() / steps;
        Self(Param::Mass(Quantity::new(g, "g", None)))
    }
}

/// A range of lengths as it was stated.
pub struct MmRange(Param);

impl From<[Length; 2]> for MmRange {
    fn from([low, high]: [Length; 2]) -> Self {
        let low = Quantity::new(in_millimetres(low), "mm", None);
        Self(Param::Number(low.up_to(in_millimetres(high))))
    }
}

/// What the thermometer shows; in words where it shows nothing.
pub struct Reading(Param);

impl Reading {
    pub(crate) fn of(latest: Temperature) -> Self {
        Self(Temp::from(latest).into())
    }

    pub(crate) fn none(said: Message) -> Self {
        Self(Nested::from(said).into())
    }
}

/// A quantity of a unit as bounds have it: `C°` is a difference of temperatures.
fn of_unit(unit: &'static str, value: f64) -> Param {
    let quantity = Quantity::new(value, if unit == "C°" { "°C" } else { unit }, None);
    match unit {
        "°C" => Param::Temperature(quantity),
        "C°" => Param::Difference(quantity),
        "g" => Param::Mass(quantity),
        _ => Param::Number(quantity),
    }
}

/// The range in which a number is accepted, in the unit of its bounds.
pub struct Between(Param);

impl Between {
    pub(crate) fn new(min: f64, max: f64, unit: &'static str) -> Self {
        Self(match of_unit(unit, min) {
            Param::Temperature(low) => Param::Temperature(low.up_to(max)),
            Param::Difference(low) => Param::Difference(low.up_to(max)),
            Param::Mass(low) => Param::Mass(low.up_to(max)),
            Param::Number(low) => Param::Number(low.up_to(max)),
            other => other,
        })
    }
}

/// A number that was given. Its unit is said where it may be shown in another.
pub struct Given(Param);

impl Given {
    pub(crate) fn new(value: f64, unit: &'static str) -> Self {
        Self(match of_unit(unit, value) {
            Param::Number(quantity) => Param::Number(Quantity { unit: "".into(), ..quantity }),
            turned => turned,
        })
    }
}

/// Words that are not the catalogue's: a name that the maker gave, a key, a date.
pub struct Words(Param);

impl<T: std::fmt::Display + ?Sized> From<&T> for Words {
    fn from(words: &T) -> Self {
        Self(Param::Words { words: words.to_string() })
    }
}

impl From<String> for Words {
    fn from(words: String) -> Self {
        Self(Param::Words { words })
    }
}

/// The word that says how long something holds.
pub struct Until;

impl From<Until> for Param {
    fn from(_: Until) -> Self {
        Self::Until
    }
}

/// Another message.
pub struct Nested(Param);

impl From<Message> for Nested {
    fn from(message: Message) -> Self {
        Self(Param::Message { message: Box::new(message) })
    }
}

/// Several, one after the other.
pub struct List(Param);

/// Several of a kind, with the same words between each two.
#[must_use]
pub fn list<T: Into<Param>>(items: impl IntoIterator<Item = T>, between: &'static str) -> List {
    List(Param::List {
        items: items.into_iter().map(Into::into).collect(),
        between: between.into(),
    })
}

/// Names or keys, one after the other.
#[must_use]
pub fn names<T: std::fmt::Display>(items: impl IntoIterator<Item = T>) -> List {
    list(items.into_iter().map(|item| Words::from(&item)), ", ")
}

macro_rules! into_param {
    ($($kind:ident),+) => {$(
        impl From<$kind> for Param {
            fn from(kind: $kind) -> Self {
                kind.0
            }
        }
    )+};
}

into_param!(
    StatedTempRange,
    DegreesRange,
    PercentRange,
    MinutesRange,
    ToWeigh,
    TempRange,
    MmRange,
    Reading,
    Between,
    Given,
    Words,
    Nested,
    List
);
